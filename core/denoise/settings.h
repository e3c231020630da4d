// What a take is made of: a method and how it is used.
#pragma once

#include <cstdint>
#include <string>

#include "base/field.h"
#include "denoise/zone.h"

namespace irenic {

// A take's sharpening: as its photo's look has it, or a grade of its own (develop/look.h has their widths).
enum class TakeSharpening : std::uint8_t { AsLook, Off, Fine, Medium, Wide, Widest };

// A take's settings. Values are compared bit by bit: two equal settings give equal pixels.
struct Settings {
    std::string method = "bm3d"; // the id of a method
    float luminance = 1;  // 0..3: the noise assumed over the noise measured; 1 is matched, 0 is untouched
    float colour = 1;     // likewise, for colour noise
    float detail = 0.25f; // 0..1: how readily structure near the threshold is given back
    float grain = 0;      // 0..1: the share of the removed luminance that is given back
    float coarse = 1; // 0..3: like colour, for blotches of 8 to 64 pixels; nothing is done where colour is 0

    bool mend = true; // take out hot and dead pixels and lines of the read-out first

    TakeSharpening sharpening = TakeSharpening::AsLook; // after cleaning, where colours are developed

    std::vector<Zone> zones = {}; // in order: what a later one says of a place counts

    // The original: nothing is to be changed at all. All of its kind compare equal.
    static Settings original() { return {"bm3d", 0, 0, 0, 0, 0, false}; }
    bool untouched() const { return luminance <= 0 && colour <= 0; }
    friend bool operator==(const Settings&, const Settings&) = default;
};

template <> std::span<const Field<Settings>> fieldsOf<Settings>();

// What decides cleaned samples: without what is done to them afterwards.
Settings cleaningOf(Settings settings);

// An empty string when the settings can be used, else a sentence that says what is wrong.
std::string problemWith(const Settings& settings);

} // namespace irenic
