// Square windows of a mosaic to measure noise in.
#pragma once

#include <array>
#include <vector>

#include "base/work.h"
#include "image/plane.h"
#include "noise/stabilise.h"
#include "raw/photo.h"

namespace irenic {

struct Window {
    int x, y;                     // even: windows begin with a cell of the mosaic
    double brightness, unrest;    // mean; second differences over what noise makes of them
    std::array<double, 4> mean{}; // of each channel

    double middleX(int side) const { return x + side / 2.0; }
    double middleY(int side) const { return y + side / 2.0; }
};

// Of the windows of a fixed grid of squares with this many samples on a side (an even number) those without
// clipped samples, in reading order. `model` says what noise is expected. Throws Cancelled.
std::vector<Window> windowsOf(const Photo& photo, const NoiseModel& model, int side, const Work& work);

// A window's samples, stabilised: noise has a deviation of 1, as far as the model and the photo's unevenness
// are right.
Plane stabilisedWindow(const Photo& photo, const std::array<Stabiliser, 4>& stable, const Window& window,
                       int side);

// The stabilisers of a model's channels.
std::array<Stabiliser, 4> stabilisersOf(const NoiseModel& model);

} // namespace irenic
