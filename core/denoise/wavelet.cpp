#include "denoise/wavelet.h"

#include <algorithm>
#include <atomic>
#include <cmath>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/wavelet.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#include "base/expects.h"

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

// Wiener's share of band[i]: `energy` holds column sums of a first estimate's squares; 2r+1 of them around i,
// over themselves and the noise that as many coefficients have. Less than `chance` of that noise is left by
// chance.
void Share(const float* band, const float* energy, int r, float noise, float chance, float* out, int n) {
    const hn::ScalableTag<float> d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const auto all = hn::Set(d, noise * static_cast<float>((2 * r + 1) * (2 * r + 1))),
               least = hn::Mul(all, hn::Set(d, chance));
    for (int i = 0; i < n; i += lanes) {
        auto sum = hn::LoadU(d, energy + i - r);
        for (int k = 1 - r; k <= r; ++k) sum = hn::Add(sum, hn::LoadU(d, energy + i + k));
        sum = hn::Max(hn::Zero(d), hn::Sub(sum, least));
        hn::StoreU(hn::Mul(hn::LoadU(d, band + i), hn::Div(sum, hn::Add(sum, all))), d, out + i);
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
HWY_EXPORT(Share);

namespace {

constexpr int kLevels = Wavelet::kLevels;
// The coarsest scale is left as the first estimate has it: looking twice there would need twice the surround.
constexpr int kSecondLevels = kLevels - 1;
constexpr int reachOfAll(int levels) { return (Wavelet::kTaps - 1) * ((1 << levels) - 1); } // 45 and 21
// Radii of the local variance: of the first estimate, by level, and of the second.
constexpr int kFirstWindow = 3, kSecondWindow = 2;
constexpr int firstWindow(int level) { return level == 0 ? 2 : kFirstWindow; }
constexpr int kFirstMargin = reachOfAll(kLevels) + kFirstWindow,
              kSecondMargin = reachOfAll(kSecondLevels) + kSecondWindow;
// The noise that the second pass reckons with, over that there is: what the first left of a window is not
// only picture; of colours less goes, so that even areas keep theirs. Chosen on the mill and on the eight
// photographs of the protocol.
constexpr float kSecondNoise = 1.3f, kSecondColourNoise = 0.9f;
// What the first left of a window where there is nothing: kept, it shows as strokes in near black.
constexpr float kChance = 0.3f;

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

using Bands = std::array<RecentRows, 3>;

// The bands of some columns of a plane, row by row: whole planes of thirteen bands would not stay in the
// processor's caches. Band (level, kind) at index x belongs to the input from x on; all share the input's
// coordinates, so that what is valid of a band ends ever earlier at the right.
class Analysis {
  public:
    // Keeps a window of rows around the one that the coarsest level allows, and with `parents` those that
    // finer levels look at.
    Analysis(int width, int levels, int window, bool parents)
        : width_(width), levels_(levels), halves_(width, 2) {
        for (int l = 0; l < levels; ++l) {
            const auto level = static_cast<std::size_t>(l);
            // Rows are used when the coarsest level has what the window needs: finer levels wait for it.
            const int ahead = reachOfAll(levels) + window - delayOf(l),
                      behind = std::max(window, parents && l > 0 ? reachOf(l - 1) : 0);
            for (auto& band : band_[level]) band = RecentRows(width, ahead + behind + 1);
            low_[level] = RecentRows(width, l + 1 < levels ? reachOf(l + 1) + 1 : reachOf(l) + ahead + 1);
        }
    }

    // Takes row y of the input, of which `from` gives the ones up to it.
    template <class From> void take(int y, const From& from) {
        for (int l = 0; l < levels_ && y >= delayOf(l); ++l) {
            const float* taps[Wavelet::kTaps];
            const int row = y - delayOf(l);
            for (int k = 0; k < Wavelet::kTaps; ++k)
                taps[k] = l == 0 ? from(row + k) : low(l - 1).row(row + (k << l));
            analyse(taps, l, row);
        }
    }

    RecentRows& band(int level, std::size_t kind) { return band_[static_cast<std::size_t>(level)][kind]; }
    RecentRows& low(int level) { return low_[static_cast<std::size_t>(level)]; }
    // Columns of a level's bands that are valid.
    int valid(int level) const { return width_ - delayOf(level); }

  private:
    // Columns first, into two rows that stay at hand, then along these.
    void analyse(const float* const* taps, int l, int y) {
        const int step = 1 << l;
        HWY_DYNAMIC_DISPATCH(Analyse)
        (taps, halves_.row(0), halves_.row(1), l == 0 ? width_ : valid(l - 1));
        const float *low = halves_.row(0), *high = halves_.row(1);
        const float *alongLow[4] = {low, low + step, low + 2 * step, low + 3 * step},
                    *alongHigh[4] = {high, high + step, high + 2 * step, high + 3 * step};
        HWY_DYNAMIC_DISPATCH(Analyse)(alongLow, this->low(l).row(y), band(l, 1).row(y), valid(l));
        HWY_DYNAMIC_DISPATCH(Analyse)(alongHigh, band(l, 0).row(y), band(l, 2).row(y), valid(l));
    }

    int width_, levels_;
    std::array<Bands, kLevels> band_;
    std::array<RecentRows, kLevels> low_;
    Plane halves_;
};

// The way back, from bands that were shrunk.
class Synthesis {
  public:
    Synthesis(int width, int levels) : levels_(levels), halves_(width, 2), result_(width, 1) {
        for (int l = 0; l < levels; ++l) {
            const auto level = static_cast<std::size_t>(l);
            for (auto& band : shrunk_[level]) band = RecentRows(width, reachOf(l) + 1);
            if (l > 0) restored_[level] = RecentRows(width, reachOf(l - 1) + 1);
        }
    }

    RecentRows& shrunk(int level, std::size_t kind) { return shrunk_[static_cast<std::size_t>(level)][kind]; }

    // Row y, once all of its bands are shrunk; what is coarser is `of`'s.
    const float* row(int y, Analysis& of) {
        for (int l = levels_ - 1; l >= 0; --l) {
            const auto level = static_cast<std::size_t>(l);
            const int step = 1 << l, back = reachOf(l), valid = of.valid(l);
            RecentRows& low = l == levels_ - 1 ? of.low(l) : restored_[level + 1];
            const float *a[4], *b[4], *c[4], *e[4], *along[4], *alongHigh[4];
            for (int k = 0; k < 4; ++k) {
                const int from = std::max(0, y - k * step); // before the first rows nothing is valid yet
                a[k] = low.row(from), b[k] = shrunk_[level][0].row(from);
                c[k] = shrunk_[level][1].row(from), e[k] = shrunk_[level][2].row(from);
                along[k] = halves_.row(0) + back - k * step, alongHigh[k] = halves_.row(1) + back - k * step;
            }
            HWY_DYNAMIC_DISPATCH(Synthesise)(a, b, halves_.row(0), valid);
            HWY_DYNAMIC_DISPATCH(Synthesise)(c, e, halves_.row(1), valid);
            float* to = l == 0 ? result_.row(0) : restored_[level].row(y);
            HWY_DYNAMIC_DISPATCH(Synthesise)(along, alongHigh, to + back, valid - back);
        }
        return result_.row(0);
    }

  private:
    int levels_;
    std::array<Bands, kLevels> shrunk_;
    std::array<RecentRows, kLevels> restored_;
    Plane halves_, result_;
};

// A pass's way down a strip of a plane, one row after the other.
struct Walk {
    int margin; // samples that it reads around the strip
    int ready;  // rows above one that have to be there before its coefficients can be judged
    int levels;

    // take(y, around) hands row y of the strip inflated by the margin to what takes it apart; then
    // shrink(level, kind, row) judges the row's coefficients, and what they give goes to `out`.
    template <class Take, class Shrink>
    void go(const Rect& strip, std::size_t plane, Synthesis& synthesis, Analysis& coarse, PlaneSet& out,
            const Work& work, const Take& take, const Shrink& shrink) const {
        const Rect around = strip.inflated(margin);
        for (int y = 0; y < around.height; ++y) {
            if (y % 16 == 0) work.check();
            take(y, around);
            const int row = y - margin;
            if (row < ready) continue;
            for (int level = 0; level < levels; ++level)
                for (std::size_t kind = 0; kind < 3; ++kind) shrink(level, kind, row);
            const float* made = synthesis.row(row, coarse);
            if (row >= margin)
                std::copy_n(made + margin, strip.width, out.rowAt(plane, around.y + row) + strip.x);
        }
    }
};

// The first estimate of a strip of a plane: coefficients are judged with their parents and surround.
class FirstPass {
  public:
    FirstPass(int columns, float strength)
        : width_(columns + 2 * kFirstMargin), strength_(strength),
          analysis_(width_, kLevels, kFirstWindow, true), synthesis_(width_, kLevels),
          energy_(width_ + 32, 1) {
        energy_.fill(0);
    }

    // `in` covers `strip` and kFirstMargin around it.
    void run(const PlaneSet& in, std::size_t plane, const Rect& strip, PlaneSet& out, const Work& work) {
        // Else a parent's row would not be there.
        const Walk walk{kFirstMargin, kFirstWindow + reachOf(kLevels - 2), kLevels};
        walk.go(
            strip, plane, synthesis_, analysis_, out, work,
            [&](int y, const Rect& around) {
                analysis_.take(y, [&](int row) { return in.rowAt(plane, around.y + row) + around.x; });
            },
            [&](int level, std::size_t kind, int row) { shrink(level, kind, row); });
    }

  private:
    void shrink(int level, std::size_t kind, int y) {
        RecentRows& band = analysis_.band(level, kind);
        // The coarsest bands have no parent; they are judged with themselves.
        const bool top = level == kLevels - 1;
        // A parent's filter reaches further to the right: the same place stands further left in it.
        const int valid = analysis_.valid(level), shift = top ? 0 : reachOf(level), r = firstWindow(level),
                  x0 = std::max(r, shift);
        const int right = std::min(valid - r, top ? valid : analysis_.valid(level + 1) + shift);
        const float* near[2 * kFirstWindow + 1];
        for (int k = -r; k <= r; ++k) near[k + r] = band.row(y + k);
        HWY_DYNAMIC_DISPATCH(SquareSum)(near, 2 * r + 1, energy_.row(0), valid);
        // A parent is half as noisy: it is brought to the child's size.
        const float* parent =
            top ? band.row(y) + x0 : analysis_.band(level + 1, kind).row(y - shift) + x0 - shift;
        const float sigma = strength_ / static_cast<float>(2 << level);
        HWY_DYNAMIC_DISPATCH(Shrink)
        (band.row(y) + x0, parent, top ? 1.0f : 2.0f, energy_.row(0) + x0, r, sigma * sigma,
         synthesis_.shrunk(level, kind).row(y) + x0, right - x0);
    }

    int width_;
    float strength_;
    Analysis analysis_;
    Synthesis synthesis_;
    Plane energy_;
};

// The second one: what the first says of a coefficient's surround tells how much of the noisy one is kept.
class SecondPass {
  public:
    SecondPass(int columns, float variance)
        : width_(columns + 2 * kSecondMargin), variance_(variance),
          noisy_(width_, kSecondLevels, kSecondWindow, false),
          first_(width_, kSecondLevels, kSecondWindow, false), synthesis_(width_, kSecondLevels),
          energy_(width_ + 32, 1) {
        energy_.fill(0);
    }

    // `in` and `first` cover `strip` and kSecondMargin around it.
    void run(const PlaneSet& in, const PlaneSet& first, std::size_t plane, const Rect& strip, PlaneSet& out,
             const Work& work) {
        const Walk walk{kSecondMargin, kSecondWindow, kSecondLevels};
        walk.go(
            strip, plane, synthesis_, first_, out, work,
            [&](int y, const Rect& around) {
                noisy_.take(y, [&](int row) { return in.rowAt(plane, around.y + row) + around.x; });
                first_.take(y, [&](int row) { return first.rowAt(plane, around.y + row) + around.x; });
            },
            [&](int level, std::size_t kind, int row) { shrink(level, kind, row); });
    }

  private:
    void shrink(int level, std::size_t kind, int y) {
        constexpr int r = kSecondWindow;
        const int valid = noisy_.valid(level);
        const float* near[2 * r + 1];
        for (int k = -r; k <= r; ++k) near[k + r] = first_.band(level, kind).row(y + k);
        HWY_DYNAMIC_DISPATCH(SquareSum)(near, 2 * r + 1, energy_.row(0), valid);
        const float variance = variance_ / static_cast<float>(4 << (2 * level));
        HWY_DYNAMIC_DISPATCH(Share)
        (noisy_.band(level, kind).row(y) + r, energy_.row(0) + r, r, variance, kChance,
         synthesis_.shrunk(level, kind).row(y) + r, valid - 2 * r);
    }

    int width_;
    float variance_; // of the noise that is reckoned with
    Analysis noisy_, first_;
    Synthesis synthesis_;
    Plane energy_;
};

// Calls body(plane, strip) for strips of all planes: wide enough for what is read twice, narrow
// enough for the cache of one core.
template <class Body> void forEachStrip(const Rect& area, int widest, const Work& work, const Body& body) {
    const int strips = (area.width + widest - 1) / widest, columns = (area.width + strips - 1) / strips,
              count = strips * static_cast<int>(kPlanes);
    std::atomic<int> done = 0;
    forEachBand(count, 1, work, [&](int first, int last) {
        for (int i = first; i < last; ++i) {
            const Rect strip =
                Rect{area.x + i % strips * columns, area.y, columns, area.height}.intersected(area);
            body(static_cast<std::size_t>(i / strips), strip);
            work.report(static_cast<double>(++done) / count);
        }
    });
}

constexpr int kStrip = 640;

} // namespace

int Wavelet::margin() const { return kFirstMargin + kSecondMargin; }

PlaneSet Wavelet::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                      const Work& work) const {
    IRENIC_EXPECTS(in.area.contains(area.inflated(margin())));
    PlaneSet first(area.inflated(kSecondMargin)), out(area);
    forEachStrip(first.area, kStrip, work.part(0, 0.45), [&](std::size_t p, const Rect& strip) {
        if (strength[p] > 0) FirstPass(strip.width, strength[p]).run(in, p, strip, first, work);
    });
    forEachStrip(area, kStrip, work.part(0.45, 1), [&](std::size_t p, const Rect& strip) {
        const float reckoned = isColour(p) ? kSecondColourNoise : kSecondNoise;
        if (strength[p] > 0)
            SecondPass(strip.width, reckoned * strength[p] * strength[p]).run(in, first, p, strip, out, work);
        else
            for (int y = strip.y; y < strip.bottom(); ++y)
                std::copy_n(in.rowAt(p, y) + strip.x, strip.width, out.rowAt(p, y) + strip.x);
    });
    return out;
}

} // namespace irenic
#endif
