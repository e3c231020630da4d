// How much of a photo's noise a take leaves: the one place where it is measured.
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

// The same on a grey field made up for it, with the photo's noise at a tenth of white, where the eye minds
// noise most: a pure function of noise model, mosaic and settings. Kept for what was asked before. Throws
// Cancelled.
NoiseLeft noiseLeftOnGrey(const Photo& photo, const Settings& settings, const Work& work = {});

} // namespace irenic
