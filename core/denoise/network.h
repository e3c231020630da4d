// The network itself, on tiles of one size. Convolutions by oneDNN.
#pragma once

#include <memory>
#include <vector>

#include "image/work.h"

namespace irenic {

class Network {
  public:
    // Samples along a side of a tile, and samples at its border that are dropped. What a tile lacks beyond that moves the result by less than
    // 0.05 sigma (0.01 in the mean) where the border ends. Larger tiles fall out of the cache: twice the time for each sample.
    static constexpr int kTile = 128, kBorder = 16;
    static constexpr int kInputs = 5, kOutputs = 4;

    // The weights that ship with the library. Throws std::runtime_error when they do not fit the network.
    Network();
    ~Network();
    // The same for tiles of another size, a multiple of 8.
    explicit Network(int size);
    // kTile x kTile pixels of kInputs floats, pixel after pixel, to as many of kOutputs floats (see training/network.py). Uses one
    // core; one call at a time for each network. Throws Cancelled.
    void run(const float* in, float* out, const Work& work = {});

  private:
    struct Layers;
    std::unique_ptr<Layers> layers_;
};

} // namespace irenic
