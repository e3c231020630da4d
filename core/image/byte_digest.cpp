#include "image/byte_digest.h"

#include <cstdio>

namespace irenic {

void ByteDigest::add(const void* bytes, std::size_t count) {
    const auto* p = static_cast<const std::uint8_t*>(bytes);
    for (std::size_t i = 0; i < count; ++i) value_ = (value_ ^ p[i]) * 0x100000001b3ULL;
}

std::string ByteDigest::text() const {
    char text[20];
    std::snprintf(text, sizeof text, "%016llx", static_cast<unsigned long long>(value_));
    return text;
}

} // namespace irenic
