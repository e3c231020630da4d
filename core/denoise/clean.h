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
#include "denoise/settings.h"
#include "image/image.h"
#include "raw/photo.h"

namespace irenic {

// The normalised mosaic (0 black, 1 white, not clipped) of `area`, which lies inside the active area; its
// sample (0, 0) is the mosaic's (area.x, area.y). A pure function: equal arguments, and overlapping areas,
// give equal samples to the last bit. Untouched settings give Photo::normalised().
// Throws Cancelled; std::invalid_argument for a problem with the settings.
Plane cleanMosaic(const Photo& photo, const Settings& settings, const Rect& area, const Work& work = {});

// For a photo without a mosaic: red, green and blue of `area`; what is said of cleanMosaic holds
// here too.
std::array<Plane, 3> cleanPixels(const Photo& photo, const Settings& settings, const Rect& area,
                                 const Work& work = {});

// What cleaning `area` cleans anyway, because the method works in whole squares: all of it costs no more.
// Within the active area; `area` itself for most methods.
Rect areaOfSameCost(const Photo& photo, const Settings& settings, const Rect& area);

// Either, whichever the photo is for: an image that holds its mosaic, or camera light.
Image cleanRegion(const Photo& photo, const Settings& settings, const Rect& area, const Work& work = {});

// The same without what the camera did to its samples afterwards (Photo::sensor): noise is white there.
Image cleanSensor(const Photo& photo, const Settings& settings, const Rect& area, const Work& work = {});

// What cleanMosaic does between stabilisation and its inverse: the method, then the stages after it. `noisy`
// covers `area` inflated by planesMargin(); the result covers at least `area` and is right there.
int planesMargin(const Settings& settings);
// The first part of it, before detail is brought back (denoise/detail.h), right within `area`.
PlaneSet cleanBeforeDetail(const PlaneSet& noisy, const Settings& settings, const Rect& area,
                           const Work& work = {});
PlaneSet cleanPlanes(const PlaneSet& noisy, const Settings& settings, const Rect& area,
                     const Work& work = {});

// The stabilised, decorrelated planes of a packed area (of pixels, where there is no mosaic; it may lie
// outside the photo, where it is mirrored): what methods get. Noise has a standard deviation of 1 in all of
// them, wherever the photo's unevenness is right.
PlaneSet stabilisedPlanes(const Photo& photo, const Rect& packedArea, const Work& work = {},
                          bool mend = false);

// Packed mosaics put the channels in this order whatever the pattern: R, G in R's rows, G in B's rows, B.
// Returns the site (0..3) of each channel.
std::array<int, 4> sitesOfChannels(const Mosaic& mosaic);

} // namespace irenic
