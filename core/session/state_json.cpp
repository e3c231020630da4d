#include "session/state_json.h"

#include <algorithm>

#include "image/field_json.h"

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
    if (take.recommended) out["recommended"] = jsonOf(*take.recommended);
    if (take.risk) out["risk"] = {{"luminance", take.risk->luminance}, {"colour", take.risk->colour}};
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
    get(from, "id", take.id, problems);
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
    if (const auto at = from.find("risk"); at != from.end() && at->is_object()) {
        Risk risk;
        get(*at, "luminance", risk.luminance, problems);
        get(*at, "colour", risk.colour, problems);
        take.risk = risk;
    }
    if (const auto at = from.find("recommended"); at != from.end() && at->is_object()) {
        take.recommended.emplace();
        readJson(*at, *take.recommended, problems);
        if (!problemWith(*take.recommended).empty()) take.recommended.reset();
    }
    take.rest = restText(without(from, {"id", "letter", "name", "settings", "risk", "recommended"}));
    return take;
}

json jsonOf(const Probe& p) {
    return {{"id", p.id}, {"name", p.name},   {"reason", p.reason}, {"x", p.x},
            {"y", p.y},   {"width", p.width}, {"height", p.height}};
}

Probe probeFrom(const json& from, std::vector<std::string>& problems) {
    Probe p;
    get(from, "id", p.id, problems);
    get(from, "name", p.name, problems);
    get(from, "reason", p.reason, problems);
    get(from, "x", p.x, problems);
    get(from, "y", p.y, problems);
    get(from, "width", p.width, problems);
    get(from, "height", p.height, problems);
    p.width = std::clamp(p.width, Probe::kLeast, Probe::kMost),
    p.height = std::clamp(p.height, Probe::kLeast, Probe::kMost);
    return p;
}

template <class T, class From>
std::vector<T> listFrom(const json& from, const char* name, std::vector<std::string>& problems,
                        const From& one) {
    std::vector<T> out;
    const auto at = from.find(name);
    if (at == from.end()) return out;
    if (!at->is_array()) {
        problems.push_back(std::string("\"") + name + "\" is no list");
        return out;
    }
    for (const json& item : *at)
        if (item.is_object())
            out.push_back(one(item, problems));
        else
            problems.push_back(std::string("\"") + name + "\" has an entry that cannot be used");
    return out;
}

} // namespace

json jsonOf(const PhotoState& s) {
    json out = json::object();
    out["takes"] = json::array(), out["probes"] = json::array(), out["exports"] = json::array();
    for (const Take& t : s.takes) out["takes"].push_back(jsonOf(t));
    for (const Probe& p : s.probes) out["probes"].push_back(jsonOf(p));
    for (const ExportMade& e : s.exports)
        out["exports"].push_back({{"file", e.file}, {"when", e.when}, {"take", std::string(1, e.letter)}});
    if (!s.references.empty()) out["references"] = json::array();
    for (const ReferenceFile& r : s.references)
        out["references"].push_back({{"id", r.id}, {"file", r.file}, {"matched", r.matched}});
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
    s.takes = listFrom<Take>(from, "takes", problems, takeFrom);
    s.probes = listFrom<Probe>(from, "probes", problems, probeFrom);
    s.exports =
        listFrom<ExportMade>(from, "exports", problems, [](const json& e, std::vector<std::string>& all) {
            ExportMade made;
            std::string letter = "A";
            get(e, "file", made.file, all), get(e, "when", made.when, all), get(e, "take", letter, all);
            made.letter = letter.empty() ? 'A' : letter[0];
            return made;
        });
    s.references = listFrom<ReferenceFile>(
        from, "references", problems, [](const json& r, std::vector<std::string>& all) {
            ReferenceFile file;
            get(r, "id", file.id, all), get(r, "file", file.file, all), get(r, "matched", file.matched, all);
            return file;
        });
    if (const auto at = from.find("pastedProbes"); at != from.end() && at->is_object()) {
        s.pasted.emplace();
        s.pasted->probes = listFrom<Probe>(*at, "probes", problems, probeFrom);
        get(*at, "width", s.pasted->width, problems), get(*at, "height", s.pasted->height, problems);
        if (s.pasted->probes.empty()) s.pasted.reset();
    }
    if (const auto at = from.find("look"); at != from.end()) readJson(*at, s.look, problems);
    get(from, "chosen", s.chosen, problems);
    get(from, "notes", s.notes, problems);
    json rest = without(from, {"takes", "probes", "exports", "references", "look", "chosen", "notes", "kept",
                               "photo", "pastedProbes"});
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
    out["kept"] = json::array();
    for (const KeptVersion& k : record.kept)
        out["kept"].push_back({{"name", k.name}, {"when", k.when}, {"state", jsonOf(*k.state)}});
    return out;
}

PhotoRecord recordFrom(const json& from, std::vector<std::string>& problems) {
    PhotoRecord record;
    record.state = std::make_shared<PhotoState>(stateFrom(from, problems));
    if (from.is_object())
        record.kept =
            listFrom<KeptVersion>(from, "kept", problems, [](const json& k, std::vector<std::string>& all) {
                KeptVersion version;
                get(k, "name", version.name, all), get(k, "when", version.when, all);
                version.state =
                    std::make_shared<PhotoState>(stateFrom(k.value("state", json::object()), all));
                return version;
            });
    return record;
}

json jsonOf(const SessionState& s) {
    return {{"photos", s.photos},
            {"shown", s.shown},
            {"view",
             {{"zoom", s.view.zoom}, {"panX", s.view.panX}, {"panY", s.view.panY}, {"push", s.view.push}}},
            {"layout", s.layout}};
}

SessionState sessionFrom(const json& from, std::vector<std::string>& problems) {
    SessionState s;
    if (!from.is_object()) return s;
    get(from, "photos", s.photos, problems);
    get(from, "shown", s.shown, problems);
    get(from, "layout", s.layout, problems);
    if (const auto at = from.find("view"); at != from.end() && at->is_object()) {
        get(*at, "zoom", s.view.zoom, problems), get(*at, "push", s.view.push, problems);
        get(*at, "panX", s.view.panX, problems), get(*at, "panY", s.view.panY, problems);
    }
    if (!(s.view.zoom >= 0 && s.view.zoom <= 16)) s.view.zoom = 1;
    if (!(s.view.push >= -2 && s.view.push <= 6)) s.view.push = 0;
    return s;
}

} // namespace irenic
