// Lists of opcodes, and the corrections that follow from them.
#include "raw/opcodes.h"
#include "develop/lens.h"
#include "sensor.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    static const Photo field = [] {
        Plane truth(48, 40);
        truth.fill(0.2f);
        return takePhoto(truth, {}, {});
    }();
    Photo photo = field;
    photo.metadata.mosaic = {{0xc740, 7, static_cast<std::uint32_t>(size), {data, data + size}}};
    for (const GainMap& map : opcodesOf(photo).gains)
        for (int i = 0; i < 40; ++i) map.at(i, i);
    const LensFound found = lensOf(photo);
    if (!found.lens) return 0;
    float pairs[2], factor;
    for (const double x : {0.0, 23.0, 47.0}) {
        found.lens->sources(x, x / 2, 1, pairs);
        found.lens->shifts(0, x, x / 2, 1, pairs);
        found.lens->gains(x, x / 2, 1, &factor);
    }
    Look look;
    look.distortion = true;
    framingOf(photo, look);
    return 0;
}
