// What a take removed (the literature's method noise), and what differs between two takes, as a picture.
//
// A. Buades, B. Coll, J. M. Morel, "A review of image denoising algorithms, with a new one", Multiscale
// Modeling & Simulation 4(2), 2005: the image of what was removed should look like noise. Here it is taken
// in the stabilised domain, where noise has a standard deviation of 1 in dark and in light: noise alone is
// then even and without form, and whatever has the form of the picture is detail that was lost.
#pragma once

#include "judge/shown.h"

namespace irenic {

enum class DifferencePart { Everything, Luminance, Colour };

struct Difference {
    Shown first, second; // first less second, at the same place
    DifferencePart part = DifferencePart::Everything;
    double gain = 4; // one standard deviation of the noise is ten steps of the screen times this
    friend bool operator==(const Difference&, const Difference&) = default;
};

// Grey (128) where both are equal. Of two recipes of one photo: what cleaning did, in the stabilised domain;
// `area` is a place of the photo itself (neither look nor lens counts), channels of a mosaic are interpolated
// linearly. Where a reference is concerned nothing but what is seen can be compared: `gain` times encoded
// values. With a zoom >= 1 each pixel becomes a square; below 1 means of whole pixels. Throws as render()
// does.
Picture renderDifference(const Difference& difference, const Rect& area, double zoom,
                         const Context& context = {});

} // namespace irenic
