#include "denoise/bm3d.h"

#include "base/expects.h"
#include "denoise/blend.h"
#include "denoise/block_filter.h"

namespace irenic {

namespace {

using blocks::kGroup1, blocks::kGroup2;
using groups::Guide, groups::Groups, groups::Step, groups::kReach;

// What the second step's two kinds of blocks say together: cells count this much. Tuned on noiseless truth.
constexpr float kCellShare = 0.7f;

enum class Blocks { Sparse, OneKind, BothKinds };

Step firstStep(const PlaneSet& in, float strength, bool sparse) {
    Step step{&in, nullptr, &in.plane[0], in.area, {}, {strength, strength, strength, strength}, kGroup1 / 2};
    step.channels = true, step.sparse = sparse;
    return step;
}

PlaneSet ofMosaic(const PlaneSet& in, const Rect& area, float strength, Blocks kind, const Work& work) {
    const bool both = kind == Blocks::BothKinds;
    const Rect wide = area.inflated(kReach);
    Groups found(groups::referencesOf(wide), kGroup2 / 2);
    Step step = firstStep(in, strength, kind == Blocks::Sparse);
    step.found = &found;
    const PlaneSet basic = aggregate(step, wide, blocks::filterMosaic, work.part(0, both ? 0.4 : 0.55));
    step.basic = &basic, step.groupSize = kGroup2 / 2;
    PlaneSet mosaic;
    if (both) mosaic = aggregate(step, area, blocks::filterMosaic, work.part(0.4, 0.7));
    step.channels = false;
    PlaneSet out = aggregate(step, area, blocks::filterCells, work.part(both ? 0.7 : 0.55, 1));
    for (std::size_t p = 0; both && p < kPlanes; ++p) blend(out, mosaic, p, area, 1 - kCellShare);
    return out;
}

} // namespace

static_assert(kFirstStepMargin == kReach);
PlaneSet sparseFirstStep(const PlaneSet& in, const Rect& area, float strength, const Work& work) {
    return aggregate(firstStep(in, strength, true), area, blocks::filterMosaic, work);
}
PlaneSet sparseBlockMatching(const PlaneSet& in, const Rect& area, float strength, const Work& work) {
    return ofMosaic(in, area, strength, Blocks::Sparse, work);
}

int BlockMatching::margin() const { return groups::kTwoStepMargin; }

PlaneSet BlockMatching::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                            const Work& work) const {
    IRENIC_EXPECTS(in.area.contains(area.inflated(margin())));
    if (!in.packed)
        return bothSteps(in, area, strength, guide_, quick_ ? kGroup1 / 2 : kGroup1,
                         quick_ ? kGroup2 / 2 : kGroup2, blocks::filterPlanes, work);
    // A block of the mosaic holds luminance and colour together.
    return withTwoStrengths(in, area, strength, work, [&](float s, const Work& part) {
        return ofMosaic(in, area, s, quick_ ? Blocks::OneKind : Blocks::BothKinds, part);
    });
}

} // namespace irenic
