// The whole photo, small, with the probes on it; probes are dragged, made larger and smaller at their edges,
// added with a double click, removed with Delete.
#pragma once

#include <QImage>
#include <QWidget>

#include "document.h"
#include "judge/checks.h"

namespace irenic {

class Overview : public QWidget {
    Q_OBJECT

  public:
    explicit Overview(Document& document, QWidget* parent = nullptr);
    void setImage(const QImage& image);
    // What checks see in each square of the photo, over the picture, which is darkened; an empty one:
    // nothing.
    void setMap(const SquareMap& map);
    // What a sweep has seen, in the developed picture; empty: there is none.
    void setSeen(const QList<QRectF>& seen);
    // What the close-up shows; an empty one: nothing.
    void setPlace(const QRectF& place);
    QSize sizeHint() const override { return {220, 165}; }
    // Where a pixel of the photo stands in the widget.
    QPointF place(double x, double y) const;
    // A probe's box in the widget: its rectangle, or what can be grasped where that is smaller.
    QRectF boxOf(int probe) const;

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    QRectF frame() const;
    QPointF photoPoint(QPointF widget) const;
    int probeAt(QPointF widget) const;
    Qt::Edges edgesAt(int probe, QPointF widget) const;
    void dragEdges(QPointF widget);

    Document& document_;
    QImage image_, map_;
    QRectF mapped_; // pixels of the photo that the map covers
    QRectF place_;
    QList<QRectF> seen_;
    int held_ = -1;
    Qt::Edges dragged_; // of the held probe's box
    QPointF from_;      // where the drag began
    QRectF area_;       // the held probe's then, in pixels of the photo
};

} // namespace irenic
