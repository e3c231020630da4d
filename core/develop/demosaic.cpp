#include "develop/demosaic.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "develop/residual.h"
#include "image/tiles.h"
#include "image/wide.h"

namespace irenic {

namespace {

constexpr int kMargin = demosaicMargin(Demosaic::Quick), kTile = 128, kWide = kTile + 2 * kMargin + 16;

// Of both rows of a mosaic's pattern: -1 where green stands and 1 elsewhere; and the colour beside green.
struct Sites {
    float sign[2][kWide];
    Mosaic::Colour beside[2];
};

Sites sitesOf(const Mosaic& pattern, const Rect& pad) {
    Sites out{};
    for (int y = 0; y < 2; ++y)
        for (int x = 0; x < kWide; ++x) {
            const Mosaic::Colour colour = pattern.at(pad.x + x, pad.y + y);
            out.sign[y][x] = colour == Mosaic::Green ? -1.0f : 1.0f;
            if (colour != Mosaic::Green) out.beside[y] = colour;
        }
    return out;
}

// Colour differences (green minus the other colour) along the row and along the columns, at every pixel.
// `p` is the row with the two above and below it.
IRENIC_WIDE void differences(const float* const* p, const float* __restrict sign, float* __restrict across,
                             float* __restrict along, int w) {
    const float *up2 = p[-2], *up = p[-1], *own = p[0], *down = p[1], *down2 = p[2];
    for (int x = 2; x < w - 2; ++x) {
        const float h = 0.5f * (own[x - 1] + own[x + 1]) + 0.25f * (2 * own[x] - own[x - 2] - own[x + 2]);
        const float v = 0.5f * (up[x] + down[x]) + 0.25f * (2 * own[x] - up2[x] - down2[x]);
        across[x] = sign[x] * (h - own[x]);
        along[x] = sign[x] * (v - own[x]);
    }
}

// How much the differences change: along the row, and along the columns, there summed over five of a row.
IRENIC_WIDE void changes(const float* __restrict across, const float* __restrict alongAbove,
                         const float* __restrict alongBelow, float* __restrict ofRow,
                         float* __restrict ofColumns, float* __restrict room, int w) {
    for (int x = 3; x < w - 3; ++x) {
        ofRow[x] = std::abs(across[x - 1] - across[x + 1]);
        room[x] = std::abs(alongAbove[x] - alongBelow[x]);
    }
    for (int x = 5; x < w - 5; ++x)
        ofColumns[x] = ((room[x - 2] + room[x - 1]) + (room[x + 1] + room[x + 2])) + room[x];
}

// The rows around one that its final differences are made of; [0] is its own.
struct Around {
    const float *const *across, *const *along, *const *changeOfRow, *const *changeOfColumns;
};

// The final difference, which is kept at red and blue pixels alone, and green.
IRENIC_WIDE void average(const Around& of, const float* __restrict raw, const float* __restrict sign,
                         float* __restrict difference, float* __restrict green, float* __restrict room,
                         int w) {
    constexpr float k[5] = {0.56f, 0.23f, 0.12f, 0.06f, 0.03f}; // the paper's
    const float *r0 = of.changeOfRow[-2], *r1 = of.changeOfRow[-1], *r2 = of.changeOfRow[0],
                *r3 = of.changeOfRow[1], *r4 = of.changeOfRow[2];
    for (int x = 3; x < w - 3; ++x) room[x] = ((r0[x] + r1[x]) + (r3[x] + r4[x])) + r2[x];
    const float *c0 = of.changeOfColumns[-2], *c1 = of.changeOfColumns[-1], *c2 = of.changeOfColumns[0],
                *c3 = of.changeOfColumns[1], *c4 = of.changeOfColumns[2];
    const float* h = of.across[0];
    const float *v = of.along[0], *n1 = of.along[-1], *n2 = of.along[-2], *n3 = of.along[-3],
                *n4 = of.along[-4], *s1 = of.along[1], *s2 = of.along[2], *s3 = of.along[3],
                *s4 = of.along[4];
    // Below this, which no eye sees, all directions change alike; its sixth power is a normal number yet.
    constexpr float least = 1e-5f;
    for (int x = 6; x < w - 6; ++x) {
        const float west = least + room[x - 2] + room[x - 1] + room[x],
                    east = least + room[x + 2] + room[x + 1] + room[x], north = least + c0[x] + c1[x] + c2[x],
                    south = least + c4[x] + c3[x] + c2[x];
        // Weights are one over the squares; times all four squares they take one division, not five.
        const float we2 = (west * east) * (west * east), ns2 = (north * south) * (north * south);
        const float ww = east * east * ns2, we = west * west * ns2, wn = south * south * we2,
                    ws = north * north * we2;
        const float sw = k[0] * h[x] + k[1] * h[x - 1] + k[2] * h[x - 2] + k[3] * h[x - 3] + k[4] * h[x - 4];
        const float se = k[0] * h[x] + k[1] * h[x + 1] + k[2] * h[x + 2] + k[3] * h[x + 3] + k[4] * h[x + 4];
        const float sn = k[0] * v[x] + k[1] * n1[x] + k[2] * n2[x] + k[3] * n3[x] + k[4] * n4[x];
        const float ss = k[0] * v[x] + k[1] * s1[x] + k[2] * s2[x] + k[3] * s3[x] + k[4] * s4[x];
        const float d = (ww * sw + we * se + wn * sn + ws * ss) / (ww + we + wn + ws);
        const float kept = sign[x] < 0 ? 0.0f : d;
        difference[x] = kept;
        green[x] = raw[x] + kept;
    }
}

// Red and blue of a row: `beside` is the colour that stands in it, `above` the other. `d` are the rows of
// differences around it.
IRENIC_WIDE void colours(const float* const* d, const float* __restrict raw, const float* __restrict green,
                         const float* __restrict sign, float* __restrict beside, float* __restrict above,
                         int from, int count) {
    const float *up3 = d[-3], *up = d[-1], *own = d[0], *down = d[1], *down3 = d[3];
    for (int i = 0; i < count; ++i) {
        const int x = from + i;
        const float rows = 0.5f * (own[x - 1] + own[x + 1]), columns = 0.5f * (up[x] + down[x]);
        // The other colour's differences stand on the diagonals (the paper's 7x7 weights).
        const float near = (up[x - 1] + up[x + 1]) + (down[x - 1] + down[x + 1]);
        const float far = ((up3[x - 1] + up3[x + 1]) + (down3[x - 1] + down3[x + 1])) +
                          ((up[x - 3] + up[x + 3]) + (down[x - 3] + down[x + 3]));
        const float diagonals = 0.3125f * near - 0.03125f * far;
        const bool isGreen = sign[x] < 0;
        beside[i] = isGreen ? green[x] - rows : raw[x];
        above[i] = green[x] - (isGreen ? columns : diagonals);
    }
}

// A small tile's working planes, all with the tile's padded size, by rows.
class Working {
  public:
    Working(int w, int h) : plane_(w, h), row_(static_cast<std::size_t>(h)) {
        plane_.fill(0);
        for (int y = 0; y < h; ++y) row_[static_cast<std::size_t>(y)] = plane_.row(y);
    }
    float* row(int y) { return plane_.row(y); }
    // The row's address among those of its neighbours.
    const float* const* around(int y) const { return row_.data() + y; }

  private:
    Plane plane_;
    std::vector<const float*> row_;
};

void demosaicTile(const Plane& mosaic, const Rect& covered, const Mosaic& pattern, const Rect& area,
                  const Rect& tile, std::array<Plane, 3>& out) {
    const Rect pad = tile.inflated(kMargin);
    const int w = pad.width, h = pad.height;
    const Sites sites = sitesOf(pattern, pad);
    Working raw(w, h), across(w, h), along(w, h), ofRow(w, h), ofColumns(w, h), difference(w, h), green(w, h);
    Plane room(w, 1);
    for (int y = 0; y < h; ++y)
        std::copy_n(mosaic.row(pad.y + y - covered.y) + (pad.x - covered.x), w, raw.row(y));
    for (int y = 2; y < h - 2; ++y)
        differences(raw.around(y), sites.sign[y & 1], across.row(y), along.row(y), w);
    for (int y = 3; y < h - 3; ++y)
        changes(across.row(y), along.row(y - 1), along.row(y + 1), ofRow.row(y), ofColumns.row(y),
                room.row(0), w);
    for (int y = 6; y < h - 6; ++y)
        average({across.around(y), along.around(y), ofRow.around(y), ofColumns.around(y)}, raw.row(y),
                sites.sign[y & 1], difference.row(y), green.row(y), room.row(0), w);
    for (int y = kMargin; y < h - kMargin; ++y) {
        const int row = pad.y + y - area.y, column = tile.x - area.x;
        const std::size_t beside = sites.beside[y & 1], above = 2 - beside;
        colours(difference.around(y), raw.row(y), green.row(y), sites.sign[y & 1],
                out[beside].row(row) + column, out[above].row(row) + column, kMargin, tile.width);
        std::copy_n(green.row(y) + kMargin, tile.width, out[1].row(row) + column);
    }
}

} // namespace

std::array<Plane, 3> demosaic(const Plane& mosaic, const Rect& covered, const Mosaic& pattern,
                              const Rect& area, Demosaic grade, const Work& work) {
    IRENIC_EXPECTS(covered.contains(area.inflated(demosaicMargin(grade))) &&
                   mosaic.width() == covered.width && mosaic.height() == covered.height);
    if (grade == Demosaic::Fine) return demosaicFine(mosaic, covered, pattern, area, work);
    std::array<Plane, 3> out = {Plane(area.width, area.height), Plane(area.width, area.height),
                                Plane(area.width, area.height)};
    forEachTile(area, kTile, work, [&](const Rect& whole) {
        demosaicTile(mosaic, covered, pattern, area, whole.intersected(area), out);
    });
    return out;
}

} // namespace irenic
