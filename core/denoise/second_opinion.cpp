#include "denoise/second_opinion.h"

#include <algorithm>

#include "denoise/bm3d.h"
#include "denoise/nlbayes.h"

namespace irenic {

PlaneSet secondOpinion(const PlaneSet& in, const Rect& area, float strength, bool quick, const Work& work) {
    const std::array<float, kPlanes> all{strength, strength, strength, strength};
    // The weights for photos without a mosaic have been trained with block matching in either grade.
    if (!in.packed) return BlockMatching(quick).run(in, area, all, work);
    return quick ? firstStepOfBlockMatching(in, area, strength, work)
                 : NonLocalBayes().run(in, area, all, work);
}

int secondOpinionMargin(bool quick) {
    return quick ? std::max(kFirstStepMargin, BlockMatching(true).margin()) : NonLocalBayes().margin();
}

} // namespace irenic
