#include "photos/photo_list.h"

#include <QDirIterator>
#include <QFileInfo>
#include <QImage>
#include <QKeyEvent>
#include <QPainter>
#include <algorithm>
#include <sys/resource.h>

#include "develop/render.h"
#include "measure/open.h"
#include "raw/preview.h"

namespace irenic {

namespace {
constexpr int kPathRole = Qt::UserRole, kNameRole = kPathRole + 1, kIsoRole = kPathRole + 2,
              kLetterRole = kPathRole + 3, kFailedRole = kPathRole + 4;
constexpr std::size_t kKept = 3; // photos at hand
const QStringList kRawEndings = {"*.dng", "*.nef", "*.cr2", "*.cr3", "*.arw", "*.orf", "*.rw2",
                                 "*.pef", "*.srw", "*.raf", "*.nrw", "*.3fr", "*.iiq"};
const QStringList kPictureEndings = {"*.tif", "*.tiff", "*.jpg", "*.jpeg", "*.png"};
} // namespace

PhotoList::PhotoList(QWidget* parent) : QListWidget(parent) {
    setAccessibleName(tr("Photos"));
    setTextElideMode(Qt::ElideMiddle);
    setSelectionMode(QAbstractItemView::ExtendedSelection);
    setIconSize({48, 36});
    setUniformItemSizes(true);
    setToolTip(tr(
        "The photos that are open. Shift and Ctrl select several, to paste work on; Delete takes one out of "
        "the list."));
    connect(this, &QListWidget::currentRowChanged, this, &PhotoList::load);
}

PhotoList::~PhotoList() {
    for (Loading& l : loading_) l.thread.request_stop();
}

void PhotoList::open(const QStringList& paths) {
    QStringList files;
    for (const QString& path : paths) {
        const QFileInfo info(path);
        if (info.isDir()) {
            QStringList inside;
            // Pictures that the camera wrote beside its raws are left out: the raw is what there is to clean.
            for (const QStringList& endings : {kRawEndings, kPictureEndings}) {
                if (!inside.isEmpty()) break;
                QDirIterator it(path, endings, QDir::Files);
                while (it.hasNext()) inside << it.next();
            }
            inside.sort();
            files += inside;
            if (inside.isEmpty()) emit message(tr("%1: no photos in this folder.").arg(info.fileName()));
        } else {
            files << info.absoluteFilePath();
        }
    }
    int firstNew = -1;
    for (const QString& file : files) {
        bool known = false;
        for (int i = 0; i < count(); ++i) known |= item(i)->data(kPathRole).toString() == file;
        if (known) continue;
        auto* row = new QListWidgetItem(QFileInfo(file).completeBaseName());
        row->setData(kPathRole, file);
        row->setToolTip(file);
        row->setData(kNameRole, QFileInfo(file).completeBaseName());
        // Room for the picture from the start: rows do not jump when it comes.
        QPixmap none(iconSize());
        none.fill(Qt::transparent);
        row->setIcon(none);
        waitingForThumbnail_ << file;
        addItem(row);
        if (firstNew < 0) firstNew = count() - 1;
    }
    if (firstNew < 0) return;
    setCurrentRow(firstNew);
    emit listChanged();
    makeThumbnails();
}

void PhotoList::makeThumbnails() {
    if (waitingForThumbnail_.isEmpty()) return;
    const QString path = waitingForThumbnail_.front();
    thumbnails_.run(
        [path, ratio = devicePixelRatioF(), side = iconSize().width()](const Work& work) {
            setpriority(PRIO_PROCESS, 0, 10); // of this thread alone, on Linux
            const auto p = embeddedPreview(path.toStdString(), static_cast<int>(side * ratio), work);
            return p ? QImage(p->data.data(), p->width, p->height, p->width * 3, QImage::Format_RGB888).copy()
                     : QImage();
        },
        [this, path](const QImage& image) {
            waitingForThumbnail_.removeAll(path);
            setThumbnail(path, image);
            makeThumbnails();
        });
}

void PhotoList::setThumbnail(const QString& path, const QImage& image) {
    const auto row = paths().indexOf(path);
    if (row < 0 || image.isNull()) return;
    // In the middle of its room, whatever its proportions.
    QPixmap room(iconSize() * devicePixelRatioF());
    room.fill(Qt::transparent);
    const QImage fitted = image.scaled(room.size(), Qt::KeepAspectRatio, Qt::SmoothTransformation);
    QPainter painter(&room);
    painter.drawImage((room.width() - fitted.width()) / 2, (room.height() - fitted.height()) / 2, fitted);
    painter.end();
    room.setDevicePixelRatio(devicePixelRatioF());
    item(static_cast<int>(row))->setIcon(room);
}

QStringList PhotoList::paths() const {
    QStringList all;
    for (int i = 0; i < count(); ++i) all << item(i)->data(kPathRole).toString();
    return all;
}

QStringList PhotoList::selectedPaths() const {
    QStringList all;
    for (const QListWidgetItem* i : selectedItems()) all << i->data(kPathRole).toString();
    if (!shown_.isEmpty() && !all.contains(shown_)) all << shown_;
    return all;
}

void PhotoList::select(const QString& path) {
    if (const auto row = paths().indexOf(path); row >= 0) setCurrentRow(static_cast<int>(row));
}

void PhotoList::setLetter(const QString& path, const QString& letter) {
    for (int i = 0; i < count(); ++i) {
        if (item(i)->data(kPathRole).toString() != path) continue;
        item(i)->setData(kLetterRole, letter);
        write(item(i));
    }
}

void PhotoList::write(QListWidgetItem* item) {
    const QString name = item->data(kNameRole).toString(), letter = item->data(kLetterRole).toString();
    const double iso = item->data(kIsoRole).toDouble();
    QString text = item->data(kFailedRole).toBool() ? tr("⚠ %1").arg(name) : name;
    if (iso > 0) text += QStringLiteral("   ISO %1").arg(iso, 0, 'f', 0);
    if (!letter.isEmpty()) text += QStringLiteral("   ✓ %1").arg(letter);
    item->setText(text);
}

void PhotoList::keyPressEvent(QKeyEvent* event) {
    if (event->key() != Qt::Key_Delete || currentRow() < 0) return QListWidget::keyPressEvent(event);
    const QString gone = currentItem()->data(kPathRole).toString();
    seen_.remove_if([&](const Seen& s) { return s.path == gone; });
    delete takeItem(currentRow());
    emit listChanged();
}

void PhotoList::load(int row) {
    if (row < 0) return;
    const QString path = item(row)->data(kPathRole).toString();
    shown_ = path;
    // A reader that was asked to stop may take a moment to notice: nobody waits for it here.
    for (Loading& l : loading_) l.thread.request_stop();
    const auto at = std::find_if(seen_.begin(), seen_.end(), [&](const Seen& s) { return s.path == path; });
    if (at != seen_.end()) {
        seen_.splice(seen_.begin(), seen_, at);
        const Seen seen = *at;
        emit message({});
        emit photoReady(seen.photo, seen.probes, seen.image);
        return;
    }
    std::erase_if(loading_, [](const Loading& l) { return l.done->load(); });
    emit message(tr("Reading %1…").arg(QFileInfo(path).fileName()));
    auto done = std::make_shared<std::atomic<bool>>(false);
    std::jthread thread([this, path, done](const std::stop_token& stop) {
        const std::unique_ptr<std::atomic<bool>, void (*)(std::atomic<bool>*)> atEnd(
            done.get(), [](std::atomic<bool>* d) { *d = true; });
        PhotoPtr photo;
        std::vector<Probe> probes;
        QImage image;
        QString problem;
        try {
            const Work work{stop, nullptr};
            photo = readPhoto(path.toStdString(), work);
            probes = placeProbes(*photo, work);
            const Picture p = renderOverview(*photo, {}, 480, work);
            image = QImage(p.rgb.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888).copy();
        } catch (const Cancelled&) {
            return;
        } catch (const std::exception& e) {
            problem = QString::fromUtf8(e.what());
        }
        QMetaObject::invokeMethod(this, [this, path, photo, probes, image, problem] {
            for (int i = 0; i < count(); ++i) {
                if (item(i)->data(kPathRole).toString() != path) continue;
                item(i)->setData(kFailedRole, !photo);
                item(i)->setData(kIsoRole, photo ? photo->iso : 0.0);
                write(item(i));
                if (!photo) item(i)->setToolTip(problem);
            }
            if (path != shown_) return;
            if (photo) {
                seen_.push_front({path, photo, probes, image});
                if (seen_.size() > kKept) seen_.pop_back();
                emit photoReady(photo, probes, image);
            }
            emit message(problem);
        });
    });
    loading_.push_back({std::move(thread), std::move(done)});
}

} // namespace irenic
