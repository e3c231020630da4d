// The kinds of file that can be written: each is a row of one table.
#pragma once

#include <algorithm>
#include <span>

#include "deliver/picture_files.h"

namespace irenic {

struct Format {
    const char* id;                    // in text and on the command line: "dng"
    const char* name;                  // "DNG"
    const char* shown;                 // where it is chosen: "DNG (raw)"
    const char* ending;                // of the files that are written: ".dng"
    const char* patterns;              // of files of the kind, for a file dialog: "*.dng"
    const char* mediaType;             // as registered with IANA, or in the standard
    bool raw;                          // the sensor's own samples: has neither colours nor a size of its own
    std::span<const int> bits;         // of each colour, where they can be chosen
    std::span<const Packing> packings; // likewise
    bool quality;                      // whether it can be packed with loss
    // Writes straight to a file that will get its name later, and reads back what was written. Throws
    // WriteError, std::runtime_error and Cancelled.
    LeftOut (*write)(const std::filesystem::path& to, const Export& what, const XmpNote& xmp,
                     const Work& work);

    bool canHave(int chosen) const {
        return bits.empty() || std::find(bits.begin(), bits.end(), chosen) != bits.end();
    }
};

// In the order of ExportFormat.
std::span<const Format> formats();
const Format& formatOf(ExportFormat format);
// For tables of fields: ids, and how they are shown.
std::span<const char* const> formatIds();
std::span<const char* const> shownFormats();

} // namespace irenic
