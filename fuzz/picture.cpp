// Developed pictures: TIFF, JPEG and PNG, by the first byte.
#include <vector>

#include "raw/photo.h"
#include "raw/picture_file.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    if (size < 4) return 0;
    const GivenFile file({data, data + size}, "fuzzed");
    try {
        if (data[0] == 0xff)
            readJpegPicture(file, {});
        else if (data[0] == 0x89)
            readPngPicture(file, {});
        else
            readTiffPicture(file, {});
    } catch (const PhotoError&) {
    }
    return 0;
}
