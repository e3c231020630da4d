#include "denoise/second_opinion.h"

#include <algorithm>

#include "base/expects.h"
#include "denoise/bm3d.h"

namespace irenic {

PlaneSet secondOpinion(const PlaneSet& in, const Rect& area, float strength, const Work& work) {
    IRENIC_EXPECTS(in.area.contains(area.inflated(secondOpinionMargin())));
    if (in.packed) return sparseFirstStep(in, area, strength, work);
    return BlockMatching(true).run(in, area, {strength, strength, strength, 0}, work);
}

int secondOpinionMargin() { return std::max(kFirstStepMargin, BlockMatching(true).margin()); }

} // namespace irenic
