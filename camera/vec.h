// Places, directions and light as three numbers.
#pragma once

#include <cmath>

namespace irenic::scene {

struct Vec {
    float x = 0, y = 0, z = 0;
    friend Vec operator+(Vec a, Vec b) { return {a.x + b.x, a.y + b.y, a.z + b.z}; }
    friend Vec operator-(Vec a, Vec b) { return {a.x - b.x, a.y - b.y, a.z - b.z}; }
    friend Vec operator*(Vec a, float s) { return {a.x * s, a.y * s, a.z * s}; }
    friend Vec operator*(Vec a, Vec b) { return {a.x * b.x, a.y * b.y, a.z * b.z}; }
};
inline float dot(Vec a, Vec b) { return a.x * b.x + a.y * b.y + a.z * b.z; }
inline Vec cross(Vec a, Vec b) {
    return {a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x};
}
inline float length(Vec a) { return std::sqrt(dot(a, a)); }
inline Vec normalised(Vec a) { return a * (1.0f / length(a)); }
inline Vec mix(Vec a, Vec b, float t) { return a + (b - a) * t; }
inline float largest(Vec a) { return std::fmax(a.x, std::fmax(a.y, a.z)); }

} // namespace irenic::scene
