// Value noise, the stuff of all grain, grit and stains.
#pragma once

#include <cstdint>

#include "vec.h"

namespace irenic::scene {

// A number in 0..1 for a lattice place.
float hashed(int x, int y, int z, std::uint32_t seed);
// Smooth value noise, 0..1, and its sum over octaves.
float noise(Vec p, std::uint32_t seed);
float octaves(Vec p, int count, std::uint32_t seed);
// 0 below a, 1 above b, smooth in between; a may be the larger.
float smooth(float a, float b, float v);

} // namespace irenic::scene
