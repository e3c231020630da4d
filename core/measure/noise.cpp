#include "measure/noise.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "noise/estimate.h"

namespace irenic {

namespace {

// Each channel's own line, as far as it tells. In a dark photo, or of a channel that is dark everywhere, no
// slope can be seen, and one that is made up spoils everything that rests on it. Then counts what the
// channels show together, since a sensor has one gain for all (a tenth more or less, unless it shows
// clearly that the camera has multiplied them); and where all are dark, that sensors read out with some three
// electrons of noise, as far as one can say before looking.
NoiseModel modelOf(const std::array<std::vector<NoisePoint>, 4>& points) {
    constexpr double kReadNoise = 3, kChannelsDiffer = 0.1;
    std::vector<NoisePoint> all;
    for (const auto& one : points) all.insert(all.end(), one.begin(), one.end());
    // The slope a with which a x + (kReadNoise a)^2 is the variance that was seen, at the brightness where it
    // was.
    const NoiseMean mean = meanOf(all);
    constexpr double kSquare = kReadNoise * kReadNoise;
    const double variance = std::max(1e-12, mean.variance);
    const double usual = (std::sqrt(mean.x * mean.x + 4 * kSquare * variance) - mean.x) / (2 * kSquare);
    const NoiseFit together = fitNoise(all, ExpectedSlope{usual, usual});
    const double a = std::max(together.line.a, 1e-9);
    NoiseModel model;
    for (std::size_t c = 0; c < 4; ++c)
        model.channel[c] = fitNoise(points[c], ExpectedSlope{a, kChannelsDiffer * a}).line;
    return model;
}

} // namespace

NoiseModel measureNoise(const Photo& photo, const Work& work) {
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
        points[static_cast<std::size_t>(channel)] = noisePoints(plane, 0.98f, work);
        work.report(0.5 + 0.12 * (s + 1));
    }
    return modelOf(points);
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

NoiseModel measureCorrelatedNoise(const Photo& photo, double& coarse, const Work& work) {
    NoiseModel model;
    double sum = 0;
    // Below this the means are too few to tell noise from the picture.
    const bool large = photo.width() >= 640 && photo.height() >= 480;
    for (int c = 0; c < 3; ++c) {
        Plane plane(photo.width(), photo.height());
        forEachBand(plane.height(), 64, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < plane.width(); ++x) plane.at(x, y) = photo.normalised(x, y, c);
        });
        const NoiseLine fine = measureNoiseLine(plane, 0.98f, work);
        NoiseLine half{fine.a / 4, fine.b / 4}, quarter{fine.a / 16, fine.b / 16};
        if (large) {
            plane = halvedPlane(plane);
            half = measureNoiseLine(plane, 0.98f, work);
            plane = halvedPlane(plane);
            quarter = measureNoiseLine(plane, 0.98f, work);
        }
        // Each line knows the density at the upper end of its band: v, 4v and 16v. The upper band is three
        // quarters of the spectrum, the next three quarters of the rest; a band's density is taken for the
        // mean of those at its two ends.
        const double whole[3] = {0.5 * 0.75, 4 * (0.5 * 0.75 + 0.5 * 0.1875), 16 * (0.5 * 0.1875 + 0.0625)};
        const NoiseLine line{whole[0] * fine.a + whole[1] * half.a + whole[2] * quarter.a,
                             whole[0] * fine.b + whole[1] * half.b + whole[2] * quarter.b};
        constexpr double shadows = 0.05;
        if (c == 1)
            model.channel[1] = model.channel[2] = line;
        else
            model.channel[c == 0 ? 0 : 3] = line;
        sum += std::sqrt(16 * quarter.variance(shadows) / std::max(line.variance(shadows), 1e-12));
        work.report(0.5 + 0.16 * (c + 1));
    }
    coarse = std::clamp(sum / 3, 0.5, 3.0);
    return model;
}

} // namespace irenic
