// The Poisson-Gaussian noise of a raw sensor: variance = a * x + b.
//
// x is a sample's expected value, 0 at the black level and 1 at the white level. `a` holds the photon (shot)
// noise: 1/a is the number of electrons at white. `b` holds the signal-independent (read) noise. See A. Foi,
// M. Trimeche, V. Katkovnik, K. Egiazarian, "Practical Poissonian-Gaussian noise modeling and fitting for
// single-image raw-data", IEEE Trans. Image Processing 17(10), 2008.
#pragma once

#include <array>
#include <cmath>

namespace irenic {

struct NoiseLine {
    double a = 0, b = 0;

    double variance(double x) const { return a * x + b; }
    double sigma(double x) const { return std::sqrt(variance(x) > 0 ? variance(x) : 0.0); }
    friend bool operator==(const NoiseLine&, const NoiseLine&) = default;
};

struct Moments {
    double mean, variance;
};

// One line for each channel of the mosaic: R, G in R's rows, G in B's rows, B.
struct NoiseModel {
    std::array<NoiseLine, 4> channel;
    friend bool operator==(const NoiseModel&, const NoiseModel&) = default;
};

inline constexpr std::array<const char*, 4> kChannelNames = {"R", "G1", "G2", "B"};

} // namespace irenic
