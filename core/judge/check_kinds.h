// The checks by name: one row for each, in the order in which they are made and shown.
#pragma once

#include <array>

#include "base/shown_text.h"

namespace irenic {

struct CheckKind {
    const char* id;    // in JSON and on the command line
    const char* shown; // as a label begins
    const char* unit;  // of its value
};

namespace check {
inline constexpr CheckKind kNoiseLeft{"noise left", IRENIC_TEXT("Noise left"),
                                      IRENIC_TEXT("of the noise that was there")},
    kEvenness{"evenness", IRENIC_TEXT("Unevenness"), IRENIC_TEXT("of the noise that was there")},
    kEdgeNoise{"noise along edges", IRENIC_TEXT("Noise along edges"),
               IRENIC_TEXT("of the noise that was there")},
    kDetailLost{"detail lost", IRENIC_TEXT("Detail lost"), IRENIC_TEXT("of places with detail")},
    kInventedTexture{"invented texture", IRENIC_TEXT("Invented texture"), IRENIC_TEXT("of all places")},
    kPointsLost{"points lost", IRENIC_TEXT("Points lost"), IRENIC_TEXT("of bright points")},
    kColourShift{"colour shift", IRENIC_TEXT("Colour shift"), "CIEDE2000"},
    kBlotches{"colour blotches", IRENIC_TEXT("Colour blotches"),
              IRENIC_TEXT("of the colour noise that was there")},
    kHalos{"halos", IRENIC_TEXT("Halos"), IRENIC_TEXT("of the edge's height")},
    kFringes{"fringes", IRENIC_TEXT("Fringes"), IRENIC_TEXT("of the way to the other side's colour")},
    kSteps{"steps of tone", IRENIC_TEXT("Steps of tone"), IRENIC_TEXT("of places with slow gradients")},
    kEstimatedError{"estimated error", IRENIC_TEXT("Estimated error"),
                    IRENIC_TEXT("of the noise that was there")},
    kPatterns{"patterns", IRENIC_TEXT("Patterns"), IRENIC_TEXT("of the noise that was there")};
} // namespace check

inline constexpr std::array<const CheckKind*, 13> kCheckKinds = {
    &check::kNoiseLeft,       &check::kEvenness,   &check::kEdgeNoise,   &check::kDetailLost,
    &check::kInventedTexture, &check::kPointsLost, &check::kColourShift, &check::kBlotches,
    &check::kHalos,           &check::kFringes,    &check::kPatterns,    &check::kSteps,
    &check::kEstimatedError};

} // namespace irenic
