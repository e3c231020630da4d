#include "judge/check_edges.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "image/box_mean.h"

namespace irenic {

namespace {

constexpr int kApart = 2; // a step is told by means that lie so far on each side
// Deviations of the noise: a difference of two means of 3x3 has 0.47 of them, so that chance makes none.
constexpr float kStep = 6;
constexpr int kOn = 1, kBeside = 4; // samples from an edge that are on it, and that are beside it
constexpr int kPlateau = 4;         // samples around within which both sides of an edge are found
constexpr double kFine = 1.25;      // the variance of fine() of white noise
constexpr float kFlat = 0.15f; // of the height: so near to its own side's level a sample is on the plateau

// What a sample has that its four neighbours don't.
float fine(const Plane& p, int x, int y) {
    return p.at(x, y) - 0.25f * (p.at(x - 1, y) + p.at(x + 1, y) + p.at(x, y - 1) + p.at(x, y + 1));
}

} // namespace

StrongEdges::StrongEdges(const PlaneSet& noisy) : noisy_(noisy), smooth_(boxMean(noisy.plane[0], 1)) {
    const int w = smooth_.width(), h = smooth_.height();
    edgesAbove_.assign(static_cast<std::size_t>(w + 1) * static_cast<std::size_t>(h + 1), 0);
    const auto step = [&](int x, int y) {
        if (x < kApart || y < kApart || x >= w - kApart || y >= h - kApart) return 0.0f;
        return std::max(std::abs(smooth_.at(x + kApart, y) - smooth_.at(x - kApart, y)),
                        std::abs(smooth_.at(x, y + kApart) - smooth_.at(x, y - kApart)));
    };
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const std::size_t at = static_cast<std::size_t>(y + 1) * static_cast<std::size_t>(w + 1) +
                                   static_cast<std::size_t>(x + 1),
                              above = at - static_cast<std::size_t>(w + 1);
            edgesAbove_[at] =
                edgesAbove_[at - 1] + edgesAbove_[above] - edgesAbove_[above - 1] + (step(x, y) > kStep);
        }
}

bool StrongEdges::near(int x, int y, int distance) const {
    const int w = smooth_.width(), h = smooth_.height();
    const auto sum = [&](int column, int row) {
        return edgesAbove_[static_cast<std::size_t>(std::clamp(row, 0, h)) * static_cast<std::size_t>(w + 1) +
                           static_cast<std::size_t>(std::clamp(column, 0, w))];
    };
    return sum(x + distance + 1, y + distance + 1) - sum(x - distance, y + distance + 1) -
               sum(x + distance + 1, y - distance) + sum(x - distance, y - distance) >
           0;
}

EdgeProducts StrongEdges::of(const Rect& square, const PlaneSet& clean, double variance) const {
    IRENIC_EXPECTS(noisy_.area.contains(square) && clean.area == noisy_.area && variance > 0);
    EdgeProducts out;
    const Plane &n = noisy_.plane[0], &c = clean.plane[0];
    const Rect inside = square.translated(-noisy_.area.x, -noisy_.area.y)
                            .intersected(Rect{0, 0, n.width(), n.height()}.inflated(-kPlateau));
    for (int y = inside.y; y < inside.bottom(); ++y)
        for (int x = inside.x; x < inside.right(); ++x) {
            if (!near(x, y, kBeside)) continue;
            if (!near(x, y, kOn)) {
                const float noisy = fine(n, x, y);
                ++out.beside;
                out.taken += static_cast<double>(noisy * (noisy - fine(c, x, y))) / (kFine * variance);
            }
            float low = smooth_.at(x, y), high = low;
            for (int j = -kPlateau; j <= kPlateau; ++j)
                for (int i = -kPlateau; i <= kPlateau; ++i) {
                    low = std::min(low, smooth_.at(x + i, y + j));
                    high = std::max(high, smooth_.at(x + i, y + j));
                }
            const float height = high - low, own = smooth_.at(x, y);
            if (height <= 2 * kStep) continue;
            const float change = c.at(x, y) - n.at(x, y);
            const float above = high - kFlat * height, below = low + kFlat * height;
            if (own > above) ++out.plateau, out.beyond += static_cast<double>(change / height);
            if (own < below) ++out.plateau, out.beyond -= static_cast<double>(change / height);
            if (own > above || own < below) addColour(out, clean, x, y, above, below, own > above);
        }
    return out;
}

double StrongEdges::fineEnergy(const Rect& square) const {
    const Plane& n = noisy_.plane[0];
    const Rect inside = square.translated(-noisy_.area.x, -noisy_.area.y)
                            .intersected(Rect{0, 0, n.width(), n.height()}.inflated(-1));
    double sum = 0;
    for (int y = inside.y; y < inside.bottom(); ++y)
        for (int x = inside.x; x < inside.right(); ++x)
            sum += static_cast<double>(fine(n, x, y) * fine(n, x, y));
    return sum / (kFine * static_cast<double>(std::max<std::int64_t>(1, inside.area())));
}

// How much of the way from its own side's colour to the other's a sample has gone. Both sides' colours are
// those of the noisy photo, of so many samples that their own noise is little beside the way.
void StrongEdges::addColour(EdgeProducts& out, const PlaneSet& clean, int x, int y, float above, float below,
                            bool light) const {
    constexpr int kFewest = 12;  // samples on each side
    constexpr float kUnlike = 4; // deviations that the sides' colours are apart
    float sum[2][2] = {};        // of the light and the dark side, of both colours
    int count[2] = {};
    for (int j = -kPlateau; j <= kPlateau; ++j)
        for (int i = -kPlateau; i <= kPlateau; ++i) {
            const float level = smooth_.at(x + i, y + j);
            if (level <= above && level >= below) continue;
            const int side = level > above ? 0 : 1;
            ++count[side];
            for (const std::size_t p : {1u, 2u}) sum[side][p - 1] += noisy_.plane[p].at(x + i, y + j);
        }
    if (count[0] < kFewest || count[1] < kFewest) return;
    const int own = light ? 0 : 1;
    float way[2], length = 0;
    for (int p = 0; p < 2; ++p) {
        way[p] = sum[1 - own][p] / static_cast<float>(count[1 - own]) -
                 sum[own][p] / static_cast<float>(count[own]);
        length += way[p] * way[p];
    }
    if (length < kUnlike * kUnlike) return;
    float gone = 0;
    for (const std::size_t p : {1u, 2u})
        gone += way[p - 1] * (clean.plane[p].at(x, y) - noisy_.plane[p].at(x, y));
    ++out.coloured, out.run += static_cast<double>(gone / length);
}

} // namespace irenic
