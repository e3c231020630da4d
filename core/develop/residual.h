// The fine grade of demosaic.h: minimised-Laplacian residual interpolation.
#pragma once

#include "develop/demosaic.h"

namespace irenic {

std::array<Plane, 3> demosaicFine(const Plane& mosaic, const Rect& covered, const Mosaic& pattern,
                                  const Rect& area, const Work& work);

} // namespace irenic
