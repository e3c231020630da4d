// Lights: their colour as a chromaticity, and as photographers set it.
#pragma once

#include <array>

namespace irenic {

// Correlated colour temperature in kelvin of a CIE 1931 chromaticity, 1667 (and below) to 1e6 (A. R.
// Robertson, "Computation of correlated color temperature and distribution temperature", J. Opt. Soc. Am.
// 58(11), 1968).
double temperatureOf(double x, double y);

// CIE 1960 (u, v) of a light `tint` thousandths off the black body's line (above 0 greener), at the
// temperature of `mired` (1e6 / kelvin), along Robertson's isotemperature lines.
std::array<double, 2> lightUv(double mired, double tint);

// The temperature, in kelvin, of an Exif LightSource code (Exif 2.3, page 53); 6500 for one it does not know.
double temperatureOfLightSource(int code);

} // namespace irenic
