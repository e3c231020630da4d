// The corrections that a DNG carries as lists of opcodes (DNG 1.6, chapter 7).
#pragma once

#include <array>
#include <vector>

#include "raw/photo.h"

namespace irenic {

// Where a plane's samples are taken from (WarpRectilinear).
struct RadialWarp {
    std::array<double, 4> radial{1, 0, 0, 0};
    std::array<double, 2> tangential{0, 0};
};

// Gains on a grid over the photo (GainMap). All in pixels of the active area.
struct GainMap {
    Rect area;
    int rowPitch = 1, columnPitch = 1; // of the samples in the area
    int rows = 1, columns = 1;         // of the grid
    double originX = 0, originY = 0, stepX = 1, stepY = 1;
    std::vector<float> gain; // rows x columns

    // The gain at a sample; 1 where the map says nothing of it.
    float at(int x, int y) const;
};

struct Opcodes {
    std::vector<RadialWarp> warp;    // one for all planes, or one for each
    double warpX = 0.5, warpY = 0.5; // optical centre, shares of the area
    std::vector<std::array<double, 5>> vignette;
    double vignetteX = 0.5, vignetteY = 0.5;
    std::vector<GainMap> gains;
    std::vector<std::array<int, 2>> badPixels; // x, y in the active area
    std::optional<int> badConstant;            // the raw value that marks bad pixels
    int unknown = 0;                           // opcodes that are not understood, and not marked as optional
};

// What the photo's file asks for; empty where it has no lists, or damaged ones.
Opcodes opcodesOf(const Photo& photo);

} // namespace irenic
