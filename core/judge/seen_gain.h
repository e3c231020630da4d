// How strongly an error of cleaning will be seen: a look that lifts the shadows shows there what would be
// hidden without it.
#pragma once

#include "develop/look.h"
#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// Of each sample of `packedArea` (packed samples, clean.h): by how much of the finished picture's lightness
// (encoded sRGB, 0 to 1) an error of one deviation of the noise moves it. Exposure, tone, curve and the
// lens's vignetting count; colour, sharpening and the lens's other corrections do not. Taken over squares of
// eight samples of the photo cleaned by a quick method, so that it hardly knows the noise: Stein's estimate
// with weights asks for that. 0 where the picture is clipped. Throws Cancelled.
Plane seenGain(const Photo& photo, const Look& look, const Rect& packedArea, const Work& work = {});

// The noise that the finished picture shows before anything is cleaned: the root mean square of seenGain() at
// places all over the photo, in steps of an 8-bit picture. Throws Cancelled.
double visibleNoise(const Photo& photo, const Look& look, const Work& work = {});

} // namespace irenic
