#include "denoise/network_layers.h"

#include <algorithm>
#include <cstdint>
#include <map>
#include <stdexcept>
#include <string>

#include "denoise/onnx_weights.h"

extern "C" const std::uint8_t irenic_cleaner_begin[], irenic_cleaner_end[], irenic_second_look_begin[],
    irenic_second_look_end[], irenic_pixel_cleaner_begin[], irenic_pixel_cleaner_end[];

namespace irenic {

namespace {

using Arrays = std::map<std::string, WeightArray>;

Arrays arraysOf(NetworkSubject subject) {
    const auto read = [](const std::uint8_t* begin, const std::uint8_t* end) {
        return readOnnxWeights(begin, static_cast<std::size_t>(end - begin));
    };
    switch (subject) {
    case NetworkSubject::SecondLooks: return read(irenic_second_look_begin, irenic_second_look_end);
    case NetworkSubject::Pixels: return read(irenic_pixel_cleaner_begin, irenic_pixel_cleaner_end);
    case NetworkSubject::Mosaics: break;
    }
    return read(irenic_cleaner_begin, irenic_cleaner_end);
}

NetworkLayer named(Arrays& all, const std::string& name, int side) {
    const WeightArray &w = all[name + ".weight"], &b = all[name + ".bias"];
    if (w.dims.size() != 4 || w.dims[2] != side || w.dims[3] != side || b.dims.size() != 1 ||
        b.dims[0] != w.dims[0] || w.dims[0] % 4 != 0)
        throw std::runtime_error("the network's " + name + " does not fit");
    return {w.values, b.values, static_cast<int>(w.dims[1]), static_cast<int>(w.dims[0]), side};
}

NetworkLayers::Block block(Arrays& all, const std::string& name) {
    return {named(all, name + ".first", 3), named(all, name + ".second", 3)};
}

// The file has them channel by channel.
NetworkLayer spread(Arrays& all, const std::string& name) {
    const NetworkLayer l = named(all, name + ".spread", 1);
    NetworkLayer sorted = l;
    const int out = l.out / 4;
    for (int c = 0; c < out; ++c)
        for (int p = 0; p < 4; ++p) {
            std::copy_n(l.weights.begin() + (4 * c + p) * l.in, l.in,
                        sorted.weights.begin() + (p * out + c) * l.in);
            sorted.bias[static_cast<std::size_t>(p * out + c)] = l.bias[static_cast<std::size_t>(4 * c + p)];
        }
    return sorted;
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

NetworkLayers NetworkLayers::shipped(NetworkSubject subject) {
    Arrays all = arraysOf(subject);
    return {named(all, "enter", 3),
            {named(all, "down1", 2), named(all, "down2", 2), named(all, "down3", 2)},
            {block(all, "enc1"), block(all, "enc2"), block(all, "enc3"), block(all, "deep")},
            {spread(all, "up1"), spread(all, "up2"), spread(all, "up3")},
            {block(all, "dec1"), block(all, "dec2"), block(all, "dec3")},
            named(all, "leave", 3)};
}

} // namespace irenic
