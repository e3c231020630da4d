#include "closeup/difference_view.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "said.h"
#include "style/monitor.h"
#include "style/style.h"

namespace irenic {

namespace {
// Just behind the pixels that are seen, and near enough not to give way to the next of them.
constexpr double kOrder = -2999.5;
} // namespace

DifferenceView::DifferenceView(Renderer& renderer, QWidget* parent) : QWidget(parent), renderer_(renderer) {
    setAttribute(Qt::WA_TransparentForMouseEvents);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setAccessibleName(tr("Difference on grey"));
    again_.setSingleShot(true);
    again_.setInterval(300);
    connect(&again_, &QTimer::timeout, this, &DifferenceView::request);
}

void DifferenceView::show(const DifferenceKey& key) {
    const bool busy = job_.active() || again_.isActive();
    if (key == key_ && (busy || !image_.isNull())) return;
    // While a hand moves a strength, what is being made is shown before the next is begun.
    moving_ = busy && isCleanedOtherwise(key, key_);
    key_ = key;
    failure_.clear();
    if (!moving_) again_.stop(), request();
    update();
}

// While the hand moves, in the quick grade of colours; the last of all is made as it is asked for.
void DifferenceView::request() {
    DifferenceKey key = key_;
    if (moving_)
        for (Shown* side : {&key.difference.first, &key.difference.second})
            if (auto* recipe = std::get_if<Recipe>(side)) recipe->look.demosaic = Demosaic::Quick;
    job_ = renderer_.requestDifference(key, kOrder, [this, key, wanted = key_](const Outcome<QImage>& made) {
        if (made.value) image_ = *made.value;
        failure_ = said(made.problem);
        const bool newest = wanted == key_;
        if (newest) moving_ = false;
        if (!newest)
            again_.start(); // the pixels themselves come first
        else if (!(key == key_))
            request();
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
    const bool stale = (job_.active() || again_.isActive()) && !moving_;
    if (stale) p.setOpacity(0.3);
    if (!image_.isNull())
        p.drawImage(QPointF(std::max(0.0, std::floor((width() - size.width()) / 2)),
                            std::max(0.0, std::floor((height() - size.height()) / 2))),
                    screen);
    p.setOpacity(1);
    if (!stale && failure_.isEmpty()) return;
    p.fillRect(rect(), QBrush(QColor(70, 70, 70, 110), Qt::BDiagPattern));
    p.setPen(style::text());
    p.drawText(rect(), Qt::AlignCenter, failure_.isEmpty() ? tr("Measuring…") : failure_);
}

} // namespace irenic
