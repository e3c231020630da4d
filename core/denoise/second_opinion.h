// What the learned method hears beside the noisy planes: a method that knows what repeats far away, where
// convolutions see what is near.
#pragma once

#include "denoise/method.h"

namespace irenic {

// The planes over `area` as NL-Bayes leaves them, or in the quick grade block matching's first step; where
// there is no mosaic as block matching does, in its own quick grade or not. `in` covers `area` with
// secondOpinionMargin() to spare; strength is as in Method::run. Throws Cancelled.
PlaneSet secondOpinion(const PlaneSet& in, const Rect& area, float strength, bool quick, const Work& work);
int secondOpinionMargin(bool quick);

} // namespace irenic
