#include "raw/developed.h"

#include <lcms2.h>
#include <tiffio.h>

#include <QColorSpace>
#include <QImage>
#include <QImageReader>
#include <algorithm>
#include <cmath>
#include <fstream>

namespace irenic {

namespace {

namespace fs = std::filesystem;

[[noreturn]] void fail(const fs::path& file, const std::string& what) { throw PhotoError(file.filename().string() + ": " + what); }

// A picture as its file holds it.
struct Picture {
    int width = 0, height = 0, channels = 3, bytes = 2; // 4: floating point
    std::vector<std::uint8_t> data;
    std::vector<std::uint8_t> profile; // ICC; empty: none
};

Picture readTiff(const fs::path& file, const Work& work) {
    // The library's messages go nowhere: what matters is said below.
    TIFFSetErrorHandler(nullptr);
    TIFFSetWarningHandler(nullptr);
    const std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFOpen(file.c_str(), "r"), TIFFClose);
    if (!tiff) fail(file, "this is not a photo that Irenic can read, or it is damaged.");
    std::uint32_t width = 0, height = 0;
    std::uint16_t bits = 8, samples = 1, planar = PLANARCONFIG_CONTIG, format = SAMPLEFORMAT_UINT, photometric = PHOTOMETRIC_RGB;
    TIFFGetField(tiff.get(), TIFFTAG_IMAGEWIDTH, &width);
    TIFFGetField(tiff.get(), TIFFTAG_IMAGELENGTH, &height);
    TIFFGetFieldDefaulted(tiff.get(), TIFFTAG_BITSPERSAMPLE, &bits);
    TIFFGetFieldDefaulted(tiff.get(), TIFFTAG_SAMPLESPERPIXEL, &samples);
    TIFFGetFieldDefaulted(tiff.get(), TIFFTAG_PLANARCONFIG, &planar);
    TIFFGetFieldDefaulted(tiff.get(), TIFFTAG_SAMPLEFORMAT, &format);
    TIFFGetField(tiff.get(), TIFFTAG_PHOTOMETRIC, &photometric);
    const bool known = (format == SAMPLEFORMAT_UINT && (bits == 8 || bits == 16)) || (format == SAMPLEFORMAT_IEEEFP && bits == 32);
    if (!known || planar != PLANARCONFIG_CONTIG || TIFFIsTiled(tiff.get()) || (photometric != PHOTOMETRIC_RGB && photometric != PHOTOMETRIC_MINISBLACK))
        fail(file, "this kind of TIFF cannot be read. Save it as RGB or grey with 8, 16 or 32 bits, in strips, with the colours side by side.");
    if (width == 0 || height == 0 || width > 100000 || height > 100000) fail(file, "its sizes make no sense; the file is damaged.");
    Picture p;
    p.width = static_cast<int>(width), p.height = static_cast<int>(height), p.bytes = bits / 8;
    p.channels = samples >= 3 ? 3 : 1;
    const auto pixel = static_cast<std::size_t>(p.channels * p.bytes);
    p.data.resize(static_cast<std::size_t>(width) * height * pixel);
    std::vector<std::uint8_t> line(static_cast<std::size_t>(TIFFScanlineSize(tiff.get())));
    for (std::uint32_t y = 0; y < height; ++y) {
        if (y % 64 == 0) work.check();
        if (TIFFReadScanline(tiff.get(), line.data(), y, 0) != 1) fail(file, "the file ends too early or is damaged.");
        for (std::uint32_t x = 0; x < width; ++x)
            std::copy_n(line.data() + static_cast<std::size_t>(x) * samples * static_cast<std::size_t>(p.bytes), pixel, p.data.data() + (static_cast<std::size_t>(y) * width + x) * pixel);
    }
    std::uint32_t size = 0;
    void* profile = nullptr;
    if (TIFFGetField(tiff.get(), TIFFTAG_ICCPROFILE, &size, &profile) && size > 0) p.profile.assign(static_cast<std::uint8_t*>(profile), static_cast<std::uint8_t*>(profile) + size);
    return p;
}

Picture readImage(const fs::path& file) {
    QImageReader reader(QString::fromStdString(file.string()));
    QImageReader::setAllocationLimit(0);
    QImage image = reader.read();
    if (image.isNull()) fail(file, "this picture cannot be read (" + reader.errorString().toStdString() + ").");
    const QByteArray icc = image.colorSpace().iccProfile();
    const bool deep = image.depth() > 32;
    image = image.convertToFormat(deep ? QImage::Format_RGBX64 : QImage::Format_RGB888);
    Picture p;
    p.width = image.width(), p.height = image.height(), p.bytes = deep ? 2 : 1;
    p.profile.assign(icc.begin(), icc.end());
    p.data.reserve(static_cast<std::size_t>(p.width) * static_cast<std::size_t>(p.height) * static_cast<std::size_t>(3 * p.bytes));
    for (int y = 0; y < p.height; ++y) {
        const std::uint8_t* line = image.constScanLine(y);
        if (!deep) p.data.insert(p.data.end(), line, line + 3 * p.width);
        else
            for (int x = 0; x < p.width; ++x) p.data.insert(p.data.end(), line + 8 * x, line + 8 * x + 6);
    }
    return p;
}

const Matrix3 kRommToXyz = {0.7976749, 0.1351917, 0.0313534, 0.2880402, 0.7118741, 0.0000857, 0, 0, 0.8252100}; // D50

struct Closing {
    void operator()(void* profile) const { cmsCloseProfile(profile); }
};
using Profile = std::unique_ptr<void, Closing>;

Profile linearRomm() {
    const cmsCIExyY white{0.3457, 0.3585, 1};
    const cmsCIExyYTRIPLE primaries{{0.7347, 0.2653, 1}, {0.1596, 0.8404, 1}, {0.0366, 0.0001, 1}};
    cmsToneCurve* curve = cmsBuildGamma(nullptr, 1.0);
    cmsToneCurve* three[3] = {curve, curve, curve};
    Profile profile(cmsCreateRGBProfile(&white, &primaries, three));
    cmsFreeToneCurve(curve);
    return profile;
}

void toLinear(const fs::path& file, Photo& photo, const Picture& p, const Work& work) {
    Profile from;
    if (!p.profile.empty()) from.reset(cmsOpenProfileFromMem(p.profile.data(), static_cast<cmsUInt32Number>(p.profile.size())));
    const bool grey = p.channels == 1;
    const cmsColorSpaceSignature wanted = grey ? cmsSigGrayData : cmsSigRgbData;
    if (!from || cmsGetColorSpace(from.get()) != wanted) {
        if (grey) {
            const double srgb[5] = {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045};
            cmsToneCurve* curve = cmsBuildParametricToneCurve(nullptr, 4, srgb);
            from.reset(cmsCreateGrayProfile(cmsD50_xyY(), curve));
            cmsFreeToneCurve(curve);
        } else {
            from.reset(cmsCreate_sRGBProfile());
        }
    }
    const Profile to = linearRomm();
    const cmsUInt32Number in = (p.bytes == 4 ? FLOAT_SH(1) : 0U) | COLORSPACE_SH(static_cast<cmsUInt32Number>(grey ? PT_GRAY : PT_RGB)) |
                               CHANNELS_SH(static_cast<cmsUInt32Number>(p.channels)) | BYTES_SH(static_cast<cmsUInt32Number>(p.bytes));
    const std::unique_ptr<void, void (*)(void*)> transform(cmsCreateTransform(from.get(), in, to.get(), TYPE_RGB_FLT, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOCACHE), cmsDeleteTransform);
    if (!transform) fail(file, "its colour profile cannot be used.");
    photo.samples.resize(static_cast<std::size_t>(p.width) * static_cast<std::size_t>(p.height) * 3);
    forEachBand(p.height, 16, work, [&](int first, int last) {
        std::vector<float> line(static_cast<std::size_t>(p.width) * 3);
        for (int y = first; y < last; ++y) {
            const std::size_t row = static_cast<std::size_t>(y) * static_cast<std::size_t>(p.width);
            cmsDoTransform(transform.get(), p.data.data() + row * static_cast<std::size_t>(p.channels * p.bytes), line.data(), static_cast<cmsUInt32Number>(p.width));
            for (std::size_t i = 0; i < line.size(); ++i) photo.samples[row * 3 + i] = static_cast<std::uint16_t>(std::lround(std::clamp(line[i], 0.0f, 1.0f) * 65535.0f));
        }
    });
}

} // namespace

bool looksDeveloped(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    unsigned char head[4] = {};
    in.read(reinterpret_cast<char*>(head), 4);
    return (head[0] == 0xff && head[1] == 0xd8) || (head[0] == 0x89 && head[1] == 'P' && head[2] == 'N' && head[3] == 'G');
}

void readShotFromTags(Photo& photo) {
    const Metadata& m = photo.metadata;
    const auto text = [](const TagEntry* e) { return e ? e->text() : std::string(); };
    const auto number = [](const TagEntry* e) { return e ? e->number() : 0.0; };
    photo.make = text(Metadata::find(m.main, 0x010f));
    photo.model = text(Metadata::find(m.main, 0x0110));
    photo.lens = text(Metadata::find(m.exif, 0xa434));
    photo.taken = text(Metadata::find(m.exif, 0x9003));
    photo.iso = number(Metadata::find(m.exif, 0x8827));
    photo.exposure = number(Metadata::find(m.exif, 0x829a));
    photo.aperture = number(Metadata::find(m.exif, 0x829d));
    photo.focal = number(Metadata::find(m.exif, 0x920a));
    if (const TagEntry* e = Metadata::find(m.main, 0x0112); e && e->number() >= 1 && e->number() <= 8) photo.orientation = static_cast<int>(e->number());
}

std::shared_ptr<Photo> readDeveloped(const fs::path& file, const Work& work) {
    const Picture p = looksDeveloped(file) ? readImage(file) : readTiff(file, work);
    if (p.width < 16 || p.height < 16) fail(file, "the picture is too small to be a photo.");
    work.check();
    work.report(0.3);
    auto photo = std::make_shared<Photo>();
    photo->file = file;
    photo->channels = 3;
    photo->developed = true;
    photo->rawWidth = p.width, photo->rawHeight = p.height;
    photo->active = photo->crop = {0, 0, p.width, p.height};
    photo->bits = 8 * p.bytes;
    photo->white = 65535;
    photo->metadata = readMetadata(file);
    ColourProfile colour;
    colour.illuminant = 23; // D50
    colour.colourMatrix = inverse(kRommToXyz);
    colour.forwardMatrix = kRommToXyz;
    photo->profiles = {colour};
    readShotFromTags(*photo);
    toLinear(file, *photo, p, work);
    work.report(0.5);
    return photo;
}

} // namespace irenic
