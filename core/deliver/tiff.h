// Writes a developed picture: a 16-bit TIFF or an 8-bit JPEG.
#pragma once

#include <filesystem>

#include "develop/render.h"

namespace irenic {

enum class TiffCompression { None, Zip };

// Develops outputFrame() in strips (the whole picture is never in memory as floats) and writes it with its
// colour profile, orientation, Exif, IPTC and XMP. The look's push does not count. Straight to `to`; see
// exportPhoto for the safe way. What was written is read back and compared, to the last bit. Throws
// WriteError, std::runtime_error and Cancelled.
void writeTiff(const std::filesystem::path& to, const Photo& photo, const Settings& settings,
               const Look& look, OutputSpace space, TiffCompression compression, const std::string& xmp,
               const Work& work);

// The same as a JPEG of high quality: 95 of 100, colours not subsampled. Means of blocks are compared.
void writeJpeg(const std::filesystem::path& to, const Photo& photo, const Settings& settings,
               const Look& look, OutputSpace space, const std::string& xmp, const Work& work);

} // namespace irenic
