// A place of one photo, found again in another of the same series: a face that somebody has marked once.
#pragma once

#include <optional>
#include <vector>

#include "image/rect.h"
#include "raw/photo.h"

namespace irenic {

// Where `areas` of `before` (pixels of its active area) lie in `now`: of the same size where a place shows
// the same for certain, none elsewhere: where nothing is alike enough, or several places are. Normalised
// cross-correlation (J. P. Lewis, "Fast normalized cross-correlation", Vision Interface 1995) of brightness
// and colours, in squares of 8 x 8 pixels, so that noise counts little, of the place as large as it was and
// up to a quarter larger or smaller. A place lies where it was found to within some 8 pixels. Throws
// Cancelled.
std::vector<std::optional<Rect>> foundAgain(const Photo& before, const std::vector<Rect>& areas,
                                            const Photo& now, const Work& work = {});

} // namespace irenic
