#include "closeup/difference_view.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "style/monitor.h"
#include "style/style.h"

namespace irenic {

DifferenceView::DifferenceView(Renderer& renderer, QWidget* parent) : QWidget(parent), renderer_(renderer) {
    setAttribute(Qt::WA_TransparentForMouseEvents);
    setAccessibleName(tr("What differs, on grey"));
}

void DifferenceView::show(const Pair& pair) {
    if (pair == pair_ && (job_.active() || !image_.isNull())) return;
    pair_ = pair;
    failure_.clear();
    job_ = renderer_.requestDifference(pair, -2500, [this](const Outcome<QImage>& made) {
        if (made.value) image_ = *made.value;
        failure_ = QString::fromStdString(made.problem);
        update();
    });
    update();
}

void DifferenceView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::ground());
    const double ratio = devicePixelRatioF();
    QImage screen = Monitor::of(this).shown(image_);
    screen.setDevicePixelRatio(ratio);
    const QSizeF size = QSizeF(screen.size()) / ratio;
    // What is not this place's any more is faint and hatched.
    if (job_.active()) p.setOpacity(0.3);
    if (!image_.isNull())
        p.drawImage(QPointF(std::max(0.0, std::floor((width() - size.width()) / 2)),
                            std::max(0.0, std::floor((height() - size.height()) / 2))),
                    screen);
    p.setOpacity(1);
    if (!job_.active() && failure_.isEmpty()) return;
    p.fillRect(rect(), QBrush(QColor(70, 70, 70, 110), Qt::BDiagPattern));
    p.setPen(style::text());
    p.drawText(rect(), Qt::AlignCenter, failure_.isEmpty() ? tr("being measured") : failure_);
}

} // namespace irenic
