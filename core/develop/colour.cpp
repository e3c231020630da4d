#include "develop/colour.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

constexpr Vector3 kD50 = {0.9642, 1.0, 0.8249};

// Bradford adaptation from white `from` to D50 (ICC.1:2010, annex E).
Matrix3 adaptation(const Vector3& from) {
    constexpr Matrix3 cone = {0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296};
    const Vector3 a = cone * from, b = cone * kD50;
    return inverse(cone) * diagonal({b[0] / a[0], b[1] / a[1], b[2] / a[2]}) * cone;
}

} // namespace

Vector3 balanceOf(const Photo& photo) {
    const double largest = std::max({photo.neutral[0], photo.neutral[1], photo.neutral[2]});
    return {largest / photo.neutral[0], largest / photo.neutral[1], largest / photo.neutral[2]};
}

Matrix3 cameraToXyzD50(const Photo& photo) {
    // EXIF LightSource: 20 D55, 21 D65, 22 D75, 23 D50 are daylight.
    const ColourProfile* profile = &photo.profiles.front();
    for (const ColourProfile& p : photo.profiles)
        if (p.illuminant >= 20 && p.illuminant <= 23) profile = &p;
    const Matrix3 calibrated = inverse(profile->calibration);
    if (profile->forwardMatrix) {
        // The forward matrix takes (1, 1, 1) to D50; balanced colours need no more.
        return *profile->forwardMatrix;
    }
    const Matrix3 toXyz = inverse(profile->colourMatrix) * calibrated;
    const Vector3 white = toXyz * photo.neutral;
    const Vector3 unit = {white[0] / white[1], 1.0, white[2] / white[1]};
    Matrix3 m = adaptation(unit) * toXyz * diagonal(photo.neutral);
    const Vector3 neutral = m * Vector3{1, 1, 1};
    for (double& v : m) v *= kD50[1] / neutral[1];
    return m;
}

Matrix3 xyzD50To(OutputSpace space) {
    switch (space) {
    case OutputSpace::AdobeRgbCompatible:
        return {1.9624274, -0.6105343, -0.3413404, -0.9787684, 1.9161415, 0.0334540, 0.0286869, -0.1406752, 1.3487655};
    case OutputSpace::ProPhotoCompatible:
        return {1.3459433, -0.2556075, -0.0511118, -0.5445989, 1.5081673, 0.0205351, 0.0, 0.0, 1.2118128};
    case OutputSpace::Srgb: break;
    }
    return {3.1338561, -1.6168667, -0.4906146, -0.9787684, 1.9161415, 0.0334540, 0.0719453, -0.2289914, 1.4052427};
}

float encoded(OutputSpace space, float v) {
    v = std::clamp(v, 0.0f, 1.0f);
    switch (space) {
    case OutputSpace::AdobeRgbCompatible: return std::pow(v, 256.0f / 563.0f);
    case OutputSpace::ProPhotoCompatible: return v < 1.0f / 512 ? 16 * v : std::pow(v, 1 / 1.8f);
    case OutputSpace::Srgb: break;
    }
    return v <= 0.0031308f ? 12.92f * v : 1.055f * std::pow(v, 1 / 2.4f) - 0.055f;
}

float tone(float x) {
    if (x <= 0) return 0;
    // E. Reinhard et al., "Photographic tone reproduction for digital images", 2002, equation 4, with the sensor's
    // white going to white.
    constexpr float gain = 1.8f;
    const float v = x * gain;
    return std::min(1.0f, v * (1 + v / (gain * gain)) / (1 + v));
}

} // namespace irenic
