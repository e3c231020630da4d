#include "shot_note.h"

#include <algorithm>
#include <cmath>

#include "base/text.h"
#include "develop/file_rendering.h"
#include "judge/exposure.h"
#include "said.h"

namespace irenic {

namespace {

constexpr double kMuch = 1; // stops, of light that was left unused and of what is made up for here

}

ShotNote::ShotNote(QWidget* parent) : QLabel(parent) {
    setWordWrap(true);
    setObjectName(QStringLiteral("shot"));
    setTextInteractionFlags(Qt::TextSelectableByMouse);
}

QString ShotNote::darkText(const Photo& photo) {
    const auto share = static_cast<int>(std::lround(100 * photo.dark.share));
    if (photo.dark.digest.empty()) return tr("Dark frame: this photo shows nothing of it.");
    return share > 0 ? tr("Dark frame (mean of %1): %2 % of the noise in the dark is taken off.")
                           .arg(photo.dark.frames)
                           .arg(share)
                     : tr("Dark frame (mean of %1): its glow is taken off.").arg(photo.dark.frames);
}

void ShotNote::describe(const PhotoPtr& p) {
    photo_ = p;
    unused_ = p ? unusedStops(*p) : 0;
    refresh();
}

void ShotNote::setLook(float exposure) {
    if (exposure_ == exposure) return;
    exposure_ = exposure;
    refresh();
}

void ShotNote::resizeEvent(QResizeEvent* event) {
    QLabel::resizeEvent(event);
    keepWhole();
}

void ShotNote::keepWhole() { setMinimumHeight(std::max(0, heightForWidth(width()))); }

void ShotNote::refresh() {
    const PhotoPtr& p = photo_;
    if (!p) {
        setText(tr("Open photos with Ctrl+O, or drop them on the window."));
        return;
    }
    const auto unlessEmpty = [](const QString& s) {
        return s.isEmpty() ? QString() : s + QStringLiteral("<br>");
    };
    QStringList shot;
    if (!p->exposureText().empty()) shot << QString::fromStdString(p->exposureText());
    if (p->aperture > 0) shot << QStringLiteral("f/%1").arg(p->aperture);
    if (p->focal > 0) shot << QStringLiteral("%1 mm").arg(p->focal);
    const QString rendering = QString::fromStdString(fileRendering(*p));
    setText(QStringLiteral("<b>%1</b><br>").arg(QString::fromStdString(shownName(p->file)).toHtmlEscaped()) +
            unlessEmpty(QString::fromStdString(p->camera())) + unlessEmpty(QString::fromStdString(p->lens)) +
            QStringLiteral("ISO %1, %2<br>").arg(numberOf(p->iso, 0), shot.join(QStringLiteral(", "))) +
            tr("%1 × %2, %3 bit, %4")
                .arg(p->width())
                .arg(p->height())
                .arg(p->bits)
                .arg(QString::fromStdString(p->layoutText())) +
            (p->developed ? QStringLiteral("<br>") +
                                tr("Not a raw: noise already smoothed. Use the raw if you have it.")
                          : QString()) +
            (p->dark.frames > 0 ? QStringLiteral("<br>") + darkText(*p) : QString()) +
            (rendering.isEmpty() ? QString() : QStringLiteral("<br>") + rendering) +
            (unused_ >= kMuch && exposure_ >= kMuch
                 ? QStringLiteral("<br>") + tr("Shot %1 stops darker than the sensor could hold, and made "
                                               "lighter here. More light next "
                                               "time costs less noise than any cleaning.")
                                                .arg(numberOf(unused_, 1))
                 : QString()));
    keepWhole();
}

} // namespace irenic
