#include "measure/smoothing.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "base/expects.h"
#include "image/plane.h"

namespace irenic {

namespace {

constexpr int kBlock = 16;
constexpr std::size_t kFrequencies = kBlock * kBlock;
using Spectrum = std::array<double, kFrequencies>; // (u across, v down) at [v * kBlock + u]

// Row u of the orthonormal DCT-II.
using Basis = std::array<std::array<double, kBlock>, kBlock>;
const Basis& basis() {
    static const Basis made = [] {
        Basis b{};
        for (int u = 0; u < kBlock; ++u)
            for (int i = 0; i < kBlock; ++i)
                b[static_cast<std::size_t>(u)][static_cast<std::size_t>(i)] =
                    std::sqrt((u == 0 ? 1.0 : 2.0) / kBlock) *
                    std::cos(std::numbers::pi * (i + 0.5) * u / kBlock);
        return b;
    }();
    return made;
}

// The lowest `Count` frequencies in both directions of the block at x, y, in single precision: loops over
// frequencies are what compilers make vectors of.
template <std::size_t Count> using Frequencies = std::array<std::array<float, Count>, Count>; // [v][u]
template <std::size_t Count> void transform(const Plane& plane, int x, int y, Frequencies<Count>& out) {
    static const auto across = [] {
        std::array<std::array<float, Count>, kBlock> a{}; // [sample][frequency]
        for (std::size_t u = 0; u < Count; ++u)
            for (std::size_t i = 0; i < kBlock; ++i) a[i][u] = static_cast<float>(basis()[u][i]);
        return a;
    }();
    out = {};
    for (std::size_t j = 0; j < kBlock; ++j) {
        const float* from = plane.row(y + static_cast<int>(j)) + x;
        std::array<float, Count> row{};
        for (std::size_t i = 0; i < kBlock; ++i)
            for (std::size_t u = 0; u < Count; ++u) row[u] += from[i] * across[i][u];
        for (std::size_t v = 0; v < Count; ++v)
            for (std::size_t u = 0; u < Count; ++u) out[v][u] += across[j][v] * row[u];
    }
}

// Frequencies below kRanking (u + v) rank blocks by texture. Those from kUsed on tell the filter: lower ones
// hold what texture is left in the calmest blocks, which looks like a filter of its own.
constexpr std::size_t kRanking = 6, kUsed = 13;
constexpr std::size_t kLow = 8; // kRanking and up to whole vectors
// The share of the blocks of a class that count as calm.
constexpr double kCalm = 0.1;

struct Block {
    float mean;
    double low;
    int x, y;
};

// The calmest blocks of each class of brightness, class by class.
std::vector<std::vector<Block>> calmBlocks(const Plane& plane, float clip, const Work& work) {
    constexpr double kPlenty = 30000;
    const int step = std::max(
        8, static_cast<int>(std::sqrt(static_cast<double>(plane.width()) * plane.height() / kPlenty)));
    // Division rounds towards 0: a plane lower than a block has none.
    const int rows = plane.height() < kBlock ? 0 : (plane.height() - kBlock) / step + 1;
    std::vector<std::vector<Block>> bands(static_cast<std::size_t>(rows));
    forEachBand(rows, 4, work, [&](int first, int last) {
        Frequencies<kLow> f;
        for (int band = first; band < last; ++band)
            for (int x = 0; x + kBlock <= plane.width(); x += step) {
                const int y = band * step;
                bool clipped = false;
                for (int j = 0; j < kBlock && !clipped; ++j)
                    for (int i = 0; i < kBlock; ++i) clipped = clipped || plane.at(x + i, y + j) >= clip;
                if (clipped) continue;
                transform(plane, x, y, f);
                double low = 0;
                for (std::size_t v = 0; v < kRanking; ++v)
                    for (std::size_t u = v == 0 ? 1 : 0; u + v < kRanking; ++u)
                        low += static_cast<double>(f[v][u] * f[v][u]);
                bands[static_cast<std::size_t>(band)].push_back({f[0][0] / kBlock, low, x, y});
            }
    });
    std::vector<Block> blocks;
    for (auto& band : bands) blocks.insert(blocks.end(), band.begin(), band.end());
    std::sort(blocks.begin(), blocks.end(), [](const Block& l, const Block& r) { return l.mean < r.mean; });
    constexpr std::size_t kClasses = 12;
    std::vector<std::vector<Block>> calm;
    for (std::size_t c = 0; c < kClasses; ++c) {
        const auto first = blocks.begin() + static_cast<std::ptrdiff_t>(blocks.size() * c / kClasses),
                   last = blocks.begin() + static_cast<std::ptrdiff_t>(blocks.size() * (c + 1) / kClasses);
        const auto count = static_cast<std::ptrdiff_t>(kCalm * static_cast<double>(last - first));
        if (count < 4) continue;
        std::nth_element(first, first + count, last,
                         [](const Block& l, const Block& r) { return l.low < r.low; });
        calm.emplace_back(first, first + count);
    }
    return calm;
}

// Adds the mean spectrum of the calmest blocks, each class of brightness counting alike. Returns how many
// blocks it is made of.
std::size_t addCalmSpectrum(const Plane& plane, const std::vector<std::vector<Block>>& calm, Spectrum& sum) {
    std::size_t kept = 0;
    for (const std::vector<Block>& blocks : calm) {
        Spectrum own{};
        Frequencies<kBlock> f;
        for (const Block& block : blocks) {
            transform(plane, block.x, block.y, f);
            for (std::size_t k = 0; k < kFrequencies; ++k) {
                const double amplitude = static_cast<double>(f[k / kBlock][k % kBlock]);
                own[k] += amplitude * amplitude;
            }
        }
        double whole = 0;
        for (std::size_t v = 0; v < kBlock; ++v)
            for (std::size_t u = 0; u < kBlock; ++u)
                if (u + v >= kUsed) whole += own[v * kBlock + u];
        if (whole <= 0) continue;
        for (std::size_t k = 0; k < kFrequencies; ++k) sum[k] += own[k] / whole;
        kept += blocks.size();
    }
    return kept;
}

// How much of what the calmest blocks hold at the frequencies that tell the filter is the picture, 0 to 1:
// noise of the two greens has nothing in common, filtered or not, while the picture is the same in both, but
// for the pixel between them.
double pictureShare(const Plane& one, const Plane& other, const std::vector<std::vector<Block>>& calm) {
    // At higher frequencies that pixel is too large a part of a wave.
    constexpr std::size_t kLast = 19;
    constexpr double kLeastAlike = 0.35;
    double both = 0, whole = 0;
    Frequencies<kBlock> f, g;
    for (const std::vector<Block>& blocks : calm)
        for (const Block& block : blocks) {
            if (block.x + kBlock > other.width() || block.y + kBlock > other.height()) continue;
            transform(one, block.x, block.y, f), transform(other, block.x, block.y, g);
            for (std::size_t v = 0; v < kBlock; ++v)
                for (std::size_t u = 0; u < kBlock; ++u) {
                    if (u + v < kUsed || u + v >= kLast) continue;
                    // Of a wave and itself, a pixel (half a sample of the plane) on in both directions.
                    const double alike = std::cos(std::numbers::pi * static_cast<double>(u) / (2 * kBlock)) *
                                         std::cos(std::numbers::pi * static_cast<double>(v) / (2 * kBlock));
                    if (alike < kLeastAlike) continue;
                    const auto a = static_cast<double>(f[v][u]), b = static_cast<double>(g[v][u]);
                    both += a * b, whole += alike * 0.5 * (a * a + b * b);
                }
        }
    return both / std::max(1e-9, whole);
}

// What white noise that a filter has gone over has in each frequency of a block, in the mean.
Spectrum expectedOf(const Smoothing& s) {
    const double kernel[3][3] = {{s.diagonal, s.beside, s.diagonal},
                                 {s.beside, s.kept(), s.beside},
                                 {s.diagonal, s.beside, s.diagonal}};
    double lag[5][5] = {};
    for (int y = 0; y < 3; ++y)
        for (int x = 0; x < 3; ++x)
            for (int j = 0; j < 3; ++j)
                for (int i = 0; i < 3; ++i) lag[y - j + 2][x - i + 2] += kernel[y][x] * kernel[j][i];
    // How alike a basis row is to itself, shifted.
    static const auto shifted = [] {
        std::array<std::array<double, 5>, kBlock> a{};
        const Basis& b = basis();
        for (std::size_t u = 0; u < kBlock; ++u)
            for (int k = -2; k <= 2; ++k)
                for (int i = std::max(0, -k); i < std::min(kBlock, kBlock - k); ++i)
                    a[u][static_cast<std::size_t>(k + 2)] +=
                        b[u][static_cast<std::size_t>(i)] * b[u][static_cast<std::size_t>(i + k)];
        return a;
    }();
    Spectrum out{};
    for (std::size_t v = 0; v < kBlock; ++v)
        for (std::size_t u = 0; u < kBlock; ++u)
            for (std::size_t j = 0; j < 5; ++j)
                for (std::size_t i = 0; i < 5; ++i)
                    out[v * kBlock + u] += lag[j][i] * shifted[u][i] * shifted[v][j];
    return out;
}

// How unlike the shapes of a filter's spectrum and of the one that was seen are, in amplitudes: the share of
// the energy that the best of gains leaves over.
double misfit(const Spectrum& seen, const Smoothing& smoothing) {
    const Spectrum expected = expectedOf(smoothing);
    double ss = 0, se = 0, ee = 0;
    for (std::size_t v = 0; v < kBlock; ++v)
        for (std::size_t u = 0; u < kBlock; ++u) {
            if (u + v < kUsed) continue;
            const double s = seen[v * kBlock + u], e = std::max(0.0, expected[v * kBlock + u]);
            ss += s, ee += e, se += std::sqrt(s * e);
        }
    return 1 - se * se / (ss * ee);
}

// The filter with the least misfit: steps along its shares, ever smaller.
Smoothing fitted(const Spectrum& seen) {
    constexpr double kLeastKept = 0.25; // a mean of nine keeps 0.11, the mildest binomial filter 0.25
    constexpr double kFirst = 0.04, kLast = 0.0004, kProgress = 1e-7;
    Smoothing best;
    double least = misfit(seen, best);
    for (double step = kFirst; step > kLast; step /= 2)
        for (bool better = true; better;) {
            better = false;
            const Smoothing steps[] = {{step, 0},      {-step, 0},        {0, step / 2},
                                       {0, -step / 2}, {step, -step / 2}, {-step, step / 2}};
            for (const Smoothing& d : steps) {
                const Smoothing next{best.beside + d.beside, best.diagonal + d.diagonal};
                if (next.beside < 0 || next.diagonal < 0 || next.kept() < kLeastKept) continue;
                if (const double m = misfit(seen, next); m < least - kProgress)
                    best = next, least = m, better = true;
            }
        }
    return best;
}

// The samples of one site of the cells, as they are stored.
Plane siteOf(const Photo& photo, int site) {
    Plane plane((photo.width() - (site & 1) + 1) / 2, (photo.height() - (site >> 1) + 1) / 2);
    for (int y = 0; y < plane.height(); ++y)
        for (int x = 0; x < plane.width(); ++x)
            plane.at(x, y) = static_cast<float>(photo.sample(2 * x + (site & 1), 2 * y + (site >> 1)));
    return plane;
}

// The filter over one plane.
void filter(const Plane& in, const Smoothing& smoothing, Plane& out, const Work& work) {
    const int h = in.height();
    forEachBand(h, 32, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            smoothRow(in.row(std::max(0, y - 1)), in.row(y), in.row(std::min(h - 1, y + 1)), out.row(y), 0,
                      in.width(), in.width(), 1, smoothing);
    });
}

// The least gain of the filter at any frequency.
double leastGain(const Smoothing& s) {
    constexpr int kSteps = 32;
    double least = 1;
    for (int j = 0; j <= kSteps; ++j)
        for (int i = 0; i <= kSteps; ++i) {
            const double x = std::cos(std::numbers::pi * i / kSteps),
                         y = std::cos(std::numbers::pi * j / kSteps);
            least = std::min(least, s.kept() + 2 * s.beside * (x + y) + 4 * s.diagonal * x * y);
        }
    return least;
}

// 1 / gain as a sum of Chebyshev polynomials over the gains from `least` to `most`.
constexpr int kDegree = 28; // from a gain of 0.04 up an error of 0.001
using Series = std::array<double, kDegree + 1>;
Series inverseSeries(double least, double most) {
    // What a filter has all but taken away is rounding by now, and is not raised without end. The less a
    // filter leaves at the least, the more it matters that it is not known exactly: half a hundredth wrong at
    // a floor of 0.012 cost 8 dB. A floor of 0.03 where more is left takes away from the noise that is
    // measured.
    constexpr double kSure = 0.012, kUnsure = 0.03, kFewLeft = 0.05;
    const double floor = std::clamp(kFewLeft - least, kSure, kUnsure);
    constexpr int kPoints = 4 * kDegree;
    Series c{};
    for (int k = 0; k < kPoints; ++k) {
        const double angle = std::numbers::pi * (k + 0.5) / kPoints,
                     gain = least + (most - least) * (std::cos(angle) + 1) / 2,
                     value = gain / (gain * gain + floor * floor);
        for (int n = 0; n <= kDegree; ++n)
            c[static_cast<std::size_t>(n)] += (n == 0 ? 1.0 : 2.0) / kPoints * value * std::cos(n * angle);
    }
    return c;
}

// Clenshaw's recurrence, with the filter as the variable (J. C. Mason, D. C. Handscomb, "Chebyshev
// Polynomials", 2003, section 2.4).
Plane unfiltered(const Plane& seen, const Smoothing& smoothing, const Work& work) {
    const double least = std::max(0.0, leastGain(smoothing)), most = std::max(1.0, smoothing.kept());
    const Series c = inverseSeries(least, most);
    const auto scale = static_cast<float>(2 / (most - least)),
               shift = static_cast<float>((most + least) / (most - least));
    const int w = seen.width(), h = seen.height();
    Plane next(w, h), afterNext(w, h), passed(w, h);
    next.fill(0), afterNext.fill(0);
    for (int n = kDegree; n >= 0; --n) {
        filter(next, smoothing, passed, work);
        const auto own = static_cast<float>(c[static_cast<std::size_t>(n)]), twice = n == 0 ? 1.0f : 2.0f;
        forEachBand(h, 32, work, [&](int first, int last) {
            for (int y = first; y < last; ++y) {
                const float *from = seen.row(y), *pass = passed.row(y), *one = next.row(y);
                float* two = afterNext.row(y);
                for (int x = 0; x < w; ++x)
                    two[x] = own * from[x] + twice * (scale * pass[x] - shift * one[x]) - two[x];
            }
        });
        std::swap(next, afterNext);
    }
    return next;
}

} // namespace

Smoothing smoothingOf(const Photo& photo, const Work& work) {
    if (!photo.hasMosaic()) return {};
    Spectrum seen{};
    std::size_t blocks = 0;
    const auto clip = static_cast<float>(0.98 * photo.white);
    for (int site = 0; site < 4; ++site) {
        const Plane plane = siteOf(photo, site);
        blocks += addCalmSpectrum(plane, calmBlocks(plane, clip, work), seen);
    }
    constexpr std::size_t kLeastBlocks = 200;
    if (blocks < kLeastBlocks) return {};
    const Smoothing found = fitted(seen);
    const double plain = misfit(seen, {}), left = misfit(seen, found);
    // Texture at base ISO comes to 0.02 at most on unlike photographs, and to a third of it when a filter is
    // fitted; a share of 0.12 comes to 0.13. Less counts where a filter explains nearly all that chance does
    // not.
    constexpr double kBeyondTexture = 0.025, kExplained = 2.5;
    constexpr double kWeakest = 0.0035, kLeastShare = 0.03, kChance = 2.5;
    const double chance = 1 / (2.0 * static_cast<double>(blocks));
    const bool clear = plain > kBeyondTexture && plain > kExplained * left;
    const bool pure = plain > kWeakest && found.beside > kLeastShare && left < kChance * chance;
    if (!clear && !pure) return {};
    // Where nothing is flat, texture that the lens has blurred looks like noise that a filter has gone over,
    // but a lens and the pixels behind it blur less than most filters: by 0.9 pixels in deviation, or what in
    // samples of one colour is a variance of a quarter of that. A filter beyond that is believed only where
    // it shows clearly, for what is fitted to a small misfit may come out as anything: of unlike textures the
    // most was 0.029, a filter of 0.09 and 0.04 diagonally comes to 0.036.
    constexpr double kMostPicture = 0.35, kMostOfLens = 0.23, kBeyondLens = 0.032;
    if (plain > kBeyondLens && 2 * found.beside + 4 * found.diagonal > kMostOfLens) return found;
    std::vector<Plane> greens;
    for (int site = 0; site < 4; ++site)
        if (photo.mosaic.site[static_cast<std::size_t>(site)] == Mosaic::Green)
            greens.push_back(siteOf(photo, site));
    if (greens.size() != 2) return found;
    const double share = pictureShare(greens[0], greens[1], calmBlocks(greens[0], clip, work));
    return share < kMostPicture ? found : Smoothing{};
}

std::vector<std::uint16_t> unsmoothedSamples(const Photo& photo, const Smoothing& smoothing,
                                             const Work& work) {
    IRENIC_EXPECTS(photo.hasMosaic());
    std::vector<std::uint16_t> out = photo.samples;
    for (int site = 0; site < 4; ++site) {
        const Plane plane = unfiltered(siteOf(photo, site), smoothing, work);
        for (int y = 0; y < plane.height(); ++y)
            for (int x = 0; x < plane.width(); ++x)
                out[photo.index(2 * x + (site & 1), 2 * y + (site >> 1))] =
                    static_cast<std::uint16_t>(std::clamp(std::floor(plane.at(x, y) + 0.5f), 0.0f, 65535.0f));
    }
    return out;
}

} // namespace irenic
