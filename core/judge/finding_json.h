// Findings as JSON: what the command line prints and reports hold.
#pragma once

#include <nlohmann/json_fwd.hpp>

#include "judge/checks.h"

namespace irenic {

// "check", "value" (null where nothing tells), "unit", "grade", "sentence", "places" (rectangles, worst
// first).
nlohmann::json jsonOf(const Finding& finding);

} // namespace irenic
