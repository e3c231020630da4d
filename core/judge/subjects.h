// At which places of a photo a take does as well as any other, and at which it does worse: told from what was
// measured there.
#pragma once

#include <string>
#include <vector>

#include "judge/probes.h"
#include "judge/risk.h"

namespace irenic {

struct Trial {
    Settings settings;
    Risk risk;
    double seconds = 0;        // that it took here, all probes together
    std::vector<Risk> at = {}; // of each probe by itself
};

// One line each, none where there is nothing to say: "As good here as any at: darkest, edge", "Weaker here
// than others at: texture". Of trials of the same probes, which may be fewer than there are.
std::vector<std::string> subjectsOf(const Trial& take, const std::vector<Trial>& all,
                                    const std::vector<Probe>& probes);

} // namespace irenic
