// Finding the blocks of a group: included by each method's vector code, once for each target.
#if defined(IRENIC_MATCH_INL) == defined(HWY_TARGET_TOGGLE)
#ifdef IRENIC_MATCH_INL
#undef IRENIC_MATCH_INL
#else
#define IRENIC_MATCH_INL
#endif

#include <hwy/highway.h>

#include <algorithm>
#include <cstring>

#include "denoise/groups.h"

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

// Fills in the blocks most like the one at ref, itself among them.
HWY_INLINE void Match(const groups::Step& step, const float* guide, groups::Reference& ref) {
    using namespace groups; // NOLINT: one function's
    const hn::CappedTag<float, 16> d;
    const hn::RebindToUnsigned<decltype(d)> du;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const float* centre = guide + ref.y * kRow + ref.x;
    HWY_ALIGN float block[kBlock * kBlock];
    for (int j = 0; j < kBlock; ++j)
        for (int i = 0; i < kBlock; ++i) block[j * kBlock + i] = centre[j * kRow + i];
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
            const float* p = centre + (dy - kSearch) * kRow + dx - kSearch;
            auto a = hn::Zero(d), b = hn::Zero(d);
            for (int j = 0; j < kBlock; ++j)
                for (int i = 0; i < kBlock; i += 2) {
                    const auto e = hn::Sub(hn::LoadU(d, p + j * kRow + i), hn::Set(d, block[j * kBlock + i]));
                    const auto f =
                        hn::Sub(hn::LoadU(d, p + j * kRow + i + 1), hn::Set(d, block[j * kBlock + i + 1]));
                    a = hn::MulAdd(e, e, a);
                    b = hn::MulAdd(f, f, b);
                }
            const auto place = hn::Iota(du, static_cast<std::uint32_t>(dy * across + dx));
            const auto key = hn::Or(hn::And(hn::BitCast(du, hn::Add(a, b)), mask), place);
            const auto column = hn::Iota(du, static_cast<std::uint32_t>(dx));
            hn::Store(
                hn::IfThenElse(hn::Lt(column, hn::Set(du, static_cast<std::uint32_t>(kSpan))), key, outside),
                du, to);
        }
    const auto below = [&](std::uint32_t t) HWY_ATTR {
        std::size_t n = 0;
        const auto limit = hn::Set(du, t);
        for (int i = 0; i < kSpan * across; i += lanes)
            n += hn::CountTrue(du, hn::Lt(hn::Load(du, keys + i), limit));
        return static_cast<int>(n);
    };
    const int n = step.groupSize;
    std::uint32_t high = 0x7F800000U, low = 0; // above all: infinity
    // Bisection for the key that exactly n lie below; keys differ, so there is one.
    for (int found = kSpan * kSpan; found != n;) {
        const std::uint32_t middle = low + (high - low) / 2;
        const int m = below(middle);
        if (m >= n)
            high = middle, found = m;
        else
            low = middle;
    }
    HWY_ALIGN std::uint32_t chosen[kMost + 16];
    int count = 0;
    const auto top = hn::Set(du, high);
    for (int i = 0; i < kSpan * across; i += lanes) {
        const auto v = hn::Load(du, keys + i);
        const auto m = hn::Lt(v, top);
        if (!hn::AllFalse(du, m))
            count += static_cast<int>(hn::CompressBlendedStore(v, m, du, chosen + count));
    }
    std::sort(chosen, chosen + n);
    for (int i = 0; i < n; ++i) {
        const int place = static_cast<int>(chosen[i] & 1023U);
        ref.match[i] = {static_cast<std::int16_t>(place % across - kSearch),
                        static_cast<std::int16_t>(place / across - kSearch)};
    }
}

// The groups of all reference blocks of a tile.
HWY_INLINE void MatchTile(const groups::Step& step, const Rect& tile, groups::Matches& own) {
    using namespace groups; // NOLINT: one function's
    const Rect corners = cornersOf(step, tile);
    for (int y = corners.y; y < corners.bottom() + kBlock - 1; ++y) {
        const float* from =
            step.guide->row(tile.y - kHalo + y - step.guideArea.y) + tile.x - kHalo - step.guideArea.x;
        std::copy(from + corners.x, from + corners.right() + kBlock - 1, own.guide + y * kRow + corners.x);
    }
    const Rect here = tile.intersected(step.references).translated(kHalo - tile.x, kHalo - tile.y);
    own.references = 0;
    for (int y = kHalo; y < kHalo + kTile; y += kStep)
        for (int x = kHalo; x < kHalo + kTile; x += kStep) {
            if (x < here.x || x >= here.right() || y < here.y || y >= here.bottom()) continue;
            Reference& ref = own.reference[own.references++];
            ref.x = x, ref.y = y;
            Match(step, own.guide, ref);
        }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#endif
