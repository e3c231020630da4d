// What a photo says of itself, for the files made of it.
#pragma once

#include <exiv2/exiv2.hpp>
#include <filesystem>
#include <functional>

#include "deliver/delivery.h"
#include "raw/photo.h"

namespace irenic {

// Exif, GPS, IPTC and the XMP packet into an image of Exiv2's, and written there; `more` adds what else the
// file needs. Throws Exiv2's errors.
void carryTags(
    Exiv2::Image& image, const Photo& photo, const Delivery& how, const std::string& xmp,
    const std::function<void(Exiv2::ExifData&)>& more = [](Exiv2::ExifData&) {});
// The tags that every file without any of its own gets: camera, orientation, resolution.
void describeIn(Exiv2::ExifData& exif, const Photo& photo, const Delivery& how);

// All of it but XMP, as the TIFF that formats with a place for Exif put there.
std::vector<std::uint8_t> exifOf(const Photo& photo, const Delivery& how);

// Throws WriteError: what was written does not read back, for want of room or for `why`.
[[noreturn]] void doesNotReadBack(const std::filesystem::path& file, const std::string& why);
// All bytes into a new file. Throws WriteError.
void writeBytes(const std::filesystem::path& to, const std::uint8_t* bytes, std::size_t count);

} // namespace irenic
