#include "closeup/close_up.h"

#include <QButtonGroup>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "closeup/difference_view.h"
#include "develop/lens.h"
#include "sheet/cell.h"
#include "sheet/take_head.h"
#include "style/rule.h"
#include "style/style.h"

namespace irenic {

namespace {

const FieldInfo kGain = {"gain", "", "gain", "×", 0, 16, 1, 1, "How much what differs is amplified."};
constexpr int kControls = 230; // width of the strip with the take's strengths

} // namespace

CloseUp::CloseUp(Document& document, Renderer& renderer, QWidget* parent)
    : QWidget(parent), document_(document), renderer_(renderer), index_(new QHBoxLayout),
      area_(new QWidget(this)), line_(new QWidget(area_)), controls_(new QWidget(this)),
      large_(new QLabel(area_)), says_(new QLabel(this)), manners_(new QButtonGroup(this)),
      difference_(new DifferenceView(renderer_, area_)), gain_(new Rule(kGain, 4, this)),
      what_(new QComboBox(this)) {
    setObjectName(QStringLiteral("closeUp"));
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Close-up"));
    index_->setSpacing(2);
    auto* back = new QToolButton(this);
    back->setText(tr("Sheet"));
    back->setObjectName(QStringLiteral("backToSheet"));
    back->setToolTip(tr("Back to the sheet. Key Esc"));
    connect(back, &QToolButton::clicked, this, &CloseUp::closeAsked);
    const struct {
        QString text, tip;
        Qt::Key key;
    } manners[] = {
        {tr("In place"),
         tr("One after the other at the same place: the letters, arrows, Tab for the last two, "
            "Space held for the original. Key F5"),
         Qt::Key_F5},
        {tr("Divided"), tr("The last two at either side of a line that is dragged. Key F6"), Qt::Key_F6},
        {tr("Beside"), tr("The last ones beside each other, at the same place. Key F7"), Qt::Key_F7},
        {tr("Removed"), tr("What this take took away, amplified, on grey. Key F8"), Qt::Key_F8},
        {tr("Difference"), tr("The last one less this one, amplified, on grey. Key F9"), Qt::Key_F9}};
    auto* top = new QHBoxLayout;
    top->setContentsMargins(4, 3, 4, 3);
    top->addWidget(back);
    top->addSpacing(style::kWideGap);
    top->addLayout(index_);
    top->addSpacing(style::kWideGap);
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
    for (const QString& text : {tr("everything"), tr("luminance"), tr("colour")}) what_->addItem(text);
    what_->setAccessibleName(tr("What of the difference is shown"));
    what_->setObjectName(QStringLiteral("what"));
    gain_->setFixedWidth(150);
    top->addWidget(gain_);
    top->addWidget(what_);
    top->addStretch(1);
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
    line_->setCursor(Qt::SizeHorCursor);
    line_->installEventFilter(this);
    line_->setAutoFillBackground(true);
    QPalette ochre = line_->palette();
    ochre.setColor(QPalette::Window, style::ochre());
    line_->setPalette(ochre);
    area_->setMinimumSize(200, 150);
    area_->installEventFilter(this);

    controls_->setFixedWidth(kControls);
    (new QVBoxLayout(controls_))->setContentsMargins(0, 0, 0, 0);
    auto* middle = new QHBoxLayout;
    middle->setSpacing(3);
    middle->addWidget(area_, 1);
    middle->addWidget(controls_);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addLayout(top);
    column->addLayout(middle, 1);
    column->addWidget(says_);

    connect(&document_, &Document::photoChanged, this, &CloseUp::rebuild);
    connect(&document_, &Document::takesChanged, this, &CloseUp::rebuild);
    connect(&document_, &Document::settingsChanged, this, &CloseUp::refresh);
    connect(&document_, &Document::chosenChanged, this, &CloseUp::refresh);
    connect(&document_, &Document::viewChanged, this, &CloseUp::refresh);
    connect(&document_, &Document::probesChanged, this, &CloseUp::refresh);
    rebuild();
}

QString CloseUp::letterOf(int column) const {
    if (column <= 0 || column >= columns()) return QStringLiteral("O");
    return QString(QLatin1Char(document_.takes()[static_cast<std::size_t>(column - 1)].letter));
}

void CloseUp::rebuild() {
    for (Cell* c : cells_) delete c;
    for (QToolButton* b : letters_) delete b;
    cells_.clear(), letters_.clear();
    columns_ = {OriginalColumn{}};
    for (const Take& take : document_.takes()) columns_.emplace_back(TakeColumn{take.id});
    column_ = std::min(column_, columns() - 1), before_ = std::min(before_, columns() - 1);
    for (int i = 0; i < columns(); ++i) {
        auto* cell = new Cell(renderer_, area_);
        connect(cell, &Cell::panned, this, [this](QPointF by) { document_.setPan(document_.pan() + by); });
        connect(cell, &Cell::zoomAsked, this,
                [this](int direction, QPointF from) { document_.zoomBy(direction, from); });
        connect(cell, &Cell::hovered, this, [this](std::optional<QPoint> pixel) {
            for (Cell* c : cells_) c->setReadout(pixel);
            emit hovered(pixel);
        });
        connect(cell, &Cell::becameCurrent, this, &CloseUp::compare);
        connect(cell, &Cell::opened, this, &CloseUp::closeAsked);
        cells_.push_back(cell);
        auto* letter = new QToolButton(this);
        letter->setText(letterOf(i));
        letter->setCheckable(true);
        letter->setObjectName(QStringLiteral("letter%1").arg(letterOf(i)));
        letter->setToolTip(i == 0 ? tr("The original. Key O") : tr("Take %1. Key %1").arg(letterOf(i)));
        letter->setFocusPolicy(Qt::NoFocus);
        connect(letter, &QToolButton::clicked, this, [this, i] { showColumn(i); });
        index_->addWidget(letter);
        letters_.push_back(letter);
    }
    delete head_;
    head_ = nullptr;
    refresh();
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
    delete head_;
    head_ = nullptr;
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
        return before_ == column_ ? std::vector<int>{column_} : std::vector<int>{before_, column_};
    case Manner::Beside: {
        // The last one, this one, and what else there is, up to four.
        std::vector<int> all{before_};
        if (column_ != before_) all.push_back(column_);
        const int most = area_->width() >= 1100 ? 4 : area_->width() >= 700 ? 3 : 2;
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
    const Probe& probe = document_.probes()[static_cast<std::size_t>(probe_)];
    PicturePoint centre = pictureOf(*document_.photo(), document_.look(), {double(probe.x), double(probe.y)});
    centre.x += document_.pan().x(), centre.y += document_.pan().y();
    const std::vector<int> now = seen();
    QRectF place;
    for (int i = 0; i < columns(); ++i) {
        const auto c = static_cast<std::size_t>(i);
        const auto at = std::find(now.begin(), now.end(), i);
        const QSize screen = (QSizeF(cells_[c]->size()) * devicePixelRatioF()).toSize();
        if (screen.width() < 8 || screen.height() < 8) continue;
        const RenderKey key =
            renderKey(document_.photo(), settingsOf(columns_[c], document_.state()), document_.look(), centre,
                      {document_.zoom(), document_.push()}, screen);
        // What is seen first; its neighbours while nothing else is to be done.
        cells_[c]->show(key, at != now.end() ? -3000.0 + static_cast<double>(at - now.begin())
                                             : 100.0 + std::abs(i - column_));
        if (i == column_) place = QRectF(key.area.x, key.area.y, key.area.width, key.area.height);
    }
    emit placeChanged(place);
    controls_->setVisible(column_ > 0);
    if (column_ > 0) {
        const Take& take = document_.takes()[static_cast<std::size_t>(column_ - 1)];
        if (!head_) {
            const int index = column_ - 1;
            head_ = new TakeHead(take, controls_);
            head_->setOpen(true);
            connect(head_, &TakeHead::edited, this,
                    [this, index](const Settings& s) { document_.setSettings(index, s); });
            connect(head_, &TakeHead::chooseAsked, this, [this, index] { document_.choose(index); });
            connect(head_, &TakeHead::openAsked, this, [this](bool open) { head_->setOpen(open); });
            controls_->layout()->addWidget(head_);
        }
        head_->show(take, document_.chosen() == column_ - 1);
        head_->setVisible(true);
    }
    compare();
}

void CloseUp::arrange() {
    const std::vector<int> now = seen();
    const QRect all = area_->rect();
    for (Cell* c : cells_) c->setGeometry(all), c->clearMask(), c->hide();
    const bool grey = manner_ == Manner::Removed || manner_ == Manner::Difference;
    difference_->setGeometry(all);
    difference_->setVisible(grey);
    gain_->setVisible(grey), what_->setVisible(grey);
    line_->setVisible(manner_ == Manner::Divided && now.size() == 2);
    if (manner_ == Manner::Beside) {
        const int count = static_cast<int>(now.size()), gap = 3;
        const int side = (all.width() - gap * (count - 1)) / count;
        for (Cell* c : cells_) c->setGeometry(0, 0, side, all.height());
        for (int i = 0; i < count; ++i) {
            Cell* c = cell(now[static_cast<std::size_t>(i)]);
            c->setGeometry(i * (side + gap), 0, side, all.height());
            c->setVisible(true);
        }
    } else if (manner_ == Manner::Divided && now.size() == 2) {
        const int x = static_cast<int>(std::lround(divider_ * all.width()));
        cell(now[0])->setVisible(true);
        cell(now[1])->setVisible(true);
        cell(now[1])->raise();
        cell(now[1])->setMask(QRegion(x, 0, all.width() - x, all.height()));
        line_->setGeometry(x - 2, 0, 4, all.height());
        line_->raise();
    } else {
        // Beneath the difference the take's cell takes the mouse.
        cell(now.back())->setVisible(true);
        cell(now.back())->raise();
    }
    for (int c : now) cell(c)->setBadge(grey ? QString() : letterOf(c));
    if (manner_ == Manner::Divided && now.size() == 2) cell(now[1])->setBadge(letterOf(now[1]), true);
    if (grey) difference_->raise();
    large_->setFixedSize(large_->sizeHint() + QSize(28, 8));
    large_->move((all.width() - large_->width()) / 2, all.height() / 8);
    large_->raise();
}

void CloseUp::compare() {
    QString text;
    switch (manner_) {
    case Manner::Removed:
        text = column_ == 0
                   ? tr("Removed: nothing is taken from the original.")
                   : tr("Removed by %1. Noise alone is even and without form: what has the form of the "
                        "picture is detail that was lost.")
                         .arg(letterOf(column_));
        break;
    case Manner::Difference:
        text = tr("%1 less %2, over the noise: lighter than grey is lighter in %1.")
                   .arg(letterOf(before_), letterOf(column_));
        break;
    default: break;
    }
    says_->setText(text);
    says_->setVisible(!text.isEmpty());
    if (manner_ != Manner::Removed && manner_ != Manner::Difference) return;
    const RenderKey& place = cell(std::max(0, column_))->wanted();
    if (!place.photo) return;
    Comparison what;
    what.first = manner_ == Manner::Removed
                     ? Settings::original()
                     : settingsOf(columns_[static_cast<std::size_t>(before_)], document_.state());
    what.second = settingsOf(columns_[static_cast<std::size_t>(std::max(0, column_))], document_.state());
    what.part = static_cast<DifferencePart>(what_->currentIndex());
    what.gain = gain_->value();
    difference_->show(place, what);
}

bool CloseUp::current() const {
    for (const int c : seen())
        if (cell(c)->state() != Cell::State::Current) return false;
    return true;
}

void CloseUp::choose() {
    if (column_ > 0) document_.choose(column_ - 1);
}

void CloseUp::stepProbe(int by) {
    const int count = static_cast<int>(document_.probes().size());
    probe_ = (probe_ + by + count) % count;
    if (document_.pan().isNull())
        refresh();
    else
        document_.setPan({});
}

void CloseUp::stepColumn(int by) { showColumn((column_ + by + columns()) % columns()); }

bool CloseUp::event(QEvent* event) {
    // Tab flips here; letters are the takes'.
    if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Tab) {
        showColumn(before_);
        return true;
    }
    if (event->type() == QEvent::Show)
        QMetaObject::invokeMethod(this, &CloseUp::refresh, Qt::QueuedConnection);
    return QWidget::event(event);
}

void CloseUp::keyPressEvent(QKeyEvent* event) {
    const double step = 40 / std::max(0.1, document_.zoom() > 0 ? document_.zoom() : 1);
    const bool panning = event->modifiers() & Qt::ShiftModifier;
    const auto pan = [&](double x, double y) {
        document_.setPan(document_.pan() + QPointF(std::round(x * step), std::round(y * step)));
    };
    switch (event->key()) {
    case Qt::Key_Escape: emit closeAsked(); return;
    case Qt::Key_O: showColumn(0); return;
    case Qt::Key_Space:
        if (!event->isAutoRepeat()) held_ = 0, refresh();
        return;
    case Qt::Key_Left: panning ? pan(-1, 0) : stepColumn(-1); return;
    case Qt::Key_Right: panning ? pan(1, 0) : stepColumn(1); return;
    case Qt::Key_Up: panning ? pan(0, -1) : document_.zoomBy(1, {}); return;
    case Qt::Key_Down: panning ? pan(0, 1) : document_.zoomBy(-1, {}); return;
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
    if (watched == line_ && event->type() == QEvent::MouseMove) {
        const auto* mouse = static_cast<QMouseEvent*>(event);
        if (mouse->buttons() & Qt::LeftButton) {
            divider_ =
                std::clamp((line_->x() + mouse->position().x()) / std::max(1, area_->width()), 0.02, 0.98);
            arrange();
        }
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

} // namespace irenic
