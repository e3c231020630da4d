#include "renderer.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

// Some forty sheets: a value of a slider that was there before is shown at once.
constexpr qint64 kPictureBytes = 384 << 20;

bool isCleanedOtherwise(const Shown& one, const Shown& other) {
    const auto *a = std::get_if<Recipe>(&one), *b = std::get_if<Recipe>(&other);
    return a && b && a->photo == b->photo && a->look == b->look && !(a->settings == b->settings);
}

} // namespace

QImage imageOf(const Picture& p) {
    return QImage(p.rgb.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888)
        .convertToFormat(QImage::Format_RGB32);
}

bool RenderKey::empty() const {
    const auto* recipe = std::get_if<Recipe>(&shown);
    return recipe ? !recipe->photo : !std::get<ReferencePtr>(shown);
}

bool isCleanedOtherwise(const RenderKey& one, const RenderKey& other) {
    return one.area == other.area && one.view == other.view && isCleanedOtherwise(one.shown, other.shown);
}

bool isCleanedOtherwise(const DifferenceKey& one, const DifferenceKey& other) {
    DifferenceKey same = other;
    same.difference.second = one.difference.second;
    return same == one && isCleanedOtherwise(one.difference.second, other.difference.second);
}

RenderKey renderKey(const Recipe& recipe, PicturePoint centre, const View& view, QSize screen) {
    const Photo& photo = *recipe.photo;
    RenderKey key{recipe, {}, view};
    if (view.zoom <= 0) {
        key.area = outputFrame(photo, recipe.look);
        double zoom = std::min(static_cast<double>(screen.width()) / key.area.width,
                               static_cast<double>(screen.height()) / key.area.height);
        // Whole pixels of the photo for one of the screen: their mean is exact, and no pixel is counted
        // twice.
        if (zoom < 1) zoom = 1 / std::ceil(1 / zoom);
        key.view.zoom = zoom;
        return key;
    }
    const int w = std::min(photo.width(), static_cast<int>(std::ceil(screen.width() / view.zoom)));
    const int h = std::min(photo.height(), static_cast<int>(std::ceil(screen.height() / view.zoom)));
    const auto within = [](double middle, int length, int whole) {
        return std::clamp(static_cast<int>(std::lround(middle - length / 2.0)), 0, whole - length);
    };
    key.area = {within(centre.x, w, photo.width()), within(centre.y, h, photo.height()), w, h};
    return key;
}

QImage Renderer::Shelf::find(const RenderKey& key) {
    const std::string id = idOf(key.shown);
    const std::lock_guard lock(mutex);
    const auto found = std::find_if(pictures.begin(), pictures.end(), [&](const Kept& k) {
        return k.shown == id && k.area == key.area && k.view == key.view;
    });
    if (found == pictures.end()) return {};
    pictures.splice(pictures.begin(), pictures, found);
    return pictures.front().image;
}

void Renderer::Shelf::keep(const RenderKey& key, const QImage& image) {
    Kept kept{idOf(key.shown), key.area, key.view, image};
    const std::lock_guard lock(mutex);
    pictures.push_front(std::move(kept));
    bytes += image.sizeInBytes();
    while (bytes > kPictureBytes && pictures.size() > 1) {
        bytes -= pictures.back().image.sizeInBytes();
        pictures.pop_back();
    }
}

Job Renderer::requestDifference(const DifferenceKey& key, double order,
                                std::function<void(Outcome<QImage>)> use) {
    const auto make = [shelf = shelf_, key](const Work& work) {
        return imageOf(renderDifference(key.difference, key.area, key.zoom, {work, &shelf->store.cleaned()}));
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

std::pair<QImage, QRegion> Renderer::soFar(const RenderKey& key) {
    if (!(key.view.zoom >= 1)) return {};
    const auto [picture, missing] = renderedSoFar(key.shown, key.area, key.view, shelf_->store);
    long long lacking = 0;
    QRegion region;
    const int scale = static_cast<int>(std::lround(key.view.zoom));
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
        PictureStore& store = shelf->store;
        QImage image = imageOf(render(key.shown, key.area, key.view, {work, &store.cleaned(), &store}));
        shelf->keep(key, image);
        return image;
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

Job Renderer::requestDraft(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use) {
    const auto make = [shelf = shelf_, key](const Work& work) {
        Recipe quick = std::get<Recipe>(key.shown);
        quick.look.demosaic = Demosaic::Quick;
        return imageOf(render(quick, key.area, key.view, {work, &shelf->store.cleaned()}));
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

} // namespace irenic
