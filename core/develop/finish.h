// From linear light to what is shown or written: exposure, tone, saturation, the output space and its
// transfer curve. Highlights and shadows are done before (local_tone.h).
#pragma once

#include <algorithm>
#include <array>
#include <memory>
#include <vector>

#include "develop/colour.h"

namespace irenic {

// The space that development works in: linear, with the wide primaries of ROMM RGB.
inline constexpr OutputSpace kWorkingSpace = OutputSpace::ProPhotoCompatible;
inline constexpr Vector3 kWorkingY{0.2880, 0.7119, 0.0001}; // Y of its three primaries (ROMM RGB)

// What a push of log2(lift) stops, at least 0, multiplies light by whose brightest channel is `most`: it
// lifts the dark by all of its stops and white not at all, so that it never blinds.
inline float pushFactor(float lift, float most) {
    return lift / (1 + (lift - 1) * std::clamp(most, 0.0f, 1.0f));
}

class Finish {
  public:
    // `push` lifts the dark by so many stops and rolls off towards white: for screens only.
    Finish(const Photo& photo, const Look& look, OutputSpace space, float push = 0);
    // n pixels of linear light in the working space to encoded values of the output space, 0..1, in place.
    void apply(float* r, float* g, float* b, int n) const;
    // The exposure's factor, the file's baseline exposure among it.
    float gain() const { return gain_; }

  private:
    float gain_, lift_, saturation_, muted_;
    std::array<float, 9> toSpace_{};
    std::vector<float> tone_, transfer_; // over the square roots of their arguments
};

// Shares of pixels by encoded sRGB value (256 steps, darkest first) of each colour, and the shares clipped at
// the ends.
struct Histogram {
    std::array<std::array<float, 256>, 3> share{};
    std::array<float, 3> black{}, white{};
};

// A starting point from the photo itself, measured on its cells: exposure that brings the middle of the
// picture to a printable tone without making the brightest fiftieth white, highlights and shadows as far as
// the rest asks for. Keeps white balance, lens and sharpening of `look`.
Look automaticLook(const Photo& photo, const Look& look, const Work& work = {});

} // namespace irenic
