// Pictures for cells, made off the interface thread and kept for a while.
#pragma once

#include <QImage>
#include <QRegion>
#include <QSize>
#include <list>
#include <mutex>

#include "base/jobs.h"
#include "develop/picture_store.h"
#include "image/place.h"
#include "judge/reference.h"
#include "judge/removed.h"

namespace irenic {

// Everything a cell's pixels depend on.
struct RenderKey {
    PhotoPtr photo;
    Settings settings;
    Look look;
    Rect area;
    double zoom = 1; // pixels of the screen for one of the photo
    float push = 0;
    ReferencePtr reference; // shown instead of the photo; null: the photo
    friend bool operator==(const RenderKey&, const RenderKey&) = default;
    // The same place of the same photo, cleaned otherwise: what a hand on a strength brings about.
    bool isCleanedOtherwise(const RenderKey& than) const {
        RenderKey same = than;
        same.settings = settings;
        return !reference && same == *this && !(settings == than.settings);
    }
};

// Two pictures of the same place, the first less the second.
struct Pair {
    RenderKey first, second;
    DifferencePart part = DifferencePart::Everything;
    double gain = 4;
    friend bool operator==(const Pair&, const Pair&) = default;
    bool isCleanedOtherwise(const Pair& than) const {
        return first == than.first && part == than.part && gain == than.gain &&
               second.isCleanedOtherwise(than.second);
    }
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
    // In the quick grade of colours, and not kept: for what will be another picture in a moment.
    [[nodiscard]] Job requestDraft(const RenderKey& key, double order,
                                   std::function<void(Outcome<QImage>)> use);
    // What differs at the second's place, at its zoom.
    [[nodiscard]] Job requestDifference(const Pair& pair, double order,
                                        std::function<void(Outcome<QImage>)> use);
    // What is there of a picture that is being made, and where nothing is yet (in its pixels); null: nothing.
    std::pair<QImage, QRegion> soFar(const RenderKey& key);
    Jobs& jobs() { return jobs_; }

  private:
    struct Kept {
        RenderKey key; // without photo and reference, which would stay in memory
        PhotoId photo;
        std::uint64_t reference; // its serial; 0: none
        QImage image;
    };
    // Shared with the jobs at work, which may end after the renderer does.
    struct Shelf {
        std::mutex mutex;         // of the pictures
        std::list<Kept> pictures; // newest first
        qint64 bytes = 0;
        PictureStore store{256u << 20u, 768u << 20u};

        QImage find(const RenderKey& key);
        void keep(const RenderKey& key, const QImage& image);
    };
    Jobs& jobs_;
    std::shared_ptr<Shelf> shelf_ = std::make_shared<Shelf>();
};

} // namespace irenic
