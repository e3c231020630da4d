#include "renderer.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {
// Some forty sheets: a value of a slider that was there before is shown at once.
constexpr qint64 kPictureBytes = 384 << 20;
} // namespace

RenderKey renderKey(const PhotoPtr& photo, const Settings& settings, const Look& look, PicturePoint centre,
                    const Shown& as, QSize screen) {
    RenderKey key{photo, settings.untouched() ? Settings::original() : settings, look, {}, as.zoom, as.push};
    if (as.zoom <= 0) {
        key.area = outputFrame(*photo, look);
        key.zoom = std::min(static_cast<double>(screen.width()) / key.area.width,
                            static_cast<double>(screen.height()) / key.area.height);
        return key;
    }
    const int w = std::min(photo->width(), static_cast<int>(std::ceil(screen.width() / as.zoom)));
    const int h = std::min(photo->height(), static_cast<int>(std::ceil(screen.height() / as.zoom)));
    const auto within = [](double middle, int length, int whole) {
        return std::clamp(static_cast<int>(std::lround(middle - length / 2.0)), 0, whole - length);
    };
    key.area = {within(centre.x, w, photo->width()), within(centre.y, h, photo->height()), w, h};
    return key;
}

QImage Renderer::cached(const RenderKey& key) {
    const std::lock_guard lock(mutex_);
    RenderKey bare = key;
    bare.photo.reset();
    const std::string digest = digestOf(*key.photo);
    const auto found = std::find_if(pictures_.begin(), pictures_.end(),
                                    [&](const Kept& k) { return k.key == bare && k.digest == digest; });
    if (found == pictures_.end()) return {};
    pictures_.splice(pictures_.begin(), pictures_, found);
    return pictures_.front().image;
}

Job Renderer::request(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use) {
    const auto make = [this, key](const Work& work) {
        // Another cell may have wished for the same.
        if (QImage ready = cached(key); !ready.isNull()) return ready;
        const Picture p =
            store_.get(*key.photo, key.settings, key.look, key.area, {key.zoom, key.push}, work);
        QImage image = QImage(p.rgb.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888)
                           .convertToFormat(QImage::Format_RGB32);
        const std::lock_guard lock(mutex_);
        pictures_.push_front({key, digestOf(*key.photo), image});
        pictures_.front().key.photo.reset();
        pictureBytes_ += image.sizeInBytes();
        while (pictureBytes_ > kPictureBytes && pictures_.size() > 1) {
            pictureBytes_ -= pictures_.back().image.sizeInBytes();
            pictures_.pop_back();
        }
        return image;
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

} // namespace irenic
