#include "raw/wide_mosaic.h"

#include <cmath>

#include "image/plane.h"

namespace irenic {

namespace {

// Nearest green along a direction, at most three away, which every X-Trans row and column has.
struct Step {
    int way;
    float value;
};

int inside(int i, int size) {
    return i < 0 ? std::min(-i, size - 1) : i >= size ? std::max(0, 2 * (size - 1) - i) : i;
}

} // namespace

void spreadColours(Photo& photo, WideMosaic wide, const Work& work) {
    const int w = photo.width(), h = photo.height();
    const float level = *std::min_element(photo.black.pattern.begin(), photo.black.pattern.end());
    const auto white = static_cast<float>(photo.white);
    wide.samples = std::move(photo.samples);
    const auto raw = [&](int x, int y) {
        const auto at =
            static_cast<std::size_t>(photo.active.y + y) * static_cast<std::size_t>(photo.rawWidth) +
            static_cast<std::size_t>(photo.active.x + x);
        return photo.normalised(wide.samples[at], x, y);
    };
    // White-balanced, so that colours go together.
    float balance[3];
    for (std::size_t c = 0; c < 3; ++c) balance[c] = static_cast<float>(1 / photo.neutral[c]);
    Plane light(w, h), green(w, h);
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) light.at(x, y) = raw(x, y) * balance[wide.at(x, y)];
    });
    const auto nearest = [&](int x, int y, int dx, int dy) {
        for (int k = 1; k <= 3; ++k) {
            const int u = inside(x + k * dx, w), v = inside(y + k * dy, h);
            if (wide.at(u, v) == Mosaic::Green) return Step{k, light.at(u, v)};
        }
        return Step{4, light.at(inside(x + dx, w), inside(y + dy, h))};
    };
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                if (wide.at(x, y) == Mosaic::Green) {
                    green.at(x, y) = light.at(x, y);
                    continue;
                }
                const Step west = nearest(x, y, -1, 0), east = nearest(x, y, 1, 0),
                           north = nearest(x, y, 0, -1), south = nearest(x, y, 0, 1);
                const auto along = [](const Step& a, const Step& b) {
                    return (a.value * static_cast<float>(b.way) + b.value * static_cast<float>(a.way)) /
                           static_cast<float>(a.way + b.way);
                };
                const float across = west.value - east.value, down = north.value - south.value;
                // In calm places both ways count by their distances alone.
                const auto weight = [&](float difference, const Step& a, const Step& b) {
                    return 1 / ((difference * difference + 1e-4f) * static_cast<float>(a.way * b.way));
                };
                const float wa = weight(across, west, east), wd = weight(down, north, south);
                green.at(x, y) = (wa * along(west, east) + wd * along(north, south)) / (wa + wd);
            }
    });
    photo.channels = 3;
    photo.samples.assign(static_cast<std::size_t>(photo.rawWidth) *
                             static_cast<std::size_t>(photo.rawHeight) * 3,
                         static_cast<std::uint16_t>(level));
    constexpr int reach = 3;
    std::array<std::array<float, 2 * reach + 1>, 2 * reach + 1> near{};
    for (int j = -reach; j <= reach; ++j)
        for (int i = -reach; i <= reach; ++i)
            near[static_cast<std::size_t>(j + reach)][static_cast<std::size_t>(i + reach)] =
                std::exp(-static_cast<float>(i * i + j * j) / (2 * 1.1f * 1.1f));
    std::vector<std::uint16_t> colours(photo.samples);
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                float sum[3] = {}, weights[3] = {};
                const float g = green.at(x, y);
                for (int j = -reach; j <= reach; ++j)
                    for (int i = -reach; i <= reach; ++i) {
                        const int u = inside(x + i, w), v = inside(y + j, h);
                        const Mosaic::Colour c = wide.at(u, v);
                        if (c == Mosaic::Green) continue;
                        const float d = green.at(u, v) - g, k = near[static_cast<std::size_t>(j + reach)]
                                                                    [static_cast<std::size_t>(i + reach)] /
                                                                (1 + d * d * 400);
                        sum[c] += k * (light.at(u, v) - green.at(u, v)), weights[c] += k;
                    }
                const Mosaic::Colour own = wide.at(x, y);
                for (std::size_t c = 0; c < 3; ++c) {
                    const float v = c == 1 ? g : g + (weights[c] > 0 ? sum[c] / weights[c] : 0);
                    const float normalised = c == own ? raw(x, y) : v / balance[c];
                    colours[photo.index(x, y, static_cast<int>(c))] = static_cast<std::uint16_t>(
                        std::lround(std::clamp(normalised * (white - level) + level, 0.0f, 65535.0f)));
                }
            }
    });
    photo.samples = std::move(colours);
    wide.black = photo.black;
    photo.wide = std::move(wide);
    photo.black.rows = photo.black.columns = 1;
    photo.black.pattern = {level};
    photo.black.deltaH.clear(), photo.black.deltaV.clear();
}

std::vector<std::uint16_t> ownSamples(const Photo& photo) {
    std::vector<std::uint16_t> out = photo.wide->samples;
    for (int y = 0; y < photo.height(); ++y)
        for (int x = 0; x < photo.width(); ++x) {
            const std::uint16_t sample = photo.sample(x, y, photo.wide->at(x, y));
            const float own = photo.wide->black.at(x, y), white = static_cast<float>(photo.white),
                        level = photo.black.at(x, y);
            out[static_cast<std::size_t>(photo.active.y + y) * static_cast<std::size_t>(photo.rawWidth) +
                static_cast<std::size_t>(photo.active.x + x)] =
                own == level
                    ? sample
                    : static_cast<std::uint16_t>(std::lround(std::clamp(
                          (static_cast<float>(sample) - level) / (white - level) * (white - own) + own, 0.0f,
                          65535.0f)));
        }
    return out;
}

} // namespace irenic
