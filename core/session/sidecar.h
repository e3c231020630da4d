// What is kept for a photo, in a file beside it (docs/sidecar.md), and the session.
#pragma once

#include <filesystem>
#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <string>

#include "base/claim.h"
#include "raw/photo.h"
#include "session/state.h"

namespace irenic {

std::filesystem::path presetFolder(); // below configFolder()

// Where a photo's sidecar is: NAME.irenic.json beside it; where that folder cannot be written or the name
// would be too long, in the data folder, under the digest of the photo's samples, or, while that is not
// known, of its path.
struct SidecarPlaces {
    std::filesystem::path beside, bySamples, byPath; // bySamples: empty without a digest
    bool besideWritable = true;
    std::filesystem::path target() const {
        return besideWritable ? beside : bySamples.empty() ? byPath : bySamples;
    }
};
SidecarPlaces sidecarPlaces(const std::filesystem::path& photo, const std::string& digest);
// The photo that a sidecar beside it belongs to; none where this is no such name or there is no such photo.
std::optional<std::filesystem::path> photoOfSidecar(const std::filesystem::path& sidecar);

struct Loaded {
    std::optional<PhotoRecord> record; // none: nothing is kept
    std::vector<std::string> messages; // sentences for the user: what was set aside, what could not be used
    bool blocked =
        false; // there is one that can neither be read nor set aside: nothing may be written in its place
};
// Reads a sidecar; the one beside the photo counts first. A damaged one, or what is no regular file, is set
// aside under another name, with a message, and never overwritten. One of a newer version is read as far as
// it is understood.
Loaded loadSidecar(const std::filesystem::path& photo, const std::string& digest);
// The record beside a photo, if there is a whole one: for lists. Touches nothing and tells nothing.
std::optional<PhotoRecord> peekSidecar(const std::filesystem::path& photo);
// Writes it whole or not at all: temporary file, fsync, rename. Throws WriteError.
void saveSidecar(const std::filesystem::path& photo, const std::string& digest, const PhotoRecord& record);

// What is done while somebody else has a photo's work open: kept in a file of this process's own beside the
// sidecar. Throws WriteError.
void saveElsewhere(const std::filesystem::path& photo, const std::string& digest, const PhotoRecord& record);
// What such files hold that processes left which are gone, or that this one made: each as a version to come
// back to. The files are removed by forgetElsewhere(), once what they hold is saved.
struct LeftElsewhere {
    std::vector<std::filesystem::path> files;
    std::vector<KeptVersion> versions;
};
LeftElsewhere leftElsewhere(const std::filesystem::path& photo, const std::string& digest);
void forgetElsewhere(const LeftElsewhere& left);

// Saves records one after the other, from any thread, so that an older one never comes after a newer one of
// the same photo, whichever thread is quicker.
class SidecarWriter {
  public:
    struct Saving {
        std::string photo, digest;
        PhotoRecord record;
        bool elsewhere = false;   // see saveElsewhere()
        std::uint64_t number = 0; // rising with each change of any photo
    };
    // Throws WriteError.
    void write(const Saving& saving);

  private:
    std::mutex mutex_;
    std::map<std::string, std::uint64_t> written_;
};

// The open photos, likewise; in the data folder.
SessionState loadSession(std::vector<std::string>& messages);
void saveSession(const SessionState& session);

// A take's settings, a look, or both, under a name, as a file that can be passed on.
struct Preset {
    std::optional<Settings> settings;
    std::optional<Look> look;
};
// WriteError; also where there is one of that name and it is not to be replaced.
void savePreset(const std::string& name, const Preset& preset, bool replace = false);
bool presetExists(const std::string& name);
// A copy of the preset's file, to be passed on. A file that is there is not replaced. WriteError.
void copyPreset(const std::string& name, const std::filesystem::path& to);
// From a name in the preset folder, a preset's file, or a sidecar (the chosen take, else the first). Throws
// std::invalid_argument with a sentence.
Preset loadPreset(const std::string& nameOrFile);
std::vector<std::string> presetNames();

} // namespace irenic
