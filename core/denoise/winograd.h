// Convolutions 3x3 with a third of the multiplications: Winograd's minimal filtering F(4x4, 3x3).
//
// A. Lavin, S. Gray, "Fast algorithms for convolutional neural networks", CVPR 2016, section 4. Pixels are taken 6x6 at a time, 4 apart, and
// transformed; what a convolution was is then one matrix product for each of the 36 places; 4x4 results are transformed back.
#pragma once

#include <vector>

namespace irenic {

class WinogradConvolution {
  public:
    // Whether it can be done this way: results come 4x4 at a time and channels in whole vectors.
    static bool fits(int size, int in, int out) { return size % 4 == 0 && in % 16 == 0 && out % 32 == 0; }
    // `weights` as [out][in][3][3].
    WinogradConvolution(const std::vector<float>& weights, const std::vector<float>& bias, int in, int out);
    // size x size pixels of `in` channels, pixel after pixel, nought around them, to as many of `out`: in place of what is there or, with `add`,
    // on top of it; with `relu` nothing negative stays. `scratch` is memory that calls may share, not at the same time.
    void run(const float* from, int size, float* to, bool add, bool relu, std::vector<float>& scratch) const;

  private:
    int in_, out_;
    std::vector<float> weights_; // transformed: 36 places, panels of 32 results, `in` rows of 32
    std::vector<float> bias_;
};

} // namespace irenic
