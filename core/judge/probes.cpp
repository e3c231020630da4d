#include "judge/probes.h"

#include <algorithm>
#include <cmath>
#include <functional>

#include "denoise/clean.h"

namespace irenic {

namespace {

constexpr int kSquare = 32; // packed samples
constexpr int kPart = 8;    // a square is judged in parts of this size

struct Square {
    int x, y; // centre, in pixels
    float mean, texture, fine, edge, point;
    float life = 0;    // deviation of the parts' means beyond what noise gives them
    float light = 0;   // linear, 1 at white
    float clipped = 0; // share of the samples
};

float median(std::vector<float>& v) {
    const auto middle = v.begin() + static_cast<std::ptrdiff_t>(v.size() / 2);
    std::nth_element(v.begin(), middle, v.end());
    return *middle;
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
    int clipped = 0, count = 0;
    for (int y = s.y - half; y < s.y + half; y += 2 * photo.cell())
        for (int x = s.x - half; x < s.x + half; x += 2 * photo.cell())
            for (int j = 0; j < photo.cell(); ++j)
                for (int i = 0; i < photo.cell(); ++i)
                    for (int c = 0; c < photo.channels; ++c, ++count) {
                        const float v = photo.normalised(x + i, y + j, c);
                        sum += static_cast<double>(v);
                        clipped += v > 0.97f;
                    }
    s.light = static_cast<float>(sum / count);
    s.clipped = static_cast<float>(clipped) / static_cast<float>(count);
}

// A square is left to the eye from this light on: 13 of 255 on the screen, which a dark room still shows.
constexpr float kSeen = 0.004f;
// Of a square's samples that may be clipped where texture or smoothness is to be judged.
constexpr float kMostClipped = 0.02f;
// Parts' means of white noise deviate by 1/8; what deviates half as much again is something.
constexpr float kLives = 0.19f;

// How many of the photo's long sides probes keep away from each other; less where there is no room.
constexpr float kApart[] = {0.14f, 0.08f, 0.04f};

} // namespace

std::vector<Probe> placeProbes(const Photo& photo, const Work& work) {
    const int across = photo.width() / photo.cell() / kSquare, down = photo.height() / photo.cell() / kSquare;
    if (across < 3 || down < 3)
        return {{"middle", "The photo is small", photo.width() / 2, photo.height() / 2}};
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
        "darkest", [&](const Square& s) { return open(s) && darkAndAlive(s); },
        [&](const Square& s) { return darkness(s) - 0.3f * s.edge; });
    if (!darkest) {
        // Nothing is seen as the photo is: the brightest of what lives there, and how far it must be lifted.
        darkest = choose("darkest", darkAndAlive, [&](const Square& s) { return -darkness(s); });
        if (darkest) {
            const int stops =
                static_cast<int>(std::ceil(std::log2(5 * seen / std::max(darkest->light, 1e-5f))));
            say(darkest, "Darkest area with detail; push +" + std::to_string(std::clamp(stops, 1, 8)) +
                             " EV to see it");
        }
    } else {
        say(darkest, "Darkest area with detail: colour noise shows here first");
    }
    say(choose("mid-tone", open,
               [&](const Square& s) {
                   return -2 * std::abs(std::log2(s.light / middle)) - 2 * s.texture - s.edge;
               }),
        "Smooth mid-tone: grain and blotches show here");
    say(choose("texture", open, [&](const Square& s) { return s.fine - 0.02f * s.edge * s.edge; }),
        "Finest texture: smears first");
    say(choose(
            "edge", [&](const Square& s) { return s.clipped <= 0.25f && s.light >= seen; },
            [&](const Square& s) { return s.edge - 0.5f * s.texture; }),
        "Strongest edge: halos and fringes show here");
    say(choose(
            "lights", [&](const Square& s) { return s.clipped <= 0.08f; },
            [&](const Square& s) { return s.point - 2 * s.texture - 0.7f * s.edge; }),
        "Bright points: must not vanish");
    say(choose("in focus", open, aroundOf), "Sharpest area: where the eye goes first");
    say(choose(
            "corner",
            [&](const Square& s) {
                const auto outside = [](int v, int whole) { return v < whole * 0.16 || v > whole * 0.84; };
                return open(s) && outside(s.x, photo.width()) && outside(s.y, photo.height());
            },
            [&](const Square& s) { return std::min(s.life, 3.0f) + darkness(s) * 0.3f; }),
        "Corner: least light and sharpness");
    if (probes.empty())
        probes.push_back(
            {"middle", "Nothing stands out from the noise", photo.width() / 2, photo.height() / 2});
    return probes;
}

} // namespace irenic
