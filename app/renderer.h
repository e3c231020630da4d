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
#include "judge/difference.h"
#include "picture_cache.h"

namespace irenic {

// Everything a cell's pixels depend on.
struct RenderKey {
    Shown shown; // a recipe without a photo: nothing
    Rect area;
    View view;
    friend bool operator==(const RenderKey&, const RenderKey&) = default;
    bool empty() const;
    // Where the photo itself is shown.
    const Recipe& recipe() const { return std::get<Recipe>(shown); }
};

// Everything that the pixels of a difference depend on.
struct DifferenceKey {
    Difference difference;
    Rect area;
    double zoom = 1;
    friend bool operator==(const DifferenceKey&, const DifferenceKey&) = default;
};

// Whether one is the same place of the same photo as the other, cleaned otherwise: what a hand on a strength
// brings about. Of a difference it is the second that the hand moves.
bool isCleanedOtherwise(const RenderKey& one, const RenderKey& other);
bool isCleanedOtherwise(const DifferenceKey& one, const DifferenceKey& other);

// What `screen` pixels of the screen show around a place of the developed picture; a zoom of 0 fits what the
// look leaves of the photo.
RenderKey renderKey(const Recipe& recipe, PicturePoint centre, const View& view, QSize screen);
// The same of what else is shown at the places of a photo with a look.
RenderKey renderKey(const Shown& shown, const PhotoPtr& photo, const Look& look, PicturePoint centre,
                    const View& view, QSize screen);

// How pictures for the screen are kept: eight bits for each channel (Format_RGB32), or ten (Format_RGB30)
// once tenBits() was called, which is for whoever starts the window on such a screen. Thread-safe.
QImage::Format imageFormat();
void tenBits(bool shown);

QImage imageOf(const Picture& picture);

// Of a method among all, which are listed by the time that they take: 0 is the quickest.
int rankByTime(const std::string& method);

class Renderer {
  public:
    explicit Renderer(Jobs& jobs) : jobs_(jobs) {}

    // The picture if it is at hand, else null.
    QImage cached(const RenderKey& key);
    // Makes it in Lane::Pixels; smaller orders go first.
    [[nodiscard]] Job request(const RenderKey& key, double order, std::function<void(Outcome<QImage>)> use);
    // In the quick grade of colours, and not kept: for what will be another picture in a moment, as it is
    // while a hand moves a strength.
    [[nodiscard]] Job requestStep(const RenderKey& key, double order,
                                  std::function<void(Outcome<QImage>)> use);
    // By the quickest way that has the take's character, and not kept: before all true pictures, for a cell
    // that has none yet.
    [[nodiscard]] Job requestDraft(const RenderKey& key, double order,
                                   std::function<void(Outcome<QImage>)> use);
    // Whether a draft is there much sooner than the true picture.
    static bool isWorthDraft(const RenderKey& key);
    // What of the photo is at hand for a cell at once, the right place at the right size: pictures of other
    // takes and zooms, and below them the overview. Null where there is nothing.
    QImage atHand(const RenderKey& key);
    // The whole photo, small, as it is shown over `frame`.
    void setOverview(const PhotoPtr& photo, const Rect& frame, const QImage& image);
    [[nodiscard]] Job requestDifference(const DifferenceKey& key, double order,
                                        std::function<void(Outcome<QImage>)> use);
    // What is there of a picture that is being made, and where nothing is yet (in its pixels); null: nothing.
    std::pair<QImage, QRegion> soFar(const RenderKey& key);
    // Where pictures are kept on the disk; null: nowhere.
    void setCache(std::shared_ptr<PictureCache> cache) { cache_ = std::move(cache); }
    Jobs& jobs() { return jobs_; }

  private:
    struct Kept {
        std::string shown; // its id: what is shown itself would stay in memory
        std::string place; // whose pixels lie where its own do: the photo's id, or a reference's own
        Rect area;
        View view;
        QImage image;
    };
    // Shared with the jobs at work, which may end after the renderer does.
    struct Shelf {
        std::mutex mutex;         // of the pictures
        std::list<Kept> pictures; // newest first
        qint64 bytes = 0;
        PictureStore store{256u << 20u, 768u << 20u};
        // The last draft of a whole photo: it has nothing of a take's, so that all cells show the same.
        std::string nameOfWhole;
        QImage whole;

        QImage find(const RenderKey& key);
        void keep(const RenderKey& key, const QImage& image);
        QImage draftOfWhole(const RenderKey& key, const Work& work);
    };
    // Onto the disk, behind all other work.
    void keepOnDisk(const RenderKey& key, const QImage& image);

    Jobs& jobs_;
    std::shared_ptr<PictureCache> cache_;
    std::list<Job> keeping_;
    std::string overviewOf_; // the photo's id
    Rect overviewFrame_;
    QImage overview_;
    std::shared_ptr<Shelf> shelf_ = std::make_shared<Shelf>();
};

} // namespace irenic
