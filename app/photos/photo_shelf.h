// Photos that were read, kept as long as memory allows: going back to one takes no time.
#pragma once

#include <QString>
#include <list>

#include "develop/render.h"
#include "judge/probes.h"

namespace irenic {

// A photo and what is found out when it is opened.
struct OpenedPhoto {
    PhotoPtr photo;
    std::vector<Probe> probes;
    Picture overview; // in the plain look
};

// Reads and measures. Throws PhotoError and Cancelled.
OpenedPhoto openPhoto(const QString& path, const Work& work);

class PhotoShelf {
  public:
    // Keeps at most this many bytes of samples, and always the newest photo.
    explicit PhotoShelf(std::size_t bytes) : room_(bytes) {}
    // Null when it is not there; what is found becomes the newest.
    const OpenedPhoto* find(const QString& path);
    bool has(const QString& path) const;
    void put(const QString& path, OpenedPhoto photo);
    // One that is not shown yet: it goes before the newest does.
    void putBehind(const QString& path, OpenedPhoto photo);
    void forget(const QString& path);
    void clear() { photos_.clear(); }
    std::size_t count() const { return photos_.size(); }

  private:
    std::size_t bytes() const;

    std::list<std::pair<QString, OpenedPhoto>> photos_; // newest first
    std::size_t room_;
};

} // namespace irenic
