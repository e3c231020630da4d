// Blocks of 8x8 samples as frequencies, for measuring noise on them.
#pragma once

#include <cstddef>

namespace irenic {

inline constexpr int kDctBlock = 8;
// Frequencies (u across, v down) with u + v below this rank blocks by texture.
inline constexpr int kDctLow = 5;

// The orthonormal 2-D DCT-II of the block at `p`, whose rows are `stride` samples apart: frequency (u, v) at
// [v * kDctBlock + u].
void transformBlock(const float* p, std::ptrdiff_t stride, float* out);

struct BlockRank {
    float mean, low; // the mean, and the energy of the low frequencies without it
    bool clipped;    // a sample has reached `clip`; the others mean nothing then
};
BlockRank rankBlock(const float* p, std::ptrdiff_t stride, float clip);

} // namespace irenic
