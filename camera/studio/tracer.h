// Path tracing (J. T. Kajiya, The rendering equation, 1986) on Embree's rays.
#pragma once

#include <array>

#include "base/work.h"
#include "image/plane.h"
#include "stage.h"

namespace irenic::scene {

struct Picture {
    std::array<Plane, 3> light;  // linear sRGB
    std::array<Plane, 3> colour; // mean reflectance of what was met first
    std::array<Plane, 3> normal; // its mean normal
    Plane spread;                // variance of the mean of the luminance of light / colour
};

// `rays` for each pixel: a power of two. The same picture every time.
Picture traced(const Stage& stage, int width, int height, int rays, const Work& work = {});

// Takes the grain of few rays away: the edge-avoiding a-trous wavelet of H. Dammertz et al. (High Performance
// Graphics 2010), led by colour, normals and the measured spread.
std::array<Plane, 3> smoothed(const Picture& picture, const Work& work = {});

} // namespace irenic::scene
