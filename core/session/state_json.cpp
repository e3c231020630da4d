#include "session/state_json.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>

#include "base/field_json.h"
#include "base/json.h"

namespace irenic {

namespace {

using nlohmann::json;

// A member if it is there and of the right kind, else what stands there already; a wrong kind is a problem.
template <class T> void get(const json& from, const char* name, T& into, std::vector<std::string>& problems) {
    const auto at = from.find(name);
    if (at == from.end()) return;
    try {
        into = at->get<T>();
    } catch (const json::exception&) {
        problems.push_back(std::string("\"") + name + "\" has a value that cannot be used");
    }
}

// Likewise a whole number within its range.
template <class T>
void getWhole(const json& from, const char* name, T& into, long long least, long long most,
              std::vector<std::string>& problems) {
    const auto at = from.find(name);
    if (at == from.end()) return;
    if (const auto value = wholeNumber(*at, least, most))
        into = static_cast<T>(*value);
    else
        problems.push_back(std::string("\"") + name + "\" has a value that cannot be used");
}
constexpr long long kLargestId = 0xffffffff, kFarthest = 1'000'000; // pixels
constexpr std::size_t kMostPicturesInTrial = 40, kMostAnswersKept = 1000;

// What `from` has beside the names given.
json without(json from, std::initializer_list<const char*> names) {
    for (const char* name : names) from.erase(name);
    return from;
}

std::string restText(const json& rest) { return rest.empty() ? "" : rest.dump(); }

json merged(const std::string& rest, const json& known) {
    json out = rest.empty() ? json::object() : json::parse(rest);
    out.update(known);
    return out;
}

json jsonOf(const Take& take) {
    json out{{"id", take.id}, {"letter", std::string(1, take.letter)}, {"name", take.name}};
    out["settings"] = merged(take.restOfSettings, jsonOf(take.settings));
    return merged(take.rest, out);
}

template <class T> std::string unknownFields(const json& from) {
    if (!from.is_object()) return {};
    json out = from;
    for (const Field<T>& f : fieldsOf<T>()) out.erase(f.id);
    return restText(out);
}

Take takeFrom(const json& from, std::vector<std::string>& problems) {
    Take take;
    getWhole(from, "id", take.id, 0, kLargestId, problems);
    std::string letter = "A";
    get(from, "letter", letter, problems);
    take.letter = letter.size() == 1 && letter[0] >= 'A' && letter[0] <= 'Z' ? letter[0] : 'A';
    get(from, "name", take.name, problems);
    if (const auto at = from.find("settings"); at != from.end()) {
        readJson(*at, take.settings, problems);
        take.restOfSettings = unknownFields<Settings>(*at);
        if (const std::string problem = problemWith(take.settings); !problem.empty()) {
            problems.push_back("take " + letter + ": " + problem);
            take.settings.method = Settings().method;
        }
    }
    take.rest = restText(without(from, {"id", "letter", "name", "settings", "risk", "recommended"}));
    return take;
}

json jsonOf(const Risk& r) { return {{"luminance", r.luminance}, {"colour", r.colour}}; }

json jsonOf(const Recommended& r) {
    json out = {{"settings", jsonOf(r.settings)}, {"risk", jsonOf(r.risk)}};
    for (const Alternative& other : r.others)
        out["others"].push_back({{"kind", idOf(other.kind)},
                                 {"settings", jsonOf(other.settings)},
                                 {"risk", jsonOf(other.risk)},
                                 {"times", other.times},
                                 {"blur", other.blur},
                                 {"fault", other.fault},
                                 {"subjects", other.subjects}});
    if (!r.reasons.empty()) out["reasons"] = r.reasons;
    for (const Settings& unlike : r.contrasts) out["contrasts"].push_back(jsonOf(unlike));
    return out;
}

// Members `settings`, by the name given, and `risk` of an object; false where they are not both of use.
bool readMeasured(const json& from, const char* settings, Settings& into, Risk& risk,
                  std::vector<std::string>& problems) {
    const auto of = from.find(settings), error = from.find("risk");
    if (of == from.end() || error == from.end() || !of->is_object() || !error->is_object()) return false;
    readJson(*of, into, problems);
    get(*error, "luminance", risk.luminance, problems), get(*error, "colour", risk.colour, problems);
    return problemWith(into).empty();
}

// At most one of each kind; one that is not known here is left out.
std::vector<Alternative> othersFrom(const json& from, std::vector<std::string>& problems) {
    std::vector<Alternative> out;
    if (!from.is_array()) return out;
    for (const Alternative::Kind kind : kAlternatives)
        for (const json& one : from) {
            Alternative other;
            other.kind = kind;
            std::string id;
            if (!one.is_object()) continue;
            get(one, "kind", id, problems);
            if (id != idOf(kind) || !readMeasured(one, "settings", other.settings, other.risk, problems))
                continue;
            get(one, "times", other.times, problems), get(one, "blur", other.blur, problems),
                get(one, "fault", other.fault, problems), get(one, "subjects", other.subjects, problems);
            out.push_back(other);
            break;
        }
    return out;
}

std::optional<Recommended> recommendedFrom(const json& from, const char* settings,
                                           std::vector<std::string>& problems) {
    Recommended out;
    if (!readMeasured(from, settings, out.settings, out.risk, problems)) return std::nullopt;
    if (const auto others = from.find("others"); others != from.end())
        out.others = othersFrom(*others, problems);
    get(from, "reasons", out.reasons, problems);
    if (const auto contrasts = from.find("contrasts"); contrasts != from.end() && contrasts->is_array())
        for (const json& one : *contrasts) {
            Settings unlike;
            if (one.is_object()) readJson(one, unlike, problems);
            if (one.is_object() && problemWith(unlike).empty() && out.contrasts.size() < kContrasts)
                out.contrasts.push_back(unlike);
        }
    return out;
}

constexpr std::array<const char*, 3> kPreferred = {"first", "second", "neither"};

json jsonOf(const TrialRecord& t) {
    json answers = json::array();
    for (const TrialAnswer& a : t.answers)
        answers.push_back({a.first, a.second, kPreferred[static_cast<std::size_t>(a.preferred)]});
    return {{"when", t.when}, {"pictures", t.pictures}, {"answers", answers}};
}

// None where anything of it cannot be used: half a trial has another result.
std::optional<TrialRecord> trialFrom(const json& from) {
    TrialRecord out;
    try {
        out.when = from.at("when");
        out.pictures = from.at("pictures");
        const auto pictures = static_cast<long long>(out.pictures.size());
        if (pictures < 2 || out.pictures.size() > kMostPicturesInTrial ||
            from.at("answers").size() > kMostAnswersKept)
            return std::nullopt;
        for (const json& one : from.at("answers")) {
            const auto first = wholeNumber(one.at(0), 0, pictures - 1),
                       second = wholeNumber(one.at(1), 0, pictures - 1);
            const auto word = std::find(kPreferred.begin(), kPreferred.end(), one.at(2).get<std::string>());
            if (!first || !second || *first == *second || word == kPreferred.end()) return std::nullopt;
            out.answers.push_back({static_cast<int>(*first), static_cast<int>(*second),
                                   static_cast<Preferred>(word - kPreferred.begin())});
        }
    } catch (const json::exception&) {
        return std::nullopt;
    }
    return out;
}

json jsonOf(const Probe& p) {
    return {{"id", p.id}, {"name", p.name},   {"reason", p.reason}, {"x", p.x},
            {"y", p.y},   {"width", p.width}, {"height", p.height}};
}

Probe probeFrom(const json& from, std::vector<std::string>& problems) {
    Probe p;
    getWhole(from, "id", p.id, 0, kLargestId, problems);
    get(from, "name", p.name, problems);
    get(from, "reason", p.reason, problems);
    getWhole(from, "x", p.x, -kFarthest, kFarthest, problems);
    getWhole(from, "y", p.y, -kFarthest, kFarthest, problems);
    getWhole(from, "width", p.width, 0, kFarthest, problems);
    getWhole(from, "height", p.height, 0, kFarthest, problems);
    p.width = std::clamp(p.width, Probe::kLeast, Probe::kMost),
    p.height = std::clamp(p.height, Probe::kLeast, Probe::kMost);
    return p;
}

template <class T, class From>
std::vector<T> listFrom(const json& from, const char* name, std::size_t most,
                        std::vector<std::string>& problems, const From& one) {
    std::vector<T> out;
    const auto at = from.find(name);
    if (at == from.end()) return out;
    if (!at->is_array()) {
        problems.push_back(std::string("\"") + name + "\" is no list");
        return out;
    }
    if (at->size() > most)
        throw JsonError(std::string("\"") + name + "\" has more than " + std::to_string(most) + " entries");
    for (const json& item : *at)
        if (item.is_object())
            out.push_back(one(item, problems));
        else
            problems.push_back(std::string("\"") + name + "\" has an entry that cannot be used");
    return out;
}

json jsonOf(const ExportMade& made) {
    json out = {{"file", made.file}, {"when", made.when}, {"take", std::string(1, made.letter)}};
    if (!made.settings.empty())
        out["settings"] = made.settings, out["look"] = made.look, out["algorithms"] = made.algorithms;
    if (made.mark != 0) out["mark"] = made.mark;
    return out;
}

ExportMade exportFrom(const json& e, std::vector<std::string>& problems) {
    ExportMade made;
    std::string letter = "A";
    get(e, "file", made.file, problems), get(e, "when", made.when, problems),
        get(e, "take", letter, problems);
    get(e, "settings", made.settings, problems), get(e, "look", made.look, problems);
    constexpr int kMostAlgorithms = 1'000'000;
    getWhole(e, "algorithms", made.algorithms, 0, kMostAlgorithms, problems);
    getWhole(e, "mark", made.mark, 0, 3, problems);
    made.letter = letter.size() == 1 && letter[0] >= 'A' && letter[0] <= 'Z' ? letter[0] : 'A';
    return made;
}

ReferenceFile referenceFrom(const json& r, std::vector<std::string>& problems) {
    ReferenceFile file;
    getWhole(r, "id", file.id, 0, kLargestId, problems);
    get(r, "file", file.file, problems), get(r, "matched", file.matched, problems);
    get(r, "cleaned", file.cleaned, problems);
    try {
        if (!file.cleaned.empty()) settingsFromText(file.cleaned);
    } catch (const std::invalid_argument& e) {
        problems.emplace_back(std::string("\"cleaned\": ") + e.what());
        file.cleaned.clear();
    }
    return file;
}

// Two takes of one letter could not be told apart by it.
void makeLettersUnlike(std::vector<Take>& takes) {
    std::set<char> used;
    for (Take& t : takes) {
        char letter = t.letter;
        for (char next = 'A'; used.count(letter) && next <= 'Z'; ++next)
            if (std::none_of(takes.begin(), takes.end(), [&](const Take& o) { return o.letter == next; }))
                letter = next;
        used.insert(t.letter = letter);
    }
}

PhotoFacts factsFrom(const json& from, std::vector<std::string>& problems) {
    PhotoFacts facts;
    facts.exports = listFrom<ExportMade>(from, "exports", kMostExportsKept, problems, exportFrom);
    if (const auto at = from.find("recommended"); at != from.end() && at->is_object())
        facts.recommended = recommendedFrom(*at, "settings", problems);
    if (const auto at = from.find("trial"); at != from.end()) {
        facts.trial = trialFrom(*at);
        if (!facts.trial) problems.push_back("\"trial\" has a value that cannot be used");
    }
    // It stood with a take before.
    if (const auto takes = from.find("takes"); !facts.recommended && takes != from.end() && takes->is_array())
        for (const json& take : *takes)
            if (take.is_object() && !facts.recommended)
                facts.recommended = recommendedFrom(take, "recommended", problems);
    return facts;
}

} // namespace

json jsonOf(const PhotoState& s) {
    json out = json::object();
    out["takes"] = json::array(), out["probes"] = json::array();
    for (const Take& t : s.takes) out["takes"].push_back(jsonOf(t));
    for (const Probe& p : s.probes) out["probes"].push_back(jsonOf(p));
    if (!s.references.empty()) out["references"] = json::array();
    for (const ReferenceFile& r : s.references) {
        json& file =
            out["references"].emplace_back(json{{"id", r.id}, {"file", r.file}, {"matched", r.matched}});
        if (!r.cleaned.empty()) file["cleaned"] = r.cleaned;
    }
    if (s.pasted) {
        json probes = json::array();
        for (const Probe& p : s.pasted->probes) probes.push_back(jsonOf(p));
        out["pastedProbes"] = {{"probes", probes}, {"width", s.pasted->width}, {"height", s.pasted->height}};
    }
    out["look"] = jsonOf(s.look);
    out["chosen"] = s.chosen;
    out["notes"] = s.notes;
    return merged(s.rest, out);
}

PhotoState stateFrom(const json& from, std::vector<std::string>& problems) {
    PhotoState s;
    if (!from.is_object()) return freshState();
    s.takes = listFrom<Take>(from, "takes", kMostTakesKept, problems, takeFrom);
    makeLettersUnlike(s.takes);
    s.probes = listFrom<Probe>(from, "probes", kMostProbesKept, problems, probeFrom);
    s.references = listFrom<ReferenceFile>(from, "references", kMostReferencesKept, problems, referenceFrom);
    if (const auto at = from.find("pastedProbes"); at != from.end() && at->is_object()) {
        s.pasted.emplace();
        s.pasted->probes = listFrom<Probe>(*at, "probes", kMostProbesKept, problems, probeFrom);
        getWhole(*at, "width", s.pasted->width, 1, kFarthest, problems);
        getWhole(*at, "height", s.pasted->height, 1, kFarthest, problems);
        if (s.pasted->probes.empty()) s.pasted.reset();
    }
    if (const auto at = from.find("look"); at != from.end()) readJson(*at, s.look, problems);
    getWhole(from, "chosen", s.chosen, 0, kLargestId, problems);
    get(from, "notes", s.notes, problems);
    json rest = without(from, {"takes", "probes", "exports", "recommended", "references", "look", "chosen",
                               "notes", "kept", "photo", "pastedProbes", "trial"});
    // What a newer version wrote keeps its number.
    if (rest.contains("irenic") && rest["irenic"].is_number() && rest["irenic"] <= kSidecarVersion)
        rest.erase("irenic");
    s.rest = restText(rest);
    if (s.takes.empty()) s.takes = freshState().takes;
    s.giveIds();
    if (!s.take(s.chosen)) s.chosen = 0;
    return s;
}

json jsonOf(const PhotoRecord& record) {
    json out = jsonOf(*record.state);
    out["exports"] = json::array(), out["kept"] = json::array();
    for (const ExportMade& e : record.facts.exports) out["exports"].push_back(jsonOf(e));
    if (record.facts.recommended) out["recommended"] = jsonOf(*record.facts.recommended);
    if (record.facts.trial) out["trial"] = jsonOf(*record.facts.trial);
    for (const KeptVersion& k : record.kept)
        out["kept"].push_back({{"name", k.name}, {"when", k.when}, {"state", jsonOf(*k.state)}});
    return out;
}

PhotoRecord recordFrom(const json& from, std::vector<std::string>& problems) {
    PhotoRecord record;
    record.state = std::make_shared<PhotoState>(stateFrom(from, problems));
    if (!from.is_object()) return record;
    record.facts = factsFrom(from, problems);
    record.kept = listFrom<KeptVersion>(
        from, "kept", kMostVersionsKept, problems, [](const json& k, std::vector<std::string>& all) {
            KeptVersion version;
            get(k, "name", version.name, all), get(k, "when", version.when, all);
            const auto state = k.find("state");
            version.state =
                std::make_shared<PhotoState>(stateFrom(state == k.end() ? json::object() : *state, all));
            return version;
        });
    return record;
}

json jsonOf(const SessionState& s) {
    return {{"photos", s.photos},
            {"shown", s.shown},
            {"view",
             {{"zoom", s.view.zoom}, {"panX", s.view.panX}, {"panY", s.view.panY}, {"push", s.view.push}}},
            {"layout", s.layout},
            {"recent", s.recent}};
}

SessionState sessionFrom(const json& from, std::vector<std::string>& problems) {
    SessionState s;
    if (!from.is_object()) return s;
    const auto paths = [&](const char* name, std::size_t most, std::vector<std::string>& to) {
        if (const auto at = from.find(name); at != from.end() && at->is_array())
            for (const json& photo : *at) {
                if (to.size() >= most) break;
                if (photo.is_string()) to.push_back(photo.get<std::string>());
            }
    };
    paths("photos", kMostPhotosKept, s.photos);
    paths("recent", SessionState::kMostRecent, s.recent);
    get(from, "shown", s.shown, problems);
    get(from, "layout", s.layout, problems);
    if (const auto at = from.find("view"); at != from.end() && at->is_object()) {
        get(*at, "zoom", s.view.zoom, problems), get(*at, "push", s.view.push, problems);
        get(*at, "panX", s.view.panX, problems), get(*at, "panY", s.view.panY, problems);
    }
    if (!(s.view.zoom >= 0 && s.view.zoom <= 16)) s.view.zoom = 1;
    for (double* pan : {&s.view.panX, &s.view.panY})
        if (!(std::abs(*pan) <= static_cast<double>(kFarthest))) *pan = 0;
    if (!(s.view.push >= -2 && s.view.push <= 6)) s.view.push = 0;
    return s;
}

} // namespace irenic
