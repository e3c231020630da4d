#include "measure/line_offsets.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "base/expects.h"
#include "image/plane.h"
#include "image/wide.h"

namespace irenic {

namespace {

// A part of a line whose second differences scatter this much more than noise does holds texture.
constexpr double kTexture = 1.2;
constexpr double kVisibleLines = 0.1, kStrongLines = 0.4; // in sigmas of the noise at black

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

// The mean of `values` over `reach` places to both sides, twice: a triangle. Beyond the ends lies their
// mirror image.
std::vector<double> smoothed(const std::vector<double>& values, int reach) {
    const int n = static_cast<int>(values.size());
    std::vector<double> from = values, to(values.size());
    for (int round = 0; round < 2; ++round) {
        for (int i = 0; i < n; ++i) {
            double sum = 0;
            for (int k = -reach; k <= reach; ++k) sum += from[static_cast<std::size_t>(mirrored(i + k, n))];
            to[static_cast<std::size_t>(i)] = sum / (2 * reach + 1);
        }
        std::swap(from, to);
    }
    return from;
}

// Offsets are as strong at all scales, light that changes along the lines is stronger the slower it changes.
// What is more in an octave than offsets of variance `sigma2` have is light, and is held back there.
std::vector<float> withoutLight(const std::vector<float>& offsets, double sigma2) {
    constexpr int kReaches[] = {2, 4, 8, 16, 32, 64};
    constexpr int kAround = 6; // reaches over which an octave's power is taken
    // In the quickest octaves light is rare, and so much more than expected may be chance.
    constexpr int kQuick = 4;
    constexpr double kByChance = 2;
    const std::size_t n = offsets.size();
    std::vector<double> left(offsets.begin(), offsets.end()), out(n, 0);
    std::vector<double> impulse(1024, 0); // what white offsets have in an octave
    impulse[impulse.size() / 2] = 1;
    for (const int reach : kReaches) {
        if (n < static_cast<std::size_t>(4 * reach)) break;
        const std::vector<double> slow = smoothed(left, reach), slowImpulse = smoothed(impulse, reach);
        double expected = 0;
        std::vector<double> squares(n);
        for (std::size_t i = 0; i < impulse.size(); ++i)
            expected += sigma2 * (impulse[i] - slowImpulse[i]) * (impulse[i] - slowImpulse[i]);
        for (std::size_t i = 0; i < n; ++i) squares[i] = (left[i] - slow[i]) * (left[i] - slow[i]);
        const std::vector<double> power = smoothed(squares, kAround * reach);
        const double most = (reach <= kQuick ? kByChance : 1) * expected;
        for (std::size_t i = 0; i < n; ++i)
            out[i] += std::min(1.0, most / std::max(power[i], 1e-12)) * (left[i] - slow[i]);
        left = slow, impulse = slowImpulse;
    }
    return {out.begin(), out.end()}; // the slowest is light
}

// What the samples of a row tell of lines: v, a sample, is compared with the lines before (the mean of a and
// b) and after it (that of c and d).
struct RowOfSamples {
    const std::uint16_t *v, *a, *b, *c, *d;
    float white, noise; // the variance of the comparison over that of a sample
};
// Of each place of a row: its site's black and variance (slope and constant), in raw values; whether it
// counts.
struct RowOfSites {
    std::vector<float> black, slope, constant, counts;
};
struct RowOfTerms {
    std::vector<float> value, weight, energy, count;
};

IRENIC_WIDE void compare(const RowOfSamples& row, const float* __restrict black,
                         const float* __restrict slope, const float* __restrict constant,
                         const float* __restrict counts, const float* __restrict centre,
                         float* __restrict value, float* __restrict weight, float* __restrict energy,
                         float* __restrict count, int n) {
    const std::uint16_t *v = row.v, *a = row.a, *b = row.b, *c = row.c, *d = row.d;
    const float white = row.white, noise = row.noise;
    for (int x = 0; x < n; ++x) {
        const float own = v[x], before = 0.5f * static_cast<float>(a[x] + b[x]),
                    after = 0.5f * static_cast<float>(c[x] + d[x]);
        const float most =
            std::max(std::max<float>(own, a[x]), std::max<float>(b[x], std::max<float>(c[x], d[x])));
        const float level = std::max(0.0f, (own + before + after) / 3 - black[x]);
        const float s2 = noise * (slope[x] * level + constant[x]), counted = most < white ? counts[x] : 0.0f;
        const float far = own - 0.5f * (before + after) - centre[x], reach = 2.5f * std::sqrt(s2);
        const float w = counted / s2;
        value[x] = (std::min(std::max(far, -reach), reach) + centre[x]) * w;
        weight[x] = w;
        energy[x] = std::min(far * far * w, 16.0f);
        count[x] = counted;
    }
}

// Side by side, so that the order does not depend on the vectors' width.
IRENIC_WIDE double sumOf(const float* from, int n) {
    float sums[16] = {};
    int i = 0;
    for (; i + 16 <= n; i += 16)
        for (int k = 0; k < 16; ++k) sums[k] += from[i + k];
    double sum = 0;
    for (const float part : sums) sum += static_cast<double>(part);
    for (; i < n; ++i) sum += static_cast<double>(from[i]);
    return sum;
}

IRENIC_WIDE void addTo(double* __restrict sums, const float* __restrict terms, int n) {
    for (int i = 0; i < n; ++i) sums[i] += static_cast<double>(terms[i]);
}

// The second differences of all rows (or columns) over a span of 2, from all samples, or of 1, from the
// greens alone.
class LineFinder {
  public:
    // Of the stretch of all lines from their pixel `begin` to the one before `end`.
    LineFinder(const Photo& photo, bool columns, int begin, int end)
        : photo_(photo), columns_(columns), begin_(begin), end_(end),
          range_(static_cast<float>(photo.white - photo.black.mean())) {
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
    // of the noise at black, and `apart` where the halves of the lines have offsets of their own.
    std::vector<float> offsets(double& share, bool* apart, const Work& work) const {
        const int lines = columns_ ? photo_.width() : photo_.height();
        share = 0;
        if (end_ - begin_ < 64 || lines < 32) return {};
        double spread = 0, sigma2 = 0, unused = 0;
        const std::vector<double> nothing(static_cast<std::size_t>(lines), 0);
        std::vector<Differences> seen = {differences(2, nothing, spread, sigma2, work, apart)};
        if (apart && *apart) return {};
        // Strong lines are known too small as long as everything far from none is held back.
        if (std::sqrt(sigma2) / atBlack_ > kStrongLines)
            seen.front() = differences(2, std::vector<double>(seen.front().d), spread, sigma2, work);
        share = std::sqrt(sigma2) / atBlack_;
        if (share < kVisibleLines) return {};
        // Over one line greens alone can be compared; over more, what differs slowly from line to line shows.
        for (const int span : {1, 4, 8, 16}) {
            if (lines < 8 * span) break;
            seen.push_back(differences(span, nothing, unused, unused, work));
            if (share > kStrongLines)
                seen.back() = differences(span, std::vector<double>(seen.back().d), unused, unused, work);
        }
        for (Differences& k : seen) doubtPicture(k, 1.5 * sigma2);
        // A line that differs by more than lines do is an edge of the picture.
        for (Differences& k : seen)
            for (double& v : k.d) v = std::clamp(v, -4 * spread, 4 * spread);
        return withoutLight(offsetsFrom(seen, sigma2), sigma2);
    }

  private:
    // Every line in parts: what they have in common is the line's offset, the picture differs from part to
    // part.
    static constexpr std::size_t kParts = 16, kFarApart = 6, kHalf = kParts / 2;
    struct Sums {
        double value = 0, weight = 0, energy = 0, count = 0;
    };

    // Samples at the photo's edges that have no neighbour to compare with.
    static int edgeOf(int span) { return std::max(2, span); }

    // The sites of a row of this parity; for a span of 1 greens alone count.
    RowOfSites sitesOf(int parity, int span) const {
        const auto n = static_cast<std::size_t>(photo_.width());
        RowOfSites out{std::vector<float>(n), std::vector<float>(n), std::vector<float>(n),
                       std::vector<float>(n)};
        for (std::size_t x = 0; x < n; ++x) {
            const std::size_t site = static_cast<std::size_t>(parity) * 2 + x % 2;
            out.black[x] = black_[site];
            out.slope[x] = variance_[site][0], out.constant[x] = variance_[site][1];
            out.counts[x] = span % 2 == 0 || photo_.mosaic.site[site] == Mosaic::Green ? 1.0f : 0.0f;
        }
        return out;
    }

    // The same with the noise that row y has from place to place.
    RowOfSites scaledToPlaces(const RowOfSites& sites, int y) const {
        RowOfSites out = sites;
        for (std::size_t x = 0; x < out.slope.size(); ++x) {
            const float factor = photo_.noiseFactor(static_cast<double>(x), y);
            out.slope[x] *= factor * factor, out.constant[x] *= factor * factor;
        }
        return out;
    }

    RowOfSamples samplesOf(int y, int span) const {
        const auto at = [&](int dx, int dy) {
            return photo_.samples.data() + photo_.index(edgeOf(span) + dx, y + dy);
        };
        RowOfSamples row{at(0, 0),
                         nullptr,
                         nullptr,
                         nullptr,
                         nullptr,
                         static_cast<float>(photo_.white),
                         span % 2 == 0 ? 1.5f : 1.25f};
        if (span % 2 == 0) {
            row.a = row.b = columns_ ? at(-span, 0) : at(0, -span);
            row.c = row.d = columns_ ? at(span, 0) : at(0, span);
        } else { // the next line's greens lie to both sides
            row.a = at(-1, -1), row.d = at(1, 1);
            row.b = columns_ ? at(-1, 1) : at(1, -1), row.c = columns_ ? at(1, -1) : at(-1, 1);
        }
        return row;
    }

    // Of long columns every other pair of samples is enough: noise moves their offset by some 2 % of its
    // sigma.
    static bool isLeftOut(int along, std::size_t length) {
        constexpr std::size_t kLong = 2400;
        return length > kLong && (along & 2) != 0;
    }

    // The sums of all lines' parts, part by part.
    std::vector<Sums> sumsOf(int span, const std::vector<double>& centre, const Work& work) const {
        const auto n = static_cast<std::size_t>(columns_ ? photo_.width() : photo_.height());
        const auto begin = static_cast<std::size_t>(begin_), length = static_cast<std::size_t>(end_ - begin_),
                   whole = static_cast<std::size_t>(columns_ ? photo_.height() : photo_.width());
        const int edge = edgeOf(span), count = photo_.width() - 2 * edge;
        const std::array<RowOfSites, 2> sites = {sitesOf(0, span), sitesOf(1, span)};
        std::vector<Sums> sums(n * kParts);
        std::mutex mutex;
        forEachBand(photo_.height() - 2 * edge, 64, work, [&](int first, int last) {
            const auto room = static_cast<std::size_t>(photo_.width());
            RowOfTerms t{std::vector<float>(room), std::vector<float>(room), std::vector<float>(room),
                         std::vector<float>(room)};
            std::vector<float> middle(centre.begin(), columns_ ? centre.end() : centre.begin());
            middle.resize(room);
            const std::array<const std::vector<float>*, 4> terms = {&t.value, &t.weight, &t.energy, &t.count};
            // Of columns: for each part and each term a sum for every column.
            std::vector<double> own(columns_ ? kParts * terms.size() * room : 0);
            RowOfSites here;
            for (int y = edge + first; y < edge + last; ++y) {
                const auto line = static_cast<std::size_t>(y);
                if (columns_ && (y < begin_ || y >= end_ || isLeftOut(y, length))) continue;
                if (!columns_) std::fill(middle.begin(), middle.end(), static_cast<float>(centre[line]));
                if (!photo_.unevenness.none()) here = scaledToPlaces(sites[line % 2], y);
                const RowOfSites& site = photo_.unevenness.none() ? sites[line % 2] : here;
                compare(samplesOf(y, span), site.black.data() + edge, site.slope.data() + edge,
                        site.constant.data() + edge, site.counts.data() + edge, middle.data() + edge,
                        t.value.data() + edge, t.weight.data() + edge, t.energy.data() + edge,
                        t.count.data() + edge, count);
                if (columns_) {
                    const std::size_t part = std::min(kParts - 1, (line - begin) * kParts / length);
                    for (std::size_t k = 0; k < terms.size(); ++k)
                        addTo(own.data() + (part * terms.size() + k) * room, terms[k]->data(),
                              photo_.width());
                    continue;
                }
                for (std::size_t part = 0; part < kParts; ++part) {
                    const auto from = std::max<std::size_t>(static_cast<std::size_t>(edge),
                                                            begin + (part * length + kParts - 1) / kParts),
                               to = std::min(whole - static_cast<std::size_t>(edge),
                                             begin + ((part + 1) * length + kParts - 1) / kParts);
                    const auto sum = [&](const std::vector<float>& of) {
                        return sumOf(of.data() + from, static_cast<int>(to - from));
                    };
                    sums[line * kParts + part] = {sum(t.value), sum(t.weight), sum(t.energy), sum(t.count)};
                }
            }
            if (!columns_) return; // rows are one band's alone
            const std::lock_guard lock(mutex);
            for (std::size_t part = 0; part < kParts; ++part)
                for (std::size_t x = 0; x < n; ++x) {
                    Sums& sum = sums[x * kParts + part];
                    const double* from = own.data() + part * terms.size() * room + x;
                    sum.value += from[0], sum.weight += from[room], sum.energy += from[2 * room],
                        sum.count += from[3 * room];
                }
        });
        return sums;
    }

    // What a line's parts have in common, and the variance of that: what differs from part to part more than
    // noise does is the picture. Parts far from the others count less (Huber's weights).
    static void inCommon(const Sums* parts, double& value, double& variance) {
        constexpr double kFar = 1.5;
        std::array<double, kParts> weight{};
        std::size_t present = 0;
        for (std::size_t k = 0; k < kParts; ++k) weight[k] = parts[k].weight, present += weight[k] > 0;
        if (present == 0) return;
        for (int round = 0; round < 4; ++round) {
            double sum = 0, all = 0, scatter = 0;
            for (std::size_t k = 0; k < kParts; ++k)
                if (weight[k] > 0) sum += weight[k] * parts[k].value / parts[k].weight, all += weight[k];
            value = sum / all;
            for (std::size_t k = 0; k < kParts; ++k) {
                if (parts[k].weight <= 0) continue;
                const double off = parts[k].value / parts[k].weight - value,
                             sigmas = std::abs(off) * std::sqrt(parts[k].weight);
                scatter += weight[k] * off * off;
                weight[k] = parts[k].weight * std::min(1.0, kFar / std::max(sigmas, 1e-9));
            }
            const double more = present > 1 ? scatter / static_cast<double>(present - 1) : 1;
            variance = std::max(1.0, more) / all;
        }
    }

    // Which parts of a line are compared with each other.
    enum class Pairs : std::uint8_t { FarApart, OfFirstHalf, OfSecondHalf, OfBothHalves };
    static bool arePair(std::size_t k, std::size_t j, Pairs pairs) {
        const std::size_t between = std::max(j, k) - std::min(j, k);
        switch (pairs) {
        case Pairs::FarApart: return between >= kFarApart;
        case Pairs::OfFirstHalf: return std::max(j, k) < kHalf && between >= kFarApart / 2;
        case Pairs::OfSecondHalf: return std::min(j, k) >= kHalf && between >= kFarApart / 2;
        case Pairs::OfBothHalves: return (j < kHalf) != (k < kHalf) && between >= kFarApart / 2;
        }
        return false;
    }

    // The variance of what the parts of each line have in common, 0 where that may as well be the picture:
    // its edges run from a part to the next, so only parts apart are compared; they run from a line to the
    // next, which offsets do not; and they are in some parts only, while an offset is in all.
    static double varianceInCommon(const std::vector<Sums>& sums, std::size_t edge, double most,
                                   Pairs pairs = Pairs::FarApart) {
        constexpr double kLeastCoherence = 0.5;
        const std::size_t n = sums.size() / kParts;
        const auto offset = [&](std::size_t line, std::size_t k) {
            const Sums& s = sums[line * kParts + k];
            return s.weight > 0 ? std::clamp(s.value / s.weight, -most, most) : 0;
        };
        double common = 0, next = 0, count = 0, squares = 0, present = 0;
        for (std::size_t i = edge; i + edge < n; ++i)
            for (std::size_t k = 0; k < kParts; ++k) {
                const double weight = sums[i * kParts + k].weight;
                if (weight <= 0 || (pairs == Pairs::OfFirstHalf && k >= kHalf) ||
                    (pairs == Pairs::OfSecondHalf && k < kHalf))
                    continue;
                const double own = offset(i, k);
                squares += own * own - 1 / weight, ++present;
                for (std::size_t j = 0; j < kParts; ++j) {
                    if (!arePair(k, j, pairs) || sums[i * kParts + j].weight <= 0) continue;
                    common += own * offset(i, j), next += own * offset(i + 1, j), ++count;
                }
            }
        if (count == 0) return 0;
        common /= count, next /= count;
        return common * present < kLeastCoherence * squares ? 0 : std::max(0.0, common - std::max(0.0, next));
    }

    // Whether each half has offsets in common that the other does not have.
    bool areHalvesApart(const std::vector<Sums>& sums, std::size_t edge, double most) const {
        constexpr double kAlike = 4, kShared = 0.3;
        const double first = varianceInCommon(sums, edge, most, Pairs::OfFirstHalf),
                     second = varianceInCommon(sums, edge, most, Pairs::OfSecondHalf),
                     both = varianceInCommon(sums, edge, most, Pairs::OfBothHalves);
        const double least = std::min(first, second);
        return std::sqrt(least / 1.5) >= kVisibleLines * atBlack_ &&
               std::max(first, second) < kAlike * least && both < kShared * least;
    }

    // `sigma2` becomes the variance of the offsets, `spread` the usual size of a part's difference. `centre`
    // is what is known of the differences already: samples far from it are held back. `apart`, if given,
    // tells whether halves have offsets of their own.
    Differences differences(int span, const std::vector<double>& centre, double& spread, double& sigma2,
                            const Work& work, bool* apart = nullptr) const {
        const auto n = static_cast<std::size_t>(columns_ ? photo_.width() : photo_.height());
        std::vector<Sums> sums = sumsOf(span, centre, work);
        for (std::size_t i = 0; i < sums.size(); ++i) {
            // The line's own offset is no texture.
            Sums& s = sums[i];
            const double own = s.weight > 0 ? s.value / s.weight - centre[i / kParts] : 0;
            if (s.energy - own * own * s.weight > kTexture * s.count) s = {};
        }
        Differences out{static_cast<std::size_t>(span), std::vector<double>(n, 0),
                        std::vector<double>(n, 1e12)};
        std::vector<double> sizes;
        const auto edge = static_cast<std::size_t>(edgeOf(span));
        for (std::size_t i = edge; i + edge < n; ++i) {
            for (const Sums* s = &sums[i * kParts]; s < &sums[i * kParts] + kParts; ++s)
                if (s->weight > 0) sizes.push_back(std::abs(s->value / s->weight));
            inCommon(&sums[i * kParts], out.d[i], out.noise[i]);
        }
        if (span == 1) withoutGreens(out);
        spread = sigma2 = 0;
        if (sizes.size() < n) return out;
        const auto middle = sizes.begin() + static_cast<std::ptrdiff_t>(sizes.size() / 2);
        std::nth_element(sizes.begin(), middle, sizes.end());
        spread = 1.4826 * *middle;
        sigma2 = varianceInCommon(sums, edge, 3 * spread) / 1.5;
        if (apart) *apart = areHalvesApart(sums, edge, 3 * spread);
        return out;
    }

    // Light that changes alike all along the lines, a sky's say, looks like offsets. Where differences are
    // larger than offsets of variance `own` / 1.5 make them, the rest is that.
    static void doubtPicture(Differences& k, double own) {
        constexpr std::size_t kNear = 12;
        const std::size_t n = k.d.size();
        std::vector<double> squares(n + 1, 0), expected(n + 1, 0), number(n + 1, 0);
        for (std::size_t i = 0; i < n; ++i) {
            const bool known = k.noise[i] < 1e11;
            squares[i + 1] = squares[i] + (known ? k.d[i] * k.d[i] : 0);
            expected[i + 1] = expected[i] + (known ? own + k.noise[i] : 0);
            number[i + 1] = number[i] + known;
        }
        for (std::size_t i = 0; i < n; ++i) {
            const std::size_t from = i < kNear ? 0 : i - kNear, to = std::min(n, i + kNear + 1);
            const double count = number[to] - number[from];
            if (count > 0)
                k.noise[i] +=
                    std::max(0.0, (squares[to] - squares[from] - expected[to] + expected[from]) / count);
        }
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
    int begin_, end_; // along the lines
    float range_;
    std::array<std::array<float, 2>, 4> variance_{}; // of a site: slope and constant, in raw values
    std::array<float, 4> black_{};
    double atBlack_ = 0;
};

} // namespace

LineOffsets lineOffsets(const Photo& photo, bool columns, const Work& work) {
    IRENIC_EXPECTS(photo.hasMosaic());
    LineOffsets out;
    const int length = columns ? photo.height() : photo.width(), half = secondHalfOf(length);
    bool apart = false;
    out.first = LineFinder(photo, columns, 0, length).offsets(out.share, &apart, work);
    if (!apart) return out;
    double other = 0;
    out.first = LineFinder(photo, columns, 0, half).offsets(out.share, nullptr, work);
    out.second = LineFinder(photo, columns, half, length).offsets(other, nullptr, work);
    out.share = std::sqrt(0.5 * (out.share * out.share + other * other));
    // A half without any is one in which there are none, not one like the other.
    const auto lines = static_cast<std::size_t>(columns ? photo.width() : photo.height());
    if (out.first.empty() != out.second.empty()) (out.first.empty() ? out.first : out.second).resize(lines);
    return out;
}

} // namespace irenic
