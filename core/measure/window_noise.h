// Noise by windows of the whole mosaic: where nothing is flat, blocks of one colour hold texture, which the
// colours together tell from noise (noise/weakest.h).
#pragma once

#include <array>
#include <vector>

#include "base/work.h"
#include "noise/estimate.h"
#include "raw/photo.h"

namespace irenic {

struct WindowNoise {
    std::array<std::vector<NoisePoint>, 4> points; // of each channel, of some classes of brightness
    double least = 1, most = 1; // the noise of a class over what `model` tells, at the least and at the most
    double unlike = 1;          // WeakestVariance::next of the calmest windows; 1: they are flat
};

// Of a photo with a mosaic of 2x2; `model` is what is known so far, and stabilises the samples. No points
// where the photo is too small. Throws Cancelled.
WindowNoise windowNoiseOf(const Photo& photo, const NoiseModel& model, const Work& work = {});

} // namespace irenic
