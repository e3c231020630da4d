// Renders the mill's scenes anew, into the files that ship.
#pragma once

#include <filesystem>
#include <functional>
#include <string>

#include "base/work.h"

namespace irenic {

// Writes NAME.jxl for each scene, or for `only` the one of that name, to `folder` (made if missing): 4032 x
// 3024 times `scale`. `rays` for each pixel, a power of two. On two cores a scene takes about ten minutes at
// 16 rays. Throws std::invalid_argument (no such scene), std::runtime_error and Cancelled.
void renderScenes(const std::filesystem::path& folder, const std::string& only, int rays, double scale,
                  const std::function<void(const std::string&)>& say, const Work& work = {});

} // namespace irenic
