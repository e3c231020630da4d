// How well compressed pictures are cleaned: JPEGs of several qualities of noisy raws, against what the same
// raw without noise looks like, and against OpenCV's non-local means for coloured pictures at its best
// strength, picked for each picture with the truth at hand.
//
// irenic-compressed --help: on the photographs that no training sees. Writes Markdown to standard output.
#include <CLI/CLI.hpp>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <opencv2/imgcodecs.hpp>
#include <opencv2/imgproc.hpp>
#include <opencv2/photo.hpp>

#include "denoise/clean.h"
#include "denoise/method.h"
#include "develop/render.h"
#include "judging_options.h"
#include "measure/open.h"
#include "photographs.h"
#include "scores.h"
#include "sensor.h"
#include "session/take.h"

using namespace irenic;

namespace {

constexpr const char* kReference = "OpenCV coloured NLM";

struct Asked : JudgingOptions {
    std::vector<int> qualities{50, 70, 90};
};

cv::Mat cleaned(const Photo& photo, const std::string& method) {
    const Settings settings = method == "original" ? Settings::original() : settingsFromText(method);
    return encodedPicture(developRegion(recipeOf(photo, settings, {}), photo.whole(), OutputSpace::Srgb));
}

Scores bestReference(const cv::Mat& truth, const cv::Mat& jpeg) {
    Scores best;
    for (const float h : {3.0f, 5.0f, 7.0f, 10.0f, 14.0f, 20.0f, 28.0f}) {
        cv::Mat out, light;
        cv::fastNlMeansDenoisingColored(jpeg, out, h, h, 7, 21);
        cv::cvtColor(out, out, cv::COLOR_BGR2RGB);
        out.convertTo(light, CV_32FC3, 1 / 255.0);
        const Scores s = score(truth, light);
        if (best.cpsnr == 0 || s.cpsnr > best.cpsnr) best = s;
    }
    return best;
}

void run(const Asked& asked) {
    const std::filesystem::path file =
        std::filesystem::temp_directory_path() / ("irenic-compressed-" + std::to_string(getpid()) + ".jpg");
    const Body body;
    std::printf(
        "| ISO | quality | method | CPSNR dB | SSIM | colour difference |\n|---|---|---|---|---|---|\n");
    for (const double iso : asked.isos)
        for (const int quality : asked.qualities) {
            std::vector<std::pair<std::string, Scores>> rows{{"original", {}}};
            if (asked.reference) rows.emplace_back(kReference, Scores{});
            for (const std::string& m : asked.methods) rows.emplace_back(m, Scores{});
            std::uint32_t seed = 100;
            for (const std::string& name : unseenPhotographs()) {
                Shot shot;
                shot.iso = iso, shot.seed = seed++;
                const Plane truth = exposeMosaic(photograph(name, asked.crop), body, shot);
                const Photo raw = takePhoto(truth, body, shot);
                const cv::Mat right = rendered(raw, truth);
                const PhotoPtr photo =
                    finishedPicture(raw, cleanMosaic(raw, Settings::original(), raw.whole()), file, quality);
                for (auto& [method, sum] : rows) {
                    const Scores s = method == kReference ? bestReference(right, cv::imread(file.string()))
                                                          : score(right, cleaned(*photo, method));
                    sum.add(s);
                    if (asked.each)
                        std::fprintf(stderr, "%s %.0f %d %s %.2f\n", name.c_str(), iso, quality,
                                     method.c_str(), s.cpsnr);
                }
            }
            for (const auto& [method, s] : rows)
                std::printf("| %.0f | %d | %s | %.2f | %.3f | %.2f |\n", iso, quality, method.c_str(),
                            s.cpsnr / s.count, s.ssim / s.count, s.colour / s.count);
            std::fflush(stdout);
        }
    std::filesystem::remove(file);
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    Asked asked;
    CLI::App app("How well compressed pictures are cleaned; Markdown.");
    asked.addTo(app);
    app.add_option("--quality", asked.qualities, "one or several");
    CLI11_PARSE(app, argc, argv);
    if (asked.methods.empty())
        for (const auto& m : methods()) asked.methods.push_back(m->id());
    try {
        run(asked);
    } catch (const std::exception& e) {
        std::fprintf(stderr, "irenic-compressed: %s\n", e.what());
        return 1;
    }
}
