// Planes at half, a quarter ... of the resolution, on one fixed grid: cell (i, j) of the next coarser level
// covers the samples (2i, 2j) to (2i+1, 2j+1) wherever a region begins, so that regions stay crops of the
// whole.
#pragma once

#include "denoise/method.h"

namespace irenic {

// Half of v, rounded towards minus infinity: the coarser cell that holds sample v.
constexpr int halfOf(int v) { return v >= 0 ? v / 2 : -((1 - v) / 2); }

// The means of 2x2 samples, for the cells that lie whole within `in`.
PlaneSet halved(const PlaneSet& in, const Work& work);

// The coarser cells that interpolation over `area` reads.
inline Rect cellsReadBy(const Rect& area) {
    const int x = halfOf(area.x) - 1, y = halfOf(area.y) - 1;
    return {x, y, halfOf(area.right() - 1) + 2 - x, halfOf(area.bottom() - 1) + 2 - y};
}

// Adds to `fine`, over `area`, the bilinear interpolation of `coarse`, which has half the resolution. Both
// planes hold the rectangle given beside them; `coarse` holds at least cellsReadBy(area).
void addDoubled(const Plane& coarse, const Rect& coarseRect, Plane& fine, const Rect& fineRect,
                const Rect& area, const Work& work);

// The bilinear interpolation of `coarse` over `area`.
Plane doubled(const Plane& coarse, const Rect& coarseRect, const Rect& area, const Work& work);

} // namespace irenic
