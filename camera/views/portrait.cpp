#include "portrait.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

// A Gaussian blur, as a lens out of focus nearly makes it.
Plane blurred(const Plane& in, double sigma) {
    const int reach = static_cast<int>(std::ceil(3 * sigma));
    std::vector<float> weight;
    float sum = 0;
    for (int i = -reach; i <= reach; ++i) {
        weight.push_back(static_cast<float>(std::exp(-i * i / (2 * sigma * sigma))));
        sum += weight.back();
    }
    const auto pass = [&](const Plane& from, int dx, int dy) {
        Plane out(from.width(), from.height());
        for (int y = 0; y < from.height(); ++y)
            for (int x = 0; x < from.width(); ++x) {
                float v = 0;
                for (int i = -reach; i <= reach; ++i)
                    v += weight[static_cast<std::size_t>(i + reach)] *
                         from.at(std::clamp(x + i * dx, 0, from.width() - 1),
                                 std::clamp(y + i * dy, 0, from.height() - 1));
                out.at(x, y) = v / sum;
            }
        return out;
    };
    return pass(pass(in, 1, 0), 0, 1);
}

} // namespace

Portrait portraitOf(Scene view, int width, int height) {
    Portrait out;
    out.light = renderScene(view, width, height);
    const Plane& green = out.light[1];
    constexpr double kFine = 1.5, kAround = 12, kNear = 8, kLens = 6; // pixels
    constexpr float kSeen = 0.03f, kBlack = 0.001f;
    const Plane plain = blurred(green, kFine), around = blurred(green, kAround);
    Plane unlike(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            unlike.at(x, y) = std::abs(green.at(x, y) - plain.at(x, y)) / (around.at(x, y) + kBlack);
    unlike = blurred(unlike, kNear);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double dx = (x - 0.45 * width) / (0.3 * width), dy = (y - 0.55 * height) / (0.36 * height);
            out.sharp.push_back(dx * dx + dy * dy < 1);
            out.detailed.push_back(unlike.at(x, y) > kSeen);
        }
    for (Plane& plane : out.light) {
        const Plane soft = blurred(plane, kLens);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                if (!out.sharp[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                               static_cast<std::size_t>(x)])
                    plane.at(x, y) = soft.at(x, y);
    }
    return out;
}

} // namespace irenic
