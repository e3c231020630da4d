// A large area in a few blocks of like size.
#pragma once

#include <algorithm>

#include "base/work.h"
#include "image/rect.h"

namespace irenic {

// Calls body(block, its part of the work) for blocks that cover `area`, about `size` on a side and never more
// than half as much again, their edges on whole cells of a mosaic: memory stays bounded, no block is a sliver
// that costs more of margins than of itself.
template <class Body> void forEachBlock(const Rect& area, int size, const Work& work, const Body& body) {
    const auto parts = [size](int length) { return std::max(1, (length + size / 2) / size); };
    const int across = parts(area.width), down = parts(area.height), count = across * down;
    const auto edge = [](int from, int length, int i, int n) {
        return i == n ? from + length
                      : from + static_cast<int>(static_cast<long long>(length) * i / n) / 2 * 2;
    };
    for (int i = 0; i < count; ++i) {
        const int x0 = edge(area.x, area.width, i % across, across),
                  x1 = edge(area.x, area.width, i % across + 1, across);
        const int y0 = edge(area.y, area.height, i / across, down),
                  y1 = edge(area.y, area.height, i / across + 1, down);
        body(Rect{x0, y0, x1 - x0, y1 - y0}, work.part(static_cast<double>(i) / count, (i + 1.0) / count));
    }
}

} // namespace irenic
