// XMP packets and IPTC records, and whole files that may carry notes of ours, by the first byte.
#include <string>

#include "raw/iptc.h"
#include "raw/xmp_packet.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    if (size == 0) return 0;
    const std::vector<std::uint8_t> bytes(data + 1, data + size);
    if (data[0] % 3 == 0) {
        const std::string packet = packetWith({bytes.begin(), bytes.end()}, "image/tiff", {{"Order", "abc"}});
        // Where it can be read, ours are added.
        if (!packet.empty() && packet.find("abc") == std::string::npos) __builtin_trap();
    } else if (data[0] % 3 == 1) {
        for (const IptcRecord& r : iptcRecordsIn(bytes))
            if (r.bytes.size() > size) __builtin_trap();
    } else {
        ownPropertiesIn(GivenFile(bytes, "fuzzed"));
    }
    return 0;
}
