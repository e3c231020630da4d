#include "measure/noise.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "base/quantile.h"
#include "measure/window_noise.h"
#include "noise/clipped.h"
#include "noise/estimate.h"

namespace irenic {

namespace {

// Each channel's own line, as far as it tells. In a dark photo, or of a channel that is dark everywhere, no
// slope can be seen, and one that is made up spoils everything that rests on it. Then counts what the
// channels show together, since a sensor has one gain for all (a tenth more or less, unless it shows
// clearly that the camera has multiplied them); and where all are dark, that sensors read out with some two
// or three electrons of noise, as far as one can say before looking.
NoiseModel modelOf(const std::array<std::vector<NoisePoint>, 4>& points) {
    constexpr double kReadNoise = 2.5, kChannelsDiffer = 0.1;
    // Read noise of cameras lies within a factor of two or so of that; of the channels of one they are alike.
    constexpr double kReadNoiseUnsure = 0.8, kDarksDiffer = 0.2;
    std::vector<NoisePoint> all;
    for (const auto& one : points) all.insert(all.end(), one.begin(), one.end());
    // The slope a with which a x + (kReadNoise a)^2 is the variance that was seen, at the brightness where it
    // was.
    const NoiseMean mean = meanOf(all);
    constexpr double kSquare = kReadNoise * kReadNoise;
    const double variance = std::max(1e-12, mean.variance);
    const double usual = (std::sqrt(mean.x * mean.x + 4 * kSquare * variance) - mean.x) / (2 * kSquare);
    // What is expected of the dark follows from the slope that the points have.
    NoiseLine together{usual, kSquare * usual * usual};
    for (int round = 0; round < 3; ++round) {
        const double dark = kSquare * together.a * together.a;
        together = fitNoise(all, ExpectedLine{usual, usual, dark, kReadNoiseUnsure}).line;
        together.a = std::max(together.a, 1e-9);
    }
    NoiseModel model;
    for (std::size_t c = 0; c < 4; ++c)
        model.channel[c] = fitNoise(points[c], ExpectedLine{together.a, kChannelsDiffer * together.a,
                                                            together.b, kDarksDiffer})
                               .line;
    return model;
}

// A file without room below black keeps one half of the noise of the dark only.
NoisePoint beforeClipping(const NoisePoint& p, double lowest) {
    const Moments before = irenic::beforeClipping({p.x, p.variance}, lowest);
    const double blocks = p.weight * p.variance * p.variance;
    return {before.mean, before.variance, blocks / (before.variance * before.variance)};
}

} // namespace

NoiseModel measureNoise(const Photo& photo, const Work& work, double* doubt) {
    std::array<std::vector<NoisePoint>, 4> points;
    const int w = photo.width() / 2, h = photo.height() / 2;
    for (int s = 0; s < 4; ++s) {
        Plane plane(w, h);
        forEachBand(h, 64, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < w; ++x)
                    plane.at(x, y) = photo.normalised(2 * x + (s & 1), 2 * y + (s >> 1));
        });
        const int channel = photo.mosaic.channel(s);
        auto& own = points[static_cast<std::size_t>(channel)];
        std::function<float(int, int)> factor;
        if (!photo.unevenness.none())
            factor = [&photo](int x, int y) { return photo.noiseFactor(2 * x, 2 * y); };
        own = noisePoints(plane, 0.98f, work, factor);
        for (NoisePoint& p : own) p = beforeClipping(p, photo.lowest());
        work.report(0.5 + 0.1 * (s + 1));
    }
    NoiseModel model = modelOf(points);
    // What is stabilised by a wrong model is measured a little wrong itself.
    constexpr double kRight = 0.1;
    constexpr int kRounds = 3;
    for (int round = 0; round < kRounds; ++round) {
        const WindowNoise windows = windowNoiseOf(photo, model, work);
        // Where the directions that come next hold clearly more than the weakest, these hold texture too.
        constexpr double kFlat = 1.06, kDoubtOfEach = 0.9, kMostDoubt = 0.6;
        if (doubt) *doubt = std::clamp(kDoubtOfEach * (windows.unlike - kFlat), 0.0, kMostDoubt);
        if (windows.least > 1 - kRight && windows.most < 1 + kRight) break;
        // Blocks that agree with the windows, or lie where there are none, count on.
        constexpr double kAgrees = 1.15;
        model = modelOf(windows.points);
        std::array<std::vector<NoisePoint>, 4> both = windows.points;
        for (std::size_t c = 0; c < 4; ++c) {
            double darkest = 1;
            for (const NoisePoint& p : windows.points[c]) darkest = std::min(darkest, p.x);
            for (const NoisePoint& p : points[c])
                if (p.x < 0.8 * darkest || p.variance < kAgrees * model.channel[c].variance(p.x))
                    both[c].push_back(p);
        }
        model = modelOf(both);
    }
    work.report(1);
    return model;
}

namespace {

Plane halvedPlane(const Plane& in) {
    Plane out(in.width() / 2, in.height() / 2);
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            out.at(x, y) = 0.25f * (in.at(2 * x, 2 * y) + in.at(2 * x + 1, 2 * y) + in.at(2 * x, 2 * y + 1) +
                                    in.at(2 * x + 1, 2 * y + 1));
    return out;
}

} // namespace

namespace {

// The variances of the pixels, of 2x2 and of 4x4 means, each as it would be without correlation 1, 1/4 and
// 1/16 of the first, put together. Each knows the density at the upper end of its band: v, 4v and 16v. The
// upper band is three quarters of the spectrum, the next three quarters of the rest; a band's density is
// taken for the mean of those at its two ends.
constexpr double kWhole[3] = {0.5 * 0.75, 4 * (0.5 * 0.75 + 0.5 * 0.1875), 16 * (0.5 * 0.1875 + 0.0625)};

// Between the two points next to x; points are in the order of brightness.
double varianceAt(const std::vector<NoisePoint>& points, double x) {
    const auto above =
        std::find_if(points.begin(), points.end(), [x](const NoisePoint& p) { return p.x >= x; });
    if (above == points.begin()) return points.front().variance;
    if (above == points.end()) return points.back().variance;
    const NoisePoint& below = *(above - 1);
    const double share = above->x > below.x ? (x - below.x) / (above->x - below.x) : 0;
    return below.variance + share * (above->variance - below.variance);
}

// The points of the pixels with the variance of all scales. What noise has more of at one scale than at the
// finer one is much the same at all brightnesses; what has far more at some of them is texture there, and
// counts as no more than half again what the calmer ones show.
std::vector<NoisePoint> wholePoints(const std::array<std::vector<NoisePoint>, 3>& scales) {
    constexpr double kMore = 1.5;
    std::vector<NoisePoint> out = scales[0];
    std::array<std::vector<double>, 2> rise; // of a scale's density over that of the finer one, by point
    for (const NoisePoint& p : out) {
        double finer = p.variance;
        for (std::size_t k = 0; k < 2; ++k) {
            const double own = scales[k + 1].empty() ? finer / 4 : varianceAt(scales[k + 1], p.x);
            rise[k].push_back(4 * own / finer);
            finer = own;
        }
    }
    if (out.empty()) return out;
    const double most[2] = {kMore * quantile(rise[0], 0.25), kMore * quantile(rise[1], 0.25)};
    for (std::size_t i = 0; i < out.size(); ++i) {
        NoisePoint& p = out[i];
        const double blocks = p.weight * p.variance * p.variance;
        double variance = kWhole[0] * p.variance, own = p.variance;
        for (std::size_t k = 0; k < 2; ++k) {
            own *= std::min(rise[k][i], most[k]) / 4;
            variance += kWhole[k + 1] * own;
        }
        p.variance = variance, p.weight = blocks / (variance * variance);
    }
    return out;
}

// How much noise there can be in the dark, over what light adds to it up to white. Where texture alone says
// otherwise, what is stabilised would not be light's square root any more, and the learned method has seen
// nothing else: it took bright colours away. 30 electrons at white and 5 of read-out come to nearly 1; a
// finished picture's tone curve deepens the dark.
constexpr double kFlattest = 1, kFlattestBent = 0.1;

// The lines of a finished picture's colours: one tone curve has bent them all, so they are one line, each as
// much of it as its calmer points lie above it: texture only adds. Lines of different shapes would stabilise
// grey to colours.
constexpr double kCalmer = 0.42;
// What is measured in blocks without texture misses what compression has put in and taken out elsewhere, and
// noise that has gone from pixel to pixel is hard on every method: all do better for a tenth more of it.
constexpr double kMoreVariance = 1.25;
std::array<NoiseLine, 3> bentLines(const std::array<std::vector<NoisePoint>, 3>& points) {
    constexpr double kLeast = 0.25, kMost = 4;
    std::vector<NoisePoint> all;
    for (const auto& one : points) all.insert(all.end(), one.begin(), one.end());
    const NoiseLine together = noFlatter(fitBentNoise(all), all, kFlattestBent);
    std::array<NoiseLine, 3> out;
    for (std::size_t c = 0; c < 3; ++c) {
        std::vector<double> ratios;
        for (const NoisePoint& p : points[c]) ratios.push_back(p.variance / together.variance(p.x));
        const double share =
            ratios.empty() ? 1 : std::clamp(quantile(std::move(ratios), kCalmer), kLeast, kMost);
        out[c] = {kMoreVariance * share * together.a, kMoreVariance * share * together.b};
    }
    return out;
}

} // namespace

NoiseModel measureCorrelatedNoise(const Photo& photo, double& coarse, const Work& work) {
    // Below this the means are too few to tell noise from the picture.
    const bool large = photo.width() >= 192 && photo.height() >= 192;
    std::array<NoiseLine, 3> line;
    std::array<std::vector<NoisePoint>, 3> whole;
    constexpr double shadows = 0.05;
    std::array<double, 3> quarterAtShadows{};
    for (int c = 0; c < 3; ++c) {
        Plane plane(photo.width(), photo.height());
        forEachBand(plane.height(), 64, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < plane.width(); ++x) plane.at(x, y) = photo.normalised(x, y, c);
        });
        std::array<std::vector<NoisePoint>, 3> scales;
        for (std::size_t k = 0; k < (large ? 3 : 1); ++k) {
            if (k > 0) plane = halvedPlane(plane);
            scales[k] = noisePoints(plane, 0.98f, work);
        }
        const NoiseLine fine = fitNoise(scales[0]).line;
        const NoiseLine half = large ? fitNoise(scales[1]).line : NoiseLine{fine.a / 4, fine.b / 4},
                        quarter = large ? fitNoise(scales[2]).line : NoiseLine{fine.a / 16, fine.b / 16};
        const auto channel = static_cast<std::size_t>(c);
        line[channel] = {kWhole[0] * fine.a + kWhole[1] * half.a + kWhole[2] * quarter.a,
                         kWhole[0] * fine.b + kWhole[1] * half.b + kWhole[2] * quarter.b};
        line[channel] = noFlatter(line[channel], scales[0], kFlattest);
        quarterAtShadows[channel] = quarter.variance(shadows);
        if (photo.developed) whole[channel] = wholePoints(scales);
        work.report(0.5 + 0.16 * (c + 1));
    }
    double sum = 0;
    for (std::size_t c = 0; c < 3; ++c)
        sum += std::sqrt(16 * quarterAtShadows[c] / std::max(line[c].variance(shadows), 1e-12));
    coarse = std::clamp(sum / 3, 0.5, 3.0);
    if (photo.developed) line = bentLines(whole);
    NoiseModel model;
    model.channel = {line[0], line[1], line[1], line[2]};
    return model;
}

} // namespace irenic
