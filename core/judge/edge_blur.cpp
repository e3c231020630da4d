#include "judge/edge_blur.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "base/expects.h"
#include "denoise/noise_left.h"
#include "develop/render.h"
#include "develop/sharpen.h"

namespace irenic {

namespace {

constexpr int kSide = 192;  // of what is looked at around a probe
constexpr int kReach = 4;   // an edge has to rise without a turn over so many pixels either way
constexpr float kAgain = 1; // the second blur
constexpr std::size_t kFewestEdges = 40;

// As sharpening weighs colours.
Plane luminanceOf(const Image& rgb) {
    Plane out(rgb.area.width, rgb.area.height);
    out.fill(0);
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            for (std::size_t c = 0; c < 3; ++c) out.at(x, y) += kLightWeights[c] * rgb[c].at(x, y);
    return out;
}

Plane blurredAgain(const Plane& in) {
    constexpr int radius = 4;
    std::array<float, radius + 1> kernel{};
    float sum = 0;
    for (int i = 0; i <= radius; ++i) {
        kernel[static_cast<std::size_t>(i)] = std::exp(-static_cast<float>(i * i) / (2 * kAgain * kAgain));
        sum += (i == 0 ? 1 : 2) * kernel[static_cast<std::size_t>(i)];
    }
    const int w = in.width(), h = in.height();
    const auto pass = [&](const Plane& from, int dx, int dy) {
        Plane out(w, h);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                float v = 0;
                for (int i = -radius; i <= radius; ++i)
                    v += kernel[static_cast<std::size_t>(std::abs(i))] *
                         from.at(std::clamp(x + i * dx, 0, w - 1), std::clamp(y + i * dy, 0, h - 1));
                out.at(x, y) = v / sum;
            }
        return out;
    };
    return pass(pass(in, 1, 0), 0, 1);
}

// Edges across one axis of a place, each told by its blur.
void addEdges(const Plane& light, const Plane& again, const NoiseLine& noise, int dx, int dy,
              std::vector<double>& blurs) {
    constexpr float kClear = 8, kContrast = 0.1f; // deviations of the noise; of the brightness
    constexpr float kAslant = 0.5f;               // the slope along an edge over that across it
    const auto slope = [](const Plane& p, int x, int y, int ux, int uy) {
        return 0.5f * (p.at(x + ux, y + uy) - p.at(x - ux, y - uy));
    };
    for (int y = kReach + 1; y < light.height() - kReach - 1; ++y)
        for (int x = kReach + 1; x < light.width() - kReach - 1; ++x) {
            const float own = slope(light, x, y, dx, dy), size = std::abs(own);
            const float least =
                kClear * std::sqrt(std::max(0.0f, static_cast<float>(noise.a) * light.at(x, y) +
                                                      static_cast<float>(noise.b)));
            if (size < least || size < kContrast * light.at(x, y)) continue;
            if (size < std::abs(slope(light, x - dx, y - dy, dx, dy)) ||
                size <= std::abs(slope(light, x + dx, y + dy, dx, dy)))
                continue;
            if (std::abs(slope(light, x, y, dy, dx)) > kAslant * size) continue;
            // A step, not a line: what it rises to holds.
            const float sign = own > 0 ? 1.0f : -1.0f;
            bool rises = true;
            for (int i = -kReach; i < kReach && rises; ++i) {
                const float step =
                    sign * (light.at(x + (i + 1) * dx, y + (i + 1) * dy) - light.at(x + i * dx, y + i * dy));
                rises = step > -0.15f * size;
            }
            const float blurred = std::abs(slope(again, x, y, dx, dy));
            if (!rises || !(blurred > 0)) continue;
            const double ratio = static_cast<double>(size / blurred);
            if (ratio <= 1.02) continue; // too wide to tell
            // An edge that is aslant by an angle is as much wider across an axis; and a slope from two pixels
            // apart is itself a blur, of variance 1/3.
            const double along = static_cast<double>(slope(light, x, y, dy, dx)) / static_cast<double>(own),
                         across = 1 / (1 + along * along);
            const double variance = static_cast<double>(kAgain * kAgain) / (ratio * ratio - 1) - across / 3;
            blurs.push_back(std::sqrt(std::max(0.0, variance)));
        }
}

} // namespace

std::optional<double> edgeBlurOf(const Photo& photo, const Settings& settings,
                                 const std::vector<Probe>& probes, const Work& work) {
    std::vector<double> blurs;
    Settings plain = cleaningOf(settings);
    plain.zones.clear(), plain.grain = 0;
    const NoiseLine noise = luminanceNoise(photo, balanceOf(neutralFor(photo, {})),
                                           noiseLeftOnGrey(photo, plain, {work.stop}).luminance);
    std::vector<Rect> seen;
    for (const Probe& probe : probes) {
        work.check();
        const Rect area =
            Rect{probe.x - kSide / 2, probe.y - kSide / 2, kSide, kSide}.intersected(photo.crop);
        const bool twice = std::any_of(seen.begin(), seen.end(),
                                       [&](const Rect& r) { return !r.intersected(area).empty(); });
        if (twice || area.width < 4 * kReach || area.height < 4 * kReach) continue;
        seen.push_back(area);
        const Plane light = luminanceOf(developBalanced(recipeOf(photo, plain), area, {Work{work.stop}}));
        const Plane again = blurredAgain(light);
        addEdges(light, again, noise, 1, 0, blurs);
        addEdges(light, again, noise, 0, 1, blurs);
    }
    if (blurs.size() < kFewestEdges) return std::nullopt;
    const auto quarter = blurs.begin() + static_cast<std::ptrdiff_t>(blurs.size() / 4);
    std::nth_element(blurs.begin(), quarter, blurs.end());
    return *quarter;
}

Softness sharpeningFor(double blur) {
    IRENIC_EXPECTS(blur >= 0);
    // Half way between one grade and the next; the finest is worth it from where a lens is no longer as sharp
    // as its pixels.
    constexpr double kWorth = 0.42;
    if (blur < kWorth) return Softness::Off;
    Softness best = Softness::Fine;
    for (const Softness s : {Softness::Medium, Softness::Wide, Softness::Widest})
        if (std::abs(static_cast<double>(blurOf(s)) - blur) <
            std::abs(static_cast<double>(blurOf(best)) - blur))
            best = s;
    return best;
}

} // namespace irenic
