#include "denoise/mask.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <utility>

#include "base/expects.h"
#include "denoise/distance.h"
#include "denoise/edge_brush.h"
#include "denoise/found_part.h"
#include "denoise/marked_part.h"
#include "image/smoothstep.h"

namespace irenic {

namespace {

// Of a pixel that lies so far from the middle of the line.
float coverageAt(float distance, float radius, float softness) {
    // Without softness the border is one pixel wide, with half of the brush's own border pixel within.
    const float hard = std::max(0.0f, radius * (1 - softness) - 0.5f), soft = radius + 0.5f;
    if (distance <= hard) return 1;
    if (distance >= soft) return 0;
    return smoothstep((soft - distance) / (soft - hard));
}

// How far a pixel lies from a piece of the line, and how wide the line is where it is nearest.
struct FromLine {
    float distance, width;
};
FromLine fromSegment(float x, float y, const StrokePoint& a, const StrokePoint& b) {
    const float dx = b.x - a.x, dy = b.y - a.y, length = dx * dx + dy * dy;
    const float t = length > 0 ? std::clamp(((x - a.x) * dx + (y - a.y) * dy) / length, 0.0f, 1.0f) : 0.0f;
    return {std::hypot(x - a.x - t * dx, y - a.y - t * dy), a.width + t * (b.width - a.width)};
}

// Of a row, the columns that the line can reach: long lines that lie aslant would cost all of their box.
std::pair<int, int> columnsNear(const StrokePoint& a, const StrokePoint& b, int y, int reach) {
    float from = 0, to = 1; // shares of the line whose rows are near enough
    if (std::abs(b.y - a.y) > 1e-3f) {
        const float top = (static_cast<float>(y - reach) - a.y) / (b.y - a.y),
                    bottom = (static_cast<float>(y + reach) - a.y) / (b.y - a.y);
        from = std::clamp(std::min(top, bottom), 0.0f, 1.0f),
        to = std::clamp(std::max(top, bottom), 0.0f, 1.0f);
    }
    const float left = a.x + from * (b.x - a.x), right = a.x + to * (b.x - a.x);
    return {static_cast<int>(std::floor(std::min(left, right))) - reach,
            static_cast<int>(std::ceil(std::max(left, right))) + reach};
}

} // namespace

Plane coverageOf(const Stroke& stroke, const Rect& area, const Work& work) {
    IRENIC_EXPECTS(!stroke.points.empty());
    Plane out(area.width, area.height);
    out.fill(0);
    const float radius = stroke.diameter / 2;
    // The finest brush takes whole pixels, wherever between them its points lie.
    const bool single = stroke.diameter < 2;
    const auto placed = [&](const StrokePoint& p) {
        return single ? StrokePoint{std::round(p.x), std::round(p.y), p.width} : p;
    };
    const int reach = static_cast<int>(std::ceil(radius)) + 2;
    for (std::size_t i = 0; i < stroke.points.size(); ++i) {
        const StrokePoint a = placed(stroke.points[i == 0 ? 0 : i - 1]), b = placed(stroke.points[i]);
        const int left = static_cast<int>(std::floor(std::min(a.x, b.x))),
                  top = static_cast<int>(std::floor(std::min(a.y, b.y)));
        const Rect near = Rect{left, top, static_cast<int>(std::max(a.x, b.x)) - left + 1,
                               static_cast<int>(std::max(a.y, b.y)) - top + 1}
                              .inflated(reach)
                              .intersected(area);
        if (work.stop.stop_requested()) throw Cancelled();
        for (int y = near.y; y < near.bottom(); ++y) {
            float* row = out.row(y - area.y) - area.x;
            const auto [first, last] = columnsNear(a, b, y, reach);
            for (int x = std::max(near.x, first); x < std::min(near.right(), last + 1); ++x) {
                const auto [d, width] = fromSegment(static_cast<float>(x), static_cast<float>(y), a, b);
                const float own =
                    single ? (d <= 0.5f ? 1.0f : 0.0f) : coverageAt(d, radius * width, stroke.softness);
                row[x] = std::max(row[x], own);
            }
        }
    }
    return out;
}

Plane coverageOf(const Photo& photo, const Stroke& stroke, const Rect& area, const Work& work) {
    Plane out = coverageOf(stroke, area, work);
    if (!stroke.edges) return out;
    const Rect reached = reachOf(stroke).intersected(area);
    if (reached.empty()) return out;
    const Plane like = likenessOf(photo, stroke, reached, work);
    for (int y = reached.y; y < reached.bottom(); ++y)
        for (int x = reached.x; x < reached.right(); ++x)
            out.at(x - area.x, y - area.y) *= like.at(x - reached.x, y - reached.y);
    return out;
}

namespace {

// `turned`: the zone is where the map is 0.
std::shared_ptr<const FoundMap> foundIn(const Photo& photo, const Zone& zone, bool& turned,
                                        const Work& work) {
    if (zone.takesMarks()) {
        std::vector<Stroke> marks;
        for (const Stroke& s : zone.strokes)
            if (s.mark) marks.push_back(s);
        return markedPartOf(photo, marks, zone.part == FoundPart::Alike, work);
    }
    const FoundPartMeasure measure = measureOf(zone.part);
    turned = measure.opposite;
    return foundMapOf(photo, measure.what, work);
}

// As it was found and painted, with the border that it has of itself.
Plane plainMask(const Photo& photo, const Zone& zone, const Rect& area, const Work& work) {
    Plane out(area.width, area.height);
    if (zone.part == FoundPart::Painted) {
        out.fill(0);
    } else {
        bool turned = false;
        const auto map = foundIn(photo, zone, turned, work);
        forEachBand(area.height, 16, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < area.width; ++x) {
                    const float v = map->at(area.x + x, area.y + y);
                    out.at(x, y) = turned ? 1 - v : v;
                }
        });
    }
    if (zone.inverted)
        for (int y = 0; y < area.height; ++y)
            for (int x = 0; x < area.width; ++x) out.at(x, y) = 1 - out.at(x, y);
    for (const Stroke& stroke : zone.strokes) {
        if (stroke.mark) continue;
        const Plane covered = coverageOf(photo, stroke, area, work);
        for (int y = 0; y < area.height; ++y)
            for (int x = 0; x < area.width; ++x)
                out.at(x, y) = stroke.erase ? std::min(out.at(x, y), 1 - covered.at(x, y))
                                            : std::max(out.at(x, y), covered.at(x, y));
    }
    return out;
}

} // namespace

Plane maskOf(const Photo& photo, const Zone& zone, const Rect& area, const Work& work) {
    IRENIC_EXPECTS(!area.empty() && zone.feather >= 0);
    if (zone.shift == 0 && zone.feather == 0) return plainMask(photo, zone, area, work);
    const float width = std::max(1.0f, zone.feather);
    // Farther from the border nothing depends on how far.
    const int reach = static_cast<int>(std::ceil(std::abs(zone.shift) + width / 2)) + 1;
    const Plane within = signedDistance(plainMask(photo, zone, area.inflated(reach), work), work);
    Plane out(area.width, area.height);
    for (int y = 0; y < area.height; ++y)
        for (int x = 0; x < area.width; ++x)
            out.at(x, y) =
                std::clamp(0.5f + (within.at(x + reach, y + reach) + zone.shift) / width, 0.0f, 1.0f);
    return out;
}

} // namespace irenic
