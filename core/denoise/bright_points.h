// Points of light: stars, far lamps.
#pragma once

#include <optional>

#include "denoise/method.h"

namespace irenic {

inline constexpr int kPointReach = 3; // samples that are looked at around one

// The mean of the surround where sample (x, y) of the stabilised luminance is the summit of a point on an
// even surround, at least six deviations of the noise high, and `apart` times as high as the surround
// scatters; nothing elsewhere. `noisy` covers kPointReach around.
std::optional<float> pointSurround(const PlaneSet& noisy, int x, int y, float apart = 4);

} // namespace irenic
