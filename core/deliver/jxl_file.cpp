#include <jxl/decode_cxx.h>
#include <jxl/encode_cxx.h>
#include <jxl/resizable_parallel_runner_cxx.h>

#include <algorithm>
#include <cmath>

#include "base/given_file.h"
#include "base/safe_file.h"
#include "deliver/carried_tags.h"
#include "deliver/developed_rows.h"
#include "deliver/jxl_output.h"
#include "deliver/picture_files.h"
#include "deliver/proof.h"

namespace irenic {

namespace {

constexpr JxlPixelFormat kFormat = {3, JXL_TYPE_UINT16, JXL_NATIVE_ENDIAN, 0};

void check(bool fine, const char* what) {
    if (!fine)
        throw std::runtime_error(std::string("the picture cannot be packed as JPEG XL: ") + what + ".");
}

std::vector<std::uint8_t> packed(const std::vector<std::uint16_t>& pixels, PictureSize size,
                                 const Export& what, const std::string& xmp) {
    const Photo& photo = *what.recipe.photo;
    const bool lossless = what.delivery.quality >= 100;
    const auto runner = JxlResizableParallelRunnerMake(nullptr);
    JxlResizableParallelRunnerSetThreads(
        runner.get(), JxlResizableParallelRunnerSuggestThreads(static_cast<std::uint64_t>(size.width),
                                                               static_cast<std::uint64_t>(size.height)));
    const auto encoder = JxlEncoderMake(nullptr);
    JxlEncoderSetParallelRunner(encoder.get(), JxlResizableParallelRunner, runner.get());
    JxlBasicInfo info;
    JxlEncoderInitBasicInfo(&info);
    info.xsize = static_cast<std::uint32_t>(size.width), info.ysize = static_cast<std::uint32_t>(size.height);
    info.bits_per_sample = 16, info.uses_original_profile = lossless ? JXL_TRUE : JXL_FALSE;
    info.orientation = static_cast<JxlOrientation>(std::clamp(photo.orientation, 1, 8));
    check(JxlEncoderSetBasicInfo(encoder.get(), &info) == JXL_ENC_SUCCESS, "its size");
    const auto profile = profileOf(what);
    check(JxlEncoderSetICCProfile(encoder.get(), profile.data(), profile.size()) == JXL_ENC_SUCCESS,
          "its colours");
    check(JxlEncoderUseBoxes(encoder.get()) == JXL_ENC_SUCCESS, "its tags");
    // Four bytes say where in the box the TIFF begins: at once.
    auto exif = exifOf(photo, what.delivery);
    exif.insert(exif.begin(), 4, 0);
    check(JxlEncoderAddBox(encoder.get(), "Exif", exif.data(), exif.size(), JXL_FALSE) == JXL_ENC_SUCCESS,
          "its tags");
    if (!xmp.empty())
        check(JxlEncoderAddBox(encoder.get(), "xml ", reinterpret_cast<const std::uint8_t*>(xmp.data()),
                               xmp.size(), JXL_FALSE) == JXL_ENC_SUCCESS,
              "its tags");
    JxlEncoderCloseBoxes(encoder.get());
    JxlEncoderFrameSettings* settings = JxlEncoderFrameSettingsCreate(encoder.get(), nullptr);
    // The scale of qualities that libjxl's own tools have: 90 is a distance of 1.
    const float distance = what.delivery.quality >= 30 ? 0.1f + (100 - what.delivery.quality) * 0.09f
                                                       : 6.4f + (30 - what.delivery.quality) * 0.3f;
    if (lossless)
        check(JxlEncoderSetFrameLossless(settings, JXL_TRUE) == JXL_ENC_SUCCESS, "without loss");
    else
        JxlEncoderSetFrameDistance(settings, std::min(distance, 15.0f));
    JxlEncoderFrameSettingsSetOption(settings, JXL_ENC_FRAME_SETTING_EFFORT, lossless ? 4 : 6);
    check(JxlEncoderAddImageFrame(settings, &kFormat, pixels.data(), pixels.size() * 2) == JXL_ENC_SUCCESS,
          "its pixels");
    JxlEncoderCloseInput(encoder.get());
    return outputOf(encoder.get());
}

// The pixels of a file that was just written; empty: it does not read back.
std::vector<std::uint16_t> unpacked(const std::filesystem::path& file, PictureSize size) {
    const GivenFile written(file);
    const auto bytes = written.bytes();
    const auto runner = JxlResizableParallelRunnerMake(nullptr);
    const auto decoder = JxlDecoderMake(nullptr);
    JxlDecoderSetParallelRunner(decoder.get(), JxlResizableParallelRunner, runner.get());
    JxlDecoderSetKeepOrientation(decoder.get(), JXL_TRUE);
    if (JxlDecoderSubscribeEvents(decoder.get(), JXL_DEC_FULL_IMAGE) != JXL_DEC_SUCCESS) return {};
    JxlDecoderSetInput(decoder.get(), bytes.data(), bytes.size());
    JxlDecoderCloseInput(decoder.get());
    std::vector<std::uint16_t> pixels(static_cast<std::size_t>(size.width) *
                                      static_cast<std::size_t>(size.height) * 3);
    for (;;) {
        const JxlDecoderStatus status = JxlDecoderProcessInput(decoder.get());
        if (status == JXL_DEC_NEED_IMAGE_OUT_BUFFER) {
            std::size_t wanted = 0;
            if (JxlDecoderImageOutBufferSize(decoder.get(), &kFormat, &wanted) != JXL_DEC_SUCCESS ||
                wanted != pixels.size() * 2 ||
                JxlDecoderSetImageOutBuffer(decoder.get(), &kFormat, pixels.data(), wanted) !=
                    JXL_DEC_SUCCESS)
                return {};
        } else if (status == JXL_DEC_FULL_IMAGE) {
            return pixels;
        } else {
            return {};
        }
    }
}

} // namespace

LeftOut writeJpegXl(const std::filesystem::path& to, const Export& what, const XmpNote& xmp,
                    const Work& work) {
    const PictureSize size = sizeOf(what);
    std::vector<std::uint16_t> pixels;
    pixels.reserve(static_cast<std::size_t>(size.width) * static_cast<std::size_t>(size.height) * 3);
    developRows(what, work.part(0, 0.8), [&](int, const float* values) {
        for (int i = 0; i < 3 * size.width; ++i)
            pixels.push_back(static_cast<std::uint16_t>(values[i] * 65535 + 0.5f));
    });
    work.check();
    const auto bytes = packed(pixels, size, what, xmp.packet);
    work.report(0.9);
    work.check();
    writeTo(to, bytes.data(), bytes.size());
    const std::vector<std::uint16_t> back = unpacked(to, size);
    if (back.empty()) doesNotReadBack(to, "it cannot be opened");
    if (what.delivery.quality >= 100) {
        if (back != pixels) doesNotReadBack(to, "other pixels");
        return leftOutOf(xmp);
    }
    BlockMeans written(size.width, size.height), read(size.width, size.height);
    std::vector<std::uint8_t> row(static_cast<std::size_t>(size.width) * 3);
    const auto add = [&](BlockMeans& means, const std::vector<std::uint16_t>& of) {
        for (int y = 0; y < size.height; ++y) {
            for (std::size_t i = 0; i < row.size(); ++i)
                row[i] = static_cast<std::uint8_t>(of[static_cast<std::size_t>(y) * row.size() + i] >> 8);
            means.add(y, row.data());
        }
    };
    add(written, pixels), add(read, back);
    if (written.farthest(read) > (what.delivery.quality >= 75 ? 12 : 40)) doesNotReadBack(to, "other pixels");
    return leftOutOf(xmp);
}

} // namespace irenic
