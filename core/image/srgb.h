// The transfer curve of sRGB (IEC 61966-2-1) and its inverse. Both go on as they are below 0 and above 1.
#pragma once

#include <cmath>

namespace irenic {

inline float srgbEncoded(float light) {
    return light <= 0.0031308f ? 12.92f * light : 1.055f * std::pow(light, 1 / 2.4f) - 0.055f;
}
inline float srgbDecoded(float value) {
    return value <= 0.04045f ? value / 12.92f : std::pow((value + 0.055f) / 1.055f, 2.4f);
}

} // namespace irenic
