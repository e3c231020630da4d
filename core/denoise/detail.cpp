#include "denoise/detail.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

// Standard deviation of the detail of each scale of the B3-spline transform of white noise (J.-L. Starck, F.
// Murtagh, A. Bijaoui, "Image Processing and Data Analysis", 1998, table 2.2).
constexpr float kNoise[2] = {0.889f, 0.200f};

// One step of the undecimated B3-spline smoothing with holes of `step`; edges are mirrored.
Plane smoothed(const Plane& in, int step) {
    const int w = in.width(), h = in.height();
    Plane rows(w, h), out(w, h);
    constexpr float k0 = 6 / 16.0f, k1 = 4 / 16.0f, k2 = 1 / 16.0f;
    for (int y = 0; y < h; ++y) {
        const float* p = in.row(y);
        for (int x = 0; x < w; ++x)
            rows.at(x, y) = k0 * p[x] + k1 * (p[mirrored(x - step, w)] + p[mirrored(x + step, w)]) +
                            k2 * (p[mirrored(x - 2 * step, w)] + p[mirrored(x + 2 * step, w)]);
    }
    for (int y = 0; y < h; ++y) {
        const float *a = rows.row(mirrored(y - 2 * step, h)), *b = rows.row(mirrored(y - step, h)), *c = rows.row(y),
                    *d = rows.row(mirrored(y + step, h)), *e = rows.row(mirrored(y + 2 * step, h));
        for (int x = 0; x < w; ++x) out.at(x, y) = k0 * c[x] + k1 * (b[x] + d[x]) + k2 * (a[x] + e[x]);
    }
    return out;
}

} // namespace

PlaneSet withDetail(const PlaneSet& noisy, const PlaneSet& clean, const Rect& area, float detail, float strength,
                    const Work& work) {
    PlaneSet out;
    out.area = area;
    const Rect inside = area.translated(-clean.area.x, -clean.area.y);
    const float threshold = (4.5f - 2.5f * detail) * std::max(strength, 0.3f);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        out.plane[p] = clean.plane[p].cropped(inside);
        if (isColour(p)) continue;
        work.check();
        Plane removed(clean.area.width, clean.area.height);
        for (int y = 0; y < removed.height(); ++y) {
            const float *n = noisy.rowAt(p, clean.area.y + y) + clean.area.x, *c = clean.plane[p].row(y);
            for (int x = 0; x < removed.width(); ++x) removed.at(x, y) = n[x] - c[x];
        }
        for (int scale = 0; scale < 2; ++scale) {
            Plane coarse = smoothed(removed, 1 << scale);
            const float limit = threshold * kNoise[scale];
            for (int y = 0; y < area.height; ++y)
                for (int x = 0; x < area.width; ++x) {
                    const float w = removed.at(inside.x + x, inside.y + y) - coarse.at(inside.x + x, inside.y + y);
                    // Firm, not hard: what is far above comes back whole, what is just above in part.
                    const float size = std::abs(w);
                    const float share = std::clamp((size - limit) / (0.5f * limit), 0.0f, 1.0f);
                    out.plane[p].at(x, y) += w * share;
                }
            removed = std::move(coarse);
        }
    }
    return out;
}

} // namespace irenic
