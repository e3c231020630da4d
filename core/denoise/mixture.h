// Mixtures of Gaussians: how likely a few numbers are, from examples.
#pragma once

#include <array>
#include <span>
#include <vector>

namespace irenic {

inline constexpr int kFeatures = 4;
using Features = std::array<float, kFeatures>;

// With diagonal covariances, fitted by expectation-maximisation from the same beginning every time.
class Mixture {
  public:
    // `examples` is not empty. `least` is the smallest variance of each feature.
    Mixture(std::span<const Features> examples, const Features& least);
    // The negative logarithm of how likely they are.
    float cost(const Features& of) const;
    // Deviations to the nearest part.
    float distance(const Features& of) const;

  private:
    struct Part {
        Features mean{}, variance{};
        double share = 0;
    };
    double logarithm(const Part& part, const Features& of) const;
    std::vector<Part> parts_;
};

} // namespace irenic
