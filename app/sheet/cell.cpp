#include "sheet/cell.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>
#include <tuple>

#include "edges.h"
#include "judge/probes.h"
#include "style/monitor.h"
#include "style/style.h"

namespace irenic {

namespace {
constexpr int kRest = 150; // ms without a change after which a hand is taken to rest
} // namespace

Cell::Cell(Renderer& renderer, QWidget* parent) : QWidget(parent), renderer_(renderer) {
    setAttribute(Qt::WA_OpaquePaintEvent); // nothing need be painted behind it
    setMinimumSize(96, 72);
    setCursor(Qt::OpenHandCursor);
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Cell of the sheet"));
    ticking_.setInterval(120);
    connect(&ticking_, &QTimer::timeout, this, &Cell::look);
    resting_.setSingleShot(true);
    resting_.setInterval(kRest);
    connect(&resting_, &QTimer::timeout, this, &Cell::rest);
}

void Cell::look() {
    if (job_.progress() < 0)
        since_.start();
    else
        std::tie(partial_, missing_) = renderer_.soFar(key_);
    update();
}

void Cell::showNothing(const QString& why) {
    key_ = {};
    job_.cancel(), draftJob_.cancel();
    ticking_.stop();
    current_ = false;
    image_ = screen_ = {};
    draft_ = false;
    nothing_ = why;
    update();
}

void Cell::show(const RenderKey& key, double order) {
    ratio_ = devicePixelRatioF();
    const bool busy = job_.active() || draftJob_.active();
    if (key == key_ && (current_ || !failure_.isEmpty() || busy)) return;
    // A strength that changes before its last picture is made is moved by a hand. Beginning anew with every
    // step would show nothing until the hand rests: one picture after the other is made whole, quickly, each
    // of the newest step.
    const bool moving = busy && key.isCleanedOtherwise(key_);
    key_ = key, order_ = order;
    failure_.clear(), nothing_.clear();
    partial_ = {};
    since_.start();
    job_.cancel();
    if (!moving) draftJob_.cancel(), draft_ = false;
    const QImage ready = renderer_.cached(key_);
    current_ = !ready.isNull();
    if (current_) {
        draftJob_.cancel();
        keep(ready);
        ticking_.stop();
    } else if (moving) {
        resting_.start();
        if (!draftJob_.active()) draft();
        if (draft_) return; // what is seen stays as it is until the next picture is there
    } else {
        request();
    }
    update();
}

void Cell::request() {
    job_ = renderer_.request(key_, order_, [this](const Outcome<QImage>& outcome) {
        ticking_.stop();
        current_ = outcome.value.has_value();
        if (current_)
            keep(*outcome.value);
        else
            failure_ = QString::fromStdString(outcome.problem);
        update();
        if (current_) emit becameCurrent();
    });
    since_.start();
    ticking_.start();
}

void Cell::draft() {
    draftKey_ = key_;
    draftJob_ = renderer_.requestDraft(draftKey_, order_, [this](const Outcome<QImage>& outcome) {
        if (outcome.value) {
            keep(*outcome.value);
            draft_ = true;
        }
        if (draftKey_ == key_)
            request();
        else
            draft();
        update();
        if (outcome.value) emit drafted();
    });
}

// A slow method's draft of an older step is not waited for.
void Cell::rest() {
    if (!draftJob_.active() || draftKey_ == key_) return;
    draftJob_.cancel();
    draft_ = false;
    request();
    update();
}

Cell::State Cell::state() const {
    if (!key_.photo) return State::Empty;
    if (!failure_.isEmpty()) return State::Failed;
    if (current_) return State::Current;
    return job_.progress() >= 0 || draftJob_.progress() >= 0 ? State::Rendering : State::Waiting;
}

void Cell::keep(const QImage& image) {
    draft_ = false;
    image_ = image;
    screen_ = Monitor::of(this).shown(image_);
    screen_.setDevicePixelRatio(ratio_);
}

// On a whole pixel of the screen, wherever the widget begins: between two, every pixel would be smeared.
QPointF Cell::imageCorner() const {
    const QPointF origin = QPointF(mapTo(window(), QPoint(0, 0))) * ratio_;
    const auto corner = [&](double from, double room, double length) {
        return (std::round(from + std::max(0.0, (room * ratio_ - length) / 2)) - from) / ratio_;
    };
    return {corner(origin.x(), width(), image_.width()), corner(origin.y(), height(), image_.height())};
}

// Whole pixels of the widget that the picture covers.
QRect Cell::pictureRect() const {
    const QPointF at = imageCorner(), end = at + QPointF(image_.width(), image_.height()) / ratio_;
    const QPoint from(static_cast<int>(std::ceil(at.x())), static_cast<int>(std::ceil(at.y())));
    return {from,
            QPoint(static_cast<int>(std::floor(end.x())) - 1, static_cast<int>(std::floor(end.y())) - 1)};
}

std::optional<QPoint> Cell::pixelAt(QPointF position) const {
    if (!current_ || key_.zoom <= 0) return {};
    const QPointF in = (position - imageCorner()) * ratio_;
    if (in.x() < 0 || in.y() < 0 || in.x() >= image_.width() || in.y() >= image_.height()) return {};
    return QPoint(key_.area.x + static_cast<int>(in.x() / key_.zoom),
                  key_.area.y + static_cast<int>(in.y() / key_.zoom));
}

QPointF Cell::placeOf(QPoint pixel) const {
    return imageCorner() + QPointF(pixel.x() - key_.area.x, pixel.y() - key_.area.y) * scale();
}

void Cell::setReadout(std::optional<QPoint> pixel) {
    if (pixel == readout_) return;
    readout_ = pixel;
    update();
}

QString Cell::readoutText() const {
    if (!readout_ || !current_) return {};
    const QPointF in =
        QPointF(readout_->x() - key_.area.x + 0.5, readout_->y() - key_.area.y + 0.5) * key_.zoom;
    const QPoint at(static_cast<int>(std::floor(in.x())), static_cast<int>(std::floor(in.y())));
    if (!image_.rect().contains(at)) return {};
    const QRgb v = image_.pixel(at);
    return tr("R %1  G %2  B %3").arg(qRed(v)).arg(qGreen(v)).arg(qBlue(v));
}

void Cell::setPicking(bool on) {
    picking_ = on;
    setCursor(on ? Qt::CrossCursor : Qt::OpenHandCursor);
}

void Cell::setBadge(const QString& letter, Qt::Corner corner) {
    if (letter == badge_ && corner == badgeCorner_) return;
    badge_ = letter, badgeCorner_ = corner;
    update();
}

void Cell::setProbe(const QRectF& area) {
    if (area == probe_) return;
    probe_ = area;
    update();
}

QPointF Cell::pictureAt(QPointF position) const {
    return QPointF(key_.area.x, key_.area.y) + (position - imageCorner()) / scale();
}

Qt::Edges Cell::edgesAt(QPointF position) const {
    if (probe_.isEmpty() || !current_) return {};
    return edgesNear(probe_, pictureAt(position), 5 / scale());
}

void Cell::leaveEvent(QEvent*) { emit hovered({}); }

void Cell::mouseDoubleClickEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || picking_) return;
    if (!doubleClickMakes_) return void(emit opened());
    if (const auto pixel = pixelAt(event->position())) emit doubled(*pixel);
}

void Cell::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Return:
    case Qt::Key_Enter: emit opened(); return;
    case Qt::Key_Left: emit moveAsked(-1, 0); return;
    case Qt::Key_Right: emit moveAsked(1, 0); return;
    case Qt::Key_Up: emit moveAsked(0, -1); return;
    case Qt::Key_Down: emit moveAsked(0, 1); return;
    default: QWidget::keyPressEvent(event);
    }
}

void Cell::paintEvent(QPaintEvent*) {
    QPainter p(this);
    QRegion bare(rect());
    if (showsPicture()) bare -= pictureRect();
    for (const QRect& r : bare) p.fillRect(r, style::ground());
    paintPicture(p);
    paintProbe(p);
    if (!badge_.isEmpty()) {
        const int side = p.fontMetrics().height() + 4,
                  wide = std::max(side, p.fontMetrics().horizontalAdvance(badge_) + 8);
        const bool right = badgeCorner_ == Qt::TopRightCorner || badgeCorner_ == Qt::BottomRightCorner,
                   low = badgeCorner_ == Qt::BottomLeftCorner || badgeCorner_ == Qt::BottomRightCorner;
        const QRect box(right ? width() - wide - 4 : 4, low ? height() - side - 4 : 4, wide, side);
        p.fillRect(box, style::raised());
        p.setPen(style::text());
        p.drawRect(box);
        p.drawText(box, Qt::AlignCenter, badge_);
    }
    if (hasFocus()) {
        p.setPen(QPen(style::ochre(), 2));
        p.drawRect(rect().adjusted(1, 1, -1, -1));
        p.setPen(style::text());
        p.drawRect(rect().adjusted(2, 2, -3, -3));
    }
}

// The corners of the rectangle that is measured, in two greys that are seen on anything; lines all around it
// would lie on what is judged.
void Cell::paintProbe(QPainter& p) {
    if (probe_.isEmpty() || !current_) return;
    const QPointF from = imageCorner() + (probe_.topLeft() - QPointF(key_.area.x, key_.area.y)) * scale();
    const QRectF frame(from, probe_.size() * scale());
    if (frame.contains(QRectF(rect()).adjusted(2, 2, -2, -2))) return; // all of the cell is the probe
    constexpr double kArm = 7;
    for (const auto& [colour, wide] :
         {std::pair{QColor(20, 20, 20, 150), 3.0}, std::pair{QColor(235, 235, 235, 220), 1.0}}) {
        p.setPen(QPen(colour, wide));
        for (const double x : {frame.left(), frame.right()})
            for (const double y : {frame.top(), frame.bottom()}) {
                p.drawLine(QPointF(x, y), QPointF(x + (x == frame.left() ? kArm : -kArm), y));
                p.drawLine(QPointF(x, y), QPointF(x, y + (y == frame.top() ? kArm : -kArm)));
            }
    }
}

// Between pixels that are large enough to be told apart.
void Cell::paintPixelGrid(QPainter& p, QPointF corner) {
    if (scale() < 8) return;
    p.setPen(QColor(128, 128, 128, 70));
    for (int x = 1; x < key_.area.width; ++x) {
        const double at = corner.x() + x * scale();
        p.drawLine(QPointF(at, corner.y()), QPointF(at, corner.y() + key_.area.height * scale()));
    }
    for (int y = 1; y < key_.area.height; ++y) {
        const double at = corner.y() + y * scale();
        p.drawLine(QPointF(corner.x(), at), QPointF(corner.x() + key_.area.width * scale(), at));
    }
}

void Cell::paintPicture(QPainter& p) {
    const QPointF at = imageCorner();
    if (current_) {
        p.drawImage(at, screen_);
        paintPixelGrid(p, at);
        const QString text = readoutText();
        if (text.isEmpty()) return;
        const double side = std::max(5.0, scale());
        const QPointF middle = placeOf(*readout_) + QPointF(scale(), scale()) / 2;
        const QRectF mark(middle.x() - side / 2 - 1, middle.y() - side / 2 - 1, side + 1, side + 1);
        p.setPen(QColor(20, 20, 20));
        p.drawRect(mark.adjusted(-1, -1, 1, 1));
        p.setPen(QColor(235, 235, 235));
        p.drawRect(mark);
        // Away from the pixel that it speaks of.
        const int w = p.fontMetrics().horizontalAdvance(text) + 10, h = 18;
        const QRect box(4, middle.y() > height() / 2.0 ? 4 : height() - h - 4, w, h);
        p.fillRect(box, QColor(120, 120, 120, 225));
        p.setPen(style::text());
        p.drawText(box, Qt::AlignCenter, text);
        return;
    }
    if (showsPicture()) {
        // Of this very place, and of a step that is at most one picture old.
        p.drawImage(at, screen_);
        const double share = std::max(0.0, static_cast<double>(job_.progress()));
        paintStrip(p, tr("in motion: quick colours, the fine ones follow"), share);
        return;
    }
    // What stood here before, faint and hatched: it must not pass for what is asked for now.
    if (!image_.isNull()) {
        p.setOpacity(0.3);
        p.drawImage(at, screen_);
        p.setOpacity(1);
    }
    QRegion stale(rect());
    if (!partial_.isNull()) {
        // What is made already is current; hatched is what is not.
        QImage made = Monitor::of(this).shown(partial_);
        made.setDevicePixelRatio(ratio_);
        stale = QRegion();
        QRegion there(QRect(QPoint(), partial_.size()));
        there -= missing_;
        for (const QRect& r : there) p.drawImage(at + QPointF(r.topLeft()) / ratio_, made, QRectF(r));
        for (const QRect& r : missing_)
            stale += QRectF(at + QPointF(r.topLeft()) / ratio_, QSizeF(r.size()) / ratio_).toAlignedRect();
    }
    p.setClipRegion(stale);
    p.fillRect(rect(), QBrush(QColor(70, 70, 70, 110), Qt::BDiagPattern));
    p.setClipping(false);
    QString text = nothing_.isEmpty() ? tr("no photo") : nothing_;
    double share = -1;
    switch (state()) {
    case State::Empty: break;
    case State::Failed: text = tr("failed: %1 Click to try again.").arg(failure_); break;
    case State::Rendering:
        share = static_cast<double>(std::max(0.0f, job_.progress()));
        text = tr("rendering %1 %").arg(static_cast<int>(100 * share)) + timeLeft(share);
        break;
    default: text = tr("waiting"); break;
    }
    paintStrip(p, text, share);
}

// What is done here, at the foot, and how far it has come.
void Cell::paintStrip(QPainter& p, const QString& text, double share) {
    const QRect strip(0, height() - 22, width(), 22);
    p.fillRect(strip, QColor(150, 150, 150, 220));
    if (share > 0) p.fillRect(QRect(0, height() - 3, static_cast<int>(width() * share), 3), style::text());
    p.setPen(style::text());
    p.drawText(strip.adjusted(6, 0, -6, 0), Qt::AlignVCenter | Qt::AlignLeft,
               p.fontMetrics().elidedText(text, Qt::ElideRight, width() - 12));
}

// Only where there is some to tell of.
QString Cell::timeLeft(double share) const {
    const double spent = static_cast<double>(since_.elapsed()) / 1000;
    if (spent < 0.5 || share < 0.05) return {};
    const double left = spent * (1 - share) / share;
    return left > 2 ? tr(", %1 s left").arg(std::lround(left)) : QString();
}

void Cell::resizeEvent(QResizeEvent*) { emit resized(); }

void Cell::mousePressEvent(QMouseEvent* event) {
    grabbed_ = event->position();
    dragged_ = event->button() == Qt::LeftButton && !picking_ ? edgesAt(event->position()) : Qt::Edges();
    if (!failure_.isEmpty() && event->button() == Qt::LeftButton) {
        // Once more: what failed for want of memory may not fail now.
        const RenderKey again = key_;
        failure_.clear(), key_ = {};
        show(again, -1500);
        return;
    }
    if (const auto pixel = pixelAt(event->position()); picking_ && pixel && event->button() == Qt::LeftButton)
        emit picked(*pixel);
}

void Cell::mouseMoveEvent(QMouseEvent* event) {
    if (!event->buttons()) {
        emit hovered(pixelAt(event->position()));
        const Qt::Edges edges = edgesAt(event->position());
        setCursor(picking_ ? Qt::CrossCursor : cursorFor(edges, Qt::OpenHandCursor));
    }
    if (dragged_ && (event->buttons() & Qt::LeftButton)) {
        const QPointF at = pictureAt(event->position());
        const QPointF from(dragged_ & Qt::LeftEdge ? probe_.left() : probe_.right(),
                           dragged_ & Qt::TopEdge ? probe_.top() : probe_.bottom());
        emit probeDragged(withEdgesMoved(probe_, dragged_, at - from, Probe::kLeast));
        return;
    }
    if (!(event->buttons() & Qt::LeftButton) || key_.zoom <= 0 || picking_) return;
    const QPointF moved = (grabbed_ - event->position()) / scale();
    const QPointF whole(std::round(moved.x()), std::round(moved.y()));
    if (whole.isNull()) return;
    grabbed_ -= whole * scale();
    emit panned(whole, event->modifiers() & Qt::ShiftModifier);
}

void Cell::wheelEvent(QWheelEvent* event) {
    const QPointF off = event->position() - QPointF(width() / 2.0, height() / 2.0);
    if (event->angleDelta().y() != 0)
        emit zoomAsked(event->angleDelta().y() > 0 ? 1 : -1, key_.photo ? off / scale() : QPointF());
    event->accept();
}

} // namespace irenic
