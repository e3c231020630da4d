#include "denoise/learned.h"

#include <algorithm>

#include "base/expects.h"
#include "denoise/network_passes.h"
#include "denoise/nlbayes.h"
#include "denoise/pyramid.h"

namespace irenic {

namespace {

// No sample moves farther than this many times its noise: where there is hardly any, what a network makes up
// would be more. Of photos of pixels noise goes from one to the next and is told too small by half.
constexpr float kFarthestOfMosaics = 8, kFarthestOfPixels = 16;

void keepNear(const PlaneSet& in, PlaneSet& clean, float strength) {
    const float most = strength * (in.packed ? kFarthestOfMosaics : kFarthestOfPixels);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = clean.area.y; y < clean.area.bottom(); ++y) {
            const float* from = in.rowAt(p, y);
            float* to = clean.rowAt(p, y);
            for (int x = clean.area.x; x < clean.area.right(); ++x)
                to[x] = std::clamp(to[x], from[x] - most, from[x] + most);
        }
}

// Noise leaves means over 32x32 samples nearly where they are; where the network moves them by more, that is
// a cast. Half of half a deviation is taken back, and nearly all of more: a little may be right where noise
// was clipped.
constexpr int kCastLevels = 5;
constexpr float kCast = 0.5f;

// What has to be known around `area`, as samples.
Rect castReads(const Rect& area) {
    Rect cells = area;
    for (int k = 0; k < kCastLevels; ++k) cells = cellsReadBy(cells);
    constexpr int side = 1 << kCastLevels;
    return {cells.x * side, cells.y * side, cells.width * side, cells.height * side};
}

// `clean` covers castReads(area).
PlaneSet withoutCast(const PlaneSet& in, const PlaneSet& clean, const Rect& area, float strength,
                     const Work& work) {
    PlaneSet moved(clean.area);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = clean.area.y; y < clean.area.bottom(); ++y)
            for (int x = clean.area.x; x < clean.area.right(); ++x)
                moved.rowAt(p, y)[x] = clean.rowAt(p, y)[x] - in.rowAt(p, y)[x];
    std::array<Rect, kCastLevels + 1> read{area};
    for (std::size_t k = 0; k < kCastLevels; ++k) read[k + 1] = cellsReadBy(read[k]);
    for (int k = 0; k < kCastLevels; ++k) moved = halved(moved, work);
    PlaneSet out(area);
    out.describeAs(clean);
    const float most = kCast * strength;
    for (std::size_t p = 0; p < kPlanes; ++p) {
        Plane cast = std::move(moved.plane[p]);
        Rect where = moved.area;
        for (std::size_t k = kCastLevels; k-- > 0;)
            cast = doubled(cast, where, read[k], work), where = read[k];
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x) {
                const float c = cast.at(x - area.x, y - area.y);
                out.rowAt(p, y)[x] = clean.rowAt(p, y)[x] - c * c * c / (c * c + most * most);
            }
    }
    return out;
}

// How far the refit of a point looks from a sample: the point's middle, then the ring around it.
constexpr int kPoint = 2, kRing = 4, kPointReach = kPoint + kRing;

// A point of light that stands alone in a calm surround comes out too faint: for a network, as for any
// estimate of least error, it may be noise. Its strength is measured instead: the network's shape of it, made
// stronger or weaker so that it fits the noisy samples best (least squares, all four channels).
void refitPoint(const PlaneSet& in, const PlaneSet& clean, int x, int y, float strength, PlaneSet& out) {
    const float* middle = clean.rowAt(0, y) + x;
    const auto luminance = [&](int dx, int dy) { return clean.rowAt(0, y + dy)[x + dx]; };
    // Most places leave here.
    if (*middle <= luminance(-1, 0) || *middle <= luminance(1, 0) || *middle <= luminance(0, -1) ||
        *middle <= luminance(0, 1))
        return;
    if (*middle - luminance(-kRing, 0) < 2 * strength || *middle - luminance(kRing, 0) < 2 * strength) return;
    for (int dy = -kPoint; dy <= kPoint; ++dy)
        for (int dx = -kPoint; dx <= kPoint; ++dx)
            if ((dx != 0 || dy != 0) && luminance(dx, dy) >= *middle) return;
    float ground[kPlanes] = {}, unrest = 0;
    int n = 0;
    for (int pass = 0; pass < 2; ++pass) {
        for (int dy = -kRing; dy <= kRing; ++dy)
            for (int dx = -kRing; dx <= kRing; ++dx) {
                if (std::max(std::abs(dx), std::abs(dy)) <= kPoint) continue;
                for (std::size_t p = 0; p < kPlanes; ++p) {
                    const float v = clean.rowAt(p, y + dy)[x + dx];
                    if (pass == 0)
                        ground[p] += v;
                    else
                        unrest += (v - ground[p]) * (v - ground[p]);
                }
                n += pass == 0 ? 1 : 0;
            }
        for (float& g : ground) g /= pass == 0 ? static_cast<float>(n) : 1;
    }
    const float rise = *middle - ground[0];
    if (rise < 2 * strength || unrest > static_cast<float>(n) * 0.0225f * rise * rise) return;
    // Two shapes: the network's, and what a blur by half a cell adds around it, whose share has a prior:
    // points come out a little too narrow.
    const auto overShapes = [&](const auto& each) {
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int v = y - kPoint; v <= y + kPoint; ++v)
                for (int u = x - kPoint; u <= x + kPoint; ++u) {
                    const float own = clean.rowAt(p, v)[u] - ground[p];
                    const float around = 0.25f * (clean.rowAt(p, v)[u - 1] + clean.rowAt(p, v)[u + 1] +
                                                  clean.rowAt(p, v - 1)[u] + clean.rowAt(p, v + 1)[u]) -
                                         ground[p];
                    each(p, u, v, own, around);
                }
    };
    constexpr float priorMean = 0.1f, priorDeviation = 0.07f;
    float ss = 0, sw = 0, ww = strength * strength / (priorDeviation * priorDeviation), sr = 0, wr = 0;
    overShapes([&](std::size_t p, int u, int v, float own, float around) {
        const float r = in.rowAt(p, v)[u] - clean.rowAt(p, v)[u] - priorMean * around;
        ss += own * own, sw += own * around, ww += around * around, sr += own * r, wr += around * r;
    });
    const float determinant = ss * ww - sw * sw;
    if (determinant < 1e-6f * ss * ww) return;
    const float more = std::clamp((sr * ww - wr * sw) / determinant, -0.5f, 2.0f),
                wider = std::clamp(priorMean + (wr * ss - sr * sw) / determinant, -0.5f, 1.0f);
    overShapes([&](std::size_t p, int u, int v, float own, float around) {
        if (out.area.contains(Rect{u, v, 1, 1})) out.rowAt(p, v)[u] += more * own + wider * around;
    });
}

// `clean` covers `area` with kPointReach to spare.
PlaneSet withPoints(const PlaneSet& in, const PlaneSet& clean, const Rect& area, float strength,
                    const Work& work) {
    PlaneSet out(area);
    out.describeAs(clean);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y)
            std::copy_n(clean.rowAt(p, y) + area.x, area.width, out.rowAt(p, y) + area.x);
    const Rect middles = area.inflated(kPoint);
    for (int y = middles.y; y < middles.bottom(); ++y) {
        work.check();
        for (int x = middles.x; x < middles.right(); ++x) refitPoint(in, clean, x, y, strength, out);
    }
    return out;
}

} // namespace

int Learned::margin() const { return passesMargin() + kPointReach + kBayesMargin + 4 * (1 << kCastLevels); }

Method::BlockGrid Learned::blockGrid(bool packed) const {
    const int after = quick_ ? 0 : kBayesMargin;
    // castReads() takes three cells for each of its levels at most.
    return packed ? BlockGrid{tileOfPasses(true), kPointReach + after}
                  : BlockGrid{tileOfPasses(false), 3 * (1 << kCastLevels) + after};
}

// The network's answer, mirrored beyond the photo's edges: what lies there need not be cleaned a second time.
PlaneSet Learned::answer(const PlaneSet& in, const Rect& wide, float strength, const Work& work) const {
    const Rect inside = in.extent.empty() ? wide : wide.intersected(in.extent);
    PlaneSet clean = quick_ ? onePass(in, inside, strength, work) : twoPasses(in, inside, strength, work);
    keepNear(in, clean, strength);
    return inside == wide ? std::move(clean) : mirroredOut(clean, wide, work);
}

PlaneSet Learned::answerOfGrade(const PlaneSet& in, const Rect& area, float strength,
                                const Work& work) const {
    if (quick_) return answer(in, area, strength, work);
    const PlaneSet first = answer(in, area.inflated(kBayesMargin), strength, work.part(0, 0.75));
    return bayesUponAnswer(in, first, area, strength, work.part(0.75, 1));
}

PlaneSet Learned::ofMosaic(const PlaneSet& in, const Rect& area, float strength, const Work& work) const {
    return withPoints(in, answerOfGrade(in, area.inflated(kPointReach), strength, work), area, strength,
                      work);
}

// Told of half the noise it would leave specks of noise that goes from pixel to pixel: below matched strength
// a share of all noise stays.
PlaneSet Learned::ofPixels(const PlaneSet& in, const Rect& area, float strength, const Work& work) const {
    const float told = std::max(1.0f, strength), share = std::min(1.0f, strength);
    PlaneSet out = withoutCast(in, answerOfGrade(in, castReads(area), told, work), area, told, work);
    for (std::size_t p = 0; share < 1 && p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x) {
                const float noisy = in.rowAt(p, y)[x];
                out.rowAt(p, y)[x] = noisy + share * (out.rowAt(p, y)[x] - noisy);
            }
    return out;
}

PlaneSet Learned::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                      const Work& work) const {
    IRENIC_EXPECTS(in.area.contains(area.inflated(margin())));
    return withTwoStrengths(in, area, strength, work, [&](float s, const Work& part) {
        return in.packed ? ofMosaic(in, area, s, part) : ofPixels(in, area, s, part);
    });
}

} // namespace irenic
