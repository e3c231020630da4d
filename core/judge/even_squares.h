// Squares of a photo in which there is nothing but noise, and what they tell of what is left of it.
#pragma once

#include <cmath>
#include <vector>

#include "judge/check_blocks.h"

namespace irenic {

using Blocks = std::vector<const CheckBlock*>;
using BandsOfBlock = std::array<BandProducts, kBands>;

inline constexpr std::size_t kFewest = 8; // squares that a figure rests on
inline constexpr double kDark = 0.05;     // of white, stabilised: below, noise is no longer like noise

// Over all bands, each value counting alike.
double allBands(const BandsOfBlock& bands, double BandProducts::*product);

// Even ones, as far as chance lets one say, neither dark nor clipped, nor where noise was to be left; none
// where they are so few that chance alone has evened out textured ones.
Blocks flatOf(const CheckBlocks& all, BandsOfBlock CheckBlock::*kind);

// Of some squares those that are calmest once cleaned. The photo's own noise hides faint texture, and squares
// in which it does by chance would be taken for even ones with less noise.
Blocks calmestOf(Blocks from, BandsOfBlock CheckBlock::*kind);

// A mean over squares, and what chance leaves it unsure by.
struct Mean {
    double value = 0, error = 0;
};
template <class Value> Mean meanOf(const Blocks& blocks, const Value& value) {
    double sum = 0, squares = 0;
    for (const CheckBlock* b : blocks) {
        const double v = value(*b);
        sum += v, squares += v * v;
    }
    const auto n = static_cast<double>(std::max<std::size_t>(1, blocks.size()));
    return {sum / n, std::sqrt(std::max(0.0, squares / n - sum / n * (sum / n)) / n)};
}

// Of what is left of the noise of a band in even squares: the share of its amplitude that was not taken away,
// and the energy of what neither the noise nor the picture explains. Neither minds faint texture: what was
// taken away holds none of it.
struct Left {
    double share = 0, added = 0;
    double energy() const { return share * share + added; }
};
Left leftOf(const Blocks& flat, BandsOfBlock CheckBlock::*kind, std::size_t band);

} // namespace irenic
