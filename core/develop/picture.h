// Finished pixels for a screen.
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace irenic {

// 8-bit sRGB, rows without gaps: width * height * 3 bytes.
struct Picture {
    int width = 0, height = 0;
    std::vector<std::uint8_t> rgb;

    Picture() = default;
    Picture(int w, int h)
        : width(w), height(h), rgb(static_cast<std::size_t>(w) * static_cast<std::size_t>(h) * 3) {}
    std::uint8_t* row(int y) { return rgb.data() + static_cast<std::ptrdiff_t>(y) * width * 3; }
    const std::uint8_t* row(int y) const { return rgb.data() + static_cast<std::ptrdiff_t>(y) * width * 3; }
};

// Each pixel a square of `scale` (>= 1).
Picture magnified(Picture picture, int scale);

} // namespace irenic
