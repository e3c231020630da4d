#include "denoise/grid_cut.h"

#include <algorithm>
#include <limits>

#include "base/expects.h"

namespace irenic {

namespace {

// In the order in which opposite directions add up to seven.
constexpr int kStep[8][2] = {{-1, -1}, {0, -1}, {1, -1}, {-1, 0}, {1, 0}, {-1, 1}, {0, 1}, {1, 1}};
constexpr int kNowhere = std::numeric_limits<int>::max();

} // namespace

GridCut::GridCut(int width, int height) : width_(width), height_(height) {
    IRENIC_EXPECTS(width >= 1 && height >= 1);
    for (int way = 0; way < kWays; ++way)
        offset_[static_cast<std::size_t>(way)] = kStep[way][1] * width + kStep[way][0];
    const std::size_t nodes = static_cast<std::size_t>(width) * static_cast<std::size_t>(height);
    room_.assign(nodes * kWays, 0), terminal_.assign(nodes, 0);
    tree_.assign(nodes, Free), parent_.assign(nodes, kOrphan);
    stamp_.assign(nodes, 0), distance_.assign(nodes, 0);
}

void GridCut::setCosts(int x, int y, float outside, float inside) {
    IRENIC_EXPECTS(outside >= 0 && inside >= 0);
    // What both ends cost alike changes no cut.
    terminal_[static_cast<std::size_t>(y * width_ + x)] = outside - inside;
}

void GridCut::setLink(int x, int y, int dx, int dy, float cost) {
    IRENIC_EXPECTS(cost >= 0 && x + dx >= 0 && x + dx < width_ && y + dy >= 0 && y + dy < height_);
    for (int way = 0; way < kWays; ++way)
        if (kStep[way][0] == dx && kStep[way][1] == dy) {
            const int node = y * width_ + x;
            room(node, way) = cost, room(neighbour(node, way), back(way)) = cost;
        }
}

bool GridCut::isInside(int x, int y) const {
    return tree_[static_cast<std::size_t>(y * width_ + x)] == Inner;
}

void GridCut::run(const Work& work) {
    for (int node = 0; node < width_ * height_; ++node) {
        const auto n = static_cast<std::size_t>(node);
        tree_[n] = terminal_[n] > 0 ? Inner : terminal_[n] < 0 ? Outer : Free;
        if (tree_[n] == Free) continue;
        parent_[n] = kTerminal, distance_[n] = 1;
        active_.push_back(node);
    }
    int node = 0, way = 0;
    for (int paths = 0; grow(node, way); ++paths) {
        if (paths % 1024 == 0) work.check();
        ++time_;
        augment(node, way);
        adopt();
    }
}

bool GridCut::grow(int& from, int& over) {
    while (!active_.empty()) {
        const int node = active_.front();
        const auto n = static_cast<std::size_t>(node);
        if (tree_[n] != Free)
            for (int way = 0; way < kWays; ++way) {
                // Links beyond the grid's edge have no room; no neighbour of theirs is looked at.
                if (room(node, way) <= 0 && tree_[n] == Inner) continue;
                const int x = node % width_ + kStep[way][0], y = node / width_ + kStep[way][1];
                if (x < 0 || y < 0 || x >= width_ || y >= height_) continue;
                if (roomToward(node, way, tree_[n]) <= 0) continue;
                const int other = neighbour(node, way);
                const auto o = static_cast<std::size_t>(other);
                if (tree_[o] == Free) {
                    tree_[o] = tree_[n], parent_[o] = static_cast<std::uint8_t>(back(way));
                    stamp_[o] = stamp_[n], distance_[o] = distance_[n] + 1;
                    active_.push_back(other);
                } else if (tree_[o] != tree_[n]) {
                    from = tree_[n] == Inner ? node : other;
                    over = tree_[n] == Inner ? way : back(way);
                    return true; // this node stays active: it may have other links to the other tree
                } else if (stamp_[o] <= stamp_[n] && distance_[o] > distance_[n]) {
                    // A shorter way to the end.
                    parent_[o] = static_cast<std::uint8_t>(back(way));
                    stamp_[o] = stamp_[n], distance_[o] = distance_[n] + 1;
                }
            }
        active_.pop_front();
    }
    return false;
}

// As much as the path from the inner end over this link to the outer end can take.
void GridCut::augment(int node, int way) {
    float most = room(node, way);
    for (const Tree side : {Inner, Outer}) {
        int at = side == Inner ? node : neighbour(node, way);
        while (parent_[static_cast<std::size_t>(at)] != kTerminal) {
            const int up = parent_[static_cast<std::size_t>(at)];
            const float own = side == Inner ? room(neighbour(at, up), back(up)) : room(at, up);
            most = std::min(most, own);
            at = neighbour(at, up);
        }
        most = std::min(most, std::abs(terminal_[static_cast<std::size_t>(at)]));
    }
    room(node, way) -= most, room(neighbour(node, way), back(way)) += most;
    for (const Tree side : {Inner, Outer}) {
        int at = side == Inner ? node : neighbour(node, way);
        while (parent_[static_cast<std::size_t>(at)] != kTerminal) {
            const int up = parent_[static_cast<std::size_t>(at)], next = neighbour(at, up);
            float &own = side == Inner ? room(next, back(up)) : room(at, up),
                  &other = side == Inner ? room(at, up) : room(next, back(up));
            own -= most, other += most;
            if (own <= 0) own = 0, orphan(at);
            at = next;
        }
        float& end = terminal_[static_cast<std::size_t>(at)];
        end += side == Inner ? -most : most;
        if ((side == Inner && end <= 0) || (side == Outer && end >= 0)) end = 0, orphan(at);
    }
}

void GridCut::adopt() {
    while (!orphans_.empty()) {
        const int node = orphans_.front();
        orphans_.pop_front();
        adoptOne(node);
    }
}

// Steps to the end of its tree; kNowhere where an orphan is above it. What was walked is remembered.
int GridCut::distanceToTerminal(int node) {
    int steps = 0, at = node;
    while (true) {
        const auto a = static_cast<std::size_t>(at);
        if (stamp_[a] == time_) {
            steps += distance_[a];
            break;
        }
        if (parent_[a] == kOrphan) return kNowhere;
        ++steps;
        if (parent_[a] == kTerminal) {
            stamp_[a] = time_, distance_[a] = 1;
            break;
        }
        at = neighbour(at, parent_[a]);
    }
    int left = steps;
    for (int walked = node; stamp_[static_cast<std::size_t>(walked)] != time_;
         walked = neighbour(walked, parent_[static_cast<std::size_t>(walked)]))
        stamp_[static_cast<std::size_t>(walked)] = time_,
        distance_[static_cast<std::size_t>(walked)] = left--;
    return steps;
}

void GridCut::adoptOne(int node) {
    const auto n = static_cast<std::size_t>(node);
    const Tree tree = tree_[n];
    int best = kNowhere;
    std::uint8_t parent = kOrphan;
    const auto inGrid = [&](int way) {
        const int x = node % width_ + kStep[way][0], y = node / width_ + kStep[way][1];
        return x >= 0 && y >= 0 && x < width_ && y < height_;
    };
    for (int way = 0; way < kWays; ++way) {
        if (!inGrid(way)) continue;
        const int other = neighbour(node, way);
        const auto o = static_cast<std::size_t>(other);
        if (tree_[o] != tree || parent_[o] == kOrphan || roomToward(other, back(way), tree) <= 0) continue;
        const int steps = distanceToTerminal(other);
        if (steps < best) best = steps, parent = static_cast<std::uint8_t>(way);
    }
    if (parent != kOrphan) {
        parent_[n] = parent, stamp_[n] = time_, distance_[n] = best + 1;
        return;
    }
    tree_[n] = Free;
    for (int way = 0; way < kWays; ++way) {
        if (!inGrid(way)) continue;
        const int other = neighbour(node, way);
        const auto o = static_cast<std::size_t>(other);
        if (tree_[o] != tree) continue;
        if (roomToward(other, back(way), tree) > 0) active_.push_back(other);
        if (parent_[o] == back(way)) orphan(other);
    }
}

} // namespace irenic
