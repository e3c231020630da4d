// What a file that Irenic made says of how it was made, as XMP (ISO 16684-1).
#pragma once

#include <filesystem>
#include <optional>
#include <string>

#include "denoise/clean.h"
#include "develop/look.h"
#include "judge/recommend.h"

namespace irenic {

// The take's settings and the look as an XMP packet, added to the photo's own packet where it has one. What
// that says of the file itself is put right: dc:format becomes `mediaType` ("image/tiff"), the instance a new
// one, the original's document and instance become what this one derives from (ISO 16684-1, 8.3 and 8.6).
std::string xmpOf(const Photo& photo, const std::string& mediaType, const Settings& settings,
                  const Look& look = {}, const std::optional<Risk>& risk = {}, const std::string& mark = {});

// The settings that made a file, from its XMP; none when it holds no take of ours.
std::optional<Settings> settingsIn(const std::filesystem::path& file);

// What names the order that a file was made by (markOf()); empty: none, or no such file.
std::string markIn(const std::filesystem::path& file);

// The look that a file was made or sent out with, from its XMP; plain when it holds none.
Look lookIn(const std::filesystem::path& file);

} // namespace irenic
