// The stabilisers of a photo's channels: the one place that says which noise belongs to which sample.
#pragma once

#include <array>

#include "noise/stabilise.h"
#include "raw/photo.h"

namespace irenic {

// Both greens of a mosaic share a line: they are alike but for what measuring them leaves to chance, and the
// same green must not become two values, which would stay as a grid.
inline std::array<NoiseLine, 4> noiseLinesOf(const Photo& photo) {
    const auto& c = photo.noise.channel;
    const NoiseLine green{0.5 * (c[1].a + c[2].a), 0.5 * (c[1].b + c[2].b)};
    return {c[0], green, green, c[3]};
}

class Stabilisers {
  public:
    explicit Stabilisers(const Photo& photo) : Stabilisers(photo, noiseLinesOf(photo)) {}

    // By channel: red, green in red's rows, green in blue's rows, blue.
    const Stabiliser& operator[](std::size_t channel) const { return stable_[channel]; }
    // Of red, green or blue (0..2) of a pixel that has all of them.
    const Stabiliser& ofColour(std::size_t colour) const { return stable_[colour == 2 ? 3 : colour]; }
    // Of the sample at a place of the active area; `colour` counts only where there is no mosaic.
    const Stabiliser& at(int x, int y, std::size_t colour) const {
        return mosaic_ ? stable_[channelOfSite_[static_cast<std::size_t>((y & 1) * 2 + (x & 1))]]
                       : ofColour(colour);
    }
    auto begin() const { return stable_.begin(); }
    auto end() const { return stable_.end(); }

  private:
    Stabilisers(const Photo& photo, const std::array<NoiseLine, 4>& line)
        : stable_{Stabiliser(line[0]), Stabiliser(line[1]), Stabiliser(line[2]), Stabiliser(line[3])},
          mosaic_(photo.hasMosaic()) {
        for (int site = 0; site < 4 && mosaic_; ++site)
            channelOfSite_[static_cast<std::size_t>(site)] =
                static_cast<std::size_t>(photo.mosaic.channel(site));
    }

    std::array<Stabiliser, 4> stable_;
    bool mosaic_;
    std::array<std::size_t, 4> channelOfSite_{};
};

} // namespace irenic
