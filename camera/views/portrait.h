// A view of which one part is in focus: for what is told by focus.
#pragma once

#include <vector>

#include "scenes.h"

namespace irenic {

struct Portrait {
    std::array<Plane, 3> light; // as renderScene() gives it, behind a lens that is focused on an ellipse
    // Of each pixel, row by row: whether it is in focus, and whether there was anything to see before the
    // lens.
    std::vector<bool> sharp, detailed;
};
Portrait portraitOf(Scene view, int width, int height);

} // namespace irenic
