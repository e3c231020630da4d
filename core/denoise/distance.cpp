#include "denoise/distance.h"

#include <cmath>
#include <vector>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr float kFar = 1e9f; // squared; farther than any mask is wide

// out(i) = min over j of f(j) + (i - j)^2.
class Envelope {
  public:
    explicit Envelope(std::size_t n) : at_(n), from_(n + 1) {}
    void run(const std::vector<float>& f, std::vector<float>& out) {
        const auto n = static_cast<int>(f.size());
        std::size_t last = 0;
        at_[0] = 0, from_[0] = -kFar, from_[1] = kFar;
        for (int q = 1; q < n; ++q) {
            float where = crossing(f, q, at_[last]);
            while (last > 0 && where <= from_[last]) where = crossing(f, q, at_[--last]);
            // Parabolas that begin equally far up cross between their places, never before the first.
            if (where <= from_[last]) where = from_[last];
            ++last;
            at_[last] = q, from_[last] = where, from_[last + 1] = kFar;
        }
        std::size_t k = 0;
        for (int q = 0; q < n; ++q) {
            while (from_[k + 1] < static_cast<float>(q)) ++k;
            const auto away = static_cast<float>(q - at_[k]);
            out[static_cast<std::size_t>(q)] = f[static_cast<std::size_t>(at_[k])] + away * away;
        }
    }

  private:
    static float crossing(const std::vector<float>& f, int q, int p) {
        const double a = static_cast<double>(f[static_cast<std::size_t>(q)]) + static_cast<double>(q) * q,
                     b = static_cast<double>(f[static_cast<std::size_t>(p)]) + static_cast<double>(p) * p;
        return static_cast<float>((a - b) / (2.0 * (q - p)));
    }
    std::vector<int> at_;
    std::vector<float> from_;
};

// The distance of each place to the nearest where `mask` is at least half, or with `outside` below it.
Plane distanceTo(const Plane& mask, bool outside, const Work& work) {
    const int w = mask.width(), h = mask.height();
    Plane out(w, h);
    forEachBand(w, 32, work, [&](int first, int last) {
        std::vector<float> column(static_cast<std::size_t>(h)), found(column.size());
        Envelope envelope(column.size());
        for (int x = first; x < last; ++x) {
            for (int y = 0; y < h; ++y)
                column[static_cast<std::size_t>(y)] = (mask.at(x, y) >= 0.5f) != outside ? 0 : kFar;
            envelope.run(column, found);
            for (int y = 0; y < h; ++y) out.at(x, y) = found[static_cast<std::size_t>(y)];
        }
    });
    forEachBand(h, 32, work, [&](int first, int last) {
        std::vector<float> row(static_cast<std::size_t>(w)), found(row.size());
        Envelope envelope(row.size());
        for (int y = first; y < last; ++y) {
            row.assign(out.row(y), out.row(y) + w);
            envelope.run(row, found);
            for (int x = 0; x < w; ++x) out.at(x, y) = std::sqrt(found[static_cast<std::size_t>(x)]);
        }
    });
    return out;
}

} // namespace

Plane signedDistance(const Plane& mask, const Work& work) {
    IRENIC_EXPECTS(!mask.empty());
    Plane inside = distanceTo(mask, true, work);
    const Plane outside = distanceTo(mask, false, work);
    // The line lies half way between the last place within and the first without.
    for (int y = 0; y < mask.height(); ++y)
        for (int x = 0; x < mask.width(); ++x) {
            const float in = inside.at(x, y), away = outside.at(x, y);
            inside.at(x, y) = away <= 0 ? in - 0.5f : 0.5f - away;
        }
    return inside;
}

} // namespace irenic
