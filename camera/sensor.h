// The simulated sensor: linear light to a noisy raw.
#pragma once

#include <array>
#include <string>
#include <utility>
#include <vector>

#include "image/plane.h"
#include "optics.h"
#include "raw/photo.h"

namespace irenic {

struct Body {
    std::string make = "Sluice", model = "One", lens = "Quay 35mm f/2";
    Mosaic mosaic;
    double black = 512, white = 15871; // DN
    double wellAtIso1600 = 3200;       // electrons at white
    bool xTrans = false;               // a mosaic of 6x6 cells instead of `mosaic`
    // Electrons at some ISOs, in order; between them the read noise runs with the logarithm of the ISO.
    // Empty: that of the quality protocol.
    std::vector<std::pair<double, double>> readNoise;
    double responseSpread = 0;        // deviation of the pixels' sensitivity, as a share
    double crosstalk = 0;             // the share of a pixel's light that each of its four neighbours gets
    Smoothing smoothing;              // what the camera does to its samples before it writes them
    std::array<double, 4> blackOff{}; // DN that the level of each site of a cell is off by, which no tag says
    double noiseAtRight = 1; // how much larger noise is at the right edge than at the left; between, evenly
    double madeUpFor =
        1; // how much the camera multiplies corners by, which its lens leaves darker, in the raw
    double glow =
        0; // mean electrons of an amplifier's glow at the lower right corner, whose mean is taken off
    double secondGainAt =
        0; // the share of white from which on samples are read at another gain; 0: one gain for all
    double secondGainRead = 1; // how much more read noise that gain has
    double focusDots = 1;      // the gain of the samples that measure focus, one of 12 x 12
    int codes = 0;             // how many values there are for a sample, along a root; 0: as many as numbers
    double darkCurrent = 0;    // mean electrons a second, at each pixel about as many as its own
    double warmPixels = 0; // share of the pixels that leak, electrons a second up to thousands of times that
    int maskedColumns = 0, maskedRows = 0; // at the left and at the top of the frame, which see no light
    Matrix3 colourMatrix = {0.7034, -0.2216, -0.0561, -0.4321, 1.2298,
                            0.2246, -0.0632, 0.1483,  0.6118}; // XYZ to camera, D65
    Matrix3 forwardMatrix() const;                             // white-balanced camera to XYZ D50
    Mosaic::Colour colourAt(int x, int y) const;               // of the mosaic it has
};

struct Shot {
    double iso = 1600, exposure = 1.0 / 60, aperture = 2, focal = 35;
    double stops = 0;                     // brightness against the scene's own
    double hotPixels = 0;                 // share of the pixels
    double deadPixels = 0;                // share of the pixels; they read black
    double rowLines = 0, columnLines = 0; // standard deviation of the read-out's line offsets, electrons
    int rowsAlike = 1;                    // how many neighbouring rows have one offset
    bool twoReadouts = false;             // left and right halves have rows' offsets of their own
    int deadColumns = 0;                  // read black, all over the frame
    int hotClusters = 0;                  // places where 3 x 3 pixels leak
    Vector3 neutral{0.62, 1, 0.45};
    std::string taken = "2026:01:15 22:10:00";
    std::uint32_t seed = 1;
};

// Full well in electrons and read noise in electrons at an ISO (measures of the quality protocol).
double fullWell(const Body& body, double iso);
double readNoise(const Body& body, double iso);
// The noise the sensor has, in the normalised form; that of its first gain.
NoiseModel trueNoise(const Body& body, double iso);

// Noiseless normalised mosaic of linear sRGB planes, clipped at 1, through a lens whose faults of colour are
// those of the camera's colours, and with the body's crosstalk.
Plane exposeMosaic(const std::array<Plane, 3>& light, const Body& body, const Shot& shot,
                   const Optics& optics = {});

// What its focusing samples make of a noiseless mosaic.
Plane withFocusDots(const Plane& mosaic, const Body& body);

// A photo with Poisson-Gaussian noise, defects and read-out lines: what a raw reader would give, with `noise`
// the true one. The same seed gives the same samples; what a pixel has of its own is the same in every shot.
Photo takePhoto(const Plane& truth, const Body& body, const Shot& shot);

} // namespace irenic
