// A lens with known faults: what the mill's light goes through before it meets the sensor.
#pragma once

#include <array>
#include <string>

#include "image/plane.h"
#include "raw/opcodes.h"

namespace irenic {

// Faults in the terms of the corrections that undo them (opcodes.h): r is 1 at the farthest corner from the
// middle.
struct Optics {
    double distortion = 0;    // what belongs at r is found, in green, at r (1 - distortion h^2 + distortion
                              // r^2), h being r in the middle of a long side
    double red = 1, blue = 1; // size of the red and of the blue picture against the green one
    double vignetting =
        0;           // the corners get 1 / (1 + vignetting) of the light, in between 1 / (1 + vignetting r^2)
    double blur = 0; // standard deviation of a Gaussian, pixels
    double fringe = 0; // share of the light above white that glows red and blue around it

    friend bool operator==(const Optics&, const Optics&) = default;
    std::array<RadialWarp, 3> warps(int width, int height) const;
};

// Planes of light as the lens gives them; red and blue are what the faults of colour mean by them. Samples
// beyond the edge repeat those on it.
std::array<Plane, 3> throughLens(const std::array<Plane, 3>& light, const Optics& optics);

// OpcodeList3 with the corrections, to be put among a photo's tags.
TagEntry opcodesFor(const Optics& optics, int width, int height);
// The same as a database of the lensfun library, for a lens at 35 mm and f/2 on a camera of crop factor 1.
std::string lensProfile(const Optics& optics, const std::string& make, const std::string& model,
                        const std::string& lens, int width, int height);

} // namespace irenic
