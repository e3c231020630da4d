#include "develop/finish.h"

#include <algorithm>
#include <cmath>

#include "develop/render.h"
#include "image/ease.h"

namespace irenic {

namespace {

constexpr float kTop = 16; // the brightest light of the tone table, white being 1
constexpr float kGrey = 0.18f;
constexpr std::size_t kSteps = 8192;

float lookedUp(const std::vector<float>& table, float v, float top) {
    if (!(v > 0)) return table.front();
    const float at = std::sqrt(std::min(v / top, 1.0f)) * static_cast<float>(kSteps);
    const auto i = std::min(static_cast<std::size_t>(at), kSteps - 1);
    const float t = at - static_cast<float>(i);
    return table[i] + t * (table[i + 1] - table[i]);
}

// Highlights and shadows: a shift in stops that grows smoothly away from mid-grey. The slopes keep the order
// of tones.
float shifted(float v, const Look& look) {
    if (v <= 0 || (look.highlights == 0 && look.shadows == 0)) return v;
    const float stops = std::log2(v / kGrey);
    const float by =
        stops > 0 ? 1.5f * look.highlights * eased(stops / 3.5f) : 1.5f * look.shadows * eased(-stops / 5);
    return v * std::exp2(by);
}

} // namespace

Finish::Finish(const Photo& photo, const Look& look, OutputSpace space, float push)
    : gain_(std::exp2(look.exposure + static_cast<float>(photo.baselineExposure) + std::min(push, 0.0f))),
      lift_(std::exp2(std::max(push, 0.0f))), saturation_(look.saturation), tone_(kSteps + 1),
      transfer_(kSteps + 1) {
    const Matrix3 m = xyzD50To(space) * inverse(xyzD50To(kWorkingSpace));
    for (std::size_t i = 0; i < 9; ++i)
        toSpace_[i] = static_cast<float>(space == kWorkingSpace ? kIdentity3[i] : m[i]);
    const Contrast contrast(look.curve);
    for (std::size_t i = 0; i <= kSteps; ++i) {
        const float root = static_cast<float>(i) / static_cast<float>(kSteps), v = root * root;
        float t = tone(photo, shifted(v * kTop, look));
        if (look.curve.size() >= 2) t = decoded(OutputSpace::Srgb, contrast(encoded(OutputSpace::Srgb, t)));
        tone_[i] = t;
        transfer_[i] = encoded(space, v);
    }
}

void Finish::apply(float* r, float* g, float* b, int n) const {
    for (int i = 0; i < n; ++i) {
        float cr = r[i] * gain_, cg = g[i] * gain_, cb = b[i] * gain_;
        if (lift_ > 1) {
            const float k = pushFactor(lift_, std::max({cr, cg, cb}));
            cr *= k, cg *= k, cb *= k;
        }
        if (saturation_ != 1) {
            // Y of ROMM RGB.
            const float grey = 0.2880f * cr + 0.7119f * cg + 0.0001f * cb;
            cr = grey + saturation_ * (cr - grey), cg = grey + saturation_ * (cg - grey),
            cb = grey + saturation_ * (cb - grey);
        }
        // What is brighter than white fades into it: clipped one by one, channels would turn bright wood
        // yellow.
        const float most = std::max({cr, cg, cb});
        if (most > 1) {
            const float fade = (most - 1) / (most + 0.5f);
            cr += fade * (most - cr), cg += fade * (most - cg), cb += fade * (most - cb);
        }
        // The curve acts on luminance and leaves colours their proportions: taken channel by channel it would
        // make them paler. Towards white it does go channel by channel, so that lights burn out softly.
        // In the noise about black luminance may be nothing where a colour is not: there the curve is
        // straight.
        const float y = std::max(1e-4f, 0.2880f * cr + 0.7119f * cg + 0.0001f * cb);
        const float k = lookedUp(tone_, y, kTop) / y;
        const float white = eased((k * std::max({cr, cg, cb}) - 0.75f) / 0.35f);
        const auto toned = [&](float v) { return k * v + white * (lookedUp(tone_, v, kTop) - k * v); };
        cr = toned(cr), cg = toned(cg), cb = toned(cb);
        r[i] = lookedUp(transfer_, toSpace_[0] * cr + toSpace_[1] * cg + toSpace_[2] * cb, 1);
        g[i] = lookedUp(transfer_, toSpace_[3] * cr + toSpace_[4] * cg + toSpace_[5] * cb, 1);
        b[i] = lookedUp(transfer_, toSpace_[6] * cr + toSpace_[7] * cg + toSpace_[8] * cb, 1);
    }
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
