// Block matching and collaborative filtering in 3-D, both steps.
//
// K. Dabov, A. Foi, V. Katkovnik, K. Egiazarian, "Image denoising by sparse 3-D transform-domain collaborative
// filtering", IEEE Trans. Image Processing 16(8), 2007. Names follow the paper: blocks of N1 x N1, a reference
// block every Nstep samples, groups of up to N2 blocks from a window of Ns x Ns, a hard threshold of
// lambda3D sigma in step one and empirical Wiener shrinkage in step two, Kaiser-weighted aggregation.
// Where we differ: groups are found in the luminance plane alone and used for all four planes, as the paper's
// colour variant does; the first step compares blocks of a lightly smoothed luminance, which costs nothing
// and makes matches at low light much surer; the transform inside blocks is the DCT in both steps.
// The character: the cleanest of the classical methods; straight edges and repeated patterns come out best.
#pragma once

#include "denoise/method.h"

namespace irenic {

class BlockMatching : public Method {
  public:
    std::string id() const override { return "bm3d"; }
    std::string name() const override { return "BM3D"; }
    std::string summary() const override { return "Cleanest, slower. For heavy noise."; }
    int margin() const override;
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;
};

} // namespace irenic
