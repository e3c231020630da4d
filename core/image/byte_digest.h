// A number that names what many bytes hold.
#pragma once

#include <cstddef>
#include <cstdint>
#include <string>

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

} // namespace irenic
