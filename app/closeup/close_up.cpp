#include "closeup/close_up.h"

#include <QButtonGroup>
#include <QCloseEvent>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QSettings>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "base/shown_text.h"
#include "closeup/check_panel.h"
#include "closeup/difference_view.h"
#include "closeup/take_panel.h"
#include "closeup/zone_panel.h"
#include "develop/lens.h"
#include "references/reference_shelf.h"
#include "sheet/cell.h"
#include "style/flow.h"
#include "style/rule.h"
#include "style/style.h"

namespace irenic {

namespace {

const FieldInfo kGain = {
    "gain", "", IRENIC_TEXT("gain"), "×", 0, 16, 1, 1, IRENIC_TEXT("How much what differs is amplified.")};

} // namespace

CloseUp::CloseUp(Document& document, Renderer& renderer, ReferenceShelf& shelf, QWidget* parent)
    : QWidget(parent), document_(document), renderer_(renderer), shelf_(shelf), area_(new QWidget(this)),
      line_(new QWidget(area_)), crossing_(new QWidget(area_)),
      panel_(new TakePanel(document_, renderer_, this)), large_(new QLabel(area_)), says_(new QLabel(this)),
      manners_(new QButtonGroup(this)), difference_(new DifferenceView(renderer_, area_)),
      gain_(new Rule(kGain, 4, this)), what_(new QComboBox(this)), lines_(new QComboBox(this)),
      above_(new QToolButton(this)) {
    setObjectName(QStringLiteral("closeUp"));
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Close-up"));
    auto* strip = strip_ = new QWidget(this);
    auto* letters = new QWidget(strip);
    index_ = new QHBoxLayout(letters);
    index_->setContentsMargins(0, 0, 0, 0);
    index_->setSpacing(2);
    auto* back = new QToolButton(this);
    back->setText(tr("Sheet"));
    back->setObjectName(QStringLiteral("backToSheet"));
    back->setToolTip(tr("Goes back to the sheet. (Esc)"));
    connect(back, &QToolButton::clicked, this, &CloseUp::closeAsked);
    const struct {
        QString text, tip;
        Qt::Key key;
    } manners[] = {
        {tr("Flip"),
         tr("Shows one take at a time, all at the same place. Letters and arrows choose, Tab flips the last "
            "two, Space shows the original while held. (F5)"),
         Qt::Key_F5},
        {tr("Divide"), tr("Shows the last two takes on either side of a line that you drag. (F6)"),
         Qt::Key_F6},
        {tr("Side by side"), tr("Shows the last takes side by side, all at the same place. (F7)"),
         Qt::Key_F7},
        {tr("Removed"), tr("Shows what this take removed, amplified, on grey. (F8)"), Qt::Key_F8},
        {tr("Difference"), tr("Shows the last take minus this one, amplified, on grey. (F9)"), Qt::Key_F9}};
    auto* top = new Flow(strip);
    top->setContentsMargins(4, 3, 4, 3);
    top->addWidget(back);
    top->addGap();
    top->addWidget(letters);
    top->addGap();
    for (int i = 0; i < 5; ++i) {
        auto* b = new QToolButton(this);
        b->setText(manners[i].text);
        b->setToolTip(manners[i].tip);
        b->setShortcut(QKeySequence(manners[i].key));
        b->setCheckable(true);
        b->setObjectName(QStringLiteral("manner%1").arg(i));
        manners_->addButton(b, i);
        top->addWidget(b);
    }
    manners_->button(0)->setChecked(true);
    connect(manners_, &QButtonGroup::idClicked, this, [this](int id) { setManner(static_cast<Manner>(id)); });
    for (const QString& text : {tr("Luminance and colour"), tr("Luminance"), tr("Colour")})
        what_->addItem(text);
    what_->setAccessibleName(tr("Which part of the difference is shown"));
    what_->setObjectName(QStringLiteral("what"));
    gain_->setFixedWidth(150);
    for (const QString& text : {tr("Vertical"), tr("Horizontal"), tr("Follow pointer"), tr("Quarters")})
        lines_->addItem(text);
    lines_->setAccessibleName(tr("How the view is divided"));
    lines_->setToolTip(tr("Divides the view by a line that you drag, by one that follows the pointer, or "
                          "into quarters of up to four takes."));
    lines_->setObjectName(QStringLiteral("lines"));
    connect(lines_, &QComboBox::activated, this, [this](int at) { setLine(static_cast<Line>(at)); });
    above_->setText(tr("Stacked"));
    above_->setCheckable(true);
    above_->setObjectName(QStringLiteral("above"));
    above_->setToolTip(tr("Stacks the pictures instead of putting them side by side."));
    connect(above_, &QToolButton::clicked, this, [this] { refresh(), setFocus(); });
    top->addWidget(lines_);
    top->addWidget(above_);
    top->addWidget(gain_);
    top->addWidget(what_);
    connect(gain_, &Rule::changed, this, &CloseUp::compare);
    connect(what_, &QComboBox::currentIndexChanged, this, &CloseUp::compare);
    says_->setObjectName(QStringLiteral("says"));
    says_->setContentsMargins(6, 2, 6, 2);
    says_->setWordWrap(true);

    QFont big = font();
    big.setPointSizeF(big.pointSizeF() * 4);
    big.setWeight(QFont::DemiBold);
    large_->setFont(big);
    large_->setAlignment(Qt::AlignCenter);
    large_->setAutoFillBackground(true);
    large_->setAttribute(Qt::WA_TransparentForMouseEvents);
    large_->hide();
    fading_.setSingleShot(true);
    fading_.setInterval(700);
    connect(&fading_, &QTimer::timeout, large_, &QWidget::hide);
    for (QWidget* l : {line_, crossing_}) {
        l->installEventFilter(this);
        l->setAutoFillBackground(true);
        QPalette ochre = l->palette();
        ochre.setColor(QPalette::Window, style::ochre());
        l->setPalette(ochre);
    }
    area_->setMinimumSize(200, 150);
    area_->installEventFilter(this);

    connect(panel_, &TakePanel::wantsChanged, this, &CloseUp::refresh);
    connect(&panel_->checks(), &CheckPanel::placeAsked, this, &CloseUp::showPlace);
    connect(&panel_->checks(), &CheckPanel::mapChanged, this, [this] {
        emit mapChanged(panel_->checks().map());
        showZone();
    });
    connect(&panel_->checks(), &CheckPanel::message, &document_, &Document::message);
    connect(&panel_->checks(), &CheckPanel::takeAsked, this, [this](const Settings& settings) {
        document_.usePreset(tr("advised").toStdString(), {settings, {}});
    });
    connect(&panel_->zones(), &ZonePanel::changed, this, &CloseUp::showZone);
    auto* middle = new QHBoxLayout;
    middle->setSpacing(3);
    middle->addWidget(area_, 1);
    middle->addWidget(panel_);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(strip);
    column->addLayout(middle, 1);
    column->addWidget(says_);

    connect(&document_, &Document::photoChanged, this, &CloseUp::rebuild);
    connect(&document_, &Document::takesChanged, this, &CloseUp::rebuild);
    connect(&document_, &Document::settingsChanged, this, &CloseUp::refresh);
    connect(&document_, &Document::chosenChanged, this, &CloseUp::refresh);
    connect(&document_, &Document::viewChanged, this, &CloseUp::refresh);
    connect(&document_, &Document::probesChanged, this, &CloseUp::refresh);
    connect(&shelf_, &ReferenceShelf::changed, this, [this] {
        if (columns_ == columnsOf(document_.state())) refresh();
    });
    rebuild();
}

DifferenceView* CloseUp::removedBeside() const { return panel_->removed(); }

QString CloseUp::letterOf(int column) const {
    if (column < 0 || column >= columns()) return QStringLiteral("O");
    return QString::fromStdString(
        irenic::letterOf(columns_[static_cast<std::size_t>(column)], document_.state()));
}

int CloseUp::takeOf(int column) const {
    return column >= 1 && column <= static_cast<int>(document_.takes().size()) ? column - 1 : -1;
}

ReferencePtr CloseUp::referenceOf(int column) const {
    const std::optional<Shown> shown = shelf_.shownIn(columns_[static_cast<std::size_t>(column)]);
    const auto* reference = shown ? std::get_if<ReferencePtr>(&*shown) : nullptr;
    return reference ? *reference : nullptr;
}

void CloseUp::rebuild() {
    for (Cell* c : cells_) delete c;
    for (QToolButton* b : letters_) delete b;
    cells_.clear(), letters_.clear();
    columns_ = columnsOf(document_.state());
    column_ = std::min(column_, columns() - 1), before_ = std::min(before_, columns() - 1);
    for (int i = 0; i < columns(); ++i) {
        auto* cell = new Cell(renderer_, area_);
        connect(cell, &Cell::panned, this, [this](QPointF by, bool allRows) {
            allRows ? document_.setPan(document_.pan() + by) : document_.panRow(probeId(), by);
        });
        connect(cell, &Cell::zoomAsked, this,
                [this](int direction, QPointF from) { document_.zoomBy(direction, from, probeId()); });
        connect(cell, &Cell::hovered, this, [this](std::optional<QPoint> pixel) {
            for (Cell* c : cells_) c->setReadout(pixel);
            if (pixel && manner_ == Manner::Divided && lineKind_ == Line::Follows)
                moveLine(area_->mapFromGlobal(QCursor::pos()));
            emit hovered(pixel);
        });
        connect(cell, &Cell::becameCurrent, this, &CloseUp::compare);
        connect(cell, &Cell::doubled, this, &CloseUp::makeProbe);
        cell->setDoubleClickMakes(true);
        connect(cell, &Cell::painted, this, &CloseUp::paint);
        connect(cell, &Cell::clicked, this, &CloseUp::tellZones);
        connect(cell, &Cell::paintingEnded, this, &CloseUp::endPainting);
        connect(cell, &Cell::brushAsked, this, [this](int direction, bool softness) {
            ZonePanel::Brush brush = panel_->zones().brush();
            constexpr double kStep = 1.2, kSofter = 0.1;
            if (softness)
                brush.softness += direction * kSofter;
            else
                brush.diameter =
                    std::max(brush.diameter * std::pow(kStep, direction), brush.diameter + direction);
            panel_->zones().setBrush(brush);
        });
        cells_.push_back(cell);
        auto* letter = new QToolButton(this);
        letter->setText(letterOf(i));
        letter->setCheckable(true);
        letter->setObjectName(QStringLiteral("letter%1").arg(letterOf(i)));
        letter->setToolTip(i == 0 ? tr("Shows the original. (O)")
                           : takeOf(i) >= 0
                               ? tr("Shows take %1. (%1)").arg(letterOf(i))
                               : tr("Shows reference %1. (R; again for the next)").arg(letterOf(i)));
        letter->setFocusPolicy(Qt::NoFocus);
        connect(letter, &QToolButton::clicked, this, [this, i] { showColumn(i); });
        index_->addWidget(letter);
        letters_.push_back(letter);
    }
    panel_->forgetTake();
    refresh();
}

std::uint32_t CloseUp::probeId() const {
    const auto& probes = document_.probes();
    return probes.empty() ? 0
                          : probes[static_cast<std::size_t>(
                                       std::clamp<int>(probe_, 0, static_cast<int>(probes.size()) - 1))]
                                .id;
}

void CloseUp::open(int probe, int column) {
    probe_ = probe;
    before_ = 0;
    column_ = -1;
    showColumn(column);
    setFocus();
}

void CloseUp::showColumn(int column) {
    column = std::clamp(column, 0, columns() - 1);
    if (column != column_) {
        if (column_ >= 0) before_ = column_;
        column_ = column;
        large_->setText(letterOf(column_));
        large_->show();
        fading_.start();
    }
    panel_->forgetTake();
    refresh();
}

void CloseUp::setManner(Manner manner) {
    manner_ = manner;
    manners_->button(static_cast<int>(manner))->setChecked(true);
    refresh();
    setFocus();
}

std::vector<int> CloseUp::seen() const {
    switch (manner_) {
    case Manner::InPlace: return {held_ >= 0 ? held_ : column_};
    case Manner::Divided:
    case Manner::Beside: {
        // The last one, this one, and what else there is, up to four.
        std::vector<int> all{before_};
        if (column_ != before_) all.push_back(column_);
        int most = area_->width() >= 1100 ? 4 : area_->width() >= 700 ? 3 : 2;
        if (above_->isChecked()) most = area_->height() >= 600 ? 3 : 2;
        if (manner_ == Manner::Divided) most = lineKind_ == Line::Quarters ? 4 : 2;
        if (manner_ == Manner::Divided && lineKind_ != Line::Quarters) return all;
        for (int i = 0; i < columns() && static_cast<int>(all.size()) < most; ++i)
            if (std::find(all.begin(), all.end(), i) == all.end()) all.push_back(i);
        return all;
    }
    case Manner::Removed: return {0, column_};
    case Manner::Difference: return {before_, column_};
    }
    return {};
}

void CloseUp::refresh() {
    if (!isVisible() || !document_.photo() || document_.probes().empty()) return;
    probe_ = std::clamp(probe_, 0, static_cast<int>(document_.probes().size()) - 1);
    for (int i = 0; i < columns(); ++i) letters_[static_cast<std::size_t>(i)]->setChecked(i == column_);
    arrange();
    const QPointF seenFrom = middle();
    const PicturePoint centre{seenFrom.x(), seenFrom.y()};
    const std::vector<int> now = seen();
    QRectF place;
    for (int i = 0; i < columns(); ++i) {
        Cell* c = cell(i);
        const auto at = std::find(now.begin(), now.end(), i);
        const QSize screen = (QSizeF(c->size()) * devicePixelRatioF()).toSize();
        if (screen.width() < 8 || screen.height() < 8) continue;
        const auto key = keyOf(i, centre, screen);
        if (!key) {
            c->showNothing(
                shelf_.text(std::get<ReferenceColumn>(columns_[static_cast<std::size_t>(i)]).reference));
        } else {
            if (i == column_) place = QRectF(key->area.x, key->area.y, key->area.width, key->area.height);
            // What is seen first; its neighbours while nothing else is to be done.
            c->show(*key, at != now.end() ? -3000.0 + static_cast<double>(at - now.begin())
                                          : 100.0 + std::abs(i - column_));
        }
    }
    emit placeChanged(place);
    const int index = takeOf(column_);
    const ReferencePtr reference = referenceOf(column_);
    panel_->setVisible(index >= 0 || reference);
    if (reference) panel_->showReference(reference);
    if (index >= 0) {
        // Beside the pixels, at their zoom; in Removed itself it would be there twice.
        std::optional<DifferenceKey> removed;
        if (panel_->wantsRemoved() && manner_ != Manner::Removed) {
            const auto original = keyOf(0, centre, panel_->removedSize()),
                       own = keyOf(column_, centre, panel_->removedSize());
            removed = DifferenceKey{
                {original->shown, own->shown, DifferencePart::Everything, 4}, own->area, own->view.zoom};
        }
        panel_->showTake(index, removed);
    }
    showZone();
    compare();
}

std::optional<RenderKey> CloseUp::keyOf(int column, PicturePoint centre, QSize screen) const {
    const std::optional<Shown> shown = shelf_.shownIn(columns_[static_cast<std::size_t>(column)]);
    if (!shown) return {};
    return renderKey(*shown, document_.photo(), document_.look(), centre,
                     {document_.zoom(), document_.push()}, screen);
}

void CloseUp::setLine(Line line) {
    lineKind_ = line;
    lines_->setCurrentIndex(static_cast<int>(line));
    refresh();
    setFocus();
}

void CloseUp::moveLine(QPointF at) {
    const bool level = lineKind_ == Line::Level;
    const double share = level ? at.y() / std::max(1, area_->height()) : at.x() / std::max(1, area_->width());
    divider_ = std::clamp(share, 0.02, 0.98);
    if (lineKind_ == Line::Quarters)
        crossingShare_ = std::clamp(at.y() / std::max(1, area_->height()), 0.02, 0.98);
    arrange();
}

void CloseUp::arrange() {
    const std::vector<int> now = seen();
    const QRect all = area_->rect();
    for (Cell* c : cells_) c->setGeometry(all), c->clearMask(), c->hide();
    const bool grey = manner_ == Manner::Removed || manner_ == Manner::Difference;
    difference_->setGeometry(all);
    difference_->setVisible(grey);
    gain_->setVisible(grey), what_->setVisible(grey);
    const bool divided = manner_ == Manner::Divided && now.size() >= 2;
    line_->setVisible(divided);
    crossing_->setVisible(divided && lineKind_ == Line::Quarters);
    lines_->setVisible(manner_ == Manner::Divided);
    above_->setVisible(manner_ == Manner::Beside);
    if (manner_ == Manner::Beside) {
        const int count = static_cast<int>(now.size()), gap = 3;
        const bool above = above_->isChecked();
        const int whole = above ? all.height() : all.width(), side = (whole - gap * (count - 1)) / count;
        const QSize size = above ? QSize(all.width(), side) : QSize(side, all.height());
        for (Cell* c : cells_) c->setGeometry(QRect(QPoint(), size));
        for (int i = 0; i < count; ++i) {
            Cell* c = cell(now[static_cast<std::size_t>(i)]);
            const int at = i * (side + gap);
            c->setGeometry(QRect(above ? QPoint(0, at) : QPoint(at, 0), size));
            c->setVisible(true);
        }
    } else if (divided) {
        divide(now);
    } else {
        // Beneath the difference the take's cell takes the mouse.
        cell(now.back())->setVisible(true);
        cell(now.back())->raise();
    }
    if (!divided)
        for (int c : now) cell(c)->setBadge(grey ? QString() : letterOf(c));
    if (grey) difference_->raise();
    large_->setFixedSize(large_->sizeHint() + QSize(28, 8));
    large_->move((all.width() - large_->width()) / 2, all.height() / 8);
    large_->raise();
}

// Each column shows through in its part alone; letters stand in the outer corners.
void CloseUp::divide(const std::vector<int>& now) {
    const QRect all = area_->rect();
    const bool level = lineKind_ == Line::Level, quarters = lineKind_ == Line::Quarters;
    const int x = level ? all.width() : static_cast<int>(std::lround(divider_ * all.width()));
    const int y = level      ? static_cast<int>(std::lround(divider_ * all.height()))
                  : quarters ? static_cast<int>(std::lround(crossingShare_ * all.height()))
                             : all.height();
    const QRect parts[4] = {{0, 0, x, y},
                            level ? QRect(0, y, all.width(), all.height() - y)
                                  : QRect(x, 0, all.width() - x, y),
                            {0, y, x, all.height() - y},
                            {x, y, all.width() - x, all.height() - y}};
    for (std::size_t i = 0; i < now.size() && i < 4; ++i) {
        Cell* c = cell(now[i]);
        c->setMask(QRegion(parts[i]));
        c->setVisible(true);
        c->raise();
        using Corner = Qt::Corner;
        const Corner corners[4] = {Corner::TopLeftCorner,
                                   level ? Corner::BottomLeftCorner : Corner::TopRightCorner,
                                   Corner::BottomLeftCorner, Corner::BottomRightCorner};
        c->setBadge(letterOf(now[i]), corners[i]);
    }
    line_->setCursor(level ? Qt::SizeVerCursor : quarters ? Qt::SizeAllCursor : Qt::SizeHorCursor);
    crossing_->setCursor(Qt::SizeAllCursor);
    line_->setGeometry(level ? QRect(0, y - 2, all.width(), 4) : QRect(x - 2, 0, 4, all.height()));
    crossing_->setGeometry(0, y - 2, all.width(), 4);
    // A line under the pointer would take the pixels' place in the reading.
    line_->setAttribute(Qt::WA_TransparentForMouseEvents, lineKind_ == Line::Follows);
    line_->raise();
    if (quarters) crossing_->raise();
}

DifferenceKey CloseUp::differenceOf(int first, int second) const {
    const RenderKey& place = cell(std::max(0, column_))->wanted();
    const auto side = [&](int column) {
        const Column& what = columns_[static_cast<std::size_t>(std::max(0, column))];
        // While a reference is not there, what can be compared is the photo with itself.
        return shelf_.shownIn(what).value_or(
            Recipe{document_.photo(), Settings::original(), document_.look()});
    };
    return {{side(first), side(second), static_cast<DifferencePart>(what_->currentIndex()), gain_->value()},
            place.area,
            place.view.zoom};
}

void CloseUp::compare() {
    QString text;
    switch (manner_) {
    case Manner::Removed:
        text =
            column_ == 0
                ? tr("Removed: nothing, this is the original.")
                : tr("Removed by %1: even grain is noise, outlines are lost detail.").arg(letterOf(column_));
        break;
    case Manner::Difference:
        text = tr("%1 minus %2, relative to noise: lighter than grey means %1 is lighter.")
                   .arg(letterOf(before_), letterOf(column_));
        break;
    default: break;
    }
    says_->setText(text);
    says_->setVisible(!text.isEmpty());
    if (manner_ != Manner::Removed && manner_ != Manner::Difference) return;
    if (cell(std::max(0, column_))->wanted().empty()) return;
    difference_->show(differenceOf(manner_ == Manner::Removed ? 0 : before_, column_));
}

bool CloseUp::current() const {
    if (difference_->isVisible() && difference_->image().isNull()) return false;
    for (const int c : seen())
        if (cell(c)->state() != Cell::State::Current) return false;
    return true;
}

void CloseUp::choose() {
    if (takeOf(column_) >= 0) document_.choose(takeOf(column_));
}

void CloseUp::renew() {
    for (Cell* c : cells_) c->showNothing({});
    if (isVisible()) refresh();
}

void CloseUp::stepColumn(int by) { showColumn((column_ + by + columns()) % columns()); }

bool CloseUp::event(QEvent* event) {
    // Tab flips here; letters are the takes'.
    if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Tab) {
        if (static_cast<QKeyEvent*>(event)->modifiers() & Qt::ControlModifier)
            return focusNextPrevChild(true);
        showColumn(before_);
        return true;
    }
    if (event->type() == QEvent::Hide) { // they would keep the photo
        mask_ = {}, maskOf_ = {};
        panel_->checks().letGo();
        emit sweptChanged({});
    }
    if (event->type() == QEvent::Show)
        QMetaObject::invokeMethod(this, &CloseUp::refresh, Qt::QueuedConnection);
    return QWidget::event(event);
}

// The focus shows as a line below the strip: around the picture it would lie on what is judged.
void CloseUp::paintEvent(QPaintEvent*) {
    constexpr int kLine = 2;
    if (hasFocus())
        QPainter(this).fillRect(QRect(0, strip_->geometry().bottom() + 1 - kLine, width(), kLine),
                                style::ochre());
}

void CloseUp::closeEvent(QCloseEvent* event) {
    event->ignore();
    emit closeAsked();
}

void CloseUp::keyPressEvent(QKeyEvent* event) {
    const double step = 40 / std::max(0.1, document_.zoom() > 0 ? document_.zoom() : 1);
    const bool panning = event->modifiers() & Qt::ShiftModifier;
    const auto pan = [&](double x, double y) {
        document_.panRow(probeId(), QPointF(std::round(x * step), std::round(y * step)));
    };
    switch (event->key()) {
    case Qt::Key_Escape: emit closeAsked(); return;
    case Qt::Key_O: showColumn(0); return;
    case Qt::Key_Space:
        if (!event->isAutoRepeat()) held_ = 0, refresh();
        return;
    case Qt::Key_Left: panning ? pan(-1, 0) : stepColumn(-1); return;
    case Qt::Key_Right: panning ? pan(1, 0) : stepColumn(1); return;
    case Qt::Key_Up: panning ? pan(0, -1) : document_.zoomBy(1, {}, probeId()); return;
    case Qt::Key_Down: panning ? pan(0, 1) : document_.zoomBy(-1, {}, probeId()); return;
    case Qt::Key_P: {
        const Rect& area = cell(std::max(0, column_))->wanted().area;
        makeProbe({area.x + area.width / 2, area.y + area.height / 2});
        return;
    }
    case Qt::Key_R: {
        const int first = static_cast<int>(document_.takes().size()) + 1, count = columns() - first;
        if (count > 0) showColumn(column_ < first ? first : first + (column_ - first + 1) % count);
        return;
    }
    case Qt::Key_K: {
        using Tool = ZonePanel::Tool;
        const Tool wanted = panning ? Tool::Erase : Tool::Paint;
        ZonePanel& zones = panel_->zones();
        if (takeOf(column_) >= 0) zones.setTool(zones.tool() == wanted ? Tool::None : wanted);
        return;
    }
    case Qt::Key_N:
        if (canBeChecked(column_)) panel_->checks().step(panning ? -1 : 1);
        return;
    case Qt::Key_M: panel_->zones().showNext(); return;
    case Qt::Key_S: sweep(panning ? -1 : 1); return;
    case Qt::Key_PageDown: stepProbe(1); return;
    case Qt::Key_PageUp: stepProbe(-1); return;
    case Qt::Key_Return:
    case Qt::Key_Enter: choose(); return;
    default: break;
    }
    for (int i = 1; i < columns(); ++i)
        if (event->text().toUpper() == letterOf(i) && event->modifiers() == Qt::NoModifier)
            return showColumn(i);
    QWidget::keyPressEvent(event);
}

void CloseUp::keyReleaseEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Space && !event->isAutoRepeat() && held_ >= 0)
        held_ = -1, refresh();
    else
        QWidget::keyReleaseEvent(event);
}

void CloseUp::resizeEvent(QResizeEvent*) {
    QMetaObject::invokeMethod(this, &CloseUp::refresh, Qt::QueuedConnection);
}

bool CloseUp::eventFilter(QObject* watched, QEvent* event) {
    if (watched == area_ && event->type() == QEvent::Resize)
        QMetaObject::invokeMethod(this, &CloseUp::refresh, Qt::QueuedConnection);
    if ((watched == line_ || watched == crossing_) && event->type() == QEvent::MouseMove) {
        const auto* mouse = static_cast<QMouseEvent*>(event);
        if (mouse->buttons() & Qt::LeftButton) moveLine(area_->mapFromGlobal(mouse->globalPosition()));
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

} // namespace irenic
