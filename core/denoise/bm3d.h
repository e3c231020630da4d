// Block matching and collaborative filtering in 3-D, both steps.
//
// K. Dabov, A. Foi, V. Katkovnik, K. Egiazarian, "Image denoising by sparse 3-D transform-domain
// collaborative filtering", IEEE Trans. Image Processing 16(8), 2007. Names follow the paper: blocks of N1 x
// N1, a reference block every Nstep samples, groups of up to N2 blocks from a window of Ns x Ns, a hard
// threshold of lambda3D sigma in step one and empirical Wiener shrinkage in step two, Kaiser-weighted
// aggregation. Where we differ on a mosaic: groups are found in the noisy luminance of cells, 8x8 of them,
// for both steps (groups::Guide says why), and serve four blocks in them; groups are always full, however far
// the last block lies. In step one blocks are 8x8 pixels of the mosaic itself, whatever the colours of their
// samples (A. Danielyan, M. Vehvilainen, A. Foi, V. Katkovnik, K. Egiazarian, "Cross-color BM3D filtering of
// noisy raw data", LNLA 2009). In step two they are the same cells as planes, under a basis of their own
// (block_filter.h): what step one could not tell from noise is other than what this basis cannot, and one
// corrects the other, which no choice of one basis did. The full grade takes both kinds in step two. Photos
// without a mosaic go plane by plane, under the DCT in both steps.
// The character: clean, straight edges and repeated patterns come out best.
#pragma once

#include "base/shown_text.h"
#include "denoise/groups.h"

namespace irenic {

class BlockMatching : public Method {
  public:
    // The quick grade takes one kind of blocks in step two, and without a mosaic groups of half the size.
    // Smoothed is for benches, which compare with the paper, and counts where there is no mosaic.
    explicit BlockMatching(bool quick, groups::Guide guide = groups::Guide::Noisy)
        : quick_(quick), guide_(guide) {}
    std::string id() const override { return quick_ ? "bm3d-quick" : "bm3d"; }
    std::string name() const override { return quick_ ? IRENIC_TEXT("BM3D quick") : IRENIC_TEXT("BM3D"); }
    std::string summary() const override {
        return quick_ ? IRENIC_TEXT("BM3D with one kind of blocks instead of two. Faster.")
                      : IRENIC_TEXT("Clean, with straight edges. Slower.");
    }
    std::string quickGradeOf() const override { return quick_ ? "bm3d" : ""; }
    int margin() const override;
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;

  private:
    bool quick_;
    groups::Guide guide_;
};

// What other methods build upon, of a mosaic: every second block, which is a third faster and hardly worse
// (by 0.04 dB after both steps, and 0.02 in NL-Bayes upon them). The first step alone is what the learned
// method hears; both are the first estimate of NL-Bayes. `in` is packed and covers `area` with
// kFirstStepMargin, or BlockMatching::margin(), to spare; strength is as in Method::run. Throws Cancelled.
inline constexpr int kFirstStepMargin = 32;
PlaneSet sparseFirstStep(const PlaneSet& in, const Rect& area, float strength, const Work& work);
PlaneSet sparseBlockMatching(const PlaneSet& in, const Rect& area, float strength, const Work& work);

} // namespace irenic
