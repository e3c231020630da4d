// The trial sheet as a picture: probes down, the original and the takes across.
#pragma once

#include <filesystem>
#include <vector>

#include "develop/render.h"
#include "session/take.h"

namespace irenic {

// Writes a PNG, in the safe way: never over the photo, nor over anything that Irenic did not make; over what
// it made only with `overwrite`. Every probe rectangle lies inside the photo. Throws std::runtime_error,
// Cancelled.
void writeSheetPicture(const std::filesystem::path& to, bool overwrite, const Photo& photo,
                       const std::vector<Settings>& takes, const std::vector<Rect>& probes, const Look& look,
                       const View& view, const Work& work = {});

} // namespace irenic
