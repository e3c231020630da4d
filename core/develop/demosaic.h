// Full colour from a mosaic.
//
// I. Pekkucuksen, Y. Altunbasak, "Gradient based threshold free color filter array interpolation", ICIP 2010: green is
// interpolated along rows and along columns (J. F. Hamilton, J. E. Adams, 1997); the colour differences of both are
// averaged with weights that fall with the fourth power of their own gradients on the four sides; red and
// blue follow from the smoothed colour differences.
#pragma once

#include <array>

#include "image/plane.h"
#include "image/work.h"
#include "raw/photo.h"

namespace irenic {

// Samples needed around an area.
inline constexpr int kDemosaicMargin = 10;

// `mosaic` holds the samples of `covered` (coordinates of the active area; white-balanced, so that a neutral
// has equal channels); returns R, G, B of `area`, which `covered` contains with kDemosaicMargin to spare.
std::array<Plane, 3> demosaic(const Plane& mosaic, const Rect& covered, const Mosaic& pattern, const Rect& area,
                              const Work& work);

} // namespace irenic
