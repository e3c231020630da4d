// Raw files: tags, levels, tiles, opcodes, and a look at what was read.
#include "develop/render.h"
#include "measure/open.h"
#include "memory_file.h"
#include "raw/opcodes.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    const fuzz::MemoryFile file(data, size);
    try {
        const PhotoPtr photo = readPhoto(file.path(), {}, Measure::Nothing);
        opcodesOf(*photo);
        // Most are only read, for there is more to find in many files: every eighth is looked at, if it is
        // small.
        if (size % 8 != 0 || static_cast<long long>(photo->width()) * photo->height() > 4000) return 0;
        const PhotoPtr measured = readPhoto(file.path());
        const Look look = lookFromText("distortion,vignetting,chromatic,fringes,exposure=0.5,demosaic=quick");
        const Rect area = Rect{2, 2, 24, 20}.intersected({0, 0, measured->width(), measured->height()});
        render(recipeOf(*measured, {"wavelet"}, look), area, 1);
        renderOverview(*measured, look, 32);
    } catch (const PhotoError&) {
        // Refused with a sentence: as it should be.
    }
    return 0;
}
