#include "dark.h"

#include <cmath>

namespace irenic {

Photo takeDark(const Body& body, const Shot& shot, int width, int height) {
    Plane covered(width, height);
    covered.fill(0);
    return takePhoto(covered, body, shot);
}

DarkFrame takeDarkFrames(const Body& body, const Shot& shot, int width, int height, int count) {
    DarkFrame out;
    out.frames = count, out.scale = 4;
    std::vector<std::uint32_t> sum;
    for (int i = 0; i < count; ++i) {
        Shot own = shot;
        own.seed += static_cast<std::uint32_t>(i);
        const Photo photo = takeDark(body, own, width, height);
        out.camera = photo.camera(), out.iso = photo.iso, out.exposure = photo.exposure;
        out.rawWidth = photo.rawWidth, out.rawHeight = photo.rawHeight;
        sum.resize(photo.samples.size());
        for (std::size_t k = 0; k < sum.size(); ++k) sum[k] += photo.samples[k];
    }
    for (const std::uint32_t s : sum)
        out.level.push_back(
            static_cast<std::uint16_t>(std::lround(static_cast<double>(s) * out.scale / count)));
    return out;
}

} // namespace irenic
