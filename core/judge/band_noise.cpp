#include "judge/band_noise.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>

#include "base/quantile.h"
#include "judge/even_squares.h"

namespace irenic {

namespace {

using Energies = std::array<double, kBands>;

// What noise has at one brightness, and in how many even squares that was seen.
struct Level {
    double brightness = 0;
    Energies noise{};
    double fine = 0;   // of the luminance (CheckBlock::fine)
    double spread = 1; // of a square's energy, over that of as many independent values
};

bool isLike(const BandsOfBlock& bands, const Energies& noise) {
    // Neighbours share noise, so that energies scatter more than those of independent values.
    constexpr double kChance = 3.5;
    for (std::size_t k = 0; k < kBands; ++k)
        if (std::abs(bands[k].noisy / noise[k] - 1) > kChance * std::sqrt(2.0 / kBandCount[k])) return false;
    return true;
}

// The mean energy of noise, told from the median, which faint texture in some squares moves less. The median
// of a sum of n squares is by so much below its mean (E. B. Wilson, M. M. Hilferty, "The distribution of
// chi-square", Proc. National Academy of Sciences 17, 1931).
double middleOf(const Blocks& blocks, BandsOfBlock CheckBlock::*kind, std::size_t band) {
    std::vector<double> own;
    own.reserve(blocks.size());
    for (const CheckBlock* b : blocks) own.push_back((b->*kind)[band].noisy);
    return quantile(std::move(own), 0.5) / std::pow(1 - 2.0 / (9 * kBandCount[band]), 3);
}

// Texture adds to every band, so even squares are those of which many have the same, least energy.
std::optional<Level> levelOf(const Blocks& blocks, BandsOfBlock CheckBlock::*kind) {
    constexpr int kRounds = 12;
    constexpr double kLow = 0.1; // of the squares' energies, where to begin
    Level out;
    for (std::size_t k = 0; k < kBands; ++k) {
        std::vector<double> own;
        own.reserve(blocks.size());
        for (const CheckBlock* b : blocks) own.push_back((b->*kind)[k].noisy);
        out.noise[k] = std::max(1e-6, quantile(std::move(own), kLow));
    }
    Blocks even;
    for (int round = 0; round < kRounds; ++round) {
        even.clear();
        for (const CheckBlock* b : blocks)
            if (isLike(b->*kind, out.noise)) even.push_back(b);
        if (even.size() < kFewest) return std::nullopt;
        for (std::size_t k = 0; k < kBands; ++k) out.noise[k] = middleOf(even, kind, k);
    }
    out.brightness = meanOf(even, [](const CheckBlock& b) { return b.brightness; }).value;
    out.fine = meanOf(even, [](const CheckBlock& b) { return b.fine; }).value;
    double squares = 0;
    for (const CheckBlock* b : even) squares += std::pow((b->*kind)[0].noisy / out.noise[0] - 1, 2);
    out.spread = std::max(1.0, squares / static_cast<double>(even.size()) * kBandCount[0] / 2);
    return out;
}

Blocks usable(const CheckBlocks& all) {
    Blocks out;
    for (const CheckBlock& b : all.block)
        if (!b.clipped && b.brightness > kDark) out.push_back(&b);
    std::sort(out.begin(), out.end(),
              [](const CheckBlock* a, const CheckBlock* b) { return a->brightness < b->brightness; });
    return out;
}

// From dark to light.
std::vector<Level> levelsOf(const CheckBlocks& all, BandsOfBlock CheckBlock::*kind) {
    constexpr std::size_t kMost = 8, kLeast = 60; // groups; squares of a group
    constexpr double kFar = 3;                    // times the least: texture from edge to edge
    const Blocks blocks = usable(all);
    const std::size_t groups = std::clamp<std::size_t>(blocks.size() / kLeast, 1, kMost);
    std::vector<Level> out;
    for (std::size_t g = 0; g < groups; ++g) {
        const auto from = static_cast<std::ptrdiff_t>(g * blocks.size() / groups),
                   to = static_cast<std::ptrdiff_t>((g + 1) * blocks.size() / groups);
        if (const auto level = levelOf({blocks.begin() + from, blocks.begin() + to}, kind))
            out.push_back(*level);
    }
    if (out.empty()) return out;
    const double least = std::min_element(out.begin(), out.end(), [](const Level& a, const Level& b) {
                             return a.noise[0] < b.noise[0];
                         })->noise[0];
    std::erase_if(out, [&](const Level& l) { return l.noise[0] > kFar * least; });
    return out;
}

Level levelAt(const std::vector<Level>& levels, double brightness) {
    const auto above = std::find_if(levels.begin(), levels.end(),
                                    [&](const Level& l) { return l.brightness >= brightness; });
    if (above == levels.begin()) return levels.front();
    if (above == levels.end()) return levels.back();
    const Level &a = *(above - 1), &b = *above;
    const double t = (brightness - a.brightness) / (b.brightness - a.brightness);
    Level out;
    for (std::size_t k = 0; k < kBands; ++k) out.noise[k] = (1 - t) * a.noise[k] + t * b.noise[k];
    out.fine = (1 - t) * a.fine + t * b.fine;
    return out;
}

} // namespace

void evenOutNoise(CheckBlocks& all) {
    for (const auto kind : {&CheckBlock::luminance, &CheckBlock::colour}) {
        const std::vector<Level> levels = levelsOf(all, kind);
        if (levels.empty()) continue;
        for (CheckBlock& b : all.block) {
            const Level level = levelAt(levels, b.brightness);
            for (std::size_t k = 0; k < kBands; ++k) {
                BandProducts& p = (b.*kind)[k];
                for (double* value : {&p.noisy, &p.clean, &p.taken, &p.takenNoisy, &p.takenClean})
                    *value /= level.noise[k];
            }
            if (kind == &CheckBlock::luminance && level.fine > 0) b.edges.taken /= level.fine;
        }
        if (kind != &CheckBlock::luminance) continue;
        std::vector<double> spreads;
        spreads.reserve(levels.size());
        for (const Level& l : levels) spreads.push_back(l.spread);
        all.spread = quantile(spreads, 0.5);
    }
}

} // namespace irenic
