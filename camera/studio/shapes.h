// Surfaces and strands to build scenes of.
#pragma once

#include <functional>
#include <random>
#include <vector>

#include "stage.h"

namespace irenic::scene {

// Numbers that are the same on every machine (the standard's distributions are not).
class Luck {
  public:
    explicit Luck(std::uint32_t seed) : engine_(seed) {}
    float share() { return static_cast<float>(engine_() >> 8) * (1.0f / 16777216.0f); }
    float between(float a, float b) { return a + (b - a) * share(); }
    float bell() { return (share() + share() + share() + share() - 2) * 1.7f; } // about normal, deviation 1
    Vec inBall();
    Vec onSphere();

  private:
    std::mt19937 engine_;
};

// Turns about x, y and z in that order, angles in radians.
Vec turned(Vec v, Vec angles);
// The mesh turned and set down; `own` stays as it was.
Mesh moved(Mesh mesh, Vec at, Vec angles = {});
void join(Mesh& mesh, const Mesh& other);

// A box of half extents `half` with edges rounded by `bevel`, at the origin.
Mesh box(Vec half, float bevel = 0.002f);
// A grid of (across + 1) (along + 1) places f(u, v), u and v in 0..1; `own` is (u, v, 0) times `scale`.
Mesh surface(int across, int along, const std::function<Vec(float u, float v)>& f, Vec scale = {1, 1, 1});
// A profile of (radius, height) turned about y; from top to bottom it looks outwards.
Mesh lathe(const std::vector<std::pair<float, float>>& profile, int around = 96);
Mesh ball(Vec half, int around = 48);
// A round bar from a to b.
Mesh bar(Vec a, Vec b, float radius, int around = 32);

// Where a signed distance is zero, between `low` and `high`, in cells of `cell`: marching tetrahedra (A. Doi
// and A. Koide, 1991).
using Distance = std::function<float(Vec)>;
Mesh isosurface(const Distance& distance, Vec low, Vec high, float cell);
Vec gradient(const Distance& distance, Vec at, float step);
// Distances: a bar with round ends, an ellipsoid (about), a box, and the smooth union (I. Quilez).
float barDistance(Vec p, Vec a, Vec b, float ra, float rb);
float ellipsoidDistance(Vec p, Vec centre, Vec half);
float boxDistance(Vec p, Vec half);
float united(float a, float b, float soft);

// A line through `points`, finely and evenly: Catmull-Rom, places about `step` apart.
std::vector<Vec> line(const std::vector<Vec>& points, float step);

// A laid rope along a line: three strands of many yarns and the fibres that stand off it.
struct Rope {
    float radius = 0.01f;
    int yarns = 12;     // in a strand
    float lay = 6;      // radii for a turn, about the rope's slope
    float hairs = 3000; // for each metre
    float hairLength = 0.006f;
};
void layRope(Strands& yarns, Strands& hairs, const std::vector<Vec>& along, const Rope& rope, Luck& luck);

// A hair from `root` that leaves along `out` and is combed towards `comb`; `bend` 0..1.
std::vector<Strands::Point> hair(Vec root, Vec out, Vec comb, float length, float bend, float radius,
                                 int parts);

} // namespace irenic::scene
