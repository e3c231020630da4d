// How right the noise is that is measured: simulated raws of photographs, whose noise is known, against what
// is measured on them; and what a wrong figure costs. Markdown.
#include <algorithm>
#include <cmath>
#include <cstdio>

#include "denoise/clean.h"
#include "judging_options.h"
#include "measure/noise.h"
#include "photographs.h"
#include "scores.h"
#include "sensor.h"

using namespace irenic;

namespace {

struct Asked : JudgingOptions {
    std::vector<std::string> files; // instead of the photographs that no training sees
    bool cost = false;
};

// What `settings` make of a photo with its noise as it is told.
double qualityOf(const Photo& photo, const Plane& truth, const cv::Mat& right, const std::string& method) {
    const Rect all{0, 0, truth.width(), truth.height()};
    return score(right, rendered(photo, cleanMosaic(photo, {method}, all))).cpsnr;
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    Asked asked;
    asked.isos = {400, 3200, 12800, 51200, 102400};
    CLI::App app("How right measured noise is, and what it costs where it is not; Markdown.");
    asked.addTo(app);
    app.add_option("--file", asked.files, "photographs, instead of those that no training sees");
    app.add_flag("--cost", asked.cost,
                 "clean with the noise as measured and as it is (--method; learned-quick)");
    CLI11_PARSE(app, argc, argv);
    if (asked.files.empty()) asked.files = unseenPhotographs();
    if (asked.methods.empty()) asked.methods = {"learned-quick"};
    std::printf("| photograph | ISO | sigma measured over true at black: R, G, B | at 0.18 | furthest |");
    if (asked.cost)
        for (const std::string& m : asked.methods) std::printf(" %s, dB lost |", m.c_str());
    std::printf("\n|---|---|---|---|---|");
    for (std::size_t i = 0; asked.cost && i < asked.methods.size(); ++i) std::printf("---|");
    std::printf("\n");
    int within = 0, count = 0;
    for (std::size_t i = 0; i < asked.files.size(); ++i)
        for (const double iso : asked.isos) {
            const Body body;
            Shot shot;
            shot.iso = iso, shot.seed = static_cast<std::uint32_t>(100 + i);
            const Plane truth = exposeMosaic(photograph(asked.files[i], asked.crop), body, shot);
            Photo photo = takePhoto(truth, body, shot);
            const NoiseModel right = photo.noise, found = measureNoise(photo);
            double ratio[2][3], furthest = 0;
            constexpr std::size_t channels[3] = {0, 1, 3};
            for (int at = 0; at < 2; ++at)
                for (std::size_t c = 0; c < 3; ++c) {
                    const double x = at == 0 ? 0 : 0.18, r = found.channel[channels[c]].sigma(x) /
                                                             right.channel[channels[c]].sigma(x);
                    ratio[at][c] = r;
                    furthest = std::max(furthest, std::abs(r - 1));
                    ++count, within += std::abs(r - 1) <= 0.1;
                }
            std::printf("| %s | %.0f | %.2f %.2f %.2f | %.2f %.2f %.2f | %.0f %% |",
                        nameOfPhotograph(asked.files[i]).c_str(), iso, ratio[0][0], ratio[0][1], ratio[0][2],
                        ratio[1][0], ratio[1][1], ratio[1][2], 100 * furthest);
            if (asked.cost) {
                const cv::Mat picture = rendered(photo, truth);
                for (const std::string& m : asked.methods) {
                    photo.noise = right;
                    const double told = qualityOf(photo, truth, picture, m);
                    photo.noise = found;
                    std::printf(" %.2f |", told - qualityOf(photo, truth, picture, m));
                }
            }
            std::printf("\n");
            std::fflush(stdout);
        }
    std::printf("\nwithin 10 %%: %d of %d, %.1f %% (asked: 98)\n", within, count, 100.0 * within / count);
}
