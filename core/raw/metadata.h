// The tags of a photo's file, kept as they stand so that an export can carry them over.
#pragma once

#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace irenic {

// One TIFF directory entry (TIFF 6.0, page 14). `bytes` holds `count` values of TIFF type `type` in
// little-endian order.
struct TagEntry {
    std::uint16_t tag = 0, type = 0;
    std::uint32_t count = 0;
    std::vector<std::uint8_t> bytes;

    // Value i as a number, whatever the numeric type; 0 for text and out-of-range indices.
    double number(std::size_t i = 0) const;
    std::vector<double> numbers() const;
    std::string text() const;
};

// The directories that matter: IFD0, the directory that holds the mosaic (the same as IFD0 in some files),
// Exif and GPS.
struct Metadata {
    std::vector<TagEntry> main, mosaic, exif, gps;

    static const TagEntry* find(const std::vector<TagEntry>& list, std::uint16_t tag);
    // Looks in the mosaic's directory, then in IFD0.
    const TagEntry* dng(std::uint16_t tag) const;
};

// Exif tags that hold offsets into the file they came from (MakerNote, the interoperability directory): wrong in any other.
inline bool pointsIntoItsFile(std::uint16_t exifTag) { return exifTag == 0x927c || exifTag == 0xa005; }

// Reads the tags of any file that Exiv2 knows; empty lists when there are none or they cannot be read
// (a photo without tags is still a photo).
Metadata readMetadata(const std::filesystem::path& file);

} // namespace irenic
