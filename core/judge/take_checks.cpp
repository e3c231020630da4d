#include "judge/take_checks.h"

#include <algorithm>
#include <stdexcept>
#include <utility>

#include "base/shown_text.h"
#include "denoise/clean.h"
#include "denoise/mask.h"
#include "judge/check_kinds.h"
#include "judge/risk.h"

namespace irenic {

namespace {

// By Stein's unbiased risk estimate on the probes (judge/recommend.h): a figure for the whole take, of which
// there is no place. Noise itself has an error of 1.
Finding estimatedError(const Photo& photo, const Settings& settings, const Work& work) {
    constexpr double kLook = 0.6, kBad = 0.85; // from where little, or nothing, was won by cleaning
    Finding out{check::kEstimatedError.id, {}, check::kEstimatedError.unit, Grade::Good, {}, {}};
    out.value = std::max(0.0, estimateRisk(photo, settings, placeProbes(photo, work), work).sigmas());
    out.severity = severityOf(*out.value, kLook, kBad);
    out.grade = gradeOf(out.severity);
    out.sentence = out.grade == Grade::Good
                       ? IRENIC_TEXT("The take is nearer to the picture than the noisy photo is.")
                       : IRENIC_TEXT("Little is won by this take: its error is nearly that of the noise.");
    return out;
}

// Squares in the middle of which a zone leaves more noise than the take does.
void markZones(const Photo& photo, const std::vector<Zone>& zones, CheckBlocks& blocks, const Work& work) {
    constexpr float kLess = 0.95f, kInZone = 0.1f;
    const int side = kCheckBlock * photo.cell();
    for (const Zone& zone : zones) {
        const bool noise = zone.luminance < kLess || zone.grain > 0,
                   colour = zone.colour < kLess || zone.coarse < kLess;
        if (zone.isPlain() || (!noise && !colour)) continue;
        constexpr int kRows = 8; // of squares at a time
        for (int first = 0; first < blocks.down; first += kRows) {
            const int count = std::min(kRows, blocks.down - first);
            const Plane mask =
                maskOf(photo, zone, {0, first * side, blocks.across * side, count * side}, work);
            for (int y = 0; y < count; ++y)
                for (int x = 0; x < blocks.across; ++x) {
                    if (mask.at(x * side + side / 2, y * side + side / 2) < kInZone) continue;
                    CheckBlock& own = blocks.block[static_cast<std::size_t>((first + y) * blocks.across + x)];
                    own.noiseKept |= noise, own.colourKept |= colour;
                }
        }
    }
}

CheckBlocks blocksOfTake(const Photo& photo, const Settings& settings, const Work& work,
                         const std::vector<Rect>& squares = {}) {
    const CleanedSource cleaned = [&](const Rect& area, const Work& part) {
        return cleanSensor(photo, settings, area, part);
    };
    return checkBlocksOf(photo, cleaned, work, squares);
}

} // namespace

std::vector<Finding> checksOf(const Photo& photo, const Settings& settings, const Work& work) {
    CheckBlocks blocks = blocksOfTake(photo, settings, work);
    markZones(photo, settings.zones, blocks, {work.stop});
    std::vector<Finding> out = checksOf(photo, blocks);
    if (settings.zones.empty()) out.push_back(estimatedError(photo, settings, {work.stop}));
    return out;
}

std::vector<Finding> checksAround(const Photo& photo, const Settings& settings,
                                  const std::vector<Probe>& probes, const Work& work) {
    constexpr int kReach = 3; // squares on each side of the probe's
    const int cell = photo.cell(), side = cell * kCheckBlock;
    std::vector<Rect> squares;
    squares.reserve(probes.size());
    for (const Probe& p : probes)
        squares.push_back({p.x / side - kReach, p.y / side - kReach, 2 * kReach + 1, 2 * kReach + 1});
    return checksOf(photo, blocksOfTake(photo, settings, work, squares));
}

} // namespace irenic
