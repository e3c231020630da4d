// Numbers that look like chance and are always the same.
#pragma once

#include <cstddef>
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

// +1 or -1, the same for the same place whatever else happens.
inline float signAt(int x, int y, std::size_t plane) {
    constexpr std::uint64_t kApart = 0x9E3779B97F4A7C15ULL;
    const std::uint64_t place =
        static_cast<std::uint64_t>(static_cast<std::uint32_t>(x)) << 32 | static_cast<std::uint32_t>(y);
    return (mixed(place + kApart * plane) & 1) != 0 ? 1.0f : -1.0f;
}

} // namespace irenic
