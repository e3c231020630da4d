// What a file says of how it wants to be rendered, and what is made of it.
#pragma once

#include <string>

#include "raw/photo.h"

namespace irenic {

// Sentences for the user: which of BaselineExposure, ProfileToneCurve, ProfileHueSatMap, ProfileLookTable,
// ProfileGainTableMap and RGBTables (DNG 1.6, chapters 4 and 6) the file holds, and whether they are used.
// Empty where it holds none of them.
std::string fileRendering(const Photo& photo);

} // namespace irenic
