// The network itself, on tiles of one size. Convolutions by oneDNN and denoise/winograd.h.
#pragma once

#include <memory>
#include <vector>

#include "image/work.h"

namespace irenic {

class Network {
  public:
    // Samples along a side of a tile, and samples at its border that are dropped. What a tile lacks beyond that moves the result by some 0.03 sigma
    // in the mean, below 0.1, where the border ends.
    static constexpr int kTile = 224, kBorder = 10;
    // Of a pixel: the four channels, the noise's sigma, and kTaken times what a second opinion takes out of the four channels.
    static constexpr int kInputs = 9, kOutputs = 4;
    static constexpr float kTaken = 8;

    // The weights that ship with the library. Throws std::runtime_error when they do not fit the network.
    Network();
    ~Network();
    // The same for tiles of another size, a multiple of 8, of which the border is asked for as well.
    explicit Network(int size);
    // kTile x kTile pixels of kInputs floats, pixel after pixel, to as many of kOutputs floats (see training/network.py), those within
    // kBorder of the edge left as they are. Uses one core; one call at a time for each network. Throws Cancelled.
    void run(const float* in, float* out, const Work& work = {});

  private:
    struct Layers;
    std::unique_ptr<Layers> layers_;
};

} // namespace irenic
