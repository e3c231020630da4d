#include "denoise/noise_left.h"

#include <algorithm>
#include <cmath>
#include <list>
#include <mutex>
#include <random>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr int kSquare = 48, kBlock = 16;

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

// An even field with the photo's noise.
Photo greyFieldOf(const Photo& photo, int size) {
    constexpr double level = 0.1;
    Photo field;
    field.rawWidth = field.rawHeight = size;
    field.active = field.crop = {0, 0, size, size};
    field.channels = photo.channels, field.monochrome = photo.monochrome, field.mosaic = photo.mosaic,
    field.noise = photo.noise, field.coarseNoise = photo.coarseNoise;
    field.black.pattern = {4096}, field.white = 65535;
    field.profiles.resize(1);
    field.samples.resize(static_cast<std::size_t>(size) * static_cast<std::size_t>(size) *
                         static_cast<std::size_t>(field.channels));
    std::mt19937 random(7);
    std::normal_distribution<double> normal;
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x)
            for (int c = 0; c < field.channels; ++c) {
                const int channel = field.hasMosaic() ? field.mosaic.channel((y & 1) * 2 + (x & 1))
                                    : c == 2          ? 3
                                                      : c;
                const double v = level + field.noise.channel[static_cast<std::size_t>(channel)].sigma(level) *
                                             normal(random);
                field.samples[field.index(x, y, c)] =
                    static_cast<std::uint16_t>(std::clamp(4096 + v * 61439, 0.0, 65535.0));
            }
    return field;
}

} // namespace

std::vector<Rect> flatAreas(const Photo& photo, int most, const Work& work) {
    IRENIC_EXPECTS(most > 0);
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

NoiseLeft noiseLeftOnGrey(const Photo& photo, const Settings& settings, const Work& work) {
    if (settings.untouched()) return {1, 1};
    struct Answer {
        Settings settings;
        NoiseModel noise;
        int channels;
        NoiseLeft left;
    };
    static std::mutex mutex;
    static std::list<Answer> answers; // newest first
    constexpr std::size_t kMost = 64;
    {
        const std::lock_guard lock(mutex);
        for (const Answer& a : answers)
            if (a.settings == settings && a.noise == photo.noise && a.channels == photo.channels)
                return a.left;
    }
    const int border = 8, side = kSquare + 2 * border; // edges are mirrored, which is no noise of its own
    const Photo field = greyFieldOf(photo, photo.cell() * side);
    const NoiseLeft left = noiseLeftIn(field, settings, {{border, border, kSquare, kSquare}}, work);
    const std::lock_guard lock(mutex);
    answers.push_front({settings, photo.noise, photo.channels, left});
    if (answers.size() > kMost) answers.pop_back();
    return left;
}

} // namespace irenic
