// What sensors that do not keep to the model of the noise cost, against a plain sensor with the same light.
// Markdown.
#include <cmath>
#include <cstdio>
#include <optional>

#include "dark.h"
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
    double statedFactor = 1; // what the file says of its noise's variance, over the truth
    int darkFrames = 0;      // that are at hand
};

std::vector<Fault> faults() {
    std::vector<Fault> out = {{"none", {}, {}, 1}};
    const auto with = [&](const char* name) -> Fault& { return out.emplace_back(Fault{name, {}, {}, 1}); };
    with("smoothed, 12 % to each neighbour").body.smoothing = {0.12, 0};
    with("smoothed, 9 % and 4 % diagonally").body.smoothing = {0.09, 0.04};
    with("smoothed, 5 % and 2 % diagonally").body.smoothing = {0.05, 0.02};
    with("noise that doubles to the right").body.noiseAtRight = 2;
    with("noise half as much again to the right").body.noiseAtRight = 1.5;
    with("corners made three times as bright in the raw").body.madeUpFor = 3;
    // Shot's lines are in electrons: shares of the read noise at ISO 12800.
    const double read = readNoise({}, 12800);
    Fault& lines = with("lines: rows 1.0, columns 0.6 of the read noise");
    lines.shot.rowLines = 1.0 * read, lines.shot.columnLines = 0.6 * read;
    Fault& groups = with("lines: rows in fours");
    groups.shot.rowLines = read, groups.shot.rowsAlike = 4;
    Fault& apart = with("lines: rows of two read-outs");
    apart.shot.rowLines = read, apart.shot.twoReadouts = true;
    with("two dead columns").shot.deadColumns = 2;
    with("eight hot clusters of 3 x 3").shot.hotClusters = 8;
    with("hot pixels, one in two thousand").shot.hotPixels = 5e-4;
    with("focusing dots, a tenth darker").body.focusDots = 0.9;
    with("128 values along a root").body.codes = 128;
    with("black at 0").body.black = 0;
    with("glow of 40 electrons in a corner").body.glow = 40;
    Fault& gains = with("two gains: four times the read noise from a tenth of white on");
    gains.body.secondGainAt = 0.1, gains.body.secondGainRead = 4;
    // Blue stands last in a cell.
    with("blue's black off by four values").body.blackOff = {0, 0, 0, 4};
    Fault& masked = with("blue's black off by four values, masked border");
    masked.body.blackOff = {0, 0, 0, 4}, masked.body.maskedColumns = 96, masked.body.maskedRows = 32;
    for (const auto& [name, frames] : {std::pair{"leaks of 3 electrons, unlike from pixel to pixel", 0},
                                       std::pair{"leaks of 3 electrons, one dark frame", 1},
                                       std::pair{"leaks of 3 electrons, four dark frames", 4}}) {
        Fault& leaks = with(name);
        leaks.body.darkCurrent = 0.15, leaks.body.warmPixels = 5e-5, leaks.shot.exposure = 20;
        leaks.darkFrames = frames;
    }
    with("profile in the file four times too high").statedFactor = 4;
    with("profile in the file four times too low").statedFactor = 0.25;
    return out;
}

// The truth of noise that grows to the right, in place of what was measured.
void tell(Photo& photo, const Body& body, double iso) {
    photo.unevenness = {};
    photo.unevenness.across = 0.5 * std::log(body.noiseAtRight);
    photo.noise = trueNoise(body, iso);
    for (NoiseLine& line : photo.noise.channel) line.a *= body.noiseAtRight, line.b *= body.noiseAtRight;
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    JudgingOptions asked;
    asked.isos = {12800};
    std::vector<std::string> files;
    CLI::App app("What sensors that break the model of the noise cost; Markdown.");
    asked.addTo(app);
    std::string only;
    app.add_option("--fault", only, "only those with this word in their name");
    app.add_option("--file", files, "photographs, instead of those that no training sees");
    CLI11_PARSE(app, argc, argv);
    if (files.empty()) files = unseenPhotographs();
    if (asked.methods.empty()) asked.methods = {"learned-quick", "bm3d-quick"};
    std::printf("| fault | ISO |");
    for (const std::string& m : asked.methods)
        std::printf(" %s, dB below a plain sensor: mean, worst; below what it makes when told, mean |",
                    m.c_str());
    std::printf("\n|---|---|");
    for (std::size_t m = 0; m < asked.methods.size(); ++m) std::printf("---|");
    std::printf("\n");
    for (const double iso : asked.isos) {
        std::vector<double> plain; // of each photograph and method
        for (const Fault& fault : faults()) {
            if (!plain.empty() && std::string(fault.name).find(only) == std::string::npos) continue;
            std::vector<double> sum(asked.methods.size()), worst(asked.methods.size()),
                behind(asked.methods.size());
            std::size_t at = 0;
            for (std::size_t i = 0; i < files.size(); ++i) {
                Shot shot = fault.shot;
                shot.iso = iso, shot.seed = static_cast<std::uint32_t>(100 + i);
                const Plane seen = exposeMosaic(photograph(files[i], asked.crop), fault.body, shot);
                Photo photo = takePhoto(seen, fault.body, shot);
                const Rect all{0, 0, seen.width(), seen.height()};
                const Plane truth = smoothedMosaic(withFocusDots(seen, fault.body), all, all, seen.width(),
                                                   seen.height(), fault.body.smoothing);
                for (NoiseLine& line : photo.statedNoise->channel)
                    line.a *= fault.statedFactor, line.b *= fault.statedFactor;
                std::optional<DarkFrame> dark;
                if (fault.darkFrames > 0) {
                    Shot covered = shot;
                    covered.seed += 7000;
                    dark = takeDarkFrames(fault.body, covered, seen.width(), seen.height(), fault.darkFrames);
                }
                measure(photo, {}, Known::Nothing, {.dark = dark ? &*dark : nullptr});
                const cv::Mat right = rendered(photo, truth);
                for (std::size_t m = 0; m < asked.methods.size(); ++m, ++at) {
                    const auto qualityOf = [&](const Photo& of) {
                        return score(right, rendered(of, cleanMosaic(of, {asked.methods[m]}, all))).cpsnr;
                    };
                    const double quality = qualityOf(photo);
                    // What a method makes that was told how noise grows.
                    double told = quality;
                    if (fault.body.noiseAtRight != 1) {
                        Photo known = photo;
                        tell(known, fault.body, iso);
                        told = qualityOf(known);
                    }
                    if (plain.size() < files.size() * asked.methods.size()) plain.push_back(quality);
                    const double lost = plain[at] - quality;
                    sum[m] += lost, worst[m] = std::max(worst[m], lost), behind[m] += told - quality;
                    if (asked.each)
                        std::fprintf(stderr,
                                     "%zu %s %s: %.2f (%.2f lost), filter %.3f %.3f, uneven %.2f %.2f %.2f, "
                                     "told so %.2f\n",
                                     i, fault.name, asked.methods[m].c_str(), quality, lost,
                                     photo.smoothing.beside, photo.smoothing.diagonal,
                                     photo.unevenness.across, photo.unevenness.down,
                                     photo.unevenness.toCorners, told);
                }
            }
            std::printf("| %s | %.0f |", fault.name, iso);
            for (std::size_t m = 0; m < asked.methods.size(); ++m)
                std::printf(" %.2f, %.2f, %.2f |", sum[m] / static_cast<double>(files.size()), worst[m],
                            behind[m] / static_cast<double>(files.size()));
            std::printf("\n");
            std::fflush(stdout);
        }
    }
}
