// A recommended take, from the photo's own pixels.
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "judge/risk.h"
#include "judge/subjects.h"

namespace irenic {

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
    // Quick: where it does well and where not, of what is in the photo; lines (judge/subjects.h).
    std::vector<std::string> subjects{};
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
    std::vector<Tried> trials;       // everything that was tried
    std::vector<Refused> refused{};  // the best of all first
    std::string fault{};             // of `settings`, as Alternative has it
    std::vector<std::string> subjects{};
    std::vector<Settings> contrasts{}; // nearly as good, and most unlike it: judge/contrast.h
};
inline constexpr std::size_t kContrasts = 2; // of each recommendation: with it they make a first sheet

// The trial of least risk that does no harm, where of each method its own best is looked at; and what had
// less risk. `harm` names the check that a take fails, or nothing. Where all do harm the least risk stays.
struct Chosen {
    Tried trial;
    std::vector<Refused> refused;
};
Chosen harmlessOf(std::vector<Tried> trials, const std::function<std::string(const Settings&)>& harm);

// Returns the least estimated risk of all trials. Tries all methods at matched strength by their quick grades
// where they have one, the full grades of those that come near the best, and the best one's strengths
// (luminance and colour each for itself), each with several amounts of detail. Errors count by how much they
// will be seen in the finished picture (judge/seen_gain.h). What loses bright points or shifts colours around
// the probes (judge/checks.h) is refused, unless all do. Nothing depends on the ISO or the camera, only on
// pixels and the look. Throws Cancelled.
Recommendation recommend(const Photo& photo, const Look& look, const std::vector<Probe>& probes,
                         const Work& work = {});

// Sentences for people: what leaves the least error, by how much, and how sure that is.
std::vector<std::string> reasonsOf(const Photo& photo, const Recommendation& recommendation);

} // namespace irenic
