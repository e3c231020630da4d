// Things that stand about in more than one scene.
#pragma once

#include "paints.h"
#include "shapes.h"
#include "stage.h"

namespace irenic::scene {

// Sets a mesh into the scene in a paint.
void put(Stage& stage, Mesh mesh, const Paint& paint);
void put(Stage& stage, Mesh mesh, int paint);

// A lantern of brass and iron whose flame stands at `at`; `light` is the flame's radiance.
void lantern(Stage& stage, Vec at, Vec light, float size = 1);
// Boards side by side in the plane x, y at depth z, running along `axis` (0 x, 1 y).
void boards(Stage& stage, Vec low, Vec high, float z, int axis, float wide, float worn, Vec tint,
            std::uint32_t seed);
// A filled flour sack as a distance: pillow with folds towards its tied ends.
float sackDistance(Vec p, Vec half, std::uint32_t seed);
// A place on the mesh chosen evenly over its area, with its normal.
struct Place {
    Vec at, normal;
};
std::vector<Place> scattered(const Mesh& mesh, std::size_t count, Luck& luck);

} // namespace irenic::scene
