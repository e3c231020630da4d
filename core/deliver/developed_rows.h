// The finished picture row by row, at the size and in the colours of a delivery.
#pragma once

#include <functional>
#include <vector>

#include "deliver/delivery.h"
#include "raw/photo.h"

namespace irenic {

struct PictureSize {
    int width = 0, height = 0;
};
// Of the picture that is written: outputFrame(), reduced.
PictureSize sizeOf(const Export& what);

// Calls put(y, row) for every row in order: encoded values 0..1, red, green, blue, pixel after pixel.
// Develops in strips; reduces in linear light by a Lanczos filter of three lobes that is as wide as the
// reduction. Reports up to 0.95. Throws std::runtime_error (a profile that cannot be used),
// std::invalid_argument and Cancelled.
void developRows(const Export& what, const Work& work, const std::function<void(int, const float*)>& put);
// Encoded values of row `y` as samples of 8 or 16 bits in the machine's byte order, or of 32 bits as they
// are. Eight bits are dithered: a clean sky has less noise than one of their steps, and would show them as
// bands. What lies on a step stays there.
void quantise(const float* values, std::size_t count, int bits, int y, std::uint8_t* to);
// The ICC profile that the rows are in. Throws std::runtime_error where a file that was named cannot be used.
std::vector<std::uint8_t> profileOf(const Export& what);

} // namespace irenic
