#include "develop/colour.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>

#include "base/expects.h"
#include "base/shown_text.h"
#include "image/srgb.h"
#include "raw/camera_colour.h"
#include "raw/light.h"

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

Vector3 balanceOf(const Vector3& neutral) {
    IRENIC_EXPECTS(neutral[0] > 0 && neutral[1] > 0 && neutral[2] > 0);
    const double largest = std::max({neutral[0], neutral[1], neutral[2]});
    return {largest / neutral[0], largest / neutral[1], largest / neutral[2]};
}

Vector3 neutralUnder(const Photo& photo, const LightColour& light) {
    const auto [u, v] = lightUv(1e6 / light.kelvin, light.tint);
    const double scale = 2 * u - 8 * v + 4;
    return neutralUnder(photo, 3 * u / scale, 2 * v / scale);
}

LightColour lightOf(const Photo& photo, const Vector3& neutral) {
    const auto [x, y] = chromaticityOf(photo, neutral);
    const double scale = -2 * x + 12 * y + 3, u = 4 * x / scale, v = 6 * y / scale;
    // Newton's method on (mired, tint) from the tabled temperature on.
    double mired = std::clamp(1e6 / temperatureOf(x, y), 1.0, 600.0), tint = 0;
    for (int i = 0; i < 30; ++i) {
        const auto here = lightUv(mired, tint), dm = lightUv(mired + 0.01, tint),
                   dt = lightUv(mired, tint + 0.01);
        const double a = (dm[0] - here[0]) / 0.01, b = (dt[0] - here[0]) / 0.01, c = (dm[1] - here[1]) / 0.01,
                     d = (dt[1] - here[1]) / 0.01, det = a * d - b * c;
        if (std::abs(det) < 1e-18) break;
        const double eu = u - here[0], ev = v - here[1];
        mired = std::clamp(mired + std::clamp((d * eu - b * ev) / det, -30.0, 30.0), 1.0, 599.9),
        tint = std::clamp(tint + (a * ev - c * eu) / det, -300.0, 300.0);
    }
    return {1e6 / mired, tint};
}

Vector3 neutralFor(const Photo& photo, const Look& look) {
    return look.asShot || photo.monochrome
               ? photo.neutral
               : neutralUnder(photo, {static_cast<double>(look.kelvin), static_cast<double>(look.tint)});
}

LightColour lightAt(const Photo& photo, int x, int y, int radius) {
    IRENIC_EXPECTS(radius >= 0);
    const Rect area =
        Rect{x - radius, y - radius, 2 * radius + 2, 2 * radius + 2}.aligned(2).intersected(photo.whole());
    Vector3 sum{}, count{};
    int clipped = 0, all = 0;
    for (int v = area.y; v < area.bottom(); ++v)
        for (int u = area.x; u < area.right(); ++u)
            for (int c = 0; c < (photo.hasMosaic() ? 1 : 3); ++c) {
                const auto k = static_cast<std::size_t>(photo.hasMosaic() ? photo.mosaic.at(u, v) : c);
                const float s = photo.normalised(u, v, c);
                sum[k] += static_cast<double>(s), count[k] += 1, clipped += s > 0.98f, ++all;
            }
    for (std::size_t k = 0; k < 3; ++k) sum[k] /= std::max(1.0, count[k]);
    if (clipped > all / 20)
        throw std::domain_error(IRENIC_TEXT(
            "This place is clipped: its colour is lost. Click something grey that is less bright."));
    if (std::min({sum[0], sum[1], sum[2]}) < 1e-4)
        throw std::domain_error(
            IRENIC_TEXT("This place is too dark to tell its colour. Click something grey that is brighter."));
    return lightOf(photo, sum);
}

double shotTemperature(const Photo& photo) {
    const auto [x, y] = chromaticityOf(photo, photo.neutral);
    return temperatureOf(x, y);
}

Matrix3 cameraToXyzD50(const Photo& photo, const Vector3& asked) {
    const auto [x, y] = chromaticityOf(photo, asked);
    const CameraColour c = cameraColourUnder(photo, temperatureOf(x, y));
    Matrix3 m;
    if (c.forward) {
        const Matrix3 reference = inverse(c.calibration);
        const Vector3 neutral = reference * asked;
        m = *c.forward * diagonal({1 / neutral[0], 1 / neutral[1], 1 / neutral[2]}) * reference *
            diagonal(asked);
    } else {
        const Matrix3 toXyz = inverse(c.toCamera);
        const Vector3 white = toXyz * asked;
        m = adaptation({white[0] / white[1], 1.0, white[2] / white[1]}) * toXyz * diagonal(asked);
    }
    const Vector3 neutral = m * Vector3{1, 1, 1};
    for (double& v : m) v *= kD50[1] / neutral[1];
    return m;
}

Matrix3 xyzD50To(OutputSpace space) {
    switch (space) {
    case OutputSpace::AdobeRgbCompatible:
        return {1.9624274, -0.6105343, -0.3413404, -0.9787684, 1.9161415,
                0.0334540, 0.0286869,  -0.1406752, 1.3487655};
    case OutputSpace::ProPhotoCompatible:
        return {1.3459433, -0.2556075, -0.0511118, -0.5445989, 1.5081673, 0.0205351, 0.0, 0.0, 1.2118128};
    case OutputSpace::LinearRec2020: // D65 adapted to D50 by Bradford
        return {1.6472755, -0.3936023, -0.2359807, -0.6826185, 1.6476181,
                0.0128165, 0.0296627,  -0.0629167, 1.2533965};
    case OutputSpace::Srgb: break;
    }
    return {3.1338561, -1.6168667, -0.4906146, -0.9787684, 1.9161415,
            0.0334540, 0.0719453,  -0.2289914, 1.4052427};
}

float encoded(OutputSpace space, float v) {
    v = std::clamp(v, 0.0f, 1.0f);
    switch (space) {
    case OutputSpace::AdobeRgbCompatible: return std::pow(v, 256.0f / 563.0f);
    case OutputSpace::ProPhotoCompatible: return v < 1.0f / 512 ? 16 * v : std::pow(v, 1 / 1.8f);
    case OutputSpace::LinearRec2020: return v;
    case OutputSpace::Srgb: break;
    }
    return srgbEncoded(v);
}

float decoded(OutputSpace space, float v) {
    v = std::clamp(v, 0.0f, 1.0f);
    switch (space) {
    case OutputSpace::AdobeRgbCompatible: return std::pow(v, 563.0f / 256.0f);
    case OutputSpace::ProPhotoCompatible: return v < 16.0f / 512 ? v / 16 : std::pow(v, 1.8f);
    case OutputSpace::LinearRec2020: return v;
    case OutputSpace::Srgb: break;
    }
    return srgbDecoded(v);
}

float tone(float x) {
    if (x <= 0) return 0;
    // E. Reinhard et al., "Photographic tone reproduction for digital images", 2002, equation 4, with the
    // sensor's white going to white.
    constexpr float gain = 1.8f;
    const float v = x * gain;
    return std::min(1.0f, v * (1 + v / (gain * gain)) / (1 + v));
}

} // namespace irenic
