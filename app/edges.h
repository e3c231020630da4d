// Rectangles whose edges are dragged: which edges a point grasps, what dragging makes of them, what the
// pointer looks like meanwhile. Lengths are in whatever unit the rectangle has.
#pragma once

#include <QPointF>
#include <QRectF>
#include <Qt>
#include <algorithm>
#include <cmath>

namespace irenic {

inline Qt::Edges edgesNear(const QRectF& area, QPointF at, double near) {
    if (!area.adjusted(-near, -near, near, near).contains(at)) return {};
    Qt::Edges edges;
    edges.setFlag(Qt::LeftEdge, std::abs(at.x() - area.left()) <= near);
    edges.setFlag(Qt::RightEdge, std::abs(at.x() - area.right()) <= near);
    edges.setFlag(Qt::TopEdge, std::abs(at.y() - area.top()) <= near);
    edges.setFlag(Qt::BottomEdge, std::abs(at.y() - area.bottom()) <= near);
    return edges;
}

// The rectangle with those edges moved by that much, each as far as leaves it `least` long.
inline QRectF withEdgesMoved(QRectF area, Qt::Edges edges, QPointF by, double least) {
    if (edges & Qt::LeftEdge) area.setLeft(std::min(area.left() + by.x(), area.right() - least));
    if (edges & Qt::RightEdge) area.setRight(std::max(area.right() + by.x(), area.left() + least));
    if (edges & Qt::TopEdge) area.setTop(std::min(area.top() + by.y(), area.bottom() - least));
    if (edges & Qt::BottomEdge) area.setBottom(std::max(area.bottom() + by.y(), area.top() + least));
    return area;
}

inline Qt::CursorShape cursorFor(Qt::Edges edges, Qt::CursorShape without) {
    const bool across = edges & (Qt::LeftEdge | Qt::RightEdge), down = edges & (Qt::TopEdge | Qt::BottomEdge);
    const bool falling = edges == (Qt::LeftEdge | Qt::TopEdge) || edges == (Qt::RightEdge | Qt::BottomEdge);
    if (across && down) return falling ? Qt::SizeFDiagCursor : Qt::SizeBDiagCursor;
    return across ? Qt::SizeHorCursor : down ? Qt::SizeVerCursor : without;
}

} // namespace irenic
