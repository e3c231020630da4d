// How far each method moves the means of a photo's channels in linear light: simulated raws of photographs
// that no training sees, noise measured as in the program. Markdown.
#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <string>
#include <utility>
#include <vector>

#include "denoise/clean.h"
#include "judging_options.h"
#include "photographs.h"

using namespace irenic;

namespace {

// Sums of red, green and blue.
std::array<double, 3> sumsOf(const Plane& mosaic, const Mosaic& colours) {
    std::array<double, 3> sums{};
    for (int y = 0; y < mosaic.height(); ++y)
        for (int x = 0; x < mosaic.width(); ++x)
            sums[static_cast<std::size_t>(colours.at(x, y))] += static_cast<double>(mosaic.at(x, y));
    return sums;
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    int crop = 640;
    std::vector<double> isos{3200, 12800, 51200};
    CLI::App app("How far each method moves the means of a photo's channels, in percent; Markdown.");
    addCrop(app, crop);
    addIsos(app, isos);
    CLI11_PARSE(app, argc, argv);
    // What chance does to the means of a raw, and each method.
    std::vector<std::pair<std::string, Settings>> takes = {{"none", Settings::original()}};
    for (const auto& m : methods()) takes.emplace_back(m->id(), Settings{m->id()});
    constexpr double kAim = 0.2;
    std::printf("| method | ISO | mean | worst | above %.1f %% |\n|---|---|---|---|---|\n", kAim);
    for (const double iso : isos) {
        struct Moved {
            double sum = 0, most = 0;
            int count = 0, above = 0;
        };
        std::vector<Moved> moved(takes.size());
        const std::vector<std::string> files = unseenPhotographs();
        for (std::size_t i = 0; i < files.size(); ++i) {
            const auto [truth, photo] = measuredRaw(files[i], crop, iso, static_cast<std::uint32_t>(100 + i));
            const std::array<double, 3> right = sumsOf(truth, photo.mosaic);
            for (std::size_t m = 0; m < moved.size(); ++m) {
                const Plane clean = cleanMosaic(photo, takes[m].second, photo.whole());
                const std::array<double, 3> found = sumsOf(clean, photo.mosaic);
                for (std::size_t c = 0; c < 3; ++c) {
                    const double off = 100 * std::abs(found[c] / right[c] - 1);
                    moved[m].sum += off, moved[m].most = std::max(moved[m].most, off);
                    ++moved[m].count, moved[m].above += off > kAim;
                }
            }
        }
        for (std::size_t m = 0; m < moved.size(); ++m)
            std::printf("| %s | %.0f | %.2f %% | %.2f %% | %d of %d |\n", takes[m].first.c_str(), iso,
                        moved[m].sum / moved[m].count, moved[m].most, moved[m].above, moved[m].count);
        std::fflush(stdout);
    }
}
