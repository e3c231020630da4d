// Hot and dead pixels. What counts as one is told in measure/pattern.h.
#pragma once

#include <array>
#include <vector>

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// In reading order, each once, those that the file's opcodes name and those of `known` (x, y) among them,
// with the value that takes its place. `photo` has a mosaic of 2x2 and at least 16 x 16 pixels. Throws
// Cancelled.
std::vector<Defect> findDefects(const Photo& photo, const Work& work = {},
                                const std::vector<std::array<int, 2>>& known = {});

} // namespace irenic
