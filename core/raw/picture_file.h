// Developed pictures as their files hold them, before any colour is worked out.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <vector>

#include "base/given_file.h"
#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

struct FilePicture {
    int width = 0, height = 0;
    int channels = 3;                  // 1: grey
    int bytes = 2;                     // of a sample: 1, 2, or 4, which is floating point
    std::vector<std::uint8_t> data;    // reading order, samples in the machine's byte order
    std::vector<std::uint8_t> profile; // ICC; empty: none
    std::optional<JpegSteps> jpeg;     // how it was compressed
    std::optional<double> gamma;       // of the encoding, where the file names one and no profile
    std::optional<std::array<double, 8>> primaries; // x, y of white, red, green, blue; likewise
};

// Each checks the size that the file claims against kMostPixels and against the file's length before it takes
// memory, takes memory only as rows come in, and refuses a file that ends before its last row. They throw
// PhotoError with the file's name, and Cancelled.
FilePicture readTiffPicture(const GivenFile& file, const Work& work); // libtiff
FilePicture readJpegPicture(const GivenFile& file, const Work& work); // libjpeg
FilePicture readPngPicture(const GivenFile& file, const Work& work);  // libpng

// By what the file begins with.
FilePicture readPicture(const GivenFile& file, const Work& work);

// A JPEG in memory, such as a tile of another file. Throws std::runtime_error with what is wrong.
FilePicture decodeJpeg(const std::vector<std::uint8_t>& bytes);

// Throws PhotoError where so many pixels are too many, or more than the file can hold however well it is
// packed.
void checkPictureSize(const GivenFile& file, std::uint64_t width, std::uint64_t height);

} // namespace irenic
