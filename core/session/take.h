// A take: settings with a letter and a name, and how it is written on a command line.
#pragma once

#include <cstdint>
#include <string>

#include "denoise/settings.h"

namespace irenic {

struct Take {
    std::uint32_t id = 0; // within its photo, whatever the order; 0: none yet
    char letter = 'A';    // 'A'..'Z'
    std::string name;     // the user's; empty: the method's
    Settings settings;
    // What a newer version has written of it and this one does not know: objects as JSON text; empty:
    // nothing.
    std::string rest, restOfSettings;
    friend bool operator==(const Take&, const Take&) = default;
};

// "bm3d,luminance=1,colour=1.2,detail=0.2,grain=0.1"; the method comes first, the rest in any order, zones
// (denoise/zone.h) last: what follows a zone is the zone's own.
// Throws std::invalid_argument with a sentence for the user.
Settings settingsFromText(const std::string& text);
std::string textOf(const Settings& settings);

// For people: the method, and what is not as usual: "learned-quick, luminance 1.20×".
std::string shownTake(const Settings& settings);

} // namespace irenic
