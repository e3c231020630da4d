#include "judge/removed.h"

#include <algorithm>
#include <cmath>

#include "noise/stabilise.h"

namespace irenic {

namespace {

constexpr float kSteps = 10; // of the screen for one standard deviation at a gain of 1

// The stabilised difference of every sample.
Image stabilisedDifference(const Photo& photo, const Comparison& what, const Rect& area, const Work& work,
                           CleanSource* samples) {
    const auto cleaned = [&](const Settings& s, const Work& part) {
        return samples ? samples->get(photo, s, area, part) : cleanRegion(photo, s, area, part);
    };
    Image first = cleaned(what.first, work.part(0, 0.45));
    const Image second = cleaned(what.second, work.part(0.45, 0.9));
    std::vector<Stabiliser> stable;
    for (const NoiseLine& line : photo.noise.channel) stable.emplace_back(line);
    static constexpr std::size_t channelOfColour[3] = {0, 1, 3};
    forEachBand(area.height, 16, work, [&](int from, int to) {
        for (std::size_t p = 0; p < first.planes(); ++p)
            for (int y = area.y + from; y < area.y + to; ++y)
                for (int x = area.x; x < area.right(); ++x) {
                    const std::size_t channel =
                        photo.hasMosaic()
                            ? static_cast<std::size_t>(photo.mosaic.channel((y & 1) * 2 + (x & 1)))
                            : channelOfColour[p];
                    float& v = first.rowAt(p, y)[x];
                    v = stable[channel].forward(v) - stable[channel].forward(second.rowAt(p, y)[x]);
                }
    });
    return first;
}

// Each colour at every pixel: weights 1 2 1 along and across, over the samples that have the colour.
Image interpolated(const Image& mosaic, const Mosaic& pattern, const Rect& area, const Work& work) {
    Image out(Holds::CameraLight, area);
    forEachBand(area.height, 16, work, [&](int from, int to) {
        for (int y = area.y + from; y < area.y + to; ++y)
            for (int x = area.x; x < area.right(); ++x) {
                float sum[3] = {}, weight[3] = {};
                for (int j = -1; j <= 1; ++j)
                    for (int i = -1; i <= 1; ++i) {
                        const int u = x + i, v = y + j;
                        if (!mosaic.area.contains({u, v, 1, 1})) continue;
                        const float w = static_cast<float>((2 - std::abs(i)) * (2 - std::abs(j)));
                        const auto c = static_cast<std::size_t>(pattern.at(u, v));
                        sum[c] += w * mosaic.rowAt(0, v)[u], weight[c] += w;
                    }
                for (std::size_t c = 0; c < 3; ++c)
                    out.rowAt(c, y)[x] = weight[c] > 0 ? sum[c] / weight[c] : 0;
            }
    });
    return out;
}

} // namespace

Picture renderDifference(const Photo& photo, const Comparison& what, const Rect& area, double zoom,
                         const Work& work, CleanSource* samples) {
    if (!(zoom > 0)) throw std::invalid_argument("the zoom must be above 0");
    const Rect whole{0, 0, photo.width(), photo.height()};
    const Rect read = photo.hasMosaic() ? area.inflated(1).intersected(whole) : area;
    Image light = stabilisedDifference(photo, what, read, work, samples);
    if (photo.hasMosaic()) light = interpolated(light, photo.mosaic, area, work);
    const int grow = zoom >= 1 ? static_cast<int>(std::lround(zoom)) : 1,
              shrink = zoom < 1 ? static_cast<int>(std::lround(1 / zoom)) : 1;
    const int w = std::max(1, area.width / shrink), h = std::max(1, area.height / shrink);
    Picture out(w, h);
    const float scale = kSteps * static_cast<float>(what.gain) / static_cast<float>(shrink * shrink);
    forEachBand(h, 8, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                float v[3] = {};
                for (int j = 0; j < shrink && y * shrink + j < area.height; ++j)
                    for (int i = 0; i < shrink && x * shrink + i < area.width; ++i)
                        for (std::size_t c = 0; c < 3; ++c)
                            v[c] += light[c].at(x * shrink + i, y * shrink + j);
                const float luminance = 0.25f * v[0] + 0.5f * v[1] + 0.25f * v[2];
                for (std::size_t c = 0; c < 3; ++c) {
                    const float d = what.part == DifferencePart::Everything  ? v[c]
                                    : what.part == DifferencePart::Luminance ? luminance
                                                                             : v[c] - luminance;
                    out.row(y)[3 * x + static_cast<int>(c)] =
                        static_cast<std::uint8_t>(std::clamp(128 + scale * d + 0.5f, 0.0f, 255.0f));
                }
            }
    });
    work.report(1);
    return magnified(std::move(out), grow);
}

} // namespace irenic
