// The checks by name: one row for each, in the order in which they are made and shown.
#pragma once

#include <array>

namespace irenic {

struct CheckKind {
    const char* id;    // in JSON and on the command line
    const char* shown; // as a label begins
    const char* unit;  // of its value
};

namespace check {
inline constexpr CheckKind kNoiseLeft{"noise left", "Noise left", "of the noise that was there"},
    kEvenness{"evenness", "Unevenness", "of the noise that was there"},
    kEdgeNoise{"noise along edges", "Noise along edges", "of the noise that was there"},
    kDetailLost{"detail lost", "Detail lost", "of places with detail"},
    kInventedTexture{"invented texture", "Invented texture", "of all places"},
    kPointsLost{"points lost", "Points lost", "of bright points"},
    kColourShift{"colour shift", "Colour shift", "CIEDE2000"},
    kBlotches{"colour blotches", "Colour blotches", "of the colour noise that was there"},
    kHalos{"halos", "Halos", "of the edge's height"},
    kPatterns{"patterns", "Patterns", "of the noise that was there"};
} // namespace check

inline constexpr std::array<const CheckKind*, 10> kCheckKinds = {
    &check::kNoiseLeft,       &check::kEvenness,   &check::kEdgeNoise,   &check::kDetailLost,
    &check::kInventedTexture, &check::kPointsLost, &check::kColourShift, &check::kBlotches,
    &check::kHalos,           &check::kPatterns};

} // namespace irenic
