#include "raw/camera_raw.h"

#include <libraw/libraw.h>

#include <algorithm>
#include <cmath>
#include <numeric>

#include "base/expects.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "raw/dng_pixels.h"

namespace irenic {

namespace {

enum class Kind { Mosaic, Wide, Grey, Colours };

// Its interface takes bytes that it does not change as if it might.
int openedAs(LibRaw& raw, const GivenFile& file) {
    return raw.open_buffer(const_cast<std::uint8_t*>(file.bytes().data()), file.size());
}

Mosaic::Colour colourOf(LibRaw& raw, int y, int x) {
    const char letter = raw.imgdata.idata.cdesc[raw.COLOR(y, x)];
    return letter == 'R' ? Mosaic::Red : letter == 'B' ? Mosaic::Blue : Mosaic::Green;
}

} // namespace

struct CameraRaw::State {
    GivenFile file;     // the library reads from it to the end
    mutable LibRaw raw; // COLOR() and strerror() are not const
    int opened = LIBRAW_UNSPECIFIED_ERROR;
    bool damaged = false;

    explicit State(const GivenFile& from) : file(from) {}

    [[noreturn]] void fail(const std::string& what) const {
        throw PhotoError(shownName(file.name()) + ": " + what);
    }

    Kind kind() const {
        const auto& id = raw.imgdata.idata;
        if (id.filters == 9 && id.colors == 3) return Kind::Wide;
        if (id.filters == 0 && id.colors == 3) return Kind::Colours;
        if (id.filters == 0 && id.colors == 1) return Kind::Grey;
        if (id.filters < 1000 || id.colors != 3)
            fail(IRENIC_TEXT("its mosaic is neither a 2x2 pattern of red, green and blue nor X-Trans; Irenic "
                             "cannot clean others."));
        return Kind::Mosaic;
    }

    // Three values for each pixel, whatever LibRaw keeps them in.
    void takePixels(Photo& photo) const {
        const auto& data = raw.imgdata.rawdata;
        const int step = data.color3_image ? 3 : 4;
        const std::uint16_t* from = data.color3_image   ? &data.color3_image[0][0]
                                    : data.color4_image ? &data.color4_image[0][0]
                                                        : nullptr;
        if (!from) fail(IRENIC_TEXT("its pixels are kept in a way that Irenic cannot read."));
        const std::size_t pitch = raw.imgdata.sizes.raw_pitch
                                      ? raw.imgdata.sizes.raw_pitch / sizeof(std::uint16_t)
                                      : static_cast<std::size_t>(photo.rawWidth * step);
        auto to = photo.samples.begin();
        for (int y = 0; y < photo.rawHeight; ++y)
            for (int x = 0; x < photo.rawWidth; ++x)
                to = std::copy_n(from + static_cast<std::size_t>(y) * pitch +
                                     static_cast<std::size_t>(x) * static_cast<std::size_t>(step),
                                 3, to);
    }
    void takeMosaic(Photo& photo) const {
        const auto& sizes = raw.imgdata.sizes;
        const std::uint16_t* from = raw.imgdata.rawdata.raw_image;
        if (!from) fail(IRENIC_TEXT("it holds no mosaic that Irenic can clean."));
        const std::size_t pitch = sizes.raw_pitch ? sizes.raw_pitch / sizeof(std::uint16_t) : sizes.raw_width;
        for (int y = 0; y < photo.rawHeight; ++y)
            std::copy_n(from + static_cast<std::size_t>(y) * pitch, photo.rawWidth,
                        photo.samples.begin() + static_cast<std::ptrdiff_t>(y) * photo.rawWidth);
    }
};

CameraRaw::CameraRaw(const GivenFile& file) : state_(std::make_unique<State>(file)) {
    state_->raw.set_dataerror_handler([](void* flag, const char*, int) { *static_cast<bool*>(flag) = true; },
                                      &state_->damaged);
    state_->opened = openedAs(state_->raw, file);
}

CameraRaw::~CameraRaw() = default;

bool CameraRaw::opened() const { return state_->opened == LIBRAW_SUCCESS; }

std::string CameraRaw::whyNot() const { return libraw_strerror(state_->opened); }

bool CameraRaw::looksLikePicture() const {
    IRENIC_EXPECTS(opened());
    const auto& id = state_->raw.imgdata.idata;
    return id.filters == 0 && id.dng_version == 0;
}

void CameraRaw::unpack(Photo& photo, const Work& work) {
    IRENIC_EXPECTS(opened());
    State& s = *state_;
    const Kind kind = s.kind();
    const auto& sizes = s.raw.imgdata.sizes;
    const std::uint64_t pixels = std::uint64_t{sizes.raw_width} * sizes.raw_height;
    if (pixels > kMostPixels)
        s.fail(IRENIC_TEXT("it claims more than 500 megapixels; Irenic reads photos of up to that."));
    work.check();
    const int unpacked = s.raw.unpack();
    if (unpacked == LIBRAW_IO_ERROR || unpacked == LIBRAW_DATA_ERROR ||
        (unpacked == LIBRAW_SUCCESS && s.damaged))
        s.fail(IRENIC_TEXT("the file ends too early or is damaged. Copy it again from the card."));
    if (unpacked != LIBRAW_SUCCESS)
        s.fail(filled(IRENIC_TEXT("its pixels cannot be read (%1)."), {libraw_strerror(unpacked)}));
    work.check();
    photo.rawWidth = sizes.raw_width, photo.rawHeight = sizes.raw_height;
    photo.channels = kind == Kind::Colours ? 3 : 1;
    photo.monochrome = kind == Kind::Grey;
    photo.samples.resize(pixels * static_cast<std::size_t>(photo.channels));
    if (kind == Kind::Colours)
        s.takePixels(photo);
    else
        s.takeMosaic(photo);
}

std::vector<Mosaic::Colour> CameraRaw::describe(Photo& photo) const {
    IRENIC_EXPECTS(opened());
    LibRaw& raw = state_->raw;
    const auto& colour = raw.imgdata.color;
    const auto& sizes = raw.imgdata.sizes;
    photo.active = {sizes.left_margin, sizes.top_margin, sizes.width, sizes.height};
    photo.crop = photo.whole();
    const Kind kind = state_->kind();
    for (int i = 0; kind == Kind::Mosaic && i < 4; ++i)
        photo.mosaic.site[static_cast<std::size_t>(i)] = colourOf(raw, i / 2, i % 2);

    // LibRaw splits the levels into a common one, one for each channel and a pattern: add them up again.
    const unsigned rows = std::max(1U, colour.cblack[4]), columns = std::max(1U, colour.cblack[5]);
    const bool patterned = colour.cblack[4] != 0 && colour.cblack[5] != 0;
    const bool single = kind != Kind::Colours;
    photo.black.rows = static_cast<int>(single ? std::lcm(2U, rows) : 1);
    photo.black.columns = static_cast<int>(single ? std::lcm(2U, columns) : 1);
    photo.black.channels = photo.channels;
    photo.black.pattern.clear();
    for (int y = 0; y < photo.black.rows; ++y)
        for (int x = 0; x < photo.black.columns; ++x)
            for (int c = 0; c < photo.channels; ++c) {
                unsigned level = colour.black + colour.cblack[single ? raw.COLOR(y, x) : c];
                if (patterned)
                    level += colour.cblack[6 + static_cast<unsigned>(y) % rows * columns +
                                           static_cast<unsigned>(x) % columns];
                photo.black.pattern.push_back(static_cast<float>(level));
            }
    photo.white = colour.maximum;

    ColourProfile profile;
    double sum = 0;
    for (std::size_t r = 0; r < 3; ++r)
        for (std::size_t c = 0; c < 3; ++c) {
            profile.colourMatrix[3 * r + c] = static_cast<double>(colour.cam_xyz[r][c]);
            sum += std::abs(profile.colourMatrix[3 * r + c]);
        }
    if (sum > 1e-6) photo.profiles.push_back(profile);
    const double largest = std::max({colour.cam_mul[0], colour.cam_mul[1], colour.cam_mul[2]});
    photo.whiteFrom = largest > 0 ? WhiteFrom::Neutral : WhiteFrom::Nothing;
    for (std::size_t c = 0; c < 3; ++c)
        photo.neutral[c] = colour.cam_mul[c] > 0 ? 1 / static_cast<double>(colour.cam_mul[c]) : 0;

    std::vector<Mosaic::Colour> sites;
    for (int i = 0; kind == Kind::Wide && i < 36; ++i) sites.push_back(colourOf(raw, i / 6, i % 6));
    return sites;
}

void CameraRaw::describeShot(Photo& photo) const {
    IRENIC_EXPECTS(opened());
    const libraw_data_t& data = state_->raw.imgdata;
    photo.make = utf8Of(data.idata.make);
    photo.model = utf8Of(data.idata.model);
    photo.lens = utf8Of(data.lens.Lens);
    photo.iso = static_cast<double>(data.other.iso_speed);
    photo.exposure = static_cast<double>(data.other.shutter);
    photo.aperture = static_cast<double>(data.other.aperture);
    photo.focal = static_cast<double>(data.other.focal_len);
    static constexpr int orientations[] = {1, 0, 0, 3, 0, 8, 6, 0};
    const int flip = data.sizes.flip & 7;
    photo.orientation = orientations[flip] ? orientations[flip] : 1;
}

} // namespace irenic
