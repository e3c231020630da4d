#include "overview/overview.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "edges.h"
#include "overview/map_image.h"
#include "style/style.h"

namespace irenic {

Overview::Overview(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    setMinimumHeight(150);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Overview"));
    setToolTip(tr("The whole photo and its probes. Drag a probe to move it, drag its edges to resize it, "
                  "double-click to add one. Delete removes the one that you clicked last."));
    setMouseTracking(true);
    connect(&document_, &Document::probesChanged, this, qOverload<>(&QWidget::update));
    connect(&document_, &Document::viewChanged, this, qOverload<>(&QWidget::update));
}

void Overview::setImage(const QImage& image) {
    image_ = image;
    update();
}

void Overview::setSeen(const QList<QRectF>& seen) {
    seen_ = seen;
    update();
}

void Overview::setMap(const SquareMap& map) {
    map_ = imageOf(map);
    mapped_ = QRectF(0, 0, map.across * map.side, map.down * map.side);
    update();
}

void Overview::setPlace(const QRectF& place) {
    if (place == place_) return;
    place_ = place;
    update();
}

QRectF Overview::frame() const {
    if (!document_.photo()) return rect();
    const double w = document_.photo()->width(), h = document_.photo()->height();
    const double scale = std::min(width() / w, height() / h);
    return {(width() - w * scale) / 2, (height() - h * scale) / 2, w * scale, h * scale};
}

QPointF Overview::place(double x, double y) const {
    const QRectF f = frame();
    return {f.x() + x * f.width() / document_.photo()->width(),
            f.y() + y * f.height() / document_.photo()->height()};
}

QPointF Overview::photoPoint(QPointF p) const {
    const QRectF f = frame();
    return {std::clamp((p.x() - f.x()) / f.width(), 0.0, 1.0) * document_.photo()->width(),
            std::clamp((p.y() - f.y()) / f.height(), 0.0, 1.0) * document_.photo()->height()};
}

int Overview::probeAt(QPointF p) const {
    for (int i = static_cast<int>(document_.probes().size()) - 1; i >= 0; --i) {
        const Probe& probe = document_.probes()[static_cast<std::size_t>(i)];
        const QPointF d = place(probe.x, probe.y) - p;
        // A large probe does not hide what lies in it: it is grasped at its number and at its edges.
        if ((std::abs(d.x()) < 11 && std::abs(d.y()) < 9) || edgesAt(i, p)) return i;
    }
    return -1;
}

QRectF Overview::boxOf(int probe) const {
    const Probe& one = document_.probes().at(static_cast<std::size_t>(probe));
    const QPointF at = place(one.x, one.y);
    const double scale = frame().width() / document_.photo()->width();
    const double w = std::max(20.0, one.width * scale), h = std::max(16.0, one.height * scale);
    return {at.x() - w / 2, at.y() - h / 2, w, h};
}

Qt::Edges Overview::edgesAt(int probe, QPointF p) const { return edgesNear(boxOf(probe), p, 2.5); }

void Overview::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::ground());
    if (!document_.photo()) {
        p.setPen(style::text());
        p.drawText(rect(), Qt::AlignCenter, tr("No photo"));
        return;
    }
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(frame(), image_);
    if (!map_.isNull()) {
        constexpr int kDim = 150;
        p.fillRect(frame(), QColor(0, 0, 0, kDim));
        p.setRenderHint(QPainter::SmoothPixmapTransform, false);
        p.drawImage(QRectF(place(0, 0), place(mapped_.right(), mapped_.bottom())), map_);
    }
    if (!seen_.isEmpty()) {
        // What was not seen yet is dark.
        QRegion left = frame().toAlignedRect();
        for (const QRectF& r : seen_)
            left -= QRectF(place(r.left(), r.top()), place(r.right(), r.bottom())).toAlignedRect();
        constexpr int kDim = 130;
        for (const QRect& r : left) p.fillRect(r, QColor(0, 0, 0, kDim));
    }
    if (!place_.isEmpty()) {
        const QRectF shown(place(place_.left(), place_.top()), place(place_.right(), place_.bottom()));
        p.setPen(QPen(QColor(20, 20, 20), 3));
        p.drawRect(shown);
        p.setPen(QPen(style::ochre(), 1.4));
        p.drawRect(shown);
    }
    for (std::size_t i = 0; i < document_.probes().size(); ++i) {
        const QRectF box = boxOf(static_cast<int>(i));
        p.setPen(QPen(QColor(20, 20, 20), 3));
        p.drawRect(box);
        p.setPen(QPen(static_cast<int>(i) == held_ ? style::ochre() : QColor(235, 235, 235), 1.2));
        p.drawRect(box);
        QFont font = p.font();
        font.setBold(true);
        p.setFont(font);
        p.drawText(box, Qt::AlignCenter, QString::number(i + 1));
    }
    if (!hasFocus()) return;
    p.setPen(style::ochre());
    p.drawRect(rect().adjusted(0, 0, -1, -1));
}

void Overview::mousePressEvent(QMouseEvent* event) {
    if (!document_.photo()) return;
    held_ = probeAt(event->position());
    dragged_ = held_ >= 0 ? edgesAt(held_, event->position()) : Qt::Edges();
    from_ = event->position();
    if (held_ >= 0) {
        const Probe& probe = document_.probes()[static_cast<std::size_t>(held_)];
        area_ = QRectF(probe.x - probe.width / 2, probe.y - probe.height / 2, probe.width, probe.height);
    }
    update();
}

void Overview::dragEdges(QPointF p) {
    // The box can be larger than the probe is here: what counts is how far the edge is drawn.
    const QPointF by = (p - from_) * (document_.photo()->width() / frame().width());
    const QRect whole = withEdgesMoved(area_, dragged_, by, Probe::kLeast).toRect();
    document_.setProbeArea(held_, {whole.x(), whole.y(), whole.width(), whole.height()});
}

void Overview::mouseMoveEvent(QMouseEvent* event) {
    if (!document_.photo()) return;
    if (!(event->buttons() & Qt::LeftButton)) {
        const int probe = probeAt(event->position());
        const Qt::Edges edges = probe >= 0 ? edgesAt(probe, event->position()) : Qt::Edges();
        setCursor(cursorFor(edges, Qt::ArrowCursor));
        return;
    }
    if (held_ < 0) return;
    if (dragged_) return dragEdges(event->position());
    const QPointF at = photoPoint(event->position());
    document_.moveProbe(held_, static_cast<int>(at.x()), static_cast<int>(at.y()));
}

void Overview::mouseDoubleClickEvent(QMouseEvent* event) {
    if (!document_.photo() || probeAt(event->position()) >= 0) return;
    const QPointF at = photoPoint(event->position());
    document_.addProbe(static_cast<int>(at.x()), static_cast<int>(at.y()));
}

void Overview::keyPressEvent(QKeyEvent* event) {
    if ((event->key() == Qt::Key_Delete || event->key() == Qt::Key_Backspace) && held_ >= 0 &&
        held_ < static_cast<int>(document_.probes().size())) {
        document_.removeProbe(held_);
        held_ = -1;
        return;
    }
    QWidget::keyPressEvent(event);
}

} // namespace irenic
