// Reads a photo and finds out what there is to know of it.
#pragma once

#include "raw/photo.h"

namespace irenic {

// What is taken for known beforehand: what was kept of the photo's camera (camera_notes.h), or nothing.
enum class Known { Nothing, Camera };

// The noise, defects, lines of the read-out and digest of a photo that was just read. Where nothing in it is
// flat, the noise is that of other photos of the camera, or what the file states, if either is likely; what
// was measured, where it is not. Throws Cancelled.
// `given`: the noise of the series that the photo belongs to (series.h), in place of its own; null: none.
void measure(Photo& photo, const Work& work = {}, Known known = Known::Camera,
             const NoiseModel* given = nullptr);

// readUnmeasured(), and measure() unless only the samples are wanted; by the photo alone if that is asked
// for. Throws as they do.
enum class Measure { Noise, NoiseAlone, Nothing };
PhotoPtr readPhoto(const std::filesystem::path& file, const Work& work = {}, Measure what = Measure::Noise,
                   const NoiseModel* given = nullptr);

} // namespace irenic
