// A smooth way from 0 to 1.
#pragma once

#include <algorithm>

namespace irenic {

// 0 up to t = 0, 1 from t = 1 on, level at both ends.
inline float smoothstep(float t) {
    t = std::clamp(t, 0.0f, 1.0f);
    return t * t * (3 - 2 * t);
}

} // namespace irenic
