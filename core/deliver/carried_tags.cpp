#include "deliver/carried_tags.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

#include "base/safe_file.h"
#include "base/shown_text.h"
#include "raw/iptc.h"
#include "reader/reader.h"

namespace irenic {

namespace {

// Leaves out the longest values until all takes no more than `most` bytes.
void shorten(Exiv2::ExifData& exif, std::size_t most, LeftOut* left) {
    while (!exif.empty()) {
        Exiv2::Blob blob;
        Exiv2::ExifParser::encode(blob, Exiv2::littleEndian, exif);
        if (blob.size() <= most) return;
        const auto longest = std::max_element(
            exif.begin(), exif.end(), [](const auto& a, const auto& b) { return a.size() < b.size(); });
        if (left)
            left->push_back(
                filled(IRENIC_TEXT("Exif's %1 is longer than this kind of file can hold and was left out."),
                       {longest->tagName()}));
        exif.erase(longest);
    }
}

} // namespace

void carryTags(Exiv2::Image& image, const Photo& photo, const Delivery& how, const std::string& xmp,
               const std::function<void(Exiv2::ExifData&)>& more, LeftOut* left, std::size_t mostExif) {
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
    shorten(exif, mostExif, left);
    if (!xmp.empty()) {
        image.setXmpPacket(xmp);
        image.writeXmpFromPacket(true);
    }
    Exiv2::IptcData records;
    for (const IptcRecord& r : iptcRecordsIn(photo.metadata.iptc)) {
        Exiv2::DataValue value;
        value.read(r.bytes.data(), static_cast<long>(r.bytes.size()));
        records.add(Exiv2::IptcKey(r.dataSet, r.record), &value);
    }
    if (!records.empty()) image.setIptcData(records);
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

std::string withOwnNote(const std::string& picture, const std::string& mediaType, const OwnProperties& own) {
    const std::string packet = packetSandboxed({}, mediaType, own);
    const auto lock = lockXmp();
    const auto image = Exiv2::ImageFactory::open(reinterpret_cast<const Exiv2::byte*>(picture.data()),
                                                 static_cast<long>(picture.size()));
    image->readMetadata();
    image->setXmpPacket(packet);
    image->writeXmpFromPacket(true);
    image->writeMetadata();
    image->io().open();
    const Exiv2::DataBuf whole = image->io().read(static_cast<long>(image->io().size()));
    return {reinterpret_cast<const char*>(whole.pData_), static_cast<std::size_t>(whole.size_)};
}

} // namespace irenic
