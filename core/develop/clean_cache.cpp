#include "develop/clean_cache.h"

namespace irenic {

CleanCache::Region cleanRegion(const Photo& photo, const Settings& settings, const Rect& area,
                               const Work& work) {
    std::array<Plane, 3> planes;
    if (photo.hasMosaic())
        planes[0] = cleanMosaic(photo, settings, area, work);
    else
        planes = cleanPixels(photo, settings, area, work);
    return std::make_shared<const std::array<Plane, 3>>(std::move(planes));
}

CleanCache::Region CleanCache::get(const Photo& photo, const Settings& settings, const Rect& area,
                                   const Work& work) {
    {
        const std::lock_guard lock(mutex_);
        for (auto e = entries_.begin(); e != entries_.end(); ++e)
            if (e->settings == settings && e->area == area) {
                entries_.splice(entries_.begin(), entries_, e);
                return e->region;
            }
    }
    Region region = cleanRegion(photo, settings, area, work);
    std::size_t bytes = 0;
    for (const Plane& p : *region)
        bytes += static_cast<std::size_t>(p.stride()) * static_cast<std::size_t>(p.height()) * sizeof(float);
    const std::lock_guard lock(mutex_);
    if (bytes > room_ / 4) return region; // it would push out too many others
    entries_.push_front({settings, area, region, bytes});
    used_ += bytes;
    while (used_ > room_) {
        used_ -= entries_.back().bytes;
        entries_.pop_back();
    }
    return region;
}

void CleanCache::forget() {
    const std::lock_guard lock(mutex_);
    entries_.clear();
    used_ = 0;
}

} // namespace irenic
