// What a list shows of a photo that was not read: the small picture that it carries, and two of its data.
#pragma once

#include <optional>

#include "raw/picture_file.h"

namespace irenic {

struct Glimpse {
    // 8-bit RGB, upright as the file's Orientation says; none where there is none or it cannot be read.
    std::optional<FilePicture> picture;
    double iso = 0;    // 0: unknown
    std::string taken; // "YYYY:MM:DD HH:MM:SS"; empty: unknown
};

// The picture is at most about `longest` pixels on the longer side: the preview in IFD0 of a DNG, else what
// LibRaw finds, else, for a developed picture, the picture itself. Never throws but Cancelled.
Glimpse glimpseOf(const GivenFile& file, int longest, const Work& work = {});

} // namespace irenic
