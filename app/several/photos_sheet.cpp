#include "several/photos_sheet.h"

#include <QFileInfo>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <utility>

#include "develop/lens.h"
#include "judge/unlike.h"
#include "photos/photo_shelf.h"
#include "reader/reader.h"
#include "said.h"
#include "session/sidecar.h"
#include "sheet/cell.h"
#include "sheet/take_head.h"
#include "style/style.h"

namespace irenic {

namespace {

// Ahead of cells of the sheet, which is not seen.
constexpr double kOrder = -1500;
// Of the probes that are placed by measuring the third is the finest texture: it tells the most.
constexpr int kTexture = 2;
constexpr int kLabelWidth = 110, kMostColumns = Document::kMostTakes + 1;

// Photos that cannot be opened have no character; they are not chosen before others.
std::vector<Character> charactersOf(const QStringList& photos, const Work& work) {
    constexpr int kLongest = 160;
    std::vector<Character> out;
    for (const QString& photo : photos) {
        work.check();
        out.push_back(characterOf(glimpseSandboxed(photo.toStdString(), kLongest, work)));
    }
    return out;
}

} // namespace

PhotosSheet::PhotosSheet(Document& document, Renderer& renderer, QWidget* parent)
    : QWidget(parent), document_(document), renderer_(renderer), body_(new QWidget(this)),
      grid_(new QGridLayout(body_)), told_(new QLabel(this)), paste_(new QToolButton(this)) {
    setObjectName(QStringLiteral("photosSheet"));
    setAccessibleName(tr("Sheet over photos"));
    setFocusPolicy(Qt::StrongFocus);
    auto* top = new QHBoxLayout;
    top->setContentsMargins(4, 3, 4, 3);
    top->setSpacing(style::kGap);
    auto* back = new QToolButton(this);
    back->setText(tr("Sheet"));
    back->setObjectName(QStringLiteral("leavePhotosSheet"));
    back->setToolTip(tr("Goes back to the sheet of the photo shown. (Esc)"));
    connect(back, &QToolButton::clicked, this, &PhotosSheet::closeAsked);
    top->addWidget(back);
    told_->setObjectName(QStringLiteral("photosTold"));
    told_->setForegroundRole(QPalette::PlaceholderText);
    top->addWidget(told_, 1);
    paste_->setObjectName(QStringLiteral("takesToAll"));
    paste_->setToolTip(
        tr("Gives all selected photos these takes, and the choice among them. One step to undo."));
    connect(paste_, &QToolButton::clicked, this, &PhotosSheet::pasteToAll);
    top->addWidget(paste_);
    grid_->setContentsMargins(0, 0, style::kGap, 0);
    grid_->setSpacing(3);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addLayout(top);
    column->addWidget(body_, 1);
    connect(&document_, &Document::takesChanged, this, [this] {
        if (!rows_.empty()) rebuild();
    });
    for (const auto signal : {&Document::chosenChanged, &Document::viewChanged, &Document::photoChanged})
        connect(&document_, signal, this, &PhotosSheet::refresh);
    connect(&document_, &Document::settingsChanged, this, &PhotosSheet::refresh);
}

QString PhotosSheet::begin(const QStringList& photos) {
    end();
    photos_ = photos;
    if (photos.size() < kFewest || !document_.photo())
        return tr("Select at least two photos in the list first.");
    const QString shown = QString::fromStdString(document_.photo()->file.string());
    if (!photos_.contains(shown)) photos_.prepend(shown);
    const auto first = static_cast<std::size_t>(photos_.indexOf(shown));
    told_->setText(tr("Looking for the photos that differ most…"));
    choosing_ = renderer_.jobs().submit(
        Lane::Reading, 0,
        [all = photos_, first](const Work& work) {
            return mostUnlike(charactersOf(all, work), static_cast<std::size_t>(kMostRows), first);
        },
        [this](const Outcome<std::vector<std::size_t>>& found) {
            if (found.value) choose(*found.value);
        });
    return {};
}

void PhotosSheet::end() {
    choosing_.cancel();
    for (Row& row : rows_) {
        delete row.label;
        for (Cell* cell : row.cells) delete cell;
    }
    rows_.clear();
    for (TakeHead* head : heads_) delete head;
    heads_.clear();
    delete std::exchange(original_, nullptr);
    probe_ = kTexture;
}

void PhotosSheet::choose(const std::vector<std::size_t>& which) {
    for (const std::size_t i : which) {
        Row row;
        row.path = photos_[static_cast<qsizetype>(i)];
        rows_.push_back(std::move(row));
    }
    rebuild();
    for (std::size_t i = 0; i < rows_.size(); ++i) read(i);
}

void PhotosSheet::read(std::size_t at) {
    Row& row = rows_[at];
    const std::string file = row.path.toStdString();
    // Its own look and probes, where somebody has worked on it.
    std::optional<PhotoRecord> kept;
    const PhotoRecord* record = document_.recordOf(file);
    if (!record) kept = peekSidecar(file), record = kept ? &*kept : nullptr;
    if (record) row.look = record->state->look, row.probes = record->state->probes;
    if (document_.photo() && document_.photo()->file == file) {
        row.photo = document_.photo();
        return refresh();
    }
    row.reading = renderer_.jobs().submit(
        Lane::Reading, static_cast<double>(at),
        [path = row.path](const Work& work) { return openPhoto(path, work); },
        [this, at](const Outcome<OpenedPhoto>& opened) {
            Row& own = rows_[at];
            if (!opened.value) {
                own.problem = said(opened.problem);
            } else {
                own.photo = opened.value->photo;
                if (own.probes.empty()) own.probes = opened.value->probes;
            }
            refresh();
        });
}

void PhotosSheet::rebuild() {
    for (TakeHead* head : heads_) delete head;
    heads_.clear();
    const int takes = static_cast<int>(document_.takes().size());
    for (int i = 0; i < takes; ++i) {
        auto* head = new TakeHead(document_.takes()[static_cast<std::size_t>(i)], body_);
        head->setPlain();
        connect(head, &TakeHead::edited, this, [this, i](const Settings& s) { document_.setSettings(i, s); });
        connect(head, &TakeHead::chooseAsked, this, [this, i] { document_.choose(i); });
        connect(head, &TakeHead::openAsked, this, [head](bool open) { head->setOpen(open); });
        grid_->addWidget(head, 0, i + 2);
        heads_.push_back(head);
    }
    if (!original_) grid_->addWidget(original_ = new QLabel(tr("Original"), body_), 0, 1);
    for (std::size_t r = 0; r < rows_.size(); ++r) {
        Row& row = rows_[r];
        const int line = static_cast<int>(r) + 1;
        if (!row.label) {
            row.label = new QToolButton(body_);
            row.label->setFixedWidth(kLabelWidth);
            row.label->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Expanding);
            row.label->setToolTip(tr("Shows this photo in the sheet."));
            connect(row.label, &QToolButton::clicked, this, [this, r] { emit photoAsked(rows_[r].path); });
            grid_->addWidget(row.label, line, 0);
        }
        for (Cell* cell : row.cells) delete cell;
        row.cells.clear();
        for (int c = 0; c <= takes; ++c) {
            auto* cell = new Cell(renderer_, body_);
            connect(cell, &Cell::resized, this, &PhotosSheet::refresh, Qt::QueuedConnection);
            connect(cell, &Cell::zoomAsked, this,
                    [this](int direction, QPointF from) { document_.zoomBy(direction, from); });
            connect(cell, &Cell::panned, this,
                    [this](QPointF by) { document_.setPan(document_.pan() + by); });
            grid_->addWidget(cell, line, c + 1);
            cell->setVisible(true);
            row.cells.push_back(cell);
        }
        grid_->setRowStretch(line, 1);
    }
    for (int c = 1; c <= kMostColumns; ++c) grid_->setColumnStretch(c, c <= takes + 1 ? 1 : 0);
    refresh();
}

void PhotosSheet::refresh() {
    if (!isVisible() || rows_.empty()) return;
    tell();
    const double zoom = document_.zoom() > 0 ? document_.zoom() : 1;
    for (std::size_t i = 0; i < heads_.size(); ++i)
        heads_[i]->show(document_.takes()[i], {}, document_.chosen() == static_cast<int>(i));
    for (std::size_t r = 0; r < rows_.size(); ++r) {
        Row& row = rows_[r];
        const bool isShown = document_.photo() && row.photo == document_.photo();
        const std::vector<Probe>& probes = isShown ? document_.probes() : row.probes;
        const Look& look = isShown ? document_.look() : row.look;
        row.label->setText(nameOf(row));
        for (std::size_t c = 0; c < row.cells.size(); ++c) {
            Cell* cell = row.cells[c];
            const QSize screen = (QSizeF(cell->size()) * devicePixelRatioF()).toSize();
            if (screen.width() < 8 || screen.height() < 8) continue;
            if (!row.photo || probes.empty()) {
                cell->showNothing(row.problem.isEmpty() ? tr("Opening…") : row.problem);
                continue;
            }
            const Probe& probe = probes[static_cast<std::size_t>(probe_) % probes.size()];
            PicturePoint at = pictureOf(*row.photo, look, {double(probe.x), double(probe.y)});
            at.x += document_.pan().x(), at.y += document_.pan().y();
            const Settings settings = c == 0 ? Settings::original() : document_.takes()[c - 1].settings;
            cell->show(renderKey(recipeOf(row.photo, settings, look), at, {zoom, document_.push()}, screen),
                       kOrder + static_cast<double>(r) + rankByTime(settings.method));
        }
    }
}

QString PhotosSheet::nameOf(const Row& row) const {
    const QString name = QFileInfo(row.path).completeBaseName();
    return row.photo && row.photo->iso > 0 ? tr("%1\nISO %2").arg(name).arg(row.photo->iso) : name;
}

void PhotosSheet::tell() {
    const qsizetype all = photos_.size();
    told_->setText(
        rows_.size() < static_cast<std::size_t>(all)
            ? tr("%1 of %2 photos: those that differ most. Page Down: next probe.").arg(rows_.size()).arg(all)
            : tr("%1 photos. Page Down: next probe.").arg(all));
    told_->setToolTip(tr("Photos are chosen by ISO, brightness and texture. 1.00× is as much noise as was "
                         "measured in each."));
    paste_->setText(tr("Use these takes for all %1").arg(all));
}

void PhotosSheet::pasteToAll() { document_.giveTakes(photos_); }

void PhotosSheet::stepProbe(int by) {
    probe_ = std::max(0, probe_ + by);
    refresh();
}

bool PhotosSheet::allCurrent() const {
    if (rows_.empty() || choosing()) return false;
    for (const Row& row : rows_)
        for (const Cell* cell : row.cells)
            if (row.problem.isEmpty() && cell->state() != Cell::State::Current) return false;
    return true;
}

void PhotosSheet::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Escape: emit closeAsked(); return;
    case Qt::Key_PageDown: stepProbe(1); return;
    case Qt::Key_PageUp: stepProbe(-1); return;
    default: QWidget::keyPressEvent(event);
    }
}

void PhotosSheet::resizeEvent(QResizeEvent*) {
    QMetaObject::invokeMethod(this, &PhotosSheet::refresh, Qt::QueuedConnection);
}

} // namespace irenic
