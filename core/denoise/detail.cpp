#include "denoise/detail.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"

namespace irenic {

namespace {

// Standard deviation of the detail of each scale of the B3-spline transform of white noise (J.-L. Starck, F.
// Murtagh, A. Bijaoui, "Image Processing and Data Analysis", 1998, table 2.2).
constexpr float kNoise[2] = {0.889f, 0.200f};

// One step of the undecimated B3-spline smoothing with holes of `step`; edges are mirrored.
Plane smoothed(const Plane& in, int step, const Work& work) {
    const int w = in.width(), h = in.height();
    Plane out(w, h);
    constexpr float k0 = 6 / 16.0f, k1 = 4 / 16.0f, k2 = 1 / 16.0f;
    forEachBand(h, 32, work, [&](int first, int last) {
        // A row with room on both sides for what is mirrored.
        constexpr int room = 16;
        Plane wide(w + 2 * room, 1);
        float* row = wide.row(0) + room;
        for (int y = first; y < last; ++y) {
            const float *a = in.row(mirrored(y - 2 * step, h)), *b = in.row(mirrored(y - step, h)),
                        *c = in.row(y), *d = in.row(mirrored(y + step, h)),
                        *e = in.row(mirrored(y + 2 * step, h));
            for (int x = 0; x < w; ++x) row[x] = k0 * c[x] + k1 * (b[x] + d[x]) + k2 * (a[x] + e[x]);
            for (int i = 1; i <= 2 * step; ++i)
                row[-i] = row[mirrored(-i, w)], row[w - 1 + i] = row[mirrored(w - 1 + i, w)];
            float* to = out.row(y);
            for (int x = 0; x < w; ++x)
                to[x] = k0 * row[x] + k1 * (row[x - step] + row[x + step]) +
                        k2 * (row[x - 2 * step] + row[x + 2 * step]);
        }
    });
    return out;
}

} // namespace

PlaneSet withDetail(const PlaneSet& noisy, PlaneSet clean, const Rect& area, float detail, float strength,
                    const Work& work) {
    IRENIC_EXPECTS(clean.area.contains(area.inflated(kDetailMargin)) && noisy.area.contains(clean.area) &&
                   detail >= 0 && detail <= 1);
    const Rect inside = area.translated(-clean.area.x, -clean.area.y);
    const float threshold = (4.5f - 2.5f * detail) * std::max(strength, 0.3f);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        if (isColour(p)) continue;
        Plane removed(clean.area.width, clean.area.height);
        forEachBand(removed.height(), 32, work, [&](int first, int last) {
            for (int y = first; y < last; ++y) {
                const float *n = noisy.rowAt(p, clean.area.y + y) + clean.area.x, *c = clean.plane[p].row(y);
                float* to = removed.row(y);
                for (int x = 0; x < removed.width(); ++x) to[x] = n[x] - c[x];
            }
        });
        // There are lights of one sample, but no holes: a lone dark one must go on in a neighbour.
        // One sample that chance made bright, or that the sensor did, is no structure. Light that went
        // through a lens falls on all colours of a cell: where colour planes lost more than luminance did, it
        // is not that. And what the greens differ by goes on along a line.
        const auto isLight = [&](int x, int y, float w) {
            float others = 0;
            for (const std::size_t q : {std::size_t(1), std::size_t(2), std::size_t(3)}) {
                const float d = noisy.rowAt(q, clean.area.y + y)[clean.area.x + x] - clean.plane[q].at(x, y);
                others += d * d;
            }
            return others < w * w;
        };
        const auto goesOn = [&](const Plane& mean, int x, int y, float w) {
            for (int j = -1; j <= 1; ++j)
                for (int i = -1; i <= 1; ++i)
                    if ((i != 0 || j != 0) &&
                        (removed.at(x + i, y + j) - mean.at(x + i, y + j)) * w > 0.7f * w * w)
                        return true;
            return false;
        };
        for (int scale = 0; scale < 2; ++scale) {
            Plane coarse = smoothed(removed, 1 << scale, work);
            const float even =
                threshold * kNoise[scale] * (scale == 0 ? 1 : std::max(1.0f, noisy.coarseNoise));
            forEachBand(inside.height, 32, work, [&](int first, int last) {
                for (int y = inside.y + first; y < inside.y + last; ++y) {
                    const float *fine = removed.row(y), *mean = coarse.row(y);
                    float* to = clean.plane[p].row(y);
                    for (int x = inside.x; x < inside.right(); ++x) {
                        const float w = fine[x] - mean[x];
                        // Firm, not hard: what is far above the limit comes back whole, what is just above in
                        // part.
                        const float limit =
                            scale == 0 ? even * noisy.fineNoiseAt(clean.area.x + x, clean.area.y + y) : even;
                        if (scale == 0 && std::abs(w) > limit &&
                            !(p == 0 ? isLight(x, y, w) && (w > 0 || goesOn(coarse, x, y, w))
                                     : goesOn(coarse, x, y, w)))
                            continue;
                        to[x] += w * std::clamp(2 * (std::abs(w) - limit) / limit, 0.0f, 1.0f);
                    }
                }
            });
            removed = std::move(coarse);
        }
    }
    return clean;
}

} // namespace irenic
