// How much of the sensor's range a photo has used.
#pragma once

#include "raw/photo.h"

namespace irenic {

// Stops by which a longer exposure could have been lighter before more than one sample in five hundred of any
// colour had been clipped; 0 for a developed picture. Some samples are enough to tell.
double unusedStops(const Photo& photo);

} // namespace irenic
