// ICC profiles for exported files, made on the spot by Little CMS.
#pragma once

#include <cstdint>
#include <vector>

#include "develop/colour.h"

namespace irenic {

// A version 4 matrix profile of the space.
std::vector<std::uint8_t> iccProfile(OutputSpace space);

// "sRGB", "Adobe RGB compatible", "ProPhoto compatible", "linear Rec. 2020".
const char* nameOf(OutputSpace space);

} // namespace irenic
