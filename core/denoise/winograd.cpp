#include "denoise/winograd.h"

#include <algorithm>
#include <cstddef>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "denoise/winograd.cpp"
#include <hwy/foreach_target.h>

#include <hwy/highway.h>

#ifndef IRENIC_WINOGRAD_SHARED
#define IRENIC_WINOGRAD_SHARED
namespace irenic::winograd {

constexpr int kOut = 4, kTile = 6, kPlaces = kTile * kTile, kPanel = 32;
constexpr int kSpare = 8; // rows that the last block of a product may go beyond the tiles

struct Call {
    const float *from, *weights, *bias;
    float *to, *spectra, *products; // 36 places of `tiles` + kSpare rows each
    int size, in, out;
    bool add, relu;
};

} // namespace irenic::winograd
#endif

HWY_BEFORE_NAMESPACE();
namespace irenic {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using namespace winograd; // NOLINT: its vocabulary

using D = hn::CappedTag<float, 16>;
using V = hn::Vec<D>;
constexpr int kLanes = static_cast<int>(hn::MaxLanes(D()));
constexpr int kVectors = kPanel / kLanes;
// Rows at a time: as many accumulators as registers hold beside the weights.
constexpr int kRows = kLanes >= 16 ? 8 : kLanes >= 8 ? 3 : 1;
static_assert(kRows <= kSpare);

HWY_INLINE void ForwardOf(V d0, V d1, V d2, V d3, V d4, V d5, V* to, int step) {
    const D d;
    const V four = hn::Set(d, 4), five = hn::Set(d, 5), two = hn::Set(d, 2);
    const V even = hn::NegMulAdd(four, d2, d4), odd = hn::NegMulAdd(four, d1, d3), wide = hn::Sub(d4, d2), bent = hn::Mul(two, hn::Sub(d3, d1));
    to[0] = hn::MulAdd(four, d0, hn::NegMulAdd(five, d2, d4));
    to[step] = hn::Add(even, odd);
    to[2 * step] = hn::Sub(even, odd);
    to[3 * step] = hn::Add(wide, bent);
    to[4 * step] = hn::Sub(wide, bent);
    to[5 * step] = hn::MulAdd(four, d1, hn::NegMulAdd(five, d3, d5));
}

HWY_INLINE void InverseOf(V m0, V m1, V m2, V m3, V m4, V m5, V* to, int step) {
    const D d;
    const V a = hn::Add(m1, m2), b = hn::Sub(m1, m2), c = hn::Add(m3, m4), e = hn::Sub(m3, m4);
    to[0] = hn::Add(hn::Add(m0, a), c);
    to[step] = hn::MulAdd(hn::Set(d, 2), e, b);
    to[2 * step] = hn::MulAdd(hn::Set(d, 4), c, a);
    to[3 * step] = hn::Add(hn::MulAdd(hn::Set(d, 8), e, b), m5);
}

// The spectra of a row's tiles, from row `first` of them on.
void Spectra(const Call& c, int row, std::ptrdiff_t first, std::ptrdiff_t place) {
    const D d;
    const int across = c.size / kOut;
    for (int tile = 0; tile < across; ++tile)
        for (int channel = 0; channel < c.in; channel += kLanes) {
            V half[kPlaces], all[kPlaces];
#pragma GCC unroll 6
            for (int y = 0; y < kTile; ++y) {
                const int sy = row * kOut - 1 + y;
                V v[kTile];
                const float* from = c.from + (static_cast<std::ptrdiff_t>(sy) * c.size + tile * kOut - 1) * c.in + channel;
                const bool inside = sy >= 0 && sy < c.size;
                v[0] = inside && tile > 0 ? hn::LoadU(d, from) : hn::Zero(d);
#pragma GCC unroll 4
                for (int x = 1; x <= kOut; ++x) v[x] = inside ? hn::LoadU(d, from + x * c.in) : hn::Zero(d);
                v[kOut + 1] = inside && tile + 1 < across ? hn::LoadU(d, from + (kOut + 1) * c.in) : hn::Zero(d);
                ForwardOf(v[0], v[1], v[2], v[3], v[4], v[5], half + y * kTile, 1);
            }
#pragma GCC unroll 6
            for (int x = 0; x < kTile; ++x) ForwardOf(half[x], half[6 + x], half[12 + x], half[18 + x], half[24 + x], half[30 + x], all + x, kTile);
            float* to = c.spectra + (first + tile) * c.in + channel;
#pragma GCC unroll 36
            for (int p = 0; p < kPlaces; ++p) hn::StoreU(all[p], d, to + p * place * c.in);
        }
}

// products = spectra x weights, for one place.
void Multiply(const float* spectra, const float* weights, float* products, int rows, int in, int out) {
    const D d;
    for (int panel = 0; panel < out; panel += kPanel, weights += static_cast<std::ptrdiff_t>(in) * kPanel)
        for (int r = 0; r < rows; r += kRows) {
            const float* from = spectra + static_cast<std::ptrdiff_t>(r) * in;
            V sum[kRows][kVectors];
#pragma GCC unroll 8
            for (int i = 0; i < kRows; ++i)
#pragma GCC unroll 8
                for (int v = 0; v < kVectors; ++v) sum[i][v] = hn::Zero(d);
            for (int k = 0; k < in; ++k) {
                V w[kVectors];
#pragma GCC unroll 8
                for (int v = 0; v < kVectors; ++v) w[v] = hn::LoadU(d, weights + k * kPanel + v * kLanes);
#pragma GCC unroll 8
                for (int i = 0; i < kRows; ++i) {
                    const V x = hn::Set(d, from[i * in + k]);
#pragma GCC unroll 8
                    for (int v = 0; v < kVectors; ++v) sum[i][v] = hn::MulAdd(x, w[v], sum[i][v]);
                }
            }
            float* to = products + static_cast<std::ptrdiff_t>(r) * out + panel;
#pragma GCC unroll 8
            for (int i = 0; i < kRows; ++i)
#pragma GCC unroll 8
                for (int v = 0; v < kVectors; ++v) hn::StoreU(sum[i][v], d, to + static_cast<std::ptrdiff_t>(i) * out + v * kLanes);
        }
}

void Results(const Call& c, int row, std::ptrdiff_t first, std::ptrdiff_t place) {
    const D d;
    const int across = c.size / kOut;
    for (int tile = 0; tile < across; ++tile)
        for (int channel = 0; channel < c.out; channel += kLanes) {
            const float* from = c.products + (first + tile) * c.out + channel;
            V half[kOut * kTile], all[kOut * kOut];
#pragma GCC unroll 6
            for (int x = 0; x < kTile; ++x) {
                V m[kTile];
#pragma GCC unroll 6
                for (int y = 0; y < kTile; ++y) m[y] = hn::LoadU(d, from + (y * kTile + x) * place * c.out);
                InverseOf(m[0], m[1], m[2], m[3], m[4], m[5], half + x, kTile);
            }
#pragma GCC unroll 4
            for (int y = 0; y < kOut; ++y) InverseOf(half[y * 6], half[y * 6 + 1], half[y * 6 + 2], half[y * 6 + 3], half[y * 6 + 4], half[y * 6 + 5], all + y * kOut, 1);
            const V bias = hn::LoadU(d, c.bias + channel);
            for (int y = 0; y < kOut; ++y)
                for (int x = 0; x < kOut; ++x) {
                    float* to = c.to + (static_cast<std::ptrdiff_t>(row * kOut + y) * c.size + tile * kOut + x) * c.out + channel;
                    V v = hn::Add(all[y * kOut + x], bias);
                    if (c.add) v = hn::Add(v, hn::LoadU(d, to));
                    if (c.relu) v = hn::Max(v, hn::Zero(d));
                    hn::StoreU(v, d, to);
                }
        }
}

void Convolve(const Call& c, int together) {
    const int across = c.size / kOut;
    const std::ptrdiff_t place = static_cast<std::ptrdiff_t>(across) * together + kSpare;
    for (int top = 0; top < across; top += together) {
        const int rows = std::min(together, across - top);
        for (int r = 0; r < rows; ++r) Spectra(c, top + r, static_cast<std::ptrdiff_t>(r) * across, place);
        for (int p = 0; p < kPlaces; ++p)
            Multiply(c.spectra + p * place * c.in, c.weights + static_cast<std::ptrdiff_t>(p) * c.in * c.out, c.products + p * place * c.out, rows * across, c.in, c.out);
        for (int r = 0; r < rows; ++r) Results(c, top + r, static_cast<std::ptrdiff_t>(r) * across, place);
    }
}

} // namespace HWY_NAMESPACE
} // namespace irenic
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic {

HWY_EXPORT(Convolve);

using namespace winograd; // NOLINT: its vocabulary

WinogradConvolution::WinogradConvolution(const std::vector<float>& weights, const std::vector<float>& bias, int in, int out)
    : in_(in), out_(out), weights_(static_cast<std::size_t>(kPlaces) * static_cast<std::size_t>(in) * static_cast<std::size_t>(out)), bias_(bias) {
    constexpr double g[kTile][3] = {{1.0 / 4, 0, 0},           {-1.0 / 6, -1.0 / 6, -1.0 / 6}, {-1.0 / 6, 1.0 / 6, -1.0 / 6},
                                    {1.0 / 24, 1.0 / 12, 1.0 / 6}, {1.0 / 24, -1.0 / 12, 1.0 / 6}, {0, 0, 1}};
    for (int o = 0; o < out; ++o)
        for (int k = 0; k < in; ++k) {
            const float* w = weights.data() + (static_cast<std::ptrdiff_t>(o) * in + k) * 9;
            for (int y = 0; y < kTile; ++y)
                for (int x = 0; x < kTile; ++x) {
                    double sum = 0;
                    for (int j = 0; j < 3; ++j)
                        for (int i = 0; i < 3; ++i) sum += g[y][j] * g[x][i] * static_cast<double>(w[3 * j + i]);
                    const std::ptrdiff_t at = ((static_cast<std::ptrdiff_t>(y * kTile + x) * (out / kPanel) + o / kPanel) * in + k) * kPanel + o % kPanel;
                    weights_[static_cast<std::size_t>(at)] = static_cast<float>(sum);
                }
        }
}

void WinogradConvolution::run(const float* from, int size, float* to, bool add, bool relu, std::vector<float>& scratch) const {
    // Some fifty tiles at a time: what they need stays in the cache.
    const int across = size / kOut, together = std::clamp(56 / across, 1, across);
    const auto rows = static_cast<std::size_t>(across * together + kSpare), spectra = kPlaces * rows * static_cast<std::size_t>(in_);
    scratch.resize(std::max(scratch.size(), spectra + kPlaces * rows * static_cast<std::size_t>(out_)));
    const Call call{from, weights_.data(), bias_.data(), to, scratch.data(), scratch.data() + spectra, size, in_, out_, add, relu};
    HWY_DYNAMIC_DISPATCH(Convolve)(call, together);
}

} // namespace irenic
#endif
