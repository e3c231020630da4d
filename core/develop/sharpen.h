// Taking back the softness of a lens, after denoising.
//
// The blur is taken to be a Gaussian of known width; its regularised inverse (N. Wiener, "Extrapolation,
// Interpolation, and Smoothing of Stationary Time Series", 1949) is a small separable kernel, run on
// luminance. What it adds counts only as far as the local variance is more than the noise that is left
// explains (J.-S. Lee, "Digital image enhancement and noise filtering by use of local statistics", IEEE
// PAMI-2(2), 1980), and may not leave the range of the surrounding luminances by more than a hundredth of it,
// which rules out halos. Lone specks keep their height by the same rule. Colour is scaled with luminance
// where there is enough of it.
#pragma once

#include <array>

#include "denoise/clean.h"
#include "develop/look.h"

namespace irenic {

// How much of each colour luminance is here.
inline constexpr std::array<float, 3> kLightWeights = {0.25f, 0.6f, 0.15f};
// Its noise in white-balanced light (gains of red, green and blue), of which a share is left.
NoiseLine luminanceNoise(const Photo& photo, const Vector3& gain, double left);

// Pixels needed around an area.
int sharpenMargin(Softness softness);

// Sharpens `rgb` (linear light, green weighing most) in place, but for sharpenMargin() along its edges, which
// is left as it is. `noise` is the standard deviation of luminance noise at a luminance v: sqrt(noise.a * v +
// noise.b).
void sharpen(std::array<Plane, 3>& rgb, Softness softness, const NoiseLine& noise, const Work& work = {});

} // namespace irenic
