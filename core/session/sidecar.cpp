#include "session/sidecar.h"

#include <unistd.h>

#include <algorithm>
#include <ctime>

#include "base/digest.h"
#include "base/expects.h"
#include "base/field_json.h"
#include "base/folders.h"
#include "base/given_file.h"
#include "base/json.h"
#include "base/safe_file.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "session/state_json.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;
using nlohmann::json;

constexpr int kVersion = kSidecarVersion;
constexpr const char* kEnding = ".irenic.json";
// A long year's work on one photo has some hundred kB.
constexpr std::uint64_t kMostSidecar = 64 << 20, kMostPreset = 1 << 20;
// Of a name beside a photo: a claim's and a temporary file's names have room too, within the 255 of file
// systems.
constexpr std::size_t kLongestName = 255;

std::string shortDigest(const std::string& text) {
    Digest digest;
    digest.add(text);
    return digest.text();
}

std::string textOf(const json& content) {
    return content.dump(1, ' ', false, json::error_handler_t::replace) + "\n";
}

void writeJson(const fs::path& target, const json& content) {
    writeWhole(target, textOf(content), SafeFile::Existing::Replace);
}

// A name that nothing has yet, for what is set aside.
fs::path asideOf(const fs::path& file) {
    const std::string name = file.filename().string();
    const fs::path base = file.parent_path() / (name.size() < 230 ? name : ".irenic-" + shortDigest(name));
    for (int n = 1;; ++n) {
        fs::path aside = base.string() + ".damaged-" + std::to_string(n);
        std::error_code none;
        if (fs::symlink_status(aside, none).type() == fs::file_type::not_found || n > 10000) return aside;
    }
}

struct Own {
    std::optional<json> content;
    bool blocked = false;
};

// The content, or none; what is there and is no JSON of ours goes out of the way.
Own readOwn(const fs::path& file, const char* kind, std::vector<std::string>& messages) {
    std::string why;
    try {
        const auto text = textOfFile(file, kMostSidecar);
        if (!text) return {};
        json content = jsonFrom(*text);
        if (content.is_object() && content.contains(kind) && content[kind].is_number()) {
            if (content[kind].get<double>() > kVersion)
                messages.push_back(
                    shownName(file) + ": " +
                    IRENIC_TEXT(
                        "written by a newer Irenic. What this version does not know is kept as it is."));
            return {std::move(content), false};
        }
        why = IRENIC_TEXT("not a file of Irenic's");
    } catch (const std::exception& e) {
        why = e.what();
    }
    const fs::path aside = asideOf(file);
    std::error_code error;
    fs::rename(file, aside, error);
    while (why.ends_with('.')) why.pop_back();
    messages.push_back(error ? filled(IRENIC_TEXT("Settings of %1 are damaged (%2) and could not be renamed. "
                                                  "Nothing is saved for this photo until you move the file."),
                                      {shownName(file), why})
                             : filled(IRENIC_TEXT("Settings of %1 are damaged (%2); the photo starts with "
                                                  "defaults. The old file is kept as %3."),
                                      {shownName(file), why, shownName(aside)}));
    return {std::nullopt, static_cast<bool>(error)};
}

// A record, or none where it has more than any work has: then it goes out of the way too.
std::optional<PhotoRecord> recordIn(const fs::path& file, const json& content,
                                    std::vector<std::string>& messages, bool& blocked) {
    std::vector<std::string> problems;
    try {
        PhotoRecord record = recordFrom(content, problems);
        for (const std::string& p : problems) messages.push_back(shownName(file) + ": " + p + ".");
        return record;
    } catch (const JsonError& e) {
        const fs::path aside = asideOf(file);
        std::error_code error;
        fs::rename(file, aside, error);
        blocked = static_cast<bool>(error);
        messages.push_back(
            shownName(file) + ": " +
            (error ? filled(IRENIC_TEXT("%1. It could not be renamed. Nothing is saved for this photo until "
                                        "you move the file."),
                            {e.what()})
                   : filled(IRENIC_TEXT("%1; the photo starts with defaults. The old file is kept as %2."),
                            {e.what(), shownName(aside)})));
        return std::nullopt;
    }
}

json contentOf(const fs::path& photo, const std::string& digest, const PhotoRecord& record) {
    json content = jsonOf(record);
    // A newer version's number stays: what it wrote is still in there.
    const auto version =
        content.contains("irenic") ? wholeNumber(content["irenic"], 0, 1000000) : std::nullopt;
    content["irenic"] = std::max<long long>(version.value_or(kVersion), kVersion);
    content["photo"] = {{"name", shownName(photo)}, {"digest", digest}};
    return content;
}

// What all files beside a sidecar begin with that hold what was done elsewhere.
std::string elsewherePrefix(const fs::path& sidecar) {
    const std::string name = sidecar.filename().string();
    const std::string base = name.substr(0, name.size() - std::string(".json").size());
    return (base.size() < 200 ? base : ".irenic-" + shortDigest(base)) + ".other-";
}

fs::path elsewhereOf(const fs::path& sidecar) {
    return sidecar.parent_path() /
           (elsewherePrefix(sidecar) + shortDigest(thisProcess()).substr(0, 8) + ".json");
}

std::string timeOf(const fs::path& file) {
    std::error_code none;
    const auto written = fs::last_write_time(file, none);
    if (none) return presentTime();
    const std::time_t time = std::chrono::system_clock::to_time_t(std::chrono::file_clock::to_sys(written));
    std::tm local{};
    localtime_r(&time, &local);
    char text[32];
    std::strftime(text, sizeof text, "%Y-%m-%d %H:%M:%S", &local);
    return text;
}

fs::path presetFile(const std::string& name) {
    if (name.empty() || name.find('/') != std::string::npos || name[0] == '.')
        throw WriteError(IRENIC_TEXT("a preset's name has no slash and does not begin with a dot."));
    return presetFolder() / (name + ".json");
}

} // namespace

fs::path presetFolder() { return privateFolder(configFolder() / "presets"); }

SidecarPlaces sidecarPlaces(const fs::path& photo, const std::string& digest) {
    SidecarPlaces places;
    std::error_code nowhere;
    const fs::path folder = photo.has_parent_path() ? photo.parent_path() : fs::path(".");
    const std::string name = photo.filename().string() + kEnding;
    places.beside = folder / name;
    const fs::path data = privateFolder(dataFolder() / "sidecars");
    const fs::path whole = fs::absolute(photo, nowhere);
    places.byPath = data / ("path-" + shortDigest(nowhere ? photo.string() : whole.string()) + kEnding);
    if (!digest.empty()) places.bySamples = data / (digest + kEnding);
    places.besideWritable = access(folder.c_str(), W_OK) == 0 && name.size() <= kLongestName - 3;
    return places;
}

std::optional<fs::path> photoOfSidecar(const fs::path& sidecar) {
    const std::string name = sidecar.filename().string();
    if (!name.ends_with(kEnding) || name.size() == std::string(kEnding).size()) return std::nullopt;
    const fs::path photo = sidecar.parent_path() / name.substr(0, name.size() - std::string(kEnding).size());
    std::error_code none;
    return fs::exists(photo, none) ? std::optional(photo) : std::nullopt;
}

Loaded loadSidecar(const fs::path& photo, const std::string& digest) {
    const SidecarPlaces places = sidecarPlaces(photo, digest);
    Loaded out;
    for (const fs::path& file : {places.beside, places.bySamples, places.byPath}) {
        if (file.empty()) continue;
        const Own own = readOwn(file, "irenic", out.messages);
        out.blocked = out.blocked || own.blocked;
        if (!own.content) continue;
        bool blocked = false;
        out.record = recordIn(file, *own.content, out.messages, blocked);
        out.blocked = out.blocked || blocked;
        if (out.record) return out;
    }
    return out;
}

std::optional<PhotoRecord> peekSidecar(const fs::path& photo) {
    try {
        const auto text = textOfFile(sidecarPlaces(photo, {}).beside, kMostSidecar);
        if (!text) return std::nullopt;
        const json content = jsonFrom(*text);
        if (!content.is_object() || !content.contains("irenic")) return std::nullopt;
        std::vector<std::string> problems;
        return recordFrom(content, problems);
    } catch (const std::exception&) {
        return std::nullopt; // it is told when the photo is opened
    }
}

void saveSidecar(const fs::path& photo, const std::string& digest, const PhotoRecord& record) {
    const SidecarPlaces places = sidecarPlaces(photo, digest);
    writeJson(places.target(), contentOf(photo, digest, record));
    std::error_code none;
    // What was kept before the photo's samples were known is in there.
    if (places.target() == places.bySamples) fs::remove(places.byPath, none);
}

void saveElsewhere(const fs::path& photo, const std::string& digest, const PhotoRecord& record) {
    json content = contentOf(photo, digest, record);
    content["process"] = thisProcess();
    writeJson(elsewhereOf(sidecarPlaces(photo, digest).target()), content);
}

LeftElsewhere leftElsewhere(const fs::path& photo, const std::string& digest) {
    LeftElsewhere out;
    const fs::path sidecar = sidecarPlaces(photo, digest).target();
    const std::string prefix = elsewherePrefix(sidecar);
    std::error_code error;
    for (fs::directory_iterator it(sidecar.parent_path(), error), end; !error && it != end;
         it.increment(error)) {
        const std::string name = it->path().filename().string();
        if (!name.starts_with(prefix) || !name.ends_with(".json")) continue;
        try {
            const json content = jsonFrom(textOfFile(it->path(), kMostSidecar).value_or(""));
            const auto process = content.is_object() ? content.find("process") : content.end();
            if (!content.is_object() || process == content.end() || !process->is_string()) continue;
            const std::string owner = process->get<std::string>();
            // One of another machine may be at work still; its file waits.
            if (owner != thisProcess() && lifeOf(owner) != Life::Gone) continue;
            std::vector<std::string> problems;
            json known = content;
            known.erase("process");
            out.versions.push_back({IRENIC_TEXT("changed in another window"), timeOf(it->path()),
                                    recordFrom(known, problems).state});
            out.files.push_back(it->path());
        } catch (const std::exception&) {
            continue; // it stays for who wants to look
        }
    }
    return out;
}

void forgetElsewhere(const LeftElsewhere& left) {
    std::error_code none;
    for (const fs::path& file : left.files) fs::remove(file, none);
}

void SidecarWriter::write(const Saving& s) {
    const std::lock_guard lock(mutex_);
    const auto last = written_.find(s.photo);
    if (last != written_.end() && last->second > s.number) return;
    if (s.elsewhere)
        saveElsewhere(s.photo, s.digest, s.record);
    else
        saveSidecar(s.photo, s.digest, s.record);
    written_[s.photo] = s.number;
}

SessionState loadSession(std::vector<std::string>& messages) {
    const Own own = readOwn(dataFolder() / "session.json", "irenicSession", messages);
    std::vector<std::string> problems;
    return own.content ? sessionFrom(*own.content, problems) : SessionState{};
}

void saveSession(const SessionState& session) {
    json content = jsonOf(session);
    content["irenicSession"] = kVersion;
    writeJson(dataFolder() / "session.json", content);
}

bool presetExists(const std::string& name) {
    std::error_code none;
    return fs::exists(fs::symlink_status(presetFile(name), none));
}

void savePreset(const std::string& name, const Preset& preset, bool replace) {
    IRENIC_EXPECTS(!name.empty());
    json content{{"irenicPreset", kVersion}};
    if (preset.settings) {
        Settings own = *preset.settings;
        own.zones = withoutStrokes(own.zones); // they belong to one photo
        content["settings"] = jsonOf(own);
    }
    if (preset.look) content["look"] = jsonOf(*preset.look);
    writeWhole(presetFile(name), textOf(content),
               replace ? SafeFile::Existing::Replace : SafeFile::Existing::Keep);
}

void copyPreset(const std::string& name, const fs::path& to) {
    std::optional<std::string> text;
    try {
        text = textOfFile(presetFile(name), kMostPreset);
    } catch (const FileError& e) {
        throw WriteError(e.what());
    }
    if (!text) throw WriteError(filled(IRENIC_TEXT("there is no preset \"%1\"."), {name}));
    writeWhole(to, *text, SafeFile::Existing::Keep);
}

Preset loadPreset(const std::string& nameOrFile) {
    const bool isFile = nameOrFile.find('/') != std::string::npos || nameOrFile.ends_with(".json");
    const fs::path file = isFile ? fs::path(nameOrFile) : presetFolder() / (nameOrFile + ".json");
    const std::string name = shownName(file);
    std::vector<std::string> problems;
    Preset out;
    try {
        const auto text = textOfFile(file, isFile ? kMostSidecar : kMostPreset);
        if (!text) throw std::invalid_argument("there is no preset \"" + nameOrFile + "\"");
        const json content = jsonFrom(*text);
        if (content.is_object() && content.contains("irenic")) {
            const PhotoState state = *recordFrom(content, problems).state;
            const Take* take = state.take(state.chosen);
            out.settings = (take ? *take : state.takes.front()).settings;
            out.look = state.look;
        } else if (content.is_object() && content.contains("irenicPreset")) {
            if (const auto at = content.find("settings"); at != content.end())
                readJson(*at, out.settings.emplace(), problems);
            if (const auto at = content.find("look"); at != content.end())
                readJson(*at, out.look.emplace(), problems);
        } else {
            throw std::invalid_argument(
                filled(IRENIC_TEXT("%1 is no preset and no sidecar of Irenic"), {name}));
        }
    } catch (const JsonError& e) {
        throw std::invalid_argument(name + ": " + e.what());
    } catch (const FileError& e) {
        throw std::invalid_argument(name + ": " + e.what());
    }
    if (!problems.empty()) throw std::invalid_argument(name + ": " + problems.front());
    if (out.settings)
        if (const std::string problem = problemWith(*out.settings); !problem.empty())
            throw std::invalid_argument(name + ": " + problem);
    return out;
}

std::vector<std::string> presetNames() {
    std::vector<std::string> names;
    std::error_code error;
    for (fs::directory_iterator it(presetFolder(), error), end; !error && it != end; it.increment(error))
        if (it->path().extension() == ".json") names.push_back(it->path().stem().string());
    std::sort(names.begin(), names.end());
    return names;
}

} // namespace irenic
