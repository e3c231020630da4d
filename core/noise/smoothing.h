// What a camera has smoothed before it wrote its raw: a small symmetric filter over samples of one colour.
#pragma once

#include "image/plane.h"
#include "image/rect.h"

namespace irenic {

// Each sample gave these shares of itself to each neighbour of its colour; not below 0.
struct Smoothing {
    double beside = 0, diagonal = 0;

    double kept() const { return 1 - 4 * beside - 4 * diagonal; } // by the sample itself
    bool none() const { return beside == 0 && diagonal == 0; }
    friend bool operator==(const Smoothing&, const Smoothing&) = default;
};

// How far a filtered sample of a 2x2 mosaic reaches, in pixels.
inline constexpr int kSmoothingReach = 2;

// One row of the filter: to[x] for each x of [first, last). The pointers are addressed by x, in rows of
// `width` samples; those of one colour are `step` apart. Beyond the ends lies the mirror image: the outermost
// sample is its own neighbour.
void smoothRow(const float* above, const float* own, const float* below, float* to, int first, int last,
               int width, int step, const Smoothing& smoothing);

// `mosaic`, whose origin is that of `has`, filtered over `area`. Beyond the edges of the photo, which is 0,
// 0, width, height, lies its mirror image. `has` holds area.inflated(kSmoothingReach) as far as the photo
// goes.
Plane smoothedMosaic(const Plane& mosaic, const Rect& has, const Rect& area, int width, int height,
                     const Smoothing& smoothing);

} // namespace irenic
