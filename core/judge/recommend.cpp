#include "judge/recommend.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <map>

#include "base/expects.h"
#include "base/shown_text.h"
#include "develop/recipe.h"
#include "judge/check_kinds.h"
#include "judge/checks.h"
#include "judge/contrast.h"
#include "judge/edge_blur.h"
#include "judge/take_checks.h"

namespace irenic {

namespace {

constexpr double kClearly = 0.03; // of an estimated error: by chance alone it scatters so much

// What trials are ordered by: matched strengths are seldom wrong, and others have to be clearly better.
double rankOf(const Tried& t) {
    const bool matched = t.settings.luminance == 1 && t.settings.colour == 1;
    return t.risk.sum() + (matched ? 0 : kClearly * std::abs(t.risk.sum()));
}

bool isClearlyBelow(double risk, double other) { return risk < other - kClearly * std::abs(other); }

// What a photo's noise is cleaned with, tried one after another.
class Search {
  public:
    Search(const RiskPlaces& places, const Work& work, Recommendation& out)
        : places_(places), work_(work), out_(out) {}

    // With several finishes; the best of those without grain.
    Tried attempt(const Settings& settings) {
        // Grain that is seen as such and hides no detail: a third of the noise's deviation.
        constexpr RiskFinish kFinishes[] = {{0, 0}, {0.25f, 0}, {0.5f, 0}, {0.25f, 0.3f}};
        const auto began = std::chrono::steady_clock::now();
        std::vector<std::vector<PlaceResult>> results = places_.ofEach(settings, kFinishes, {work_.stop});
        const std::chrono::duration<double> took = std::chrono::steady_clock::now() - began;
        std::vector<Tried> own;
        for (std::size_t i = 0; i < results.size(); ++i) {
            Tried trial{settings, {}, took.count()};
            for (const PlaceResult& place : results[i]) {
                trial.at.push_back(place.risk);
                trial.picture.insert(trial.picture.end(), place.picture.begin(), place.picture.end());
            }
            trial.risk = meanOf(trial.at);
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
    Tried withGrain(const Tried& best) const {
        for (const Tried& t : grainy_) {
            Settings plain = t.settings;
            plain.grain = 0, plain.detail = best.settings.detail;
            if (plain == best.settings) return t;
        }
        return best;
    }

    // The quick grade of each method that has one, else the method itself; and the full grade of those that
    // come near the best. That best one.
    Tried bestMethod() {
        constexpr double kNear = 1.3; // a full grade is at most so much better, as a squared error
        std::vector<Tried> tried;
        for (const auto& m : methods())
            if (quickGradeOf(m->id()) == m->id()) tried.push_back(attempt({m->id()}));
        const double near = kNear * leastOf(tried).risk.sum();
        for (const Tried& t : std::vector<Tried>(tried))
            if (const std::string full = fullGradeOf(t.settings.method);
                full != t.settings.method && t.risk.sum() <= near)
                tried.push_back(attempt({full}));
        return leastOf(tried);
    }

    static Tried leastOf(const std::vector<Tried>& trials) {
        return *std::min_element(trials.begin(), trials.end(),
                                 [](const Tried& a, const Tried& b) { return rankOf(a) < rankOf(b); });
    }

    // Luminance and colour are cleaned apart from each other, so each trial tells of both. Outward from 1,
    // and on only where that way is better. By the quick grade: what is better there is better in full.
    Settings strengthsOf(const Tried& best) {
        constexpr float kLess[] = {0.75f, 0.55f}, kMore[] = {1.3f, 1.7f};
        Settings found = best.settings;
        Risk least;
        for (const Tried& t : out_.trials)
            if (t.settings.method == quickGradeOf(found.method) && t.settings.detail == found.detail)
                least = t.risk;
        for (const auto& way : {kLess, kMore})
            for (int i = 0; i < 2; ++i) {
                Settings tried{quickGradeOf(found.method)};
                tried.luminance = tried.colour = way[i];
                const Risk risk = attempt(tried).risk;
                const bool brighter = isClearlyBelow(risk.luminance, least.luminance),
                           purer = isClearlyBelow(risk.colour, least.colour);
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

  private:
    const RiskPlaces& places_;
    const Work& work_;
    Recommendation& out_;
    std::vector<Tried> grainy_;
};

// What checks find around the first probes.
std::vector<Finding> findingsOf(const Photo& photo, const Settings& settings,
                                const std::vector<Probe>& probes, const Work& work) {
    const std::vector<Probe> few(probes.begin(), probes.begin() + static_cast<std::ptrdiff_t>(std::min(
                                                                      RiskPlaces::kMost, probes.size())));
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
void addQuick(Recommendation& out, const Tried& best, const std::vector<Probe>& probes) {
    constexpr double kNearly = 1.122, kQuicker = 1.5; // of the squared error: 0.5 dB
    const Tried* quickest = nullptr;
    for (const Tried& t : out.trials)
        if (t.risk.sum() <= kNearly * best.risk.sum() && t.seconds * kQuicker <= best.seconds &&
            (!quickest || t.seconds < quickest->seconds))
            quickest = &t;
    if (quickest)
        out.others.push_back({Alternative::Kind::Quick, quickest->settings, quickest->risk,
                              best.seconds / std::max(1e-6, quickest->seconds)});
    if (quickest) out.others.back().subjects = subjectsOf(*quickest, out.trials, probes);
}

// All but those of methods that were refused.
std::vector<Tried> harmlessTrials(const Recommendation& out, const Tried& grain) {
    std::vector<Tried> all = out.trials;
    all.push_back(grain);
    std::erase_if(all, [&](const Tried& t) {
        return std::any_of(out.refused.begin(), out.refused.end(),
                           [&](const Refused& no) { return no.settings.method == t.settings.method; });
    });
    return all;
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
    const RiskPlaces places(photo, look, probes, {work.stop});
    Recommendation out;
    Search search(places, work, out);
    const Tried method = search.bestMethod();
    const Settings found = search.strengthsOf(method);
    if (!(found == method.settings)) search.attempt(found);
    // What comes out best of everything that was tried is what counts, if it did no harm.
    std::map<std::string, std::string> faults; // by method
    Chosen chosen = harmlessOf(out.trials, [&](const Settings& settings) {
        const std::vector<Finding> findings = findingsOf(photo, settings, probes, {work.stop});
        faults[settings.method] = faultIn(findings);
        return harmIn(findings);
    });
    const Tried& best = chosen.trial;
    out.refused = std::move(chosen.refused), out.fault = faults[best.settings.method];
    out.settings = best.settings, out.risk = best.risk;
    out.subjects = subjectsOf(best, out.trials, probes);
    addQuick(out, best, probes);
    if (!out.others.empty()) {
        Alternative& quick = out.others.front();
        quick.fault = faultIn(findingsOf(photo, quick.settings, probes, {work.stop}));
    }
    const Tried grain = search.withGrain(best);
    out.others.push_back({Alternative::Kind::Grain, grain.settings, grain.risk, 1});
    addSharp(out, photo, probes, work);
    out.contrasts = contrastsOf(best, harmlessTrials(out, grain), kContrasts);
    work.report(1);
    return out;
}

Chosen harmlessOf(std::vector<Tried> trials, const std::function<std::string(const Settings&)>& harm) {
    IRENIC_EXPECTS(!trials.empty());
    std::stable_sort(trials.begin(), trials.end(),
                     [](const Tried& a, const Tried& b) { return rankOf(a) < rankOf(b); });
    std::vector<std::string> looked;
    std::vector<Refused> refused;
    for (const Tried& t : trials) {
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

std::vector<std::string> reasonsOf(const Photo& photo, const Recommendation& r) {
    constexpr double kDoubtful = 0.1;
    // The next best of another method, whatever its grade.
    const std::string own = fullGradeOf(r.settings.method);
    const Tried* next = nullptr;
    for (const Tried& t : r.trials)
        if (fullGradeOf(t.settings.method) != own && (!next || t.risk.sum() < next->risk.sum())) next = &t;
    const auto percent = [](const Risk& risk) {
        return std::to_string(std::lround(100 * risk.sigmas())) + " %";
    };
    const auto name = [](const Settings& settings) { return findMethod(settings.method)->name(); };
    std::vector<std::string> out = {filled(IRENIC_TEXT("%1 leaves the least error (%2 of the noise)."),
                                           {name(r.settings), percent(r.risk)})};
    if (next)
        out.push_back(filled(IRENIC_TEXT("Next is %1 (%2)."), {name(next->settings), percent(next->risk)}));
    for (const Refused& no : r.refused)
        out.push_back(filled(no.check == check::kPointsLost.id
                                 ? IRENIC_TEXT("%1 would leave less, but loses bright points.")
                                 : IRENIC_TEXT("%1 would leave less, but shifts colours."),
                             {name(no.settings)}));
    if (!r.fault.empty()) out.push_back(r.fault);
    if (photo.noiseDoubt > kDoubtful)
        out.emplace_back(
            IRENIC_TEXT("Nothing in this photo is flat, so its noise, and this with it, is in doubt."));
    out.insert(out.end(), r.subjects.begin(), r.subjects.end());
    return out;
}

} // namespace irenic
