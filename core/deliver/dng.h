// Writes a mosaic DNG (Adobe DNG specification 1.6): the samples as 16 bits, everything else as the photo has it.
#pragma once

#include <filesystem>
#include <string>

#include "develop/render.h"
#include "raw/photo.h"

namespace irenic {

struct DngExtras {
    Picture preview;              // small sRGB picture; may be empty
    std::string xmp;              // an XMP packet; empty: the photo's own, if any
    double reductionApplied = -1; // NoiseReductionApplied, 0..1; below 0: as in the photo. Above 0 drops NoiseProfile,
                                  // which no longer holds
};

// Tags that the photo's file has are carried over as they stand (colour matrices, calibration, levels, areas, opcodes,
// camera profiles, Exif, GPS); what it lacks is made from the photo's fields. Tags that describe the old
// samples or previews (digests, unique identifiers of the data) are left out.
// Writes straight to `to`; see exportPhoto for the safe way. Throws std::runtime_error.
void writeDng(const std::filesystem::path& to, const Photo& photo, const DngExtras& extras);

} // namespace irenic
