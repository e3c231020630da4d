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

// The places of a search in the order in which they are taken where they are alike to the last: the nearest
// first, the block itself before all. Where a picture is burnt out all places are alike, and a block that did
// not find itself would leave its samples to nobody.
struct Order {
    static constexpr int kAcross = 32;
    HWY_ALIGN std::uint32_t rank[groups::kSpan * kAcross];
    groups::Place place[groups::kSpan * groups::kSpan];

    Order() {
        using namespace groups; // NOLINT: one function's
        int n = 0;
        for (int dy = -kSearch; dy < kSpan - kSearch; ++dy)
            for (int dx = -kSearch; dx < kSpan - kSearch; ++dx)
                place[n++] = {static_cast<std::int16_t>(dx), static_cast<std::int16_t>(dy)};
        std::stable_sort(place, place + n, [](const Place& a, const Place& b) {
            return a.dx * a.dx + a.dy * a.dy < b.dx * b.dx + b.dy * b.dy;
        });
        std::fill(rank, rank + kSpan * kAcross, 0U);
        for (int i = 0; i < n; ++i)
            rank[(place[i].dy + kSearch) * kAcross + place[i].dx + kSearch] = static_cast<std::uint32_t>(i);
    }
    static const Order& shared() {
        static const Order one;
        return one;
    }
};

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
    // A key holds the distance, whose bits rise with it, and in its last ten bits the place's rank.
    constexpr int across = Order::kAcross;
    static_assert(kSpan <= across && kSpan * kSpan <= 1024);
    const Order& order = Order::shared();
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
            const auto rank = hn::Load(du, order.rank + dy * across + dx);
            const auto key = hn::Or(hn::And(hn::BitCast(du, hn::Add(a, b)), mask), rank);
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
    std::uint32_t high = 0xFFFFFFFFU, low = 0; // above all, whatever the samples are
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
    for (int i = 0; i < n; ++i) ref.match[i] = order.place[chosen[i] & 1023U];
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
