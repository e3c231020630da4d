// Renders cells off the interface thread, one after the other (each uses all cores), newest wishes first
// replaced.
#pragma once

#include <QImage>
#include <QObject>
#include <condition_variable>
#include <deque>
#include <list>
#include <memory>
#include <mutex>
#include <thread>

#include "develop/render.h"

namespace irenic {

// Everything a cell's pixels depend on.
struct RenderKey {
    PhotoPtr photo;
    Settings settings;
    Look look;
    Rect area;
    double zoom = 1;
    float push = 0;
    friend bool operator==(const RenderKey&, const RenderKey&) = default;
};

class Renderer : public QObject {
    Q_OBJECT

  public:
    explicit Renderer(QObject* parent = nullptr);
    ~Renderer() override;

    // The picture if it is at hand, else null.
    QImage cached(const RenderKey& key);
    // Wishes for a picture on behalf of `cell`; an earlier wish of the same cell is cancelled. The answer
    // comes as finished() or failed() with the same key.
    void request(const void* cell, const RenderKey& key);
    // Forgets what `cell` wished for; it may be gone after this.
    void forget(const void* cell);
    // The finished share, 0..1, of the wish being worked on; below 0 when `cell`'s wish still waits.
    float progress(const void* cell);

  signals:
    void finished(quintptr cell, const irenic::RenderKey& key, const QImage& image);
    void failed(quintptr cell, const irenic::RenderKey& key, const QString& reason);

  private:
    struct Wish {
        const void* cell;
        RenderKey key;
        std::stop_source stop;
        std::shared_ptr<std::atomic<float>> done = std::make_shared<std::atomic<float>>(0.0f);
    };
    void work(const std::stop_token& ending);

    std::mutex mutex_;
    std::condition_variable_any wake_;
    std::deque<Wish> waiting_;
    std::unique_ptr<Wish> current_;
    std::list<std::pair<RenderKey, QImage>> cache_; // newest first
    CleanCache cleaned_{192u << 20u};
    qint64 cachedBytes_ = 0;
    std::jthread thread_;
};

} // namespace irenic

Q_DECLARE_METATYPE(irenic::RenderKey)
