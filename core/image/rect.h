// Rectangles of pixels, half-open: a rectangle holds x .. x+width-1 and y .. y+height-1.
#pragma once

#include <algorithm>

namespace irenic {

struct Rect {
    int x = 0, y = 0, width = 0, height = 0;

    int right() const { return x + width; }
    int bottom() const { return y + height; }
    bool empty() const { return width <= 0 || height <= 0; }
    long long area() const { return empty() ? 0 : static_cast<long long>(width) * height; }
    bool contains(const Rect& r) const {
        const auto end = [](int from, int length) { return static_cast<long long>(from) + length; };
        return r.x >= x && r.y >= y && end(r.x, r.width) <= end(x, width) &&
               end(r.y, r.height) <= end(y, height);
    }
    // Grown by `by` pixels on every side; negative shrinks.
    Rect inflated(int by) const { return {x - by, y - by, width + 2 * by, height + 2 * by}; }
    Rect translated(int dx, int dy) const { return {x + dx, y + dy, width, height}; }
    // The part that both hold; empty (0 wide or high) when they do not meet.
    Rect intersected(const Rect& r) const {
        const int l = std::max(x, r.x), t = std::max(y, r.y);
        return {l, t, std::max(0, std::min(right(), r.right()) - l),
                std::max(0, std::min(bottom(), r.bottom()) - t)};
    }
    // The smallest rectangle around this one whose edges are multiples of `step`.
    Rect aligned(int step) const {
        const auto down = [step](int v) {
            return v >= 0 ? v / step * step : -((-v + step - 1) / step) * step;
        };
        const int l = down(x), t = down(y);
        return {l, t, down(right() + step - 1) - l, down(bottom() + step - 1) - t};
    }
    friend bool operator==(const Rect&, const Rect&) = default;
};

// The smallest rectangle around both.
inline Rect boundsOf(const Rect& a, const Rect& b) {
    const int x = std::min(a.x, b.x), y = std::min(a.y, b.y);
    return {x, y, std::max(a.right(), b.right()) - x, std::max(a.bottom(), b.bottom()) - y};
}

// The index that half-sample symmetric mirroring maps `i` to, in 0..size-1 (size >= 1).
inline int mirrored(int i, int size) {
    if (size == 1) return 0;
    const int period = 2 * size;
    i %= period;
    if (i < 0) i += period;
    return i < size ? i : period - 1 - i;
}

} // namespace irenic
