// Takes levelled to leave the same noise, so that only what became of detail differs between them.
#pragma once

#include "denoise/clean.h"

namespace irenic {

// The noise that is left in flat areas, over the noise that was there, in the stabilised domain.
struct NoiseLeft {
    double luminance = 0, colour = 0;
};

// Squares of 48 x 48 packed samples where the photo is flattest, neither black nor clipped; up to `most`.
// Deterministic. Throws Cancelled.
std::vector<Rect> flatAreas(const Photo& photo, int most = 3, const Work& work = {});

// Measured on those areas: what remains about a plane fitted to blocks of 16 x 16 samples, so that slow
// changes of the picture do not count. Grain that is given back does. Throws Cancelled.
NoiseLeft noiseLeftIn(const Photo& photo, const Settings& settings, const std::vector<Rect>& areas,
                      const Work& work = {});

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
