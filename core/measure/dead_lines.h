// Columns and rows that do not see: dead, stuck, or leaking all along. How they are told is told in
// measure/pattern.h.
#pragma once

#include <vector>

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// A column (or row) of the active area, from one of its pixels to the one before another.
struct DeadLine {
    int line = 0, from = 0, to = 0;
    friend bool operator==(const DeadLine&, const DeadLine&) = default;
};

// In order. `photo` has a mosaic of 2x2 and at least 16 x 16 pixels. Throws Cancelled.
std::vector<DeadLine> findDeadLines(const Photo& photo, bool columns, const Work& work = {});

// The samples of such a line, each with the mean of the two across it that agree best.
std::vector<Defect> defectsOf(const Photo& photo, const DeadLine& dead, bool column);

} // namespace irenic
