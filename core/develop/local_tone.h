// Highlights and shadows, each place with its surround: what lies in a bright or dark area is shifted as a
// whole and keeps its own contrast.
//
// The brightness of the surround is a guided filter of the picture by itself: K. He, J. Sun, X. Tang, "Guided
// image filtering", IEEE Trans. Pattern Analysis and Machine Intelligence 35(6), 2013, sections 3.2 and 3.4:
// it follows edges and leaves out texture, so that no halo stands along an edge. Its coefficients are found
// on a small picture of the whole photo and taken up to pixels: K. He, J. Sun, "Fast guided filter",
// arXiv:1505.00996, 2015. So a region needs nothing of its neighbours.
#pragma once

#include <array>
#include <memory>
#include <vector>

#include "base/work.h"
#include "develop/look.h"
#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// The coefficients of a photo, in stops: the surround of a pixel of brightness L is slope * L + level.
class Surround {
  public:
    // `brightness` is the photo made small, as linear light of Y; it stands for photo.width() x
    // photo.height() pixels.
    Surround(const Plane& brightness, int width, int height);

    // Of the pixels at x, x + step, .. of the photo's row y (fractions count, pixel centres are whole
    // numbers).
    void row(double x, double step, double y, int n, float* slopes, float* levels) const;

    // In stops: what black is taken for, so that noise about it means nothing.
    static float stopsOf(float y);

  private:
    Plane slope_, level_;
    double scaleX_, scaleY_; // pixels of the photo for one of these
};

// What a look's highlights, shadows and local contrast do to a photo's light, before exposure.
class LocalTone {
  public:
    // `weights` make Y of the light that is given to apply(). `surround` is kept.
    LocalTone(const Photo& photo, const Look& look, const Vector3& weights,
              std::shared_ptr<const Surround> surround);

    // A row of pixels as Surround::row() counts them, in place. `evened` are the factors by which a lens's
    // shading was evened out, or nullptr.
    void apply(float* r, float* g, float* b, double x, double step, double y, int n,
               const float* evened) const;

    // The factor for a surround of so many stops of light. Eases in away from mid-grey, up to 1.5 stops.
    float factorAt(float stops) const;

  private:
    std::array<float, 3> weights_;
    std::shared_ptr<const Surround> surround_;
    std::vector<float> factors_;
    float contrast_; // stops away from the surround are multiplied by 1 and this
};

} // namespace irenic
