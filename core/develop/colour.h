// From camera colours to the colours of a screen or a file.
#pragma once

#include <array>

#include "develop/look.h"
#include "raw/photo.h"

namespace irenic {

// Multipliers that make a neutral grey, the smallest 1. `neutral` is what the camera sees of a grey thing,
// the largest 1.
Vector3 balanceOf(const Vector3& neutral);

// A light as photographers set it.
struct LightColour {
    double kelvin = 5000; // correlated colour temperature
    double tint =
        0; // thousandths of Duv: distance from the black body's line in CIE 1960 (u, v), above 0 greener
};

// The neutral of a camera under a light, and the light of a neutral; each undoes the other within 1700..25000
// K and tints of -40..40 (where a camera would see none of a colour, it is held at a thousandth).
Vector3 neutralUnder(const Photo& photo, const LightColour& light);
LightColour lightOf(const Photo& photo, const Vector3& neutral);
// The neutral that a look asks for.
Vector3 neutralFor(const Photo& photo, const Look& look);
// What the camera saw at a place that should be grey, the mean of the samples within `radius` pixels, as a
// light. Throws std::domain_error with a sentence when the place is too dark or clipped.
LightColour lightAt(const Photo& photo, int x, int y, int radius = 6);

// The temperature of the light that the as-shot neutral belongs to, in kelvin.
double shotTemperature(const Photo& photo);

// White-balanced camera colours to linear XYZ under D50 (the profile connection space); (1, 1, 1) goes to
// white. The whole model of DNG 1.6, chapter 6: of two profiles a mixture, linear in the reciprocal of the
// light's temperature; calibration and analog balance; by the forward matrix where there is one, else by the
// colour matrix and Bradford adaptation.
Matrix3 cameraToXyzD50(const Photo& photo, const Vector3& neutral);

enum class OutputSpace { Srgb, AdobeRgbCompatible, ProPhotoCompatible, LinearRec2020 };

// XYZ D50 to the linear values of a space.
Matrix3 xyzD50To(OutputSpace space);

// The transfer curve of a space for v in 0..1 (IEC 61966-2-1; Adobe RGB (1998) 4.3.5.2: 563/256; ROMM RGB,
// ANSI/I3A IT10.7666: 1.8); linear Rec. 2020 (ITU-R BT.2020) has none.
float encoded(OutputSpace space, float v);
float decoded(OutputSpace space, float v);

// The display tone curve on linear light: mid-grey is lifted by about half a stop, the upper end rolls off,
// 0 stays 0 and 1 stays 1. Monotone up to 1, and 1 above.
float tone(float linear);
// The same for a photo: a developed picture has its curve already and gets no second one.
inline float tone(const Photo& photo, float linear) {
    return photo.developed ? (linear < 0 ? 0 : linear > 1 ? 1 : linear) : tone(linear);
}

} // namespace irenic
