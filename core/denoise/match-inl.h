// Finding the blocks of a group: included by each method's vector code, once for each target.
#if defined(IRENIC_MATCH_INL) == defined(HWY_TARGET_TOGGLE)
#ifdef IRENIC_MATCH_INL
#undef IRENIC_MATCH_INL
#else
#define IRENIC_MATCH_INL
#endif

#include <hwy/highway.h>

#include <algorithm>
#include <bit>

#include "denoise/groups.h"

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

// The places of a search in the order in which they are taken where they are alike to the last: the nearest
// first, the block itself before all. Where a picture is burnt out all places are alike, and a block that did
// not find itself would leave its samples to nobody.
struct Order {
    std::uint32_t rank[groups::kPlaces]; // of each displacement, row by row
    groups::Place place[groups::kPlaces];

    Order() {
        using namespace groups; // NOLINT: one function's
        int n = 0;
        for (int dy = -kSearch; dy < kSpan - kSearch; ++dy)
            for (int dx = -kSearch; dx < kSpan - kSearch; ++dx)
                place[n++] = {static_cast<std::int8_t>(dx), static_cast<std::int8_t>(dy)};
        std::stable_sort(place, place + n, [](const Place& a, const Place& b) {
            return a.dx * a.dx + a.dy * a.dy < b.dx * b.dx + b.dy * b.dy;
        });
        for (int i = 0; i < n; ++i)
            rank[(place[i].dy + kSearch) * kSpan + place[i].dx + kSearch] = static_cast<std::uint32_t>(i);
    }
    static const Order& shared() {
        static const Order one;
        return one;
    }
};

// Squared differences of the 8x4 samples from row y on, for every displacement and all references side by
// side: a block is two of these, and the lower one is the next row's upper one.
HWY_INLINE void HalfDistances(const float* guide, int y, float* to) {
    using namespace groups; // NOLINT: one function's
    static_assert(kStep == 4 && kBlock == 2 * kStep && kSearch % 4 == 0 && kHalo % 4 == 0 && kSpan % 8 == 0);
    const hn::CappedTag<float, kAcross> d;
    const auto place = [](int column) { return (column & 3) * kQuarter + (column >> 2); };
    for (int lane = 0; lane < kAcross; lane += static_cast<int>(hn::Lanes(d)))
        for (int dy = 0; dy < kSpan; ++dy)
            for (int dx = 0; dx < kSpan; dx += 8) {
                hn::Vec<decltype(d)> sum[8];
                for (auto& s : sum) s = hn::Zero(d);
                const float* here = guide + y * 4 * kQuarter + kHalo / 4 + lane;
                const float* there = here + (dy - kSearch) * 4 * kQuarter + (dx - kSearch) / 4;
                for (int j = 0; j < kStep; ++j, here += 4 * kQuarter, there += 4 * kQuarter)
#pragma GCC unroll 8
                    for (int i = 0; i < kBlock; ++i) {
                        const auto own = hn::LoadU(d, here + place(i));
#pragma GCC unroll 8
                        for (int k = 0; k < 8; ++k) {
                            const auto e = hn::Sub(own, hn::LoadU(d, there + place(i + k)));
                            sum[k] = hn::MulAdd(e, e, sum[k]);
                        }
                    }
                for (int k = 0; k < 8; ++k) hn::Store(sum[k], d, to + (dy * kSpan + dx + k) * kAcross + lane);
            }
}

// Keys hold the distance, whose bits rise with it, and in their last ten bits the place's rank: no two of a
// reference are equal.
HWY_INLINE void KeysOf(const float* upper, const float* lower, std::uint32_t* keys) {
    using namespace groups; // NOLINT: one function's
    static_assert(kPlaces <= 1024);
    const hn::CappedTag<float, kAcross> d;
    const hn::RebindToUnsigned<decltype(d)> du;
    const Order& order = Order::shared();
    const auto mask = hn::Set(du, 0xFFFFFC00U);
    for (int i = 0; i < kPlaces; ++i)
        for (int at = i * kAcross; at < (i + 1) * kAcross; at += static_cast<int>(hn::Lanes(d))) {
            const auto distance = hn::Add(hn::Load(d, upper + at), hn::Load(d, lower + at));
            hn::Store(hn::Or(hn::And(hn::BitCast(du, distance), mask), hn::Set(du, order.rank[i])), du,
                      keys + at);
        }
}

// For each of the references side by side a limit that at least n of its keys lie below, and at most kSpare
// more. `limit` comes with a guess, best that of the row above. References not `wanted` are left alone.
HWY_INLINE void FindLimits(const std::uint32_t* keys, int n, const bool* wanted, std::uint32_t* limit) {
    using namespace groups; // NOLINT: one function's
    const hn::CappedTag<std::uint32_t, kAcross> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    struct Bracket {
        std::uint32_t low = 0, high = 0xFFFFFFFFU;
        std::uint32_t step = 1U << 20; // of a float's bits: an eighth more or less; twice as much each time
        bool done;
    };
    Bracket bracket[kAcross];
    for (int r = 0; r < kAcross; ++r) bracket[r].done = !wanted[r];
    for (bool all = false; !all;) {
        HWY_ALIGN std::uint32_t below[kAcross];
        for (int lane = 0; lane < kAcross; lane += lanes) {
            const auto top = hn::Load(d, limit + lane), one = hn::Set(d, 1U);
            auto count = hn::Zero(d);
            for (int i = 0; i < kPlaces; ++i)
                count = hn::Add(count,
                                hn::IfThenElseZero(hn::Lt(hn::Load(d, keys + i * kAcross + lane), top), one));
            hn::Store(count, d, below + lane);
        }
        all = true;
        for (int r = 0; r < kAcross; ++r) {
            Bracket& b = bracket[r];
            const int found = static_cast<int>(below[r]);
            b.done = b.done || (found >= n && found <= n + kSpare);
            if (b.done) continue;
            all = false;
            if (found < n) {
                b.low = limit[r];
                limit[r] += std::min(b.step, (b.high - limit[r]) / 2);
            } else {
                b.high = limit[r];
                limit[r] -= std::min(b.step, (limit[r] - b.low) / 2);
            }
            b.step = b.step < 0x80000000U ? 2 * b.step : b.step;
        }
    }
}

// The keys below each reference's limit.
struct Chosen {
    std::uint32_t key[groups::kAcross][groups::kMost + groups::kSpare];
    int count[groups::kAcross];
};
HWY_INLINE void Choose(const std::uint32_t* keys, const bool* wanted, const std::uint32_t* limit,
                       Chosen& out) {
    using namespace groups; // NOLINT: one function's
    const hn::CappedTag<std::uint32_t, kAcross> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    HWY_ALIGN std::uint32_t top[kAcross];
    for (int r = 0; r < kAcross; ++r) top[r] = wanted[r] ? limit[r] : 0, out.count[r] = 0;
    for (int i = 0; i < kPlaces; ++i)
        for (int lane = 0; lane < kAcross; lane += lanes) {
            const std::uint32_t* from = keys + i * kAcross + lane;
            std::uint8_t bits[8] = {};
            hn::StoreMaskBits(d, hn::Lt(hn::Load(d, from), hn::Load(d, top + lane)), bits);
            for (unsigned left = bits[0] | static_cast<unsigned>(bits[1]) << 8U; left != 0;
                 left &= left - 1) {
                const int r = std::countr_zero(left);
                out.key[lane + r][out.count[lane + r]++] = from[r];
            }
        }
}

// Looks for the groups of a tile's reference blocks; `here` holds their corners, within the tile's copies.
HWY_INLINE void FindGroups(const groups::Step& step, const Rect& tile, const Rect& here,
                           groups::Matches& own) {
    using namespace groups; // NOLINT: one function's
    const Rect corners = cornersOf(step, tile);
    for (int y = corners.y; y < corners.bottom() + kBlock - 1; ++y) {
        const float* from =
            step.guide->row(tile.y - kHalo + y - step.guideArea.y) + tile.x - kHalo - step.guideArea.x;
        float* to = own.guide + y * 4 * kQuarter;
        for (int x = corners.x; x < corners.right() + kBlock - 1; ++x)
            to[(x & 3) * kQuarter + (x >> 2)] = from[x];
    }
    bool wanted[kAcross];
    HWY_ALIGN std::uint32_t limit[kAcross];
    for (int r = 0; r < kAcross; ++r) {
        wanted[r] = kHalo + r * kStep >= here.x && kHalo + r * kStep < here.right();
        limit[r] = kLikely;
    }
    const Order& order = Order::shared();
    const int n = step.searched();
    Chosen chosen;
    bool upper = false; // whether the upper halves of this row's blocks are there
    for (int row = 0; row < kAcross; ++row) {
        const int y = kHalo + row * kStep;
        if (y < here.y || y >= here.bottom()) continue;
        if (!upper) HalfDistances(own.guide, y, own.half[row % 2]);
        HalfDistances(own.guide, y + kStep, own.half[(row + 1) % 2]);
        upper = true;
        KeysOf(own.half[row % 2], own.half[(row + 1) % 2], own.keys);
        FindLimits(own.keys, n, wanted, limit);
        Choose(own.keys, wanted, limit, chosen);
        for (int r = 0; r < kAcross; ++r) {
            if (!wanted[r]) continue;
            Reference& ref = own.reference[own.references++];
            ref.x = kHalo + r * kStep, ref.y = y;
            std::sort(chosen.key[r], chosen.key[r] + chosen.count[r]);
            for (int i = 0; i < n; ++i) ref.match[i] = order.place[chosen.key[r][i] & 1023U];
            if (step.found)
                std::copy(ref.match, ref.match + n,
                          step.found->of(tile.x - kHalo + ref.x, tile.y - kHalo + ref.y));
        }
    }
}

// The groups of all reference blocks of a tile: those that the first step found, if it kept them.
HWY_INLINE void MatchTile(const groups::Step& step, const Rect& tile, groups::Matches& own) {
    using namespace groups; // NOLINT: one function's
    const Rect here = tile.intersected(step.references).translated(kHalo - tile.x, kHalo - tile.y);
    own.references = 0;
    if (!step.basic || !step.found) return FindGroups(step, tile, here, own);
    for (int y = kHalo; y < kHalo + kTile; y += kStep)
        for (int x = kHalo; x < kHalo + kTile; x += kStep) {
            if (x < here.x || x >= here.right() || y < here.y || y >= here.bottom()) continue;
            Reference& ref = own.reference[own.references++];
            ref.x = x, ref.y = y;
            const Place* found = step.found->of(tile.x - kHalo + x, tile.y - kHalo + y);
            std::copy(found, found + step.groupSize, ref.match);
        }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#endif
