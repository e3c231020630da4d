// What the desktop asks for, by the settings portal (org.freedesktop.portal.Settings, key color-scheme of
// org.freedesktop.appearance).
#pragma once

#include "style/style.h"

class QObject;

namespace irenic::style {

// Dark or light greys where the desktop prefers them, unless the person has chosen a set before. The answer
// comes a moment later; none, and nothing changes.
void followDesktop(QObject* owner);
// The set for a value of color-scheme: 1 dark, 2 light, else none preferred.
Greys greysFor(unsigned scheme);

} // namespace irenic::style
