// Probes: places of a photo that are looked at and measured.
#pragma once

#include <string>
#include <vector>

#include "raw/photo.h"

namespace irenic {

struct Probe {
    std::string name;     // "darkest", "texture"; the user may change it
    std::string reason;   // why it was chosen, a short sentence; empty for one placed by hand
    int x = 0, y = 0;     // its centre, in pixels of the active area
    std::uint32_t id = 0; // within its photo's work, whatever the order; 0: none yet
    friend bool operator==(const Probe&, const Probe&) = default;
};

// A first set: the darkest smooth area, a smooth mid-tone, the finest texture, the strongest edge, the
// brightest points. Measured on 64x64-pixel squares of the stabilised luminance, where noise has a variance
// of 1, so that texture is what exceeds it. No two probes share a square. Deterministic.
std::vector<Probe> placeProbes(const Photo& photo, const Work& work = {});

} // namespace irenic
