#include "closeup/sweep.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr double kOverlap = 0.1; // of what is seen, from a step to the next

int stepsFor(double length, double seen) {
    if (seen >= length) return 1;
    return 1 + static_cast<int>(std::ceil((length - seen) / (seen * (1 - kOverlap))));
}

// Of so many steps, evenly from one end to the other.
double middleOf(int step, int steps, double from, double length, double seen) {
    if (steps == 1) return from + length / 2;
    return from + seen / 2 + (length - seen) * step / (steps - 1);
}

} // namespace

Sweep::Sweep(const Rect& frame, QSizeF seen) : frame_(frame), seen_(seen) {
    IRENIC_EXPECTS(!frame.empty() && seen.width() > 0 && seen.height() > 0);
    across_ = stepsFor(frame.width, seen.width()), down_ = stepsFor(frame.height, seen.height());
}

QPointF Sweep::middle(int step) const {
    IRENIC_EXPECTS(step >= 0 && step < steps());
    const int row = step / across_, in = step % across_, column = row % 2 == 0 ? in : across_ - 1 - in;
    return {middleOf(column, across_, frame_.x, frame_.width, seen_.width()),
            middleOf(row, down_, frame_.y, frame_.height, seen_.height())};
}

int Sweep::nearest(QPointF to) const {
    int best = 0;
    for (int step = 1; step < steps(); ++step) {
        const QPointF a = middle(step) - to, b = middle(best) - to;
        if (QPointF::dotProduct(a, a) < QPointF::dotProduct(b, b)) best = step;
    }
    return best;
}

} // namespace irenic
