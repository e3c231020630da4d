// The one pipeline: photo, take, look, rectangle, zoom -> pixels.
#pragma once

#include <cstdint>
#include <vector>

#include "denoise/clean.h"
#include "develop/colour.h"

namespace irenic {

// How a photo is shown; the same for every take of it.
struct Look {
    float push = 0; // stops; for looking only, never exported
    friend bool operator==(const Look&, const Look&) = default;
};

// 8-bit sRGB, rows without gaps: width * height * 3 bytes.
struct Picture {
    int width = 0, height = 0;
    std::vector<std::uint8_t> rgb;
};

// Linear light of `area` in `space`'s primaries before tone curve, clipping and encoding; 1 is the white level.
std::array<Plane, 3> developRegion(const Photo& photo, const Settings& settings, const Rect& area, OutputSpace space,
                                   const Work& work = {});

// What a cell shows. `area` lies inside the active area. A pure function of its arguments; the cost grows with
// the area alone. With `zoom` >= 1 each pixel becomes a square of `zoom` x `zoom` (true pixels); below
// 1 the area is averaged down in linear light, and the result is round(width * zoom) x round(height * zoom).
// Throws Cancelled and std::invalid_argument (a zoom that is not above 0, settings with a problem).
Picture renderRegion(const Photo& photo, const Settings& settings, const Look& look, const Rect& area, double zoom,
                     const Work& work = {});

// The whole photo, quickly, no larger than `longest` on its longer side: 2x2 cells are averaged without
// demosaicing. For the overview and for previews in files.
Picture renderOverview(const Photo& photo, const Look& look, int longest, const Work& work = {});

} // namespace irenic
