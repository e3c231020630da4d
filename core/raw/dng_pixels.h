// Reads the samples of raw pictures that LibRaw 0.20 does not, not as they stand in the file, or one tile
// after the other: uncompressed tiles, deflate, lossy and lossless JPEG, floating point.
#pragma once

#include <cstdint>
#include <vector>

#include "base/given_file.h"
#include "base/shown_text.h"
#include "base/work.h"

namespace irenic {

// The most samples along a side and the most pixels of a picture that is read.
inline constexpr std::uint32_t kLongestSide = 100000;
inline constexpr std::uint64_t kMostPixels = 500'000'000;
inline constexpr const char* kTooManyPixels =
    IRENIC_TEXT("it claims %1 x %2 pixels; Irenic reads photos of up to 500 megapixels.");

// A raw picture in its file (TIFF 6.0, sections 8 and 15; DNG 1.6, page 17 on compression and predictors).
struct PixelLayout {
    int width = 0, height = 0, channels = 1;
    int bits = 16;         // of a sample as stored
    bool floating = false; // samples are floating-point numbers of 16, 24 or 32 bits
    int compression = 1;   // 1 none, 7 JPEG, 8 deflate, 34892 lossy JPEG
    int predictor = 1;
    int tileWidth = 0, tileHeight = 0; // strips are tiles as wide as the picture
    bool bigEndian = false;
    std::vector<std::uint64_t> offsets, counts; // of the tiles, in reading order
    std::vector<double> linearization;          // LinearizationTable; empty: none

    int tilesAcross() const { return (width + tileWidth - 1) / tileWidth; }
    int tilesDown() const { return (height + tileHeight - 1) / tileHeight; }
    // What readDngPixels() can decode.
    bool readHere() const { return compression == 1 || compression == 8 || compression == 34892; }
    // What it can decode where the tiles are as plain as cameras write them; LibRaw reads all kinds.
    bool perhapsReadHere() const { return compression == 7 && !floating && bits <= 16 && predictor == 1; }
};

// Samples as 16 bits. Whole numbers stand as in the file (through the linearization table). Floating-point
// numbers v become round((v - low) * scale): `low` is 0, or the least number where some lie below, and
// `scale` lets the largest one, or `white` if that is larger, become 65535; more than four stops above
// `white` is clipped, so that shadows keep their steps.
struct DngPixels {
    std::vector<std::uint16_t> samples;
    double low = 0, scale = 1;
};

// Throws std::runtime_error with what is wrong (no file name), and Cancelled.
DngPixels readDngPixels(const GivenFile& file, const PixelLayout& layout, double white, const Work& work);

} // namespace irenic
