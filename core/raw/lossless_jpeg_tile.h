// Reads lossless JPEG (ITU-T T.81, process 14), as DNG packs raw samples (DNG 1.6, page 18): the kind that
// cameras and this program write, a tile at a time, so that tiles can be read at once.
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace irenic {

// The first `rows` rows of `samples` samples each: the frame has as many samples in a row, all components
// together, and as many rows or more. Huffman codes, 1 to 4 components that are not subsampled, all in one
// scan, no restarts, no point transform. Throws std::runtime_error where the stream is of another kind, is
// damaged or ends too early.
std::vector<std::uint16_t> unpackLosslessJpeg(const std::vector<std::uint8_t>& stream, std::size_t samples,
                                              std::size_t rows);

} // namespace irenic
