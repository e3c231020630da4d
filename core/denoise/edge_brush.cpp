#include "denoise/edge_brush.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <memory>
#include <tuple>
#include <vector>

#include "base/expects.h"
#include "base/kept_few.h"
#include "denoise/clean.h"
#include "image/smoothstep.h"
#include "raw/identity.h"

namespace irenic {

namespace {

constexpr std::size_t kValues = 3; // brightness and two colour differences
using Values = std::array<float, kValues>;

// The radius of the means, in samples: as small as the noise allows, for a mean that lies across an edge is
// like neither side.
int meanRadius(const Photo& photo) {
    constexpr double kGrey = 0.18, kNoisy = 10; // deviations at mid-grey
    return kGrey < kNoisy * photo.noise.channel[1].sigma(kGrey) ? 2 : 1;
}

// The mean around a sample, which lies so far within the planes or farther.
Values meanAt(const PlaneSet& planes, int x, int y, int radius) {
    Values sum{};
    for (std::size_t p = 0; p < kValues; ++p) {
        for (int v = y - radius; v <= y + radius; ++v)
            for (int u = x - radius; u <= x + radius; ++u) sum[p] += planes.rowAt(p, v)[u];
        sum[p] /= static_cast<float>((2 * radius + 1) * (2 * radius + 1));
    }
    return sum;
}

// What the middle of a stroke runs over: places along it, and how much each value varies around them.
struct Line {
    struct At {
        float x, y; // pixels
        Values values;
    };
    std::vector<At> places;
    float apart = 0; // pixels from one to the next, at most
    Values variance{};
};

// Near enough to each other that nothing lies between them.
float apartOf(const Stroke& stroke, const Photo& photo) {
    constexpr float kShare = 0.1f; // of the diameter
    return std::max(static_cast<float>(2 * photo.cell()), kShare * stroke.diameter);
}

std::vector<StrokePoint> placesAlong(const Stroke& stroke, const Photo& photo) {
    const float apart = apartOf(stroke, photo);
    std::vector<StrokePoint> out = {stroke.points.front()};
    for (std::size_t i = 1; i < stroke.points.size(); ++i) {
        const StrokePoint a = stroke.points[i - 1], b = stroke.points[i];
        const int steps = std::max(1, static_cast<int>(std::ceil(std::hypot(b.x - a.x, b.y - a.y) / apart)));
        for (int s = 1; s <= steps; ++s) {
            const float t = static_cast<float>(s) / static_cast<float>(steps);
            out.push_back({a.x + t * (b.x - a.x), a.y + t * (b.y - a.y)});
        }
    }
    const auto width = static_cast<float>(photo.width() - 1), height = static_cast<float>(photo.height() - 1);
    for (StrokePoint& p : out) p = {std::clamp(p.x, 0.0f, width), std::clamp(p.y, 0.0f, height)};
    return out;
}

Line lineOf(const Photo& photo, const Stroke& stroke, const Work& work) {
    // Differences that mean nothing: what noise leaves of a mean, and shading, a share of the stabilised
    // brightness.
    const int radius = meanRadius(photo);
    const float noise = 2.0f / static_cast<float>((2 * radius + 1) * (2 * radius + 1));
    constexpr Values kShading = {0.03f, 0.008f, 0.008f};
    constexpr float kRing = 0.25f; // of the radius: what the middle of the brush is
    const int cell = photo.cell();
    const int ring = std::max(1, static_cast<int>(kRing * stroke.diameter / 2 / static_cast<float>(cell)));
    Line out;
    out.apart = apartOf(stroke, photo);
    double varied[kValues]{}, count = 0, brightness = 0;
    for (const StrokePoint& p : placesAlong(stroke, photo)) {
        work.check();
        const int x = static_cast<int>(std::lround(p.x)) / cell,
                  y = static_cast<int>(std::lround(p.y)) / cell;
        const PlaneSet planes =
            stabilisedPlanes(photo, Rect{x, y, 1, 1}.inflated(ring + radius), {work.stop}, true);
        const std::array<std::array<int, 2>, 5> around = {
            {{0, 0}, {-ring, 0}, {ring, 0}, {0, -ring}, {0, ring}}};
        std::array<Values, 5> seen;
        for (std::size_t i = 0; i < seen.size(); ++i)
            seen[i] = meanAt(planes, x + around[i][0], y + around[i][1], radius);
        Values mean{};
        for (std::size_t v = 0; v < kValues; ++v) {
            // The median: the ring may lie beyond an edge that the middle does not touch.
            std::array<float, 5> all;
            for (std::size_t i = 0; i < seen.size(); ++i) all[i] = seen[i][v];
            std::nth_element(all.begin(), all.begin() + 2, all.end());
            mean[v] = all[2];
            std::array<float, 5> away;
            for (std::size_t i = 0; i < seen.size(); ++i) away[i] = std::abs(seen[i][v] - mean[v]);
            std::nth_element(away.begin(), away.begin() + 2, away.end());
            constexpr float kToDeviation = 1.4826f; // of a median of distances, for normal ones
            varied[v] += static_cast<double>(away[2] * away[2]) * kToDeviation * kToDeviation;
        }
        ++count, brightness += static_cast<double>(mean[0]);
        out.places.push_back({p.x, p.y, mean});
    }
    for (std::size_t v = 0; v < kValues; ++v) {
        const float shading = kShading[v] * static_cast<float>(brightness / count);
        out.variance[v] = noise + shading * shading + static_cast<float>(varied[v] / count);
    }
    return out;
}

std::shared_ptr<const Line> keptLineOf(const Photo& photo, const Stroke& stroke, const Work& work) {
    constexpr std::size_t kMost = 64;
    static KeptFew<std::tuple<PhotoId, Stroke>, Line> kept(kMost);
    return kept.of({idOf(photo), stroke}, [&] { return lineOf(photo, stroke, work); });
}

float likenessTo(const Line::At& place, const Values& variance, const Values& values) {
    float apart = 0;
    for (std::size_t v = 0; v < kValues; ++v) {
        const float d = values[v] - place.values[v];
        apart += d * d / variance[v];
    }
    constexpr float kClear = 3, kNothing = 5; // deviations
    return smoothstep((kNothing - std::sqrt(apart)) / (kNothing - kClear));
}

// For each sample, `cell` pixels wide, the place of the line that is nearest; -1: none within `reach` pixels.
std::vector<int> nearestPlaces(const Line& line, const Rect& samples, int cell, float reach) {
    std::vector<int> nearest(static_cast<std::size_t>(samples.area()), -1);
    std::vector<float> least(nearest.size(), reach * reach);
    const float middle = 0.5f * static_cast<float>(cell - 1);
    for (std::size_t i = 0; i < line.places.size(); ++i) {
        const Line::At& at = line.places[i];
        const int side = static_cast<int>(std::ceil(reach)) / cell + 1;
        const Rect near = Rect{static_cast<int>(at.x) / cell, static_cast<int>(at.y) / cell, 1, 1}
                              .inflated(side)
                              .intersected(samples);
        for (int y = near.y; y < near.bottom(); ++y)
            for (int x = near.x; x < near.right(); ++x) {
                const float dx = static_cast<float>(x * cell) + middle - at.x,
                            dy = static_cast<float>(y * cell) + middle - at.y, away = dx * dx + dy * dy;
                const auto own = static_cast<std::size_t>((y - samples.y) * samples.width + x - samples.x);
                if (away < least[own]) least[own] = away, nearest[own] = static_cast<int>(i);
            }
    }
    return nearest;
}

} // namespace

Rect reachOf(const Stroke& stroke) {
    IRENIC_EXPECTS(!stroke.points.empty());
    float left = stroke.points.front().x, right = left, top = stroke.points.front().y, bottom = top;
    for (const StrokePoint& p : stroke.points) {
        left = std::min(left, p.x), right = std::max(right, p.x);
        top = std::min(top, p.y), bottom = std::max(bottom, p.y);
    }
    const int x = static_cast<int>(std::floor(left)), y = static_cast<int>(std::floor(top));
    return Rect{x, y, static_cast<int>(std::ceil(right)) - x + 1, static_cast<int>(std::ceil(bottom)) - y + 1}
        .inflated(static_cast<int>(std::ceil(stroke.diameter / 2)) + 2);
}

Plane likenessOf(const Photo& photo, const Stroke& stroke, const Rect& area, const Work& work) {
    IRENIC_EXPECTS(!area.empty() && !stroke.points.empty());
    const auto line = keptLineOf(photo, stroke, work);
    const int radius = meanRadius(photo);
    const int cell = photo.cell();
    // Samples that the area lies on, and one around them: between samples is interpolated.
    const auto before = [cell](int v) { return (v >= 0 ? v : v - cell + 1) / cell; };
    const int left = before(area.x) - 1, top = before(area.y) - 1;
    const Rect samples{left, top, before(area.right() - 1) + 2 - left, before(area.bottom() - 1) + 2 - top};
    const PlaneSet planes = stabilisedPlanes(photo, samples.inflated(radius), {work.stop}, true);
    Plane like(samples.width, samples.height);
    like.fill(0);
    const float middle = 0.5f * static_cast<float>(cell - 1);
    // The samples around what is covered count as well.
    const float reach = stroke.diameter / 2 + line->apart + static_cast<float>(3 * cell);
    const std::vector<int> nearest = nearestPlaces(*line, samples, cell, reach);
    forEachBand(samples.height, 8, {work.stop, nullptr}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < samples.width; ++x) {
                const int at = nearest[static_cast<std::size_t>(y * samples.width + x)];
                if (at >= 0)
                    like.at(x, y) = likenessTo(line->places[static_cast<std::size_t>(at)], line->variance,
                                               meanAt(planes, left + x, top + y, radius));
            }
    });
    Plane out(area.width, area.height);
    for (int y = 0; y < area.height; ++y)
        for (int x = 0; x < area.width; ++x) {
            // Where the pixel lies among the middles of samples.
            const float u = (static_cast<float>(area.x + x - left * cell) - middle) /
                            static_cast<float>(cell),
                        v = (static_cast<float>(area.y + y - top * cell) - middle) / static_cast<float>(cell);
            const int i = std::min(static_cast<int>(u), samples.width - 2),
                      j = std::min(static_cast<int>(v), samples.height - 2);
            const float s = u - static_cast<float>(i), t = v - static_cast<float>(j);
            const float above = like.at(i, j) + s * (like.at(i + 1, j) - like.at(i, j)),
                        below = like.at(i, j + 1) + s * (like.at(i + 1, j + 1) - like.at(i, j + 1));
            out.at(x, y) = above + t * (below - above);
        }
    return out;
}

} // namespace irenic
