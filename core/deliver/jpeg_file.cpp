#include <cmath>

#include "base/safe_file.h"
#include "base/shown_text.h"
#include "deliver/carried_tags.h"
#include "deliver/developed_rows.h"
#include "deliver/jpeg.h"
#include "deliver/picture_files.h"
#include "deliver/proof.h"
#include "raw/picture_file.h"

namespace irenic {

LeftOut writeJpeg(const std::filesystem::path& to, const Export& what, const XmpNote& xmp, const Work& work) {
    const Photo& photo = *what.recipe.photo;
    const PictureSize size = sizeOf(what);
    if (size.width > kLongestJpegSide || size.height > kLongestJpegSide)
        throw WriteError(IRENIC_TEXT("it is too large for a JPEG. Export a TIFF."));
    const int quality = static_cast<int>(std::lround(what.delivery.quality));
    JpegEncoder encoder(size.width, size.height, quality, profileOf(what), what.delivery.subsampled);
    BlockMeans written(size.width, size.height), read(size.width, size.height);
    std::vector<std::uint8_t> row(static_cast<std::size_t>(size.width) * 3);
    developRows(what, work, [&](int y, const float* values) {
        quantise(values, row.size(), 8, y, row.data());
        written.add(y, row.data());
        encoder.row(row.data());
    });
    const std::vector<std::uint8_t> bytes = encoder.finish();
    const auto image = Exiv2::ImageFactory::open(bytes.data(), static_cast<long>(bytes.size()));
    // A segment holds 65533 bytes (ITU-T T.81, B.1.1.4), of which some name what follows.
    constexpr std::size_t kSegment = 65400;
    const bool fits = xmp.packet.size() <= kSegment;
    LeftOut left = leftOutOf(
        xmp, fits ? "" : IRENIC_TEXT("The original's XMP is longer than a JPEG can hold and was left out."));
    const auto own = [&](Exiv2::ExifData& exif) {
        describeIn(exif, photo, what.delivery);
        exif["Exif.Image.YCbCrPositioning"] = static_cast<std::uint16_t>(1);
        exif["Exif.Photo.ComponentsConfiguration"] = "1 2 3 0";
        exif["Exif.Photo.PixelXDimension"] = static_cast<std::uint32_t>(size.width);
        exif["Exif.Photo.PixelYDimension"] = static_cast<std::uint32_t>(size.height);
    };
    carryTags(*image, photo, what.delivery, fits ? xmp.packet : xmp.ownOnly, own, &left, kSegment);
    image->io().open();
    const Exiv2::DataBuf whole = image->io().read(static_cast<long>(image->io().size()));
    writeTo(to, whole.pData_, static_cast<std::size_t>(whole.size_));
    const FilePicture back = readBack(to, [&] { return readJpegPicture(GivenFile(to), {work.stop}); });
    if (back.width != size.width || back.height != size.height || back.channels != 3)
        doesNotReadBack(to, "another size");
    for (int y = 0; y < back.height; ++y)
        read.add(y,
                 back.data.data() + static_cast<std::size_t>(y) * static_cast<std::size_t>(back.width) * 3);
    // A block's mean moves by half a step of its quantiser: one or two values, more where the quality is low
    // or colours are at half the size.
    const double most = quality >= 75 && !what.delivery.subsampled ? 6 : quality >= 40 ? 16 : 48;
    if (written.farthest(read) > most) doesNotReadBack(to, "other pixels");
    return left;
}

} // namespace irenic
