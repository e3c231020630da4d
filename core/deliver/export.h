// Exporting a take: naming, the safe way to a file, and the proof that it was written right.
#pragma once

#include <filesystem>
#include <functional>
#include <optional>
#include <string>

#include "deliver/delivery.h"
#include "deliver/picture_files.h"
#include "deliver/xmp.h"
#include "judge/recommend.h"

namespace irenic {

// Why an export did not happen. what() is a whole sentence with the file's name.
struct ExportError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

// `path` if nothing has that name, else the first of "name-2", "name-3"... that is free.
std::filesystem::path freeName(const std::filesystem::path& path);

// Cleans the photo, writes it beside the target under a temporary name (safe_file.h), reads it back and
// compares: of a DNG every sample and everything that decides colour, of what is written without loss every
// sample, else means of blocks. Then it gets its name. On any failure, and when cancelled, nothing is left
// behind and an existing target is as it was. A target that is there is replaced only where the delivery says
// so and Irenic made it. Returns what of the original's notes the file could not hold. Throws ExportError
// and Cancelled.
//
// `ready`, if given, is called with the temporary file just before it gets its name: what it throws stops
// that.
LeftOut exportFile(const Export& what, const std::filesystem::path& target, const Work& work = {},
                   const std::function<void(const std::filesystem::path&)>& ready = {});

// What names the content of a file: the recipe and all of the delivery that decides bytes. Files carry it in
// their XMP, so that what was made once need not be made again.
std::string markOf(const Export& what);

// The whole frame's samples after cleaning, at the original's levels; samples outside the active area are the
// original's. Untouched settings give the original, value for value.
std::vector<std::uint16_t> cleanSamples(const Photo& photo, const Settings& settings, const Work& work = {});

} // namespace irenic
