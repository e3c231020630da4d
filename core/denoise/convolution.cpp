#include "denoise/convolution.h"

#include <algorithm>
#include <cstddef>
#include <type_traits>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/convolution.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#include "base/expects.h"

#ifndef IRENIC_CONVOLUTION_SHARED
#define IRENIC_CONVOLUTION_SHARED
namespace irenic::convolution {

constexpr int kOut = 4, kTile = 6, kPlaces = kTile * kTile, kPanel = 16;
// Tiles lie in blocks, each with its places one after the other. A line between them keeps them off the same
// lines of the cache.
constexpr int kBlock = 8, kGap = 16;
constexpr std::ptrdiff_t placeOf(int channels) { return kBlock * channels + kGap; }
constexpr std::ptrdiff_t blockOf(int channels) { return kPlaces * placeOf(channels); }
// Where a tile's first place begins.
constexpr std::ptrdiff_t startOf(std::ptrdiff_t tile, int channels) {
    return tile / kBlock * blockOf(channels) + tile % kBlock * channels;
}

struct Call {
    const float *from, *weights, *bias;
    float *to, *spectra, *products, *shared; // `shared`: two columns of half-transformed pixels
    int width, height, in, out;
    bool add, relu;
};

struct RowCall {
    DirectConvolution::Row row;
    const float *weights, *bias;
    std::ptrdiff_t panel;       // floats of weights
    int lines, along, channels; // `along` floats of each line
};

} // namespace irenic::convolution
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace convolution; // NOLINT: its vocabulary

using D = hn::CappedTag<float, 16>;
using V = hn::Vec<D>;
constexpr int kLanes = static_cast<int>(hn::MaxLanes(D()));
// A product's rows and vectors at a time: as many sums as registers hold beside the weights.
constexpr int kVectors = 2, kRows = kLanes >= 16 ? 8 : 4;
static_assert(kBlock % kRows == 0);

// Adds rows of `n` numbers, `step` apart, times weights, whose panels are `panel` floats apart.
template <int R, int W>
HWY_INLINE void AddProduct(const float* from, std::ptrdiff_t step, int n, const float* weights,
                           std::ptrdiff_t panel, V (&sum)[R][W]) {
    const D d;
    for (int k = 0; k < n; ++k) {
        V w[W];
#pragma GCC unroll 2
        for (int v = 0; v < W; ++v)
            w[v] = hn::Load(d, weights + k * kPanel + v * kLanes / kPanel * panel + v * kLanes % kPanel);
#pragma GCC unroll 8
        for (int i = 0; i < R; ++i) {
            const V x = hn::Set(d, from[i * step + k]);
#pragma GCC unroll 2
            for (int v = 0; v < W; ++v) sum[i][v] = hn::MulAdd(x, w[v], sum[i][v]);
        }
    }
}

// Calls each(channel, how many vectors, as a type) for all channels.
template <class Each> HWY_INLINE void OverChannels(int channels, const Each& each) {
    int c = 0;
    for (; c + kVectors * kLanes <= channels; c += kVectors * kLanes)
        each(c, std::integral_constant<int, kVectors>());
    if constexpr (kVectors * kLanes > kPanel)
        if (c < channels) each(c, std::integral_constant<int, kPanel / kLanes>());
}

HWY_INLINE void ForwardOf(V d0, V d1, V d2, V d3, V d4, V d5, V* to) {
    const D d;
    const V four = hn::Set(d, 4), five = hn::Set(d, 5), two = hn::Set(d, 2);
    const V even = hn::NegMulAdd(four, d2, d4), odd = hn::NegMulAdd(four, d1, d3), wide = hn::Sub(d4, d2),
            bent = hn::Mul(two, hn::Sub(d3, d1));
    to[0] = hn::MulAdd(four, d0, hn::NegMulAdd(five, d2, d4));
    to[1] = hn::Add(even, odd);
    to[2] = hn::Sub(even, odd);
    to[3] = hn::Add(wide, bent);
    to[4] = hn::Sub(wide, bent);
    to[5] = hn::MulAdd(four, d1, hn::NegMulAdd(five, d3, d5));
}

HWY_INLINE void InverseOf(V m0, V m1, V m2, V m3, V m4, V m5, V* to, int step) {
    const D d;
    const V a = hn::Add(m1, m2), b = hn::Sub(m1, m2), c = hn::Add(m3, m4), e = hn::Sub(m3, m4);
    to[0] = hn::Add(hn::Add(m0, a), c);
    to[step] = hn::MulAdd(hn::Set(d, 2), e, b);
    to[2 * step] = hn::MulAdd(hn::Set(d, 4), c, a);
    to[3 * step] = hn::Add(hn::MulAdd(hn::Set(d, 8), e, b), m5);
}

// The spectra of a row's tiles, from row `first` of them on. Neighbours share two columns of pixels.
void Spectra(const Call& c, int row, std::ptrdiff_t first) {
    const D d;
    const int across = c.width / kOut;
    const std::ptrdiff_t place = placeOf(c.in), line = static_cast<std::ptrdiff_t>(c.width) * c.in;
    const float* rows[kTile];
    for (int y = 0; y < kTile; ++y) {
        const int sy = row * kOut - 1 + y;
        rows[y] = sy >= 0 && sy < c.height ? c.from + sy * line : nullptr;
    }
    const auto column = [&](int x, int channel, V* to) HWY_ATTR {
        V v[kTile];
#pragma GCC unroll 6
        for (int y = 0; y < kTile; ++y)
            v[y] = rows[y] ? hn::LoadU(d, rows[y] + x * c.in + channel) : hn::Zero(d);
        ForwardOf(v[0], v[1], v[2], v[3], v[4], v[5], to);
    };
    for (int channel = 0; channel < c.in; channel += kLanes) {
        V edge[kTile];
        column(0, channel, edge);
        for (int y = 0; y < kTile; ++y) {
            hn::Store(hn::Zero(d), d, c.shared + (channel * 2) * kTile + y * kLanes);
            hn::Store(edge[y], d, c.shared + (channel * 2 + kLanes) * kTile + y * kLanes);
        }
    }
    for (int tile = 0; tile < across; ++tile) {
        const bool last = tile + 1 == across;
        for (int channel = 0; channel < c.in; channel += kLanes) {
            V half[kPlaces];
            float* shared = c.shared + channel * 2 * kTile;
#pragma GCC unroll 12
            for (int i = 0; i < 2 * kTile; ++i) half[i] = hn::Load(d, shared + i * kLanes);
#pragma GCC unroll 4
            for (int x = 2; x < kTile; ++x) {
                if (x == kTile - 1 && last)
                    for (int y = 0; y < kTile; ++y) half[x * kTile + y] = hn::Zero(d);
                else
                    column(tile * kOut - 1 + x, channel, half + x * kTile);
            }
#pragma GCC unroll 12
            for (int i = 0; i < 2 * kTile; ++i) hn::Store(half[4 * kTile + i], d, shared + i * kLanes);
            float* to = c.spectra + startOf(first + tile, c.in) + channel;
#pragma GCC unroll 6
            for (int y = 0; y < kTile; ++y) {
                V all[kTile];
                ForwardOf(half[y], half[6 + y], half[12 + y], half[18 + y], half[24 + y], half[30 + y], all);
#pragma GCC unroll 6
                for (int x = 0; x < kTile; ++x) hn::Store(all[x], d, to + (y * kTile + x) * place);
            }
        }
    }
}

// products = spectra x weights, for one place of some blocks.
void Multiply(const Call& c, int p, int blocks) {
    const D d;
    const std::ptrdiff_t panel = static_cast<std::ptrdiff_t>(c.in) * kPanel;
    const float* all = c.weights + static_cast<std::ptrdiff_t>(p) * c.in * c.out;
    OverChannels(c.out, [&](int channel, auto vectors) HWY_ATTR {
        constexpr int w = decltype(vectors)::value;
        const float* weights = all + channel / kPanel * panel + channel % kPanel;
        for (int b = 0; b < blocks; ++b)
            for (int r = 0; r < kBlock; r += kRows) {
                V sum[kRows][w];
#pragma GCC unroll 8
                for (int i = 0; i < kRows; ++i)
#pragma GCC unroll 2
                    for (int v = 0; v < w; ++v) sum[i][v] = hn::Zero(d);
                AddProduct(c.spectra + b * blockOf(c.in) + p * placeOf(c.in) + r * c.in, c.in, c.in, weights,
                           panel, sum);
                float* to = c.products + b * blockOf(c.out) + p * placeOf(c.out) + r * c.out + channel;
#pragma GCC unroll 8
                for (int i = 0; i < kRows; ++i)
#pragma GCC unroll 2
                    for (int v = 0; v < w; ++v) hn::Store(sum[i][v], d, to + i * c.out + v * kLanes);
            }
    });
}

void Results(const Call& c, int row, std::ptrdiff_t first) {
    const D d;
    const int across = c.width / kOut;
    const std::ptrdiff_t place = placeOf(c.out);
    for (int tile = 0; tile < across; ++tile)
        for (int channel = 0; channel < c.out; channel += kLanes) {
            const float* from = c.products + startOf(first + tile, c.out) + channel;
            V half[kOut * kTile];
#pragma GCC unroll 6
            for (int x = 0; x < kTile; ++x) {
                V m[kTile];
#pragma GCC unroll 6
                for (int y = 0; y < kTile; ++y) m[y] = hn::Load(d, from + (y * kTile + x) * place);
                InverseOf(m[0], m[1], m[2], m[3], m[4], m[5], half + x, kTile);
            }
            const V bias = hn::Load(d, c.bias + channel);
#pragma GCC unroll 4
            for (int y = 0; y < kOut; ++y) {
                V all[kOut];
                InverseOf(half[y * 6], half[y * 6 + 1], half[y * 6 + 2], half[y * 6 + 3], half[y * 6 + 4],
                          half[y * 6 + 5], all, 1);
                float* to = c.to +
                            (static_cast<std::ptrdiff_t>(row * kOut + y) * c.width + tile * kOut) * c.out +
                            channel;
#pragma GCC unroll 4
                for (int x = 0; x < kOut; ++x, to += c.out) {
                    V v = hn::Add(all[x], bias);
                    if (c.add) v = hn::Add(v, hn::LoadU(d, to));
                    if (c.relu) v = hn::Max(v, hn::Zero(d));
                    hn::StoreU(v, d, to);
                }
            }
        }
}

void Convolve(const Call& c, int together) {
    const int across = c.width / kOut, down = c.height / kOut;
    for (int top = 0; top < down; top += together) {
        const int rows = std::min(together, down - top), blocks = (rows * across + kBlock - 1) / kBlock;
        for (int r = 0; r < rows; ++r) Spectra(c, top + r, static_cast<std::ptrdiff_t>(r) * across);
        for (int p = 0; p < kPlaces; ++p) Multiply(c, p, blocks);
        for (int r = 0; r < rows; ++r) Results(c, top + r, static_cast<std::ptrdiff_t>(r) * across);
    }
}

// `R` results from pixel `x` on.
template <int R> HWY_INLINE void Pixels(const RowCall& c, int x) {
    const D d;
    OverChannels(c.channels, [&](int channel, auto vectors) HWY_ATTR {
        constexpr int w = decltype(vectors)::value;
        const float* weights = c.weights + channel / kPanel * c.panel + channel % kPanel;
        V sum[R][w];
#pragma GCC unroll 8
        for (int i = 0; i < R; ++i)
#pragma GCC unroll 2
            for (int v = 0; v < w; ++v) sum[i][v] = hn::Load(d, c.bias + channel + v * kLanes);
        for (int y = 0; y < c.lines; ++y)
            AddProduct(c.row.from + y * c.row.line + static_cast<std::ptrdiff_t>(x) * c.row.step, c.row.step,
                       c.along, weights + static_cast<std::ptrdiff_t>(y) * c.along * kPanel, c.panel, sum);
#pragma GCC unroll 8
        for (int i = 0; i < R; ++i)
#pragma GCC unroll 2
            for (int v = 0; v < w; ++v) {
                const std::ptrdiff_t at =
                    static_cast<std::ptrdiff_t>(x + i) * c.row.apart + channel + v * kLanes;
                const V sure = c.row.onto ? hn::Add(sum[i][v], hn::LoadU(d, c.row.onto + at)) : sum[i][v];
                hn::StoreU(hn::Max(sure, hn::Zero(d)), d, c.row.to + at);
            }
    });
}

void ConvolveRow(const RowCall& c) {
    int x = 0;
    for (; x + kRows <= c.row.count; x += kRows) Pixels<kRows>(c, x);
    for (; x < c.row.count; ++x) Pixels<1>(c, x);
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(Convolve);
HWY_EXPORT(ConvolveRow);

using namespace convolution; // NOLINT: its vocabulary

WinogradConvolution::WinogradConvolution(const std::vector<float>& weights, const std::vector<float>& bias,
                                         int in, int out)
    : in_(in), out_(out), weights_(static_cast<std::size_t>(kPlaces) * static_cast<std::size_t>(in) *
                                   static_cast<std::size_t>(out)),
      bias_(bias.begin(), bias.end()) {
    constexpr double g[kTile][3] = {{1.0 / 4, 0, 0},
                                    {-1.0 / 6, -1.0 / 6, -1.0 / 6},
                                    {-1.0 / 6, 1.0 / 6, -1.0 / 6},
                                    {1.0 / 24, 1.0 / 12, 1.0 / 6},
                                    {1.0 / 24, -1.0 / 12, 1.0 / 6},
                                    {0, 0, 1}};
    for (int o = 0; o < out; ++o)
        for (int k = 0; k < in; ++k) {
            const float* w = weights.data() + (static_cast<std::ptrdiff_t>(o) * in + k) * 9;
            for (int y = 0; y < kTile; ++y)
                for (int x = 0; x < kTile; ++x) {
                    double sum = 0;
                    for (int j = 0; j < 3; ++j)
                        for (int i = 0; i < 3; ++i)
                            sum += g[y][j] * g[x][i] * static_cast<double>(w[3 * j + i]);
                    const std::ptrdiff_t at =
                        ((static_cast<std::ptrdiff_t>(y * kTile + x) * (out / kPanel) + o / kPanel) * in +
                         k) *
                            kPanel +
                        o % kPanel;
                    weights_[static_cast<std::size_t>(at)] = static_cast<float>(sum);
                }
        }
}

void WinogradConvolution::run(const float* from, int width, int height, float* to, bool add, bool relu,
                              AlignedFloats& scratch) const {
    IRENIC_EXPECTS(fits(width, height, in_, out_));
    // Some fifty tiles at a time: what they need stays in the cache.
    const int across = width / kOut, together = std::clamp(56 / across, 1, height / kOut);
    const auto blocks = static_cast<std::size_t>((across * together + kBlock - 1) / kBlock);
    const std::size_t spectra = blocks * static_cast<std::size_t>(blockOf(in_)),
                      products = blocks * static_cast<std::size_t>(blockOf(out_));
    scratch.resize(std::max(scratch.size(), spectra + products + static_cast<std::size_t>(2 * kTile * in_)));
    float* const at = scratch.data();
    const Call call{from,  weights_.data(), bias_.data(), to,   at,  at + spectra, at + spectra + products,
                    width, height,          in_,          out_, add, relu};
    HWY_DYNAMIC_DISPATCH(Convolve)(call, together);
}

DirectConvolution::DirectConvolution(const std::vector<float>& weights, const std::vector<float>& bias,
                                     int in, int out, int side)
    : in_(in), out_(out), side_(side), weights_(weights.size()), bias_(bias.begin(), bias.end()) {
    const int rows = in * side * side;
    for (int o = 0; o < out; ++o)
        for (int k = 0; k < in; ++k)
            for (int place = 0; place < side * side; ++place)
                weights_[static_cast<std::size_t>((o / kPanel * rows + place * in + k) * kPanel +
                                                  o % kPanel)] =
                    weights[static_cast<std::size_t>((o * in + k) * side * side + place)];
}

void DirectConvolution::row(const Row& r, int first, int channels) const {
    IRENIC_EXPECTS(first % kPanel == 0 && channels % kPanel == 0 && first + channels <= out_ && r.count >= 0);
    const std::ptrdiff_t panel = static_cast<std::ptrdiff_t>(in_) * side_ * side_ * kPanel;
    HWY_DYNAMIC_DISPATCH(ConvolveRow)
    ({r, weights_.data() + first / kPanel * panel, bias_.data() + first, panel, side_, in_ * side_,
      channels});
}

} // namespace irenic
#endif
