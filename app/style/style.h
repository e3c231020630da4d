// The look: neutral mid-greys, so that nothing tints the eye, and one ochre for the chosen take and the
// focus.
#pragma once

#include <QApplication>
#include <QColor>

namespace irenic::style {

inline const QColor kGround(104, 104, 104); // around photographs
inline const QColor kPanel(122, 122, 122);
inline const QColor kRaised(140, 140, 140);
inline const QColor kLine(86, 86, 86);
inline const QColor kText(16, 16, 16);
inline const QColor kFaint(48, 48, 48);
inline const QColor kOchre(214, 158, 46);

// Palette, font and style sheet of the whole application.
void apply(QApplication& app);

} // namespace irenic::style
