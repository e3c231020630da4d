// Non-local Bayes, both steps.
//
// M. Lebrun, A. Buades, J.-M. Morel, "A nonlocal Bayesian image denoising algorithm", SIAM J. Imaging
// Sciences 6(3), 2013. The patches of a group are taken as samples of one Gaussian. Its mean and covariance
// come from the noisy patches in step one and from step one's result in step two; every patch is then
// replaced by its most probable clean one. As in the paper, step one takes the planes one by one (few
// dimensions, so that a group's covariance can be trusted) and step two all four together, which lets
// luminance tell where colour may change. Where we differ: patches are 4x4 samples of the packed mosaic (8x8
// pixels); groups are found by 8x8 blocks of luminance around them; reference patches lie on a fixed grid, so
// that regions are crops of the whole. The character: fine irregular texture (sackcloth, rope, foliage) comes
// out more natural than from fixed transforms.
#pragma once

#include "denoise/method.h"

namespace irenic {

class NonLocalBayes : public Method {
  public:
    std::string id() const override { return "nlbayes"; }
    std::string name() const override { return "NL-Bayes"; }
    std::string summary() const override { return "Natural in fine irregular texture. Slower."; }
    int margin() const override;
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;
};

} // namespace irenic
