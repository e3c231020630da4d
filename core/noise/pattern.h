// What a sensor adds that is not random from pixel to pixel: hot and dead pixels, and lines of the read-out.
#pragma once

#include <cstdint>
#include <vector>

namespace irenic {

struct Defect {
    int x, y;             // in the active area
    std::uint16_t mended; // what stands there instead
};

// Where the right half begins, of a width; the lower one of a height.
inline int secondHalfOf(int length) { return length / 2 & ~1; }

struct Pattern {
    std::vector<Defect> defects;       // in reading order, those of dead lines among them
    int deadColumns = 0, deadRows = 0; // columns and rows that do not see
    std::vector<float> rows, columns;  // offsets in raw values, one for each row and column of the active
                                       // area; empty: none to speak of
    std::vector<float> rightRows, lowerColumns; // those of the right half and of the lower half, which may be
                                                // read out apart; empty: as in the other half
    double rowSigma = 0, columnSigma = 0;       // their standard deviation over that of the noise at black;
                                                // measured also where it is too small to act on
};

} // namespace irenic
