// A way over the whole picture in overlapping steps, row by row, back and forth, so that nothing is missed.
#pragma once

#include <QPointF>
#include <QSizeF>

#include "image/rect.h"

namespace irenic {

class Sweep {
  public:
    // The developed picture, and how much of it is seen at once; neither is empty.
    Sweep(const Rect& frame, QSizeF seen);
    int steps() const { return across_ * down_; }
    // The middle of what is seen at a step, from 0. What is seen there lies within the picture where the
    // picture is large enough.
    QPointF middle(int step) const;
    // The step whose middle lies nearest: where to go on after the window's size has changed.
    int nearest(QPointF to) const;

  private:
    Rect frame_;
    QSizeF seen_;
    int across_, down_;
};

} // namespace irenic
