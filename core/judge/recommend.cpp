#include "judge/recommend.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <map>
#include <span>

#include "base/expects.h"
#include "base/mixed.h"
#include "denoise/detail.h"
#include "denoise/stabilisers.h"
#include "develop/recipe.h"
#include "judge/check_kinds.h"
#include "judge/checks.h"
#include "judge/edge_blur.h"
#include "judge/seen_gain.h"

namespace irenic {

namespace {

constexpr float kStep =
    0.2f; // size of the added noise: small beside the noise, large beside the kinks of hard thresholds
constexpr int kSquare = 64; // packed samples around a probe
constexpr int kGrid = 96; // squares lie in the middle of cells of this grid, so that none costs a second tile
                          // of a method that has large ones
constexpr std::size_t kProbes = 5;

// +1 or -1, the same for the same place whatever else happens.
float sign(int x, int y, std::size_t plane) {
    constexpr std::uint64_t kApart = 0x9E3779B97F4A7C15ULL;
    const std::uint64_t place =
        static_cast<std::uint64_t>(static_cast<std::uint32_t>(x)) << 32 | static_cast<std::uint32_t>(y);
    return (mixed(place + kApart * plane) & 1) != 0 ? 1.0f : -1.0f;
}

PlaneSet copyOf(const PlaneSet& set) {
    PlaneSet out;
    out.area = set.area;
    out.describeAs(set);
    for (std::size_t p = 0; p < kPlanes; ++p) out.plane[p] = set.plane[p].clone();
    return out;
}

// One probe's noisy planes, as they are and with a little noise on top: shared by all trials.
struct Place {
    Rect area;
    Stabilisers stable;
    PlaneSet noisy, shaken;
    Plane weight{}; // of an error's square at each sample, 1 in the mean of all places; empty: 1 everywhere
};

Place placeAt(const Photo& photo, const Rect& area, const Work& work) {
    Place place{area, Stabilisers(photo), {}, {}};
    int margin = 0;
    for (const auto& m : methods()) margin = std::max(margin, planesMargin({m->id()}));
    place.noisy = stabilisedPlanes(photo, area.inflated(margin), work, true);
    place.shaken = copyOf(place.noisy);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        if ((p == 3 && !place.noisy.packed) || (p > 0 && place.noisy.grey))
            continue; // there is nothing in it
        for (int y = place.noisy.area.y; y < place.noisy.area.bottom(); ++y) {
            float* row = place.shaken.rowAt(p, y);
            for (int x = place.noisy.area.x; x < place.noisy.area.right(); ++x)
                row[x] += kStep * sign(x, y, p);
        }
    }
    return place;
}

// Of what the place's planes and the shaken ones came to.
Risk riskOf(const Place& place, const Settings& settings, const PlaneSet& clean, const PlaneSet& moved) {
    Risk risk;
    const double n = static_cast<double>(place.area.area());
    std::array<double, kPlanes> sum{};
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
            for (std::size_t p = 0; p < kPlanes; ++p) {
                const double weight =
                    place.weight.empty()
                        ? 1
                        : static_cast<double>(place.weight.at(x - place.area.x, y - place.area.y));
                // Grain is luminance noise that is put back at the end.
                const float grain = p == 0 ? settings.grain : 0, noisy = place.noisy.rowAt(p, y)[x];
                const auto with = [&](float value, float from) { return value + grain * (from - value); };
                const float a = with(clean.rowAt(p, y)[x], noisy), d = a - noisy;
                const float after = with(moved.rowAt(p, y)[x], place.shaken.rowAt(p, y)[x]);
                const float divergence = sign(x, y, p) * (after - a) / kStep;
                sum[p] += weight * static_cast<double>(d * d + noise[p] * (2 * divergence - 1));
            }
        }
    // Two planes of each kind; without a mosaic luminance has one.
    for (std::size_t p = 0; p < kPlanes; ++p)
        (isColour(p) ? risk.colour : risk.luminance) +=
            (isColour(p) || place.noisy.packed ? 0.5 : 1.0) * sum[p] / n;
    return risk;
}

// What costs nothing beside cleaning, and is tried with all that is cleaned.
struct Finish {
    float detail = 0, grain = 0;
};

// For several finishes, which share the cleaning.
std::vector<Risk> risksAt(const Place& place, const Settings& settings, std::span<const Finish> finishes,
                          const Work& work) {
    const Rect around = place.area.inflated(kDetailMargin);
    const PlaneSet clean = cleanBeforeDetail(place.noisy, settings, around, work),
                   moved = cleanBeforeDetail(place.shaken, settings, around, work);
    std::vector<Risk> out;
    for (const Finish& finish : finishes) {
        const auto with = [&](const PlaneSet& noisy, const PlaneSet& from) {
            return finish.detail <= 0 || settings.luminance <= 0
                       ? copyOf(from)
                       : withDetail(noisy, copyOf(from), place.area, finish.detail, settings.luminance, work);
        };
        Settings own = settings;
        own.grain = finish.grain;
        out.push_back(riskOf(place, own, with(place.noisy, clean), with(place.shaken, moved)));
    }
    return out;
}

// Around a place, which may lie anywhere; inside `whole`, smaller only where that is.
Rect squareAt(int x, int y, const Rect& whole) {
    constexpr int inset = (kGrid - kSquare) / 2;
    const auto begin = [](int v, int length) {
        const int within = std::clamp(v, 0, length - 1) / kGrid * kGrid + inset;
        return std::max(0, std::min(within, length - kSquare));
    };
    return Rect{begin(x, whole.width), begin(y, whole.height), kSquare, kSquare}.intersected(whole);
}

std::vector<Place> placesOf(const Photo& photo, const std::vector<Probe>& probes, const Work& work) {
    const int cell = photo.cell();
    const Rect whole{0, 0, photo.width() / cell, photo.height() / cell};
    std::vector<Place> places;
    for (std::size_t i = 0; i < std::min(kProbes, probes.size()); ++i)
        places.push_back(placeAt(photo, squareAt(probes[i].x / cell, probes[i].y / cell, whole), work));
    return places;
}

// An error counts by how much it is seen in the finished picture.
void weigh(std::vector<Place>& places, const Photo& photo, const Look& look, const Work& work) {
    constexpr double kMost = 16; // a few samples must not decide alone
    double sum = 0, count = 0;
    for (Place& place : places) {
        place.weight = seenGain(photo, look, place.area, work);
        for (int y = 0; y < place.area.height; ++y)
            for (int x = 0; x < place.area.width; ++x) {
                float& v = place.weight.at(x, y);
                v *= v;
                sum += static_cast<double>(v), ++count;
            }
    }
    const double mean = sum / std::max(1.0, count);
    if (mean <= 0) { // all is black or white
        for (Place& place : places) place.weight = {};
        return;
    }
    double kept = 0;
    for (Place& place : places)
        for (int y = 0; y < place.area.height; ++y)
            for (int x = 0; x < place.area.width; ++x) {
                float& v = place.weight.at(x, y);
                v = static_cast<float>(std::min(kMost, static_cast<double>(v) / mean));
                kept += static_cast<double>(v);
            }
    const auto again = static_cast<float>(count / kept);
    for (Place& place : places)
        for (int y = 0; y < place.area.height; ++y)
            for (int x = 0; x < place.area.width; ++x) place.weight.at(x, y) *= again;
}

// Over the places, side by side: each alone is too small to keep all cores busy.
std::vector<Risk> meanRisks(const std::vector<Place>& places, const Settings& settings,
                            std::span<const Finish> finishes, const Work& work) {
    std::vector<std::vector<Risk>> risks(places.size());
    forEachBand(static_cast<int>(places.size()), 1, work, [&](int first, int last) {
        for (int i = first; i < last; ++i)
            risks[static_cast<std::size_t>(i)] =
                risksAt(places[static_cast<std::size_t>(i)], settings, finishes, work);
    });
    std::vector<Risk> mean(finishes.size());
    for (const std::vector<Risk>& own : risks)
        for (std::size_t d = 0; d < mean.size(); ++d) {
            mean[d].luminance += own[d].luminance / static_cast<double>(places.size());
            mean[d].colour += own[d].colour / static_cast<double>(places.size());
        }
    return mean;
}

// What a photo's noise is cleaned with, tried one after another.
class Search {
  public:
    Search(const std::vector<Place>& places, const Work& work, Recommendation& out)
        : places_(places), work_(work), out_(out) {}

    // With several finishes; the best of those without grain.
    Trial attempt(const Settings& settings) {
        // Grain that is seen as such and hides no detail: a third of the noise's deviation.
        constexpr Finish kFinishes[] = {{0, 0}, {0.25f, 0}, {0.5f, 0}, {0.25f, 0.3f}};
        const auto began = std::chrono::steady_clock::now();
        const std::vector<Risk> risks = meanRisks(places_, settings, kFinishes, {work_.stop});
        const std::chrono::duration<double> took = std::chrono::steady_clock::now() - began;
        std::vector<Trial> own;
        for (std::size_t i = 0; i < risks.size(); ++i) {
            Trial trial{settings, risks[i], took.count()};
            trial.settings.detail = kFinishes[i].detail, trial.settings.grain = kFinishes[i].grain;
            (kFinishes[i].grain > 0 ? grainy_ : own).push_back(trial);
        }
        out_.trials.insert(out_.trials.end(), own.begin(), own.end());
        // Seldom more, three by three.
        constexpr double kUsual = 27;
        work_.report(std::min(0.95, static_cast<double>(out_.trials.size()) / kUsual));
        return leastOf(own);
    }

    // What was tried with the strengths of `best`, with grain.
    Trial withGrain(const Trial& best) const {
        for (const Trial& t : grainy_) {
            Settings plain = t.settings;
            plain.grain = 0, plain.detail = best.settings.detail;
            if (plain == best.settings) return t;
        }
        return best;
    }

    // The quick grade of each method that has one, else the method itself; and the full grade of those that
    // come near the best. That best one.
    Trial bestMethod() {
        constexpr double kNear = 1.3; // a full grade is at most so much better, as a squared error
        std::vector<Trial> tried;
        for (const auto& m : methods())
            if (quickGradeOf(m->id()) == m->id()) tried.push_back(attempt({m->id()}));
        const double near = kNear * leastOf(tried).risk.sum();
        for (const Trial& t : std::vector<Trial>(tried))
            if (const std::string full = fullGradeOf(t.settings.method);
                full != t.settings.method && t.risk.sum() <= near)
                tried.push_back(attempt({full}));
        return leastOf(tried);
    }

    static Trial leastOf(const std::vector<Trial>& trials) {
        return *std::min_element(trials.begin(), trials.end(),
                                 [](const Trial& a, const Trial& b) { return a.risk.sum() < b.risk.sum(); });
    }

    // Luminance and colour are cleaned apart from each other, so each trial tells of both. Outward from 1,
    // and on only where that way is better. By the quick grade: what is better there is better in full.
    Settings strengthsOf(const Trial& best) {
        constexpr float kLess[] = {0.75f, 0.55f}, kMore[] = {1.3f, 1.7f};
        Settings found = best.settings;
        Risk least;
        for (const Trial& t : out_.trials)
            if (t.settings.method == quickGradeOf(found.method) && t.settings.detail == found.detail)
                least = t.risk;
        for (const auto& way : {kLess, kMore})
            for (int i = 0; i < 2; ++i) {
                Settings tried{quickGradeOf(found.method)};
                tried.luminance = tried.colour = way[i];
                const Risk risk = attempt(tried).risk;
                const bool brighter = risk.luminance < least.luminance, purer = risk.colour < least.colour;
                if (brighter) least.luminance = risk.luminance, found.luminance = way[i];
                if (purer) least.colour = risk.colour, found.colour = way[i];
                if (!brighter && !purer) break;
            }
        return found;
    }

    static std::string quickGradeOf(const std::string& full) {
        for (const auto& m : methods())
            if (m->quickGradeOf() == full) return m->id();
        return full;
    }
    static std::string fullGradeOf(const std::string& quick) {
        const Method* m = findMethod(quick);
        return m->quickGradeOf().empty() ? quick : m->quickGradeOf();
    }

  private:
    const std::vector<Place>& places_;
    const Work& work_;
    Recommendation& out_;
    std::vector<Trial> grainy_;
};

// What checks find around the first probes.
std::vector<Finding> findingsOf(const Photo& photo, const Settings& settings,
                                const std::vector<Probe>& probes, const Work& work) {
    const std::vector<Probe> few(
        probes.begin(), probes.begin() + static_cast<std::ptrdiff_t>(std::min(kProbes, probes.size())));
    return checksAround(photo, settings, few, work);
}

// The check by which a take does what nobody would want, whatever its error; empty: none.
std::string harmIn(const std::vector<Finding>& findings) {
    for (const Finding& f : findings)
        for (const CheckKind* kind : {&check::kPointsLost, &check::kColourShift})
            if (f.check == kind->id && f.grade == Grade::Bad) return f.check;
    return {};
}

// What is worst of it, in words; empty: nothing is to be looked at.
std::string faultIn(const std::vector<Finding>& findings) {
    const Finding* worst = worstFinding(findings);
    return worst && worst->grade != Grade::Good ? worst->sentence : std::string();
}

// The quickest trial within half a decibel of what is recommended, if that is at least half as quick again.
void addQuick(Recommendation& out, const Trial& best) {
    constexpr double kNearly = 1.122, kQuicker = 1.5; // of the squared error: 0.5 dB
    const Trial* quickest = nullptr;
    for (const Trial& t : out.trials)
        if (t.risk.sum() <= kNearly * best.risk.sum() && t.seconds * kQuicker <= best.seconds &&
            (!quickest || t.seconds < quickest->seconds))
            quickest = &t;
    if (quickest)
        out.others.push_back({Alternative::Kind::Quick, quickest->settings, quickest->risk,
                              best.seconds / std::max(1e-6, quickest->seconds)});
}

// What is recommended, and sharpened by the grade that the photo's edges ask for. A quick method tells them
// as well as a slow one.
void addSharp(Recommendation& out, const Photo& photo, const std::vector<Probe>& probes, const Work& work) {
    const std::optional<double> blur = edgeBlurOf(photo, Settings{"bm3d-quick"}, probes, {work.stop});
    if (!blur || sharpeningFor(*blur) == Softness::Off) return;
    Alternative sharp{Alternative::Kind::Sharp, out.settings, out.risk, 1, *blur};
    sharp.settings.sharpening = sharpeningOfTake(sharpeningFor(*blur));
    out.others.push_back(sharp);
}

} // namespace

double Risk::sigmas() const { return std::sqrt(std::max(0.0, sum() / 2)); }

Risk estimateRisk(const Photo& photo, const Settings& settings, const Rect& packedArea, const Work& work) {
    IRENIC_EXPECTS(!packedArea.empty());
    const Finish finish[] = {{settings.detail, settings.grain}};
    return risksAt(placeAt(photo, packedArea, work), settings, finish, {work.stop}).front();
}

Risk estimateRisk(const Photo& photo, const Settings& settings, const std::vector<Probe>& probes,
                  const Work& work) {
    const Finish finish[] = {{settings.detail, settings.grain}};
    return meanRisks(placesOf(photo, probes, {work.stop}), settings, finish, {work.stop}).front();
}

const char* idOf(Alternative::Kind kind) {
    switch (kind) {
    case Alternative::Kind::Quick: return "quick";
    case Alternative::Kind::Grain: return "grain";
    case Alternative::Kind::Sharp: return "sharp";
    }
    return "";
}

Recommendation recommend(const Photo& photo, const Look& look, const std::vector<Probe>& probes,
                         const Work& work) {
    std::vector<Place> places = placesOf(photo, probes, {work.stop});
    weigh(places, photo, look, {work.stop});
    Recommendation out;
    Search search(places, work, out);
    const Trial method = search.bestMethod();
    const Settings found = search.strengthsOf(method);
    if (!(found == method.settings)) search.attempt(found);
    // What comes out best of everything that was tried is what counts, if it did no harm.
    Trial best = Search::leastOf(out.trials);
    if (canBeChecked(photo)) {
        std::map<std::string, std::string> faults; // by method
        Chosen chosen = harmlessOf(out.trials, [&](const Settings& settings) {
            const std::vector<Finding> findings = findingsOf(photo, settings, probes, {work.stop});
            faults[settings.method] = faultIn(findings);
            return harmIn(findings);
        });
        best = chosen.trial, out.refused = std::move(chosen.refused),
        out.fault = faults[best.settings.method];
    }
    out.settings = best.settings, out.risk = best.risk;
    addQuick(out, best);
    if (canBeChecked(photo) && !out.others.empty()) {
        Alternative& quick = out.others.front();
        quick.fault = faultIn(findingsOf(photo, quick.settings, probes, {work.stop}));
    }
    const Trial grain = search.withGrain(best);
    out.others.push_back({Alternative::Kind::Grain, grain.settings, grain.risk, 1});
    addSharp(out, photo, probes, work);
    work.report(1);
    return out;
}

Chosen harmlessOf(std::vector<Trial> trials, const std::function<std::string(const Settings&)>& harm) {
    IRENIC_EXPECTS(!trials.empty());
    std::stable_sort(trials.begin(), trials.end(),
                     [](const Trial& a, const Trial& b) { return a.risk.sum() < b.risk.sum(); });
    std::vector<std::string> looked;
    std::vector<Refused> refused;
    for (const Trial& t : trials) {
        if (std::find(looked.begin(), looked.end(), t.settings.method) != looked.end()) continue;
        looked.push_back(t.settings.method);
        const std::string check = harm(t.settings);
        if (check.empty()) return {t, refused};
        refused.push_back({t.settings, check});
    }
    return {trials.front(), {}};
}

std::string wordsOf(const Alternative& other) {
    char text[64];
    switch (other.kind) {
    case Alternative::Kind::Quick:
        std::snprintf(text, sizeof text, "%.1f times as quick", other.times);
        return text;
    case Alternative::Kind::Grain: return "keeps some of the photo's own grain";
    case Alternative::Kind::Sharp:
        std::snprintf(text, sizeof text, "edges are blurred by %.1f px", other.blur);
        return text;
    }
    return {};
}

std::string reasonOf(const Photo& photo, const Recommendation& r) {
    constexpr double kDoubtful = 0.1;
    // The next best of another method, whatever its grade.
    const std::string own = Search::fullGradeOf(r.settings.method);
    const Trial* next = nullptr;
    for (const Trial& t : r.trials)
        if (Search::fullGradeOf(t.settings.method) != own && (!next || t.risk.sum() < next->risk.sum()))
            next = &t;
    const auto percent = [](const Risk& risk) {
        return std::to_string(std::lround(100 * risk.sigmas())) + " %";
    };
    std::string text = findMethod(r.settings.method)->name() + " leaves the least error, " + percent(r.risk) +
                       " of the noise";
    if (next)
        text += "; next is " + findMethod(next->settings.method)->name() + " with " + percent(next->risk);
    text += ".";
    for (const Refused& no : r.refused)
        text += " " + findMethod(no.settings.method)->name() + " would leave less, but " +
                (no.check == check::kPointsLost.id ? "loses bright points." : "shifts colours.");
    if (!r.fault.empty()) text += " " + r.fault;
    if (photo.noiseDoubt > kDoubtful)
        text += " Nothing in this photo is flat, so its noise, and this with it, is in doubt.";
    return text;
}

} // namespace irenic
