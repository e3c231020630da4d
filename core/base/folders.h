// Folders of the program's own, after the XDG base directory specification, version 0.8.
#pragma once

#include <filesystem>

namespace irenic {

// Each is made where it is missing, for this user alone (mode 0700), and named "irenic" below the folder that
// the variable names; a relative or empty value is ignored, as the specification asks. Where no folder can be
// made the path comes back all the same, and whatever is written there fails with its own message.
std::filesystem::path dataFolder();   // $XDG_DATA_HOME, ~/.local/share: sidecars, the session
std::filesystem::path configFolder(); // $XDG_CONFIG_HOME, ~/.config: presets
std::filesystem::path stateFolder();  // $XDG_STATE_HOME, ~/.local/state: the queue, what exports took
std::filesystem::path cacheFolder();  // $XDG_CACHE_HOME, ~/.cache: pictures that can be made again

// A folder below one of these, made likewise.
std::filesystem::path privateFolder(const std::filesystem::path& folder);

// A new folder under a name that nobody can foresee, for this user alone, in the temporary folder; it goes
// with its owner. Folders that killed processes left are swept first. Throws std::runtime_error with a
// sentence.
class TemporaryFolder {
  public:
    TemporaryFolder();
    ~TemporaryFolder();
    TemporaryFolder(const TemporaryFolder&) = delete;
    TemporaryFolder& operator=(const TemporaryFolder&) = delete;
    const std::filesystem::path& path() const { return path_; }

  private:
    std::filesystem::path path_;
};

} // namespace irenic
