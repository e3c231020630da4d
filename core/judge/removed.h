// What a take removed (the literature's method noise), and what differs between two takes, as a picture.
//
// A. Buades, B. Coll, J. M. Morel, "A review of image denoising algorithms, with a new one", Multiscale
// Modeling & Simulation 4(2), 2005: the image of what was removed should look like noise. Here it is taken
// in the stabilised domain, where noise has a standard deviation of 1 in dark and in light: noise alone is
// then even and without form, and whatever has the form of the picture is detail that was lost.
#pragma once

#include "develop/render.h"

namespace irenic {

enum class DifferencePart { Everything, Luminance, Colour };

struct Comparison {
    Settings first, second; // first less second
    DifferencePart part = DifferencePart::Everything;
    double gain = 4; // one standard deviation of the noise is ten steps of the screen times this
    friend bool operator==(const Comparison&, const Comparison&) = default;
};

// `area` is a place of the photo itself (no lens is corrected). Grey (128) where both are equal; channels of
// a mosaic are interpolated linearly. With a zoom >= 1 each pixel becomes a square; below 1 means of whole
// pixels. Throws as cleanRegion() does.
Picture renderDifference(const Photo& photo, const Comparison& what, const Rect& area, double zoom,
                         const Work& work = {}, CleanSource* samples = nullptr);

} // namespace irenic
