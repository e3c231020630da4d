// Finished pixels for a screen.
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace irenic {

// 16-bit sRGB, rows without gaps: width * height * 3 samples. Screens show eight or ten bits of them.
struct Picture {
    int width = 0, height = 0;
    std::vector<std::uint16_t> rgb;

    Picture() = default;
    Picture(int w, int h)
        : width(w), height(h), rgb(static_cast<std::size_t>(w) * static_cast<std::size_t>(h) * 3) {}
    std::uint16_t* row(int y) { return rgb.data() + static_cast<std::ptrdiff_t>(y) * width * 3; }
    const std::uint16_t* row(int y) const { return rgb.data() + static_cast<std::ptrdiff_t>(y) * width * 3; }
};

// A sample of a picture: `v` is 0 to 1.
inline std::uint16_t pictureSample(float v) { return static_cast<std::uint16_t>(v * 65535 + 0.5f); }

// A sample rounded to eight bits: what rounding the light itself gives, since 255 divides 65535 by an odd
// number.
inline std::uint8_t inEightBits(std::uint16_t sample) {
    return static_cast<std::uint8_t>((sample + 128) / 257);
}

// All samples in eight bits.
std::vector<std::uint8_t> inEightBits(const Picture& picture);

// Each pixel a square of `scale` (>= 1).
Picture magnified(Picture picture, int scale);

} // namespace irenic
