#include "develop/colour.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <optional>
#include <stdexcept>

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
    const double largest = std::max({neutral[0], neutral[1], neutral[2]});
    return {largest / neutral[0], largest / neutral[1], largest / neutral[2]};
}

namespace {

// Robertson's table: reciprocal megakelvin, u, v and slope of the isotemperature lines.
constexpr double kLines[][4] = {
    {0, 0.18006, 0.26352, -0.24341},   {10, 0.18066, 0.26589, -0.25479},  {20, 0.18133, 0.26846, -0.26876},  {30, 0.18208, 0.27119, -0.28539},
    {40, 0.18293, 0.27407, -0.30470},  {50, 0.18388, 0.27709, -0.32675},  {60, 0.18494, 0.28021, -0.35156},  {70, 0.18611, 0.28342, -0.37915},
    {80, 0.18740, 0.28668, -0.40955},  {90, 0.18880, 0.28997, -0.44278},  {100, 0.19032, 0.29326, -0.47888}, {125, 0.19462, 0.30141, -0.58204},
    {150, 0.19962, 0.30921, -0.70471}, {175, 0.20525, 0.31647, -0.84901}, {200, 0.21142, 0.32312, -1.0182},  {225, 0.21807, 0.32909, -1.2168},
    {250, 0.22511, 0.33439, -1.4512},  {275, 0.23247, 0.33904, -1.7298},  {300, 0.24010, 0.34308, -2.0637},  {325, 0.24792, 0.34655, -2.4681},
    {350, 0.25591, 0.34951, -2.9641},  {375, 0.26400, 0.35200, -3.5814},  {400, 0.27218, 0.35407, -4.3633},  {425, 0.28039, 0.35577, -5.3762},
    {450, 0.28863, 0.35714, -6.7262},  {475, 0.29685, 0.35823, -8.5955},  {500, 0.30505, 0.35907, -11.324},  {525, 0.31320, 0.35968, -15.628},
    {550, 0.32129, 0.36011, -23.325},  {575, 0.32931, 0.36038, -40.770},  {600, 0.33724, 0.36051, -116.45}};

} // namespace

double temperatureOf(double x, double y) {
    const double u = 4 * x / (-2 * x + 12 * y + 3), v = 6 * y / (-2 * x + 12 * y + 3);
    double before = 0;
    for (std::size_t i = 0; i < std::size(kLines); ++i) {
        const auto& l = kLines[i];
        const double distance = ((v - l[2]) - l[3] * (u - l[1])) / std::sqrt(1 + l[3] * l[3]);
        if (distance <= 0 && i > 0) {
            const double share = before / (before - distance), mired = kLines[i - 1][0] + share * (l[0] - kLines[i - 1][0]);
            return 1e6 / std::max(mired, 1.0);
        }
        before = distance;
    }
    return 1e6 / kLines[std::size(kLines) - 1][0];
}

namespace {

// The temperature of an EXIF LightSource.
double temperatureOfLight(int code) {
    switch (code) {
    case 3: case 17: return 2850;          // tungsten, standard light A
    case 24: return 3200;                  // studio tungsten
    case 15: return 3450;                  // white fluorescent
    case 2: case 14: return 4150;          // fluorescent, cool white
    case 13: case 18: case 23: return 5000; // day white, B, D50
    case 1: case 4: case 9: case 20: return 5500; // daylight, flash, fine weather, D55
    case 12: return 6400;                  // daylight fluorescent
    case 11: case 22: return 7500;         // shade, D75
    default: return 6500;                  // cloudy, C, D65, unknown
    }
}

Matrix3 mixed(const Matrix3& a, const Matrix3& b, double ofA) {
    Matrix3 m;
    for (std::size_t i = 0; i < 9; ++i) m[i] = ofA * a[i] + (1 - ofA) * b[i];
    return m;
}

// The camera's colours under a light of some temperature, between those of its profiles.
struct Characterisation {
    Matrix3 toCamera = kIdentity3, calibration = kIdentity3; // XYZ to camera, with calibration and analog balance; these two alone
    std::optional<Matrix3> forward;
};
Characterisation at(const Photo& photo, double temperature) {
    const ColourProfile &first = photo.profiles.front(), &second = photo.profiles.back();
    const double t1 = temperatureOfLight(first.illuminant), t2 = temperatureOfLight(second.illuminant);
    // Linear in reciprocal temperature, within the two.
    const double share = t1 == t2 ? 1 : std::clamp((1 / temperature - 1 / t2) / (1 / t1 - 1 / t2), 0.0, 1.0);
    Characterisation c;
    c.calibration = diagonal(photo.analogBalance) * mixed(first.calibration, second.calibration, share);
    c.toCamera = c.calibration * mixed(first.colourMatrix, second.colourMatrix, share);
    if (first.forwardMatrix && second.forwardMatrix) c.forward = mixed(*first.forwardMatrix, *second.forwardMatrix, share);
    else if (first.forwardMatrix || second.forwardMatrix) c.forward = first.forwardMatrix ? first.forwardMatrix : second.forwardMatrix;
    return c;
}

} // namespace

namespace {

// The chromaticity of the light that a neutral belongs to.
std::array<double, 2> chromaticityOf(const Photo& photo, const Vector3& neutral) {
    // The neutral says where white is only once the matrix is known, which depends on it: a few rounds settle that.
    double x = 0.3457, y = 0.3585;
    for (int round = 0; round < 60; ++round) {
        const Vector3 xyz = inverse(at(photo, temperatureOf(x, y)).toCamera) * neutral;
        const double sum = xyz[0] + xyz[1] + xyz[2];
        if (!(sum > 1e-9)) break;
        const double nx = xyz[0] / sum, ny = xyz[1] / sum;
        const bool still = std::abs(nx - x) + std::abs(ny - y) < 1e-9;
        x = nx, y = ny;
        if (still) break;
    }
    return {x, y};
}

// CIE 1960 (u, v) of a light.
std::array<double, 2> uvOf(double mired, double tint) {
    std::size_t i = 1;
    while (i + 1 < std::size(kLines) && kLines[i][0] < mired) ++i;
    const double *a = kLines[i - 1], *b = kLines[i], t = std::clamp((mired - a[0]) / (b[0] - a[0]), 0.0, 1.0);
    // Along the isotemperature line, upwards.
    const auto direction = [](const double* line) {
        const double length = std::hypot(1.0, line[3]);
        return std::array<double, 2>{-1 / length, -line[3] / length};
    };
    const auto da = direction(a), db = direction(b);
    double du = (1 - t) * da[0] + t * db[0], dv = (1 - t) * da[1] + t * db[1];
    const double length = std::hypot(du, dv), d = tint / 1000;
    return {(1 - t) * a[1] + t * b[1] + d * du / length, (1 - t) * a[2] + t * b[2] + d * dv / length};
}

} // namespace

Vector3 neutralUnder(const Photo& photo, const LightColour& light) {
    const auto [u, v] = uvOf(1e6 / light.kelvin, light.tint);
    const double scale = 2 * u - 8 * v + 4, x = 3 * u / scale, y = 2 * v / scale;
    Vector3 neutral = at(photo, temperatureOf(x, y)).toCamera * Vector3{x / y, 1, (1 - x - y) / y};
    const double largest = std::max({neutral[0], neutral[1], neutral[2]});
    for (double& n : neutral) n = std::max(n / largest, 1e-3);
    return neutral;
}

LightColour lightOf(const Photo& photo, const Vector3& neutral) {
    const auto [x, y] = chromaticityOf(photo, neutral);
    const double scale = -2 * x + 12 * y + 3, u = 4 * x / scale, v = 6 * y / scale;
    // Newton's method on (mired, tint) from the tabled temperature on.
    double mired = std::clamp(1e6 / temperatureOf(x, y), 1.0, 600.0), tint = 0;
    for (int i = 0; i < 30; ++i) {
        const auto here = uvOf(mired, tint), dm = uvOf(mired + 0.01, tint), dt = uvOf(mired, tint + 0.01);
        const double a = (dm[0] - here[0]) / 0.01, b = (dt[0] - here[0]) / 0.01, c = (dm[1] - here[1]) / 0.01, d = (dt[1] - here[1]) / 0.01, det = a * d - b * c;
        if (std::abs(det) < 1e-18) break;
        const double eu = u - here[0], ev = v - here[1];
        mired = std::clamp(mired + std::clamp((d * eu - b * ev) / det, -30.0, 30.0), 1.0, 599.9), tint = std::clamp(tint + (a * ev - c * eu) / det, -300.0, 300.0);
    }
    return {1e6 / mired, tint};
}

Vector3 neutralFor(const Photo& photo, const Look& look) {
    return look.asShot || photo.monochrome ? photo.neutral : neutralUnder(photo, {static_cast<double>(look.kelvin), static_cast<double>(look.tint)});
}

LightColour lightAt(const Photo& photo, int x, int y, int radius) {
    const Rect area = Rect{x - radius, y - radius, 2 * radius + 2, 2 * radius + 2}.aligned(2).intersected({0, 0, photo.width(), photo.height()});
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
    if (clipped > all / 20) throw std::domain_error("This place is clipped: its colour is lost. Click something grey that is less bright.");
    if (std::min({sum[0], sum[1], sum[2]}) < 1e-4) throw std::domain_error("This place is too dark to tell its colour. Click something grey that is brighter.");
    return lightOf(photo, sum);
}

double shotTemperature(const Photo& photo) {
    const auto [x, y] = chromaticityOf(photo, photo.neutral);
    return temperatureOf(x, y);
}

Matrix3 cameraToXyzD50(const Photo& photo, const Vector3& asked) {
    const auto [x, y] = chromaticityOf(photo, asked);
    const Characterisation c = at(photo, temperatureOf(x, y));
    Matrix3 m;
    if (c.forward) {
        const Matrix3 reference = inverse(c.calibration);
        const Vector3 neutral = reference * asked;
        m = *c.forward * diagonal({1 / neutral[0], 1 / neutral[1], 1 / neutral[2]}) * reference * diagonal(asked);
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

float decoded(OutputSpace space, float v) {
    v = std::clamp(v, 0.0f, 1.0f);
    switch (space) {
    case OutputSpace::AdobeRgbCompatible: return std::pow(v, 563.0f / 256.0f);
    case OutputSpace::ProPhotoCompatible: return v < 16.0f / 512 ? v / 16 : std::pow(v, 1.8f);
    case OutputSpace::Srgb: break;
    }
    return v <= 0.04045f ? v / 12.92f : std::pow((v + 0.055f) / 1.055f, 2.4f);
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
