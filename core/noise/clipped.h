// The mean that noise had before the samples were clipped: at white, and at the lowest number that the file
// can hold, only one half of the noise is left, so that an average comes out too dark, or too light where it
// is dark. After A. Foi, "Clipped noisy images: heteroskedastic modeling and practical denoising", Signal
// Processing 89(12), 2009.
#pragma once

#include <algorithm>
#include <vector>

#include "noise/model.h"

namespace irenic {

// What Gaussian noise had before its samples below `lowest` were set to that, from what they have since. A
// mean that lay below it is taken for `lowest`.
Moments beforeClipping(const Moments& clipped, double lowest);

// How much of what clipping took from a mean is given back, 0..1, at either end.
struct ClippedShares {
    float dark = 0, white = 0;
};

class ClippedMean {
  public:
    // Of a channel whose samples, normalised, lie between `lowest` (not above 0) and 1.
    ClippedMean(const NoiseLine& line, double lowest);

    // The expected value before clipping that belongs to an estimate of the clipped samples' mean, at most 1.
    // Where noise reaches neither end it is the estimate itself. Below what black gives it goes on straight.
    float before(float mean) const {
        if (mean > light_.from) return std::min(1.0f, light_.at(mean));
        return mean < dark_.to ? dark_.at(mean) : mean;
    }

    // The mean with as much of that as is asked for.
    float restored(float mean, const ClippedShares& shares) const {
        return mean + (mean > light_.from ? shares.white : shares.dark) * (before(mean) - mean);
    }

  private:
    // Values of `before` for means from `from` to `to`, in equal steps; beyond them straight on.
    struct Table {
        float from = 0, to = 0;
        std::vector<float> values;

        float at(float mean) const;
    };
    // Between `inside`, where clipping at `end` does not reach, and `limit`, the last value that there can
    // be.
    static Table tabulated(const NoiseLine& line, double end, double inside, double limit);

    Table light_, dark_{-1e9f, -1e9f, {}};
};

} // namespace irenic
