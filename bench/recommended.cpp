// How far a recommendation is from the best that the truth would choose: simulated raws of photographs that
// no training sees, or pictures finished of them, every method at several strengths, judged on the finished
// picture. Markdown.
#include <algorithm>
#include <cstdio>
#include <map>

#include "base/folders.h"
#include "denoise/clean.h"
#include "judge/recommend.h"
#include "judging_options.h"
#include "photographs.h"
#include "scores.h"
#include "session/take.h"

using namespace irenic;

namespace {

// What is to be cleaned, and what it would look like without noise.
struct Noisy {
    PhotoPtr photo;
    cv::Mat right;
};

Noisy noisyAs(FileKind kind, MeasuredRaw raw, const Look& look, const std::filesystem::path& folder) {
    if (kind == FileKind::Raw) {
        cv::Mat right = rendered(raw.photo, raw.truth, look);
        return {std::make_shared<Photo>(std::move(raw.photo)), std::move(right)};
    }
    const Plane noisy = cleanMosaic(raw.photo, Settings::original(), raw.photo.whole());
    constexpr int kQuality = 90;
    const PhotoPtr truth =
        finishedPicture(raw.photo, raw.truth, folder / "truth.tif", kQuality, Measure::Nothing);
    return {finishedPicture(raw.photo, noisy, folder / (kind == FileKind::Jpeg ? "noisy.jpg" : "noisy.tif")),
            shownPicture(*truth, Settings::original(), look)};
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    int crop = 512;
    std::vector<double> isos{3200, 12800, 51200};
    std::string lookText;
    CLI::App app("How far a recommendation is from the best that the truth would choose; Markdown.");
    addCrop(app, crop);
    addIsos(app, isos);
    app.add_option("--look", lookText, "judged in this look, as for 'irenic-cli clean'");
    FileKind kind = FileKind::Raw;
    addKind(app, kind, {FileKind::Raw, FileKind::Tiff, FileKind::Jpeg});
    CLI11_PARSE(app, argc, argv);
    const Look look = lookFromText(lookText);
    const TemporaryFolder folder;
    std::printf("| photograph | ISO | recommended | dB | best | dB | lost | refused "
                "|\n|---|---|---|---|---|---|---|---|\n");
    const std::vector<std::string> files = unseenPhotographs();
    std::vector<std::pair<double, int>> within; // by ISO
    for (const double iso : isos) {
        int near = 0;
        for (std::size_t i = 0; i < files.size(); ++i) {
            const Noisy noisy =
                noisyAs(kind, measuredRaw(files[i], crop, iso, static_cast<std::uint32_t>(100 + i)), look,
                        folder.path());
            const Photo& photo = *noisy.photo;
            const auto qualityOf = [&](const Settings& settings) {
                return score(noisy.right, shownPicture(photo, settings, look)).cpsnr;
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
