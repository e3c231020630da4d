// The small picture that a raw carries: for lists, where decoding the raw itself would take too long.
#pragma once

#include <optional>

#include "raw/picture_file.h"

namespace irenic {

// 8-bit RGB, at most about `longest` pixels on the longer side, upright as the file's Orientation says. From
// the preview in IFD0 of a DNG, else from what LibRaw finds, else, for a JPEG, the picture itself. None where
// there is none or it cannot be read; never throws but Cancelled.
std::optional<FilePicture> embeddedPreview(const std::filesystem::path& file, int longest,
                                           const Work& work = {});

} // namespace irenic
