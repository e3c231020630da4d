#include "denoise/groups.h"

#include <algorithm>
#include <vector>

namespace irenic::groups {

PlaneSet aggregate(Step step, const Rect& area, const std::function<void(const Step&, const Rect&, Accumulator&)>& runTile, const Work& work) {
    step.references = {area.x - kSearch - kBlock + 1, area.y - kSearch - kBlock + 1, area.width + kSpan + kBlock - 1, area.height + kSpan + kBlock - 1};
    PlaneSet out(area);
    for (Plane& p : out.plane) p.fill(0);
    PlaneSet weight(area); // only planes 0 and 1 are used: luminance and colour
    weight.plane[2] = Plane();
    weight.plane[3] = Plane();
    weight.plane[0].fill(0), weight.plane[1].fill(0);

    const Rect grid = step.references.aligned(kTile);
    const int across = grid.width / kTile;
    // Tiles of two rows at a time are computed together, then added up in reading order: sums come out the
    // same to the last bit whatever thread did what, and whatever area was asked for.
    constexpr int together = 2;
    std::vector<std::unique_ptr<Accumulator>> accumulators(static_cast<std::size_t>(across * together));
    for (auto& a : accumulators) a = std::make_unique<Accumulator>();
    for (int top = grid.y; top < grid.bottom(); top += together * kTile) {
        const Rect band = Rect{grid.x, top, grid.width, together * kTile}.intersected(grid);
        std::atomic<int> done = 0;
        const int tiles = across * band.height / kTile;
        forEachTile(band, kTile, work, [&](const Rect& tile) {
            const auto i = static_cast<std::size_t>((tile.y - top) / kTile * across + (tile.x - grid.x) / kTile);
            Accumulator& own = *accumulators[i];
            std::fill(&own.sum[0][0], &own.sum[0][0] + kPlanes * kSide * kSide, 0.0f);
            std::fill(&own.weight[0][0], &own.weight[0][0] + 2 * kSide * kSide, 0.0f);
            if (!tile.intersected(step.references).empty()) runTile(step, tile, own);
            work.report((top - grid.y + static_cast<double>(++done) / tiles * band.height) / grid.height);
        });
        for (int i = 0; i < tiles; ++i) {
            const Accumulator& a = *accumulators[static_cast<std::size_t>(i)];
            const Rect side{grid.x + i % across * kTile - kHalo, top + i / across * kTile - kHalo, kSide, kSide};
            const Rect part = side.intersected(area);
            for (int y = part.y; y < part.bottom(); ++y) {
                const auto at = static_cast<std::size_t>((y - side.y) * kSide + part.x - side.x);
                const auto add = [&](const float* source, float* target) {
                    for (int x = 0; x < part.width; ++x) target[x] += source[x];
                };
                for (std::size_t p = 0; p < kPlanes; ++p)
                    if (step.strength[p] > 0) add(a.sum[p] + at, out.rowAt(p, y) + part.x);
                for (std::size_t k = 0; k < 2; ++k) add(a.weight[k] + at, weight.rowAt(k, y) + part.x);
            }
        }
    }
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y) {
            float* to_row = out.rowAt(p, y);
            const float* in = step.noisy->rowAt(p, y);
            const float* w = weight.rowAt(isColour(p) ? 1 : 0, y);
            for (int x = area.x; x < area.right(); ++x) to_row[x] = step.strength[p] > 0 ? to_row[x] / w[x] : in[x];
        }
    return out;
}

// Luminance under a 3x3 binomial filter: what the first step compares blocks in.
Plane smoothed(const Plane& in, const Work& work) {
    const int w = in.width(), h = in.height();
    Plane out(w, h);
    forEachBand(h, 32, work, [&](int first, int last) {
        std::vector<float> column(static_cast<std::size_t>(w));
        for (int y = first; y < last; ++y) {
            const float *a = in.row(mirrored(y - 1, h)), *b = in.row(y), *c = in.row(mirrored(y + 1, h));
            for (int x = 0; x < w; ++x) column[static_cast<std::size_t>(x)] = 0.25f * (a[x] + c[x]) + 0.5f * b[x];
            for (int x = 0; x < w; ++x)
                out.at(x, y) = 0.25f * (column[static_cast<std::size_t>(std::max(0, x - 1))] +
                                        column[static_cast<std::size_t>(std::min(w - 1, x + 1))]) +
                               0.5f * column[static_cast<std::size_t>(x)];
        }
    });
    return out;
}

} // namespace irenic::groups
