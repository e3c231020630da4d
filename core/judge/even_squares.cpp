#include "judge/even_squares.h"

#include "base/expects.h"

#include <algorithm>

namespace irenic {

namespace {

// Of all squares: fewer even ones are textured ones that chance has evened out.
constexpr double kLeastShare = 0.04;

// Whether there is noise alone, as far as chance lets one say.
bool isFlat(const BandsOfBlock& bands) {
    constexpr double kChance = 2.5;
    for (std::size_t k = 0; k < kBands; ++k)
        if (std::abs(bands[k].noisy - 1) > kChance * std::sqrt(2.0 / kBandCount[k])) return false;
    return true;
}

bool asksToKeep(const CheckBlock& b, BandsOfBlock CheckBlock::*kind) {
    return kind == &CheckBlock::luminance ? b.noiseKept : b.colourKept;
}

} // namespace

double allBands(const BandsOfBlock& bands, double BandProducts::*product) {
    double sum = 0, count = 0;
    for (std::size_t k = 0; k < kBands; ++k) sum += kBandCount[k] * bands[k].*product, count += kBandCount[k];
    return sum / count;
}

Blocks flatOf(const CheckBlocks& all, BandsOfBlock CheckBlock::*kind) {
    Blocks out;
    for (const CheckBlock& b : all.block)
        if (!b.clipped && !asksToKeep(b, kind) && b.brightness > kDark && isFlat(b.*kind)) out.push_back(&b);
    if (static_cast<double>(out.size()) < kLeastShare * static_cast<double>(all.block.size())) out.clear();
    return out;
}

Blocks calmestOf(Blocks from, BandsOfBlock CheckBlock::*kind) {
    constexpr double kShare = 0.4;
    std::sort(from.begin(), from.end(), [&](const CheckBlock* a, const CheckBlock* b) {
        return allBands(a->*kind, &BandProducts::clean) < allBands(b->*kind, &BandProducts::clean);
    });
    from.resize(std::max(std::min(kFewest, from.size()),
                         static_cast<std::size_t>(kShare * static_cast<double>(from.size()))));
    return from;
}

Left leftOf(const Blocks& flat, BandsOfBlock CheckBlock::*kind, std::size_t band) {
    IRENIC_EXPECTS(band < kBands);
    constexpr double kClear = 3;
    const Mean taken = meanOf(flat, [&](const CheckBlock&b) { return (b.*kind)[band].takenNoisy; }),
               cross = meanOf(flat, [&](const CheckBlock&b) { return (b.*kind)[band].takenClean; });
    Left out;
    out.share = std::clamp(1 - taken.value, 0.0, 1.5);
    const double added = out.share * (1 - out.share) - cross.value,
                 error = std::sqrt(taken.error * taken.error + cross.error * cross.error);
    if (added > kClear * error) out.added = added;
    return out;
}

} // namespace irenic
