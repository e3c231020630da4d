// What photos are told apart by.
#pragma once

#include <string>

#include "raw/photo.h"

namespace irenic {

// A digest of everything that decides the photo's pixels, whatever its file is called: samples, frame, areas,
// levels, mosaic, orientation, white balance, matrices, opcodes, lens, and what was measured. Equal ids give
// equal pixels; notes (captions, the time) do not count. Kept in the photo once it was measured.
PhotoId idOf(const Photo& photo);

// 16 hexadecimal digits made of the raw samples alone (FNV-1a, 64 bits: G. Fowler, L. C. Noll, K.-P. Vo).
// Sidecars in the data folder are called after it, so that a renamed photo finds its work; nothing else is.
std::string samplesDigestOf(const Photo& photo);

} // namespace irenic
