#include "develop/demosaic.h"

#include <cmath>

#include "develop/residual.h"

namespace irenic {

namespace {

// A small tile's working planes, all with the tile's padded size.
struct Tile {
    Plane raw, dh, dv, difference, green;
};

} // namespace

std::array<Plane, 3> demosaic(const Plane& mosaic, const Rect& covered, const Mosaic& pattern,
                              const Rect& area, Demosaic grade, const Work& work) {
    if (grade == Demosaic::Fine) return demosaicFine(mosaic, covered, pattern, area, work);
    std::array<Plane, 3> out = {Plane(area.width, area.height), Plane(area.width, area.height),
                                Plane(area.width, area.height)};
    constexpr int m = demosaicMargin(Demosaic::Quick), size = 64;
    forEachTile(area, size, work, [&](const Rect& whole) {
        const Rect tile = whole.intersected(area);
        const Rect pad = tile.inflated(m);
        const int w = pad.width, h = pad.height;
        Tile t{Plane(w, h), Plane(w, h), Plane(w, h), Plane(w, h), Plane(w, h)};
        for (int y = 0; y < h; ++y) {
            const float* from = mosaic.row(pad.y + y - covered.y) + (pad.x - covered.x);
            std::copy(from, from + w, t.raw.row(y));
        }
        const auto isGreen = [&](int x, int y) { return pattern.at(pad.x + x, pad.y + y) == Mosaic::Green; };

        // Colour differences (green minus the other colour) along rows and along columns, at every pixel.
        t.dh.fill(0), t.dv.fill(0), t.difference.fill(0), t.green.fill(0);
        for (int y = 2; y < h - 2; ++y) {
            const float *p = t.raw.row(y), *up = t.raw.row(y - 1), *up2 = t.raw.row(y - 2),
                        *dn = t.raw.row(y + 1), *dn2 = t.raw.row(y + 2);
            for (int x = 2; x < w - 2; ++x) {
                const float across = 0.5f * (p[x - 1] + p[x + 1]) + 0.25f * (2 * p[x] - p[x - 2] - p[x + 2]);
                const float along = 0.5f * (up[x] + dn[x]) + 0.25f * (2 * p[x] - up2[x] - dn2[x]);
                const float sign = isGreen(x, y) ? -1.0f : 1.0f;
                t.dh.at(x, y) = sign * (across - p[x]);
                t.dv.at(x, y) = sign * (along - p[x]);
            }
        }
        // Final difference at red and blue pixels.
        for (int y = 6; y < h - 6; ++y)
            for (int x = 6; x < w - 6; ++x) {
                if (isGreen(x, y)) continue;
                float west = 1e-10f, east = 1e-10f, north = 1e-10f, south = 1e-10f;
                for (int j = -2; j <= 2; ++j)
                    for (int i = -2; i <= 2; ++i) {
                        const float gh = std::abs(t.dh.at(x + i - 1, y + j) - t.dh.at(x + i + 1, y + j));
                        const float gv = std::abs(t.dv.at(x + i, y + j - 1) - t.dv.at(x + i, y + j + 1));
                        if (i <= 0) west += gh;
                        if (i >= 0) east += gh;
                        if (j <= 0) north += gv;
                        if (j >= 0) south += gv;
                    }
                const auto weight = [](float g) { return 1.0f / (g * g); };
                const float ww = weight(west), we = weight(east), wn = weight(north), ws = weight(south);
                constexpr float k[5] = {0.56f, 0.23f, 0.12f, 0.06f, 0.03f};
                float sw = 0, se = 0, sn = 0, ss = 0;
                for (int i = 0; i < 5; ++i) {
                    sw += k[i] * t.dh.at(x - i, y);
                    se += k[i] * t.dh.at(x + i, y);
                    sn += k[i] * t.dv.at(x, y - i);
                    ss += k[i] * t.dv.at(x, y + i);
                }
                const float d = (ww * sw + we * se + wn * sn + ws * ss) / (ww + we + wn + ws);
                t.difference.at(x, y) = d;
                t.green.at(x, y) = t.raw.at(x, y) + d;
            }
        for (int y = 6; y < h - 6; ++y)
            for (int x = 6; x < w - 6; ++x)
                if (isGreen(x, y)) t.green.at(x, y) = t.raw.at(x, y);

        for (int y = m; y < h - m; ++y)
            for (int x = m; x < w - m; ++x) {
                const float g = t.green.at(x, y);
                const auto diff = [&](int i, int j) { return t.difference.at(x + i, y + j); };
                float rgb[3] = {0, g, 0};
                const Mosaic::Colour own = pattern.at(pad.x + x, pad.y + y);
                if (own == Mosaic::Green) {
                    const Mosaic::Colour beside = pattern.at(pad.x + x + 1, pad.y + y);
                    const Mosaic::Colour above = beside == Mosaic::Red ? Mosaic::Blue : Mosaic::Red;
                    rgb[beside] = g - 0.5f * (diff(-1, 0) + diff(1, 0));
                    rgb[above] = g - 0.5f * (diff(0, -1) + diff(0, 1));
                } else {
                    rgb[own] = t.raw.at(x, y);
                    // The other colour's differences stand on the diagonals (the paper's 7x7 weights).
                    const float near = diff(-1, -1) + diff(1, -1) + diff(-1, 1) + diff(1, 1);
                    const float far = diff(-1, -3) + diff(1, -3) + diff(-1, 3) + diff(1, 3) + diff(-3, -1) +
                                      diff(3, -1) + diff(-3, 1) + diff(3, 1);
                    rgb[own == Mosaic::Red ? 2 : 0] = g - (0.3125f * near - 0.03125f * far);
                }
                const int ox = pad.x + x - area.x, oy = pad.y + y - area.y;
                for (std::size_t c = 0; c < 3; ++c) out[c].at(ox, oy) = rgb[c];
            }
    });
    return out;
}

} // namespace irenic
