#include "renderer.h"

#include <algorithm>
#include <cmath>

#include "raw/identity.h"

namespace irenic {

namespace {
// Some forty sheets: a value of a slider that was there before is shown at once.
constexpr qint64 kPictureBytes = 384 << 20;
QImage imageOf(const Picture& p) {
    return QImage(p.rgb.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888)
        .convertToFormat(QImage::Format_RGB32);
}
} // namespace

RenderKey renderKey(const PhotoPtr& photo, const Settings& settings, const Look& look, PicturePoint centre,
                    const Shown& as, QSize screen) {
    RenderKey key{photo, settings.untouched() ? Settings::original() : settings, look, {}, as.zoom, as.push,
                  {}};
    if (as.zoom <= 0) {
        key.area = outputFrame(*photo, look);
        key.zoom = std::min(static_cast<double>(screen.width()) / key.area.width,
                            static_cast<double>(screen.height()) / key.area.height);
        // Whole pixels of the photo for one of the screen: their mean is exact, and no pixel is counted
        // twice.
        if (key.zoom < 1) key.zoom = 1 / std::ceil(1 / key.zoom);
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

QImage Renderer::Shelf::find(const RenderKey& key) {
    const PhotoId id = idOf(*key.photo);
    const std::uint64_t reference = key.reference ? key.reference->serial() : 0;
    RenderKey bare = key;
    bare.photo.reset(), bare.reference.reset();
    const std::lock_guard lock(mutex);
    const auto found = std::find_if(pictures.begin(), pictures.end(), [&](const Kept& k) {
        return k.reference == reference && k.key == bare && k.photo == id;
    });
    if (found == pictures.end()) return {};
    pictures.splice(pictures.begin(), pictures, found);
    return pictures.front().image;
}

void Renderer::Shelf::keep(const RenderKey& key, const QImage& image) {
    Kept kept{key, idOf(*key.photo), key.reference ? key.reference->serial() : 0, image};
    kept.key.photo.reset(), kept.key.reference.reset();
    const std::lock_guard lock(mutex);
    pictures.push_front(std::move(kept));
    bytes += image.sizeInBytes();
    while (bytes > kPictureBytes && pictures.size() > 1) {
        bytes -= pictures.back().image.sizeInBytes();
        pictures.pop_back();
    }
}

Job Renderer::requestDifference(const Pair& pair, double order, std::function<void(Outcome<QImage>)> use) {
    const auto make = [shelf = shelf_, pair](const Work& work) {
        const RenderKey &first = pair.first, &second = pair.second;
        TileStore& store = shelf->store.cleaned();
        if (!first.reference && !second.reference)
            return imageOf(renderDifference(*second.photo,
                                            {first.settings, second.settings, pair.part, pair.gain},
                                            second.area, second.zoom, work, &store));
        const auto display = [&](const RenderKey& key, const Work& part) {
            return key.reference ? key.reference->display(second.area, 0, part)
                                 : displayOf(*key.photo, key.settings, key.look, second.area, part, &store);
        };
        return imageOf(differenceOf(display(first, work.part(0, 0.5)), display(second, work.part(0.5, 1)),
                                    pair.part, pair.gain, second.zoom));
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

std::pair<QImage, QRegion> Renderer::soFar(const RenderKey& key) {
    if (key.reference || !(key.zoom >= 1)) return {};
    const auto [picture, missing] =
        shelf_->store.soFar(*key.photo, key.settings, key.look, key.area, {key.zoom, key.push});
    long long lacking = 0;
    QRegion region;
    const int scale = static_cast<int>(std::lround(key.zoom));
    for (const Rect& r : missing) {
        const Rect part = r.intersected(key.area);
        lacking += part.area();
        region += QRect((part.x - key.area.x) * scale, (part.y - key.area.y) * scale, part.width * scale,
                        part.height * scale);
    }
    if (lacking >= key.area.area()) return {};
    return {imageOf(picture), region};
}

QImage Renderer::cached(const RenderKey& key) { return shelf_->find(key); }

Job Renderer::request(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use) {
    const auto make = [shelf = shelf_, key](const Work& work) {
        // Another cell may have wished for the same.
        if (QImage ready = shelf->find(key); !ready.isNull()) return ready;
        const Picture p = key.reference ? key.reference->render(key.area, {key.zoom, key.push}, work)
                                        : shelf->store.get(*key.photo, key.settings, key.look, key.area,
                                                           {key.zoom, key.push}, work);
        QImage image = imageOf(p);
        shelf->keep(key, image);
        return image;
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

Job Renderer::requestDraft(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use) {
    const auto make = [shelf = shelf_, key](const Work& work) {
        Look quick = key.look;
        quick.demosaic = Demosaic::Quick;
        return imageOf(renderRegion(*key.photo, key.settings, quick, key.area, {key.zoom, key.push}, work,
                                    &shelf->store.cleaned()));
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

} // namespace irenic
