// What sensors that do not keep to the model of the noise cost, against a plain sensor with the same light.
// Markdown.
#include <cstdio>

#include "denoise/clean.h"
#include "judging_options.h"
#include "measure/open.h"
#include "photographs.h"
#include "scores.h"
#include "sensor.h"

using namespace irenic;

namespace {

struct Fault {
    const char* name;
    Body body;
    Shot shot;
};

std::vector<Fault> faults() {
    std::vector<Fault> out = {{"none", {}, {}}};
    const auto with = [&](const char* name) -> Fault& { return out.emplace_back(Fault{name, {}, {}}); };
    with("smoothed, 12 % to each neighbour").body.smoothing = {0.12, 0};
    with("smoothed, 9 % and 4 % diagonally").body.smoothing = {0.09, 0.04};
    with("smoothed, 5 % and 2 % diagonally").body.smoothing = {0.05, 0.02};
    with("noise that doubles to the right").body.noiseAtRight = 2;
    // Shot's lines are in electrons: shares of the read noise at ISO 12800.
    const double read = readNoise({}, 12800);
    Fault& lines = with("lines: rows 1.0, columns 0.6 of the read noise");
    lines.shot.rowLines = 1.0 * read, lines.shot.columnLines = 0.6 * read;
    return out;
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    JudgingOptions asked;
    asked.isos = {12800};
    std::vector<std::string> files;
    CLI::App app("What sensors that break the model of the noise cost; Markdown.");
    asked.addTo(app);
    app.add_option("--file", files, "photographs, instead of those that no training sees");
    CLI11_PARSE(app, argc, argv);
    if (files.empty()) files = unseenPhotographs();
    if (asked.methods.empty()) asked.methods = {"learned-quick", "bm3d-quick"};
    std::printf("| fault | ISO |");
    for (const std::string& m : asked.methods)
        std::printf(" %s, dB below a plain sensor: mean, worst |", m.c_str());
    std::printf("\n|---|---|");
    for (std::size_t m = 0; m < asked.methods.size(); ++m) std::printf("---|");
    std::printf("\n");
    for (const double iso : asked.isos) {
        std::vector<double> plain; // of each photograph and method
        for (const Fault& fault : faults()) {
            std::vector<double> sum(asked.methods.size()), worst(asked.methods.size());
            std::size_t at = 0;
            for (std::size_t i = 0; i < files.size(); ++i) {
                Shot shot = fault.shot;
                shot.iso = iso, shot.seed = static_cast<std::uint32_t>(100 + i);
                const Plane seen = exposeMosaic(photograph(files[i], asked.crop), fault.body, shot);
                Photo photo = takePhoto(seen, fault.body, shot);
                const Rect all{0, 0, seen.width(), seen.height()};
                const Plane truth =
                    smoothedMosaic(seen, all, all, seen.width(), seen.height(), fault.body.smoothing);
                measure(photo);
                const cv::Mat right = rendered(photo, truth);
                for (std::size_t m = 0; m < asked.methods.size(); ++m, ++at) {
                    const double quality =
                        score(right, rendered(photo, cleanMosaic(photo, {asked.methods[m]}, all))).cpsnr;
                    if (plain.size() < files.size() * asked.methods.size()) plain.push_back(quality);
                    const double lost = plain[at] - quality;
                    sum[m] += lost, worst[m] = std::max(worst[m], lost);
                    if (asked.each)
                        std::fprintf(stderr, "%zu %s %s: %.2f (%.2f lost), filter %.3f %.3f\n", i, fault.name,
                                     asked.methods[m].c_str(), quality, lost, photo.smoothing.beside,
                                     photo.smoothing.diagonal);
                }
            }
            std::printf("| %s | %.0f |", fault.name, iso);
            for (std::size_t m = 0; m < asked.methods.size(); ++m)
                std::printf(" %.2f, %.2f |", sum[m] / static_cast<double>(files.size()), worst[m]);
            std::printf("\n");
            std::fflush(stdout);
        }
    }
}
