#include "measure/window_noise.h"

#include <algorithm>
#include <cmath>

#include "noise/stabilise.h"
#include "noise/weakest.h"

namespace irenic {

namespace {

// Where nothing is flat, blocks of one colour hold texture, and points lie too high. How much too high is
// told by windows of the whole mosaic (noise/weakest.h), of each brightness the calmest.
constexpr int kWindow = 128;

struct Window {
    int x, y;
    double brightness, unrest;    // mean; second differences over what noise makes of them
    std::array<double, 4> mean{}; // of each channel
};

// Of the windows of a fixed grid those without clipped samples.
std::vector<Window> windowsOf(const Photo& photo, const NoiseModel& model, const Work& work) {
    const double lowest = photo.lowest();
    std::vector<Window> all;
    for (int y = 0; y + kWindow <= photo.height(); y += kWindow)
        for (int x = 0; x + kWindow <= photo.width(); x += kWindow) {
            Window own{x, y, 0, 0};
            std::array<double, 4> count{};
            double squares = 0, expected = 0, clipped = 0;
            for (int j = y; j < y + kWindow; j += 5)
                for (int i = x + 2; i < x + kWindow - 2; ++i) {
                    const double v = static_cast<double>(photo.normalised(i, j)),
                                 d = v - 0.5 * static_cast<double>(photo.normalised(i - 2, j) +
                                                                   photo.normalised(i + 2, j));
                    const auto channel =
                        static_cast<std::size_t>(photo.mosaic.channel((j & 1) * 2 + (i & 1)));
                    own.mean[channel] += v, ++count[channel];
                    squares += d * d, clipped += v >= 0.98 || v <= lowest;
                    expected += 1.5 * model.channel[channel].variance(v);
                }
            work.check();
            const double all4 = count[0] + count[1] + count[2] + count[3];
            if (200 * clipped >= all4) continue;
            for (std::size_t c = 0; c < 4; ++c) {
                own.brightness += own.mean[c] / all4;
                own.mean[c] /= std::max(1.0, count[c]);
            }
            own.unrest = squares / std::max(expected, 1e-12);
            all.push_back(own);
        }
    return all;
}

Plane stabilisedWindow(const Photo& photo, const std::array<Stabiliser, 4>& stable, const Window& window) {
    Plane out(kWindow, kWindow);
    for (int y = 0; y < kWindow; ++y)
        for (int x = 0; x < kWindow; ++x) {
            const int channel = photo.mosaic.channel((y & 1) * 2 + (x & 1)); // windows begin at even places
            out.at(x, y) = stable[static_cast<std::size_t>(channel)].forward(
                photo.normalised(window.x + x, window.y + y));
        }
    return out;
}

} // namespace

WindowNoise windowNoiseOf(const Photo& photo, const NoiseModel& model, const Work& work) {
    constexpr std::size_t kClasses = 6, kOfEach = 12, kLeastOfEach = 4;
    // What the picture still adds along the weakest directions grows with what it adds along the next. The
    // power is that of the photographs that training sees (docs/notes/noise.md).
    constexpr double kAdds = 1.4, kMostUnlike = 2.5;
    WindowNoise out;
    std::vector<Window> windows = windowsOf(photo, model, work);
    if (windows.size() < kLeastOfEach) return out;
    std::sort(windows.begin(), windows.end(),
              [](const Window& a, const Window& b) { return a.brightness < b.brightness; });
    const std::array<Stabiliser, 4> stable = {Stabiliser(model.channel[0]), Stabiliser(model.channel[1]),
                                              Stabiliser(model.channel[2]), Stabiliser(model.channel[3])};
    const std::size_t classes = std::clamp<std::size_t>(windows.size() / kLeastOfEach, 1, kClasses);
    std::vector<double> unlike;
    for (std::size_t k = 0; k < classes; ++k) {
        const auto begin = windows.begin() + static_cast<std::ptrdiff_t>(windows.size() * k / classes),
                   end = windows.begin() + static_cast<std::ptrdiff_t>(windows.size() * (k + 1) / classes);
        std::sort(begin, end, [](const Window& a, const Window& b) { return a.unrest < b.unrest; });
        const auto count = std::min<std::ptrdiff_t>(kOfEach, end - begin);
        std::vector<WeakestVariance> found(static_cast<std::size_t>(count));
        forEachBand(static_cast<int>(count), 1, work, [&](int first, int last) {
            for (int i = first; i < last; ++i)
                found[static_cast<std::size_t>(i)] =
                    weakestVariance(stabilisedWindow(photo, stable, begin[i]));
        });
        std::vector<double> shares;
        std::array<double, 4> mean{};
        for (std::size_t i = 0; i < found.size(); ++i) {
            for (std::size_t c = 0; c < 4; ++c)
                mean[c] += begin[static_cast<std::ptrdiff_t>(i)].mean[c] / static_cast<double>(found.size());
            unlike.push_back(found[i].next);
            shares.push_back(found[i].variance /
                             std::pow(std::clamp(found[i].next, 1.0, kMostUnlike), kAdds));
        }
        // The picture only adds: the lower ones are right, but for chance.
        constexpr double kLow = 0.15, kChance = 1.03, kBlocks = 100;
        std::sort(shares.begin(), shares.end());
        const double share =
            kChance * shares[static_cast<std::size_t>(kLow * static_cast<double>(shares.size()))];
        for (std::size_t c = 0; c < 4; ++c) {
            const double variance = share * model.channel[c].variance(mean[c]);
            out.points[c].push_back({mean[c], variance, kBlocks / (variance * variance)});
        }
        out.least = std::min(out.least, share), out.most = std::max(out.most, share);
    }
    std::sort(unlike.begin(), unlike.end());
    out.unlike = unlike[unlike.size() / 5];
    return out;
}

} // namespace irenic
