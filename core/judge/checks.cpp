#include "judge/checks.h"

#include <lcms2.h>

#include <algorithm>
#include <cmath>
#include <optional>
#include <stdexcept>

#include "base/expects.h"
#include "base/quantile.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "develop/colour.h"
#include "judge/check_kinds.h"
#include "judge/even_squares.h"

namespace irenic {

namespace {

using Scored = std::vector<std::pair<double, const CheckBlock*>>; // squares, with how much a check sees there

constexpr std::size_t kMostPlaces = 8;
// Texture too faint to be told from noise in the photo shows in a cleaned square: the calmer ones tell.
constexpr double kCalm = 0.2, kCalmest = 0.05;

class Checks {
  public:
    Checks(const Photo& photo, const CheckBlocks& all)
        : photo_(photo), all_(all), flat_(flatOf(all, &CheckBlock::luminance)),
          flatInColour_(flatOf(all, &CheckBlock::colour)) {
        const Blocks calm = calmestOf(flat_, &CheckBlock::luminance);
        for (std::size_t k = 0; k < kBands; ++k)
            if (calm.size() >= kFewest) left_[k] = leftOf(calm, &CheckBlock::luminance, k);
    }

    std::vector<Finding> all() const {
        std::vector<Finding> out = {noiseLeft(),  evenness(),        edgeNoise(),
                                    detailLost(), inventedTexture(), points()};
        if (!photo_.monochrome) out.push_back(colourShift()), out.push_back(blotches());
        out.push_back(halos());
        if (!photo_.monochrome) out.push_back(fringes());
        out.push_back(patterns());
        if (photo_.developed) out.push_back(steps());
        return out;
    }

  private:
    // Squares of the grid, and `around` on each side of them, as a place of the photo.
    Rect placeOf(int x, int y, int side, int around = 0) const {
        const int pixels = kCheckBlock * photo_.cell();
        return Rect{(x - around) * pixels, (y - around) * pixels, (side + 2 * around) * pixels,
                    (side + 2 * around) * pixels}
            .intersected(photo_.whole());
    }

    // The worst of some places that are apart from each other.
    template <class Score> std::vector<Rect> worst(Scored scored, Score&& place) const {
        std::sort(scored.begin(), scored.end(),
                  [](const auto& a, const auto& b) { return a.first > b.first; });
        std::vector<Rect> out;
        for (const auto& [score, block] : scored) {
            if (out.size() >= kMostPlaces) break;
            const Rect own = place(*block);
            if (std::none_of(out.begin(), out.end(),
                             [&](const Rect& r) { return !r.intersected(own).empty(); }))
                out.push_back(own);
        }
        return out;
    }

    static Finding untold(const CheckKind& kind,
                          const char* why = IRENIC_TEXT("Nothing in this photo is even enough to tell.")) {
        return {kind.id, {}, kind.unit, Grade::Good, why, {}};
    }
    static Finding told(const CheckKind& kind, double value, double severity, const char* sentence) {
        return {kind.id, value, kind.unit, gradeOf(severity), sentence, {}, {}, severity};
    }

    SquareMap emptyMap() const {
        return {all_.across, all_.down, kCheckBlock * photo_.cell(),
                std::vector<float>(all_.block.size(), 0)};
    }
    // Of what squares (`side` of them across and down from the one named) score, where `bad` is bad.
    SquareMap mapOf(const Scored& scored, double bad, int side = 1) const {
        SquareMap out = emptyMap();
        for (const auto& [score, block] : scored)
            for (int y = block->y; y < std::min(all_.down, block->y + side); ++y)
                for (int x = block->x; x < std::min(all_.across, block->x + side); ++x)
                    out.share[static_cast<std::size_t>(y * all_.across + x)] =
                        static_cast<float>(std::clamp(score / bad, 0.0, 1.0));
        return out;
    }

    Finding noiseLeft() const {
        constexpr double kLook = 0.3, kBad = 0.55;
        if (flat_.size() < kFewest) return untold(check::kNoiseLeft);
        Scored scored;
        for (const CheckBlock* b : flat_) scored.push_back({allBands(b->luminance, &BandProducts::clean), b});
        double energy = 0, count = 0;
        for (std::size_t k = 0; k < kBands; ++k)
            energy += kBandCount[k] * left_[k].energy(), count += kBandCount[k];
        // What is left is at least what the calmest squares hold.
        std::vector<double> held;
        held.reserve(scored.size());
        for (const auto& one : scored) held.push_back(one.first);
        const double value = std::sqrt(std::max(energy / count, quantile(held, kCalmest)));
        const double severity = severityOf(value, kLook, kBad);
        const Grade grade = gradeOf(severity);
        Finding out = told(check::kNoiseLeft, value, severity,
                           grade == Grade::Good   ? IRENIC_TEXT("Even areas are clean.")
                           : grade == Grade::Look ? IRENIC_TEXT("Some noise is left in even areas.")
                                                  : IRENIC_TEXT("Much of the noise is left in even areas."));
        if (grade != Grade::Good)
            out.places = worst(scored, [&](const CheckBlock& b) { return placeOf(b.x, b.y, 1, 1); });
        out.map = mapOf(scored, kBad * kBad); // energies
        return out;
    }

    // How much noise is left in one region of the photo.
    struct RegionTold {
        double notTaken;            // at least so much of its amplitude was not taken away
        std::optional<double> calm; // what its calmest even squares hold; none where it has too few
        double texture;             // energy of the picture over that of the noise, where nothing is even
        int region;
    };
    static constexpr int kRegion = 8; // squares on a side
    static double meanIn(const Blocks& blocks, double BandProducts::*product) {
        return meanOf(blocks, [&](const CheckBlock& b) { return allBands(b.luminance, product); }).value;
    }
    // Of what was taken away (r), with the noisy (n): r*n is what is gone of the noise and of the picture, so
    // that what it lacks of 1 was left; r*r / r*n is the share that is gone of whatever the noise is, if
    // nothing of the picture is. Noise that is measured wrong spoils the first, lost detail the second.
    static double notTaken(const Blocks& blocks) {
        constexpr double kNothing = 0.05;
        const double gone = meanIn(blocks, &BandProducts::takenNoisy),
                     taken = meanIn(blocks, &BandProducts::taken);
        return std::min(1 - gone, gone > kNothing ? 1 - taken / gone : 1);
    }
    // How much of the noise's amplitude is seen among texture: the root of what it is of both. With that
    // share itself 17 of 32 planted halves are found; with no such rule `learned-quick`, which keeps some
    // noise in strong texture, is called bad on 2 of 32.
    static double seenIn(double texture) { return 1 / std::sqrt(std::sqrt(1 + texture)); }
    std::vector<RegionTold> regionsTold(int across, int down) const {
        constexpr std::size_t kLeast = 24; // of 64 squares
        const auto at = [&](const CheckBlock& b) {
            return static_cast<std::size_t>(b.y / kRegion * across + b.x / kRegion);
        };
        std::vector<Blocks> even(static_cast<std::size_t>(across * down)), all(even.size());
        for (const CheckBlock* b : flat_) even[at(*b)].push_back(b);
        for (const CheckBlock& b : all_.block)
            if (!b.clipped && b.brightness > kDark && !b.noiseKept) all[at(b)].push_back(&b);
        std::vector<RegionTold> out;
        for (std::size_t r = 0; r < even.size(); ++r) {
            const auto region = static_cast<int>(r);
            if (even[r].size() >= kFewest) {
                const Blocks own = calmestOf(even[r], &CheckBlock::luminance);
                std::vector<double> held;
                for (const CheckBlock* b : own)
                    held.push_back(std::sqrt(allBands(b->luminance, &BandProducts::clean)));
                out.push_back({notTaken(own), quantile(held, kCalm), 0, region});
            } else if (all[r].size() >= kLeast)
                out.push_back({notTaken(all[r]), std::nullopt,
                               std::max(0.0, meanIn(all[r], &BandProducts::noisy) - 1), region});
        }
        return out;
    }

    // "Clean here, noisy there". A region with even squares counts as noisier only where both tell it: how
    // much was taken away of its noise, and how much is in its calmest squares.
    Finding evenness() const {
        constexpr double kLook = 0.12, kBad = 0.25;
        const int across = (all_.across + kRegion - 1) / kRegion, down = (all_.down + kRegion - 1) / kRegion;
        const std::vector<RegionTold> regions = regionsTold(across, down);
        if (regions.size() < 2) return untold(check::kEvenness);
        std::vector<double> notTaken, calm;
        for (const RegionTold& t : regions) {
            notTaken.push_back(std::max(0.0, t.notTaken));
            if (t.calm) calm.push_back(*t.calm);
        }
        constexpr double kQuarter = 0.25;
        const double least = quantile(notTaken, kQuarter),
                     calmest = calm.empty() ? 0 : quantile(calm, kQuarter);
        std::vector<std::pair<double, int>> excess;
        excess.reserve(regions.size());
        for (const RegionTold& t : regions) {
            const double more = t.notTaken - least;
            excess.push_back(
                {t.calm ? std::min(more, *t.calm - calmest) : more * seenIn(t.texture), t.region});
        }
        std::sort(excess.rbegin(), excess.rend());
        const double value = std::max(0.0, excess.front().first);
        Finding out = told(check::kEvenness, value, severityOf(value, kLook, kBad),
                           IRENIC_TEXT("Noise is taken away evenly."));
        Scored corners;
        for (const auto& [more, region] : excess)
            corners.push_back({more, &all_.at(region % across * kRegion, region / across * kRegion)});
        out.map = mapOf(corners, kBad, kRegion);
        if (out.grade == Grade::Good) return out;
        out.sentence = IRENIC_TEXT("Some areas are left noisier than others.");
        for (std::size_t i = 0; i < excess.size() && excess[i].first >= kLook && i < kMostPlaces; ++i)
            out.places.push_back(
                placeOf(excess[i].second % across * kRegion, excess[i].second / across * kRegion, kRegion));
        return out;
    }

    // The mean over a square and those around it.
    BandsOfBlock pooled(const CheckBlock& b, BandsOfBlock CheckBlock::*kind = &CheckBlock::luminance) const {
        BandsOfBlock sum{};
        int count = 0;
        for (int y = std::max(0, b.y - 1); y <= std::min(all_.down - 1, b.y + 1); ++y)
            for (int x = std::max(0, b.x - 1); x <= std::min(all_.across - 1, b.x + 1); ++x, ++count)
                for (std::size_t k = 0; k < kBands; ++k) {
                    const BandProducts& from = (all_.at(x, y).*kind)[k];
                    sum[k].noisy += from.noisy, sum[k].clean += from.clean, sum[k].taken += from.taken;
                    sum[k].takenNoisy += from.takenNoisy, sum[k].takenClean += from.takenClean;
                }
        for (BandProducts& p : sum) {
            p.noisy /= count, p.clean /= count, p.taken /= count;
            p.takenNoisy /= count, p.takenClean /= count;
        }
        return sum;
    }
    static constexpr double kPooled = 9; // squares

    // Of a square and those around it: whether it counts, and by how much it departs from what noise alone
    // gives, summed over all its values, with the variance that chance leaves that sum.
    struct Departure {
        bool counts = true;
        double sum = 0, chance = 0;
    };
    // How many of the squares that count depart clearly, and by at least so much of the noise's energy.
    template <class Measure>
    Finding departing(const CheckKind& kind, double clear, double weakest, double look, double bad,
                      const Measure& measure, const char* good, const char* otherwise) const {
        double places = 0, found = 0;
        Scored scored;
        for (const CheckBlock& b : all_.block) {
            if (b.clipped || b.brightness <= kDark) continue;
            const Departure d = measure(pooled(b));
            if (!d.counts) continue;
            ++places;
            const double energy = d.sum / (kPooled * (kBandCount[0] + kBandCount[1] + kBandCount[2]));
            if (d.sum < clear * std::sqrt(all_.spread * d.chance) || energy < weakest) continue;
            ++found;
            scored.push_back({energy, &b});
        }
        if (places < kFewest) return untold(kind);
        const double value = found / places;
        const double severity = severityOf(value, look, bad);
        const Grade grade = gradeOf(severity);
        Finding out = told(kind, value, severity, grade == Grade::Good ? good : otherwise);
        out.places = worst(scored, [&](const CheckBlock& b) { return placeOf(b.x, b.y, 1, 1); });
        out.map = mapOf(scored, 1); // all of the noise's energy
        return out;
    }

    // What was taken away beyond noise knows the picture: its product with the noisy photo is larger than
    // that of noise alone, by the picture's own strength times the share of it that is gone.
    Finding detailLost() const {
        constexpr double kLook = 0.12, kBad = 0.3, kClear = 4;
        // A JPEG's compression has left more noise where there is detail than where there is none.
        const double kWeakest = photo_.jpeg ? 1 : 0.25;
        const auto missing = [&](const BandsOfBlock& p) {
            Departure out;
            out.counts = false; // unless it has detail
            for (std::size_t k = 0; k < kBands; ++k) {
                const double n = kPooled * kBandCount[k], own = p[k].noisy - 1;
                out.counts = out.counts || own > kClear * std::sqrt(2 / n);
                // Where more noise is taken than of even areas there is no more than all of it.
                out.sum += n * (p[k].takenNoisy - (1 - left_[k].share));
                out.chance += n * (p[k].noisy * p[k].taken + p[k].takenNoisy * p[k].takenNoisy);
            }
            return out;
        };
        return departing(check::kDetailLost, kClear, kWeakest, kLook, kBad, missing,
                         IRENIC_TEXT("Detail is kept."),
                         IRENIC_TEXT("What was taken away has the form of the picture: detail is lost."));
    }

    // Texture that the photo does not have lowers the product of what was taken away with what is left.
    Finding inventedTexture() const {
        constexpr double kLook = 0.02, kBad = 0.08, kClear = 3.5, kWeakest = 0.05;
        const auto added = [](const BandsOfBlock& p) {
            Departure out;
            for (std::size_t k = 0; k < kBands; ++k) {
                const double n = kPooled * kBandCount[k];
                out.sum -= n * p[k].takenClean;
                out.chance += n * p[k].clean * p[k].taken;
            }
            return out;
        };
        return departing(check::kInventedTexture, kClear, kWeakest, kLook, kBad, added,
                         IRENIC_TEXT("Nothing is added that the photo does not have."),
                         IRENIC_TEXT("There is texture that the photo does not have."));
    }

    // A square's edges and those of the squares around it.
    EdgeProducts edgesAround(const CheckBlock& b) const {
        EdgeProducts sum;
        for (int y = std::max(0, b.y - 1); y <= std::min(all_.down - 1, b.y + 1); ++y)
            for (int x = std::max(0, b.x - 1); x <= std::min(all_.across - 1, b.x + 1); ++x) {
                const EdgeProducts& from = all_.at(x, y).edges;
                sum.beside += from.beside, sum.taken += from.taken;
                sum.plateau += from.plateau, sum.beyond += from.beyond;
                sum.coloured += from.coloured, sum.run += from.run;
            }
        return sum;
    }

    // Of what edges tell, a mean over all of them; places are the squares, with those around them, that tell
    // most. `figure` makes a figure of a sum and a count.
    struct AlongEdges {
        double EdgeProducts::*count;
        double EdgeProducts::*sum;
        double least, leastOfPlace; // samples that a figure rests on
        double look, bad;
        bool ofNoise; // what was asked to be left is not counted
    };
    template <class Told>
    Finding alongEdges(const CheckKind& kind, const AlongEdges& of, const Told& figure, const char* good,
                       const char* otherwise) const {
        EdgeProducts all;
        Scored scored;
        for (const CheckBlock& b : all_.block) {
            if (b.clipped || b.brightness <= kDark || (of.ofNoise && b.noiseKept)) continue;
            all.*of.count += b.edges.*of.count, all.*of.sum += b.edges.*of.sum;
            const EdgeProducts own = edgesAround(b);
            if (own.*of.count >= of.leastOfPlace) scored.push_back({figure(own.*of.sum / own.*of.count), &b});
        }
        if (all.*of.count < of.least)
            return untold(kind, IRENIC_TEXT("This photo has too few edges of this kind to judge by."));
        const double value = std::max(0.0, figure(all.*of.sum / all.*of.count));
        const double severity = severityOf(value, of.look, of.bad);
        const Grade grade = gradeOf(severity);
        Finding out = told(kind, value, severity, grade == Grade::Good ? good : otherwise);
        out.map = mapOf(scored, of.bad);
        if (grade != Grade::Good)
            out.places = worst(scored, [&](const CheckBlock& b) { return placeOf(b.x, b.y, 1, 1); });
        return out;
    }

    // "Clean a few pixels away, noisy beside it": a picture that goes on beside its edges only lowers this.
    Finding edgeNoise() const {
        constexpr AlongEdges kOf{&EdgeProducts::beside, &EdgeProducts::taken, 2000, 150, 0.15, 0.3, true};
        return alongEdges(
            check::kEdgeNoise, kOf, [&](double taken) { return 1 - taken - left_[0].share; },
            IRENIC_TEXT("Noise is taken away up to the edges."),
            IRENIC_TEXT("Noise is left along edges that are clean farther away."));
    }

    // Along an edge the light side lighter, the dark side darker than the photo has them.
    Finding halos() const {
        constexpr AlongEdges kOf{&EdgeProducts::plateau, &EdgeProducts::beyond, 500, 60, 0.03, 0.08, false};
        return alongEdges(
            check::kHalos, kOf, [](double beyond) { return beyond; }, IRENIC_TEXT("Edges have no halos."),
            IRENIC_TEXT("Edges have halos: light and dark seams along them."));
    }

    // Colour that has run over an edge: noise of colour is taken away over wide areas, and edges end there.
    Finding fringes() const {
        constexpr AlongEdges kOf{&EdgeProducts::coloured, &EdgeProducts::run, 300, 40, 0.05, 0.15, false};
        return alongEdges(
            check::kFringes, kOf, [](double run) { return run; }, IRENIC_TEXT("Colours end at their edges."),
            IRENIC_TEXT("Colour has run over edges: fringes of the other side's colour."));
    }

    Finding points() const {
        constexpr double kKept = 0.5, kLook = 0.1, kBad = 0.3;
        constexpr std::size_t kFew = 5;
        Finding out = untold(check::kPointsLost, IRENIC_TEXT("This photo has no bright points to judge by."));
        if (all_.points.size() < kFew) return out;
        double lost = 0;
        std::vector<CheckPoint> gone;
        for (const CheckPoint& p : all_.points)
            if (p.kept < kKept) ++lost, gone.push_back(p);
        out.value = lost / static_cast<double>(all_.points.size());
        out.severity = severityOf(*out.value, kLook, kBad);
        out.grade = gradeOf(out.severity);
        out.sentence = out.grade == Grade::Good
                           ? IRENIC_TEXT("Bright points such as stars and glints are kept.")
                           : IRENIC_TEXT("Bright points such as stars and glints are gone or dimmed.");
        std::sort(gone.begin(), gone.end(),
                  [](const CheckPoint& a, const CheckPoint& b) { return a.light > b.light; });
        const int cell = photo_.cell();
        out.map = emptyMap();
        for (const CheckPoint& p : gone)
            if (p.x / kCheckBlock < all_.across && p.y / kCheckBlock < all_.down)
                out.map.share[static_cast<std::size_t>(p.y / kCheckBlock * all_.across + p.x / kCheckBlock)] =
                    1;
        for (std::size_t i = 0; i < std::min(kMostPlaces, gone.size()); ++i)
            out.places.push_back(
                Rect{cell * gone[i].x - 24, cell * gone[i].y - 24, 48, 48}.intersected(photo_.whole()));
        return out;
    }

    // CIE L*a*b* of a mean of camera colours.
    cmsCIELab labOf(const Matrix3& toXyz, const std::array<double, 4>& mean) const {
        const Vector3 xyz = toXyz * Vector3{mean[0], 0.5 * (mean[1] + mean[2]), mean[3]};
        const cmsCIEXYZ from{xyz[0], xyz[1], xyz[2]};
        cmsCIELab out;
        cmsXYZ2Lab(cmsD50_XYZ(), &out, &from);
        return out;
    }

    // Whether noise reached below black when the picture was finished, and was cut off there: its mean is not
    // the picture's then. A colour is cut where one channel of the finished picture is.
    bool isCutAtBlack(const std::array<double, 4>& mean) const {
        constexpr double kReach = 2; // deviations
        if (!photo_.developed || photo_.monochrome) return false;
        const Matrix3 toScreen = xyzD50To(OutputSpace::Srgb) * cameraToXyzD50(photo_, photo_.neutral) *
                                 diagonal(balanceOf(photo_.neutral));
        const Vector3 shown = toScreen * Vector3{mean[0], mean[1], mean[3]};
        constexpr std::size_t kChannel[] = {0, 1, 3};
        for (std::size_t c = 0; c < 3; ++c)
            if (shown[c] < kReach * photo_.noise.channel[kChannel[c]].sigma(std::max(0.0, mean[kChannel[c]])))
                return true;
        return false;
    }

    // Means of large squares, against what their noise leaves to chance.
    Finding colourShift() const {
        constexpr int kSide = 4;
        constexpr double kLook = 1, kBad = 2.5, kChance = 3;
        const Vector3 balance = balanceOf(photo_.neutral);
        const Matrix3 toXyz = cameraToXyzD50(photo_, photo_.neutral) * diagonal(balance);
        Scored scored;
        for (int y = 0; y + kSide <= all_.down; y += kSide)
            for (int x = 0; x + kSide <= all_.across; x += kSide) {
                std::array<double, 4> noisy{}, clean{};
                bool clipped = false;
                for (int j = 0; j < kSide; ++j)
                    for (int i = 0; i < kSide; ++i) {
                        const CheckBlock& b = all_.at(x + i, y + j);
                        clipped = clipped || b.clipped;
                        for (std::size_t c = 0; c < 4; ++c)
                            noisy[c] += b.noisyMean[c] / (kSide * kSide),
                                clean[c] += b.cleanMean[c] / (kSide * kSide);
                    }
                if (clipped || isCutAtBlack(noisy)) continue;
                const int middleX = (x + kSide / 2) * kCheckBlock * photo_.cell(),
                          middleY = (y + kSide / 2) * kCheckBlock * photo_.cell();
                const double samples = kSide * kSide * kCheckBlock * kCheckBlock,
                             factor = static_cast<double>(photo_.noiseFactor(middleX, middleY));
                std::array<double, 4> sure = noisy;
                for (std::size_t c = 0; c < 4; ++c) {
                    const double off = clean[c] - noisy[c],
                                 chance = kChance * factor * photo_.coarseNoise *
                                          photo_.noise.channel[c].sigma(std::max(0.0, noisy[c])) /
                                          std::sqrt(samples);
                    sure[c] += off > 0 ? std::max(0.0, off - chance) : std::min(0.0, off + chance);
                }
                const cmsCIELab was = labOf(toXyz, noisy), is = labOf(toXyz, sure);
                scored.push_back({cmsCIE2000DeltaE(&was, &is, 1, 1, 1), &all_.at(x, y)});
            }
        if (scored.size() < 4) return untold(check::kColourShift);
        std::vector<double> values;
        values.reserve(scored.size());
        for (const auto& s : scored) values.push_back(s.first);
        std::sort(values.begin(), values.end());
        const double value = values[values.size() * 19 / 20];
        Finding out = told(check::kColourShift, value, severityOf(value, kLook, kBad),
                           IRENIC_TEXT("Colours and brightness are kept."));
        out.map = mapOf(scored, kBad, kSide);
        if (out.grade == Grade::Good) return out;
        out.sentence = IRENIC_TEXT("Colours or brightness of whole areas have changed.");
        out.places = worst(scored, [&](const CheckBlock& b) { return placeOf(b.x, b.y, kSide); });
        return out;
    }

    Finding blotches() const {
        constexpr double kLook = 0.4, kBad = 0.7;
        if (flatInColour_.size() < kFewest) return untold(check::kBlotches);
        Scored scored;
        for (const CheckBlock* b : flatInColour_)
            scored.push_back({pooled(*b, &CheckBlock::colour)[kBands - 1].clean, b});
        const double value = std::sqrt(
            leftOf(calmestOf(flatInColour_, &CheckBlock::colour), &CheckBlock::colour, kBands - 1).energy());
        Finding out = told(check::kBlotches, value, severityOf(value, kLook, kBad),
                           IRENIC_TEXT("No colour blotches are left."));
        out.map = mapOf(scored, kBad * kBad); // energies
        if (out.grade == Grade::Good) return out;
        out.sentence = IRENIC_TEXT("Colour blotches of 8 to 32 pixels are left.");
        out.places = worst(scored, [&](const CheckBlock& b) { return placeOf(b.x, b.y, 1, 1); });
        return out;
    }

    // A grid of 2, 4 or 8 samples that was put in is missing in what was taken away, in every square, and so
    // in either half of them; noise is not. Squares that lost detail are left out.
    Finding patterns() const {
        constexpr double kLook = 0.04, kBad = 0.1, kMostTaken = 1.3;
        constexpr std::size_t kLeast = 60;
        Blocks used;
        for (const CheckBlock& b : all_.block)
            if (!b.clipped && b.brightness > kDark &&
                allBands(b.luminance, &BandProducts::taken) < kMostTaken)
                used.push_back(&b);
        if (used.size() < kLeast) return untold(check::kPatterns);
        std::array<std::array<double, 64>, 2> mean{};
        std::array<double, 2> count{};
        for (std::size_t i = 0; i < used.size(); ++i) {
            ++count[i % 2];
            for (std::size_t k = 0; k < 64; ++k)
                mean[i % 2][k] += static_cast<double>(used[i]->grid[k / 8][k % 8]);
        }
        double common = 0;
        for (std::size_t k = 0; k < 64; ++k) common += mean[0][k] / count[0] * mean[1][k] / count[1] / 64;
        const double value = std::sqrt(std::max(0.0, common));
        Finding out =
            told(check::kPatterns, value, severityOf(value, kLook, kBad), IRENIC_TEXT("There is no grid."));
        if (out.grade == Grade::Good) return out;
        out.sentence = IRENIC_TEXT("A fine grid is left all over the picture.");
        Scored scored;
        for (const CheckBlock* b : used) {
            double along = 0;
            for (std::size_t k = 0; k < 64; ++k)
                along += static_cast<double>(b->grid[k / 8][k % 8]) * (mean[0][k] + mean[1][k]);
            scored.push_back({along, b});
        }
        out.places = worst(scored, [&](const CheckBlock& b) { return placeOf(b.x, b.y, 1, 1); });
        return out;
    }

    // A clean sky has less noise than a step of 8 bits: without dithering it shows as bands.
    Finding steps() const {
        constexpr double kLook = 0.1, kBad = 0.3;
        double slow = 0, found = 0;
        Scored scored;
        for (const CheckBlock& b : all_.block) {
            if (b.clipped || !b.slow) continue;
            ++slow, found += b.stairs;
            if (b.stairs) scored.push_back({1, &b});
        }
        if (slow < kFewest)
            return untold(check::kSteps, IRENIC_TEXT("This photo has no slow gradients to judge by."));
        const double value = found / slow;
        const double severity = severityOf(value, kLook, kBad);
        const bool good = gradeOf(severity) == Grade::Good;
        Finding out = told(check::kSteps, value, severity,
                           good ? IRENIC_TEXT("Slow gradients are smooth.")
                                : IRENIC_TEXT("Slow gradients show steps: 8 bits without dithering."));
        out.map = mapOf(scored, 1);
        if (!good) out.places = worst(scored, [&](const CheckBlock& b) { return placeOf(b.x, b.y, 1, 1); });
        return out;
    }

    const Photo& photo_;
    const CheckBlocks& all_;
    Blocks flat_, flatInColour_;
    std::array<Left, kBands> left_{}; // in even squares; nothing where there are none
};

} // namespace

SquareMap worstOf(const std::vector<SquareMap>& maps) {
    SquareMap out;
    for (const SquareMap& m : maps) {
        if (m.share.empty()) continue;
        if (out.share.empty()) out = m;
        IRENIC_EXPECTS(m.share.size() == out.share.size());
        for (std::size_t i = 0; i < m.share.size(); ++i) out.share[i] = std::max(out.share[i], m.share[i]);
    }
    return out;
}

double severityOf(double value, double look, double bad) {
    return value >= bad    ? 1 + value / bad
           : value >= look ? 1 + (value - look) / (bad - look)
                           : std::max(0.0, value / look);
}

Grade gradeOf(double severity) {
    return severity >= 2 ? Grade::Bad : severity >= 1 ? Grade::Look : Grade::Good;
}

const Finding* worstFinding(const std::vector<Finding>& findings) {
    const auto at =
        std::max_element(findings.begin(), findings.end(),
                         [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
    return at == findings.end() ? nullptr : &*at;
}

const char* idOf(Grade grade) {
    return grade == Grade::Good ? "good" : grade == Grade::Look ? "look" : "bad";
}

std::vector<Finding> checksOf(const Photo& photo, const CheckBlocks& blocks) {
    return Checks(photo, blocks).all();
}

std::vector<Finding> checksOf(const Photo& photo, const CleanedSource& cleaned, const Work& work) {
    if (!photo.smoothing.none())
        throw std::invalid_argument(shownName(photo.file) + ": " +
                                    IRENIC_TEXT("the camera has smoothed this raw, and its noise has a form "
                                                "of its own. Only takes of it can be checked."));
    return checksOf(photo, checkBlocksOf(photo, cleaned, work));
}

} // namespace irenic
