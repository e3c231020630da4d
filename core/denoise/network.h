// The network itself, on tiles. Its layers are denoise/convolution.h's.
#pragma once

#include "base/work.h"
#include "denoise/convolution.h"
#include "denoise/network_layers.h"

namespace irenic {

class Network {
  public:
    // Tiles are whole multiples of this many samples on each side.
    static constexpr int kUnit = 32;
    // A side of the tiles that a photo is cut into.
    static constexpr int kTile = 7 * kUnit;
    using Subject = NetworkSubject;
    // Samples at a tile's border that are best dropped. What a tile lacks beyond that moves the result by
    // some 0.03 sigma in the mean, below 0.1, where the border ends. Tiles of pixels all begin, with these,
    // at one place of JPEG's blocks of 8, the one that the training's pieces begin at
    // (training/photo_pieces.cpp).
    static constexpr int borderOf(Subject subject) { return subject == Subject::Pixels ? 12 : 10; }
    // Of a pixel: the four channels, the noise's sigma, and kTaken times what a second opinion takes out of
    // the four channels. Of photos of pixels the channels are red, green, kCoarse and blue; kCoarse holds
    // PlaneSet::coarseNoise less 1, and in the second opinion PlaneSet::rounding.
    static constexpr int kInputs = 9, kOutputs = 4;
    static constexpr float kTaken = 8;
    static constexpr std::size_t kCoarse = 2;

    // width x height pixels of kInputs floats, pixel after pixel, to as many of kOutputs floats (see
    // training/network.py). With `border`, those closer than that to the tile's edge may be left as they are.
    // Uses one core; one call at a time for each network. Throws Cancelled, and std::runtime_error when the
    // weights that ship with the library do not fit the network.
    void run(Subject subject, const float* in, float* out, int width, int height, int border,
             const Work& work = {});

    // The last step: of a pixel, what the last layer found of noise, and of the second opinion by the share
    // in which it believes it (kLeaving values).
    static constexpr int kLeaving = 2 * kOutputs;
    static void takeOut(const float* pixel, const float* found, float* clean);

  private:
    // What lives from layer to layer; grows with the tile. For each scale what is kept of it, and the inside
    // of a block.
    AlignedFloats padded_, kept_[4], inner_[4], leaving_, scratch_;
};

} // namespace irenic
