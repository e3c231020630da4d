#include "overview/map_image.h"

#include <cmath>

#include "style/style.h"

namespace irenic {

QImage imageOf(const SquareMap& map) {
    if (map.share.empty()) return {};
    QImage out(map.across, map.down, QImage::Format_ARGB32);
    QColor colour = style::ochre().lighter(130);
    for (int y = 0; y < map.down; ++y)
        for (int x = 0; x < map.across; ++x) {
            colour.setAlphaF(map.at(x, y));
            out.setPixelColor(x, y, colour);
        }
    return out;
}

} // namespace irenic
