#include "picture_cache.h"

#include <QBuffer>
#include <QDateTime>
#include <QDir>
#include <QDirIterator>
#include <QFile>
#include <algorithm>
#include <vector>

#include "base/folders.h"
#include "base/safe_file.h"
#include "renderer.h"

namespace irenic {

namespace {

constexpr int kQuickly = 85;      // how PNG is packed: Qt's 85 is zlib's level 1
constexpr int kFolderLetters = 2; // of a name, so that no folder holds thousands of files

} // namespace

PictureCache::PictureCache(std::filesystem::path folder, qint64 room)
    : folder_(std::move(folder)), room_(room) {}

std::filesystem::path PictureCache::usualFolder() { return cacheFolder() / "pictures"; }

std::filesystem::path PictureCache::fileOf(const std::string& name) const {
    return folder_ / name.substr(0, kFolderLetters) / (name + ".png");
}

QImage PictureCache::find(const std::string& name) {
    QFile file(QString::fromStdString(fileOf(name).string()));
    if (!file.open(QIODevice::ReadOnly)) return {};
    const QImage image = QImage::fromData(file.readAll(), "PNG");
    if (image.isNull()) {
        file.remove();
        return {};
    }
    file.setFileTime(QDateTime::currentDateTime(), QFileDevice::FileModificationTime);
    return image.convertToFormat(imageFormat());
}

void PictureCache::keep(const std::string& name, const QImage& image) {
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    // Qt writes what has more than eight bits with sixteen.
    const QImage kept =
        image.format() == QImage::Format_RGB30 ? image.convertToFormat(QImage::Format_RGBX64) : image;
    kept.save(&buffer, "PNG", kQuickly);
    const std::filesystem::path file = fileOf(name);
    try {
        privateFolder(folder_);
        privateFolder(file.parent_path());
        writeWhole(file, png.toStdString(), SafeFile::Existing::Replace);
    } catch (const WriteError&) {
        return; // a full disk
    }
    const std::lock_guard lock(mutex_);
    written_ += png.size();
    constexpr qint64 kShare = 16; // of the room may be too much for a while
    if (looked_ && written_ < room_ / kShare) return;
    looked_ = true, written_ = 0;
    makeRoom();
}

void PictureCache::makeRoom() {
    struct Kept {
        QString path;
        qint64 bytes;
        QDateTime used;
    };
    std::vector<Kept> all;
    qint64 bytes = 0;
    QDirIterator files(QString::fromStdString(folder_.string()), {QStringLiteral("*.png")}, QDir::Files,
                       QDirIterator::Subdirectories);
    while (files.hasNext()) {
        files.next();
        const QFileInfo info = files.fileInfo();
        all.push_back({info.filePath(), info.size(), info.lastModified()});
        bytes += info.size();
    }
    std::sort(all.begin(), all.end(), [](const Kept& a, const Kept& b) { return a.used < b.used; });
    for (const Kept& oldest : all) {
        if (bytes <= room_) return;
        if (QFile::remove(oldest.path)) bytes -= oldest.bytes;
    }
}

void PictureCache::clear() { QDir(QString::fromStdString(folder_.string())).removeRecursively(); }

} // namespace irenic
