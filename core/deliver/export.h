// Exporting a take: naming, the safe way to a file, and the proof that it was written right.
#pragma once

#include <filesystem>
#include <optional>
#include <string>

#include "deliver/dng.h"
#include "deliver/tiff.h"
#include "deliver/xmp.h"
#include "judge/recommend.h"

namespace irenic {

enum class ExportFormat { Dng, Tiff, Jpeg };

struct ExportOrder {
    Settings settings;
    ExportFormat format = ExportFormat::Dng;
    OutputSpace space = OutputSpace::Srgb;              // TIFF and JPEG
    TiffCompression compression = TiffCompression::Zip; // TIFF only
    std::filesystem::path target;                       // the file to write
    bool overwrite = false;                             // replace an existing target; never an original
    std::optional<Risk> risk = {}; // what was estimated of these settings, to be noted in the file
    Look look = {}; // for TIFF and JPEG; a DNG takes it along as XMP only. Its push counts nowhere
    DngCompression dngCompression = DngCompression::Lossless; // DNG only
};

// Why an export did not happen. what() is a whole sentence with the file's name.
struct ExportError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

// "STEM-clean.dng", ".tif" or ".jpg" in `folder`.
std::filesystem::path defaultTarget(const std::filesystem::path& original,
                                    const std::filesystem::path& folder, ExportFormat format);

// `path` if nothing has that name, else the first of "name-2", "name-3"... that is free.
std::filesystem::path freeName(const std::filesystem::path& path);

// Cleans the photo, writes it beside the target under a temporary name (safe_file.h), reads it back and
// compares: of a DNG every sample and everything that decides colour, of a TIFF every sample, of a JPEG means
// of blocks. Then it gets its name. On any failure, and when cancelled, nothing is left behind and an
// existing target is as it was. Throws ExportError and Cancelled.
void exportPhoto(const Photo& photo, const ExportOrder& order, const Work& work = {});

// The whole frame's samples after cleaning, at the original's levels; samples outside the active area are the
// original's. Untouched settings give the original, value for value.
std::vector<std::uint16_t> cleanSamples(const Photo& photo, const Settings& settings, const Work& work = {});

} // namespace irenic
