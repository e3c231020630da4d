// The network's layers as they ship, before a processor of either kind takes them as it wants them.
#pragma once

#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace irenic {

// What a set of weights was trained on: the first pass over mosaics of 2x2, the second one
// (denoise/learned.h), or photos that have all colours at every pixel.
enum class NetworkSubject { Mosaics, SecondPass, Pixels };
inline constexpr std::size_t kNetworkSubjects = 3;

// A convolution of `side` x `side`; weights as [out][in][side][side].
struct NetworkLayer {
    std::vector<float> weights, bias;
    int in = 0, out = 0, side = 0;
    // With further channels of nought, those of the input (which go by unseen) or of the results.
    NetworkLayer padded(int moreIn, int moreOut) const;
};

// In the order in which they are used, scales from the finest to the coarsest. Named as in
// training/network.py.
struct NetworkLayers {
    struct Block {
        NetworkLayer first, second;
    };
    NetworkLayer enter, down[3];
    Block encode[4];
    NetworkLayer up[3]; // four pixels' channels one after the other: left above, right above, left below...
    Block decode[3];
    NetworkLayer leave;

    // From a file of weights: numbers of half precision (IEEE 754 binary16, little-endian), layer by layer in
    // the order above, of each its weights, then its bias; nothing else. training/weights.py writes it.
    // Throws std::runtime_error when there are too few or too many.
    static NetworkLayers from(std::span<const std::uint8_t> bytes);
    // What ships with the library.
    static NetworkLayers shipped(NetworkSubject subject);
};

} // namespace irenic
