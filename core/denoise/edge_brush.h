// A brush that keeps to edges: of what it covers, only what is like what its middle runs over.
//
// Means of the stabilised planes over 3 x 3 samples, or 5 x 5 where noise is strong, are compared with those
// under the nearest place of the line, in deviations: of the noise, and of the texture that the line itself
// runs over. A pixel is taken within three deviations and left beyond five.
#pragma once

#include "denoise/zone.h"
#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// What a stroke can cover.
Rect reachOf(const Stroke& stroke);

// 0..1 at each pixel of `area`: how like it is what the stroke's middle runs over. A pure function:
// overlapping areas give equal values. Throws Cancelled.
Plane likenessOf(const Photo& photo, const Stroke& stroke, const Rect& area, const Work& work = {});

} // namespace irenic
