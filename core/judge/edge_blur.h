// How blurred a photo's sharpest edges are, measured on the photo itself.
//
// S. Zhuo, T. Sim, "Defocus map estimation from a single image", Pattern Recognition 44(9), 2011: where a
// step was blurred by a Gaussian, blurring it once more by a known one lowers its gradient by a ratio that
// tells the first. Measured on cleaned linear light, where an edge rises over several pixels in one direction
// and stands far above the noise that is left.
#pragma once

#include <optional>
#include <vector>

#include "denoise/clean.h"
#include "develop/look.h"
#include "judge/probes.h"

namespace irenic {

// The standard deviation of the blur, in pixels of the photo, at the sharper quarter of the edges around the
// probes: what lies out of focus does not count. None where fewer than some dozens of edges can be measured.
// Throws Cancelled.
std::optional<double> edgeBlurOf(const Photo& photo, const Settings& settings,
                                 const std::vector<Probe>& probes, const Work& work = {});

// The grade of sharpening that takes back such a blur, and no more: Softness::Off below what a lens and a
// pixel always do.
Softness sharpeningFor(double blur);

} // namespace irenic
