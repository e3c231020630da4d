#include "overview/overview.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "style/style.h"

namespace irenic {

Overview::Overview(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    setMinimumHeight(150);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Overview"));
    setToolTip(tr("The whole photo and its probes. Drag a probe to move it, double-click to add one, Delete "
                  "removes the one "
                  "that was clicked last."));
    connect(&document_, &Document::probesChanged, this, qOverload<>(&QWidget::update));
    connect(&document_, &Document::viewChanged, this, qOverload<>(&QWidget::update));
}

void Overview::setImage(const QImage& image) {
    image_ = image;
    update();
}

void Overview::setPlace(const QRectF& place) {
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
        if (std::abs(d.x()) < 11 && std::abs(d.y()) < 9) return i;
    }
    return -1;
}

void Overview::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::ground());
    if (!document_.photo()) {
        p.setPen(style::text());
        p.drawText(rect(), Qt::AlignCenter, tr("no photo"));
        return;
    }
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(frame(), image_);
    if (!place_.isEmpty()) {
        const QRectF shown(place(place_.left(), place_.top()), place(place_.right(), place_.bottom()));
        p.setPen(QPen(QColor(20, 20, 20), 3));
        p.drawRect(shown);
        p.setPen(QPen(style::ochre(), 1.4));
        p.drawRect(shown);
    }
    for (std::size_t i = 0; i < document_.probes().size(); ++i) {
        const Probe& probe = document_.probes()[i];
        const QPointF at = place(probe.x, probe.y);
        const QRectF box(at.x() - 10, at.y() - 8, 20, 16);
        p.setPen(QPen(QColor(20, 20, 20), 3));
        p.drawRect(box);
        p.setPen(QPen(static_cast<int>(i) == held_ ? style::ochre() : QColor(235, 235, 235), 1.2));
        p.drawRect(box);
        QFont font = p.font();
        font.setBold(true);
        p.setFont(font);
        p.drawText(box, Qt::AlignCenter, QString::number(i + 1));
    }
}

void Overview::mousePressEvent(QMouseEvent* event) {
    if (!document_.photo()) return;
    held_ = probeAt(event->position());
    update();
}

void Overview::mouseMoveEvent(QMouseEvent* event) {
    if (held_ < 0 || !(event->buttons() & Qt::LeftButton)) return;
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
