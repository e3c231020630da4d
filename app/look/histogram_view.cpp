#include "look/histogram_view.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "said.h"
#include "style/style.h"

namespace irenic {

HistogramView::HistogramView(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    setObjectName(QStringLiteral("histogram"));
    setFixedHeight(64);
    const auto later = [this] {
        current_ = false;
        update();
    };
    connect(&document_, &Document::photoChanged, this, later);
    connect(&document_, &Document::lookChanged, this, later);
}

void HistogramView::setHistogram(const Histogram& h) {
    histogram_ = h;
    current_ = true;
    const auto per = [](const std::array<float, 3>& v) {
        return QStringLiteral("%1 / %2 / %3 %")
            .arg(numberOf(100 * v[0], 2))
            .arg(numberOf(100 * v[1], 2))
            .arg(numberOf(100 * v[2], 2));
    };
    setToolTip(tr("Whole photo with its look, before noise reduction: red, green and blue. Heights are "
                  "square roots.\nClipped to black: %1\nClipped to white: %2")
                   .arg(per(h.black), per(h.white)));
    setAccessibleName(tr("Histogram; clipped to white %1").arg(per(h.white)));
    update();
}

void HistogramView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const QRect frame = rect();
    p.fillRect(frame, QColor(58, 58, 58));
    if (!document_.photo()) return;
    float most = 1e-6f;
    for (const auto& c : histogram_.share)
        for (std::size_t i = 2; i < 254; ++i) most = std::max(most, c[i]);
    p.setCompositionMode(QPainter::CompositionMode_Plus);
    p.setOpacity(current_ ? 1 : 0.4);
    const QColor colours[3] = {QColor(120, 28, 28), QColor(28, 104, 28), QColor(34, 40, 128)};
    const double left = 7, width = frame.width() - 14.0, height = frame.height() - 4.0;
    for (std::size_t c = 0; c < 3; ++c) {
        QPainterPath path;
        path.moveTo(left, frame.height());
        for (std::size_t i = 0; i < 256; ++i)
            path.lineTo(left + width * static_cast<double>(i) / 255,
                        frame.height() - height * std::min(1.0, std::sqrt(static_cast<double>(
                                                                    histogram_.share[c][i] / most))));
        path.lineTo(left + width, frame.height());
        p.fillPath(path, colours[c]);
    }
    p.setCompositionMode(QPainter::CompositionMode_SourceOver);
    // Clipping: a bar at either end for each colour that loses more than a thousandth, as high as its share
    // (square root).
    const QColor marks[3] = {QColor(200, 90, 90), QColor(90, 180, 90), QColor(110, 120, 220)};
    for (int c = 0; c < 3; ++c)
        for (int end = 0; end < 2; ++end) {
            const float share = (end ? histogram_.white : histogram_.black)[static_cast<std::size_t>(c)];
            if (share < 0.001f) continue;
            const int h = static_cast<int>(
                std::lround((frame.height() - 2) * std::min(1.0, std::sqrt(static_cast<double>(share)))));
            p.fillRect(QRect((end ? frame.width() - 6 : 0) + 2 * c, frame.height() - h, 2, h), marks[c]);
        }
    p.setPen(style::line());
    p.drawRect(frame.adjusted(0, 0, -1, -1));
}

} // namespace irenic
