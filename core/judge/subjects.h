// At which places of a photo a take does as well as any other, and at which it does worse: told from what was
// measured there.
#pragma once

#include <string>
#include <vector>

#include "judge/probes.h"
#include "judge/tried.h"

namespace irenic {

// One line each, none where there is nothing to say: "As good here as any at: darkest, edge", "Weaker here
// than others at: texture". Of trials of the same probes, which may be fewer than there are.
std::vector<std::string> subjectsOf(const Tried& take, const std::vector<Tried>& all,
                                    const std::vector<Probe>& probes);

} // namespace irenic
