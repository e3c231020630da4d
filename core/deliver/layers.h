// One file with the original below and takes as layers above it, for blending by hand: OpenRaster
// (openraster.org, baseline 0.0.5), layers in 16 bits.
#pragma once

#include <filesystem>
#include <string>
#include <vector>

#include "deliver/delivery.h"
#include "deliver/picture_files.h"

namespace irenic {

struct PictureLayer {
    std::string name;
    Settings settings;
};

// Writes `layers`, the lowest first, as they look with `look`, in sRGB; the last lies on top. Whole or not at
// all, and never over a file that is there. Throws ExportError with the file's name, and Cancelled.
void exportLayers(const PhotoPtr& photo, const Look& look, const std::vector<PictureLayer>& layers,
                  const std::filesystem::path& target, const Work& work = {});

} // namespace irenic
