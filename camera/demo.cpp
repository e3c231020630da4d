#include "demo.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>

#include "base/safe_file.h"
#include "bodies.h"
#include "deliver/dng.h"
#include "deliver/picture_files.h"
#include "image/resample.h"
#include "mill.h"
#include "sensor.h"

namespace irenic {

namespace {

struct DemoShot {
    const char* name;
    MillScene scene;
    Body body;
    Shot shot;
    Optics optics = {};
    int jpegQuality = 0; // a picture that the camera has developed, instead of a raw
};

// Pictures and when, how bright and with what they were taken.
std::vector<DemoShot> demoShots() {
    const auto shot = [](double iso, double exposure, double aperture, double stops, const char* taken,
                         std::uint32_t seed) {
        Shot s;
        s.iso = iso, s.exposure = exposure, s.aperture = aperture, s.stops = stops, s.taken = taken,
        s.seed = seed;
        return s;
    };
    const Body one = bodyOne(), two = bodyTwo(), three = bodyThree(), four = bodyFour();
    std::vector<DemoShot> all = {
        {"mill-01", MillScene::Gears, one, shot(1600, 1.0 / 15, 2.8, 0, "2026:01:15 21:40:12", 11)},
        {"mill-02", MillScene::Jersey, two, shot(6400, 1.0 / 60, 2.8, 0, "2026:01:15 21:52:40", 12)},
        {"mill-03", MillScene::Cat, two, shot(12800, 1.0 / 80, 4, -0.2, "2026:01:15 22:07:03", 13)},
        {"mill-04", MillScene::Rope, one, shot(51200, 1.0 / 250, 5.6, 0, "2026:01:15 22:15:31", 14)},
        {"mill-05", MillScene::Gears, three, shot(12800, 1.0 / 500, 2.8, -2, "2026:01:15 22:21:09", 15)},
        {"mill-06", MillScene::Harbour, three, shot(3200, 20, 2, 0.3, "2026:01:15 22:48:55", 16)},
        {"mill-07", MillScene::Jersey, four, shot(25600, 1.0 / 200, 4, 0, "2026:01:15 23:02:17", 17)},
        {"mill-08", MillScene::Cat, one, shot(6400, 1.0 / 60, 4, -0.2, "2026:01:15 23:10:44", 18), {}, 78},
    };
    all[1].shot.neutral = all[6].shot.neutral = {0.55, 1, 0.62};
    all[4].shot.rowLines = 0.6, all[4].shot.columnLines = 0.3, all[4].shot.deadPixels = 4e-5;
    // A wide lens wide open, as such lenses are; the files carry what corrects it.
    Optics wide;
    wide.distortion = 0.035, wide.red = 1.0009, wide.blue = 0.9991, wide.vignetting = 0.4, wide.blur = 0.3;
    all[0].optics = all[5].optics = wide;
    return all;
}

// What lens and low-pass filter do to a point (weights side, 1 - 2 side, side along and across): a mosaic of
// light sharper than its pixels is full of false colour that no real photo has.
void soften(Plane& p) {
    constexpr float kSide = 0.2f;
    const int w = p.width(), h = p.height();
    Plane rows(w, h);
    forEachBand(h, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x)
                rows.at(x, y) = (1 - 2 * kSide) * p.at(x, y) +
                                kSide * (p.at(std::max(0, x - 1), y) + p.at(std::min(w - 1, x + 1), y));
    });
    forEachBand(h, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x)
                p.at(x, y) = (1 - 2 * kSide) * rows.at(x, y) +
                             kSide * (rows.at(x, std::max(0, y - 1)) + rows.at(x, std::min(h - 1, y + 1)));
    });
}

// The photo to render the preview from: of a body with a wide mosaic a small view taken with a 2x2 one, since
// a picture of 512 pixels does not need what spreading the colours of a wide mosaic takes.
Photo seenForPreview(const Photo& photo, const std::array<Plane, 3>& light, const DemoShot& d) {
    if (!photo.xtrans) return photo;
    Body body = d.body;
    body.xTrans = false;
    std::array<Plane, 3> small;
    for (std::size_t c = 0; c < 3; ++c)
        small[c] = areaAverage(light[c], light[c].width() / 8 * 2, light[c].height() / 8 * 2);
    return takePhoto(exposeMosaic(small, body, d.shot, d.optics), body, d.shot);
}

void writeTruth(const std::filesystem::path& to, const Plane& mosaic) {
    std::string bytes;
    for (int y = 0; y < mosaic.height(); ++y)
        bytes.append(reinterpret_cast<const char*>(mosaic.row(y)),
                     sizeof(float) * static_cast<std::size_t>(mosaic.width()));
    writeWhole(to, bytes, SafeFile::Existing::Keep);
}

// As a file that is whole or not there.
void makePhoto(const std::filesystem::path& to, const DemoShot& d, const Photo& photo,
               const std::array<Plane, 3>& light, const Work& work) {
    SafeFile file(to, SafeFile::Existing::Keep);
    if (d.jpegQuality > 0) {
        Export what{recipeOf(photo), {}, {}, false};
        what.delivery.format = ExportFormat::Jpeg;
        what.delivery.quality = static_cast<float>(d.jpegQuality);
        writeJpeg(file.path(), what, {}, work);
    } else {
        DngExtras extras;
        extras.preview = renderOverview(seenForPreview(photo, light, d), {}, 512);
        extras.compression = DngCompression::Lossless;
        writeDng(file.path(), photo, extras, work);
    }
    file.commit();
}

} // namespace

void makeDemoData(const std::filesystem::path& folder, bool truth, double scale,
                  const std::function<void(const std::string&)>& say, const Work& work) {
    namespace fs = std::filesystem;
    fs::create_directories(folder);
    const std::vector<DemoShot> shots = demoShots();
    for (const MillScene scene :
         {MillScene::Gears, MillScene::Jersey, MillScene::Cat, MillScene::Rope, MillScene::Harbour}) {
        std::array<Plane, 3> light;
        for (const DemoShot& d : shots) {
            const bool picture = d.jpegQuality > 0;
            const fs::path file = folder / (std::string(d.name) + (picture ? ".jpg" : ".dng")),
                           truthFile = folder / (std::string(d.name) + ".truth.f32");
            const bool wantsTruth = truth && !picture;
            if (d.scene != scene || (fs::exists(file) && (!wantsTruth || fs::exists(truthFile)))) continue;
            work.check();
            if (light[0].empty()) {
                light = millScene(scene);
                for (Plane& p : light) soften(p);
                const auto side = [&](int full) {
                    return static_cast<int>(std::lround(full * scale / 4)) * 4;
                };
                if (scale != 1)
                    for (Plane& p : light) p = areaAverage(p, side(p.width()), side(p.height()));
            }
            const Plane mosaic = exposeMosaic(light, d.body, d.shot, d.optics);
            Photo photo = takePhoto(mosaic, d.body, d.shot);
            if (!(d.optics == Optics{}))
                photo.metadata.mosaic.push_back(opcodesFor(d.optics, mosaic.width(), mosaic.height()));
            if (!fs::exists(file)) makePhoto(file, d, photo, light, work);
            if (wantsTruth && !fs::exists(truthFile)) writeTruth(truthFile, mosaic);
            say(file.string());
        }
    }
}

} // namespace irenic
