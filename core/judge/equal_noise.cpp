#include "judge/equal_noise.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr double kWithin = 0.03;

} // namespace

Levelled levelled(const Photo& photo, const Settings& settings, NoiseKind kind, double target,
                  const std::vector<Rect>& areas, const Work& work) {
    IRENIC_EXPECTS(target >= 0 && !areas.empty());
    const float ratio = settings.colour > 0 ? settings.coarse / settings.colour : 1;
    const auto with = [&](float strength) {
        Settings s = settings;
        if (kind == NoiseKind::Luminance)
            s.luminance = strength;
        else
            s.colour = strength, s.coarse = std::min(3.0f, ratio * strength);
        return s;
    };
    Levelled best;
    double error = 1e9;
    float low = 0, high = 3;
    constexpr int turns = 14;
    for (int i = 0; i < turns && error > kWithin / 2; ++i) {
        // The ends first: more cannot be done than they do.
        const float strength = i == 0 ? high : i == 1 ? low : (low + high) / 2;
        const Settings s = with(strength);
        const NoiseLeft left = noiseLeftIn(photo, s, areas, {work.stop, nullptr});
        work.report((i + 1.0) / turns);
        const double now = kind == NoiseKind::Luminance ? left.luminance : left.colour;
        const double off = std::abs(now / std::max(target, 1e-6) - 1);
        if (off < error) error = off, best = {s, now, off <= kWithin};
        if (i == 0 && now >= target) break;
        if (i == 1 && now <= target) break;
        if (i > 1) (now > target ? low : high) = strength;
    }
    work.report(1);
    return best;
}

} // namespace irenic
