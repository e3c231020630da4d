// What surfaces look like up close.
#pragma once

#include "geometry.h"

namespace irenic::views {

struct Surface {
    Vec colour;       // linear sRGB reflectance
    Vec normal;       // world, after bumps
    float gloss = 0;  // strength of the highlight
    float sharp = 20; // its exponent
    Vec glow;         // light of its own
};

Surface surfaceAt(const Hit& hit);

} // namespace irenic::views
