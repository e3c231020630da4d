// Writes a developed picture as a TIFF (TIFF 6.0, with Technical Notes for floating point; BigTIFF above 4
// GB).
#pragma once

#include <filesystem>

#include "deliver/delivery.h"
#include "deliver/picture_files.h"
#include "raw/photo.h"

namespace irenic {

// Develops in strips (the whole picture is never in memory as floats) and writes it with its colour profile,
// orientation, Exif, IPTC and XMP. The look's push does not count. Straight to `to`; see exportFile() for the
// safe way. What was written is read back and compared, to the last bit. Throws WriteError,
// std::runtime_error and Cancelled.
//
// The offsets of a plain TIFF end at 4 GB; tags and what packing may add stay below the rest. Pictures of
// more bytes than `plainUpTo` become BigTIFFs.
LeftOut writeTiff(const std::filesystem::path& to, const Export& what, const XmpNote& xmp, const Work& work,
                  double plainUpTo = 4.0e9);

} // namespace irenic
