// Probes: places of a photo that are looked at and measured.
#pragma once

#include <string>
#include <vector>

#include "base/shown_text.h"
#include "image/rect.h"
#include "raw/photo.h"

namespace irenic {

struct Probe {
    std::string name;     // "darkest", "texture"; the user may change it
    std::string reason;   // why it was chosen, a short sentence; empty for one placed by hand
    int x = 0, y = 0;     // its centre, in pixels of the active area
    std::uint32_t id = 0; // within its photo's work, whatever the order; 0: none yet
    int width = kProbeWidth, height = kProbeHeight; // pixels of the photo
    static constexpr int kProbeWidth = 128,
                         kProbeHeight = 96;           // about what a cell of a full sheet shows at 200 %
    static constexpr int kLeast = 16, kMost = 100000; // of a side

    // What `reason` says of those that somebody placed, and of their like in the next photos.
    static constexpr const char* kByHand = IRENIC_TEXT("Added by you");
    static constexpr const char* kFoundAgain = IRENIC_TEXT("Found again, as in %1");
    bool placedByHand() const { return reason == kByHand || reason.rfind("Found again", 0) == 0; }
    Rect area() const { return {x - width / 2, y - height / 2, width, height}; }
    friend bool operator==(const Probe&, const Probe&) = default;
};

// A first set: the darkest area in which something lives, a smooth mid-tone, the finest texture, the
// strongest edge, thin lines before a smooth ground, deep colour, the brightest points, the sharpest area,
// and a corner. Measured on 64x64-pixel squares of the stabilised luminance, where noise has a variance of 1,
// so that texture is what exceeds it. None lies on clipped white or where nothing can be seen without a push,
// except the darkest when the photo has nothing brighter to offer: it says so. Probes keep away from each
// other as far as the photo allows. Deterministic.
std::vector<Probe> placeProbes(const Photo& photo, const Work& work = {});

} // namespace irenic
