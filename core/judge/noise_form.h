// How the noise of a finished picture goes from pixel to pixel, told by the picture's own even squares: what
// demosaicing, a camera's own noise reduction and compression made of noise that was independent once.
#pragma once

#include <array>
#include <optional>
#include <vector>

#include "base/work.h"
#include "denoise/method.h"
#include "raw/photo.h"

namespace irenic {

// In the stabilised domain, where noise has a deviation of 1 at every brightness as far as two figures can
// tell it.
struct NoiseForm {
    static constexpr int kReach = 7; // pixels to each side
    static constexpr int kSide = 2 * kReach + 1;
    // What turns white noise of variance 1 into noise like the photo's: for luminance and each of two
    // colours.
    std::array<Plane, 3> filter;
    // How much stronger noise is at a brightness (luminance plane): what a camera's noise reduction and
    // compression leave differs with it. From dark to light.
    struct Level {
        double brightness = 0;
        std::array<double, 3> times{1, 1, 1}; // of the deviation
    };
    std::vector<Level> levels;
};

// Measured on squares all over the photo of which many have the same, least energy. None of a photo with
// hardly any pixels. `photo` has neither a mosaic nor a sensor without colours. Throws Cancelled.
std::optional<NoiseForm> noiseFormOf(const Photo& photo, const Work& work = {});

// Noise of that form, as strong as it is where `photo` is as bright. The same at the same place whatever the
// area. Throws Cancelled.
PlaneSet noiseLike(const PlaneSet& photo, const NoiseForm& form, const Work& work = {});

// The mean energy that neighbours do not share, of samples without those at the plane's edges.
double fineEnergy(const Plane& plane);

} // namespace irenic
