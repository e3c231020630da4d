#include "denoise/network.h"

#include <algorithm>
#include <memory>
#include <mutex>
#include <stdexcept>

#include "denoise/network_layers.h"

namespace irenic {

namespace {

// What the last layer gives for a pixel, and nothing up to a whole vector.
constexpr int kLeavingPadded = 16;

// The layers, as convolutions on the processor.
class Convolutions {
  public:
    static const Convolutions& shipped(Network::Subject subject) {
        static std::once_flag begun[kNetworkSubjects];
        static std::unique_ptr<const Convolutions> all[kNetworkSubjects];
        const auto which = static_cast<std::size_t>(subject);
        std::call_once(begun[which],
                       [&] { all[which].reset(new Convolutions(NetworkLayers::shipped(subject))); });
        return *all[which];
    }

    struct Block {
        WinogradConvolution first, second;
    };
    // From the finest scale to the coarsest.
    DirectConvolution enter, down[3];
    Block encode[4];
    DirectConvolution up[3];
    Block decode[3];
    WinogradConvolution leave;

  private:
    explicit Convolutions(const NetworkLayers& l)
        : enter(direct(l.enter)), down{direct(l.down[0]), direct(l.down[1]), direct(l.down[2])},
          encode{block(l.encode[0]), block(l.encode[1]), block(l.encode[2]), block(l.encode[3])},
          up{direct(l.up[0]), direct(l.up[1]), direct(l.up[2])}, decode{block(l.decode[0]),
                                                                        block(l.decode[1]),
                                                                        block(l.decode[2])},
          leave(winograd(l.leave.padded(0, kLeavingPadded - l.leave.out))) {
        if (l.enter.in != Network::kInputs || l.leave.out != Network::kLeaving)
            throw std::runtime_error("the network's ends do not fit");
    }
    static WinogradConvolution winograd(const NetworkLayer& l) {
        if (!WinogradConvolution::fits(4, 4, l.in, l.out))
            throw std::runtime_error("the network's channels do not fit");
        return {l.weights, l.bias, l.in, l.out};
    }
    static DirectConvolution direct(const NetworkLayer& l) {
        return {l.weights, l.bias, l.in, l.out, l.side};
    }
    static Block block(const NetworkLayers::Block& b) { return {winograd(b.first), winograd(b.second)}; }
};

struct Size {
    int width, height;
    Size smaller(int times) const { return {width / times, height / times}; }
    Size without(int border) const { return {width - 2 * border, height - 2 * border}; }
    std::size_t area() const { return static_cast<std::size_t>(width) * static_cast<std::size_t>(height); }
};

float* room(AlignedFloats& of, std::size_t floats) {
    if (of.size() < floats) of.resize(floats);
    return of.data();
}

} // namespace

void Network::takeOut(const float* pixel, const float* found, float* clean) {
    const float *believed = found + kOutputs, *taken = pixel + kOutputs + 1;
    for (int c = 0; c < kOutputs; ++c) clean[c] = pixel[c] - found[c] - believed[c] * taken[c];
}

void Network::run(Subject subject, const float* in, float* out, int width, int height, int border,
                  const Work& work) {
    if (width % kUnit != 0 || height % kUnit != 0) throw std::invalid_argument("a tile that is not in units");
    const Convolutions& all = Convolutions::shipped(subject);
    const auto channels = [&](int scale) { return (scale == 0 ? all.enter : all.down[scale - 1]).out(); };
    Size size[4];
    float *kept[4], *inner[4];
    for (int s = 0; s < 4; ++s) {
        size[s] = Size{width, height}.smaller(1 << s);
        const std::size_t floats = size[s].area() * static_cast<std::size_t>(channels(s));
        kept[s] = room(kept_[s], floats), inner[s] = room(inner_[s], floats);
    }

    // The input with a pixel of nought around it.
    const std::ptrdiff_t line = static_cast<std::ptrdiff_t>(width + 2) * kInputs;
    float* padded = room(padded_, Size{width + 2, height + 2}.area() * kInputs);
    std::fill_n(padded, line, 0.0f);
    for (int y = 0; y < height; ++y) {
        float* to = padded + (y + 1) * line;
        std::fill_n(to, kInputs, 0.0f);
        std::copy_n(in + static_cast<std::ptrdiff_t>(y) * width * kInputs, width * kInputs, to + kInputs);
        std::fill_n(to + line - kInputs, kInputs, 0.0f);
    }
    std::fill_n(padded + (height + 1) * line, line, 0.0f);

    // x + second(relu(first(x))), into x.
    const auto block = [&](const Convolutions::Block& b, int s) {
        work.check();
        b.first.run(kept[s], size[s].width, size[s].height, inner[s], false, true, scratch_);
        work.check();
        b.second.run(inner[s], size[s].width, size[s].height, kept[s], true, false, scratch_);
    };
    for (int y = 0; y < height; ++y)
        all.enter.row({padded + y * line, line, kInputs, width, nullptr,
                       kept[0] + static_cast<std::ptrdiff_t>(y) * width * channels(0), channels(0)},
                      0, channels(0));
    block(all.encode[0], 0);
    for (int s = 1; s < 4; ++s) {
        const std::ptrdiff_t across = static_cast<std::ptrdiff_t>(size[s - 1].width) * channels(s - 1);
        for (int y = 0; y < size[s].height; ++y)
            all.down[s - 1].row(
                {kept[s - 1] + 2 * y * across, across, 2 * channels(s - 1), size[s].width, nullptr,
                 kept[s] + static_cast<std::ptrdiff_t>(y) * size[s].width * channels(s), channels(s)},
                0, channels(s));
        block(all.encode[s], s);
    }
    // Back up: four pixels from each, added to what was kept of the scale, then relu. Samples that only the
    // border needs are left out from here on: three convolutions look three pixels far, two look two; the
    // next scale begins on even pixels.
    int less[3] = {std::max(0, border - 3) / 2 * 2, 0, 0};
    less[1] = std::max(0, less[0] / 2 - 2) / 2 * 2;
    for (int s = 2, lost = 0; s >= 0; --s) { // `lost`: what was left out of the scale below
        work.check();
        const Size whole = size[s], wanted = whole.without(less[s]), below = size[s + 1];
        const int c = channels(s), skip = less[s] / 2 - lost; // pixels of the scale below
        for (int v = 0; v < wanted.height / 2; ++v)
            for (int p = 0; p < 4; ++p) {
                const int y = 2 * v + p / 2, x = p % 2;
                const float* old =
                    kept[s] + (static_cast<std::ptrdiff_t>(y + less[s]) * whole.width + x + less[s]) * c;
                float* to = kept[s] + (static_cast<std::ptrdiff_t>(y) * wanted.width + x) * c;
                all.up[s].row({kept[s + 1] + (static_cast<std::ptrdiff_t>(v + skip) * below.width + skip) *
                                                 channels(s + 1),
                               0, channels(s + 1), wanted.width / 2, old, to, 2 * c},
                              p * c, c);
            }
        size[s] = wanted, lost = less[s];
        block(all.decode[s], s);
    }
    work.check();
    const Size left = size[0];
    float* leaving = room(leaving_, left.area() * kLeavingPadded);
    all.leave.run(kept[0], left.width, left.height, leaving, false, false, scratch_);
    for (int y = 0; y < left.height; ++y)
        for (int x = 0; x < left.width; ++x) {
            const std::ptrdiff_t at = static_cast<std::ptrdiff_t>(y + less[0]) * width + x + less[0];
            const float* found = leaving + (static_cast<std::ptrdiff_t>(y) * left.width + x) * kLeavingPadded;
            takeOut(in + at * kInputs, found, out + at * kOutputs);
        }
}

} // namespace irenic
