// Shrinking the spectrum of a group and adding up overlapping blocks: included by the vector code of each
// kind of block, once for each target.
#if defined(IRENIC_SHRINK_INL) == defined(HWY_TARGET_TOGGLE)
#ifdef IRENIC_SHRINK_INL
#undef IRENIC_SHRINK_INL
#else
#define IRENIC_SHRINK_INL
#endif

#include <hwy/highway.h>

#include <algorithm>

#include "denoise/block_filter.h"

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using D8 = hn::CappedTag<float, 8>;
using D16 = hn::CappedTag<float, 16>;

// Tuned on noiseless truth (see docs/quality.md). Both are a little above the paper's 2.7 and 1: groups are
// found by luminance alone and here also hold poorer matches, whose differences must not pass for detail.
constexpr float kLambda = 3.0f;
constexpr float kWienerNoise = 1.4f; // noise variance assumed by the second step, over the measured one

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

// Step one: what lies below the threshold goes.
class HardThreshold {
  public:
    static constexpr bool kByPilot = false;
    explicit HardThreshold(float sigma) : threshold_(hn::Set(D16(), kLambda * sigma)) {}
    // A coefficient shrunk.
    HWY_INLINE hn::Vec<D16> operator()(hn::Vec<D16> v, hn::Vec<D16>) {
        const auto big = hn::Gt(hn::Abs(v), threshold_);
        kept_ += hn::CountTrue(D16(), big);
        return hn::IfThenElseZero(big, v);
    }
    // What the estimate deserves: one over its remaining noise.
    float weight() const { return 1.0f / static_cast<float>(std::max<std::size_t>(1, kept_)); }

  private:
    hn::Vec<D16> threshold_;
    std::size_t kept_ = 0;
};
// Step two: by the energy of what step one made of it.
class WienerShrinkage {
  public:
    static constexpr bool kByPilot = true;
    explicit WienerShrinkage(float sigma) : noise_(hn::Set(D16(), kWienerNoise * sigma * sigma)) {}
    HWY_INLINE hn::Vec<D16> operator()(hn::Vec<D16> v, hn::Vec<D16> pilot) {
        const auto energy = hn::Mul(pilot, pilot);
        const auto gain = hn::Div(energy, hn::Add(energy, noise_));
        sum_ = hn::MulAdd(gain, gain, sum_);
        return hn::Mul(gain, v);
    }
    float weight() const { return 1.0f / std::max(hn::GetLane(hn::SumOfLanes(D16(), sum_)), 0.05f); }

  private:
    hn::Vec<D16> noise_, sum_ = hn::Zero(D16());
};

// The last step of a group's Haar transform: from the two halves' sums, which lie beside each other as the
// blocks of a pair do, kRun samples of the one and then of the other, to the sum and the difference of both.
template <int kRun> HWY_INLINE void JoinHalves(const float* halves, float* sum, float* difference) {
    const D8 d;
    const auto half = hn::Set(d, 0.70710678f);
    for (int run = 0; run < blocks::kPixels; run += kRun)
        for (int c = run; c < run + kRun; c += static_cast<int>(hn::Lanes(d))) {
            const auto a = hn::Load(d, halves + run + c), b = hn::Load(d, halves + run + kRun + c);
            hn::Store(hn::Mul(hn::Add(a, b), half), d, sum + c);
            hn::Store(hn::Mul(hn::Sub(a, b), half), d, difference + c);
        }
}
template <int kRun> HWY_INLINE void PartHalves(const float* sum, const float* difference, float* halves) {
    const D8 d;
    const auto half = hn::Set(d, 0.70710678f);
    for (int run = 0; run < blocks::kPixels; run += kRun)
        for (int c = run; c < run + kRun; c += static_cast<int>(hn::Lanes(d))) {
            const auto a = hn::Load(d, sum + c), b = hn::Load(d, difference + c);
            hn::Store(hn::Mul(hn::Add(a, b), half), d, halves + run + c);
            hn::Store(hn::Mul(hn::Sub(a, b), half), d, halves + run + kRun + c);
        }
}

// Shrinks a group of 2 N transformed blocks in the three-dimensional spectrum: N pairs, of block i and i + N.
// `takeMeans(sum, means)` takes out of the group's sum what is left alone, and says what that was. Returns
// the weight the estimate deserves.
template <int kRun, int N, class TakeMeans, class Shrinkage>
float ShrinkGroup(float* group, const float* pilot, const TakeMeans& takeMeans, Shrinkage shrunk) {
    using blocks::kPixels;
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    constexpr int kPairPixels = 2 * kPixels;
    HWY_ALIGN float halves[2][kPairPixels], sum[2][kPixels], difference[2][kPixels], means[2][kPixels];
    for (int at = 0; at < kPairPixels; at += lanes) {
        hn::Vec<D16> v[N], b[N];
        if constexpr (Shrinkage::kByPilot) {
            for (int i = 0; i < N; ++i) b[i] = hn::Load(d, pilot + i * kPairPixels + at);
            HaarForward<N>(b);
            hn::Store(b[0], d, halves[1] + at);
        }
        for (int i = 0; i < N; ++i) v[i] = hn::Load(d, group + i * kPairPixels + at);
        HaarForward<N>(v);
        hn::Store(v[0], d, halves[0] + at);
        for (int i = 1; i < N; ++i) hn::Store(shrunk(v[i], b[i]), d, group + i * kPairPixels + at);
    }
    JoinHalves<kRun>(halves[0], sum[0], difference[0]);
    takeMeans(sum[0], means[0]);
    if constexpr (Shrinkage::kByPilot) {
        JoinHalves<kRun>(halves[1], sum[1], difference[1]);
        takeMeans(sum[1], means[1]);
    }
    for (int at = 0; at < kPixels; at += lanes)
        for (auto* part : {&sum, &difference}) {
            float(&of)[2][kPixels] = *part;
            hn::Store(shrunk(hn::Load(d, of[0] + at), hn::Load(d, of[1] + at)), d, of[0] + at);
        }
    for (int at = 0; at < kPixels; at += lanes)
        hn::Store(hn::Add(hn::Load(d, sum[0] + at), hn::Load(d, means[0] + at)), d, sum[0] + at);
    PartHalves<kRun>(sum[0], difference[0], halves[0]);
    for (int at = 0; at < kPairPixels; at += lanes) {
        hn::Vec<D16> v[N];
        v[0] = hn::Load(d, halves[0] + at);
        for (int i = 1; i < N; ++i) v[i] = hn::Load(d, group + i * kPairPixels + at);
        HaarInverse<N>(v);
        for (int i = 0; i < N; ++i) hn::Store(v[i], d, group + i * kPairPixels + at);
    }
    return shrunk.weight();
}
template <int kRun, class TakeMeans>
float Shrink(int count, float* group, const float* pilot, const TakeMeans& takeMeans, float sigma) {
    using namespace blocks; // NOLINT: one function's
    if (pilot) {
        const WienerShrinkage shrunk(sigma);
        return count == kGroup2 ? ShrinkGroup<kRun, kGroup2 / 2>(group, pilot, takeMeans, shrunk)
                                : ShrinkGroup<kRun, kGroup2 / 4>(group, pilot, takeMeans, shrunk);
    }
    const HardThreshold shrunk(sigma);
    return count == kGroup1 ? ShrinkGroup<kRun, kGroup1 / 2>(group, nullptr, takeMeans, shrunk)
                            : ShrinkGroup<kRun, kGroup1 / 4>(group, nullptr, takeMeans, shrunk);
}

// Adds to a row of a tile what blocks from `first` up to `end` have of it, of which block k begins at sample
// kApart k; `block` gives its kWide samples as a function of (k, d, c): columns c and on. Blocks that do not
// overlap are laid into one row, the others into others, and these are added up: adding each block to the
// same row would wait for the one before. Where a block is laid goes by its place in the tile, not by
// `first`: sums come out the same whatever else is asked for.
template <int kWide, int kApart, class Block>
HWY_INLINE void AddBlocks(int first, int end, const Block& block, float* to) {
    const hn::CappedTag<float, kWide> d;
    const int lanes = static_cast<int>(hn::Lanes(d)), begin = first * kApart,
              after = (end - 1) * kApart + kWide;
    constexpr int kRows = kWide / kApart;
    HWY_ALIGN float part[kRows][2 * groups::kSide];
    for (auto& row : part) std::fill(row + begin, row + after, 0.0f);
    for (int k = first; k < end; ++k)
        for (int c = 0; c < kWide; c += lanes)
            hn::StoreU(block(k, d, c), d, part[k % kRows] + k * kApart + c);
    int x = begin;
    for (; x + lanes <= after; x += lanes) {
        auto sum = hn::LoadU(d, part[0] + x);
        for (int r = 1; r < kRows; ++r) sum = hn::Add(sum, hn::LoadU(d, part[r] + x));
        hn::StoreU(hn::Add(sum, hn::LoadU(d, to + x)), d, to + x);
    }
    for (; x < after; ++x) {
        float sum = part[0][x];
        for (int r = 1; r < kRows; ++r) sum += part[r][x];
        to[x] += sum;
    }
}

// The windows of all blocks times the weights at their corners, which stand kApart samples apart in `where`
// (in corners). Rows of the result are kApart kSide long. `window` is one side's, kWide samples.
template <int kWide, int kApart>
void SpreadWeights(const float* corners, const Rect& where, const float* window, float* weight) {
    using groups::kSide;
    HWY_ALIGN float column[kSide];
    for (int y = where.y * kApart; y < (where.bottom() - 1) * kApart + kWide; ++y) {
        std::fill(column + where.x, column + where.right(), 0.0f);
        for (int j = y % kApart; j < kWide; j += kApart) {
            const int row = (y - j) / kApart;
            if (row < where.y || row >= where.bottom()) continue;
            for (int x = where.x; x < where.right(); ++x) column[x] += window[j] * corners[row * kSide + x];
        }
        const auto block = [&](int k, auto d, int c)
                               HWY_ATTR { return hn::Mul(hn::Set(d, column[k]), hn::Load(d, window + c)); };
        AddBlocks<kWide, kApart>(where.x, where.right(), block, weight + y * kApart * kSide);
    }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#endif
