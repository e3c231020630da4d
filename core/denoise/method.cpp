#include "denoise/method.h"

#include <algorithm>

#include "base/expects.h"

namespace irenic {

PlaneSet mirroredOut(const PlaneSet& from, const Rect& area, const Work& work) {
    IRENIC_EXPECTS(area.contains(from.area) && from.area.contains(area.intersected(from.extent)));
    PlaneSet out(area);
    out.describeAs(from);
    const Rect& whole = from.extent;
    const auto across = [&](int x) { return whole.x + mirrored(x - whole.x, whole.width); };
    forEachBand(area.height, 32, work, [&](int first, int last) {
        for (int y = area.y + first; y < area.y + last; ++y)
            for (std::size_t p = 0; p < kPlanes; ++p) {
                const float* row = from.rowAt(p, whole.y + mirrored(y - whole.y, whole.height));
                float* to = out.rowAt(p, y);
                for (int x = area.x; x < from.area.x; ++x) to[x] = row[across(x)];
                std::copy(row + from.area.x, row + from.area.right(), to + from.area.x);
                for (int x = from.area.right(); x < area.right(); ++x) to[x] = row[across(x)];
            }
    });
    return out;
}

} // namespace irenic
