#include "denoise/bm3d.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/bm3d.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#ifndef IRENIC_BM3D_SHARED
#define IRENIC_BM3D_SHARED
namespace irenic::bm3d {

constexpr int kB = BlockMatching::kBlock, kPixels = kB * kB, kStep = BlockMatching::kStep;
constexpr int kS = BlockMatching::kSearch, kSpan = 2 * kS;
constexpr int kGroup = 32;                  // the largest N2 of the two steps
constexpr int kTile = 48;                   // reference positions of a tile; a multiple of kStep
constexpr int kHalo = kS + kB;              // how far a tile's blocks reach beyond it
constexpr int kSide = kTile + 2 * kHalo;    // accumulator side
// Tuned on noiseless truth (see docs/quality.md). Both are a little above the paper's 2.7 and 1: groups are found by luminance
// alone and here also hold poorer matches, whose differences must not pass for detail.
constexpr float kLambda = 3.2f;
constexpr float kWienerNoise = 1.5f; // noise variance assumed by the second step, over the measured one

struct Tables {
    alignas(64) float dct[kPixels];        // row u: the cosine of frequency u
    alignas(64) float transposed[kPixels]; // row x: the value of all cosines at x
    alignas(64) float window[kPixels];     // Kaiser, beta 2
    Tables() {
        const auto bessel = [](double x) {
            double sum = 1, term = 1;
            for (int k = 1; k < 30; ++k) sum += term *= (x / (2 * k)) * (x / (2 * k));
            return sum;
        };
        double kaiser[kB];
        for (int i = 0; i < kB; ++i) {
            const double t = 2.0 * i / (kB - 1) - 1;
            kaiser[i] = bessel(2.0 * std::sqrt(1 - t * t)) / bessel(2.0);
        }
        for (int u = 0; u < kB; ++u)
            for (int x = 0; x < kB; ++x) {
                const double scale = u == 0 ? std::sqrt(1.0 / kB) : std::sqrt(2.0 / kB);
                const auto c = static_cast<float>(scale * std::cos(std::numbers::pi * (x + 0.5) * u / kB));
                dct[u * kB + x] = c;
                transposed[x * kB + u] = c;
                window[u * kB + x] = static_cast<float>(kaiser[u] * kaiser[x]);
            }
    }
};
inline const Tables& tables() {
    static const Tables t;
    return t;
}

// What one tile adds to the picture: weighted sums for each plane, weights for luminance and colour.
struct Accumulator {
    alignas(64) float sum[kPlanes][kSide * kSide];
    alignas(64) float weight[2][kSide * kSide];
};

struct Step {
    const PlaneSet* noisy;
    const PlaneSet* basic; // null in the first step
    const Plane* guide;    // what blocks are compared in; its origin is guideArea's
    Rect guideArea;
    Rect references;       // top left corners allowed
    std::array<float, kPlanes> strength;
    int groupSize;
    float limit;           // on the mean squared difference of two blocks
};

} // namespace irenic::bm3d
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::bm3d; // NOLINT: the shared part of this very file

using D8 = hn::CappedTag<float, 8>;

// out = C * in * C' (forward) for one 8x8 block; with the tables swapped, the inverse.
// `left` row u holds the weights of the input's rows, `right` row x those of its columns.
HWY_INLINE void Transform(const float* in, std::ptrdiff_t stride, const float* left, const float* right, float* out) {
    const D8 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    HWY_ALIGN float half[kPixels];
    for (int c = 0; c < kB; c += lanes) {
        const auto r0 = hn::Load(d, right + c), r1 = hn::Load(d, right + 8 + c), r2 = hn::Load(d, right + 16 + c),
                   r3 = hn::Load(d, right + 24 + c), r4 = hn::Load(d, right + 32 + c),
                   r5 = hn::Load(d, right + 40 + c), r6 = hn::Load(d, right + 48 + c),
                   r7 = hn::Load(d, right + 56 + c);
        for (int y = 0; y < kB; ++y) {
            const float* p = in + y * stride;
            auto a = hn::Mul(hn::Set(d, p[0]), r0), b = hn::Mul(hn::Set(d, p[1]), r1);
            a = hn::MulAdd(hn::Set(d, p[2]), r2, a);
            b = hn::MulAdd(hn::Set(d, p[3]), r3, b);
            a = hn::MulAdd(hn::Set(d, p[4]), r4, a);
            b = hn::MulAdd(hn::Set(d, p[5]), r5, b);
            a = hn::MulAdd(hn::Set(d, p[6]), r6, a);
            b = hn::MulAdd(hn::Set(d, p[7]), r7, b);
            hn::Store(hn::Add(a, b), d, half + y * kB + c);
        }
    }
    for (int c = 0; c < kB; c += lanes) {
        const auto h0 = hn::Load(d, half + c), h1 = hn::Load(d, half + 8 + c), h2 = hn::Load(d, half + 16 + c),
                   h3 = hn::Load(d, half + 24 + c), h4 = hn::Load(d, half + 32 + c), h5 = hn::Load(d, half + 40 + c),
                   h6 = hn::Load(d, half + 48 + c), h7 = hn::Load(d, half + 56 + c);
        for (int u = 0; u < kB; ++u) {
            const float* l = left + u * kB;
            auto a = hn::Mul(hn::Set(d, l[0]), h0), b = hn::Mul(hn::Set(d, l[1]), h1);
            a = hn::MulAdd(hn::Set(d, l[2]), h2, a);
            b = hn::MulAdd(hn::Set(d, l[3]), h3, b);
            a = hn::MulAdd(hn::Set(d, l[4]), h4, a);
            b = hn::MulAdd(hn::Set(d, l[5]), h5, b);
            a = hn::MulAdd(hn::Set(d, l[6]), h6, a);
            b = hn::MulAdd(hn::Set(d, l[7]), h7, b);
            hn::Store(hn::Add(a, b), d, out + u * kB + c);
        }
    }
}

// The orthonormal Haar transform along the group, in place; n is a power of two.
HWY_INLINE void Haar(float* group, int n, bool forward) {
    const hn::CappedTag<float, 16> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const auto s = hn::Set(d, 0.70710678f);
    HWY_ALIGN float row[kGroup * 16];
    for (int c = 0; c < kPixels; c += lanes) {
        for (int i = 0; i < n; ++i) hn::Store(hn::Load(d, group + i * kPixels + c), d, row + i * 16);
        HWY_ALIGN float next[kGroup * 16];
        if (forward) {
            for (int m = n; m > 1; m /= 2) {
                for (int i = 0; i < m / 2; ++i) {
                    const auto a = hn::Load(d, row + 2 * i * 16), b = hn::Load(d, row + (2 * i + 1) * 16);
                    hn::Store(hn::Mul(hn::Add(a, b), s), d, next + i * 16);
                    hn::Store(hn::Mul(hn::Sub(a, b), s), d, next + (m / 2 + i) * 16);
                }
                for (int i = 0; i < m; ++i) hn::Store(hn::Load(d, next + i * 16), d, row + i * 16);
            }
        } else {
            for (int m = 2; m <= n; m *= 2) {
                for (int i = 0; i < m / 2; ++i) {
                    const auto a = hn::Load(d, row + i * 16), b = hn::Load(d, row + (m / 2 + i) * 16);
                    hn::Store(hn::Mul(hn::Add(a, b), s), d, next + 2 * i * 16);
                    hn::Store(hn::Mul(hn::Sub(a, b), s), d, next + (2 * i + 1) * 16);
                }
                for (int i = 0; i < m; ++i) hn::Store(hn::Load(d, next + i * 16), d, row + i * 16);
            }
        }
        for (int i = 0; i < n; ++i) hn::Store(hn::Load(d, row + i * 16), d, group + i * kPixels + c);
    }
}

struct Candidate {
    float distance;
    int dx, dy;
};

// The blocks most like the one at (x, y), itself first; the count is a power of two.
int Match(const Step& step, int x, int y, Candidate* found) {
    const hn::CappedTag<float, 16> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const std::ptrdiff_t stride = step.guide->stride();
    const float* centre = step.guide->row(y - step.guideArea.y) + (x - step.guideArea.x);
    HWY_ALIGN float block[kPixels];
    for (int j = 0; j < kB; ++j)
        for (int i = 0; i < kB; ++i) block[j * kB + i] = centre[j * stride + i];
    static thread_local Candidate close[kSpan * kSpan + 64];
    HWY_ALIGN float distances[64];
    int count = 0;
    const float limit = step.limit * kPixels;
    for (int dy = -kS; dy < kS; ++dy) {
        for (int dx = -kS; dx < kS; dx += lanes) {
            const float* p = centre + dy * stride + dx;
            auto a = hn::Zero(d), b = hn::Zero(d);
            for (int j = 0; j < kB; ++j)
                for (int i = 0; i < kB; i += 2) {
                    const auto e = hn::Sub(hn::LoadU(d, p + j * stride + i), hn::Set(d, block[j * kB + i]));
                    const auto f = hn::Sub(hn::LoadU(d, p + j * stride + i + 1), hn::Set(d, block[j * kB + i + 1]));
                    a = hn::MulAdd(e, e, a);
                    b = hn::MulAdd(f, f, b);
                }
            const auto sum = hn::Add(a, b);
            if (hn::AllFalse(d, hn::Lt(sum, hn::Set(d, limit)))) continue;
            hn::Store(sum, d, distances);
            for (int i = 0; i < std::min(lanes, kS - dx); ++i)
                if (distances[i] < limit && (dx + i != 0 || dy != 0)) close[count++] = {distances[i], dx + i, dy};
        }
    }
    const auto nearer = [](const Candidate& l, const Candidate& r) {
        if (l.distance != r.distance) return l.distance < r.distance;
        return l.dy != r.dy ? l.dy < r.dy : l.dx < r.dx;
    };
    int n = 1;
    while (2 * n <= std::min(count + 1, step.groupSize)) n *= 2;
    if (count > n - 1) std::nth_element(close, close + (n - 1), close + count, nearer);
    std::sort(close, close + (n - 1), nearer);
    found[0] = {0, 0, 0};
    std::copy(close, close + (n - 1), found + 1);
    return n;
}

// Filters one plane's group. Returns the weight the estimate deserves: one over its remaining noise.
float Filter(const Step& step, std::size_t p, int x, int y, const Candidate* found, int n, float* group) {
    const Tables& t = tables();
    const hn::CappedTag<float, 16> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const float sigma = step.strength[p];
    const PlaneSet& noisy = *step.noisy;
    for (int i = 0; i < n; ++i)
        Transform(noisy.rowAt(p, y + found[i].dy) + x + found[i].dx, noisy.plane[p].stride(), t.dct, t.transposed,
                  group + i * kPixels);
    Haar(group, n, true);
    float remaining = 0;
    if (!step.basic) {
        const auto threshold = hn::Set(d, kLambda * sigma);
        int kept = 0;
        for (int i = 0; i < n * kPixels; i += lanes) {
            const auto v = hn::Load(d, group + i);
            const auto big = hn::Gt(hn::Abs(v), threshold);
            kept += static_cast<int>(hn::CountTrue(d, big));
            hn::Store(hn::IfThenElseZero(big, v), d, group + i);
        }
        remaining = static_cast<float>(std::max(1, kept));
    } else {
        HWY_ALIGN static thread_local float pilot[kGroup * kPixels];
        const PlaneSet& basic = *step.basic;
        for (int i = 0; i < n; ++i)
            Transform(basic.rowAt(p, y + found[i].dy) + x + found[i].dx, basic.plane[p].stride(), t.dct,
                      t.transposed, pilot + i * kPixels);
        Haar(pilot, n, true);
        const auto noise = hn::Set(d, kWienerNoise * sigma * sigma);
        auto sum = hn::Zero(d);
        for (int i = 0; i < n * kPixels; i += lanes) {
            const auto b = hn::Load(d, pilot + i);
            const auto energy = hn::Mul(b, b);
            const auto gain = hn::Div(energy, hn::Add(energy, noise));
            sum = hn::MulAdd(gain, gain, sum);
            hn::Store(hn::Mul(gain, hn::Load(d, group + i)), d, group + i);
        }
        HWY_ALIGN float parts[16];
        hn::Store(sum, d, parts);
        for (int i = 0; i < lanes; ++i) remaining += parts[i];
        remaining = std::max(remaining, 0.05f);
    }
    Haar(group, n, false);
    for (int i = 0; i < n; ++i) {
        HWY_ALIGN float block[kPixels];
        Transform(group + i * kPixels, kB, t.transposed, t.dct, block);
        std::copy(block, block + kPixels, group + i * kPixels);
    }
    return 1.0f / remaining;
}

void RunTile(const Step& step, const Rect& tile, Accumulator& out) {
    const D8 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const Tables& t = tables();
    std::fill(&out.sum[0][0], &out.sum[0][0] + kPlanes * kSide * kSide, 0.0f);
    std::fill(&out.weight[0][0], &out.weight[0][0] + 2 * kSide * kSide, 0.0f);
    HWY_ALIGN static thread_local float group[kGroup * kPixels];
    Candidate found[kGroup];
    const Rect refs = tile.intersected(step.references);
    const Rect grid = refs.aligned(kStep);
    for (int y = grid.y; y < grid.bottom(); y += kStep) {
        if (y < refs.y || y >= refs.bottom()) continue;
        for (int x = grid.x; x < grid.right(); x += kStep) {
            if (x < refs.x || x >= refs.right()) continue;
            const int n = Match(step, x, y, found);
            for (std::size_t kind = 0; kind < 2; ++kind) {
                // Luminance first (planes 0 and 3), then colour (1 and 2); both planes of a kind share a weight.
                const std::size_t pair[2] = {kind == 0 ? 0U : 1U, kind == 0 ? 3U : 2U};
                if (step.strength[pair[0]] <= 0) continue;
                float weight = 0;
                for (std::size_t k = 0; k < 2; ++k) {
                    const std::size_t p = pair[k];
                    const float w = Filter(step, p, x, y, found, n, group);
                    // The first plane of a pair decides: it carries most of the picture.
                    if (k == 0) weight = w;
                    const int ox = x - tile.x + kHalo, oy = y - tile.y + kHalo;
                    for (int i = 0; i < n; ++i) {
                        const std::ptrdiff_t at = (oy + found[i].dy) * kSide + ox + found[i].dx;
                        float* sum = out.sum[p] + at;
                        float* total = out.weight[kind] + at;
                        const float* block = group + i * kPixels;
                        for (int j = 0; j < kB; ++j)
                            for (int c = 0; c < kB; c += lanes) {
                                const auto w8 = hn::Mul(hn::Set(d, weight), hn::Load(d, t.window + j * kB + c));
                                float* s = sum + j * kSide + c;
                                hn::StoreU(hn::MulAdd(w8, hn::Load(d, block + j * kB + c), hn::LoadU(d, s)), d, s);
                                if (k == 0) {
                                    float* q = total + j * kSide + c;
                                    hn::StoreU(hn::Add(w8, hn::LoadU(d, q)), d, q);
                                }
                            }
                    }
                }
            }
        }
    }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(RunTile);

namespace {

using namespace bm3d;

// One step over the reference blocks that can reach `area`; the planes with strength 0 are copied.
PlaneSet runStep(Step step, const Rect& area, const Work& work, double from, double to) {
    step.references = Rect{area.x - kS - kB + 1, area.y - kS - kB + 1, area.width + 2 * kS + kB - 1,
                           area.height + 2 * kS + kB - 1};
    PlaneSet out(area);
    for (Plane& p : out.plane) p.fill(0);
    PlaneSet weight(area); // only planes 0 and 1 are used: luminance and colour
    weight.plane[2] = Plane();
    weight.plane[3] = Plane();
    weight.plane[0].fill(0), weight.plane[1].fill(0);

    const Rect grid = step.references.aligned(kTile);
    const int across = grid.width / kTile;
    // Tiles of two rows at a time are computed together, then added up in reading order: sums come out the
    // same to the last bit whatever thread did what, and whatever area was asked for.
    constexpr int together = 2;
    std::vector<std::unique_ptr<Accumulator>> accumulators(static_cast<std::size_t>(across * together));
    for (auto& a : accumulators) a = std::make_unique<Accumulator>();
    for (int top = grid.y; top < grid.bottom(); top += together * kTile) {
        const Rect band = Rect{grid.x, top, grid.width, together * kTile}.intersected(grid);
        std::atomic<int> done = 0;
        const int tiles = across * band.height / kTile;
        forEachTile(band, kTile, work, [&](const Rect& tile) {
            const auto i = static_cast<std::size_t>((tile.y - top) / kTile * across + (tile.x - grid.x) / kTile);
            HWY_DYNAMIC_DISPATCH(RunTile)(step, tile, *accumulators[i]);
            const double share = (top - grid.y + static_cast<double>(++done) / tiles * band.height) / grid.height;
            work.report(from + (to - from) * share);
        });
        for (int i = 0; i < tiles; ++i) {
            const Accumulator& a = *accumulators[static_cast<std::size_t>(i)];
            const Rect side{grid.x + i % across * kTile - kHalo, top + i / across * kTile - kHalo, kSide, kSide};
            const Rect part = side.intersected(area);
            for (int y = part.y; y < part.bottom(); ++y) {
                const auto at = static_cast<std::size_t>((y - side.y) * kSide + part.x - side.x);
                const auto add = [&](const float* source, float* target) {
                    for (int x = 0; x < part.width; ++x) target[x] += source[x];
                };
                for (std::size_t p = 0; p < kPlanes; ++p)
                    if (step.strength[p] > 0) add(a.sum[p] + at, out.rowAt(p, y) + part.x);
                for (std::size_t k = 0; k < 2; ++k) add(a.weight[k] + at, weight.rowAt(k, y) + part.x);
            }
        }
    }
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y) {
            float* to_row = out.rowAt(p, y);
            const float* in = step.noisy->rowAt(p, y);
            const float* w = weight.rowAt(isColour(p) ? 1 : 0, y);
            for (int x = area.x; x < area.right(); ++x) to_row[x] = step.strength[p] > 0 ? to_row[x] / w[x] : in[x];
        }
    return out;
}

// What step two needs of the basic estimate around an area.
constexpr int kReach = 2 * kS + kB;

// Luminance under a 3x3 binomial filter: what the first step compares blocks in.
Plane smoothed(const Plane& in, const Work& work) {
    const int w = in.width(), h = in.height();
    Plane out(w, h);
    forEachBand(h, 32, work, [&](int first, int last) {
        std::vector<float> column(static_cast<std::size_t>(w));
        for (int y = first; y < last; ++y) {
            const float *a = in.row(mirrored(y - 1, h)), *b = in.row(y), *c = in.row(mirrored(y + 1, h));
            for (int x = 0; x < w; ++x) column[static_cast<std::size_t>(x)] = 0.25f * (a[x] + c[x]) + 0.5f * b[x];
            for (int x = 0; x < w; ++x)
                out.at(x, y) = 0.25f * (column[static_cast<std::size_t>(std::max(0, x - 1))] +
                                        column[static_cast<std::size_t>(std::min(w - 1, x + 1))]) +
                               0.5f * column[static_cast<std::size_t>(x)];
        }
    });
    return out;
}

} // namespace

// One more for the smoothing of what is compared.
int BlockMatching::margin() const { return 2 * kReach + 1; }

PlaneSet BlockMatching::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                            const Work& work) const {
    const Plane guide = smoothed(in.plane[0], work);
    const float assumed = std::max(strength[0], 0.3f);
    // The smoothed noise has a variance of 0.14 on each side. Both limits only keep out blocks that have nothing in common:
    // tighter ones leave groups small where texture is strong, and cost up to 1 dB.
    Step first{&in, nullptr, &guide, in.area, {}, strength, 16, 6.0f * assumed * assumed};
    const PlaneSet basic = runStep(first, area.inflated(kReach), work, 0, 0.5);
    Step second{&in, &basic, &basic.plane[0], basic.area, {}, strength, 32, 6.0f * assumed * assumed};
    return runStep(second, area, work, 0.5, 1);
}

} // namespace irenic
#endif
