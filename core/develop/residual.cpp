#include "develop/residual.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "base/expects.h"
#include "image/tiles.h"
#include "image/wide.h"

namespace irenic {

namespace {

// Sums of 2 R + 1 samples of a row, always in the same order, so that a sample's sum does not depend on where
// the row begins; zero where the window does not fit.
template <int R> IRENIC_PART void sumAlong(const float* __restrict p, float* __restrict q, int w) {
    std::fill(q, q + std::min(R, w), 0.0f);
    for (int i = R; i < w - R; ++i) {
        const float* s = p + i - R;
        float sum = (s[0] + s[1]) + (s[2] + s[3]);
        if constexpr (R >= 4) sum += (s[4] + s[5]) + (s[6] + s[7]);
        if constexpr (R == 5) sum += s[8] + s[9];
        q[i] = sum + s[2 * R];
    }
    std::fill(q + std::max(0, w - R), q + w, 0.0f);
}

// The last few rows of several quantities, each row summed along itself already.
class Rows {
  public:
    Rows(int quantities, int rows, int width)
        : rows_(rows), stride_(static_cast<std::size_t>(width + 31) / 16 * 16),
          values_(static_cast<std::size_t>(quantities * rows) * stride_, 0.0f) {}
    float* at(int quantity, int y) {
        return values_.data() + static_cast<std::size_t>(quantity * rows_ + y % rows_) * stride_;
    }

  private:
    int rows_;
    std::size_t stride_;
    std::vector<float> values_;
};

// The sum of the rows y - RY, y - RY + STEP ... y + RY of one quantity.
template <int RY, int STEP>
IRENIC_PART void sumRows(Rows& rows, int quantity, int y, float* __restrict out, int w) {
    constexpr int kCount = 2 * RY / STEP + 1;
    const float* r[kCount];
    for (int k = 0; k < kCount; ++k) r[k] = rows.at(quantity, y - RY + k * STEP);
    for (int i = 0; i < w; ++i) {
        float sum = r[0][i];
        for (int k = 1; k < kCount; ++k) sum += r[k][i];
        out[i] = sum;
    }
}

// What the fits of a window are made of: their rows while they are worked on.
enum Term { kCount, kGl, kGg, kSd, kSg, kDd, kGd, kG2, kTerms };
enum Line { kWeight, kSlope, kShift, kLines };

IRENIC_PART void termsRow(const float* __restrict guide, const float* __restrict known,
                          const float* __restrict mask, const float* __restrict lapGuide,
                          const float* __restrict lapKnown, const std::array<float*, kTerms>& t, int n) {
    for (int i = 0; i < n; ++i) {
        const float m = mask[i], g = guide[i], d = known[i] - g, l = m * lapGuide[i], md = m * d, mg = m * g;
        t[kCount][i] = m;
        t[kGl][i] = l * lapKnown[i];
        t[kGg][i] = l * lapGuide[i];
        t[kSd][i] = md;
        t[kSg][i] = mg;
        t[kDd][i] = md * d;
        t[kGd][i] = mg * d;
        t[kG2][i] = mg * g;
    }
}

// The line of each window: its weight, and that times slope (less 1) and shift.
IRENIC_PART void linesRow(const std::array<float*, kTerms>& t, const std::array<float*, kLines>& line,
                          int count) {
    for (int i = 0; i < count; ++i) {
        constexpr float tiny = 1e-9f;
        const float share = 1 / std::max(t[kCount][i], 1.0f);
        const float a = (t[kGl][i] + tiny) / (t[kGg][i] + tiny) - 1;
        const float md = t[kSd][i] * share, mg = t[kSg][i] * share;
        const float vd = t[kDd][i] * share - md * md, vg = t[kG2][i] * share - mg * mg,
                    cov = t[kGd][i] * share - md * mg;
        const float left = std::max(0.0f, vd - 2 * a * cov + a * a * vg);
        const float w = t[kCount][i] < 1 ? 0 : 1 / (left + 1e-6f);
        line[kWeight][i] = w, line[kSlope][i] = w * a, line[kShift][i] = w * (md - a * mg);
    }
}

struct Guided {
    const Plane &guide, &known, &mask, &lapGuide, &lapKnown;
};

// `mask` is 1 where `known` counts. Predicts `known` everywhere from `guide`: in every window of 2 RX + 1
// columns and the rows y - RY, y - RY + STEP ... y + RY the line whose slope fits the Laplacians best, lines
// averaged with weights that fall with what they leave. Row after row, so that what is summed over stays in
// the fastest memory.
template <int RX, int RY, int STEP> IRENIC_PART void predictRows(const Guided& in, Plane& out) {
    const int w = in.guide.width(), h = in.guide.height();
    constexpr int kHeld = 2 * RY + 1;
    Rows terms(kTerms, kHeld, w), lines(kLines, kHeld, w),
        room(static_cast<int>(kTerms) + static_cast<int>(kLines), 1, w);
    std::array<float*, kTerms> t{};
    std::array<float*, kLines> line{};
    for (int k = 0; k < kTerms; ++k) t[static_cast<std::size_t>(k)] = room.at(k, 0);
    for (int k = 0; k < kLines; ++k)
        line[static_cast<std::size_t>(k)] = room.at(static_cast<int>(kTerms) + k, 0);
    for (int y = 0; y < h + 2 * RY; ++y) {
        if (y < h) {
            termsRow(in.guide.row(y), in.known.row(y), in.mask.row(y), in.lapGuide.row(y), in.lapKnown.row(y),
                     t, w);
            for (int k = 0; k < kTerms; ++k) sumAlong<RX>(t[static_cast<std::size_t>(k)], terms.at(k, y), w);
        }
        // The windows around this row are complete, or do not fit.
        const int middle = y - RY;
        if (middle < 0) continue;
        if (middle >= RY && middle < h - RY) {
            for (int k = 0; k < kTerms; ++k)
                sumRows<RY, STEP>(terms, k, middle, t[static_cast<std::size_t>(k)], w);
            linesRow(t, line, w);
            for (int k = 0; k < kLines; ++k)
                sumAlong<RX>(line[static_cast<std::size_t>(k)], lines.at(k, middle), w);
        } else {
            for (int k = 0; k < kLines; ++k) std::fill_n(lines.at(k, middle), w, 0.0f);
        }
        const int row = middle - RY;
        if (row < 0 || row >= h) continue;
        const float* g = in.guide.row(row);
        float* p = out.row(row);
        if (row < RY || row >= h - RY) {
            std::copy_n(g, w, p);
            continue;
        }
        for (int k = 0; k < kLines; ++k)
            sumRows<RY, STEP>(lines, k, row, line[static_cast<std::size_t>(k)], w);
        for (int i = 0; i < w; ++i) {
            const float weight = line[kWeight][i];
            const float step = (line[kSlope][i] * g[i] + line[kShift][i]) / std::max(weight, 1e-30f);
            p[i] = weight > 0 ? g[i] + step : g[i];
        }
    }
}

IRENIC_WIDE void predictAlong(const Guided& in, Plane& out) { predictRows<4, 2, 2>(in, out); }
IRENIC_WIDE void predictAround(const Guided& in, Plane& out) { predictRows<5, 5, 1>(in, out); }

// Calls row(y) for every row of a new plane, which fills it.
template <class F> Plane made(int w, int h, const F& row) {
    Plane out(w, h);
    for (int y = 0; y < h; ++y) row(out.row(y), y);
    return out;
}

Plane transposed(const Plane& in) {
    constexpr int kBlock = 16; // samples of a line of the cache
    Plane out(in.height(), in.width());
    for (int top = 0; top < in.height(); top += kBlock)
        for (int left = 0; left < in.width(); left += kBlock)
            for (int x = left; x < std::min(left + kBlock, in.width()); ++x)
                for (int y = top; y < std::min(top + kBlock, in.height()); ++y) out.at(y, x) = in.at(x, y);
    return out;
}

// The samples where `own` is 1, and halfway between their neighbours elsewhere.
IRENIC_WIDE void filledRow(const float* raw, const float* own, float* out, int w) {
    for (int x = 1; x < w - 1; ++x) out[x] = own[x] > 0 ? raw[x] : 0.5f * (raw[x - 1] + raw[x + 1]);
    for (const int x : {0, w - 1}) out[x] = own[x] > 0 ? raw[x] : 0;
}

IRENIC_WIDE void laplacianRow(const float* p, float* out, int w) {
    for (int x = 2; x < w - 2; ++x) out[x] = 2 * p[x] - p[x - 2] - p[x + 2];
    out[0] = out[1] = out[w - 2] = out[w - 1] = 0;
}

IRENIC_WIDE void oppositeRow(const float* mask, float* out, int w) {
    for (int x = 0; x < w; ++x) out[x] = 1 - mask[x];
}

// Green less the other colour: what the prediction left of the neighbours is filled in halfway between them.
IRENIC_WIDE void differencesRow(const float* raw, const float* green, const float* gp, const float* cp,
                                float* out, int w) {
    out[0] = out[w - 1] = 0;
    for (int x = 1; x < w - 1; ++x) {
        const float sides = raw[x - 1] + raw[x + 1];
        const float g = gp[x] + 0.5f * (sides - gp[x - 1] - gp[x + 1]);
        const float c = cp[x] + 0.5f * (sides - cp[x - 1] - cp[x + 1]);
        out[x] = green[x] > 0 ? raw[x] - c : g - raw[x];
    }
}

// Green minus the row's other colour, at every pixel, from its row and the two like it above and below.
Plane differencesAlongRows(const Plane& raw, const Plane& green) {
    const int w = raw.width(), h = raw.height();
    const Plane other = made(w, h, [&](float* out, int y) { oppositeRow(green.row(y), out, w); });
    const Plane g = made(w, h, [&](float* out, int y) { filledRow(raw.row(y), green.row(y), out, w); });
    const Plane c = made(w, h, [&](float* out, int y) { filledRow(raw.row(y), other.row(y), out, w); });
    const Plane lg = made(w, h, [&](float* out, int y) { laplacianRow(g.row(y), out, w); });
    const Plane lc = made(w, h, [&](float* out, int y) { laplacianRow(c.row(y), out, w); });
    Plane cp(w, h), gp(w, h);
    predictAlong({g, c, other, lg, lc}, cp);
    predictAlong({c, g, green, lc, lg}, gp);
    return made(w, h, [&](float* out, int y) {
        differencesRow(raw.row(y), green.row(y), gp.row(y), cp.row(y), out, w);
    });
}

// How restless differences are around each pixel: 5x5 sums of their central differences' size, from rows
// y - 2 ... y + 2 of `steps`.
IRENIC_WIDE void stepsAcross(const float* d, float* out, int w) {
    out[0] = out[w - 1] = 0;
    for (int x = 1; x < w - 1; ++x) out[x] = std::abs(d[x - 1] - d[x + 1]);
}
IRENIC_WIDE void stepsDown(const float* above, const float* below, float* out, int w) {
    for (int x = 0; x < w; ++x) out[x] = std::abs(above[x] - below[x]);
}
IRENIC_WIDE void sumOfFive(const Plane& in, Plane& out) {
    const int w = in.width(), h = in.height();
    Rows rows(1, 5, w);
    for (int y = 0; y < h; ++y) {
        sumAlong<2>(in.row(y), rows.at(0, y), w);
        if (y >= 4) sumRows<2, 1>(rows, 0, y - 2, out.row(y - 2), w);
    }
    for (const int y : {0, 1, h - 2, h - 1}) std::fill_n(out.row(y), w, 0.0f);
}

// Green where it is not known, in the middle of the plane: both directions together, each of the four sides
// weighted by the calm of its differences.
IRENIC_WIDE void greenRow(int y, const Plane& raw, const Plane& isGreen, const Plane& dh, const Plane& dv,
                          const Plane& sh, const Plane& sv, float* out) {
    const int w = raw.width();
    const float *p = raw.row(y), *own = isGreen.row(y), *across = dh.row(y), *calm = sh.row(y),
                *above = sv.row(y - 2), *below = sv.row(y + 2);
    const float* down[9];
    for (int k = 0; k < 9; ++k) down[k] = dv.row(y + k - 4);
    constexpr float k0 = 0.56f, k1 = 0.23f, k2 = 0.12f, k3 = 0.06f, k4 = 0.03f;
    for (int x = 6; x < w - 6; ++x) {
        const float* a = across + x;
        const float ww = 1 / (calm[x - 2] * calm[x - 2] + 1e-10f),
                    we = 1 / (calm[x + 2] * calm[x + 2] + 1e-10f), wn = 1 / (above[x] * above[x] + 1e-10f),
                    ws = 1 / (below[x] * below[x] + 1e-10f);
        const float sw = k0 * a[0] + k1 * a[-1] + k2 * a[-2] + k3 * a[-3] + k4 * a[-4],
                    se = k0 * a[0] + k1 * a[1] + k2 * a[2] + k3 * a[3] + k4 * a[4],
                    sn = k0 * down[4][x] + k1 * down[3][x] + k2 * down[2][x] + k3 * down[1][x] +
                         k4 * down[0][x],
                    ss = k0 * down[4][x] + k1 * down[5][x] + k2 * down[6][x] + k3 * down[7][x] +
                         k4 * down[8][x];
        const float d = (ww * sw + we * se + wn * sn + ws * ss) / (ww + we + wn + ws);
        out[x] = own[x] > 0 ? p[x] : p[x] + d;
    }
}

IRENIC_WIDE void laplacianRow(const Plane& in, int y, float* out) {
    const int w = in.width();
    const float *p = in.row(y), *above = in.row(y - 2), *below = in.row(y + 2);
    for (int x = 2; x < w - 2; ++x) out[x] = 4 * p[x] - p[x - 2] - p[x + 2] - above[x] - below[x];
    out[0] = out[1] = out[w - 2] = out[w - 1] = 0;
}

Plane laplacian(const Plane& in) {
    const int w = in.width(), h = in.height();
    return made(w, h, [&](float* out, int y) {
        if (y < 2 || y >= h - 2)
            std::fill_n(out, w, 0.0f);
        else
            laplacianRow(in, y, out);
    });
}

IRENIC_WIDE void leftRow(const float* raw, const float* p, const float* mask, float* out, int w) {
    for (int x = 0; x < w; ++x) out[x] = mask[x] * (raw[x] - p[x]);
}

// The prediction and, bilinear between its samples (of each, of two, or of four), what it left.
IRENIC_WIDE void restoredRow(const float* p, const float* above, const float* left, const float* below,
                             float* out, int w) {
    for (int x = 0; x < w; ++x)
        out[x] = p[x] + left[x] + 0.5f * (left[x - 1] + left[x + 1] + above[x] + below[x]) +
                 0.25f * (above[x - 1] + above[x + 1] + below[x - 1] + below[x + 1]);
}

// Beside burnt-out light predictions swing far beyond what the sensor saw, and leave black dashes along its
// edge. There (where a sample of the colour, at most two pixels away, is that bright) a value hardly leaves
// the range of the samples next to it.
constexpr float kLight = 0.6f, kBeyond = 0.1f;

// The brightest samples of any colour of the rows y - 2 ... y + 2.
IRENIC_WIDE void brightestRow(const Plane& raw, int y, float* out) {
    const float *a = raw.row(y - 2), *b = raw.row(y - 1), *c = raw.row(y), *d = raw.row(y + 1),
                *e = raw.row(y + 2);
    for (int x = 0; x < raw.width(); ++x)
        out[x] = std::max(std::max(std::max(a[x], b[x]), std::max(c[x], d[x])), e[x]);
}

float limited(const Plane& raw, const Plane& mask, int x, int y, float value) {
    float low = 1e9f, high = -1e9f, brightest = -1e9f;
    for (int v = y - 2; v <= y + 2; ++v)
        for (int u = x - 2; u <= x + 2; ++u) {
            if (mask.at(u, v) == 0) continue;
            const float sample = raw.at(u, v);
            brightest = std::max(brightest, sample);
            if (std::max(std::abs(u - x), std::abs(v - y)) < 2)
                low = std::min(low, sample), high = std::max(high, sample);
        }
    if (brightest < kLight) return value;
    return std::clamp(value, low - kBeyond * std::abs(low), high + kBeyond * std::abs(high));
}

void limitNearLight(const Plane& raw, const std::array<Plane, 3>& masks, const Rect& inner,
                    const Rect& target, std::array<Plane, 3>& out) {
    std::vector<float> brightest(static_cast<std::size_t>(raw.width()));
    for (int y = 0; y < inner.height; ++y) {
        brightestRow(raw, inner.y + y, brightest.data());
        const float* from = brightest.data() + inner.x;
        for (int x = 0; x < inner.width; ++x) {
            if (std::max(std::max(std::max(from[x - 2], from[x - 1]), std::max(from[x], from[x + 1])),
                         from[x + 2]) < kLight)
                continue;
            for (std::size_t c = 0; c < 3; ++c) {
                float& value = out[c].at(target.x + x, target.y + y);
                value = limited(raw, masks[c], inner.x + x, inner.y + y, value);
            }
        }
    }
}

} // namespace

std::array<Plane, 3> demosaicFine(const Plane& mosaic, const Rect& covered, const Mosaic& pattern,
                                  const Rect& area, const Work& work) {
    IRENIC_EXPECTS(covered.contains(area) && mosaic.width() == covered.width &&
                   mosaic.height() == covered.height);
    std::array<Plane, 3> out = {Plane(area.width, area.height), Plane(area.width, area.height),
                                Plane(area.width, area.height)};
    // As large as the fast memory of a core holds the planes of, since margins are worked on too.
    constexpr int m = demosaicMargin(Demosaic::Fine), size = 256;
    forEachTile(area, size, work, [&](const Rect& whole) {
        const Rect tile = whole.intersected(area), pad = tile.inflated(m);
        const int w = pad.width, h = pad.height;
        const Plane raw = mosaic.cropped(pad.translated(-covered.x, -covered.y));
        const auto maskOf = [&](Mosaic::Colour c) {
            return made(w, h, [&](float* to, int y) {
                for (int x = 0; x < w; ++x) to[x] = pattern.at(pad.x + x, pad.y + y) == c ? 1.0f : 0.0f;
            });
        };
        const Plane isGreen = maskOf(Mosaic::Green);
        const Plane dh = differencesAlongRows(raw, isGreen),
                    dv = transposed(differencesAlongRows(transposed(raw), transposed(isGreen)));
        work.check();
        const Plane across = made(w, h, [&](float* to, int y) { stepsAcross(dh.row(y), to, w); });
        const Plane down = made(w, h, [&](float* to, int y) {
            if (y == 0 || y == h - 1)
                std::fill_n(to, w, 0.0f);
            else
                stepsDown(dv.row(y - 1), dv.row(y + 1), to, w);
        });
        Plane sh(w, h), sv(w, h);
        sumOfFive(across, sh), sumOfFive(down, sv);
        Plane green = raw.clone();
        for (int y = 6; y < h - 6; ++y) greenRow(y, raw, isGreen, dh, dv, sh, sv, green.row(y));
        work.check();
        const Plane lapGreen = laplacian(green),
                    lapRaw = laplacian(raw); // the raw's own colour stands two samples away again
        const Rect inner = tile.translated(-pad.x, -pad.y), target = tile.translated(-area.x, -area.y);
        for (const Mosaic::Colour c : {Mosaic::Red, Mosaic::Blue}) {
            const Plane mask = maskOf(c);
            Plane p(w, h);
            predictAround({green, raw, mask, lapGreen, lapRaw}, p);
            const Plane left =
                made(w, h, [&](float* to, int y) { leftRow(raw.row(y), p.row(y), mask.row(y), to, w); });
            for (int y = 0; y < inner.height; ++y) {
                const int v = inner.y + y;
                restoredRow(p.row(v) + inner.x, left.row(v - 1) + inner.x, left.row(v) + inner.x,
                            left.row(v + 1) + inner.x, out[c].row(target.y + y) + target.x, inner.width);
            }
        }
        for (int y = 0; y < inner.height; ++y)
            std::copy_n(green.row(inner.y + y) + inner.x, inner.width, out[1].row(target.y + y) + target.x);
        const std::array<Plane, 3> masks = {maskOf(Mosaic::Red), maskOf(Mosaic::Green), maskOf(Mosaic::Blue)};
        limitNearLight(raw, masks, inner, target, out);
    });
    return out;
}

} // namespace irenic
