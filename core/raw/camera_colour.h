// What colours are to a camera under a light: the model of DNG (DNG 1.6, chapter 6).
#pragma once

#include <array>
#include <optional>

#include "image/matrix.h"
#include "raw/photo.h"

namespace irenic {

// The camera's colours under a light of some temperature: of two profiles a mixture, linear in the reciprocal
// of the temperature and held between the two.
struct CameraColour {
    Matrix3 toCamera = kIdentity3,    // XYZ to camera, calibration and analog balance among it
        calibration = kIdentity3;     // these two alone
    std::optional<Matrix3> forward{}; // white-balanced camera colours to XYZ D50
};
CameraColour cameraColourUnder(const Photo& photo, double kelvin);

// The CIE 1931 chromaticity of the light that a neutral belongs to.
std::array<double, 2> chromaticityOf(const Photo& photo, const Vector3& neutral);

// What the camera sees of a grey thing under a light of chromaticity (x, y), the largest 1: how DNG goes from
// AsShotWhiteXY to a neutral. A colour that the camera would not see at all is held at a thousandth.
Vector3 neutralUnder(const Photo& photo, double x, double y);

} // namespace irenic
