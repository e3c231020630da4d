#include "photos/photo_list.h"

#include <QDirIterator>
#include <QFileInfo>
#include <QImage>

#include "develop/render.h"

namespace irenic {

namespace {
constexpr int kPathRole = Qt::UserRole;
const QStringList kRawEndings = {"*.dng", "*.nef", "*.cr2", "*.cr3", "*.arw", "*.orf", "*.rw2",
                                 "*.pef", "*.srw", "*.raf", "*.nrw", "*.3fr", "*.iiq"};
const QStringList kPictureEndings = {"*.tif", "*.tiff", "*.jpg", "*.jpeg", "*.png"};
} // namespace

PhotoList::PhotoList(QWidget* parent) : QListWidget(parent) {
    setAccessibleName(tr("Photos"));
    setTextElideMode(Qt::ElideMiddle);
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
        addItem(row);
        if (firstNew < 0) firstNew = count() - 1;
    }
    if (firstNew >= 0) setCurrentRow(firstNew);
}

void PhotoList::load(int row) {
    if (row < 0) return;
    const QString path = item(row)->data(kPathRole).toString();
    shown_ = path;
    // A reader that was asked to stop may take a moment to notice: nobody waits for it here.
    for (Loading& l : loading_) l.thread.request_stop();
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
                const QString name = QFileInfo(path).completeBaseName();
                item(i)->setText(photo ? QStringLiteral("%1   ISO %2").arg(name).arg(photo->iso, 0, 'f', 0)
                                       : tr("⚠ %1").arg(name));
                if (!photo) item(i)->setToolTip(problem);
            }
            if (path != shown_) return;
            if (photo) emit photoReady(photo, probes, image);
            emit message(problem);
        });
    });
    loading_.push_back({std::move(thread), std::move(done)});
}

} // namespace irenic
