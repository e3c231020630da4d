// The inner loops between a mosaic and its planes, on whole rows.
#pragma once

#include <array>
#include <cstdint>

#include "noise/stabilise.h"

namespace irenic {

// A sample s of mosaic site i (0..3) holds `gain[i] * s + offset[i]` in electrons, with what stabilisation
// adds.
struct SiteLines {
    std::array<float, 4> gain, offset;
    std::array<int, 4> site; // of each channel
};

// n cells from two rows of the mosaic, from an even column on, to the four planes' rows.
void stabiliseRow(const std::uint16_t* top, const std::uint16_t* bottom, const SiteLines& lines,
                  const std::array<float*, 4>& planes, int n);

// One row on the way back. `noisy` are planes 0 and 3 and are read where there is `grain`, the share of the
// noise that is put back at each place, or null. `lost` are the
// channels' rows of missing variance, times a quarter of the channel's `a`; values are linear and come out by
// channel.
struct LinearRow {
    std::array<const float*, 4> clean;
    std::array<const float*, 2> noisy;
    const float* grain;
    std::array<const float*, 4> lost;
    std::array<Stabiliser::View, 4> stable;
    std::array<float*, 4> out;
};
void linearRow(const LinearRow& row, int n);

} // namespace irenic
