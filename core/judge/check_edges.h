// What cleaning did at strong edges: noise that was left beside them, and overshoot along them.
#pragma once

#include <vector>

#include "denoise/method.h"
#include "image/rect.h"

namespace irenic {

// Packed samples around a square that its edges depend on.
inline constexpr int kEdgeReach = 9;

struct EdgeProducts {
    // Of samples within a few of a strong edge, but not on it: how many, and the sum of the products of the
    // fine part of what was taken away with the fine part of the noisy photo. Noise that was taken whole
    // gives 1 for each.
    double beside = 0, taken = 0;
    // Of samples on the plateaus on both sides of an edge: how many, and by how much of the edge's height the
    // cleaned photo goes beyond the noisy one, away from the edge's middle.
    double plateau = 0, beyond = 0;
    // Of samples on the plateaus of edges between two colours: how many, and how much of the way to the other
    // side's colour the cleaned photo went.
    double coloured = 0, run = 0;
};

// Where the strong edges of some planes are: steps of the luminance that noise cannot make.
class StrongEdges {
  public:
    explicit StrongEdges(const PlaneSet& noisy);
    // Of a square of the planes. `variance` is what noise has there; `clean` covers what the noisy planes do.
    EdgeProducts of(const Rect& square, const PlaneSet& clean, double variance) const;
    // Of a square's fine part, in the noisy planes; white noise of variance 1 gives 1.
    double fineEnergy(const Rect& square) const;

  private:
    bool near(int x, int y, int distance) const;
    void addColour(EdgeProducts& out, const PlaneSet& clean, int x, int y, float above, float below,
                   bool light) const;

    const PlaneSet& noisy_;
    Plane smooth_;                // means of 3x3
    std::vector<int> edgesAbove_; // summed from the upper left corner, with a row and a column of 0
};

} // namespace irenic
