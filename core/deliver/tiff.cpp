#include "deliver/tiff.h"

#include <tiffio.h>

#include <cmath>
#include <cstdio>
#include <exiv2/exiv2.hpp>
#include <limits>
#include <memory>

#include "deliver/jpeg.h"
#include "deliver/profiles.h"
#include "deliver/proof.h"
#include "deliver/safe_file.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

constexpr int kStripRows = 512;

// The photo's tags and the XMP packet; `more` adds what else the file needs.
template <class More>
void carryTags(Exiv2::Image& image, const Photo& photo, OutputSpace space, const std::string& xmp,
               const More& more) {
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
    exif["Exif.Photo.ColorSpace"] = static_cast<std::uint16_t>(space == OutputSpace::Srgb ? 1 : 65535);
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

// Calls put(y, row) for every row of `frame`, strip by strip, in order: encoded values, pixel after pixel, up
// to the largest Sample.
template <class Sample, class Put>
void developStrips(const Photo& photo, const Settings& settings, const Look& look, const Rect& frame,
                   OutputSpace space, const Work& work, const Put& put) {
    constexpr float most = std::numeric_limits<Sample>::max();
    std::vector<Sample> row(static_cast<std::size_t>(frame.width) * 3);
    const Finish finish(photo, look, space);
    for (int top = 0; top < frame.height; top += kStripRows) {
        const Rect strip{frame.x, frame.y + top, frame.width, std::min(kStripRows, frame.height - top)};
        auto rgb = developRegion(photo, settings, look, strip, kWorkingSpace, {work.stop, nullptr});
        forEachBand(strip.height, 16, {work.stop, nullptr}, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                finish.apply(rgb[0].row(y), rgb[1].row(y), rgb[2].row(y), strip.width);
        });
        for (int y = 0; y < strip.height; ++y) {
            for (int x = 0; x < frame.width; ++x)
                for (std::size_t c = 0; c < 3; ++c)
                    row[static_cast<std::size_t>(x) * 3 + c] =
                        static_cast<Sample>(rgb[c].at(x, y) * most + 0.5f);
            put(top + y, row.data());
        }
        work.report(static_cast<double>(top + strip.height) / frame.height * 0.95);
        work.check();
    }
}

// The tags of a 16-bit RGB TIFF.
void describe(TIFF* t, const Photo& photo, const Rect& frame, OutputSpace space,
              TiffCompression compression) {
    TIFFSetField(t, TIFFTAG_IMAGEWIDTH, frame.width);
    TIFFSetField(t, TIFFTAG_IMAGELENGTH, frame.height);
    TIFFSetField(t, TIFFTAG_BITSPERSAMPLE, 16);
    TIFFSetField(t, TIFFTAG_SAMPLESPERPIXEL, 3);
    TIFFSetField(t, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_RGB);
    TIFFSetField(t, TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
    TIFFSetField(t, TIFFTAG_ORIENTATION, photo.orientation);
    TIFFSetField(t, TIFFTAG_ROWSPERSTRIP, 32);
    TIFFSetField(t, TIFFTAG_XRESOLUTION, 300.0);
    TIFFSetField(t, TIFFTAG_YRESOLUTION, 300.0);
    TIFFSetField(t, TIFFTAG_RESOLUTIONUNIT, RESUNIT_INCH);
    TIFFSetField(t, TIFFTAG_SOFTWARE, "Irenic");
    if (!photo.make.empty()) TIFFSetField(t, TIFFTAG_MAKE, photo.make.c_str());
    if (!photo.model.empty()) TIFFSetField(t, TIFFTAG_MODEL, photo.model.c_str());
    if (compression == TiffCompression::Zip) {
        TIFFSetField(t, TIFFTAG_COMPRESSION, COMPRESSION_ADOBE_DEFLATE);
        TIFFSetField(t, TIFFTAG_PREDICTOR, PREDICTOR_HORIZONTAL);
    }
    const auto profile = iccProfile(space);
    TIFFSetField(t, TIFFTAG_ICCPROFILE, static_cast<std::uint32_t>(profile.size()), profile.data());
}

[[noreturn]] void doesNotReadBack(const std::filesystem::path& file, const std::string& why) {
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

} // namespace

void writeTiff(const std::filesystem::path& to, const Photo& photo, const Settings& settings,
               const Look& look, OutputSpace space, TiffCompression compression, const std::string& xmp,
               const Work& work) {
    const Rect frame = outputFrame(photo, look);
    ByteDigest written;
    {
        TIFFSetErrorHandler(nullptr);
        std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFOpen(to.c_str(), "w"), TIFFClose);
        if (!tiff) failedWriting(to.parent_path());
        TIFF* t = tiff.get();
        describe(t, photo, frame, space, compression);
        const std::size_t bytes = static_cast<std::size_t>(frame.width) * 6;
        developStrips<std::uint16_t>(photo, settings, look, frame, space, work,
                                     [&](int y, std::uint16_t* row) {
                                         // Before: the library differentiates the row in place.
                                         written.add(row, bytes);
                                         errno = 0;
                                         if (TIFFWriteScanline(t, row, static_cast<std::uint32_t>(y), 0) != 1)
                                             failedWriting(to.parent_path());
                                     });
        errno = 0;
        if (TIFFFlush(t) != 1) failedWriting(to.parent_path());
    }
    FilePicture back;
    try {
        const auto image = Exiv2::ImageFactory::open(to.string());
        carryTags(*image, photo, space, xmp, [](Exiv2::ExifData&) {});
        back = readTiffPicture(to, {work.stop});
    } catch (const Cancelled&) {
        throw;
    } catch (const std::exception& e) {
        doesNotReadBack(to, e.what());
    }
    ByteDigest read;
    read.add(back.data.data(), back.data.size());
    if (back.width != frame.width || back.height != frame.height || !(read == written))
        doesNotReadBack(to, "other pixels");
}

namespace {

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

} // namespace

void writeJpeg(const std::filesystem::path& to, const Photo& photo, const Settings& settings,
               const Look& look, OutputSpace space, const std::string& xmp, const Work& work) {
    const Rect frame = outputFrame(photo, look);
    if (frame.width > kLongestJpegSide || frame.height > kLongestJpegSide)
        throw WriteError("it is too large for a JPEG. Export a TIFF.");
    JpegEncoder encoder(frame.width, frame.height, 95, iccProfile(space));
    BlockMeans written(frame.width, frame.height), read(frame.width, frame.height);
    developStrips<std::uint8_t>(photo, settings, look, frame, space, work, [&](int y, std::uint8_t* row) {
        written.add(y, row);
        encoder.row(row);
    });
    const std::vector<std::uint8_t> bytes = encoder.finish();
    const auto image = Exiv2::ImageFactory::open(bytes.data(), static_cast<long>(bytes.size()));
    carryTags(*image, photo, space, xmp, [&](Exiv2::ExifData& exif) {
        exif["Exif.Image.Orientation"] = static_cast<std::uint16_t>(photo.orientation);
        if (!photo.make.empty()) exif["Exif.Image.Make"] = photo.make;
        if (!photo.model.empty()) exif["Exif.Image.Model"] = photo.model;
        exif["Exif.Image.Software"] = "Irenic";
        exif["Exif.Image.XResolution"] = Exiv2::URational(300, 1);
        exif["Exif.Image.YResolution"] = Exiv2::URational(300, 1);
        exif["Exif.Image.ResolutionUnit"] = static_cast<std::uint16_t>(2);
        exif["Exif.Image.YCbCrPositioning"] = static_cast<std::uint16_t>(1);
        exif["Exif.Photo.ComponentsConfiguration"] = "1 2 3 0";
        exif["Exif.Photo.PixelXDimension"] = static_cast<std::uint32_t>(frame.width);
        exif["Exif.Photo.PixelYDimension"] = static_cast<std::uint32_t>(frame.height);
    });
    image->io().open();
    const Exiv2::DataBuf whole = image->io().read(static_cast<long>(image->io().size()));
    writeBytes(to, whole.pData_, static_cast<std::size_t>(whole.size_));
    FilePicture back;
    try {
        back = readJpegPicture(to, {work.stop});
    } catch (const PhotoError& e) {
        doesNotReadBack(to, e.what());
    }
    if (back.width != frame.width || back.height != frame.height || back.channels != 3)
        doesNotReadBack(to, "another size");
    for (int y = 0; y < back.height; ++y)
        read.add(y,
                 back.data.data() + static_cast<std::size_t>(y) * static_cast<std::size_t>(back.width) * 3);
    // At this quality a block's mean moves by a step or two.
    if (written.farthest(read) > 6) doesNotReadBack(to, "other pixels");
}

} // namespace irenic
