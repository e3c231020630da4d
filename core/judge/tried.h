// Settings that were tried on a photo's probes, and how they did there.
#pragma once

#include <vector>

#include "denoise/settings.h"
#include "judge/risk.h"

namespace irenic {

struct Tried {
    Settings settings;
    Risk risk;
    double seconds = 0;        // that it took here, all probes together
    std::vector<Risk> at = {}; // of each probe by itself
    // What came out at all probes, as PlaceResult has it; equally long for all trials of a photo.
    std::vector<float> picture = {};
};

} // namespace irenic
