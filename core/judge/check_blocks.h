// What a photo and a cleaned version of it have in each small square: the numbers that the checks rest on.
//
// Everything but colour is taken in the stabilised domain, where noise has a variance of 1 in dark and in
// light. Each square's luminance and colour are split into three bands of detail, one after the other by
// means of 2x2 samples (Haar's), and of each band there are the products of the noisy with the noisy, the
// cleaned with the cleaned, and what was taken away (noisy less cleaned) with both. Noise alone gives 1 for
// the noisy; where it goes from pixel to pixel, by how much of it even squares hold (band_noise.h).
#pragma once

#include <array>
#include <functional>
#include <vector>

#include "image/image.h"
#include "judge/check_edges.h"
#include "raw/photo.h"

namespace irenic {

inline constexpr int kCheckBlock = 16;   // packed samples on a side; 32 pixels of a mosaic
inline constexpr std::size_t kBands = 3; // single samples, means of 2x2, means of 4x4 about a plane
// Independent values of a band in a square.
inline constexpr std::array<int, kBands> kBandCount = {192, 48, 13};

struct BandProducts {
    double noisy = 0, clean = 0; // with themselves
    double taken = 0;            // what was taken away, with itself
    double takenNoisy = 0;       // with the noisy
    double takenClean = 0;       // with the cleaned
};

struct CheckBlock {
    int x = 0, y = 0;      // in squares
    double brightness = 0; // stabilised mean of the noisy, over that of white
    std::array<BandProducts, kBands> luminance, colour;
    std::array<double, 4> noisyMean{}, cleanMean{}; // linear, by channel
    std::array<std::array<float, 8>, 8>
        grid{}; // means of the cleaned at places of a grid of 8x8, about the square's
    EdgeProducts edges;
    double fine = 1; // energy of what samples of the noisy luminance have that their neighbours don't
    bool slow = false, stairs = false; // a finished picture has a slow gradient here; it is a flight of steps
    bool clipped = false;
    bool noiseKept = false, colourKept = false; // a zone asked for noise to be left here
};

// A point that stands out from an even surround, and what is left of it.
struct CheckPoint {
    int x = 0, y = 0; // packed
    double light = 0; // its height, in deviations of the noise
    double kept = 0;  // of that, a share
};

struct CheckBlocks {
    int across = 0, down = 0;
    std::vector<CheckBlock> block; // in reading order
    double spread = 1; // how much more a square's energies scatter than those of independent values
    std::vector<CheckPoint> points;

    const CheckBlock& at(int x, int y) const {
        return block[static_cast<std::size_t>(y) * static_cast<std::size_t>(across) +
                     static_cast<std::size_t>(x)];
    }
};

// The cleaned photo: its mosaic, or camera light, over an area of the photo. Called for one area after
// another.
using CleanedSource = std::function<Image(const Rect& area, const Work& work)>;

// Of all of the photo, tile by tile; or only of some rectangles
// of squares, which may reach beyond it: all other squares are as if they were clipped, which no check
// counts. Throws Cancelled.
CheckBlocks checkBlocksOf(const Photo& photo, const CleanedSource& cleaned, const Work& work = {},
                          const std::vector<Rect>& squares = {});

} // namespace irenic
