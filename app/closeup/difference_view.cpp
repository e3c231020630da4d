#include "closeup/difference_view.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "style/monitor.h"
#include "style/style.h"

namespace irenic {

namespace {
// Just behind the pixels that are seen, and near enough not to give way to the next of them.
constexpr double kOrder = -2999.5;
} // namespace

DifferenceView::DifferenceView(Renderer& renderer, QWidget* parent) : QWidget(parent), renderer_(renderer) {
    setAttribute(Qt::WA_TransparentForMouseEvents);
    setAccessibleName(tr("What differs, on grey"));
}

void DifferenceView::show(const Pair& pair) {
    if (pair == pair_ && (job_.active() || !image_.isNull())) return;
    // While a hand moves a strength, what is being made is shown before the next is begun.
    moving_ = job_.active() && pair.isCleanedOtherwise(pair_);
    pair_ = pair;
    failure_.clear();
    if (!moving_) request();
    update();
}

void DifferenceView::request() {
    job_ = renderer_.requestDifference(pair_, kOrder, [this, pair = pair_](const Outcome<QImage>& made) {
        if (made.value) image_ = *made.value;
        failure_ = QString::fromStdString(made.problem);
        if (!(pair == pair_)) request();
        update();
    });
}

void DifferenceView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::ground());
    const double ratio = devicePixelRatioF();
    QImage screen = Monitor::of(this).shown(image_);
    screen.setDevicePixelRatio(ratio);
    const QSizeF size = QSizeF(screen.size()) / ratio;
    // What is not this place's any more is faint and hatched.
    const bool stale = job_.active() && !moving_;
    if (stale) p.setOpacity(0.3);
    if (!image_.isNull())
        p.drawImage(QPointF(std::max(0.0, std::floor((width() - size.width()) / 2)),
                            std::max(0.0, std::floor((height() - size.height()) / 2))),
                    screen);
    p.setOpacity(1);
    if (!stale && failure_.isEmpty()) return;
    p.fillRect(rect(), QBrush(QColor(70, 70, 70, 110), Qt::BDiagPattern));
    p.setPen(style::text());
    p.drawText(rect(), Qt::AlignCenter, failure_.isEmpty() ? tr("being measured") : failure_);
}

} // namespace irenic
