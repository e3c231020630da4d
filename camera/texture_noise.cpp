#include "texture_noise.h"
#include <algorithm>
namespace irenic::scene {
float hashed(int x, int y, int z, std::uint32_t seed) {
    std::uint32_t h = static_cast<std::uint32_t>(x) * 0x8da6b343U ^
                      static_cast<std::uint32_t>(y) * 0xd8163841U ^
                      static_cast<std::uint32_t>(z) * 0xcb1ab31fU ^ seed * 0x9e3779b9U;
    h ^= h >> 15, h *= 0x2c1b3c6dU, h ^= h >> 12, h *= 0x297a2d39U, h ^= h >> 15;
    return static_cast<float>(h >> 8) * (1.0f / 16777216.0f);
}

float noise(Vec p, std::uint32_t seed) {
    // std::floor is a call on the oldest machines we build for; this is not.
    const auto down = [](float v) {
        const int i = static_cast<int>(v);
        return i - (v < static_cast<float>(i) ? 1 : 0);
    };
    const int x = down(p.x), y = down(p.y), z = down(p.z);
    float u = p.x - static_cast<float>(x), v = p.y - static_cast<float>(y), w = p.z - static_cast<float>(z);
    u = u * u * (3 - 2 * u), v = v * v * (3 - 2 * v), w = w * w * (3 - 2 * w);
    const auto between = [](float a, float b, float t) { return a + (b - a) * t; };
    const auto edge = [&](int j, int k) {
        return between(hashed(x, y + j, z + k, seed), hashed(x + 1, y + j, z + k, seed), u);
    };
    return between(between(edge(0, 0), edge(1, 0), v), between(edge(0, 1), edge(1, 1), v), w);
}

float octaves(Vec p, int count, std::uint32_t seed) {
    float sum = 0, size = 0.5f;
    for (int i = 0; i < count; ++i) {
        sum += size * noise(p, seed + static_cast<std::uint32_t>(i));
        p = p * 2.03f;
        size *= 0.5f;
    }
    return sum;
}

float smooth(float a, float b, float v) {
    const float t = std::clamp((v - a) / (b - a), 0.0f, 1.0f);
    return t * t * (3 - 2 * t);
}
} // namespace irenic::scene
