// What a DNG's tags say of its raw picture (Adobe DNG specification 1.6, chapters 4 and 5).
#pragma once

#include <string>

#include "raw/dng_pixels.h"
#include "raw/photo.h"

namespace irenic {

// How the raw picture is laid out, checked against itself and against the file's length, so that memory is
// taken only for what the file can hold. Throws PhotoError for what contradicts itself and for kinds that
// cannot be cleaned, each with its reason.
PixelLayout dngLayoutOf(const std::filesystem::path& file, const Metadata& tags, std::uint64_t fileSize);

// Fills in frame, areas, mosaic and levels from the tags. `photo` has its metadata and its frame's size.
// A mosaic of 6x6 samples comes back as sites, empty for all others.
std::vector<Mosaic::Colour> readDngStructure(Photo& photo, const PixelLayout& layout);

// Profiles, white balance and baseline exposure.
void readDngColour(Photo& photo);

// The lines of the NoiseProfile tag; none without one.
std::optional<NoiseModel> statedNoiseOf(const Photo& photo);

} // namespace irenic
