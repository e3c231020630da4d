// Where development gets cleaned samples from, when not straight from cleaning.
#pragma once

#include "denoise/clean.h"

namespace irenic {

class CleanSource {
  public:
    virtual ~CleanSource() = default;
    // What cleanRegion() gives of `area`, which lies inside the active area. Throws as that does.
    virtual Image get(const Photo& photo, const Settings& settings, const Rect& area,
                      const Work& work = {}) = 0;
};

} // namespace irenic
