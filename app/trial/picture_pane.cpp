#include "trial/picture_pane.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "style/monitor.h"
#include "style/style.h"

namespace irenic {

PicturePane::PicturePane(QWidget* parent) : QWidget(parent) {
    setAttribute(Qt::WA_OpaquePaintEvent);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void PicturePane::setImage(const QImage& image) {
    image_ = image;
    failure_.clear();
    update();
}

void PicturePane::setFailure(const QString& why) {
    image_ = {};
    failure_ = why;
    update();
}

void PicturePane::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::ground());
    if (image_.isNull()) {
        p.setPen(style::faint());
        p.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                   failure_.isEmpty() ? tr("Making the pictures…") : failure_);
        return;
    }
    const double ratio = devicePixelRatioF();
    QImage screen = Monitor::of(this).shown(image_);
    screen.setDevicePixelRatio(ratio);
    // On whole pixels of the screen.
    const auto corner = [ratio](int room, int pixels) {
        return std::max(0.0, std::floor((room * ratio - pixels) / 2)) / ratio;
    };
    p.drawImage(QPointF(corner(width(), screen.width()), corner(height(), screen.height())), screen);
}

void PicturePane::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton && rect().contains(event->position().toPoint())) emit clicked();
}

} // namespace irenic
