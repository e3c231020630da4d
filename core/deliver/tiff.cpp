#include "deliver/tiff.h"

#include <tiffio.h>

#include <cmath>
#include <memory>

#include "base/digest.h"
#include "base/safe_file.h"
#include "base/shown_text.h"
#include "deliver/carried_tags.h"
#include "deliver/developed_rows.h"
#include "deliver/proof.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

void describe(TIFF* t, const Photo& photo, PictureSize size, const Export& what) {
    const Delivery& how = what.delivery;
    TIFFSetField(t, TIFFTAG_IMAGEWIDTH, size.width);
    TIFFSetField(t, TIFFTAG_IMAGELENGTH, size.height);
    TIFFSetField(t, TIFFTAG_BITSPERSAMPLE, how.bits);
    if (how.bits == 32) TIFFSetField(t, TIFFTAG_SAMPLEFORMAT, SAMPLEFORMAT_IEEEFP);
    TIFFSetField(t, TIFFTAG_SAMPLESPERPIXEL, 3);
    TIFFSetField(t, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_RGB);
    TIFFSetField(t, TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
    TIFFSetField(t, TIFFTAG_ORIENTATION, photo.orientation);
    TIFFSetField(t, TIFFTAG_ROWSPERSTRIP, 32);
    TIFFSetField(t, TIFFTAG_XRESOLUTION, static_cast<double>(how.dpi));
    TIFFSetField(t, TIFFTAG_YRESOLUTION, static_cast<double>(how.dpi));
    TIFFSetField(t, TIFFTAG_RESOLUTIONUNIT, RESUNIT_INCH);
    TIFFSetField(t, TIFFTAG_SOFTWARE, "Irenic");
    if (!photo.make.empty()) TIFFSetField(t, TIFFTAG_MAKE, photo.make.c_str());
    if (!photo.model.empty()) TIFFSetField(t, TIFFTAG_MODEL, photo.model.c_str());
    if (how.packing != Packing::None) {
        TIFFSetField(t, TIFFTAG_COMPRESSION,
                     how.packing == Packing::Lzw ? COMPRESSION_LZW : COMPRESSION_ADOBE_DEFLATE);
        TIFFSetField(t, TIFFTAG_PREDICTOR, how.bits == 32 ? PREDICTOR_FLOATINGPOINT : PREDICTOR_HORIZONTAL);
    }
    const auto profile = profileOf(what);
    TIFFSetField(t, TIFFTAG_ICCPROFILE, static_cast<std::uint32_t>(profile.size()), profile.data());
}

} // namespace

LeftOut writeTiff(const std::filesystem::path& to, const Export& what, const XmpNote& xmp, const Work& work,
                  double plainUpTo) {
    const Photo& photo = *what.recipe.photo;
    const PictureSize size = sizeOf(what);
    const int bits = what.delivery.bits;
    const auto samples = static_cast<std::size_t>(size.width) * 3;
    const std::size_t bytes = samples * static_cast<std::size_t>(bits) / 8;
    const bool big = static_cast<double>(bytes) * size.height > plainUpTo;
    Digest written;
    {
        TIFFSetErrorHandler(nullptr);
        std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFOpen(to.c_str(), big ? "w8" : "w"), TIFFClose);
        if (!tiff) failedWriting(to.parent_path());
        TIFF* t = tiff.get();
        describe(t, photo, size, what);
        std::vector<std::uint8_t> row(bytes);
        developRows(what, work, [&](int y, const float* values) {
            quantise(values, samples, bits, y, row.data());
            // Before: the library differentiates the row in place.
            written.add(row.data(), bytes);
            errno = 0;
            if (TIFFWriteScanline(t, row.data(), static_cast<std::uint32_t>(y), 0) != 1)
                failedWriting(to.parent_path());
        });
        errno = 0;
        if (TIFFFlush(t) != 1) failedWriting(to.parent_path());
    }
    const FilePicture back = readBack(to, [&] {
        // Exiv2 reads no BigTIFF: there the tags above are all it has.
        if (!big) carryTags(*Exiv2::ImageFactory::open(to.string()), photo, what.delivery, xmp.packet);
        return readTiffPicture(GivenFile(to), {work.stop});
    });
    prove(to, back, size.width, size.height, written);
    return leftOutOf(
        xmp,
        big ? IRENIC_TEXT("A TIFF above 4 GB holds no Exif, IPTC and XMP yet; they were left out.") : "");
}

} // namespace irenic
