// What mending defects costs where there are none, and how many it finds where there are. Markdown.
#include <cmath>
#include <cstdio>
#include <random>
#include <set>

#include "denoise/clean.h"
#include "judging_options.h"
#include "measure/pattern.h"
#include "photographs.h"
#include "scores.h"
#include "sensor.h"

using namespace irenic;

namespace {

// Hot pixels of any strength, here and there; gives the places of those that stand out by more than 8
// deviations of the noise.
std::set<std::pair<int, int>> plant(Photo& photo, std::uint32_t seed) {
    constexpr double kShare = 3e-4;
    std::mt19937 random(seed);
    std::uniform_real_distribution<double> share(0, 1);
    std::set<std::pair<int, int>> all;
    const double range = photo.white - photo.black.mean();
    for (int y = 4; y < photo.height() - 4; ++y)
        for (int x = 4; x < photo.width() - 4; ++x) {
            if (share(random) >= kShare) continue;
            const double more = range * (0.02 + 0.9 * std::pow(share(random), 3));
            const auto channel = static_cast<std::size_t>(photo.mosaic.channel((y & 1) * 2 + (x & 1)));
            const double v = static_cast<double>(photo.normalised(x, y)),
                         sigma = range * photo.noise.channel[channel].sigma(std::max(0.0, v));
            std::uint16_t& sample = photo.samples[photo.index(x, y)];
            const double now = std::min(photo.white, sample + more);
            if (now - sample > 8 * sigma) all.insert({x, y});
            sample = static_cast<std::uint16_t>(now);
        }
    return all;
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    JudgingOptions asked;
    std::vector<std::string> files;
    CLI::App app("What mending defects costs and finds; Markdown.");
    asked.addTo(app);
    app.add_option("--file", files, "photographs, instead of those that no training sees");
    CLI11_PARSE(app, argc, argv);
    if (files.empty()) files = unseenPhotographs();
    const std::string method = asked.methods.empty() ? "bm3d-quick" : asked.methods.front();
    std::printf("| photograph | ISO | taken for defects | %s, dB lost | planted above 8 sigma | found |\n"
                "|---|---|---|---|---|---|\n",
                method.c_str());
    double lost = 0;
    int count = 0;
    std::size_t planted = 0, found = 0;
    for (std::size_t i = 0; i < files.size(); ++i)
        for (const double iso : asked.isos) {
            const Body body;
            Shot shot;
            shot.iso = iso, shot.seed = static_cast<std::uint32_t>(100 + i);
            const Plane truth = exposeMosaic(photograph(files[i], asked.crop), body, shot);
            Photo photo = takePhoto(truth, body, shot);
            const Rect all{0, 0, truth.width(), truth.height()};
            const cv::Mat right = rendered(photo, truth);
            const auto quality = [&] {
                return score(right, rendered(photo, cleanMosaic(photo, {method}, all))).cpsnr;
            };
            photo.pattern = {}, photo.mended.clear();
            const double plain = quality();
            photo.pattern = measurePattern(photo), photo.mended = mendedSamples(photo, photo.pattern);
            const double cost = photo.mended.empty() ? 0 : plain - quality();
            Photo spotted = photo;
            const auto places = plant(spotted, shot.seed);
            std::size_t seen = 0;
            for (const Defect& d : measurePattern(spotted).defects) seen += places.count({d.x, d.y});
            const std::string name = files[i].substr(0, files[i].rfind("/contents"));
            std::printf("| %s | %.0f | %zu | %.3f | %zu | %zu |\n", name.substr(name.rfind('/') + 1).c_str(),
                        iso, photo.pattern.defects.size(), cost, places.size(), seen);
            std::fflush(stdout);
            lost += cost, ++count, planted += places.size(), found += seen;
        }
    std::printf("\nlost in the mean %.3f dB (asked: below 0.02), found %.1f %% (asked: 99)\n", lost / count,
                100.0 * static_cast<double>(found) / static_cast<double>(std::max<std::size_t>(1, planted)));
}
