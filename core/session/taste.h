// What a person has liked in blind trials, over many photos: how much of the noise is left in the pictures
// that were preferred.
#pragma once

#include <optional>
#include <span>
#include <string>

namespace irenic {

struct Taste {
    // Fewer trials tell the photos more than the person.
    static constexpr int kFewest = 3;

    int trials = 0;
    double noiseLeft = 0; // of luminance, a share; the mean over trials

    // What a trial adds: each picture's share of the noise left (none: not known), weighed by how much it was
    // liked. Worths are logarithms, as in judge/trial.h. Nothing where fewer than two pictures tell.
    void learn(std::span<const double> worth, std::span<const std::optional<double>> left);
    // How much of its own grain a photo is to get back where so much of its noise is left: 0 where that is
    // enough, or where too little is known.
    float grainFor(double left) const;
    friend bool operator==(const Taste&, const Taste&) = default;
};

// $XDG_DATA_HOME/irenic/taste.json; an empty taste where there is none, or none that can be read.
Taste loadTaste();
// Throws WriteError.
void saveTaste(const Taste& taste);
void forgetTaste(); // removes it

} // namespace irenic
