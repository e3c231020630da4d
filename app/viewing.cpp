#include "viewing.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace irenic {

bool Viewing::isPanned() const {
    return !pan().isNull() ||
           std::any_of(rowPans_.begin(), rowPans_.end(), [](const auto& p) { return !p.second.isNull(); });
}

QPointF Viewing::panOf(std::uint32_t probe) const {
    const auto own = rowPans_.find(probe);
    return own == rowPans_.end() ? pan() : pan() + own->second;
}

bool Viewing::zoomBy(int direction, QPointF fromCentre, std::uint32_t probe) {
    static constexpr double steps[] = {0, 0.25, 1.0 / 3, 0.5, 1, 2, 3, 4, 6, 8, 16};
    const double before = view_.zoom;
    const auto at = std::min_element(std::begin(steps), std::end(steps), [&](double a, double b) {
        return std::abs(a - before) < std::abs(b - before);
    });
    const auto index =
        std::clamp<std::ptrdiff_t>(at - std::begin(steps) + direction, 0, std::ssize(steps) - 1);
    const double after = steps[index];
    if (before == after) return false;
    // The pixel under the pointer stays there.
    if (before > 0 && after > 0) {
        const QPointF shift = fromCentre * (1 - before / after);
        const QPointF whole(std::round(shift.x()), std::round(shift.y()));
        probe != 0 ? panRow(probe, whole) : setPan(pan() + whole);
    }
    view_.zoom = after;
    return true;
}

} // namespace irenic
