// Blocks of 4x4 cells of the mosaic, all four planes together.
#include <algorithm>
#include <memory>

#include "denoise/block_filter.h"
#include "denoise/cell_basis.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/cell_blocks.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#include "denoise/match-inl.h"
#include "denoise/shrink-inl.h"
#include "image/dct_cosine.h"

#ifndef IRENIC_CELL_BLOCKS_SHARED
#define IRENIC_CELL_BLOCKS_SHARED
namespace irenic::cell_blocks {

using namespace groups; // NOLINT: its vocabulary
using blocks::GroupScratch, blocks::kPixels;
constexpr int kC = kCellBlock;
constexpr int kRowOf = kC * static_cast<int>(kPlanes); // floats of a block's row: plane by plane
constexpr std::ptrdiff_t kStride = kSide * kRowOf;
static_assert(kC * kRowOf == kPixels);
// Blocks stand between those of the mosaic's, whose edges lie in their middles.
constexpr int kInset = 2;
// The odd cosines of the orthonormal 4-point DCT; the even ones are halves.
constexpr float kLarge = 0.65328148f, kSmall = 0.27059805f;

struct Tables {
    alignas(64) float cosine[kC][kC]; // row i: the value of all frequencies' cosines at i
    // Row u: the cosine of frequency u under the window, once for each plane.
    alignas(64) float windowed[kC][kRowOf];
    // For each frequency v along y: row p what plane p gives to the directions, and row q what direction q
    // gives back to the planes; in either, plane by plane (direction by direction) all frequencies along x.
    alignas(64) float forward[kC][kPlanes][kRowOf], back[kC][kPlanes][kRowOf];
    alignas(16) float window[kC];
    Tables() {
        for (std::size_t i = 0; i < kC; ++i)
            window[i] = 0.5f * (blocks::window()[2 * i] + blocks::window()[2 * i + 1]);
        for (int u = 0; u < kC; ++u)
            for (int i = 0; i < kC; ++i) {
                cosine[i][u] = dctCosine(kC, u, i);
                for (std::size_t p = 0; p < kPlanes; ++p) windowed[u][p * kC + i] = cosine[i][u] * window[i];
            }
        for (std::size_t v = 0; v < kC; ++v)
            for (std::size_t u = 0; u < kC; ++u)
                for (std::size_t q = 0; q < kPlanes; ++q)
                    for (std::size_t p = 0; p < kPlanes; ++p)
                        forward[v][p][q * kC + u] = back[v][q][p * kC + u] = kCellBasis[v][u][q][p];
    }
};
inline const Tables& tables() {
    static const Tables t;
    return t;
}

struct Scratch : Matches, GroupScratch {
    // For every position of a block's corner, the transforms along x of its first row in all planes:
    // overlapping blocks share them. `gathered` is the same for what goes back.
    alignas(64) float noisy[kSide * kStride], basic[kSide * kStride], gathered[kSide * kStride];
    alignas(64) float corners[kSide * kSide]; // the weight of the blocks that have their corner here
};

} // namespace irenic::cell_blocks
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::cell_blocks; // NOLINT: the shared part of this very file

using D4 = hn::CappedTag<float, kC>;
constexpr int kLanes = static_cast<int>(hn::MaxLanes(D16()));

// Along x, from all corners in `where` (within the tile's copies).
void CellRowsForward(const PlaneSet& from, const Rect& tile, const Rect& where, float* out) {
    const D4 d;
    const Tables& t = tables();
    for (int y = where.y; y < where.bottom(); ++y)
        for (std::size_t p = 0; p < kPlanes; ++p) {
            const float* row = from.rowAt(p, tile.y - kHalo + y) + tile.x - kHalo;
            float* to = out + y * kStride + static_cast<std::ptrdiff_t>(p) * kC;
            for (int x = where.x; x < where.right(); ++x)
                for (int c = 0; c < kC; c += static_cast<int>(hn::Lanes(d))) {
                    auto sum = hn::Mul(hn::Set(d, row[x]), hn::Load(d, t.cosine[0] + c));
                    for (int i = 1; i < kC; ++i)
                        sum = hn::MulAdd(hn::Set(d, row[x + i]), hn::Load(d, t.cosine[i] + c), sum);
                    hn::Store(sum, d, to + static_cast<std::ptrdiff_t>(x) * kRowOf + c);
                }
        }
}

// Columns c and on of a row that repeats the kC floats at `from`.
HWY_INLINE hn::Vec<D16> Repeated(const float* from, int c) {
#if HWY_TARGET == HWY_SCALAR
    return hn::Load(D16(), from + c % kC);
#else
    (void)c;
    return hn::LoadDup128(D16(), from);
#endif
}
// Columns c and on of a row that holds, instead of each kC floats of `from`, the u-th of them.
template <int u> HWY_INLINE hn::Vec<D16> Spread(const float* from, int c) {
#if HWY_TARGET == HWY_SCALAR
    return hn::Load(D16(), from + c / kC * kC + u);
#else
    return hn::Broadcast<u>(hn::Load(D16(), from + c));
#endif
}

// in's four planes (or directions) at one frequency along y, each spread over kRowOf by its row of `by`.
HWY_INLINE hn::Vec<D16> Mixed(const float* in, const float (*by)[kRowOf], int c) {
    const D16 d;
    auto sum = hn::Mul(Repeated(in, c), hn::Load(d, by[0] + c));
    for (int p = 1; p < static_cast<int>(kPlanes); ++p)
        sum = hn::MulAdd(Repeated(in + p * kC, c), hn::Load(d, by[p] + c), sum);
    return sum;
}

// The orthonormal 4-point DCT down the columns of one block, then the directions.
HWY_INLINE void CellsForward(const float* rows, const Tables& t, float* out) {
    const D16 d;
    const auto half = hn::Set(d, 0.5f), large = hn::Set(d, kLarge), small = hn::Set(d, kSmall);
    HWY_ALIGN float planes[kPixels];
    for (int c = 0; c < kRowOf; c += kLanes) {
        const auto at = [&](int y) HWY_ATTR { return hn::Load(d, rows + y * kStride + c); };
        const auto a0 = at(0), a1 = at(1), a2 = at(2), a3 = at(3);
        const auto s0 = hn::Add(a0, a3), s1 = hn::Add(a1, a2), d0 = hn::Sub(a0, a3), d1 = hn::Sub(a1, a2);
        const auto put = [&](int v, auto value) HWY_ATTR { hn::Store(value, d, planes + v * kRowOf + c); };
        put(0, hn::Mul(hn::Add(s0, s1), half));
        put(1, hn::MulAdd(d0, large, hn::Mul(d1, small)));
        put(2, hn::Mul(hn::Sub(s0, s1), half));
        put(3, hn::NegMulAdd(d1, large, hn::Mul(d0, small)));
    }
    for (int v = 0; v < kC; ++v)
        for (int c = 0; c < kRowOf; c += kLanes)
            hn::Store(Mixed(planes + v * kRowOf, t.forward[v], c), d, out + v * kRowOf + c);
}

// The inverse, times the window's column and `weight`, added to the rows.
HWY_INLINE void AddCellsInverse(const float* in, float weight, const Tables& t, float* rows) {
    const D16 d;
    const auto half = hn::Set(d, 0.5f), large = hn::Set(d, kLarge), small = hn::Set(d, kSmall);
    for (int c = 0; c < kRowOf; c += kLanes) {
        const auto at = [&](int v) HWY_ATTR { return Mixed(in + v * kRowOf, t.back[v], c); };
        const auto x0 = at(0), x1 = at(1), x2 = at(2), x3 = at(3);
        const auto e0 = hn::Mul(hn::Add(x0, x2), half), e1 = hn::Mul(hn::Sub(x0, x2), half);
        const auto o0 = hn::MulAdd(x1, large, hn::Mul(x3, small)),
                   o1 = hn::NegMulAdd(x3, large, hn::Mul(x1, small));
        const auto add = [&](int y, auto value) HWY_ATTR {
            float* to = rows + y * kStride + c;
            hn::Store(hn::MulAdd(value, hn::Set(d, weight * t.window[y]), hn::Load(d, to)), d, to);
        };
        add(0, hn::Add(e0, o0)), add(1, hn::Add(e1, o1)), add(2, hn::Sub(e1, o1)), add(3, hn::Sub(e0, o0));
    }
}

// What is left alone in a group's sum: the planes' means. (The fourth's, a difference of the greens, is
// noise.)
HWY_INLINE void TakeMeans(float* sum, float* means) {
    std::fill(means, means + kPixels, 0.0f);
    for (std::size_t p = 0; p < kPlanes - 1; ++p) std::swap(means[p * kC], sum[p * kC]);
}

// Transforms, shrinks and adds up the group of one reference's block at x0, y0.
HWY_INLINE void RunCellGroup(const Step& step, const Reference& ref, int x0, int y0, float sigma,
                             const Tables& t, Scratch& own) {
    const int size = step.groupSize, pairs = size / 2;
    const auto corner = [&](int i) { return (y0 + ref.match[i].dy) * kSide + x0 + ref.match[i].dx; };
    const auto rows = [&](int i) { return static_cast<std::ptrdiff_t>(corner(i)) * kRowOf; };
    const auto block = [&](int i) { return i % pairs * 2 * kPixels + i / pairs * kPixels; };
    for (int i = 0; i < size; ++i) CellsForward(own.noisy + rows(i), t, own.group + block(i));
    if (step.basic)
        for (int i = 0; i < size; ++i) CellsForward(own.basic + rows(i), t, own.pilot + block(i));
    const float weight = Shrink<kPixels>(
        size, own.group, step.basic ? own.pilot : nullptr,
        [](float* sum, float* means) HWY_ATTR { TakeMeans(sum, means); }, sigma);
    for (int i = 0; i < size; ++i) {
        own.corners[corner(i)] += weight;
        AddCellsInverse(own.group + block(i), weight, t, own.gathered + rows(i));
    }
}

// Back along x, windowed: what all corners in `where` have of a row of each plane.
HWY_INLINE void AddCellRows(const float* gathered, int first, int end, const Tables& t, int y,
                            Accumulator& out) {
    const D16 d;
    HWY_ALIGN float samples[kSide * kRowOf];
    for (int x = first; x < end; ++x)
        for (int c = 0; c < kRowOf; c += kLanes) {
            const float* in = gathered + x * kRowOf;
            auto sum = hn::Mul(Spread<0>(in, c), hn::Load(d, t.windowed[0] + c));
            sum = hn::MulAdd(Spread<1>(in, c), hn::Load(d, t.windowed[1] + c), sum);
            sum = hn::MulAdd(Spread<2>(in, c), hn::Load(d, t.windowed[2] + c), sum);
            sum = hn::MulAdd(Spread<3>(in, c), hn::Load(d, t.windowed[3] + c), sum);
            hn::Store(sum, d, samples + x * kRowOf + c);
        }
    for (std::size_t p = 0; p < kPlanes; ++p) {
        const auto block = [&](int k, auto d4, int c)
                               HWY_ATTR { return hn::Load(d4, samples + k * kRowOf + p * kC + c); };
        AddBlocks<kC, 1>(first, end, block, out.sum[p] + y * kSide);
    }
}

// A group found for 8x8 cells serves four blocks in it.
void RunCellTile(const Step& step, const Rect& tile, Scratch& own, Accumulator& out) {
    MatchTile(step, tile, own);
    const Tables& t = tables();
    const Rect found = cornersOf(step, tile),
               corners{found.x, found.y, found.width + kBlock - kC, found.height + kBlock - kC},
               rows{corners.x, corners.y, corners.width, corners.height + kC - 1};
    CellRowsForward(*step.noisy, tile, rows, own.noisy);
    if (step.basic) CellRowsForward(*step.basic, tile, rows, own.basic);
    std::fill(own.gathered, own.gathered + kSide * kStride, 0.0f);
    std::fill(own.corners, own.corners + kSide * kSide, 0.0f);
    const float sigma = *std::max_element(step.strength.begin(), step.strength.end());
    for (int r = 0; r < own.references; ++r)
        for (int part = 0; part < blocks::kParts; part += blocks::partStep(step)) {
            const Reference& ref = own.reference[r];
            RunCellGroup(step, ref, ref.x + kInset + (part & 1) * 2, ref.y + kInset + (part >> 1) * 2, sigma,
                         t, own);
        }
    for (int y = rows.y; y < rows.bottom(); ++y)
        AddCellRows(own.gathered + y * kStride, rows.x, rows.right(), t, y, out);
    SpreadWeights<kC, 1>(own.corners, corners, t.window, out.weight[0]);
    std::copy(out.weight[0], out.weight[0] + kSide * kSide, out.weight[1]);
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(RunCellTile);

void blocks::filterCells(const groups::Step& step, const Rect& tile, groups::Accumulator& out) {
    static thread_local const auto own = std::make_unique<cell_blocks::Scratch>();
    HWY_DYNAMIC_DISPATCH(RunCellTile)(step, tile, *own, out);
}

} // namespace irenic
#endif
