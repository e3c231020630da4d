#include "sheet/cell.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QTabletEvent>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>
#include <tuple>
#include <utility>

#include "edges.h"
#include "judge/probes.h"
#include "said.h"
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
    if (pixels_ == Pixels::AtHand && job_.progress() < 0) requestDraft(); // it may have been scrolled to
    update();
}

void Cell::showNothing(const QString& why) {
    key_ = {};
    job_.cancel(), draftJob_.cancel(), stepJob_.cancel();
    ticking_.stop();
    image_ = screen_ = {};
    pixels_ = Pixels::None;
    nothing_ = why;
    update();
}

void Cell::show(const RenderKey& key, double order) {
    ratio_ = devicePixelRatioF();
    const bool busy = job_.active() || stepJob_.active();
    if (key == key_ && (isCurrent() || !failure_.isEmpty() || busy)) return;
    // A strength that changes before its last picture is made is moved by a hand. Beginning anew with every
    // step would show nothing until the hand rests: one picture after the other is made whole, quickly, each
    // of the newest step.
    const bool moving = busy && isCleanedOtherwise(key, key_);
    key_ = key, order_ = order;
    failure_.clear(), nothing_.clear();
    partial_ = {};
    since_.start();
    job_.cancel(), draftJob_.cancel();
    if (!moving) stepJob_.cancel();
    if (const QImage ready = renderer_.cached(key_); !ready.isNull()) {
        stepJob_.cancel();
        keep(ready, Pixels::True);
        ticking_.stop();
    } else if (moving) {
        // What is seen stays as it is until the next picture is there.
        if (isCurrent()) pixels_ = Pixels::Step;
        resting_.start();
        if (!stepJob_.active()) step();
        return;
    } else {
        keep(renderer_.atHand(key_), Pixels::AtHand);
        requestDraft();
        request();
    }
    update();
}

void Cell::request() {
    job_ = renderer_.request(key_, order_, [this](const Outcome<QImage>& outcome) {
        ticking_.stop();
        draftJob_.cancel();
        if (outcome.value)
            keep(*outcome.value, Pixels::True);
        else
            failure_ = said(outcome.problem);
        update();
        if (isCurrent()) emit becameCurrent();
    });
    since_.start();
    ticking_.start();
}

// All drafts come before all true pictures: of what is seen, and where one is much sooner there.
void Cell::requestDraft() {
    constexpr double kBeforeAll = -1e5;
    if (draftJob_.active() || visibleRegion().isEmpty() || !Renderer::isWorthDraft(key_)) return;
    draftJob_ = renderer_.requestDraft(key_, kBeforeAll + order_, [this](const Outcome<QImage>& outcome) {
        if (!outcome.value || isCurrent()) return;
        keep(*outcome.value, Pixels::Draft);
        update();
        emit drafted();
    });
}

void Cell::step() {
    stepKey_ = key_;
    stepJob_ = renderer_.requestStep(stepKey_, order_, [this](const Outcome<QImage>& outcome) {
        if (outcome.value) keep(*outcome.value, Pixels::Step);
        if (stepKey_ == key_)
            request();
        else
            step();
        update();
        if (outcome.value) emit stepped();
    });
}

// A slow method's picture of an older step is not waited for.
void Cell::rest() {
    if (!stepJob_.active() || stepKey_ == key_) return;
    stepJob_.cancel();
    requestDraft();
    request();
    update();
}

Cell::State Cell::state() const {
    if (key_.empty()) return State::Empty;
    if (!failure_.isEmpty()) return State::Failed;
    if (isCurrent()) return State::Current;
    return job_.progress() >= 0 || stepJob_.progress() >= 0 ? State::Rendering : State::Waiting;
}

void Cell::keep(const QImage& image, Pixels what) {
    pixels_ = image.isNull() ? Pixels::None : what;
    image_ = image;
    screen_ = image.isNull() ? QImage() : Monitor::of(this).shown(image_);
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
    if (!isCurrent() || key_.view.zoom <= 0) return {};
    const QPointF in = (position - imageCorner()) * ratio_;
    if (in.x() < 0 || in.y() < 0 || in.x() >= image_.width() || in.y() >= image_.height()) return {};
    return QPoint(key_.area.x + static_cast<int>(in.x() / key_.view.zoom),
                  key_.area.y + static_cast<int>(in.y() / key_.view.zoom));
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
    if (!readout_ || !isCurrent()) return {};
    const QPointF in =
        QPointF(readout_->x() - key_.area.x + 0.5, readout_->y() - key_.area.y + 0.5) * key_.view.zoom;
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
    if (probe_.isEmpty() || !isCurrent()) return {};
    return edgesNear(probe_, pictureAt(position), 5 / scale());
}

void Cell::setOverlay(const QImage& image) {
    if (image.isNull() && overlay_.isNull()) return;
    overlay_ = image;
    update();
}

void Cell::setBrush(double diameter, double hard) {
    if (brush_ == diameter && hard_ == hard) return;
    brush_ = diameter, hard_ = hard;
    if (brush_ < 0) pointer_.reset(), painting_ = false;
    setCursor(brush_ >= 0 ? Qt::CrossCursor : Qt::OpenHandCursor);
    update();
}

void Cell::leaveEvent(QEvent*) {
    pointer_.reset();
    if (brush_ >= 0) update();
    emit hovered({});
}

void Cell::mouseDoubleClickEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || picking_ || brush_ >= 0) return;
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

void Cell::resizeEvent(QResizeEvent*) { emit resized(); }

void Cell::mousePressEvent(QMouseEvent* event) {
    grabbed_ = pressed_ = event->position();
    dragged_ = event->button() == Qt::LeftButton && !picking_ ? edgesAt(event->position()) : Qt::Edges();
    if (!failure_.isEmpty() && event->button() == Qt::LeftButton) {
        // Once more: what failed for want of memory may not fail now.
        const RenderKey again = key_;
        failure_.clear(), key_ = {};
        show(again, -1500);
        return;
    }
    if (brush_ >= 0 && event->button() == Qt::LeftButton && key_.view.zoom > 0) {
        paintAt(event->position(), 1, true, false);
        return;
    }
    if (const auto pixel = pixelAt(event->position()); picking_ && pixel && event->button() == Qt::LeftButton)
        emit picked(*pixel);
}

void Cell::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    if (std::exchange(painting_, false)) return emit paintingEnded();
    constexpr double kStill = 3; // a hand that trembles has not dragged
    const QPointF moved = event->position() - pressed_;
    if (picking_ || brush_ >= 0 || std::hypot(moved.x(), moved.y()) > kStill) return;
    if (key_.empty() || key_.view.zoom <= 0) return;
    const QPointF at = pictureAt(event->position());
    const QPoint pixel(static_cast<int>(std::floor(at.x())), static_cast<int>(std::floor(at.y())));
    if (key_.area.contains(Rect{pixel.x(), pixel.y(), 1, 1})) emit clicked(pixel);
}

void Cell::mouseMoveEvent(QMouseEvent* event) {
    if (brush_ >= 0) {
        pointer_ = event->position();
        update();
        if (!event->buttons()) emit hovered(pixelAt(event->position()));
        if (painting_) paintAt(event->position(), 1, false, event->modifiers() & Qt::AltModifier);
        // Another button pans as ever.
        if (painting_ || !(event->buttons() & Qt::MiddleButton)) return;
    } else if (!event->buttons()) {
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
    const Qt::MouseButtons pans = brush_ >= 0 ? Qt::MiddleButton : Qt::LeftButton;
    if (!(event->buttons() & pans) || key_.view.zoom <= 0 || picking_) return;
    const QPointF moved = (grabbed_ - event->position()) / scale();
    const QPointF whole(std::round(moved.x()), std::round(moved.y()));
    if (whole.isNull()) return;
    grabbed_ -= whole * scale();
    emit panned(whole, event->modifiers() & Qt::ShiftModifier);
}

void Cell::paintAt(QPointF position, double pressure, bool begins, bool straight) {
    painting_ = true;
    emit painted(pictureAt(position) - QPointF(0.5, 0.5), pressure, begins, straight);
}

// A pen paints as hard as it is pressed. What is not painted is a mouse's: ignored events come again as one.
void Cell::tabletEvent(QTabletEvent* event) {
    if (brush_ < 0 || key_.view.zoom <= 0) return event->ignore();
    const bool straight = event->modifiers() & Qt::AltModifier;
    pointer_ = event->position();
    update();
    switch (event->type()) {
    case QEvent::TabletPress:
        if (event->button() != Qt::LeftButton) return event->ignore();
        paintAt(event->position(), event->pressure(), true, false);
        break;
    case QEvent::TabletMove:
        if (painting_) paintAt(event->position(), event->pressure(), false, straight);
        break;
    case QEvent::TabletRelease:
        if (std::exchange(painting_, false)) emit paintingEnded();
        break;
    default: break;
    }
    event->accept();
}

void Cell::wheelEvent(QWheelEvent* event) {
    if (brush_ >= 0 && (event->modifiers() & Qt::ControlModifier)) {
        if (const int turned = event->angleDelta().y(); turned != 0)
            emit brushAsked(turned > 0 ? 1 : -1, event->modifiers() & Qt::ShiftModifier);
        return event->accept();
    }
    const QPointF off = event->position() - QPointF(width() / 2.0, height() / 2.0);
    if (event->angleDelta().y() != 0)
        emit zoomAsked(event->angleDelta().y() > 0 ? 1 : -1, !key_.empty() ? off / scale() : QPointF());
    event->accept();
}

} // namespace irenic
