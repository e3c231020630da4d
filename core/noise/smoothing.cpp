#include "noise/smoothing.h"

#include <algorithm>

#include "base/expects.h"

namespace irenic {

void smoothRow(const float* above, const float* own, const float* below, float* to, int first, int last,
               int width, int step, const Smoothing& smoothing) {
    const auto kept = static_cast<float>(smoothing.kept()), beside = static_cast<float>(smoothing.beside),
               diagonal = static_cast<float>(smoothing.diagonal);
    const auto set = [&](int left, int x, int right) {
        to[x] = kept * own[x] + beside * ((own[left] + own[right]) + (above[x] + below[x])) +
                diagonal * ((above[left] + above[right]) + (below[left] + below[right]));
    };
    const auto edge = [&](int x) { set(x < step ? x : x - step, x, x + step < width ? x + step : x); };
    const int innerFirst = std::min(last, std::max(first, step)),
              innerLast = std::max(innerFirst, std::min(last, width - step));
    for (int x = first; x < innerFirst; ++x) edge(x);
    for (int x = innerFirst; x < innerLast; ++x) set(x - step, x, x + step);
    for (int x = innerLast; x < last; ++x) edge(x);
}

Plane smoothedMosaic(const Plane& mosaic, const Rect& has, const Rect& area, int width, int height,
                     const Smoothing& smoothing) {
    IRENIC_EXPECTS(has.contains(area) &&
                   has.contains(area.inflated(kSmoothingReach).intersected({0, 0, width, height})));
    Plane out(area.width, area.height);
    const auto row = [&](int y) { return mosaic.row(y - has.y) - has.x; };
    for (int y = area.y; y < area.bottom(); ++y)
        smoothRow(row(y < 2 ? y : y - 2), row(y), row(y + 2 < height ? y + 2 : y),
                  out.row(y - area.y) - area.x, area.x, area.right(), width, 2, smoothing);
    return out;
}

} // namespace irenic
