// What a file that Irenic made says of how it was made, as XMP (ISO 16684-1).
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "denoise/clean.h"
#include "develop/look.h"
#include "judge/recommend.h"

namespace irenic {

struct XmpNote {
    std::string packet;  // what the original has, and ours; empty: none can be made
    std::string ownOnly; // ours alone, for a file that cannot hold the other
    std::string left;    // what of the original's was left out, a sentence; empty: nothing
};

// The take's settings and the look as an XMP packet, added to the photo's own packet where it has one
// (raw/xmp_packet.h), or to `instead` of it where that is given. Parsed and made in the sandbox.
XmpNote xmpOf(const Photo& photo, const std::string& mediaType, const Settings& settings,
              const Look& look = {}, const std::optional<Risk>& risk = {}, const std::string& mark = {},
              const std::optional<std::string>& instead = {});

// What of it was left out, and what else was, as a list.
std::vector<std::string> leftOutOf(const XmpNote& xmp, const std::string& more = {});

// The settings that made a file, from its XMP; none when it holds no take of ours.
std::optional<Settings> settingsIn(const std::filesystem::path& file);
// Whether a file carries anything of ours: all that may be replaced.
bool isMadeByIrenic(const std::filesystem::path& file);

// What names the order that a file was made by (markOf()); empty: none, or no such file.
std::string markIn(const std::filesystem::path& file);

// The look that a file was made or sent out with, from its XMP; plain when it holds none.
Look lookIn(const std::filesystem::path& file);

} // namespace irenic
