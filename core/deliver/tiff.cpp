#include "deliver/tiff.h"

#include <cstdio>
// The library's header uses FILE without asking for it.
#include <jpeglib.h>
#include <tiffio.h>

#include <cmath>
#include <exiv2/exiv2.hpp>
#include <limits>
#include <memory>
#include <stdexcept>

#include "deliver/profiles.h"

namespace irenic {

namespace {

constexpr int kStripRows = 512;

// The photo's tags and the XMP packet; `more` adds what else the file needs.
template <class More> void carryExif(const std::filesystem::path& to, const Photo& photo, OutputSpace space, const std::string& xmp, const More& more) {
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
    more(exif);
    if (!xmp.empty()) Exiv2::XmpParser::decode(image->xmpData(), xmp);
    image->writeMetadata();
}

// A JPEG being written; the library's errors become exceptions.
struct JpegFile {
    explicit JpegFile(const std::filesystem::path& to) : file(std::fopen(to.c_str(), "wb")) {
        if (!file) throw std::runtime_error("it cannot be written");
        state.err = jpeg_std_error(&errors);
        errors.error_exit = [](j_common_ptr j) {
            char text[JMSG_LENGTH_MAX];
            j->err->format_message(j, text);
            throw std::runtime_error(std::string("it could not be written to its end (") + text + "). Is the disk full?");
        };
        jpeg_create_compress(&state);
        jpeg_stdio_dest(&state, file);
    }
    ~JpegFile() {
        jpeg_destroy_compress(&state);
        std::fclose(file);
    }
    JpegFile(const JpegFile&) = delete;
    JpegFile& operator=(const JpegFile&) = delete;

    jpeg_compress_struct state{};
    jpeg_error_mgr errors{};
    std::FILE* file;
};

// Calls put(y, row) for every row of `frame`, strip by strip, in order: encoded values, pixel after pixel, up to the largest Sample.
template <class Sample, class Put>
void developStrips(const Photo& photo, const Settings& settings, const Look& look, const Rect& frame, OutputSpace space, const Work& work, const Put& put) {
    constexpr float most = std::numeric_limits<Sample>::max();
    std::vector<Sample> row(static_cast<std::size_t>(frame.width) * 3);
    const Finish finish(photo, look, space, false);
    for (int top = 0; top < frame.height; top += kStripRows) {
        const Rect strip{frame.x, frame.y + top, frame.width, std::min(kStripRows, frame.height - top)};
        auto rgb = developRegion(photo, settings, look, strip, kWorkingSpace, {work.stop, nullptr});
        forEachBand(strip.height, 16, {work.stop, nullptr}, [&](int first, int last) {
            for (int y = first; y < last; ++y) finish.apply(rgb[0].row(y), rgb[1].row(y), rgb[2].row(y), strip.width);
        });
        for (int y = 0; y < strip.height; ++y) {
            for (int x = 0; x < frame.width; ++x)
                for (std::size_t c = 0; c < 3; ++c) row[static_cast<std::size_t>(x) * 3 + c] = static_cast<Sample>(rgb[c].at(x, y) * most + 0.5f);
            put(top + y, row.data());
        }
        work.report(static_cast<double>(top + strip.height) / frame.height * 0.95);
        work.check();
    }
}

} // namespace

void writeTiff(const std::filesystem::path& to, const Photo& photo, const Settings& settings, const Look& look, OutputSpace space,
               TiffCompression compression, const std::string& xmp, const Work& work) {
    const Rect frame = outputFrame(photo, look);
    {
        const std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFOpen(to.c_str(), "w"), TIFFClose);
        if (!tiff) throw std::runtime_error("it cannot be written");
        TIFF* t = tiff.get();
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

        developStrips<std::uint16_t>(photo, settings, look, frame, space, work, [&](int y, std::uint16_t* row) {
            if (TIFFWriteScanline(t, row, static_cast<std::uint32_t>(y), 0) != 1) throw std::runtime_error("it could not be written to its end. Is the disk full?");
        });
    }
    carryExif(to, photo, space, xmp, [](Exiv2::ExifData&) {});
}

void writeJpeg(const std::filesystem::path& to, const Photo& photo, const Settings& settings, const Look& look, OutputSpace space,
               const std::string& xmp, const Work& work) {
    const Rect frame = outputFrame(photo, look);
    if (frame.width > JPEG_MAX_DIMENSION || frame.height > JPEG_MAX_DIMENSION) throw std::runtime_error("it is too large for a JPEG. Export a TIFF.");
    {
        JpegFile file(to);
        jpeg_compress_struct& j = file.state;
        j.image_width = static_cast<JDIMENSION>(frame.width), j.image_height = static_cast<JDIMENSION>(frame.height);
        j.input_components = 3, j.in_color_space = JCS_RGB;
        jpeg_set_defaults(&j);
        jpeg_set_quality(&j, 95, TRUE);
        for (int c = 0; c < 3; ++c) j.comp_info[c].h_samp_factor = j.comp_info[c].v_samp_factor = 1;
        j.density_unit = 1, j.X_density = j.Y_density = 300;
        j.optimize_coding = TRUE;
        jpeg_start_compress(&j, TRUE);
        const auto profile = iccProfile(space);
        jpeg_write_icc_profile(&j, profile.data(), static_cast<unsigned>(profile.size()));
        developStrips<std::uint8_t>(photo, settings, look, frame, space, work, [&](int, std::uint8_t* row) { jpeg_write_scanlines(&j, &row, 1); });
        jpeg_finish_compress(&j);
    }
    carryExif(to, photo, space, xmp, [&](Exiv2::ExifData& exif) {
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
}

} // namespace irenic
