// The part of a photo that a few strokes mark: what is like what they lie on, and hangs together.
//
// After C. Rother, V. Kolmogorov, A. Blake, "GrabCut", ACM Trans. Graphics 23(3), 2004, upon Y. Boykov, M.-P.
// Jolly, "Interactive graph cuts", ICCV 2001: mixtures of Gaussians tell wanted from unwanted, by brightness,
// colour and texture of squares of 8 x 8 pixels; the cut runs where neighbours differ most; and both are
// repeated. The cut of squares is then handed on to the photo's own edges by a guided filter (found_maps.h).
#pragma once

#include <memory>
#include <vector>

#include "denoise/found_part.h"

namespace irenic {

// With `alike` what counts is colour alone, and some brightness, wherever in the photo it is: clear within
// three deviations of what is marked, nothing beyond six.
//
// 1 on what is marked, 0 elsewhere. `marks` are strokes with Stroke::mark: wanted, or with Stroke::erase
// unwanted. Without unwanted ones the photo's border is taken to be unwanted; without wanted ones nothing is
// marked. Of the last few it is kept. Throws Cancelled.
std::shared_ptr<const FoundMap> markedPartOf(const Photo& photo, const std::vector<Stroke>& marks, bool alike,
                                             const Work& work = {});

} // namespace irenic
