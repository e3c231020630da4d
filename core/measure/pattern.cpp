#include "measure/pattern.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>

#include "raw/opcodes.h"
#include "raw/photo.h"

namespace irenic {

namespace {

// A part of a line whose second differences scatter this much more than noise does holds texture.
constexpr double kTexture = 1.2;
constexpr double kVisibleLines = 0.1, kStrongLines = 0.4; // in sigmas of the noise at black

float medianOf3(float a, float b, float c) { return std::max(std::min(a, b), std::min(std::max(a, b), c)); }

class DefectFinder {
  public:
    explicit DefectFinder(const Photo& photo)
        : photo_(photo), range_(static_cast<float>(photo.white - photo.black.mean())) {
        for (int s = 0; s < 4; ++s)
            line_[static_cast<std::size_t>(s)] =
                photo.noise.channel[static_cast<std::size_t>(photo.mosaic.channel(s))];
        for (const NoiseLine& l : line_)
            least_ = std::min(least_, 4 * range_ * static_cast<float>(l.sigma(0)));
        const BlackLevel& black = photo.black;
        if (black.columns > 2 || black.rows > 2 || !black.deltaH.empty() || !black.deltaV.empty()) return;
        for (int s = 0; s < 4; ++s) limits_[static_cast<std::size_t>(s)] = limitsOf(s);
    }

    void row(int y, std::vector<Defect>& found) const {
        for (int x = 4; x < photo_.width() - 4; ++x) {
            const float v = photo_.sample(x, y), l = photo_.sample(x - 2, y), r = photo_.sample(x + 2, y);
            if (v < std::max(l, r) + least_ && v > std::min(l, r) - least_) continue;
            if (!standsOut(x, y, l, r)) continue;
            if (isDefect(x, y)) found.push_back({x, y, mended(x, y)});
        }
    }

  private:
    // For each value of a sample what its neighbours' second outermost may be at most (or at least) if the
    // sample is to stand 5 sigma above (or below) it, as isDefect() asks; a trace less, for its roundings.
    struct Limits {
        std::vector<float> above, below; // in raw values; empty: not known
    };
    Limits limitsOf(int s) const {
        constexpr int kValues = 65536;
        Limits out{std::vector<float>(kValues, -1), std::vector<float>(kValues, kValues)};
        const float level = photo_.black.repeated(s & 1, s >> 1);
        const auto reach = [&](int other) {
            const double x = std::max(0.0, static_cast<double>((static_cast<float>(other) - level) / range_));
            return 4.95 * static_cast<double>(range_) * line_[static_cast<std::size_t>(s)].sigma(x);
        };
        int next = 0;
        for (int other = 0; other < kValues && next < kValues; ++other)
            // What is above this neighbour by enough is above all lower ones too.
            for (const double from = other + reach(other); next < kValues && next < from; ++next)
                out.above[static_cast<std::size_t>(next)] = static_cast<float>(other - 1);
        for (; next < kValues; ++next) out.above[static_cast<std::size_t>(next)] = kValues;
        for (int other = kValues - 1; other >= 0; --other) {
            const double to = other - reach(other);
            if (to >= 0) out.below[static_cast<std::size_t>(to)] = static_cast<float>(other);
        }
        // Whoever is low enough for a value is low enough for all lower ones' neighbours.
        for (int v = kValues - 2; v >= 0; --v) {
            float& one = out.below[static_cast<std::size_t>(v)];
            one = std::min(one, out.below[static_cast<std::size_t>(v) + 1]);
        }
        return out;
    }

    // Whether the four next neighbours leave it possible that isDefect() is true: nearly all samples end
    // here.
    bool standsOut(int x, int y, float left, float right) const {
        const Limits& limits = limits_[static_cast<std::size_t>((y & 1) * 2 + (x & 1))];
        if (limits.above.empty()) return true;
        const std::size_t v = photo_.sample(x, y);
        const float up = photo_.sample(x, y - 2), down = photo_.sample(x, y + 2);
        // The second largest of all neighbours is no smaller than this, the second smallest no larger than
        // that.
        const float high = std::min(std::max(left, right), std::max(up, down));
        const float low = std::max(std::min(left, right), std::min(up, down));
        return high <= limits.above[v] || low >= limits.below[v];
    }

    float sigma(int x, int y, float v) const {
        const NoiseLine& line = line_[static_cast<std::size_t>((y & 1) * 2 + (x & 1))];
        return static_cast<float>(line.sigma(std::max(0.0, static_cast<double>(v))));
    }

    bool isDefect(int x, int y) const {
        const auto at = [&](int i, int j) { return photo_.normalised(x + i, y + j); };
        std::array<float, 8> same = {at(-2, -2), at(0, -2), at(2, -2), at(-2, 0),
                                     at(2, 0),   at(-2, 2), at(0, 2),  at(2, 2)};
        std::sort(same.begin(), same.end());
        const float v = at(0, 0), middle = 0.5f * (same[3] + same[4]), sign = v > middle ? 1.0f : -1.0f;
        // Against the second outermost: two defects may be neighbours.
        const float outermost = sign > 0 ? same[6] : same[1], noise = sigma(x, y, middle);
        if (sign * (v - outermost) < 5 * sigma(x, y, outermost) || sign * (v - middle) < 8 * noise)
            return false;
        float around = 0, variance = 0;
        for (int j = -1; j <= 1; ++j)
            for (int i = -1; i <= 1; ++i) {
                if (i == 0 && j == 0) continue;
                // Against samples of its own channel that lie further away from here.
                const float own = at(i, j);
                float base = 0;
                if (i != 0 && j != 0)
                    base = medianOf3(at(3 * i, j), at(i, 3 * j), at(3 * i, 3 * j));
                else if (i != 0)
                    base = medianOf3(at(3 * i, 0), at(i, -2), at(i, 2));
                else
                    base = medianOf3(at(0, 3 * j), at(-2, j), at(2, j));
                const float s = sigma(x + i, y + j, base);
                around += sign * (own - base);
                variance += 1.45f * s * s;
            }
        // Stars must stay; a dark speck of one sample is rarer.
        return around + (sign > 0 ? 0.6f : 0.2f) * std::sqrt(variance) < 0.25f * sign * (v - middle);
    }

  public:
    // The mean of the two neighbours, of four pairs, that agree best. At least two samples from the photo's
    // edge.
    std::uint16_t mended(int x, int y) const {
        constexpr int step[4][2] = {{2, 0}, {0, 2}, {2, 2}, {2, -2}};
        int best = 1 << 30, value = 0;
        for (const auto& s : step) {
            const int a = photo_.sample(x - s[0], y - s[1]), b = photo_.sample(x + s[0], y + s[1]);
            if (std::abs(a - b) < best) best = std::abs(a - b), value = (a + b) / 2;
        }
        return static_cast<std::uint16_t>(value);
    }

  private:
    const Photo& photo_;
    float range_, least_ = 1e9f;
    std::array<NoiseLine, 4> line_;
    std::array<Limits, 4> limits_;
};

// Second differences of lines' offsets o over one span s: d(y) = o(y) - (o(y-s) + o(y+s)) / 2, with their
// noise variances.
struct Differences {
    std::size_t span;
    std::vector<double> d, noise;
};

// Offsets from their second differences by regularised least squares; `sigma2` is the variance of the
// offsets.
std::vector<float> offsetsFrom(const std::vector<Differences>& seen, double sigma2) {
    const std::size_t n = seen.front().d.size();
    const auto add = [&](const Differences& k, std::size_t y, double v, std::vector<double>& out) {
        out[y] += v;
        out[y - k.span] -= 0.5 * v;
        out[y + k.span] -= 0.5 * v;
    };
    const auto dot = [](const std::vector<double>& a, const std::vector<double>& b) {
        double sum = 0;
        for (std::size_t i = 0; i < a.size(); ++i) sum += a[i] * b[i];
        return sum;
    };
    // Conjugate gradients on L' W L + 1 / sigma2.
    std::vector<double> o(n, 0), r(n, 0);
    for (const Differences& k : seen)
        for (std::size_t y = k.span; y + k.span < n; ++y) add(k, y, k.d[y] / k.noise[y], r);
    std::vector<double> p = r, ap(n);
    double rr = dot(r, r);
    const double enough = 1e-10 * rr;
    for (int i = 0; i < 300 && rr > enough; ++i) {
        for (std::size_t y = 0; y < n; ++y) ap[y] = p[y] / sigma2;
        for (const Differences& k : seen)
            for (std::size_t y = k.span; y + k.span < n; ++y)
                add(k, y, (p[y] - 0.5 * (p[y - k.span] + p[y + k.span])) / k.noise[y], ap);
        const double step = rr / dot(p, ap);
        for (std::size_t k = 0; k < n; ++k) o[k] += step * p[k], r[k] -= step * ap[k];
        const double next = dot(r, r);
        for (std::size_t k = 0; k < n; ++k) p[k] = r[k] + next / rr * p[k];
        rr = next;
    }
    return {o.begin(), o.end()};
}

// The second differences of all rows (or columns) over a span of 2, from all samples, or of 1, from the
// greens alone.
class LineFinder {
  public:
    LineFinder(const Photo& photo, bool columns)
        : photo_(photo), columns_(columns), range_(static_cast<float>(photo.white - photo.black.mean())) {
        for (int s = 0; s < 4; ++s) {
            const auto site = static_cast<std::size_t>(s);
            const NoiseLine& line = photo.noise.channel[static_cast<std::size_t>(photo.mosaic.channel(s))];
            variance_[site] = {static_cast<float>(line.a) * range_,
                               static_cast<float>(line.b) * range_ * range_};
            black_[site] = photo.black.at(s & 1, s >> 1);
            atBlack_ += 0.25 * line.sigma(0) * static_cast<double>(range_);
        }
    }

    // The offsets in raw values; empty when there are none to speak of. Sets `share` to their sigma over that
    // of the noise at black.
    std::vector<float> offsets(double& share, const Work& work) const {
        const int lines = columns_ ? photo_.width() : photo_.height(),
                  length = columns_ ? photo_.height() : photo_.width();
        if (length < 64 || lines < 32) return {};
        double spread = 0, sigma2 = 0, unused = 0;
        const std::vector<double> nothing(static_cast<std::size_t>(lines), 0);
        std::vector<Differences> seen = {differences(2, nothing, spread, sigma2, work)};
        // Strong lines are known too small as long as everything far from none is held back.
        if (std::sqrt(sigma2) / atBlack_ > kStrongLines)
            seen.front() = differences(2, std::vector<double>(seen.front().d), spread, sigma2, work);
        share = std::sqrt(sigma2) / atBlack_;
        if (share < kVisibleLines) return {};
        seen.push_back(differences(1, nothing, unused, unused, work));
        if (share > kStrongLines)
            seen.back() = differences(1, std::vector<double>(seen.back().d), unused, unused, work);
        // A line that differs by more than lines do is an edge of the picture.
        for (Differences& k : seen)
            for (double& v : k.d) v = std::clamp(v, -4 * spread, 4 * spread);
        return offsetsFrom(seen, sigma2);
    }

  private:
    // Every line in four parts: what they have in common is the line's offset, the picture differs from part
    // to part.
    static constexpr std::size_t kParts = 4;
    struct Sums {
        double value = 0, weight = 0, energy = 0, count = 0;
    };

    float sampleAt(int along, int line) const {
        return columns_ ? photo_.sample(line, along) : photo_.sample(along, line);
    }

    void addTo(Sums& sums, int x, int y, float v, float before, float after, float clipped, float noise,
               float centre) const {
        if (std::max(v, clipped) >= static_cast<float>(photo_.white)) return;
        const auto site = static_cast<std::size_t>((y & 1) * 2 + (x & 1));
        const float level = std::max(0.0f, (v + before + after) / 3 - black_[site]);
        const float s2 = noise * (variance_[site][0] * level + variance_[site][1]), weight = 1 / s2;
        const float d = v - 0.5f * (before + after), most = 2.5f * std::sqrt(s2);
        sums.value += static_cast<double>(std::clamp(d, centre - most, centre + most) * weight);
        sums.weight += static_cast<double>(weight);
        sums.energy += static_cast<double>(std::min((d - centre) * (d - centre) * weight, 16.0f));
        sums.count += 1;
    }

    void sample(int span, int along, int line, float centre, Sums& sums) const {
        const int x = columns_ ? line : along, y = columns_ ? along : line;
        const float v = sampleAt(along, line);
        if (span == 2) {
            const float before = sampleAt(along, line - 2), after = sampleAt(along, line + 2);
            return addTo(sums, x, y, v, before, after, std::max(before, after), 1.5f, centre);
        }
        // The next line's greens lie to both sides.
        if (photo_.mosaic.at(x, y) != Mosaic::Green) return;
        const float a = sampleAt(along - 1, line - 1), b = sampleAt(along + 1, line - 1),
                    c = sampleAt(along - 1, line + 1), d = sampleAt(along + 1, line + 1);
        addTo(sums, x, y, v, 0.5f * (a + b), 0.5f * (c + d), std::max(std::max(a, b), std::max(c, d)), 1.25f,
              centre);
    }

    // Of long lines every other pair of samples is enough: noise moves their offset by some 2 % of its sigma.
    static bool isLeftOut(int along, std::size_t length) {
        constexpr std::size_t kLong = 2400;
        return length > kLong && (along & 2) != 0;
    }

    // `sigma2` becomes the variance of the offsets, `spread` the usual size of a part's difference. `centre`
    // is what is known of the differences already: samples far from it are held back.
    Differences differences(int span, const std::vector<double>& centre, double& spread, double& sigma2,
                            const Work& work) const {
        const auto n = static_cast<std::size_t>(columns_ ? photo_.width() : photo_.height());
        const auto length = static_cast<std::size_t>(columns_ ? photo_.height() : photo_.width());
        std::vector<Sums> sums(n * kParts);
        std::vector<std::uint8_t> partOf(length);
        for (std::size_t i = 0; i < length; ++i)
            partOf[i] = static_cast<std::uint8_t>(std::min(kParts - 1, i * kParts / length));
        std::mutex mutex;
        forEachBand(photo_.height() - 4, 64, work, [&](int first, int last) {
            std::vector<Sums> own(n * kParts);
            for (int y = 2 + first; y < 2 + last; ++y)
                for (int x = 2; x < photo_.width() - 2; ++x) {
                    const int along = columns_ ? y : x, line = columns_ ? x : y;
                    if (isLeftOut(along, length)) continue;
                    sample(span, along, line, static_cast<float>(centre[static_cast<std::size_t>(line)]),
                           own[static_cast<std::size_t>(line) * kParts +
                               partOf[static_cast<std::size_t>(along)]]);
                }
            const std::lock_guard lock(mutex);
            for (std::size_t i = 0; i < n * kParts; ++i)
                sums[i].value += own[i].value, sums[i].weight += own[i].weight,
                    sums[i].energy += own[i].energy, sums[i].count += own[i].count;
        });
        for (std::size_t i = 0; i < sums.size(); ++i) {
            // The line's own offset is no texture.
            Sums& s = sums[i];
            const double own = s.weight > 0 ? s.value / s.weight - centre[i / kParts] : 0;
            if (s.energy - own * own * s.weight > kTexture * s.count) s = {};
        }
        Differences out{static_cast<std::size_t>(span), std::vector<double>(n, 0),
                        std::vector<double>(n, 1e12)};
        std::vector<double> sizes;
        for (std::size_t i = 2; i + 2 < n; ++i) {
            double sum = 0, weight = 0;
            for (const Sums* s = &sums[i * kParts]; s < &sums[i * kParts] + kParts; ++s) {
                sum += s->value, weight += s->weight;
                if (s->weight > 0) sizes.push_back(std::abs(s->value / s->weight));
            }
            if (weight > 0) out.noise[i] = 1 / weight, out.d[i] = sum / weight;
        }
        if (span == 1) withoutGreens(out);
        spread = sigma2 = 0;
        if (sizes.size() < n) return out;
        const auto middle = sizes.begin() + static_cast<std::ptrdiff_t>(sizes.size() / 2);
        std::nth_element(sizes.begin(), middle, sizes.end());
        spread = 1.4826 * *middle;
        double common = 0, pairs = 0;
        for (std::size_t i = 2; i + 2 < n; ++i) {
            double sum = 0, squares = 0, present = 0;
            for (const Sums* s = &sums[i * kParts]; s < &sums[i * kParts] + kParts; ++s) {
                if (s->weight <= 0) continue;
                ++present;
                const double v = std::clamp(s->value / s->weight, -3 * spread, 3 * spread);
                sum += v, squares += v * v;
            }
            common += sum * sum - squares, pairs += present * (present - 1);
        }
        if (pairs > 0) sigma2 = std::max(0.0, common / pairs / 1.5);
        return out;
    }

    // The two greens of a sensor may differ a little all over the picture: that is no pattern of lines.
    static void withoutGreens(Differences& k) {
        for (std::size_t parity = 0; parity < 2; ++parity) {
            double sum = 0, weight = 0;
            for (std::size_t i = parity; i < k.d.size(); i += 2)
                sum += k.d[i] / k.noise[i], weight += 1 / k.noise[i];
            for (std::size_t i = parity; i < k.d.size(); i += 2) k.d[i] -= sum / weight;
        }
    }

    const Photo& photo_;
    bool columns_;
    float range_;
    std::array<std::array<float, 2>, 4> variance_{}; // of a site: slope and constant, in raw values
    std::array<float, 4> black_{};
    double atBlack_ = 0;
};

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
    // What the file itself says is bad.
    const Opcodes opcodes = opcodesOf(photo);
    const auto add = [&](int x, int y) {
        if (x >= 2 && y >= 2 && x < photo.width() - 2 && y < photo.height() - 2)
            pattern.defects.push_back({x, y, finder.mended(x, y)});
    };
    for (const auto& [x, y] : opcodes.badPixels) add(x, y);
    if (opcodes.badConstant)
        for (int y = 0; y < photo.height(); ++y)
            for (int x = 0; x < photo.width(); ++x)
                if (photo.sample(x, y) == *opcodes.badConstant) add(x, y);
    std::sort(pattern.defects.begin(), pattern.defects.end(),
              [](const Defect& a, const Defect& b) { return a.y != b.y ? a.y < b.y : a.x < b.x; });
    const auto same = [](const Defect& a, const Defect& b) { return a.x == b.x && a.y == b.y; };
    pattern.defects.erase(std::unique(pattern.defects.begin(), pattern.defects.end(), same),
                          pattern.defects.end());
    pattern.rows = LineFinder(photo, false).offsets(pattern.rowSigma, work);
    pattern.columns = LineFinder(photo, true).offsets(pattern.columnSigma, work);
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
                const float column =
                    pattern.columns.empty() ? 0 : pattern.columns[static_cast<std::size_t>(x)];
                s = static_cast<std::uint16_t>(std::clamp(std::lround(static_cast<float>(s) - row - column),
                                                          0L, static_cast<long>(photo.white)));
            }
        }
    });
    return out;
}

} // namespace irenic
