#include "denoise/zoned.h"

#include <algorithm>
#include <utility>
#include <vector>

#include "base/expects.h"
#include "denoise/clean.h"
#include "denoise/mask.h"

namespace irenic {

namespace {

// What is left of the noise is clipped as it was.
ClippedShares clippedShares(const Settings& settings) {
    const float cleaned = std::min({1.0f, settings.luminance, settings.colour});
    return {cleaned, cleaned * findMethod(settings.method)->shareClippedAtWhite()};
}

// Moves a value towards a zone's by as much as the zone is there.
void moveTo(float& value, float zones, float mask) { value += mask * (zones - value); }

// How much of a zone the samples of each channel are, over packed places.
PlaneSet masksOf(const Photo& photo, const Zone& zone, const Rect& area,
                 const std::array<int, kPlanes>& sites, const Work& work) {
    PlaneSet out(area);
    const int cell = photo.cell();
    const Plane mask =
        maskOf(photo, zone, {cell * area.x, cell * area.y, cell * area.width, cell * area.height}, work);
    for (std::size_t k = 0; k < kPlanes; ++k)
        for (int y = 0; y < area.height; ++y)
            for (int x = 0; x < area.width; ++x)
                out.plane[k].at(x, y) =
                    cell == 2 ? mask.at(2 * x + (sites[k] & 1), 2 * y + (sites[k] >> 1)) : mask.at(x, y);
    return out;
}

std::pair<float, float> rangeOf(const PlaneSet& masks) {
    float least = 1, most = 0;
    for (const Plane& plane : masks.plane)
        for (int y = 0; y < plane.height(); ++y) {
            const auto [low, high] = std::minmax_element(plane.row(y), plane.row(y) + plane.width());
            least = std::min(least, *low), most = std::max(most, *high);
        }
    return {least, most};
}

// Over `area`: from `clean` to `other` where the masks are 1, channel by channel, on the stabilised scale, so
// that means stay and no step appears.
void blend(PlaneSet& clean, const PlaneSet& other, const PlaneSet& masks, const Rect& area,
           const Work& work) {
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int y = area.y + first; y < area.y + last; ++y)
            for (int x = area.x; x < area.right(); ++x) {
                if (!clean.packed) {
                    const float m = masks.rowAt(0, y)[x];
                    for (std::size_t p = 0; p < kPlanes; ++p) {
                        float& v = clean.rowAt(p, y)[x];
                        v += m * (other.rowAt(p, y)[x] - v);
                    }
                    continue;
                }
                // Outside of the zone nothing is touched, not even by a rounding.
                bool any = false;
                for (std::size_t k = 0; k < kPlanes; ++k) any = any || masks.rowAt(k, y)[x] != 0;
                if (!any) continue;
                float own[kPlanes], theirs[kPlanes], planes[kPlanes];
                channelsAt(clean, x, y, own), channelsAt(other, x, y, theirs);
                for (std::size_t k = 0; k < kPlanes; ++k)
                    own[k] += masks.rowAt(k, y)[x] * (theirs[k] - own[k]);
                planesFrom(own, planes);
                for (std::size_t p = 0; p < kPlanes; ++p) clean.rowAt(p, y)[x] = planes[p];
            }
    });
}

} // namespace

// The take's settings as a zone has them.
Settings settingsIn(const Zone& zone, const Settings& take) {
    constexpr float kMost = 3;
    Settings out = take;
    out.zones.clear();
    out.luminance = std::min(kMost, take.luminance * zone.luminance);
    out.colour = std::min(kMost, take.colour * zone.colour);
    out.coarse = std::min(kMost, take.coarse * zone.coarse);
    out.detail = std::clamp(take.detail + zone.detail, 0.0f, 1.0f);
    out.grain = std::clamp(take.grain + zone.grain, 0.0f, 1.0f);
    if (!zone.method.empty()) out.method = zone.method;
    return out;
}

// cleanPlanes() with the take's zones. Only what is seen of the area is cleaned.
Zoned cleanZones(const Photo& photo, const PlaneSet& noisy, const Settings& settings, const Rect& area,
                 const Work& work) {
    IRENIC_EXPECTS(noisy.area.contains(area.inflated(planesMargin(settings))));
    struct Part {
        Settings settings;
        PlaneSet masks; // empty: it covers all
    };
    Settings plain = settings;
    plain.zones.clear();
    std::vector<Part> parts;
    parts.push_back({plain, {}});
    for (const Zone& zone : settings.zones) {
        const Settings own = settingsIn(zone, settings);
        if (zone.isPlain() || own == plain) continue;
        PlaneSet masks = masksOf(photo, zone, area, noisy.sites, work);
        const auto [least, most] = rangeOf(masks);
        if (most <= 0) continue;
        const bool all = least >= 1;
        if (all) parts.clear(); // what lies below is not seen
        parts.push_back({own, all ? PlaneSet() : std::move(masks)});
    }
    Zoned out;
    out.shares = clippedShares(parts[0].settings), out.grain = parts[0].settings.grain;
    const bool grainy =
        std::any_of(parts.begin(), parts.end(), [&](const Part& p) { return p.settings.grain != out.grain; });
    const double length = 1.0 / static_cast<double>(parts.size());
    for (std::size_t i = 0; i < parts.size(); ++i) {
        const Work part = work.part(length * static_cast<double>(i), length * static_cast<double>(i + 1));
        PlaneSet own = cleanPlanes(noisy, parts[i].settings, area, part);
        if (i == 0) {
            out.clean = std::move(own);
            if (parts.size() == 1) break;
            out.darkShares = PlaneSet(area), out.whiteShares = PlaneSet(area);
            for (Plane& plane : out.darkShares.plane) plane.fill(out.shares.dark);
            for (Plane& plane : out.whiteShares.plane) plane.fill(out.shares.white);
            // Cleaned planes cover the area, and may cover more.
            if (grainy) out.grains = Plane(out.clean.area.width, out.clean.area.height);
            if (grainy) out.grains.fill(out.grain);
            continue;
        }
        const PlaneSet& masks = parts[i].masks;
        blend(out.clean, own, masks, area, part);
        const ClippedShares shares = clippedShares(parts[i].settings);
        for (std::size_t k = 0; k < kPlanes; ++k)
            for (int y = 0; y < area.height; ++y)
                for (int x = 0; x < area.width; ++x) {
                    const float mask = masks.plane[k].at(x, y);
                    moveTo(out.darkShares.plane[k].at(x, y), shares.dark, mask);
                    moveTo(out.whiteShares.plane[k].at(x, y), shares.white, mask);
                }
        for (int y = area.y; grainy && y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x) {
                float mask = 0;
                for (std::size_t k = 0; k < kPlanes; ++k) mask += 0.25f * masks.rowAt(k, y)[x];
                moveTo(out.grains.at(x - out.clean.area.x, y - out.clean.area.y), parts[i].settings.grain,
                       mask);
            }
    }
    return out;
}

} // namespace irenic
