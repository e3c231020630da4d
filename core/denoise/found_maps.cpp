#include "denoise/found_maps.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "denoise/bright_points.h"
#include "denoise/clean.h"
#include "denoise/guided.h"
#include "denoise/pyramid.h"
#include "image/box_mean.h"
#include "image/smoothstep.h"

namespace irenic {

namespace {

float risen(float from, float to, float v) { return smoothstep((v - from) / (to - from)); }

// Room for a value of each square; those at the right and below may reach beyond the photo.
Plane mapFor(const PlaneSet& planes, int side) {
    return Plane(std::max(1, (planes.area.width + side - 1) / side),
                 std::max(1, (planes.area.height + side - 1) / side));
}

// How much variance a high pass of white noise of variance 1 has: 1 - 2 h(0) + sum of h squared, with h the
// binomial filter of 3 x 3.
constexpr float kHighPassNoise = 1 - 2 * 0.25f + 0.140625f;

// Means over squares of `side` samples of a high pass of the plane, squared, less what noise of deviation
// `sigma` gives; and the means of the plane itself.
void detailOf(const Plane& in, int side, float sigma, Plane& detail, Plane& mean, const Work& work) {
    forEachBand(detail.height(), 8, work, [&](int first, int last) {
        const auto at = [&](int x, int y) {
            return in.at(std::clamp(x, 0, in.width() - 1), std::clamp(y, 0, in.height() - 1));
        };
        for (int cy = first; cy < last; ++cy)
            for (int cx = 0; cx < detail.width(); ++cx) {
                float squares = 0, sum = 0;
                for (int y = cy * side; y < (cy + 1) * side; ++y)
                    for (int x = cx * side; x < (cx + 1) * side; ++x) {
                        const float own = at(x, y),
                                    beside = at(x - 1, y) + at(x + 1, y) + at(x, y - 1) + at(x, y + 1),
                                    across = at(x - 1, y - 1) + at(x + 1, y - 1) + at(x - 1, y + 1) +
                                             at(x + 1, y + 1);
                        const float high = own - (4 * own + 2 * beside + across) / 16;
                        squares += high * high, sum += own;
                    }
                const auto count = static_cast<float>(side * side);
                detail.at(cx, cy) = squares / count / (sigma * sigma) - kHighPassNoise;
                mean.at(cx, cy) = sum / count;
            }
    });
}

float quantile(const Plane& of, double share) {
    std::vector<float> all;
    for (int y = 0; y < of.height(); ++y) all.insert(all.end(), of.row(y), of.row(y) + of.width());
    const auto at = all.begin() + static_cast<std::ptrdiff_t>(share * static_cast<double>(all.size() - 1));
    std::nth_element(all.begin(), at, all.end());
    return *at;
}

Plane focusOf(const PlaneSet& planes, int side, const Work& work) {
    Plane fine = mapFor(planes, side), coarse = mapFor(planes, side), mean = mapFor(planes, side),
          unused = mapFor(planes, side);
    const int w = fine.width(), h = fine.height();
    detailOf(planes.plane[0], side, 1, fine, mean, work);
    // Half the resolution: half the deviation.
    PlaneSet half = halved(planes, work);
    detailOf(half.plane[0], side / 2, 0.5f, coarse, unused, work);
    // A square's own figure scatters by some 0.3; of 25 together by 0.06.
    fine = boxMean(fine, 2), coarse = boxMean(coarse, 2);
    Plane sharp(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            // A blur of two pixels leaves the fine scale a sixteenth of what the coarse one has.
            constexpr float kBlurred = 0.05f, kChance = 0.1f, kClear = 0.3f;
            const float beyond = fine.at(x, y) - kBlurred * std::max(0.0f, coarse.at(x, y));
            sharp.at(x, y) = risen(kChance, kClear, beyond);
        }
    // From edges and texture to what lies between them: wherever some is near, less what lies outside of all.
    const int longest = std::max(w, h), radius = std::max(4, longest / 30);
    const auto closed = [&](const Plane& in) {
        Plane near = boxMean(in, radius / 2);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) near.at(x, y) = risen(0.08f, 0.3f, near.at(x, y));
        Plane within = boxMean(near, radius / 2);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) within.at(x, y) = risen(0.55f, 0.85f, within.at(x, y));
        return within;
    };
    const float spread = quantile(mean, 0.95) - quantile(mean, 0.05);
    constexpr float kEven = 0.3f; // of the range of brightness: less is shading within one thing
    Plane out = guided(closed(sharp), mean, radius, kEven * kEven * spread * spread + 1e-3f);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) out.at(x, y) = risen(0.3f, 0.6f, out.at(x, y));
    return out;
}

// Whether squares hold more than noise: detail of the fine scale or of the next.
Plane textureOf(const PlaneSet& planes, int side, const Work& work) {
    Plane fine = mapFor(planes, side), coarse = mapFor(planes, side), unused = mapFor(planes, side);
    detailOf(planes.plane[0], side, 1, fine, unused, work);
    detailOf(halved(planes, work).plane[0], side / 2, 0.5f, coarse, unused, work);
    // Of 25 squares together chance moves a figure by 0.06, and of the coarser scale by 0.12.
    constexpr float kChance = 0.15f, kClear = 0.6f;
    fine = boxMean(fine, 2), coarse = boxMean(coarse, 2);
    for (int y = 0; y < fine.height(); ++y)
        for (int x = 0; x < fine.width(); ++x)
            fine.at(x, y) = risen(kChance, kClear, std::max(fine.at(x, y), 0.5f * coarse.at(x, y)));
    return fine;
}

// Squares with a point of light, or with one near their border.
Plane pointsOf(const PlaneSet& planes, int side, const Work& work) {
    Plane out = mapFor(planes, side);
    const int w = out.width(), h = out.height();
    out.fill(0);
    const int reach = side / 2, least = kPointReach;
    // A row of squares marks those above and below it as well: rows three apart never mark the same.
    for (const int third : {0, 1, 2})
        forEachBand((h + 2) / 3, 4, work, [&](int first, int last) {
            for (int cy = 3 * first + third; cy < std::min(h, 3 * last); cy += 3)
                for (int y = std::max(least, cy * side);
                     y < std::min(planes.area.height - least, (cy + 1) * side); ++y)
                    for (int x = least; x < planes.area.width - least; ++x) {
                        if (!pointSurround(planes, x, y)) continue;
                        for (int v = std::max(0, (y - reach) / side);
                             v <= std::min(h - 1, (y + reach) / side); ++v)
                            for (int u = std::max(0, (x - reach) / side);
                                 u <= std::min(w - 1, (x + reach) / side); ++u)
                                out.at(u, v) = 1;
                    }
        });
    return out;
}

// Near strong edges: where the means of squares differ by a good part of the range of brightness.
Plane edgesOf(const PlaneSet& planes, int side, const Work& work) {
    Plane mean = mapFor(planes, side), unused = mapFor(planes, side);
    const int w = mean.width(), h = mean.height();
    detailOf(planes.plane[0], side, 1, unused, mean, work);
    const float spread = std::max(1.0f, quantile(mean, 0.95) - quantile(mean, 0.05));
    // Of the picture's range of brightness, from a square to the next but one.
    constexpr float kWeak = 0.12f, kStrong = 0.3f;
    Plane out(w, h);
    const auto at = [&](int x, int y) { return mean.at(std::clamp(x, 0, w - 1), std::clamp(y, 0, h - 1)); };
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            out.at(x, y) =
                risen(kWeak, kStrong,
                      std::hypot(at(x + 1, y) - at(x - 1, y), at(x, y + 1) - at(x, y - 1)) / spread);
    return out;
}

// Stops below white, as the mean of a square's surroundings.
Plane darkOf(const Photo& photo, const Work& work) {
    constexpr int side = kFoundSide;
    const int w = (photo.width() + side - 1) / side, h = (photo.height() + side - 1) / side;
    Plane light(w, h);
    forEachBand(h, 8, work, [&](int first, int last) {
        for (int cy = first; cy < last; ++cy)
            for (int cx = 0; cx < w; ++cx) {
                double sum = 0;
                int count = 0;
                for (int y = cy * side; y < std::min(photo.height(), (cy + 1) * side); ++y)
                    for (int x = cx * side; x < std::min(photo.width(), (cx + 1) * side); ++x) {
                        // Green of a mosaic, and of pixels.
                        if (photo.hasMosaic() && photo.mosaic.at(x, y) != Mosaic::Green) continue;
                        sum += static_cast<double>(photo.normalised(x, y, photo.monochrome ? 0 : 1));
                        ++count;
                    }
                light.at(cx, cy) = count > 0 ? static_cast<float>(sum / count) : 0;
            }
    });
    light = boxMean(light, 2);
    constexpr float kDarkest = 1.0f / 65536, kAllDark = -6, kNotDark = -4; // stops below white
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            light.at(x, y) = 1 - risen(kAllDark, kNotDark, std::log2(std::max(kDarkest, light.at(x, y))));
    return light;
}

} // namespace

namespace {

PlaneSet planesOf(const Photo& photo, const Work& work) {
    const int cell = photo.cell();
    const Rect all{0, 0, (photo.width() + cell - 1) / cell, (photo.height() + cell - 1) / cell};
    return stabilisedPlanes(photo, all, work, true);
}

// Of the planes' samples: one is `cell` pixels wide.
int sideOf(const Photo& photo) { return kFoundSide / photo.cell(); }

} // namespace

SquareMeans squareMeansOf(const Photo& photo, const Work& work) {
    const PlaneSet planes = planesOf(photo, work);
    const int side = sideOf(photo);
    SquareMeans out;
    out.detail = mapFor(planes, side);
    Plane unused = mapFor(planes, side);
    for (std::size_t p = 0; p < 3; ++p) {
        out.mean[p] = mapFor(planes, side);
        detailOf(planes.plane[p], side, 1, p == 0 ? out.detail : unused, out.mean[p], work);
    }
    return out;
}

Plane measured(const Photo& photo, FoundMeasure what, const Work& work) {
    if (what == FoundMeasure::Dark) return darkOf(photo, work);
    const int side = sideOf(photo);
    const PlaneSet planes = planesOf(photo, work);
    switch (what) {
    case FoundMeasure::Focus: return focusOf(planes, side, work);
    case FoundMeasure::Texture: return textureOf(planes, side, work);
    case FoundMeasure::Points: return pointsOf(planes, side, work);
    default: return edgesOf(planes, side, work);
    }
}

} // namespace irenic
