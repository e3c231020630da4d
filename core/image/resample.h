// Samples between samples, and fewer samples.
#pragma once

#include <array>
#include <cmath>

#include "image/plane.h"

namespace irenic {

// C. E. Duchon, "Lanczos filtering in one and two dimensions", J. Appl. Meteorology 18, 1979: the weights of
// six taps, the third of which lies `fraction` (0..1) before the place.
const std::array<float, 6>& lanczos(float fraction);

// `at` gives the sample a whole number of samples away; between them it is Lanczos of three lobes.
template <class At> float lanczos3(float dx, float dy, const At& at) {
    const float fx = std::floor(dx), fy = std::floor(dy);
    const auto &wx = lanczos(dx - fx), &wy = lanczos(dy - fy);
    const int ix = static_cast<int>(fx), iy = static_cast<int>(fy);
    float sum = 0;
    for (int j = 0; j < 6; ++j) {
        float line = 0;
        for (int i = 0; i < 6; ++i) line += wx[static_cast<std::size_t>(i)] * at(ix + i - 2, iy + j - 2);
        sum += wy[static_cast<std::size_t>(j)] * line;
    }
    return sum;
}

// Exact area averages: each of the width x height samples covers a rectangle of `in`, the border ones in
// part.
Plane areaAverage(const Plane& in, int width, int height);

} // namespace irenic
