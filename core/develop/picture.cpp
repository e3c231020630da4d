#include "develop/picture.h"

#include <algorithm>

#include "base/expects.h"

namespace irenic {

std::vector<std::uint8_t> inEightBits(const Picture& picture) {
    std::vector<std::uint8_t> out(picture.rgb.size());
    std::transform(picture.rgb.begin(), picture.rgb.end(), out.begin(),
                   [](std::uint16_t sample) { return inEightBits(sample); });
    return out;
}

Picture magnified(Picture picture, int scale) {
    IRENIC_EXPECTS(scale >= 1);
    if (scale == 1) return picture;
    Picture out(picture.width * scale, picture.height * scale);
    const std::ptrdiff_t line = static_cast<std::ptrdiff_t>(out.width) * 3;
    for (int y = 0; y < picture.height; ++y) {
        const std::uint16_t* from = picture.row(y);
        std::uint16_t *const first = out.row(y * scale), *to = first;
        for (int x = 0; x < picture.width; ++x, from += 3)
            for (int k = 0; k < scale; ++k) to = std::copy(from, from + 3, to);
        for (int k = 1; k < scale; ++k) std::copy(first, first + line, first + line * k);
    }
    return out;
}

} // namespace irenic
