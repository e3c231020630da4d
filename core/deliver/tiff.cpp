#include "deliver/tiff.h"

#include <tiffio.h>

#include <cmath>
#include <exiv2/exiv2.hpp>
#include <memory>
#include <stdexcept>

#include "deliver/profiles.h"

namespace irenic {

namespace {

constexpr int kStripRows = 512;

void carryExif(const std::filesystem::path& to, const Photo& photo, OutputSpace space, const std::string& xmp) {
    auto image = Exiv2::ImageFactory::open(to.string());
    image->readMetadata();
    Exiv2::ExifData& exif = image->exifData();
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
    if (!xmp.empty()) Exiv2::XmpParser::decode(image->xmpData(), xmp);
    image->writeMetadata();
}

} // namespace

void writeTiff(const std::filesystem::path& to, const Photo& photo, const Settings& settings, OutputSpace space,
               TiffCompression compression, const std::string& xmp, const Work& work) {
    const Rect crop = photo.crop;
    {
        const std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFOpen(to.c_str(), "w"), TIFFClose);
        if (!tiff) throw std::runtime_error("it cannot be written");
        TIFF* t = tiff.get();
        TIFFSetField(t, TIFFTAG_IMAGEWIDTH, crop.width);
        TIFFSetField(t, TIFFTAG_IMAGELENGTH, crop.height);
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

        const float gain = std::exp2(static_cast<float>(photo.baselineExposure));
        std::vector<std::uint16_t> curve(65536);
        for (std::size_t i = 0; i < curve.size(); ++i) {
            const float v = static_cast<float>(i) / 65535.0f;
            curve[i] = static_cast<std::uint16_t>(std::lround(65535 * encoded(space, tone(photo, v * v))));
        }
        std::vector<std::uint16_t> row(static_cast<std::size_t>(crop.width) * 3);
        for (int top = 0; top < crop.height; top += kStripRows) {
            const Rect strip{crop.x, crop.y + top, crop.width, std::min(kStripRows, crop.height - top)};
            const Work part{work.stop, nullptr};
            const auto rgb = developRegion(photo, settings, strip, space, part);
            for (int y = 0; y < strip.height; ++y) {
                for (int x = 0; x < strip.width; ++x)
                    for (std::size_t c = 0; c < 3; ++c) {
                        const float v = std::sqrt(std::clamp(rgb[c].at(x, y) * gain, 0.0f, 1.0f));
                        row[static_cast<std::size_t>(x) * 3 + c] = curve[static_cast<std::size_t>(v * 65535.0f + 0.5f)];
                    }
                if (TIFFWriteScanline(t, row.data(), static_cast<std::uint32_t>(top + y), 0) != 1)
                    throw std::runtime_error("it could not be written to its end. Is the disk full?");
            }
            work.report(static_cast<double>(top + strip.height) / crop.height * 0.95);
            work.check();
        }
    }
    carryExif(to, photo, space, xmp);
}

} // namespace irenic
