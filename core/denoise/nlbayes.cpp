#include "denoise/nlbayes.h"

#include <algorithm>
#include <memory>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/nlbayes.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#include "denoise/match-inl.h"

#ifndef IRENIC_NLBAYES_SHARED
#define IRENIC_NLBAYES_SHARED
namespace irenic::nlbayes {

using namespace groups; // NOLINT: its vocabulary
constexpr int kP = 4, kD = kP * kP, kAll = kD * static_cast<int>(kPlanes);
// Tuned on noiseless truth. Covariances of some 80 patches scatter around the true ones, and what scatters
// low would be taken for structure: both steps assume somewhat more noise than there is, and step one a trace
// more variance than was found.
constexpr int kPatches = 80;
constexpr float kNoise1 = 1.3f, kNoise2 = 2.2f, kRidge = 0.1f, kFlat = 1.2f;
// What single precision can tell of the largest variance in the elimination of 64 dimensions, with room.
constexpr float kPrecise = 1e-5f;
constexpr int kInset = (kBlock - kP) / 2; // of the patch within the block that is compared

struct Scratch : Matches {
    alignas(64) float noisy[kPlanes][kSide * kRow], basic[kPlanes][kSide * kRow];
    alignas(64) float x[kMost * kAll], b[kMost * kAll];
    alignas(64) float mean[kAll], matrix[kAll * kAll];
};

} // namespace irenic::nlbayes
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::nlbayes; // NOLINT: the shared part of this very file

using D16 = hn::CappedTag<float, 16>;

// Takes the mean of n rows of D samples away from them.
template <int D> HWY_INLINE void Centre(float* rows, int n, float* mean) {
    const D16 d;
    for (int c = 0; c < D; c += static_cast<int>(hn::Lanes(d))) {
        auto sum = hn::Zero(d);
        for (int i = 0; i < n; ++i) sum = hn::Add(sum, hn::Load(d, rows + i * D + c));
        sum = hn::Mul(sum, hn::Set(d, 1.0f / static_cast<float>(n)));
        hn::Store(sum, d, mean + c);
        for (int i = 0; i < n; ++i)
            hn::Store(hn::Sub(hn::Load(d, rows + i * D + c), sum), d, rows + i * D + c);
    }
}

// out = rows' rows / n.
template <int D> HWY_INLINE void Covariance(const float* rows, int n, float* out) {
    const D16 d;
    const auto scale = hn::Set(d, 1.0f / static_cast<float>(n));
    // Four rows of the matrix at a time stay in registers.
    for (int a = 0; a < D; a += 4)
        for (int c = a / 16 * 16; c < D; c += static_cast<int>(hn::Lanes(d))) {
            auto s0 = hn::Zero(d), s1 = s0, s2 = s0, s3 = s0;
            for (int i = 0; i < n; ++i) {
                const float* row = rows + i * D;
                const auto v = hn::Load(d, row + c);
                s0 = hn::MulAdd(hn::Set(d, row[a]), v, s0);
                s1 = hn::MulAdd(hn::Set(d, row[a + 1]), v, s1);
                s2 = hn::MulAdd(hn::Set(d, row[a + 2]), v, s2);
                s3 = hn::MulAdd(hn::Set(d, row[a + 3]), v, s3);
            }
            hn::Store(hn::Mul(s0, scale), d, out + a * D + c);
            hn::Store(hn::Mul(s1, scale), d, out + (a + 1) * D + c);
            hn::Store(hn::Mul(s2, scale), d, out + (a + 2) * D + c);
            hn::Store(hn::Mul(s3, scale), d, out + (a + 3) * D + c);
        }
    for (int a = 16; a < D; ++a)
        for (int c = 0; c < a / 16 * 16; ++c) out[a * D + c] = out[c * D + a];
}

// The inverse of a symmetric positive definite matrix, in place, by Gauss and Jordan without pivoting.
template <int D> HWY_INLINE void Invert(float* m) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (int k = 0; k < D; ++k) {
        float* pivot = m + k * D;
        const float inverse = 1 / std::max(pivot[k], 1e-6f);
        pivot[k] = 1;
        const auto scale = hn::Set(d, inverse);
        for (int c = 0; c < D; c += lanes) hn::Store(hn::Mul(hn::Load(d, pivot + c), scale), d, pivot + c);
        for (int r = 0; r < D; ++r) {
            if (r == k) continue;
            float* row = m + r * D;
            const auto factor = hn::Set(d, row[k]);
            row[k] = 0;
            for (int c = 0; c < D; c += lanes)
                hn::Store(hn::NegMulAdd(factor, hn::Load(d, pivot + c), hn::Load(d, row + c)), d, row + c);
        }
    }
}

// Adds to the diagonal `noise[a]` for the a-th 16 dimensions, times `share`; more where the picture's
// contrast is so far above its noise that single precision could not invert the matrix.
template <int D> HWY_INLINE void AddNoise(float* m, const float* noise, float share) {
    float largest = 0;
    for (int a = 0; a < D; ++a) largest = std::max(largest, m[a * D + a]);
    for (int a = 0; a < D; ++a) m[a * D + a] += std::max(share * noise[a / 16], kPrecise * largest);
}

// rows = mean + rows (1 - noise inverse); noise is diagonal, `noise[a]` for the a-th 16 dimensions.
template <int D>
HWY_INLINE void Estimate(float* rows, int n, const float* inverse, const float* mean, const float* noise) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    HWY_ALIGN float result[4 * D];
    for (int i = 0; i < n; i += 4) {
        const int left = std::min(4, n - i);
        const float* r[4];
        for (int k = 0; k < 4; ++k) r[k] = rows + std::min(i + k, n - 1) * D;
        for (int c = 0; c < D; c += lanes) {
            auto s0 = hn::Zero(d), s1 = s0, s2 = s0, s3 = s0;
            for (int a = 0; a < D; ++a) {
                const auto v = hn::Load(d, inverse + a * D + c);
                s0 = hn::MulAdd(hn::Set(d, r[0][a]), v, s0);
                s1 = hn::MulAdd(hn::Set(d, r[1][a]), v, s1);
                s2 = hn::MulAdd(hn::Set(d, r[2][a]), v, s2);
                s3 = hn::MulAdd(hn::Set(d, r[3][a]), v, s3);
            }
            const auto sigma2 = hn::Set(d, noise[c / 16]), m = hn::Load(d, mean + c);
            const auto put = [&](int k, auto s) HWY_ATTR {
                hn::Store(hn::Add(m, hn::NegMulAdd(sigma2, s, hn::Load(d, r[k] + c))), d, result + k * D + c);
            };
            put(0, s0), put(1, s1), put(2, s2), put(3, s3);
        }
        std::copy(result, result + left * D, rows + i * D);
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
    if (step.basic) copy(*step.basic, own.basic);
    float noise[kPlanes];
    for (std::size_t p = 0; p < kPlanes; ++p) noise[p] = std::max(step.strength[p] * step.strength[p], 1e-4f);

    for (int r = 0; r < own.references; ++r) {
        const Reference& ref = own.reference[r];
        const int n = step.groupSize;
        const auto at = [&](int i, int stride) {
            return (ref.y + kInset + ref.match[i].dy) * stride + ref.x + kInset + ref.match[i].dx;
        };
        const auto gather = [&](const float* plane, float* rows, int width, int column) HWY_ATTR {
            for (int i = 0; i < n; ++i)
                for (int j = 0; j < kP; ++j)
                    for (int c = 0; c < kP; c += lanes)
                        hn::Store(hn::LoadU(d4, plane + at(i, kRow) + j * kRow + c), d4,
                                  rows + i * width + column + j * kP + c);
        };
        const auto scatter = [&](const float* rows, int width, int column, float* sum) HWY_ATTR {
            for (int i = 0; i < n; ++i)
                for (int j = 0; j < kP; ++j)
                    for (int c = 0; c < kP; c += lanes) {
                        float* to = sum + at(i, kSide) + j * kSide + c;
                        hn::StoreU(
                            hn::Add(hn::LoadU(d4, to), hn::Load(d4, rows + i * width + column + j * kP + c)),
                            d4, to);
                    }
        };
        if (!step.basic) {
            for (std::size_t p = 0; p < kPlanes; ++p) {
                if (step.strength[p] <= 0) continue;
                gather(own.noisy[p], own.x, kD, 0);
                Centre<kD>(own.x, n, own.mean);
                Covariance<kD>(own.x, n, own.matrix);
                float level = 0, spread = 0;
                for (int a = 0; a < kD; ++a) level += own.mean[a] / kD;
                for (int a = 0; a < kD; ++a)
                    spread += own.matrix[a * kD + a] + (own.mean[a] - level) * (own.mean[a] - level);
                // An even patch: the paper's exception, one mean for all.
                if (spread < kFlat * kD * noise[p]) {
                    std::fill(own.x, own.x + n * kD, level);
                } else {
                    AddNoise<kD>(own.matrix, noise + p, kRidge);
                    Invert<kD>(own.matrix);
                    const float assumed[1] = {kNoise1 * noise[p]};
                    Estimate<kD>(own.x, n, own.matrix, own.mean, assumed);
                }
                scatter(own.x, kD, 0, out.sum[p]);
            }
        } else {
            for (std::size_t p = 0; p < kPlanes; ++p) {
                gather(own.noisy[p], own.x, kAll, static_cast<int>(p) * kD);
                gather(own.basic[p], own.b, kAll, static_cast<int>(p) * kD);
            }
            Centre<kAll>(own.b, n, own.mean);
            Covariance<kAll>(own.b, n, own.matrix);
            float assumed[kPlanes];
            for (std::size_t p = 0; p < kPlanes; ++p) assumed[p] = kNoise2 * noise[p];
            AddNoise<kAll>(own.matrix, assumed, 1);
            Invert<kAll>(own.matrix);
            for (int i = 0; i < n; ++i)
                for (int a = 0; a < kAll; ++a) own.x[i * kAll + a] -= own.mean[a];
            Estimate<kAll>(own.x, n, own.matrix, own.mean, assumed);
            for (std::size_t p = 0; p < kPlanes; ++p)
                if (step.strength[p] > 0) scatter(own.x, kAll, static_cast<int>(p) * kD, out.sum[p]);
        }
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

int NonLocalBayes::margin() const { return kTwoStepMargin; }

PlaneSet NonLocalBayes::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                            const Work& work) const {
    return bothSteps(in, area, strength, Guide::Smoothed, kPatches, kPatches, false, runTile, work);
}

} // namespace irenic
#endif
