// The quality protocol: noiseless truth, Poisson-Gaussian noise, one rendering for all; a table of method by
// ISO, against OpenCV's 16-bit fast non-local means (patch 5, window 21, at its best h) on the same planes in
// the same run, and against plain BM3D on them.
//
// irenic-quality --help: photographs from the Debian packages (halved in size), and the truths that
// 'irenic-cli demo-data DIR --truth' left. Writes Markdown to standard output; with --document, into
// quality.md of that folder, and beside it, into quality/, each method's worst case at 200 and 400 % and the
// curves of the training's logs.
#include <CLI/CLI.hpp>
#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <opencv2/photo.hpp>

#include "denoise/bm3d.h"
#include "denoise/clean.h"
#include "document.h"
#include "judging_options.h"
#include "measure/noise.h"
#include "noise/stabilise.h"
#include "photographs.h"
#include "scores.h"
#include "sensor.h"
#include "worst_cases.h"

using namespace irenic;

namespace {

Plane mosaicOf(const PlaneSet& clean, const Photo& photo) {
    Plane out(photo.width(), photo.height());
    const auto sites = sitesOfChannels(photo.mosaic);
    const auto& line = photo.noise.channel;
    const Stabiliser stable[4] = {Stabiliser(line[0]), Stabiliser(line[1]), Stabiliser(line[2]),
                                  Stabiliser(line[3])};
    for (int y = 0; y < clean.area.height; ++y)
        for (int x = 0; x < clean.area.width; ++x) {
            float v[4];
            channelsAt(clean, clean.area.x + x, clean.area.y + y, v);
            for (std::size_t k = 0; k < 4; ++k)
                out.at(2 * x + (sites[k] & 1), 2 * y + (sites[k] >> 1)) = stable[k].unbiased(v[k]);
        }
    return out;
}

// OpenCV on each plane: 16 bits, the noise's sigma spread over 200 steps.
Plane referenceNlm(const Photo& photo, float h, double& seconds) {
    const Rect area{0, 0, photo.width() / 2, photo.height() / 2};
    PlaneSet planes = stabilisedPlanes(photo, area);
    constexpr float step = 200, zero = 32768;
    for (Plane& p : planes.plane) {
        cv::Mat in(area.height, area.width, CV_16U), out;
        for (int y = 0; y < in.rows; ++y)
            for (int x = 0; x < in.cols; ++x)
                in.at<std::uint16_t>(y, x) =
                    static_cast<std::uint16_t>(std::clamp(p.at(x, y) * step + zero, 0.0f, 65535.0f));
        const auto begun = std::chrono::steady_clock::now();
        cv::fastNlMeansDenoising(in, out, std::vector<float>{h * step}, 5, 21, cv::NORM_L1);
        seconds += std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
        for (int y = 0; y < in.rows; ++y)
            for (int x = 0; x < in.cols; ++x)
                p.at(x, y) = (static_cast<float>(out.at<std::uint16_t>(y, x)) - zero) / step;
    }
    return mosaicOf(planes, photo);
}

// Block matching and collaborative filtering as they are written down: each packed plane is a picture of its
// own, and none of the stages that every method here shares.
Plane plainBlockMatching(const Photo& photo, double& seconds) {
    const Rect area{0, 0, photo.width() / 2, photo.height() / 2};
    const BlockMatching method(false, groups::Guide::Smoothed); // which compares as it is written down
    const auto begun = std::chrono::steady_clock::now();
    PlaneSet planes = stabilisedPlanes(photo, area.inflated(method.margin()));
    planes.packed = false;
    const PlaneSet clean = method.run(planes, area, {1, 1, 1, 1}, {});
    seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
    return mosaicOf(clean, photo);
}

using Named = std::vector<std::pair<std::string, Plane>>;

struct Asked : JudgingOptions {
    bool measured = false;
    std::string demo, document;
};

Named truthsFor(const Asked& asked) {
    const Body body;
    Named truths;
    for (const std::string& f : unseenPhotographs())
        truths.emplace_back(f, exposeMosaic(photograph(f, asked.crop), body, Shot()));
    if (asked.demo.empty()) return truths;
    for (const char* n : {"mill-01", "mill-02", "mill-03", "mill-04"}) {
        // The middle of the demo truths; a GRBG truth is read one column further on, where it is RGGB.
        std::ifstream in(asked.demo + "/" + n + ".truth.f32", std::ios::binary);
        constexpr int w = 4032, h = 3024;
        Plane whole(w, h);
        for (int y = 0; y < h; ++y) in.read(reinterpret_cast<char*>(whole.row(y)), sizeof(float) * w);
        if (!in) throw std::runtime_error(std::string(n) + ": no truth there");
        const int shift = n[6] == '2' || n[6] == '3' ? 1 : 0, crop = asked.crop;
        truths.emplace_back(n, whole.cropped({(w - crop) / 4 * 2 + shift, (h - crop) / 4 * 2, crop, crop}));
    }
    return truths;
}

// Rows of one ISO, in the order in which they came.
class Table {
  public:
    Scores& at(const std::string& name) {
        for (auto& r : rows_)
            if (r.first == name) return r.second;
        return rows_.emplace_back(name, Scores{}).second;
    }
    std::string lines(double iso) const {
        std::string out;
        for (const auto& [name, s] : rows_) {
            char line[200];
            std::snprintf(line, sizeof line, "| %s | %.0f | %.2f | %.3f | %.4f | %.2f | %.2f |\n",
                          name.c_str(), iso, s.cpsnr / s.count, s.ssim / s.count, s.multiscale / s.count,
                          s.colour / s.count, s.pixels / s.seconds);
            out += line;
        }
        return out;
    }
    // The mean CPSNR of the best of those whose names begin so.
    double best(const std::string& begin) const {
        double most = 0;
        for (const auto& [name, s] : rows_)
            if (name.rfind(begin, 0) == 0) most = std::max(most, s.cpsnr / s.count);
        return most;
    }

  private:
    std::vector<std::pair<std::string, Scores>> rows_;
};

void judge(const Asked& asked, const std::pair<std::string, Plane>& named, std::size_t number, double iso,
           Table& table, WorstCases& worst) {
    const Plane& truth = named.second;
    Shot shot;
    shot.iso = iso, shot.seed = static_cast<std::uint32_t>(100 + number);
    Photo photo = takePhoto(truth, Body(), shot);
    if (asked.measured) photo.noise = measureNoise(photo);
    const cv::Mat right = rendered(photo, truth);
    const Rect all{0, 0, truth.width(), truth.height()};
    const auto note = [&](const std::string& name, const Plane& mosaic, double seconds) {
        const cv::Mat picture = rendered(photo, mosaic);
        Scores s = score(right, picture);
        s.seconds = seconds, s.pixels = static_cast<double>(all.area()) * 1e-6;
        table.at(name).add(s);
        if (asked.each)
            std::fprintf(stderr, "%s %.0f %s %.2f\n", named.first.c_str(), iso, name.c_str(), s.cpsnr);
        return picture;
    };
    const cv::Mat noisy = note("none", cleanMosaic(photo, Settings::original(), all), 1);
    if (asked.reference) {
        double once = 0;
        const Plane plain = plainBlockMatching(photo, once);
        note("plain BM3D", plain, once);
        for (const float h : {0.7f, 0.85f, 1.0f}) {
            double seconds = 0;
            const Plane p = referenceNlm(photo, h, seconds);
            char name[40];
            std::snprintf(name, sizeof name, "OpenCV NLM h %.2f", static_cast<double>(h));
            note(name, p, seconds);
        }
    }
    std::vector<std::pair<std::string, cv::Mat>> found;
    for (const auto& m : methods()) {
        if (!asked.methods.empty() &&
            std::find(asked.methods.begin(), asked.methods.end(), m->id()) == asked.methods.end())
            continue;
        const auto begun = std::chrono::steady_clock::now();
        const Plane p = cleanMosaic(photo, {m->id()}, all);
        const double seconds =
            std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
        found.emplace_back(m->id(), note(m->id(), p, seconds));
    }
    worst.look(named.first, iso, right, noisy, found);
}

// What each method is ahead of the references, in the mean of all ISOs.
std::string ahead(std::vector<Table>& tables) {
    std::string out = "| method | over OpenCV's NLM | over plain BM3D | over `bm3d` |\n|---|---|---|---|\n";
    for (const auto& m : methods()) {
        double over[3] = {};
        for (Table& t : tables) {
            // "bm3d" is also how its quick grade begins, which is never better.
            const double own = t.at(m->id()).cpsnr / t.at(m->id()).count;
            const double others[3] = {t.best("OpenCV"), t.best("plain"), t.best("bm3d")};
            for (int k = 0; k < 3; ++k) over[k] += (own - others[k]) / static_cast<double>(tables.size());
        }
        char line[120];
        std::snprintf(line, sizeof line, "| %s | %+.2f | %+.2f | %+.2f |\n", m->id().c_str(), over[0],
                      over[1], over[2]);
        out += line;
    }
    return out;
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    Asked asked;
    CLI::App app("How well every method cleans pictures whose truth is known; Markdown.");
    asked.addTo(app);
    app.add_option("--demo", asked.demo, "the folder with the truths of irenic-cli demo-data --truth");
    app.add_flag("--measured", asked.measured, "noise as measured on each picture, not as it is");
    app.add_option("--document", asked.document, "the folder of quality.md, which is brought up to date");
    CLI11_PARSE(app, argc, argv);
    const Named truths = truthsFor(asked);
    std::string text = "| method | ISO | CPSNR dB | SSIM | MS-SSIM | colour difference | MP/s "
                       "|\n|---|---|---|---|---|---|---|\n";
    std::printf("%s", text.c_str());
    std::vector<Table> tables;
    WorstCases worst;
    for (const double iso : asked.isos) {
        Table& table = tables.emplace_back();
        for (std::size_t i = 0; i < truths.size(); ++i) judge(asked, truths[i], i, iso, table, worst);
        const std::string lines = table.lines(iso);
        std::printf("%s", lines.c_str());
        std::fflush(stdout);
        text += lines;
    }
    if (asked.document.empty()) return 0;
    namespace fs = std::filesystem;
    const fs::path folder = asked.document, pictures = folder / "quality";
    fs::create_directories(pictures);
    putInto(folder / "quality.md", "irenic-quality", text + "\n" + ahead(tables));
    putInto(folder / "quality.md", "worst cases", worst.told());
    worst.write(pictures / "worst-200.png", 2, 64);
    worst.write(pictures / "worst-400.png", 4, 40);
    drawLearning("training/log.csv",
                 "mosaics: dB below the noise, full wells of 1600 (1), 400 (2), 100 (3) electrons",
                 pictures / "learning-mosaics.png");
    drawLearning("training/second_look_log.csv", "second looks at mosaics, as above",
                 pictures / "learning-second-looks.png");
    drawLearning("training/pixel_log.csv",
                 "without a mosaic: dB gained; JPEG (1), TIFF (2), linear (3), 6x6 (4)",
                 pictures / "learning-pixels.png");
    return 0;
}
