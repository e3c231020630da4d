#include "raw/camera_colour.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "raw/light.h"

namespace irenic {

namespace {

Matrix3 mixed(const Matrix3& a, const Matrix3& b, double ofA) {
    Matrix3 m;
    for (std::size_t i = 0; i < 9; ++i) m[i] = ofA * a[i] + (1 - ofA) * b[i];
    return m;
}

} // namespace

CameraColour cameraColourUnder(const Photo& photo, double temperature) {
    IRENIC_EXPECTS(!photo.profiles.empty() && temperature > 0);
    const ColourProfile &first = photo.profiles.front(), &second = photo.profiles.back();
    const double t1 = temperatureOfLightSource(first.illuminant),
                 t2 = temperatureOfLightSource(second.illuminant);
    // Linear in reciprocal temperature, within the two.
    const double share = t1 == t2 ? 1 : std::clamp((1 / temperature - 1 / t2) / (1 / t1 - 1 / t2), 0.0, 1.0);
    CameraColour c;
    c.calibration = diagonal(photo.analogBalance) * mixed(first.calibration, second.calibration, share);
    c.toCamera = c.calibration * mixed(first.colourMatrix, second.colourMatrix, share);
    if (first.forwardMatrix && second.forwardMatrix)
        c.forward = mixed(*first.forwardMatrix, *second.forwardMatrix, share);
    else if (first.forwardMatrix || second.forwardMatrix)
        c.forward = first.forwardMatrix ? first.forwardMatrix : second.forwardMatrix;
    return c;
}

std::array<double, 2> chromaticityOf(const Photo& photo, const Vector3& neutral) {
    // The neutral says where white is only once the matrix is known, which depends on it: a few rounds settle
    // that.
    double x = 0.3457, y = 0.3585;
    for (int round = 0; round < 60; ++round) {
        const Vector3 xyz = inverse(cameraColourUnder(photo, temperatureOf(x, y)).toCamera) * neutral;
        const double sum = xyz[0] + xyz[1] + xyz[2];
        if (!(sum > 1e-9)) break;
        const double nx = xyz[0] / sum, ny = xyz[1] / sum;
        const bool still = std::abs(nx - x) + std::abs(ny - y) < 1e-9;
        x = nx, y = ny;
        if (still) break;
    }
    return {x, y};
}

Vector3 neutralUnder(const Photo& photo, double x, double y) {
    Vector3 neutral =
        cameraColourUnder(photo, temperatureOf(x, y)).toCamera * Vector3{x / y, 1, (1 - x - y) / y};
    const double largest = std::max({neutral[0], neutral[1], neutral[2]});
    for (double& n : neutral) n = std::max(n / largest, 1e-3);
    return neutral;
}

} // namespace irenic
