#include "noise/estimate.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <vector>

#include "base/expects.h"
#include "noise/block_dct.h"

namespace irenic {

namespace {

constexpr int kBlock = kDctBlock;
// Frequencies (u, v) with u + v from this on, well above those that rank blocks, measure the noise.
constexpr int kHigh = 9;

// A block and where it lies; what it holds is worked out again for the few that count, which is quicker than
// sorting it along.
struct Block {
    float mean, low;
    int x, y;
};

// Equations of their own for slope and variance in the dark, each with its weight.
struct Prior {
    double a = 0, weightOfA = 0, b = 0, weightOfB = 0, leastB = 0,
           mostB = std::numeric_limits<double>::infinity();
};

// The least-squares line through the points and the prior within the prior's bounds of b, and with a >= 0.
NoiseLine fitLine(const std::vector<NoisePoint>& points, const Prior& prior) {
    double w = prior.weightOfB, x = 0, y = prior.weightOfB * prior.b, xx = prior.weightOfA,
           xy = prior.weightOfA * prior.a;
    for (const NoisePoint& p : points) {
        w += p.weight;
        x += p.weight * p.x;
        y += p.weight * p.variance;
        xx += p.weight * p.x * p.x;
        xy += p.weight * p.x * p.variance;
    }
    const double det = w * xx - x * x;
    NoiseLine line;
    if (det > 1e-12 * w * xx) {
        line.a = (w * xy - x * y) / det;
        line.b = (y - line.a * x) / w;
    } else {
        line.a = x > 0 ? y / x : 0;
    }
    // At the end of what the dark can have, the slope is that of the rest.
    if (const double b = std::clamp(line.b, prior.leastB, prior.mostB); b != line.b)
        line = {xx > 0 ? (xy - b * x) / xx : 0, b};
    if (line.a < 0) line = {0, w > 0 ? y / w : 0};
    return line;
}

} // namespace

std::vector<NoisePoint> noisePoints(const Plane& samples, float clip, const Work& work,
                                    const std::function<float(int x, int y)>& factor) {
    const auto usual = [&](int x, int y) { // of a block, what its energy is to be divided by
        const float f = factor ? factor(x + kBlock / 2, y + kBlock / 2) : 1;
        return f * f;
    };
    // A few hundred thousand blocks are plenty: thin them out evenly on large photos. On small ones they lie
    // closer than is new to them, so that a calm place between textures has a block of its own.
    constexpr double plenty = 240000, few = 60000;
    const double area = static_cast<double>(samples.width()) * samples.height();
    const auto stepFor = [area](double blocks) { return static_cast<int>(std::sqrt(area / blocks)); };
    const int step = std::max(stepFor(plenty), std::clamp(stepFor(few), 2, 4));
    std::vector<std::vector<Block>> bands(static_cast<std::size_t>(std::max(1, samples.height() / step + 1)));
    forEachBand(static_cast<int>(bands.size()), 8, work, [&](int first, int last) {
        for (int band = first; band < last; ++band) {
            const int y = band * step;
            if (y + kBlock > samples.height()) continue;
            for (int x = 0; x + kBlock <= samples.width(); x += step) {
                const BlockRank rank = rankBlock(samples.row(y) + x, samples.stride(), clip);
                if (!rank.clipped)
                    bands[static_cast<std::size_t>(band)].push_back(
                        {rank.mean, rank.low / usual(x, y), x, y});
            }
        }
    });
    std::vector<Block> blocks;
    for (auto& band : bands) blocks.insert(blocks.end(), band.begin(), band.end());
    if (blocks.size() < 64) return {};
    std::sort(blocks.begin(), blocks.end(), [](const Block& l, const Block& r) { return l.mean < r.mean; });

    // Classes of equal population would put nearly all of them where the photo is dark; classes of equal
    // width would leave bright ones empty. Half of each: split the sorted list whenever either is reached.
    const std::size_t fullest = std::max<std::size_t>(400, blocks.size() / 24);
    const std::size_t emptiest = std::max<std::size_t>(120, blocks.size() / 2000);
    const float widest = 0.06f;
    std::vector<NoisePoint> points;
    for (std::size_t begin = 0; begin < blocks.size();) {
        std::size_t end = begin + std::min(emptiest, blocks.size() - begin);
        while (end < blocks.size() && end - begin < fullest && blocks[end].mean - blocks[begin].mean < widest)
            ++end;
        const std::size_t count = end - begin;
        if (count >= 40) {
            const auto first = blocks.begin() + static_cast<std::ptrdiff_t>(begin);
            const std::size_t keep = std::max<std::size_t>(24, count / 16);
            std::nth_element(first, first + static_cast<std::ptrdiff_t>(keep - 1),
                             first + static_cast<std::ptrdiff_t>(count),
                             [](const Block& l, const Block& r) { return l.low < r.low; });
            double mean = 0;
            std::array<double, kBlock * kBlock> energy{};
            for (std::size_t i = 0; i < keep; ++i) {
                const Block& block = first[static_cast<std::ptrdiff_t>(i)];
                mean += block.mean;
                float f[kBlock * kBlock];
                transformBlock(samples.row(block.y) + block.x, samples.stride(), f);
                const float divisor = usual(block.x, block.y);
                for (std::size_t k = 0; k < energy.size(); ++k)
                    energy[k] += static_cast<double>(f[k] * f[k] / divisor);
            }
            mean /= static_cast<double>(keep);
            std::vector<double> variances;
            for (int v = 0; v < kBlock; ++v)
                for (int u = kHigh - v; u < kBlock; ++u)
                    if (u >= 0)
                        variances.push_back(energy[static_cast<std::size_t>(v * kBlock + u)] /
                                            static_cast<double>(keep));
            std::nth_element(variances.begin(),
                             variances.begin() + static_cast<std::ptrdiff_t>(variances.size() / 2),
                             variances.end());
            const double variance = variances[variances.size() / 2];
            if (variance > 0)
                points.push_back({mean, variance, static_cast<double>(keep) / (variance * variance)});
        }
        begin = end;
    }
    return points;
}

NoiseMean meanOf(const std::vector<NoisePoint>& points) {
    double n = 0, x = 0, xx = 0, variance = 0;
    for (const NoisePoint& p : points) {
        const double blocks = p.weight * p.variance * p.variance;
        n += blocks, x += blocks * p.x, xx += blocks * p.x * p.x, variance += blocks * p.variance;
    }
    if (n <= 0) return {};
    return {x / n, variance / n, xx / n - x / n * (x / n)};
}

namespace {

// Blocks are put into classes by means that hold noise themselves: where a photo is nearly of one brightness,
// the classes are mostly classes of noise, and lie further apart than what they show. How far apart they
// truly lie, over how far they seem to: 1 where noise does not count.
std::vector<NoisePoint> withTrueRange(const std::vector<NoisePoint>& points) {
    const NoiseMean mean = meanOf(points);
    const double ofNoise = mean.variance / (kBlock * kBlock);
    const double share = mean.spread > 0 ? std::max(0.0, 1 - ofNoise / mean.spread) : 0;
    std::vector<NoisePoint> out = points;
    for (NoisePoint& p : out) p.x = mean.x + share * (p.x - mean.x);
    return out;
}

// How far points lie below the line, in shares of it: their root mean square. That is chance, for nothing
// takes noise away.
double scatterBelow(const NoiseLine& line, const std::vector<NoisePoint>& points) {
    double n = 0, squares = 0;
    for (const NoisePoint& p : points) {
        const double lack = 1 - p.variance / std::max(line.variance(p.x), 1e-12);
        if (lack <= 0) continue;
        const double blocks = p.weight * p.variance * p.variance;
        n += blocks, squares += blocks * lack * lack;
    }
    return n > 0 ? std::sqrt(squares / n) : 0;
}

} // namespace

NoiseFit fitNoise(const std::vector<NoisePoint>& measured, const std::optional<ExpectedLine>& expected) {
    constexpr double unknown = std::numeric_limits<double>::infinity();
    if (measured.empty()) return {{0, 1e-8}, unknown};
    const std::vector<NoisePoint> points = withTrueRange(measured);
    // A point's weight times the square of what it is off, as chance alone has it: the variance of a median
    // of the high frequencies, each a mean of squares.
    constexpr double kChance = 1.57 * 2 / 28;
    // Texture and what else is no noise make points err together: they weigh less than chance alone would
    // have it.
    constexpr double kDoubt = 4;
    double perWeight = kChance, error = unknown;
    double darkest = std::numeric_limits<double>::infinity();
    for (const NoisePoint& p : points) darkest = std::min(darkest, p.x);
    const auto prior = [&] {
        if (!expected) return Prior{};
        const double off = expected->shareError * expected->b;
        Prior out{expected->a, kDoubt * perWeight / (expected->error * expected->error), 0, 0};
        if (!(off > 0) || std::isinf(off)) return out;
        out.b = expected->b, out.weightOfB = kDoubt * perWeight / (off * off);
        // Where even the darkest points are too bright to show the dark's own noise, it is no farther off
        // than is likely at all.
        constexpr double kFarthest = 3; // of its errors
        constexpr double kTooBright = 2;
        const double most = expected->b * (1 + kFarthest * expected->shareError);
        if (expected->a * darkest > kTooBright * most)
            out.leastB = expected->b * expected->b / most, out.mostB = most;
        return out;
    };
    NoiseLine line = fitLine(points, prior());
    // Texture only ever adds variance: points far above the line are texture. Refit without them. What is
    // far follows what chance does: on small photos, whose points rest on few blocks, a fixed limit left the
    // lower half of them, and noise came out a seventh too small.
    constexpr double kLeastSpread = 0.04;
    for (int round = 0; round < 12; ++round) {
        std::vector<NoisePoint> trusted = points;
        const double spread = std::max(kLeastSpread, scatterBelow(line, points));
        double w = 0, x = 0, xx = 0, off = 0;
        for (NoisePoint& p : trusted) {
            const double seen = std::max(line.variance(p.x), 1e-12);
            const double excess = p.variance / seen - 1;
            p.weight *= (excess > 0 ? 1 / (1 + excess * excess / (spread * spread)) : 1.0) * p.variance *
                        p.variance / (seen * seen);
            w += p.weight, x += p.weight * p.x, xx += p.weight * p.x * p.x;
            off += p.weight * (p.variance - seen) * (p.variance - seen);
        }
        const auto count = static_cast<double>(points.size());
        perWeight = count > 2 ? std::max(kChance, off / (count - 2)) : kChance;
        const double range = w > 0 ? xx - x * x / w : 0;
        error = range > 1e-12 * xx ? std::sqrt(perWeight / range) : unknown;
        line = fitLine(trusted, prior());
    }
    if (line.a + line.b <= 0) line.b = 1e-10;
    return {line, error};
}

NoiseLine noFlatter(const NoiseLine& line, const std::vector<NoisePoint>& points, double most) {
    IRENIC_EXPECTS(most >= 0);
    const double x = meanOf(points).x;
    if (points.empty() || line.b <= most * line.a || x + most <= 0) return line;
    const double a = line.variance(x) / (x + most);
    return {a, most * a};
}

NoiseLine fitBentNoise(const std::vector<NoisePoint>& points) {
    if (points.empty()) return {0, 1e-8};
    NoiseLine line{0, meanOf(points).variance};
    for (int round = 0; round < 30; ++round) {
        std::vector<NoisePoint> weighed = points;
        for (NoisePoint& p : weighed) {
            const double seen = std::max(line.variance(p.x), 1e-12), excess = p.variance / seen - 1;
            const double blocks = p.weight * p.variance * p.variance;
            // Only what is several times as much is texture.
            constexpr double kTexture = 2;
            p.weight = blocks / (seen * seen) /
                       (1 + std::max(0.0, excess) * std::max(0.0, excess) / (kTexture * kTexture));
        }
        line = fitLine(weighed, {});
    }
    if (line.a + line.b <= 0) line.b = 1e-10;
    return line;
}

} // namespace irenic
