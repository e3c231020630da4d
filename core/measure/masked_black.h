// Black as the sensor's own covered border shows it.
#pragma once

#include "raw/photo.h"

namespace irenic {

// Corrects the level of each of the four samples of a cell by the mean of those in the frame's masked areas
// (DNG 1.6, MaskedAreas), where that is clear of chance: a level that is off by a unit in one channel tints
// the shadows. Chance is told by how much the means of rows scatter. What is off by more than a hundredth of
// the range is no black. Nothing is done without masked areas or a mosaic of 2x2, nor to levels that repeat
// otherwise than with the mosaic.
void correctBlack(Photo& photo);

} // namespace irenic
