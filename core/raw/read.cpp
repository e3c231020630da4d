#include <libraw/libraw.h>

#include <algorithm>
#include <cmath>
#include <numeric>

#include "noise/estimate.h"
#include "raw/developed.h"
#include "raw/photo.h"
#include "raw/wide_mosaic.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

// DNG 1.6 tags that LibRaw reads in part or not at all.
constexpr std::uint16_t kBlackLevelRepeatDim = 0xc619, kBlackLevel = 0xc61a, kBlackLevelDeltaH = 0xc61b, kBlackLevelDeltaV = 0xc61c, kColorMatrix1 = 0xc621,
                        kColorMatrix2 = 0xc622, kCameraCalibration1 = 0xc623, kCameraCalibration2 = 0xc624,
                        kAnalogBalance = 0xc627, kAsShotNeutral = 0xc628, kBaselineExposure = 0xc62a,
                        kCalibrationIlluminant1 = 0xc65a, kCalibrationIlluminant2 = 0xc65b,
                        kForwardMatrix1 = 0xc714, kForwardMatrix2 = 0xc715, kNoiseProfile = 0xc761,
                        kDefaultCropOrigin = 0xc61f, kDefaultCropSize = 0xc620;

[[noreturn]] void fail(const fs::path& file, const std::string& what) {
    throw PhotoError(file.filename().string() + ": " + what);
}

std::optional<Matrix3> matrixOf(const TagEntry* entry) {
    if (!entry || entry->count != 9) return std::nullopt;
    Matrix3 m;
    for (std::size_t i = 0; i < 9; ++i) m[i] = entry->number(i);
    return m;
}

void readLevels(Photo& photo, LibRaw& raw) {
    const auto& colour = raw.imgdata.color;
    // LibRaw splits the levels into a common one, one for each channel and a pattern: add them up again.
    const unsigned rows = std::max(1U, colour.cblack[4]), columns = std::max(1U, colour.cblack[5]);
    const bool patterned = colour.cblack[4] != 0 && colour.cblack[5] != 0;
    photo.black.rows = static_cast<int>(std::lcm(2U, rows));
    photo.black.columns = static_cast<int>(std::lcm(2U, columns));
    photo.black.pattern.clear();
    for (int y = 0; y < photo.black.rows; ++y)
        for (int x = 0; x < photo.black.columns; ++x) {
            unsigned level = colour.black + colour.cblack[raw.COLOR(y, x)];
            if (patterned)
                level += colour.cblack[6 + static_cast<unsigned>(y) % rows * columns + static_cast<unsigned>(x) % columns];
            photo.black.pattern.push_back(static_cast<float>(level));
        }
    const auto offsets = [&](std::uint16_t tag, int size) {
        std::vector<float> out;
        const TagEntry* entry = photo.metadata.dng(tag);
        if (entry && static_cast<int>(entry->count) == size)
            for (const double v : entry->numbers()) out.push_back(static_cast<float>(v));
        return out;
    };
    photo.black.deltaH = offsets(kBlackLevelDeltaH, photo.active.width);
    photo.black.deltaV = offsets(kBlackLevelDeltaV, photo.active.height);
    // LibRaw has added the offsets' means to the level: where there are offsets, the file's own levels count.
    const TagEntry *levels = photo.metadata.dng(kBlackLevel), *dims = photo.metadata.dng(kBlackLevelRepeatDim);
    if (levels && (!photo.black.deltaH.empty() || !photo.black.deltaV.empty())) {
        const int r = dims && dims->count == 2 ? static_cast<int>(dims->number(0)) : 1, c = dims && dims->count == 2 ? static_cast<int>(dims->number(1)) : 1;
        if (r > 0 && c > 0 && static_cast<int>(levels->count) == r * c) {
            photo.black.rows = r, photo.black.columns = c;
            photo.black.pattern.clear();
            for (const double v : levels->numbers()) photo.black.pattern.push_back(static_cast<float>(v));
        }
    }
    photo.white = colour.maximum;
    photo.bits = static_cast<int>(std::ceil(std::log2(photo.white + 1)));
}

void readColour(Photo& photo, LibRaw& raw) {
    const Metadata& tags = photo.metadata;
    const auto add = [&](std::uint16_t matrix, std::uint16_t forward, std::uint16_t calibration,
                         std::uint16_t illuminant) {
        const auto m = matrixOf(tags.dng(matrix));
        if (!m) return;
        ColourProfile profile;
        profile.colourMatrix = *m;
        profile.forwardMatrix = matrixOf(tags.dng(forward));
        profile.calibration = matrixOf(tags.dng(calibration)).value_or(kIdentity3);
        if (const TagEntry* light = tags.dng(illuminant)) profile.illuminant = static_cast<int>(light->number());
        photo.profiles.push_back(profile);
    };
    add(kColorMatrix1, kForwardMatrix1, kCameraCalibration1, kCalibrationIlluminant1);
    add(kColorMatrix2, kForwardMatrix2, kCameraCalibration2, kCalibrationIlluminant2);
    if (photo.profiles.empty()) {
        ColourProfile profile;
        double sum = 0;
        for (std::size_t r = 0; r < 3; ++r)
            for (std::size_t c = 0; c < 3; ++c) {
                profile.colourMatrix[3 * r + c] = raw.imgdata.color.cam_xyz[r][c];
                sum += std::abs(profile.colourMatrix[3 * r + c]);
            }
        // A camera nobody has measured: take its colours for those of linear sRGB.
        if (sum < 1e-6)
            profile.colourMatrix = {3.2404542, -1.5371385, -0.4985314, -0.9692660, 1.8760108,
                                    0.0415560, 0.0556434,  -0.2040259, 1.0572252};
        photo.profiles.push_back(profile);
    }
    if (const TagEntry* gains = tags.dng(kAnalogBalance); gains && gains->count == 3)
        for (std::size_t c = 0; c < 3; ++c)
            if (gains->number(c) > 0) photo.analogBalance[c] = gains->number(c);
    const TagEntry* neutral = tags.dng(kAsShotNeutral);
    for (std::size_t c = 0; c < 3; ++c) {
        const double multiplier = raw.imgdata.color.cam_mul[c];
        photo.neutral[c] = neutral && neutral->count == 3 ? neutral->number(c) : multiplier > 0 ? 1 / multiplier : 0;
    }
    const double largest = *std::max_element(photo.neutral.begin(), photo.neutral.end());
    for (double& n : photo.neutral) n = largest > 0 && n > 0 ? n / largest : 1.0;
    if (const TagEntry* e = tags.dng(kBaselineExposure)) photo.baselineExposure = e->number();
}

void readShot(Photo& photo, const LibRaw& raw) {
    const libraw_data_t& data = raw.imgdata;
    photo.make = data.idata.make;
    photo.model = data.idata.model;
    // The file's own words, where it has them: LibRaw tidies names up.
    if (const TagEntry* e = Metadata::find(photo.metadata.main, 0x010f)) photo.make = e->text();
    if (const TagEntry* e = Metadata::find(photo.metadata.main, 0x0110)) photo.model = e->text();
    photo.lens = data.lens.Lens;
    if (const TagEntry* e = Metadata::find(photo.metadata.exif, 0xa434)) photo.lens = e->text();
    if (const TagEntry* e = Metadata::find(photo.metadata.exif, 0x9003)) photo.taken = e->text();
    photo.iso = data.other.iso_speed;
    photo.exposure = data.other.shutter;
    photo.aperture = data.other.aperture;
    photo.focal = data.other.focal_len;
    static constexpr int orientations[] = {1, 0, 0, 3, 0, 8, 6, 0};
    const int flip = data.sizes.flip & 7;
    photo.orientation = orientations[flip] ? orientations[flip] : 1;
    if (const TagEntry* e = Metadata::find(photo.metadata.main, 0x0112); e && e->number() >= 1 && e->number() <= 8)
        photo.orientation = static_cast<int>(e->number());
}

std::optional<NoiseModel> statedNoise(const Photo& photo) {
    const TagEntry* entry = photo.metadata.dng(kNoiseProfile);
    if (!entry || (entry->count != 2 && entry->count != 6)) return std::nullopt;
    NoiseModel model;
    static constexpr std::size_t plane[] = {0, 1, 1, 2};
    for (std::size_t c = 0; c < 4; ++c) {
        const std::size_t p = entry->count == 2 ? 0 : plane[c];
        model.channel[c] = {entry->number(2 * p), entry->number(2 * p + 1)};
    }
    return model;
}

enum class Kind { Mosaic, Wide, Grey, Colours };

Kind kindOf(const fs::path& file, const LibRaw& raw) {
    const auto& id = raw.imgdata.idata;
    if (id.filters == 9 && id.colors == 3) return Kind::Wide;
    if (id.filters == 0 && id.colors == 3) return Kind::Colours; // a linear DNG: every pixel has its colours
    if (id.filters == 0 && id.colors == 1) return Kind::Grey;
    if (id.filters < 1000 || id.colors != 3) fail(file, "its mosaic is neither a 2x2 pattern of red, green and blue nor X-Trans; Irenic cannot clean others.");
    return Kind::Mosaic;
}

} // namespace

namespace {

void measureAll(Photo& photo, const Work& work) {
    if (photo.hasMosaic()) {
        photo.noise = measureNoise(photo, work);
        photo.pattern = measurePattern(photo, work);
        photo.mended = mendedSamples(photo, photo.pattern);
    } else {
        photo.noise = measureCorrelatedNoise(photo, photo.coarseNoise, work);
    }
}

// Three samples for each pixel, whatever LibRaw keeps them in. Blacks that differ from colour to colour are made one.
void readPixels(Photo& photo, LibRaw& raw, const fs::path& file) {
    const auto& data = raw.imgdata.rawdata;
    const auto& sizes = raw.imgdata.sizes;
    const int step = data.color3_image ? 3 : 4;
    const std::uint16_t* from = data.color3_image ? &data.color3_image[0][0] : data.color4_image ? &data.color4_image[0][0] : nullptr;
    if (!from) fail(file, "its pixels are kept in a way that Irenic cannot read.");
    const auto& colour = raw.imgdata.color;
    std::array<unsigned, 3> black{};
    for (std::size_t c = 0; c < 3; ++c) black[c] = colour.black + colour.cblack[c] + (colour.cblack[4] * colour.cblack[5] == 1 ? colour.cblack[6] : 0);
    const unsigned least = *std::min_element(black.begin(), black.end());
    const std::size_t pitch = sizes.raw_pitch ? sizes.raw_pitch / sizeof(std::uint16_t) : static_cast<std::size_t>(sizes.raw_width * step);
    photo.samples.resize(static_cast<std::size_t>(photo.rawWidth) * static_cast<std::size_t>(photo.rawHeight) * 3);
    for (int y = 0; y < photo.rawHeight; ++y)
        for (int x = 0; x < photo.rawWidth; ++x)
            for (std::size_t c = 0; c < 3; ++c) {
                const unsigned v = from[static_cast<std::size_t>(y) * pitch + static_cast<std::size_t>(x * step) + c];
                photo.samples[(static_cast<std::size_t>(y) * static_cast<std::size_t>(photo.rawWidth) + static_cast<std::size_t>(x)) * 3 + c] = static_cast<std::uint16_t>(v - std::min(v, black[c] - least));
            }
    photo.black.pattern = {static_cast<float>(least)};
    photo.white = colour.maximum;
    photo.bits = static_cast<int>(std::ceil(std::log2(photo.white + 1)));
}

} // namespace

PhotoPtr readPhoto(const fs::path& file, const Work& work, Measure measure) {
    std::error_code error;
    if (!fs::exists(file, error)) fail(file, "there is no such file. Has it been moved or renamed?");
    if (fs::is_directory(file, error)) fail(file, "this is a folder, not a photo.");
    const auto size = fs::file_size(file, error);
    if (error) fail(file, "it cannot be read (" + error.message() + ").");
    if (size == 0) fail(file, "the file is empty. Copy it again from the card.");

    const auto developed = [&]() -> PhotoPtr {
        const auto photo = readDeveloped(file, work);
        if (measure == Measure::Noise) measureAll(*photo, work);
        work.report(1);
        return photo;
    };
    if (looksDeveloped(file)) return developed();
    std::string ending = file.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    const bool tiff = ending == ".tif" || ending == ".tiff";

    auto raw = std::make_unique<LibRaw>();
    bool damaged = false;
    raw->set_dataerror_handler([](void* flag, const char*, int) { *static_cast<bool*>(flag) = true; }, &damaged);
    const int opened = raw->open_file(file.string().c_str());
    // Some cameras' raws are called TIFF; all other TIFFs are pictures.
    if (tiff && (opened != LIBRAW_SUCCESS || (raw->imgdata.idata.filters == 0 && raw->imgdata.idata.dng_version == 0))) return developed();
    if (opened != LIBRAW_SUCCESS)
        fail(file, std::string("this is not a raw photo that Irenic can read, or it is damaged (") + libraw_strerror(opened) + ").");
    const Kind kind = kindOf(file, *raw);
    work.check();
    work.report(0.1);
    const int unpacked = raw->unpack();
    if (unpacked == LIBRAW_IO_ERROR || unpacked == LIBRAW_DATA_ERROR || (unpacked == LIBRAW_SUCCESS && damaged))
        fail(file, "the file ends too early or is damaged. Copy it again from the card.");
    if (unpacked != LIBRAW_SUCCESS)
        fail(file, std::string("its pixels cannot be read (") + libraw_strerror(unpacked) + ").");
    const bool single = kind != Kind::Colours; // one sample for each pixel
    if (single && !raw->imgdata.rawdata.raw_image) fail(file, "it holds no mosaic that Irenic can clean.");
    work.check();
    work.report(0.5);

    auto photo = std::make_shared<Photo>();
    photo->file = file;
    photo->metadata = readMetadata(file);
    const auto& sizes = raw->imgdata.sizes;
    photo->rawWidth = sizes.raw_width;
    photo->rawHeight = sizes.raw_height;
    photo->active = {sizes.left_margin, sizes.top_margin, sizes.width, sizes.height};
    if (photo->active.width < 16 || photo->active.height < 16) fail(file, "the picture is too small to be a photo.");
    if (photo->active.right() > photo->rawWidth || photo->active.bottom() > photo->rawHeight)
        fail(file, "its sizes contradict each other; the file is damaged.");
    photo->channels = single ? 1 : 3;
    photo->monochrome = kind == Kind::Grey;
    if (single) photo->samples.resize(static_cast<std::size_t>(photo->rawWidth) * static_cast<std::size_t>(photo->rawHeight));
    const std::size_t pitch = sizes.raw_pitch ? sizes.raw_pitch / 2 : sizes.raw_width;
    for (int y = 0; single && y < photo->rawHeight; ++y)
        std::copy_n(raw->imgdata.rawdata.raw_image + static_cast<std::size_t>(y) * pitch, photo->rawWidth,
                    photo->samples.begin() + static_cast<std::ptrdiff_t>(y) * photo->rawWidth);
    for (int i = 0; kind == Kind::Mosaic && i < 4; ++i) {
        const char letter = raw->imgdata.idata.cdesc[raw->COLOR(i / 2, i % 2)];
        photo->mosaic.site[static_cast<std::size_t>(i)] =
            letter == 'R' ? Mosaic::Red : letter == 'B' ? Mosaic::Blue : Mosaic::Green;
    }
    photo->crop = {0, 0, photo->width(), photo->height()};
    const TagEntry* origin = photo->metadata.dng(kDefaultCropOrigin);
    const TagEntry* extent = photo->metadata.dng(kDefaultCropSize);
    if (origin && extent && origin->count == 2 && extent->count == 2) {
        const Rect crop{static_cast<int>(origin->number(0)), static_cast<int>(origin->number(1)),
                        static_cast<int>(extent->number(0)), static_cast<int>(extent->number(1))};
        if (photo->crop.contains(crop) && !crop.empty()) photo->crop = crop;
    }
    if (single) readLevels(*photo, *raw);
    else readPixels(*photo, *raw, file);
    if (photo->white <= photo->black.mean() + 1) fail(file, "its black and white levels contradict each other.");
    readColour(*photo, *raw);
    readShot(*photo, *raw);
    if (kind == Kind::Grey) photo->neutral = {1, 1, 1};
    if (kind == Kind::Wide) {
        WideMosaic wide;
        for (int i = 0; i < 36; ++i) {
            const char letter = raw->imgdata.idata.cdesc[raw->COLOR(i / 6, i % 6)];
            wide.site[static_cast<std::size_t>(i)] = letter == 'R' ? Mosaic::Red : letter == 'B' ? Mosaic::Blue : Mosaic::Green;
        }
        spreadColours(*photo, std::move(wide), work);
    }
    raw.reset();
    photo->statedNoise = statedNoise(*photo);
    if (measure == Measure::Noise) measureAll(*photo, work);
    work.report(1);
    return photo;
}

} // namespace irenic
