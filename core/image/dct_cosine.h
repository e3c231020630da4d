// The cosines of the orthonormal discrete cosine transform, of which several stages make their tables.
#pragma once

#include <cmath>
#include <numbers>

namespace irenic {

// Of the DCT-II of `points` samples: frequency u, 0..points-1, at sample x. (N. Ahmed, T. Natarajan, K. Rao,
// "Discrete cosine transform", IEEE Trans. Computers C-23(1), 1974.)
inline float dctCosine(int points, int u, int x) {
    const double scale = std::sqrt((u == 0 ? 1.0 : 2.0) / points);
    return static_cast<float>(scale * std::cos(std::numbers::pi * (x + 0.5) * u / points));
}

} // namespace irenic
