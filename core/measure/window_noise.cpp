#include "measure/window_noise.h"

#include <algorithm>
#include <cmath>

#include "measure/windows.h"
#include "noise/weakest.h"

namespace irenic {

namespace {

// Where nothing is flat, blocks of one colour hold texture, and points lie too high. How much too high is
// told by windows of the whole mosaic (noise/weakest.h), of each brightness the calmest.
constexpr int kWindow = 128;

} // namespace

WindowNoise windowNoiseOf(const Photo& photo, const NoiseModel& model, const Work& work) {
    constexpr std::size_t kClasses = 6, kOfEach = 12, kLeastOfEach = 4;
    WindowNoise out;
    std::vector<Window> windows = windowsOf(photo, model, kWindow, work);
    if (windows.size() < kLeastOfEach) return out;
    std::sort(windows.begin(), windows.end(),
              [](const Window& a, const Window& b) { return a.brightness < b.brightness; });
    const std::array<Stabiliser, 4> stable = stabilisersOf(model);
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
                    weakestVariance(stabilisedWindow(photo, stable, begin[i], kWindow));
        });
        std::vector<double> shares;
        std::array<double, 4> mean{};
        for (std::size_t i = 0; i < found.size(); ++i) {
            for (std::size_t c = 0; c < 4; ++c)
                mean[c] += begin[static_cast<std::ptrdiff_t>(i)].mean[c] / static_cast<double>(found.size());
            unlike.push_back(found[i].next);
            shares.push_back(noiseVarianceOf(found[i]));
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
