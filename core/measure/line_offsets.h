// Lines of the read-out. How they are told from the picture is told in measure/pattern.h.
#pragma once

#include <vector>

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// What each row (or column) of the active area has too much, in raw values; empty: nothing to speak of. Sets
// `share` to its standard deviation over that of the noise at black. Throws Cancelled.
std::vector<float> lineOffsets(const Photo& photo, bool columns, double& share, const Work& work = {});

} // namespace irenic
