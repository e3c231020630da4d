#include "denoise/jpeg_blocks.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "image/dct_cosine.h"
#include "image/srgb.h"
#include "image/tiles.h"
#include "image/wide.h"

namespace irenic {

namespace {

constexpr int kBlock = 8;
constexpr int kShift = 2; // from one laying of the blocks to the next, across and down: sixteen in all
constexpr int kTile = 64; // a multiple of kBlock

// Rows of frequencies, columns of samples; and the other way round.
struct Cosines {
    float of[kBlock][kBlock], at[kBlock][kBlock];
    Cosines() {
        for (int u = 0; u < kBlock; ++u)
            for (int x = 0; x < kBlock; ++x) of[u][x] = at[x][u] = dctCosine(kBlock, u, x);
    }
};

// out = left in, of 8x8 matrices whose rows are `stride` apart in `in`, and side by side in the others.
IRENIC_PART void multiplied(const float (*left)[kBlock], const float* in, std::ptrdiff_t stride, float* out) {
    for (int i = 0; i < kBlock; ++i) {
        float sum[kBlock] = {};
        for (int k = 0; k < kBlock; ++k)
            for (int j = 0; j < kBlock; ++j) sum[j] += left[i][k] * in[k * stride + j];
        for (int j = 0; j < kBlock; ++j) out[i * kBlock + j] = sum[j];
    }
}
// out = in right.
IRENIC_PART void multipliedBy(const float* in, const float (*right)[kBlock], float* out) {
    for (int i = 0; i < kBlock; ++i) {
        float sum[kBlock] = {};
        for (int k = 0; k < kBlock; ++k)
            for (int j = 0; j < kBlock; ++j) sum[j] += in[i * kBlock + k] * right[k][j];
        for (int j = 0; j < kBlock; ++j) out[i * kBlock + j] = sum[j];
    }
}

// Adds a block as it is without frequencies below `least`.
IRENIC_WIDE void addBlock(const float* in, std::ptrdiff_t stride, const Cosines& cosines, const float* least,
                          float* sum, std::ptrdiff_t sumStride) {
    float half[kBlock * kBlock], whole[kBlock * kBlock];
    multiplied(cosines.of, in, stride, half);
    multipliedBy(half, cosines.at, whole);
    for (int i = 0; i < kBlock * kBlock; ++i) whole[i] = std::abs(whole[i]) < least[i] ? 0.0f : whole[i];
    multiplied(cosines.at, whole, kBlock, half);
    multipliedBy(half, cosines.of, whole);
    for (int y = 0; y < kBlock; ++y)
        for (int x = 0; x < kBlock; ++x) sum[y * sumStride + x] += whole[y * kBlock + x];
}

// One tile: the mean of all layings. Blocks lie where the photo's own coordinates say.
void cleanTile(const Plane& in, const Rect& around, const Rect& tile, const float* least, Plane& mean) {
    static const Cosines cosines;
    const Rect wide = tile.inflated(kJpegBlocksMargin);
    Plane sum(wide.width, wide.height);
    sum.fill(0);
    for (int dy = 0; dy < kBlock; dy += kShift)
        for (int dx = 0; dx < kBlock; dx += kShift) {
            const Rect blocks = tile.translated(-dx, -dy).aligned(kBlock).translated(dx, dy);
            for (int y = blocks.y; y < blocks.bottom(); y += kBlock)
                for (int x = blocks.x; x < blocks.right(); x += kBlock)
                    addBlock(in.row(y - around.y) + x - around.x, in.stride(), cosines, least,
                             sum.row(y - wide.y) + x - wide.x, sum.stride());
        }
    constexpr int across = kBlock / kShift;
    constexpr auto layings = static_cast<float>(across * across);
    for (int y = tile.y; y < tile.bottom(); ++y)
        for (int x = tile.x; x < tile.right(); ++x)
            mean.at(x - around.x, y - around.y) = sum.at(x - wide.x, y - wide.y) / layings;
}

} // namespace

std::array<Plane, 3> withoutJpegBlocks(const std::array<Plane, 3>& rgb, const Rect& around, const Rect& area,
                                       const JpegSteps& steps, float share, const Work& work) {
    IRENIC_EXPECTS(around.contains(area.inflated(kJpegBlocksMargin)) && share >= 0 && share <= 1);
    float least[kBlock * kBlock];
    for (std::size_t i = 0; i < steps.luminance.size(); ++i)
        least[i] = 0.5f * share * static_cast<float>(steps.luminance[i]) / 255;
    least[0] = 0; // the mean stays
    // Luminance as JPEG files have it (ITU-T T.871).
    Plane luminance(around.width, around.height), mean(around.width, around.height);
    std::array<Plane, 3> out = {Plane(area.width, area.height), Plane(area.width, area.height),
                                Plane(area.width, area.height)};
    forEachBand(around.height, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < around.width; ++x)
                luminance.at(x, y) = 0.299f * srgbEncoded(rgb[0].at(x, y)) +
                                     0.587f * srgbEncoded(rgb[1].at(x, y)) +
                                     0.114f * srgbEncoded(rgb[2].at(x, y));
    });
    forEachTile(area, kTile, work,
                [&](const Rect& tile) { cleanTile(luminance, around, tile.intersected(area), least, mean); });
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < area.width; ++x) {
                const int u = area.x + x - around.x, v = area.y + y - around.y;
                const float change = mean.at(u, v) - luminance.at(u, v);
                for (std::size_t c = 0; c < 3; ++c)
                    out[c].at(x, y) = srgbDecoded(srgbEncoded(rgb[c].at(u, v)) + change);
            }
    });
    return out;
}

} // namespace irenic
