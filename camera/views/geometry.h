// The simulated camera's world: solids, light and rays. Lengths in metres; x right, y up, z away from the
// camera.
#pragma once

#include <cstdint>
#include <vector>

#include "texture_noise.h"
#include "vec.h"

namespace irenic::views {

using namespace scene; // NOLINT: vectors and noise are those of the whole camera

enum class Material {
    Timber,
    Brick,
    Plaster,
    Sack,
    Rope,
    Iron,
    Brass,
    GaugeFace,
    Sign,
    Flame,
    Window,
    Lamp,
    Water,
    Stone
};
enum class Shape { Box, Cylinder, Ellipsoid, Gear };

// A solid in its own frame: centred, `half` its half extents (a cylinder's and gear's axis is z), turned by
// `angles` about x, y, z in that order.
struct Solid {
    Shape shape = Shape::Box;
    Material material = Material::Timber;
    Vec centre, half{1, 1, 1};
    Vec angles;
    std::uint32_t seed = 0;
    float teeth = 0;   // gears: their number; signs and gauges: which text
    Vec tint{1, 1, 1}; // multiplies the material's colour; the emission of lamps
    Vec axis[3];       // the frame, made by place()
    float radius = 0;  // of the sphere around it

    void place();
    Vec toLocal(Vec p) const { return {dot(p, axis[0]), dot(p, axis[1]), dot(p, axis[2])}; }
    Vec toWorld(Vec p) const { return axis[0] * p.x + axis[1] * p.y + axis[2] * p.z; }
};

struct Hit {
    float t = 1e30f;
    const Solid* solid = nullptr;
    Vec local, normal; // the point in the solid's frame; the world normal
};

struct World {
    std::vector<Solid> solids;
    Vec lantern, lanternLight; // position; linear light at one metre
    Vec sky;                   // light from outside, from `skyFrom`
    Vec skyFrom;
    Vec ambient;
    Vec eye, target;
    float view = 60;      // degrees across
    bool harbour = false; // what a ray that meets nothing sees: the dusk sky, else darkness

    Solid& add(Shape shape, Material material, Vec centre, Vec half, Vec angles = {});
};

// The nearest solid along the ray from `from` (unit `to`) closer than `far`.
Hit trace(const World& world, Vec from, Vec to, float far);
// Whether anything but lamps and flames stands in between.
bool blocked(const World& world, Vec from, Vec to, float far);

} // namespace irenic::views
