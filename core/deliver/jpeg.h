// Baseline JPEG (ITU-T T.81) by libjpeg, into memory.
#pragma once

#include <cstdint>
#include <memory>
#include <vector>

#include "develop/picture.h"

namespace irenic {

// 8-bit RGB rows in, a file's bytes out. Members throw std::runtime_error with
// the library's words.
class JpegEncoder {
  public:
    // `profile` is an ICC profile, or empty. `subsampled`: colours at half the width and height.
    JpegEncoder(int width, int height, int quality, const std::vector<std::uint8_t>& profile,
                bool subsampled = false);
    ~JpegEncoder();
    JpegEncoder(const JpegEncoder&) = delete;
    JpegEncoder& operator=(const JpegEncoder&) = delete;

    void row(std::uint8_t* rgb);
    // After the last row.
    std::vector<std::uint8_t> finish();

  private:
    struct State;
    std::unique_ptr<State> state_;
};

// A preview as a DNG holds it.
std::vector<std::uint8_t> previewJpeg(const Picture& preview);

// The longest side of a JPEG.
inline constexpr int kLongestJpegSide = 65500;

} // namespace irenic
