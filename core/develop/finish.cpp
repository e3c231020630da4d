#include "develop/finish.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "develop/render.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "develop/finish.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#ifndef IRENIC_FINISH_SHARED
#define IRENIC_FINISH_SHARED
namespace irenic::finish {

constexpr float kTop = 16; // the brightest light of the tone table, white being 1
constexpr int kSteps = 8192;

// What a row of pixels is finished by.
struct Steps {
    float gain, lift, saturation, muted;
    const float *toSpace, *tone, *transfer;
};

} // namespace irenic::finish
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace irenic::finish; // NOLINT: the shared part of this very file

using Floats = hn::ScalableTag<float>;
using V = hn::Vec<Floats>;

// The table over square roots at v / top, linear in between.
V LookedUp(Floats d, const float* table, V v, float top) {
    const hn::RebindToSigned<Floats> whole;
    const V share = hn::Min(hn::Mul(v, hn::Set(d, 1 / top)), hn::Set(d, 1.0f));
    // What is below 0, or no number, is black.
    const V at = hn::Mul(hn::Sqrt(hn::IfThenElseZero(hn::Gt(share, hn::Zero(d)), share)),
                         hn::Set(d, static_cast<float>(kSteps)));
    const auto i = hn::Min(hn::ConvertTo(whole, at), hn::Set(whole, kSteps - 1));
    const V low = hn::GatherIndex(d, table, i), high = hn::GatherIndex(d, table + 1, i);
    return hn::MulAdd(hn::Sub(at, hn::ConvertTo(d, i)), hn::Sub(high, low), low);
}

V Eased(Floats d, V t) {
    t = hn::Min(hn::Max(t, hn::Zero(d)), hn::Set(d, 1.0f));
    return hn::Mul(hn::Mul(t, t), hn::NegMulAdd(hn::Set(d, 2.0f), t, hn::Set(d, 3.0f)));
}

// Y of ROMM RGB.
V Grey(Floats d, V r, V g, V b) {
    const auto weight = [&](std::size_t c) HWY_ATTR { return hn::Set(d, static_cast<float>(kWorkingY[c])); };
    return hn::MulAdd(weight(0), r, hn::MulAdd(weight(1), g, hn::Mul(weight(2), b)));
}

V Most(V r, V g, V b) { return hn::Max(r, hn::Max(g, b)); }

// As many pixels as a vector holds.
void FinishSome(const Steps& how, float* r, float* g, float* b) {
    const Floats d;
    const V one = hn::Set(d, 1.0f), gain = hn::Set(d, how.gain);
    V c[3] = {hn::Mul(hn::LoadU(d, r), gain), hn::Mul(hn::LoadU(d, g), gain), hn::Mul(hn::LoadU(d, b), gain)};
    if (how.lift > 1) { // pushFactor()
        const V most = hn::Min(hn::Max(Most(c[0], c[1], c[2]), hn::Zero(d)), one);
        const V k = hn::Div(hn::Set(d, how.lift), hn::MulAdd(hn::Set(d, how.lift - 1), most, one));
        for (V& v : c) v = hn::Mul(v, k);
    }
    if (how.saturation != 1) {
        const V grey = Grey(d, c[0], c[1], c[2]);
        for (V& v : c) v = hn::MulAdd(hn::Set(d, how.saturation), hn::Sub(v, grey), grey);
    }
    if (how.muted != 0) {
        // A colour is as strong as its least channel is below its most; noise about black has no colour.
        const V grey = Grey(d, c[0], c[1], c[2]), most = hn::Max(Most(c[0], c[1], c[2]), hn::Set(d, 1e-3f));
        const V least = hn::Max(hn::Min(c[0], hn::Min(c[1], c[2])), hn::Zero(d));
        const V weak = hn::Min(hn::Max(hn::Div(least, most), hn::Zero(d)), one);
        const V factor = hn::MulAdd(hn::Set(d, how.muted), weak, one);
        for (V& v : c) v = hn::MulAdd(factor, hn::Sub(v, grey), grey);
    }
    // What is brighter than white fades into it: clipped one by one, channels would turn bright wood yellow.
    const V most = Most(c[0], c[1], c[2]);
    const V fade =
        hn::Div(hn::Max(hn::Sub(most, one), hn::Zero(d)), hn::Add(hn::Max(most, one), hn::Set(d, 0.5f)));
    for (V& v : c) v = hn::MulAdd(fade, hn::Sub(most, v), v);
    // The curve acts on luminance and leaves colours their proportions: taken channel by channel it would
    // make them paler. Towards white it does go channel by channel, so that lights burn out softly. In the
    // noise about black luminance may be nothing where a colour is not: there the curve is straight.
    const V y = hn::Max(hn::Set(d, 1e-4f), Grey(d, c[0], c[1], c[2]));
    const V k = hn::Div(LookedUp(d, how.tone, y, kTop), y);
    const V white = Eased(
        d, hn::Mul(hn::Sub(hn::Mul(k, Most(c[0], c[1], c[2])), hn::Set(d, 0.75f)), hn::Set(d, 1 / 0.35f)));
    const bool anyWhite = !hn::AllTrue(d, hn::Eq(white, hn::Zero(d)));
    for (V& v : c) {
        const V straight = hn::Mul(k, v);
        v = anyWhite ? hn::MulAdd(white, hn::Sub(LookedUp(d, how.tone, v, kTop), straight), straight)
                     : straight;
    }
    float* const out[3] = {r, g, b};
    for (int row = 0; row < 3; ++row) {
        const float* m = how.toSpace + 3 * row;
        const V v = hn::MulAdd(hn::Set(d, m[0]), c[0],
                               hn::MulAdd(hn::Set(d, m[1]), c[1], hn::Mul(hn::Set(d, m[2]), c[2])));
        hn::StoreU(LookedUp(d, how.transfer, v, 1), d, out[row]);
    }
}

void FinishRow(const Steps& how, float* r, float* g, float* b, int n) {
    const Floats d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    int i = 0;
    for (; i + lanes <= n; i += lanes) FinishSome(how, r + i, g + i, b + i);
    if (i == n) return;
    // The last ones in a place of their own: behind them is not ours.
    HWY_ALIGN float rest[3][hn::MaxLanes(d)] = {};
    float* const from[3] = {r + i, g + i, b + i};
    for (int c = 0; c < 3; ++c) std::copy_n(from[c], n - i, rest[c]);
    FinishSome(how, rest[0], rest[1], rest[2]);
    for (int c = 0; c < 3; ++c) std::copy_n(rest[c], n - i, from[c]);
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(FinishRow);

using namespace finish; // NOLINT: the shared part of this very file

Finish::Finish(const Photo& photo, const Look& look, OutputSpace space, float push)
    : gain_(std::exp2(look.exposure + static_cast<float>(photo.baselineExposure) + std::min(push, 0.0f))),
      lift_(std::exp2(std::max(push, 0.0f))), saturation_(look.saturation), muted_(look.muted),
      tone_(kSteps + 1), transfer_(kSteps + 1) {
    const Matrix3 m = xyzD50To(space) * inverse(xyzD50To(kWorkingSpace));
    for (std::size_t i = 0; i < 9; ++i)
        toSpace_[i] = static_cast<float>(space == kWorkingSpace ? kIdentity3[i] : m[i]);
    const Contrast contrast(look.curve);
    for (std::size_t i = 0; i < tone_.size(); ++i) {
        const float root = static_cast<float>(i) / static_cast<float>(kSteps), v = root * root;
        float t = tone(photo, v * kTop);
        if (look.curve.size() >= 2) t = decoded(OutputSpace::Srgb, contrast(encoded(OutputSpace::Srgb, t)));
        tone_[i] = t;
        transfer_[i] = encoded(space, v);
    }
}

void Finish::apply(float* r, float* g, float* b, int n) const {
    IRENIC_EXPECTS(n >= 0);
    HWY_DYNAMIC_DISPATCH(FinishRow)
    ({gain_, lift_, saturation_, muted_, toSpace_.data(), tone_.data(), transfer_.data()}, r, g, b, n);
}

Look automaticLook(const Photo& photo, const Look& look, const Work& work) {
    Look out = look;
    out.exposure = out.highlights = out.shadows = 0;
    auto rgb = developOverview(photo, out, 256, work);
    std::vector<float> light;
    const float base = std::exp2(static_cast<float>(photo.baselineExposure));
    for (int y = 0; y < rgb[0].height(); ++y)
        for (int x = 0; x < rgb[0].width(); ++x)
            light.push_back(base * (0.288f * rgb[0].at(x, y) + 0.712f * rgb[1].at(x, y)));
    std::sort(light.begin(), light.end());
    const auto quantile = [&](double q) {
        return std::max(1e-4f, light[static_cast<std::size_t>(q * static_cast<double>(light.size() - 1))]);
    };
    const auto rounded = [](float v, float step) { return std::round(v / step) * step; };
    // A night stays a night: the middle goes two thirds of the way, and no further than the lights allow.
    const float middle = 0.66f * std::log2(0.11f / quantile(0.5)), lights = std::log2(1.6f / quantile(0.98));
    out.exposure = rounded(std::clamp(std::min(middle, lights), -2.0f, 3.0f), 0.05f);
    const float lifted = std::exp2(out.exposure), bright = std::log2(quantile(0.98) * lifted / 0.7f),
                dark = std::log2(0.012f / (quantile(0.1) * lifted));
    out.highlights = rounded(std::clamp(-bright / 1.5f, -0.8f, 0.0f), 0.05f);
    out.shadows = rounded(std::clamp(dark / 4, 0.0f, 0.5f), 0.05f);
    return out;
}

} // namespace irenic
#endif
