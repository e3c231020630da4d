// Which take cannot be told from another at the size and in the look in which the picture will be seen.
//
// Small sizes average noise and its remains away, dark looks hide them, lifted shadows show them: what is
// compared is the finished picture, 8 bits a colour, at the delivered size.
#pragma once

#include <optional>

#include "develop/look.h"
#include "judge/probes.h"
#include "judge/recommend.h"

namespace irenic {

// How far two finished pictures differ, of 255: the mean of all differences, and what one in a thousand
// exceeds.
struct SeenDifference {
    double mean = 0, largest = 0;
    // A step of one is the least that a screen can show; a few at single places are not found by flipping.
    bool isNone() const { return mean < 0.5 && largest <= 4; }
};
// Of two takes around the probes, at `zoom` of the photo's pixels (up to 1). Throws Cancelled.
SeenDifference seenDifference(const Photo& photo, const Settings& one, const Settings& other,
                              const Look& look, double zoom, const std::vector<Probe>& probes,
                              const Work& work = {});

struct SeenAlike {
    Settings settings; // Settings::original() where the photo needs no cleaning
    double times = 1;  // as quick; of the original 0: nothing is to be done
    SeenDifference difference;
};
// The quickest that cannot be told from `settings` where the longer side is to have `longest` pixels: the
// original, or these strengths by another method. None where every other can be told. Throws Cancelled.
std::optional<SeenAlike> quickestSeenAlike(const Photo& photo, const Settings& settings, const Look& look,
                                           int longest, const std::vector<Probe>& probes,
                                           const Work& work = {});
// "At 2048 pixels bm3d-quick cannot be told from learned, and is 10 times as quick."
std::string sentenceOf(const SeenAlike& alike, const Settings& settings, int longest);

} // namespace irenic
