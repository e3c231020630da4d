// The quality protocol: noiseless truth, Poisson-Gaussian noise, one rendering for all; a table of method by
// ISO, against OpenCV's 16-bit fast non-local means (patch 5, window 21, at its best h) on the same planes in
// the same run, and against plain BM3D on them.
//
// irenic-quality [--crop SIZE] [--iso ISO]... [--demo DIR] [--method ID]... [--no-reference] [--each]:
// photographs from the Debian packages (halved in size), and the truths that 'irenic-cli demo-data DIR
// --truth' left. Writes Markdown to standard output.
#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <filesystem>
#include <fstream>
#include <opencv2/photo.hpp>

#include "denoise/clean.h"
#include "noise/stabilise.h"
#include "photographs.h"
#include "scores.h"
#include "sensor.h"

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
    const Method& method = *findMethod("bm3d");
    const auto begun = std::chrono::steady_clock::now();
    PlaneSet planes = stabilisedPlanes(photo, area.inflated(method.margin()));
    planes.packed = false;
    const PlaneSet clean = method.run(planes, area, {1, 1, 1, 1}, {});
    seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
    return mosaicOf(clean, photo);
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    int crop = 768;
    bool reference = true, each = false;
    std::vector<double> isos;
    std::string demo;
    std::vector<std::string> only;
    for (int i = 1; i < argc; ++i) {
        const std::string a = argv[i];
        if (a == "--crop" && i + 1 < argc)
            crop = std::stoi(argv[++i]);
        else if (a == "--iso" && i + 1 < argc)
            isos.push_back(std::stod(argv[++i]));
        else if (a == "--demo" && i + 1 < argc)
            demo = argv[++i];
        else if (a == "--no-reference")
            reference = false;
        else if (a == "--each")
            each = true; // every picture's CPSNR to standard error
        else if (a == "--method" && i + 1 < argc)
            only.push_back(argv[++i]);
    }
    if (isos.empty()) isos = {3200, 12800, 51200};
    const std::vector<std::string> files = unseenPhotographs();

    const Body body;
    std::vector<std::pair<std::string, Plane>> truths;
    for (const std::string& f : files) {
        Shot shot;
        truths.emplace_back(f, exposeMosaic(photograph(f, crop), body, shot));
    }
    if (!demo.empty())
        for (const char* n : {"mill-01", "mill-02", "mill-03", "mill-04"}) {
            // The middle of the demo truths; a GRBG truth is read one column further on, where it is RGGB.
            std::ifstream in(demo + "/" + n + ".truth.f32", std::ios::binary);
            constexpr int w = 4032, h = 3024;
            Plane whole(w, h);
            for (int y = 0; y < h; ++y) in.read(reinterpret_cast<char*>(whole.row(y)), sizeof(float) * w);
            if (!in) throw std::runtime_error(std::string(n) + ": no truth there");
            const int shift = n[6] == '2' || n[6] == '3' ? 1 : 0;
            truths.emplace_back(n,
                                whole.cropped({(w - crop) / 4 * 2 + shift, (h - crop) / 4 * 2, crop, crop}));
        }

    std::printf("| method | ISO | CPSNR dB | SSIM | colour difference | MP/s |\n|---|---|---|---|---|---|\n");
    for (const double iso : isos) {
        std::vector<std::pair<std::string, Scores>> rows;
        const auto at = [&](const std::string& name) -> Scores& {
            for (auto& r : rows)
                if (r.first == name) return r.second;
            rows.emplace_back(name, Scores{});
            return rows.back().second;
        };
        for (std::size_t i = 0; i < truths.size(); ++i) {
            Shot shot;
            shot.iso = iso, shot.seed = static_cast<std::uint32_t>(100 + i);
            const Plane& truth = truths[i].second;
            const Photo photo = takePhoto(truth, body, shot);
            const cv::Mat right = rendered(photo, truth);
            const double pixels = static_cast<double>(truth.width()) * truth.height() * 1e-6;
            const auto note = [&](const std::string& name, const Plane& mosaic, double seconds) {
                Scores s = score(right, rendered(photo, mosaic));
                s.seconds = seconds, s.pixels = pixels;
                at(name).add(s);
                if (each)
                    std::fprintf(stderr, "%s %.0f %s %.2f\n", truths[i].first.c_str(), iso, name.c_str(),
                                 s.cpsnr);
            };
            note("none", cleanMosaic(photo, Settings::original(), {0, 0, truth.width(), truth.height()}), 1);
            if (reference) {
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
            for (const auto& m : methods()) {
                if (!only.empty() && std::find(only.begin(), only.end(), m->id()) == only.end()) continue;
                const auto begun = std::chrono::steady_clock::now();
                const Plane p = cleanMosaic(photo, {m->id()}, {0, 0, truth.width(), truth.height()});
                note(m->id(), p,
                     std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count());
            }
        }
        for (const auto& [name, s] : rows)
            std::printf("| %s | %.0f | %.2f | %.3f | %.2f | %.2f |\n", name.c_str(), iso, s.cpsnr / s.count,
                        s.ssim / s.count, s.colour / s.count, s.pixels / s.seconds);
        std::fflush(stdout);
    }
}
