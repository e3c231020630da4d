// What a scene of the mill is made of: surfaces, strands, lamps and the place the camera stands.
// Lengths in metres; x right, y up, z away from the camera.
#pragma once

#include <cstdint>
#include <functional>
#include <vector>

#include "vec.h"

namespace irenic::scene {

// A place on a surface that a ray has met.
struct Spot {
    Vec at, normal;     // in the world; the normal looks against the ray
    Vec own;            // the place in the surface's own frame, for patterns
    Vec along;          // of a strand: its unit direction; else zero
    float u = 0;        // of a strand: 0 at the root, 1 at the tip
    float fate = 0;     // of a strand: a number in 0..1 of its own
    float distance = 0; // the ray's way
};

// What a surface looks like there.
struct Surface {
    Vec colour{0.5f, 0.5f, 0.5f}; // diffuse reflectance, linear sRGB
    Vec normal;                   // after bumps
    float mirror = 0;   // Fresnel reflectance looking straight on (0.04: varnish); metals: see metal
    float rough = 0.5f; // of what is mirrored (GGX alpha)
    bool metal = false; // mirrors `colour` and scatters nothing
    Vec glow{};         // light of its own
};

using Paint = std::function<Surface(const Spot&)>;

struct Mesh {
    std::vector<Vec> at, normal, own;
    std::vector<std::uint32_t> corners; // three for each triangle
    int paint = 0;
};

// Many round strands of one paint; each runs through `points` of its own.
struct Strands {
    struct Point {
        Vec at;
        float radius = 0;
    };
    std::vector<Point> points;
    std::vector<std::uint32_t> first; // where each strand begins in `points`
    std::vector<Vec> own;             // one for each strand
    std::vector<float> fate;          // one for each strand
    int paint = 0;

    void add(const std::vector<Point>& strand, Vec place, float own_fate);
};

// A ball of light that is aimed at when shading. It is not seen itself: give it a glowing mesh.
struct Lamp {
    Vec at, light; // radiance of its surface
    float radius = 0.02f;
};
// A window, or a card that throws light: a parallelogram at `corner` that shines along cross(right, up).
struct Pane {
    Vec corner, right, up, light;
};

struct Eye {
    Vec at, target;
    float across = 50;  // degrees, along the width
    float aperture = 0; // radius of the lens
    float focus = 1;    // distance that is sharp
};

struct Stage {
    std::vector<Paint> paints;
    std::vector<Mesh> meshes;
    std::vector<Strands> strands;
    std::vector<Lamp> lamps;
    std::vector<Pane> panes;
    std::function<Vec(Vec to)> sky; // what a ray that meets nothing sees; none: darkness
    Vec ambient;                    // light from everywhere at the end of a path
    Eye eye;
    float exposure = 1;
    float density = 1; // share of the full number of hairs, for trial pictures

    int paint(Paint p) {
        paints.push_back(std::move(p));
        return static_cast<int>(paints.size()) - 1;
    }
};

} // namespace irenic::scene
