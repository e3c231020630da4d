#include "develop/colour.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <optional>

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

double temperatureOf(double x, double y) {
    // Reciprocal megakelvin, u, v and slope of the isotemperature lines.
    static constexpr double lines[][4] = {
        {0, 0.18006, 0.26352, -0.24341},   {10, 0.18066, 0.26589, -0.25479},  {20, 0.18133, 0.26846, -0.26876},  {30, 0.18208, 0.27119, -0.28539},
        {40, 0.18293, 0.27407, -0.30470},  {50, 0.18388, 0.27709, -0.32675},  {60, 0.18494, 0.28021, -0.35156},  {70, 0.18611, 0.28342, -0.37915},
        {80, 0.18740, 0.28668, -0.40955},  {90, 0.18880, 0.28997, -0.44278},  {100, 0.19032, 0.29326, -0.47888}, {125, 0.19462, 0.30141, -0.58204},
        {150, 0.19962, 0.30921, -0.70471}, {175, 0.20525, 0.31647, -0.84901}, {200, 0.21142, 0.32312, -1.0182},  {225, 0.21807, 0.32909, -1.2168},
        {250, 0.22511, 0.33439, -1.4512},  {275, 0.23247, 0.33904, -1.7298},  {300, 0.24010, 0.34308, -2.0637},  {325, 0.24792, 0.34655, -2.4681},
        {350, 0.25591, 0.34951, -2.9641},  {375, 0.26400, 0.35200, -3.5814},  {400, 0.27218, 0.35407, -4.3633},  {425, 0.28039, 0.35577, -5.3762},
        {450, 0.28863, 0.35714, -6.7262},  {475, 0.29685, 0.35823, -8.5955},  {500, 0.30505, 0.35907, -11.324},  {525, 0.31320, 0.35968, -15.628},
        {550, 0.32129, 0.36011, -23.325},  {575, 0.32931, 0.36038, -40.770},  {600, 0.33724, 0.36051, -116.45}};
    const double u = 4 * x / (-2 * x + 12 * y + 3), v = 6 * y / (-2 * x + 12 * y + 3);
    double before = 0;
    for (std::size_t i = 0; i < std::size(lines); ++i) {
        const auto& l = lines[i];
        const double distance = ((v - l[2]) - l[3] * (u - l[1])) / std::sqrt(1 + l[3] * l[3]);
        if (distance <= 0 && i > 0) {
            const double share = before / (before - distance), mired = lines[i - 1][0] + share * (l[0] - lines[i - 1][0]);
            return 1e6 / std::max(mired, 1.0);
        }
        before = distance;
    }
    return 1e6 / lines[std::size(lines) - 1][0];
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

double shotTemperature(const Photo& photo) {
    // The neutral says where white is only once the matrix is known, which depends on it: a few rounds settle that.
    double x = 0.3457, y = 0.3585;
    for (int round = 0; round < 30; ++round) {
        const Vector3 xyz = inverse(at(photo, temperatureOf(x, y)).toCamera) * photo.neutral;
        const double sum = xyz[0] + xyz[1] + xyz[2];
        if (!(sum > 1e-9)) break;
        const double nx = xyz[0] / sum, ny = xyz[1] / sum;
        const bool still = std::abs(nx - x) + std::abs(ny - y) < 1e-7;
        x = nx, y = ny;
        if (still) break;
    }
    return temperatureOf(x, y);
}

Matrix3 cameraToXyzD50(const Photo& photo) {
    const Characterisation c = at(photo, shotTemperature(photo));
    Matrix3 m;
    if (c.forward) {
        const Matrix3 reference = inverse(c.calibration);
        const Vector3 neutral = reference * photo.neutral;
        m = *c.forward * diagonal({1 / neutral[0], 1 / neutral[1], 1 / neutral[2]}) * reference * diagonal(photo.neutral);
    } else {
        const Matrix3 toXyz = inverse(c.toCamera);
        const Vector3 white = toXyz * photo.neutral;
        m = adaptation({white[0] / white[1], 1.0, white[2] / white[1]}) * toXyz * diagonal(photo.neutral);
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

float tone(float x) {
    if (x <= 0) return 0;
    // E. Reinhard et al., "Photographic tone reproduction for digital images", 2002, equation 4, with the sensor's
    // white going to white.
    constexpr float gain = 1.8f;
    const float v = x * gain;
    return std::min(1.0f, v * (1 + v / (gain * gain)) / (1 + v));
}

} // namespace irenic
