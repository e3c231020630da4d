#include "image/missing.h"

#include "base/expects.h"

#include <algorithm>

namespace irenic {

namespace {

// The depth of a strip.
constexpr int kDeep = 96;
// The longest side of a block: smaller ones would cost too much of margins.
constexpr int kBlock = 2048;

// Rectangles that cover the marked squares of a grid, in squares.
std::vector<Rect> covering(std::vector<bool> marked, int across, int down) {
    const auto at = [across](int x, int y) { return static_cast<std::size_t>(y * across + x); };
    std::vector<Rect> out;
    for (int y = 0; y < down; ++y)
        for (int x = 0; x < across; ++x) {
            if (!marked[at(x, y)]) continue;
            Rect r{x, y, 1, 1};
            while (r.right() < across && marked[at(r.right(), y)]) ++r.width;
            const auto rowIsMarked = [&](int row) {
                for (int i = r.x; i < r.right(); ++i)
                    if (!marked[at(i, row)]) return false;
                return true;
            };
            while (r.bottom() < down && rowIsMarked(r.bottom())) ++r.height;
            for (int j = r.y; j < r.bottom(); ++j)
                for (int i = r.x; i < r.right(); ++i) marked[at(i, j)] = false;
            out.push_back(r);
        }
    return out;
}

void join(std::vector<Rect>& rects, int margin) {
    const auto cost = [margin](const Rect& r) { return r.inflated(margin).area(); };
    for (bool joined = true; joined;) {
        joined = false;
        for (std::size_t i = 0; i < rects.size() && !joined; ++i)
            for (std::size_t j = i + 1; j < rects.size() && !joined; ++j) {
                const Rect both = boundsOf(rects[i], rects[j]);
                if (cost(both) > cost(rects[i]) + cost(rects[j])) continue;
                rects[i] = both;
                rects.erase(rects.begin() + static_cast<std::ptrdiff_t>(j));
                joined = true;
            }
    }
}

Rect deepened(Rect r, const Rect& area, const Rect& whole) {
    if (const int lack = kDeep - r.width; lack > 0 && r.width < area.width) {
        if (r.x == area.x)
            r.x -= lack, r.width += lack;
        else if (r.right() == area.right())
            r.width += lack;
    }
    if (const int lack = kDeep - r.height; lack > 0 && r.height < area.height) {
        if (r.y == area.y)
            r.y -= lack, r.height += lack;
        else if (r.bottom() == area.bottom())
            r.height += lack;
    }
    return r.intersected(whole);
}

std::vector<Rect> inBlocks(const std::vector<Rect>& rects) {
    std::vector<Rect> out;
    for (const Rect& r : rects)
        for (int y = r.y; y < r.bottom(); y += kBlock)
            for (int x = r.x; x < r.right(); x += kBlock)
                out.push_back(Rect{x, y, kBlock, kBlock}.intersected(r));
    return out;
}

} // namespace

std::vector<Rect> missingRects(std::vector<bool> lacking, const Squares& grid, const Rect& whole,
                               int margin) {
    IRENIC_EXPECTS(lacking.size() == grid.count() && margin >= 0);
    std::vector<Rect> rects = covering(std::move(lacking), grid.across, grid.down);
    for (Rect& r : rects)
        r = {grid.area.x + r.x * kSquareSide, grid.area.y + r.y * kSquareSide, r.width * kSquareSide,
             r.height * kSquareSide};
    join(rects, margin);
    for (Rect& r : rects) r = deepened(r, grid.area, whole);
    return inBlocks(rects);
}

} // namespace irenic
