// IPTC records (IPTC-NAA Information Interchange Model 4.2, chapter 3: 0x1c, record, data set, two bytes of
// length).
#pragma once

#include <cstdint>
#include <span>
#include <vector>

namespace irenic {

struct IptcRecord {
    std::uint8_t record = 0, dataSet = 0;
    std::vector<std::uint8_t> bytes;
};

// Those that stand at the beginning of the bytes, up to the first that is damaged or has one of the extended
// lengths; at most 1000.
inline std::vector<IptcRecord> iptcRecordsIn(std::span<const std::uint8_t> bytes) {
    constexpr std::size_t kHead = 5, kMost = 1000;
    std::vector<IptcRecord> out;
    while (out.size() < kMost && bytes.size() >= kHead && bytes[0] == 0x1c) {
        const std::size_t length = std::size_t{bytes[3]} << 8U | bytes[4];
        if (length >= 0x8000 || length > bytes.size() - kHead) break;
        out.push_back(
            {bytes[1], bytes[2], {bytes.begin() + kHead, bytes.begin() + kHead + static_cast<long>(length)}});
        bytes = bytes.subspan(kHead + length);
    }
    return out;
}

} // namespace irenic
