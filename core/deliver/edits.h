// Edits that another program keeps beside a raw, in an XMP file (ISO 16684-1) of the raw's name: they follow
// the cleaned DNG. Nothing of them is changed but what names the file itself (raw/xmp_packet.h).
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "deliver/delivery.h"

namespace irenic {

struct EditsElsewhere {
    std::filesystem::path file;
    std::string packet;
    // What they correct that a cleaned photo needs less of or has had already, in words: "noise reduction".
    std::vector<std::string> corrections;
};

// NAME.xmp beside NAME.dng, or NAME.dng.xmp; none where there is neither, or what is there is no XMP or too
// large to be read.
std::optional<EditsElsewhere> editsBeside(const Photo& photo);

// After a DNG was written to `target`: the packet beside it, where the delivery says so. Returns sentences
// for the person: what to look at again, and what could not be written. Originals and files that were there
// are never replaced. Throws nothing but std::bad_alloc.
std::vector<std::string> takeAlong(const EditsElsewhere& edits, const Export& what,
                                   const std::filesystem::path& target);

} // namespace irenic
