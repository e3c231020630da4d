// The checks of a take: of what its settings make of the photo.
#pragma once

#include <vector>

#include "denoise/settings.h"
#include "judge/checks.h"
#include "judge/probes.h"

namespace irenic {

// All checks, in the order of the table. Noise that a zone was asked to leave is no finding. A raw that its
// camera smoothed is checked as it was before that. Throws Cancelled.
std::vector<Finding> checksOf(const Photo& photo, const Settings& settings, const Work& work = {});
// The same around probes alone: quick, and told from less.
std::vector<Finding> checksAround(const Photo& photo, const Settings& settings,
                                  const std::vector<Probe>& probes, const Work& work = {});

} // namespace irenic
