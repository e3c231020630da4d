// Gives back structure that a method took away: the same stage for every method.
//
// What was removed (the method noise) is noise if the method was right. Wavelet coefficients of it that stand
// well above what noise alone gives are structure and are returned. After B. K. Shreyamsha Kumar, "Image
// denoising based on non-local means filter and its method noise thresholding", Signal, Image and Video
// Processing 7, 2013; here with an undecimated transform of two scales and a threshold set by the user.
#pragma once

#include "denoise/method.h"

namespace irenic {

// Packed samples needed around the area.
inline constexpr int kDetailMargin = 8;

// `clean` covers `area` inflated by kDetailMargin, `noisy` at least as much. `detail` 0..1 lowers the
// threshold from 4.5 to 2 standard deviations of the noise; `strength` is that of luminance. Only the
// luminance planes change. The result covers what
// `clean` covered and is right within `area`.
PlaneSet withDetail(const PlaneSet& noisy, PlaneSet clean, const Rect& area, float detail, float strength,
                    const Work& work);

} // namespace irenic
