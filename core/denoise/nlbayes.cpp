#include "denoise/nlbayes.h"

#include <algorithm>
#include <memory>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/nlbayes.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#include "base/expects.h"
#include "denoise/bm3d.h"
#include "denoise/match-inl.h"

#ifndef IRENIC_NLBAYES_SHARED
#define IRENIC_NLBAYES_SHARED
namespace irenic::nlbayes {

using namespace groups;                                                              // NOLINT: its vocabulary
constexpr int kP = 4, kOfPlane = kP * kP, kD = kOfPlane * static_cast<int>(kPlanes); // samples of a patch
// Tuned on noiseless truth. Covariances of some 50 patches scatter around the true ones, and what scatters
// low would be taken for structure: more noise is assumed than there is.
constexpr int kPatches = 48;
constexpr float kNoise = 1.3f;
// Without a mosaic noise goes from pixel to pixel, and in the directions where it does there is more of it.
constexpr float kPixelNoise = 5;
// What single precision can tell of the largest variance in factors of 64 dimensions, with room.
constexpr float kPrecise = 1e-5f;
constexpr int kInset = (kBlock - kP) / 2; // of the patch within the block that is compared

// Patches of a group overlap those of the next: with every second group, as on the fields of one colour of a
// chessboard, pictures are 0.01 to 0.02 dB worse.
inline bool taken(const Rect& tile, const Reference& ref) {
    return ((tile.x + ref.x + tile.y + ref.y) / kStep & 1) == 0;
}
// Estimates of block matching are added with this weight, over one of ours: a few samples no group reaches.
constexpr float kElse = 0.01f;

struct Scratch : Matches {
    alignas(64) float noisy[kPlanes][kSide * kRow], basic[kPlanes][kSide * kRow];
    // Of block matching's result a patch in each row; of the noisy planes a sample of all patches.
    alignas(64) float b[kPatches * kD], seen[kD * kPatches], x[kD * kPatches];
    alignas(64) float mean[kD], matrix[kD * kD], inverse[kD];
};

} // namespace irenic::nlbayes
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::nlbayes; // NOLINT: the shared part of this very file

using D16 = hn::CappedTag<float, 16>;

// Takes the mean of a group's patches away from them.
HWY_INLINE void Centre(float* rows, float* mean) {
    const D16 d;
    for (int c = 0; c < kD; c += static_cast<int>(hn::Lanes(d))) {
        auto sum = hn::Zero(d);
        for (int i = 0; i < kPatches; ++i) sum = hn::Add(sum, hn::Load(d, rows + i * kD + c));
        sum = hn::Mul(sum, hn::Set(d, 1.0f / kPatches));
        hn::Store(sum, d, mean + c);
        for (int i = 0; i < kPatches; ++i)
            hn::Store(hn::Sub(hn::Load(d, rows + i * kD + c), sum), d, rows + i * kD + c);
    }
}

// How many vectors of a row, and of how many rows, are worked on together: enough sums side by side that none
// waits for itself, and all of them in registers.
constexpr int kTogether = 2, kRowsTogether = 4, kPatchesTogether = 3;

// out = rows' rows over the number of patches, on the diagonal and above it.
HWY_INLINE void Covariance(const float* rows, float* out) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    constexpr int K = kRowsTogether, V = kTogether;
    const auto scale = hn::Set(d, 1.0f / kPatches);
    const int wide = V * lanes;
    for (int a = 0; a < kD; a += K)
        for (int c = a / wide * wide; c < kD; c += wide) {
            hn::Vec<D16> sum[K][V];
            for (auto& of : sum)
                for (auto& one : of) one = hn::Zero(d);
            for (int i = 0; i < kPatches; ++i) {
                const float* row = rows + i * kD;
                hn::Vec<D16> value[V];
                for (int v = 0; v < V; ++v) value[v] = hn::Load(d, row + c + v * lanes);
                for (int k = 0; k < K; ++k) {
                    const auto factor = hn::Set(d, row[a + k]);
                    for (int v = 0; v < V; ++v) sum[k][v] = hn::MulAdd(factor, value[v], sum[k][v]);
                }
            }
            for (int k = 0; k < K; ++k)
                for (int v = 0; v < V; ++v)
                    hn::Store(hn::Mul(sum[k][v], scale), d, out + (a + k) * kD + c + v * lanes);
        }
}

// A symmetric positive definite matrix, of which what lies above the diagonal is given, as U' D U: U's rows,
// whose diagonal is 1, in its place, and what D's diagonal divides by. Without pivoting, four pivots at a
// time: every row is fetched and put back a quarter as often. (G. Golub, C. Van Loan, "Matrix
// computations", 4.1.)
HWY_INLINE void Factorise(float* m, float* inverse) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    constexpr int K = kRowsTogether;
    HWY_ALIGN float scaled[K * kD];
    for (int k = 0; k < kD; k += K) {
        const int first = k / lanes * lanes;
        for (int i = 0; i < K; ++i) {
            float* row = m + (k + i) * kD;
            inverse[k + i] = 1 / std::max(row[k + i], 1e-6f);
            for (int c = first; c < kD; c += lanes)
                hn::Store(hn::Mul(hn::Load(d, row + c), hn::Set(d, inverse[k + i])), d, scaled + i * kD + c);
            for (int j = i + 1; j < K; ++j) {
                const auto factor = hn::Set(d, scaled[i * kD + k + j]);
                float* other = m + (k + j) * kD;
                for (int c = first; c < kD; c += lanes)
                    hn::Store(hn::NegMulAdd(factor, hn::Load(d, row + c), hn::Load(d, other + c)), d,
                              other + c);
            }
        }
        for (int c = first; c < kD; c += lanes) {
            hn::Vec<D16> pivot[K];
            for (int i = 0; i < K; ++i) pivot[i] = hn::Load(d, m + (k + i) * kD + c);
            for (int r = k + K; r < std::min(kD, c + lanes); ++r) {
                auto sum = hn::Load(d, m + r * kD + c);
                for (int i = 0; i < K; ++i)
                    sum = hn::NegMulAdd(hn::Set(d, scaled[i * kD + r]), pivot[i], sum);
                hn::Store(sum, d, m + r * kD + c);
            }
        }
        for (int i = 0; i < K; ++i)
            std::copy(scaled + i * kD + first, scaled + (i + 1) * kD, m + (k + i) * kD + first);
    }
}

// Adds `noise[p]` to the diagonal for the samples of plane p; more where the picture's
// contrast is so far above its noise that single precision could not invert the matrix.
HWY_INLINE void AddNoise(float* m, const float* noise) {
    float largest = 0;
    for (int a = 0; a < kD; ++a) largest = std::max(largest, m[a * kD + a]);
    for (int a = 0; a < kD; ++a) m[a * kD + a] += std::max(noise[a / kOfPlane], kPrecise * largest);
}

// x = (U' D U)^-1 x for the columns of x, a sample of all patches in each row.
HWY_INLINE void Solve(const float* u, const float* inverse, float* x) {
    const D16 d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    constexpr int K = kRowsTogether, V = kPatchesTogether;
    for (int c = 0; c < kPatches; c += V * lanes) {
        const auto load = [&](int k, hn::Vec<D16>(&sum)[K][V]) HWY_ATTR {
            for (int i = 0; i < K; ++i)
                for (int v = 0; v < V; ++v) sum[i][v] = hn::Load(d, x + (k + i) * kPatches + c + v * lanes);
        };
        const auto store = [&](int k, const hn::Vec<D16>(&sum)[K][V]) HWY_ATTR {
            for (int i = 0; i < K; ++i)
                for (int v = 0; v < V; ++v) hn::Store(sum[i][v], d, x + (k + i) * kPatches + c + v * lanes);
        };
        // sum[i] -= factor(i) x[j]
        const auto less = [&](int j, const float* factor, int apart, hn::Vec<D16>(&sum)[K][V]) HWY_ATTR {
            hn::Vec<D16> known[V];
            for (int v = 0; v < V; ++v) known[v] = hn::Load(d, x + j * kPatches + c + v * lanes);
            for (int i = 0; i < K; ++i) {
                const auto f = hn::Set(d, factor[i * apart]);
                for (int v = 0; v < V; ++v) sum[i][v] = hn::NegMulAdd(f, known[v], sum[i][v]);
            }
        };
        hn::Vec<D16> sum[K][V];
        for (int k = 0; k < kD; k += K) {
            load(k, sum);
            for (int j = 0; j < k; ++j) less(j, u + j * kD + k, 1, sum);
            for (int i = 0; i < K; ++i)
                for (int j = i + 1; j < K; ++j) {
                    const auto f = hn::Set(d, u[(k + i) * kD + k + j]);
                    for (int v = 0; v < V; ++v) sum[j][v] = hn::NegMulAdd(f, sum[i][v], sum[j][v]);
                }
            store(k, sum);
        }
        for (int k = kD - K; k >= 0; k -= K) {
            load(k, sum);
            for (int i = 0; i < K; ++i)
                for (int v = 0; v < V; ++v) sum[i][v] = hn::Mul(sum[i][v], hn::Set(d, inverse[k + i]));
            for (int j = k + K; j < kD; ++j) less(j, u + k * kD + j, kD, sum);
            for (int i = K; i-- > 0;)
                for (int j = i; j-- > 0;) {
                    const auto f = hn::Set(d, u[(k + j) * kD + k + i]);
                    for (int v = 0; v < V; ++v) sum[j][v] = hn::NegMulAdd(f, sum[i][v], sum[j][v]);
                }
            store(k, sum);
        }
    }
}

// Where patch i of a group begins in rows of `stride`.
inline int placeOf(const Reference& ref, int i, int stride) {
    return (ref.y + kInset + ref.match[i].dy) * stride + ref.x + kInset + ref.match[i].dx;
}

// What the first estimate has of a group's patches, to own.b.
HWY_INLINE void TakeBasic(const Reference& ref, Scratch& own) {
    const hn::CappedTag<float, kP> d;
    constexpr int lanes = static_cast<int>(hn::MaxLanes(d));
    for (int p = 0; p < static_cast<int>(kPlanes); ++p)
        for (int i = 0; i < kPatches; ++i) {
            const float* from = own.basic[p] + placeOf(ref, i, kRow);
            float* to = own.b + i * kD + p * kOfPlane;
            for (int y = 0; y < kP; ++y)
                for (int x = 0; x < kP; x += lanes)
                    hn::Store(hn::LoadU(d, from + y * kRow + x), d, to + y * kP + x);
        }
}

// The noisy patches, to own.seen, and what they differ by from the mean, to own.x.
HWY_INLINE void TakeNoisy(const Reference& ref, Scratch& own) {
    for (int p = 0; p < static_cast<int>(kPlanes); ++p)
        for (int i = 0; i < kPatches; ++i) {
            const float* from = own.noisy[p] + placeOf(ref, i, kRow);
            float* to = own.seen + p * kOfPlane * kPatches + i;
            for (int y = 0; y < kP; ++y)
                for (int x = 0; x < kP; ++x) to[(y * kP + x) * kPatches] = from[y * kRow + x];
        }
    for (int k = 0; k < kD; ++k)
        for (int i = 0; i < kPatches; ++i) own.x[k * kPatches + i] = own.seen[k * kPatches + i] - own.mean[k];
}

// The patches less their noise, of which own.x holds what the group's covariance with noise leaves of one.
void AddClean(const Step& step, const Reference& ref, const float* noise, Scratch& own, Accumulator& out) {
    for (int p = 0; p < static_cast<int>(kPlanes); ++p) {
        if (step.strength[static_cast<std::size_t>(p)] <= 0) continue;
        const int first = p * kOfPlane * kPatches;
        for (int k = first; k < first + kOfPlane * kPatches; ++k)
            own.x[k] = own.seen[k] - noise[p] * own.x[k];
        for (int i = 0; i < kPatches; ++i) {
            const float* from = own.x + first + i;
            float* to = out.sum[p] + placeOf(ref, i, kSide);
            for (int y = 0; y < kP; ++y)
                for (int x = 0; x < kP; ++x) to[y * kSide + x] += from[(y * kP + x) * kPatches];
        }
    }
    for (int i = 0; i < kPatches; ++i) {
        float* to = out.weight[0] + placeOf(ref, i, kSide);
        for (int y = 0; y < kP; ++y)
            for (int x = 0; x < kP; ++x) to[y * kSide + x] += 1;
    }
}

// A little of the first estimate, for samples that no group reaches.
void AddBasic(const Step& step, const Rect& tile, Accumulator& out) {
    const Rect inner = tile.intersected(step.basic->area);
    for (int y = inner.y; y < inner.bottom(); ++y)
        for (int x = inner.x; x < inner.right(); ++x) {
            const int i = (y - tile.y + kHalo) * kSide + x - tile.x + kHalo;
            out.weight[0][i] += kElse;
            for (std::size_t p = 0; p < kPlanes; ++p) out.sum[p][i] += kElse * step.basic->rowAt(p, y)[x];
        }
}

void RunTile(const Step& step, const Rect& tile, Scratch& own, Accumulator& out) {
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
        if (!taken(tile, ref)) continue;
        TakeBasic(ref, own);
        Centre(own.b, own.mean);
        Covariance(own.b, own.matrix);
        AddNoise(own.matrix, noise);
        Factorise(own.matrix, own.inverse);
        TakeNoisy(ref, own);
        Solve(own.matrix, own.inverse, own.x);
        AddClean(step, ref, noise, own, out);
    }
    AddBasic(step, tile, out);
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

static_assert(kBayesMargin == kReach);
PlaneSet bayesUpon(const PlaneSet& in, const PlaneSet& basic, const Rect& area, float strength,
                   const Work& work) {
    // Without a mosaic there is no fourth plane.
    const std::array<float, kPlanes> all{strength, strength, strength, in.packed ? strength : 0};
    const Step step{&in, &basic, &basic.plane[0], basic.area, {}, all, kPatches};
    return aggregate(step, area, runTile, work);
}

int NonLocalBayes::margin() const { return BlockMatching(true).margin() + kBayesMargin; }

PlaneSet NonLocalBayes::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                            const Work& work) const {
    IRENIC_EXPECTS(in.area.contains(area.inflated(margin())));
    // All planes are taken together: one whose noise was said to be less than it is would hand it on to the
    // others.
    return withTwoStrengths(in, area, strength, work, [&](float s, const Work& part) {
        const Rect wide = area.inflated(kBayesMargin);
        const Work first = part.part(0, 0.7);
        const PlaneSet basic = in.packed ? sparseBlockMatching(in, wide, s, first)
                                         : BlockMatching(true).run(in, wide, {s, s, s, 0}, first);
        return bayesUpon(in, basic, area, s, part.part(0.7, 1));
    });
}

} // namespace irenic
#endif
