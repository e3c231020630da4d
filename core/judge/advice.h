// What to change about a take after its checks.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "denoise/settings.h"
#include "judge/checks.h"

namespace irenic {

struct Advice {
    Settings settings;    // another take, never applied by itself
    std::string sentence; // what the checks found and what would change it
};

// One step against the worst finding that a strength can change; none where all is good, where no strength is
// left to move, or where what was found is nothing that strengths change.
std::optional<Advice> adviceOn(const std::vector<Finding>& findings, const Settings& settings);

} // namespace irenic
