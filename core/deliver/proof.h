// What was written, kept small, so that reading the file back can prove it.
#pragma once

#include <cstdint>
#include <vector>

#include "base/digest.h"

namespace irenic {

// Means of 16x16 blocks of an 8-bit RGB picture, for files whose compression changes pixels a little.
class BlockMeans {
  public:
    BlockMeans(int width, int height);
    void add(int y, const std::uint8_t* rgb);
    // The largest difference between two blocks' means, 0..255; sizes must be equal.
    double farthest(const BlockMeans& other) const;

  private:
    int width_, across_;
    std::vector<float> sums_; // of blocks in reading order, three each
    std::vector<float> counts_;
};

} // namespace irenic
