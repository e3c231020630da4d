#include "start/start_picture.h"

#include <QMouseEvent>
#include <QPainter>
#include <QStyle>

#include "style/style.h"

// Resources of a static library are taken in by name, from outside of any namespace.
static void loadPictures() { Q_INIT_RESOURCE(start); }

namespace irenic {

namespace {

constexpr int kCells = 4, kWide = 300, kHigh = 224, kHead = 22, kGapBetween = 3;

} // namespace

StartPicture::StartPicture(QWidget* parent) : QWidget(parent) {
    loadPictures();
    cells_.load(QStringLiteral(":/start/pictures/eye.png"));
    setObjectName(QStringLiteral("startPicture"));
    setFixedSize(sizeHint());
    setAccessibleName(tr("One place of a photo: the original and three takes of it"));
    constexpr int kEach = 120; // ms
    coming_.setInterval(kEach);
    connect(&coming_, &QTimer::timeout, this, [this] {
        if (++shown_ >= kCells) coming_.stop();
        update();
    });
}

QSize StartPicture::sizeHint() const { return {2 * kWide + kGapBetween, 2 * (kHigh + kHead) + kGapBetween}; }

void StartPicture::showEvent(QShowEvent*) {
    // Where the desktop wants no motion, all are there at once.
    const bool still = style()->styleHint(QStyle::SH_Widget_Animation_Duration, nullptr, this) == 0;
    shown_ = still ? kCells : 1;
    if (!still) coming_.start();
}

void StartPicture::paintEvent(QPaintEvent*) {
    const QString names[kCells] = {tr("Original, ISO 12800"), tr("A  Learned"), tr("B  BM3D"),
                                   tr("C  Wavelet")};
    QPainter p(this);
    for (int i = 0; i < kCells; ++i) {
        const int x = i % 2 * (kWide + kGapBetween), y = i / 2 * (kHigh + kHead + kGapBetween);
        p.setPen(style::text());
        p.drawText(QRect(x, y, kWide, kHead), Qt::AlignVCenter | Qt::AlignLeft, names[i]);
        const QRect cell(x, y + kHead, kWide, kHigh);
        // Until its own comes up, a cell shows the original, as cells of the sheet do.
        const int from = i < shown_ ? i : 0;
        p.drawPixmap(cell, cells_, QRect(from * kWide, 0, kWide, kHigh));
        if (i >= shown_) style::hatch(p, cell);
    }
}

void StartPicture::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton && rect().contains(event->position().toPoint())) emit clicked();
}

} // namespace irenic
