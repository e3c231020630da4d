#include <tiffio.h>

#include <algorithm>
#include <cstdio>
#include <memory>
#include <span>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/photo.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

[[noreturn]] void fail(const GivenFile& file, const std::string& what) {
    throw PhotoError(shownName(file.name()) + ": " + what);
}

// The library reads through these as if from a file.
struct Source {
    std::span<const std::uint8_t> bytes;
    std::uint64_t at = 0;
};
tmsize_t readBytes(thandle_t handle, void* to, tmsize_t count) {
    auto* s = static_cast<Source*>(handle);
    const std::uint64_t left = s->at < s->bytes.size() ? s->bytes.size() - s->at : 0;
    const auto taken =
        static_cast<std::size_t>(std::min(left, static_cast<std::uint64_t>(std::max<tmsize_t>(0, count))));
    if (taken == 0) return 0;
    std::copy_n(s->bytes.begin() + static_cast<std::ptrdiff_t>(s->at), taken, static_cast<std::uint8_t*>(to));
    s->at += taken;
    return static_cast<tmsize_t>(taken);
}
tmsize_t writeNothing(thandle_t, void*, tmsize_t) { return -1; }
toff_t seekTo(thandle_t handle, toff_t offset, int from) {
    auto* s = static_cast<Source*>(handle);
    s->at = from == SEEK_SET ? offset : from == SEEK_CUR ? s->at + offset : s->bytes.size() + offset;
    return s->at;
}
int closeNothing(thandle_t) { return 0; }
toff_t sizeOf(thandle_t handle) { return static_cast<Source*>(handle)->bytes.size(); }
int mapBytes(thandle_t handle, void** base, toff_t* size) {
    const auto* s = static_cast<Source*>(handle);
    *base = const_cast<std::uint8_t*>(s->bytes.data()), *size = s->bytes.size();
    return 1;
}
void unmapNothing(thandle_t, void*, toff_t) {}

constexpr const char* kCut = IRENIC_TEXT("the file ends too early or is damaged. Copy it again.");

// The colours of a pixel without its further channels (alpha).
void takePixels(const std::uint8_t* from, std::size_t stored, std::size_t wanted, std::size_t count,
                std::uint8_t* to) {
    for (std::size_t x = 0; x < count; ++x) std::copy_n(from + x * stored, wanted, to + x * wanted);
}

} // namespace

FilePicture readTiffPicture(const GivenFile& file, const Work& work) {
    // The library's messages go nowhere: what matters is said below.
    TIFFSetErrorHandler(nullptr);
    TIFFSetWarningHandler(nullptr);
    Source source{file.bytes()};
    const std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFClientOpen("photo", "r", &source, readBytes,
                                                                     writeNothing, seekTo, closeNothing,
                                                                     sizeOf, mapBytes, unmapNothing),
                                                      TIFFClose);
    if (!tiff) fail(file, IRENIC_TEXT("this is not a photo that Irenic can read, or it is damaged."));
    TIFF* t = tiff.get();
    std::uint32_t width = 0, height = 0;
    std::uint16_t bits = 8, samples = 1, planar = PLANARCONFIG_CONTIG, format = SAMPLEFORMAT_UINT,
                  photometric = PHOTOMETRIC_RGB;
    TIFFGetField(t, TIFFTAG_IMAGEWIDTH, &width);
    TIFFGetField(t, TIFFTAG_IMAGELENGTH, &height);
    TIFFGetFieldDefaulted(t, TIFFTAG_BITSPERSAMPLE, &bits);
    TIFFGetFieldDefaulted(t, TIFFTAG_SAMPLESPERPIXEL, &samples);
    TIFFGetFieldDefaulted(t, TIFFTAG_PLANARCONFIG, &planar);
    TIFFGetFieldDefaulted(t, TIFFTAG_SAMPLEFORMAT, &format);
    TIFFGetField(t, TIFFTAG_PHOTOMETRIC, &photometric);
    const bool known = (format == SAMPLEFORMAT_UINT && (bits == 8 || bits == 16)) ||
                       (format == SAMPLEFORMAT_IEEEFP && bits == 32);
    const bool colours =
        photometric == PHOTOMETRIC_RGB ? samples >= 3 : photometric == PHOTOMETRIC_MINISBLACK;
    if (!known || !colours || samples > 8 || planar != PLANARCONFIG_CONTIG)
        fail(file, IRENIC_TEXT("this kind of TIFF cannot be read. Save it as RGB or grey with 8, 16 or 32 "
                               "bits, with the colours side by side."));
    checkPictureSize(file, width, height);
    FilePicture p;
    p.width = static_cast<int>(width), p.height = static_cast<int>(height), p.bytes = bits / 8;
    p.channels = samples >= 3 ? 3 : 1;
    const auto pixel = static_cast<std::size_t>(p.channels * p.bytes),
               stored = static_cast<std::size_t>(samples) * static_cast<std::size_t>(p.bytes);
    const std::size_t row = static_cast<std::size_t>(width) * pixel;
    if (TIFFIsTiled(t)) {
        std::uint32_t across = 0, down = 0;
        TIFFGetField(t, TIFFTAG_TILEWIDTH, &across);
        TIFFGetField(t, TIFFTAG_TILELENGTH, &down);
        // A tile may be larger than a small picture, but not beyond all measure.
        if (across == 0 || down == 0 || across > width + 4096 || down > height + 4096) fail(file, kCut);
        std::vector<std::uint8_t> tile(static_cast<std::size_t>(TIFFTileSize(t)));
        if (tile.size() < static_cast<std::size_t>(across) * down * stored) fail(file, kCut);
        for (std::uint32_t y = 0; y < height; y += down) {
            const std::uint32_t rows = std::min(down, height - y);
            p.data.resize((static_cast<std::size_t>(y) + rows) * row);
            for (std::uint32_t x = 0; x < width; x += across) {
                work.check();
                if (TIFFReadTile(t, tile.data(), x, y, 0, 0) < 0) fail(file, kCut);
                for (std::uint32_t j = 0; j < rows; ++j)
                    takePixels(tile.data() + static_cast<std::size_t>(j) * across * stored, stored, pixel,
                               std::min(across, width - x),
                               p.data.data() + static_cast<std::size_t>(y + j) * row + x * pixel);
            }
        }
    } else {
        std::vector<std::uint8_t> line(static_cast<std::size_t>(TIFFScanlineSize(t)));
        if (line.size() < static_cast<std::size_t>(width) * stored) fail(file, kCut);
        for (std::uint32_t y = 0; y < height; ++y) {
            if (y % 64 == 0) work.check();
            if (TIFFReadScanline(t, line.data(), y, 0) != 1) fail(file, kCut);
            p.data.resize((static_cast<std::size_t>(y) + 1) * row);
            takePixels(line.data(), stored, pixel, width, p.data.data() + static_cast<std::size_t>(y) * row);
        }
    }
    std::uint32_t size = 0;
    void* profile = nullptr;
    if (TIFFGetField(t, TIFFTAG_ICCPROFILE, &size, &profile) && size > 0)
        p.profile.assign(static_cast<std::uint8_t*>(profile), static_cast<std::uint8_t*>(profile) + size);
    return p;
}

} // namespace irenic
