#include "raw/developed.h"

#include <lcms2.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <optional>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/dng_pixels.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

[[noreturn]] void fail(const GivenFile& file, const std::string& what) {
    throw PhotoError(shownName(file.name()) + ": " + what);
}

const Matrix3 kRommToXyz = {0.7976749, 0.1351917, 0.0313534, 0.2880402, 0.7118741,
                            0.0000857, 0,         0,         0.8252100}; // D50

struct Closing {
    void operator()(void* profile) const { cmsCloseProfile(profile); }
};
using Profile = std::unique_ptr<void, Closing>;

cmsToneCurve* srgbCurve() {
    const double srgb[5] = {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045};
    return cmsBuildParametricToneCurve(nullptr, 4, srgb);
}

Profile linearRomm() {
    const cmsCIExyY white{0.3457, 0.3585, 1};
    const cmsCIExyYTRIPLE primaries{{0.7347, 0.2653, 1}, {0.1596, 0.8404, 1}, {0.0366, 0.0001, 1}};
    cmsToneCurve* curve = cmsBuildGamma(nullptr, 1.0);
    cmsToneCurve* three[3] = {curve, curve, curve};
    Profile profile(cmsCreateRGBProfile(&white, &primaries, three));
    cmsFreeToneCurve(curve);
    return profile;
}

// A profile of gamma and primaries, where the file names them; sRGB has what it leaves out.
Profile profileFrom(const FilePicture& p) {
    if (!p.gamma && !p.primaries) return Profile(cmsCreate_sRGBProfile());
    const auto& c = p.primaries.value_or(std::array{0.3127, 0.3290, 0.64, 0.33, 0.30, 0.60, 0.15, 0.06});
    const cmsCIExyY white{c[0], c[1], 1};
    const cmsCIExyYTRIPLE primaries{{c[2], c[3], 1}, {c[4], c[5], 1}, {c[6], c[7], 1}};
    cmsToneCurve* curve = p.gamma ? cmsBuildGamma(nullptr, *p.gamma) : srgbCurve();
    cmsToneCurve* three[3] = {curve, curve, curve};
    Profile profile(cmsCreateRGBProfile(&white, &primaries, three));
    cmsFreeToneCurve(curve);
    return profile;
}

using Transform = std::unique_ptr<void, void (*)(void*)>;

// What a transform to linear light does where it is three curves and a matrix, as nearly all pictures' are:
// the library works out a power for each sample, here each code has its own once.
class Codes {
  public:
    // Nothing where the transform is of another kind, or samples are not codes.
    static std::optional<Codes> of(const FilePicture& p, cmsHPROFILE from, const Transform& transform) {
        if (p.channels != 3 || p.bytes > 2 || !cmsIsMatrixShaper(from)) return std::nullopt;
        Codes out;
        const unsigned most = p.bytes == 1 ? 255 : 65535;
        constexpr cmsTagSignature kCurves[] = {cmsSigRedTRCTag, cmsSigGreenTRCTag, cmsSigBlueTRCTag};
        for (std::size_t c = 0; c < 3; ++c) {
            const auto* curve = static_cast<const cmsToneCurve*>(cmsReadTag(from, kCurves[c]));
            if (!curve) return std::nullopt;
            for (unsigned v = 0; v <= most; ++v)
                out.light_[c].push_back(
                    cmsEvalToneCurveFloat(curve, static_cast<float>(v) / static_cast<float>(most)));
        }
        const auto asked = [&](const std::array<unsigned, 3>& code, float* to) {
            std::array<std::uint8_t, 6> bytes{};
            for (std::size_t c = 0; c < 3; ++c) {
                const auto one = static_cast<std::uint8_t>(code[c]);
                const auto two = static_cast<std::uint16_t>(code[c]);
                if (p.bytes == 1)
                    bytes[c] = one;
                else
                    std::memcpy(&bytes[2 * c], &two, 2);
            }
            cmsDoTransform(transform.get(), bytes.data(), to, 1);
        };
        for (std::size_t c = 0; c < 3; ++c) {
            std::array<unsigned, 3> code{};
            code[c] = most;
            float column[3];
            asked(code, column);
            const float full = out.light_[c].back();
            if (!(full > 0.5f)) return std::nullopt;
            for (std::size_t r = 0; r < 3; ++r) out.matrix_[3 * r + c] = column[r] / full;
        }
        // The library's own answer counts.
        for (const std::array<unsigned, 3>& code :
             {std::array{0U, 0U, 0U}, std::array{most / 2, most / 3, most / 5},
              std::array{most / 40, most / 9, most}}) {
            float expected[3], found[3];
            asked(code, expected);
            out.convert(code[0], code[1], code[2], found);
            for (std::size_t c = 0; c < 3; ++c)
                if (std::abs(expected[c] - found[c]) > 1e-5f) return std::nullopt;
        }
        return out;
    }
    void convert(unsigned r, unsigned g, unsigned b, float* to) const {
        const float red = light_[0][r], green = light_[1][g], blue = light_[2][b];
        for (std::size_t i = 0; i < 3; ++i)
            to[i] = matrix_[3 * i] * red + matrix_[3 * i + 1] * green + matrix_[3 * i + 2] * blue;
    }
    // A row of pixels.
    void convert(const std::uint8_t* from, int bytes, int pixels, float* to) const {
        for (int i = 0; i < pixels; ++i, to += 3, from += 3 * bytes) {
            std::uint16_t v[3];
            if (bytes == 1)
                std::copy_n(from, 3, v);
            else
                std::memcpy(v, from, 6);
            convert(v[0], v[1], v[2], to);
        }
    }

  private:
    std::array<std::vector<float>, 3> light_;
    std::array<float, 9> matrix_{};
};

void toLinear(const GivenFile& file, Photo& photo, const FilePicture& p, const Work& work) {
    Profile from;
    if (!p.profile.empty())
        from.reset(cmsOpenProfileFromMem(p.profile.data(), static_cast<cmsUInt32Number>(p.profile.size())));
    const bool grey = p.channels == 1;
    const cmsColorSpaceSignature wanted = grey ? cmsSigGrayData : cmsSigRgbData;
    if (!from || cmsGetColorSpace(from.get()) != wanted) {
        if (grey) {
            cmsToneCurve* curve = p.gamma ? cmsBuildGamma(nullptr, *p.gamma) : srgbCurve();
            from.reset(cmsCreateGrayProfile(cmsD50_xyY(), curve));
            cmsFreeToneCurve(curve);
        } else {
            from = profileFrom(p);
        }
    }
    const Profile to = linearRomm();
    const cmsUInt32Number in = (p.bytes == 4 ? FLOAT_SH(1) : 0U) |
                               COLORSPACE_SH(static_cast<cmsUInt32Number>(grey ? PT_GRAY : PT_RGB)) |
                               CHANNELS_SH(static_cast<cmsUInt32Number>(p.channels)) |
                               BYTES_SH(static_cast<cmsUInt32Number>(p.bytes));
    const Transform transform(cmsCreateTransform(from.get(), in, to.get(), TYPE_RGB_FLT,
                                                 INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOCACHE),
                              cmsDeleteTransform);
    if (!transform) fail(file, IRENIC_TEXT("its colour profile cannot be used."));
    const std::optional<Codes> codes = Codes::of(p, from.get(), transform);
    photo.samples.resize(static_cast<std::size_t>(p.width) * static_cast<std::size_t>(p.height) * 3);
    forEachBand(p.height, 16, work, [&](int first, int last) {
        std::vector<float> line(static_cast<std::size_t>(p.width) * 3);
        for (int y = first; y < last; ++y) {
            const std::size_t row = static_cast<std::size_t>(y) * static_cast<std::size_t>(p.width);
            const std::uint8_t* pixels = p.data.data() + row * static_cast<std::size_t>(p.channels * p.bytes);
            if (codes)
                codes->convert(pixels, p.bytes, p.width, line.data());
            else
                cmsDoTransform(transform.get(), pixels, line.data(), static_cast<cmsUInt32Number>(p.width));
            for (std::size_t i = 0; i < line.size(); ++i)
                photo.samples[row * 3 + i] =
                    static_cast<std::uint16_t>(std::clamp(line[i], 0.0f, 1.0f) * 65535.0f + 0.5f);
        }
    });
}

} // namespace

namespace {

enum class Form { Jpeg, Png, Other };

Form formOf(const GivenFile& file) {
    const auto head = file.bytes();
    if (head.size() < 4) return Form::Other;
    if (head[0] == 0xff && head[1] == 0xd8) return Form::Jpeg;
    return head[0] == 0x89 && head[1] == 'P' && head[2] == 'N' && head[3] == 'G' ? Form::Png : Form::Other;
}

} // namespace

FilePicture readPicture(const GivenFile& file, const Work& work) {
    switch (formOf(file)) {
    case Form::Jpeg: return readJpegPicture(file, work);
    case Form::Png: return readPngPicture(file, work);
    default: return readTiffPicture(file, work);
    }
}

bool looksDeveloped(const GivenFile& file) { return formOf(file) != Form::Other; }

void checkPictureSize(const GivenFile& file, std::uint64_t width, std::uint64_t height) {
    if (width == 0 || height == 0) fail(file, IRENIC_TEXT("its sizes make no sense; the file is damaged."));
    if (width > kLongestSide || height > kLongestSide || width * height > kMostPixels)
        fail(file, filled(kTooManyPixels, {std::to_string(width), std::to_string(height)}));
    // No compression of these files packs more than some 4000 pixels into a byte.
    if (width * height / 4096 > file.size())
        fail(file,
             filled(IRENIC_TEXT("it claims %1 x %2 pixels, more than it can hold; the file is damaged."),
                    {std::to_string(width), std::to_string(height)}));
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
    // Speeds that the first tag cannot hold stand in others (Exif 2.3, annex G): the sensitivity recommended,
    // the standard's output sensitivity, the speed.
    if (photo.iso == 65535)
        for (const std::uint16_t tag : {0x8832, 0x8831, 0x8833})
            if (const double more = number(Metadata::find(m.exif, tag)); more > photo.iso) photo.iso = more;
    photo.exposure = number(Metadata::find(m.exif, 0x829a));
    photo.aperture = number(Metadata::find(m.exif, 0x829d));
    photo.focal = number(Metadata::find(m.exif, 0x920a));
    if (const TagEntry* e = Metadata::find(m.main, 0x0112); e && e->number() >= 1 && e->number() <= 8)
        photo.orientation = static_cast<int>(e->number());
}

std::shared_ptr<Photo> readDeveloped(const GivenFile& file, const Work& work) {
    const FilePicture p = readPicture(file, work);
    if (p.width < 16 || p.height < 16) fail(file, IRENIC_TEXT("the picture is too small to be a photo."));
    work.check();
    work.report(0.3);
    auto photo = std::make_shared<Photo>();
    photo->file = file.name();
    photo->channels = 3;
    photo->developed = true;
    photo->rawWidth = p.width, photo->rawHeight = p.height;
    photo->active = photo->crop = {0, 0, p.width, p.height};
    photo->bits = 8 * p.bytes;
    photo->jpeg = p.jpeg;
    photo->ownProfile = p.profile;
    photo->white = 65535;
    photo->metadata = readMetadata(file);
    if (!photo->metadata.lost.empty()) fail(file, wordsForLost(photo->metadata.lost.front()));
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
