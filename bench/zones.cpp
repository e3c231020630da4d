// What zones bring on photos with a background out of focus: a take with less on what is in focus and more on
// the rest against the same take everywhere, in dB on the cleaned mosaic; and with the zones where they truly
// are.
#include <cstdio>

#include "denoise/clean.h"
#include "denoise/mask.h"
#include "portrait.h"
#include "sensor.h"

using namespace irenic;

namespace {

double psnr(const Plane& a, const Plane& b) {
    constexpr int kBorder = 16;
    double sum = 0, count = 0;
    for (int y = kBorder; y < a.height() - kBorder; ++y)
        for (int x = kBorder; x < a.width() - kBorder; ++x) {
            const double d = static_cast<double>(a.at(x, y)) - static_cast<double>(b.at(x, y));
            sum += d * d, ++count;
        }
    return -10 * std::log10(sum / count);
}

} // namespace

int main(int argc, char** argv) {
    const std::string method = argc > 1 ? argv[1] : "bm3d-quick";
    Body body;
    body.black = 1024;
    std::printf("| view | ISO | %s, dB | with zones | difference |\n|---|---|---|---|---|\n", method.c_str());
    int better = 0, all = 0;
    for (const Scene view : {Scene::GearLoft, Scene::SackStore, Scene::HarbourWindow, Scene::Gauges}) {
        const Portrait portrait = portraitOf(view, 960, 720);
        for (const double iso : {3200.0, 12800.0, 51200.0}) {
            Shot shot;
            shot.iso = iso, shot.seed = 5;
            const Plane truth = exposeMosaic(portrait.light, body, shot);
            const Photo photo = takePhoto(truth, body, shot);
            const Settings plain{method};
            Settings zoned = plain;
            zoned.zones.resize(2);
            zoned.zones[0].part = FoundPart::OutOfFocus, zoned.zones[0].luminance = 1.3f;
            zoned.zones[1].part = FoundPart::InFocus, zoned.zones[1].luminance = 0.9f;
            const double one = psnr(cleanMosaic(photo, plain, photo.whole()), truth),
                         other = psnr(cleanMosaic(photo, zoned, photo.whole()), truth);
            better += other > one, ++all;
            std::printf("| %d | %.0f | %.2f | %.2f | %+.2f |\n", static_cast<int>(view), iso, one, other,
                        other - one);
        }
    }
    std::printf("\nBetter on %d of %d.\n", better, all);
    return 0;
}
