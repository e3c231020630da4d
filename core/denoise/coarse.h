// Takes out coarse noise: blotches of 8 to 64 pixels, which a method that looks at patches leaves behind.
//
// The noisy planes are averaged over 2x2 samples again and again; white noise stays white and halves with
// every level. From the coarsest level down, each is cleaned by non-local means over a small window, with
// distances over all planes, and what that changes is handed to the next finer one. At the end the low
// frequencies of the method's result are moved to what the levels found. After N. Pierazzo, J.-M. Morel, G.
// Facciolo, "Multi-scale DCT denoising", Image Processing On Line 7, 2017: only what lies well within a
// coarse level's band is taken from it. Of a mosaic both greens are made alike where they differ by no more
// than what methods leave of noise.
#pragma once

#include "denoise/method.h"

namespace irenic {

// Packed samples of the noisy planes, and of the method's result, needed around the area.
inline constexpr int kCoarseNoisyMargin = 196, kCoarseMargin = 6;

// `clean` covers `area` inflated by kCoarseMargin, `noisy` covers it inflated by kCoarseNoisyMargin.
// `strength` 0..3 is the noise assumed over the noise there is, for each plane; planes of strength 0 are left
// as they are. The result covers what `clean` covered and is right within `area`.
PlaneSet withCoarse(const PlaneSet& noisy, PlaneSet clean, const Rect& area,
                    const std::array<float, kPlanes>& strength, const Work& work);

} // namespace irenic
