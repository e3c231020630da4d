#include "renderer.h"

#include <QElapsedTimer>
#include <QPainter>
#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>

#include "base/digest.h"
#include "denoise/method.h"
#include "raw/identity.h"

namespace irenic {

namespace {

// Some forty sheets: a value of a slider that was there before is shown at once.
constexpr qint64 kPictureBytes = 384 << 20;

std::string placeOf(const Shown& shown) {
    const auto* recipe = std::get_if<Recipe>(&shown);
    return recipe ? idOf(*recipe->photo).text : idOf(shown);
}

// Pictures below this zoom average most of the noise away by themselves.
constexpr double kSmall = 0.5;

// The recipe's picture as it is made soonest.
Recipe draftOf(const Recipe& recipe, double zoom) {
    Recipe quick = recipe;
    quick.look.demosaic = Demosaic::Quick;
    if (zoom < kSmall) {
        quick.settings = Settings::original();
        quick.settings.sharpening = recipe.settings.sharpening;
    } else if (!recipe.settings.untouched())
        quick.settings.method = "wavelet", quick.settings.detail = 0;
    return quick;
}

std::atomic<bool> tenBitsAreShown = false;

// Red, green and blue of a picture as Format_RGB30 packs them, below two bits that are set.
QRgb inTenBits(const std::uint16_t* sample) {
    const auto rounded = [](std::uint16_t v) { return (v * 1023u + 32767u) / 65535u; };
    return 3u << 30u | rounded(sample[0]) << 20u | rounded(sample[1]) << 10u | rounded(sample[2]);
}

// What a push does to display values, nearly.
QImage pushed(QImage image, double stops) {
    if (stops == 0) return image;
    constexpr double kGamma = 2.2;
    std::array<uchar, 256> lifted{};
    for (std::size_t v = 0; v < lifted.size(); ++v)
        lifted[v] = static_cast<uchar>(std::min(255.0, static_cast<double>(v) * std::exp2(stops / kGamma)));
    for (int y = 0; y < image.height(); ++y) {
        auto* row = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < image.width(); ++x)
            row[x] = qRgb(lifted[static_cast<std::size_t>(qRed(row[x]))],
                          lifted[static_cast<std::size_t>(qGreen(row[x]))],
                          lifted[static_cast<std::size_t>(qBlue(row[x]))]);
    }
    return image;
}

// Of a picture on the disk: all that its pixels depend on.
std::string nameOf(const RenderKey& key) {
    Digest digest;
    digest.add(idOf(key.shown));
    for (const int side : {key.area.x, key.area.y, key.area.width, key.area.height}) digest.add(side);
    digest.add(key.view.zoom), digest.add(key.view.push);
    return digest.text();
}

bool isCleanedOtherwise(const Shown& one, const Shown& other) {
    const auto *a = std::get_if<Recipe>(&one), *b = std::get_if<Recipe>(&other);
    return a && b && a->photo == b->photo && a->look == b->look && !(a->settings == b->settings);
}

} // namespace

QImage::Format imageFormat() { return tenBitsAreShown ? QImage::Format_RGB30 : QImage::Format_RGB32; }

void tenBits(bool shown) { tenBitsAreShown = shown; }

QImage imageOf(const Picture& p) {
    QImage out(p.width, p.height, imageFormat());
    const bool ten = imageFormat() == QImage::Format_RGB30;
    for (int y = 0; y < p.height; ++y) {
        const std::uint16_t* from = p.row(y);
        auto* to = reinterpret_cast<QRgb*>(out.scanLine(y));
        for (int x = 0; x < p.width; ++x, from += 3)
            to[x] = ten ? inTenBits(from)
                        : qRgb(inEightBits(from[0]), inEightBits(from[1]), inEightBits(from[2]));
    }
    return out;
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

RenderKey renderKey(const Shown& shown, const PhotoPtr& photo, const Look& look, PicturePoint centre,
                    const View& view, QSize screen) {
    RenderKey key = renderKey({photo, Settings::original(), look}, centre, view, screen);
    key.shown = shown;
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
    Kept kept{idOf(key.shown), placeOf(key.shown), key.area, key.view, image};
    const std::lock_guard lock(mutex);
    pictures.push_front(std::move(kept));
    bytes += image.sizeInBytes();
    while (bytes > kPictureBytes && pictures.size() > 1) {
        bytes -= pictures.back().image.sizeInBytes();
        pictures.pop_back();
    }
}

QImage Renderer::Shelf::draftOfWhole(const RenderKey& key, const Work& work) {
    const std::string name = nameOf(key);
    {
        const std::lock_guard lock(mutex);
        if (nameOfWhole == name) return whole;
    }
    const Recipe& recipe = key.recipe();
    const int longest =
        static_cast<int>(std::lround(std::max(key.area.width, key.area.height) * key.view.zoom));
    const QImage made = imageOf(renderOverview(*recipe.photo, recipe.look, longest, work, key.view.push));
    const std::lock_guard lock(mutex);
    nameOfWhole = name, whole = made;
    return made;
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
    struct Made {
        QImage image;
        bool slow = false;
    };
    // References are told apart within this process alone.
    const auto onDisk = std::holds_alternative<Recipe>(key.shown) ? cache_ : nullptr;
    const auto make = [shelf = shelf_, onDisk, key](const Work& work) {
        // Another cell may have wished for the same.
        if (QImage ready = shelf->find(key); !ready.isNull()) return Made{ready};
        Made made;
        if (onDisk) made.image = onDisk->find(nameOf(key));
        if (made.image.isNull()) {
            QElapsedTimer clock;
            clock.start();
            PictureStore& store = shelf->store;
            made.image = imageOf(render(key.shown, key.area, key.view, {work, &store.cleaned(), &store}));
            constexpr qint64 kSlow = 30; // ms: what is quicker is made as soon as it would be read
            made.slow = onDisk && clock.elapsed() > kSlow;
        }
        shelf->keep(key, made.image);
        return made;
    };
    return jobs_.submit(Lane::Pixels, order, make, [this, key, use](const Outcome<Made>& made) {
        if (made.value && made.value->slow) keepOnDisk(key, made.value->image);
        Outcome<QImage> image;
        if (made.value) image.value = made.value->image;
        image.problem = made.problem;
        use(std::move(image));
    });
}

void Renderer::keepOnDisk(const RenderKey& key, const QImage& image) {
    if (!cache_) return;
    keeping_.remove_if([](const Job& job) { return !job.active(); });
    constexpr double kLast = 100;
    keeping_.push_back(jobs_.submit(
        Lane::Quiet, kLast,
        [cache = cache_, name = nameOf(key), image](const Work&) {
            cache->keep(name, image);
            return true;
        },
        [](const Outcome<bool>&) {}));
}

int rankByTime(const std::string& method) {
    const auto at =
        std::find_if(methods().begin(), methods().end(), [&](const auto& m) { return m->id() == method; });
    return static_cast<int>(at - methods().begin());
}

bool Renderer::isWorthDraft(const RenderKey& key) {
    const auto* recipe = std::get_if<Recipe>(&key.shown);
    if (!recipe) return false;
    if (key.view.zoom < kSmall) return true;
    constexpr int kQuick = 2; // the first two are hardly slower than a draft
    return !recipe->settings.untouched() && rankByTime(recipe->settings.method) >= kQuick;
}

void Renderer::setOverview(const PhotoPtr& photo, const Rect& frame, const QImage& image) {
    overviewOf_ = idOf(*photo).text, overviewFrame_ = frame,
    overview_ = image.convertToFormat(QImage::Format_RGB32);
}

QImage Renderer::atHand(const RenderKey& key) {
    if (key.empty() || key.view.zoom <= 0) return {};
    const double zoom = key.view.zoom;
    const QRectF area(key.area.x, key.area.y, key.area.width, key.area.height);
    QImage out(std::max(1, static_cast<int>(std::lround(area.width() * zoom))),
               std::max(1, static_cast<int>(std::lround(area.height() * zoom))), QImage::Format_RGB32);
    out.fill(Qt::black);
    QPainter painter(&out);
    const auto put = [&](const QImage& image, const Rect& over) {
        painter.setRenderHint(QPainter::SmoothPixmapTransform, image.width() < over.width * zoom - 1);
        painter.drawImage(QRectF((over.x - area.x()) * zoom, (over.y - area.y()) * zoom, over.width * zoom,
                                 over.height * zoom),
                          image);
    };
    const std::string place = placeOf(key.shown), own = idOf(key.shown);
    bool any = false;
    if (const auto* recipe = std::get_if<Recipe>(&key.shown); recipe && place == overviewOf_) {
        put(pushed(overview_, static_cast<double>(key.view.push)), overviewFrame_);
        any = true;
    }
    // The best lies on top: the take's own before others', and what is as large before what is not.
    const std::lock_guard lock(shelf_->mutex);
    std::vector<std::pair<int, const Kept*>> found;
    for (const Kept& k : shelf_->pictures)
        if (k.place == place && k.view.push == key.view.push && !k.area.intersected(key.area).empty())
            found.emplace_back(2 * (k.view.zoom == zoom) + (k.shown == own) + 4 * (k.area == key.area), &k);
    constexpr std::ptrdiff_t kMost = 4; // a frame's time is not spent on more
    std::stable_sort(found.begin(), found.end(),
                     [](const auto& a, const auto& b) { return a.first > b.first; });
    found.resize(static_cast<std::size_t>(std::min<std::ptrdiff_t>(kMost, std::ssize(found))));
    for (auto k = found.rbegin(); k != found.rend(); ++k) put(k->second->image, k->second->area), any = true;
    painter.end();
    return any ? out : QImage();
}

Job Renderer::requestDraft(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use) {
    const auto make = [shelf = shelf_, key](const Work& work) {
        const Recipe quick = draftOf(key.recipe(), key.view.zoom);
        // Of all of a photo cells of the mosaic are averaged; a lens is not corrected there.
        if (key.view.zoom < kSmall && !quick.look.distortion &&
            key.area == outputFrame(*quick.photo, quick.look))
            return shelf->draftOfWhole(
                {Recipe{quick.photo, Settings::original(), quick.look}, key.area, key.view}, work);
        return imageOf(render(quick, key.area, key.view, {work, &shelf->store.cleaned()}));
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

Job Renderer::requestStep(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use) {
    const auto make = [shelf = shelf_, key](const Work& work) {
        Recipe quick = std::get<Recipe>(key.shown);
        quick.look.demosaic = Demosaic::Quick;
        return imageOf(render(quick, key.area, key.view, {work, &shelf->store.cleaned()}));
    };
    return jobs_.submit(Lane::Pixels, order, make, std::move(use));
}

} // namespace irenic
