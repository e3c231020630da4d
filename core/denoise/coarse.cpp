#include "denoise/coarse.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "base/expects.h"
#include "denoise/pyramid.h"
#include "image/tiles.h"
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/coarse.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#ifndef IRENIC_COARSE_SHARED
#define IRENIC_COARSE_SHARED
namespace irenic::coarse {

constexpr int kWindow = 3; // the window is 7 x 7, patches are 3 x 3
// Tuned on noiseless truth: how fast weights fall, and the largest change taken whole, in sigmas of the
// finest level.
constexpr float kWidth = 0.9f, kMost = 0.7f;
// Half of a difference of both greens that is this large, in sigmas, is believed: three times what the
// methods leave.
constexpr float kAlike = 0.1f;
constexpr std::size_t kGreens = 3; // the plane of their difference
constexpr int kTile = 32, kRow = kTile + 16 + 64;

} // namespace irenic::coarse
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::coarse; // NOLINT: the shared part of this very file

// Non-local means over one tile of a level whose noise has standard deviation `sigma`; the result goes where
// the tile meets out's area.
void CleanCoarseTile(const PlaneSet& in, const Rect& tile, float sigma, const float* strength,
                     PlaneSet& out) {
    const hn::CappedTag<float, 16> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    // Only what the area needs is there to be read.
    const Rect wanted = tile.intersected(out.area);
    const int w = wanted.width, h = wanted.height;
    HWY_ALIGN float squares[(kTile + 2) * kRow], columns[kRow];
    HWY_ALIGN float weight[kTile * kTile], largest[kTile * kTile], sums[kPlanes][kTile * kTile];
    std::fill(weight, weight + kTile * kTile, 0.0f);
    std::fill(largest, largest + kTile * kTile, 1e-6f);
    std::fill(&sums[0][0], &sums[0][0] + kPlanes * kTile * kTile, 0.0f);
    // 9 samples of 4 planes (3 without a mosaic), noise of variance 1 on both sides.
    const float expected = 9.0f * 2 * (in.packed ? 4 : 3);
    const float s = std::max(strength[1], strength[0]);
    const auto unit = hn::Set(d, 1 / (sigma * sigma)), zero = hn::Zero(d), one = hn::Set(d, 1.0f);
    const auto floor = hn::Set(d, expected * 0.9f), slope = hn::Set(d, -1 / (8 * kWidth * expected * s * s));
    for (int dy = -kWindow; dy <= kWindow; ++dy)
        for (int dx = -kWindow; dx <= kWindow; ++dx) {
            if (dx == 0 && dy == 0) continue;
            for (int y = -1; y <= h; ++y) {
                const float *a[kPlanes], *b[kPlanes];
                for (std::size_t p = 0; p < kPlanes; ++p) {
                    a[p] = in.rowAt(p, wanted.y + y) + wanted.x - 1;
                    b[p] = in.rowAt(p, wanted.y + y + dy) + wanted.x - 1 + dx;
                }
                float* to = squares + (y + 1) * kRow;
                for (int x = 0; x < w + 2; x += lanes) {
                    auto sum = zero;
                    for (std::size_t p = 0; p < kPlanes; ++p) {
                        const auto e = hn::Sub(hn::LoadU(d, a[p] + x), hn::LoadU(d, b[p] + x));
                        sum = hn::MulAdd(e, e, sum);
                    }
                    hn::Store(hn::Mul(sum, unit), d, to + x);
                }
            }
            for (int y = 0; y < h; ++y) {
                const float* rows = squares + y * kRow;
                for (int x = 0; x < w + 2; x += lanes)
                    hn::Store(hn::Add(hn::Add(hn::Load(d, rows + x), hn::Load(d, rows + kRow + x)),
                                      hn::Load(d, rows + 2 * kRow + x)),
                              d, columns + x);
                const float* there[kPlanes];
                for (std::size_t p = 0; p < kPlanes; ++p)
                    there[p] = in.rowAt(p, wanted.y + y + dy) + wanted.x + dx;
                for (int x = 0; x < w; x += lanes) {
                    const auto sum = hn::Add(hn::Add(hn::Load(d, columns + x), hn::LoadU(d, columns + x + 1)),
                                             hn::LoadU(d, columns + x + 2));
                    auto v = hn::Max(zero, hn::MulAdd(slope, hn::Max(zero, hn::Sub(sum, floor)), one));
                    v = hn::Mul(v, v), v = hn::Mul(v, v), v = hn::Mul(v, v);
                    const int at = y * kTile + x;
                    hn::Store(hn::Add(hn::Load(d, weight + at), v), d, weight + at);
                    hn::Store(hn::Max(hn::Load(d, largest + at), v), d, largest + at);
                    for (std::size_t p = 0; p < kPlanes; ++p)
                        if (strength[p] > 0)
                            hn::Store(hn::MulAdd(v, hn::LoadU(d, there[p] + x), hn::Load(d, sums[p] + at)), d,
                                      sums[p] + at);
                }
            }
        }
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = 0; y < h; ++y) {
            const float* own = in.rowAt(p, wanted.y + y) + wanted.x;
            float* to = out.rowAt(p, wanted.y + y) + wanted.x;
            for (int x = 0; x < w; ++x) {
                const int i = y * kTile + x;
                to[x] =
                    strength[p] > 0 ? (sums[p][i] + largest[i] * own[x]) / (weight[i] + largest[i]) : own[x];
            }
        }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(CleanCoarseTile);

namespace {

using namespace coarse;

constexpr int kLevels = 4; // the coarsest averages 16 x 16 packed samples

PlaneSet cleaned(const PlaneSet& in, const Rect& area, float sigma,
                 const std::array<float, kPlanes>& strength, const Work& work) {
    PlaneSet out(area);
    forEachTile(area, kTile, work, [&](const Rect& tile) {
        HWY_DYNAMIC_DISPATCH(CleanCoarseTile)(in, tile, sigma, strength.data(), out);
    });
    return out;
}

// The cleaned level over `area`; `level` holds its noisy samples for as far as is needed.
PlaneSet cleanLevel(std::vector<PlaneSet>& levels, std::size_t k, const Rect& area,
                    const std::array<float, kPlanes>& strength, const Work& work) {
    PlaneSet& level = levels[k];
    const Rect around = area.inflated(kWindow + 1);
    if (k + 1 < levels.size()) {
        const Rect coarse = cellsReadBy(around);
        PlaneSet change = cleanLevel(levels, k + 1, coarse, strength, work);
        // The coarser level has been changed in place by its own coarser ones: compare with what this one
        // averages to.
        const PlaneSet mean = halved(level, work);
        for (std::size_t p = 0; p < kPlanes; ++p) {
            if (strength[p] <= 0) continue;
            for (int y = coarse.y; y < coarse.bottom(); ++y)
                for (int x = coarse.x; x < coarse.right(); ++x) change.rowAt(p, y)[x] -= mean.rowAt(p, y)[x];
            addDoubled(change.plane[p], coarse, level.plane[p], level.area, around, work);
        }
    }
    return cleaned(level, area, std::ldexp(1.0f, -static_cast<int>(k)), strength, work);
}

} // namespace

// What both greens differ by over 6x6 samples and more is hardly ever the picture's: it is noise that is
// left, and shows as a grid once dark parts are brightened. `change` is about to be added to `mean`; both are
// of plane 3, halved, `change` lies within `changed`. Differences well above kAlike stay: sites that answer
// unequally, and what fine patterns leave by aliasing.
void makeGreensAlike(const Plane& mean, const Rect& meaned, Plane& change, const Rect& changed,
                     float strength) {
    Plane less(changed.width, changed.height);
    const float alike = kAlike * strength;
    for (int y = 1; y < changed.height - 1; ++y)
        for (int x = 1; x < changed.width - 1; ++x) {
            float sum = 0;
            for (int v = y - 1; v <= y + 1; ++v)
                for (int u = x - 1; u <= x + 1; ++u)
                    sum += mean.at(changed.x + u - meaned.x, changed.y + v - meaned.y) + change.at(u, v);
            const float common = sum / 9;
            less.at(x, y) = common * alike * alike / (common * common + alike * alike);
        }
    for (int y = 1; y < changed.height - 1; ++y)
        for (int x = 1; x < changed.width - 1; ++x) change.at(x, y) -= less.at(x, y);
}

PlaneSet withCoarse(const PlaneSet& noisy, PlaneSet clean, const Rect& area,
                    const std::array<float, kPlanes>& strength, const Work& work) {
    IRENIC_EXPECTS(noisy.area.contains(area.inflated(kCoarseNoisyMargin)) &&
                   clean.area.contains(area.inflated(kCoarseMargin)));
    std::vector<PlaneSet> levels(1); // level 0, the noisy planes themselves, is not used
    levels.push_back(halved(noisy, work));
    while (levels.size() <= kLevels) levels.push_back(halved(levels.back(), work));
    const PlaneSet mean = halved(clean, work);
    PlaneSet found = cleanLevel(levels, 1, cellsReadBy(area).inflated(1), strength, work);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        if (strength[p] <= 0) continue;
        const float limit = 0.5f * kMost * strength[p];
        for (int y = found.area.y; y < found.area.bottom(); ++y) {
            float* change = found.rowAt(p, y);
            const float* from = mean.rowAt(p, y);
            for (int x = found.area.x; x < found.area.right(); ++x) {
                const float d = change[x] - from[x];
                // What noise cannot account for is structure that the small window misread.
                change[x] = d / (1 + (d / limit) * (d / limit));
            }
        }
        if (p == kGreens && noisy.packed)
            makeGreensAlike(mean.plane[p], mean.area, found.plane[p], found.area, strength[p]);
        addDoubled(found.plane[p], found.area, clean.plane[p], clean.area, area, work);
    }
    return clean;
}

} // namespace irenic
#endif
