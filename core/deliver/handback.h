// A photo that another program handed over, and takes back cleaned.
#pragma once

#include "deliver/delivery.h"

namespace irenic {

// How the photo goes back: a raw as a DNG; a developed picture as the kind of file that it is, with its own
// depth, packing, resolution and colours. The caller declared a developed file as a working copy: it may be
// the target itself, and is then replaced whole or not at all. Throws PhotoError where the file cannot be
// read any more, or is of a kind that cannot be written.
Export handbackOf(const PhotoPtr& photo, const Settings& settings, const Look& look = {});

// Where it goes unless the caller names another place: over the working copy, or beside the raw as
// STEM-clean.dng.
std::filesystem::path handbackTarget(const Photo& photo);

} // namespace irenic
