// Writes a developed picture as a 16-bit TIFF.
#pragma once

#include <filesystem>

#include "develop/render.h"

namespace irenic {

enum class TiffCompression { None, Zip };

// Develops the photo's crop in strips (the whole picture is never in memory as floats) and writes it with its colour
// profile, orientation and Exif. Straight to `to`; see exportPhoto for the safe way. Throws std::runtime_error and
// Cancelled.
void writeTiff(const std::filesystem::path& to, const Photo& photo, const Settings& settings, OutputSpace space,
               TiffCompression compression, const std::string& xmp, const Work& work);

} // namespace irenic
