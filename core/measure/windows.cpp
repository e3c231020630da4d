#include "measure/windows.h"

#include <algorithm>

#include "base/expects.h"

namespace irenic {

std::vector<Window> windowsOf(const Photo& photo, const NoiseModel& model, int side, const Work& work) {
    IRENIC_EXPECTS(photo.hasMosaic() && side > 4 && side % 2 == 0);
    const double lowest = photo.lowest();
    std::vector<Window> all;
    for (int y = 0; y + side <= photo.height(); y += side)
        for (int x = 0; x + side <= photo.width(); x += side) {
            Window own{x, y, 0, 0};
            std::array<double, 4> count{};
            double squares = 0, expected = 0, clipped = 0;
            for (int j = y; j < y + side; j += 5)
                for (int i = x + 2; i < x + side - 2; ++i) {
                    const double v = static_cast<double>(photo.normalised(i, j)),
                                 d = v - 0.5 * static_cast<double>(photo.normalised(i - 2, j) +
                                                                   photo.normalised(i + 2, j));
                    const auto channel =
                        static_cast<std::size_t>(photo.mosaic.channel((j & 1) * 2 + (i & 1)));
                    own.mean[channel] += v, ++count[channel];
                    squares += d * d, clipped += v >= 0.98 || v <= lowest;
                    expected += 1.5 * model.channel[channel].variance(v);
                }
            work.check();
            const double all4 = count[0] + count[1] + count[2] + count[3];
            if (200 * clipped >= all4) continue;
            for (std::size_t c = 0; c < 4; ++c) {
                own.brightness += own.mean[c] / all4;
                own.mean[c] /= std::max(1.0, count[c]);
            }
            const double uneven =
                static_cast<double>(photo.noiseFactor(own.middleX(side), own.middleY(side)));
            own.unrest = squares / std::max(uneven * uneven * expected, 1e-12);
            all.push_back(own);
        }
    return all;
}

std::array<Stabiliser, 4> stabilisersOf(const NoiseModel& model) {
    return {Stabiliser(model.channel[0]), Stabiliser(model.channel[1]), Stabiliser(model.channel[2]),
            Stabiliser(model.channel[3])};
}

Plane stabilisedWindow(const Photo& photo, const std::array<Stabiliser, 4>& stable, const Window& window,
                       int side) {
    IRENIC_EXPECTS(side > 0 && photo.whole().contains(Rect{window.x, window.y, side, side}));
    Plane out(side, side);
    for (int y = 0; y < side; ++y)
        for (int x = 0; x < side; ++x) {
            const int channel = photo.mosaic.channel((y & 1) * 2 + (x & 1));
            out.at(x, y) = stable[static_cast<std::size_t>(channel)].forward(
                photo.normalised(window.x + x, window.y + y));
        }
    if (photo.unevenness.none()) return out;
    for (int y = 0; y < side; ++y)
        for (int x = 0; x < side; ++x) out.at(x, y) /= photo.noiseFactor(window.x + x, window.y + y);
    return out;
}

} // namespace irenic
