// The mill's five scenes, as they ship: linear light without noise.
#pragma once

#include <array>
#include <string>

#include "image/plane.h"

namespace irenic {

enum class MillScene { Cat, Rope, Gears, Harbour, Jersey };

// "cat" and so on: the name of its file.
std::string nameOf(MillScene scene);
// Linear sRGB, R, G, B; 1 is white where the scene's own exposure puts it. 4032 x 3024.
std::array<Plane, 3> millScene(MillScene scene);

} // namespace irenic
