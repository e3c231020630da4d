// The tide mill at night: four views, rendered without noise.
#pragma once

#include <array>

#include "base/work.h"
#include "geometry.h"
#include "image/plane.h"

namespace irenic {

enum class Scene { GearLoft, SackStore, HarbourWindow, Gauges };

// Linear sRGB, R, G, B; 1 is a bright white under the lantern. Two rays for each pixel; the same pixels every
// time.
std::array<Plane, 3> renderScene(Scene view, int width, int height, const Work& work = {});

} // namespace irenic
