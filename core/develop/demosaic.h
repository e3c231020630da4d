// Full colour from a mosaic, in two grades.
//
// Quick: I. Pekkucuksen, Y. Altunbasak, "Gradient based threshold free color filter array interpolation",
// ICIP 2010: green is interpolated along rows and along columns (J. F. Hamilton, J. E. Adams, 1997); the
// colour differences of both are averaged with weights that fall with the fourth power of their own gradients
// on the four sides; red and blue follow from the smoothed colour differences.
//
// Fine: D. Kiku, Y. Monno, M. Tanaka, M. Okutomi, "Minimized-Laplacian residual interpolation for color image
// demosaicking", SPIE 9023, 2014: one colour is predicted from the other by a straight line fitted to their
// Laplacians in a window (lines of better fit count more), and only what the line leaves is interpolated;
// first along rows and columns for green, then for red and blue from green.
#pragma once

#include <array>

#include "base/work.h"
#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

enum class Demosaic { Quick, Fine };

// Samples needed around an area.
constexpr int demosaicMargin(Demosaic grade) { return grade == Demosaic::Quick ? 10 : 30; }

// `mosaic` holds the samples of `covered` (coordinates of the active area; white-balanced, so that a neutral
// has equal channels); returns R, G, B of `area`, which `covered` contains with the margin to spare.
std::array<Plane, 3> demosaic(const Plane& mosaic, const Rect& covered, const Mosaic& pattern,
                              const Rect& area, Demosaic grade, const Work& work);

} // namespace irenic
