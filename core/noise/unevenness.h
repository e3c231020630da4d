// Noise that is not the same all over the frame: a read-out that is noisier towards one side, light fallen
// off to the corners that the camera made up for before it wrote the raw.
#pragma once

#include <algorithm>
#include <cmath>

namespace irenic {

// Logarithms of a factor on the noise's deviation; 0: even.
struct Unevenness {
    double across = 0;    // from the middle to the right edge; to the left edge as much less
    double down = 0;      // from the middle to the bottom edge; to the top edge as much less
    double toCorners = 0; // from the middle to the corners, with the square of the distance

    // The noise at one end over that at the other.
    double rightOverLeft() const { return std::exp(2 * across); }
    double bottomOverTop() const { return std::exp(2 * down); }
    double cornersOverMiddle() const { return std::exp(toCorners); }

    bool none() const { return across == 0 && down == 0 && toCorners == 0; }

    // The factor at a place of an area of this size. Over the whole area its logarithm has a mean of 0.
    float at(double x, double y, double width, double height) const {
        constexpr double kMeanSquare = 1.0 / 3, kFarthest = 1.4; // the latter: a factor of 4
        const double u = 2 * x / width - 1, v = 2 * y / height - 1;
        const double square =
            (u * u * width * width + v * v * height * height) / (width * width + height * height);
        const double logarithm = across * u + down * v + toCorners * (square - kMeanSquare);
        return static_cast<float>(std::exp(std::clamp(logarithm, -kFarthest, kFarthest)));
    }
    friend bool operator==(const Unevenness&, const Unevenness&) = default;
};

} // namespace irenic
