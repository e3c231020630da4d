// The one pipeline: recipe, rectangle, view -> pixels.
#pragma once

#include "develop/finish.h"
#include "develop/picture.h"
#include "develop/recipe.h"

namespace irenic {

// Linear light of `area` in the camera's own colours (Holds::BalancedLight): cleaned, white-balanced,
// demosaiced, corrected for the lens, sharpened, highlights and shadows shifted (local_tone.h) as the look
// says, before anything else of colour or tone; 1 is the white level of the channel that clips first, and
// where channels clip the rest is filled in from the others, or made neutral. With distortion corrected,
// `area` is in the corrected picture (lens.h, Framing), and what lies outside the photo is 0. Throws
// Cancelled and std::invalid_argument (settings with a problem).
Image developBalanced(const Recipe& recipe, const Rect& area, const Context& context = {});

// The same in `space`'s primaries (Holds::SpaceLight), before exposure, tone curve, clipping and encoding
// (finish.h).
Image developRegion(const Recipe& recipe, const Rect& area, OutputSpace space, const Context& context = {});

// The same of the whole photo without cleaning, sharpening or lens, in the working space, quickly, no larger
// than `longest` on its longer side: 2x2 cells are averaged.
Image developOverview(const Photo& photo, const Look& look, int longest, const Work& work = {});

// What is written of a photo with this look: the photo's crop, or the framing's where distortion is
// corrected.
Rect outputFrame(const Photo& photo, const Look& look);

// What a cell shows. `area` lies inside the active area. A pure function of its first three arguments; the
// cost grows with the area alone. With a zoom >= 1 each pixel becomes a square of that many (true pixels);
// below 1 the area is averaged down in linear light, and the result is round(width * zoom) x
// round(height * zoom). Throws as developBalanced() does, and std::invalid_argument for a zoom that is not
// above 0.
Picture render(const Recipe& recipe, const Rect& area, const View& view, const Context& context = {});

// developOverview(), finished. For the overview and for previews in files.
Picture renderOverview(const Photo& photo, const Look& look, int longest, const Work& work = {},
                       float push = 0);

// Of a finished picture.
Histogram histogramOf(const Picture& picture);

} // namespace irenic
