// The one pipeline: photo, take, look, rectangle, zoom -> pixels.
#pragma once

#include "denoise/clean_source.h"
#include "develop/finish.h"
#include "develop/picture.h"

namespace irenic {

// Linear light of `area` in the camera's own colours (Holds::BalancedLight): cleaned, white-balanced,
// demosaiced, corrected for the lens, sharpened, highlights and shadows shifted (local_tone.h) as the look
// says, before anything else of colour or tone; 1 is the white level of the channel that clips first, and
// where channels clip the rest is filled in from the others, or made neutral. With distortion corrected,
// `area` is in the corrected picture (lens.h, Framing), and what lies outside the photo is 0. Cleaned samples
// come from `samples`, if given. Throws Cancelled and std::invalid_argument.
Image developCameraLight(const Photo& photo, const Settings& settings, const Look& look, const Rect& area,
                         const Work& work = {}, CleanSource* samples = nullptr);

// The same in `space`'s primaries (Holds::SpaceLight), before exposure, tone curve, clipping and encoding
// (finish.h).
Image developRegion(const Photo& photo, const Settings& settings, const Look& look, const Rect& area,
                    OutputSpace space, const Work& work = {}, CleanSource* samples = nullptr);

// The same of the whole photo without cleaning, sharpening or lens, in the working space, quickly, no larger
// than `longest` on its longer side: 2x2 cells are averaged.
Image developOverview(const Photo& photo, const Look& look, int longest, const Work& work = {});

// What is written of a photo with this look: the photo's crop, or the framing's where distortion is
// corrected.
Rect outputFrame(const Photo& photo, const Look& look);

// How pixels are shown, which is no part of any file.
struct Shown {
    double zoom = 1; // pixels of the screen for one of the photo
    float push = 0;  // stops of exposure on top, for looking only

    Shown(double magnified = 1, float pushed = 0) : zoom(magnified), push(pushed) {}
    friend bool operator==(const Shown&, const Shown&) = default;
};

// What a cell shows. `area` lies inside the active area. A pure function of its arguments; the cost grows
// with the area alone. With a zoom >= 1 each pixel becomes a square of that many (true pixels); below
// 1 the area is averaged down in linear light, and the result is round(width * zoom) x round(height * zoom).
// Throws Cancelled and std::invalid_argument (a zoom that is not above 0, settings with a problem).
Picture renderRegion(const Photo& photo, const Settings& settings, const Look& look, const Rect& area,
                     const Shown& shown, const Work& work = {}, CleanSource* samples = nullptr);

// developOverview(), finished. For the overview and for previews in files.
Picture renderOverview(const Photo& photo, const Look& look, int longest, const Work& work = {},
                       float push = 0);

// Of a finished picture.
Histogram histogramOf(const Picture& picture);

} // namespace irenic
