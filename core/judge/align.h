// Where one picture lies in another of the same scene: whole and fractional shift, scale, quarter turns.
//
// From coarse to fine. At the coarsest, normalised cross-correlation of what is finer than large-scale
// brightness finds turn and shift. Then small patches with structure are matched by correlation at each finer
// step and one shift and scale fitted to all of them, patches that disagree counting less (P. J. Huber,
// Robust estimation of a location parameter, 1964). At last each patch is refined by least squares with its
// own gain and offset (B. D. Lucas and T. Kanade, 1981), so that tone curves, exposure and noise do not pull.
#pragma once

#include <stdexcept>

#include "base/work.h"
#include "image/plane.h"

namespace irenic {

// A place (x, y) of ours is found at (scale x + left, scale y + top) of the other picture once that has been
// turned clockwise by `quarterTurns`.
struct Alignment {
    int quarterTurns = 0;
    double scale = 1, left = 0, top = 0;
    double correlation = 0; // of the patches, their median: 1 is the same but for brightness

    friend bool operator==(const Alignment&, const Alignment&) = default;
};

// The pictures do not show the same. what() says how alike they are.
struct NotAlike : std::runtime_error {
    double correlation;
    NotAlike(double found, const std::string& what) : std::runtime_error(what), correlation(found) {}
};

// Grey pictures, encoded values of any range. Shifts up to a sixth of the picture, scales within 3 per cent
// of 1 or of the ratio of the sizes. Exact to less than 0.1 pixels where a fiftieth of the picture has
// structure above its noise. Throws NotAlike and Cancelled.
Alignment align(const Plane& ours, const Plane& other, const Work& work = {});

// Turned clockwise.
Plane turnedBy(const Plane& in, int quarterTurns);

} // namespace irenic
