// XMP packets (ISO 16684-1) by Exiv2's toolkit, which is written in a time when nobody sent hostile ones:
// called in the sandbox only (reader/reader.h), since packets and files come from strangers.
#pragma once

#include <map>
#include <string>

#include "base/given_file.h"

namespace irenic {

// Properties of ours by their names in the XMP namespace of takes, without its prefix.
using OwnProperties = std::map<std::string, std::string>;

// Those that a file of any kind that we write carries; none where it was not made by Irenic. Throws nothing.
OwnProperties ownPropertiesIn(const GivenFile& file);

// More than this in one packet is not read: its toolkit takes time that grows with the square of the
// properties.
inline constexpr std::size_t kMostXmp = 4 << 20, kMostXmpProperties = 20000;

// `original`, which may be empty, with our own properties, and with what it says of the file itself put
// right: dc:format becomes `mediaType`, the instance a new one, the original's document and instance become
// what this one derives from (ISO 16684-1, 8.3 and 8.6). Empty where the original is damaged or too large, or
// no packet can be made.
std::string packetWith(const std::string& original, const std::string& mediaType, const OwnProperties& own);

} // namespace irenic
