#include "denoise/graphics_network.h"

#include <algorithm>
#include <cstdint>

extern "C" const std::uint32_t irenic_convolution_begin[], irenic_convolution_end[];

namespace irenic {

using namespace graphics; // NOLINT: its vocabulary

namespace {

constexpr int kGroup = 4;                                  // channels that the shader takes at a time
constexpr std::uint32_t kWide = 32;                        // pixels of an invocation's group across...
constexpr std::uint32_t kHigh = 8;                         // and down
constexpr int kPaddedInputs = 12;                          // Network::kInputs in whole groups
constexpr std::uint32_t kBindings = 22 * kNetworkSubjects; // one for each layer
constexpr int kScales = 4;

std::size_t bytesOf(int width, int height, int channels) {
    return static_cast<std::size_t>(width) * static_cast<std::size_t>(height) *
           static_cast<std::size_t>(channels) * sizeof(float);
}

// As the shader wants them: [group][row][column][group of the input][channel of the input][channel].
std::vector<float> sortedWeights(const NetworkLayer& l) {
    std::vector<float> out(l.weights.size());
    std::size_t at = 0;
    for (int group = 0; group < l.out; group += kGroup)
        for (int place = 0; place < l.side * l.side; ++place)
            for (int i = 0; i < l.in; ++i)
                for (int o = group; o < group + kGroup; ++o)
                    out[at++] = l.weights[static_cast<std::size_t>((o * l.in + i) * l.side * l.side + place)];
    return out;
}

} // namespace

// What the network's layers are bound to, for one subject.
class GraphicsNetwork::Layers {
  public:
    struct Layer {
        Binding binding;
        std::int32_t inGroups, outGroups;
    };

    Layers(GraphicsNetwork& own, const NetworkLayers& l) : own_(own) {
        enter = layer(l.enter.padded(kPaddedInputs - l.enter.in, 0), *own.entering_, *own.kept_[0]);
        for (int s = 0; s < kScales; ++s) {
            if (s > 0) down[s - 1] = layer(l.down[s - 1], *own.kept_[s - 1], *own.kept_[s]);
            block(l.encode[s], s, encode[s]);
        }
        for (int s = kScales - 2; s >= 0; --s) {
            up[s] = layer(l.up[s], *own.kept_[s + 1], *own.kept_[s]);
            block(l.decode[s], s, decode[s]);
        }
        leave = layer(l.leave, *own.kept_[0], *own.leaving_);
    }

    Layer enter, down[kScales - 1], encode[kScales][2], up[kScales - 1], decode[kScales - 1][2], leave;

  private:
    const Buffer& stored(const std::vector<float>& values) {
        const std::size_t bytes = values.size() * sizeof(float);
        if (bytes > own_.upload_->bytes()) throw GraphicsError("the network's layers do not fit");
        std::copy(values.begin(), values.end(), own_.upload_->floats());
        const auto& to =
            own_.stored_.emplace_back(std::make_unique<Buffer>(*own_.device_, bytes, Buffer::Where::Device));
        own_.device_->run([&](Device::Steps& steps) { steps.copy(*own_.upload_, *to, bytes); });
        return *to;
    }
    Layer layer(const NetworkLayer& l, const Buffer& from, const Buffer& to) {
        if (l.in % kGroup != 0 || l.out % kGroup != 0)
            throw GraphicsError("the network's channels do not fit");
        const Buffer &weights = stored(sortedWeights(l)), &bias = stored(l.bias);
        return {own_.device_->bind({&from, &weights, &bias, &to}), l.in / kGroup, l.out / kGroup};
    }
    void block(const NetworkLayers::Block& b, int scale, Layer* to) {
        to[0] = layer(b.first, *own_.kept_[scale], *own_.inner_[scale]);
        to[1] = layer(b.second, *own_.inner_[scale], *own_.kept_[scale]);
    }

    GraphicsNetwork& own_;
};

// What a device may still be working on stays for as long as the program runs.
struct GraphicsNetwork::Deleter {
    void operator()(GraphicsNetwork* network) const {
        if (!network->device_->unfinished()) delete network;
    }
};

std::shared_ptr<GraphicsNetwork> GraphicsNetwork::open(bool software) {
    std::unique_ptr<Device> device = Device::open(software, kBindings);
    if (!device) return nullptr;
    std::shared_ptr<GraphicsNetwork> own(new GraphicsNetwork(std::move(device)), Deleter());
    own->begin();
    return own;
}

GraphicsNetwork::GraphicsNetwork(std::unique_ptr<Device> device) : device_(std::move(device)) {}
GraphicsNetwork::~GraphicsNetwork() = default;

void GraphicsNetwork::begin() {
    using Where = Buffer::Where;
    constexpr int side = Network::kTile;
    const auto made = [&](int width, int channels, Where where) {
        return std::make_unique<Buffer>(*device_, bytesOf(width, width, channels), where);
    };
    in_ = made(side, kPaddedInputs, Where::Shared), entering_ = made(side, kPaddedInputs, Where::Device);
    out_ = made(side, Network::kLeaving, Where::Shared),
    leaving_ = made(side, Network::kLeaving, Where::Device);
    std::vector<NetworkLayers> layers;
    for (std::size_t k = 0; k < kNetworkSubjects; ++k)
        layers.push_back(NetworkLayers::shipped(static_cast<NetworkSubject>(k)));
    // The largest layer is one of the deepest block's.
    const NetworkLayer& largest = layers[0].encode[kScales - 1].first;
    upload_ = std::make_unique<Buffer>(*device_, largest.weights.size() * sizeof(float), Where::Shared);
    for (int s = 0; s < kScales; ++s) {
        const int channels = layers[0].encode[s].first.in;
        for (const NetworkLayers& other : layers)
            if (channels != other.encode[s].first.in) throw GraphicsError("the networks are not alike");
        kept_[s] = made(side >> s, channels, Where::Device),
        inner_[s] = made(side >> s, channels, Where::Device);
    }
    // The shader's constants: side, step, relu, add, spread.
    const auto program = [&](const std::vector<std::int32_t>& constants) {
        const auto bytes = static_cast<std::size_t>(irenic_convolution_end - irenic_convolution_begin) * 4;
        return std::make_unique<Program>(*device_, irenic_convolution_begin, bytes, constants);
    };
    relu_ = program({3, 1, 1, 0, 0}), add_ = program({3, 1, 0, 1, 0}), down_ = program({2, 2, 1, 0, 0});
    up_ = program({1, 1, 1, 1, 1}), leave_ = program({3, 1, 0, 0, 0});
    for (std::size_t k = 0; k < kNetworkSubjects; ++k)
        layers_[k] = std::make_unique<Layers>(*this, layers[k]);
}

void GraphicsNetwork::run(Network::Subject subject, const float* in, float* out, int width, int height) {
    if (width % Network::kUnit != 0 || height % Network::kUnit != 0)
        throw std::invalid_argument("a tile that is not in units");
    if (width > Network::kTile || height > Network::kTile)
        throw std::invalid_argument("a tile that is too large");
    const Layers& all = *layers_[static_cast<std::size_t>(subject)];
    float* to = in_->floats();
    const std::ptrdiff_t pixels = static_cast<std::ptrdiff_t>(width) * height;
    for (std::ptrdiff_t i = 0; i < pixels; ++i) {
        std::copy_n(in + i * Network::kInputs, Network::kInputs, to + i * kPaddedInputs);
        std::fill_n(to + i * kPaddedInputs + Network::kInputs, kPaddedInputs - Network::kInputs, 0.0f);
    }
    device_->run([&](Device::Steps& steps) {
        // Of scales: what is read, and what is made before it is spread.
        const auto convolve = [&](const Program& program, const Layers::Layer& l, int from, int made) {
            const int w = width >> made, h = height >> made;
            steps.run(program, l.binding, {width >> from, height >> from, l.inGroups, w, h, l.outGroups},
                      {(static_cast<std::uint32_t>(w) + kWide - 1) / kWide,
                       (static_cast<std::uint32_t>(h) + kHigh - 1) / kHigh,
                       static_cast<std::uint32_t>(l.outGroups)});
        };
        const auto block = [&](const Layers::Layer* two, int s) {
            convolve(*relu_, two[0], s, s);
            convolve(*add_, two[1], s, s);
        };
        steps.copy(*in_, *entering_, bytesOf(width, height, kPaddedInputs));
        convolve(*relu_, all.enter, 0, 0);
        block(all.encode[0], 0);
        for (int s = 1; s < kScales; ++s) {
            convolve(*down_, all.down[s - 1], s - 1, s);
            block(all.encode[s], s);
        }
        for (int s = kScales - 2; s >= 0; --s) {
            convolve(*up_, all.up[s], s + 1, s + 1);
            block(all.decode[s], s);
        }
        convolve(*leave_, all.leave, 0, 0);
        steps.copy(*leaving_, *out_, bytesOf(width, height, Network::kLeaving));
    });
    const float* found = out_->floats();
    for (std::ptrdiff_t i = 0; i < pixels; ++i)
        Network::takeOut(in + i * Network::kInputs, found + i * Network::kLeaving,
                         out + i * Network::kOutputs);
}

} // namespace irenic
