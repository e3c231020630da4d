// From a photo and a take's settings to a cleaned mosaic, for any rectangle.
//
// The way: samples are normalised, stabilised channel by channel, packed (one sample of each of the four
// channels for each 2x2 cell), rotated into luminance and colour planes, given to the method; coarse noise
// that it left goes (coarse.h), structure it took comes back (detail.h); then the planes are rotated back and
// taken to linear light by the exact unbiased inverse. That inverse expects values without noise and with all
// of their texture; where the local variance says otherwise, the mean is put right.
#pragma once

#include <string>

#include "denoise/method.h"
#include "raw/photo.h"

namespace irenic {

// A take's settings. Values are compared bit by bit: two equal settings give equal pixels.
struct Settings {
    std::string method = "bm3d"; // the id of a method
    float luminance = 1;  // 0..3: the noise assumed over the noise measured; 1 is matched, 0 is untouched
    float colour = 1;     // likewise, for colour noise
    float detail = 0.25f; // 0..1: how readily structure near the threshold is given back
    float grain = 0;      // 0..1: the share of the removed luminance that is given back
    float coarse = 1; // 0..3: like colour, for blotches of 8 to 64 pixels; nothing is done where colour is 0

    bool mend = true; // take out hot and dead pixels and lines of the read-out first

    // The original: nothing is to be changed at all. All of its kind compare equal.
    static Settings original() { return {"bm3d", 0, 0, 0, 0, 0, false}; }
    bool untouched() const { return luminance <= 0 && colour <= 0; }
    friend bool operator==(const Settings&, const Settings&) = default;
};

// An empty string when the settings can be used, else a sentence that says what is wrong.
std::string problemWith(const Settings& settings);

// The normalised mosaic (0 black, 1 white, not clipped) of `area`, which lies inside the active area; its
// sample (0, 0) is the mosaic's (area.x, area.y). A pure function: equal arguments, and overlapping areas,
// give equal samples to the last bit. Untouched settings give Photo::normalised().
// Throws Cancelled; std::invalid_argument for a problem with the settings.
Plane cleanMosaic(const Photo& photo, const Settings& settings, const Rect& area, const Work& work = {});

// For a photo without a mosaic: red, green and blue of `area`; otherwise as cleanMosaic.
// std::invalid_argument also for a method that takes mosaics only.
std::array<Plane, 3> cleanPixels(const Photo& photo, const Settings& settings, const Rect& area,
                                 const Work& work = {});

// What cleanMosaic does between stabilisation and its inverse: the method, then the stages after it. `noisy`
// covers `area` inflated by planesMargin(); the result covers at least `area` and is right there.
int planesMargin(const Settings& settings);
PlaneSet cleanPlanes(const PlaneSet& noisy, const Settings& settings, const Rect& area,
                     const Work& work = {});

// The stabilised, decorrelated planes of a packed area (of pixels, where there is no mosaic; it may lie
// outside the photo, where it is mirrored): what methods get. Noise has a standard deviation of 1 in all of
// them.
PlaneSet stabilisedPlanes(const Photo& photo, const Rect& packedArea, const Work& work = {},
                          bool mend = false);

// Packed mosaics put the channels in this order whatever the pattern: R, G in R's rows, G in B's rows, B.
// Returns the site (0..3) of each channel.
std::array<int, 4> sitesOfChannels(const Mosaic& mosaic);

} // namespace irenic
