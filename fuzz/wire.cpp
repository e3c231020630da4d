// What a reader that was led astray sends: photos, glimpses, properties, by the first byte. What is let
// through can be computed with.
#include <sys/mman.h>
#include <unistd.h>

#include "develop/render.h"
#include "measure/open.h"
#include "raw/identity.h"
#include "reader/wire.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    if (size == 0) return 0;
    const int file = memfd_create("sent", MFD_CLOEXEC);
    if (write(file, data + 1, size - 1) != static_cast<ssize_t>(size - 1)) return close(file), 0;
    try {
        if (data[0] % 4 == 1) {
            receivedGlimpse(file, size - 1);
        } else if (data[0] % 4 == 2) {
            receivedProperties(file, size - 1);
        } else if (data[0] % 4 == 3) {
            receivedText(file, size - 1), receivedPacketWish(file, size - 1);
        } else {
            const auto photo = receivedPhoto(file, size - 1);
            idOf(*photo);
            if (photo->width() >= 32 && photo->height() >= 32 &&
                static_cast<long long>(photo->width()) * photo->height() < 5000) {
                measure(*photo);
                renderOverview(*photo, {}, 32);
            }
        }
    } catch (const std::runtime_error&) {
    }
    close(file);
    return 0;
}
