// The demo photos: the tide mill on one night, from ISO 1600 to 51200.
#pragma once

#include <filesystem>
#include <functional>
#include <string>

#include "base/work.h"

namespace irenic {

// Writes mill-01.dng .. mill-07.dng and mill-08.jpg to `folder` (made if missing); files that are there
// already are kept. `scale` 1 is 4032 x 3024 pixels; smaller ones are for tests. With `truth` also
// NAME.truth.f32 for each raw: the noiseless normalised mosaic, little-endian float32, rows without gaps.
// `say` hears a line for each file. Deterministic. Throws std::runtime_error and Cancelled.
void makeDemoData(const std::filesystem::path& folder, bool truth, double scale,
                  const std::function<void(const std::string&)>& say, const Work& work = {});

} // namespace irenic
