// Pixels that know where they are and what they mean.
#pragma once

#include <array>
#include <utility>

#include "image/plane.h"

namespace irenic {

enum class Holds {
    Mosaic,        // in the first plane alone: samples, 0 black and 1 white, not clipped
    CameraLight,   // red, green and blue as the camera sees them, linear, 0 black and 1 white
    BalancedLight, // the same after white balance: a neutral has equal channels
    SpaceLight,    // linear light in the primaries of an output space
    Display        // encoded for a screen or a file, 0..1
};

// Planes over one rectangle. Moves are cheap; copies are asked for with clone().
struct Image {
    Holds holds = Holds::SpaceLight;
    Rect area; // of the photo, or of the corrected picture, as the function that made it says
    std::array<Plane, 3> plane;

    Image() = default;
    Image(Holds what, const Rect& where) : holds(what), area(where) {
        for (std::size_t p = 0; p < planes(); ++p) plane[p] = Plane(where.width, where.height);
    }
    // How many of the planes are there.
    std::size_t planes() const { return holds == Holds::Mosaic ? 1 : 3; }
    Plane& operator[](std::size_t p) { return plane[p]; }
    const Plane& operator[](std::size_t p) const { return plane[p]; }
    // The row of a plane at absolute row y, addressed so that [x] takes an absolute column.
    float* rowAt(std::size_t p, int y) { return plane[p].row(y - area.y) - area.x; }
    const float* rowAt(std::size_t p, int y) const { return plane[p].row(y - area.y) - area.x; }
    Image clone() const {
        Image copy;
        copy.holds = holds, copy.area = area;
        for (std::size_t p = 0; p < planes(); ++p) copy.plane[p] = plane[p].clone();
        return copy;
    }
    // The part over `inside`, which `area` contains.
    Image cropped(const Rect& inside) const {
        Image part;
        part.holds = holds, part.area = inside;
        for (std::size_t p = 0; p < planes(); ++p)
            part.plane[p] = plane[p].cropped(inside.translated(-area.x, -area.y));
        return part;
    }
};

} // namespace irenic
