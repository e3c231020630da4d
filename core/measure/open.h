// Reads a photo and finds out what there is to know of it.
#pragma once

#include "raw/photo.h"

namespace irenic {

// The noise, defects, lines of the read-out and digest of a photo that was just read. Throws Cancelled.
void measure(Photo& photo, const Work& work = {});

// readUnmeasured(), and measure() unless only the samples are wanted. Throws as they do.
enum class Measure { Noise, Nothing };
PhotoPtr readPhoto(const std::filesystem::path& file, const Work& work = {}, Measure what = Measure::Noise);

} // namespace irenic
