// Noise where nothing is flat: its variance along the directions in which a picture has least.
//
// Patches of a mosaic hold the same light many times over: neighbours are alike, and so are colours. Along
// the weakest eigenvectors of their covariance there is hardly any picture left, in texture too, but noise
// has the same variance in all directions: X. Liu, M. Tanaka, M. Okutomi, "Single-image noise level
// estimation for blind denoising", IEEE Trans. Image Processing 22(12), 2013; S. Pyatykh, J. Hesser, L.
// Zheng, "Image noise level estimation by principal component analysis", ibid. 22(2), 2013. What we add:
// patches hold all colours of the mosaic, at the same place of its pattern, since one colour alone is sampled
// so coarsely that its texture looks like noise; and the directions are found on one half of the patches and
// measured on the other, so that chance does not choose what it then measures.
#pragma once

#include "image/plane.h"

namespace irenic {

struct WeakestVariance {
    double variance; // along the weakest directions: the noise's, and what little the picture adds
    double next;     // along those that come next, over it: 1 where both are noise alone
};

// The noise's own variance, as far as that tells: what the picture still adds along the weakest directions
// grows with what it adds along the next. The power is that of the photographs that training sees
// (docs/notes/noise.md).
double noiseVarianceOf(const WeakestVariance& found);

// Of a square window of stabilised samples, whose sides are even and at least 64. Noise of variance 1 gives 1
// within some per cent.
WeakestVariance weakestVariance(const Plane& window);

} // namespace irenic
