// Full colour from a mosaic of 6x6 cells.
//
// Green is interpolated along the row and along the column from the nearest greens, the calmer way weighing
// more; red and blue follow from their differences to green, averaged over the surround with weights that
// fall with distance and with the difference of green. Noise goes along, spread over neighbours: what is made
// here is measured and cleaned as light whose noise is correlated.
#pragma once

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// `photo` holds one sample for each pixel; afterwards it has three, the mosaic's own among them unchanged,
// and keeps the mosaic. A black level that repeats is made even: the mosaic keeps its own.
void spreadColours(Photo& photo, XTransMosaic xtrans, const Work& work);

// The mosaic's samples of a photo with full colour, at the levels of the mosaic; outside the active area what
// the mosaic has.
std::vector<std::uint16_t> ownSamples(const Photo& photo);

} // namespace irenic
