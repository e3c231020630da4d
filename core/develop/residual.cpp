#include "develop/residual.h"

#include <cmath>

namespace irenic {

namespace {

// Compiled twice, for machines with wide vectors and for all others: the same sums in the same order.
#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__) && !defined(__SANITIZE_ADDRESS__)
#define IRENIC_WIDE __attribute__((target_clones("avx2", "default")))
#else
#define IRENIC_WIDE
#endif

IRENIC_WIDE void addTo(float* to, const float* from, int n) {
    for (int i = 0; i < n; ++i) to[i] += from[i];
}

// Sums over windows of 2 rx + 1 columns and the rows y - ry, y - ry + step, ... y + ry, always in the same
// order, so that a sample's sum does not depend on where the plane begins. Zero near the edges, where the
// window does not fit.
Plane windowSum(const Plane& in, int rx, int ry, int step = 1) {
    const int w = in.width(), h = in.height();
    Plane across(w, h), out(w, h);
    for (int y = 0; y < h; ++y) {
        const float* p = in.row(y);
        float* q = across.row(y);
        std::fill(q, q + rx, 0.0f), std::fill(q + w - rx, q + w, 0.0f);
        std::copy(p, p + w - 2 * rx, q + rx);
        for (int k = 1 - rx; k <= rx; ++k) addTo(q + rx, p + rx + k, w - 2 * rx);
    }
    for (int y = 0; y < h; ++y) {
        float* q = out.row(y);
        std::fill(q, q + w, 0.0f);
        if (y < ry || y >= h - ry) continue;
        for (int k = -ry; k <= ry; k += step) addTo(q, across.row(y + k), w);
    }
    return out;
}

template <class F> Plane made(int w, int h, const F& f) {
    Plane out(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) out.at(x, y) = f(x, y);
    return out;
}

// What the fits of a window are made of, one sample of each.
struct Terms {
    float *gl, *gg, *sd, *sg, *dd, *gd, *g2;
};
IRENIC_WIDE void termsRow(const float* guide, const float* known, const float* mask, const float* lapGuide,
                          const float* lapKnown, const Terms& t, int n) {
    for (int i = 0; i < n; ++i) {
        const float m = mask[i], g = guide[i], d = known[i] - g;
        t.gl[i] = m * lapGuide[i] * lapKnown[i];
        t.gg[i] = m * lapGuide[i] * lapGuide[i];
        t.sd[i] = m * d;
        t.sg[i] = m * g;
        t.dd[i] = m * d * d;
        t.gd[i] = m * g * d;
        t.g2[i] = m * g * g;
    }
}

// The line of each window: its weight, and that times slope (less 1) and shift.
IRENIC_WIDE void linesRow(const float* n, const Terms& t, float* weight, float* slope, float* shift,
                          int count) {
    for (int i = 0; i < count; ++i) {
        constexpr float tiny = 1e-9f;
        const float k = std::max(n[i], 1.0f), a = (t.gl[i] + tiny) / (t.gg[i] + tiny) - 1, md = t.sd[i] / k,
                    mg = t.sg[i] / k;
        const float vd = t.dd[i] / k - md * md, vg = t.g2[i] / k - mg * mg, cov = t.gd[i] / k - md * mg;
        const float left = std::max(0.0f, vd - 2 * a * cov + a * a * vg);
        const float w = n[i] < 1 ? 0 : 1 / (left + 1e-6f);
        weight[i] = w, slope[i] = w * a, shift[i] = w * (md - a * mg);
    }
}

// `mask` is 1 where `known` counts. Predicts `known` everywhere from `guide`: in every window the line whose
// slope fits the Laplacians best, lines averaged with weights that fall with what they leave.
Plane predicted(const Plane& guide, const Plane& known, const Plane& mask, const Plane& lapGuide,
                const Plane& lapKnown, int rx, int ry, int step) {
    const int w = guide.width(), h = guide.height();
    std::array<Plane, 7> term;
    for (Plane& p : term) p = Plane(w, h);
    const auto rowsOf = [&](std::array<Plane, 7>& p, int y) {
        return Terms{p[0].row(y), p[1].row(y), p[2].row(y), p[3].row(y),
                     p[4].row(y), p[5].row(y), p[6].row(y)};
    };
    for (int y = 0; y < h; ++y)
        termsRow(guide.row(y), known.row(y), mask.row(y), lapGuide.row(y), lapKnown.row(y), rowsOf(term, y),
                 w);
    for (Plane& p : term) p = windowSum(p, rx, ry, step);
    const Plane n = windowSum(mask, rx, ry, step);
    Plane weight(w, h), slope(w, h), shift(w, h);
    for (int y = 0; y < h; ++y)
        linesRow(n.row(y), rowsOf(term, y), weight.row(y), slope.row(y), shift.row(y), w);
    const Plane sw = windowSum(weight, rx, ry, step), sa = windowSum(slope, rx, ry, step),
                sb = windowSum(shift, rx, ry, step);
    return made(w, h, [&](int x, int y) {
        return sw.at(x, y) > 0 ? guide.at(x, y) + (sa.at(x, y) * guide.at(x, y) + sb.at(x, y)) / sw.at(x, y)
                               : guide.at(x, y);
    });
}

Plane transposed(const Plane& in) {
    return made(in.height(), in.width(), [&](int x, int y) { return in.at(y, x); });
}

// Green minus the row's other colour, at every pixel, from its row and the two like it above and below.
Plane differencesAlongRows(const Plane& raw, const Plane& green) {
    const int w = raw.width(), h = raw.height();
    const auto along = [&](int x, int y, bool wanted) {
        if ((green.at(x, y) > 0) == wanted) return raw.at(x, y);
        return x > 0 && x < w - 1 ? 0.5f * (raw.at(x - 1, y) + raw.at(x + 1, y)) : 0.0f;
    };
    const Plane g = made(w, h, [&](int x, int y) { return along(x, y, true); }),
                c = made(w, h, [&](int x, int y) { return along(x, y, false); });
    const auto laplacian = [&](const Plane& p) {
        return made(w, h, [&](int x, int y) {
            return x >= 2 && x < w - 2 ? 2 * p.at(x, y) - p.at(x - 2, y) - p.at(x + 2, y) : 0.0f;
        });
    };
    const Plane lg = laplacian(g), lc = laplacian(c),
                other = made(w, h, [&](int x, int y) { return 1 - green.at(x, y); });
    constexpr int rx = 4, ry = 2;
    const Plane cp = predicted(g, c, other, lg, lc, rx, ry, 2),
                gp = predicted(c, g, green, lc, lg, rx, ry, 2);
    return made(w, h, [&](int x, int y) {
        if (x < 1 || x >= w - 1) return 0.0f;
        // What the prediction left of the neighbours, halfway between them.
        const auto filled = [&](const Plane& p) {
            return p.at(x, y) +
                   0.5f * (raw.at(x - 1, y) - p.at(x - 1, y) + raw.at(x + 1, y) - p.at(x + 1, y));
        };
        return green.at(x, y) > 0 ? raw.at(x, y) - filled(cp) : filled(gp) - raw.at(x, y);
    });
}

} // namespace

std::array<Plane, 3> demosaicFine(const Plane& mosaic, const Rect& covered, const Mosaic& pattern,
                                  const Rect& area, const Work& work) {
    std::array<Plane, 3> out = {Plane(area.width, area.height), Plane(area.width, area.height),
                                Plane(area.width, area.height)};
    constexpr int m = demosaicMargin(Demosaic::Fine), size = 192;
    forEachTile(area, size, work, [&](const Rect& whole) {
        const Rect tile = whole.intersected(area), pad = tile.inflated(m);
        const int w = pad.width, h = pad.height;
        const Plane raw = mosaic.cropped(pad.translated(-covered.x, -covered.y));
        const auto colourAt = [&](int x, int y) { return pattern.at(pad.x + x, pad.y + y); };
        const Plane isGreen =
            made(w, h, [&](int x, int y) { return colourAt(x, y) == Mosaic::Green ? 1.0f : 0.0f; });
        const Plane dh = differencesAlongRows(raw, isGreen),
                    dv = transposed(differencesAlongRows(transposed(raw), transposed(isGreen)));
        work.check();
        // The two directions together, each side weighted by the calm of its differences.
        const Plane gh = made(w, h, [&](int x, int y) {
            return x > 0 && x < w - 1 ? std::abs(dh.at(x - 1, y) - dh.at(x + 1, y)) : 0.0f;
        });
        const Plane gv = made(w, h, [&](int x, int y) {
            return y > 0 && y < h - 1 ? std::abs(dv.at(x, y - 1) - dv.at(x, y + 1)) : 0.0f;
        });
        const Plane sh = windowSum(gh, 2, 2), sv = windowSum(gv, 2, 2);
        Plane green(w, h);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                green.at(x, y) = raw.at(x, y);
                if (isGreen.at(x, y) > 0 || x < 6 || y < 6 || x >= w - 6 || y >= h - 6) continue;
                const auto weight = [](float g) { return 1.0f / (g * g + 1e-10f); };
                const float ww = weight(sh.at(x - 2, y)), we = weight(sh.at(x + 2, y)),
                            wn = weight(sv.at(x, y - 2)), ws = weight(sv.at(x, y + 2));
                constexpr float k[5] = {0.56f, 0.23f, 0.12f, 0.06f, 0.03f};
                float sw = 0, se = 0, sn = 0, ss = 0;
                for (int i = 0; i < 5; ++i)
                    sw += k[i] * dh.at(x - i, y), se += k[i] * dh.at(x + i, y), sn += k[i] * dv.at(x, y - i),
                        ss += k[i] * dv.at(x, y + i);
                green.at(x, y) += (ww * sw + we * se + wn * sn + ws * ss) / (ww + we + wn + ws);
            }
        work.check();
        const auto laplacian = [&](const Plane& p) {
            return made(w, h, [&](int x, int y) {
                return x >= 2 && y >= 2 && x < w - 2 && y < h - 2
                           ? 4 * p.at(x, y) - p.at(x - 2, y) - p.at(x + 2, y) - p.at(x, y - 2) -
                                 p.at(x, y + 2)
                           : 0.0f;
            });
        };
        const Plane lapGreen = laplacian(green),
                    lapRaw = laplacian(raw); // the raw's own colour stands two samples away again
        const Rect inner = tile.translated(-pad.x, -pad.y), target = tile.translated(-area.x, -area.y);
        for (const Mosaic::Colour c : {Mosaic::Red, Mosaic::Blue}) {
            const Plane mask = made(w, h, [&](int x, int y) { return colourAt(x, y) == c ? 1.0f : 0.0f; });
            const Plane p = predicted(green, raw, mask, lapGreen, lapRaw, 5, 5, 1);
            const Plane left = made(
                w, h, [&](int x, int y) { return mask.at(x, y) > 0 ? raw.at(x, y) - p.at(x, y) : 0.0f; });
            for (int y = 0; y < inner.height; ++y)
                for (int x = 0; x < inner.width; ++x) {
                    const int u = inner.x + x, v = inner.y + y;
                    // Bilinear: of each sample, of two, or of four.
                    const float r = left.at(u, v) +
                                    0.5f * (left.at(u - 1, v) + left.at(u + 1, v) + left.at(u, v - 1) +
                                            left.at(u, v + 1)) +
                                    0.25f * (left.at(u - 1, v - 1) + left.at(u + 1, v - 1) +
                                             left.at(u - 1, v + 1) + left.at(u + 1, v + 1));
                    out[c].at(target.x + x, target.y + y) = p.at(u, v) + r;
                }
        }
        for (int y = 0; y < inner.height; ++y)
            std::copy_n(green.row(inner.y + y) + inner.x, inner.width, out[1].row(target.y + y) + target.x);
    });
    return out;
}

} // namespace irenic
