#include "noise/block_dct.h"

#include <array>

#include "image/dct_cosine.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "noise/block_dct.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#ifndef IRENIC_BLOCK_DCT_SHARED
#define IRENIC_BLOCK_DCT_SHARED
namespace irenic::block_dct {

constexpr int kSide = kDctBlock, kSize = kSide * kSide;

struct Tables {
    alignas(64) float cosines[kSize]; // of frequency u at place x, at [x * kSide + u]
    alignas(64) float low[kSize];     // 1 for the frequencies that rank, 0 elsewhere
};

inline const Tables& tables() {
    static const Tables made = [] {
        Tables t{};
        for (int u = 0; u < kSide; ++u)
            for (int x = 0; x < kSide; ++x) {
                t.cosines[x * kSide + u] = dctCosine(kSide, u, x);
                t.low[x * kSide + u] = u + x > 0 && u + x < kDctLow ? 1.0f : 0.0f;
            }
        return t;
    }();
    return made;
}

} // namespace irenic::block_dct
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::block_dct; // NOLINT: the shared part of this very file

// The first `down` rows of frequencies, as many columns at a time as a vector holds.
HWY_INLINE void Transform(const Tables& tables, const float* p, std::ptrdiff_t stride, int down, float* out) {
    const hn::CappedTag<float, kSide> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (int half = 0; half < kSide; half += lanes) {
        const float* cosines = tables.cosines + half;
        HWY_ALIGN float rows[kSize];
        for (int y = 0; y < kSide; ++y) {
            auto sum = hn::Zero(d);
            for (int x = 0; x < kSide; ++x)
                sum = hn::MulAdd(hn::Set(d, p[y * stride + x]), hn::Load(d, cosines + x * kSide), sum);
            hn::Store(sum, d, rows + y * kSide);
        }
        for (int v = 0; v < down; ++v) {
            auto sum = hn::Zero(d);
            for (int y = 0; y < kSide; ++y)
                sum =
                    hn::MulAdd(hn::Load(d, rows + y * kSide), hn::Set(d, tables.cosines[y * kSide + v]), sum);
            hn::StoreU(sum, d, out + v * kSide + half);
        }
    }
}

void TransformBlock(const float* p, std::ptrdiff_t stride, float* out) {
    Transform(tables(), p, stride, kSide, out);
}

BlockRank RankBlock(const float* p, std::ptrdiff_t stride, float clip) {
    const hn::CappedTag<float, kSide> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    auto most = hn::LoadU(d, p);
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; x += lanes) most = hn::Max(most, hn::LoadU(d, p + y * stride + x));
    if (hn::GetLane(hn::MaxOfLanes(d, most)) >= clip) return {0, 0, true};
    const Tables& known = tables();
    HWY_ALIGN float f[kSize];
    Transform(known, p, stride, kDctLow, f);
    auto energy = hn::Zero(d);
    for (int i = 0; i < kDctLow * kSide; i += lanes) {
        const auto v = hn::Mul(hn::Load(d, f + i), hn::Load(d, known.low + i));
        energy = hn::MulAdd(v, v, energy);
    }
    return {f[0] / kSide, hn::GetLane(hn::SumOfLanes(d, energy)), false};
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(TransformBlock);
HWY_EXPORT(RankBlock);

void transformBlock(const float* p, std::ptrdiff_t stride, float* out) {
    HWY_DYNAMIC_DISPATCH(TransformBlock)(p, stride, out);
}

BlockRank rankBlock(const float* p, std::ptrdiff_t stride, float clip) {
    return HWY_DYNAMIC_DISPATCH(RankBlock)(p, stride, clip);
}

} // namespace irenic
#endif
