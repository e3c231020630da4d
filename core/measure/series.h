// Photos that belong together, such as a panorama's parts or a focus series, cleaned alike: one noise for all
// of a camera, an ISO and a size, in place of each photo's own, which chance and texture move by some per
// cent.
#pragma once

#include <filesystem>
#include <map>
#include <vector>

#include "raw/photo.h"

namespace irenic {

// The noise of each file's group, where a group has at least two photos and noise that can be told. Files
// that cannot be read, and pictures without a mosaic, have none. Throws Cancelled.
std::map<std::filesystem::path, NoiseModel> noiseOfSeries(const std::vector<std::filesystem::path>& files,
                                                          const Work& work = {});

} // namespace irenic
