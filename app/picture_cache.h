// Pictures that took long to make, on the disk: yesterday's photo opens with its pictures.
#pragma once

#include <QImage>
#include <QString>
#include <filesystem>
#include <mutex>

namespace irenic {

// Files of one folder, named by what they show. Thread-safe; several processes may share a folder.
class PictureCache {
  public:
    static constexpr qint64 kUsualRoom = qint64{1} << 30;
    // Keeps at most so many bytes: what was not looked at for the longest time goes first.
    explicit PictureCache(std::filesystem::path folder, qint64 room = kUsualRoom);
    // "pictures" in the cache folder.
    static std::filesystem::path usualFolder();

    // Null where it is not there. What cannot be read is removed.
    QImage find(const std::string& name);
    // What cannot be written is not kept, and nobody is told: it can be made again.
    void keep(const std::string& name, const QImage& image);
    // Removes all.
    void clear();

  private:
    std::filesystem::path fileOf(const std::string& name) const;
    void makeRoom();

    std::filesystem::path folder_;
    qint64 room_;
    std::mutex mutex_;   // of what follows
    qint64 written_ = 0; // since there was last looked for what is too much
    bool looked_ = false;
};

} // namespace irenic
