#include "denoise/bright_points.h"

#include "base/expects.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

namespace irenic {

std::optional<float> pointSurround(const PlaneSet& noisy, int x, int y, float apart) {
    IRENIC_EXPECTS(noisy.area.contains(Rect{x, y, 1, 1}.inflated(kPointReach)));
    constexpr float kLeast = 6, kEven = 2; // deviations of the noise: of the point; of its surround
    const float own = noisy.rowAt(0, y)[x];
    float ring = 0, squares = 0;
    int count = 0;
    for (int j = -kPointReach; j <= kPointReach; ++j)
        for (int i = -kPointReach; i <= kPointReach; ++i) {
            const float v = noisy.rowAt(0, y + j)[x + i];
            if (std::max(std::abs(i), std::abs(j)) < 2) {
                if ((i != 0 || j != 0) && v >= own) return std::nullopt;
                continue;
            }
            ring += v, squares += v * v, ++count;
        }
    const auto n = static_cast<float>(count);
    ring /= n;
    const float deviation = std::sqrt(std::max(0.0f, squares / n - ring * ring));
    if (own - ring < kLeast || deviation > kEven || own - ring < apart * deviation) return std::nullopt;
    return ring;
}

} // namespace irenic
