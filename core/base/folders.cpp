#include "base/folders.h"

#include <dirent.h>
#include <pwd.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdlib>
#include <cstring>
#include <stdexcept>

#include "base/process.h"
#include "base/shown_text.h"
#include "base/text.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

constexpr const char* kTemporary = "irenic-";

fs::path homeFolder() {
    const char* home = std::getenv("HOME");
    if (home && *home == '/') return home;
    const passwd* user = getpwuid(getuid());
    return user && user->pw_dir && *user->pw_dir == '/' ? fs::path(user->pw_dir) : fs::path("/");
}

fs::path ownFolder(const char* variable, const char* below) {
    const char* named = std::getenv(variable);
    const fs::path base = named && *named == '/' ? fs::path(named) : homeFolder() / below;
    return privateFolder(base / "irenic");
}

// Whose: the process is named inside, since a name in a shared folder must not be foreseen.
fs::path ownerFileOf(const fs::path& folder) { return folder / "owner"; }

void sweepTemporary(const fs::path& base) {
    std::error_code error;
    for (fs::directory_iterator it(base, error), end; !error && it != end; it.increment(error)) {
        struct stat info {};
        if (!it->path().filename().string().starts_with(kTemporary) ||
            lstat(it->path().c_str(), &info) != 0 || !S_ISDIR(info.st_mode) || info.st_uid != getuid())
            continue;
        std::error_code none;
        const fs::path owner = fs::read_symlink(ownerFileOf(it->path()), none);
        if (!none && lifeOf(owner.string()) == Life::Gone) fs::remove_all(it->path(), none);
    }
}

} // namespace

fs::path privateFolder(const fs::path& folder) {
    std::error_code error;
    if (fs::is_directory(folder, error)) return folder;
    if (folder.has_parent_path() && folder.parent_path() != folder) privateFolder(folder.parent_path());
    mkdir(folder.c_str(), 0700);
    return folder;
}

fs::path dataFolder() { return ownFolder("XDG_DATA_HOME", ".local/share"); }
fs::path configFolder() { return ownFolder("XDG_CONFIG_HOME", ".config"); }
fs::path cacheFolder() { return ownFolder("XDG_CACHE_HOME", ".cache"); }
fs::path stateFolder() { return ownFolder("XDG_STATE_HOME", ".local/state"); }

TemporaryFolder::TemporaryFolder() {
    const char* named = std::getenv("TMPDIR");
    const fs::path base = named && *named == '/' ? named : "/tmp";
    sweepTemporary(base);
    std::string name = (base / kTemporary).string() + "XXXXXX";
    if (!mkdtemp(name.data()))
        throw std::runtime_error(
            filled(IRENIC_TEXT("Cannot make a folder in %1 (%2). Check its free space and permissions."),
                   {shownPath(base), std::strerror(errno)}));
    path_ = name;
    // A link that leads nowhere holds the words in one step.
    if (symlink(thisProcess().c_str(), ownerFileOf(path_).c_str()) != 0) return;
}

TemporaryFolder::~TemporaryFolder() {
    std::error_code error;
    fs::remove_all(path_, error);
}

} // namespace irenic
