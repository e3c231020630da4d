// Whether a photo's noise is the same all over the frame.
#pragma once

#include "base/work.h"
#include "noise/unevenness.h"
#include "raw/photo.h"

namespace irenic {

// Of a photo with a mosaic of 2x2 whose noise was measured. In windows all over the frame noise is measured
// along the weakest directions (noise/weakest.h), over what the model says for their brightness. Where that
// follows the place, and hardly anything else, it is the sensor; texture, which only adds, and a line that is
// wrong in the dark or in the light are held apart. None where the photo is too small or too full of texture
// to tell. Throws Cancelled.
Unevenness unevennessOf(const Photo& photo, const Work& work = {});

// What the photo has, which is not none, once its noise was measured with that: as far as it grows, and how,
// stays, by how much is put right. A line that was measured on uneven noise is a little wrong, and so is what
// rests on it.
Unevenness refinedUnevenness(const Photo& photo, const Work& work = {});

} // namespace irenic
