#include "photos/photo_list.h"

#include <QDirIterator>
#include <QFileInfo>
#include <QKeyEvent>
#include <algorithm>

#include "document.h"
#include "judge/seen_gain.h"
#include "measure/open.h"
#include "photos/photo_row.h"
#include "photos/thumbnail.h"
#include "reader/reader.h"
#include "said.h"
#include "session/sidecar.h"

namespace irenic {

namespace {
constexpr std::size_t kAtHand = std::size_t{1} << 30; // bytes of samples: some ten photos of 24 megapixels
const QStringList kRawEndings = {"*.dng", "*.nef", "*.nrw", "*.crw", "*.cr2", "*.cr3", "*.arw",
                                 "*.sr2", "*.srf", "*.orf", "*.rw2", "*.rwl", "*.raw", "*.pef",
                                 "*.srw", "*.raf", "*.3fr", "*.fff", "*.iiq", "*.mef", "*.mos",
                                 "*.mrw", "*.erf", "*.kdc", "*.dcr"};
const QStringList kPictureEndings = {"*.tif", "*.tiff", "*.jpg", "*.jpeg", "*.png"};

QString letterOf(const PhotoState& state) {
    const Take* chosen = state.take(state.chosen);
    return chosen ? QString(QLatin1Char(chosen->letter)) : QString();
}
} // namespace

PhotoList::PhotoList(Jobs& jobs, QWidget* parent) : QListWidget(parent), jobs_(jobs), shelf_(kAtHand) {
    setAccessibleName(tr("Photos"));
    setSelectionMode(QAbstractItemView::ExtendedSelection);
    setIconSize({56, 40});
    setItemDelegate(new PhotoRow(this));
    setUniformItemSizes(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setToolTip(tr("Open photos. Shift and Ctrl select several, to paste settings or export. Delete closes "
                  "the selected ones."));
    connect(this, &QListWidget::currentRowChanged, this, &PhotoList::load);
}

void PhotoList::open(const QStringList& paths) {
    QStringList files;
    for (const QString& path : paths) {
        const QFileInfo info(path);
        if (const auto photo = photoOfSidecar(path.toStdString())) {
            files << QFileInfo(QString::fromStdString(photo->string())).absoluteFilePath();
        } else if (info.isDir()) {
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
    QListWidgetItem* firstNew = nullptr;
    std::set<QString> known;
    for (const QString& path : this->paths()) known.insert(path);
    for (const QString& file : files) {
        if (!known.insert(file).second) continue;
        auto* row = new QListWidgetItem(QFileInfo(file).completeBaseName());
        row->setData(row::Path, file);
        row->setToolTip(file);
        waiting_ << file;
        addItem(row);
        if (!firstNew) firstNew = row;
    }
    if (!firstNew) return;
    setCurrentItem(firstNew);
    emit listChanged();
    lookAhead();
}

void PhotoList::lookAhead() {
    if (waiting_.isEmpty()) return readNeighbour();
    struct RowData {
        Glimpse glimpse;
        std::optional<PhotoRecord> record;
    };
    const QString path = waiting_.front();
    const int side = static_cast<int>(iconSize().width() * devicePixelRatioF());
    glimpsing_ = jobs_.submit(
        Lane::Quiet, 0,
        [path, side](const Work& work) {
            return RowData{glimpseSandboxed(path.toStdString(), side, work), peekSidecar(path.toStdString())};
        },
        [this, path](const Outcome<RowData>& outcome) {
            waiting_.removeAll(path);
            QListWidgetItem* item = rowOf(path);
            if (item && outcome.value) {
                const RowData& known = *outcome.value;
                if (known.glimpse.picture) setThumbnail(item, *known.glimpse.picture);
                item->setData(row::Iso, known.glimpse.iso);
                item->setData(row::Taken, QString::fromStdString(known.glimpse.taken));
                // What the window knows of a photo that was opened is newer.
                if (known.record && !item->data(row::Changed).isValid())
                    setWork(path, letterOf(*known.record->state), true, pathsOf(known.record->facts.exports));
            }
            lookAhead();
        });
}

void PhotoList::setThumbnail(QListWidgetItem* item, const FilePicture& p) {
    item->setData(Qt::DecorationRole, thumbnailOf(p, iconSize(), devicePixelRatioF()));
}

QStringList PhotoList::paths() const {
    QStringList all;
    for (int i = 0; i < count(); ++i) all << item(i)->data(row::Path).toString();
    return all;
}

QStringList PhotoList::selectedPaths() const {
    QStringList all;
    for (const QListWidgetItem* i : selectedItems()) all << i->data(row::Path).toString();
    if (!shown_.isEmpty() && !all.contains(shown_)) all << shown_;
    return all;
}

QListWidgetItem* PhotoList::rowOf(const QString& path) const {
    for (int i = 0; i < count(); ++i)
        if (item(i)->data(row::Path).toString() == path) return item(i);
    return nullptr;
}

void PhotoList::select(const QString& path) {
    if (QListWidgetItem* item = rowOf(path)) setCurrentItem(item);
}

void PhotoList::readAgain() {
    neighbouring_.cancel();
    shelf_.clear();
    load(currentRow());
}

void PhotoList::step(int by) {
    if (count() > 0) setCurrentRow(std::clamp(currentRow() + by, 0, count() - 1));
}

void PhotoList::sortBy(Sorting sorting) {
    measuring_.cancel();
    if (sorting != Sorting::Noise) return order(sorting);
    // Anew each time: looks may have changed.
    for (int i = 0; i < count(); ++i) item(i)->setData(row::Noise, QVariant());
    measureNoise();
}

void PhotoList::measureNoise() {
    int measured = 0;
    QListWidgetItem* next = nullptr;
    for (int i = 0; i < count(); ++i) {
        const bool has =
            item(i)->data(row::Noise).isValid() || !item(i)->data(row::Failed).toString().isEmpty();
        measured += has;
        if (!has && !next) next = item(i);
    }
    if (!next) {
        emit message({});
        return order(Sorting::Noise);
    }
    emit message(tr("Measuring noise: %1 of %2").arg(measured + 1).arg(count()));
    const QString path = next->data(row::Path).toString();
    measuring_ = jobs_.submit(
        Lane::Quiet, 1,
        [file = path.toStdString()](const Work& work) {
            const PhotoPtr photo = readPhoto(file, work.part(0, 0.7), Measure::Noise);
            const std::optional<PhotoRecord> kept = peekSidecar(file);
            const Look look = kept && kept->state ? kept->state->look : Look{};
            return visibleNoise(*photo, look, work.part(0.7, 1));
        },
        [this, path](const Outcome<double>& found) {
            if (!found.value)
                fail(path, said(found.problem));
            else if (QListWidgetItem* own = rowOf(path))
                own->setData(row::Noise, *found.value);
            measureNoise();
        });
}

void PhotoList::order(Sorting sorting) {
    const auto key = [sorting](const QListWidgetItem* item) {
        const QString name = item->text().toLower();
        if (sorting == Sorting::Noise) return std::tuple(-item->data(row::Noise).toDouble(), QString(), name);
        if (sorting == Sorting::Iso) return std::tuple(item->data(row::Iso).toDouble(), QString(), name);
        return std::tuple(0.0, sorting == Sorting::Time ? item->data(row::Taken).toString() : QString(),
                          name);
    };
    const QString current = shown_;
    const QSignalBlocker quiet(this); // the same photo stays the current one
    std::vector<QListWidgetItem*> items;
    while (count() > 0) items.push_back(takeItem(0));
    std::stable_sort(items.begin(), items.end(),
                     [&](const auto* a, const auto* b) { return key(a) < key(b); });
    for (QListWidgetItem* item : items) addItem(item);
    select(current);
    scrollToItem(currentItem());
    QMetaObject::invokeMethod(this, &PhotoList::listChanged);
}

void PhotoList::setWork(const QString& path, const QString& letter, bool changed, const QStringList& made) {
    QListWidgetItem* item = rowOf(path);
    if (!item) return;
    item->setData(row::Letter, letter);
    item->setData(row::Changed, changed);
    item->setData(row::Made, made);
    tellMade(item);
    if (!made.isEmpty()) lookForMade();
}

// Off the interface thread: a folder on another machine takes its time, and asking once for all is enough.
void PhotoList::lookForMade() {
    QStringList all;
    for (int i = 0; i < count(); ++i) all += item(i)->data(row::Made).toStringList();
    if (all.isEmpty()) return;
    looking_ = jobs_.submit(
        Lane::Quiet, 1,
        [all](const Work& work) {
            std::set<QString> missing;
            for (const QString& file : all) {
                work.check();
                if (!QFileInfo::exists(file)) missing.insert(file);
            }
            return missing;
        },
        [this](const Outcome<std::set<QString>>& found) {
            if (!found.value || *found.value == missing_) return;
            missing_ = *found.value;
            for (int i = 0; i < count(); ++i) tellMade(item(i));
        });
}

void PhotoList::tellMade(QListWidgetItem* item) {
    QStringList lines = {item->data(row::Path).toString()};
    int missing = 0;
    for (const QString& file : item->data(row::Made).toStringList()) {
        const bool there = !missing_.contains(file);
        missing += there ? 0 : 1;
        lines << (there ? tr("Exported: %1").arg(file) : tr("Missing: %1").arg(file));
    }
    item->setData(row::Missing, missing);
    // Why a photo cannot be shown stays what its row says.
    if (item->data(row::Failed).toString().isEmpty()) item->setToolTip(lines.join(QLatin1Char('\n')));
    item->setData(Qt::AccessibleTextRole,
                  tr("%1, %2").arg(item->text(), PhotoRow::stateText(indexFromItem(item))));
}

void PhotoList::keyPressEvent(QKeyEvent* event) {
    if (event->key() != Qt::Key_Delete || currentRow() < 0) return QListWidget::keyPressEvent(event);
    const QList<QListWidgetItem*> gone = selectedItems();
    for (QListWidgetItem* item : gone) {
        const QString path = item->data(row::Path).toString();
        shelf_.forget(path);
        waiting_.removeAll(path);
        delete item;
    }
    emit listChanged();
}

void PhotoList::tell(const OpenedPhoto& opened) {
    emit message({});
    emit photoReady(opened);
    if (waiting_.isEmpty()) readNeighbour();
}

void PhotoList::fail(const QString& path, const QString& reason) {
    unreadable_.insert(path);
    if (QListWidgetItem* item = rowOf(path)) {
        item->setData(row::Failed, reason);
        item->setToolTip(reason);
    }
    if (path == shown_) emit message(reason);
}

void PhotoList::load(int row) {
    if (row < 0) return;
    const QString path = item(row)->data(row::Path).toString();
    shown_ = path;
    reading_.cancel();
    if (const OpenedPhoto* opened = shelf_.find(path)) return tell(OpenedPhoto(*opened));
    if (neighbour_ == path) neighbouring_.cancel();
    emit message(tr("Reading %1…").arg(QFileInfo(path).fileName()));
    reading_ = jobs_.submit(
        Lane::Reading, 0, [path](const Work& work) { return openPhoto(path, work); },
        [this, path](Outcome<OpenedPhoto> outcome) {
            if (!outcome.value) return fail(path, said(outcome.problem));
            if (QListWidgetItem* item = rowOf(path)) {
                item->setData(row::Failed, QString());
                item->setData(row::Iso, outcome.value->photo->iso);
                item->setToolTip(path);
            }
            shelf_.put(path, std::move(*outcome.value));
            tell(OpenedPhoto(*shelf_.find(path)));
        });
}

void PhotoList::readNeighbour() {
    if (reading_.active() || neighbouring_.active() || currentRow() < 0) return;
    for (const int by : {1, -1}) {
        const QListWidgetItem* next = item(currentRow() + by);
        const QString path = next ? next->data(row::Path).toString() : QString();
        if (path.isEmpty() || shelf_.has(path) || unreadable_.contains(path)) continue;
        neighbour_ = path;
        neighbouring_ = jobs_.submit(
            Lane::Quiet, 1, [path](const Work& work) { return openPhoto(path, work); },
            [this, path](Outcome<OpenedPhoto> outcome) {
                if (!outcome.value) return fail(path, said(outcome.problem));
                shelf_.putBehind(path, std::move(*outcome.value));
            });
        return;
    }
}

} // namespace irenic
