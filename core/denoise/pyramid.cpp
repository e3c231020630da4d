#include "denoise/pyramid.h"

#include <vector>

#include "base/expects.h"

namespace irenic {

PlaneSet halved(const PlaneSet& in, const Work& work) {
    const int x0 = halfOf(in.area.x + 1), y0 = halfOf(in.area.y + 1);
    PlaneSet out(Rect{x0, y0, halfOf(in.area.right()) - x0, halfOf(in.area.bottom()) - y0});
    out.describeAs(in);
    forEachBand(out.area.height, 16, work, [&](int first, int last) {
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = out.area.y + first; y < out.area.y + last; ++y) {
                const float *a = in.rowAt(p, 2 * y) + 2 * x0, *b = in.rowAt(p, 2 * y + 1) + 2 * x0;
                float* to = out.plane[p].row(y - out.area.y);
                for (int x = 0; x < out.area.width; ++x)
                    to[x] = 0.25f * ((a[2 * x] + a[2 * x + 1]) + (b[2 * x] + b[2 * x + 1]));
            }
    });
    return out;
}

void addDoubled(const Plane& coarse, const Rect& coarseRect, Plane& fine, const Rect& fineRect,
                const Rect& area, const Work& work) {
    IRENIC_EXPECTS(coarseRect.contains(cellsReadBy(area)) && fineRect.contains(area));
    forEachBand(area.height, 16, work, [&](int first, int last) {
        std::vector<float> row(static_cast<std::size_t>(coarseRect.width));
        for (int y = area.y + first; y < area.y + last; ++y) {
            const int own = halfOf(y), other = (y & 1) != 0 ? own + 1 : own - 1;
            const float *near = coarse.row(own - coarseRect.y), *far = coarse.row(other - coarseRect.y);
            for (int x = 0; x < coarseRect.width; ++x)
                row[static_cast<std::size_t>(x)] = 0.75f * near[x] + 0.25f * far[x];
            const float* cells = row.data() - coarseRect.x;
            float* to = fine.row(y - fineRect.y) - fineRect.x;
            const auto one = [&](int x) {
                const int c = halfOf(x);
                to[x] += 0.75f * cells[c] + 0.25f * cells[(x & 1) != 0 ? c + 1 : c - 1];
            };
            // Whole cells in pairs of samples, and what is cut at either end.
            const int begin = halfOf(area.x + 1), end = halfOf(area.right());
            if ((area.x & 1) != 0) one(area.x);
            for (int c = begin; c < end; ++c) {
                const float middle = 0.75f * cells[c];
                to[2 * c] += middle + 0.25f * cells[c - 1];
                to[2 * c + 1] += middle + 0.25f * cells[c + 1];
            }
            if ((area.right() & 1) != 0 && area.right() > area.x) one(area.right() - 1);
        }
    });
}

Plane doubled(const Plane& coarse, const Rect& coarseRect, const Rect& area, const Work& work) {
    Plane out(area.width, area.height);
    out.fill(0);
    addDoubled(coarse, coarseRect, out, area, area, work);
    return out;
}

} // namespace irenic
