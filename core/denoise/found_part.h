// Parts of a photo that are found by measuring it: what is in focus, what is dark. How they are measured is
// told in denoise/found_maps.h.
#pragma once

#include <memory>

#include "denoise/found_maps.h"
#include "denoise/zone.h"
#include "image/plane.h"
#include "raw/photo.h"

namespace irenic {

// One value for each square of 8 x 8 pixels.
class FoundMap {
  public:
    static constexpr int kSide = kFoundSide;
    explicit FoundMap(Plane values) : values_(std::move(values)) {}
    // At a pixel of the active area, interpolated; beyond the photo as at its edge.
    float at(int x, int y) const;
    const Plane& values() const { return values_; }

  private:
    Plane values_; // 0..1
};

// What a part is told by; `opposite`: it is 1 where the measure is 0. Painted and marked parts are told by
// none.
struct FoundPartMeasure {
    FoundMeasure what;
    bool opposite;
};
FoundPartMeasure measureOf(FoundPart part);

// Of the last few photos it is kept. Throws Cancelled.
std::shared_ptr<const FoundMap> foundMapOf(const Photo& photo, FoundMeasure what, const Work& work = {});

} // namespace irenic
