#include "denoise/nlm.h"
#include "base/expects.h"
#include "image/tiles.h"

#include <algorithm>
#include <cmath>
#include <memory>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/nlm.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

constexpr int kTile = 64;
constexpr int kP = NonLocalMeans::kPatch, kS = NonLocalMeans::kSearch, kPatchRows = 2 * kP + 1;
// Displacements side by side that are walked over together: what is added up of a tile is fetched and put
// back once for all of them.
constexpr int kGroup = 7;
static_assert((2 * kS + 1) % kGroup == 0);
constexpr int kHalo = kS + kP, kWide = kTile + 2 * kHalo;
// Rows of the tile's own copies and of differences, with room for whole vectors.
constexpr int kStride = kWide + 16, kRow = kTile + 32;

// How much a plane's difference counts in the distance, tuned on noiseless truth.
constexpr float kLuminanceShare = 1.0f, kFineShare = 0.75f, kColourShare = 0.75f;
constexpr float kShare[kPlanes] = {kLuminanceShare, kColourShare, kColourShare, kFineShare};

struct Buffers {
    // The tile and its halo, each plane times the root of its share. Rows of a photo lie whole memory pages
    // apart and would push one another out of the cache.
    HWY_ALIGN float plane[kPlanes][kWide * kStride];
    HWY_ALIGN float difference[kGroup][kPatchRows][kRow];
    HWY_ALIGN float columns[kGroup][kRow];
    HWY_ALIGN float sums[kPlanes][kTile * kTile];
    HWY_ALIGN float weight[2][kTile * kTile]; // luminance, colour
    HWY_ALIGN float largest[2][kTile * kTile];
};

void CopyTile(const PlaneSet& in, const Rect& tile, Buffers& b) {
    for (std::size_t p = 0; p < kPlanes; ++p) {
        const float root = std::sqrt(kShare[p]);
        for (int y = 0; y < kWide; ++y) {
            const float* from = in.rowAt(p, tile.y - kHalo + y) + tile.x - kHalo;
            for (int x = 0; x < kWide; ++x) b.plane[p][y * kStride + x] = root * from[x];
        }
    }
}

// Row y of the squared differences (y = 0 is kP above the tile) to where a group of displacements leads.
HWY_INLINE void DifferenceRow(Buffers& b, int y, int dy, int dx) {
    const hn::ScalableTag<float> d;
    const int own = (y + kS) * kStride + kS, other = own + dy * kStride + dx;
    for (int x = 0; x < kTile + 2 * kP; x += static_cast<int>(hn::Lanes(d))) {
        const auto h0 = hn::LoadU(d, b.plane[0] + own + x), h1 = hn::LoadU(d, b.plane[1] + own + x),
                   h2 = hn::LoadU(d, b.plane[2] + own + x), h3 = hn::LoadU(d, b.plane[3] + own + x);
        for (int g = 0; g < kGroup; ++g) {
            const int at = other + g + x;
            const auto d0 = hn::Sub(h0, hn::LoadU(d, b.plane[0] + at)),
                       d1 = hn::Sub(h1, hn::LoadU(d, b.plane[1] + at)),
                       d2 = hn::Sub(h2, hn::LoadU(d, b.plane[2] + at)),
                       d3 = hn::Sub(h3, hn::LoadU(d, b.plane[3] + at));
            const auto sum = hn::MulAdd(d3, d3, hn::MulAdd(d2, d2, hn::MulAdd(d1, d1, hn::Mul(d0, d0))));
            hn::Store(sum, d, b.difference[g][y % kPatchRows] + x);
        }
    }
}

// What of a distance noise alone gives, and how fast the weights fall beyond it.
struct Weighing {
    float floor, luminance, colour;
};

// Adds what a group of displacements has to give to row y of the tile.
HWY_INLINE void AddRow(Buffers& b, int y, int dy, int dx, const Weighing& weighing) {
    const hn::ScalableTag<float> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (int g = 0; g < kGroup; ++g)
        for (int x = 0; x < kTile + 2 * kP; x += lanes) {
            auto sum = hn::Load(d, b.difference[g][y % kPatchRows] + x);
            for (int j = 1; j < kPatchRows; ++j)
                sum = hn::Add(sum, hn::Load(d, b.difference[g][(y + j) % kPatchRows] + x));
            hn::Store(sum, d, b.columns[g] + x);
        }
    const auto zero = hn::Zero(d), one = hn::Set(d, 1.0f), floor = hn::Set(d, weighing.floor),
               luminance = hn::Set(d, weighing.luminance), colour = hn::Set(d, weighing.colour);
    const auto power8 = [&](auto t) HWY_ATTR {
        t = hn::Max(t, zero);
        t = hn::Mul(t, t);
        t = hn::Mul(t, t);
        return hn::Mul(t, t);
    };
    const int other = (y + kHalo + dy) * kStride + kHalo + dx;
    for (int x = 0; x < kTile; x += lanes) {
        const int at = y * kTile + x;
        auto weightL = hn::Load(d, b.weight[0] + at), weightC = hn::Load(d, b.weight[1] + at),
             largestL = hn::Load(d, b.largest[0] + at), largestC = hn::Load(d, b.largest[1] + at),
             sum0 = hn::Load(d, b.sums[0] + at), sum1 = hn::Load(d, b.sums[1] + at),
             sum2 = hn::Load(d, b.sums[2] + at), sum3 = hn::Load(d, b.sums[3] + at);
        for (int g = 0; g < kGroup; ++g) {
            if (dy == 0 && dx + g == 0) continue; // the pixel itself
            auto distance = hn::Load(d, b.columns[g] + x);
            for (int i = 1; i < kPatchRows; ++i)
                distance = hn::Add(distance, hn::LoadU(d, b.columns[g] + x + i));
            distance = hn::Max(hn::Sub(distance, floor), zero);
            const auto wl = power8(hn::MulAdd(distance, luminance, one));
            const auto wc = power8(hn::MulAdd(distance, colour, one));
            weightL = hn::Add(weightL, wl), weightC = hn::Add(weightC, wc);
            largestL = hn::Max(largestL, wl), largestC = hn::Max(largestC, wc);
            const int there = other + g + x;
            sum0 = hn::MulAdd(wl, hn::LoadU(d, b.plane[0] + there), sum0);
            sum1 = hn::MulAdd(wc, hn::LoadU(d, b.plane[1] + there), sum1);
            sum2 = hn::MulAdd(wc, hn::LoadU(d, b.plane[2] + there), sum2);
            sum3 = hn::MulAdd(wl, hn::LoadU(d, b.plane[3] + there), sum3);
        }
        hn::Store(weightL, d, b.weight[0] + at), hn::Store(weightC, d, b.weight[1] + at);
        hn::Store(largestL, d, b.largest[0] + at), hn::Store(largestC, d, b.largest[1] + at);
        hn::Store(sum0, d, b.sums[0] + at), hn::Store(sum1, d, b.sums[1] + at);
        hn::Store(sum2, d, b.sums[2] + at), hn::Store(sum3, d, b.sums[3] + at);
    }
}

// One tile: `in` at absolute coordinates, results to `out` where the tile meets its area.
void Tile(const PlaneSet& in, const Rect& tile, const float* strength, PlaneSet& out) {
    static thread_local const auto buffers = std::make_unique<Buffers>();
    Buffers& b = *buffers;
    CopyTile(in, tile, b);
    std::fill(&b.sums[0][0], &b.sums[0][0] + kPlanes * kTile * kTile, 0.0f);
    std::fill(&b.weight[0][0], &b.weight[0][0] + 2 * kTile * kTile, 0.0f);
    std::fill(&b.largest[0][0], &b.largest[0][0] + 2 * kTile * kTile, 1e-6f);

    // Noise of variance 1 on both sides gives a mean squared difference of 2.
    constexpr float patch = kPatchRows * kPatchRows;
    const float expected = 2.0f * patch * (kLuminanceShare + (in.packed ? kFineShare : 0) + 2 * kColourShare);
    const float sl = strength[0], sc = strength[1];
    const Weighing weighing{expected * 0.9f, -1.0f / (8.0f * std::max(1e-6f, 0.32f * expected * sl * sl)),
                            -1.0f / (8.0f * std::max(1e-6f, 0.60f * expected * sc * sc))};
    for (int dy = -kS; dy <= kS; ++dy)
        for (int dx = -kS; dx <= kS; dx += kGroup)
            for (int y = 0; y < kTile + 2 * kP; ++y) {
                DifferenceRow(b, y, dy, dx);
                if (y >= 2 * kP) AddRow(b, y - 2 * kP, dy, dx, weighing);
            }

    const Rect wanted = tile.intersected(out.area);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        const int group = isColour(p) ? 1 : 0;
        const float unit = 1 / std::sqrt(kShare[p]); // sums are of the copies
        for (int y = wanted.y; y < wanted.bottom(); ++y) {
            const float* own = in.rowAt(p, y);
            float* to = out.rowAt(p, y);
            for (int x = wanted.x; x < wanted.right(); ++x) {
                const int at = (y - tile.y) * kTile + x - tile.x;
                // The pixel itself counts as much as the patch most like it.
                const float self = b.largest[group][at];
                to[x] = strength[p] > 0
                            ? (unit * b.sums[p][at] + self * own[x]) / (b.weight[group][at] + self)
                            : own[x];
            }
        }
    }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(Tile);

PlaneSet NonLocalMeans::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                            const Work& work) const {
    IRENIC_EXPECTS(in.area.contains(area.inflated(margin())));
    PlaneSet out(area);
    // Whole tiles are computed, also those that the area only touches: give them samples to read.
    const Rect tiles = area.aligned(64);
    PlaneSet wide;
    const PlaneSet* source = &in;
    const Rect needed = tiles.inflated(margin());
    if (!in.area.contains(needed)) {
        wide = PlaneSet(needed);
        wide.describeAs(in);
        for (std::size_t p = 0; p < kPlanes; ++p) {
            wide.plane[p].fill(0);
            const Rect shared = needed.intersected(in.area);
            for (int y = shared.y; y < shared.bottom(); ++y)
                std::copy(in.rowAt(p, y) + shared.x, in.rowAt(p, y) + shared.right(),
                          wide.rowAt(p, y) + shared.x);
        }
        source = &wide;
    }
    std::atomic<long long> finished = 0;
    forEachTile(area, 64, work, [&](const Rect& tile) {
        HWY_DYNAMIC_DISPATCH(Tile)(*source, tile, strength.data(), out);
        work.report(static_cast<double>(finished += tile.intersected(area).area()) /
                    static_cast<double>(area.area()));
    });
    return out;
}

} // namespace irenic
#endif
