// The guide of the learned method's first pass, beside the noisy planes: a method that knows what repeats far
// away, where convolutions see what is near.
#pragma once

#include "denoise/method.h"

namespace irenic {

// The planes over `area` as block matching leaves them: its first step of mosaics, its quick grade where
// there is none. `in` covers `area` with secondOpinionMargin() to spare; strength is as in Method::run.
// Throws Cancelled.
PlaneSet secondOpinion(const PlaneSet& in, const Rect& area, float strength, const Work& work);
int secondOpinionMargin();

} // namespace irenic
