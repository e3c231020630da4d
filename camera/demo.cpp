#include "demo.h"

#include <cmath>
#include <fstream>
#include <stdexcept>

#include "deliver/dng.h"
#include "scenes.h"
#include "sensor.h"

namespace irenic {

namespace {

struct DemoShot {
    const char* name;
    View view;
    bool second; // the second body
    Shot shot;
    Optics optics = {};
};

std::vector<DemoShot> demoShots() {
    const auto shot = [](double iso, double exposure, double stops, double hot, const char* taken,
                         std::uint32_t seed) {
        Shot s;
        s.iso = iso, s.exposure = exposure, s.stops = stops, s.hotPixels = hot, s.taken = taken,
        s.seed = seed;
        return s;
    };
    std::vector<DemoShot> all = {
        {"mill-01", View::GearLoft, false, shot(1600, 1.0 / 15, 0.6, 0, "2026:01:15 21:40:12", 11)},
        {"mill-02", View::SackStore, false, shot(6400, 1.0 / 60, 0.3, 0, "2026:01:15 21:52:40", 12)},
        {"mill-03", View::HarbourWindow, true, shot(12800, 1.0 / 80, 0.2, 0, "2026:01:15 22:07:03", 13)},
        {"mill-04", View::Gauges, true, shot(51200, 1.0 / 250, 0.3, 0, "2026:01:15 22:15:31", 14)},
        {"mill-05", View::SackStore, false, shot(12800, 1.0 / 500, -1.7, 0, "2026:01:15 22:21:09", 15)},
        {"mill-06", View::HarbourWindow, false, shot(3200, 20, 0.9, 8e-5, "2026:01:15 22:48:55", 16)},
    };
    all[4].shot.rowLines = 0.6, all[4].shot.columnLines = 0.3, all[4].shot.deadPixels = 4e-5;
    all[2].shot.neutral = all[5].shot.neutral = {0.55, 1, 0.62};
    // A wide lens wide open, as such lenses are; the files carry what corrects it.
    all[0].optics.distortion = all[5].optics.distortion = 0.035;
    all[0].optics.red = all[5].optics.red = 1.0009, all[0].optics.blue = all[5].optics.blue = 0.9991;
    all[0].optics.vignetting = all[5].optics.vignetting = 0.4;
    all[0].optics.blur = all[5].optics.blur = 0.6;
    return all;
}

} // namespace

void makeDemoData(const std::filesystem::path& folder, bool truth, double scale,
                  const std::function<void(const std::string&)>& say, const Work& work) {
    namespace fs = std::filesystem;
    fs::create_directories(folder);
    const int width = static_cast<int>(std::lround(4032 * scale / 4)) * 4,
              height = static_cast<int>(std::lround(3024 * scale / 4)) * 4;
    Body one, two;
    two.model = "Two", two.lens = "Quay 50mm f/1.8";
    two.mosaic.site = {Mosaic::Green, Mosaic::Red, Mosaic::Blue, Mosaic::Green};
    two.black = 2048, two.white = 16383;
    two.colourMatrix = {0.6461, -0.0907, -0.0882, -0.4300, 1.2184, 0.2378, -0.0819, 0.1944, 0.5931};
    // The sensor's numbers are the same for both; the protocol's figures hold for either.
    for (const View view : {View::GearLoft, View::SackStore, View::HarbourWindow, View::Gauges}) {
        std::array<Plane, 3> light;
        for (const DemoShot& d : demoShots()) {
            const fs::path file = folder / (std::string(d.name) + ".dng"),
                           truthFile = folder / (std::string(d.name) + ".truth.f32");
            if (d.view != view || (fs::exists(file) && (!truth || fs::exists(truthFile)))) continue;
            if (light[0].empty()) light = renderView(view, width, height, work);
            const Body& body = d.second ? two : one;
            const Plane mosaic = exposeMosaic(light, body, d.shot, d.optics);
            Photo photo = takePhoto(mosaic, body, d.shot);
            if (!(d.optics == Optics{})) photo.metadata.mosaic.push_back(opcodesFor(d.optics, width, height));
            DngExtras extras;
            extras.preview = renderOverview(photo, {}, 512);
            const fs::path part = folder / ("." + std::string(d.name) + ".part");
            writeDng(part, photo, extras, work);
            fs::rename(part, file);
            if (truth) {
                std::ofstream out(truthFile, std::ios::binary);
                for (int y = 0; y < height; ++y)
                    out.write(reinterpret_cast<const char*>(mosaic.row(y)),
                              static_cast<std::streamsize>(sizeof(float)) * width);
                if (!out)
                    throw std::runtime_error(truthFile.string() +
                                             ": it could not be written. Is the disk full?");
            }
            say(file.string());
        }
    }
}

} // namespace irenic
