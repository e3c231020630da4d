#include "deliver/formats.h"

#include <array>

#include "deliver/tiff.h"

namespace irenic {

namespace {

constexpr int kAllBits[] = {8, 16, 32}, kWholeBits[] = {8, 16};
constexpr Packing kDngPackings[] = {Packing::Packed, Packing::None},
                  kTiffPackings[] = {Packing::Packed, Packing::Lzw, Packing::None};

LeftOut tiff(const std::filesystem::path& to, const Export& what, const XmpNote& xmp, const Work& work) {
    return writeTiff(to, what, xmp, work);
}

constexpr Format kFormats[] = {
    {"dng",
     "DNG",
     "DNG (raw)",
     ".dng",
     "*.dng",
     "image/x-adobe-dng",
     true,
     {},
     kDngPackings,
     false,
     writeDngFile},
    {"tiff", "TIFF", "TIFF", ".tif", "*.tif *.tiff", "image/tiff", false, kAllBits, kTiffPackings, false,
     tiff},
    {"jpeg", "JPEG", "JPEG", ".jpg", "*.jpg *.jpeg", "image/jpeg", false, {}, {}, true, writeJpeg},
    {"png", "PNG", "PNG", ".png", "*.png", "image/png", false, kWholeBits, {}, false, writePng},
    {"jxl", "JPEG XL", "JPEG XL", ".jxl", "*.jxl", "image/jxl", false, {}, {}, true, writeJpegXl},
};

constexpr auto names(const char* Format::*which) {
    std::array<const char*, std::size(kFormats)> all{};
    for (std::size_t i = 0; i < all.size(); ++i) all[i] = kFormats[i].*which;
    return all;
}
constexpr auto kIds = names(&Format::id), kShown = names(&Format::shown);

} // namespace

std::span<const Format> formats() { return kFormats; }
const Format& formatOf(ExportFormat format) { return kFormats[static_cast<std::size_t>(format)]; }
std::span<const char* const> formatIds() { return kIds; }
std::span<const char* const> shownFormats() { return kShown; }

} // namespace irenic
