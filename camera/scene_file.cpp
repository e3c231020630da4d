#include "scene_file.h"

#include <jxl/decode_cxx.h>
#include <jxl/encode_cxx.h>
#include <jxl/resizable_parallel_runner_cxx.h>

#include <algorithm>
#include <cmath>
#include <memory>
#include <stdexcept>
#include <string>

#include "deliver/jxl_output.h"

namespace irenic {

namespace {

// The code is even in stops where there is light enough and linear near black, as a film's scanner has it:
// errors that the coder spreads evenly over it are even to the eye after any development.
constexpr float kBrightest = 16, kToe = 200;

float codeOf(float light) {
    static const float all = std::log2(1 + kToe * kBrightest);
    return std::log2(1 + kToe * std::clamp(light, 0.0f, kBrightest)) / all;
}

// Light of each 16-bit code.
const std::vector<float>& lightOfCodes() {
    static const std::vector<float> table = [] {
        std::vector<float> t(65536);
        const float all = std::log2(1 + kToe * kBrightest);
        for (std::size_t i = 0; i < t.size(); ++i)
            t[i] = (std::exp2(static_cast<float>(i) / 65535 * all) - 1) / kToe;
        return t;
    }();
    return table;
}

void check(bool fine, const char* what) {
    if (!fine) throw std::runtime_error(std::string("A scene of the mill could not be ") + what + ".");
}

constexpr JxlPixelFormat kFormat = {3, JXL_TYPE_UINT16, JXL_NATIVE_ENDIAN, 0};

} // namespace

std::vector<std::uint8_t> packScene(const std::array<Plane, 3>& light, float distance) {
    const int w = light[0].width(), h = light[0].height();
    std::vector<std::uint16_t> pixels;
    pixels.reserve(static_cast<std::size_t>(w) * static_cast<std::size_t>(h) * 3);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            for (const Plane& p : light)
                pixels.push_back(static_cast<std::uint16_t>(std::lround(codeOf(p.at(x, y)) * 65535)));
    const auto runner = JxlResizableParallelRunnerMake(nullptr);
    const auto encoder = JxlEncoderMake(nullptr);
    JxlEncoderSetParallelRunner(encoder.get(), JxlResizableParallelRunner, runner.get());
    JxlBasicInfo info;
    JxlEncoderInitBasicInfo(&info);
    info.xsize = static_cast<std::uint32_t>(w), info.ysize = static_cast<std::uint32_t>(h);
    info.bits_per_sample = 16, info.uses_original_profile = JXL_FALSE;
    JxlColorEncoding colour;
    JxlColorEncodingSetToSRGB(&colour, JXL_FALSE);
    check(JxlEncoderSetBasicInfo(encoder.get(), &info) == JXL_ENC_SUCCESS, "packed");
    check(JxlEncoderSetColorEncoding(encoder.get(), &colour) == JXL_ENC_SUCCESS, "packed");
    JxlEncoderFrameSettings* settings = JxlEncoderFrameSettingsCreate(encoder.get(), nullptr);
    JxlEncoderSetFrameDistance(settings, distance);
    JxlEncoderFrameSettingsSetOption(settings, JXL_ENC_FRAME_SETTING_EFFORT, 7);
    check(JxlEncoderAddImageFrame(settings, &kFormat, pixels.data(), pixels.size() * 2) == JXL_ENC_SUCCESS,
          "packed");
    JxlEncoderCloseInput(encoder.get());
    return outputOf(encoder.get());
}

std::array<Plane, 3> unpackScene(std::span<const std::uint8_t> file) {
    const auto runner = JxlResizableParallelRunnerMake(nullptr);
    const auto decoder = JxlDecoderMake(nullptr);
    JxlDecoderSetParallelRunner(decoder.get(), JxlResizableParallelRunner, runner.get());
    check(JxlDecoderSubscribeEvents(decoder.get(), JXL_DEC_BASIC_INFO | JXL_DEC_FULL_IMAGE) ==
              JXL_DEC_SUCCESS,
          "read");
    JxlDecoderSetInput(decoder.get(), file.data(), file.size());
    JxlDecoderCloseInput(decoder.get());
    std::array<Plane, 3> out;
    std::vector<std::uint16_t> pixels;
    for (;;) {
        const JxlDecoderStatus status = JxlDecoderProcessInput(decoder.get());
        if (status == JXL_DEC_BASIC_INFO) {
            JxlBasicInfo info;
            check(JxlDecoderGetBasicInfo(decoder.get(), &info) == JXL_DEC_SUCCESS, "read");
            JxlResizableParallelRunnerSetThreads(
                runner.get(), JxlResizableParallelRunnerSuggestThreads(info.xsize, info.ysize));
            for (Plane& p : out) p = Plane(static_cast<int>(info.xsize), static_cast<int>(info.ysize));
        } else if (status == JXL_DEC_NEED_IMAGE_OUT_BUFFER) {
            pixels.resize(std::size_t{3} * static_cast<std::size_t>(out[0].width()) *
                          static_cast<std::size_t>(out[0].height()));
            check(JxlDecoderSetImageOutBuffer(decoder.get(), &kFormat, pixels.data(), pixels.size() * 2) ==
                      JXL_DEC_SUCCESS,
                  "read");
        } else if (status == JXL_DEC_SUCCESS) {
            break;
        } else {
            check(status == JXL_DEC_FULL_IMAGE, "read");
        }
    }
    const std::vector<float>& light = lightOfCodes();
    const std::uint16_t* next = pixels.data();
    for (int y = 0; y < out[0].height(); ++y)
        for (int x = 0; x < out[0].width(); ++x)
            for (Plane& p : out) p.at(x, y) = light[*next++];
    return out;
}

} // namespace irenic
