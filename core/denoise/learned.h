// A convolutional network that has learned what pictures look like without noise.
//
// O. Ronneberger, P. Fischer, T. Brox, "U-Net: convolutional networks for biomedical image segmentation",
// MICCAI 2015 (the shape); K. Zhang, W. Zuo, Y. Chen, D. Meng, L. Zhang, "Beyond a Gaussian denoiser:
// residual learning of deep CNN for image denoising", IEEE Trans. Image Processing 26(7), 2017 (it tells the
// noise, not the picture); K. Zhang, W. Zuo, L. Zhang, "FFDNet: toward a fast and flexible solution for CNN
// based image denoising", IEEE Trans. Image Processing 27(9), 2018 (the noise's level is an input: one
// network for all). Trained for this project on noise drawn from the sensor model: docs/training.md has data,
// curves and limits. Input: the four stabilised channels of the packed mosaic, over the value of white; the
// noise's sigma in the same unit; and what block matching (denoise/bm3d.h) takes out of the four channels: a
// second opinion, which finds what repeats farther away than the network sees, and which it believes more in
// one place and less in another. Other mosaics than RGGB are mirrored to it. The full grade makes two passes
// (denoise/network_passes.h), and NL-Bayes goes over the picture once more upon that (denoise/nlbayes.h); the
// quick grade makes one pass. A strength other than 1 tells the network that there is more or less noise.
// Photos of pixels have weights of their own (denoise/network.h says what stands in their channels). The
// character: cleanest and sharpest; what it has never seen it may take for something that it has.
#pragma once

#include "base/shown_text.h"
#include "denoise/method.h"

namespace irenic {

class Learned : public Method {
  public:
    explicit Learned(bool quick) : quick_(quick) {}
    std::string id() const override { return quick_ ? "learned-quick" : "learned"; }
    std::string name() const override {
        return quick_ ? IRENIC_TEXT("Learned quick") : IRENIC_TEXT("Learned");
    }
    std::string summary() const override {
        return quick_ ? IRENIC_TEXT("The learned method in one pass. Faster.")
                      : IRENIC_TEXT("Cleanest and sharpest: a neural network trained on other pictures.");
    }
    float jpegBlocksShare() const override { return 0.6f; }
    // Even fields below white are 0.06 to 0.21 deviations too bright where all of it is given back, and up to
    // 0.27 too dark where none is.
    float shareClippedAtWhite() const override { return 0.6f; }
    int margin() const override;
    BlockGrid blockGrid(bool packed) const override;
    std::string quickGradeOf() const override { return quick_ ? "learned" : ""; }
    PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                 const Work& work) const override;

  private:
    PlaneSet answer(const PlaneSet& in, const Rect& wide, float strength, const Work& work) const;
    PlaneSet answerOfGrade(const PlaneSet& in, const Rect& area, float strength, const Work& work) const;
    PlaneSet ofMosaic(const PlaneSet& in, const Rect& area, float strength, const Work& work) const;
    PlaneSet ofPixels(const PlaneSet& in, const Rect& area, float strength, const Work& work) const;

    bool quick_;
};

} // namespace irenic
