// Measures a photo's noise from its own pixels (noise/estimate.h says how).
#pragma once

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// All four channels of the active area, where Photo::unevenness (which is taken for right) is 1. Never looks
// at the file's NoiseProfile. `doubt`, if given, becomes how much less the noise may be, as a share of its
// deviation: 0 where flat places were found, more where nothing is flat and texture cannot be told from
// noise. Throws Cancelled.
NoiseModel measureNoise(const Photo& photo, const Work& work = {}, double* doubt = nullptr);

// The same for a photo without a mosaic, whose noise goes from pixel to pixel: interpolated, smoothed,
// compressed. Blocks' high frequencies alone would tell too little of it, so the lines are those of the
// pixels, of 2x2 and of 4x4 means, put together by the share of the spectrum that each sees (below 640x480
// pixels noise is taken for white). `coarse` becomes the noise of 4x4 means over that of white noise of the
// same strength.
NoiseModel measureCorrelatedNoise(const Photo& photo, double& coarse, const Work& work = {});

} // namespace irenic
