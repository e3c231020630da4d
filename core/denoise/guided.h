// The guided filter (K. He, J. Sun, X. Tang, IEEE Trans. Pattern Analysis and Machine Intelligence 35(6),
// 2013).
#pragma once

#include "image/plane.h"

namespace irenic {

// `in`, smoothed over squares of 2 radius + 1 samples along the edges of `guide`, which is as large. Edges
// whose variance within a square is below `even` count for little.
Plane guided(const Plane& in, const Plane& guide, int radius, float even);

} // namespace irenic
