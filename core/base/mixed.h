// Numbers that look like chance and are always the same.
#pragma once

#include <cstdint>

namespace irenic {

// Every bit of the result depends on every bit of the seed (mixing of D. Steele, G. Lea, C. Flood, "Fast
// splittable pseudorandom number generators", OOPSLA 2014).
inline std::uint64_t mixed(std::uint64_t seed) {
    std::uint64_t z = seed + 0x9E3779B97F4A7C15ULL;
    z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9ULL;
    z = (z ^ (z >> 27)) * 0x94D049BB133111EBULL;
    return z ^ (z >> 31);
}

} // namespace irenic
