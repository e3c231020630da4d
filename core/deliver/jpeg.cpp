#include "deliver/jpeg.h"

#include "base/expects.h"

#include <csetjmp>
#include <cstdio>
#include <cstdlib>
// The library's header uses FILE without asking for it.
#include <jpeglib.h>
// Its codes of errors.
#include <jerror.h>

#include <array>
#include <new>
#include <stdexcept>
#include <string>
#include <utility>

namespace irenic {

static_assert(kLongestJpegSide == JPEG_MAX_DIMENSION);

// The library is C: nothing may be thrown through its frames, so errors jump back to the call.
struct JpegEncoder::State {
    jpeg_compress_struct j{};
    jpeg_error_mgr errors{};
    std::jmp_buf back;
    char text[JMSG_LENGTH_MAX] = {};
    // The library fills the buffer; what is full goes behind what was written so far.
    jpeg_destination_mgr destination{};
    std::array<JOCTET, 1 << 16> buffer{};
    std::vector<std::uint8_t> written;

    ~State() { jpeg_destroy_compress(&j); }
    void emptied() {
        destination.next_output_byte = buffer.data(), destination.free_in_buffer = buffer.size();
    }
    // False: there is no memory for it.
    bool take(std::size_t count) noexcept {
        try {
            written.insert(written.end(), buffer.begin(),
                           buffer.begin() + static_cast<std::ptrdiff_t>(count));
        } catch (const std::bad_alloc&) {
            return false;
        }
        emptied();
        return true;
    }
};

namespace {

struct Asked {
    int width, height, quality;
    const std::vector<std::uint8_t>& profile;
    bool subsampled;
};

template <class State> bool begin(State& s, const Asked& as) {
    if (setjmp(s.back)) return false;
    jpeg_create_compress(&s.j);
    s.destination.init_destination = [](j_compress_ptr j) { static_cast<State*>(j->client_data)->emptied(); };
    s.destination.empty_output_buffer = [](j_compress_ptr j) -> boolean {
        auto* state = static_cast<State*>(j->client_data);
        if (!state->take(state->buffer.size())) ERREXIT1(j, JERR_OUT_OF_MEMORY, 0);
        return TRUE;
    };
    s.destination.term_destination = [](j_compress_ptr j) {
        auto* state = static_cast<State*>(j->client_data);
        if (!state->take(state->buffer.size() - state->destination.free_in_buffer))
            ERREXIT1(j, JERR_OUT_OF_MEMORY, 0);
    };
    s.j.dest = &s.destination;
    s.j.image_width = static_cast<JDIMENSION>(as.width),
    s.j.image_height = static_cast<JDIMENSION>(as.height);
    s.j.input_components = 3, s.j.in_color_space = JCS_RGB;
    jpeg_set_defaults(&s.j);
    jpeg_set_quality(&s.j, as.quality, TRUE);
    for (int c = 0; c < 3; ++c)
        s.j.comp_info[c].h_samp_factor = s.j.comp_info[c].v_samp_factor = as.subsampled && c == 0 ? 2 : 1;
    s.j.density_unit = 1, s.j.X_density = s.j.Y_density = 300;
    s.j.optimize_coding = TRUE;
    jpeg_start_compress(&s.j, TRUE);
    if (!as.profile.empty())
        jpeg_write_icc_profile(&s.j, as.profile.data(), static_cast<unsigned>(as.profile.size()));
    return true;
}

template <class State> bool write(State& s, JSAMPROW row) {
    if (setjmp(s.back)) return false;
    return jpeg_write_scanlines(&s.j, &row, 1) == 1;
}

template <class State> bool end(State& s) {
    if (setjmp(s.back)) return false;
    jpeg_finish_compress(&s.j);
    return true;
}

} // namespace

JpegEncoder::JpegEncoder(int width, int height, int quality, const std::vector<std::uint8_t>& profile,
                         bool subsampled)
    : state_(std::make_unique<State>()) {
    IRENIC_EXPECTS(width > 0 && height > 0 && quality >= 0 && quality <= 100);
    state_->j.err = jpeg_std_error(&state_->errors);
    state_->j.client_data = state_.get();
    state_->errors.error_exit = [](j_common_ptr j) {
        auto* s = static_cast<State*>(j->client_data);
        j->err->format_message(j, s->text);
        std::longjmp(s->back, 1);
    };
    if (!begin(*state_, Asked{width, height, quality, profile, subsampled}))
        throw std::runtime_error(state_->text);
}

JpegEncoder::~JpegEncoder() = default;

void JpegEncoder::row(std::uint8_t* rgb) {
    if (!write(*state_, rgb)) throw std::runtime_error(state_->text);
}

std::vector<std::uint8_t> JpegEncoder::finish() {
    if (!end(*state_)) throw std::runtime_error(state_->text);
    return std::move(state_->written);
}

std::vector<std::uint8_t> previewJpeg(const Picture& preview) {
    constexpr int kQuality = 88; // looks like the picture at a third of what 95 takes
    std::vector<std::uint8_t> bytes = inEightBits(preview);
    JpegEncoder jpeg(preview.width, preview.height, kQuality, {});
    for (int y = 0; y < preview.height; ++y)
        jpeg.row(bytes.data() + static_cast<std::ptrdiff_t>(y) * preview.width * 3);
    return jpeg.finish();
}

} // namespace irenic
