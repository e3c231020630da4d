// What a simulated sensor gives with its lens covered.
#pragma once

#include "measure/dark_frame.h"
#include "sensor.h"

namespace irenic {

// A raw without light.
Photo takeDark(const Body& body, const Shot& shot, int width, int height);
// The mean of `count` of them, whose seeds follow the shot's.
DarkFrame takeDarkFrames(const Body& body, const Shot& shot, int width, int height, int count);

} // namespace irenic
