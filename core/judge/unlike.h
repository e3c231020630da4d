// The most unlike photos of a set: those at which a setting for all of them is judged.
#pragma once

#include <cstddef>
#include <vector>

#include "raw/preview.h"

namespace irenic {

// What tells one photo of a set from another, without reading it.
struct Character {
    double iso = 0;        // logarithm to base 2; 0: not known
    double brightness = 0; // of its small picture: mean display value, 0..1
    double texture = 0;    // of it: mean step from one pixel to the next, 0..1
};
Character characterOf(const Glimpse& glimpse);

// Indices of `count` photos (all where there are fewer), `first` among them, rising: each that is added is
// farthest from those that are there (T. F. Gonzalez, "Clustering to minimize the maximum intercluster
// distance", Theoretical Computer Science 38, 1985). Each measure counts by its spread in the set.
std::vector<std::size_t> mostUnlike(const std::vector<Character>& photos, std::size_t count,
                                    std::size_t first = 0);

} // namespace irenic
