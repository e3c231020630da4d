#include <algorithm>
#include <cmath>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/camera_colour.h"
#include "raw/camera_raw.h"
#include "raw/developed.h"
#include "raw/dng.h"
#include "raw/photo.h"
#include "raw/xtrans_mosaic.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

[[noreturn]] void fail(const fs::path& file, const std::string& what) {
    throw PhotoError(shownName(file) + ": " + what);
}

// WhiteLevel may differ from colour to colour: then all are stretched to the highest, which is theirs from
// here on.
void evenOutWhite(Photo& photo) {
    const TagEntry* levels = photo.metadata.dng(0xc61d);
    if (photo.channels != 3 || !levels || levels->count != 3) return;
    double white[3], highest = 0;
    for (std::size_t c = 0; c < 3; ++c) highest = std::max(highest, white[c] = levels->number(c));
    for (int c = 0; c < 3; ++c) {
        const auto level = static_cast<double>(photo.black.at(0, 0, c));
        const double from = white[c] - level;
        if (white[c] == highest || !(from > 0)) continue;
        const double factor = (highest - level) / from;
        for (std::size_t i = static_cast<std::size_t>(c); i < photo.samples.size(); i += 3)
            photo.samples[i] = static_cast<std::uint16_t>(
                std::lround(std::clamp((photo.samples[i] - level) * factor + level, 0.0, 65535.0)));
    }
    photo.white = highest;
}

// Floating-point samples were laid out over 16 bits: their levels go along.
void scaleLevels(Photo& photo, const DngPixels& pixels) {
    if (pixels.low == 0 && pixels.scale == 1) return;
    photo.white = std::round((photo.white - pixels.low) * pixels.scale); // WhiteLevel has whole numbers only
    for (float& v : photo.black.pattern)
        v = static_cast<float>((static_cast<double>(v) - pixels.low) * pixels.scale);
    for (auto* deltas : {&photo.black.deltaH, &photo.black.deltaV})
        for (float& v : *deltas) v = static_cast<float>(static_cast<double>(v) * pixels.scale);
}

std::vector<Mosaic::Colour> readDng(Photo& photo, const GivenFile& file, const Work& work) {
    if (!photo.metadata.lost.empty()) fail(photo.file, wordsForLost(photo.metadata.lost.front()));
    const PixelLayout layout = dngLayoutOf(photo.file, photo.metadata, file.size());
    photo.rawWidth = layout.width, photo.rawHeight = layout.height;
    photo.channels = layout.channels;
    const TagEntry* kind = Metadata::find(photo.metadata.mosaic, 0x0106);
    photo.monochrome = layout.channels == 1 && kind->number() == 34892;
    std::vector<Mosaic::Colour> sites = readDngStructure(photo, layout);
    bool isRead = false;
    if (layout.readHere() || layout.perhapsReadHere()) {
        try {
            DngPixels pixels = readDngPixels(file, layout, photo.white, work.part(0.1, 0.5));
            photo.samples = std::move(pixels.samples);
            scaleLevels(photo, pixels);
            isRead = true;
        } catch (const std::runtime_error& e) {
            if (layout.readHere()) fail(photo.file, e.what());
        }
    }
    if (!isRead) {
        CameraRaw raw(file);
        if (!raw.opened())
            fail(photo.file, filled(IRENIC_TEXT("its pixels cannot be read (%1)."), {raw.whyNot()}));
        Photo frame;
        raw.unpack(frame, work);
        if (frame.rawWidth != photo.rawWidth || frame.rawHeight != photo.rawHeight ||
            frame.channels != photo.channels)
            fail(photo.file,
                 IRENIC_TEXT("it holds several raw pictures, and not the first of them can be read."));
        photo.samples = std::move(frame.samples);
    }
    if (layout.linearization.empty() && !layout.floating) evenOutWhite(photo);
    readDngColour(photo);
    return sites;
}

// The file's own words count, where it has them: LibRaw tidies names up.
void readShot(Photo& photo) {
    const Photo found = photo;
    readShotFromTags(photo);
    const auto unlessKnown = [](auto& value, const auto& other) {
        if (value == std::decay_t<decltype(value)>{}) value = other;
    };
    unlessKnown(photo.make, found.make);
    unlessKnown(photo.model, found.model);
    unlessKnown(photo.lens, found.lens);
    unlessKnown(photo.exposure, found.exposure);
    unlessKnown(photo.aperture, found.aperture);
    unlessKnown(photo.focal, found.focal);
    if (found.iso > 0) photo.iso = found.iso;
}

// Whatever the file said of white becomes a neutral.
void settleColour(Photo& photo) {
    // A camera nobody has measured: take its colours for those of linear sRGB.
    if (photo.profiles.empty()) {
        ColourProfile profile;
        profile.colourMatrix = {3.2404542, -1.5371385, -0.4985314, -0.9692660, 1.8760108,
                                0.0415560, 0.0556434,  -0.2040259, 1.0572252};
        photo.profiles.push_back(profile);
    }
    if (photo.monochrome) {
        photo.neutral = {1, 1, 1};
        return;
    }
    if (photo.whiteFrom == WhiteFrom::Chromaticity)
        photo.neutral = neutralUnder(photo, photo.whiteXY[0], photo.whiteXY[1]);
    if (photo.whiteFrom == WhiteFrom::Nothing) photo.neutral = neutralUnder(photo, 0.3127, 0.3290);
    const double largest = *std::max_element(photo.neutral.begin(), photo.neutral.end());
    for (double& n : photo.neutral) n = largest > 0 && n > 0 ? n / largest : 1.0;
}

// What colours and pixels of a camera's own format hang upon: all else that is lost is a note and no more.
void refuseLost(const Photo& photo) {
    constexpr std::uint16_t kNeeded[] = {kFirstDirectory, 0x014a, 0x8769, 0x927c}; // SubIFDs, Exif, MakerNote
    for (const std::uint16_t tag : photo.metadata.lost)
        if (std::find(std::begin(kNeeded), std::end(kNeeded), tag) != std::end(kNeeded))
            fail(photo.file, wordsForLost(tag));
}

bool calledTiff(const fs::path& file) {
    std::string ending = file.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return ending == ".tif" || ending == ".tiff";
}

std::shared_ptr<Photo> readRaw(const GivenFile& given, const Work& work) {
    const fs::path& file = given.name();
    auto photo = std::make_shared<Photo>();
    photo->file = file;
    photo->metadata = readMetadata(given);
    std::vector<Mosaic::Colour> sites;
    if (photo->metadata.isDng()) {
        sites = readDng(*photo, given, work);
    } else {
        CameraRaw raw(given);
        // Some cameras' raws are called TIFF; all other TIFFs are pictures.
        if (calledTiff(file) && (!raw.opened() || raw.looksLikePicture())) return nullptr;
        if (!raw.opened())
            fail(file, filled(IRENIC_TEXT("this is not a photo that Irenic can read, or it is damaged (%1)."),
                              {raw.whyNot()}));
        refuseLost(*photo);
        raw.unpack(*photo, work);
        sites = raw.describe(*photo);
        raw.describeShot(*photo);
    }
    work.report(0.5);
    const Rect& active = photo->active;
    if (active.width < 16 || active.height < 16)
        fail(file, IRENIC_TEXT("the picture is too small to be a photo."));
    if (!Rect{0, 0, photo->rawWidth, photo->rawHeight}.contains(active))
        fail(file, IRENIC_TEXT("its sizes contradict each other; the file is damaged."));
    if (photo->white <= photo->black.mean() + 1)
        fail(file, IRENIC_TEXT("its black and white levels contradict each other."));
    photo->bits = static_cast<int>(std::ceil(std::log2(photo->white + 1)));
    settleColour(*photo);
    readShot(*photo);
    if (!sites.empty()) {
        XTransMosaic wide;
        std::copy(sites.begin(), sites.end(), wide.site.begin());
        spreadColours(*photo, std::move(wide), work);
    }
    photo->statedNoise = statedNoiseOf(*photo);
    return photo;
}

} // namespace

std::shared_ptr<Photo> readUnmeasured(const GivenFile& file, const Work& work) {
    if (file.size() == 0) fail(file.name(), IRENIC_TEXT("the file is empty. Copy it again from the card."));
    std::shared_ptr<Photo> photo;
    try {
        if (!looksDeveloped(file)) photo = readRaw(file, work);
        if (!photo) photo = readDeveloped(file, work);
    } catch (const std::bad_alloc&) {
        fail(file.name(), IRENIC_TEXT("there is not enough memory for it."));
    }
    return photo;
}

std::shared_ptr<Photo> readUnmeasured(const fs::path& file, const Work& work) {
    try {
        return readUnmeasured(GivenFile(file), work);
    } catch (const FileError& e) {
        fail(file, e.what());
    }
}

} // namespace irenic
