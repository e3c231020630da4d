#include "noise/clipped.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr int kSteps = 32;
// Farther away than so many deviations no sample is clipped.
constexpr double kReach = 4;

// What clipping does to noise of deviation 1 whose mean is `room` away from where it clips.
struct Clipping {
    double moved;    // its mean, away from there
    double variance; // what is left of its variance
};
Clipping clippingAt(double room) {
    const double density = std::exp(-room * room / 2) / std::sqrt(2 * std::numbers::pi);
    const double beyond = 0.5 * std::erfc(room / std::numbers::sqrt2);
    const double moved = density - room * beyond;
    return {moved, 1 - beyond - room * density + room * room * beyond - moved * moved};
}

} // namespace

Moments beforeClipping(const Moments& clipped, double lowest) {
    IRENIC_EXPECTS(lowest <= 0);
    const double deviation = std::sqrt(std::max(0.0, clipped.variance)), above = clipped.mean - lowest;
    if (above > kReach * deviation) return clipped;
    // The mean's height over the deviation grows with the room that there was.
    double less = 0, more = kReach;
    for (int k = 0; k < 40; ++k) {
        const double room = 0.5 * (less + more);
        const Clipping c = clippingAt(room);
        (above * std::sqrt(c.variance) > (room + c.moved) * deviation ? less : more) = room;
    }
    const double room = 0.5 * (less + more), sigma = deviation / std::sqrt(clippingAt(room).variance);
    return {lowest + room * sigma, sigma * sigma};
}

ClippedMean::Table ClippedMean::tabulated(const NoiseLine& line, double end, double inside, double limit) {
    const double sign = end > inside ? -1 : 1;
    const auto meanOf = [&](double x) {
        const double sigma = std::max(1e-9, line.sigma(x));
        return x + sign * sigma * clippingAt(std::abs(end - x) / sigma).moved;
    };
    Table table;
    const double last = meanOf(limit);
    for (int i = 0; i <= kSteps; ++i) {
        const double mean = inside + (last - inside) * i / kSteps;
        double near = inside, far = limit;
        for (int k = 0; k < 30; ++k) {
            const double middle = 0.5 * (near + far);
            (sign * (meanOf(middle) - mean) > 0 ? near : far) = middle;
        }
        table.values.push_back(static_cast<float>(0.5 * (near + far)));
    }
    table.from = static_cast<float>(inside), table.to = static_cast<float>(last);
    if (sign > 0) std::swap(table.from, table.to), std::reverse(table.values.begin(), table.values.end());
    return table;
}

float ClippedMean::Table::at(float mean) const {
    const float place = (mean - from) / (to - from) * kSteps;
    const int i = std::clamp(static_cast<int>(place), 0, kSteps - 1);
    const auto k = static_cast<std::size_t>(i);
    // Straight on beyond the ends.
    return values[k] + (place - static_cast<float>(i)) * (values[k + 1] - values[k]);
}

ClippedMean::ClippedMean(const NoiseLine& line, double lowest) {
    // Where clipping begins: so many deviations, as they are there, from the end.
    double light = 1, dark = 0;
    for (int k = 0; k < 20; ++k) {
        light = std::max(0.5, 1 - kReach * line.sigma(light));
        dark = std::min(0.5, lowest + kReach * line.sigma(std::max(0.0, dark)));
    }
    light_ = tabulated(line, 1, light, 1);
    if (dark > 0) dark_ = tabulated(line, lowest, dark, 0);
}

} // namespace irenic
