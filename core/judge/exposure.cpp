#include "judge/exposure.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "base/quantile.h"

namespace irenic {

double unusedStops(const Photo& photo) {
    if (photo.developed) return 0;
    constexpr double kClipped = 1.0 / 500, kDarkest = 1.0 / 4096;
    constexpr int kMostAcross = 500;
    // Odd steps meet all places of the mosaic.
    const int step = std::max(1, std::max(photo.width(), photo.height()) / kMostAcross) | 1;
    std::vector<double> values;
    for (int y = 0; y < photo.height(); y += step)
        for (int x = 0; x < photo.width(); x += step)
            for (int c = 0; c < photo.channels; ++c)
                values.push_back(static_cast<double>(photo.normalised(x, y, c)));
    if (values.empty()) return 0;
    const double brightest = quantile(std::move(values), 1 - kClipped);
    return std::max(0.0, -std::log2(std::clamp(brightest, kDarkest, 1.0)));
}

} // namespace irenic
