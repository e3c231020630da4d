// Non-local means with a noise-aware distance over all planes.
//
// A. Buades, B. Coll, J.-M. Morel, "A non-local algorithm for image denoising", CVPR 2005. The fast form
// walks over displacements, not pixels: for one displacement the patch distances of a whole tile are a box
// sum (J. Darbon et al., "Fast nonlocal filtering applied to electron cryomicroscopy", ISBI 2008). Where we
// differ: one distance over luminance and colour planes together, from which what the noise alone gives is
// subtracted; a weight that reaches exactly zero, (1 - t/8)^8 for exp(-t), so that unlike patches do not
// count at all; a wider weight for colour than for luminance.
// The character: natural grain, good in textures that repeat; rare detail keeps its noise.
#pragma once

#include "base/shown_text.h"
#include "denoise/method.h"

namespace irenic {

class NonLocalMeans : public Method {
  public:
    static constexpr int kPatch = 2;   // radius: 5x5
    static constexpr int kSearch = 10; // radius: 21x21

    std::string id() const override { return "nlm"; }
    std::string name() const override { return IRENIC_TEXT("NL-means"); }
    std::string summary() const override {
        return IRENIC_TEXT("Natural, keeps texture that repeats. For moderate noise.");
    }
    int margin() const override { return kPatch + kSearch; }
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;
};

} // namespace irenic
