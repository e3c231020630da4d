// Pictures for cells, made off the interface thread and kept for a while.
#pragma once

#include <QImage>
#include <QSize>
#include <list>
#include <mutex>

#include "develop/picture_store.h"
#include "image/jobs.h"
#include "image/place.h"

namespace irenic {

// Everything a cell's pixels depend on.
struct RenderKey {
    PhotoPtr photo;
    Settings settings;
    Look look;
    Rect area;
    double zoom = 1; // pixels of the screen for one of the photo
    float push = 0;
    friend bool operator==(const RenderKey&, const RenderKey&) = default;
};

// What `screen` pixels of the screen show around a place of the developed picture; a zoom of 0 fits what the
// look leaves of the photo. Settings without any strength become the original, so that all of them share its
// picture.
RenderKey renderKey(const PhotoPtr& photo, const Settings& settings, const Look& look, PicturePoint centre,
                    const Shown& as, QSize screen);

class Renderer {
  public:
    explicit Renderer(Jobs& jobs) : jobs_(jobs) {}

    // The picture if it is at hand, else null.
    QImage cached(const RenderKey& key);
    // Makes it in Lane::Pixels; smaller orders go first.
    [[nodiscard]] Job request(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use);
    Jobs& jobs() { return jobs_; }

  private:
    Jobs& jobs_;
    std::mutex mutex_; // of what follows
    struct Kept {
        RenderKey key;      // without the photo, which would stay in memory
        std::string digest; // of the photo
        QImage image;
    };
    std::list<Kept> pictures_; // newest first
    qint64 pictureBytes_ = 0;
    PictureStore store_{256u << 20u, 768u << 20u};
};

} // namespace irenic
