#include "image/box_mean.h"

#include <algorithm>
#include <vector>

#include "base/expects.h"

namespace irenic {

Plane boxMean(const Plane& in, int r) {
    IRENIC_EXPECTS(r >= 0);
    const int w = in.width(), h = in.height();
    // Sums of all that is above and to the left.
    std::vector<double> sums(static_cast<std::size_t>(w + 1) * static_cast<std::size_t>(h + 1), 0);
    const auto at = [&](int x, int y) -> double& {
        return sums[static_cast<std::size_t>(y) * static_cast<std::size_t>(w + 1) +
                    static_cast<std::size_t>(x)];
    };
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            at(x + 1, y + 1) = static_cast<double>(in.at(x, y)) + at(x, y + 1) + at(x + 1, y) - at(x, y);
    Plane out(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const int l = std::max(0, x - r), t = std::max(0, y - r), right = std::min(w, x + r + 1),
                      bottom = std::min(h, y + r + 1);
            out.at(x, y) = static_cast<float>((at(right, bottom) - at(l, bottom) - at(right, t) + at(l, t)) /
                                              ((right - l) * (bottom - t)));
        }
    return out;
}

} // namespace irenic
