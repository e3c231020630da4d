// Blocks of the DCT: of planes, and of the mosaic itself.
#include "denoise/block_filter.h"

#include <algorithm>
#include <cmath>
#include <memory>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/pixel_blocks.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#include "denoise/match-inl.h"
#include "denoise/shrink-inl.h"
#include "image/dct_cosine.h"

#ifndef IRENIC_PIXEL_BLOCKS_SHARED
#define IRENIC_PIXEL_BLOCKS_SHARED
namespace irenic::pixel_blocks {

using namespace groups; // NOLINT: its vocabulary
using blocks::GroupScratch, blocks::kPixels;
constexpr int kFine = 2 * kSide; // of a tile of the mosaic with its halo
constexpr int kB = kBlock, kPair = 2 * kB;
static_assert(kB * kB == kPixels);
// The cosines of the orthonormal 8-point DCT: cos(k pi / 16) / 2.
constexpr float k1 = 0.49039264f, k2 = 0.46193977f, k3 = 0.41573481f, k4 = 0.35355339f, k5 = 0.27778512f,
                k6 = 0.19134172f, k7 = 0.09754516f;

struct Tables {
    alignas(64) float cosine[kPixels];     // row x: the value of all frequencies' cosines at x
    alignas(64) float transposed[kPixels]; // row u: the cosine of frequency u
    // Spectra of three patterns over the places of a 2x2 cell: the same everywhere; the diagonals apart; the
    // two ends of one diagonal apart, which is that of the top left place in [0] and the other in [1]. All of
    // unit length.
    alignas(64) float pattern[2][3][kPixels];
    alignas(32) float window[kB]; // the block's window is its outer product
    Tables() {
        std::copy_n(blocks::window().begin(), kB, window);
        for (int u = 0; u < kB; ++u)
            for (int x = 0; x < kB; ++x) cosine[x * kB + u] = transposed[u * kB + x] = dctCosine(kB, u, x);
        constexpr float root = 0.70710678f / 4;
        constexpr float value[2][3][4] = {
            {{0.125f, 0.125f, 0.125f, 0.125f}, {0.125f, -0.125f, -0.125f, 0.125f}, {root, 0, 0, -root}},
            {{0.125f, 0.125f, 0.125f, 0.125f}, {0.125f, -0.125f, -0.125f, 0.125f}, {0, root, -root, 0}}};
        for (int diagonal = 0; diagonal < 2; ++diagonal)
            for (int p = 0; p < 3; ++p)
                for (int v = 0; v < kB; ++v)
                    for (int u = 0; u < kB; ++u) {
                        float sum = 0;
                        for (int y = 0; y < kB; ++y)
                            for (int x = 0; x < kB; ++x)
                                sum += value[diagonal][p][(y & 1) * 2 + (x & 1)] * cosine[y * kB + v] *
                                       cosine[x * kB + u];
                        pattern[diagonal][p][v * kB + u] = sum;
                    }
    }
};
inline const Tables& tables() {
    static const Tables t;
    return t;
}

// The one-dimensional transforms along x of a tile's rows, and where those of the estimates are added up.
struct Rows {
    const float *noisy, *basic;
    float* gathered;
};

struct Scratch : Matches, GroupScratch {
    // For every position of a block's corner, the one-dimensional transforms along x of its first row:
    // overlapping blocks share them. `gathered` is the same for what goes back: rows are transformed back
    // once for each position.
    alignas(64) float noisy[kSide * kSide * kB], basic[kSide * kSide * kB], gathered[kSide * kSide * kB];
    alignas(64) float corners[kSide * kSide]; // the weight of the blocks that have their corner here
};

// Likewise for blocks of the mosaic itself. Their corners stand on the same place of a cell: on even columns
// and rows.
constexpr int kFineRow = kFine + 16;
struct FineScratch : Matches, GroupScratch {
    alignas(64) float mosaic[kFine * kFineRow];
    alignas(64) float noisy[kFine * kSide * kB], basic[kFine * kSide * kB], gathered[kFine * kSide * kB];
    alignas(64) float corners[kSide * kSide];
    alignas(64) float sum[kFine * kFine], weight[kFine * kFine];
};

} // namespace irenic::pixel_blocks
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::pixel_blocks; // NOLINT: the shared part of this very file

// Two blocks lie side by side, row by row: column c of 16 is of the first one or of the second.
HWY_INLINE hn::Vec<D16> LoadPair(const float* first, const float* second, int c) {
#if HWY_CAP_GE512
    (void)c;
    return hn::Combine(D16(), hn::LoadU(D8(), second), hn::LoadU(D8(), first));
#else
    return hn::LoadU(D16(), c < kB ? first + c : second + c - kB);
#endif
}
// One after the other: the two may share samples.
HWY_INLINE void AddPair(hn::Vec<D16> v, float* first, float* second, int c) {
#if HWY_CAP_GE512
    (void)c;
    hn::StoreU(hn::Add(hn::LowerHalf(D8(), v), hn::LoadU(D8(), first)), D8(), first);
    hn::StoreU(hn::Add(hn::UpperHalf(D8(), v), hn::LoadU(D8(), second)), D8(), second);
#else
    float* to = c < kB ? first + c : second + c - kB;
    hn::StoreU(hn::Add(v, hn::LoadU(D16(), to)), D16(), to);
#endif
}

// The orthonormal 8-point DCT down the columns of two 8x8 blocks whose rows are `stride` floats apart.
HWY_INLINE void ColumnsForward(const float* first, const float* second, std::ptrdiff_t stride, float* out) {
    const D16 d;
    const auto c1 = hn::Set(d, k1), c2 = hn::Set(d, k2), c3 = hn::Set(d, k3), c4 = hn::Set(d, k4),
               c5 = hn::Set(d, k5), c6 = hn::Set(d, k6), c7 = hn::Set(d, k7);
    for (int c = 0; c < kPair; c += static_cast<int>(hn::Lanes(d))) {
        const auto at = [&](int y) HWY_ATTR { return LoadPair(first + y * stride, second + y * stride, c); };
        const auto a0 = at(0), a1 = at(1), a2 = at(2), a3 = at(3), a4 = at(4), a5 = at(5), a6 = at(6),
                   a7 = at(7);
        const auto s0 = hn::Add(a0, a7), s1 = hn::Add(a1, a6), s2 = hn::Add(a2, a5), s3 = hn::Add(a3, a4);
        const auto d0 = hn::Sub(a0, a7), d1 = hn::Sub(a1, a6), d2 = hn::Sub(a2, a5), d3 = hn::Sub(a3, a4);
        const auto e0 = hn::Add(s0, s3), e1 = hn::Add(s1, s2), f0 = hn::Sub(s0, s3), f1 = hn::Sub(s1, s2);
        const auto put = [&](int u, auto v) HWY_ATTR { hn::Store(v, d, out + u * kPair + c); };
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
HWY_INLINE void AddColumnsInverse(const float* in, float weight, const float* window, float* first,
                                  float* second, std::ptrdiff_t stride) {
    const D16 d;
    const auto c1 = hn::Set(d, k1), c2 = hn::Set(d, k2), c3 = hn::Set(d, k3), c4 = hn::Set(d, k4),
               c5 = hn::Set(d, k5), c6 = hn::Set(d, k6), c7 = hn::Set(d, k7);
    for (int c = 0; c < kPair; c += static_cast<int>(hn::Lanes(d))) {
        const auto at = [&](int u) HWY_ATTR { return hn::Load(d, in + u * kPair + c); };
        const auto x0 = at(0), x1 = at(1), x2 = at(2), x3 = at(3), x4 = at(4), x5 = at(5), x6 = at(6),
                   x7 = at(7);
        const auto e0 = hn::Mul(hn::Add(x0, x4), c4), e1 = hn::Mul(hn::Sub(x0, x4), c4);
        const auto f0 = hn::MulAdd(x2, c2, hn::Mul(x6, c6)), f1 = hn::NegMulAdd(x6, c2, hn::Mul(x2, c6));
        const auto s0 = hn::Add(e0, f0), s3 = hn::Sub(e0, f0), s1 = hn::Add(e1, f1), s2 = hn::Sub(e1, f1);
        const auto d0 = hn::MulAdd(x1, c1, hn::MulAdd(x3, c3, hn::MulAdd(x5, c5, hn::Mul(x7, c7))));
        const auto d1 =
            hn::MulAdd(x1, c3, hn::NegMulAdd(x3, c7, hn::NegMulAdd(x5, c1, hn::Neg(hn::Mul(x7, c5)))));
        const auto d2 = hn::MulAdd(x1, c5, hn::NegMulAdd(x3, c1, hn::MulAdd(x5, c7, hn::Mul(x7, c3))));
        const auto d3 =
            hn::MulAdd(x1, c7, hn::NegMulAdd(x3, c5, hn::MulAdd(x5, c3, hn::Neg(hn::Mul(x7, c1)))));
        const auto add = [&](int y, auto v) HWY_ATTR {
            AddPair(hn::Mul(v, hn::Set(d, weight * window[y])), first + y * stride, second + y * stride, c);
        };
        add(0, hn::Add(s0, d0)), add(7, hn::Sub(s0, d0));
        add(1, hn::Add(s1, d1)), add(6, hn::Sub(s1, d1));
        add(2, hn::Add(s2, d2)), add(5, hn::Sub(s2, d2));
        add(3, hn::Add(s3, d3)), add(4, hn::Sub(s3, d3));
    }
}

// The part of a group's sum that is the mean of each of the three colours, taken out of it. The pattern of a
// mosaic spreads over many frequencies, weak ones among them: shrinking those would take colour out. This
// part is left alone. (A difference of the two greens is noise.) `pattern`: by the diagonal that red and blue
// stand on. `colours` is what was taken out.
HWY_INLINE void TakeColours(float* sum, const float (*pattern)[kPixels], float* colours) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    float share[3];
    for (int p = 0; p < 3; ++p) {
        auto product = hn::Zero(d);
        for (int c = 0; c < kPixels; c += lanes)
            product = hn::MulAdd(hn::Load(d, sum + c), hn::Load(d, pattern[p] + c), product);
        share[p] = hn::GetLane(hn::SumOfLanes(d, product));
    }
    for (int c = 0; c < kPixels; c += lanes) {
        auto all = hn::Zero(d);
        for (int p = 0; p < 3; ++p) all = hn::MulAdd(hn::Set(d, share[p]), hn::Load(d, pattern[p] + c), all);
        hn::Store(all, d, colours + c);
        hn::Store(hn::Sub(hn::Load(d, sum + c), all), d, sum + c);
    }
}

// Transforms, shrinks and adds up one group. `at` gives where block i stands in the rows' transforms, whose
// rows are `stride` apart; `weight` makes of what the estimate deserves what it gets.
template <class At, class Weight>
HWY_INLINE void RunGroup(const Step& step, const At& at, std::ptrdiff_t stride, int diagonal, float sigma,
                         const Rows& rows, GroupScratch& own, const Weight& weight) {
    const int pairs = step.groupSize / 2;
    for (int i = 0; i < pairs; ++i)
        ColumnsForward(rows.noisy + at(i), rows.noisy + at(i + pairs), stride, own.group + i * 2 * kPixels);
    if (step.basic)
        for (int i = 0; i < pairs; ++i)
            ColumnsForward(rows.basic + at(i), rows.basic + at(i + pairs), stride,
                           own.pilot + i * 2 * kPixels);
    const auto takeMeans = [&](float* sum, float* means)
                               HWY_ATTR { TakeColours(sum, tables().pattern[diagonal], means); };
    const float w =
        weight(Shrink<kB>(step.groupSize, own.group, step.basic ? own.pilot : nullptr, takeMeans, sigma));
    for (int i = 0; i < pairs; ++i)
        AddColumnsInverse(own.group + i * 2 * kPixels, w, tables().window, rows.gathered + at(i),
                          rows.gathered + at(i + pairs), stride);
}

// The transform of 8 samples of a row.
HWY_INLINE void RowForward(const float* row, const Tables& t, float* to) {
    const D8 d;
    for (int c = 0; c < kB; c += static_cast<int>(hn::Lanes(d))) {
        auto a = hn::Mul(hn::Set(d, row[0]), hn::Load(d, t.cosine + c)),
             b = hn::Mul(hn::Set(d, row[1]), hn::Load(d, t.cosine + kB + c));
        for (int i = 2; i < kB; i += 2) {
            a = hn::MulAdd(hn::Set(d, row[i]), hn::Load(d, t.cosine + i * kB + c), a);
            b = hn::MulAdd(hn::Set(d, row[i + 1]), hn::Load(d, t.cosine + (i + 1) * kB + c), b);
        }
        hn::Store(hn::Add(a, b), d, to + c);
    }
}

// Back along x, windowed, from the transforms of a row's blocks. `windowed` row v: the cosine of frequency v
// under the window.
template <int kApart>
HWY_INLINE void AddRowInverse(const float* from, int first, int end, const float* windowed, float* to) {
    const auto block = [&](int k, auto d, int c) HWY_ATTR {
        const float* own = from + k * kB;
        auto a = hn::Zero(d), b = hn::Zero(d);
        for (int v = 0; v < kB; v += 2) {
            a = hn::MulAdd(hn::Set(d, own[v]), hn::Load(d, windowed + v * kB + c), a);
            b = hn::MulAdd(hn::Set(d, own[v + 1]), hn::Load(d, windowed + (v + 1) * kB + c), b);
        }
        return hn::Add(a, b);
    };
    AddBlocks<kB, kApart>(first, end, block, to);
}
HWY_INLINE void WindowedCosines(const Tables& t, float* windowed) {
    for (int v = 0; v < kB; ++v)
        for (int i = 0; i < kB; ++i) windowed[v * kB + i] = t.transposed[v * kB + i] * t.window[i];
}

// One-dimensional transforms along x, for all corners in `where` (within the tile's copies).
void RowsForward(const PlaneSet& from, std::size_t p, const Rect& tile, const Rect& where, float* out) {
    const Tables& t = tables();
    for (int y = where.y; y < where.bottom(); ++y) {
        const float* row = from.rowAt(p, tile.y - kHalo + y) + tile.x - kHalo;
        for (int x = where.x; x < where.right(); ++x)
            RowForward(row + x, t, out + static_cast<std::ptrdiff_t>(y * kSide + x) * kB);
    }
}

// Rows below the last corner hold the blocks' lower parts.
void RowsInverse(const float* gathered, const Rect& where, float* sum) {
    HWY_ALIGN float windowed[kPixels];
    WindowedCosines(tables(), windowed);
    for (int y = where.y; y < where.bottom() + kB - 1; ++y) {
        const std::ptrdiff_t at = y * kSide;
        AddRowInverse<1>(gathered + at * kB, where.x, where.right(), windowed, sum + at);
    }
}

void RunTile(const Step& step, const Rect& tile, Scratch& own, Accumulator& out) {
    const Rect corners = cornersOf(step, tile);
    MatchTile(step, tile, own);
    // Luminance first (planes 0 and 3), then colour (1 and 2). Both planes of a kind share a weight, and the
    // first of a pair decides on it: it carries most of the picture.
    constexpr std::size_t order[kPlanes] = {0, 3, 1, 2};
    for (std::size_t k = 0; k < kPlanes; ++k) {
        const std::size_t p = order[k];
        const float sigma = step.strength[p];
        const bool first = k % 2 == 0;
        if (sigma <= 0) continue;
        RowsForward(*step.noisy, p, tile, Rect{corners.x, corners.y, corners.width, corners.height + kB - 1},
                    own.noisy);
        if (step.basic)
            RowsForward(*step.basic, p, tile,
                        Rect{corners.x, corners.y, corners.width, corners.height + kB - 1}, own.basic);
        std::fill(own.gathered, own.gathered + kSide * kSide * kB, 0.0f);
        if (first) std::fill(own.corners, own.corners + kSide * kSide, 0.0f);
        for (int r = 0; r < own.references; ++r) {
            Reference& ref = own.reference[r];
            const auto at = [&](int i) {
                return static_cast<std::ptrdiff_t>((ref.y + ref.match[i].dy) * kSide + ref.x +
                                                   ref.match[i].dx) *
                       kB;
            };
            const auto weight = [&](float found) {
                if (!first) return ref.weight;
                for (int i = 0; i < step.groupSize; ++i) own.corners[at(i) / kB] += found;
                return ref.weight = found;
            };
            RunGroup(step, at, kSide * kB, 0, sigma, {own.noisy, own.basic, own.gathered}, own, weight);
        }
        RowsInverse(own.gathered, corners, out.sum[p]);
        if (first) SpreadWeights<kB, 1>(own.corners, corners, tables().window, out.weight[k / 2]);
    }
}

// The mosaic of the cells in `where` (within the tile's copies) and the transforms along x of its rows from
// every even column on.
void FineRowsForward(const PlaneSet& from, const Rect& tile, const Rect& where, float* mosaic, float* out) {
    const Tables& t = tables();
    for (int y = where.y; y < where.bottom(); ++y) {
        const float* in[kPlanes];
        float* to[kPlanes];
        for (std::size_t p = 0; p < kPlanes; ++p) {
            in[p] = from.rowAt(p, tile.y - kHalo + y) + tile.x - kHalo;
            to[p] = mosaic + (2 * y + (from.sites[p] >> 1)) * kFineRow + (from.sites[p] & 1);
        }
        for (int x = where.x; x < where.right(); ++x) {
            float v[kPlanes];
            channelsOf(in[0][x], in[1][x], in[2][x], in[3][x], v);
            for (std::size_t p = 0; p < kPlanes; ++p) to[p][2 * x] = v[p];
        }
    }
    for (int y = 2 * where.y; y < 2 * where.bottom(); ++y)
        for (int x = where.x; x <= where.right() - kB / 2; ++x)
            RowForward(mosaic + y * kFineRow + 2 * x, t,
                       out + static_cast<std::ptrdiff_t>(y * kSide + x) * kB);
}

// Blocks of the mosaic itself. A group found for 8x8 cells serves the four blocks in their middle.
void RunFineTile(const Step& step, const Rect& tile, FineScratch& own, Accumulator& out) {
    const Rect corners = cornersOf(step, tile),
               cells{corners.x, corners.y, corners.width + kBlock - 1, corners.height + kBlock - 1};
    MatchTile(step, tile, own);
    FineRowsForward(*step.noisy, tile, cells, own.mosaic, own.noisy);
    if (step.basic) FineRowsForward(*step.basic, tile, cells, own.mosaic, own.basic);
    std::fill(own.gathered, own.gathered + kFine * kSide * kB, 0.0f);
    std::fill(own.corners, own.corners + kSide * kSide, 0.0f);
    const float sigma = *std::max_element(step.strength.begin(), step.strength.end());
    constexpr std::ptrdiff_t stride = kSide * kB;
    const int red = step.noisy->sites[0], diagonal = red == 0 || red == 3 ? 0 : 1;
    for (int r = 0; r < own.references; ++r) {
        const Reference& ref = own.reference[r];
        for (int part = 0; part < blocks::kParts; part += blocks::partStep(step)) {
            // In cells; a block is four wide.
            const int x0 = ref.x + 1 + (part & 1) * 2, y0 = ref.y + 1 + (part >> 1) * 2;
            const auto corner = [&](int i) { return (y0 + ref.match[i].dy) * kSide + x0 + ref.match[i].dx; };
            const auto at = [&](int i) {
                return 2 * (y0 + ref.match[i].dy) * stride + (x0 + ref.match[i].dx) * kB;
            };
            const auto weight = [&](float found) {
                for (int i = 0; i < step.groupSize; ++i) own.corners[corner(i)] += found;
                return found;
            };
            RunGroup(step, at, stride, diagonal, sigma, {own.noisy, own.basic, own.gathered}, own, weight);
        }
    }
    std::fill(own.sum, own.sum + kFine * kFine, 0.0f);
    std::fill(own.weight, own.weight + kFine * kFine, 0.0f);
    HWY_ALIGN float windowed[kPixels];
    WindowedCosines(tables(), windowed);
    const Rect blocks{cells.x, cells.y, cells.width - kB / 2 + 1, cells.height - kB / 2 + 1};
    for (int y = 2 * cells.y; y < 2 * cells.bottom(); ++y)
        AddRowInverse<2>(own.gathered + y * stride, blocks.x, blocks.right(), windowed, own.sum + y * kFine);
    SpreadWeights<kB, 2>(own.corners, blocks, tables().window, own.weight);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        const int site = step.noisy->sites[p];
        for (int y = cells.y; y < cells.bottom(); ++y)
            for (int x = cells.x; x < cells.right(); ++x) {
                const int from = (2 * y + (site >> 1)) * kFine + 2 * x + (site & 1);
                out.sum[p][y * kSide + x] = own.sum[from];
                out.weight[p][y * kSide + x] = own.weight[from];
            }
    }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(RunTile);
HWY_EXPORT(RunFineTile);

const std::array<float, groups::kBlock>& blocks::window() {
    static const std::array<float, groups::kBlock> shared = [] {
        const auto bessel = [](double x) {
            double sum = 1, term = 1;
            for (int k = 1; k < 30; ++k) sum += term *= (x / (2 * k)) * (x / (2 * k));
            return sum;
        };
        std::array<float, groups::kBlock> out{};
        for (std::size_t i = 0; i < out.size(); ++i) {
            const double t = 2.0 * static_cast<double>(i) / (groups::kBlock - 1) - 1;
            out[i] = static_cast<float>(bessel(2.0 * std::sqrt(1 - t * t)) / bessel(2.0));
        }
        return out;
    }();
    return shared;
}

void blocks::filterPlanes(const groups::Step& step, const Rect& tile, groups::Accumulator& out) {
    static thread_local const auto own = std::make_unique<pixel_blocks::Scratch>();
    HWY_DYNAMIC_DISPATCH(RunTile)(step, tile, *own, out);
}

void blocks::filterMosaic(const groups::Step& step, const Rect& tile, groups::Accumulator& out) {
    static thread_local const auto own = std::make_unique<pixel_blocks::FineScratch>();
    HWY_DYNAMIC_DISPATCH(RunFineTile)(step, tile, *own, out);
}

} // namespace irenic
#endif
