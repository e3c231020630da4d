// Raw files: tags, levels, tiles, opcodes, and a look at what was read.
#include "develop/render.h"
#include "memory_file.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    const fuzz::MemoryFile file(data, size);
    try {
        const PhotoPtr photo = readPhoto(file.path(), {}, Measure::Nothing);
        // What is large is only read: there is more to find in many small ones.
        if (static_cast<long long>(photo->width()) * photo->height() > 20000) return 0;
        const PhotoPtr measured = readPhoto(file.path());
        const Look look = lookFromText("distortion,vignetting,chromatic,fringes,exposure=0.5,softness=hair");
        const Rect area = Rect{2, 2, 24, 20}.intersected({0, 0, measured->width(), measured->height()});
        renderRegion(*measured, {"wavelet"}, look, area, 1);
        renderOverview(*measured, look, 32);
    } catch (const PhotoError&) {
        // Refused with a sentence: as it should be.
    }
    return 0;
}
