#include "measure/defects.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>

#include "base/expects.h"
#include "image/wide.h"
#include "raw/opcodes.h"

namespace irenic {

namespace {

// What is in doubt is left alone. In shares of how far a sample stands out: the unrest of the samples around
// it of all colours, and the range of those of its own; and in deviations of noise and texture together how
// far it has to.
constexpr float kUnrest = 0.5f, kSpread = 0.35f, kOverTexture = 7;

float medianOf3(float a, float b, float c) { return std::max(std::min(a, b), std::min(std::max(a, b), c)); }

// Of the samples from `p` on: whether each is at least `least` above or below both of its own colour beside
// it.
IRENIC_WIDE void markOutliers(const std::uint16_t* p, int count, int least, std::uint8_t* __restrict marks) {
    for (int i = 0; i < count; ++i) {
        const int v = p[i], l = p[i - 2], r = p[i + 2];
        const bool high = v - std::max(l, r) >= least, low = std::min(l, r) - v >= least;
        marks[i] = high | low;
    }
}

class DefectFinder {
  public:
    explicit DefectFinder(const Photo& photo)
        : photo_(photo), range_(static_cast<float>(photo.white - photo.black.mean())) {
        for (const double x : {0.0, 0.25, 0.5, 0.75, 1.0})
            for (const double y : {0.0, 0.25, 0.5, 0.75, 1.0})
                leastFactor_ =
                    std::min(leastFactor_, photo.noiseFactor(x * photo.width(), y * photo.height()));
        for (int s = 0; s < 4; ++s)
            line_[static_cast<std::size_t>(s)] =
                photo.noise.channel[static_cast<std::size_t>(photo.mosaic.channel(s))];
        for (const NoiseLine& l : line_)
            least_ = std::min(least_, 4 * leastFactor_ * range_ * static_cast<float>(l.sigma(0)));
        if (!photo.black.repeatsEvery(2)) return;
        for (int s = 0; s < 4; ++s) limits_[static_cast<std::size_t>(s)] = limitsOf(s);
    }

    // `marks` is room for a row.
    void row(int y, std::vector<std::uint8_t>& marks, std::vector<Defect>& found) const {
        constexpr int kEdge = 4;
        const int count = photo_.width() - 2 * kEdge;
        marks.resize(static_cast<std::size_t>(count));
        markOutliers(photo_.samples.data() + photo_.index(kEdge, y), count,
                     static_cast<int>(std::ceil(std::min(least_, 65536.0f))), marks.data());
        for (auto mark = std::find(marks.begin(), marks.end(), 1); mark != marks.end();
             mark = std::find(mark + 1, marks.end(), 1)) {
            const int x = kEdge + static_cast<int>(mark - marks.begin());
            if (standsOut(x, y, photo_.sample(x - 2, y), photo_.sample(x + 2, y)) && isDefect(x, y))
                found.push_back({x, y, mended(x, y)});
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
            return 4.95 * static_cast<double>(leastFactor_ * range_) *
                   line_[static_cast<std::size_t>(s)].sigma(x);
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
        return photo_.noiseFactor(x, y) *
               static_cast<float>(line.sigma(std::max(0.0, static_cast<double>(v))));
    }

    // How far samples lie from the mean of their two neighbours of the same colour, around a place: a
    // deviation, of noise and texture together.
    float textureAround(int x, int y) const {
        constexpr int kReach = 8;
        std::vector<float> off;
        for (int j = -kReach; j <= kReach; j += 2)
            for (int i = -kReach; i <= kReach; i += 2) {
                const int u = x + i, v = y + j;
                if (u < 2 || v < 2 || u >= photo_.width() - 2 || v >= photo_.height() - 2) continue;
                const float middle = photo_.normalised(u, v);
                off.push_back(
                    std::abs(middle - 0.5f * (photo_.normalised(u - 2, v) + photo_.normalised(u + 2, v))));
                off.push_back(
                    std::abs(middle - 0.5f * (photo_.normalised(u, v - 2) + photo_.normalised(u, v + 2))));
            }
        // Four fifths of them: sqrt(1.5) times that quantile of a normal deviate's size.
        const auto at = off.begin() + static_cast<std::ptrdiff_t>(off.size() * 4 / 5);
        std::nth_element(off.begin(), at, off.end());
        constexpr float kQuantile = 1.57f;
        return *at / kQuantile;
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
        float around = 0, variance = 0, unrest = 0;
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
                unrest += std::max(0.0f, std::abs(own - base) - 3 * s);
                variance += 1.45f * s * s;
            }
        // Stars must stay; a dark speck of one sample is rarer.
        const float height = sign * (v - middle);
        if (around + (sign > 0 ? 0.6f : 0.2f) * std::sqrt(variance) >= 0.25f * height) return false;
        // In the midst of structure, on a wire or a coil, a glint is likelier than a defect, and a defect is
        // not seen: what is in doubt stays. Where noise is all there is around, nothing is in doubt.
        constexpr float kStructure = 1.5f; // over the noise
        const float texture = textureAround(x, y), spread = same[6] - same[1] - 4 * noise;
        return texture <= kStructure * noise ||
               (unrest <= kUnrest * height && spread <= kSpread * height && height >= kOverTexture * texture);
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
    float leastFactor_ = 1; // of the noise, anywhere in the frame
    std::array<NoiseLine, 4> line_;
    std::array<Limits, 4> limits_;
};

} // namespace

std::vector<Defect> findDefects(const Photo& photo, const Work& work,
                                const std::vector<std::array<int, 2>>& known) {
    IRENIC_EXPECTS(photo.hasMosaic());
    IRENIC_EXPECTS(photo.width() >= 16 && photo.height() >= 16);
    std::vector<Defect> all;
    const DefectFinder finder(photo);
    std::mutex mutex;
    forEachBand(photo.height() - 8, 32, work, [&](int first, int last) {
        std::vector<Defect> found;
        std::vector<std::uint8_t> marks;
        for (int y = 4 + first; y < 4 + last; ++y) finder.row(y, marks, found);
        const std::lock_guard lock(mutex);
        all.insert(all.end(), found.begin(), found.end());
    });
    // What the file itself and other photos say is bad.
    const Opcodes opcodes = opcodesOf(photo);
    const auto add = [&](int x, int y) {
        if (x >= 2 && y >= 2 && x < photo.width() - 2 && y < photo.height() - 2)
            all.push_back({x, y, finder.mended(x, y)});
    };
    for (const auto& [x, y] : opcodes.badPixels) add(x, y);
    for (const auto& [x, y] : known) add(x, y);
    if (opcodes.badConstant)
        for (int y = 0; y < photo.height(); ++y)
            for (int x = 0; x < photo.width(); ++x)
                if (photo.sample(x, y) == *opcodes.badConstant) add(x, y);
    std::sort(all.begin(), all.end(),
              [](const Defect& a, const Defect& b) { return a.y != b.y ? a.y < b.y : a.x < b.x; });
    const auto same = [](const Defect& a, const Defect& b) { return a.x == b.x && a.y == b.y; };
    all.erase(std::unique(all.begin(), all.end(), same), all.end());
    return all;
}

} // namespace irenic
