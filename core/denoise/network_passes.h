// The passes of the network over a photo's planes, in tiles of a fixed grid: regions are crops of the whole.
//
// Beside the noisy planes each pass gets a guide: another method's estimate of the clean ones. The guide of
// the first pass is block matching's (denoise/second_opinion.h). The guide of the second is what NL-Bayes
// makes of the first one's result: groups of similar patches, found in a result that is nearly clean, show
// what the first pass could not see. On mosaics the second pass has weights of its own (Network::Subject); of
// photos of pixels the mean of both passes counts. All of it stays within a tile and its border, so that a
// small area waits for no more tiles than with one pass. In the line of networks that unroll the rounds of an
// older method: S. Lefkimmiatis, "Non-local color image denoising with convolutional neural networks", CVPR
// 2017.
#pragma once

#include "denoise/method.h"

namespace irenic {

// The planes over `area` as the network leaves them after one pass or two. `area` lies within the photo; `in`
// covers it with passesMargin() to spare; strength is as in Method::run, above 0. Throws Cancelled.
PlaneSet onePass(const PlaneSet& in, const Rect& area, float strength, const Work& work);
PlaneSet twoPasses(const PlaneSet& in, const Rect& area, float strength, const Work& work);
// The guide of the second pass, for training; arguments as above.
PlaneSet guideOfSecondPass(const PlaneSet& in, const Rect& area, float strength, const Work& work);
int passesMargin();
// A side of the grid's tiles.
int tileOfPasses(bool packed);

// An answer of the network's and what NL-Bayes makes of it, mixed. Both `in` and `answer` cover `area` with
// kBayesMargin to spare.
PlaneSet bayesUponAnswer(const PlaneSet& in, const PlaneSet& answer, const Rect& area, float strength,
                         const Work& work);

} // namespace irenic
