#include "dark.h"

namespace irenic {

Photo takeDark(const Body& body, const Shot& shot, int width, int height) {
    Plane covered(width, height);
    covered.fill(0);
    return takePhoto(covered, body, shot);
}

DarkFrame takeDarkFrames(const Body& body, const Shot& shot, int width, int height, int count) {
    DarkFrameMean sum;
    for (int i = 0; i < count; ++i) {
        Shot own = shot;
        own.seed += static_cast<std::uint32_t>(i);
        sum.add(takeDark(body, own, width, height));
    }
    return sum.mean();
}

} // namespace irenic
