#include "judge/seen_gain.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "denoise/stabilisers.h"
#include "develop/finish.h"
#include "develop/render.h"

namespace irenic {

namespace {

constexpr int kSquare = 8; // packed samples

double brightnessOf(const Image& light, const Rect& area) {
    double sum = 0;
    for (std::size_t c = 0; c < 3; ++c)
        for (int y = area.y; y < area.bottom(); ++y) {
            const float* row = light.rowAt(c, y);
            for (int x = area.x; x < area.right(); ++x) sum += kWorkingY[c] * static_cast<double>(row[x]);
        }
    return std::max(0.0, sum / static_cast<double>(area.area()));
}

// Of the finished picture's lightness by light, for grey.
double slopeAt(const Finish& finish, double light) {
    const double step = std::max(1e-4, 0.05 * light), low = std::max(0.0, light - step), high = light + step;
    const auto finished = [&](double v) {
        float r = static_cast<float>(v), g = r, b = r;
        finish.apply(&r, &g, &b, 1);
        return static_cast<double>(g);
    };
    return (finished(high) - finished(low)) / (high - low);
}

} // namespace

Plane seenGain(const Photo& photo, const Look& look, const Rect& packedArea, const Work& work) {
    IRENIC_EXPECTS(!packedArea.empty());
    const int cell = photo.cell();
    const Rect area{cell * packedArea.x, cell * packedArea.y, cell * packedArea.width,
                    cell * packedArea.height};
    Look lifted = look;
    lifted.chromatic = lifted.distortion = lifted.fringes = false;
    lifted.softness = Softness::Off;
    lifted.demosaic = Demosaic::Quick;
    Look plain = lifted;
    plain.vignetting = false;
    plain.highlights = plain.shadows = plain.localContrast = 0;
    const auto light = [&](const Look& with) {
        return developRegion(recipeOf(photo, {"wavelet"}, with), area, kWorkingSpace, {work});
    };
    const Image before = light(plain), after = lifted == plain ? before.clone() : light(lifted);
    const Finish finish(photo, look, OutputSpace::Srgb);
    const NoiseLine noise = noiseLinesOf(photo)[1];
    const double green = balanceOf(neutralFor(photo, look))[1];
    Plane out(packedArea.width, packedArea.height);
    for (int y = 0; y < packedArea.height; y += kSquare)
        for (int x = 0; x < packedArea.width; x += kSquare) {
            const Rect square{x, y, std::min(kSquare, packedArea.width - x),
                              std::min(kSquare, packedArea.height - y)};
            const Rect pixels{area.x + cell * square.x, area.y + cell * square.y, cell * square.width,
                              cell * square.height};
            const double raw = brightnessOf(before, pixels), seen = brightnessOf(after, pixels);
            const double lift = raw > 1e-5 ? std::clamp(seen / raw, 1.0 / 64, 64.0) : 1;
            const double deviation =
                green * std::sqrt(std::max(0.0, noise.a * std::min(1.0, raw / green) + noise.b));
            const auto gain = static_cast<float>(slopeAt(finish, seen) * lift * deviation);
            for (int j = y; j < square.bottom(); ++j)
                std::fill(out.row(j) + x, out.row(j) + square.right(), gain);
        }
    return out;
}

double visibleNoise(const Photo& photo, const Look& look, const Work& work) {
    constexpr int kAcross = 6, kSide = 32; // places along each side; packed samples
    const int cell = photo.cell(), width = photo.width() / cell, height = photo.height() / cell;
    double sum = 0, count = 0;
    for (int j = 0; j < kAcross; ++j)
        for (int i = 0; i < kAcross; ++i) {
            work.check();
            const Rect place = Rect{(2 * i + 1) * width / (2 * kAcross) - kSide / 2,
                                    (2 * j + 1) * height / (2 * kAcross) - kSide / 2, kSide, kSide}
                                   .intersected({0, 0, width, height});
            if (place.empty()) continue;
            const Plane gain = seenGain(photo, look, place, {work.stop});
            for (int y = 0; y < place.height; ++y)
                for (int x = 0; x < place.width; ++x) {
                    const double v = static_cast<double>(gain.at(x, y));
                    sum += v * v, ++count;
                }
        }
    constexpr double kSteps = 255;
    return count > 0 ? kSteps * std::sqrt(sum / count) : 0;
}

} // namespace irenic
