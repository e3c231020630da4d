// Variance stabilisation: the generalised Anscombe transform and its exact unbiased inverse.
//
// Forward: f(z) = 2 sqrt(z + 3/8 + s^2) in electrons, z = x / a, s^2 = b / a^2; after it, Poisson-Gaussian
// noise has a standard deviation of about 1 (J.-L. Starck, F. Murtagh, A. Bijaoui, 1998). Inverse: the mean
// that an estimate D = E[f(z)] belongs to, tabulated by summing over the Poisson distribution and integrating
// over the Gaussian one: M. Makitalo, A. Foi, "Optimal inversion of the generalized Anscombe transformation
// for Poisson-Gaussian noise", IEEE Trans. Image Processing 22(1), 2013.
#pragma once

#include <memory>
#include <vector>

#include "noise/model.h"

namespace irenic {

class Stabiliser {
  public:
    // For one channel. Tables are made once for each line and shared. A line without photon noise (a below
    // 1e-9) is treated as having 1e9 electrons at white.
    explicit Stabiliser(const NoiseLine& line);

    // x normalised (may be below 0 or above 1) to the stabilised value.
    float forward(float x) const { return root(x * gain_ + offset_); }
    // The algebraic inverse: right for a value that still holds all of its noise.
    float algebraic(float d) const { return (0.25f * energy(d) - offset_) * scale_; }
    // The square of d, as it is but for the straight part near 0.
    static float energy(float d) {
        return d >= 2 * kKneeRoot ? d * d : 4 * (kKnee + (d - 2 * kKneeRoot) * kKneeRoot);
    }
    // The exact unbiased inverse: right for an estimate of the mean. Below the mean that darkness itself
    // gives it goes on straight, so that dark areas keep their mean instead of being lifted.
    float unbiased(float d) const;
    // What noise adds to the mean of energy() where the mean is d: about 1, but for the darkest parts.
    float energyOfNoise(float d) const { return 4 * (unbiased(d) - algebraic(d)) * gain_; }
    // The variance of the stabilised noise where its mean is d: likewise.
    float variance(float d) const;
    // Mean and variance of the stabilised samples of an expected count below some hundred electrons; both
    // arguments in electrons.
    static Moments momentsOf(double electrons, double readNoise);
    // The slope of the unbiased inverse at d.
    float slope(float d) const { return 0.5f * d * scale_; }

    // What vector loops need; `values` holds (mean in electrons - 0.25 d^2) at start + i * step, or is null.
    struct View {
        float gain, scale, offset, tail;
        const float* values;
        int size;
        float start, step, slope,
            end; // slope below the table, in electrons; what the table's end is above the closed form
    };
    View view() const;
    static constexpr float knee() { return kKnee; }
    static constexpr float kneeRoot() { return kKneeRoot; }

  private:
    // Below this many electrons (of x / a + 3/8 + s^2) the root goes on along its tangent: the darkest
    // samples, which read noise takes below black, stay apart and keep their mean.
    static constexpr float kKnee = 0.375f, kKneeRoot = 0.61237244f;
    static float root(float z) {
        return z >= kKnee ? 2.0f * __builtin_sqrtf(z) : 2 * kKneeRoot + (z - kKnee) / kKneeRoot;
    }
    struct Table {
        float step = 0, start = 0;
        std::vector<float> values;    // of (mean in electrons - 0.25 d^2), at equal steps of d; may be empty
        std::vector<float> variances; // of the stabilised noise, at the same steps
    };
    static std::shared_ptr<const Table> tableOf(double readNoise);

    float gain_, scale_, offset_, tail_; // 1/a, a, 3/8 + s^2, the closed form's constant
    std::shared_ptr<const Table> table_;
};

} // namespace irenic
