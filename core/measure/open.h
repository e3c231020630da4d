// Reads a photo and finds out what there is to know of it.
#pragma once

#include "raw/photo.h"

namespace irenic {

struct DarkFrame; // dark_frame.h

// What is taken for known beforehand: what was kept of the photo's camera (camera_notes.h), or nothing.
enum class Known { Nothing, Camera };

// What somebody says of a photo, in place of what is known of its camera; null: nothing.
struct Given {
    const NoiseModel* noise = nullptr; // of the series that it belongs to (series.h)
    const DarkFrame* dark = nullptr;   // dark_frame.h
};

// Black, noise, defects, lines of the read-out and digest of a photo that was just read; what a dark frame
// tells is taken off first. Where nothing in it is flat, the noise is that of other photos of the camera, or
// what the file states, if either is likely; what was measured, where it is not. Throws Cancelled; PhotoError
// for a dark frame that does not fit.
void measure(Photo& photo, const Work& work = {}, Known known = Known::Camera, const Given& given = {});

// readUnmeasured(), and measure() unless only the samples are wanted; by the photo alone if that is asked
// for. Throws as they do.
enum class Measure { Noise, NoiseAlone, Nothing };
PhotoPtr readPhoto(const std::filesystem::path& file, const Work& work = {}, Measure what = Measure::Noise,
                   const Given& given = {});

} // namespace irenic
