#include "denoise/clean.h"

#include <stdexcept>

#include "denoise/detail.h"
#include "noise/stabilise.h"

namespace irenic {

namespace {

constexpr float kHalfRoot = 0.70710678f;

std::array<Stabiliser, 4> stabilisersOf(const Photo& photo) {
    const auto& c = photo.noise.channel;
    return {Stabiliser(c[0]), Stabiliser(c[1]), Stabiliser(c[2]), Stabiliser(c[3])};
}

Rect packedExtent(const Photo& photo) { return {0, 0, (photo.width() + 1) / 2, (photo.height() + 1) / 2}; }

PlaneSet planesOf(const Photo& photo, const std::array<Stabiliser, 4>& stable, const Rect& area, const Work& work) {
    PlaneSet out(area);
    const Rect extent = packedExtent(photo);
    const auto sites = sitesOfChannels(photo.mosaic);
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int j = first; j < last; ++j) {
            const int py = mirrored(area.y + j, extent.height);
            for (int i = 0; i < area.width; ++i) {
                const int px = mirrored(area.x + i, extent.width);
                float v[4];
                for (std::size_t c = 0; c < 4; ++c) {
                    int x = 2 * px + (sites[c] & 1), y = 2 * py + (sites[c] >> 1);
                    // With an odd size the last cell is cut: take the same channel's neighbour.
                    if (x >= photo.width()) x -= 2;
                    if (y >= photo.height()) y -= 2;
                    v[c] = stable[c].forward(photo.normalised(x, y));
                }
                out.plane[0].at(i, j) = 0.5f * ((v[0] + v[3]) + (v[1] + v[2]));
                out.plane[1].at(i, j) = kHalfRoot * (v[0] - v[3]);
                out.plane[2].at(i, j) = 0.5f * ((v[0] + v[3]) - (v[1] + v[2]));
                out.plane[3].at(i, j) = kHalfRoot * (v[1] - v[2]);
            }
        }
    });
    return out;
}

// The coarse mean of what was removed is taken over two boxes of this radius, which leaves 4 % of the noise's sigma.
constexpr int kMeanRadius = 8;

// The mean over (2 kMeanRadius + 1)^2 samples; correct that far from the border. Sums run in the same order everywhere.
Plane boxed(const Plane& in, const Work& work) {
    const int w = in.width(), h = in.height(), r = kMeanRadius;
    constexpr float scale = 1.0f / (2 * kMeanRadius + 1);
    Plane rows(w, h), out(w, h);
    rows.fill(0);
    out.fill(0);
    forEachBand(h, 32, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            float* to = rows.row(y);
            for (int i = -r; i <= r; ++i) {
                const float* from = in.row(y) + i;
                for (int x = r; x < w - r; ++x) to[x] += from[x];
            }
        }
    });
    forEachBand(std::max(0, h - 2 * r), 32, work, [&](int first, int last) {
        for (int y = r + first; y < r + last; ++y) {
            float* to = out.row(y);
            for (int j = -r; j <= r; ++j) {
                const float* from = rows.row(y + j);
                for (int x = r; x < w - r; ++x) to[x] += from[x];
            }
            for (int x = r; x < w - r; ++x) to[x] *= scale * scale;
        }
    });
    return out;
}

} // namespace

std::array<int, 4> sitesOfChannels(const Mosaic& mosaic) {
    std::array<int, 4> sites{};
    for (int s = 0; s < 4; ++s) sites[static_cast<std::size_t>(mosaic.channel(s))] = s;
    return sites;
}

PlaneSet stabilisedPlanes(const Photo& photo, const Rect& packedArea, const Work& work) {
    return planesOf(photo, stabilisersOf(photo), packedArea, work);
}

std::string problemWith(const Settings& s) {
    if (!findMethod(s.method)) return "there is no method called \"" + s.method + "\"";
    const auto outside = [](float v, float top) { return !(v >= 0 && v <= top); };
    if (outside(s.luminance, 3)) return "luminance must lie between 0 and 3";
    if (outside(s.colour, 3)) return "colour must lie between 0 and 3";
    if (outside(s.detail, 1)) return "detail must lie between 0 and 1";
    if (outside(s.grain, 1)) return "grain must lie between 0 and 1";
    return {};
}

Plane cleanMosaic(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) {
    if (const std::string problem = problemWith(settings); !problem.empty()) throw std::invalid_argument(problem);
    Plane out(area.width, area.height);
    if (settings.untouched()) {
        for (int y = 0; y < area.height; ++y)
            for (int x = 0; x < area.width; ++x) out.at(x, y) = photo.normalised(area.x + x, area.y + y);
        work.report(1);
        return out;
    }

    const Method& method = *findMethod(settings.method);
    const auto stable = stabilisersOf(photo);
    const Rect cells = area.aligned(2);
    const Rect packed{cells.x / 2, cells.y / 2, cells.width / 2, cells.height / 2};
    const bool detailed = settings.detail > 0 && settings.luminance > 0;
    const Rect around = packed.inflated(2 * kMeanRadius);
    const Rect cleaned = detailed ? around.inflated(kDetailMargin) : around;
    const PlaneSet noisy = planesOf(photo, stable, cleaned.inflated(method.margin()), work);
    const float l = settings.luminance, c = settings.colour;
    PlaneSet clean = method.run(noisy, cleaned, {l, c, c, l}, work);
    if (detailed) clean = withDetail(noisy, clean, around, settings.detail, l, work);

    const auto sites = sitesOfChannels(photo.mosaic);
    // What is left untouched still holds its noise: of the variance of each channel, luminance and colour hold
    // half each. The unbiased inverse is meant for noiseless values; take back its share of the correction.
    const float noiseLeft = (l > 0 ? 0.0f : 0.5f) + (c > 0 ? 0.0f : 0.5f);
    PlaneSet linear(around), removed(around); // planes are channels here
    forEachBand(around.height, 16, work, [&](int first, int last) {
        for (int y = around.y + first; y < around.y + last; ++y) {
            const float *cy = clean.rowAt(0, y), *c1 = clean.rowAt(1, y), *c2 = clean.rowAt(2, y), *cg = clean.rowAt(3, y);
            const float *ny = noisy.rowAt(0, y), *n1 = noisy.rowAt(1, y), *n2 = noisy.rowAt(2, y), *ng = noisy.rowAt(3, y);
            for (int x = around.x; x < around.right(); ++x) {
                float v[4], n[4], grain[4] = {0, 0, 0, 0};
                channelsOf(cy[x], c1[x], c2[x], cg[x], v);
                channelsOf(ny[x], n1[x], n2[x], ng[x], n);
                if (settings.grain > 0)
                    channelsOf(settings.grain * (ny[x] - cy[x]), 0, 0, settings.grain * (ng[x] - cg[x]), grain);
                for (std::size_t k = 0; k < 4; ++k) {
                    float value = stable[k].unbiased(v[k]);
                    if (noiseLeft > 0) value += noiseLeft * (stable[k].algebraic(v[k]) - value);
                    removed.rowAt(k, y)[x] = stable[k].algebraic(n[k]) - value;
                    linear.rowAt(k, y)[x] = value + grain[k] * stable[k].slope(v[k]);
                }
            }
        }
    });
    for (std::size_t k = 0; k < 4; ++k) removed.plane[k] = boxed(boxed(removed.plane[k], work), work);
    forEachBand(packed.height, 16, work, [&](int first, int last) {
        for (int py = packed.y + first; py < packed.y + last; ++py)
            for (std::size_t k = 0; k < 4; ++k) {
                const int y = 2 * py + (sites[k] >> 1) - area.y;
                if (y < 0 || y >= area.height) continue;
                // Both greens get the same mean: their own would differ by a trace of noise, which shows as a fine grid.
                const bool green = k == 1 || k == 2;
                const float *value = linear.rowAt(k, py), *mean = removed.rowAt(green ? 1 : k, py), *twin = removed.rowAt(green ? 2 : k, py);
                for (int px = packed.x; px < packed.right(); ++px) {
                    const int x = 2 * px + (sites[k] & 1) - area.x;
                    if (x >= 0 && x < area.width) out.at(x, y) = value[px] + 0.5f * (mean[px] + twin[px]);
                }
            }
    });
    work.report(1);
    return out;
}

} // namespace irenic
