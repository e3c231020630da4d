// How much of a zone each pixel is.
#pragma once

#include "denoise/zone.h"
#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// 0..1 at each pixel of `area`, which may reach beyond the photo. A pure function: overlapping areas give
// equal values. What is found by measuring (denoise/found_part.h) is measured once for a photo. Throws
// Cancelled.
Plane maskOf(const Photo& photo, const Zone& zone, const Rect& area, const Work& work = {});

// What a line of the brush covers of `area`: 1 within, falling to 0 over the soft share of its radius. One of
// a pixel's diameter covers single pixels. Throws Cancelled.
Plane coverageOf(const Stroke& stroke, const Rect& area, const Work& work = {});
// The same, and only what is like what its middle runs over where the stroke keeps to edges.
Plane coverageOf(const Photo& photo, const Stroke& stroke, const Rect& area, const Work& work = {});

} // namespace irenic
