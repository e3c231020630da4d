#include "raw/dng.h"

#include <algorithm>
#include <cmath>
#include <numeric>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/camera_colour.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

constexpr std::uint16_t kWidth = 0x0100, kHeight = 0x0101, kBits = 0x0102, kCompression = 0x0103,
                        kPhotometric = 0x0106, kStripOffsets = 0x0111, kSamplesPerPixel = 0x0115,
                        kRowsPerStrip = 0x0116, kStripCounts = 0x0117, kPlanar = 0x011c, kPredictor = 0x013d,
                        kTileWidth = 0x0142, kTileHeight = 0x0143, kTileOffsets = 0x0144,
                        kTileCounts = 0x0145, kSampleFormat = 0x0153, kCfaDim = 0x828d, kCfaPattern = 0x828e,
                        kCfaLayout = 0xc617, kLinearization = 0xc618, kBlackDim = 0xc619, kBlack = 0xc61a,
                        kBlackH = 0xc61b, kBlackV = 0xc61c, kWhite = 0xc61d, kCropOrigin = 0xc61f,
                        kCropSize = 0xc620, kColorMatrix = 0xc621, kCalibration = 0xc623,
                        kAnalogBalance = 0xc627, kNeutral = 0xc628, kWhiteXY = 0xc629,
                        kBaselineExposure = 0xc62a, kIlluminant = 0xc65a, kActiveArea = 0xc68d,
                        kForward = 0xc714, kRowInterleave = 0xc71f, kSubTile = 0xc71e,
                        kColumnInterleave = 0xcd43, kNoiseProfile = 0xc761;

[[noreturn]] void fail(const fs::path& file, const std::string& what) {
    throw PhotoError(shownName(file) + ": " + what);
}

double numberOf(const TagEntry* entry, double otherwise) {
    return entry && entry->count > 0 ? entry->number() : otherwise;
}

std::optional<Matrix3> matrixOf(const TagEntry* entry) {
    if (!entry || entry->count != 9) return std::nullopt;
    Matrix3 m;
    for (std::size_t i = 0; i < 9; ++i) m[i] = entry->number(i);
    return m;
}

// Whether a list of opcodes has one of these (DNG 1.6, chapter 7: big-endian; a head of 16 bytes each).
bool opcodeNames(const TagEntry* list, std::initializer_list<std::uint32_t> ids) {
    if (!list) return false;
    const auto word = [&](std::size_t at) {
        std::uint32_t v = 0;
        for (std::size_t i = 0; i < 4; ++i) v = v << 8U | list->bytes[at + i];
        return v;
    };
    for (std::size_t at = 4; at + 16 <= list->bytes.size();) {
        if (std::find(ids.begin(), ids.end(), word(at)) != ids.end()) return true;
        at += 16 + std::size_t{word(at + 12)};
    }
    return false;
}

// Bytes that so many samples need at least. Lossless JPEG spends one bit on each or more (ITU-T T.81, H.1.2:
// a Huffman code and its bits), deflate packs at most 1032 to 1 (RFC 1951: 258 bytes in two bits), lossy JPEG
// two bits on a block of 64, and less still where a progressive scan runs over whole lines of them.
std::uint64_t leastBytes(const PixelLayout& l, std::uint64_t samples) {
    const std::uint64_t stored = samples * static_cast<std::uint64_t>(l.bits) / 8;
    switch (l.compression) {
    case 1: return stored;
    case 7: return samples / 8;
    case 8: return stored / 1040;
    default: return samples / 4096;
    }
}

// Where the tiles (or strips) stand, each within the file.
void readTiles(const fs::path& file, const Metadata& tags, std::uint64_t fileSize, PixelLayout& l) {
    const TagEntry *width = tags.dng(kTileWidth), *height = tags.dng(kTileHeight);
    const bool tiled = width && height && Metadata::find(tags.mosaic, kTileOffsets);
    const auto inPicture = [&](std::uint16_t tag) { return Metadata::find(tags.mosaic, tag); };
    const double most = kLongestSide;
    const double w = tiled ? width->number() : l.width,
                 h = tiled ? height->number()
                           : std::min<double>(numberOf(inPicture(kRowsPerStrip), l.height), l.height);
    if (!(w >= 1 && h >= 1 && w <= most && h <= most))
        fail(file, IRENIC_TEXT("the sizes of its tiles make no sense; the file is damaged."));
    l.tileWidth = static_cast<int>(w), l.tileHeight = static_cast<int>(h);
    const TagEntry *offsets = inPicture(tiled ? kTileOffsets : kStripOffsets),
                   *counts = inPicture(tiled ? kTileCounts : kStripCounts);
    const std::size_t tiles =
        static_cast<std::size_t>(l.tilesAcross()) * static_cast<std::size_t>(l.tilesDown());
    if (!offsets || !counts || offsets->count < tiles || counts->count < tiles)
        fail(file,
             IRENIC_TEXT(
                 "it does not say where its pixels are; the file is damaged. Copy it again from the card."));
    std::uint64_t total = 0;
    for (std::size_t i = 0; i < tiles; ++i) {
        l.offsets.push_back(static_cast<std::uint64_t>(offsets->number(i)));
        l.counts.push_back(static_cast<std::uint64_t>(counts->number(i)));
        if (l.offsets.back() > fileSize || l.counts.back() > fileSize - l.offsets.back())
            fail(
                file,
                IRENIC_TEXT(
                    "the file ends too early: some of its pixels are missing. Copy it again from the card."));
        total += l.counts.back();
        const std::uint64_t cut = static_cast<std::uint64_t>(std::min(l.tileHeight, l.height)) *
                                  static_cast<std::uint64_t>(std::min(l.tileWidth, l.width));
        if (i == 0 && l.counts[0] < leastBytes(l, cut * static_cast<std::uint64_t>(l.channels)))
            fail(file, IRENIC_TEXT("it claims more pixels than it can hold; the file is damaged."));
    }
    const std::uint64_t samples = static_cast<std::uint64_t>(l.width) * static_cast<std::uint64_t>(l.height) *
                                  static_cast<std::uint64_t>(l.channels);
    if (total < leastBytes(l, samples) || total > fileSize * 4)
        fail(file, IRENIC_TEXT("it claims more pixels than it can hold; the file is damaged."));
}

} // namespace

PixelLayout dngLayoutOf(const fs::path& file, const Metadata& tags, std::uint64_t fileSize) {
    const auto in = [&](std::uint16_t tag) { return Metadata::find(tags.mosaic, tag); };
    if (tags.mosaic.empty())
        fail(file,
             IRENIC_TEXT(
                 "this DNG holds no raw picture, only previews; there is nothing that Irenic can clean."));
    PixelLayout l;
    const double width = numberOf(in(kWidth), 0), height = numberOf(in(kHeight), 0);
    if (!(width >= 1 && height >= 1))
        fail(file, IRENIC_TEXT("its sizes make no sense; the file is damaged."));
    if (width > kLongestSide || height > kLongestSide || width * height > static_cast<double>(kMostPixels))
        fail(file, filled(kTooManyPixels, {std::to_string(static_cast<long long>(width)),
                                           std::to_string(static_cast<long long>(height))}));
    l.width = static_cast<int>(width), l.height = static_cast<int>(height);
    const double channels = numberOf(in(kSamplesPerPixel), 1);
    const double kind = numberOf(in(kPhotometric), 0), bits = numberOf(in(kBits), 1);
    if ((kind == 32803 && channels != 1) || (channels != 1 && channels != 3))
        fail(file,
             filled(IRENIC_TEXT("it has %1 values for each pixel; Irenic cleans mosaics, grey and RGB."),
                    {std::to_string(static_cast<long long>(channels))}));
    l.channels = static_cast<int>(channels);
    if (!(bits >= 8 && bits <= 32))
        fail(file, filled(IRENIC_TEXT("it has %1 bits for each value; Irenic reads 8 to 32."),
                          {std::to_string(static_cast<long long>(bits))}));
    l.bits = static_cast<int>(bits);
    l.compression = static_cast<int>(numberOf(in(kCompression), 1));
    if (l.compression == 32946) l.compression = 8; // deflate under the number that it had first
    l.predictor = static_cast<int>(numberOf(in(kPredictor), 1));
    const double format = numberOf(in(kSampleFormat), 1);
    l.floating = format == 3;
    l.bigEndian = tags.bigEndian;
    if (const TagEntry* table = in(kLinearization)) l.linearization = table->numbers();
    if (l.compression == 52546)
        fail(file, IRENIC_TEXT("its pixels are packed as JPEG XL, which Irenic cannot read in a DNG yet. "
                               "Save it with lossless JPEG."));
    if (l.compression != 1 && l.compression != 7 && l.compression != 8 && l.compression != 34892)
        fail(file, filled(IRENIC_TEXT("its pixels are packed in a way (%1) that Irenic cannot read. Save it "
                                      "with lossless JPEG or none."),
                          {std::to_string(l.compression)}));
    if (l.channels > 1 && numberOf(in(kPlanar), 1) != 1)
        fail(file, IRENIC_TEXT("planar colour is not supported. Save it with the colours side by side."));
    if (numberOf(in(kRowInterleave), 1) > 1 || numberOf(in(kColumnInterleave), 1) > 1 ||
        numberOf(in(kSubTile), 1) > 1)
        fail(file,
             IRENIC_TEXT("its rows or columns are interleaved, which Irenic cannot read. Save it without."));
    if (format != 1 && format != 3)
        fail(file, IRENIC_TEXT(
                       "its values are neither whole nor floating-point numbers; Irenic cannot read them."));
    if (l.floating && ((l.bits != 16 && l.bits != 24 && l.bits != 32) || !l.readHere()))
        fail(file, IRENIC_TEXT("its floating-point values are stored in a way that Irenic cannot read. Save "
                               "it with 16, 24 or 32 bits, deflated or not compressed."));
    if (l.compression == 34892 && l.bits != 8)
        fail(file, IRENIC_TEXT("its lossy JPEG has other than 8 bits, which Irenic cannot read. Save it with "
                               "lossless JPEG."));
    const bool known = l.predictor == 1 || l.predictor == 2 || l.predictor == 3 ||
                       (l.predictor >= 34892 && l.predictor <= 34895);
    if (l.readHere() && (!known || (l.predictor > 1 && l.bits % 8 != 0)))
        fail(file, filled(IRENIC_TEXT("its values are predicted in a way (%1) that Irenic cannot read."),
                          {std::to_string(l.predictor)}));
    if (kind == 32803) {
        const TagEntry *dim = in(kCfaDim), *pattern = in(kCfaPattern);
        const double rows = dim && dim->count == 2 ? dim->number(0) : 0,
                     columns = dim && dim->count == 2 ? dim->number(1) : 0;
        if (!pattern || !(rows >= 1 && columns >= 1) || rows * columns != pattern->count)
            fail(file, IRENIC_TEXT("it does not say how its mosaic is laid out (CFARepeatPatternDim and "
                                   "CFAPattern); the file is damaged."));
        const bool plain = rows == 2 && columns == 2, wide = rows == 6 && columns == 6;
        int seen[3] = {};
        for (std::size_t i = 0; i < pattern->count; ++i)
            if (const double c = pattern->number(i); c >= 0 && c <= 2) ++seen[static_cast<int>(c)];
        const bool colours =
            seen[0] + seen[1] + seen[2] == static_cast<int>(pattern->count) && seen[0] && seen[1] && seen[2];
        if ((!plain && !wide) || !colours || (plain && (seen[0] != 1 || seen[2] != 1)) ||
            numberOf(in(kCfaLayout), 1) != 1)
            fail(file, IRENIC_TEXT("its mosaic is neither a 2x2 pattern of red, green and blue nor X-Trans; "
                                   "Irenic cannot clean others."));
        if (plain && (pattern->number(0) == pattern->number(1) || pattern->number(0) == pattern->number(2)))
            fail(file, IRENIC_TEXT(
                           "the greens of its mosaic do not lie on a diagonal; Irenic cannot clean others."));
    }
    if (l.compression == 34892 && opcodeNames(in(0xc741), {7, 8}))
        fail(file, IRENIC_TEXT("its values lie along a curve of its own (MapTable or MapPolynomial), which "
                               "Irenic cannot follow yet. Save it with lossless JPEG."));
    readTiles(file, tags, fileSize, l);
    return l;
}

namespace {

Rect activeAreaOf(const Photo& photo) {
    const Rect whole{0, 0, photo.rawWidth, photo.rawHeight};
    const TagEntry* area = photo.metadata.dng(kActiveArea);
    if (!area || area->count != 4) return whole;
    const double top = area->number(0), left = area->number(1), bottom = area->number(2),
                 right = area->number(3);
    if (!(top >= 0 && left >= 0 && bottom <= photo.rawHeight && right <= photo.rawWidth && top < bottom &&
          left < right))
        return whole;
    return {static_cast<int>(left), static_cast<int>(top), static_cast<int>(right - left),
            static_cast<int>(bottom - top)};
}

// Whole pixels that the crop touches: the standard allows fractions.
Rect cropOf(const Photo& photo) {
    const Rect whole = photo.whole();
    const TagEntry *origin = photo.metadata.dng(kCropOrigin), *size = photo.metadata.dng(kCropSize);
    if (!origin || !size || origin->count != 2 || size->count != 2) return whole;
    const double x = origin->number(0), y = origin->number(1), w = size->number(0), h = size->number(1);
    const double right = std::ceil(x + w - 1e-6), bottom = std::ceil(y + h - 1e-6);
    if (!(x >= 0 && y >= 0 && w >= 1 && h >= 1 && right <= whole.width && bottom <= whole.height))
        return whole;
    const int l = static_cast<int>(std::floor(x)), t = static_cast<int>(std::floor(y));
    return {l, t, static_cast<int>(right) - l, static_cast<int>(bottom) - t};
}

BlackLevel blackLevelOf(const Photo& photo, int channels) {
    const Metadata& tags = photo.metadata;
    BlackLevel black;
    const TagEntry *levels = tags.dng(kBlack), *dim = tags.dng(kBlackDim);
    double rows = 1, columns = 1;
    if (dim && dim->count == 2) rows = dim->number(0), columns = dim->number(1);
    if (levels && rows >= 1 && columns >= 1 && rows * columns * channels <= levels->count && rows <= 1024 &&
        columns <= 1024) {
        black.rows = static_cast<int>(rows), black.columns = static_cast<int>(columns),
        black.channels = channels;
        black.pattern.clear();
        for (std::size_t i = 0; i < static_cast<std::size_t>(black.rows * black.columns * channels); ++i)
            black.pattern.push_back(static_cast<float>(levels->number(i)));
    } else if (levels && levels->count > 0) {
        black.pattern = {static_cast<float>(levels->number())};
    }
    for (float& v : black.pattern)
        if (!std::isfinite(v)) v = 0;
    const auto offsets = [&](std::uint16_t tag, int size) {
        std::vector<float> out;
        const TagEntry* entry = tags.dng(tag);
        if (entry && entry->count == static_cast<std::uint32_t>(size))
            for (const double v : entry->numbers())
                out.push_back(std::isfinite(v) ? static_cast<float>(v) : 0.0f);
        return out;
    };
    black.deltaH = offsets(kBlackH, photo.active.width);
    black.deltaV = offsets(kBlackV, photo.active.height);
    return black;
}

} // namespace

std::vector<Mosaic::Colour> readDngStructure(Photo& photo, const PixelLayout& layout) {
    const Metadata& tags = photo.metadata;
    photo.active = activeAreaOf(photo);
    photo.crop = cropOf(photo);
    photo.black = blackLevelOf(photo, layout.channels);
    const double most = layout.floating                ? 1
                        : layout.linearization.empty() ? std::ldexp(1.0, layout.bits) - 1
                                                       : 65535;
    photo.white = numberOf(tags.dng(kWhite), most);
    if (!std::isfinite(photo.white) || photo.white <= 0) photo.white = most;
    std::vector<Mosaic::Colour> sites;
    if (numberOf(Metadata::find(tags.mosaic, kPhotometric), 0) == 32803) {
        const TagEntry* pattern = Metadata::find(tags.mosaic, kCfaPattern);
        for (std::size_t i = 0; i < pattern->count; ++i)
            sites.push_back(static_cast<Mosaic::Colour>(static_cast<int>(pattern->number(i))));
        if (sites.size() == 4) {
            std::copy(sites.begin(), sites.end(), photo.mosaic.site.begin());
            sites.clear();
        }
    }
    return sites;
}

void readDngColour(Photo& photo) {
    const Metadata& tags = photo.metadata;
    for (std::uint16_t i = 0; i < 2; ++i) {
        const auto nth = [i](std::uint16_t first) { return static_cast<std::uint16_t>(first + i); };
        const auto m = matrixOf(tags.dng(nth(kColorMatrix)));
        if (!m) continue;
        ColourProfile profile;
        profile.colourMatrix = *m;
        profile.forwardMatrix = matrixOf(tags.dng(nth(kForward)));
        profile.calibration = matrixOf(tags.dng(nth(kCalibration))).value_or(kIdentity3);
        profile.illuminant = static_cast<int>(numberOf(tags.dng(nth(kIlluminant)), 0));
        photo.profiles.push_back(profile);
    }
    if (const TagEntry* gains = tags.dng(kAnalogBalance); gains && gains->count == 3)
        for (std::size_t c = 0; c < 3; ++c)
            if (gains->number(c) > 0) photo.analogBalance[c] = gains->number(c);
    if (const TagEntry* e = tags.dng(kBaselineExposure))
        photo.baselineExposure = std::clamp(e->number(), -16.0, 16.0);
    const TagEntry *neutral = tags.dng(kNeutral), *white = tags.dng(kWhiteXY);
    if (neutral && neutral->count == 3 &&
        std::min({neutral->number(0), neutral->number(1), neutral->number(2)}) > 0) {
        photo.whiteFrom = WhiteFrom::Neutral;
        photo.neutral = {neutral->number(0), neutral->number(1), neutral->number(2)};
    } else if (white && white->count == 2 && white->number(0) > 0 && white->number(1) > 0 &&
               white->number(0) + white->number(1) < 1) {
        photo.whiteFrom = WhiteFrom::Chromaticity;
        photo.whiteXY = {white->number(0), white->number(1)};
    } else {
        photo.whiteFrom = WhiteFrom::Nothing;
    }
}

std::optional<NoiseModel> statedNoiseOf(const Photo& photo) {
    const TagEntry* entry = photo.metadata.dng(kNoiseProfile);
    if (!entry || (entry->count != 2 && entry->count != 6)) return std::nullopt;
    NoiseModel model;
    static constexpr std::size_t plane[] = {0, 1, 1, 2};
    for (std::size_t c = 0; c < 4; ++c) {
        const std::size_t p = entry->count == 2 ? 0 : plane[c];
        model.channel[c] = {entry->number(2 * p), entry->number(2 * p + 1)};
        if (!std::isfinite(model.channel[c].a) || !std::isfinite(model.channel[c].b)) return std::nullopt;
    }
    return model;
}

} // namespace irenic
