// How a photo is developed: white balance, tone, lens, sharpening. Values, the same for every take of a
// photo, copied from photo to photo.
#pragma once

#include <compare>
#include <string>
#include <vector>

#include "base/field.h"
#include "develop/demosaic.h"

namespace irenic {

// What is done about the edges of a picture whose distortion is corrected.
enum class Edges {
    SameRatio,        // enlarged until the frame is full; nothing is empty, the proportions stay
    LargestRectangle, // not enlarged; the largest upright rectangle that is full
    KeepAll           // reduced until everything is in; what lies outside the photo stays black
};

// Lens softness that sharpening takes back, named after what is that thick: the blur's standard deviation in
// pixels.
enum class Softness { Off, Fine, Medium, Wide, Widest };
float blurOf(Softness softness); // 0, 0.5, 0.7, 1.0, 1.4

struct Look {
    bool asShot = true;  // the camera's white balance; else:
    float kelvin = 5000; // 1700..25000, the light's correlated colour temperature
    float tint =
        0; // -40..40, thousandths of Duv: how far the light lies above (greener than) the black body's line

    float exposure = 0;      // -4..4 stops
    float highlights = 0;    // -1..1: below 0 brings back what is brighter than mid-grey, up to 1.5 stops
    float shadows = 0;       // -1..1: above 0 lifts what is darker than mid-grey, up to 1.5 stops
    float localContrast = 0; // -1..1: texture and small forms against their surround, by up to half
    float saturation = 1;    // 0..2
    float muted = 0;         // -1..1: strength of weak colours; those that are strong already stay
    Curve curve{};           // of contrast, on display values

    bool vignetting = false, chromatic = false, distortion = false; // of the lens, corrected
    Edges edges = Edges::SameRatio;
    bool fringes = false; // purple fringes taken out
    Softness softness = Softness::Off;
    Demosaic demosaic = Demosaic::Fine;

    friend bool operator==(const Look&, const Look&) = default;
    bool plain() const { return *this == Look{}; }
    bool usesLens() const { return vignetting || chromatic || distortion; }
};

template <> std::span<const Field<Look>> fieldsOf<Look>();

// "kelvin=4200,tint=3,exposure=0.5,curve=0:0;0.5:0.6;1:1,vignetting,softness=medium": what differs from a
// plain look; empty for a plain one. lookFromText throws std::invalid_argument with a
// sentence for the user.
std::string textOf(const Look& look);
Look lookFromText(const std::string& text);

// The contrast curve at v, 0..1: a monotone cubic through the points (F. N. Fritsch, R. E. Carlson, "Monotone
// piecewise cubic interpolation", SIAM J. Numer. Anal. 17(2), 1980), level beyond the ends.
class Contrast {
  public:
    explicit Contrast(std::vector<CurvePoint> points);
    float operator()(float v) const;

  private:
    std::vector<CurvePoint> points_;
    std::vector<float> slopes_;
};

} // namespace irenic
