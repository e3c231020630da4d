// Means over squares.
#pragma once

#include "image/plane.h"

namespace irenic {

// The mean over (2 r + 1) x (2 r + 1) samples, or what of them is there.
Plane boxMean(const Plane& in, int r);

} // namespace irenic
