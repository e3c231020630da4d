#include "denoise/nlm.h"

#include <algorithm>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/nlm.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

constexpr int kTile = 64;
constexpr int kP = NonLocalMeans::kPatch, kS = NonLocalMeans::kSearch;
// Working rows are this long: the tile, the patch radius on both sides, and room for whole vectors.
constexpr int kRow = kTile + 32;

// How much a plane's difference counts in the distance, tuned on noiseless truth.
constexpr float kLuminanceShare = 1.0f, kFineShare = 0.75f, kColourShare = 0.75f;

struct Buffers {
    HWY_ALIGN float difference[(kTile + 2 * kP) * kRow];
    HWY_ALIGN float columns[kRow];
    HWY_ALIGN float sums[kPlanes][kTile * kTile];
    HWY_ALIGN float weight[2][kTile * kTile]; // luminance, colour
    HWY_ALIGN float largest[2][kTile * kTile];
};

// One tile: `in` at absolute coordinates, results to `out` where the tile meets its area.
void Tile(const PlaneSet& in, const Rect& tile, const float* strength, PlaneSet& out) {
    const hn::ScalableTag<float> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    static thread_local Buffers b;
    std::fill(&b.sums[0][0], &b.sums[0][0] + kPlanes * kTile * kTile, 0.0f);
    std::fill(&b.weight[0][0], &b.weight[0][0] + 2 * kTile * kTile, 0.0f);
    std::fill(&b.largest[0][0], &b.largest[0][0] + 2 * kTile * kTile, 1e-6f);

    constexpr float share[kPlanes] = {kLuminanceShare, kColourShare, kColourShare, kFineShare};
    constexpr float patch = (2 * kP + 1) * (2 * kP + 1);
    // Noise of variance 1 on both sides gives a mean squared difference of 2.
    const float expected = 2.0f * patch * (kLuminanceShare + (in.packed ? kFineShare : 0) + 2 * kColourShare);
    const float sl = strength[0], sc = strength[1];
    const auto v_floor = hn::Set(d, expected * 0.9f);
    const auto v_luminance = hn::Set(d, -1.0f / (8.0f * std::max(1e-6f, 0.32f * expected * sl * sl)));
    const auto v_colour = hn::Set(d, -1.0f / (8.0f * std::max(1e-6f, 0.60f * expected * sc * sc)));
    const auto one = hn::Set(d, 1.0f), zero = hn::Zero(d);

    const auto power8 = [&](auto t) HWY_ATTR {
        t = hn::Max(t, zero);
        t = hn::Mul(t, t);
        t = hn::Mul(t, t);
        return hn::Mul(t, t);
    };

    for (int dy = -kS; dy <= kS; ++dy) {
        for (int dx = -kS; dx <= kS; ++dx) {
            if (dx == 0 && dy == 0) continue;
            for (int y = 0; y < kTile + 2 * kP; ++y) {
                const int ay = tile.y + y - kP, ax = tile.x - kP;
                float* to = b.difference + y * kRow;
                const float* here[kPlanes];
                const float* there[kPlanes];
                for (std::size_t p = 0; p < kPlanes; ++p) {
                    here[p] = in.rowAt(p, ay) + ax;
                    there[p] = in.rowAt(p, ay + dy) + ax + dx;
                }
                for (int x = 0; x < kTile + 2 * kP; x += lanes) {
                    auto sum = zero;
                    for (std::size_t p = 0; p < kPlanes; ++p) {
                        const auto diff = hn::Sub(hn::LoadU(d, here[p] + x), hn::LoadU(d, there[p] + x));
                        sum = hn::MulAdd(hn::Mul(diff, hn::Set(d, share[p])), diff, sum);
                    }
                    hn::Store(sum, d, to + x);
                }
            }
            for (int y = 0; y < kTile; ++y) {
                const float* rows = b.difference + y * kRow;
                for (int x = 0; x < kTile + 2 * kP; x += lanes) {
                    auto sum = hn::Load(d, rows + x);
                    for (int j = 1; j <= 2 * kP; ++j) sum = hn::Add(sum, hn::Load(d, rows + j * kRow + x));
                    hn::Store(sum, d, b.columns + x);
                }
                const float* there[kPlanes];
                for (std::size_t p = 0; p < kPlanes; ++p)
                    there[p] = in.rowAt(p, tile.y + y + dy) + tile.x + dx;
                for (int x = 0; x < kTile; x += lanes) {
                    auto distance = hn::Load(d, b.columns + x);
                    for (int i = 1; i <= 2 * kP; ++i)
                        distance = hn::Add(distance, hn::LoadU(d, b.columns + x + i));
                    distance = hn::Max(hn::Sub(distance, v_floor), zero);
                    const auto wl = power8(hn::MulAdd(distance, v_luminance, one));
                    const auto wc = power8(hn::MulAdd(distance, v_colour, one));
                    const int at = y * kTile + x;
                    hn::Store(hn::Add(hn::Load(d, b.weight[0] + at), wl), d, b.weight[0] + at);
                    hn::Store(hn::Add(hn::Load(d, b.weight[1] + at), wc), d, b.weight[1] + at);
                    hn::Store(hn::Max(hn::Load(d, b.largest[0] + at), wl), d, b.largest[0] + at);
                    hn::Store(hn::Max(hn::Load(d, b.largest[1] + at), wc), d, b.largest[1] + at);
                    for (std::size_t p = 0; p < kPlanes; ++p) {
                        float* sums = b.sums[p] + at;
                        hn::Store(
                            hn::MulAdd(isColour(p) ? wc : wl, hn::LoadU(d, there[p] + x), hn::Load(d, sums)),
                            d, sums);
                    }
                }
            }
        }
    }

    const Rect wanted = tile.intersected(out.area);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        const int group = isColour(p) ? 1 : 0;
        for (int y = wanted.y; y < wanted.bottom(); ++y) {
            const float* own = in.rowAt(p, y);
            float* to = out.rowAt(p, y);
            for (int x = wanted.x; x < wanted.right(); ++x) {
                const int at = (y - tile.y) * kTile + x - tile.x;
                // The pixel itself counts as much as the patch most like it.
                const float self = b.largest[group][at];
                to[x] =
                    strength[p] > 0 ? (b.sums[p][at] + self * own[x]) / (b.weight[group][at] + self) : own[x];
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
