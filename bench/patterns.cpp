// Whether the mosaic's pattern decides how well a method does: gains in decibels of the mosaic at ISO 12800,
// on the photographs that no training sees, each taken with all four patterns.
//
// irenic-patterns --help. Writes Markdown to standard output.
#include <CLI/CLI.hpp>
#include <algorithm>
#include <cmath>
#include <cstdio>

#include "denoise/clean.h"
#include "denoise/method.h"
#include "judging_options.h"
#include "photographs.h"
#include "sensor.h"

using namespace irenic;

namespace {

constexpr const char* kPatterns[] = {"RGGB", "GRBG", "GBRG", "BGGR"};

Mosaic mosaicOf(const char* pattern) {
    Mosaic m;
    for (std::size_t i = 0; i < 4; ++i)
        m.site[i] = pattern[i] == 'R' ? Mosaic::Red : pattern[i] == 'B' ? Mosaic::Blue : Mosaic::Green;
    return m;
}

double psnr(const Plane& a, const Plane& truth) {
    constexpr int kEdge = 16;
    double sum = 0;
    for (int y = kEdge; y < a.height() - kEdge; ++y)
        for (int x = kEdge; x < a.width() - kEdge; ++x)
            sum += std::pow(static_cast<double>(a.at(x, y) - truth.at(x, y)), 2);
    return -10 * std::log10(sum / ((a.width() - 2 * kEdge) * (a.height() - 2 * kEdge)));
}

double gainOf(const std::string& method, const char* pattern, const std::string& file, int crop) {
    Body body;
    body.mosaic = mosaicOf(pattern);
    Shot shot;
    shot.iso = 12800, shot.seed = 7;
    const Plane truth = exposeMosaic(photograph(file, crop), body, shot);
    const Photo photo = takePhoto(truth, body, shot);
    const Rect all{0, 0, truth.width(), truth.height()};
    return psnr(cleanMosaic(photo, {method}, all), truth) -
           psnr(cleanMosaic(photo, Settings::original(), all), truth);
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    int crop = 384;
    CLI::App app("Whether the mosaic's pattern decides how well a method does; Markdown.");
    addCrop(app, crop);
    CLI11_PARSE(app, argc, argv);
    const std::vector<std::string> files = unseenPhotographs();
    std::printf("| method | RGGB | GRBG | GBRG | BGGR | spread of one photograph, mean "
                "|\n|---|---|---|---|---|---|\n");
    for (const auto& m : methods()) {
        double mean[4] = {}, spread = 0;
        for (const std::string& file : files) {
            double gain[4];
            for (std::size_t k = 0; k < 4; ++k) {
                gain[k] = gainOf(m->id(), kPatterns[k], file, crop);
                mean[k] += gain[k] / static_cast<double>(files.size());
            }
            const auto [least, most] = std::minmax_element(gain, gain + 4);
            spread += (*most - *least) / static_cast<double>(files.size());
        }
        std::printf("| %s | %.2f | %.2f | %.2f | %.2f | %.2f |\n", m->id().c_str(), mean[0], mean[1], mean[2],
                    mean[3], spread);
        std::fflush(stdout);
    }
}
