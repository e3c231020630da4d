#include "sheet/sheet.h"

#include <QInputDialog>
#include <QLabel>
#include <QScrollArea>
#include <QScrollBar>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <numeric>

#include "develop/lens.h"
#include "references/reference_shelf.h"
#include "said.h"
#include "sheet/cell.h"
#include "sheet/reference_head.h"
#include "sheet/row_label.h"
#include "sheet/take_head.h"
#include "style/style.h"

namespace irenic {

Sheet::Sheet(Document& document, Renderer& renderer, ReferenceShelf& shelf, QWidget* parent)
    : QWidget(parent), document_(document), renderer_(renderer), shelf_(shelf) {
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    outer->setSpacing(0);
    for (QScrollArea** area : {&headArea_, &cellArea_}) {
        *area = new QScrollArea(this);
        (*area)->setFrameShape(QFrame::NoFrame);
        (*area)->setFocusPolicy(Qt::NoFocus);
        outer->addWidget(*area, area == &cellArea_ ? 1 : 0);
    }
    headArea_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    headArea_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(cellArea_->horizontalScrollBar(), &QScrollBar::valueChanged, headArea_->horizontalScrollBar(),
            &QScrollBar::setValue);
    resizing_.setSingleShot(true);
    resizing_.setInterval(0);
    connect(&resizing_, &QTimer::timeout, this, &Sheet::refresh);
    connect(&document_, &Document::photoChanged, this, &Sheet::rebuild);
    connect(&document_, &Document::takesChanged, this, &Sheet::rebuild);
    connect(&document_, &Document::probesChanged, this, [this] {
        std::vector<std::uint32_t> now;
        for (const Probe& p : document_.probes()) now.push_back(p.id);
        now == rowIds_&& sameNames() ? refresh() : rebuild();
    });
    connect(&shelf_, &ReferenceShelf::changed, this, [this] {
        // The shelf may hear of another photo before the sheet does.
        if (columns_ == columnsOf(document_.state())) refreshHeads(), refresh();
    });
    connect(&document_, &Document::settingsChanged, this, [this](int take) {
        takeInHand_ = document_.takes().at(static_cast<std::size_t>(take)).id;
        refreshHeads(), refresh();
    });
    connect(&document_, &Document::chosenChanged, this, &Sheet::refreshHeads);
    connect(&document_, &Document::viewChanged, this, [this] {
        // Panning and pushing move nothing in the sheet; fit and the way back do.
        if ((document_.zoom() > 0) != arrangedForPlaces_) arrange();
        refresh();
    });
    rebuild();
}

void Sheet::rebuild() {
    delete headRow_;
    delete body_;
    heads_.clear(), referenceHeads_.clear(), unfolds_.clear(), cells_.clear(), labels_.clear(),
        rowIds_.clear();
    names_.clear();
    columns_ = columnsOf(document_.state());
    rowInHand_ = columnInHand_ = 0;
    headRow_ = new QWidget;
    body_ = new QWidget;
    headArea_->setWidget(headRow_);
    cellArea_->setWidget(body_);
    makeHeads();
    for (std::size_t r = 0; r < document_.probes().size(); ++r) makeRow(r);
    refreshHeads();
    arrange();
    refresh();
}

void Sheet::makeHeads() {
    original_ = new QLabel(headRow_);
    original_->setContentsMargins(4, 4, 4, 3);
    original_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    original_->setObjectName(QStringLiteral("original"));
    const auto& takes = document_.takes();
    for (int i = 0; i < static_cast<int>(takes.size()); ++i) {
        auto* head = new TakeHead(takes[static_cast<std::size_t>(i)], headRow_);
        connect(head, &TakeHead::edited, this, [this, i](const Settings& s) { document_.setSettings(i, s); });
        connect(head, &TakeHead::openAsked, this, [this, i](bool open) { openHead(i, open); });
        connect(head, &TakeHead::chooseAsked, this, [this, i] { document_.choose(i); });
        connect(head, &TakeHead::keepAsked, this, [this, i] { emit presetAsked(i); });
        connect(head, &TakeHead::levelAsked, this, [this, i](NoiseKind kind) { emit levelAsked(i, kind); });
        const auto inHand = [this, i] { columnInHand_ = i + 1, setFocus(); };
        connect(head, &TakeHead::wideAsked, this, [this, inHand] { inHand(), openWide(Side::Columns); });
        connect(head, &TakeHead::foldAsked, this, [this, inHand] { inHand(), fold(Side::Columns); });
        // The heads are replaced by what these do: let the click finish first.
        connect(
            head, &TakeHead::dropped, this,
            [this, i](QPoint where) {
                const int last = static_cast<int>(document_.takes().size()) - 1;
                document_.moveTake(i, std::clamp(columnAt(where) - 1, 0, last));
            },
            Qt::QueuedConnection);
        connect(
            head, &TakeHead::renameAsked, this, [this, i] { askForName(i); }, Qt::QueuedConnection);
        connect(
            head, &TakeHead::duplicateAsked, this, [this, i] { document_.addTake(i); }, Qt::QueuedConnection);
        connect(
            head, &TakeHead::removeAsked, this, [this, i] { document_.removeTake(i); }, Qt::QueuedConnection);
        heads_.push_back(head);
    }
    const auto& references = document_.references();
    for (int i = 0; i < static_cast<int>(references.size()); ++i) {
        const ReferenceFile& file = references[static_cast<std::size_t>(i)];
        auto* head =
            new ReferenceHead(QStringLiteral("R%1").arg(i + 1), QString::fromStdString(file.file), headRow_);
        connect(head, &ReferenceHead::matchAsked, this,
                [this, i](bool on) { document_.matchReference(i, on); });
        connect(head, &ReferenceHead::cleanAsked, this,
                [this, i](int take) { document_.cleanReference(i, take); });
        connect(head, &ReferenceHead::againAsked, this, [this, id = file.id] { shelf_.retry(id); });
        connect(
            head, &ReferenceHead::closeAsked, this, [this, i] { document_.removeReference(i); },
            Qt::QueuedConnection);
        referenceHeads_.push_back(head);
    }
    for (int c = 0; c < columns(); ++c) {
        auto* button = new QToolButton(headRow_);
        button->setText(
            QString::fromStdString(letterOf(columns_[static_cast<std::size_t>(c)], document_.state())));
        button->setToolTip(tr("Shows the collapsed column %1.").arg(button->text()));
        button->setObjectName(QStringLiteral("unfold%1").arg(button->text()));
        connect(
            button, &QToolButton::clicked, this,
            [this, c] { columnInHand_ = c, setFocus(), fold(Side::Columns); }, Qt::QueuedConnection);
        unfolds_.push_back(button);
    }
}

void Sheet::makeRow(std::size_t r) {
    const Probe& probe = document_.probes()[r];
    const int row = static_cast<int>(r);
    rowIds_.push_back(probe.id), names_.push_back(probe.name);
    auto* label = new RowLabel(row + 1, probe, body_);
    const auto inHand = [this, row] { rowInHand_ = row, setFocus(); };
    connect(label, &RowLabel::wideAsked, this, [this, inHand] { inHand(), openWide(Side::Rows); });
    connect(label, &RowLabel::foldAsked, this, [this, inHand] { inHand(), fold(Side::Rows); });
    connect(
        label, &RowLabel::renameAsked, this, [this, row] { askForProbeName(row); }, Qt::QueuedConnection);
    connect(
        label, &RowLabel::removeAsked, this, [this, row] { document_.removeProbe(row); },
        Qt::QueuedConnection);
    connect(
        label, &RowLabel::dropped, this,
        [this, row](QPoint where) { document_.orderProbe(row, rowAt(where)); }, Qt::QueuedConnection);
    labels_.push_back(label);
    cells_.emplace_back();
    for (int c = 0; c < columns(); ++c) {
        auto* cell = new Cell(renderer_, body_);
        connect(cell, &Cell::panned, this, [this, id = probe.id](QPointF by, bool allRows) {
            allRows ? document_.setPan(document_.pan() + by) : document_.panRow(id, by);
        });
        connect(cell, &Cell::probeDragged, this, [this, row](QRectF area) {
            const auto corner = [&](QPointF at) {
                return sourceOf(*document_.photo(), document_.look(), {at.x(), at.y()});
            };
            const SourcePoint from = corner(area.topLeft()), to = corner(area.bottomRight());
            const auto whole = [](double v) { return static_cast<int>(std::lround(v)); };
            document_.setProbeArea(row, {whole(from.x), whole(from.y), whole(to.x) - whole(from.x),
                                         whole(to.y) - whole(from.y)});
        });
        connect(cell, &Cell::zoomAsked, this, [this, id = probe.id](int direction, QPointF from) {
            document_.zoomBy(direction, from, id);
        });
        connect(cell, &Cell::opened, this, [this, row, c] { emit opened(row, c); });
        connect(cell, &Cell::moveAsked, this, [this, row, c](int across, int down) {
            if (Cell* next = this->cell(row + down, c + across)) {
                next->setFocus();
                cellArea_->ensureWidgetVisible(next, 0, 0);
            }
        });
        connect(cell, &Cell::picked, this, &Sheet::picked);
        connect(cell, &Cell::hovered, this, [this, row, c](std::optional<QPoint> pixel) {
            rowInHand_ = row, columnInHand_ = c;
            for (Cell* other : cells_[static_cast<std::size_t>(row)]) other->setReadout(pixel);
            emit hovered(pixel);
        });
        cell->setPicking(picking_);
        connect(cell, &Cell::resized, &resizing_, qOverload<>(&QTimer::start));
        cells_.back().push_back(cell);
    }
}

bool Sheet::sameNames() const {
    const auto& probes = document_.probes();
    return std::equal(probes.begin(), probes.end(), names_.begin(), names_.end(),
                      [](const Probe& p, const std::string& name) { return p.name == name; });
}

void Sheet::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
}

void Sheet::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    arrange();
}

void Sheet::openHead(int take, bool open) {
    openTake_ = open ? document_.takes().at(static_cast<std::size_t>(take)).id : 0;
    if (!open) allOpen_ = false;
    arrange();
}

void Sheet::openAllHeads(bool open) {
    allOpen_ = open;
    openTake_ = 0;
    arrange();
}

void Sheet::askForName(int take) {
    const QString now = QString::fromStdString(document_.takes().at(static_cast<std::size_t>(take)).name);
    bool given = false;
    const QString name = QInputDialog::getText(this, tr("Name of the take"), tr("Name, empty for none:"),
                                               QLineEdit::Normal, now, &given);
    if (given) document_.renameTake(take, name.toStdString());
}

void Sheet::askForProbeName(int probe) {
    const QString now = QString::fromStdString(document_.probes().at(static_cast<std::size_t>(probe)).name);
    bool given = false;
    const QString name =
        QInputDialog::getText(this, tr("Name of the probe"), tr("Name:"), QLineEdit::Normal, now, &given);
    if (given) document_.renameProbe(probe, name.toStdString());
}

QString Sheet::originalText() const {
    const PhotoPtr photo = document_.photo();
    if (!photo) return tr("<b>Original</b>");
    const double sigma = 100 * photo->noise.channel[1].sigma(0.18);
    // Where texture cannot be told from noise, the figure is the most that it can be.
    return photo->noiseDoubt > 0.05 ? tr("<b>Original</b>&nbsp; Noise %1 to %2 %")
                                          .arg(numberOf((1 - photo->noiseDoubt) * sigma, 2))
                                          .arg(numberOf(sigma, 2))
                                    : tr("<b>Original</b>&nbsp; Noise %1 %").arg(numberOf(sigma, 2));
}

void Sheet::refreshHeads() {
    original_->setText(originalText());
    const PhotoPtr photo = document_.photo();
    QString tip =
        tr("The photo before noise reduction. Measured noise in per cent of white (green channel):");
    if (photo)
        tip += tr("\n%1 % at black, %2 % at mid-grey.")
                   .arg(numberOf(100 * photo->noise.channel[1].sigma(0), 2))
                   .arg(numberOf(100 * photo->noise.channel[1].sigma(0.18), 2));
    if (photo && photo->noiseDoubt > 0.05)
        tip += tr("\nNothing in this photo is flat: the noise may be up to %1 % less.")
                   .arg(numberOf(100 * photo->noiseDoubt, 0));
    if (photo && photo->noiseFrom == NoiseFrom::Camera)
        tip +=
            tr("\nNothing in this photo is flat, so the figure is that of other photos of this camera (%1).")
                .arg(photo->noisePhotos);
    else if (photo && photo->noiseFrom == NoiseFrom::File)
        tip += tr("\nNothing in this photo is flat, so the figure is the one that the file states.");
    else if (photo && photo->statedNoise)
        tip += tr("\nThe file states %1 % at black and %2 % at mid-grey.")
                   .arg(numberOf(100 * photo->statedNoise->channel[1].sigma(0), 2))
                   .arg(numberOf(100 * photo->statedNoise->channel[1].sigma(0.18), 2));
    if (photo)
        tip += tr("\nBad pixels: %1. Banding, relative to noise at black: rows %2, columns %3. Takes repair "
                  "both unless their\nmenu says otherwise. The original is shown as it is.")
                   .arg(photo->pattern.defects.size())
                   .arg(numberOf(photo->pattern.rowSigma, 3))
                   .arg(numberOf(photo->pattern.columnSigma, 3));
    if (photo && photo->pattern.deadColumns + photo->pattern.deadRows > 0)
        tip += tr("\nDead columns: %1, dead rows: %2. Takes fill them from both sides.")
                   .arg(photo->pattern.deadColumns)
                   .arg(photo->pattern.deadRows);
    if (photo && !photo->smoothing.none())
        tip += tr("\nThe camera smoothed this raw (%1 % to each neighbour). Takes undo that, remove noise, "
                  "and smooth again.")
                   .arg(numberOf(100 * photo->smoothing.beside, 0));
    if (photo && !photo->unevenness.none())
        tip +=
            tr("\nThe noise is uneven, and takes clean accordingly: %1 times as much at the right as at the "
               "left,\n%2 times at the bottom as at the top, %3 times in the corners as in the middle.")
                .arg(numberOf(photo->unevenness.rightOverLeft(), 1))
                .arg(numberOf(photo->unevenness.bottomOverTop(), 1))
                .arg(numberOf(photo->unevenness.cornersOverMiddle(), 1));
    original_->setToolTip(tip);
    for (std::size_t i = 0; i < heads_.size(); ++i)
        heads_[i]->show(document_.takes()[i], document_.facts(), document_.chosen() == static_cast<int>(i));
    QStringList letters;
    for (const Take& t : document_.takes()) letters << QString(QLatin1Char(t.letter));
    for (std::size_t i = 0; i < referenceHeads_.size(); ++i) {
        const ReferenceFile& r = document_.references()[i];
        referenceHeads_[i]->show(shelf_.text(r.id), r.matched, !r.cleaned.empty(), shelf_.failed(r.id),
                                 letters);
    }
}

void Sheet::refresh() {
    const PhotoPtr photo = document_.photo();
    if (!photo || !isVisible()) return; // what is not seen is rendered when it is
    for (std::size_t r = 0; r < static_cast<std::size_t>(rows()); ++r) {
        const Probe& probe = document_.probes()[r];
        if (arrangedForPlaces_ && isFolded(probe)) continue;
        // Probes are places of the photo itself; cells show the developed picture.
        PicturePoint centre = pictureOf(*photo, document_.look(), {double(probe.x), double(probe.y)});
        const QPointF pan = document_.panOf(probe.id);
        const QRectF frame(centre.x - probe.width / 2.0, centre.y - probe.height / 2.0, probe.width,
                           probe.height);
        centre.x += pan.x(), centre.y += pan.y();
        // Columns may differ by a pixel; the crops must not. Strips beside a wide column show what they can.
        int widest = 0;
        for (const Cell* cell : cells_[r]) widest = std::max(widest, cell->width());
        QSize size = cells_[r].front()->size();
        size.setWidth(widest);
        for (const Cell* cell : cells_[r])
            if (cell->width() + 2 >= widest) size = size.boundedTo(cell->size());
        for (std::size_t c = 0; c < cells_[r].size(); ++c) {
            Cell* cell = cells_[r][c];
            if (isFolded(columns_[c])) continue;
            const QSize own =
                cell->width() + 2 >= widest ? size : cell->size().boundedTo(size.expandedTo(cell->size()));
            if (own.width() < 8 || own.height() < 8) continue;
            const std::optional<Shown> shown = shelf_.shownIn(columns_[c]);
            if (!shown) {
                cell->showNothing(shelf_.text(std::get<ReferenceColumn>(columns_[c]).reference));
                continue;
            }
            const RenderKey key =
                renderKey(*shown, photo, document_.look(), centre, {document_.zoom(), document_.push()},
                          (QSizeF(own) * devicePixelRatioF()).toSize());
            cell->show(key, orderOf(static_cast<int>(r), columns_[c]));
            cell->setProbe(document_.zoom() > 0 ? frame : QRectF());
        }
    }
}

double Sheet::orderOf(int row, const Column& column) const {
    const int away = std::abs(row - rowInHand_);
    const auto* own = std::get_if<TakeColumn>(&column);
    if (!own) return away - (std::holds_alternative<OriginalColumn>(column) ? 2000 : 1900);
    if (own->take == takeInHand_) return away - 1000;
    // The quick methods of all rows come before the slow ones.
    return away + 16.0 * rankByTime(settingsOf(column, document_.state()).method);
}

Cell* Sheet::cell(int row, int column) const {
    if (row < 0 || row >= rows() || column < 0 || column >= columns()) return nullptr;
    return cells_[static_cast<std::size_t>(row)][static_cast<std::size_t>(column)];
}

void Sheet::renew() { rebuild(); }

void Sheet::setPicking(bool on) {
    picking_ = on;
    for (const auto& row : cells_)
        for (Cell* c : row) c->setPicking(on);
}

bool Sheet::allCurrent() const {
    for (std::size_t r = 0; r < static_cast<std::size_t>(rows()); ++r)
        for (const Cell* c : cells_[r])
            if (!c->isHidden() && c->state() != Cell::State::Current) return false;
    return !cells_.empty();
}

} // namespace irenic
