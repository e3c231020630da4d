// Reads the directories of a file in TIFF's form (TIFF 6.0, section 2): TIFF, DNG and most cameras' raws.
//
// Only tags are read here, no pixels, and nothing is believed before it is checked: an entry whose values do
// not lie inside the file is left out, and the numbers of directories, entries and bytes are limited.
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

#include "base/given_file.h"
#include "raw/metadata.h"

namespace irenic {

struct TagDirectories {
    bool bigEndian = false;
    std::uint64_t fileSize = 0;
    std::vector<TagEntry> main;               // IFD0
    std::vector<std::vector<TagEntry>> below; // those that SubIFDs name, and the chain after IFD0
    std::vector<TagEntry> exif, gps;
    std::vector<std::vector<TagEntry>> profiles; // ExtraCameraProfiles (DNG 1.6, page 57), one list for each
    std::uint32_t makerNoteOffset = 0;           // where MakerNote stands in the file; 0: nowhere
    // Tags whose values do not lie within the file, or whose directories cannot be read: of all but `below`,
    // and of each of those.
    std::vector<std::uint16_t> lost;
    std::vector<std::vector<std::uint16_t>> lostBelow;
};

// Values come as little-endian whatever the file's order; MakerNote and other undefined bytes as they stand.
// None for a file of another form. Throws nothing: what is damaged is missing from the result.
std::optional<TagDirectories> readTagDirectories(const GivenFile& file);

} // namespace irenic
