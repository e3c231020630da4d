#include "denoise/clean.h"

#include <stdexcept>

#include "denoise/coarse.h"
#include "denoise/detail.h"
#include "denoise/pyramid.h"
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

// Cells of this many packed samples on a side, on a fixed grid, hold the local variances that keep means right.
constexpr int kCell = 4;
// Two box filters over 3x3 cells, interpolation, and the grid.
constexpr int kCellMargin = 20;

// How much variance a method took out beyond that of the noise: local variance of the noisy channels, less that of the
// clean ones, less 1. A mean in linear light is a mean of squares of stabilised values: taking texture out darkens it, and noise
// left in brightens it, by a quarter of this many electrons. Local variances, not means of what was removed: those
// hold the very blotches that the coarse stage takes out. Result: for each channel, over `area`.
std::array<Plane, 4> varianceLost(const std::array<Stabiliser, 4>& stable, const PlaneSet& noisy, const PlaneSet& clean, const Rect& area, const Work& work) {
    const Rect half = cellsReadBy(area), cells = cellsReadBy(half), wide = cells.inflated(2);
    // Sums over a cell: noisy, clean, difference of squares.
    std::array<PlaneSet, 3> sums = {PlaneSet(wide), PlaneSet(wide), PlaneSet(wide)};
    forEachBand(wide.height, 4, work, [&](int first, int last) {
        for (int cy = wide.y + first; cy < wide.y + last; ++cy)
            for (int cx = wide.x; cx < wide.right(); ++cx) {
                float sn[4] = {}, sc[4] = {}, sd[4] = {};
                for (int y = cy * kCell; y < (cy + 1) * kCell; ++y) {
                    const float *a0 = noisy.rowAt(0, y), *a1 = noisy.rowAt(1, y), *a2 = noisy.rowAt(2, y), *a3 = noisy.rowAt(3, y);
                    const float *b0 = clean.rowAt(0, y), *b1 = clean.rowAt(1, y), *b2 = clean.rowAt(2, y), *b3 = clean.rowAt(3, y);
                    for (int x = cx * kCell; x < (cx + 1) * kCell; ++x) {
                        float n[4], c[4];
                        channelsOf(a0[x], a1[x], a2[x], a3[x], n);
                        channelsOf(b0[x], b1[x], b2[x], b3[x], c);
                        for (int k = 0; k < 4; ++k) {
                            sn[k] += n[k];
                            sc[k] += c[k];
                            sd[k] += Stabiliser::energy(n[k]) - Stabiliser::energy(c[k]);
                        }
                    }
                }
                constexpr float scale = 1.0f / (kCell * kCell);
                for (std::size_t k = 0; k < 4; ++k) {
                    sums[0].rowAt(k, cy)[cx] = sn[k] * scale;
                    sums[1].rowAt(k, cy)[cx] = sc[k] * scale;
                    sums[2].rowAt(k, cy)[cx] = sd[k] * scale;
                }
            }
    });
    // Weights 1 2 3 2 1: two boxes of three.
    const auto blurred = [&](const PlaneSet& in, std::size_t k, int y, int x) {
        constexpr float w[5] = {1, 2, 3, 2, 1};
        float sum = 0;
        for (int j = -2; j <= 2; ++j) {
            const float* row = in.rowAt(k, y + j) + x;
            sum += w[j + 2] * (((row[-2] + row[2]) + 2 * (row[-1] + row[1])) + 3 * row[0]);
        }
        return sum / 81;
    };
    std::array<Plane, 4> out;
    for (std::size_t k = 0; k < 4; ++k) {
        Plane lost(cells.width, cells.height);
        for (int y = cells.y; y < cells.bottom(); ++y)
            for (int x = cells.x; x < cells.right(); ++x) {
                const float n = blurred(sums[0], k, y, x), c = blurred(sums[1], k, y, x), d = blurred(sums[2], k, y, x);
                const float lack = d - (n - c) * (n + c) - stable[k].variance(c);
                lost.at(x - cells.x, y - cells.y) = std::clamp(lack, -1.0f, 2.0f);
            }
        out[k] = doubled(doubled(lost, cells, half, work), half, area, work);
    }
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
    if (outside(s.coarse, 3)) return "coarse must lie between 0 and 3";
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
    const Rect around = packed.inflated(kCellMargin);
    const Rect detailing = detailed ? around.inflated(kDetailMargin) : around;
    const Rect cleaned = detailing.inflated(kCoarseMargin);
    const PlaneSet noisy = planesOf(photo, stable, cleaned.inflated(std::max(method.margin(), kCoarseNoisyMargin)), work);
    const float l = settings.luminance, c = settings.colour, blotches = c > 0 ? settings.coarse : 0;
    PlaneSet clean = method.run(noisy, cleaned, {l, c, c, l}, work);
    clean = withCoarse(noisy, clean, detailing, {l, blotches, blotches, 0}, work);
    if (detailed) clean = withDetail(noisy, clean, around, settings.detail, l, work);

    const auto sites = sitesOfChannels(photo.mosaic);
    const std::array<Plane, 4> lost = varianceLost(stable, noisy, clean, packed, work);
    forEachBand(packed.height, 16, work, [&](int first, int last) {
        for (int py = packed.y + first; py < packed.y + last; ++py) {
            const float *cy = clean.rowAt(0, py), *c1 = clean.rowAt(1, py), *c2 = clean.rowAt(2, py), *cg = clean.rowAt(3, py);
            const float *ny = noisy.rowAt(0, py), *ng = noisy.rowAt(3, py);
            for (int px = packed.x; px < packed.right(); ++px) {
                float v[4], grain[4] = {0, 0, 0, 0};
                channelsOf(cy[px], c1[px], c2[px], cg[px], v);
                if (settings.grain > 0)
                    channelsOf(settings.grain * (ny[px] - cy[px]), 0, 0, settings.grain * (ng[px] - cg[px]), grain);
                const auto lack = [&](std::size_t k) { return lost[k].at(px - packed.x, py - packed.y); };
                // Both greens get the same correction: their own would differ by a trace of noise, which shows as a fine grid.
                const float green = 0.5f * (lack(1) + lack(2));
                for (std::size_t k = 0; k < 4; ++k) {
                    const int x = 2 * px + (sites[k] & 1) - area.x, y = 2 * py + (sites[k] >> 1) - area.y;
                    if (x < 0 || x >= area.width || y < 0 || y >= area.height) continue;
                    const float share = 0.25f * static_cast<float>(photo.noise.channel[k].a);
                    out.at(x, y) = stable[k].unbiased(v[k]) + share * (k == 1 || k == 2 ? green : lack(k)) + grain[k] * stable[k].slope(v[k]);
                }
            }
        }
    });
    work.report(1);
    return out;
}

} // namespace irenic
