#include "noise/smoothing.h"

#include "base/expects.h"

namespace irenic {

Plane smoothedMosaic(const Plane& mosaic, const Rect& has, const Rect& area, int width, int height,
                     const Smoothing& smoothing) {
    IRENIC_EXPECTS(has.contains(area) &&
                   has.contains(area.inflated(kSmoothingReach).intersected({0, 0, width, height})));
    // The mirror stands on the edge between samples of one colour: the outermost is its own neighbour.
    const auto before = [](int at) { return at < 2 ? at : at - 2; };
    const auto after = [](int at, int size) { return at + 2 >= size ? at : at + 2; };
    const auto kept = static_cast<float>(smoothing.kept()), beside = static_cast<float>(smoothing.beside),
               diagonal = static_cast<float>(smoothing.diagonal);
    Plane out(area.width, area.height);
    for (int y = area.y; y < area.bottom(); ++y) {
        const float *own = mosaic.row(y - has.y) - has.x, *above = mosaic.row(before(y) - has.y) - has.x,
                    *below = mosaic.row(after(y, height) - has.y) - has.x;
        float* to = out.row(y - area.y) - area.x;
        for (int x = area.x; x < area.right(); ++x) {
            const int l = before(x), r = after(x, width);
            to[x] = kept * own[x] + beside * (own[l] + own[r] + above[x] + below[x]) +
                    diagonal * (above[l] + above[r] + below[l] + below[r]);
        }
    }
    return out;
}

} // namespace irenic
