// The network's looks at a photo's planes, in tiles of a fixed grid: regions are crops of the whole.
//
// The first look hears a second opinion (denoise/second_opinion.h). The second hears instead what NL-Bayes
// makes of the first one's answer: groups of alike patches, found in an answer that is nearly clean, show it
// what it could not see. At mosaics it has weights of its own (Network::Subject); of photos of pixels the
// mean of both looks counts. All of it stays within a tile and its border, so that a small area waits for no
// more tiles than with one look. In the line of networks that unroll the rounds of an older method: S.
// Lefkimmiatis, "Non-local color image denoising with convolutional neural networks", CVPR 2017.
#pragma once

#include "denoise/method.h"

namespace irenic {

// The planes over `area` as the network leaves them after one look or two. `area` lies within the photo; `in`
// covers it with looksMargin() to spare; strength is as in Method::run, above 0. Throws Cancelled.
PlaneSet oneLook(const PlaneSet& in, const Rect& area, float strength, const Work& work);
PlaneSet twoLooks(const PlaneSet& in, const Rect& area, float strength, const Work& work);
// What the second look hears, for training; arguments as above.
PlaneSet heardBySecondLook(const PlaneSet& in, const Rect& area, float strength, const Work& work);
int looksMargin();
// A side of the grid's tiles.
int tileOfLooks(bool packed);

// An answer of the network's and what NL-Bayes makes of it, mixed. Both `in` and `answer` cover `area` with
// kBayesMargin to spare.
PlaneSet bayesUponAnswer(const PlaneSet& in, const PlaneSet& answer, const Rect& area, float strength,
                         const Work& work);

} // namespace irenic
