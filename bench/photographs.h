// Photographs of the Debian packages plasma-workspace-wallpapers and mate-backgrounds, to judge on.
#pragma once

#include <array>
#include <cstdint>
#include <string>
#include <vector>

#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// The eight that no training sees (training/pictures.py keeps the same list aside).
std::vector<std::string> unseenPhotographs();

// "Storm", "EveningGlow".
std::string nameOfPhotograph(const std::string& file);

// Linear sRGB, 0..1, halved in size to remove what compression left; the middle, at most `crop` pixels
// square. Throws std::runtime_error when the file cannot be read.
std::array<Plane, 3> photograph(const std::string& file, int crop);

// A raw of it by a plain sensor, measured, and the mosaic without noise. Throws likewise.
struct MeasuredRaw {
    Plane truth;
    Photo photo;
};
MeasuredRaw measuredRaw(const std::string& file, int crop, double iso, std::uint32_t seed);

} // namespace irenic
