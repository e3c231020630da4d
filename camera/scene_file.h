// Noiseless pictures of the mill in small files: JPEG XL (ISO/IEC 18181) over a logarithm of the light.
#pragma once

#include <array>
#include <cstdint>
#include <span>
#include <vector>

#include "image/plane.h"

namespace irenic {

// Linear sRGB planes of one size, 0 to 16; above is clipped. `distance` is libjxl's: 1 is an error that just
// cannot be seen. Throws std::runtime_error.
std::vector<std::uint8_t> packScene(const std::array<Plane, 3>& light, float distance);
std::array<Plane, 3> unpackScene(std::span<const std::uint8_t> file);

} // namespace irenic
