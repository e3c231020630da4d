// What becomes of every tag of the DNG standard when a photo is written again. docs/dng.md is this table.
#pragma once

#include <cstdint>
#include <span>

namespace irenic {

// Where a tag belongs: IFD0, or the directory of the raw picture.
enum class TagPlace { First, Raw };

enum class TagFate {
    Carried, // as it stands in the file; where the file has none, `why` tells whether one is made
    Made,    // anew: it describes samples, layout or the file, which are new
    Dropped  // `why` says why
};

struct DngTag {
    std::uint16_t tag;
    const char* name;
    TagPlace place;
    TagFate fate;
    const char* why;
};

// All tags of DNG 1.7 (from 50706 on), and those of TIFF 6.0, TIFF/EP and Exif that DNG files use in IFD0 and
// in the raw directory, by number.
std::span<const DngTag> dngTags();

// Null for a tag that the table does not know.
const DngTag* dngTag(std::uint16_t tag);

} // namespace irenic
