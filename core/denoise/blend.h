// Mixing what two ways made of the same planes.
#pragma once

#include "denoise/method.h"

namespace irenic {

// Over `area`, which both cover, plane p of `to` becomes `share` of the other's and the rest of its own.
inline void blend(PlaneSet& to, const PlaneSet& other, std::size_t p, const Rect& area, float share) {
    for (int y = area.y; y < area.bottom(); ++y) {
        float* row = to.rowAt(p, y);
        const float* with = other.rowAt(p, y);
        for (int x = area.x; x < area.right(); ++x) row[x] += share * (with[x] - row[x]);
    }
}

} // namespace irenic
