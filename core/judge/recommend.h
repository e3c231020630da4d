// A recommended take, from the photo's own pixels.
//
// Stein's unbiased risk estimate tells the mean squared error of a cleaned picture against the noiseless one
// without knowing that one: risk = mean (f(y) - y)^2 - 1 + 2 div f(y) / n, for noise of variance 1, which
// stabilisation provides. The divergence is measured by a second run on y plus a little noise b: S. Ramani,
// T. Blu, M. Unser, "Monte-Carlo SURE: a black-box optimization of regularization parameters for general
// denoising algorithms", IEEE Trans. Image Processing 17(9), 2008.
#pragma once

#include <functional>
#include <string>
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

// Estimated on one area of packed samples. Throws Cancelled.
Risk estimateRisk(const Photo& photo, const Settings& settings, const Rect& packedArea,
                  const Work& work = {});
// The mean over squares around the probes.
Risk estimateRisk(const Photo& photo, const Settings& settings, const std::vector<Probe>& probes,
                  const Work& work = {});

struct Trial {
    Settings settings;
    Risk risk;
    double seconds = 0; // that it took here, all probes together
};

// Another take of nearly the same error and of another character.
struct Alternative {
    enum class Kind : std::uint8_t {
        Quick, // the quickest that is nearly as good
        Grain, // some of the photo's own grain is left in it
        Sharp, // sharpened as much as the photo's edges are blurred
    };
    Kind kind = Kind::Quick;
    Settings settings;
    Risk risk;
    double times = 1; // as quick as what is recommended
    double blur = 0;  // Sharp: the deviation of the edges' blur, in pixels
    // Quick: the worst that checks found around the probes, a sentence; empty: nothing to be looked at.
    std::string fault{};
    friend bool operator==(const Alternative&, const Alternative&) = default;
};
inline constexpr Alternative::Kind kAlternatives[] = {Alternative::Kind::Quick, Alternative::Kind::Grain,
                                                      Alternative::Kind::Sharp};
const char* idOf(Alternative::Kind kind); // "quick", "grain", "sharp"
// A few words for people: "3.1 times as quick", "edges are blurred by 0.8 px".
std::string wordsOf(const Alternative& other);

// A take that would have had less error, and the check that it failed.
struct Refused {
    Settings settings;
    std::string check;
};

struct Recommendation {
    Settings settings;
    Risk risk;
    std::vector<Alternative> others; // at most one of each kind
    std::vector<Trial> trials;       // everything that was tried
    std::vector<Refused> refused{};  // the best of all first
    std::string fault{};             // of `settings`, as Alternative has it
};

// The trial of least risk that does no harm, where of each method its own best is looked at; and what had
// less risk. `harm` names the check that a take fails, or nothing. Where all do harm the least risk stays.
struct Chosen {
    Trial trial;
    std::vector<Refused> refused;
};
Chosen harmlessOf(std::vector<Trial> trials, const std::function<std::string(const Settings&)>& harm);

// Returns the least estimated risk of all trials. Tries all methods at matched strength by their quick grades
// where they have one, the full grades of those that come near the best, and the best one's strengths
// (luminance and colour each for itself), each with several amounts of detail. Errors count by how much they
// will be seen in the finished picture (judge/seen_gain.h). What loses bright points or shifts colours around
// the probes (judge/checks.h) is refused, unless all do. Nothing depends on the ISO or the camera, only on
// pixels and the look. Throws Cancelled.
Recommendation recommend(const Photo& photo, const Look& look, const std::vector<Probe>& probes,
                         const Work& work = {});

// One sentence for people: what leaves the least error, by how much, and how sure that is.
std::string reasonOf(const Photo& photo, const Recommendation& recommendation);

} // namespace irenic
