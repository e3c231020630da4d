#include "noise/pattern.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>

#include "raw/photo.h"

namespace irenic {

namespace {

constexpr double kVisibleLines = 0.03; // in sigmas of the noise at black

float medianOf3(float a, float b, float c) { return std::max(std::min(a, b), std::min(std::max(a, b), c)); }

class DefectFinder {
  public:
    explicit DefectFinder(const Photo& photo) : photo_(photo), range_(static_cast<float>(photo.white - photo.black.mean())) {
        for (int s = 0; s < 4; ++s) line_[static_cast<std::size_t>(s)] = photo.noise.channel[static_cast<std::size_t>(photo.mosaic.channel(s))];
        for (const NoiseLine& l : line_) least_ = std::min(least_, 4 * range_ * static_cast<float>(l.sigma(0)));
    }

    void row(int y, std::vector<Defect>& found) const {
        for (int x = 4; x < photo_.width() - 4; ++x) {
            const float v = photo_.sample(x, y), l = photo_.sample(x - 2, y), r = photo_.sample(x + 2, y);
            if (v < std::max(l, r) + least_ && v > std::min(l, r) - least_) continue;
            if (isDefect(x, y)) found.push_back({x, y, mended(x, y)});
        }
    }

  private:
    float sigma(int x, int y, float v) const {
        const NoiseLine& line = line_[static_cast<std::size_t>((y & 1) * 2 + (x & 1))];
        return static_cast<float>(line.sigma(std::max(0.0, static_cast<double>(v))));
    }

    bool isDefect(int x, int y) const {
        const auto at = [&](int i, int j) { return photo_.normalised(x + i, y + j); };
        std::array<float, 8> same = {at(-2, -2), at(0, -2), at(2, -2), at(-2, 0), at(2, 0), at(-2, 2), at(0, 2), at(2, 2)};
        std::sort(same.begin(), same.end());
        const float v = at(0, 0), middle = 0.5f * (same[3] + same[4]), sign = v > middle ? 1.0f : -1.0f;
        // Against the second outermost: two defects may be neighbours.
        const float outermost = sign > 0 ? same[6] : same[1], noise = sigma(x, y, middle);
        if (sign * (v - outermost) < 5 * sigma(x, y, outermost) || sign * (v - middle) < 8 * noise) return false;
        float around = 0, variance = 0;
        for (int j = -1; j <= 1; ++j)
            for (int i = -1; i <= 1; ++i) {
                if (i == 0 && j == 0) continue;
                // Against samples of its own channel that lie further away from here.
                const float own = at(i, j);
                float base = 0;
                if (i != 0 && j != 0) base = medianOf3(at(3 * i, j), at(i, 3 * j), at(3 * i, 3 * j));
                else if (i != 0) base = medianOf3(at(3 * i, 0), at(i, -2), at(i, 2));
                else base = medianOf3(at(0, 3 * j), at(-2, j), at(2, j));
                const float s = sigma(x + i, y + j, base);
                around += sign * (own - base);
                variance += 1.45f * s * s;
            }
        return around + std::sqrt(variance) < 0.25f * sign * (v - middle);
    }

    // The mean of the two neighbours, of four pairs, that agree best.
    std::uint16_t mended(int x, int y) const {
        constexpr int step[4][2] = {{2, 0}, {0, 2}, {2, 2}, {2, -2}};
        int best = 1 << 30, value = 0;
        for (const auto& s : step) {
            const int a = photo_.sample(x - s[0], y - s[1]), b = photo_.sample(x + s[0], y + s[1]);
            if (std::abs(a - b) < best) best = std::abs(a - b), value = (a + b) / 2;
        }
        return static_cast<std::uint16_t>(value);
    }

    const Photo& photo_;
    float range_, least_ = 1e9f;
    std::array<NoiseLine, 4> line_;
};

// Offsets from their second differences `d`, which have noise variances `noise`; `sigma2` is the variance of the offsets.
std::vector<float> offsetsFrom(const std::vector<double>& d, const std::vector<double>& noise, double sigma2) {
    const std::size_t n = d.size();
    const auto apply = [&](const std::vector<double>& o) { // L o
        std::vector<double> out(n, 0);
        for (std::size_t y = 2; y + 2 < n; ++y) out[y] = o[y] - 0.5 * (o[y - 2] + o[y + 2]);
        return out;
    };
    const auto back = [&](std::vector<double> r) { // L' W r
        std::vector<double> out(n, 0);
        for (std::size_t y = 2; y + 2 < n; ++y) {
            const double v = r[y] / noise[y];
            out[y] += v;
            out[y - 2] -= 0.5 * v;
            out[y + 2] -= 0.5 * v;
        }
        return out;
    };
    const auto dot = [](const std::vector<double>& a, const std::vector<double>& b) {
        double sum = 0;
        for (std::size_t i = 0; i < a.size(); ++i) sum += a[i] * b[i];
        return sum;
    };
    // Conjugate gradients.
    std::vector<double> o(n, 0), r = back(d), p = r;
    double rr = dot(r, r);
    const double enough = 1e-10 * rr;
    for (int i = 0; i < 200 && rr > enough; ++i) {
        std::vector<double> ap = back(apply(p));
        for (std::size_t k = 0; k < n; ++k) ap[k] += p[k] / sigma2;
        const double step = rr / dot(p, ap);
        for (std::size_t k = 0; k < n; ++k) o[k] += step * p[k], r[k] -= step * ap[k];
        const double next = dot(r, r);
        for (std::size_t k = 0; k < n; ++k) p[k] = r[k] + next / rr * p[k];
        rr = next;
    }
    return {o.begin(), o.end()};
}

// The offsets of all rows (or columns), in raw values; sets `share` to their sigma over that of the noise at black.
std::vector<float> linesOf(const Photo& photo, bool columns, double& share, const Work& work) {
    const int lines = columns ? photo.width() : photo.height(), length = columns ? photo.height() : photo.width();
    const auto n = static_cast<std::size_t>(lines);
    std::vector<double> sums(n, 0), weights(n, 0);
    const float range = static_cast<float>(photo.white - photo.black.mean());
    const float clip = static_cast<float>(photo.white);
    std::array<std::array<float, 2>, 4> variance{}; // of a site: slope and constant, in raw values
    std::array<float, 4> black{};
    double atBlack = 0;
    for (int s = 0; s < 4; ++s) {
        const auto site = static_cast<std::size_t>(s);
        const NoiseLine& line = photo.noise.channel[static_cast<std::size_t>(photo.mosaic.channel(s))];
        variance[site] = {static_cast<float>(line.a) * range, static_cast<float>(line.b) * range * range};
        black[site] = photo.black.at(s & 1, s >> 1);
        atBlack += 0.25 * line.sigma(0) * static_cast<double>(range);
    }
    const auto one = [&](int x, int y, float v, float before, float after, double& sum, double& weight) {
        if (std::max(v, std::max(before, after)) >= clip) return;
        const auto site = static_cast<std::size_t>((y & 1) * 2 + (x & 1));
        const float level = std::max(0.0f, (v + before + after) / 3 - black[site]);
        const float s2 = 1.5f * (variance[site][0] * level + variance[site][1]);
        const float d = v - 0.5f * (before + after), most = 2.5f * std::sqrt(s2);
        sum += static_cast<double>(std::clamp(d, -most, most) / s2);
        weight += static_cast<double>(1 / s2);
    };
    std::mutex mutex;
    forEachBand(photo.height() - 4, 64, work, [&](int first, int last) {
        std::vector<double> sum(n, 0), weight(n, 0);
        for (int y = 2 + first; y < 2 + last; ++y)
            for (int x = 2; x < photo.width() - 2; ++x) {
                const float v = photo.sample(x, y);
                const auto i = static_cast<std::size_t>(columns ? x : y);
                if (columns) one(x, y, v, photo.sample(x - 2, y), photo.sample(x + 2, y), sum[i], weight[i]);
                else one(x, y, v, photo.sample(x, y - 2), photo.sample(x, y + 2), sum[i], weight[i]);
            }
        const std::lock_guard lock(mutex);
        for (std::size_t i = 0; i < n; ++i) sums[i] += sum[i], weights[i] += weight[i];
    });
    std::vector<double> d(n, 0), noise(n, 1), sizes;
    double expected = 0;
    for (std::size_t i = 2; i + 2 < n; ++i) {
        noise[i] = weights[i] > 0 ? 1 / weights[i] : 1e12;
        d[i] = weights[i] > 0 ? sums[i] / weights[i] : 0;
        sizes.push_back(std::abs(d[i]));
        expected += noise[i] / static_cast<double>(n - 4);
    }
    if (length < 64 || sizes.size() < 16) return {};
    const auto middle = sizes.begin() + static_cast<std::ptrdiff_t>(sizes.size() / 2);
    std::nth_element(sizes.begin(), middle, sizes.end());
    const double spread = 1.4826 * *middle, sigma2 = std::max(0.0, (spread * spread - expected) / 1.5);
    share = std::sqrt(sigma2) / atBlack;
    if (share < kVisibleLines) return {};
    // A line that differs by more than lines do is an edge of the picture.
    for (double& v : d) v = std::clamp(v, -4 * spread, 4 * spread);
    return offsetsFrom(d, noise, sigma2);
}

} // namespace

Pattern measurePattern(const Photo& photo, const Work& work) {
    Pattern pattern;
    if (photo.width() < 16 || photo.height() < 16) return pattern;
    const DefectFinder finder(photo);
    std::mutex mutex;
    forEachBand(photo.height() - 8, 32, work, [&](int first, int last) {
        std::vector<Defect> found;
        for (int y = 4 + first; y < 4 + last; ++y) finder.row(y, found);
        const std::lock_guard lock(mutex);
        pattern.defects.insert(pattern.defects.end(), found.begin(), found.end());
    });
    std::sort(pattern.defects.begin(), pattern.defects.end(), [](const Defect& a, const Defect& b) { return a.y != b.y ? a.y < b.y : a.x < b.x; });
    pattern.rows = linesOf(photo, false, pattern.rowSigma, work);
    pattern.columns = linesOf(photo, true, pattern.columnSigma, work);
    return pattern;
}

std::vector<std::uint16_t> mendedSamples(const Photo& photo, const Pattern& pattern) {
    if (pattern.defects.empty() && pattern.rows.empty() && pattern.columns.empty()) return {};
    std::vector<std::uint16_t> out = photo.samples;
    for (const Defect& d : pattern.defects) out[photo.index(d.x, d.y)] = d.mended;
    if (pattern.rows.empty() && pattern.columns.empty()) return out;
    forEachBand(photo.height(), 64, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            const float row = pattern.rows.empty() ? 0 : pattern.rows[static_cast<std::size_t>(y)];
            for (int x = 0; x < photo.width(); ++x) {
                std::uint16_t& s = out[photo.index(x, y)];
                if (s >= photo.white) continue;
                const float column = pattern.columns.empty() ? 0 : pattern.columns[static_cast<std::size_t>(x)];
                s = static_cast<std::uint16_t>(std::clamp(std::lround(static_cast<float>(s) - row - column), 0L, static_cast<long>(photo.white)));
            }
        }
    });
    return out;
}

} // namespace irenic
