// The mill as sensors of any kind take it, with what they would give without noise.
#pragma once

#include <cmath>

#include "support.h"

namespace irenic::test {

struct Taken {
    Photo photo;
    Plane truth;
};

inline Taken taken(Scene scene, double iso, const Body& body, int width, int height) {
    Shot shot;
    shot.iso = iso;
    const Plane seen = exposeMosaic(lightOf(scene, width, height), body, shot);
    const Rect all{0, 0, width, height};
    return {takePhoto(seen, body, shot), smoothedMosaic(seen, all, all, width, height, body.smoothing)};
}

// Mean square of what differs.
inline double errorOf(const Plane& a, const Plane& b, const Rect& area) {
    double sum = 0;
    for (int y = area.y; y < area.bottom(); ++y)
        for (int x = area.x; x < area.right(); ++x)
            sum += std::pow(static_cast<double>(a.at(x, y)) - static_cast<double>(b.at(x, y)), 2);
    return sum / static_cast<double>(area.area());
}

// Of a photo's cleaned mosaic: each of these areas is the whole one's crop, to the last bit.
inline void compareCrops(const Photo& photo, const Settings& settings, const std::vector<Rect>& areas) {
    const Plane whole = cleanMosaic(photo, settings, photo.whole());
    for (const Rect& area : areas) {
        const Plane part = cleanMosaic(photo, settings, area);
        for (int y = 0; y < area.height; ++y)
            for (int x = 0; x < area.width; ++x) QCOMPARE(part.at(x, y), whole.at(area.x + x, area.y + y));
    }
}

} // namespace irenic::test
