// How a cell is painted: pixels, and its state on them.
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "sheet/cell.h"
#include "style/monitor.h"
#include "style/style.h"

namespace irenic {

void Cell::paintEvent(QPaintEvent*) {
    QPainter p(this);
    QRegion bare(rect());
    if (!image_.isNull()) bare -= pictureRect();
    for (const QRect& r : bare) p.fillRect(r, style::ground());
    paintPicture(p);
    if (!overlay_.isNull() && !image_.isNull())
        p.drawImage(QRectF(imageCorner(), QSizeF(key_.area.width, key_.area.height) * scale()), overlay_);
    paintProbe(p);
    paintBrush(p);
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
    if (probe_.isEmpty() || !isCurrent()) return;
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

// Two circles, of all that the brush reaches and of what it covers whole, in two greys that are seen on
// anything.
void Cell::paintBrush(QPainter& p) {
    if (!pointer_ || brush_ < 0) return;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    constexpr double kLeast = 1.5; // units of the widget: smaller ones cannot be seen
    const double radius = std::max(kLeast, brush_ / 2 * scale());
    for (const auto& [colour, wide] :
         {std::pair{QColor(20, 20, 20, 170), 2.6}, std::pair{QColor(235, 235, 235, 230), 1.0}}) {
        p.setPen(QPen(colour, wide));
        p.drawEllipse(*pointer_, radius, radius);
        if (hard_ < 1 && hard_ * radius > 2 * kLeast)
            p.drawEllipse(*pointer_, hard_ * radius, hard_ * radius);
    }
    p.restore();
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
    if (isCurrent()) {
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
    // From the first frame on there is a photo, and it never passes for what is asked for: what is not true
    // yet is hatched, a draft in its corner, what was only at hand all over.
    if (!image_.isNull()) p.drawImage(at, screen_);
    QRegion stale(rect());
    if (!partial_.isNull()) {
        // What is made already.
        QImage made = Monitor::of(this).shown(partial_);
        made.setDevicePixelRatio(ratio_);
        QRegion there(QRect(QPoint(), partial_.size()));
        there -= missing_;
        for (const QRect& r : there) {
            p.drawImage(at + QPointF(r.topLeft()) / ratio_, made, QRectF(r));
            stale -= QRectF(at + QPointF(r.topLeft()) / ratio_, QSizeF(r.size()) / ratio_).toRect();
        }
    }
    const bool draft = pixels_ == Pixels::Draft || pixels_ == Pixels::Step;
    constexpr int kCorner = 28;
    if (draft) stale &= QRegion(QPolygon({{width() - kCorner, 0}, {width(), 0}, {width(), kCorner}}));
    p.setClipRegion(stale);
    style::hatch(p, rect());
    p.setClipping(false);
    QString text = nothing_.isEmpty() ? tr("No photo") : nothing_;
    double share = -1;
    switch (state()) {
    case State::Empty: break;
    case State::Failed: text = tr("Rendering failed: %1 Click to retry.").arg(failure_); break;
    case State::Rendering:
        share = static_cast<double>(std::max(0.0f, job_.progress()));
        text = (draft ? tr("Draft, final picture %1 %") : tr("Rendering %1 %"))
                   .arg(static_cast<int>(100 * share)) +
               timeLeft(share);
        break;
    default: text = draft ? tr("Draft, final picture follows") : tr("Waiting"); break;
    }
    paintStrip(p, text, share);
}

// What is done here, at the foot, and how far it has come.
void Cell::paintStrip(QPainter& p, const QString& text, double share) {
    const QRect strip(0, height() - 22, width(), 22);
    QColor under = style::panel();
    under.setAlpha(225);
    p.fillRect(strip, under);
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

} // namespace irenic
