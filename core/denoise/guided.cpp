#include "denoise/guided.h"

#include <algorithm>

#include "base/expects.h"
#include "image/box_mean.h"

namespace irenic {

namespace {

template <class F> Plane combined(const Plane& a, const Plane& b, F value) {
    Plane out(a.width(), a.height());
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x) out.at(x, y) = value(a.at(x, y), b.at(x, y));
    return out;
}

Plane product(const Plane& a, const Plane& b) {
    return combined(a, b, [](float x, float y) { return x * y; });
}

} // namespace

Plane guided(const Plane& in, const Plane& guide, int radius, float even) {
    IRENIC_EXPECTS(in.width() == guide.width() && in.height() == guide.height() && radius >= 0 && even > 0);
    const Plane meanGuide = boxMean(guide, radius), meanIn = boxMean(in, radius),
                both = boxMean(product(guide, in), radius), square = boxMean(product(guide, guide), radius);
    Plane slope(in.width(), in.height()), level(in.width(), in.height());
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x) {
            const float g = meanGuide.at(x, y), variance = square.at(x, y) - g * g;
            slope.at(x, y) = (both.at(x, y) - g * meanIn.at(x, y)) / (std::max(0.0f, variance) + even);
            level.at(x, y) = meanIn.at(x, y) - slope.at(x, y) * g;
        }
    return combined(combined(boxMean(slope, radius), guide, [](float a, float g) { return a * g; }),
                    boxMean(level, radius), [](float a, float b) { return a + b; });
}

} // namespace irenic
