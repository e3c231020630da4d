// Noiseless mosaics of photographs made whole again: ours beside LibRaw's AHD and OpenCV's edge-aware one,
// and the speed of a full development beside LibRaw's with AHD.
//
// irenic-demosaic --help: Markdown on standard output.
#include <libraw/libraw.h>

#include <CLI/CLI.hpp>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <functional>
#include <opencv2/imgproc.hpp>

#include "deliver/dng.h"
#include "deliver/export.h"
#include "develop/demosaic.h"
#include "develop/render.h"
#include "judging_options.h"
#include "photographs.h"
#include "scenes.h"
#include "sensor.h"

using namespace irenic;

namespace {

constexpr int kBorder = 16;

using Pixels = std::array<Plane, 3>;

float srgb(float v) {
    v = std::clamp(v, 0.0f, 1.0f);
    return v <= 0.0031308f ? 12.92f * v : 1.055f * std::pow(v, 1 / 2.4f) - 0.055f;
}

// Of the sRGB-encoded values of all three colours.
double cpsnr(const Pixels& truth, const Pixels& found) {
    double sum = 0, n = 0;
    for (std::size_t c = 0; c < 3; ++c)
        for (int y = kBorder; y < truth[c].height() - kBorder; ++y)
            for (int x = kBorder; x < truth[c].width() - kBorder; ++x, ++n) {
                const double d = static_cast<double>(srgb(truth[c].at(x, y)) - srgb(found[c].at(x, y)));
                sum += d * d;
            }
    return 10 * std::log10(n / sum);
}

// A camera whose colours are linear sRGB already, balanced, black at 0.
Photo rawOf(const Plane& mosaic) {
    Body body;
    body.black = 0, body.white = 65535;
    body.colourMatrix = {3.2404542, -1.5371385, -0.4985314, -0.9692660, 1.8760108,
                         0.0415560, 0.0556434,  -0.2040259, 1.0572252};
    Shot shot;
    shot.neutral = {1, 1, 1};
    Photo p = takePhoto(mosaic, body, shot);
    for (int y = 0; y < p.height(); ++y)
        for (int x = 0; x < p.width(); ++x)
            p.samples[p.index(x, y)] =
                static_cast<std::uint16_t>(std::lround(65535 * std::clamp(mosaic.at(x, y), 0.0f, 1.0f)));
    return p;
}

struct Scratch {
    std::filesystem::path file =
        std::filesystem::temp_directory_path() /
        ("irenic-demosaic-" + std::to_string(std::chrono::steady_clock::now().time_since_epoch().count()) +
         ".dng");
    ~Scratch() { std::filesystem::remove(file); }
};

Pixels byLibRaw(const Photo& photo) {
    const Scratch scratch;
    writeDng(scratch.file, photo, {});
    LibRaw raw;
    if (raw.open_file(scratch.file.c_str()) != LIBRAW_SUCCESS || raw.unpack() != LIBRAW_SUCCESS)
        throw std::runtime_error("LibRaw cannot read the mosaic");
    auto& o = raw.imgdata.params;
    o.user_qual = 3, o.output_bps = 16, o.gamm[0] = o.gamm[1] = 1, o.no_auto_bright = 1, o.output_color = 0,
    o.adjust_maximum_thr = 0, o.user_sat = 65535;
    for (float& m : o.user_mul) m = 1;
    raw.dcraw_process();
    int error = 0;
    libraw_processed_image_t* image = raw.dcraw_make_mem_image(&error);
    if (!image) throw std::runtime_error("LibRaw gives no picture");
    Pixels out = {Plane(image->width, image->height), Plane(image->width, image->height),
                  Plane(image->width, image->height)};
    const auto* v = reinterpret_cast<const std::uint16_t*>(image->data);
    for (int y = 0; y < image->height; ++y)
        for (int x = 0; x < image->width; ++x)
            for (std::size_t c = 0; c < 3; ++c) out[c].at(x, y) = static_cast<float>(*v++) / 65535.0f;
    LibRaw::dcraw_clear_mem(image);
    return out;
}

Pixels byOpenCv(const Photo& photo) {
    cv::Mat mosaic(photo.height(), photo.width(), CV_16UC1), colours;
    for (int y = 0; y < photo.height(); ++y)
        for (int x = 0; x < photo.width(); ++x) mosaic.at<std::uint16_t>(y, x) = photo.sample(x, y);
    // The library names a pattern by its second row.
    cv::cvtColor(mosaic, colours, cv::COLOR_BayerBG2RGB_EA);
    Pixels out = {Plane(photo.width(), photo.height()), Plane(photo.width(), photo.height()),
                  Plane(photo.width(), photo.height())};
    for (int y = 0; y < photo.height(); ++y)
        for (int x = 0; x < photo.width(); ++x)
            for (int c = 0; c < 3; ++c)
                out[static_cast<std::size_t>(c)].at(x, y) =
                    static_cast<float>(colours.at<cv::Vec3w>(y, x)[c]) / 65535.0f;
    return out;
}

Pixels byUs(const Plane& mosaic, Demosaic grade) {
    // Mirrored around the edge, as a region at the photo's edge is.
    const Rect whole{0, 0, mosaic.width(), mosaic.height()},
        covered = whole.inflated(demosaicMargin(grade)).aligned(2);
    Plane wide(covered.width, covered.height);
    const auto source = [](int i, int size) { return i < 0 ? -i : i < size ? i : 2 * (size - 1) - i; };
    for (int y = 0; y < covered.height; ++y)
        for (int x = 0; x < covered.width; ++x)
            wide.at(x, y) =
                mosaic.at(source(covered.x + x, whole.width), source(covered.y + y, whole.height));
    return demosaic(wide, covered, Mosaic{}, whole, grade, {});
}

double secondsOf(const std::function<void()>& work) {
    double best = 1e9;
    for (int i = 0; i < 3; ++i) {
        const auto begun = std::chrono::steady_clock::now();
        work();
        best =
            std::min(best, std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count());
    }
    return best;
}

// Everything from samples to encoded values of the whole photo, in strips, as an export does it, but for the
// file.
void develop(const Photo& photo, const Look& look) {
    const Finish finish(photo, look, OutputSpace::Srgb);
    constexpr int rows = 512;
    for (int top = 0; top < photo.height(); top += rows) {
        const Rect strip{0, top, photo.width(), std::min(rows, photo.height() - top)};
        auto rgb = developRegion(recipeOf(photo, Settings::original(), look), strip, kWorkingSpace);
        forEachBand(strip.height, 16, {}, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                finish.apply(rgb[0].row(y), rgb[1].row(y), rgb[2].row(y), strip.width);
        });
    }
}

// 24 MP, without denoising.
void speed() {
    constexpr int width = 6000, height = 4000;
    const auto light = renderScene(Scene::SackStore, 1500, 1000);
    Body body;
    Shot shot;
    shot.iso = 800;
    const Plane part = exposeMosaic(light, body, shot);
    Plane mosaic(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) mosaic.at(x, y) = part.at(x % 1500, y % 1000);
    const Photo photo = takePhoto(mosaic, body, shot);
    const double mega = width * height / 1e6;
    const Scratch scratch;
    writeDng(scratch.file, photo, {});
    LibRaw raw;
    if (raw.open_file(scratch.file.c_str()) != LIBRAW_SUCCESS || raw.unpack() != LIBRAW_SUCCESS)
        throw std::runtime_error("LibRaw cannot read the mosaic");
    raw.imgdata.params.user_qual = 3, raw.imgdata.params.output_bps = 16,
    raw.imgdata.params.use_camera_wb = 1;
    const double libraw = secondsOf([&] { raw.dcraw_process(); });
    std::puts("\n| development of 24 MP | MP/s | over LibRaw with AHD |\n|---|---|---|");
    const auto line = [&](const char* name, double seconds) {
        std::printf("| %s | %.1f | %.1f |\n", name, mega / seconds, libraw / seconds);
    };
    line("LibRaw with AHD", libraw);
    line("ours, quick", secondsOf([&] { develop(photo, lookFromText("demosaic=quick")); }));
    line("ours, fine", secondsOf([&] { develop(photo, {}); }));
    line("ours, quick, toned", secondsOf([&] {
             develop(photo, lookFromText("demosaic=quick,kelvin=4200,tint=2,exposure=0.5,shadows=0.4,"
                                         "saturation=1.2,curve=0:0;0.5:0.6;1:1"));
         }));
    line("ours, fine, fringes, sharpened",
         secondsOf([&] { develop(photo, lookFromText("fringes,softness=thread")); }));
    for (const char* text : {"demosaic=quick", "demosaic=fine"}) {
        const Look look = lookFromText(text);
        const double whole = secondsOf([&] { develop(photo, look); }) / (width * height);
        const double region = secondsOf([&] {
                                  for (int i = 0; i < 20; ++i)
                                      render(recipeOf(photo, Settings::original(), look),
                                             {200 + 211 * i, 150 + 97 * i, 240, 170}, 1);
                              }) /
                              20;
        std::printf(
            "\n%s: a region of 240 x 170 at 100 %% takes %.1f ms, %.1f times its share of the whole.\n", text,
            1e3 * region, region / (240 * 170) / whole);
    }
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    int crop = 768;
    CLI::App app("Noiseless mosaics made whole again, and the speed of that; Markdown.");
    addCrop(app, crop);
    bool onlySpeed = false;
    app.add_flag("--speed", onlySpeed, "nothing but the speed of a full development");
    CLI11_PARSE(app, argc, argv);
    if (onlySpeed) {
        speed();
        return 0;
    }
    std::vector<std::pair<std::string, Pixels>> pictures;
    for (const std::string& f : unseenPhotographs())
        pictures.emplace_back(
            std::filesystem::path(f).filename().string() == "2560x1600.jpg"
                ? std::filesystem::path(f).parent_path().parent_path().parent_path().filename().string()
                : std::filesystem::path(f).stem().string(),
            photograph(f, crop));
    std::puts(
        "| picture | LibRaw AHD | OpenCV edge-aware | ours, quick | ours, fine |\n|---|---|---|---|---|");
    std::array<double, 4> mean{};
    for (const auto& [name, light] : pictures) {
        const Mosaic pattern;
        Plane mosaic(light[0].width(), light[0].height());
        for (int y = 0; y < mosaic.height(); ++y)
            for (int x = 0; x < mosaic.width(); ++x)
                mosaic.at(x, y) = std::clamp(light[pattern.at(x, y)].at(x, y), 0.0f, 1.0f);
        const Photo raw = rawOf(mosaic);
        const std::array<double, 4> found = {cpsnr(light, byLibRaw(raw)), cpsnr(light, byOpenCv(raw)),
                                             cpsnr(light, byUs(mosaic, Demosaic::Quick)),
                                             cpsnr(light, byUs(mosaic, Demosaic::Fine))};
        std::printf("| %s |", name.c_str());
        for (std::size_t i = 0; i < 4; ++i)
            std::printf(" %.2f |", found[i]), mean[i] += found[i] / static_cast<double>(pictures.size());
        std::puts("");
        std::fflush(stdout);
    }
    std::printf("| **mean** | **%.2f** | **%.2f** | **%.2f** | **%.2f** |\n", mean[0], mean[1], mean[2],
                mean[3]);
    return 0;
}
