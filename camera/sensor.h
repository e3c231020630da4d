// The simulated sensor: linear light to a noisy raw.
#pragma once

#include <array>
#include <string>

#include "image/plane.h"
#include "optics.h"
#include "raw/photo.h"

namespace irenic {

struct Body {
    std::string make = "Sluice", model = "One", lens = "Quay 35mm f/2";
    Mosaic mosaic;
    double black = 512, white = 15871; // DN
    double wellAtIso1600 = 3200;       // electrons at white
    Matrix3 colourMatrix = {0.7034, -0.2216, -0.0561, -0.4321, 1.2298,
                            0.2246, -0.0632, 0.1483,  0.6118}; // XYZ to camera, D65
    Matrix3 forwardMatrix() const;                             // white-balanced camera to XYZ D50
};

struct Shot {
    double iso = 1600, exposure = 1.0 / 60, aperture = 2, focal = 35;
    double stops = 0;                     // brightness against the scene's own
    double hotPixels = 0;                 // share of the pixels
    double deadPixels = 0;                // share of the pixels; they read black
    double rowLines = 0, columnLines = 0; // standard deviation of the read-out's line offsets, electrons
    Vector3 neutral{0.62, 1, 0.45};
    std::string taken = "2026:01:15 22:10:00";
    std::uint32_t seed = 1;
};

// Full well in electrons and read noise in electrons at an ISO (measures of the quality protocol).
double fullWell(const Body& body, double iso);
double readNoise(double iso);
// The noise the sensor has, in the normalised form.
NoiseModel trueNoise(const Body& body, double iso);

// Noiseless normalised mosaic of linear sRGB planes, clipped at 1, through a lens whose faults of colour are
// those of the camera's colours.
Plane exposeMosaic(const std::array<Plane, 3>& light, const Body& body, const Shot& shot,
                   const Optics& optics = {});

// A photo with Poisson-Gaussian noise, defects and read-out lines: what a raw reader would give, with `noise`
// the true one. The same seed gives the same samples.
Photo takePhoto(const Plane& truth, const Body& body, const Shot& shot);

} // namespace irenic
