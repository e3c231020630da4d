#include "renderer.h"

#include <algorithm>

namespace irenic {

namespace {
constexpr qint64 kCacheBytes = 256 << 20;
}

Renderer::Renderer(QObject* parent) : QObject(parent) {
    qRegisterMetaType<RenderKey>();
    thread_ = std::jthread([this](const std::stop_token& ending) { work(ending); });
}

Renderer::~Renderer() {
    {
        const std::lock_guard lock(mutex_);
        if (current_) current_->stop.request_stop();
        waiting_.clear();
    }
    thread_.request_stop();
    wake_.notify_all();
}

QImage Renderer::cached(const RenderKey& key) {
    const std::lock_guard lock(mutex_);
    const auto found =
        std::find_if(cache_.begin(), cache_.end(), [&](const auto& e) { return e.first == key; });
    if (found == cache_.end()) return {};
    cache_.splice(cache_.begin(), cache_, found);
    return cache_.front().second;
}

void Renderer::request(const void* cell, const RenderKey& key) {
    const std::lock_guard lock(mutex_);
    if (current_ && current_->cell == cell) {
        if (current_->key == key && !current_->stop.stop_requested()) return;
        current_->stop.request_stop();
    }
    const auto found =
        std::find_if(waiting_.begin(), waiting_.end(), [&](const Wish& w) { return w.cell == cell; });
    if (found != waiting_.end()) {
        found->key = key;
    } else {
        waiting_.push_back({cell, key, {}});
    }
    wake_.notify_all();
}

void Renderer::forget(const void* cell) {
    const std::lock_guard lock(mutex_);
    if (current_ && current_->cell == cell) current_->stop.request_stop();
    std::erase_if(waiting_, [&](const Wish& w) { return w.cell == cell; });
}

float Renderer::progress(const void* cell) {
    const std::lock_guard lock(mutex_);
    return current_ && current_->cell == cell ? current_->done->load() : -1.0f;
}

void Renderer::work(const std::stop_token& ending) {
    PhotoPtr last;
    while (!ending.stop_requested()) {
        Wish wish;
        {
            std::unique_lock lock(mutex_);
            if (!wake_.wait(lock, ending, [this] { return !waiting_.empty(); })) return;
            // What costs nothing first: originals are on the screen before any method starts.
            auto next = std::find_if(waiting_.begin(), waiting_.end(),
                                     [](const Wish& w) { return w.key.settings.untouched(); });
            if (next == waiting_.end()) next = waiting_.begin();
            wish = *next;
            waiting_.erase(next);
            current_ = std::make_unique<Wish>(wish);
        }
        if (wish.key.photo != last) cleaned_.forget();
        last = wish.key.photo;
        QImage image;
        QString problem;
        bool cancelled = false;
        try {
            const Picture p = renderRegion(*wish.key.photo, wish.key.settings, wish.key.look, wish.key.area,
                                           {wish.key.zoom, wish.key.push},
                                           {wish.stop.get_token(), wish.done.get()}, &cleaned_);
            image = QImage(p.rgb.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888)
                        .convertToFormat(QImage::Format_RGB32);
        } catch (const Cancelled&) {
            cancelled = true;
        } catch (const std::exception& e) {
            problem = QString::fromUtf8(e.what());
        }
        {
            const std::lock_guard lock(mutex_);
            current_.reset();
            if (!image.isNull()) {
                cache_.emplace_front(wish.key, image);
                cachedBytes_ += image.sizeInBytes();
                while (cachedBytes_ > kCacheBytes && cache_.size() > 1) {
                    cachedBytes_ -= cache_.back().second.sizeInBytes();
                    cache_.pop_back();
                }
            }
        }
        if (!cancelled && problem.isEmpty())
            emit finished(reinterpret_cast<quintptr>(wish.cell), wish.key, image);
        if (!problem.isEmpty()) emit failed(reinterpret_cast<quintptr>(wish.cell), wish.key, problem);
    }
}

} // namespace irenic
