// Pictures as a screen has them, in floating point: what can be compared whatever it was made from.
#pragma once

#include "develop/render.h"

namespace irenic {

// Encoded sRGB, 0..1 (Holds::Display), of `area` of the developed photo, without a push. Throws as render()
// does.
Image displayOf(const Recipe& recipe, const Rect& area, const Context& context = {});

// The pixels of a display: with a zoom >= 1 each becomes a square, below 1 light is averaged.
Picture pictureOf(const Image& display, double zoom);

} // namespace irenic
