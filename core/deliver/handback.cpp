#include "deliver/handback.h"

#include <unistd.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>

#include "base/expects.h"
#include "base/given_file.h"
#include "base/shown_text.h"
#include "base/text.h"

namespace irenic {

namespace {

constexpr std::uint16_t kCompression = 0x0103, kXResolution = 0x011a, kResolutionUnit = 0x0128,
                        kColourSpace = 0xa001;

// By what the file begins with.
ExportFormat formOf(const Photo& photo) {
    std::array<unsigned char, 4> head{};
    try {
        const Descriptor file = openGiven(photo.file);
        if (pread(file.number(), head.data(), head.size(), 0) != static_cast<ssize_t>(head.size())) head = {};
    } catch (const FileError& e) {
        throw PhotoError(shownName(photo.file) + ": " + e.what());
    }
    if (head[0] == 0xff && head[1] == 0xd8) return ExportFormat::Jpeg;
    if (std::memcmp(head.data(), "\x89PNG", 4) == 0) return ExportFormat::Png;
    if (std::memcmp(head.data(), "II", 2) == 0 || std::memcmp(head.data(), "MM", 2) == 0)
        return ExportFormat::Tiff;
    throw PhotoError(shownName(photo.file) + ": " +
                     IRENIC_TEXT("a file of this kind cannot be written. Hand over a TIFF."));
}

Packing packingOf(const Photo& photo) {
    constexpr int kNone = 1, kLzw = 5; // TIFF 6.0, section 14
    const TagEntry* tag = Metadata::find(photo.metadata.main, kCompression);
    const int code = tag ? static_cast<int>(tag->number()) : 0;
    return code == kNone ? Packing::None : code == kLzw ? Packing::Lzw : Packing::Packed;
}

// The quality whose luminance steps are nearest to the file's. Libraries scale the table of ITU-T T.81, annex
// K.1, by 50 / quality below 50, and by 2 - quality / 50 above; its mean is enough to tell by.
float qualityOf(const JpegSteps& steps) {
    constexpr double kMeanOfTable = 57.625;
    double mean = 0;
    for (const std::uint16_t step : steps.luminance) mean += step / 64.0;
    const double scale = mean / kMeanOfTable;
    const double quality = scale >= 1 ? 50 / scale : 50 * (2 - scale);
    return static_cast<float>(std::clamp(std::round(quality), 1.0, 100.0));
}

float dpiOf(const Photo& photo) {
    constexpr double kInch = 2.54; // centimetres
    const TagEntry *across = Metadata::find(photo.metadata.main, kXResolution),
                   *unit = Metadata::find(photo.metadata.main, kResolutionUnit);
    const double value = across ? across->number() : 0;
    const double inches = unit && unit->number() == 3 ? value * kInch : value;
    return inches >= 1 && inches <= 10000 ? static_cast<float>(inches) : Delivery{}.dpi;
}

} // namespace

Export handbackOf(const PhotoPtr& photo, const Settings& settings, const Look& look) {
    IRENIC_EXPECTS(photo);
    Export out;
    out.recipe = {photo, settings, look};
    out.handback = true;
    Delivery& how = out.delivery;
    if (!photo->developed) return out;
    how.format = formOf(*photo);
    how.bits = how.format == ExportFormat::Jpeg ? 8 : photo->bits;
    if (how.format == ExportFormat::Tiff) how.packing = packingOf(*photo);
    if (photo->jpeg) how.quality = qualityOf(*photo->jpeg), how.subsampled = photo->jpeg->across > 1;
    how.dpi = dpiOf(*photo);
    // What Exif says of the colours; the profile itself is the photo's own.
    const TagEntry* space = Metadata::find(photo->metadata.exif, kColourSpace);
    if (!photo->ownProfile.empty() && !(space && space->number() == 1))
        how.space = OutputSpace::ProPhotoCompatible;
    return out;
}

std::filesystem::path handbackTarget(const Photo& photo) {
    return photo.developed ? photo.file
                           : photo.file.parent_path() / (photo.file.stem().string() + "-clean.dng");
}

} // namespace irenic
