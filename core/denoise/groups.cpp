#include "denoise/groups.h"
#include "base/expects.h"
#include "image/tiles.h"

#include <algorithm>
#include <optional>

namespace irenic::groups {

Groups::Groups(const Rect& references, int size) : size_(size) {
    const Rect cells = references.aligned(kStep);
    grid_ = {cells.x / kStep, cells.y / kStep, cells.width / kStep, cells.height / kStep};
    place_.resize(static_cast<std::size_t>(grid_.area()) * static_cast<std::size_t>(size));
}

Place* Groups::of(int x, int y) {
    IRENIC_EXPECTS(grid_.contains(Rect{x / kStep, y / kStep, 1, 1}));
    const auto i = static_cast<std::size_t>(y / kStep - grid_.y) * static_cast<std::size_t>(grid_.width) +
                   static_cast<std::size_t>(x / kStep - grid_.x);
    return place_.data() + i * static_cast<std::size_t>(size_);
}

PlaneSet aggregate(Step step, const Rect& area,
                   const std::function<void(const Step&, const Rect&, Accumulator&)>& runTile,
                   const Work& work) {
    step.references = referencesOf(area);
    PlaneSet out(area);
    for (Plane& p : out.plane) p.fill(0);
    out.describeAs(*step.noisy);
    const std::size_t kinds = step.channels ? kPlanes : 2;
    PlaneSet weight;
    weight.area = area;
    for (std::size_t k = 0; k < kinds; ++k)
        weight.plane[k] = Plane(area.width, area.height), weight.plane[k].fill(0);

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
            const auto i =
                static_cast<std::size_t>((tile.y - top) / kTile * across + (tile.x - grid.x) / kTile);
            Accumulator& own = *accumulators[i];
            std::fill(&own.sum[0][0], &own.sum[0][0] + kPlanes * kSide * kSide, 0.0f);
            std::fill(&own.weight[0][0], &own.weight[0][0] + kPlanes * kSide * kSide, 0.0f);
            if (!tile.intersected(step.references).empty()) runTile(step, tile, own);
            work.report((top - grid.y + static_cast<double>(++done) / tiles * band.height) / grid.height);
        });
        for (int i = 0; i < tiles; ++i) {
            const Accumulator& a = *accumulators[static_cast<std::size_t>(i)];
            const Rect side{grid.x + i % across * kTile - kHalo, top + i / across * kTile - kHalo, kSide,
                            kSide};
            const Rect part = side.intersected(area);
            for (int y = part.y; y < part.bottom(); ++y) {
                const auto at = static_cast<std::size_t>((y - side.y) * kSide + part.x - side.x);
                const auto add = [&](const float* source, float* target) {
                    for (int x = 0; x < part.width; ++x) target[x] += source[x];
                };
                for (std::size_t p = 0; p < kPlanes; ++p)
                    if (step.channels || step.strength[p] > 0) add(a.sum[p] + at, out.rowAt(p, y) + part.x);
                for (std::size_t k = 0; k < kinds; ++k) add(a.weight[k] + at, weight.rowAt(k, y) + part.x);
            }
        }
    }
    forEachBand(area.height, 32, work, [&](int first, int last) {
        for (int y = area.y + first; y < area.y + last; ++y) {
            float* to[kPlanes];
            const float *w[kPlanes], *in[kPlanes];
            for (std::size_t p = 0; p < kPlanes; ++p) {
                to[p] = out.rowAt(p, y), in[p] = step.noisy->rowAt(p, y);
                w[p] = weight.rowAt(step.channels ? p : isColour(p) ? 1 : 0, y);
            }
            for (int x = area.x; x < area.right(); ++x) {
                float v[kPlanes], planes[kPlanes] = {};
                for (std::size_t p = 0; p < kPlanes; ++p) v[p] = to[p][x] / w[p][x];
                if (step.channels) planesFrom(v, planes);
                for (std::size_t p = 0; p < kPlanes; ++p)
                    to[p][x] = step.strength[p] > 0 ? step.channels ? planes[p] : v[p] : in[p][x];
            }
        }
    });
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
            for (int x = 0; x < w; ++x)
                column[static_cast<std::size_t>(x)] = 0.25f * (a[x] + c[x]) + 0.5f * b[x];
            for (int x = 0; x < w; ++x)
                out.at(x, y) = 0.25f * (column[static_cast<std::size_t>(std::max(0, x - 1))] +
                                        column[static_cast<std::size_t>(std::min(w - 1, x + 1))]) +
                               0.5f * column[static_cast<std::size_t>(x)];
        }
    });
    return out;
}

PlaneSet bothSteps(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                   Guide guide, int first, int second,
                   const std::function<void(const Step&, const Rect&, Accumulator&)>& runTile,
                   const Work& work) {
    IRENIC_EXPECTS(in.area.contains(area.inflated(kTwoStepMargin)) && first > 0 && first <= kMost &&
                   second > 0 && second <= kMost);
    const Plane smooth = guide == Guide::Smoothed ? smoothed(in.plane[0], work) : Plane();
    const Rect wide = area.inflated(kReach);
    std::optional<Groups> found;
    Step step{&in, nullptr, &in.plane[0], in.area, {}, strength, first};
    if (guide == Guide::Smoothed)
        step.guide = &smooth;
    else
        step.found = &found.emplace(referencesOf(wide), second);
    const PlaneSet basic = aggregate(step, wide, runTile, work.part(0, found ? 0.55 : 0.45));
    step.basic = &basic, step.groupSize = second;
    if (guide == Guide::Smoothed && strength[0] > 0)
        step.guide = &basic.plane[0], step.guideArea = basic.area;
    return aggregate(step, area, runTile, work.part(found ? 0.55 : 0.45, 1));
}

} // namespace irenic::groups
