// Takes out what the blocks of a JPEG leave in a picture once its noise is gone: their edges in even areas,
// and the ringing inside of them.
//
// After A. Nosratinia, "Denoising of JPEG images by re-application of JPEG", J. VLSI Signal Processing 27,
// 2001: the picture is laid on the file's blocks of 8x8 at other places, rounded there as the file was, and
// the mean of all is taken. Two things differ. Only what would be rounded to nothing goes, frequencies below
// half a step; what is larger is not rounded once more, which keeps texture (on JPEGs of quality 50 to 90 0.1
// to 0.5 dB better than rounding all). And only luminance is changed: colour is rounded on blocks that are
// larger than its own noise's grain.
#pragma once

#include <array>

#include "base/work.h"
#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// Pixels needed around an area.
inline constexpr int kJpegBlocksMargin = 8;

// `rgb`, linear light from 0 to 1, covers `around`, which holds `area` and kJpegBlocksMargin around it. The
// result covers `area`. `share` (0..1) of half a step is what goes. The same wherever the area begins.
std::array<Plane, 3> withoutJpegBlocks(const std::array<Plane, 3>& rgb, const Rect& around, const Rect& area,
                                       const JpegSteps& steps, float share, const Work& work);

} // namespace irenic
