#include "session/history.h"

#include <algorithm>
#include <map>

#include "base/shown_text.h"

namespace irenic {

void History::add(Step step) {
    steps_.resize(done_);
    steps_.push_back(std::move(step));
    if (steps_.size() > kMostSteps) steps_.erase(steps_.begin(), steps_.begin() + kMostSteps / 10);
    done_ = steps_.size();
}

bool History::grow(const std::string& photo, StatePtr after) {
    if (done_ == 0 || done_ != steps_.size() || steps_.back().changes.size() != 1 ||
        steps_.back().changes[0].photo != photo)
        return false;
    Step& step = steps_.back();
    step.name = nameOfChange(*step.changes[0].before, *after);
    step.changes[0].after = std::move(after);
    return true;
}

void History::amend(const std::string& photo, const std::function<StatePtr(const StatePtr&)>& change) {
    // One state is the end of a step and the beginning of the next: it stays one.
    std::map<StatePtr, StatePtr> changed;
    const auto amended = [&](StatePtr& state) {
        const auto [at, isNew] = changed.try_emplace(state);
        if (isNew) at->second = change(state);
        state = at->second;
    };
    for (Step& step : steps_)
        for (StateChange& c : step.changes)
            if (c.photo == photo) amended(c.before), amended(c.after);
}

namespace {

std::string takeName(const Take& t) { return std::string(1, t.letter); }

// What happened to lists of things with ids; empty: nothing.
std::string takesChange(const PhotoState& a, const PhotoState& b) {
    for (const Take& t : b.takes)
        if (!a.take(t.id)) return filled(IRENIC_TEXT("Take %1 added"), {takeName(t)});
    for (const Take& t : a.takes)
        if (!b.take(t.id)) return filled(IRENIC_TEXT("Take %1 removed"), {takeName(t)});
    for (const Take& t : b.takes) {
        const Take& was = *a.take(t.id);
        if (!(was.settings == t.settings)) return takeName(t) + ": " + changesText(was.settings, t.settings);
        if (was.name != t.name) return filled(IRENIC_TEXT("%1: renamed to \"%2\""), {takeName(t), t.name});
    }
    return a.takes == b.takes ? "" : IRENIC_TEXT("Takes reordered");
}

std::string probesChange(const PhotoState& a, const PhotoState& b) {
    if (b.probes.size() > a.probes.size())
        return filled(IRENIC_TEXT("Probe %1 added"), {std::to_string(b.probes.size())});
    for (std::size_t i = 0; i < a.probes.size(); ++i) {
        const Probe& was = a.probes[i];
        const auto is =
            std::find_if(b.probes.begin(), b.probes.end(), [&](const Probe& p) { return p.id == was.id; });
        const std::string name = std::to_string(i + 1);
        if (is == b.probes.end()) return filled(IRENIC_TEXT("Probe %1 removed"), {name});
        if (is->width != was.width || is->height != was.height)
            return filled(IRENIC_TEXT("Probe %1 resized"), {name});
        if (is->x != was.x || is->y != was.y) return filled(IRENIC_TEXT("Probe %1 moved"), {name});
        if (is->name != was.name) return filled(IRENIC_TEXT("Probe %1 renamed to \"%2\""), {name, is->name});
    }
    return a.probes == b.probes ? "" : IRENIC_TEXT("Probes reordered");
}

std::string referencesChange(const PhotoState& a, const PhotoState& b) {
    for (std::size_t i = 0; i < b.references.size(); ++i) {
        const ReferenceFile& is = b.references[i];
        const ReferenceFile* was = a.reference(is.id);
        const std::string name = std::to_string(i + 1);
        if (!was) return filled(IRENIC_TEXT("Reference R%1 opened"), {name});
        if (was->cleaned != is.cleaned)
            return filled(is.cleaned.empty() ? IRENIC_TEXT("Reference R%1: as it is")
                                             : IRENIC_TEXT("Reference R%1: cleaned"),
                          {name});
        if (was->matched != is.matched)
            return filled(is.matched ? IRENIC_TEXT("Reference R%1: colour match on")
                                     : IRENIC_TEXT("Reference R%1: colour match off"),
                          {name});
    }
    return a.references == b.references ? "" : IRENIC_TEXT("Reference closed");
}

// White balance is three values and one thing to say.
std::string lookChange(const Look& a, const Look& b) {
    const auto balance = [](const Look& l) {
        return l.asShot ? std::string("as shot")
                        : shownValue(*findField<Look>("kelvin"), l) + ", tint " +
                              shownValue(*findField<Look>("tint"), l);
    };
    Look rest = a;
    rest.asShot = b.asShot, rest.kelvin = b.kelvin, rest.tint = b.tint;
    std::string said, others = changesText(rest, b);
    if (balance(a) != balance(b)) said = "white balance " + balance(a) + " → " + balance(b);
    return said + (said.empty() || others.empty() ? "" : ", ") + others;
}

} // namespace

std::string nameOfChange(const PhotoState& a, const PhotoState& b) {
    if (std::string takes = takesChange(a, b); !takes.empty()) return takes;
    if (std::string probes = probesChange(a, b); !probes.empty()) return probes;
    if (std::string references = referencesChange(a, b); !references.empty()) return references;
    if (!(a.look == b.look)) return std::string(IRENIC_TEXT("Look")) + ": " + lookChange(a.look, b.look);
    if (a.chosen != b.chosen)
        return b.take(b.chosen) ? filled(IRENIC_TEXT("Take %1 chosen"), {takeName(*b.take(b.chosen))})
                                : std::string(IRENIC_TEXT("No take chosen"));
    if (a.notes != b.notes) return IRENIC_TEXT("Notes changed");
    return {};
}

} // namespace irenic
