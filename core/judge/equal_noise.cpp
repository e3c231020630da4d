#include "judge/equal_noise.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

constexpr int kSquare = 48, kBlock = 16;
constexpr double kWithin = 0.03;

// The variance about a fitted plane, of one block.
double variance(const PlaneSet& set, std::size_t p, const Rect& block) {
    const double middle = (kBlock - 1) / 2.0, norm = kBlock * kBlock;
    double mean = 0, across = 0, down = 0, squares = 0, spread = 0;
    for (int y = 0; y < kBlock; ++y)
        for (int x = 0; x < kBlock; ++x) {
            const double v = static_cast<double>(set.rowAt(p, block.y + y)[block.x + x]);
            mean += v, squares += v * v, across += v * (x - middle), down += v * (y - middle);
            spread += (x - middle) * (x - middle);
        }
    return std::max(0.0,
                    (squares - mean * mean / norm - (across * across + down * down) / spread) / (norm - 3));
}

NoiseLeft spreadOf(const PlaneSet& set, const Rect& area) {
    NoiseLeft out;
    int blocks = 0;
    for (int y = area.y; y + kBlock <= area.bottom(); y += kBlock)
        for (int x = area.x; x + kBlock <= area.right(); x += kBlock, ++blocks) {
            const Rect block{x, y, kBlock, kBlock};
            out.luminance += variance(set, 0, block);
            out.colour += (variance(set, 1, block) + variance(set, 2, block)) / 2;
        }
    out.luminance /= std::max(1, blocks), out.colour /= std::max(1, blocks);
    return out; // variances
}

} // namespace

std::vector<Rect> flatAreas(const Photo& photo, int most, const Work& work) {
    struct Candidate {
        Rect area;
        double score;
    };
    std::vector<Candidate> found;
    const Rect extent{0, 0, photo.width() / photo.cell(), photo.height() / photo.cell()};
    const int step = std::max(kSquare, std::min(extent.width, extent.height) / 16);
    for (int y = 0; y + kSquare <= extent.height; y += step)
        for (int x = 0; x + kSquare <= extent.width; x += step) {
            work.check();
            const Rect area{x, y, kSquare, kSquare};
            const PlaneSet planes = stabilisedPlanes(photo, area, {work.stop, nullptr}, true);
            double mean = 0;
            for (int j = 0; j < kSquare; ++j)
                for (int i = 0; i < kSquare; ++i) mean += static_cast<double>(planes.rowAt(0, y + j)[x + i]);
            mean /= kSquare * kSquare;
            // Stabilised luminance of four channels is twice that of one; at the ends there is no noise to
            // see.
            const double white = 2 * static_cast<double>(planes.white);
            if (mean < 0.08 * white || mean > 0.85 * white) continue;
            found.push_back({area, std::abs(spreadOf(planes, area).luminance - 1)});
        }
    if (found.empty()) // a photo of nothing but black and white: its middle
        found.push_back(
            {Rect{(extent.width - kSquare) / 2, (extent.height - kSquare) / 2, kSquare, kSquare}, 0});
    std::stable_sort(found.begin(), found.end(),
                     [](const Candidate& a, const Candidate& b) { return a.score < b.score; });
    std::vector<Rect> out;
    for (const Candidate& c : found)
        if (static_cast<int>(out.size()) < most) out.push_back(c.area);
    return out;
}

NoiseLeft noiseLeftIn(const Photo& photo, const Settings& settings, const std::vector<Rect>& areas,
                      const Work& work) {
    NoiseLeft before, after;
    for (std::size_t i = 0; i < areas.size(); ++i) {
        const double n = static_cast<double>(areas.size()), at = static_cast<double>(i);
        const Rect& area = areas[i];
        const PlaneSet noisy = stabilisedPlanes(photo, area.inflated(planesMargin(settings)),
                                                {work.stop, nullptr}, settings.mend);
        PlaneSet clean = settings.untouched()
                             ? stabilisedPlanes(photo, area, {work.stop, nullptr})
                             : cleanPlanes(noisy, settings, area, work.part(at / n, (at + 1) / n));
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x)
                clean.rowAt(0, y)[x] += settings.grain * (noisy.rowAt(0, y)[x] - clean.rowAt(0, y)[x]);
        const NoiseLeft a = spreadOf(noisy, area), b = spreadOf(clean, area);
        before.luminance += a.luminance, before.colour += a.colour;
        after.luminance += b.luminance, after.colour += b.colour;
    }
    const auto share = [](double a, double b) { return b > 0 ? std::sqrt(a / b) : 0; };
    return {share(after.luminance, before.luminance), share(after.colour, before.colour)};
}

Levelled levelled(const Photo& photo, const Settings& settings, NoiseKind kind, double target,
                  const std::vector<Rect>& areas, const Work& work) {
    const float ratio = settings.colour > 0 ? settings.coarse / settings.colour : 1;
    const auto with = [&](float strength) {
        Settings s = settings;
        if (kind == NoiseKind::Luminance)
            s.luminance = strength;
        else
            s.colour = strength, s.coarse = std::min(3.0f, ratio * strength);
        return s;
    };
    Levelled best;
    double error = 1e9;
    float low = 0, high = 3;
    constexpr int turns = 14;
    for (int i = 0; i < turns && error > kWithin / 2; ++i) {
        // The ends first: more cannot be done than they do.
        const float strength = i == 0 ? high : i == 1 ? low : (low + high) / 2;
        const Settings s = with(strength);
        const NoiseLeft left = noiseLeftIn(photo, s, areas, {work.stop, nullptr});
        work.report((i + 1.0) / turns);
        const double now = kind == NoiseKind::Luminance ? left.luminance : left.colour;
        const double off = std::abs(now / std::max(target, 1e-6) - 1);
        if (off < error) error = off, best = {s, now, off <= kWithin};
        if (i == 0 && now >= target) break;
        if (i == 1 && now <= target) break;
        if (i > 1) (now > target ? low : high) = strength;
    }
    work.report(1);
    return best;
}

} // namespace irenic
