#include "judge/found_again.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "base/expects.h"
#include "denoise/found_maps.h"
#include "image/resample.h"

namespace irenic {

namespace {

// Of the demo photos' probes, of nine a photo: the same things in another exposure correlate by 0.976 to
// 0.997 where they have form in both directions, the best places of other scenes by 0.966 at most, and then
// another place nearly as much (an even area, a straight edge): the next best is at most 3.7 times as far
// from 1.
constexpr double kVeryAlike = 0.97, kApart = 2; // times as far from 1 the next best place is
constexpr double kAlike = 0.8, kFarApart = 4;   // what is less alike has to be all the more by itself
constexpr double kScales[] = {1, 0.9, 1.11, 0.8, 1.25};
constexpr int kLeast = 14; // squares on a side: fewer are alike by chance

using Maps = std::array<Plane, 3>;

// A part of the squares as a pattern of mean 0 in each of the maps.
Maps patternOf(const Maps& from, const Rect& squares, double scale) {
    Maps out;
    const int width = std::max(4, static_cast<int>(std::lround(squares.width * scale))),
              height = std::max(4, static_cast<int>(std::lround(squares.height * scale)));
    for (std::size_t m = 0; m < 3; ++m) {
        Plane part(squares.width, squares.height);
        for (int y = 0; y < squares.height; ++y)
            for (int x = 0; x < squares.width; ++x) part.at(x, y) = from[m].at(squares.x + x, squares.y + y);
        out[m] = scale == 1 ? std::move(part) : areaAverage(part, width, height);
        double mean = 0;
        for (int y = 0; y < out[m].height(); ++y)
            for (int x = 0; x < out[m].width(); ++x) mean += static_cast<double>(out[m].at(x, y));
        mean /= static_cast<double>(out[m].width()) * out[m].height();
        for (int y = 0; y < out[m].height(); ++y)
            for (int x = 0; x < out[m].width(); ++x) out[m].at(x, y) -= static_cast<float>(mean);
    }
    return out;
}

// All maps together, so that what has no colour is told by its brightness.
double correlation(const Maps& pattern, const Maps& in, int left, int top) {
    double ab = 0, aa = 0, bb = 0;
    const int w = pattern[0].width(), h = pattern[0].height();
    for (std::size_t m = 0; m < 3; ++m) {
        double sum = 0, squares = 0;
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                const auto a = static_cast<double>(pattern[m].at(x, y)),
                           b = static_cast<double>(in[m].at(left + x, top + y));
                ab += a * b, aa += a * a, sum += b, squares += b * b;
            }
        bb += squares - sum * sum / (static_cast<double>(w) * h);
    }
    return aa > 0 && bb > 0 ? ab / std::sqrt(aa * bb) : 0;
}

struct Place {
    double alike = -1, x = 0, y = 0; // of the middle, in squares
    double next = -1;                // how alike the best place is that is another
};

Place bestPlace(const Maps& pattern, const Maps& in, const Work& work) {
    const int w = pattern[0].width(), h = pattern[0].height(), across = in[0].width() - w + 1,
              down = in[0].height() - h + 1;
    Place best;
    if (across < 1 || down < 1) return best;
    Plane alike(across, down);
    forEachBand(down, 4, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < across; ++x)
                alike.at(x, y) = static_cast<float>(correlation(pattern, in, x, y));
    });
    const auto most = [&](const auto& counts) {
        Place out;
        for (int y = 0; y < down; ++y)
            for (int x = 0; x < across; ++x)
                if (const auto value = static_cast<double>(alike.at(x, y)); value > out.alike && counts(x, y))
                    out = {value, static_cast<double>(x), static_cast<double>(y)};
        return out;
    };
    best = most([](int, int) { return true; });
    best.next = most([&](int x, int y) {
                    return std::abs(x - best.x) > w / 2.0 || std::abs(y - best.y) > h / 2.0;
                }).alike;
    best.x += w / 2.0, best.y += h / 2.0;
    return best;
}

// Whether it is the very same: nothing else is nearly as much like it.
bool certain(const Place& p) {
    const double apart = (1 - p.next) / std::max(1e-6, 1 - p.alike);
    return (p.alike >= kVeryAlike && apart >= kApart) || (p.alike >= kAlike && apart >= kFarApart);
}

} // namespace

std::vector<std::optional<Rect>> foundAgain(const Photo& before, const std::vector<Rect>& areas,
                                            const Photo& now, const Work& work) {
    for (const Rect& area : areas) IRENIC_EXPECTS(!area.empty() && before.whole().contains(area));
    std::vector<std::optional<Rect>> out(areas.size());
    if (areas.empty()) return out;
    const Maps was = squareMeansOf(before, work.part(0, 0.25)).mean,
               is = squareMeansOf(now, work.part(0.25, 0.5)).mean;
    const Rect all{0, 0, was[0].width(), was[0].height()};
    for (std::size_t i = 0; i < areas.size(); ++i) {
        const Rect& area = areas[i];
        const int width = std::max(kLeast, area.width / kFoundSide),
                  height = std::max(kLeast, area.height / kFoundSide);
        const Rect squares = Rect{(area.x + area.width / 2) / kFoundSide - width / 2,
                                  (area.y + area.height / 2) / kFoundSide - height / 2, width, height}
                                 .intersected(all);
        if (squares.width < 4 || squares.height < 4) continue;
        Place best;
        for (const double scale : kScales)
            if (const Place p = bestPlace(patternOf(was, squares, scale), is, {work.stop});
                p.alike > best.alike)
                best = p;
        if (!certain(best)) continue;
        // The place's own middle, which its squares' may not be at an edge.
        const double offX = area.x + area.width / 2.0 - kFoundSide * (squares.x + squares.width / 2.0),
                     offY = area.y + area.height / 2.0 - kFoundSide * (squares.y + squares.height / 2.0);
        const int x = static_cast<int>(std::lround(kFoundSide * best.x + offX)) - area.width / 2,
                  y = static_cast<int>(std::lround(kFoundSide * best.y + offY)) - area.height / 2;
        out[i] = Rect{std::clamp(x, 0, std::max(0, now.width() - area.width)),
                      std::clamp(y, 0, std::max(0, now.height() - area.height)), area.width, area.height}
                     .intersected(now.whole());
    }
    return out;
}

} // namespace irenic
