#include "denoise/network.h"

#include <omp.h>

#include <algorithm>
#include <dnnl.hpp>
#include <functional>
#include <stdexcept>

#include "denoise/onnx_weights.h"

extern "C" const std::uint8_t irenic_cleaner_begin[], irenic_cleaner_end[];

namespace irenic {

namespace {

using dnnl::memory;

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
        const memory::dim pad = stride == 1 ? k / 2 : 0;
        const Activation out = onto ? *onto : make(in.size / stride, static_cast<int>(oc));
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

    // Twice the size: four pixels from each, added to `onto`, then relu.
    void up(const std::string& name, const Activation& in, const Activation& onto) {
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
        steps.emplace_back([this, spread, onto] {
            stream.wait();
            const auto* from = static_cast<const float*>(spread.at.get_data_handle());
            auto* to = static_cast<float*>(onto.at.get_data_handle());
            const int n = spread.size, c = onto.channels;
            for (int y = 0; y < n; ++y)
                for (int x = 0; x < n; ++x)
                    for (int p = 0; p < 4; ++p) {
                        const float* a = from + (static_cast<std::ptrdiff_t>(y * n + x) * 4 + p) * c;
                        float* sum = to + (static_cast<std::ptrdiff_t>(2 * y + (p >> 1)) * 2 * n + 2 * x + (p & 1)) * c;
                        for (int i = 0; i < c; ++i) sum[i] = std::max(0.0f, sum[i] + a[i]);
                    }
        });
    }

    explicit Layers(int size) {
        if (size % 8 != 0) throw std::runtime_error("tiles must be multiples of 8");
        input = make(size, kInputs);
        const Activation one = convolve("enter", input, 1, Then::Relu);
        block("enc1", one);
        const Activation two = convolve("down1", one, 2, Then::Relu);
        block("enc2", two);
        const Activation three = convolve("down2", two, 2, Then::Relu);
        block("enc3", three);
        const Activation deep = convolve("down3", three, 2, Then::Relu);
        block("deep", deep);
        up("up3", deep, three);
        block("dec3", three);
        up("up2", three, two);
        block("dec2", two);
        up("up1", two, one);
        block("dec1", one);
        output = convolve("leave", one, 1, Then::Nothing);
        weights.clear();
    }
};

Network::Network() : Network(kTile) {}
Network::Network(int size) : layers_(std::make_unique<Layers>(size)) {}
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
    // What leaves is the noise.
    const auto* noise = static_cast<const float*>(l.output.at.get_data_handle());
    for (std::ptrdiff_t i = 0; i < pixels; ++i)
        for (int c = 0; c < kOutputs; ++c) out[i * kOutputs + c] = in[i * kInputs + c] - noise[i * kOutputs + c];
}

} // namespace irenic
