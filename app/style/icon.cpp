#include "style/icon.h"

#include <QIconEngine>
#include <QPainter>
#include <QSvgRenderer>

#include "style/style.h"

namespace irenic::style {

namespace {

const char* nameOf(Icon which, QIcon::State state) {
    if (which == Icon::Choose && state == QIcon::Off) return "ring";
    constexpr const char* kNames[] = {"choose", "more",   "close",     "waits", "runs",
                                      "done",   "failed", "cancelled", "reset"};
    return kNames[static_cast<int>(which)];
}

// Draws the shape anew for every size and colour: the greys can change while the window stands.
class Engine : public QIconEngine {
  public:
    explicit Engine(Icon which) : which_(which) {}

    void paint(QPainter* painter, const QRect& rect, QIcon::Mode mode, QIcon::State state) override {
        const qreal ratio = painter->device()->devicePixelRatioF();
        QPixmap shape = scaledPixmap(rect.size() * ratio, mode, state, ratio);
        painter->drawPixmap(rect.topLeft(), shape);
    }
    QPixmap pixmap(const QSize& size, QIcon::Mode mode, QIcon::State state) override {
        return scaledPixmap(size, mode, state, 1);
    }
    // The size is in pixels of the screen.
    QPixmap scaledPixmap(const QSize& size, QIcon::Mode mode, QIcon::State state, qreal ratio) override {
        QPixmap out(size);
        out.fill(Qt::transparent);
        QPainter painter(&out);
        QSvgRenderer shape(QStringLiteral(":/icons/%1.svg").arg(QLatin1String(nameOf(which_, state))));
        const int side = std::min(size.width(), size.height());
        shape.render(&painter, QRectF((size.width() - side) / 2.0, (size.height() - side) / 2.0, side, side));
        painter.setCompositionMode(QPainter::CompositionMode_SourceIn);
        const QColor colour = mode == QIcon::Disabled ? faint() : state == QIcon::On ? onOchre() : text();
        painter.fillRect(out.rect(), colour);
        painter.end();
        out.setDevicePixelRatio(ratio);
        return out;
    }
    QIconEngine* clone() const override { return new Engine(which_); }

  private:
    Icon which_;
};

} // namespace

QIcon icon(Icon which) { return QIcon(new Engine(which)); }

} // namespace irenic::style
