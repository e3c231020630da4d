// Where the close-up looks: probes, places of the checks, and the way over the whole photo.
#include <QLabel>
#include <algorithm>
#include <cmath>

#include "closeup/close_up.h"
#include "closeup/sweep.h"
#include "develop/lens.h"
#include "develop/render.h"
#include "sheet/cell.h"

namespace irenic {

void CloseUp::makeProbe(QPoint pixel) {
    const SourcePoint at =
        sourceOf(*document_.photo(), document_.look(), {double(pixel.x()), double(pixel.y())});
    const std::size_t before = document_.probes().size();
    document_.addProbe(static_cast<int>(std::lround(at.x)), static_cast<int>(std::lround(at.y)));
    if (document_.probes().size() == before) return;
    // The view stays where it is; the next probe is the new one.
    large_->setText(tr("Probe %1").arg(before + 1));
    large_->show();
    fading_.start();
    arrange();
}

void CloseUp::stepProbe(int by) {
    const int count = static_cast<int>(document_.probes().size());
    probe_ = (probe_ + by + count) % count;
    refresh();
}

void CloseUp::showPlace(const Rect& place, const QString& why) {
    const PicturePoint wanted = pictureOf(*document_.photo(), document_.look(),
                                          {place.x + place.width / 2.0, place.y + place.height / 2.0});
    goTo({wanted.x, wanted.y}, why);
}

QPointF CloseUp::middle() const {
    const auto& probes = document_.probes();
    const Probe& probe =
        probes[static_cast<std::size_t>(std::clamp<int>(probe_, 0, static_cast<int>(probes.size()) - 1))];
    const PicturePoint at =
        pictureOf(*document_.photo(), document_.look(), {double(probe.x), double(probe.y)});
    return QPointF(at.x, at.y) + document_.panOf(probe.id);
}

void CloseUp::sweep(int by) {
    if (!document_.photo() || document_.probes().empty()) return;
    if (document_.zoom() != 1) {
        document_.setZoom(1);
        refresh();
    }
    const Cell* shown = cell(std::max(0, column_));
    const QSizeF view = QSizeF(shown->size()) * shown->devicePixelRatioF();
    const Sweep way(outputFrame(*document_.photo(), document_.look()), view);
    Swept& own = swept_[document_.photo()->id.text];
    int step = by > 0 ? 0 : way.steps() - 1;
    if (own.last) step = way.nearest(*own.last) + by;
    if (step < 0 || step >= way.steps()) {
        own.last.reset(); // the next time from the beginning
        return emit document_.message(tr("The sweep is over: all of the photo was seen."));
    }
    own.last = way.middle(step);
    const QRectF seen(*own.last - QPointF(view.width(), view.height()) / 2, view);
    if (!own.seen.contains(seen)) own.seen.append(seen);
    emit sweptChanged(own.seen);
    goTo(*own.last, tr("%1 of %2").arg(step + 1).arg(way.steps()));
}

void CloseUp::goTo(QPointF middle, const QString& why) {
    if (document_.probes().empty()) return;
    document_.panRow(probeId(), middle - this->middle());
    large_->setText(why);
    large_->show();
    fading_.start();
    arrange();
}

} // namespace irenic
