#include "develop/file_rendering.h"

#include "base/shown_text.h"

#include <cstdio>
#include <vector>

namespace irenic {

std::string fileRendering(const Photo& photo) {
    std::string out;
    if (photo.baselineExposure != 0) {
        char stops[16];
        std::snprintf(stops, sizeof stops, "%+.2f", photo.baselineExposure);
        out = filled(IRENIC_TEXT("The file's baseline exposure of %1 EV is used."), {stops});
    }
    struct Part {
        std::uint16_t tag;
        const char* name;
    };
    static constexpr Part parts[] = {
        {0xc6fc, IRENIC_TEXT("tone curve")}, {0xc6f9, IRENIC_TEXT("hue and saturation table")},
        {0xc725, IRENIC_TEXT("look table")}, {0xcd2d, IRENIC_TEXT("gain table")},
        {0xcd40, IRENIC_TEXT("gain table")}, {0xcd3f, IRENIC_TEXT("colour tables")}};
    std::vector<std::string> left;
    for (const Part& p : parts)
        if (photo.metadata.dng(p.tag) && (left.empty() || left.back() != p.name)) left.emplace_back(p.name);
    if (left.empty()) return out;
    std::string list = left[0];
    for (std::size_t i = 1; i < left.size(); ++i) list += ", " + left[i];
    return out + (out.empty() ? "" : " ") + IRENIC_TEXT("A DNG keeps what is not used here of its profile") +
           ": " + list + ".";
}

} // namespace irenic
