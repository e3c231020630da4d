// What of a dark frame a photo confirms, taken off its samples.
#include <algorithm>
#include <array>
#include <cmath>

#include "base/digest.h"
#include "base/expects.h"
#include "image/plane.h"
#include "image/wide.h"
#include "measure/dark_frame.h"

namespace irenic {

namespace {

// Deviations of the photo from which on a leak is a defect, which is mended anyway.
constexpr float kMended = 8;

// How far samples are over the eight nearest of their colour: over the mean of those without the highest and
// the lowest, which may be leaks. Of a row's samples, `above` and `below` of its own colours, each of `count`
// that have two more on both sides.
IRENIC_WIDE void excessOf(const std::uint16_t* above, const std::uint16_t* own, const std::uint16_t* below,
                          int count, float* __restrict over, float* __restrict mean,
                          std::uint16_t* __restrict range) {
    for (int x = 0; x < count; ++x) {
        const int a = above[x - 2], b = above[x], c = above[x + 2], d = own[x - 2], e = own[x + 2],
                  f = below[x - 2], g = below[x], h = below[x + 2];
        const int low = std::min(std::min(std::min(a, b), std::min(c, d)),
                                 std::min(std::min(e, f), std::min(g, h))),
                  high = std::max(std::max(std::max(a, b), std::max(c, d)),
                                  std::max(std::max(e, f), std::max(g, h)));
        mean[x] = static_cast<float>(a + b + c + d + e + f + g + h - low - high) * (1.0f / 6);
        over[x] = static_cast<float>(own[x]) - mean[x];
        range[x] = static_cast<std::uint16_t>(high - low);
    }
}

// Of a row of the active area; beyond its edges a frame is mirrored.
class ExcessRow {
  public:
    explicit ExcessRow(int width)
        : over(static_cast<std::size_t>(width)), mean(over.size()), range(over.size()),
          rows_(3, std::vector<std::uint16_t>(over.size() + 4)) {}
    void read(const Photo& photo, const std::vector<std::uint16_t>& samples, int y) {
        const int w = photo.width(), h = photo.height();
        const int from[3] = {y < 2 ? y + 2 : y - 2, y, y + 2 >= h ? y - 2 : y + 2};
        for (std::size_t i = 0; i < 3; ++i) {
            const auto at = samples.begin() + static_cast<std::ptrdiff_t>(photo.index(0, from[i]));
            std::copy(at, at + w, rows_[i].begin() + 2);
            for (const std::size_t k : {0UL, 1UL}) {
                rows_[i][k] = at[static_cast<std::ptrdiff_t>(2 + k)];
                rows_[i][static_cast<std::size_t>(w) + 2 + k] = at[w - 4 + static_cast<std::ptrdiff_t>(k)];
            }
        }
        excessOf(rows_[0].data() + 2, rows_[1].data() + 2, rows_[2].data() + 2, w, over.data(), mean.data(),
                 range.data());
    }
    std::vector<float> over, mean;
    std::vector<std::uint16_t> range;

  private:
    std::vector<std::vector<std::uint16_t>> rows_;
};

// The frame's excess of a row, in the photo's raw values.
class Rows {
  public:
    Rows(const Photo& photo, const DarkFrame& dark)
        : photo_(photo), dark_(dark), own_(photo.width()), frame_(photo.width()) {}
    void read(int y) {
        own_.read(photo_, photo_.samples, y), frame_.read(photo_, dark_.level, y);
        for (float& v : frame_.over) v /= static_cast<float>(dark_.scale);
    }
    const ExcessRow& photo() const { return own_; }
    const std::vector<float>& dark() const { return frame_.over; }

  private:
    const Photo& photo_;
    const DarkFrame& dark_;
    ExcessRow own_, frame_;
};

float medianOf(std::vector<float> values) {
    const auto middle = values.begin() + std::ssize(values) / 2;
    std::nth_element(values.begin(), middle, values.end());
    return *middle;
}

// Deviations, told from medians, and how bright the darker half is.
struct Scales {
    float photo = 0, dark = 0, level = 0;
};
Scales scalesOf(const Photo& photo, const DarkFrame& frame) {
    constexpr int kStep = 9; // odd, so that all colours are seen
    constexpr float kNormal = 1.4826f;
    std::vector<float> over, dark, level;
    Rows rows(photo, frame);
    for (int y = 0; y < photo.height(); y += kStep) {
        rows.read(y);
        for (std::size_t x = 0; x < rows.dark().size(); x += kStep) {
            level.push_back(rows.photo().mean[x]);
            over.push_back(std::abs(rows.photo().over[x])), dark.push_back(std::abs(rows.dark()[x]));
        }
    }
    Scales out;
    out.level = medianOf(level);
    std::vector<float> ofDarker;
    for (std::size_t i = 0; i < over.size(); ++i)
        if (level[i] <= out.level) ofDarker.push_back(over[i]);
    // Whole numbers have at least this much.
    constexpr float kRounding = 0.3f;
    out.photo = std::max(kRounding, kNormal * medianOf(ofDarker));
    out.dark = std::max(kRounding, kNormal * medianOf(dark));
    return out;
}

// How much of the frame's excess a photo has, by how large it is: steps of an eighth of its inverse
// hyperbolic sine, which is even for small ones and goes by ratio for large ones.
class Shares {
  public:
    static constexpr int kPerUnit = 8, kMiddle = 96, kCount = 2 * kMiddle + 1;

    explicit Shares(const Scales& scales) : scales_(scales) {}

    void add(float photo, float dark) {
        Sums& s = sums_[indexOf(place(dark))];
        const auto p = static_cast<double>(photo), d = static_cast<double>(dark);
        ++s.count, s.photo += p, s.dark += d, s.both += p * d, s.darkSquared += d * d;
        s.photoSquared += p * p, s.spread += p * p * d * d;
    }
    void add(const Shares& other) {
        for (std::size_t i = 0; i < kCount; ++i) sums_[i].add(other.sums_[i]);
    }

    // Once all are added.
    void settle() {
        constexpr double kOrdinary = 3; // deviations
        double count = 0, sum = 0;
        for (std::size_t i = 0; i < kCount; ++i)
            if (std::abs(valueAt(i)) <= kOrdinary) count += sums_[i].count, sum += sums_[i].photo;
        if (count == 0) return;
        // Of a skewed spread the mean over the neighbours' is not 0.
        const double offset = sum / count;
        for (std::size_t i = 0; i < kCount; ++i) share_[i] = shareAround(i, offset);
        double before = 0, after = 0;
        for (std::size_t i = 0; i < kCount; ++i) {
            const Sums& s = sums_[i];
            if (std::abs(valueAt(i)) * static_cast<double>(scales_.dark) >
                static_cast<double>(kMended * scales_.photo))
                continue;
            const double share = share_[i], own = s.both - offset * s.dark;
            const double all = s.photoSquared - 2 * offset * s.photo + offset * offset * s.count;
            before += all, after += all - 2 * share * own + share * share * s.darkSquared;
        }
        gone_ = before > 0 ? std::max(0.0, 1 - after / before) : 0;
    }
    // What of a sample's excess the photo has.
    float of(float dark) const {
        const double at = place(dark);
        const auto low = static_cast<std::size_t>(at);
        const std::size_t high = std::min<std::size_t>(low + 1, kCount - 1);
        const double t = at - static_cast<double>(low);
        return static_cast<float>((1 - t) * share_[low] + t * share_[high]) * dark;
    }
    // Of the variance of dark, even places.
    double gone() const { return gone_; }

  private:
    struct Sums {
        double count = 0, photo = 0, dark = 0, both = 0, darkSquared = 0, photoSquared = 0, spread = 0;
        void add(const Sums& o) {
            count += o.count, photo += o.photo, dark += o.dark, both += o.both;
            darkSquared += o.darkSquared, photoSquared += o.photoSquared, spread += o.spread;
        }
    };
    double place(float dark) const {
        return std::clamp(kMiddle + kPerUnit * std::asinh(static_cast<double>(dark / scales_.dark)), 0.0,
                          static_cast<double>(kCount - 1));
    }
    static std::size_t indexOf(double place) { return static_cast<std::size_t>(std::lround(place)); }
    static double valueAt(std::size_t index) {
        return std::sinh((static_cast<double>(index) - kMiddle) / kPerUnit);
    }
    // By least squares over so many neighbouring steps that there are enough; none where chance could do it.
    double shareAround(std::size_t index, double offset) const {
        constexpr double kEnough = 200, kClear = 2, kMost = 2;
        Sums sum = sums_[index];
        for (std::size_t reach = 1; sum.count < kEnough && reach < kCount; ++reach) {
            if (index >= reach) sum.add(sums_[index - reach]);
            if (index + reach < kCount) sum.add(sums_[index + reach]);
        }
        if (sum.count < kEnough || sum.darkSquared <= 0) return 0;
        const double share = (sum.both - offset * sum.dark) / sum.darkSquared,
                     error = std::sqrt(sum.spread) / sum.darkSquared;
        if (std::abs(share) <= kClear * error) return 0;
        const double certain = 1 - error * error / (share * share);
        return std::clamp(share * certain, 0.0, kMost);
    }

    Scales scales_;
    std::array<Sums, kCount> sums_{};
    std::array<double, kCount> share_{};
    double gone_ = 0;
};

Shares sharesOf(const Photo& photo, const DarkFrame& frame, const Scales& scales, const Work& work) {
    constexpr int kRows = 64;   // added up by themselves, so that sums do not depend on who comes first
    constexpr float kEven = 10; // deviations that the photo's neighbours lie apart at most
    const int bands = (photo.height() + kRows - 1) / kRows;
    std::vector<Shares> own(static_cast<std::size_t>(bands), Shares(scales));
    forEachBand(bands, 1, work, [&](int first, int last) {
        Rows rows(photo, frame);
        for (int band = first; band < last; ++band)
            for (int y = band * kRows; y < std::min(photo.height(), (band + 1) * kRows); ++y) {
                rows.read(y);
                const ExcessRow& e = rows.photo();
                for (std::size_t x = 0; x < rows.dark().size(); ++x)
                    if (e.mean[x] <= scales.level && static_cast<float>(e.range[x]) <= kEven * scales.photo &&
                        photo.sample(static_cast<int>(x), y) < photo.white)
                        own[static_cast<std::size_t>(band)].add(e.over[x], rows.dark()[x]);
            }
    });
    Shares out(scales);
    for (const Shares& s : own) out.add(s);
    out.settle();
    return out;
}

// Means of wide squares of each colour, and what lies between their middles.
class Wide {
  public:
    // Of `value` where `counts`.
    template <class Value, class Counts>
    Wide(int width, int height, const Value& value, const Counts& counts, const Work& work)
        : across_(std::max(1, width / kSide)), down_(std::max(1, height / kSide)) {
        means_.resize(static_cast<std::size_t>(4 * across_ * down_));
        chances_.resize(means_.size());
        forEachBand(down_, 1, work, [&](int first, int last) {
            for (int cy = first; cy < last; ++cy)
                for (int cx = 0; cx < across_; ++cx) {
                    std::array<double, 4> sum{}, squares{}, count{};
                    const int toX = std::min(width, (cx + 1) * kSide),
                              toY = std::min(height, (cy + 1) * kSide);
                    for (int y = cy * kSide; y < toY; ++y)
                        for (int x = cx * kSide; x < toX; ++x) {
                            if (!counts(x, y)) continue;
                            const auto site = static_cast<std::size_t>((y & 1) * 2 + (x & 1));
                            const auto v = static_cast<double>(value(x, y));
                            sum[site] += v, squares[site] += v * v, ++count[site];
                        }
                    for (std::size_t site = 0; site < 4; ++site) {
                        const std::size_t at = static_cast<std::size_t>(4 * (cy * across_ + cx)) + site;
                        const double n = std::max(1.0, count[site]), mean = sum[site] / n;
                        means_[at] = static_cast<float>(mean);
                        chances_[at] = static_cast<float>((squares[site] / n - mean * mean) / n);
                    }
                }
        });
    }
    float at(int x, int y) const {
        const auto along = [](int place, int count) {
            return std::clamp(static_cast<float>(place) / kSide - 0.5f, 0.0f, static_cast<float>(count - 1));
        };
        const float u = along(x, across_), v = along(y, down_);
        const int left = static_cast<int>(u), top = static_cast<int>(v);
        const int right = std::min(left + 1, across_ - 1), bottom = std::min(top + 1, down_ - 1);
        const float s = u - static_cast<float>(left), t = v - static_cast<float>(top);
        const int site = (y & 1) * 2 + (x & 1);
        return (1 - t) * ((1 - s) * mean(left, top, site) + s * mean(right, top, site)) +
               t * ((1 - s) * mean(left, bottom, site) + s * mean(right, bottom, site));
    }
    const std::vector<float>& means() const { return means_; }
    // Leaves of each colour's differences from square to square as much as chance does not explain.
    void settle() {
        const auto squares = static_cast<float>(across_ * down_);
        for (std::size_t site = 0; site < 4; ++site) {
            float mean = 0, energy = 0, chance = 0;
            for (std::size_t i = site; i < means_.size(); i += 4)
                mean += means_[i] / squares, chance += chances_[i] / squares;
            for (std::size_t i = site; i < means_.size(); i += 4)
                energy += (means_[i] - mean) * (means_[i] - mean) / squares;
            constexpr float kClear = 2; // rows that differ from frame to frame raise it too
            const float certain = energy > kClear * chance ? 1 - chance / energy : 0;
            for (std::size_t i = site; i < means_.size(); i += 4)
                means_[i] = mean + certain * (means_[i] - mean);
        }
    }

  private:
    static constexpr int kSide = 64;
    float mean(int cx, int cy, int site) const {
        return means_[static_cast<std::size_t>(4 * (cy * across_ + cx) + site)];
    }

    int across_, down_;
    std::vector<float> means_, chances_; // and the variance of each mean
};

// Whether the frame's wide part can be in the photo as well: exposed for as long, and nothing of the photo
// would be darker than black by more than chance.
bool isShared(const Wide& dark, const Wide& photo, double ratio, float deviation) {
    constexpr double kAlike = 1.25;
    constexpr float kBelow = 0.3f; // of a deviation: a thousand samples have a mean within a tenth of that
    if (!(ratio <= kAlike && ratio >= 1 / kAlike)) return false;
    for (std::size_t i = 0; i < photo.means().size(); ++i)
        if (photo.means()[i] - dark.means()[i] < -kBelow * deviation) return false;
    return true;
}

} // namespace

WithoutDark withoutDark(const Photo& photo, const DarkFrame& dark, const Work& work) {
    IRENIC_EXPECTS(dark.fits(photo) && dark.level.size() == photo.samples.size());
    constexpr double kLeastGone = 0.002;
    constexpr float kLeastWide = 0.02f; // of a deviation: below, nobody sees it
    WithoutDark out;
    out.told.frames = dark.frames;
    const int w = photo.width(), h = photo.height();
    if (w < 64 || h < 64) return out;
    const Scales scales = scalesOf(photo, dark);
    const Shares shares = sharesOf(photo, dark, scales, work);
    const bool single = shares.gone() >= kLeastGone;
    // Of each sample what of the frame's excess the photo has.
    Plane own(w, h);
    std::vector<std::uint8_t> ordinary(static_cast<std::size_t>(w) * static_cast<std::size_t>(h));
    const auto placeOf = [w](int x, int y) {
        return static_cast<std::size_t>(y) * static_cast<std::size_t>(w) + static_cast<std::size_t>(x);
    };
    forEachBand(h, 32, work, [&](int first, int last) {
        Rows rows(photo, dark);
        for (int y = first; y < last; ++y) {
            rows.read(y);
            for (int x = 0; x < w; ++x) {
                const auto at = static_cast<std::size_t>(x);
                const float excess = rows.dark()[at], share = single ? shares.of(excess) : 0;
                // One that stands out in the frame and not at all in the photo was hit once, by a cosmic ray.
                constexpr float kHit = 6;
                const bool hit =
                    share > kHit * scales.photo && rows.photo().over[at] < 0.5f * share - kHit * scales.photo;
                own.at(x, y) = hit ? 0 : share;
                // Defects do not count for means.
                ordinary[placeOf(x, y)] = std::abs(excess) <= kMended * std::max(scales.photo, scales.dark);
            }
        }
    });
    const auto counts = [&](int x, int y) { return ordinary[placeOf(x, y)] != 0; };
    const auto photoAt = [&](int x, int y) {
        return static_cast<float>(photo.sample(x, y)) - photo.black.at(x, y);
    };
    const auto darkAt = [&](int x, int y) {
        return static_cast<float>(dark.level[photo.index(x, y)]) / static_cast<float>(dark.scale) -
               photo.black.at(x, y);
    };
    Wide broad(w, h, darkAt, counts, work);
    broad.settle();
    float most = 0;
    for (const float mean : broad.means()) most = std::max(most, std::abs(mean));
    const bool wide =
        most >= kLeastWide * scales.photo &&
        isShared(broad, Wide(w, h, photoAt, counts, work), photo.exposure / dark.exposure, scales.photo);
    if (!single && !wide) return out;
    // What is taken off single samples leaves the mean of its surround alone, which the frame's wide part, or
    // the photo, knows better.
    const Wide owns(
        w, h, [&](int x, int y) { return own.at(x, y); }, counts, work);
    out.told.share = single ? shares.gone() : 0;
    out.samples = photo.samples;
    forEachBand(h, 32, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                std::uint16_t& sample = out.samples[photo.index(x, y)];
                if (sample >= photo.white) continue;
                const float off = own.at(x, y) - owns.at(x, y) + (wide ? broad.at(x, y) : 0);
                sample = static_cast<std::uint16_t>(std::clamp(std::lround(static_cast<float>(sample) - off),
                                                               0L, static_cast<long>(photo.white)));
            }
    });
    Digest digest;
    digest.add(out.samples);
    out.told.digest = digest.text();
    return out;
}

} // namespace irenic
