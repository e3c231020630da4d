#include "develop/sharpen.h"

#include <cmath>
#include <vector>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr int kReach = 9; // of the inverse kernel
constexpr int kLocal = 2; // radius of the window for the local variance

// The inverse of a Gaussian blur, h / (h^2 + lambda), as a symmetric kernel that leaves flat fields as they
// are.
std::array<float, kReach + 1> inverseOf(double sigma) {
    constexpr int n = 128;
    constexpr double lambda = 0.03;
    std::array<double, kReach + 1> k{};
    for (int x = 0; x <= kReach; ++x)
        for (int f = 0; f < n; ++f) {
            const double frequency = (f < n / 2 ? f : f - n) / static_cast<double>(n),
                         h = std::exp(-2 * M_PI * M_PI * sigma * sigma * frequency * frequency);
            // Next to nothing of a picture, and most of what demosaicing makes up, lies at the highest
            // frequencies: they are lifted least.
            const double high = std::clamp((std::abs(frequency) - 0.25) / 0.25, 0.0, 1.0),
                         lift = 1 - 0.6 * 0.5 * (1 - std::cos(M_PI * high));
            // A cosine taper lets the kernel end without a step.
            k[static_cast<std::size_t>(x)] += lift * h / (h * h + lambda) *
                                              std::cos(2 * M_PI * frequency * x) / n * 0.5 *
                                              (1 + std::cos(M_PI * x / (kReach + 1)));
        }
    double sum = k[0];
    for (std::size_t i = 1; i < k.size(); ++i) sum += 2 * k[i];
    std::array<float, kReach + 1> out{};
    for (std::size_t i = 0; i < k.size(); ++i) out[i] = static_cast<float>(k[i] / sum);
    return out;
}

// The window in which extremes count: as far as the blur has carried an edge.
int rangeRadius(Softness s) { return static_cast<int>(std::ceil(2 * blurOf(s))) + 1; }

// f(y) for all rows, in parallel.
template <class F> void rows(const Plane& like, const Work& work, const F& f) {
    forEachBand(like.height(), 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) f(y);
    });
}

// The separable combination of 2 radius + 1 samples along both axes.
template <class Combine>
Plane overWindow(const Plane& in, int radius, const Work& work, const Combine& combine) {
    const int w = in.width(), h = in.height();
    Plane across(w, h), out(w, h);
    rows(in, work, [&](int y) {
        const float* p = in.row(y);
        float* q = across.row(y);
        std::copy(p, p + w, q);
        for (int k = 1; k <= radius; ++k)
            for (int x = radius; x < w - radius; ++x) q[x] = combine(q[x], combine(p[x - k], p[x + k]));
    });
    rows(in, work, [&](int y) {
        float* q = out.row(y);
        std::copy(across.row(y), across.row(y) + w, q);
        if (y < radius || y >= h - radius) return;
        for (int k = 1; k <= radius; ++k) {
            const float *a = across.row(y - k), *b = across.row(y + k);
            for (int x = 0; x < w; ++x) q[x] = combine(q[x], combine(a[x], b[x]));
        }
    });
    return out;
}

} // namespace

NoiseLine luminanceNoise(const Photo& photo, const Vector3& gain, double left) {
    constexpr std::size_t channel[3] = {0, 1, 3};
    NoiseLine out;
    for (std::size_t c = 0; c < 3; ++c) {
        const NoiseLine& n = photo.noise.channel[channel[c]];
        const auto weight = static_cast<double>(kLightWeights[c]);
        out.a += weight * weight * gain[c] * n.a, out.b += weight * weight * gain[c] * gain[c] * n.b;
    }
    out.a *= left * left, out.b *= left * left;
    return out;
}

int sharpenMargin(Softness softness) { return softness == Softness::Off ? 0 : kReach; }

void sharpen(std::array<Plane, 3>& rgb, Softness softness, const NoiseLine& noise, const Work& work) {
    IRENIC_EXPECTS(rgb[0].width() == rgb[1].width() && rgb[0].width() == rgb[2].width());
    IRENIC_EXPECTS(rgb[0].height() == rgb[1].height() && rgb[0].height() == rgb[2].height());
    if (softness == Softness::Off) return;
    const int w = rgb[0].width(), h = rgb[0].height();
    const auto kernel = inverseOf(static_cast<double>(blurOf(softness)));
    Plane light(w, h), across(w, h), squares(w, h), sharp(w, h);
    rows(light, work, [&](int y) {
        for (int x = 0; x < w; ++x) {
            light.at(x, y) = kLightWeights[0] * rgb[0].at(x, y) + kLightWeights[1] * rgb[1].at(x, y) +
                             kLightWeights[2] * rgb[2].at(x, y);
            squares.at(x, y) = light.at(x, y) * light.at(x, y);
        }
    });
    rows(light, work, [&](int y) {
        const float* p = light.row(y);
        float* q = across.row(y);
        for (int x = 0; x < w; ++x) q[x] = kernel[0] * p[x];
        for (int k = 1; k <= kReach; ++k)
            for (int x = kReach; x < w - kReach; ++x)
                q[x] += kernel[static_cast<std::size_t>(k)] * (p[x - k] + p[x + k]);
    });
    rows(light, work, [&](int y) {
        float* q = sharp.row(y);
        for (int x = 0; x < w; ++x) q[x] = kernel[0] * across.at(x, y);
        if (y < kReach || y >= h - kReach) return;
        for (int k = 1; k <= kReach; ++k)
            for (int x = 0; x < w; ++x)
                q[x] += kernel[static_cast<std::size_t>(k)] * (across.at(x, y - k) + across.at(x, y + k));
    });
    work.check();
    const auto add = [](float a, float b) { return a + b; };
    const Plane sums = overWindow(light, kLocal, work, add), sums2 = overWindow(squares, kLocal, work, add);
    const int radius = rangeRadius(softness);
    const Plane low = overWindow(light, radius, work, [](float a, float b) { return std::min(a, b); }),
                high = overWindow(light, radius, work, [](float a, float b) { return std::max(a, b); });
    work.check();
    const auto a = static_cast<float>(noise.a), b = static_cast<float>(noise.b);
    rows(light, work, [&](int y) {
        if (y < kReach || y >= h - kReach) return;
        for (int x = kReach; x < w - kReach; ++x) {
            constexpr float count = (2 * kLocal + 1) * (2 * kLocal + 1);
            const float v = std::max(0.0f, light.at(x, y)), mean = sums.at(x, y) / count;
            const float variance = sums2.at(x, y) / count - mean * mean,
                        expected = 6 * std::max(0.0f, a * std::max(0.0f, mean) + b);
            if (!(variance > expected)) continue;
            const float above = 1 - expected / variance, share = above * above,
                        room = 0.01f * (high.at(x, y) - low.at(x, y));
            const float wanted =
                std::clamp(v + share * (sharp.at(x, y) - v), low.at(x, y) - room, high.at(x, y) + room);
            // Colours are scaled with luminance on its way down; on its way up not in the dark beside
            // something bright, where their ratios mean little: there all are lifted alike.
            if (wanted < v) {
                const float factor = v > 0 ? std::max(0.0f, wanted) / v : 1;
                for (Plane& p : rgb) p.at(x, y) *= factor;
            } else {
                const float ground = 0.05f * high.at(x, y) + 1e-5f, factor = (wanted + ground) / (v + ground);
                for (Plane& p : rgb) p.at(x, y) = (p.at(x, y) + ground) * factor - ground;
            }
        }
    });
}

} // namespace irenic
