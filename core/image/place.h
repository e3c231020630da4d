// Places in the two pictures that there are of one photo. Types of their own, so that they do not mix.
#pragma once

namespace irenic {

// In the photo as the sensor saw it: pixels of the active area, the middle of the first one at (0, 0). Probes
// are such places, and so is everything that is measured.
struct SourcePoint {
    double x = 0, y = 0;
    friend bool operator==(const SourcePoint&, const SourcePoint&) = default;
};

// In the developed picture, which is another one where distortion is corrected (develop/lens.h goes from one
// to the other).
struct PicturePoint {
    double x = 0, y = 0;
    friend bool operator==(const PicturePoint&, const PicturePoint&) = default;
};

} // namespace irenic
