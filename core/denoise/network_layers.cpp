#include "denoise/network_layers.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstring>
#include <span>
#include <stdexcept>

extern "C" const std::uint8_t irenic_cleaner_begin[], irenic_cleaner_end[], irenic_second_pass_begin[],
    irenic_second_pass_end[], irenic_pixel_cleaner_begin[], irenic_pixel_cleaner_end[];

namespace irenic {

namespace {

// Channels of the scales, from the finest to the coarsest; of the input and of the answer
// (training/network.py).
constexpr int kWidths[4] = {32, 64, 96, 128}, kInputs = 9, kAnswers = 8;

// IEEE 754 binary16.
float fromHalf(std::uint16_t h) {
    const int exponent = (h >> 10) & 31, fraction = h & 1023;
    const float size = exponent == 0 ? std::ldexp(static_cast<float>(fraction), -24)
                                     : std::ldexp(static_cast<float>(1024 + fraction), exponent - 25);
    return (h & 0x8000) != 0 ? -size : size;
}

// Numbers in half precision, one after the other.
class Numbers {
  public:
    explicit Numbers(std::span<const std::uint8_t> bytes) : bytes_(bytes) {}
    std::vector<float> next(int count) {
        const auto size = 2 * static_cast<std::size_t>(count);
        if (bytes_.size() < size) throw std::runtime_error("the network's weights end too early");
        std::vector<float> out(static_cast<std::size_t>(count));
        for (std::size_t i = 0; i < out.size(); ++i) {
            std::uint16_t half = 0;
            std::memcpy(&half, bytes_.data() + 2 * i, 2);
            out[i] = fromHalf(half);
        }
        bytes_ = bytes_.subspan(size);
        return out;
    }
    NetworkLayer layer(int in, int out, int side) {
        NetworkLayer made{next(out * in * side * side), {}, in, out, side};
        made.bias = next(out);
        return made;
    }
    NetworkLayers::Block block(int width) {
        NetworkLayers::Block made;
        made.first = layer(width, width, 3), made.second = layer(width, width, 3);
        return made;
    }
    // The file has the four pixels of a channel side by side; afterwards they lie apart.
    NetworkLayer spread(int in, int out) {
        const NetworkLayer l = layer(in, 4 * out, 1);
        NetworkLayer sorted = l;
        for (int c = 0; c < out; ++c)
            for (int p = 0; p < 4; ++p) {
                std::copy_n(l.weights.begin() + (4 * c + p) * in, in,
                            sorted.weights.begin() + (p * out + c) * in);
                sorted.bias[static_cast<std::size_t>(p * out + c)] =
                    l.bias[static_cast<std::size_t>(4 * c + p)];
            }
        return sorted;
    }
    bool over() const { return bytes_.empty(); }

  private:
    std::span<const std::uint8_t> bytes_;
};

std::span<const std::uint8_t> bytesOf(NetworkSubject subject) {
    switch (subject) {
    case NetworkSubject::SecondPass: return {irenic_second_pass_begin, irenic_second_pass_end};
    case NetworkSubject::Pixels: return {irenic_pixel_cleaner_begin, irenic_pixel_cleaner_end};
    case NetworkSubject::Mosaics: break;
    }
    return {irenic_cleaner_begin, irenic_cleaner_end};
}

} // namespace

NetworkLayer NetworkLayer::padded(int moreIn, int moreOut) const {
    NetworkLayer wide{{}, bias, in + moreIn, out + moreOut, side};
    const int places = side * side;
    wide.weights.assign(static_cast<std::size_t>(wide.out * wide.in * places), 0);
    wide.bias.resize(static_cast<std::size_t>(wide.out));
    for (int o = 0; o < out; ++o)
        std::copy_n(weights.begin() + o * in * places, in * places,
                    wide.weights.begin() + o * wide.in * places);
    return wide;
}

NetworkLayers NetworkLayers::from(std::span<const std::uint8_t> bytes) {
    Numbers numbers(bytes);
    NetworkLayers all;
    all.enter = numbers.layer(kInputs, kWidths[0], 3);
    for (int i = 0; i < 3; ++i) all.down[i] = numbers.layer(kWidths[i], kWidths[i + 1], 2);
    for (int i = 0; i < 4; ++i) all.encode[i] = numbers.block(kWidths[i]);
    for (int i = 0; i < 3; ++i) all.up[i] = numbers.spread(kWidths[i + 1], kWidths[i]);
    for (int i = 0; i < 3; ++i) all.decode[i] = numbers.block(kWidths[i]);
    all.leave = numbers.layer(kWidths[0], kAnswers, 3);
    if (!numbers.over()) throw std::runtime_error("the network's weights do not fit it: some are left over");
    return all;
}

NetworkLayers NetworkLayers::shipped(NetworkSubject subject) { return from(bytesOf(subject)); }

} // namespace irenic
