#include "judge/check_blocks.h"

#include <algorithm>
#include <cmath>
#include <mutex>
#include <optional>

#include "denoise/bright_points.h"
#include "denoise/clean.h"
#include "denoise/stabilisers.h"
#include "image/blocks.h"
#include "image/srgb.h"
#include "judge/band_noise.h"

namespace irenic {

namespace {

constexpr int kSide = kCheckBlock;
// Around each tile, in packed samples: what points and edges look at.
constexpr int kAround = std::max(kPointReach + 1, kEdgeReach);

// The planes of a cleaned region as methods would see them.
PlaneSet planesOfCleaned(const Photo& photo, const Stabilisers& stable, const Image& image,
                         const Rect& packed) {
    const std::array<int, 4> sites = sitesOfChannels(photo.mosaic);
    PlaneSet out(packed);
    const int cell = photo.cell();
    for (int y = packed.y; y < packed.bottom(); ++y)
        for (int x = packed.x; x < packed.right(); ++x) {
            float v[4], planes[kPlanes];
            if (photo.hasMosaic()) {
                for (std::size_t c = 0; c < 4; ++c) {
                    const int px = cell * x + (sites[c] & 1), py = cell * y + (sites[c] >> 1);
                    v[c] = stable[c].forward(image.rowAt(0, py)[px]);
                }
                planesFrom(v, planes);
            } else if (photo.monochrome) {
                planes[0] = stable.ofColour(0).forward(image.rowAt(0, y)[x]);
                planes[1] = planes[2] = planes[3] = 0;
            } else {
                for (std::size_t c = 0; c < 3; ++c) v[c] = stable.ofColour(c).forward(image.rowAt(c, y)[x]);
                planesFromPixel(v, planes);
            }
            const float factor = photo.noiseFactor(cell * x + 1, cell * y + 1);
            for (std::size_t p = 0; p < kPlanes; ++p) out.rowAt(p, y)[x] = planes[p] / factor;
        }
    return out;
}

// The values of a square in its three bands, each scaled so that white noise keeps its variance.
struct Bands {
    std::array<float, kSide * kSide> fine;
    std::array<float, kSide * kSide / 4> middle;
    std::array<float, kSide * kSide / 16> coarse;
};

// Means of 2x2 values, taken off `from`.
template <std::size_t N, std::size_t M>
void split(std::array<float, N>& from, std::array<float, M>& means, int side) {
    static_assert(M * 4 == N);
    const int half = side / 2;
    for (int y = 0; y < half; ++y)
        for (int x = 0; x < half; ++x) {
            const std::size_t a = static_cast<std::size_t>(2 * y * side + 2 * x),
                              b = a + static_cast<std::size_t>(side);
            const float mean = 0.25f * ((from[a] + from[a + 1]) + (from[b] + from[b + 1]));
            means[static_cast<std::size_t>(y * half + x)] = 2 * mean;
            from[a] -= mean, from[a + 1] -= mean, from[b] -= mean, from[b + 1] -= mean;
        }
}

Bands bandsOf(const PlaneSet& set, std::size_t p, int x0, int y0) {
    Bands out;
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x)
            out.fine[static_cast<std::size_t>(y * kSide + x)] = set.rowAt(p, y0 + y)[x0 + x];
    split(out.fine, out.middle, kSide);
    split(out.middle, out.coarse, kSide / 2);
    // Slow changes of the picture are a plane.
    constexpr int kSmall = kSide / 4;
    constexpr float kMiddle = (kSmall - 1) / 2.0f;
    float mean = 0, across = 0, down = 0, spread = 0;
    for (int y = 0; y < kSmall; ++y)
        for (int x = 0; x < kSmall; ++x) {
            const float v = out.coarse[static_cast<std::size_t>(y * kSmall + x)];
            mean += v, across += v * (static_cast<float>(x) - kMiddle),
                down += v * (static_cast<float>(y) - kMiddle);
            spread += (static_cast<float>(x) - kMiddle) * (static_cast<float>(x) - kMiddle);
        }
    mean /= kSmall * kSmall, across /= spread, down /= spread;
    for (int y = 0; y < kSmall; ++y)
        for (int x = 0; x < kSmall; ++x)
            out.coarse[static_cast<std::size_t>(y * kSmall + x)] -=
                mean + across * (static_cast<float>(x) - kMiddle) + down * (static_cast<float>(y) - kMiddle);
    return out;
}

template <std::size_t N>
void addProducts(const std::array<float, N>& noisy, const std::array<float, N>& clean, double share,
                 int count, BandProducts& to) {
    BandProducts sum;
    for (std::size_t i = 0; i < N; ++i) {
        const float taken = noisy[i] - clean[i];
        sum.noisy += static_cast<double>(noisy[i] * noisy[i]);
        sum.clean += static_cast<double>(clean[i] * clean[i]);
        sum.taken += static_cast<double>(taken * taken);
        sum.takenNoisy += static_cast<double>(taken * noisy[i]);
        sum.takenClean += static_cast<double>(taken * clean[i]);
    }
    const double scale = share / count;
    to.noisy += scale * sum.noisy, to.clean += scale * sum.clean, to.taken += scale * sum.taken;
    to.takenNoisy += scale * sum.takenNoisy, to.takenClean += scale * sum.takenClean;
}

void addBands(const PlaneSet& noisy, const PlaneSet& clean, std::size_t p, int x, int y, double share,
              std::array<BandProducts, kBands>& to) {
    const Bands n = bandsOf(noisy, p, x, y), c = bandsOf(clean, p, x, y);
    addProducts(n.fine, c.fine, share, kBandCount[0], to[0]);
    addProducts(n.middle, c.middle, share, kBandCount[1], to[1]);
    addProducts(n.coarse, c.coarse, share, kBandCount[2], to[2]);
}

// The variance that stabilised noise has where a square is as bright as it is: 1, but for the darkest.
struct NoiseOfBlock {
    double luminance = 1, colour = 1;
};
NoiseOfBlock noiseOf(const Photo& photo, const Stabilisers& stable, const PlaneSet& clean, int x0, int y0) {
    const int middleX = photo.cell() * (x0 + kSide / 2), middleY = photo.cell() * (y0 + kSide / 2);
    const float factor = photo.noiseFactor(middleX, middleY);
    float mean[kPlanes] = {}, v[4];
    for (std::size_t p = 0; p < kPlanes; ++p) {
        for (int y = y0; y < y0 + kSide; ++y)
            for (int x = x0; x < x0 + kSide; ++x) mean[p] += clean.rowAt(p, y)[x];
        mean[p] *= factor / (kSide * kSide);
    }
    if (!photo.hasMosaic()) return {};
    channelsOf(mean[0], mean[1], mean[2], mean[3], v);
    double variance[4];
    for (std::size_t k = 0; k < 4; ++k)
        variance[k] = std::max(0.05, static_cast<double>(stable[k].variance(v[k])));
    const double rb = 0.5 * (variance[0] + variance[3]), gg = 0.5 * (variance[1] + variance[2]);
    return {0.5 * (rb + gg), 0.5 * rb + 0.25 * (rb + gg)};
}

// How a square of a cleaned picture changes from pixel to pixel, in steps of 8 bits.
struct Gradient {
    bool slow = false;   // a plane that takes several pixels for a step, and little else
    bool stairs = false; // it goes up or down in whole steps: most neighbours are equal, and the others
                         // differ the same way. Noise and dithering go up and down.
};
Gradient gradientOf(const Image& image, int x0, int y0) {
    constexpr double kSteepest = 0.28, kSlowest = 0.08; // steps for a pixel
    constexpr double kEven = 0.6;                       // deviation from the plane: dithering has 0.4
    constexpr double kOneWay = 0.8;                     // of all jumps
    constexpr double kSteps = 255, kMiddle = (kSide - 1) / 2.0;
    constexpr double kSpread = kSide * kSide * (kSide * kSide - 1) / 12.0; // of places along a side
    std::array<std::array<double, kSide>, kSide> level{};
    double mean = 0, across = 0, down = 0;
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x) {
            const double v = kSteps * static_cast<double>(srgbEncoded(image.rowAt(1, y0 + y)[x0 + x]));
            level[static_cast<std::size_t>(y)][static_cast<std::size_t>(x)] = v;
            mean += v / (kSide * kSide), across += v * (x - kMiddle) / kSpread,
                down += v * (y - kMiddle) / kSpread;
        }
    const double slope = std::max(std::abs(across), std::abs(down));
    if (slope < kSlowest || slope > kSteepest) return {};
    const int right = std::abs(across) >= std::abs(down) ? 1 : 0, below = 1 - right;
    double apart = 0, up = 0, all = 0;
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x) {
            const double own = level[static_cast<std::size_t>(y)][static_cast<std::size_t>(x)],
                         plane = mean + across * (x - kMiddle) + down * (y - kMiddle);
            apart += (own - plane) * (own - plane) / (kSide * kSide);
            if (x + right >= kSide || y + below >= kSide) continue;
            const double jump =
                level[static_cast<std::size_t>(y + below)][static_cast<std::size_t>(x + right)] - own;
            if (std::abs(jump) > 0.5) up += jump, all += std::abs(jump);
        }
    // All of the way, by whole steps.
    const double way = slope * kSide * (kSide - 1);
    Gradient out;
    out.slow = std::sqrt(apart) <= kEven;
    out.stairs = out.slow && all >= kOneWay * way && std::abs(up) >= kOneWay * all;
    return out;
}

// Linear means, from the samples that methods start from; and whether they can be told.
void addMeans(const Photo& photo, const Image& image, const Rect& square, CheckBlock& to) {
    const auto& source = photo.source(true);
    constexpr std::size_t kOfColour[] = {0, 1, 3};
    std::array<double, 4> count{};
    std::size_t clipped = 0;
    const auto add = [&](int x, int y, std::size_t channel, int colour) {
        const float v = photo.normalised(source[photo.index(x, y, colour)], x, y, colour);
        to.noisyMean[channel] += static_cast<double>(v), ++count[channel];
        to.cleanMean[channel] += static_cast<double>(image.rowAt(static_cast<std::size_t>(colour), y)[x]);
        return v >= 0.98f;
    };
    for (int y = square.y; y < square.bottom(); ++y)
        for (int x = square.x; x < square.right(); ++x)
            if (photo.hasMosaic()) {
                clipped +=
                    add(x, y, static_cast<std::size_t>(photo.mosaic.channel((y & 1) * 2 + (x & 1))), 0);
            } else {
                bool any = false;
                for (int c = 0; c < (photo.monochrome ? 1 : 3); ++c) any = add(x, y, kOfColour[c], c) || any;
                clipped += any;
            }
    for (std::size_t c = 0; c < 4; ++c)
        to.noisyMean[c] /= std::max(1.0, count[c]), to.cleanMean[c] /= std::max(1.0, count[c]);
    // A monochrome sensor's samples count as all colours; green is there twice.
    for (auto* mean : {&to.noisyMean, &to.cleanMean}) {
        if (photo.monochrome) mean->fill((*mean)[0]);
        if (!photo.hasMosaic()) (*mean)[2] = (*mean)[1];
    }
    to.clipped = clipped * 50 > static_cast<std::size_t>(square.area());
}

CheckBlock blockAt(const Photo& photo, const Stabilisers& stable, const PlaneSet& noisy,
                   const PlaneSet& clean, const StrongEdges& edges, const Image& image, int bx, int by) {
    CheckBlock out;
    out.x = bx, out.y = by;
    const int x0 = bx * kSide, y0 = by * kSide, cell = photo.cell();
    const NoiseOfBlock noise = noiseOf(photo, stable, clean, x0, y0);
    addBands(noisy, clean, 0, x0, y0, 1 / noise.luminance, out.luminance);
    out.edges = edges.of({x0, y0, kSide, kSide}, clean, noise.luminance);
    if (!photo.hasMosaic()) out.fine = edges.fineEnergy({x0, y0, kSide, kSide});
    for (const std::size_t p : {1UL, 2UL}) addBands(noisy, clean, p, x0, y0, 0.5 / noise.colour, out.colour);
    addMeans(photo, image, {cell * x0, cell * y0, cell * kSide, cell * kSide}, out);
    if (photo.developed && !photo.monochrome) {
        const Gradient gradient = gradientOf(image, x0, y0);
        out.slow = gradient.slow, out.stairs = gradient.stairs;
    }
    float light = 0, taken = 0;
    for (int y = y0; y < y0 + kSide; ++y)
        for (int x = x0; x < x0 + kSide; ++x)
            light += noisy.rowAt(0, y)[x], taken += noisy.rowAt(0, y)[x] - clean.rowAt(0, y)[x];
    light /= kSide * kSide, taken /= kSide * kSide;
    out.brightness = noisy.white > 0 ? static_cast<double>(light / (2 * noisy.white)) : 0;
    constexpr int kAcross = kSide / 8;
    constexpr float kReturns = kAcross * kAcross;
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x)
            out.grid[static_cast<std::size_t>(y % 8)][static_cast<std::size_t>(x % 8)] +=
                (noisy.rowAt(0, y0 + y)[x0 + x] - clean.rowAt(0, y0 + y)[x0 + x] - taken) / kReturns;
    return out;
}

// All squares in tiles, or only those that are asked for.
std::vector<Rect> tilesOf(int across, int down, const std::vector<Rect>& asked) {
    constexpr int kTile = 24; // squares on a side
    const Rect whole{0, 0, across, down};
    std::vector<Rect> out;
    for (const Rect& r : asked)
        if (const Rect within = r.intersected(whole); !within.empty()) out.push_back(within);
    if (!asked.empty()) return out;
    for (int y = 0; y < down; y += kTile)
        for (int x = 0; x < across; x += kTile) out.push_back(Rect{x, y, kTile, kTile}.intersected(whole));
    return out;
}

// The point whose summit a sample is, and what is left of it; nothing where there is none.
std::optional<CheckPoint> pointAt(const PlaneSet& noisy, const PlaneSet& clean, int x, int y) {
    constexpr float kLeast = 6; // deviations of the noise, of all its light
    // Of what its surround itself scatters by: of noise that goes from pixel to pixel, some samples have more
    // than others.
    constexpr float kApart = 4, kApartOfPixels = 8;
    const std::optional<float> ring =
        pointSurround(noisy, x, y, noisy.packed || noisy.grey ? kApart : kApartOfPixels);
    if (!ring) return std::nullopt;
    float ringClean = 0;
    int count = 0;
    for (int j = -kPointReach; j <= kPointReach; ++j)
        for (int i = -kPointReach; i <= kPointReach; ++i)
            if (std::max(std::abs(i), std::abs(j)) >= 2) ringClean += clean.rowAt(0, y + j)[x + i], ++count;
    ringClean /= static_cast<float>(count);
    float before = 0, after = 0;
    for (int j = -1; j <= 1; ++j)
        for (int i = -1; i <= 1; ++i)
            before += noisy.rowAt(0, y + j)[x + i] - *ring, after += clean.rowAt(0, y + j)[x + i] - ringClean;
    if (before <= kLeast) return std::nullopt;
    return CheckPoint{x, y, static_cast<double>(before), static_cast<double>(after / before)};
}

} // namespace

CheckBlocks checkBlocksOf(const Photo& photo, const CleanedSource& cleaned, const Work& work,
                          const std::vector<Rect>& squares) {
    const int cell = photo.cell();
    const Stabilisers stable(photo);
    CheckBlocks out;
    out.across = photo.width() / cell / kSide, out.down = photo.height() / cell / kSide;
    out.block.resize(static_cast<std::size_t>(out.across) * static_cast<std::size_t>(out.down));
    if (!squares.empty())
        for (CheckBlock& b : out.block) b.clipped = true;
    const Rect whole{0, 0, photo.width() / cell, photo.height() / cell};
    const std::vector<Rect> tiles = tilesOf(out.across, out.down, squares);
    for (std::size_t t = 0; t < tiles.size(); ++t) {
        const double count = static_cast<double>(tiles.size()), before = static_cast<double>(t);
        const Work part = work.part(before / count, (before + 1) / count);
        const int fromX = tiles[t].x, fromY = tiles[t].y, toX = tiles[t].right(), toY = tiles[t].bottom();
        const Rect tile{fromX * kSide, fromY * kSide, (toX - fromX) * kSide, (toY - fromY) * kSide},
            seen = tile.inflated(kAround).intersected(whole);
        const Image image =
            cleaned({cell * seen.x, cell * seen.y, cell * seen.width, cell * seen.height}, part);
        const PlaneSet noisy = stabilisedPlanes(photo, seen, {work.stop, nullptr}, true),
                       clean = planesOfCleaned(photo, stable, image, seen);
        const StrongEdges edges(noisy);
        std::mutex mutex;
        forEachBand(toY - fromY, 1, part, [&](int first, int last) {
            std::vector<CheckPoint> points;
            for (int by = fromY + first; by < fromY + last; ++by)
                for (int bx = fromX; bx < toX; ++bx) {
                    out.block[static_cast<std::size_t>(by) * static_cast<std::size_t>(out.across) +
                              static_cast<std::size_t>(bx)] =
                        blockAt(photo, stable, noisy, clean, edges, image, bx, by);
                    for (int y = by * kSide; y < (by + 1) * kSide; ++y)
                        for (int x = bx * kSide; x < (bx + 1) * kSide; ++x)
                            if (seen.contains(Rect{x, y, 1, 1}.inflated(kPointReach)))
                                if (const auto point = pointAt(noisy, clean, x, y)) points.push_back(*point);
                }
            const std::lock_guard lock(mutex);
            out.points.insert(out.points.end(), points.begin(), points.end());
        });
        work.check();
    }
    std::sort(out.points.begin(), out.points.end(),
              [](const CheckPoint& a, const CheckPoint& b) { return a.y != b.y ? a.y < b.y : a.x < b.x; });
    // Rectangles that overlap find a point twice.
    const auto same = [](const CheckPoint& a, const CheckPoint& b) { return a.x == b.x && a.y == b.y; };
    out.points.erase(std::unique(out.points.begin(), out.points.end(), same), out.points.end());
    if (!photo.hasMosaic() && !photo.monochrome) evenOutNoise(out);
    return out;
}

} // namespace irenic
