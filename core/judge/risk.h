// How far a take is from the picture without noise, from the photo's own pixels.
//
// Stein's unbiased risk estimate tells the mean squared error of a cleaned picture against the noiseless one
// without knowing that one: risk = mean (f(y) - y)^2 - 1 + 2 div f(y) / n, for noise of variance 1, which
// stabilisation provides. The divergence is measured by a second run on y plus a little noise b: S. Ramani,
// T. Blu, M. Unser, "Monte-Carlo SURE: a black-box optimization of regularization parameters for general
// denoising algorithms", IEEE Trans. Image Processing 17(9), 2008. Where full colour was made of an X-Trans
// mosaic noise goes from pixel to pixel: there b is added to the mosaic and goes the same way, and tells the
// covariance C as well, of which the estimate needs the traces of C and of C times the Jacobian. Finished
// pictures, whose mosaic nobody knows, are shaken with noise of their own form (judge/noise_form.h). Small
// areas without a mosaic are cut out of the photo with some 70 pixels around them and cleaned as if that were
// all.
#pragma once

#include <span>
#include <vector>

#include "denoise/clean.h"
#include "develop/look.h"
#include "judge/probes.h"

namespace irenic {

// Estimated mean squared errors in the stabilised domain, where the noise itself has 1. Estimates scatter: a
// good result can come out a trace below 0.
struct Risk {
    double luminance = 0, colour = 0;
    double sum() const { return luminance + colour; }
    // The root mean square error over all planes, in sigmas of the noise.
    double sigmas() const;
    friend bool operator==(const Risk&, const Risk&) = default;
};

// Of none 0.
Risk meanOf(const std::vector<Risk>& risks);

// What costs nothing beside cleaning, and is tried with all that is cleaned.
struct RiskFinish {
    float detail = 0, grain = 0;
};

// What a take comes to at one place.
struct PlaceResult {
    Risk risk;
    // The middle of what it made, packed samples or pixels row by row, their planes in turn. Each counts as
    // much as it does in the risk: of two takes the mean square of what is between them is in squared sigmas,
    // too.
    std::vector<float> picture;
};

struct RiskPlace; // risk.cpp

// Squares around a photo's first probes, prepared for many takes.
class RiskPlaces {
  public:
    static constexpr std::size_t kMost = 5;

    // Errors count alike everywhere. Throws Cancelled, as the rest does.
    RiskPlaces(const Photo& photo, const std::vector<Probe>& probes, const Work& work = {});
    // Errors count by how much they are seen in the finished picture (judge/seen_gain.h).
    RiskPlaces(const Photo& photo, const Look& look, const std::vector<Probe>& probes, const Work& work = {});
    ~RiskPlaces();
    RiskPlaces(const RiskPlaces&) = delete;
    RiskPlaces& operator=(const RiskPlaces&) = delete;

    // For each of the finishes, which share the cleaning: the result at each place.
    std::vector<std::vector<PlaceResult>>
    ofEach(const Settings& settings, std::span<const RiskFinish> finishes, const Work& work = {}) const;
    // The means over all places.
    std::vector<Risk> of(const Settings& settings, std::span<const RiskFinish> finishes,
                         const Work& work = {}) const;

  private:
    std::vector<RiskPlace> places_;
};

// Estimated on one area of packed samples. Throws Cancelled.
Risk estimateRisk(const Photo& photo, const Settings& settings, const Rect& packedArea,
                  const Work& work = {});
// The mean over squares around the probes.
Risk estimateRisk(const Photo& photo, const Settings& settings, const std::vector<Probe>& probes,
                  const Work& work = {});

} // namespace irenic
