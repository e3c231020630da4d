// Parts of a photo that are found by measuring it: what is in focus, what is dark.
//
// In focus: fine detail beyond the measured noise. The noise of the stabilised luminance is known, so that
// what a high pass of it holds beyond is detail; where there is some that detail of a coarser scale cannot
// explain, things are sharp. What is found lies on edges and texture; a guided filter (K. He, J. Sun, X.
// Tang, "Guided image filtering", IEEE Trans. Pattern Analysis and Machine Intelligence 35(6), 2013) hands it
// on to the even places between them, up to the edges of the picture itself.
#pragma once

#include <memory>

#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// One value for each square of 8 x 8 pixels.
class FoundMap {
  public:
    static constexpr int kSide = 8;
    explicit FoundMap(Plane values) : values_(std::move(values)) {}
    // At a pixel of the active area, interpolated; beyond the photo as at its edge.
    float at(int x, int y) const;
    const Plane& values() const { return values_; }

  private:
    Plane values_; // 0..1
};

// What is in focus, or else what is dark; of the last few photos it is kept. Throws Cancelled.
std::shared_ptr<const FoundMap> foundMapOf(const Photo& photo, bool focus, const Work& work = {});

} // namespace irenic
