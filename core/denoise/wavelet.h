// Undecimated wavelet shrinkage that adapts to the local variance.
//
// G. P. Nason, B. W. Silverman, "The stationary wavelet transform", 1995 (the transform); L. Sendur, I. W.
// Selesnick, "Bivariate shrinkage with local variance estimation", IEEE Signal Processing Letters 9(12), 2002
// (the shrinkage: a coefficient is judged together with its parent at the next coarser scale, with a signal
// variance measured in its neighbourhood); then Wiener's shares of the noisy coefficients, from the energy
// that this first estimate has around each: S. P. Ghael, A. M. Sayeed, R. G. Baraniuk, "Improved wavelet
// denoising via empirical Wiener filtering", SPIE 3169, 1997. Filters: Daubechies' with two vanishing
// moments, four scales. The character: quick and even; soft in fine texture; leaves coarse blotches wider
// than 32 pixels.
#pragma once

#include "base/shown_text.h"
#include "denoise/method.h"

namespace irenic {

class Wavelet : public Method {
  public:
    static constexpr int kLevels = 4;
    static constexpr int kTaps = 4;

    std::string id() const override { return "wavelet"; }
    std::string name() const override { return IRENIC_TEXT("Wavelet"); }
    std::string summary() const override {
        return IRENIC_TEXT("Quick and even. For light noise, or a first look.");
    }
    int margin() const override;
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;
};

} // namespace irenic
