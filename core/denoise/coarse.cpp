#include "denoise/coarse.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "denoise/pyramid.h"

namespace irenic {

namespace {

constexpr int kLevels = 4; // the coarsest averages 16 x 16 packed samples
constexpr int kWindow = 3; // the window is 7 x 7, patches are 3 x 3
// Tuned on noiseless truth: how fast weights fall, and the largest change taken whole, in sigmas of the finest level.
constexpr float kWidth = 0.9f, kMost = 0.7f;

// Non-local means over `area` of a level whose noise has standard deviation `sigma`.
PlaneSet cleaned(const PlaneSet& in, const Rect& area, float sigma, const std::array<float, kPlanes>& strength, const Work& work) {
    PlaneSet out(area);
    constexpr int band = 16;
    forEachTile({0, 0, 1, (area.height + band - 1) / band}, 1, work, [&](const Rect& t) {
        const int top = area.y + t.y * band, rows = std::min(band, area.bottom() - top), w = area.width;
        const auto n = static_cast<std::size_t>(w) * static_cast<std::size_t>(rows);
        const auto wide = static_cast<std::size_t>(w + 2);
        std::vector<float> squares(wide * static_cast<std::size_t>(rows + 2)), columns(wide), weight(n, 0.0f), largest(n, 1e-6f);
        std::vector<float> sums[kPlanes];
        for (std::size_t p = 0; p < kPlanes; ++p)
            if (strength[p] > 0) sums[p].assign(n, 0.0f);
        const float unit = 1 / (sigma * sigma);
        // 9 samples of 4 planes, noise of variance 1 on both sides.
        constexpr float expected = 9 * 2 * kPlanes;
        const float s = std::max(strength[1], strength[0]);
        const float floor = expected * 0.9f, slope = -1 / (8 * kWidth * expected * s * s);
        for (int dy = -kWindow; dy <= kWindow; ++dy)
            for (int dx = -kWindow; dx <= kWindow; ++dx) {
                if (dx == 0 && dy == 0) continue;
                for (int y = -1; y <= rows; ++y) {
                    float* to = squares.data() + static_cast<std::size_t>(y + 1) * wide;
                    std::fill(to, to + wide, 0.0f);
                    for (std::size_t p = 0; p < kPlanes; ++p) {
                        const float *a = in.rowAt(p, top + y) + area.x - 1, *b = in.rowAt(p, top + y + dy) + area.x - 1 + dx;
                        for (int x = 0; x < w + 2; ++x) to[x] += unit * (a[x] - b[x]) * (a[x] - b[x]);
                    }
                }
                for (int y = 0; y < rows; ++y) {
                    const float *a = squares.data() + static_cast<std::size_t>(y) * wide, *b = a + wide, *c = b + wide;
                    for (std::size_t x = 0; x < wide; ++x) columns[x] = a[x] + b[x] + c[x];
                    const auto at = static_cast<std::size_t>(y) * static_cast<std::size_t>(w);
                    float *wt = weight.data() + at, *most = largest.data() + at;
                    for (int x = 0; x < w; ++x) {
                        const float d = columns[static_cast<std::size_t>(x)] + columns[static_cast<std::size_t>(x) + 1] + columns[static_cast<std::size_t>(x) + 2];
                        float v = std::max(0.0f, 1 + slope * std::max(0.0f, d - floor));
                        v *= v, v *= v, v *= v;
                        columns[static_cast<std::size_t>(x)] = v; // its sum is done with
                        wt[x] += v;
                        most[x] = std::max(most[x], v);
                    }
                    for (std::size_t p = 0; p < kPlanes; ++p) {
                        if (sums[p].empty()) continue;
                        const float* b2 = in.rowAt(p, top + y + dy) + area.x + dx;
                        float* sum = sums[p].data() + at;
                        for (int x = 0; x < w; ++x) sum[x] += columns[static_cast<std::size_t>(x)] * b2[x];
                    }
                }
            }
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = 0; y < rows; ++y) {
                const float* own = in.rowAt(p, top + y) + area.x;
                float* to = out.rowAt(p, top + y) + area.x;
                const auto at = static_cast<std::size_t>(y) * static_cast<std::size_t>(w);
                if (sums[p].empty())
                    std::copy(own, own + w, to);
                else
                    for (int x = 0; x < w; ++x) {
                        const auto i = at + static_cast<std::size_t>(x);
                        to[x] = (sums[p][i] + largest[i] * own[x]) / (weight[i] + largest[i]);
                    }
            }
    });
    return out;
}

// The cleaned level over `area`; `level` holds its noisy samples for as far as is needed.
PlaneSet cleanLevel(std::vector<PlaneSet>& levels, std::size_t k, const Rect& area, const std::array<float, kPlanes>& strength, const Work& work) {
    PlaneSet& level = levels[k];
    const Rect around = area.inflated(kWindow + 1);
    if (k + 1 < levels.size()) {
        const Rect coarse = cellsReadBy(around);
        PlaneSet change = cleanLevel(levels, k + 1, coarse, strength, work);
        // The coarser level has been changed in place by its own coarser ones: compare with what this one averages to.
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

PlaneSet withCoarse(const PlaneSet& noisy, const PlaneSet& clean, const Rect& area,
                    const std::array<float, kPlanes>& strength, const Work& work) {
    PlaneSet out;
    out.area = area;
    for (std::size_t p = 0; p < kPlanes; ++p) out.plane[p] = clean.plane[p].cropped(area.translated(-clean.area.x, -clean.area.y));
    std::vector<PlaneSet> levels(1); // level 0, the noisy planes themselves, is not used
    levels.push_back(halved(noisy, work));
    while (levels.size() <= kLevels) levels.push_back(halved(levels.back(), work));
    const PlaneSet mean = halved(clean, work);
    PlaneSet found = cleanLevel(levels, 1, cellsReadBy(area), strength, work);
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
        addDoubled(found.plane[p], found.area, out.plane[p], area, area, work);
    }
    return out;
}

} // namespace irenic
