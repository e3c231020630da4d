// Cleaned regions kept for a while: a change of look alone then costs no denoising.
#pragma once

#include <array>
#include <list>
#include <memory>
#include <mutex>

#include "denoise/clean.h"

namespace irenic {

// Of one photo at a time: forget() before it is used with another. Thread-safe.
class CleanCache {
  public:
    // Keeps at most this many bytes of samples, least recently used first out.
    explicit CleanCache(std::size_t bytes) : room_(bytes) {}
    // cleanMosaic() (in the first plane) or cleanPixels(), kept or made now.
    using Region = std::shared_ptr<const std::array<Plane, 3>>;
    Region get(const Photo& photo, const Settings& settings, const Rect& area, const Work& work);
    void forget();

  private:
    struct Entry {
        Settings settings;
        Rect area;
        Region region;
        std::size_t bytes;
    };
    std::mutex mutex_;
    std::list<Entry> entries_; // newest first
    std::size_t room_, used_ = 0;
};

// The same without a cache.
CleanCache::Region cleanRegion(const Photo& photo, const Settings& settings, const Rect& area,
                               const Work& work);

} // namespace irenic
