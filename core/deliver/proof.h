// What was written, kept small, so that reading the file back can prove it.
#pragma once

#include <cstddef>
#include <cstdint>
#include <string>
#include <vector>

namespace irenic {

// A digest of all bytes in the order in which they are added (FNV-1a, 64 bits: G. Fowler, L. C. Noll, K.-P.
// Vo). It finds faults of disks and libraries; it is no protection against anybody's intent.
class ByteDigest {
  public:
    void add(const void* bytes, std::size_t count);
    // 16 hexadecimal digits.
    std::string text() const;
    friend bool operator==(const ByteDigest&, const ByteDigest&) = default;

  private:
    std::uint64_t value_ = 0xcbf29ce484222325ULL;
};

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
