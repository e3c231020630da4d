// Lossless JPEG (ITU-T T.81, process 14), as DNG packs raw samples (DNG 1.6, page 18).
#pragma once

#include <cstdint>
#include <vector>

namespace irenic {

// One tile of `width` x `height` samples of 16 bits, `stride` apart from row to row, reading order; `width`
// is a multiple of `components` (1 to 4). Predictor 1: a sample from the one of its component before it, the
// first of a row from the first of the row above. Huffman tables fit the tile (T.81, annex K.2), one for each
// component. Returns the whole stream, from SOI to EOI.
std::vector<std::uint8_t> losslessJpeg(const std::uint16_t* samples, int width, int height,
                                       std::ptrdiff_t stride, int components);

} // namespace irenic
