// Frames taken with the lens covered: what every photo of a sensor has in the dark at that exposure.
#pragma once

#include <cstdint>
#include <filesystem>
#include <string>
#include <vector>

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// The mean of some frames.
struct DarkFrame {
    std::string camera;
    double iso = 0, exposure = 0;
    int frames = 0;
    int rawWidth = 0, rawHeight = 0;
    int scale = 1;                    // what a raw value is multiplied by
    std::vector<std::uint16_t> level; // laid out as Photo::samples

    bool fits(const Photo& photo) const; // by its camera, ISO and frame
};

// Takes the mean of frames that were taken alike, one after another.
class DarkFrameMean {
  public:
    void add(const Photo& frame);
    // What the frames share, and how many there were; without samples.
    const DarkFrame& like() const { return like_; }
    // Of one at least; its samples are those of the frames, times a scale.
    DarkFrame mean() const;

  private:
    DarkFrame like_;
    double white_ = 0;
    std::vector<std::uint32_t> sum_;
};

inline constexpr int kMostDarkFrames = 64; // of 16 bits, whose sum fits 32

// Of raws with a mosaic of 2x2, all of one camera, ISO, frame and exposure (2 %); at most 64. Throws
// PhotoError with a sentence for what cannot be read, is of another kind or has seen light; Cancelled.
DarkFrame darkFrameOf(const std::vector<std::filesystem::path>& files, const Work& work = {});

// A photo's samples without what a dark frame tells of them.
struct WithoutDark {
    std::vector<std::uint16_t> samples; // laid out as Photo::samples; empty: nothing is gained
    DarkTaken told;
};
// How much of what the frame shows at a pixel the photo has as well is told by the photo: the regression of
// the photo's dark, even places upon the frame's excess over its neighbours, for small and large excesses
// apart. A frame of its own has noise, and small excesses are mostly that; large ones are leaks. So nothing
// is taken off but what the photo confirms, and a frame of another length or temperature counts by as much as
// it explains. What the frame shows over wide areas (glow, a black level that is off) is taken off where both
// were exposed for the same time (20 %), unless the photo's darkest places would fall below black. Clipped
// samples stay clipped. `dark` fits the photo. Throws Cancelled.
WithoutDark withoutDark(const Photo& photo, const DarkFrame& dark, const Work& work = {});

} // namespace irenic
