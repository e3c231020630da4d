// Takes levelled to leave the same noise, so that only what became of detail differs between them.
#pragma once

#include "denoise/noise_left.h"

namespace irenic {

enum class NoiseKind { Luminance, Colour };

// The settings with the strength of that kind changed so that as much noise is left as `target` says, within
// 3 %; as near as strengths from 0 to 3 come otherwise, and `reached` says so. The colour strength moves
// with the coarse one. Throws Cancelled.
struct Levelled {
    Settings settings;
    double left = 0;
    bool reached = false;
};
Levelled levelled(const Photo& photo, const Settings& settings, NoiseKind kind, double target,
                  const std::vector<Rect>& areas, const Work& work = {});

} // namespace irenic
