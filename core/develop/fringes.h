// Purple fringes: the glow of red and blue that lenses put beside bright edges.
#pragma once

#include <array>

#include "base/work.h"
#include "image/plane.h"

namespace irenic {

// Pixels needed around an area.
inline constexpr int kFringeMargin = 8;

// Takes red and blue down to what green says where both stand above it beside something much brighter within
// six pixels. `rgb` is white-balanced camera light; its outermost kFringeMargin pixels stay as they are.
// Purple things away from bright edges are left.
void removeFringes(std::array<Plane, 3>& rgb, const Work& work = {});

} // namespace irenic
