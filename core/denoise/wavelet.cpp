#include "denoise/wavelet.h"

#include <algorithm>
#include <atomic>
#include <cmath>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/wavelet.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

// Daubechies' four-tap scaling filter over sqrt 2, so that it sums to 1, and its mirror filter.
constexpr float kLow[4] = {0.34150635f, 0.59150635f, 0.15849365f, -0.09150635f};
constexpr float kHigh[4] = {-0.09150635f, -0.15849365f, 0.59150635f, -0.34150635f};

// low[i] and high[i] from four rows (or one row at four shifts).
void Analyse(const float* const* rows, float* low, float* high, int n) {
    const hn::ScalableTag<float> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (int i = 0; i < n; i += lanes) {
        const auto a = hn::LoadU(d, rows[0] + i), b = hn::LoadU(d, rows[1] + i),
                   c = hn::LoadU(d, rows[2] + i), e = hn::LoadU(d, rows[3] + i);
        auto l = hn::Mul(a, hn::Set(d, kLow[0])), h = hn::Mul(a, hn::Set(d, kHigh[0]));
        l = hn::MulAdd(b, hn::Set(d, kLow[1]), l);
        h = hn::MulAdd(b, hn::Set(d, kHigh[1]), h);
        l = hn::MulAdd(c, hn::Set(d, kLow[2]), l);
        h = hn::MulAdd(c, hn::Set(d, kHigh[2]), h);
        l = hn::MulAdd(e, hn::Set(d, kLow[3]), l);
        h = hn::MulAdd(e, hn::Set(d, kHigh[3]), h);
        hn::StoreU(l, d, low + i);
        hn::StoreU(h, d, high + i);
    }
}

// out[i] from four rows of the low and four of the high half; rows[k] is tap k.
void Synthesise(const float* const* low, const float* const* high, float* out, int n) {
    const hn::ScalableTag<float> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (int i = 0; i < n; i += lanes) {
        auto sum = hn::Mul(hn::LoadU(d, low[0] + i), hn::Set(d, kLow[0]));
        for (int k = 1; k < 4; ++k) sum = hn::MulAdd(hn::LoadU(d, low[k] + i), hn::Set(d, kLow[k]), sum);
        for (int k = 0; k < 4; ++k) sum = hn::MulAdd(hn::LoadU(d, high[k] + i), hn::Set(d, kHigh[k]), sum);
        hn::StoreU(sum, d, out + i);
    }
}

// out[i] = sum over `count` rows of row[i] squared.
void SquareSum(const float* const* rows, int count, float* out, int n) {
    const hn::ScalableTag<float> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (int i = 0; i < n; i += lanes) {
        auto sum = hn::Zero(d);
        for (int k = 0; k < count; ++k) {
            const auto v = hn::LoadU(d, rows[k] + i);
            sum = hn::MulAdd(v, v, sum);
        }
        hn::StoreU(sum, d, out + i);
    }
}

// Bivariate shrinkage of band[i] with parent[i]. `energy` holds column sums of squares; 2r+1 of them around i
// give the local energy of the band. `noise` is the band's noise variance; parents count `weight` times.
void Shrink(const float* band, const float* parent, float weight, const float* energy, int r, float noise,
            float* out, int n) {
    const hn::ScalableTag<float> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const float count = static_cast<float>((2 * r + 1) * (2 * r + 1));
    const auto v_noise = hn::Set(d, noise), tiny = hn::Set(d, 1e-12f);
    const auto root3 = hn::Set(d, 1.7320508f * noise), half = hn::Set(d, 0.5f), most = hn::Set(d, 1.5f);
    for (int i = 0; i < n; i += lanes) {
        auto sum = hn::LoadU(d, energy + i - r);
        for (int k = 1 - r; k <= r; ++k) sum = hn::Add(sum, hn::LoadU(d, energy + i + k));
        const auto excess = hn::MulAdd(sum, hn::Set(d, 1.0f / count), hn::Neg(v_noise));
        // One root for both, the signal's standard deviation and the size of the pair.
        const auto signal = hn::Max(excess, hn::Mul(v_noise, hn::Set(d, 1e-4f)));
        const auto v = hn::LoadU(d, band + i), p = hn::Mul(hn::Set(d, weight), hn::LoadU(d, parent + i));
        const auto both = hn::Mul(signal, hn::MulAdd(v, v, hn::MulAdd(p, p, tiny)));
        // One over its root: the processor's estimate, and a step of Newton's.
        auto root = hn::ApproximateReciprocalSqrt(both);
        root = hn::Mul(root, hn::NegMulAdd(hn::Mul(half, both), hn::Mul(root, root), most));
        const auto kept = hn::Max(hn::Zero(d), hn::NegMulAdd(root3, root, hn::Set(d, 1.0f)));
        hn::StoreU(hn::Mul(v, kept), d, out + i);
    }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(Analyse);
HWY_EXPORT(Synthesise);
HWY_EXPORT(SquareSum);
HWY_EXPORT(Shrink);

namespace {

constexpr int kReach = (Wavelet::kTaps - 1) * ((1 << Wavelet::kLevels) - 1); // 45
constexpr int kWindow = 3; // the widest radius of the local variance
constexpr int kMargin = kReach + kWindow;

constexpr int windowRadius(int level) { return level == 0 ? 2 : kWindow; }
// How far the filter of a level reaches: forwards in analysis, backwards in synthesis.
constexpr int reachOf(int level) { return (Wavelet::kTaps - 1) << level; }
// The row that a level can make once row 0 of the input is there, counted backwards.
constexpr int delayOf(int level) { return (Wavelet::kTaps - 1) * ((2 << level) - 1); }

// The last rows of an endless plane.
class RecentRows {
  public:
    RecentRows() = default;
    RecentRows(int width, int count) : rows_(width, count) { rows_.fill(0); }
    float* row(int y) { return rows_.row(y % rows_.height()); }

  private:
    Plane rows_;
};

// Columns of one plane, row by row: whole planes of thirteen bands would not stay in the processor's caches.
// Band (level, kind) at index x belongs to the input from x on; all share the input's coordinates, so that
// what is valid of a band ends ever earlier at the right.
class StripShrinker {
  public:
    StripShrinker(int columns, float strength) : width_(columns + 2 * kMargin), strength_(strength) {
        for (int l = 0; l < kLevels; ++l) {
            const std::size_t level = static_cast<std::size_t>(l);
            // Rows are shrunk when the coarsest level has what the window needs: finer levels wait for it.
            const int ahead = kMargin - delayOf(l), behind = std::max(kWindow, l > 0 ? reachOf(l - 1) : 0);
            for (auto& band : band_[level]) band = RecentRows(width_, ahead + behind + 1);
            for (auto& band : shrunk_[level]) band = RecentRows(width_, reachOf(l) + 1);
            low_[level] = RecentRows(width_, l + 1 < kLevels ? reachOf(l + 1) + 1 : reachOf(l) + ahead + 1);
            if (l > 0) restored_[level] = RecentRows(width_, reachOf(l - 1) + 1);
        }
        halves_ = Plane(width_, 2);
        energy_ = Plane(width_ + 32, 1);
        energy_.fill(0);
        result_ = Plane(width_, 1);
    }

    // `in` covers `strip` and kMargin around it.
    void run(const PlaneSet& in, std::size_t plane, const Rect& strip, PlaneSet& out, const Work& work) {
        const Rect around = strip.inflated(kMargin);
        for (int y = 0; y < around.height; ++y) {
            if (y % 16 == 0) work.check();
            for (int k = 0; k < Wavelet::kTaps; ++k)
                input_[static_cast<std::size_t>(k)] =
                    in.rowAt(plane, around.y + std::max(0, y - delayOf(0) + k)) + around.x;
            for (int level = 0; level < kLevels && y >= delayOf(level); ++level)
                analyse(level, y - delayOf(level));
            const int row = y - kMargin;
            if (row < kWindow + reachOf(kLevels - 2)) continue;
            for (int level = kLevels - 1; level >= 0; --level) {
                for (std::size_t kind = 0; kind < 3; ++kind) shrink(level, kind, row);
                synthesise(level, row);
            }
            if (row >= kMargin)
                std::copy_n(result_.row(0) + kMargin, strip.width,
                            out.rowAt(plane, around.y + row) + strip.x);
        }
    }

  private:
    static constexpr int kLevels = Wavelet::kLevels;
    using Bands = std::array<RecentRows, 3>;

    // Columns of a level's bands that are valid.
    int valid(int level) const { return width_ - delayOf(level); }

    // Columns first, into two rows that stay at hand, then along these.
    void analyse(int l, int y) {
        const auto level = static_cast<std::size_t>(l);
        const int step = 1 << l;
        const float* taps[4];
        for (std::size_t k = 0; k < 4; ++k)
            taps[k] = l == 0 ? input_[k] : low_[level - 1].row(y + static_cast<int>(k) * step);
        HWY_DYNAMIC_DISPATCH(Analyse)
        (taps, halves_.row(0), halves_.row(1), l == 0 ? width_ : valid(l - 1));
        const float *low = halves_.row(0), *high = halves_.row(1);
        const float *alongLow[4] = {low, low + step, low + 2 * step, low + 3 * step},
                    *alongHigh[4] = {high, high + step, high + 2 * step, high + 3 * step};
        Bands& band = band_[level];
        HWY_DYNAMIC_DISPATCH(Analyse)(alongLow, low_[level].row(y), band[1].row(y), valid(l));
        HWY_DYNAMIC_DISPATCH(Analyse)(alongHigh, band[0].row(y), band[2].row(y), valid(l));
    }

    void shrink(int l, std::size_t kind, int y) {
        const auto level = static_cast<std::size_t>(l);
        RecentRows& band = band_[level][kind];
        // The coarsest bands have no parent; they are judged with themselves.
        const bool top = l == kLevels - 1;
        // A parent's filter reaches further to the right: the same place stands further left in it.
        const int shift = top ? 0 : reachOf(l), r = windowRadius(l), x0 = std::max(r, shift);
        const int right = std::min(valid(l) - r, top ? valid(l) : valid(l + 1) + shift);
        const float* near[2 * kWindow + 1];
        for (int k = -r; k <= r; ++k) near[k + r] = band.row(y + k);
        HWY_DYNAMIC_DISPATCH(SquareSum)(near, 2 * r + 1, energy_.row(0), valid(l));
        // A parent is half as noisy: it is brought to the child's size.
        const float* parent = top ? band.row(y) + x0 : band_[level + 1][kind].row(y - shift) + x0 - shift;
        const float sigma = strength_ / static_cast<float>(2 << l);
        HWY_DYNAMIC_DISPATCH(Shrink)
        (band.row(y) + x0, parent, top ? 1.0f : 2.0f, energy_.row(0) + x0, r, sigma * sigma,
         shrunk_[level][kind].row(y) + x0, right - x0);
    }

    void synthesise(int l, int y) {
        const auto level = static_cast<std::size_t>(l);
        const int step = 1 << l, back = reachOf(l);
        RecentRows& low = l == kLevels - 1 ? low_[level] : restored_[level + 1];
        const float *a[4], *b[4], *c[4], *e[4], *along[4], *alongHigh[4];
        for (int k = 0; k < 4; ++k) {
            const int row = std::max(0, y - k * step); // before the first rows nothing is valid yet
            a[k] = low.row(row), b[k] = shrunk_[level][0].row(row);
            c[k] = shrunk_[level][1].row(row), e[k] = shrunk_[level][2].row(row);
            along[k] = halves_.row(0) + back - k * step, alongHigh[k] = halves_.row(1) + back - k * step;
        }
        HWY_DYNAMIC_DISPATCH(Synthesise)(a, b, halves_.row(0), valid(l));
        HWY_DYNAMIC_DISPATCH(Synthesise)(c, e, halves_.row(1), valid(l));
        float* to = l == 0 ? result_.row(0) : restored_[level].row(y);
        HWY_DYNAMIC_DISPATCH(Synthesise)(along, alongHigh, to + back, valid(l) - back);
    }

    int width_;
    float strength_;
    std::array<const float*, Wavelet::kTaps> input_{}; // rows under the finest filter
    std::array<Bands, kLevels> band_, shrunk_;
    std::array<RecentRows, kLevels> low_, restored_;
    Plane halves_, energy_, result_;
};

// Wide enough for what is read twice, narrow enough for the cache of one core.
constexpr int kStrip = 384;

} // namespace

int Wavelet::margin() const { return kMargin; }

PlaneSet Wavelet::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                      const Work& work) const {
    PlaneSet out(area);
    const int strips = (area.width + kStrip - 1) / kStrip, columns = (area.width + strips - 1) / strips,
              count = strips * static_cast<int>(kPlanes);
    std::atomic<int> done = 0;
    forEachBand(count, 1, work, [&](int first, int last) {
        for (int i = first; i < last; ++i) {
            const auto p = static_cast<std::size_t>(i / strips);
            const int x = area.x + i % strips * columns;
            const Rect strip = Rect{x, area.y, columns, area.height}.intersected(area);
            if (strength[p] > 0)
                StripShrinker(strip.width, strength[p]).run(in, p, strip, out, work);
            else
                for (int y = strip.y; y < strip.bottom(); ++y)
                    std::copy_n(in.rowAt(p, y) + strip.x, strip.width, out.rowAt(p, y) + strip.x);
            work.report(static_cast<double>(++done) / count);
        }
    });
    return out;
}

} // namespace irenic
#endif
