#include "measure/probes.h"

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
    return s;
}

} // namespace

std::vector<Probe> placeProbes(const Photo& photo, const Work& work) {
    const int across = photo.width() / photo.cell() / kSquare, down = photo.height() / photo.cell() / kSquare;
    if (across < 3 || down < 3)
        return {{"middle", "the photo is small", photo.width() / 2, photo.height() / 2}};
    std::vector<Square> squares(static_cast<std::size_t>(across * down));
    forEachBand(down, 2, work, [&](int first, int last) {
        for (int j = first; j < last; ++j)
            for (int i = 0; i < across; ++i) {
                const Rect area{i * kSquare, j * kSquare, kSquare, kSquare};
                squares[static_cast<std::size_t>(j * across + i)] =
                    measure(stabilisedPlanes(photo, area), photo.cell());
            }
    });
    std::vector<float> means;
    means.reserve(squares.size());
    for (const Square& s : squares) means.push_back(s.mean);
    std::sort(means.begin(), means.end());
    const float dark = means[means.size() / 50], middle = 0.5f * (dark + means[means.size() * 95 / 100]);
    const float range = std::max(1.0f, means.back() - dark);

    const float clipped = means.front() + 0.9f * (means.back() - means.front());
    std::vector<Probe> probes;
    const auto choose = [&](const char* name, const char* reason,
                            const std::function<float(const Square&)>& score) {
        const Square* best = nullptr;
        float top = -1e30f;
        for (const Square& s : squares) {
            const bool taken = std::any_of(probes.begin(), probes.end(), [&](const Probe& p) {
                return std::abs(p.x - s.x) < 4 * kSquare && std::abs(p.y - s.y) < 4 * kSquare;
            });
            // The outermost squares leave no room for a crop around them.
            const bool border = s.x < 4 * kSquare || s.y < 4 * kSquare || s.x > photo.width() - 4 * kSquare ||
                                s.y > photo.height() - 4 * kSquare;
            if (taken || border) continue;
            if (const float value = score(s); value > top) top = value, best = &s;
        }
        if (best) probes.push_back({name, reason, best->x, best->y});
    };
    choose("darkest", "darkest smooth area: colour noise shows here first",
           [&](const Square& s) { return -std::max(0.0f, s.mean - dark) - 2 * s.texture - s.edge; });
    choose("mid-tone", "smooth mid-tone: grain and blotches show here",
           [&](const Square& s) { return -std::abs(s.mean - middle) / range * 8 - 2 * s.texture - s.edge; });
    choose("texture", "finest texture: first to turn to wax", [&](const Square& s) {
        return s.fine - 0.02f * s.edge * s.edge - (s.mean > clipped ? 100.0f : 0.0f);
    });
    choose("edge", "strongest edge: halos and fringes show here",
           [&](const Square& s) { return s.edge - 0.5f * s.texture; });
    choose("lights", "brightest points: they must survive",
           [&](const Square& s) { return s.point - 2 * s.texture - 0.7f * s.edge; });
    if (probes.empty())
        probes.push_back({"middle", "the photo is small", photo.width() / 2, photo.height() / 2});
    return probes;
}

} // namespace irenic
