// Icons drawn for this project (style/icons, SVG in one colour), for where a word is longer than its meaning
// is clear. They take the colour of the text that they stand for, and are as sharp as the screen.
#pragma once

#include <QIcon>

namespace irenic::style {

enum class Icon { Choose, More, Close, Waits, Runs, Done, Failed, Cancelled, Reset };

// In the colour of text; on an ochre ground (a control that is on) in the colour of text there.
QIcon icon(Icon which);

} // namespace irenic::style
