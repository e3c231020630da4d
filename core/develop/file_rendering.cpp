#include "develop/file_rendering.h"

#include <cstdio>
#include <vector>

namespace irenic {

std::string fileRendering(const Photo& photo) {
    std::string out;
    if (photo.baselineExposure != 0) {
        char text[64];
        std::snprintf(text, sizeof text, "The file's baseline exposure, %+.2f EV, is used.",
                      photo.baselineExposure);
        out = text;
    }
    struct Part {
        std::uint16_t tag;
        const char* name;
    };
    static constexpr Part parts[] = {{0xc6fc, "tone curve"}, {0xc6f9, "hue and saturation table"},
                                     {0xc725, "look table"}, {0xcd2d, "gain table"},
                                     {0xcd40, "gain table"}, {0xcd3f, "colour tables"}};
    std::vector<std::string> left;
    for (const Part& p : parts)
        if (photo.metadata.dng(p.tag) && (left.empty() || left.back() != p.name)) left.emplace_back(p.name);
    if (left.empty()) return out;
    std::string list = left[0];
    for (std::size_t i = 1; i < left.size(); ++i) list += (i + 1 == left.size() ? " and " : ", ") + left[i];
    return out + (out.empty() ? "" : " ") + "Its profile's " + list + (left.size() > 1 ? " are" : " is") +
           " not used here; a DNG keeps " + (left.size() > 1 ? "them." : "it.");
}

} // namespace irenic
