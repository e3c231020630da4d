// What a sensor adds that is not random from pixel to pixel: hot and dead pixels, and lines of the read-out.
#pragma once

#include <cstdint>
#include <vector>

namespace irenic {

struct Defect {
    int x, y;             // in the active area
    std::uint16_t mended; // what stands there instead
};

struct Pattern {
    std::vector<Defect> defects;          // in reading order
    std::vector<float> rows, columns;     // offsets in raw values, one for each row and column of the active
                                          // area; empty: none to speak of
    double rowSigma = 0, columnSigma = 0; // their standard deviation over that of the noise at black;
                                          // measured also where it is too small to act on
};

} // namespace irenic
