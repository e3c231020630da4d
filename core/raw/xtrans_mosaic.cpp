#include "raw/xtrans_mosaic.h"

#include <cmath>

#include "base/expects.h"
#include "image/plane.h"
#include "image/wide.h"

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

// One colour's sites of a row: how far the colour lies above green, and 1; elsewhere 0 and 0.
struct Sites {
    std::vector<float> above, there;
};
// What the sites at one distance add to the sums of n pixels: `near` over how unlike their green is. Without
// a choice in it, so that it runs on vectors.
IRENIC_WIDE void addSites(const float* __restrict green, const float* __restrict greenThere, float near,
                          const float* __restrict above, const float* __restrict there, int n,
                          float* __restrict sum, float* __restrict weight) {
    for (int x = 0; x < n; ++x) {
        const float d = greenThere[x] - green[x], k = near / (1 + d * d * 400);
        sum[x] += k * above[x], weight[x] += k * there[x];
    }
}

// Some rows of green and of the other colours' sites, mirrored beyond the edges as far as a pixel looks.
class Surround {
  public:
    Surround(const XTransMosaic& xtrans, const Plane& light, const Plane& green, int first, int last)
        : width_(light.width()), first_(first - kReach) {
        for (int j = first - kReach; j < last + kReach; ++j) {
            Row& row = rows_.emplace_back();
            for (int i = -kReach; i < width_ + kReach; ++i) {
                const int u = inside(i, width_), v = inside(j, light.height());
                const Mosaic::Colour c = xtrans.at(u, v);
                row.green.push_back(green.at(u, v));
                for (std::size_t k = 0; k < 2; ++k) {
                    const bool there = c == (k == 0 ? Mosaic::Red : Mosaic::Blue);
                    row.sites[k].above.push_back(there ? light.at(u, v) - green.at(u, v) : 0);
                    row.sites[k].there.push_back(there ? 1 : 0);
                }
            }
        }
    }
    // How far each colour lies above green along row y; green itself: 0.
    void differences(int y, std::array<std::vector<float>, 3>& found) const {
        const auto n = static_cast<std::size_t>(width_);
        std::array<std::vector<float>, 2> weight;
        for (auto& one : weight) one.assign(n, 0);
        for (auto& one : found) one.assign(n, 0);
        const float* green = rowAt(y).green.data() + kReach;
        for (int j = -kReach; j <= kReach; ++j)
            for (int i = -kReach; i <= kReach; ++i) {
                const Row& there = rowAt(y + j);
                const float near = std::exp(-static_cast<float>(i * i + j * j) / (2 * 1.1f * 1.1f));
                for (std::size_t k = 0; k < 2; ++k)
                    addSites(green, there.green.data() + kReach + i, near,
                             there.sites[k].above.data() + kReach + i,
                             there.sites[k].there.data() + kReach + i, width_, found[2 * k].data(),
                             weight[k].data());
            }
        for (std::size_t k = 0; k < 2; ++k)
            for (std::size_t x = 0; x < n; ++x)
                found[2 * k][x] = weight[k][x] > 0 ? found[2 * k][x] / weight[k][x] : 0;
    }

  private:
    static constexpr int kReach = 3;
    struct Row {
        std::vector<float> green;
        std::array<Sites, 2> sites; // red and blue
    };
    const Row& rowAt(int y) const { return rows_[static_cast<std::size_t>(y - first_)]; }

    int width_, first_;
    std::vector<Row> rows_;
};

} // namespace

void spreadColours(Photo& photo, XTransMosaic xtrans, const Work& work) {
    IRENIC_EXPECTS(photo.channels == 1);
    const int w = photo.width(), h = photo.height();
    const float level = *std::min_element(photo.black.pattern.begin(), photo.black.pattern.end());
    const auto white = static_cast<float>(photo.white);
    xtrans.samples = std::move(photo.samples);
    const auto raw = [&](int x, int y) {
        const auto at =
            static_cast<std::size_t>(photo.active.y + y) * static_cast<std::size_t>(photo.rawWidth) +
            static_cast<std::size_t>(photo.active.x + x);
        return photo.normalised(xtrans.samples[at], x, y);
    };
    // White-balanced, so that colours go together.
    float balance[3];
    for (std::size_t c = 0; c < 3; ++c) balance[c] = static_cast<float>(1 / photo.neutral[c]);
    Plane light(w, h), green(w, h);
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) light.at(x, y) = raw(x, y) * balance[xtrans.at(x, y)];
    });
    const auto nearest = [&](int x, int y, int dx, int dy) {
        for (int k = 1; k <= 3; ++k) {
            const int u = inside(x + k * dx, w), v = inside(y + k * dy, h);
            if (xtrans.at(u, v) == Mosaic::Green) return Step{k, light.at(u, v)};
        }
        return Step{4, light.at(inside(x + dx, w), inside(y + dy, h))};
    };
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                if (xtrans.at(x, y) == Mosaic::Green) {
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
    std::vector<std::uint16_t> colours(photo.samples);
    forEachBand(h, 16, work, [&](int first, int last) {
        const Surround surround(xtrans, light, green, first, last);
        std::array<std::vector<float>, 3> found;
        for (int y = first; y < last; ++y) {
            surround.differences(y, found);
            for (int x = 0; x < w; ++x) {
                const Mosaic::Colour own = xtrans.at(x, y);
                for (std::size_t c = 0; c < 3; ++c) {
                    const float v = green.at(x, y) + found[c][static_cast<std::size_t>(x)];
                    const float normalised = c == own ? raw(x, y) : v / balance[c];
                    colours[photo.index(x, y, static_cast<int>(c))] = static_cast<std::uint16_t>(
                        std::lround(std::clamp(normalised * (white - level) + level, 0.0f, 65535.0f)));
                }
            }
        }
    });
    photo.samples = std::move(colours);
    xtrans.black = photo.black;
    photo.xtrans = std::move(xtrans);
    photo.black.rows = photo.black.columns = 1;
    photo.black.pattern = {level};
    photo.black.deltaH.clear(), photo.black.deltaV.clear();
}

std::vector<std::uint16_t> ownSamples(const Photo& photo) {
    IRENIC_EXPECTS(photo.xtrans);
    std::vector<std::uint16_t> out = photo.xtrans->samples;
    for (int y = 0; y < photo.height(); ++y)
        for (int x = 0; x < photo.width(); ++x) {
            const std::uint16_t sample = photo.sample(x, y, photo.xtrans->at(x, y));
            const float own = photo.xtrans->black.at(x, y), white = static_cast<float>(photo.white),
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
