#include "judge/probes.h"

#include <algorithm>
#include <cmath>
#include <functional>

#include "base/shown_text.h"
#include "denoise/clean.h"

namespace irenic {

namespace {

constexpr int kSquare = 32; // packed samples
constexpr int kPart = 8;    // a square is judged in parts of this size

float median(std::vector<float>& v) {
    const auto middle = v.begin() + static_cast<std::ptrdiff_t>(v.size() / 2);
    std::nth_element(v.begin(), middle, v.end());
    return *middle;
}

struct Square {
    int x, y; // centre, in pixels
    float mean, texture, fine, edge, point;
    float life = 0;    // deviation of the parts' means beyond what noise gives them
    float thin = 0;    // how far lines of a pixel or two stand off their ground, in deviations of the noise
    float light = 0;   // linear, 1 at white
    float clipped = 0; // share of the samples
    float colour = 0;  // by how much of its light red or blue is more than green
};

// How far hairs, wires and twigs stand off smooth ground on both of their sides. A step stands off one side
// alone; what fills the square is no line.
float thinLinesIn(const Plane& p) {
    constexpr int kReach = 2;      // half a line's piece; from it to its ground
    constexpr float kClear = 3;    // more than 4 deviations of what noise gives
    constexpr float kMost = 0.15f; // of the square's places that a line covers
    constexpr int kAlong[4][2] = {{1, 0}, {0, 1}, {1, 1}, {1, -1}}; // of lines
    constexpr float kFewest = 16;                                   // places: half a square's width of a line
    std::vector<float> heights;
    int places = 0;
    for (int y = 2 * kReach; y < kSquare - 2 * kReach; ++y)
        for (int x = 2 * kReach; x < kSquare - 2 * kReach; ++x, ++places) {
            float most = 0;
            for (const auto& [dx, dy] : kAlong) {
                float middle = 0, left = 0, right = 0;
                for (int i = -kReach; i <= kReach; ++i) {
                    const int u = x + i * dx, v = y + i * dy;
                    middle += p.at(u, v);
                    left += p.at(u - kReach * dy, v + kReach * dx);
                    right += p.at(u + kReach * dy, v - kReach * dx);
                }
                const float a = (middle - left) / (2 * kReach + 1), b = (middle - right) / (2 * kReach + 1);
                if (a * b > 0) most = std::max(most, std::min(std::abs(a), std::abs(b)));
            }
            if (most > kClear) heights.push_back(most);
        }
    const auto count = static_cast<float>(heights.size());
    if (count < kFewest || count > kMost * static_cast<float>(places)) return 0;
    return median(heights);
}

Square measure(const PlaneSet& planes, int cell) {
    const Plane& p = planes.plane[0];
    std::vector<float> means, variances, fine;
    for (int top = 0; top < kSquare; top += kPart)
        for (int left = 0; left < kSquare; left += kPart) {
            float sum = 0, squares = 0, steps = 0;
            for (int y = top; y < top + kPart; ++y)
                for (int x = left; x < left + kPart; ++x) {
                    sum += p.at(x, y);
                    squares += p.at(x, y) * p.at(x, y);
                    const float across = p.at(x, y) - p.at(std::min(x + 1, kSquare - 1), y),
                                down = p.at(x, y) - p.at(x, std::min(y + 1, kSquare - 1));
                    steps += 0.25f * (across * across + down * down);
                }
            const float n = kPart * kPart, mean = sum / n;
            means.push_back(mean);
            variances.push_back(std::max(0.0f, squares / n - mean * mean - 1.0f));
            fine.push_back(steps / n - 0.94f);
        }
    const auto [low, high] = std::minmax_element(means.begin(), means.end());
    Square s{
        cell * (planes.area.x + kSquare / 2), cell * (planes.area.y + kSquare / 2), 0, 0, 0, *high - *low, 0};
    float peak = 0;
    for (int y = 1; y < kSquare - 1; ++y)
        for (int x = 1; x < kSquare - 1; ++x) {
            float sum = 0;
            for (int j = -1; j <= 1; ++j)
                for (int i = -1; i <= 1; ++i) sum += p.at(x + i, y + j);
            peak = std::max(peak, sum / 9);
        }
    s.mean = median(means);
    s.texture = median(variances);
    s.fine = median(fine);
    s.point = peak - s.mean;
    s.thin = thinLinesIn(p);
    float spread = 0, mean = 0;
    for (const float m : means) mean += m / static_cast<float>(means.size());
    for (const float m : means) spread += (m - mean) * (m - mean) / static_cast<float>(means.size());
    s.life = std::sqrt(spread);
    return s;
}

// Light and clipping of a square's own samples, every second cell of them.
void measureLight(Square& s, const Photo& photo) {
    const int half = kSquare * photo.cell() / 2;
    double sum = 0;
    std::array<double, 3> colours{}; // sums of red, green and blue, and how many of each
    std::array<int, 3> counts{};
    int clipped = 0, count = 0;
    for (int y = s.y - half; y < s.y + half; y += 2 * photo.cell())
        for (int x = s.x - half; x < s.x + half; x += 2 * photo.cell())
            for (int j = 0; j < photo.cell(); ++j)
                for (int i = 0; i < photo.cell(); ++i)
                    for (int c = 0; c < photo.channels; ++c, ++count) {
                        const float v = photo.normalised(x + i, y + j, c);
                        sum += static_cast<double>(v);
                        clipped += v > 0.97f;
                        const auto colour = photo.hasMosaic()
                                                ? static_cast<std::size_t>(photo.mosaic.at(x + i, y + j))
                                                : static_cast<std::size_t>(c);
                        colours[colour] += static_cast<double>(v), ++counts[colour];
                    }
    s.light = static_cast<float>(sum / count);
    s.clipped = static_cast<float>(clipped) / static_cast<float>(count);
    if (counts[2] == 0) return;
    for (std::size_t c = 0; c < 3; ++c) colours[c] /= counts[c] * photo.neutral[c];
    const double strong = std::max(colours[0], colours[2]);
    s.colour = static_cast<float>((strong - colours[1]) / std::max(strong, 1e-6));
}

// A square is left to the eye from this light on: 13 of 255 on the screen, which a dark room still shows.
constexpr float kSeen = 0.004f;
// Of a square's samples that may be clipped where texture or smoothness is to be judged.
constexpr float kMostClipped = 0.02f;
// Variance beyond the noise's of ground that counts as smooth.
constexpr float kSmoothGround = 0.6f;
// Red or blue that is deep: four tenths more of it than of green.
constexpr float kDeep = 0.4f;
// Parts' means of white noise deviate by 1/8; what deviates half as much again is something.
constexpr float kLives = 0.19f;

// How many of the photo's long sides probes keep away from each other; less where there is no room.
constexpr float kApart[] = {0.14f, 0.08f, 0.04f};

} // namespace

std::vector<Probe> placeProbes(const Photo& photo, const Work& work) {
    const int across = photo.width() / photo.cell() / kSquare, down = photo.height() / photo.cell() / kSquare;
    if (across < 3 || down < 3)
        return {{IRENIC_TEXT("middle"), IRENIC_TEXT("The photo is small"), photo.width() / 2,
                 photo.height() / 2}};
    std::vector<Square> squares(static_cast<std::size_t>(across * down));
    forEachBand(down, 2, work, [&](int first, int last) {
        for (int j = first; j < last; ++j)
            for (int i = 0; i < across; ++i) {
                const Rect area{i * kSquare, j * kSquare, kSquare, kSquare};
                Square& s = squares[static_cast<std::size_t>(j * across + i)];
                s = measure(stabilisedPlanes(photo, area), photo.cell());
                measureLight(s, photo);
            }
    });
    // What the file asks to be lifted is seen lifted.
    const auto seen = static_cast<float>(kSeen * std::exp2(-photo.baselineExposure));
    // The whole surround of a square is sharp, not one line through it.
    const auto aroundOf = [&](const Square& s) {
        const auto at = static_cast<int>(&s - squares.data());
        const int i = at % across, j = at / across;
        float sum = 0;
        for (int v = std::max(0, j - 1); v <= std::min(down - 1, j + 1); ++v)
            for (int u = std::max(0, i - 1); u <= std::min(across - 1, i + 1); ++u)
                sum += std::sqrt(std::max(0.0f, squares[static_cast<std::size_t>(v * across + u)].fine));
        return sum;
    };
    // Mid-grey, or as near to it as the photo comes.
    std::vector<float> lights;
    for (const Square& s : squares)
        if (s.light >= seen && s.clipped <= kMostClipped) lights.push_back(s.light);
    std::sort(lights.begin(), lights.end());
    const auto grey = static_cast<float>(0.16 * std::exp2(-photo.baselineExposure));
    const float middle =
        lights.empty() ? grey : std::clamp(grey, lights[lights.size() / 20], lights[lights.size() * 9 / 10]);
    const int margin = std::min(2 * kSquare * photo.cell(), std::min(photo.width(), photo.height()) / 5);
    const auto longest = static_cast<float>(std::max(photo.width(), photo.height()));

    std::vector<Probe> probes;
    using Allowed = std::function<bool(const Square&)>;
    using Score = std::function<float(const Square&)>;
    const auto choose = [&](const char* name, const Allowed& allowed, const Score& score) -> const Square* {
        for (const float apart : kApart) {
            const Square* best = nullptr;
            float top = -1e30f;
            const float far = std::max(apart * longest, static_cast<float>(4 * kSquare));
            for (const Square& s : squares) {
                // The outermost squares leave no room for a crop around them.
                if (s.x < margin || s.y < margin || s.x > photo.width() - margin ||
                    s.y > photo.height() - margin)
                    continue;
                const bool taken = std::any_of(probes.begin(), probes.end(), [&](const Probe& p) {
                    return std::hypot(static_cast<float>(p.x - s.x), static_cast<float>(p.y - s.y)) < far;
                });
                if (taken || !allowed(s)) continue;
                if (const float value = score(s); value > top) top = value, best = &s;
            }
            if (!best) continue;
            probes.push_back({name, "", best->x, best->y});
            return best;
        }
        return nullptr;
    };
    const auto say = [&](const Square* found, const std::string& reason) {
        if (found) probes.back().reason = reason;
    };
    const Allowed open = [&](const Square& s) { return s.clipped <= kMostClipped && s.light >= seen; };

    const Allowed darkAndAlive = [&](const Square& s) {
        return s.clipped <= kMostClipped && s.life >= kLives;
    };
    const auto darkness = [&](const Square& s) { return -std::log2(std::max(s.light, 1e-5f)); };
    const Square* darkest = choose(
        IRENIC_TEXT("darkest"), [&](const Square& s) { return open(s) && darkAndAlive(s); },
        [&](const Square& s) { return darkness(s) - 0.3f * s.edge; });
    if (!darkest) {
        // Nothing is seen as the photo is: the brightest of what lives there, and how far it must be lifted.
        darkest = choose(IRENIC_TEXT("darkest"), darkAndAlive, [&](const Square& s) { return -darkness(s); });
        if (darkest) {
            const int stops =
                static_cast<int>(std::ceil(std::log2(5 * seen / std::max(darkest->light, 1e-5f))));
            say(darkest, filled(IRENIC_TEXT("Darkest area with detail; push +%1 EV to see it"),
                                {std::to_string(std::clamp(stops, 1, 8))}));
        }
    } else {
        say(darkest, IRENIC_TEXT("Darkest area with detail: colour noise shows here first"));
    }
    say(choose(IRENIC_TEXT("mid-tone"), open,
               [&](const Square& s) {
                   return -2 * std::abs(std::log2(s.light / middle)) - 2 * s.texture - s.edge;
               }),
        IRENIC_TEXT("Smooth mid-tone: grain and blotches show here"));
    say(choose(IRENIC_TEXT("texture"), open,
               [&](const Square& s) { return s.fine - 0.02f * s.edge * s.edge; }),
        IRENIC_TEXT("Finest texture: smears first"));
    say(choose(
            IRENIC_TEXT("edge"), [&](const Square& s) { return s.clipped <= 0.25f && s.light >= seen; },
            [&](const Square& s) { return s.edge - 0.5f * s.texture; }),
        IRENIC_TEXT("Strongest edge: halos and fringes show here"));
    // Ground that the line does not stand out from by some deviations shows it as noise.
    say(choose(
            IRENIC_TEXT("thin lines"),
            [&](const Square& s) { return open(s) && s.thin > 0 && s.texture < kSmoothGround; },
            [&](const Square& s) { return std::min(s.thin, 12.0f) - 4 * s.texture - 0.3f * s.edge; }),
        IRENIC_TEXT("Thin lines before a smooth ground: the first that break"));
    say(choose(
            IRENIC_TEXT("deep colour"),
            [&](const Square& s) { return open(s) && s.light >= 2 * seen && s.colour > kDeep; },
            [&](const Square& s) { return s.colour - 0.05f * s.edge; }),
        IRENIC_TEXT("Deep red or blue: the noisiest channel, and colour fades here"));
    say(choose(
            IRENIC_TEXT("lights"), [&](const Square& s) { return s.clipped <= 0.08f; },
            [&](const Square& s) { return s.point - 2 * s.texture - 0.7f * s.edge; }),
        IRENIC_TEXT("Bright points: must not vanish"));
    say(choose(IRENIC_TEXT("in focus"), open, aroundOf),
        IRENIC_TEXT("Sharpest area: where the eye goes first"));
    say(choose(
            IRENIC_TEXT("corner"),
            [&](const Square& s) {
                const auto outside = [](int v, int whole) { return v < whole * 0.16 || v > whole * 0.84; };
                return open(s) && outside(s.x, photo.width()) && outside(s.y, photo.height());
            },
            [&](const Square& s) { return std::min(s.life, 3.0f) + darkness(s) * 0.3f; }),
        IRENIC_TEXT("Corner: least light and sharpness"));
    if (probes.empty())
        probes.push_back({IRENIC_TEXT("middle"), IRENIC_TEXT("Nothing stands out from the noise"),
                          photo.width() / 2, photo.height() / 2});
    return probes;
}

} // namespace irenic
