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

#include "image/plane.h"
#include "image/work.h"
#include "noise/model.h"

namespace irenic {

// The line for one channel. `samples` are normalised (0 black, 1 white) values of the channel; values at or
// above `clip` are treated as clipped. The result has a >= 0 and b >= 0 with a + b > 0.
NoiseLine measureNoiseLine(const Plane& samples, float clip, const Work& work = {});

} // namespace irenic
