#include "develop/fringes.h"

#include <algorithm>

#include "base/expects.h"
#include "image/smoothstep.h"

namespace irenic {

void removeFringes(std::array<Plane, 3>& rgb, const Work& work) {
    IRENIC_EXPECTS(rgb[1].width() == rgb[0].width() && rgb[2].width() == rgb[0].width() &&
                   rgb[1].height() == rgb[0].height() && rgb[2].height() == rgb[0].height());
    const int w = rgb[0].width(), h = rgb[0].height();
    constexpr int radius = 6;
    // The brightest green nearby.
    Plane across(w, h);
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            const float* g = rgb[1].row(y);
            float* q = across.row(y);
            std::copy(g, g + w, q);
            for (int k = 1; k <= radius; ++k)
                for (int x = radius; x < w - radius; ++x) q[x] = std::max(q[x], std::max(g[x - k], g[x + k]));
        }
    });
    const auto step = [](float from, float to, float v) { return smoothstep((v - from) / (to - from)); };
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = std::max(first, kFringeMargin); y < std::min(last, h - kFringeMargin); ++y)
            for (int x = kFringeMargin; x < w - kFringeMargin; ++x) {
                float &r = rgb[0].at(x, y), &b = rgb[2].at(x, y);
                const float g = rgb[1].at(x, y);
                if (r <= g || b <= g) continue;
                float brightest = across.at(x, y);
                for (int k = 1; k <= radius; ++k)
                    brightest = std::max(brightest, std::max(across.at(x, y - k), across.at(x, y + k)));
                const float share =
                    step(1.5f, 3, brightest / std::max(g, 1e-4f)) * step(0.25f, 0.5f, brightest);
                r -= share * (r - g), b -= share * (b - g);
            }
    });
}

} // namespace irenic
