// The tags of a photo's file, kept as they stand so that an export can carry them over.
#pragma once

#include <cstdint>
#include <mutex>
#include <optional>
#include <string>
#include <vector>

#include "base/given_file.h"

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
    // Up to the first zero, without blanks at the end, as UTF-8 (see utf8Of).
    std::string text() const;
    friend bool operator==(const TagEntry&, const TagEntry&) = default;
};

// Bytes of a value of TIFF type `type`; 0 for a type that TIFF does not have.
std::size_t sizeOfType(std::uint16_t type);

// The directories that matter: IFD0, the directory that holds the mosaic (the same as IFD0 in some files),
// Exif and GPS.
struct Metadata {
    std::vector<TagEntry> main, mosaic, exif, gps;
    std::vector<std::vector<TagEntry>> profiles; // a DNG's further camera profiles
    std::vector<std::uint8_t> iptc;              // IPTC-IIM records
    bool bigEndian = false;                      // the byte order of the file, and of its MakerNote
    std::uint32_t makerNoteOffset = 0;           // where MakerNote stood in the file; 0: not known
    // Tags that are there and whose values are not: the file was cut, or reading failed. Of the directories
    // above.
    std::vector<std::uint16_t> lost;

    static const TagEntry* find(const std::vector<TagEntry>& list, std::uint16_t tag);
    // Looks in the mosaic's directory, then in IFD0.
    const TagEntry* dng(std::uint16_t tag) const;
    // By DNGVersion (DNG 1.6, page 21), which every DNG must have.
    bool isDng() const { return find(main, 0xc612) != nullptr; }
};

// Exif tags that hold offsets into the file they came from (MakerNote, the interoperability directory): wrong
// in any other.
inline bool pointsIntoItsFile(std::uint16_t exifTag) { return exifTag == 0x927c || exifTag == 0xa005; }

// Stands for IFD0 among what is lost.
inline constexpr std::uint16_t kFirstDirectory = 0;
// Why a photo is refused of which such a tag is lost: half of a sentence, without the file's name.
std::string wordsForLost(std::uint16_t tag);

// Reads the tags of any file of TIFF's form, and of any other that Exiv2 knows; empty lists when there are
// none or they cannot be read (a photo without tags is still a photo).
Metadata readMetadata(const GivenFile& file);

// Exiv2's XMP toolkit keeps state for the whole process: whoever parses or writes XMP holds this for as long
// as that takes. The first call starts the toolkit.
[[nodiscard]] std::unique_lock<std::mutex> lockXmp();

} // namespace irenic
