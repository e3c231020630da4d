// Writes a developed picture as a JPEG (ITU-T T.81), a PNG (ISO/IEC 15948) or a JPEG XL (ISO/IEC 18181).
#pragma once

#include <filesystem>

#include "deliver/delivery.h"
#include "raw/photo.h"

namespace irenic {

// As writeTiff(): with profile, orientation, Exif and XMP, straight to `to`, read back and compared: to the
// last bit where nothing may be lost, else by means of blocks. Throw WriteError, std::runtime_error and
// Cancelled.
void writeJpeg(const std::filesystem::path& to, const Photo& photo, const ExportOrder& order,
               const std::string& xmp, const Work& work);
void writePng(const std::filesystem::path& to, const Photo& photo, const ExportOrder& order,
              const std::string& xmp, const Work& work);
// libjxl wants the whole picture at once: 6 bytes for each pixel are in memory.
void writeJpegXl(const std::filesystem::path& to, const Photo& photo, const ExportOrder& order,
                 const std::string& xmp, const Work& work);

} // namespace irenic
