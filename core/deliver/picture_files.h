// Writes a photo as a DNG, or developed as a JPEG (ITU-T T.81), a PNG (ISO/IEC 15948) or a JPEG XL (ISO/IEC
// 18181).
#pragma once

#include <filesystem>
#include <string>
#include <vector>

#include "deliver/delivery.h"
#include "deliver/xmp.h"
#include "raw/photo.h"

namespace irenic {

// Sentences for the person: what of the original's notes a file could not hold.
using LeftOut = std::vector<std::string>;

// With the mosaic, or in full colour, as the delivery says; every sample and all that decides colours is read
// back and compared. Throws WriteError, std::runtime_error and Cancelled.
LeftOut writeDngFile(const std::filesystem::path& to, const Export& what, const XmpNote& xmp,
                     const Work& work);

// As writeTiff(): with profile, orientation, Exif and XMP, straight to `to`, read back and compared: to the
// last bit where nothing may be lost, else by means of blocks. What notes the file cannot hold is left out
// and told. Throw WriteError, std::runtime_error and Cancelled.
LeftOut writeJpeg(const std::filesystem::path& to, const Export& what, const XmpNote& xmp, const Work& work);
LeftOut writePng(const std::filesystem::path& to, const Export& what, const XmpNote& xmp, const Work& work);
// libjxl wants the whole picture at once: 6 bytes for each pixel are in memory.
LeftOut writeJpegXl(const std::filesystem::path& to, const Export& what, const XmpNote& xmp,
                    const Work& work);

} // namespace irenic
