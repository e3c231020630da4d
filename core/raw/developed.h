// Reading pictures that have been developed already: TIFF, JPEG and PNG.
#pragma once

#include <memory>

#include "raw/photo.h"

namespace irenic {

// True for files that start as a JPEG or PNG does.
bool looksDeveloped(const GivenFile& file);

// The picture, taken by Little CMS from its own profile (sRGB where it has none) to linear light in the
// primaries of ROMM RGB (ANSI/I3A IT10.7666), which hold all surface colours, as 16-bit samples with black 0.
// TIFF of 8 or 16 bits or 32-bit floating point, grey or RGB, in one piece (PlanarConfiguration 1); an alpha
// channel is dropped. Noise is not measured here. Throws PhotoError.
std::shared_ptr<Photo> readDeveloped(const GivenFile& file, const Work& work = {});

// What the camera's tags say of the shot, for files that LibRaw does not read.
void readShotFromTags(Photo& photo);

} // namespace irenic
