// Raws that the camera has smoothed: noise goes from a sample to its neighbours of the same colour, and no
// method that takes noise for white tells it from the picture. The filter is small and shows in the spectrum
// of the noise. It is undone before cleaning, which makes the noise white again, and done again after it.
#pragma once

#include <cstdint>
#include <vector>

#include "base/work.h"
#include "noise/smoothing.h"
#include "raw/photo.h"

namespace irenic {

// Read from the high frequencies of the calmest blocks. None where the photo has no mosaic of 2x2, where it
// is too small to tell, or where what shows may as well be texture. Throws Cancelled.
Smoothing smoothingOf(const Photo& photo, const Work& work = {});

// The photo's samples as they were before the camera smoothed them; frame and levels are the same. Throws
// Cancelled.
std::vector<std::uint16_t> unsmoothedSamples(const Photo& photo, const Smoothing& smoothing,
                                             const Work& work = {});

} // namespace irenic
