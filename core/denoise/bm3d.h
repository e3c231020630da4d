// Block matching and collaborative filtering in 3-D, both steps.
//
// K. Dabov, A. Foi, V. Katkovnik, K. Egiazarian, "Image denoising by sparse 3-D transform-domain
// collaborative filtering", IEEE Trans. Image Processing 16(8), 2007. Names follow the paper: blocks of N1 x
// N1, a reference block every Nstep samples, groups of up to N2 blocks from a window of Ns x Ns, a hard
// threshold of lambda3D sigma in step one and empirical Wiener shrinkage in step two, Kaiser-weighted
// aggregation. Blocks are taken from the mosaic itself, whatever the colours of their samples, and compared
// with blocks that lie on the same place of a cell: A. Danielyan, M. Vehvilainen, A. Foi, V. Katkovnik, K.
// Egiazarian, "Cross-color BM3D filtering of noisy raw data", LNLA 2009. That keeps 0.3 to 0.8 dB more than
// blocks of packed planes did (bench/mosaic_variant.cpp). Where we differ: groups are found in the luminance
// of cells, 8x8 of them, and serve the four blocks in their middle; both steps compare the noisy luminance
// (groups::Guide says why); groups are always full,
// however far the last block lies; the transform inside blocks is the DCT in both steps. Photos without a
// mosaic go plane by plane, groups found in luminance.
// The character: the cleanest of the classical methods; straight edges and repeated patterns come out best.
#pragma once

#include "denoise/groups.h"

namespace irenic {

class BlockMatching : public Method {
  public:
    // The quick grade makes groups of half the size. Smoothed is for benches, which compare with the paper.
    explicit BlockMatching(bool quick, groups::Guide guide = groups::Guide::Noisy)
        : quick_(quick), guide_(guide) {}
    std::string id() const override { return quick_ ? "bm3d-quick" : "bm3d"; }
    std::string name() const override { return quick_ ? "BM3D quick" : "BM3D"; }
    std::string summary() const override {
        return quick_ ? "BM3D from smaller groups: sooner there, a little less clean."
                      : "Clean, with straight edges. Slower.";
    }
    std::string quickGradeOf() const override { return quick_ ? "bm3d" : ""; }
    int margin() const override;
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;

  private:
    bool quick_;
    groups::Guide guide_;
};

// The first step alone, of a mosaic and from groups of half the size: what the quick grade of the learned
// method takes as its second opinion. `in` is packed and covers `area` with kFirstStepMargin to spare;
// strength is as in Method::run. Throws Cancelled.
inline constexpr int kFirstStepMargin = 32;
PlaneSet firstStepOfBlockMatching(const PlaneSet& in, const Rect& area, float strength, const Work& work);

} // namespace irenic
