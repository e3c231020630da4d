// A whole frame strip by strip, so that memory stays bounded, from samples that are cleaned many strips at a
// time: every method reads far around what it cleans, and some clean in tiles.
#pragma once

#include <functional>

#include "denoise/clean_source.h"

namespace irenic {

// Calls body(strip, cleaned, its part of the work) for strips of `frame` from top to bottom; `cleaned` gives
// what cleanRegion() gives of the photo with these settings, to the bit. Throws what the body throws.
using OfStrip = std::function<void(const Rect& strip, CleanSource& cleaned, const Work& work)>;
void forEachStrip(const Photo& photo, const Settings& settings, const Rect& frame, const Work& work,
                  const OfStrip& body);

} // namespace irenic
