#include "session/sidecar.h"

#include <fcntl.h>
#include <signal.h>
#include <unistd.h>

#include <cerrno>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <sstream>

#include "deliver/proof.h"
#include "deliver/safe_file.h"
#include "image/field_json.h"
#include "image/process.h"
#include "raw/text.h"
#include "session/state_json.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;
using nlohmann::json;

constexpr int kVersion = kSidecarVersion;

fs::path folderOf(const char* variable, const char* below) {
    const char* named = std::getenv(variable);
    const char* home = std::getenv("HOME");
    // A relative path is to be ignored (XDG base directory specification).
    const fs::path base = named && *named == '/' ? fs::path(named) : fs::path(home ? home : "/") / below;
    return base / "irenic";
}

fs::path made(const fs::path& folder) {
    std::error_code ignored;
    fs::create_directories(folder, ignored);
    return folder;
}

std::optional<std::string> contentOf(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    if (!in) return std::nullopt;
    std::ostringstream out;
    out << in.rdbuf();
    return out.str();
}

void writeJson(const fs::path& target, const json& content) {
    SafeFile file(target, SafeFile::Existing::Replace);
    const std::string text = content.dump(1, ' ', false, json::error_handler_t::replace) + "\n";
    std::FILE* out = std::fopen(file.path().c_str(), "wb");
    errno = 0;
    const bool done = out && std::fwrite(text.data(), 1, text.size(), out) == text.size();
    const bool closed = out && std::fclose(out) == 0;
    if (!done || !closed) failedWriting(target.parent_path());
    file.commit();
}

// The content, or none; what is there and is no JSON of ours goes out of the way.
std::optional<json> readOwn(const fs::path& file, const char* kind, std::vector<std::string>& messages) {
    const auto text = contentOf(file);
    if (!text) return std::nullopt;
    const json content = json::parse(*text, nullptr, false);
    if (content.is_object() && content.contains(kind) && content[kind].is_number()) {
        if (content[kind].get<double>() > kVersion)
            messages.push_back(shownName(file) +
                               ": written by a newer Irenic; what is not known here is kept as it is.");
        return content;
    }
    fs::path aside;
    for (int n = 1; aside.empty() || fs::exists(aside); ++n)
        aside = file.string() + ".damaged-" + std::to_string(n);
    std::error_code error;
    fs::rename(file, aside, error);
    messages.push_back(
        shownName(file) + ": it is damaged" +
        (error ? " and could not be set aside; nothing is kept for this photo until that is done."
               : " and was set aside as " + shownName(aside) + ". The photo begins anew."));
    return std::nullopt;
}

} // namespace

fs::path dataFolder() { return made(folderOf("XDG_DATA_HOME", ".local/share")); }
fs::path presetFolder() { return made(folderOf("XDG_CONFIG_HOME", ".config") / "presets"); }

SidecarPlaces sidecarPlaces(const fs::path& photo, const std::string& digest) {
    SidecarPlaces places;
    places.beside = photo.parent_path() / (photo.filename().string() + ".irenic.json");
    places.inData = made(dataFolder() / "sidecars") / (digest + ".irenic.json");
    const fs::path folder = photo.has_parent_path() ? photo.parent_path() : fs::path(".");
    places.besideWritable = access(folder.c_str(), W_OK) == 0 && photo.filename().string().size() < 240;
    return places;
}

Loaded loadSidecar(const fs::path& photo, const std::string& digest) {
    const SidecarPlaces places = sidecarPlaces(photo, digest);
    Loaded out;
    for (const fs::path& file : {places.beside, places.inData}) {
        const auto content = readOwn(file, "irenic", out.messages);
        if (!content) continue;
        std::vector<std::string> problems;
        out.record = recordFrom(*content, problems);
        for (const std::string& p : problems) out.messages.push_back(shownName(file) + ": " + p + ".");
        return out;
    }
    return out;
}

std::optional<PhotoRecord> peekSidecar(const fs::path& photo) {
    const auto text = contentOf(photo.parent_path() / (photo.filename().string() + ".irenic.json"));
    if (!text) return std::nullopt;
    const json content = json::parse(*text, nullptr, false);
    if (!content.is_object() || !content.contains("irenic")) return std::nullopt;
    std::vector<std::string> problems;
    return recordFrom(content, problems);
}

void saveSidecar(const fs::path& photo, const std::string& digest, const PhotoRecord& record) {
    json content = jsonOf(record);
    // A newer version's number stays: what it wrote is still in there.
    const int version = content.value("irenic", kVersion);
    content["irenic"] = std::max(version, kVersion);
    content["photo"] = {{"name", shownName(photo)}, {"digest", digest}};
    const SidecarPlaces places = sidecarPlaces(photo, digest);
    writeJson(places.target(), content);
}

SessionState loadSession(std::vector<std::string>& messages) {
    const auto content = readOwn(dataFolder() / "session.json", "irenicSession", messages);
    std::vector<std::string> problems;
    return content ? sessionFrom(*content, problems) : SessionState{};
}

void saveSession(const SessionState& session) {
    json content = jsonOf(session);
    content["irenicSession"] = kVersion;
    writeJson(dataFolder() / "session.json", content);
}

SidecarLock::SidecarLock(const fs::path& photo, const std::string& digest, std::string& owner) {
    const SidecarPlaces places = sidecarPlaces(photo, digest);
    const fs::path lock =
        places.target().parent_path() / ("." + places.target().filename().string() + ".lock");
    char host[256] = {};
    gethostname(host, sizeof host - 1);
    for (int attempt = 0; attempt < 3; ++attempt) {
        const int file = open(lock.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0644);
        if (file >= 0) {
            const std::string text = std::to_string(getpid()) + " " + host + "\n";
            const bool written = write(file, text.data(), text.size()) == static_cast<ssize_t>(text.size());
            close(file);
            if (written)
                file_ = lock;
            else
                unlink(lock.c_str());
            return;
        }
        if (errno != EEXIST) return; // nowhere to write: nothing to overwrite either
        long process = 0;
        std::string machine;
        std::istringstream(contentOf(lock).value_or("")) >> process >> machine;
        const bool here = machine == host;
        if (here && process == static_cast<long>(getpid())) break;
        if (here && process > 0 && !processLives(static_cast<int>(process))) {
            unlink(lock.c_str());
            continue;
        }
        owner = here ? "process " + std::to_string(process)
                     : "process " + std::to_string(process) + " on " + machine;
        return;
    }
    owner = "this program";
}

SidecarLock::~SidecarLock() {
    if (!file_.empty()) unlink(file_.c_str());
}

void savePreset(const std::string& name, const Preset& preset) {
    json content{{"irenicPreset", kVersion}};
    if (preset.settings) content["settings"] = jsonOf(*preset.settings);
    if (preset.look) content["look"] = jsonOf(*preset.look);
    if (name.empty() || name.find('/') != std::string::npos || name[0] == '.')
        throw WriteError("a preset's name has no slash and does not begin with a dot.");
    writeJson(presetFolder() / (name + ".json"), content);
}

Preset loadPreset(const std::string& nameOrFile) {
    const bool isFile = nameOrFile.find('/') != std::string::npos || nameOrFile.ends_with(".json");
    const fs::path file = isFile ? fs::path(nameOrFile) : presetFolder() / (nameOrFile + ".json");
    const auto text = contentOf(file);
    if (!text) throw std::invalid_argument("there is no preset \"" + nameOrFile + "\"");
    const json content = json::parse(*text, nullptr, false);
    std::vector<std::string> problems;
    Preset out;
    if (content.is_object() && content.contains("irenic")) {
        const PhotoState state = stateFrom(content, problems);
        const Take* take = state.take(state.chosen);
        out.settings = (take ? *take : state.takes.front()).settings;
        out.look = state.look;
    } else if (content.is_object() && content.contains("irenicPreset")) {
        if (const auto at = content.find("settings"); at != content.end())
            readJson(*at, out.settings.emplace(), problems);
        if (const auto at = content.find("look"); at != content.end())
            readJson(*at, out.look.emplace(), problems);
    } else {
        throw std::invalid_argument(shownName(file) + " is no preset and no sidecar of Irenic");
    }
    if (!problems.empty()) throw std::invalid_argument(shownName(file) + ": " + problems.front());
    if (out.settings)
        if (const std::string problem = problemWith(*out.settings); !problem.empty())
            throw std::invalid_argument(shownName(file) + ": " + problem);
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
