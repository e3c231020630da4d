#include "sheet/sheet.h"

#include <QInputDialog>
#include <QLabel>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "develop/lens.h"
#include "sheet/cell.h"
#include "sheet/take_head.h"
#include "style/style.h"

namespace irenic {

namespace {

// A cell is never smaller than this in a sheet that has to scroll anyway.
constexpr int kLeastColumn = 180, kLeastRow = 192, kSpace = 3, kLabelWidth = 20;

// A row's name, written upwards along its left edge.
class RowLabel : public QWidget {
  public:
    RowLabel(int number, const Probe& probe, QWidget* parent)
        : QWidget(parent),
          text_(QStringLiteral("%1  %2").arg(number).arg(QString::fromStdString(probe.name))) {
        setToolTip(QString::fromStdString(probe.reason));
        setAccessibleName(text_);
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.translate(0, height());
        p.rotate(-90);
        p.setPen(style::text());
        p.drawText(QRect(4, 0, height() - 8, width()), Qt::AlignVCenter | Qt::AlignRight, text_);
    }

  private:
    QString text_;
};

} // namespace

Sheet::Sheet(Document& document, Renderer& renderer, QWidget* parent)
    : QWidget(parent), document_(document), renderer_(renderer) {
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
        if (static_cast<int>(document_.probes().size()) == rows())
            refresh();
        else
            rebuild();
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
    heads_.clear(), cells_.clear(), labels_.clear();
    columns_ = {OriginalColumn{}};
    for (const Take& take : document_.takes()) columns_.emplace_back(TakeColumn{take.id});
    rowInHand_ = 0;
    headRow_ = new QWidget;
    body_ = new QWidget;
    headArea_->setWidget(headRow_);
    cellArea_->setWidget(body_);

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
        // The heads are replaced by what these do: let the click finish first.
        connect(
            head, &TakeHead::renameAsked, this, [this, i] { askForName(i); }, Qt::QueuedConnection);
        connect(
            head, &TakeHead::duplicateAsked, this, [this, i] { document_.addTake(i); }, Qt::QueuedConnection);
        connect(
            head, &TakeHead::removeAsked, this, [this, i] { document_.removeTake(i); }, Qt::QueuedConnection);
        heads_.push_back(head);
    }
    for (std::size_t r = 0; r < document_.probes().size(); ++r) {
        labels_.push_back(new RowLabel(static_cast<int>(r) + 1, document_.probes()[r], body_));
        cells_.emplace_back();
        for (int c = 0; c < columns(); ++c) {
            auto* cell = new Cell(renderer_, body_);
            connect(cell, &Cell::panned, this,
                    [this](QPointF by) { document_.setPan(document_.pan() + by); });
            connect(cell, &Cell::zoomAsked, this,
                    [this](int direction, QPointF from) { document_.zoomBy(direction, from); });
            connect(cell, &Cell::opened, this, [this, r, c] { emit opened(static_cast<int>(r), c); });
            connect(cell, &Cell::moveAsked, this, [this, r, c](int across, int down) {
                if (Cell* next = this->cell(static_cast<int>(r) + down, c + across)) {
                    next->setFocus();
                    cellArea_->ensureWidgetVisible(next, 0, 0);
                }
            });
            connect(cell, &Cell::picked, this, &Sheet::picked);
            connect(cell, &Cell::hovered, this, [this, r](std::optional<QPoint> pixel) {
                rowInHand_ = static_cast<int>(r);
                for (Cell* other : cells_[r]) other->setReadout(pixel);
                emit hovered(pixel);
            });
            cell->setPicking(picking_);
            connect(cell, &Cell::resized, &resizing_, qOverload<>(&QTimer::start));
            cells_.back().push_back(cell);
        }
    }
    refreshHeads();
    arrange();
    refresh();
}

void Sheet::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
}

void Sheet::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    arrange();
}

void Sheet::arrange() {
    arrangedForPlaces_ = document_.zoom() > 0;
    int headHeight = original_->sizeHint().height();
    for (std::size_t i = 0; i < heads_.size(); ++i) {
        heads_[i]->setOpen(allOpen_ || document_.takes()[i].id == openTake_);
        headHeight = std::max(headHeight, heads_[i]->sizeHint().height());
    }
    headArea_->setFixedHeight(headHeight);
    const int shown = rows(), count = columns();
    const QSize all(width(), height() - headHeight);
    const int bar = style()->pixelMetric(QStyle::PM_ScrollBarExtent);
    const int fitting = std::clamp(all.height() / (kLeastRow + kSpace), 1, std::max(1, shown));
    const int side = all.width() - (shown > fitting ? bar : 0) - kLabelWidth;
    const int columnWidth = std::max(kLeastColumn, side / count);
    const int foot = columnWidth * count > side ? bar : 0;
    const int rowHeight = std::max(24, (all.height() - foot) / fitting);
    headRow_->setFixedSize(kLabelWidth + columnWidth * count, headHeight);
    body_->setFixedSize(kLabelWidth + columnWidth * count, rowHeight * std::max(1, shown));
    for (int c = 0; c < count; ++c) {
        QWidget* head = c == 0 ? static_cast<QWidget*>(original_) : heads_[static_cast<std::size_t>(c - 1)];
        head->setGeometry(kLabelWidth + c * columnWidth, 0, columnWidth - kSpace, headHeight);
        head->setVisible(true);
    }
    for (std::size_t r = 0; r < cells_.size(); ++r) {
        const int top = static_cast<int>(r) * rowHeight, high = rowHeight - kSpace;
        const bool visible = static_cast<int>(r) < shown;
        labels_[r]->setGeometry(0, top, kLabelWidth, high);
        labels_[r]->setVisible(visible && document_.zoom() > 0); // at fit it is the whole photo
        for (std::size_t c = 0; c < cells_[r].size(); ++c) {
            cells_[r][c]->setGeometry(kLabelWidth + static_cast<int>(c) * columnWidth, top,
                                      columnWidth - kSpace, high);
            cells_[r][c]->setVisible(visible);
        }
    }
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

QString Sheet::originalText() const {
    const PhotoPtr photo = document_.photo();
    if (!photo) return tr("<b>Original</b>");
    return tr("<b>Original</b>&nbsp; σ %1 %").arg(100 * photo->noise.channel[1].sigma(0.18), 0, 'f', 2);
}

void Sheet::refreshHeads() {
    original_->setText(originalText());
    const PhotoPtr photo = document_.photo();
    QString tip =
        tr("The photo as it is. Its noise, measured, in per cent of the white level (green channel):");
    if (photo)
        tip += tr("\n%1 % at black, %2 % at mid-grey.")
                   .arg(100 * photo->noise.channel[1].sigma(0), 0, 'f', 2)
                   .arg(100 * photo->noise.channel[1].sigma(0.18), 0, 'f', 2);
    if (photo && photo->statedNoise)
        tip += tr("\nThe file's own noise profile says %1 % at black and %2 % at mid-grey.")
                   .arg(100 * photo->statedNoise->channel[1].sigma(0), 0, 'f', 2)
                   .arg(100 * photo->statedNoise->channel[1].sigma(0.18), 0, 'f', 2);
    if (photo)
        tip += tr("\nHot and dead pixels: %1. Lines of the read-out, over the noise at black: rows %2 σ, "
                  "columns %3 σ. Takes mend both unless\ntheir menu says otherwise; the original is shown as "
                  "it is.")
                   .arg(photo->pattern.defects.size())
                   .arg(photo->pattern.rowSigma, 0, 'f', 3)
                   .arg(photo->pattern.columnSigma, 0, 'f', 3);
    original_->setToolTip(tip);
    for (std::size_t i = 0; i < heads_.size(); ++i)
        heads_[i]->show(document_.takes()[i], document_.chosen() == static_cast<int>(i));
}

void Sheet::refresh() {
    const PhotoPtr photo = document_.photo();
    if (!photo || !isVisible()) return; // what is not seen is rendered when it is
    for (std::size_t r = 0; r < static_cast<std::size_t>(rows()); ++r) {
        const Probe& probe = document_.probes()[r];
        // Probes are places of the photo itself; cells show the developed picture.
        PicturePoint centre = pictureOf(*photo, document_.look(), {double(probe.x), double(probe.y)});
        centre.x += document_.pan().x(), centre.y += document_.pan().y();
        // Columns may differ by a pixel; the crops must not.
        QSize size = cells_[r].front()->size();
        for (const Cell* cell : cells_[r]) size = size.boundedTo(cell->size());
        const QSize screen = (QSizeF(size) * devicePixelRatioF()).toSize();
        for (std::size_t c = 0; c < cells_[r].size(); ++c) {
            if (size.width() < 8 || size.height() < 8) continue;
            const RenderKey key =
                renderKey(photo, settingsOf(columns_[c], document_.state()), document_.look(), centre,
                          {document_.zoom(), document_.push()}, screen);
            cells_[r][c]->show(key, orderOf(static_cast<int>(r), columns_[c]));
        }
    }
}

double Sheet::orderOf(int row, const Column& column) const {
    const int away = std::abs(row - rowInHand_);
    const auto* own = std::get_if<TakeColumn>(&column);
    if (!own) return away - 2000;
    if (own->take == takeInHand_) return away - 1000;
    // Methods are listed by the time that they take.
    const std::string method = settingsOf(column, document_.state()).method;
    const auto at =
        std::find_if(methods().begin(), methods().end(), [&](const auto& m) { return m->id() == method; });
    return 16.0 * away + static_cast<double>(at - methods().begin());
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
            if (c->state() != Cell::State::Current) return false;
    return !cells_.empty();
}

} // namespace irenic
