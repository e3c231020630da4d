// What is kept for a photo, in a file beside it (docs/sidecar.md), and the session.
#pragma once

#include <filesystem>
#include <optional>
#include <string>

#include "raw/photo.h"
#include "session/state.h"

namespace irenic {

// Folders of the user's (XDG base directories), made where they are missing.
std::filesystem::path dataFolder();   // $XDG_DATA_HOME/irenic
std::filesystem::path presetFolder(); // $XDG_CONFIG_HOME/irenic/presets

// Where a photo's sidecar is: NAME.irenic.json beside it; where that folder cannot be written, in the data
// folder under the digest.
struct SidecarPlaces {
    std::filesystem::path beside, inData;
    bool besideWritable = true;
    std::filesystem::path target() const { return besideWritable ? beside : inData; }
};
SidecarPlaces sidecarPlaces(const std::filesystem::path& photo, const std::string& digest);

struct Loaded {
    std::optional<PhotoRecord> record; // none: nothing is kept
    std::vector<std::string> messages; // sentences for the user: what was set aside, what could not be used
};
// Reads a sidecar; the one beside the photo counts first. A damaged one is set aside under another name, with
// a message, and never overwritten. One of a newer version is read as far as it is understood.
Loaded loadSidecar(const std::filesystem::path& photo, const std::string& digest);
// The record beside a photo, if there is a whole one: for lists. Touches nothing and tells nothing.
std::optional<PhotoRecord> peekSidecar(const std::filesystem::path& photo);
// Writes it whole or not at all: temporary file, fsync, rename. Throws WriteError.
void saveSidecar(const std::filesystem::path& photo, const std::string& digest, const PhotoRecord& record);

// The open photos, likewise; in the data folder.
SessionState loadSession(std::vector<std::string>& messages);
void saveSession(const SessionState& session);

// That a photo's work is open in this process. Another's lock is told by whom; one of a process of this
// machine that is gone is taken over.
class SidecarLock {
  public:
    SidecarLock() = default;
    // `owner` gets who has it where it could not be had.
    SidecarLock(const std::filesystem::path& photo, const std::string& digest, std::string& owner);
    ~SidecarLock();
    SidecarLock(SidecarLock&& other) noexcept : file_(std::move(other.file_)) { other.file_.clear(); }
    SidecarLock& operator=(SidecarLock&& other) noexcept {
        std::swap(file_, other.file_);
        return *this;
    }
    bool held() const { return !file_.empty(); }

  private:
    std::filesystem::path file_;
};

// A take's settings, a look, or both, under a name, as a file that can be passed on.
struct Preset {
    std::optional<Settings> settings;
    std::optional<Look> look;
};
void savePreset(const std::string& name, const Preset& preset); // WriteError
// From a name in the preset folder, a preset's file, or a sidecar (the chosen take, else the first). Throws
// std::invalid_argument with a sentence.
Preset loadPreset(const std::string& nameOrFile);
std::vector<std::string> presetNames();

} // namespace irenic
