// Non-local Bayes, the second step, upon what block matching makes first.
//
// M. Lebrun, A. Buades, J.-M. Morel, "A nonlocal Bayesian image denoising algorithm", SIAM J. Imaging
// Sciences 6(3), 2013. The patches of a group are taken as samples of one Gaussian, with mean and covariance
// as in a first estimate; every noisy patch is replaced by its most probable clean one. As in the paper all
// planes are taken together, which lets luminance tell where colour may change. Where we differ: the first
// estimate is that of block matching, not of the same way of thinking: a basis that is made for each
// group, upon one that is the same everywhere, corrects more of what the first one got wrong (0.3 dB);
// patches are 4x4 samples of the packed mosaic (8x8 pixels); groups are found by 8x8 blocks of the first
// estimate's luminance around them; reference patches lie on a fixed grid, so that regions are crops of the
// whole. The character: fine irregular texture (sackcloth, rope, foliage) comes out more natural than from
// fixed transforms.
#pragma once

#include "base/shown_text.h"
#include "denoise/method.h"

namespace irenic {

class NonLocalBayes : public Method {
  public:
    std::string id() const override { return "nlbayes"; }
    std::string name() const override { return IRENIC_TEXT("NL-Bayes"); }
    std::string summary() const override { return IRENIC_TEXT("Natural in fine irregular texture. Slower."); }
    int margin() const override;
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;
};

// The step itself, upon any first estimate: `basic`. Both it and `in` cover `area` with kBayesMargin to
// spare; strength is as in Method::run. Throws Cancelled. Of all areas of one size those that begin at
// kBayesOrigin, across and down, take the least time: their blocks lie in the fewest tiles.
inline constexpr int kBayesMargin = 32, kBayesOrigin = 20;
PlaneSet bayesUpon(const PlaneSet& in, const PlaneSet& basic, const Rect& area, float strength,
                   const Work& work);

} // namespace irenic
