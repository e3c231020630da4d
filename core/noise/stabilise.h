// Variance stabilisation: the generalised Anscombe transform and its exact unbiased inverse.
//
// Forward: f(z) = 2 sqrt(z + 3/8 + s^2) in electrons, z = x / a, s^2 = b / a^2; after it, Poisson-Gaussian noise
// has a standard deviation of about 1 (J.-L. Starck, F. Murtagh, A. Bijaoui, 1998).
// Inverse: the mean that an estimate D = E[f(z)] belongs to, tabulated by summing over the Poisson
// distribution and integrating over the Gaussian one: M. Makitalo, A. Foi, "Optimal inversion of the generalized
// Anscombe transformation for Poisson-Gaussian noise", IEEE Trans. Image Processing 22(1), 2013.
#pragma once

#include <memory>
#include <vector>

#include "noise/model.h"

namespace irenic {

class Stabiliser {
  public:
    // For one channel. Tables are made once for each line and shared. A line without photon noise (a below 1e-9) is treated as having 1e9 electrons at white.
    explicit Stabiliser(const NoiseLine& line);

    // x normalised (may be below 0 or above 1) to the stabilised value; never below 0.
    float forward(float x) const {
        const float z = x * gain_ + offset_;
        return z > 0 ? 2.0f * __builtin_sqrtf(z) : 0.0f;
    }
    // The algebraic inverse: right for a value that still holds all of its noise.
    float algebraic(float d) const { return (0.25f * d * d - offset_) * scale_; }
    // The exact unbiased inverse: right for an estimate of the mean. Below the mean that darkness itself
    // gives it goes on straight, so that dark areas keep their mean instead of being lifted.
    float unbiased(float d) const;
    // The slope of the unbiased inverse at d.
    float slope(float d) const { return 0.5f * d * scale_; }

  private:
    struct Table {
        float step = 0, start = 0;
        std::vector<float> values; // of (mean in electrons - 0.25 d^2), at equal steps of d; may be empty
    };
    static std::shared_ptr<const Table> tableOf(double readNoise);

    float gain_, scale_, offset_, tail_; // 1/a, a, 3/8 + s^2, the closed form's constant
    std::shared_ptr<const Table> table_;
};

} // namespace irenic
