// Checks of a file that was made elsewhere from the photo, and keeps its samples: of a raw a DNG with the
// same mosaic, of a finished picture another one of its size.
#pragma once

#include "base/text.h"
#include "denoise/settings.h"
#include "judge/checks.h"

namespace irenic {

// Whether the samples of `file` can be held against those of `photo`.
bool isComparable(const Photo& file, const Photo& photo);

// What checks need, where it is not there.
inline constexpr const char* kNotComparable = IRENIC_TEXT(
    "Checks compare files of the same size and kind: a raw with a DNG of the same mosaic, a finished picture "
    "with another finished picture.");

// As of a take; `settings` clean the file's samples further, usually not at all. Throws std::invalid_argument
// where the samples are not comparable, or the camera smoothed the raw; Cancelled.
std::vector<Finding> checksOfFile(const Photo& photo, const PhotoPtr& file, const Settings& settings,
                                  const Work& work = {});

} // namespace irenic
