#include "denoise/clean.h"

#include <algorithm>
#include <stdexcept>

#include "base/expects.h"
#include "denoise/coarse.h"
#include "denoise/detail.h"
#include "denoise/jpeg_blocks.h"
#include "denoise/pyramid.h"
#include "denoise/rows.h"
#include "denoise/stabilisers.h"
#include "denoise/zoned.h"
#include "image/blocks.h"
#include "noise/clipped.h"

namespace irenic {

namespace {

// Of the mosaic: small enough to stay near, for methods that look far large enough that margins do not cost
// more than the tile.
constexpr int kTileSize = 2048, kFarTileSize = 4096;
int tileSizeFor(const Settings& settings) {
    return findMethod(settings.method)->margin() > 128 ? kFarTileSize : kTileSize;
}

Rect packedExtent(const Photo& photo) { return {0, 0, (photo.width() + 1) / 2, (photo.height() + 1) / 2}; }

// Gives back what clipping took from the means of each channel.
std::array<ClippedMean, 4> clippedMeansOf(const Photo& photo) {
    const auto line = noiseLinesOf(photo);
    const double lowest = photo.lowest();
    const ClippedMean green(line[1], lowest);
    return {ClippedMean(line[0], lowest), green, green, ClippedMean(line[3], lowest)};
}
float whiteOf(const Stabilisers& stable) {
    return 0.25f *
           (stable[0].forward(1) + stable[1].forward(1) + stable[2].forward(1) + stable[3].forward(1));
}

// PlaneSet::rounding: of the 15 lowest frequencies without the mean.
float roundingOf(const std::optional<JpegSteps>& jpeg) {
    if (!jpeg) return 0;
    float sum = 0;
    for (std::size_t i = 1; i < 16; ++i) sum += jpeg->luminance[(i / 4) * 8 + i % 4];
    return sum / (15 * 64);
}

// The planes of a photo that has all colours at every pixel.
PlaneSet planesOfPixels(const Photo& photo, const Stabilisers& stable, const Rect& area, const Work& work) {
    PlaneSet out(area);
    out.packed = false, out.grey = photo.monochrome;
    out.coarseNoise = static_cast<float>(photo.coarseNoise);
    if (photo.xtrans) {
        // Measured on even fields that were made full colour as X-Trans mosaics are (docs/notes/x-trans.md).
        constexpr float kOwnGreen = 1.48f, kMadeGreen = 0.74f;
        for (const Mosaic::Colour c : photo.xtrans->site)
            out.fineNoise.push_back(c == Mosaic::Green ? kOwnGreen : kMadeGreen);
    }
    out.rounding = roundingOf(photo.jpeg);
    out.white = whiteOf(stable);
    out.extent = photo.whole();
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int j = first; j < last; ++j) {
            const int y = mirrored(area.y + j, photo.height());
            for (int i = 0; i < area.width; ++i) {
                const int x = mirrored(area.x + i, photo.width());
                float v[3], planes[kPlanes];
                for (int c = 0; c < 3; ++c)
                    v[c] = stable.ofColour(static_cast<std::size_t>(c)).forward(photo.normalised(x, y, c));
                if (photo.monochrome)
                    planes[0] = v[0], planes[1] = planes[2] = planes[3] = 0;
                else
                    planesFromPixel(v, planes);
                for (std::size_t p = 0; p < kPlanes; ++p) out.plane[p].at(i, j) = planes[p];
            }
        }
    });
    return out;
}

// The four planes at one packed place, sample by sample: any black level, any border.
void placeOf(const Photo& photo, const std::vector<std::uint16_t>& samples, const Stabilisers& stable,
             const std::array<int, 4>& sites, int px, int py, float* to) {
    float v[4];
    for (std::size_t c = 0; c < 4; ++c) {
        int x = 2 * px + (sites[c] & 1), y = 2 * py + (sites[c] >> 1);
        // With an odd size the last cell is cut: take the same channel's neighbour.
        if (x >= photo.width()) x -= 2;
        if (y >= photo.height()) y -= 2;
        v[c] = stable[c].forward(photo.normalised(samples[photo.index(x, y)], x, y));
    }
    planesFrom(v, to);
}

// How much more noise than the model says there is where a cell of the mosaic lies.
float noiseFactorAt(const Photo& photo, int px, int py) { return photo.noiseFactor(2 * px + 1, 2 * py + 1); }

// Where noise is uneven: from stabilised values as the model makes them to some whose noise has a deviation
// of 1 everywhere, or back.
void scaleByNoise(const Photo& photo, PlaneSet& planes, bool toEven, const Work& work) {
    const Rect extent = packedExtent(photo), &area = planes.area;
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int j = first; j < last; ++j)
            for (int i = 0; i < area.width; ++i) {
                const float factor = noiseFactorAt(photo, mirrored(area.x + i, extent.width),
                                                   mirrored(area.y + j, extent.height));
                for (Plane& plane : planes.plane) plane.at(i, j) *= toEven ? 1 / factor : factor;
            }
    });
}

PlaneSet planesOf(const Photo& photo, const Stabilisers& stable, const Rect& area, bool mend,
                  const Work& work) {
    if (!photo.hasMosaic()) return planesOfPixels(photo, stable, area, work);
    PlaneSet out(area);
    const std::vector<std::uint16_t>& samples = photo.source(mend);
    const Rect extent = packedExtent(photo);
    const auto sites = sitesOfChannels(photo.mosaic);
    out.sites = sites;
    out.white = whiteOf(stable);
    out.extent = extent;
    // Whole rows at once where black repeats with the mosaic and no cell is cut.
    const BlackLevel& black = photo.black;
    const Rect inside =
        black.repeatsEvery(2) ? area.intersected({0, 0, photo.width() / 2, photo.height() / 2}) : Rect();
    SiteLines lines{};
    lines.site = sites;
    for (std::size_t c = 0; c < 4; ++c) {
        const auto site = static_cast<std::size_t>(sites[c]);
        const Stabiliser::View view = stable[c].view();
        const float level = black.at(sites[c] & 1, sites[c] >> 1);
        lines.gain[site] = view.gain / (static_cast<float>(photo.white) - level);
        lines.offset[site] = view.offset - level * lines.gain[site];
    }
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int j = first; j < last; ++j) {
            const int py = mirrored(area.y + j, extent.height);
            const bool fast = !inside.empty() && py < photo.height() / 2;
            const int from = fast ? inside.x - area.x : area.width,
                      to = fast ? inside.right() - area.x : area.width;
            if (fast) {
                const std::uint16_t* top = samples.data() + photo.index(2 * inside.x, 2 * py);
                stabiliseRow(top, top + photo.rawWidth, lines,
                             {out.plane[0].row(j) + from, out.plane[1].row(j) + from,
                              out.plane[2].row(j) + from, out.plane[3].row(j) + from},
                             inside.width);
            }
            for (int i = 0; i < area.width; ++i) {
                if (i == from) i = to;
                if (i >= area.width) break;
                const int px = mirrored(area.x + i, extent.width);
                float v[kPlanes];
                // What the row loop has made is mirrored as it is, so that a place looks the same from
                // everywhere.
                if (fast && px >= inside.x && px < inside.right())
                    for (std::size_t p = 0; p < kPlanes; ++p) v[p] = out.plane[p].at(px - area.x, j);
                else
                    placeOf(photo, samples, stable, sites, px, py, v);
                for (std::size_t p = 0; p < kPlanes; ++p) out.plane[p].at(i, j) = v[p];
            }
        }
    });
    if (!photo.unevenness.none()) scaleByNoise(photo, out, true, work);
    return out;
}

// Cells of this many packed samples on a side, on a fixed grid, hold the local variances that keep means
// right.
constexpr int kCell = 4;
// Two box filters over 3x3 cells, interpolation, and the grid.
constexpr int kCellMargin = 20;
// Of each local variance, how many samples it is of: weights of two boxes of three cells in both directions.
constexpr float kSamples = kCell * kCell * 81.0f * 81.0f / 361.0f;
// How much what methods take varies from place to place: a variance, where the noise's own is 1. Chosen on
// noiseless truth: 0.1 leaves channel means farther off, and believing all of it costs 0.03 dB.
constexpr float kSpread = 0.3f;

// How much variance a method took out beyond that of the noise: local variance of the noisy channels, less
// that of the clean ones, less 1. A mean in linear light is a mean of squares of stabilised values: taking
// texture out darkens it, and noise left in brightens it, by a quarter of this many electrons. Local
// variances, not means of what was removed: those hold the very blotches that the coarse stage takes out.
// They scatter, the more so where several brightnesses meet, and are believed by as much as they are certain.
// Where noise is uneven, what its variance is above 1 is missing as well. Result: for each channel, over
// `area`.
std::array<Plane, 4> varianceLost(const Photo& photo, const std::array<const Stabiliser*, 4>& stable,
                                  const PlaneSet& noisy, const PlaneSet& clean, const Rect& area,
                                  const Work& work) {
    const Rect half = cellsReadBy(area), cells = cellsReadBy(half), wide = cells.inflated(2);
    // Means over a cell: noisy, clean, difference of squares, squares of clean.
    std::array<PlaneSet, 4> sums = {PlaneSet(wide), PlaneSet(wide), PlaneSet(wide), PlaneSet(wide)};
    forEachBand(wide.height, 4, work, [&](int first, int last) {
        for (int cy = wide.y + first; cy < wide.y + last; ++cy)
            for (int cx = wide.x; cx < wide.right(); ++cx) {
                float sn[4] = {}, sc[4] = {}, sd[4] = {}, ss[4] = {};
                for (int y = cy * kCell; y < (cy + 1) * kCell; ++y) {
                    const float *a0 = noisy.rowAt(0, y), *a1 = noisy.rowAt(1, y), *a2 = noisy.rowAt(2, y),
                                *a3 = noisy.rowAt(3, y);
                    const float *b0 = clean.rowAt(0, y), *b1 = clean.rowAt(1, y), *b2 = clean.rowAt(2, y),
                                *b3 = clean.rowAt(3, y);
                    for (int x = cx * kCell; x < (cx + 1) * kCell; ++x) {
                        float n[4], c[4];
                        if (clean.packed) {
                            channelsOf(a0[x], a1[x], a2[x], a3[x], n);
                            channelsOf(b0[x], b1[x], b2[x], b3[x], c);
                        } else {
                            pixelOf(a0[x], a1[x], a2[x], n, clean.grey);
                            pixelOf(b0[x], b1[x], b2[x], c, clean.grey);
                            n[3] = n[2], c[3] = c[2];
                        }
                        for (int k = 0; k < 4; ++k) {
                            sn[k] += n[k];
                            sc[k] += c[k];
                            sd[k] += Stabiliser::energy(n[k]) - Stabiliser::energy(c[k]);
                            ss[k] += c[k] * c[k];
                        }
                    }
                }
                constexpr float scale = 1.0f / (kCell * kCell);
                for (std::size_t k = 0; k < 4; ++k) {
                    sums[0].rowAt(k, cy)[cx] = sn[k] * scale;
                    sums[1].rowAt(k, cy)[cx] = sc[k] * scale;
                    sums[2].rowAt(k, cy)[cx] = sd[k] * scale;
                    sums[3].rowAt(k, cy)[cx] = ss[k] * scale;
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
    const bool even = photo.unevenness.none();
    for (std::size_t k = 0; k < 4; ++k) {
        Plane lost(cells.width, cells.height);
        forEachBand(cells.height, 8, work, [&](int first, int last) {
            for (int y = cells.y + first; y < cells.y + last; ++y)
                for (int x = cells.x; x < cells.right(); ++x) {
                    const float n = blurred(sums[0], k, y, x), c = blurred(sums[1], k, y, x),
                                d = blurred(sums[2], k, y, x);
                    const float factor = even ? 1 : noiseFactorAt(photo, kCell * x, kCell * y),
                                noise = stable[k]->energyOfNoise(c), more = (factor * factor - 1) * noise;
                    const float lack = d - (n - c) * (n + c) - noise - more;
                    // Of noise, and of the noise times what the picture varies by.
                    const float structure = std::max(0.0f, blurred(sums[3], k, y, x) - c * c),
                                scatter = (2 + 4 * structure) / kSamples;
                    lost.at(x - cells.x, y - cells.y) =
                        kSpread / (kSpread + scatter) * std::clamp(lack, -1.0f, 2.0f) + more;
                }
        });
        out[k] = doubled(doubled(lost, cells, half, work), half, area, work);
    }
    return out;
}

// See withoutJpegBlocks; 0: nothing is to be done.
float jpegBlocksShare(const Photo& photo, const Settings& settings) {
    return photo.jpeg ? findMethod(settings.method)->jpegBlocksShare() * std::min(1.0f, settings.luminance)
                      : 0;
}

void cleanPixelTile(const Photo& photo, const Settings& settings, const Stabilisers& stable, const Rect& tile,
                    const Rect& area, std::array<Plane, 3>& out, const Work& work) {
    const float blocks = jpegBlocksShare(photo, settings);
    const Rect made = blocks > 0 ? tile.inflated(kJpegBlocksMargin) : tile,
               around = made.inflated(kCellMargin);
    const PlaneSet noisy =
        planesOf(photo, stable, around.inflated(planesMargin(settings)), settings.mend, work);
    const Zoned zoned = cleanZones(photo, noisy, settings, around, work);
    const PlaneSet& clean = zoned.clean;
    // Channels 0, 1 and 2 here are red, green and blue: their stabilisers are the model's 0, 1 and 3.
    const auto& red = stable.ofColour(0);
    const auto& green = stable.ofColour(1);
    const auto& blue = stable.ofColour(2);
    const double gain[3] = {photo.noise.channel[0].a, photo.noise.channel[1].a, photo.noise.channel[3].a};
    const std::array<Plane, 4> lost =
        varianceLost(photo, {&red, &green, &blue, &blue}, noisy, clean, made, work);
    const std::array<ClippedMean, 4> clipped = clippedMeansOf(photo);
    // What a finished picture clipped, it did after its tone curve.
    const auto shares = [&](int x, int y) {
        return photo.developed ? ClippedShares() : zoned.sharesAt(0, x, y);
    };
    const auto stableAt = [&](int x, int y, float* v) {
        pixelOf(clean.rowAt(0, y)[x], clean.rowAt(1, y)[x], clean.rowAt(2, y)[x], v, clean.grey);
    };
    std::array<Plane, 3> light = {Plane(made.width, made.height), Plane(made.width, made.height),
                                  Plane(made.width, made.height)};
    forEachBand(made.height, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < made.width; ++x) {
                float v[3];
                stableAt(made.x + x, made.y + y, v);
                for (std::size_t c = 0; c < 3; ++c) {
                    const float mean = stable.ofColour(c).unbiased(v[c]) +
                                       0.25f * static_cast<float>(gain[c]) * lost[c].at(x, y);
                    light[c].at(x, y) =
                        clipped[c == 2 ? 3 : c].restored(mean, shares(made.x + x, made.y + y));
                }
            }
    });
    if (blocks > 0) light = withoutJpegBlocks(light, made, tile, *photo.jpeg, blocks, work);
    // Grain last: it is noise, and must not be taken for what blocks left.
    const float share = clean.grey ? 1 : 0.57735027f;
    forEachBand(tile.height, 16, work, [&](int first, int last) {
        for (int y = tile.y + first; y < tile.y + last; ++y)
            for (int x = tile.x; x < tile.right(); ++x) {
                float v[3];
                stableAt(x, y, v);
                const float grain =
                    share * zoned.grainAt(x, y) * (noisy.rowAt(0, y)[x] - clean.rowAt(0, y)[x]);
                for (std::size_t c = 0; c < 3; ++c)
                    out[c].at(x - area.x, y - area.y) =
                        light[c].at(x - tile.x, y - tile.y) + stable.ofColour(c).slope(v[c]) * grain;
            }
    });
    work.report(1);
}

// One tile of the result, written to `out`, whose origin is `area`'s. The tile lies within the area.
void cleanTile(const Photo& photo, const Settings& settings, const Stabilisers& stable, const Rect& tile,
               const Rect& area, Plane& out, const Work& work) {
    const Rect cells = tile.aligned(2);
    const Rect packed{cells.x / 2, cells.y / 2, cells.width / 2, cells.height / 2};
    const Rect around = packed.inflated(kCellMargin);
    PlaneSet noisy = planesOf(photo, stable, around.inflated(planesMargin(settings)), settings.mend, work);
    Zoned zoned = cleanZones(photo, noisy, settings, around, work);
    if (!photo.unevenness.none())
        scaleByNoise(photo, noisy, false, work), scaleByNoise(photo, zoned.clean, false, work);
    const PlaneSet& clean = zoned.clean;

    const auto sites = sitesOfChannels(photo.mosaic);
    const std::array<Stabiliser::View, 4> views = {stable[0].view(), stable[1].view(), stable[2].view(),
                                                   stable[3].view()};
    const std::array<Plane, 4> lost =
        varianceLost(photo, {&stable[0], &stable[1], &stable[2], &stable[3]}, noisy, clean, packed, work);
    const std::array<ClippedMean, 4> clipped = clippedMeansOf(photo);
    forEachBand(packed.height, 16, work, [&](int first, int last) {
        // Of each channel: the linear values, and what the missing variance adds.
        Plane value(packed.width, 4), lack(packed.width, 3), grain(packed.width, 1);
        for (int py = packed.y + first; py < packed.y + last; ++py) {
            const auto share = [&](std::size_t k) {
                return 0.25f * static_cast<float>(photo.noise.channel[k].a);
            };
            const int j = py - packed.y;
            // Both greens get the same correction: their own would differ by a trace of noise, which shows as
            // a fine grid.
            const float green = 0.25f * (share(1) + share(2));
            for (int i = 0; i < packed.width; ++i) {
                lack.at(i, 0) = share(0) * lost[0].at(i, j);
                lack.at(i, 1) = green * (lost[1].at(i, j) + lost[2].at(i, j));
                lack.at(i, 2) = share(3) * lost[3].at(i, j);
            }
            LinearRow row;
            for (std::size_t p = 0; p < kPlanes; ++p) {
                row.clean[p] = clean.rowAt(p, py) + packed.x;
                row.stable[p] = views[p];
                row.out[p] = value.row(static_cast<int>(p));
            }
            row.noisy = {noisy.rowAt(0, py) + packed.x, noisy.rowAt(3, py) + packed.x};
            for (int i = 0; i < packed.width; ++i) grain.at(i, 0) = zoned.grainAt(packed.x + i, py);
            row.grain = zoned.anyGrain() ? grain.row(0) : nullptr;
            row.lost = {lack.row(0), lack.row(1), lack.row(1), lack.row(2)};
            linearRow(row, packed.width);
            for (std::size_t k = 0; k < 4; ++k) {
                const int y = 2 * py + (sites[k] >> 1), x = 2 * packed.x + (sites[k] & 1);
                if (y < tile.y || y >= tile.bottom()) continue;
                const float* from = row.out[k];
                float* to = out.row(y - area.y) - area.x;
                for (int i = x < tile.x ? 1 : 0; i < packed.width && x + 2 * i < tile.right(); ++i)
                    to[x + 2 * i] = clipped[k].restored(from[i], zoned.sharesAt(k, packed.x + i, py));
            }
        }
    });
    work.report(1);
}

} // namespace

std::array<int, 4> sitesOfChannels(const Mosaic& mosaic) {
    std::array<int, 4> sites{};
    for (int s = 0; s < 4; ++s) sites[static_cast<std::size_t>(mosaic.channel(s))] = s;
    return sites;
}

PlaneSet stabilisedPlanes(const Photo& photo, const Rect& packedArea, const Work& work, bool mend) {
    IRENIC_EXPECTS(!packedArea.empty());
    return planesOf(photo, Stabilisers(photo), packedArea, mend, work);
}

namespace {

bool isDetailed(const Settings& settings) { return settings.detail > 0 && settings.luminance > 0; }

} // namespace

int planesMargin(const Settings& settings) {
    int margin = (isDetailed(settings) ? kDetailMargin : 0) + kCoarseMargin +
                 std::max(findMethod(settings.method)->margin(), kCoarseNoisyMargin);
    for (const Zone& zone : settings.zones)
        if (!zone.isPlain()) margin = std::max(margin, planesMargin(settingsIn(zone, settings)));
    return margin;
}

PlaneSet cleanBeforeDetail(const PlaneSet& noisy, const Settings& settings, const Rect& area,
                           const Work& work) {
    const float l = settings.luminance, c = settings.colour, blotches = c > 0 ? settings.coarse : 0;
    const float fine = noisy.packed ? l : 0, more = noisy.coarseNoise;
    // What lies beyond the photo's edges is a mirror's picture: no method need clean it a second time.
    const Rect wide = area.inflated(kCoarseMargin),
               inside = noisy.extent.empty() ? wide : wide.intersected(noisy.extent);
    PlaneSet clean = findMethod(settings.method)->run(noisy, inside, {l, c, c, fine}, work);
    clean.describeAs(noisy);
    if (inside != wide) clean = mirroredOut(clean, wide, work);
    return withCoarse(noisy, std::move(clean), area, {more * l, more * blotches, more * blotches, fine},
                      work);
}

PlaneSet cleanPlanes(const PlaneSet& noisy, const Settings& settings, const Rect& area, const Work& work) {
    IRENIC_EXPECTS(noisy.area.contains(area.inflated(planesMargin(settings))));
    if (!isDetailed(settings)) return cleanBeforeDetail(noisy, settings, area, work);
    return withDetail(noisy, cleanBeforeDetail(noisy, settings, area.inflated(kDetailMargin), work), area,
                      settings.detail, settings.luminance, work);
}

namespace {

// From what the sensor gave, tile by tile.
Image cleanTiles(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) {
    Image out(photo.hasMosaic() ? Holds::Mosaic : Holds::CameraLight, area);
    const Stabilisers stable(photo);
    // Tiles of pixels have half the size, and as many samples of the planes as a mosaic's.
    forEachBlock(area, tileSizeFor(settings) * photo.cell() / 2, work,
                 [&](const Rect& tile, const Work& part) {
                     if (photo.hasMosaic())
                         cleanTile(photo, settings, stable, tile, area, out[0], part);
                     else
                         cleanPixelTile(photo, settings, stable, tile, area, out.plane, part);
                 });
    return out;
}

// Throws std::invalid_argument for a problem with the settings.
void checkAsked(const Photo& photo, const Settings& settings, const Rect& area) {
    IRENIC_EXPECTS(photo.whole().contains(area));
    if (const std::string problem = problemWith(settings); !problem.empty())
        throw std::invalid_argument(problem);
}

Image asItIs(const Photo& photo, const std::vector<std::uint16_t>& samples, const Rect& area,
             const Work& work) {
    Image out(photo.hasMosaic() ? Holds::Mosaic : Holds::CameraLight, area);
    for (std::size_t p = 0; p < out.planes(); ++p) {
        const int channel = static_cast<int>(p);
        for (int y = 0; y < area.height; ++y)
            for (int x = 0; x < area.width; ++x) {
                const int fromX = area.x + x, fromY = area.y + y;
                out[p].at(x, y) =
                    photo.normalised(samples[photo.index(fromX, fromY, channel)], fromX, fromY, channel);
            }
    }
    work.report(1);
    return out;
}

} // namespace

Image cleanSensor(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) {
    checkAsked(photo, settings, area);
    return settings.untouched() ? asItIs(photo, photo.source(false), area, work)
                                : cleanTiles(photo, settings, area, work);
}

Image cleanRegion(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) {
    checkAsked(photo, settings, area);
    if (settings.untouched()) return asItIs(photo, photo.samples, area, work);
    // What the camera smoothed is cleaned as the sensor gave it, and smoothed as before.
    if (!photo.smoothing.none()) {
        const Rect wide = area.inflated(kSmoothingReach).intersected(photo.whole());
        const Image sharp = cleanTiles(photo, settings, wide, work);
        Image out(Holds::Mosaic, area);
        out[0] = smoothedMosaic(sharp[0], wide, area, photo.width(), photo.height(), photo.smoothing);
        return out;
    }
    return cleanTiles(photo, settings, area, work);
}

Plane cleanMosaic(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) {
    IRENIC_EXPECTS(photo.hasMosaic());
    return std::move(cleanRegion(photo, settings, area, work).plane[0]);
}

std::array<Plane, 3> cleanPixels(const Photo& photo, const Settings& settings, const Rect& area,
                                 const Work& work) {
    IRENIC_EXPECTS(!photo.hasMosaic());
    return std::move(cleanRegion(photo, settings, area, work).plane);
}

Rect areaOfSameCost(const Photo& photo, const Settings& settings, const Rect& area) {
    IRENIC_EXPECTS(photo.whole().contains(area));
    const Method::BlockGrid grid = findMethod(settings.method)->blockGrid(photo.hasMosaic());
    if (grid.side <= 1) return area;
    const int cell = photo.cell(), side = cell * grid.side;
    const int reach =
        cell * (grid.reach + kCellMargin + kCoarseMargin + (isDetailed(settings) ? kDetailMargin : 0)) +
        (jpegBlocksShare(photo, settings) > 0 ? kJpegBlocksMargin : 0);
    const Rect squares = area.inflated(reach).aligned(side);
    // Beyond the photo's edges there is nothing to be reached.
    const auto first = [&](int edge) { return edge <= 0 ? 0 : edge + reach; };
    const auto end = [&](int edge, int whole) { return edge >= whole ? whole : edge - reach; };
    const int x = first(squares.x), y = first(squares.y);
    return {x, y, end(squares.right(), photo.width()) - x, end(squares.bottom(), photo.height()) - y};
}

} // namespace irenic
