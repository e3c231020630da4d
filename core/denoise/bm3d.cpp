#include "denoise/bm3d.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstring>
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
constexpr int kGroup = 32;                // the largest N2 of the two steps
constexpr int kTile = 64;                 // reference positions of a tile; a multiple of kStep
constexpr int kRefs = (kTile / kStep) * (kTile / kStep);
constexpr int kHalo = kS + kB;            // how far a tile's blocks reach beyond it
constexpr int kSide = kTile + 2 * kHalo;  // accumulator side
constexpr int kRow = kSide + 16;          // of the tile's own copies, with room for whole vectors
// Tuned on noiseless truth (see docs/quality.md). Both are a little above the paper's 2.7 and 1: groups are found by luminance
// alone and here also hold poorer matches, whose differences must not pass for detail.
constexpr float kLambda = 3.2f;
constexpr float kWienerNoise = 1.5f; // noise variance assumed by the second step, over the measured one

struct Tables {
    alignas(64) float cosine[kPixels];     // row x: the value of all frequencies' cosines at x
    alignas(64) float transposed[kPixels]; // row u: the cosine of frequency u
    float window[kB];                      // Kaiser, beta 2; the block's window is its outer product
    Tables() {
        const auto bessel = [](double x) {
            double sum = 1, term = 1;
            for (int k = 1; k < 30; ++k) sum += term *= (x / (2 * k)) * (x / (2 * k));
            return sum;
        };
        for (int i = 0; i < kB; ++i) {
            const double t = 2.0 * i / (kB - 1) - 1;
            window[i] = static_cast<float>(bessel(2.0 * std::sqrt(1 - t * t)) / bessel(2.0));
        }
        for (int u = 0; u < kB; ++u)
            for (int x = 0; x < kB; ++x) {
                const double scale = u == 0 ? std::sqrt(1.0 / kB) : std::sqrt(2.0 / kB);
                const auto c = static_cast<float>(scale * std::cos(std::numbers::pi * (x + 0.5) * u / kB));
                cosine[x * kB + u] = transposed[u * kB + x] = c;
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

struct Place {
    std::int16_t dx, dy;
};
struct Reference {
    int x, y; // within the tile's own copies
    int count;
    float weight;
    Place match[kGroup];
};

// A tile's own memory, one for each thread. Rows of the photo lie whole memory pages apart and would push one another out
// of the cache.
struct Scratch {
    alignas(64) float guide[kSide * kRow];
    // For every position of a block's corner, the one-dimensional transforms along x of its first row: overlapping
    // blocks share them. `gathered` is the same for what goes back: rows are transformed back once for each position.
    alignas(64) float noisy[kSide * kSide * kB], basic[kSide * kSide * kB], gathered[kSide * kSide * kB];
    alignas(64) float corners[kSide * kSide]; // the weight of the blocks that have their corner here
    alignas(64) float group[kGroup * kPixels], pilot[kGroup * kPixels];
    Reference reference[kRefs];
    int references;
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
using D16 = hn::CappedTag<float, 16>;

// The orthonormal 8-point DCT down the columns of an 8x8 block whose rows are `stride` floats apart.
HWY_INLINE void ColumnsForward(const float* in, std::ptrdiff_t stride, float* out) {
    const D8 d;
    constexpr float k1 = 0.49039264f, k2 = 0.46193977f, k3 = 0.41573481f, k4 = 0.35355339f, k5 = 0.27778512f, k6 = 0.19134172f, k7 = 0.09754516f;
    const auto c1 = hn::Set(d, k1), c2 = hn::Set(d, k2), c3 = hn::Set(d, k3), c4 = hn::Set(d, k4), c5 = hn::Set(d, k5), c6 = hn::Set(d, k6), c7 = hn::Set(d, k7);
    for (int c = 0; c < kB; c += static_cast<int>(hn::Lanes(d))) {
        const auto at = [&](int y) HWY_ATTR { return hn::LoadU(d, in + y * stride + c); };
        const auto a0 = at(0), a1 = at(1), a2 = at(2), a3 = at(3), a4 = at(4), a5 = at(5), a6 = at(6), a7 = at(7);
        const auto s0 = hn::Add(a0, a7), s1 = hn::Add(a1, a6), s2 = hn::Add(a2, a5), s3 = hn::Add(a3, a4);
        const auto d0 = hn::Sub(a0, a7), d1 = hn::Sub(a1, a6), d2 = hn::Sub(a2, a5), d3 = hn::Sub(a3, a4);
        const auto e0 = hn::Add(s0, s3), e1 = hn::Add(s1, s2), f0 = hn::Sub(s0, s3), f1 = hn::Sub(s1, s2);
        const auto put = [&](int u, auto v) HWY_ATTR { hn::Store(v, d, out + u * kB + c); };
        put(0, hn::Mul(hn::Add(e0, e1), c4));
        put(4, hn::Mul(hn::Sub(e0, e1), c4));
        put(2, hn::MulAdd(f0, c2, hn::Mul(f1, c6)));
        put(6, hn::NegMulAdd(f1, c2, hn::Mul(f0, c6)));
        put(1, hn::MulAdd(d0, c1, hn::MulAdd(d1, c3, hn::MulAdd(d2, c5, hn::Mul(d3, c7)))));
        put(3, hn::MulAdd(d0, c3, hn::NegMulAdd(d1, c7, hn::NegMulAdd(d2, c1, hn::Neg(hn::Mul(d3, c5))))));
        put(5, hn::MulAdd(d0, c5, hn::NegMulAdd(d1, c1, hn::MulAdd(d2, c7, hn::Mul(d3, c3)))));
        put(7, hn::MulAdd(d0, c7, hn::NegMulAdd(d1, c5, hn::MulAdd(d2, c3, hn::Neg(hn::Mul(d3, c1))))));
    }
}

// The inverse, times the window's column and `weight`, added to rows `stride` floats apart.
HWY_INLINE void AddColumnsInverse(const float* in, float weight, const float* window, float* to, std::ptrdiff_t stride) {
    const D8 d;
    constexpr float k1 = 0.49039264f, k2 = 0.46193977f, k3 = 0.41573481f, k4 = 0.35355339f, k5 = 0.27778512f, k6 = 0.19134172f, k7 = 0.09754516f;
    const auto c1 = hn::Set(d, k1), c2 = hn::Set(d, k2), c3 = hn::Set(d, k3), c4 = hn::Set(d, k4), c5 = hn::Set(d, k5), c6 = hn::Set(d, k6), c7 = hn::Set(d, k7);
    for (int c = 0; c < kB; c += static_cast<int>(hn::Lanes(d))) {
        const auto at = [&](int u) HWY_ATTR { return hn::Load(d, in + u * kB + c); };
        const auto x0 = at(0), x1 = at(1), x2 = at(2), x3 = at(3), x4 = at(4), x5 = at(5), x6 = at(6), x7 = at(7);
        const auto e0 = hn::Mul(hn::Add(x0, x4), c4), e1 = hn::Mul(hn::Sub(x0, x4), c4);
        const auto f0 = hn::MulAdd(x2, c2, hn::Mul(x6, c6)), f1 = hn::NegMulAdd(x6, c2, hn::Mul(x2, c6));
        const auto s0 = hn::Add(e0, f0), s3 = hn::Sub(e0, f0), s1 = hn::Add(e1, f1), s2 = hn::Sub(e1, f1);
        const auto d0 = hn::MulAdd(x1, c1, hn::MulAdd(x3, c3, hn::MulAdd(x5, c5, hn::Mul(x7, c7))));
        const auto d1 = hn::MulAdd(x1, c3, hn::NegMulAdd(x3, c7, hn::NegMulAdd(x5, c1, hn::Neg(hn::Mul(x7, c5)))));
        const auto d2 = hn::MulAdd(x1, c5, hn::NegMulAdd(x3, c1, hn::MulAdd(x5, c7, hn::Mul(x7, c3))));
        const auto d3 = hn::MulAdd(x1, c7, hn::NegMulAdd(x3, c5, hn::MulAdd(x5, c3, hn::Neg(hn::Mul(x7, c1)))));
        const auto add = [&](int y, auto v) HWY_ATTR {
            float* row = to + y * stride + c;
            hn::Store(hn::MulAdd(v, hn::Set(d, weight * window[y]), hn::Load(d, row)), d, row);
        };
        add(0, hn::Add(s0, d0)), add(7, hn::Sub(s0, d0));
        add(1, hn::Add(s1, d1)), add(6, hn::Sub(s1, d1));
        add(2, hn::Add(s2, d2)), add(5, hn::Sub(s2, d2));
        add(3, hn::Add(s3, d3)), add(4, hn::Sub(s3, d3));
    }
}

// The orthonormal Haar transform of N vectors, in place; coefficients stay where their first sample was.
template <int N, class V> HWY_INLINE void HaarForward(V* v) {
    const D16 d;
    const auto half = hn::Set(d, 0.70710678f);
    for (int s = 1; s < N; s *= 2)
        for (int i = 0; i < N; i += 2 * s) {
            const auto a = v[i], b = v[i + s];
            v[i] = hn::Mul(hn::Add(a, b), half);
            v[i + s] = hn::Mul(hn::Sub(a, b), half);
        }
}
template <int N, class V> HWY_INLINE void HaarInverse(V* v) {
    const D16 d;
    const auto half = hn::Set(d, 0.70710678f);
    for (int s = N / 2; s >= 1; s /= 2)
        for (int i = 0; i < N; i += 2 * s) {
            const auto a = v[i], b = v[i + s];
            v[i] = hn::Mul(hn::Add(a, b), half);
            v[i + s] = hn::Mul(hn::Sub(a, b), half);
        }
}

// Shrinks a group of N transformed blocks in the three-dimensional spectrum. Returns the weight the estimate deserves: one
// over its remaining noise.
template <int N> float ShrinkThreshold(float* group, float sigma) {
    const D16 d;
    const auto threshold = hn::Set(d, kLambda * sigma);
    std::size_t kept = 0;
    for (int c = 0; c < kPixels; c += static_cast<int>(hn::Lanes(d))) {
        hn::Vec<D16> v[N];
        for (int i = 0; i < N; ++i) v[i] = hn::Load(d, group + i * kPixels + c);
        HaarForward<N>(v);
        for (int i = 0; i < N; ++i) {
            const auto big = hn::Gt(hn::Abs(v[i]), threshold);
            kept += hn::CountTrue(d, big);
            v[i] = hn::IfThenElseZero(big, v[i]);
        }
        HaarInverse<N>(v);
        for (int i = 0; i < N; ++i) hn::Store(v[i], d, group + i * kPixels + c);
    }
    return 1.0f / static_cast<float>(std::max<std::size_t>(1, kept));
}
template <int N> float ShrinkWiener(float* group, const float* pilot, float sigma) {
    const D16 d;
    const auto noise = hn::Set(d, kWienerNoise * sigma * sigma);
    auto sum = hn::Zero(d);
    for (int c = 0; c < kPixels; c += static_cast<int>(hn::Lanes(d))) {
        hn::Vec<D16> v[N], b[N];
        for (int i = 0; i < N; ++i) b[i] = hn::Load(d, pilot + i * kPixels + c);
        HaarForward<N>(b);
        for (int i = 0; i < N; ++i) v[i] = hn::Load(d, group + i * kPixels + c);
        HaarForward<N>(v);
        for (int i = 0; i < N; ++i) {
            const auto energy = hn::Mul(b[i], b[i]);
            const auto gain = hn::Div(energy, hn::Add(energy, noise));
            sum = hn::MulAdd(gain, gain, sum);
            v[i] = hn::Mul(gain, v[i]);
        }
        HaarInverse<N>(v);
        for (int i = 0; i < N; ++i) hn::Store(v[i], d, group + i * kPixels + c);
    }
    return 1.0f / std::max(hn::GetLane(hn::SumOfLanes(d, sum)), 0.05f);
}
template <int N> float Shrink(float* group, const float* pilot, float sigma) {
    return pilot ? ShrinkWiener<N>(group, pilot, sigma) : ShrinkThreshold<N>(group, sigma);
}

// Fills in the blocks most like the one at ref, itself among them; their count is a power of two.
void Match(const Step& step, const float* guide, Reference& ref) {
    const D16 d;
    const hn::RebindToUnsigned<D16> du;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const float* centre = guide + ref.y * kRow + ref.x;
    HWY_ALIGN float block[kPixels];
    for (int j = 0; j < kB; ++j)
        for (int i = 0; i < kB; ++i) block[j * kB + i] = centre[j * kRow + i];
    // A key holds the distance, whose bits rise with it, and in its last ten bits the place.
    constexpr int across = 32;
    static_assert(kSpan <= across);
    HWY_ALIGN std::uint32_t keys[kSpan * across];
    const auto mask = hn::Set(du, 0xFFFFFC00U);
    const auto outside = hn::Set(du, 0xFFFFFFFFU);
    for (int dy = 0; dy < kSpan; ++dy)
        for (int dx = 0; dx < across; dx += lanes) {
            std::uint32_t* to = keys + dy * across + dx;
            if (dx >= kSpan) {
                hn::Store(outside, du, to);
                continue;
            }
            const float* p = centre + (dy - kS) * kRow + dx - kS;
            auto a = hn::Zero(d), b = hn::Zero(d);
            for (int j = 0; j < kB; ++j)
                for (int i = 0; i < kB; i += 2) {
                    const auto e = hn::Sub(hn::LoadU(d, p + j * kRow + i), hn::Set(d, block[j * kB + i]));
                    const auto f = hn::Sub(hn::LoadU(d, p + j * kRow + i + 1), hn::Set(d, block[j * kB + i + 1]));
                    a = hn::MulAdd(e, e, a);
                    b = hn::MulAdd(f, f, b);
                }
            const auto place = hn::Iota(du, static_cast<std::uint32_t>(dy * across + dx));
            const auto key = hn::Or(hn::And(hn::BitCast(du, hn::Add(a, b)), mask), place);
            const auto column = hn::Iota(du, static_cast<std::uint32_t>(dx));
            hn::Store(hn::IfThenElse(hn::Lt(column, hn::Set(du, static_cast<std::uint32_t>(kSpan))), key, outside), du, to);
        }
    const auto below = [&](std::uint32_t t) HWY_ATTR {
        std::size_t n = 0;
        const auto limit = hn::Set(du, t);
        for (int i = 0; i < kSpan * across; i += lanes) n += hn::CountTrue(du, hn::Lt(hn::Load(du, keys + i), limit));
        return static_cast<int>(n);
    };
    const float limit = step.limit * kPixels;
    std::uint32_t high = 0, low = 0;
    std::memcpy(&high, &limit, sizeof high);
    const int close = below(high);
    int n = 1;
    while (2 * n <= std::min(close, step.groupSize)) n *= 2;
    // Bisection for the key that exactly n lie below; keys differ, so there is one.
    for (int found = close; found != n;) {
        const std::uint32_t middle = low + (high - low) / 2;
        const int m = below(middle);
        if (m >= n) high = middle, found = m;
        else low = middle;
    }
    HWY_ALIGN std::uint32_t chosen[kGroup + 16];
    int count = 0;
    const auto top = hn::Set(du, high);
    for (int i = 0; i < kSpan * across; i += lanes) {
        const auto v = hn::Load(du, keys + i);
        const auto m = hn::Lt(v, top);
        if (!hn::AllFalse(du, m)) count += static_cast<int>(hn::CompressBlendedStore(v, m, du, chosen + count));
    }
    std::sort(chosen, chosen + n);
    for (int i = 0; i < n; ++i) {
        const int place = static_cast<int>(chosen[i] & 1023U);
        ref.match[i] = {static_cast<std::int16_t>(place % across - kS), static_cast<std::int16_t>(place / across - kS)};
    }
    ref.count = n;
}

// One-dimensional transforms along x, for all corners in `where` (within the tile's copies).
void RowsForward(const PlaneSet& from, std::size_t p, const Rect& tile, const Rect& where, float* out) {
    const D8 d;
    const Tables& t = tables();
    for (int y = where.y; y < where.bottom(); ++y) {
        const float* row = from.rowAt(p, tile.y - kHalo + y) + tile.x - kHalo;
        for (int x = where.x; x < where.right(); ++x) {
            float* to = out + static_cast<std::ptrdiff_t>(y * kSide + x) * kB;
            for (int c = 0; c < kB; c += static_cast<int>(hn::Lanes(d))) {
                auto a = hn::Mul(hn::Set(d, row[x]), hn::Load(d, t.cosine + c)), b = hn::Mul(hn::Set(d, row[x + 1]), hn::Load(d, t.cosine + kB + c));
                for (int i = 2; i < kB; i += 2) {
                    a = hn::MulAdd(hn::Set(d, row[x + i]), hn::Load(d, t.cosine + i * kB + c), a);
                    b = hn::MulAdd(hn::Set(d, row[x + i + 1]), hn::Load(d, t.cosine + (i + 1) * kB + c), b);
                }
                hn::Store(hn::Add(a, b), d, to + c);
            }
        }
    }
}

// Back along x, windowed, added up where blocks overlap. Rows below the last corner hold the blocks' lower parts.
void RowsInverse(const float* gathered, const Rect& where, float* sum) {
    const D8 d;
    const Tables& t = tables();
    HWY_ALIGN float windowed[kPixels]; // row v: the cosine of frequency v under the window
    for (int v = 0; v < kB; ++v)
        for (int i = 0; i < kB; ++i) windowed[v * kB + i] = t.transposed[v * kB + i] * t.window[i];
    for (int y = where.y; y < where.bottom() + kB - 1; ++y)
        for (int x = where.x; x < where.right(); ++x) {
            const float* from = gathered + static_cast<std::ptrdiff_t>(y * kSide + x) * kB;
            float* to = sum + y * kSide + x;
            for (int c = 0; c < kB; c += static_cast<int>(hn::Lanes(d))) {
                auto a = hn::LoadU(d, to + c), b = hn::Zero(d);
                for (int v = 0; v < kB; v += 2) {
                    a = hn::MulAdd(hn::Set(d, from[v]), hn::Load(d, windowed + v * kB + c), a);
                    b = hn::MulAdd(hn::Set(d, from[v + 1]), hn::Load(d, windowed + (v + 1) * kB + c), b);
                }
                hn::StoreU(hn::Add(a, b), d, to + c);
            }
        }
}

// The window of every block, times the weight at its corner.
void SpreadWeights(const float* corners, const Rect& where, float* weight) {
    const D8 d;
    const Tables& t = tables();
    for (int y = where.y; y < where.bottom(); ++y)
        for (int x = where.x; x < where.right(); ++x) {
            const float w = corners[y * kSide + x];
            if (w == 0) continue;
            for (int j = 0; j < kB; ++j)
                for (int c = 0; c < kB; c += static_cast<int>(hn::Lanes(d))) {
                    float* to = weight + (y + j) * kSide + x + c;
                    hn::StoreU(hn::MulAdd(hn::Set(d, w * t.window[j]), hn::LoadU(d, t.window + c), hn::LoadU(d, to)), d, to);
                }
        }
}

void RunTile(const Step& step, const Rect& tile, Scratch& own, Accumulator& out) {
    const Tables& t = tables();
    std::fill(&out.sum[0][0], &out.sum[0][0] + kPlanes * kSide * kSide, 0.0f);
    std::fill(&out.weight[0][0], &out.weight[0][0] + 2 * kSide * kSide, 0.0f);
    const Rect refs = tile.intersected(step.references);
    if (refs.empty()) return;
    // Everything below is in coordinates of the tile's copies, whose origin is the tile's less the halo.
    const Rect here = refs.translated(kHalo - tile.x, kHalo - tile.y);
    const Rect corners{here.x - kS, here.y - kS, here.width + kSpan - 1, here.height + kSpan - 1};
    for (int y = corners.y; y < corners.bottom() + kB - 1; ++y) {
        const float* from = step.guide->row(tile.y - kHalo + y - step.guideArea.y) + tile.x - kHalo - step.guideArea.x;
        std::copy(from + corners.x, from + corners.right() + kB - 1, own.guide + y * kRow + corners.x);
    }
    own.references = 0;
    for (int y = kHalo; y < kHalo + kTile; y += kStep)
        for (int x = kHalo; x < kHalo + kTile; x += kStep) {
            if (x < here.x || x >= here.right() || y < here.y || y >= here.bottom()) continue;
            Reference& ref = own.reference[own.references++];
            ref.x = x, ref.y = y;
            Match(step, own.guide, ref);
        }
    // Luminance first (planes 0 and 3), then colour (1 and 2). Both planes of a kind share a weight, and the first of a pair
    // decides on it: it carries most of the picture.
    constexpr std::size_t order[kPlanes] = {0, 3, 1, 2};
    for (std::size_t k = 0; k < kPlanes; ++k) {
        const std::size_t p = order[k];
        const float sigma = step.strength[p];
        const bool first = k % 2 == 0;
        if (sigma <= 0) continue;
        RowsForward(*step.noisy, p, tile, Rect{corners.x, corners.y, corners.width, corners.height + kB - 1}, own.noisy);
        if (step.basic) RowsForward(*step.basic, p, tile, Rect{corners.x, corners.y, corners.width, corners.height + kB - 1}, own.basic);
        std::fill(own.gathered, own.gathered + kSide * kSide * kB, 0.0f);
        if (first) std::fill(own.corners, own.corners + kSide * kSide, 0.0f);
        for (int r = 0; r < own.references; ++r) {
            Reference& ref = own.reference[r];
            const auto at = [&](int i) { return static_cast<std::ptrdiff_t>((ref.y + ref.match[i].dy) * kSide + ref.x + ref.match[i].dx) * kB; };
            for (int i = 0; i < ref.count; ++i) ColumnsForward(own.noisy + at(i), kSide * kB, own.group + i * kPixels);
            if (step.basic)
                for (int i = 0; i < ref.count; ++i) ColumnsForward(own.basic + at(i), kSide * kB, own.pilot + i * kPixels);
            const float* pilot = step.basic ? own.pilot : nullptr;
            float weight = 0;
            switch (ref.count) {
            case 1: weight = Shrink<1>(own.group, pilot, sigma); break;
            case 2: weight = Shrink<2>(own.group, pilot, sigma); break;
            case 4: weight = Shrink<4>(own.group, pilot, sigma); break;
            case 8: weight = Shrink<8>(own.group, pilot, sigma); break;
            case 16: weight = Shrink<16>(own.group, pilot, sigma); break;
            default: weight = Shrink<32>(own.group, pilot, sigma); break;
            }
            if (first) {
                ref.weight = weight;
                for (int i = 0; i < ref.count; ++i) own.corners[at(i) / kB] += weight;
            }
            for (int i = 0; i < ref.count; ++i)
                AddColumnsInverse(own.group + i * kPixels, ref.weight, t.window, own.gathered + at(i), kSide * kB);
        }
        RowsInverse(own.gathered, corners, out.sum[p]);
        if (first) SpreadWeights(own.corners, corners, out.weight[k / 2]);
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
            static thread_local const auto own = std::make_unique<Scratch>();
            HWY_DYNAMIC_DISPATCH(RunTile)(step, tile, *own, *accumulators[i]);
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
