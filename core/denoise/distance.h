// How far each place lies from a mask's border.
//
// P. F. Felzenszwalb, D. P. Huttenlocher, "Distance transforms of sampled functions", Theory of Computing 8,
// 2012: exact, in two passes of lower envelopes of parabolas.
#pragma once

#include "base/work.h"
#include "image/plane.h"

namespace irenic {

// In samples, to the line where the mask is half: above 0 within, below outside. Where a mask has no border,
// farther than its own size. Throws Cancelled.
Plane signedDistance(const Plane& mask, const Work& work = {});

} // namespace irenic
