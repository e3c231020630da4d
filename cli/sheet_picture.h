// The trial sheet as a picture: probes down, the original and the takes across.
#pragma once

#include <filesystem>
#include <vector>

#include "develop/render.h"
#include "session/take.h"

namespace irenic {

// Writes a PNG. Every probe rectangle lies inside the photo. Throws std::runtime_error, Cancelled.
void writeSheetPicture(const std::filesystem::path& to, const Photo& photo,
                       const std::vector<Settings>& takes, const std::vector<Rect>& probes, const Look& look,
                       const Shown& shown, const Work& work = {});

} // namespace irenic
