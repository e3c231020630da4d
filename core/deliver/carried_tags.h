// What a photo says of itself, for the files made of it.
#pragma once

#include <exiv2/exiv2.hpp>
#include <filesystem>
#include <functional>
#include <limits>

#include "deliver/delivery.h"
#include "deliver/picture_files.h"
#include "raw/photo.h"
#include "raw/xmp_packet.h"

namespace irenic {

// Exif, GPS, IPTC and the XMP packet into an image of Exiv2's, and written there; `more` adds what else the
// file needs. Where the format holds at most `mostExif` bytes of Exif the longest values are left out, and
// each is told in `left`. None of the original's bytes is parsed here. Throws Exiv2's errors.
void carryTags(
    Exiv2::Image& image, const Photo& photo, const Delivery& how, const std::string& xmp,
    const std::function<void(Exiv2::ExifData&)>& more = [](Exiv2::ExifData&) {}, LeftOut* left = nullptr,
    std::size_t mostExif = std::numeric_limits<std::size_t>::max());
// The tags that every file without any of its own gets: camera, orientation, resolution.
void describeIn(Exiv2::ExifData& exif, const Photo& photo, const Delivery& how);

// All of it but XMP, as the TIFF that formats with a place for Exif put there.
std::vector<std::uint8_t> exifOf(const Photo& photo, const Delivery& how);

// A picture of ours (PNG, JPEG) with properties of ours as its XMP, so that it is known for what may be
// replaced.
std::string withOwnNote(const std::string& picture, const std::string& mediaType, const OwnProperties& own);

} // namespace irenic
