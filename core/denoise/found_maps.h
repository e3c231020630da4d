// The measurements that found parts rest on: a value 0..1 for each square of 8 x 8 pixels of a photo.
//
// In focus: fine detail beyond the measured noise. The noise of the stabilised luminance is known, so that
// what a high pass of it holds beyond is detail; where there is some that detail of a coarser scale cannot
// explain, things are sharp. What is found lies on edges and texture; a guided filter (denoise/guided.h)
// hands it on to the even places between them, up to the edges of the picture itself.
#pragma once

#include <array>

#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

inline constexpr int kFoundSide = 8;

enum class FoundMeasure : std::uint8_t {
    Focus,   // 1 where it is sharp
    Dark,    // 1 from six stops below white down, 0 from four up
    Texture, // 1 where there is detail beyond the noise, of whatever kind
    Points,  // 1 at stars and far lamps
    Edges,   // 1 near strong edges
};

// Of the same squares, in deviations of the noise: means of the stabilised luminance and of two colour
// differences (0 in a monochrome photo), and the variance of the luminance's fine detail beyond the noise.
struct SquareMeans {
    std::array<Plane, 3> mean;
    Plane detail;
};
// Throws Cancelled.
SquareMeans squareMeansOf(const Photo& photo, const Work& work = {});

// Throws Cancelled.
Plane measured(const Photo& photo, FoundMeasure what, const Work& work = {});

} // namespace irenic
