#include "deliver/carried_tags.h"

#include <cmath>
#include <cstdio>

#include "deliver/safe_file.h"

namespace irenic {

void carryTags(Exiv2::Image& image, const Photo& photo, const Delivery& how, const std::string& xmp,
               const std::function<void(Exiv2::ExifData&)>& more) {
    const auto lock = lockXmp();
    image.readMetadata();
    Exiv2::ExifData& exif = image.exifData();
    const auto add = [&](const char* group, const TagEntry& e) {
        try {
            const Exiv2::ExifKey key(e.tag, group);
            auto value = Exiv2::Value::create(static_cast<Exiv2::TypeId>(e.type));
            value->read(e.bytes.data(), static_cast<long>(e.bytes.size()), Exiv2::littleEndian);
            exif.add(key, value.get());
        } catch (const Exiv2::AnyError&) {
            // A tag that the library does not know under this group is no reason to lose the others.
        }
    };
    // Flashpix version, colour space and size (0xa000 to 0xa003) are this file's own.
    for (const TagEntry& e : photo.metadata.exif)
        if (!pointsIntoItsFile(e.tag) && (e.tag < 0xa000 || e.tag > 0xa003)) add("Photo", e);
    // Exif wants both: 1 is sRGB, 65535 any other space.
    exif["Exif.Photo.ColorSpace"] =
        static_cast<std::uint16_t>(how.space == OutputSpace::Srgb && how.profile.empty() ? 1 : 65535);
    exif["Exif.Photo.FlashpixVersion"] = "48 49 48 48";
    for (const TagEntry& e : photo.metadata.gps) add("GPSInfo", e);
    for (const TagEntry& e : photo.metadata.main)
        if (e.tag == 0x0132 || e.tag == 0x013b || e.tag == 0x8298 || e.tag == 0x010e) add("Image", e);
    more(exif);
    if (!xmp.empty()) Exiv2::XmpParser::decode(image.xmpData(), xmp);
    const std::vector<std::uint8_t>& iptc = photo.metadata.iptc;
    Exiv2::IptcData records;
    if (!iptc.empty() &&
        Exiv2::IptcParser::decode(records, iptc.data(), static_cast<std::uint32_t>(iptc.size())) == 0)
        image.setIptcData(records);
    image.writeMetadata();
}

std::vector<std::uint8_t> exifOf(const Photo& photo, const Delivery& how) {
    // A small image of Exiv2's, whose tags are taken and that is thrown away.
    Exiv2::ExifData exif;
    const auto image = Exiv2::ImageFactory::create(Exiv2::ImageType::jpeg);
    carryTags(*image, photo, how, {}, [&](Exiv2::ExifData& all) {
        describeIn(all, photo, how);
        exif = all;
    });
    Exiv2::Blob blob;
    Exiv2::ExifParser::encode(blob, Exiv2::littleEndian, exif);
    return blob;
}

void describeIn(Exiv2::ExifData& exif, const Photo& photo, const Delivery& how) {
    const auto dpi = static_cast<std::uint32_t>(std::lround(how.dpi));
    exif["Exif.Image.Orientation"] = static_cast<std::uint16_t>(photo.orientation);
    if (!photo.make.empty()) exif["Exif.Image.Make"] = photo.make;
    if (!photo.model.empty()) exif["Exif.Image.Model"] = photo.model;
    exif["Exif.Image.Software"] = "Irenic";
    exif["Exif.Image.XResolution"] = Exiv2::URational(dpi, 1);
    exif["Exif.Image.YResolution"] = Exiv2::URational(dpi, 1);
    exif["Exif.Image.ResolutionUnit"] = static_cast<std::uint16_t>(2);
}

void doesNotReadBack(const std::filesystem::path& file, const std::string& why) {
    // A full disk is the likeliest reason.
    errno = 0;
    try {
        failedWriting(file.parent_path());
    } catch (const WriteError& e) {
        if (std::string(e.what()) == reasonOf(ENOSPC)) throw;
    }
    throw WriteError("what was written does not read back (" + why +
                     "). Try again, or choose another folder.");
}

void writeBytes(const std::filesystem::path& to, const std::uint8_t* bytes, std::size_t count) {
    std::FILE* file = std::fopen(to.c_str(), "wb");
    if (!file) failedWriting(to.parent_path());
    errno = 0;
    const bool done = std::fwrite(bytes, 1, count, file) == count && std::fflush(file) == 0;
    const int error = errno;
    const bool closed = std::fclose(file) == 0;
    if (error) errno = error;
    if (!done || !closed) failedWriting(to.parent_path());
}

} // namespace irenic
