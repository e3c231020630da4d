#include "judge/risk.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <optional>

#include "base/expects.h"
#include "base/mixed.h"
#include "base/quantile.h"
#include "denoise/coarse.h"
#include "denoise/detail.h"
#include "denoise/stabilisers.h"
#include "judge/noise_form.h"
#include "judge/seen_gain.h"
#include "raw/xtrans_mosaic.h"

namespace irenic {

// One probe's noisy planes, as they are and with a little noise on top: shared by all trials.
struct RiskPlace {
    Rect inPhoto; // packed samples
    Rect area;    // the same in the coordinates of the planes
    Stabilisers stable;
    PlaneSet noisy, shaken;
    double step = 1;         // by how many deviations of the noise samples were moved
    bool correlated = false; // the noise, and with it the movement, which has its form
    Plane weight{}; // of an error's square at each sample, 1 in the mean of all places; empty: 1 everywhere
};

namespace {

constexpr float kStep =
    0.2f; // size of the added noise: small beside the noise, large beside the kinks of hard thresholds
// For mosaics whose full colour is made of whole numbers, of which a fifth of a deviation may be less than
// one.
constexpr float kMosaicStep = 0.5f;
constexpr int kSquare = 64; // packed samples around a probe

PlaneSet copyOf(const PlaneSet& set) {
    PlaneSet out;
    out.area = set.area;
    out.describeAs(set);
    for (std::size_t p = 0; p < kPlanes; ++p) out.plane[p] = set.plane[p].clone();
    return out;
}

// An X-Trans photo with a little noise added to its mosaic and full colour made of it again: what comes on
// top is spread from pixel to pixel and from colour to colour as the photo's own noise is.
Photo shakenMosaicOf(const Photo& photo, const Work& work) {
    Photo out = photo;
    XTransMosaic mosaic = std::move(*out.xtrans);
    out.xtrans.reset();
    out.channels = 1, out.black = mosaic.black;
    out.samples = std::move(mosaic.samples);
    const std::array<NoiseLine, 4> line = noiseLinesOf(photo);
    for (int y = 0; y < photo.height(); ++y)
        for (int x = 0; x < photo.width(); ++x) {
            const Mosaic::Colour colour = mosaic.at(x, y);
            const std::size_t channel = colour == Mosaic::Red ? 0 : colour == Mosaic::Green ? 1 : 3;
            std::uint16_t& sample = out.samples[static_cast<std::size_t>(photo.active.y + y) *
                                                    static_cast<std::size_t>(photo.rawWidth) +
                                                static_cast<std::size_t>(photo.active.x + x)];
            const double level = std::clamp(static_cast<double>(out.normalised(sample, x, y)), 0.0, 1.0);
            const double deviation = line[channel].sigma(level) * (out.white - out.black.mean());
            // Whole numbers, at least one.
            const double moved = std::max(1.0, std::round(static_cast<double>(kMosaicStep) * deviation));
            sample = static_cast<std::uint16_t>(
                std::clamp(sample + moved * static_cast<double>(signAt(x, y, 0)), 0.0, 65535.0));
        }
    spreadColours(out, std::move(mosaic), work);
    return out;
}

// What a square of a plane holds.
using Energy = std::function<double(const Plane& square)>;

// All energy but the mean's.
double wholeEnergy(const Plane& square) {
    double sum = 0, squares = 0;
    for (int y = 0; y < square.height(); ++y)
        for (int x = 0; x < square.width(); ++x) {
            const auto v = static_cast<double>(square.at(x, y));
            sum += v, squares += v * v;
        }
    return squares - sum * sum / (square.width() * square.height());
}

// How many deviations of the photo's noise the shaking was, at least: by the calmer squares of luminance, in
// which there is little but noise. Of places smaller than a square as many as they were meant to be.
double stepOf(const RiskPlace& place, const Energy& energy) {
    constexpr int kSide = 16;
    std::vector<double> ratios;
    const Rect& area = place.area;
    for (int y0 = area.y; y0 + kSide <= area.bottom(); y0 += kSide)
        for (int x0 = area.x; x0 + kSide <= area.right(); x0 += kSide) {
            Plane noisy(kSide, kSide), moved(kSide, kSide);
            for (int y = 0; y < kSide; ++y)
                for (int x = 0; x < kSide; ++x) {
                    noisy.at(x, y) = place.noisy.rowAt(0, y0 + y)[x0 + x];
                    moved.at(x, y) = place.shaken.rowAt(0, y0 + y)[x0 + x] - noisy.at(x, y);
                }
            const double own = energy(noisy), shaken = energy(moved);
            if (own > 0 && shaken > 0) ratios.push_back(own / shaken);
        }
    if (ratios.empty()) return place.step;
    // By chance alone ratios of some 200 samples scatter by a fifth: at a third of them they are so much
    // below their mean.
    constexpr double kAtThird = 0.92;
    return std::sqrt(kAtThird / quantile(std::move(ratios), 1 / 3.0));
}

// What noise that goes from pixel to pixel is shaken by: nothing where there is none.
struct Shaking {
    std::optional<Photo> mosaic;   // of an X-Trans photo, with its full colour
    std::optional<NoiseForm> form; // of a finished picture's noise
};

Shaking shakingOf(const Photo& photo, const Work& work) {
    // A sensor's own samples have noise of their own each.
    if (photo.hasMosaic() || photo.monochrome) return {};
    if (photo.xtrans) return {shakenMosaicOf(photo, work), {}};
    return {{}, noiseFormOf(photo, work)};
}

// With a little noise that is as white as the planes' own.
PlaneSet shakenByWhite(const PlaneSet& noisy) {
    PlaneSet out = copyOf(noisy);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        if ((p == 3 && !noisy.packed) || (p > 0 && noisy.grey)) continue; // there is nothing in it
        for (int y = noisy.area.y; y < noisy.area.bottom(); ++y) {
            float* row = out.rowAt(p, y);
            for (int x = noisy.area.x; x < noisy.area.right(); ++x) row[x] += kStep * signAt(x, y, p);
        }
    }
    return out;
}

// With a little noise of the form of their own.
PlaneSet shakenByForm(const PlaneSet& noisy, const NoiseForm& form, const Work& work) {
    PlaneSet out = noiseLike(noisy, form, work);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = noisy.area.y; y < noisy.area.bottom(); ++y)
            for (int x = noisy.area.x; x < noisy.area.right(); ++x)
                out.rowAt(p, y)[x] = noisy.rowAt(p, y)[x] + kStep * out.rowAt(p, y)[x];
    return out;
}

// The largest squares on a fixed grid that a method works in.
Method::BlockGrid coarsestGrid(bool packed) {
    Method::BlockGrid grid;
    for (const auto& m : methods())
        if (const Method::BlockGrid own = m->blockGrid(packed);
            own.side > grid.side || (own.side == grid.side && own.reach > grid.reach))
            grid = own;
    return grid;
}

// How much of the photo an area without a mosaic is cleaned with. Methods read so far around a pixel there
// that a network would need several of its squares even for a small area: around that, one is cut out as if
// it were the whole photo.
Rect readFor(const Photo& photo, const Rect& area, int margin) {
    constexpr int kBlock = 8;   // of JPEGs: moved to the grid, a square's blocks stay where they are
    constexpr int kAround = 40; // at least, so that what is mirrored stays away from the area
    const int side = coarsestGrid(false).side;
    if (std::max(area.width, area.height) + 2 * kAround > side) return area.inflated(margin);
    const auto begin = [&](int middle, int length) {
        return std::clamp(middle - side / 2, 0, std::max(0, length - side)) / kBlock * kBlock;
    };
    const Rect square{begin(area.x + area.width / 2, photo.width()),
                      begin(area.y + area.height / 2, photo.height()), side, side};
    return square.intersected(photo.whole());
}

// The planes, shaken as the photo's noise is.
RiskPlace shakenPlace(const Photo& photo, const Rect& wanted, const Shaking& shaking, const Work& work) {
    int margin = 0;
    for (const auto& m : methods()) margin = std::max(margin, planesMargin({m->id()}));
    const Rect known = photo.hasMosaic() ? wanted.inflated(margin) : readFor(photo, wanted, margin);
    // At the photo's edges what is cut out may end some pixels before.
    const Rect area = wanted.intersected(known), seen = area.inflated(margin);
    RiskPlace place{area, area, Stabilisers(photo), {}, {}};
    place.noisy = stabilisedPlanes(photo, known, work, true);
    place.step = static_cast<double>(kStep);
    if (shaking.mosaic) {
        place.shaken = stabilisedPlanes(*shaking.mosaic, known, work, true);
        place.step = static_cast<double>(kMosaicStep);
        place.step = stepOf(place, fineEnergy), place.correlated = true;
    } else if (shaking.form) {
        place.shaken = shakenByForm(place.noisy, *shaking.form, work);
        // Nowhere is there more noise than there is of everything.
        place.step = std::max(place.step, stepOf(place, wholeEnergy)), place.correlated = true;
    } else {
        place.shaken = shakenByWhite(place.noisy);
    }
    if (!known.contains(seen))
        for (PlaneSet* set : {&place.noisy, &place.shaken})
            set->extent = known, *set = mirroredOut(*set, seen, work);
    return place;
}

// Moves the planes to where methods that work in large squares on a fixed grid need the fewest of them.
void moveToGrid(RiskPlace& place) {
    // What repeats over pixels: cells of X-Trans mosaics after 6, blocks of JPEGs after 8.
    const int unit = place.noisy.packed ? 1 : 24;
    const Method::BlockGrid grid = coarsestGrid(place.noisy.packed);
    const Rect read = place.area.inflated(grid.reach + kDetailMargin + kCoarseMargin),
               first = place.noisy.extent.contains(read) ? read : read.intersected(place.noisy.extent);
    const auto shiftOf = [&](int start) {
        const auto inGrid = [&](int shift) { return ((start + shift) % grid.side + grid.side) % grid.side; };
        int best = 0;
        for (int shift = unit; shift < unit * grid.side; shift += unit)
            if (inGrid(shift) < inGrid(best)) best = shift;
        return best;
    };
    const int dx = shiftOf(first.x), dy = shiftOf(first.y);
    for (Rect* r :
         {&place.area, &place.noisy.area, &place.shaken.area, &place.noisy.extent, &place.shaken.extent})
        if (!r->empty()) r->x += dx, r->y += dy;
}

RiskPlace placeAt(const Photo& photo, const Rect& area, const Shaking& shaking, const Work& work) {
    RiskPlace place = shakenPlace(photo, area, shaking, work);
    moveToGrid(place);
    return place;
}

// How much of a plane's error counts: there are two planes of each kind; without a mosaic luminance has one,
// and without colours that is all there is.
double shareOf(const PlaneSet& planes, std::size_t plane) {
    if (isColour(plane) || planes.packed) return 0.5;
    return planes.grey ? 2 : 1;
}

// Of what the place's planes and the shaken ones came to.
Risk riskOf(const RiskPlace& place, const Settings& settings, const PlaneSet& clean, const PlaneSet& moved) {
    Risk risk;
    const double n = static_cast<double>(place.area.area());
    std::array<double, kPlanes> sum{}, noiseOf{};
    double weights = 0;
    for (int y = place.area.y; y < place.area.bottom(); ++y)
        for (int x = place.area.x; x < place.area.right(); ++x) {
            // In the darkest parts stabilised noise has a little more or less than 1.
            float v[4], variance[4];
            float noise[kPlanes];
            if (place.noisy.packed) {
                channelsAt(clean, x, y, v);
                for (std::size_t k = 0; k < 4; ++k) variance[k] = place.stable[k].variance(v[k]);
                const float rb = 0.5f * (variance[0] + variance[3]), gg = 0.5f * (variance[1] + variance[2]);
                noise[0] = noise[2] = 0.5f * (rb + gg), noise[1] = rb, noise[3] = gg;
            } else {
                pixelOf(clean.rowAt(0, y)[x], clean.rowAt(1, y)[x], clean.rowAt(2, y)[x], v,
                        place.noisy.grey);
                for (std::size_t k = 0; k < 3; ++k) variance[k] = place.stable.ofColour(k).variance(v[k]);
                noise[0] = (variance[0] + variance[1] + variance[2]) / 3,
                noise[1] = 0.5f * (variance[0] + variance[2]);
                noise[2] = (variance[0] + 4 * variance[1] + variance[2]) / 6, noise[3] = 0;
                if (place.noisy.grey) noise[0] = variance[1], noise[1] = noise[2] = 0;
            }
            const double weight =
                place.weight.empty()
                    ? 1
                    : static_cast<double>(place.weight.at(x - place.area.x, y - place.area.y));
            for (std::size_t p = 0; p < kPlanes; ++p) {
                // Grain is luminance noise that is put back at the end.
                const float grain = p == 0 ? settings.grain : 0, noisy = place.noisy.rowAt(p, y)[x];
                const auto with = [&](float value, float from) { return value + grain * (from - value); };
                const float a = with(clean.rowAt(p, y)[x], noisy), d = a - noisy;
                const float after = with(moved.rowAt(p, y)[x], place.shaken.rowAt(p, y)[x]);
                const double shaken = static_cast<double>(place.shaken.rowAt(p, y)[x] - noisy) / place.step,
                             answer = static_cast<double>(after - a) / place.step;
                // What was added tells of correlated noise how strong it is and how it hangs together.
                const double own = place.correlated ? shaken * shaken : static_cast<double>(noise[p]),
                             divergence = place.correlated ? shaken * answer : own * shaken * answer;
                noiseOf[p] += weight * own;
                sum[p] += weight * (static_cast<double>(d * d) + 2 * divergence - own);
            }
            weights += weight;
        }
    double noiseOfAll = 0;
    for (std::size_t p = 0; p < kPlanes; ++p) {
        const double share = shareOf(place.noisy, p);
        (isColour(p) ? risk.colour : risk.luminance) += share * sum[p] / n;
        noiseOfAll += share * noiseOf[p];
    }
    // Of white noise both together have 2.
    if (place.correlated && noiseOfAll > 0 && weights > 0) {
        const double scale = 2 * weights / noiseOfAll;
        risk.luminance *= scale, risk.colour *= scale;
    }
    return risk;
}

// The middle of what a take made of a place.
std::vector<float> middleOf(const RiskPlace& place, const Settings& settings, const PlaneSet& clean) {
    constexpr int kSide = 32; // that tells two takes apart as well as all of it, and few bytes are kept
    const Rect& area = place.area;
    const int width = std::min(kSide, area.width), height = std::min(kSide, area.height);
    const Rect middle{area.x + (area.width - width) / 2, area.y + (area.height - height) / 2, width, height};
    std::vector<float> out;
    out.reserve(kPlanes * static_cast<std::size_t>(middle.area()));
    for (std::size_t p = 0; p < kPlanes; ++p) {
        const auto share = static_cast<float>(shareOf(place.noisy, p));
        const float grain = p == 0 ? settings.grain : 0;
        for (int y = middle.y; y < middle.bottom(); ++y)
            for (int x = middle.x; x < middle.right(); ++x) {
                const float value = clean.rowAt(p, y)[x], noisy = place.noisy.rowAt(p, y)[x];
                const float weight = place.weight.empty() ? 1.0f : place.weight.at(x - area.x, y - area.y);
                out.push_back(std::sqrt(share * weight) * (value + grain * (noisy - value)));
            }
    }
    return out;
}

// For several finishes, which share the cleaning.
std::vector<PlaceResult> resultsAt(const RiskPlace& place, const Settings& settings,
                                   std::span<const RiskFinish> finishes, const Work& work) {
    const Rect around = place.area.inflated(kDetailMargin);
    const PlaneSet clean = cleanBeforeDetail(place.noisy, settings, around, work),
                   moved = cleanBeforeDetail(place.shaken, settings, around, work);
    std::vector<PlaceResult> out;
    for (const RiskFinish& finish : finishes) {
        const auto with = [&](const PlaneSet& noisy, const PlaneSet& from) {
            return finish.detail <= 0 || settings.luminance <= 0
                       ? copyOf(from)
                       : withDetail(noisy, copyOf(from), place.area, finish.detail, settings.luminance, work);
        };
        Settings own = settings;
        own.grain = finish.grain;
        const PlaneSet made = with(place.noisy, clean);
        out.push_back({riskOf(place, own, made, with(place.shaken, moved)), middleOf(place, own, made)});
    }
    return out;
}

// Around a place; inside `whole`, smaller only where that is.
Rect squareAt(int x, int y, const Rect& whole) {
    const auto begin = [](int v, int length) {
        return std::clamp(v - kSquare / 2, 0, std::max(0, length - kSquare));
    };
    return Rect{begin(x, whole.width), begin(y, whole.height), kSquare, kSquare}.intersected(whole);
}

// An error counts by how much it is seen in the finished picture.
void weigh(std::vector<RiskPlace>& places, const Photo& photo, const Look& look, const Work& work) {
    constexpr double kMost = 16; // a few samples must not decide alone
    double sum = 0, count = 0;
    for (RiskPlace& place : places) {
        place.weight = seenGain(photo, look, place.inPhoto, work);
        for (int y = 0; y < place.area.height; ++y)
            for (int x = 0; x < place.area.width; ++x) {
                float& v = place.weight.at(x, y);
                v *= v;
                sum += static_cast<double>(v), ++count;
            }
    }
    const double mean = sum / std::max(1.0, count);
    if (mean <= 0) { // all is black or white
        for (RiskPlace& place : places) place.weight = {};
        return;
    }
    double kept = 0;
    for (RiskPlace& place : places)
        for (int y = 0; y < place.area.height; ++y)
            for (int x = 0; x < place.area.width; ++x) {
                float& v = place.weight.at(x, y);
                v = static_cast<float>(std::min(kMost, static_cast<double>(v) / mean));
                kept += static_cast<double>(v);
            }
    const auto again = static_cast<float>(count / kept);
    for (RiskPlace& place : places)
        for (int y = 0; y < place.area.height; ++y)
            for (int x = 0; x < place.area.width; ++x) place.weight.at(x, y) *= again;
}

} // namespace

double Risk::sigmas() const { return std::sqrt(std::max(0.0, sum() / 2)); }

RiskPlaces::RiskPlaces(const Photo& photo, const std::vector<Probe>& probes, const Work& work) {
    const int cell = photo.cell();
    const Rect whole{0, 0, photo.width() / cell, photo.height() / cell};
    const Shaking shaking = shakingOf(photo, work);
    for (std::size_t i = 0; i < std::min(kMost, probes.size()); ++i)
        places_.push_back(
            placeAt(photo, squareAt(probes[i].x / cell, probes[i].y / cell, whole), shaking, work));
}

RiskPlaces::RiskPlaces(const Photo& photo, const Look& look, const std::vector<Probe>& probes,
                       const Work& work)
    : RiskPlaces(photo, probes, work) {
    weigh(places_, photo, look, work);
}

RiskPlaces::~RiskPlaces() = default;

Risk meanOf(const std::vector<Risk>& risks) {
    Risk mean;
    const auto count = static_cast<double>(risks.size());
    for (const Risk& own : risks) mean.luminance += own.luminance / count, mean.colour += own.colour / count;
    return mean;
}

// Side by side: each place alone is too small to keep all cores busy.
std::vector<std::vector<PlaceResult>>
RiskPlaces::ofEach(const Settings& settings, std::span<const RiskFinish> finishes, const Work& work) const {
    std::vector<std::vector<PlaceResult>> results(places_.size());
    forEachBand(static_cast<int>(places_.size()), 1, work, [&](int first, int last) {
        for (int i = first; i < last; ++i)
            results[static_cast<std::size_t>(i)] =
                resultsAt(places_[static_cast<std::size_t>(i)], settings, finishes, work);
    });
    std::vector<std::vector<PlaceResult>> out(finishes.size());
    for (std::vector<PlaceResult>& own : results)
        for (std::size_t d = 0; d < out.size(); ++d) out[d].push_back(std::move(own[d]));
    return out;
}

std::vector<Risk> RiskPlaces::of(const Settings& settings, std::span<const RiskFinish> finishes,
                                 const Work& work) const {
    std::vector<Risk> out;
    for (const std::vector<PlaceResult>& each : ofEach(settings, finishes, work)) {
        std::vector<Risk> risks;
        risks.reserve(each.size());
        for (const PlaceResult& place : each) risks.push_back(place.risk);
        out.push_back(meanOf(risks));
    }
    return out;
}

Risk estimateRisk(const Photo& photo, const Settings& settings, const Rect& packedArea, const Work& work) {
    IRENIC_EXPECTS(!packedArea.empty());
    const RiskFinish finish[] = {{settings.detail, settings.grain}};
    return resultsAt(placeAt(photo, packedArea, shakingOf(photo, work), work), settings, finish, {work.stop})
        .front()
        .risk;
}

Risk estimateRisk(const Photo& photo, const Settings& settings, const std::vector<Probe>& probes,
                  const Work& work) {
    const RiskFinish finish[] = {{settings.detail, settings.grain}};
    return RiskPlaces(photo, probes, {work.stop}).of(settings, finish, {work.stop}).front();
}

} // namespace irenic
