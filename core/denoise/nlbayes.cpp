#include "denoise/nlbayes.h"

#include <algorithm>
#include <memory>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/nlbayes.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#include "denoise/bm3d.h"
#include "denoise/match-inl.h"

#ifndef IRENIC_NLBAYES_SHARED
#define IRENIC_NLBAYES_SHARED
namespace irenic::nlbayes {

using namespace groups;                                                              // NOLINT: its vocabulary
constexpr int kP = 4, kOfPlane = kP * kP, kD = kOfPlane * static_cast<int>(kPlanes); // samples of a patch
// Tuned on noiseless truth. Covariances of some 60 patches scatter around the true ones, and what scatters
// low would be taken for structure: more noise is assumed than there is.
constexpr int kPatches = 64;
constexpr float kNoise = 1.5f;
// Without a mosaic noise goes from pixel to pixel, and in the directions where it does there is more of it.
constexpr float kPixelNoise = 3.2f;
// What single precision can tell of the largest variance in the elimination of 64 dimensions, with room.
constexpr float kPrecise = 1e-5f;
constexpr int kInset = (kBlock - kP) / 2; // of the patch within the block that is compared

struct Scratch : Matches {
    alignas(64) float noisy[kPlanes][kSide * kRow], basic[kPlanes][kSide * kRow];
    alignas(64) float x[kMost * kD], b[kMost * kD];
    alignas(64) float mean[kD], matrix[kD * kD];
};

} // namespace irenic::nlbayes
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::nlbayes; // NOLINT: the shared part of this very file

using D16 = hn::CappedTag<float, 16>;

// Takes the mean of n patches away from them.
HWY_INLINE void Centre(float* rows, int n, float* mean) {
    const D16 d;
    for (int c = 0; c < kD; c += static_cast<int>(hn::Lanes(d))) {
        auto sum = hn::Zero(d);
        for (int i = 0; i < n; ++i) sum = hn::Add(sum, hn::Load(d, rows + i * kD + c));
        sum = hn::Mul(sum, hn::Set(d, 1.0f / static_cast<float>(n)));
        hn::Store(sum, d, mean + c);
        for (int i = 0; i < n; ++i)
            hn::Store(hn::Sub(hn::Load(d, rows + i * kD + c), sum), d, rows + i * kD + c);
    }
}

// How many vectors of a row, and of how many rows, are worked on together: enough sums side by side that none
// waits for itself, and all of them in registers.
constexpr int kTogether = 2, kRowsTogether = 4;

// sum[k][v] += factor(k, i) row(i)[c + v lanes] for i below n.
template <int K, int V, class Factor, class Row>
HWY_INLINE void SumProducts(int n, const Factor& factor, const Row& row, hn::Vec<D16> (&sum)[K][V]) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (auto& of : sum)
        for (auto& one : of) one = hn::Zero(d);
    for (int i = 0; i < n; ++i) {
        hn::Vec<D16> v[V];
        for (int k = 0; k < V; ++k) v[k] = hn::Load(d, row(i) + k * lanes);
        for (int k = 0; k < K; ++k) {
            const auto f = hn::Set(d, factor(k, i));
            for (int j = 0; j < V; ++j) sum[k][j] = hn::MulAdd(f, v[j], sum[k][j]);
        }
    }
}

// out = rows' rows / n.
HWY_INLINE void Covariance(const float* rows, int n, float* out) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    constexpr int K = kRowsTogether, V = kTogether;
    const auto scale = hn::Set(d, 1.0f / static_cast<float>(n));
    const int wide = V * lanes;
    for (int a = 0; a < kD; a += K)
        for (int c = a / wide * wide; c < kD; c += wide) {
            hn::Vec<D16> sum[K][V];
            SumProducts(
                n, [&](int k, int i) { return rows[i * kD + a + k]; },
                [&](int i) { return rows + i * kD + c; }, sum);
            for (int k = 0; k < K; ++k)
                for (int v = 0; v < V; ++v)
                    hn::Store(hn::Mul(sum[k][v], scale), d, out + (a + k) * kD + c + v * lanes);
        }
    for (int a = wide; a < kD; ++a)
        for (int c = 0; c < a / wide * wide; ++c) out[a * kD + c] = out[c * kD + a];
}

HWY_INLINE void ScaleRow(float* row, float factor) {
    const D16 d;
    for (int c = 0; c < kD; c += static_cast<int>(hn::Lanes(d)))
        hn::Store(hn::Mul(hn::Load(d, row + c), hn::Set(d, factor)), d, row + c);
}
// Takes row[k] times the pivot's row away, in which column k stands for the inverse.
HWY_INLINE void Eliminate(float* row, const float* pivot, int k) {
    const D16 d;
    const auto factor = hn::Set(d, row[k]);
    row[k] = 0;
    for (int c = 0; c < kD; c += static_cast<int>(hn::Lanes(d)))
        hn::Store(hn::NegMulAdd(factor, hn::Load(d, pivot + c), hn::Load(d, row + c)), d, row + c);
}

// The inverse of a symmetric positive definite matrix, in place, by Gauss and Jordan without pivoting, two
// pivots at a time: every row is fetched and put back half as often.
HWY_INLINE void Invert(float* m) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const auto begin = [](float* row, int k) HWY_ATTR {
        const float inverse = 1 / std::max(row[k], 1e-6f);
        row[k] = 1;
        ScaleRow(row, inverse);
    };
    float f[kD], g[kD];
    for (int k = 0; k < kD; k += 2) {
        float *p = m + k * kD, *q = p + kD;
        begin(p, k);
        Eliminate(q, p, k);
        begin(q, k + 1);
        for (int r = 0; r < kD; ++r) {
            float* row = m + r * kD;
            f[r] = row[k], g[r] = row[k + 1] - f[r] * p[k + 1];
        }
        f[k] = g[k] = f[k + 1] = g[k + 1] = 0;
        constexpr int V = kTogether;
        for (int c = 0; c < kD; c += V * lanes) {
            hn::Vec<D16> first[V], second[V];
            for (int v = 0; v < V; ++v)
                first[v] = hn::Load(d, p + c + v * lanes), second[v] = hn::Load(d, q + c + v * lanes);
            for (int r = 0; r < kD; ++r) {
                float* row = m + r * kD + c;
                const auto one = hn::Set(d, f[r]), other = hn::Set(d, g[r]);
                for (int v = 0; v < V; ++v) {
                    const auto less = hn::NegMulAdd(one, first[v], hn::Load(d, row + v * lanes));
                    hn::Store(hn::NegMulAdd(other, second[v], less), d, row + v * lanes);
                }
            }
        }
        // In the pivots' columns stands what becomes of the unit matrix.
        for (int r = 0; r < kD; ++r) {
            if (r == k || r == k + 1) continue;
            m[r * kD + k] = -f[r] * p[k] - g[r] * q[k];
            m[r * kD + k + 1] = -g[r] * q[k + 1];
        }
        Eliminate(p, q, k + 1);
    }
}

// Adds `noise[p]` to the diagonal for the samples of plane p; more where the picture's
// contrast is so far above its noise that single precision could not invert the matrix.
HWY_INLINE void AddNoise(float* m, const float* noise) {
    float largest = 0;
    for (int a = 0; a < kD; ++a) largest = std::max(largest, m[a * kD + a]);
    for (int a = 0; a < kD; ++a) m[a * kD + a] += std::max(noise[a / kOfPlane], kPrecise * largest);
}

// rows = mean + rows (1 - noise inverse); noise is diagonal, `noise[p]` for the samples of plane p.
HWY_INLINE void Estimate(float* rows, int n, const float* inverse, const float* mean, const float* noise) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    constexpr int K = kRowsTogether, V = kTogether;
    HWY_ALIGN float result[K * kD];
    for (int i = 0; i < n; i += K) {
        const int left = std::min(K, n - i);
        const float* r[K];
        for (int k = 0; k < K; ++k) r[k] = rows + std::min(i + k, n - 1) * kD;
        for (int c = 0; c < kD; c += V * lanes) {
            hn::Vec<D16> sum[K][V];
            SumProducts(
                kD, [&](int k, int a) { return r[k][a]; }, [&](int a) { return inverse + a * kD + c; }, sum);
            for (int v = 0; v < V; ++v) {
                const int at = c + v * lanes;
                const auto sigma2 = hn::Set(d, noise[at / kOfPlane]), m = hn::Load(d, mean + at);
                for (int k = 0; k < K; ++k)
                    hn::Store(hn::Add(m, hn::NegMulAdd(sigma2, sum[k][v], hn::Load(d, r[k] + at))), d,
                              result + k * kD + at);
            }
        }
        std::copy(result, result + left * kD, rows + i * kD);
    }
}

void RunTile(const Step& step, const Rect& tile, Scratch& own, Accumulator& out) {
    const hn::CappedTag<float, kP> d4;
    constexpr int lanes = static_cast<int>(hn::MaxLanes(d4));
    const Rect corners = cornersOf(step, tile);
    MatchTile(step, tile, own);
    const auto copy = [&](const PlaneSet& from, float(*to)[kSide * kRow]) {
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = corners.y; y < corners.bottom() + kBlock - 1; ++y) {
                const float* row = from.rowAt(p, tile.y - kHalo + y) + tile.x - kHalo;
                std::copy(row + corners.x, row + corners.right() + kBlock - 1, to[p] + y * kRow + corners.x);
            }
    };
    copy(*step.noisy, own.noisy);
    copy(*step.basic, own.basic);
    const float more = step.noisy->packed ? kNoise : kPixelNoise;
    float noise[kPlanes];
    for (std::size_t p = 0; p < kPlanes; ++p)
        noise[p] = more * std::max(step.strength[p] * step.strength[p], 1e-4f);

    for (int r = 0; r < own.references; ++r) {
        const Reference& ref = own.reference[r];
        const int n = step.groupSize;
        const auto at = [&](int i, int stride) {
            return (ref.y + kInset + ref.match[i].dy) * stride + ref.x + kInset + ref.match[i].dx;
        };
        const auto gather = [&](const float* plane, float* rows, int column) HWY_ATTR {
            for (int i = 0; i < n; ++i)
                for (int j = 0; j < kP; ++j)
                    for (int c = 0; c < kP; c += lanes)
                        hn::Store(hn::LoadU(d4, plane + at(i, kRow) + j * kRow + c), d4,
                                  rows + i * kD + column + j * kP + c);
        };
        const auto scatter = [&](const float* rows, int column, float* sum) HWY_ATTR {
            for (int i = 0; i < n; ++i)
                for (int j = 0; j < kP; ++j)
                    for (int c = 0; c < kP; c += lanes) {
                        float* to = sum + at(i, kSide) + j * kSide + c;
                        hn::StoreU(
                            hn::Add(hn::LoadU(d4, to), hn::Load(d4, rows + i * kD + column + j * kP + c)), d4,
                            to);
                    }
        };
        for (std::size_t p = 0; p < kPlanes; ++p) {
            gather(own.noisy[p], own.x, static_cast<int>(p) * kOfPlane);
            gather(own.basic[p], own.b, static_cast<int>(p) * kOfPlane);
        }
        Centre(own.b, n, own.mean);
        Covariance(own.b, n, own.matrix);
        AddNoise(own.matrix, noise);
        Invert(own.matrix);
        for (int i = 0; i < n; ++i)
            for (int a = 0; a < kD; ++a) own.x[i * kD + a] -= own.mean[a];
        Estimate(own.x, n, own.matrix, own.mean, noise);
        for (std::size_t p = 0; p < kPlanes; ++p)
            if (step.strength[p] > 0) scatter(own.x, static_cast<int>(p) * kOfPlane, out.sum[p]);
        for (int i = 0; i < n; ++i)
            for (int j = 0; j < kP; ++j)
                for (int c = 0; c < kP; ++c) out.weight[0][at(i, kSide) + j * kSide + c] += 1;
    }
    std::copy(out.weight[0], out.weight[0] + kSide * kSide, out.weight[1]);
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(RunTile);

namespace {

using namespace nlbayes;

void runTile(const Step& step, const Rect& tile, Accumulator& out) {
    static thread_local const auto own = std::make_unique<Scratch>();
    HWY_DYNAMIC_DISPATCH(RunTile)(step, tile, *own, out);
}

} // namespace

int NonLocalBayes::margin() const { return BlockMatching(true).margin() + kReach; }

PlaneSet NonLocalBayes::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                            const Work& work) const {
    // All planes are taken together: one whose noise was said to be less than it is would hand it on to the
    // others.
    return withTwoStrengths(in, area, strength, work, [&](float s, const Work& part) {
        const std::array<float, kPlanes> all{s, s, s, in.packed ? s : 0};
        const PlaneSet basic = BlockMatching(true).run(in, area.inflated(kReach), all, part.part(0, 0.4));
        const Step step{&in, &basic, &basic.plane[0], basic.area, {}, all, kPatches};
        return aggregate(step, area, runTile, part.part(0.4, 1));
    });
}

} // namespace irenic
#endif
