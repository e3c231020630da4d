// Lines of the read-out. How they are told from the picture is told in measure/pattern.h.
#pragma once

#include <vector>

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// What each row (or column) of the active area has too much, in raw values; empty: nothing to speak of. Rows
// that are read out at both sides have other offsets in the right half (columns: in the lower) than in the
// first: `second`, empty where there is one read-out. `share` is their standard deviation over that of the
// noise at black.
struct LineOffsets {
    std::vector<float> first, second;
    double share = 0;
};

// Throws Cancelled.
LineOffsets lineOffsets(const Photo& photo, bool columns, const Work& work = {});

} // namespace irenic
