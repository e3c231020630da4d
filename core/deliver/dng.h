// Writes a raw DNG (Adobe DNG specification 1.6): the samples as 16 bits, everything else as the photo has
// it.
#pragma once

#include <filesystem>
#include <optional>
#include <string>

#include "develop/render.h"
#include "raw/photo.h"

namespace irenic {

enum class DngCompression { Lossless, None }; // lossless JPEG in tiles (the default of exports), or nothing

struct DngExtras {
    Picture preview{};                     // small sRGB picture; may be empty
    std::string xmp{};                     // an XMP packet; empty: the photo's own, if any
    bool cleaned = false;                  // the samples are not the file's own any more
    double reductionApplied = -1;          // NoiseReductionApplied, 0..1; below 0: none
    std::optional<NoiseModel> noiseLeft{}; // of cleaned samples, for NoiseProfile; none: left out
    DngCompression compression = DngCompression::None;
};

// What happens to each tag of the photo's file stands in dng_tags.h. Levels are always written from the
// photo's values, all tags that belong together at once. Writes straight to `to`; see exportFile() for the
// safe way. Throws WriteError and Cancelled.
void writeDng(const std::filesystem::path& to, const Photo& photo, const DngExtras& extras,
              const Work& work = {});

} // namespace irenic
