#include "denoise/network.h"

#include <omp.h>

#include <algorithm>
#include <dnnl.hpp>
#include <functional>
#include <stdexcept>

#include "denoise/onnx_weights.h"
#include "denoise/winograd.h"

extern "C" const std::uint8_t irenic_cleaner_begin[], irenic_cleaner_end[];

namespace irenic {

namespace {

using dnnl::memory;

// What the last layer gives for a pixel: the noise, then how much of the second opinion's is believed.
constexpr int kLeaving = 2 * Network::kOutputs;

// Pixels of a layer, `channels` floats each.
struct Activation {
    int size = 0, channels = 0;
    memory at;
};

} // namespace

struct Network::Layers {
    dnnl::engine engine{dnnl::engine::kind::cpu, 0};
    dnnl::stream stream{engine};
    std::map<std::string, WeightArray> weights = readOnnxWeights(irenic_cleaner_begin, static_cast<std::size_t>(irenic_cleaner_end - irenic_cleaner_begin));
    std::vector<float> scratch;
    // What is to be done, in order.
    std::vector<std::function<void()>> steps;
    Activation input, output;

    Activation make(int size, int channels) {
        return {size, channels, memory({{1, channels, size, size}, memory::data_type::f32, memory::format_tag::nhwc}, engine)};
    }
    memory constant(const std::vector<float>& values, const memory::desc& plain) {
        memory m(plain, engine);
        std::copy(values.begin(), values.end(), static_cast<float*>(m.get_data_handle()));
        return m;
    }
    const WeightArray& named(const std::string& name, std::size_t dims) const {
        const auto found = weights.find(name);
        if (found == weights.end() || found->second.dims.size() != dims) throw std::runtime_error("the network lacks " + name);
        return found->second;
    }

    enum class Then { Nothing, Relu };
    // A convolution named as in training/network.py. With `onto`, the result is added to what is there, else it goes to a new layer.
    Activation convolve(const std::string& name, const Activation& in, int stride, Then then, const Activation* onto = nullptr) {
        const WeightArray& w = named(name + ".weight", 4);
        const WeightArray& b = named(name + ".bias", 1);
        const memory::dim oc = w.dims[0], ic = w.dims[1], k = w.dims[2];
        if (ic != in.channels) throw std::runtime_error("the network's " + name + " does not fit");
        const memory::dim pad = (k - 1) / 2;
        const Activation out = onto ? *onto : make(in.size / stride, static_cast<int>(oc));
        if (k == 3 && stride == 1 && WinogradConvolution::fits(in.size, static_cast<int>(ic), static_cast<int>(oc))) {
            const auto layer = std::make_shared<const WinogradConvolution>(w.values, b.values, static_cast<int>(ic), static_cast<int>(oc));
            steps.emplace_back([this, layer, in, out, add = onto != nullptr, relu = then == Then::Relu] {
                stream.wait();
                layer->run(static_cast<const float*>(in.at.get_data_handle()), in.size, static_cast<float*>(out.at.get_data_handle()), add, relu, scratch);
            });
            return out;
        }
        const memory::desc plain({oc, ic, k, k}, memory::data_type::f32, memory::format_tag::oihw);
        const memory::desc any({oc, ic, k, k}, memory::data_type::f32, memory::format_tag::any);
        const memory::desc bias({oc}, memory::data_type::f32, memory::format_tag::x);
        dnnl::primitive_attr attributes;
        dnnl::post_ops after;
        if (onto) after.append_sum(1);
        if (then == Then::Relu) after.append_eltwise(1, dnnl::algorithm::eltwise_relu, 0, 0);
        attributes.set_post_ops(after);
        const dnnl::convolution_forward::desc desc(dnnl::prop_kind::forward_inference, dnnl::algorithm::convolution_direct, in.at.get_desc(), any, bias,
                                                   out.at.get_desc(), {stride, stride}, {pad, pad}, {pad, pad});
        const dnnl::convolution_forward::primitive_desc chosen(desc, attributes, engine);
        memory packed(chosen.weights_desc(), engine), unpacked = constant(w.values, plain);
        dnnl::reorder(unpacked, packed).execute(stream, unpacked, packed);
        stream.wait();
        const dnnl::convolution_forward layer(chosen);
        const memory offset = constant(b.values, bias);
        steps.emplace_back([this, layer, in, packed, offset, out] {
            layer.execute(stream, {{DNNL_ARG_SRC, in.at}, {DNNL_ARG_WEIGHTS, packed}, {DNNL_ARG_BIAS, offset}, {DNNL_ARG_DST, out.at}});
        });
        return out;
    }

    // x + second(relu(first(x))), into x.
    void block(const std::string& name, const Activation& x) {
        const Activation inner = convolve(name + ".first", x, 1, Then::Relu);
        convolve(name + ".second", inner, 1, Then::Nothing, &x);
    }

    // Twice the size: four pixels from each, added to `beside`, then relu. The outer `less` pixels of `beside` are no longer needed and left out.
    Activation up(const std::string& name, const Activation& in, const Activation& beside, int less = 0) {
        // The four pixels' channels one after the other, not channel by channel.
        WeightArray &w = weights.at(name + ".spread.weight"), &b = weights.at(name + ".spread.bias");
        const std::size_t out = static_cast<std::size_t>(w.dims[0]) / 4, row = static_cast<std::size_t>(w.dims[1]);
        const WeightArray w0 = w, b0 = b;
        for (std::size_t c = 0; c < out; ++c)
            for (std::size_t p = 0; p < 4; ++p) {
                std::copy_n(w0.values.begin() + static_cast<std::ptrdiff_t>((4 * c + p) * row), row, w.values.begin() + static_cast<std::ptrdiff_t>((p * out + c) * row));
                b.values[p * out + c] = b0.values[4 * c + p];
            }
        const Activation spread = convolve(name + ".spread", in, 1, Then::Nothing);
        // What `in` covers may have lost its outer pixels already.
        const int lost = (beside.size - 2 * in.size) / 2;
        const Activation sum = less == 0 ? beside : make(beside.size - 2 * less, beside.channels);
        steps.emplace_back([this, spread, beside, sum, less, lost] {
            stream.wait();
            const auto* from = static_cast<const float*>(spread.at.get_data_handle());
            const auto* across = static_cast<const float*>(beside.at.get_data_handle());
            auto* to = static_cast<float*>(sum.at.get_data_handle());
            const std::ptrdiff_t c = sum.channels;
            for (int y = 0; y < sum.size; ++y)
                for (int x = 0; x < sum.size; ++x) {
                    const int u = x + less - lost, v = y + less - lost; // in `spread`
                    const float* add = from + (static_cast<std::ptrdiff_t>((v / 2) * spread.size + u / 2) * 4 + (v & 1) * 2 + (u & 1)) * c;
                    const float* old = across + (static_cast<std::ptrdiff_t>(y + less) * beside.size + x + less) * c;
                    float* at = to + (static_cast<std::ptrdiff_t>(y) * sum.size + x) * c;
                    for (std::ptrdiff_t i = 0; i < c; ++i) at[i] = std::max(0.0f, old[i] + add[i]);
                }
        });
        return sum;
    }

    // The last convolution has too few channels to fill a register: it makes four pixels at once, as 4x4 with a stride of 2.
    Activation leave(const Activation& in) {
        WeightArray &w = weights.at("leave.weight"), &b = weights.at("leave.bias");
        const WeightArray w0 = named("leave.weight", 4), b0 = named("leave.bias", 1);
        const std::size_t ic = static_cast<std::size_t>(w0.dims[1]);
        if (w0.dims[0] != kLeaving || w0.dims[2] != 3) throw std::runtime_error("the network's leave does not fit");
        w.dims = {4 * kLeaving, w0.dims[1], 4, 4}, b.dims = {4 * kLeaving};
        w.values.assign(4 * kLeaving * ic * 16, 0), b.values.assign(4 * kLeaving, 0);
        for (std::size_t p = 0; p < 4; ++p)
            for (std::size_t o = 0; o < kLeaving; ++o) {
                b.values[p * kLeaving + o] = b0.values[o];
                for (std::size_t c = 0; c < ic; ++c)
                    for (std::size_t y = 0; y < 3; ++y)
                        for (std::size_t x = 0; x < 3; ++x)
                            w.values[((p * kLeaving + o) * ic + c) * 16 + (y + p / 2) * 4 + x + p % 2] = w0.values[(o * ic + c) * 9 + y * 3 + x];
            }
        return convolve("leave", in, 2, Then::Nothing);
    }

    // With `border`, pixels closer than that to the tile's edge need no result: the last layers leave out what only they look at.
    Layers(int size, int border) {
        if (size % 8 != 0) throw std::runtime_error("tiles must be multiples of 8");
        input = make(size, kInputs);
        Activation one = convolve("enter", input, 1, Then::Relu);
        block("enc1", one);
        Activation two = convolve("down1", one, 2, Then::Relu);
        block("enc2", two);
        Activation three = convolve("down2", two, 2, Then::Relu);
        block("enc3", three);
        const Activation deep = convolve("down3", three, 2, Then::Relu);
        block("deep", deep);
        three = up("up3", deep, three);
        block("dec3", three);
        // Three convolutions look three pixels far, two look two; the next scale begins on even pixels.
        const int less = std::max(0, border - 3) / 2 * 2;
        two = up("up2", three, two, std::max(0, less / 2 - 2) / 2 * 2);
        block("dec2", two);
        one = up("up1", two, one, less);
        block("dec1", one);
        output = leave(one);
        weights.clear();
    }
};

Network::Network() : layers_(std::make_unique<Layers>(kTile, kBorder)) {}
Network::Network(int size) : layers_(std::make_unique<Layers>(size, 0)) {}
Network::~Network() = default;

void Network::run(const float* in, float* out, const Work& work) {
    Layers& l = *layers_;
    // One core for each call: callers are many, and two kinds of threads would only wait for each other.
    omp_set_num_threads(1);
    const std::ptrdiff_t pixels = static_cast<std::ptrdiff_t>(l.input.size) * l.input.size;
    std::copy(in, in + pixels * kInputs, static_cast<float*>(l.input.at.get_data_handle()));
    for (const auto& step : l.steps) {
        work.check();
        step();
    }
    l.stream.wait();
    // What leaves is of four pixels together.
    const auto* leaving = static_cast<const float*>(l.output.at.get_data_handle());
    const int size = l.input.size, lost = (size - 2 * l.output.size) / 2;
    for (int y = lost; y < size - lost; ++y)
        for (int x = lost; x < size - lost; ++x) {
            const int u = x - lost, v = y - lost;
            const std::ptrdiff_t at = static_cast<std::ptrdiff_t>(y) * size + x, from = (static_cast<std::ptrdiff_t>(v / 2) * l.output.size + u / 2) * 4 + v % 2 * 2 + u % 2;
            const float *own = leaving + from * kLeaving, *believed = own + kOutputs, *planes = in + at * kInputs, *taken = planes + kOutputs + 1;
            for (int c = 0; c < kOutputs; ++c) out[at * kOutputs + c] = planes[c] - own[c] - believed[c] * taken[c];
        }
}

} // namespace irenic
