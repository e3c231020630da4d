#include "denoise/wavelet.h"

#include <algorithm>
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
    const auto root3 = hn::Set(d, 1.7320508f * noise);
    for (int i = 0; i < n; i += lanes) {
        auto sum = hn::LoadU(d, energy + i - r);
        for (int k = 1 - r; k <= r; ++k) sum = hn::Add(sum, hn::LoadU(d, energy + i + k));
        const auto excess = hn::MulAdd(sum, hn::Set(d, 1.0f / count), hn::Neg(v_noise));
        // One root for both, the signal's standard deviation and the size of the pair.
        const auto signal = hn::Max(excess, hn::Mul(v_noise, hn::Set(d, 1e-4f)));
        const auto v = hn::LoadU(d, band + i), p = hn::Mul(hn::Set(d, weight), hn::LoadU(d, parent + i));
        const auto both = hn::Sqrt(hn::Mul(signal, hn::MulAdd(v, v, hn::MulAdd(p, p, tiny))));
        const auto kept = hn::Max(hn::Zero(d), hn::Sub(hn::Set(d, 1.0f), hn::Div(root3, both)));
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

int windowRadius(int level) { return level == 0 ? 2 : kWindow; }

// One plane. Band (level, kind) at index x belongs to the input from x on; all planes share the input's
// coordinates, so that a band's valid part ends ever earlier at the right and bottom.
class PlaneShrinker {
  public:
    PlaneShrinker(const Plane& in, const Work& work)
        : in_(in), work_(work), w_(in.width()), h_(in.height()) {}

    // The result is valid from kReach + kWindow on to the same distance from the far sides.
    Plane run(float strength) {
        Plane low = analyse();
        // The coarsest bands have no parent; they are judged with themselves.
        for (int level = Wavelet::kLevels - 1; level >= 0; --level) {
            std::array<Plane, 3> shrunk;
            for (std::size_t kind = 0; kind < 3; ++kind) shrunk[kind] = shrink(level, kind, strength);
            for (Plane& band : parent_) band = Plane();
            parent_ = std::move(bands_[static_cast<std::size_t>(level)]);
            low = synthesise(level, low, shrunk);
        }
        return low;
    }

  private:
    // Columns and rows of a level's bands that are valid.
    int valid(int size, int level) const { return size - (Wavelet::kTaps - 1) * ((2 << level) - 1); }

    Plane analyse() {
        const Plane* source = &in_;
        Plane low;
        for (int level = 0; level < Wavelet::kLevels; ++level) {
            const int step = 1 << level, width = level == 0 ? w_ : valid(w_, level - 1);
            const int columns = valid(w_, level), bottom = valid(h_, level);
            auto& band = bands_[static_cast<std::size_t>(level)];
            for (Plane& plane : band) plane = Plane(w_, h_);
            Plane next(w_, h_);
            // Columns first, into two rows that stay at hand, then along these.
            forEachBand(bottom, 32, work_, [&](int first, int last) {
                Plane halves(width, 2);
                const float *l = halves.row(0), *h = halves.row(1);
                const float *alongLow[4] = {l, l + step, l + 2 * step, l + 3 * step},
                            *alongHigh[4] = {h, h + step, h + 2 * step, h + 3 * step};
                for (int y = first; y < last; ++y) {
                    const float* taps[4];
                    for (int k = 0; k < 4; ++k) taps[k] = source->row(y + k * step);
                    HWY_DYNAMIC_DISPATCH(Analyse)(taps, halves.row(0), halves.row(1), width);
                    HWY_DYNAMIC_DISPATCH(Analyse)(alongLow, next.row(y), band[1].row(y), columns);
                    HWY_DYNAMIC_DISPATCH(Analyse)(alongHigh, band[0].row(y), band[2].row(y), columns);
                }
            });
            low = std::move(next);
            source = &low;
        }
        return low;
    }

    Plane shrink(int level, std::size_t kind, float strength) {
        const Plane& band = bands_[static_cast<std::size_t>(level)][kind];
        const bool top = level == Wavelet::kLevels - 1;
        const int r = windowRadius(level), columns = valid(w_, level), rows = valid(h_, level);
        // A parent's filter reaches further to the right: the same place stands further left in it.
        const int shift = top ? 0 : (Wavelet::kTaps - 1) << level;
        const int x0 = std::max(r, shift), y0 = std::max(r, shift);
        const float sigma = strength / static_cast<float>(2 << level);
        Plane out(w_, h_);
        const int right = std::min(columns - r, top ? columns : valid(w_, level + 1) + shift);
        const int bottom = std::min(rows - r, top ? rows : valid(h_, level + 1) + shift);
        forEachBand(std::max(0, bottom - y0), 32, work_, [&](int first, int last) {
            Plane energy(columns + 32, 1);
            for (int y = y0 + first; y < y0 + last; ++y) {
                const float* near[2 * kWindow + 1];
                for (int k = -r; k <= r; ++k) near[k + r] = band.row(y + k);
                HWY_DYNAMIC_DISPATCH(SquareSum)(near, 2 * r + 1, energy.row(0), columns);
                // A parent is half as noisy: it is brought to the child's size.
                const float* p = top ? band.row(y) + x0 : parent_[kind].row(y - shift) + x0 - shift;
                HWY_DYNAMIC_DISPATCH(Shrink)
                (band.row(y) + x0, p, top ? 1.0f : 2.0f, energy.row(0) + x0, r, sigma * sigma,
                 out.row(y) + x0, right - x0);
            }
        });
        return out;
    }

    Plane synthesise(int level, const Plane& low, const std::array<Plane, 3>& band) {
        const int step = 1 << level, back = 3 * step;
        const int columns = valid(w_, level), rows = valid(h_, level);
        Plane out(w_, h_);
        forEachBand(rows - back, 32, work_, [&](int first, int last) {
            Plane halves(columns, 2);
            const float *along[4], *alongHigh[4];
            for (int k = 0; k < 4; ++k)
                along[k] = halves.row(0) + back - k * step, alongHigh[k] = halves.row(1) + back - k * step;
            for (int y = back + first; y < back + last; ++y) {
                const float *a[4], *b[4], *c[4], *e[4];
                for (int k = 0; k < 4; ++k) {
                    a[k] = low.row(y - k * step), b[k] = band[0].row(y - k * step);
                    c[k] = band[1].row(y - k * step), e[k] = band[2].row(y - k * step);
                }
                HWY_DYNAMIC_DISPATCH(Synthesise)(a, b, halves.row(0), columns);
                HWY_DYNAMIC_DISPATCH(Synthesise)(c, e, halves.row(1), columns);
                HWY_DYNAMIC_DISPATCH(Synthesise)(along, alongHigh, out.row(y) + back, columns - back);
            }
        });
        return out;
    }

    const Plane& in_;
    const Work& work_;
    int w_, h_;
    std::array<std::array<Plane, 3>, Wavelet::kLevels> bands_;
    std::array<Plane, 3> parent_;
};

} // namespace

int Wavelet::margin() const { return kReach + kWindow; }

PlaneSet Wavelet::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                      const Work& work) const {
    PlaneSet out;
    out.area = area;
    const Rect inside = area.translated(-in.area.x, -in.area.y);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        if (strength[p] > 0)
            out.plane[p] = PlaneShrinker(in.plane[p], work).run(strength[p]).cropped(inside);
        else
            out.plane[p] = in.plane[p].cropped(inside);
        work.report(static_cast<double>(p + 1) / kPlanes);
    }
    return out;
}

} // namespace irenic
#endif
