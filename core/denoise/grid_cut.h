// The cheapest cut of a grid into two sides.
//
// Y. Boykov, V. Kolmogorov, "An experimental comparison of min-cut/max-flow algorithms for energy
// minimization in vision", IEEE Trans. Pattern Analysis and Machine Intelligence 26(9), 2004: two trees grow
// from both ends, are joined where they meet, and what a full path leaves without a parent is adopted anew.
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <deque>
#include <vector>

#include "base/work.h"

namespace irenic {

class GridCut {
  public:
    GridCut(int width, int height); // nodes, both at least 1
    // What it costs to have a node on the other side than the inner, or than the outer one. Not below 0.
    void setCosts(int x, int y, float outside, float inside);
    // What it costs to part two neighbours; dx and dy are -1..1, and not both 0. Not below 0.
    void setLink(int x, int y, int dx, int dy, float cost);
    // Finds the cut. Throws Cancelled.
    void run(const Work& work = {});
    bool isInside(int x, int y) const; // after run()

  private:
    enum Tree : std::uint8_t { Free, Inner, Outer };
    static constexpr int kWays = 8;
    static constexpr std::uint8_t kTerminal = 8, kOrphan = 9;

    static int back(int way) { return kWays - 1 - way; }
    int neighbour(int node, int way) const { return node + offset_[static_cast<std::size_t>(way)]; }
    float& room(int node, int way) {
        return room_[static_cast<std::size_t>(node) * kWays + static_cast<std::size_t>(way)];
    }
    // What can still flow between a node and its neighbour in the direction of the tree's own flow.
    float roomToward(int node, int way, Tree tree) {
        return tree == Inner ? room(node, way) : room(neighbour(node, way), back(way));
    }
    bool grow(int& node, int& way); // until the trees meet: across this link
    void augment(int node, int way);
    void adopt();
    void adoptOne(int node);
    int distanceToTerminal(int node);
    void orphan(int node) { parent_[static_cast<std::size_t>(node)] = kOrphan, orphans_.push_back(node); }

    int width_, height_;
    std::array<int, kWays> offset_{};
    std::vector<float> room_, terminal_; // above 0: from the inner end; below: to the outer one
    std::vector<Tree> tree_;
    std::vector<std::uint8_t> parent_;
    std::vector<int> stamp_, distance_;
    int time_ = 0;
    std::deque<int> active_, orphans_;
};

} // namespace irenic
