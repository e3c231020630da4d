#include "photos/photo_shelf.h"

#include <algorithm>

#include "measure/open.h"

namespace irenic {

OpenedPhoto openPhoto(const QString& path, const Work& work) {
    OpenedPhoto out;
    out.photo = readPhoto(path.toStdString(), work.part(0, 0.8));
    out.probes = placeProbes(*out.photo, work.part(0.8, 0.95));
    out.overview = renderOverview(*out.photo, {}, 480, work.part(0.95, 1));
    return out;
}

const OpenedPhoto* PhotoShelf::find(const QString& path) {
    const auto at =
        std::find_if(photos_.begin(), photos_.end(), [&](const auto& p) { return p.first == path; });
    if (at == photos_.end()) return nullptr;
    photos_.splice(photos_.begin(), photos_, at);
    return &photos_.front().second;
}

void PhotoShelf::put(const QString& path, OpenedPhoto photo) {
    forget(path);
    photos_.emplace_front(path, std::move(photo));
    while (photos_.size() > 1 && bytes() > room_) photos_.pop_back();
}

void PhotoShelf::putBehind(const QString& path, OpenedPhoto photo) {
    put(path, std::move(photo));
    // The one that is shown stays the newest.
    if (photos_.size() > 1) photos_.splice(photos_.begin(), photos_, std::next(photos_.begin()));
}

bool PhotoShelf::has(const QString& path) const {
    return std::any_of(photos_.begin(), photos_.end(), [&](const auto& p) { return p.first == path; });
}

void PhotoShelf::forget(const QString& path) {
    photos_.remove_if([&](const auto& p) { return p.first == path; });
}

std::size_t PhotoShelf::bytes() const {
    std::size_t sum = 0;
    for (const auto& [path, opened] : photos_)
        sum += (opened.photo->samples.size() + opened.photo->sensor.size() + opened.photo->mended.size() +
                (opened.photo->xtrans ? opened.photo->xtrans->samples.size() : 0)) *
               sizeof(std::uint16_t);
    return sum;
}

} // namespace irenic
