// The network's convolutions, on pixels of some channels each, one after the other, in single precision on
// one core.
#pragma once

#include <oneapi/tbb/cache_aligned_allocator.h>

#include <cstddef>
#include <vector>

namespace irenic {

// Vectors that straddle lines of the cache are read and written half as fast.
using AlignedFloats = std::vector<float, tbb::cache_aligned_allocator<float>>;

// 3x3 with a quarter of the multiplications, by Winograd's minimal filtering F(4x4, 3x3).
//
// A. Lavin, S. Gray, "Fast algorithms for convolutional neural networks", CVPR 2016, section 4. Pixels are
// taken 6x6 at a time, 4 apart, and transformed; what a convolution was is then one matrix product for each
// of the 36 places; 4x4 results are transformed back.
class WinogradConvolution {
  public:
    // Whether it can be done this way: results come 4x4 at a time and channels in whole vectors.
    static bool fits(int width, int height, int in, int out) {
        return width % 4 == 0 && height % 4 == 0 && in % 16 == 0 && out % 16 == 0;
    }
    // `weights` as [out][in][3][3].
    WinogradConvolution(const std::vector<float>& weights, const std::vector<float>& bias, int in, int out);
    // width x height pixels of `in` channels, nought around them, to as many of `out`: in place of what is
    // there or, with `add`, on top of it; with `relu` nothing negative stays. `scratch` is memory that calls
    // may share, not at the same time.
    void run(const float* from, int width, int height, float* to, bool add, bool relu,
             AlignedFloats& scratch) const;

  private:
    int in_, out_;
    AlignedFloats weights_; // transformed: 36 places, panels of 16 results, `in` rows of 16
    AlignedFloats bias_;
};

// As it is written down, a row of results at a time; nothing negative stays.
class DirectConvolution {
  public:
    // `weights` as [out][in][side][side]; `out` in whole panels of 16.
    DirectConvolution(const std::vector<float>& weights, const std::vector<float>& bias, int in, int out,
                      int side);

    struct Row {
        const float* from;   // the pixel that the first result's first weight belongs to
        std::ptrdiff_t line; // from there to the one below, in floats
        int step;            // between the pixels of one result and of the next, in floats
        int count;
        const float* onto; // what the results are added to, or nullptr
        float* to;         // may be `onto` or any memory before it
        int apart;         // between results, in floats, and between what they are added to
    };
    // Channels `first` and up to it and `channels` more, both in whole panels.
    void row(const Row& r, int first, int channels) const;
    int out() const { return out_; }

  private:
    int in_, out_, side_;
    AlignedFloats weights_; // panels of 16 results, side x side x in rows of 16
    AlignedFloats bias_;
};

} // namespace irenic
