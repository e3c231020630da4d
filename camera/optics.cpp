#include "optics.h"

#include <bit>
#include <cmath>
#include <cstdio>
#include <vector>

#include "base/work.h"

namespace irenic {

namespace {

// R. G. Keys, 1981, with a = -1/2; within the range of the 4x4 samples: no lens makes the surround of a lamp
// darker than dark.
float cubic(const Plane& p, float x, float y) {
    const auto weights = [](float t, float* w) {
        w[0] = ((-0.5f * t + 1) * t - 0.5f) * t, w[1] = (1.5f * t - 2.5f) * t * t + 1,
        w[2] = ((-1.5f * t + 2) * t + 0.5f) * t, w[3] = (0.5f * t - 0.5f) * t * t;
    };
    const float fx = std::floor(x), fy = std::floor(y);
    const int ix = static_cast<int>(fx), iy = static_cast<int>(fy);
    float wx[4], wy[4], sum = 0, low = 1e30f, high = 0;
    weights(x - fx, wx), weights(y - fy, wy);
    int columns[4];
    for (int i = 0; i < 4; ++i) columns[i] = std::clamp(ix + i - 1, 0, p.width() - 1);
    for (int j = 0; j < 4; ++j) {
        const float* row = p.row(std::clamp(iy + j - 1, 0, p.height() - 1));
        float across = 0;
        for (int i = 0; i < 4; ++i) {
            const float v = row[columns[i]];
            across += wx[i] * v;
            low = std::min(low, v), high = std::max(high, v);
        }
        sum += wy[j] * across;
    }
    return std::clamp(sum, low, high);
}

Plane blurred(const Plane& in, double sigma) {
    if (sigma <= 0) return in.clone();
    const int reach = static_cast<int>(std::ceil(3.5 * sigma));
    std::vector<float> k;
    float sum = 0;
    for (int i = -reach; i <= reach; ++i)
        k.push_back(static_cast<float>(std::exp(-i * i / (2 * sigma * sigma)))), sum += k.back();
    for (float& v : k) v /= sum;
    const int w = in.width(), h = in.height();
    Plane across(w, h), out(w, h);
    // Term by term along whole rows: additions that a compiler makes vectors of.
    forEachBand(h, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            const float* from = in.row(y);
            float* to = across.row(y);
            for (int x = 0; x < w; ++x) to[x] = 0;
            for (int i = -reach; i <= reach; ++i) {
                const float share = k[static_cast<std::size_t>(i + reach)];
                const int left = std::clamp(-i, 0, w), right = std::clamp(w - i, 0, w);
                for (int x = 0; x < left; ++x) to[x] += share * from[0];
                for (int x = left; x < right; ++x) to[x] += share * from[x + i];
                for (int x = std::max(left, right); x < w; ++x) to[x] += share * from[w - 1];
            }
        }
    });
    forEachBand(h, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            float* to = out.row(y);
            for (int x = 0; x < w; ++x) to[x] = 0;
            for (int i = -reach; i <= reach; ++i) {
                const float* from = across.row(std::clamp(y + i, 0, h - 1));
                const float share = k[static_cast<std::size_t>(i + reach)];
                for (int x = 0; x < w; ++x) to[x] += share * from[x];
            }
        }
    });
    return out;
}

// The radius in the middle of a long side.
double middleOf(int width, int height) {
    return (std::min(width, height) - 1.0) / std::hypot(width - 1.0, height - 1.0);
}

} // namespace

std::array<RadialWarp, 3> Optics::warps(int width, int height) const {
    std::array<RadialWarp, 3> w;
    const double h = middleOf(width, height);
    constexpr double one = 1;
    const double scale[3] = {red, one, blue};
    for (std::size_t c = 0; c < 3; ++c)
        w[c].radial = {scale[c] * (1 - distortion * h * h), scale[c] * distortion, 0, 0};
    return w;
}

std::array<Plane, 3> throughLens(const std::array<Plane, 3>& light, const Optics& optics) {
    const int w = light[0].width(), h = light[0].height();
    const double cx = (w - 1) / 2.0, cy = (h - 1) / 2.0, m = std::hypot(cx, cy);
    std::array<Plane, 3> out = {Plane(w, h), Plane(w, h), Plane(w, h)};
    // How far from the middle the light of each radius comes from, over that radius: Newton's method on
    // p (k0 + k1 p^2) = r, on a grid so fine that what is linear in between is off by less than 1e-7.
    const auto warps = optics.warps(w, h);
    constexpr int kSteps = 8192;
    std::array<std::vector<double>, 3> scales;
    for (std::size_t c = 0; c < 3; ++c) {
        const double k0 = warps[c].radial[0], k1 = warps[c].radial[1];
        for (int i = 0; i <= kSteps + 1; ++i) {
            const double r = static_cast<double>(i) / kSteps;
            double p = r;
            for (int n = 0; n < 20; ++n) p -= (p * (k0 + k1 * p * p) - r) / (k0 + 3 * k1 * p * p);
            scales[c].push_back(i > 0 ? p / r : 1 / k0);
        }
    }
    forEachBand(h, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                const double dx = (x - cx) / m, dy = (y - cy) / m, r = std::sqrt(dx * dx + dy * dy);
                const double at = r * kSteps;
                const auto k = static_cast<std::size_t>(at);
                for (std::size_t c = 0; c < 3; ++c) {
                    const double scale =
                        scales[c][k] + (scales[c][k + 1] - scales[c][k]) * (at - static_cast<double>(k));
                    const auto fromX = static_cast<float>(cx + m * dx * scale),
                               fromY = static_cast<float>(cy + m * dy * scale);
                    out[c].at(x, y) =
                        cubic(light[c], fromX, fromY) / static_cast<float>(1 + optics.vignetting * r * r);
                }
            }
    });
    for (Plane& p : out) p = blurred(p, optics.blur);
    if (optics.fringe > 0) {
        Plane over(w, h);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x)
                over.at(x, y) = std::max(0.0f, std::min(4.0f, out[1].at(x, y)) - 0.8f);
        const Plane glow = blurred(over, 2);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                out[0].at(x, y) += static_cast<float>(0.7 * optics.fringe) * glow.at(x, y);
                out[2].at(x, y) += static_cast<float>(optics.fringe) * glow.at(x, y);
            }
    }
    return out;
}

TagEntry opcodesFor(const Optics& optics, int width, int height) {
    TagEntry e{0xc74e, 7, 0, {}};
    const auto word = [&](std::uint32_t v) {
        for (int s = 24; s >= 0; s -= 8) e.bytes.push_back(static_cast<std::uint8_t>(v >> s));
    };
    const auto real = [&](double v) {
        const auto bits = std::bit_cast<std::uint64_t>(v);
        word(static_cast<std::uint32_t>(bits >> 32)), word(static_cast<std::uint32_t>(bits));
    };
    word(2);
    word(3), word(0x01030000), word(1), word(7 * 8);
    for (const double v : {optics.vignetting, 0.0, 0.0, 0.0, 0.0, 0.5, 0.5}) real(v);
    word(1), word(0x01030000), word(1), word(4 + 3 * 6 * 8 + 2 * 8);
    word(3);
    for (const RadialWarp& w : optics.warps(width, height)) {
        for (const double k : w.radial) real(k);
        for (const double k : w.tangential) real(k);
    }
    real(0.5), real(0.5);
    e.count = static_cast<std::uint32_t>(e.bytes.size());
    return e;
}

std::string lensProfile(const Optics& optics, const std::string& make, const std::string& model,
                        const std::string& lens, int width, int height) {
    // The library's radius is 1 in the middle of a long side for shapes, at the corner for light.
    const double k = optics.distortion * middleOf(width, height) * middleOf(width, height);
    char text[1600];
    std::snprintf(
        text, sizeof text,
        "<!DOCTYPE lensdatabase SYSTEM \"lensfun-database.dtd\">\n<lensdatabase version=\"1\">\n"
        "<mount><name>Sluice</name></mount>\n"
        "<camera><maker>%s</maker><model>%s</model><mount>Sluice</mount><cropfactor>1</cropfactor></camera>\n"
        "<lens><maker>Quay</maker><model>%s</model><mount>Sluice</mount><cropfactor>1</"
        "cropfactor><aspect-ratio>%.6f</aspect-ratio><calibration>\n"
        "<distortion model=\"poly3\" focal=\"35\" k1=\"%.8f\"/>\n"
        "<tca model=\"linear\" focal=\"35\" kr=\"%.8f\" kb=\"%.8f\"/>\n"
        "<vignetting model=\"pa\" focal=\"35\" aperture=\"2\" distance=\"1000\" k1=\"%.8f\" k2=\"%.8f\" "
        "k3=\"%.8f\"/>\n"
        "</calibration></lens>\n</lensdatabase>\n",
        make.c_str(), model.c_str(), lens.c_str(), static_cast<double>(width) / height, k, optics.red,
        optics.blue, -optics.vignetting, optics.vignetting * optics.vignetting,
        -optics.vignetting * optics.vignetting * optics.vignetting);
    return text;
}

} // namespace irenic
