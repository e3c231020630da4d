// Measures Poisson-Gaussian noise from pixels.
//
// Method: M. Colom, A. Buades, J.-M. Morel, "Nonparametric noise estimation method for raw images", JOSA A
// 31(4), 2014, in the line of N. Ponomarenko et al. (2007): 8x8 blocks of one channel are taken to the DCT;
// within each class of brightness the blocks with the least energy in their low frequencies are those
// without texture; the variance is read from their high frequencies, which the choice did not look at. The
// line variance = a x + b is then fitted by weighted least squares, as in A. Foi et al. 2008.
//
// What we add: blocks that touch a clipped sample are left out; classes are as finely spaced as the photo
// has blocks for; the high-frequency variance is taken as the lower half of several frequencies so that
// pixel-level texture in some blocks does not lift it.
#pragma once

#include <functional>
#include <limits>
#include <optional>
#include <vector>

#include "base/work.h"
#include "image/plane.h"
#include "noise/model.h"

namespace irenic {

// The variance of the noise in a class of brightness, and how much it counts (over its own variance).
struct NoisePoint {
    double x, variance, weight;
};

// The classes of one channel. `samples` are normalised (0 black, 1 white) values of the channel; values at or
// above `clip` are treated as clipped. `factor`, if given, tells by how much the noise's deviation at a
// sample is more than usual: points are of the usual. Empty where there is nothing to measure.
std::vector<NoisePoint> noisePoints(const Plane& samples, float clip, const Work& work = {},
                                    const std::function<float(int x, int y)>& factor = {});

// All points together: the mean over their blocks, and the variance of the brightness. Of no points: all 0.
struct NoiseMean {
    double x = 0, variance = 0, spread = 0;
};
NoiseMean meanOf(const std::vector<NoisePoint>& points);

// What is known of a line before the points are looked at: its slope with its standard error; and its
// variance in the dark, with that as a share of it. Infinite: nothing.
struct ExpectedLine {
    double a, error;
    double b = 0, shareError = std::numeric_limits<double>::infinity();
};
struct NoiseFit {
    NoiseLine line;    // a >= 0, b >= 0, a + b > 0
    double slopeError; // standard error of a from the points alone; infinite where they lie at one brightness
};
// The line through the points. A photo that is dark everywhere tells nothing of its slope, one without
// anything dark nothing of its variance there: what is expected decides as far as the points do not.
NoiseFit fitNoise(const std::vector<NoisePoint>& points, const std::optional<ExpectedLine>& expected = {});

// The line, or where its b is more than `most` times its a, the one that is not and has the same variance at
// the points' mean brightness.
NoiseLine noFlatter(const NoiseLine& line, const std::vector<NoisePoint>& points, double most);

// The line that points of a developed picture lie nearest to, in ratios: its tone curve has bent theirs,
// which rises in the dark and falls in the light, and points above a line need not be texture.
NoiseLine fitBentNoise(const std::vector<NoisePoint>& points);

} // namespace irenic
