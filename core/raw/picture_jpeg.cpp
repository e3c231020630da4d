#include <csetjmp>
#include <cstdio>
#include <cstdlib>
// The library's header uses FILE without asking for it.
#include <jerror.h>
#include <jpeglib.h>

#include <algorithm>
#include <memory>
#include <span>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/photo.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

// What the library has to say. It is C: nothing may be thrown through its frames, so errors jump back to
// where decoding began, where no object of ours needs an end.
struct Listener {
    jpeg_error_mgr base;
    jpeg_progress_mgr progress;
    std::jmp_buf back;
    char text[JMSG_LENGTH_MAX];
    bool damaged;
};

void onError(j_common_ptr j) {
    auto* listener = reinterpret_cast<Listener*>(j->err);
    j->err->format_message(j, listener->text);
    std::longjmp(listener->back, 1);
}

// The library mends what it can and warns: a picture that was cut short comes out grey from there on.
void onMessage(j_common_ptr j, int level) {
    auto* listener = reinterpret_cast<Listener*>(j->err);
    const int code = j->err->msg_code;
    if (level < 0 && (code == JWRN_JPEG_EOF || code == JWRN_HIT_MARKER || code == JWRN_HUFF_BAD_CODE ||
                      code == JWRN_MUST_RESYNC))
        listener->damaged = true;
}

enum class Step { Failed, Done };

// A picture of many scans takes the whole picture's work for each: cameras and programs write about ten.
constexpr int kMostScans = 300;
void onProgress(j_common_ptr j) {
    if (!j->is_decompressor || reinterpret_cast<j_decompress_ptr>(j)->input_scan_number <= kMostScans) return;
    auto* listener = reinterpret_cast<Listener*>(j->err);
    std::snprintf(listener->text, sizeof listener->text, "it has more than %d scans", kMostScans);
    std::longjmp(listener->back, 1);
}

Step readHeader(jpeg_decompress_struct& j, Listener& listener, std::span<const std::uint8_t> from) {
    if (setjmp(listener.back)) return Step::Failed;
    jpeg_create_decompress(&j);
    listener.progress.progress_monitor = onProgress;
    j.progress = &listener.progress;
    jpeg_mem_src(&j, from.data(), static_cast<unsigned long>(from.size()));
    jpeg_save_markers(&j, JPEG_APP0 + 2, 0xffff); // ICC profiles
    jpeg_read_header(&j, TRUE);
    return Step::Done;
}

Step start(jpeg_decompress_struct& j, Listener& listener) {
    if (setjmp(listener.back)) return Step::Failed;
    jpeg_start_decompress(&j);
    return Step::Done;
}

Step readRow(jpeg_decompress_struct& j, Listener& listener, JSAMPROW row) {
    if (setjmp(listener.back)) return Step::Failed;
    return jpeg_read_scanlines(&j, &row, 1) == 1 ? Step::Done : Step::Failed;
}

Step finish(jpeg_decompress_struct& j, Listener& listener) {
    if (setjmp(listener.back)) return Step::Failed;
    jpeg_finish_decompress(&j);
    return Step::Done;
}

// Null where the file names no table for a component.
std::optional<JpegSteps> stepsOf(const jpeg_decompress_struct& j) {
    JpegSteps steps;
    const auto take = [&](const jpeg_component_info& component, std::array<std::uint16_t, 64>& to) {
        const JQUANT_TBL* table = component.quant_table;
        if (!table) return false;
        std::copy_n(table->quantval, 64, to.begin());
        return true;
    };
    const jpeg_component_info &first = j.comp_info[0], &second = j.comp_info[j.num_components == 3 ? 1 : 0];
    if (!take(first, steps.luminance) || !take(second, steps.colour)) return std::nullopt;
    steps.across = j.max_h_samp_factor / std::max(1, second.h_samp_factor);
    steps.down = j.max_v_samp_factor / std::max(1, second.v_samp_factor);
    return steps;
}

// `checkSize` hears width and height before memory is taken for them. Throws std::runtime_error.
template <class CheckSize>
FilePicture decode(std::span<const std::uint8_t> from, const Work& work, const CheckSize& checkSize) {
    const auto fail = [](const std::string& what) { throw std::runtime_error(what); };
    Listener listener{};
    jpeg_decompress_struct j{};
    j.err = jpeg_std_error(&listener.base);
    listener.base.error_exit = onError;
    listener.base.emit_message = onMessage;
    const std::unique_ptr<jpeg_decompress_struct, void (*)(jpeg_decompress_struct*)> ends(
        &j, [](jpeg_decompress_struct* d) { jpeg_destroy_decompress(d); });
    const auto must = [&](Step step) {
        if (step == Step::Failed)
            fail(filled(IRENIC_TEXT("this picture cannot be read (%1)."), {listener.text}));
    };
    must(readHeader(j, listener, from));
    if (j.jpeg_color_space == JCS_CMYK || j.jpeg_color_space == JCS_YCCK)
        fail(IRENIC_TEXT("this is a JPEG for printing (CMYK), which Irenic cannot read. Save it as RGB."));
    checkSize(j.image_width, j.image_height);
    j.out_color_space = j.jpeg_color_space == JCS_GRAYSCALE ? JCS_GRAYSCALE : JCS_RGB;
    must(start(j, listener));
    FilePicture p;
    p.width = static_cast<int>(j.output_width), p.height = static_cast<int>(j.output_height);
    p.channels = j.output_components, p.bytes = 1;
    const auto row = static_cast<std::size_t>(p.width) * static_cast<std::size_t>(p.channels);
    for (std::size_t y = 0; y < static_cast<std::size_t>(p.height); ++y) {
        if (y % 64 == 0) work.check();
        p.data.resize((y + 1) * row);
        must(readRow(j, listener, p.data.data() + y * row));
        if (listener.damaged) break;
    }
    p.jpeg = stepsOf(j);
    JOCTET* profile = nullptr;
    unsigned length = 0;
    if (jpeg_read_icc_profile(&j, &profile, &length)) {
        p.profile.assign(profile, profile + length);
        std::free(profile);
    }
    if (!listener.damaged) must(finish(j, listener));
    if (listener.damaged)
        fail(IRENIC_TEXT(
            "the file ends too early or is damaged: part of the picture is missing. Copy it again."));
    return p;
}

} // namespace

FilePicture decodeJpeg(const std::vector<std::uint8_t>& bytes) {
    return decode(bytes, {}, [](unsigned, unsigned) {});
}

FilePicture readJpegPicture(const GivenFile& file, const Work& work) {
    try {
        return decode(file.bytes(), work,
                      [&](unsigned width, unsigned height) { checkPictureSize(file, width, height); });
    } catch (const PhotoError&) {
        throw;
    } catch (const std::runtime_error& e) {
        throw PhotoError(shownName(file.name()) + ": " + e.what());
    }
}

} // namespace irenic
