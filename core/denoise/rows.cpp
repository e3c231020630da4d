#include "denoise/rows.h"

#include "base/expects.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/rows.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using DF = hn::ScalableTag<float>;
using V = hn::Vec<DF>;

HWY_INLINE V Root(V z) {
    const DF d;
    const auto knee = hn::Set(d, Stabiliser::knee()), root = hn::Set(d, Stabiliser::kneeRoot());
    const auto straight =
        hn::MulAdd(hn::Sub(z, knee), hn::Set(d, 1 / Stabiliser::kneeRoot()), hn::Add(root, root));
    const auto bent = hn::Mul(hn::Set(d, 2.0f), hn::Sqrt(hn::Max(z, knee)));
    return hn::IfThenElse(hn::Lt(z, knee), straight, bent);
}

void StabiliseRow(const std::uint16_t* top, const std::uint16_t* bottom, const SiteLines& lines,
                  const std::array<float*, 4>& planes, int n) {
    const DF d;
    const hn::Rebind<std::uint16_t, DF> d16;
    const hn::Rebind<std::int32_t, DF> d32;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const auto half = hn::Set(d, 0.5f), slant = hn::Set(d, 0.70710678f);
    const auto site = [&](int s, auto samples) HWY_ATTR {
        const auto at = static_cast<std::size_t>(s);
        return Root(hn::MulAdd(hn::ConvertTo(d, hn::PromoteTo(d32, samples)), hn::Set(d, lines.gain[at]),
                               hn::Set(d, lines.offset[at])));
    };
    HWY_ALIGN std::uint16_t last[4][2 * 64];
    for (int x = 0; x < n; x += lanes) {
        const std::uint16_t *a = top + 2 * x, *b = bottom + 2 * x;
        if (x + lanes > n) { // the row's end: nothing is read beyond it
            for (int i = 0; i < 2 * lanes; ++i) {
                const int from = std::min(i, 2 * (n - x) - 1);
                last[0][i] = a[from], last[1][i] = b[from];
            }
            a = last[0], b = last[1];
        }
        hn::Vec<decltype(d16)> s0, s1, s2, s3;
        hn::LoadInterleaved2(d16, a, s0, s1);
        hn::LoadInterleaved2(d16, b, s2, s3);
        const V v[4] = {site(0, s0), site(1, s1), site(2, s2), site(3, s3)};
        const V r = v[lines.site[0]], g1 = v[lines.site[1]], g2 = v[lines.site[2]], bl = v[lines.site[3]];
        const V rb = hn::Add(r, bl), gg = hn::Add(g1, g2);
        hn::StoreU(hn::Mul(half, hn::Add(rb, gg)), d, planes[0] + x);
        hn::StoreU(hn::Mul(slant, hn::Sub(r, bl)), d, planes[1] + x);
        hn::StoreU(hn::Mul(half, hn::Sub(rb, gg)), d, planes[2] + x);
        hn::StoreU(hn::Mul(slant, hn::Sub(g1, g2)), d, planes[3] + x);
    }
}

// Stabiliser::unbiased(), in electrons.
HWY_INLINE V Unbiased(V v, const Stabiliser::View& t) {
    const DF d;
    const hn::RebindToSigned<DF> di;
    const auto quarter = hn::Set(d, 0.25f);
    const auto square = hn::Mul(quarter, hn::Mul(v, v));
    if (!t.values) return hn::Add(square, hn::Set(d, t.tail));
    const auto start = hn::Set(d, t.start);
    const auto position = hn::Div(hn::Sub(v, start), hn::Set(d, t.step));
    const auto clamped = hn::Min(hn::Max(position, hn::Zero(d)), hn::Set(d, static_cast<float>(t.size - 2)));
    const auto whole = hn::ConvertTo(di, clamped);
    const auto share = hn::Sub(clamped, hn::ConvertTo(d, whole));
    const auto t0 = hn::GatherIndex(d, t.values, whole),
               t1 = hn::GatherIndex(d, t.values, hn::Add(whole, hn::Set(di, 1)));
    const auto inside = hn::Add(square, hn::MulAdd(share, hn::Sub(t1, t0), t0));
    const float first = t.values[0] + 0.25f * t.start * t.start;
    const auto below = hn::MulAdd(hn::Sub(v, start), hn::Set(d, t.slope), hn::Set(d, first));
    const auto above = hn::Add(
        square, hn::Add(hn::Set(d, t.tail), hn::Div(hn::Set(d, t.end), hn::Max(v, hn::Set(d, 1.0f)))));
    const auto high =
        hn::IfThenElse(hn::Gt(position, hn::Set(d, static_cast<float>(t.size - 1))), above, inside);
    return hn::IfThenElse(hn::Lt(position, hn::Zero(d)), below, high);
}

void LinearOfRow(const LinearRow& row, int n) {
    const DF d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const auto half = hn::Set(d, 0.5f), slant = hn::Set(d, 0.70710678f);
    const bool grainy = row.grain != nullptr;
    for (int x = 0; x < n; x += lanes) {
        const auto at = [&](std::size_t p) HWY_ATTR { return hn::LoadU(d, row.clean[p] + x); };
        const auto y = at(0), c1 = hn::Mul(slant, at(1)), c2 = at(2), g0 = at(3), g = hn::Mul(slant, g0);
        const auto rb = hn::Mul(half, hn::Add(y, c2)), gg = hn::Mul(half, hn::Sub(y, c2));
        const V v[4] = {hn::Add(rb, c1), hn::Add(gg, g), hn::Sub(gg, g), hn::Sub(rb, c1)};
        V back[4] = {hn::Zero(d), hn::Zero(d), hn::Zero(d), hn::Zero(d)};
        if (grainy) {
            const auto grain = hn::LoadU(d, row.grain + x);
            const auto ny = hn::Mul(half, hn::Mul(grain, hn::Sub(hn::LoadU(d, row.noisy[0] + x), y)));
            const auto ng = hn::Mul(slant, hn::Mul(grain, hn::Sub(hn::LoadU(d, row.noisy[1] + x), g0)));
            back[0] = back[3] = ny;
            back[1] = hn::Add(ny, ng), back[2] = hn::Sub(ny, ng);
        }
        for (std::size_t k = 0; k < 4; ++k) {
            const Stabiliser::View& t = row.stable[k];
            auto value = Unbiased(v[k], t);
            if (grainy) value = hn::MulAdd(hn::Mul(half, v[k]), back[k], value);
            hn::StoreU(hn::MulAdd(value, hn::Set(d, t.scale), hn::LoadU(d, row.lost[k] + x)), d,
                       row.out[k] + x);
        }
    }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(StabiliseRow);
HWY_EXPORT(LinearOfRow);

void stabiliseRow(const std::uint16_t* top, const std::uint16_t* bottom, const SiteLines& lines,
                  const std::array<float*, 4>& planes, int n) {
    IRENIC_EXPECTS(n >= 0);
    HWY_DYNAMIC_DISPATCH(StabiliseRow)(top, bottom, lines, planes, n);
}
void linearRow(const LinearRow& row, int n) {
    IRENIC_EXPECTS(n >= 0);
    HWY_DYNAMIC_DISPATCH(LinearOfRow)(row, n);
}

} // namespace irenic
#endif
