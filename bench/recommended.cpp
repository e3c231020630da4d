// How far a recommendation is from the best that the truth would choose: simulated raws of photographs that
// no training sees, every method at several strengths, judged on the finished picture. Markdown.
#include <algorithm>
#include <cstdio>

#include "denoise/clean.h"
#include "judge/recommend.h"
#include "judging_options.h"
#include "photographs.h"
#include "scores.h"
#include "session/take.h"

using namespace irenic;

int main(int argc, char** argv) {
    keepFreedMemory();
    int crop = 512;
    std::vector<double> isos{3200, 12800, 51200};
    std::string lookText;
    CLI::App app("How far a recommendation is from the best that the truth would choose; Markdown.");
    addCrop(app, crop);
    addIsos(app, isos);
    app.add_option("--look", lookText, "judged in this look, as for 'irenic-cli clean'");
    CLI11_PARSE(app, argc, argv);
    const Look look = lookFromText(lookText);
    std::printf("| photograph | ISO | recommended | dB | best | dB | lost | refused "
                "|\n|---|---|---|---|---|---|---|---|\n");
    const std::vector<std::string> files = unseenPhotographs();
    std::vector<std::pair<double, int>> within; // by ISO
    for (const double iso : isos) {
        int near = 0;
        for (std::size_t i = 0; i < files.size(); ++i) {
            const MeasuredRaw raw = measuredRaw(files[i], crop, iso, static_cast<std::uint32_t>(100 + i));
            const Photo& photo = raw.photo;
            const Plane& truth = raw.truth;
            const Rect all{0, 0, truth.width(), truth.height()};
            const cv::Mat right = rendered(photo, truth, look);
            const auto qualityOf = [&](const Settings& settings) {
                return score(right, rendered(photo, cleanMosaic(photo, settings, all), look)).cpsnr;
            };
            const Recommendation r = recommend(photo, look, placeProbes(photo));
            const double own = qualityOf(r.settings);
            Settings best = r.settings;
            double most = own;
            for (const auto& m : methods())
                for (const float strength : {0.75f, 1.0f, 1.3f}) {
                    Settings tried{m->id()};
                    tried.luminance = tried.colour = strength;
                    if (const double found = qualityOf(tried); found > most) most = found, best = tried;
                }
            constexpr double kNear = 0.1;
            near += most - own <= kNear;
            std::printf("| %s | %.0f | %s | %.2f | %s | %.2f | %.2f | %s |\n",
                        nameOfPhotograph(files[i]).c_str(), iso, textOf(r.settings).c_str(), own,
                        textOf(best).c_str(), most, most - own,
                        r.refused.empty() ? "" : r.refused.front().check.c_str());
            std::fflush(stdout);
        }
        within.emplace_back(iso, near);
    }
    std::printf("\n");
    for (const auto& [iso, near] : within)
        std::printf("ISO %.0f: within 0.1 dB on %d of %zu\n", iso, near, files.size());
}
