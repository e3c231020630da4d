#include "judge/align.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <string>
#include <vector>

#include "base/expects.h"
#include "base/shown_text.h"
#include "image/resample.h"

namespace irenic {

namespace {

constexpr int kCoarsest = 144;        // pixels of the longer side where the search begins
constexpr double kLeastAlike = 0.45;  // median correlation of patches; other pictures stay below 0.2
constexpr double kLeastCoarse = 0.25; // of the whole picture, as the search begins
constexpr int kHalf = 12;             // of a patch's side while matching
constexpr int kFineHalf = 24;         // and while refining

// What is finer than about nine pixels: large-scale brightness is alike in many photos.
Plane detailOf(const Plane& in) {
    const int w = in.width(), h = in.height(), reach = 4;
    Plane rows(w, h), out(w, h);
    const auto mean = [&](const Plane& from, Plane& to, bool across) {
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                float sum = 0;
                for (int k = -reach; k <= reach; ++k)
                    sum += across ? from.at(std::clamp(x + k, 0, w - 1), y)
                                  : from.at(x, std::clamp(y + k, 0, h - 1));
                to.at(x, y) = sum / (2 * reach + 1);
            }
    };
    mean(in, rows, true), mean(rows, out, false);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) out.at(x, y) = in.at(x, y) - out.at(x, y);
    return out;
}

// A binomial blur (weights 1 4 6 4 1) against aliasing and single pixels' noise.
Plane softened(const Plane& in) {
    constexpr float kWeight[5] = {1.0f / 16, 4.0f / 16, 6.0f / 16, 4.0f / 16, 1.0f / 16};
    const int w = in.width(), h = in.height();
    Plane rows(w, h), out(w, h);
    forEachBand(h, 32, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                float sum = 0;
                for (int k = -2; k <= 2; ++k) sum += kWeight[k + 2] * in.at(std::clamp(x + k, 0, w - 1), y);
                rows.at(x, y) = sum;
            }
    });
    forEachBand(h, 32, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                float sum = 0;
                for (int k = -2; k <= 2; ++k) sum += kWeight[k + 2] * rows.at(x, std::clamp(y + k, 0, h - 1));
                out.at(x, y) = sum;
            }
    });
    return out;
}

// Correlation of two whole pictures, the second moved by (dx, dy), over what both hold.
double correlation(const Plane& a, const Plane& b, int dx, int dy) {
    const int left = std::max(0, -dx), right = std::min(a.width(), b.width() - dx), top = std::max(0, -dy),
              bottom = std::min(a.height(), b.height() - dy);
    if (right - left < a.width() / 2 || bottom - top < a.height() / 2) return -1;
    double ab = 0, aa = 0, bb = 0;
    for (int y = top; y < bottom; ++y)
        for (int x = left; x < right; ++x) {
            const double u = static_cast<double>(a.at(x, y)), v = static_cast<double>(b.at(x + dx, y + dy));
            ab += u * v, aa += u * u, bb += v * v;
        }
    return aa > 0 && bb > 0 ? ab / std::sqrt(aa * bb) : -1;
}

// A patch's correlation with the place (u, v) of the other picture, a whole number of pixels.
double patchCorrelation(const Plane& a, int x, int y, const Plane& b, int u, int v, int half) {
    double sa = 0, sb = 0, ab = 0, aa = 0, bb = 0;
    for (int j = -half; j <= half; ++j)
        for (int i = -half; i <= half; ++i) {
            const double p = static_cast<double>(a.at(x + i, y + j)),
                         q = static_cast<double>(b.at(u + i, v + j));
            sa += p, sb += q, ab += p * q, aa += p * p, bb += q * q;
        }
    const double n = (2.0 * half + 1) * (2.0 * half + 1);
    const double va = aa - sa * sa / n, vb = bb - sb * sb / n;
    return va > 0 && vb > 0 ? (ab - sa * sb / n) / std::sqrt(va * vb) : 0;
}

struct Pair {
    double x, y, u, v; // a place of ours and where it was found
    double alike;
};

// The smaller eigenvalue of the structure tensor: how well a patch can be found in both directions
// (C. Harris and M. Stephens, 1988).
double structure(const Plane& p, int x, int y, int half) {
    double xx = 0, yy = 0, xy = 0;
    for (int j = -half; j <= half; j += 2)
        for (int i = -half; i <= half; i += 2) {
            const double gx = static_cast<double>(p.at(x + i + 1, y + j) - p.at(x + i - 1, y + j)),
                         gy = static_cast<double>(p.at(x + i, y + j + 1) - p.at(x + i, y + j - 1));
            xx += gx * gx, yy += gy * gy, xy += gx * gy;
        }
    return (xx + yy) / 2 - std::hypot((xx - yy) / 2, xy);
}

// Places spread over the picture, in each field of a grid the one with most structure.
std::vector<std::array<int, 2>> placesOf(const Plane& p, int across, int half) {
    const int margin = half + 6, down = std::max(3, across * p.height() / p.width());
    std::vector<std::pair<double, std::array<int, 2>>> found;
    for (int j = 0; j < down; ++j)
        for (int i = 0; i < across; ++i) {
            double best = 0;
            std::array<int, 2> at{};
            constexpr int kTries = 4;
            for (int b = 0; b < kTries; ++b)
                for (int a = 0; a < kTries; ++a) {
                    const int x = std::clamp(p.width() * (i * kTries + a) / (across * kTries), margin,
                                             p.width() - margin - 1),
                              y = std::clamp(p.height() * (j * kTries + b) / (down * kTries), margin,
                                             p.height() - margin - 1);
                    if (const double s = structure(p, x, y, half); s > best) best = s, at = {x, y};
                }
            if (best > 0) found.push_back({best, at});
        }
    // Fields without structure tell nothing.
    std::sort(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    found.resize(std::max<std::size_t>(found.size() * 2 / 3, std::min<std::size_t>(found.size(), 12)));
    std::vector<std::array<int, 2>> out;
    out.reserve(found.size());
    for (const auto& f : found) out.push_back(f.second);
    return out;
}

// Shift and scale that fit the pairs best, those far off counting less; `scale` is held where it is given.
Alignment fitted(const std::vector<Pair>& pairs, Alignment guess, std::optional<double> scale) {
    for (int round = 0; round < 12; ++round) {
        std::vector<double> off;
        off.reserve(pairs.size());
        for (const Pair& p : pairs)
            off.push_back(
                std::hypot(p.u - guess.scale * p.x - guess.left, p.v - guess.scale * p.y - guess.top));
        std::vector<double> sorted = off;
        std::nth_element(sorted.begin(), sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() / 2),
                         sorted.end());
        const double usual = std::max(0.02, sorted[sorted.size() / 2]);
        double n = 0, sx = 0, sy = 0, su = 0, sv = 0, cross = 0, square = 0;
        std::vector<double> weights;
        for (std::size_t i = 0; i < pairs.size(); ++i) {
            const double w =
                std::max(0.0, pairs[i].alike) * (off[i] <= usual ? 1 : std::pow(usual / off[i], 2));
            weights.push_back(w);
            n += w, sx += w * pairs[i].x, sy += w * pairs[i].y, su += w * pairs[i].u, sv += w * pairs[i].v;
        }
        if (n <= 0) return guess;
        const double mx = sx / n, my = sy / n, mu = su / n, mv = sv / n;
        for (std::size_t i = 0; i < pairs.size(); ++i) {
            const Pair& p = pairs[i];
            cross += weights[i] * ((p.x - mx) * (p.u - mu) + (p.y - my) * (p.v - mv));
            square += weights[i] * ((p.x - mx) * (p.x - mx) + (p.y - my) * (p.y - my));
        }
        guess.scale = scale.value_or(square > 0 ? cross / square : guess.scale);
        guess.left = mu - guess.scale * mx, guess.top = mv - guess.scale * my;
    }
    return guess;
}

bool reaches(const Plane& p, double u, double v, int half) {
    return u - half - 4 >= 0 && v - half - 4 >= 0 && u + half + 4 < p.width() && v + half + 4 < p.height();
}

// Each place looked for within `search` pixels of where it is expected.
std::vector<Pair> matched(const Plane& a, const Plane& b, const Alignment& guess, int across, int search,
                          const Work& work) {
    const auto places = placesOf(a, across, kHalf);
    std::vector<Pair> pairs(places.size());
    forEachBand(static_cast<int>(places.size()), 1, work, [&](int first, int last) {
        for (int i = first; i < last; ++i) {
            const auto [x, y] = places[static_cast<std::size_t>(i)];
            const int u = static_cast<int>(std::lround(guess.scale * x + guess.left)),
                      v = static_cast<int>(std::lround(guess.scale * y + guess.top));
            Pair best{static_cast<double>(x), static_cast<double>(y), 0, 0, 0};
            for (int dy = -search; dy <= search; ++dy)
                for (int dx = -search; dx <= search; ++dx) {
                    if (!reaches(b, u + dx, v + dy, kHalf)) continue;
                    const double c = patchCorrelation(a, x, y, b, u + dx, v + dy, kHalf);
                    if (c > best.alike) best.alike = c, best.u = u + dx, best.v = v + dy;
                }
            pairs[static_cast<std::size_t>(i)] = best;
        }
    });
    std::erase_if(pairs, [](const Pair& p) { return p.alike <= 0; });
    return pairs;
}

// To fractions of a pixel: the shift, gain and offset that explain the patch best.
void refine(const Plane& a, const Plane& b, double scale, Pair& pair) {
    const int x = static_cast<int>(pair.x), y = static_cast<int>(pair.y);
    const auto other = [&](double u, double v) {
        const int bu = static_cast<int>(std::floor(u)), bv = static_cast<int>(std::floor(v));
        return static_cast<double>(
            lanczos3(static_cast<float>(u - bu), static_cast<float>(v - bv), [&](int i, int j) {
                return b.at(std::clamp(bu + i, 0, b.width() - 1), std::clamp(bv + j, 0, b.height() - 1));
            }));
    };
    for (int round = 0; round < 8; ++round) {
        // ours = gain other(u + du, v + dv) + offset, linear in (gain du, gain dv, gain, offset).
        double m[4][5] = {};
        for (int j = -kFineHalf; j <= kFineHalf; ++j)
            for (int i = -kFineHalf; i <= kFineHalf; ++i) {
                if (x + i < 1 || y + j < 1 || x + i >= a.width() - 1 || y + j >= a.height() - 1) continue;
                const double u = pair.u + scale * i, v = pair.v + scale * j;
                const double value = other(u, v);
                const double row[4] = {(other(u + 1, v) - other(u - 1, v)) / 2,
                                       (other(u, v + 1) - other(u, v - 1)) / 2, value, 1};
                for (int r = 0; r < 4; ++r) {
                    for (int c = 0; c < 4; ++c) m[r][c] += row[r] * row[c];
                    m[r][4] += row[r] * static_cast<double>(a.at(x + i, y + j));
                }
            }
        for (int k = 0; k < 4; ++k) { // Gauss
            int top = k;
            for (int r = k + 1; r < 4; ++r)
                if (std::abs(m[r][k]) > std::abs(m[top][k])) top = r;
            std::swap(m[k], m[top]);
            if (std::abs(m[k][k]) < 1e-12) return void(pair.alike = 0);
            for (int r = 0; r < 4; ++r) {
                if (r == k) continue;
                const double f = m[r][k] / m[k][k];
                for (int c = k; c < 5; ++c) m[r][c] -= f * m[k][c];
            }
        }
        const double gain = m[2][4] / m[2][2];
        if (gain < 0.05) return void(pair.alike = 0);
        const double du = m[0][4] / m[0][0] / gain, dv = m[1][4] / m[1][1] / gain;
        pair.u += std::clamp(du, -1.0, 1.0), pair.v += std::clamp(dv, -1.0, 1.0);
        if (!reaches(b, pair.u, pair.v, kFineHalf)) return void(pair.alike = 0);
        if (std::hypot(du, dv) < 0.004) break;
    }
}

double medianAlike(std::vector<Pair> pairs) {
    if (pairs.size() < 6) return 0;
    const auto middle = pairs.begin() + static_cast<std::ptrdiff_t>(pairs.size() / 2);
    std::nth_element(pairs.begin(), middle, pairs.end(),
                     [](const Pair& a, const Pair& b) { return a.alike < b.alike; });
    return middle->alike;
}

std::string twoDigits(double v) {
    char text[16];
    std::snprintf(text, sizeof text, "%.2f", v);
    return text;
}

[[noreturn]] void refuse(double found) {
    throw NotAlike(
        found,
        filled(
            IRENIC_TEXT("it shows another picture (match %1, needs %2). Choose a file made from this photo"),
            {twoDigits(std::max(0.0, found)), twoDigits(kLeastAlike)}));
}

} // namespace

Plane turnedBy(const Plane& in, int quarterTurns) {
    IRENIC_EXPECTS(!in.empty());
    const int turns = ((quarterTurns % 4) + 4) % 4, w = in.width(), h = in.height();
    if (turns == 0) return in.clone();
    Plane out(turns % 2 ? h : w, turns % 2 ? w : h);
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            out.at(x, y) = turns == 1   ? in.at(y, h - 1 - x)
                           : turns == 2 ? in.at(w - 1 - x, h - 1 - y)
                                        : in.at(w - 1 - y, x);
    return out;
}

Alignment align(const Plane& ours, const Plane& other, const Work& work) {
    IRENIC_EXPECTS(!ours.empty() && !other.empty());
    // The coarsest step: turns and sizes that may be, whole shifts.
    const double step = std::max(1.0, std::max(ours.width(), ours.height()) / static_cast<double>(kCoarsest));
    const auto small = [&](const Plane& p, double by) {
        return areaAverage(p, std::max(8, static_cast<int>(std::lround(p.width() / by))),
                           std::max(8, static_cast<int>(std::lround(p.height() / by))));
    };
    const Plane a = detailOf(small(ours, step));
    double best = -1, ratio = 1;
    int turns = 0, bestX = 0, bestY = 0;
    for (int t = 0; t < 4; ++t) {
        const int w = t % 2 ? other.height() : other.width(), h = t % 2 ? other.width() : other.height();
        std::vector<double> ratios = {1};
        const double rx = static_cast<double>(w) / ours.width(), ry = static_cast<double>(h) / ours.height();
        if (std::abs(rx / ry - 1) < 0.1 && std::abs(std::sqrt(rx * ry) - 1) > 0.02)
            ratios.push_back(std::sqrt(rx * ry));
        for (const double r : ratios) {
            if (w < 0.5 * ours.width() * r || h < 0.5 * ours.height() * r) continue;
            const Plane b = detailOf(small(turnedBy(small(other, step * r), t), 1));
            const int reachX = a.width() / 6, reachY = a.height() / 6;
            for (int dy = -reachY; dy <= reachY; ++dy) {
                work.check();
                for (int dx = -reachX; dx <= reachX; ++dx)
                    if (const double c = correlation(a, b, dx, dy); c > best)
                        best = c, turns = t, ratio = r, bestX = dx, bestY = dy;
            }
        }
    }
    if (best < kLeastCoarse) refuse(best);
    work.report(0.2f);
    const Plane theirs = turnedBy(other, turns);
    Alignment found;
    found.quarterTurns = turns;
    found.scale = ratio, found.left = bestX * step * ratio, found.top = bestY * step * ratio;

    // Finer and finer: where the last step was sure of half of its pixels, the next looks a few of its own
    // around.
    for (double by = step / 2;; by /= 2) {
        by = std::max(1.0, by);
        const bool last = by <= 1;
        // Both at the same size, which is at most that of the smaller.
        const double byOurs = by * std::max(1.0, 1 / ratio), byTheirs = byOurs * ratio;
        const Plane p = softened(small(ours, byOurs)), q = softened(small(theirs, byTheirs));
        // Where pixels' corners are the origin, sizes scale; where their middles are, half a pixel comes in.
        const double ax = static_cast<double>(ours.width()) / p.width(),
                     bx = static_cast<double>(theirs.width()) / q.width();
        const double half = 0.5;
        const auto toLevel = [&](const Alignment& full) {
            Alignment l = full;
            l.scale = full.scale * ax / bx;
            l.left = (full.scale * (half * ax - half) + full.left + half) / bx - half;
            l.top = (full.scale * (half * ax - half) + full.top + half) / bx - half;
            return l;
        };
        const auto toFull = [&](const Alignment& l) {
            Alignment full = l;
            full.scale = l.scale * bx / ax;
            full.left = (l.left + half) * bx - half - full.scale * (half * ax - half);
            full.top = (l.top + half) * bx - half - full.scale * (half * ax - half);
            return full;
        };
        const Alignment guess = toLevel(found);
        std::vector<Pair> pairs = matched(p, q, guess, last ? 14 : 10, by > step / 4 ? 6 : 3, work);
        if (pairs.size() < 6) refuse(medianAlike(pairs));
        Alignment level = fitted(pairs, guess, {});
        if (last) {
            // On noisy pixels one patch says little: what counts is what most of them say.
            forEachBand(static_cast<int>(pairs.size()), 1, work, [&](int first, int end) {
                for (int i = first; i < end; ++i) {
                    Pair& pair = pairs[static_cast<std::size_t>(i)];
                    pair.u = level.scale * pair.x + level.left, pair.v = level.scale * pair.y + level.top;
                    if (reaches(q, pair.u, pair.v, kFineHalf))
                        refine(p, q, level.scale, pair);
                    else
                        pair.alike = 0;
                }
            });
            std::erase_if(pairs, [](const Pair& pair) { return pair.alike <= 0; });
            if (pairs.size() < 6) refuse(0);
            level = fitted(pairs, level, {});
            // A scale that moves no corner by a sixth of a pixel is none.
            const double corner = std::hypot(p.width(), p.height()) / 2;
            if (std::abs(level.scale - 1) * corner < 0.17) level = fitted(pairs, level, 1.0);
            found = toFull(level);
            if (found.correlation < kLeastAlike) refuse(found.correlation);
            break;
        }
        found = toFull(level);
        // How alike they are is judged where noise is averaged away, not on the pixels themselves.
        found.correlation = std::max(found.correlation, medianAlike(pairs));
        work.report(static_cast<float>(0.2 + 0.5 * (1 - by / step)));
    }
    // Whole pixels are whole: nothing has to be made up between them.
    for (double* v : {&found.left, &found.top})
        if (found.scale == 1 && std::abs(*v - std::round(*v)) < 0.06) *v = std::round(*v);
    work.report(1);
    return found;
}

} // namespace irenic
