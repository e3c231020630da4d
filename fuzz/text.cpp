// What is read from text: looks, takes, curves.
#include <string>

#include "base/text.h"
#include "develop/finish.h"
#include "session/take.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    if (size == 0) return 0;
    const std::string text(data + 1, data + size);
    utf8Of(text), shownName(text);
    try {
        const Look look = lookFromText(text);
        if (!(lookFromText(textOf(look)) == look)) __builtin_trap();
        const Contrast contrast(look.curve);
        for (const float v : {0.0f, 0.3f, 1.0f}) contrast(v);
    } catch (const std::invalid_argument&) {
    }
    try {
        const Settings settings = settingsFromText(text);
        settingsFromText(textOf(settings));
    } catch (const std::invalid_argument&) {
    }
    return 0;
}
