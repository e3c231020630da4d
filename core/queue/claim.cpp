#include "queue/claim.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <chrono>
#include <condition_variable>
#include <cstring>
#include <fstream>
#include <mutex>
#include <stdexcept>
#include <string>

#include "image/process.h"
#include "raw/text.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

// Where a process number means what it means here: this start of this machine, this container.
std::string home() {
    std::string boot;
    std::ifstream("/proc/sys/kernel/random/boot_id") >> boot;
    std::error_code none;
    return boot + "/" + fs::read_symlink("/proc/self/ns/pid", none).string();
}

// Makes a file that nobody else has made, and says in it who did; false where there is one.
bool makeNew(const fs::path& file) {
    const int made = open(file.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0644);
    if (made >= 0) {
        const std::string owner = home() + " " + std::to_string(getpid()) + "\n";
        const ssize_t written = write(made, owner.data(), owner.size());
        close(made);
        // On a full disk a claim without its owner's name still is one.
        return written >= -1;
    }
    if (errno == EEXIST) return false;
    throw std::runtime_error(shownPath(file.parent_path()) + ": no file can be made there (" +
                             std::strerror(errno) + ").");
}

std::string uniqueName() {
    char host[256] = {};
    gethostname(host, sizeof host - 1);
    return std::string(host) + "-" + std::to_string(getpid());
}

// Seconds since the claim was touched, by the clock that the folder's files get their times from; none when
// it is gone.
std::optional<double> ageOf(const fs::path& claim) {
    const fs::path present = claim.string() + "." + uniqueName();
    struct stat then {
    }, now{};
    const bool there = makeNew(present) && stat(present.c_str(), &now) == 0;
    unlink(present.c_str());
    if (!there || stat(claim.c_str(), &then) != 0) return std::nullopt;
    return static_cast<double>(now.st_mtim.tv_sec - then.st_mtim.tv_sec) +
           1e-9 * static_cast<double>(now.st_mtim.tv_nsec - then.st_mtim.tv_nsec);
}

// Whether its owner was a process of this very machine that is gone.
bool ownerIsGone(const fs::path& claim) {
    std::ifstream in(claim);
    std::string where;
    int process = 0;
    return in >> where >> process && where == home() && !processLives(process);
}

bool isDead(const fs::path& claim) {
    if (ownerIsGone(claim)) return true;
    const auto age = ageOf(claim);
    return age && *age >= Claim::kDeadAfter;
}

} // namespace

fs::path claimOf(const fs::path& target) {
    return target.parent_path() / ("." + target.filename().string() + ".claim");
}

std::optional<Claim> Claim::take(const fs::path& target) {
    const fs::path file = claimOf(target);
    std::error_code error;
    fs::create_directories(file.parent_path(), error);
    if (makeNew(file)) return Claim(file);
    if (!isDead(file)) return std::nullopt;
    // A dead one's claim is moved out of the way: only one of those who try can, and what was moved must
    // still be the dead one's, not that of somebody who was quicker.
    const fs::path dead = file.string() + ".dead-" + uniqueName();
    if (rename(file.c_str(), dead.c_str()) == 0) {
        const bool wasDead = isDead(dead);
        if (!wasDead) link(dead.c_str(), file.c_str());
        unlink(dead.c_str());
        if (!wasDead) return std::nullopt;
    }
    if (makeNew(file)) return Claim(file);
    return std::nullopt;
}

Claim::Claim(fs::path file)
    : file_(std::move(file)), beat_([file = file_](const std::stop_token& stop) {
          std::mutex mutex;
          std::condition_variable_any over;
          std::unique_lock lock(mutex);
          while (!over.wait_for(lock, stop, std::chrono::seconds(5), [&] { return stop.stop_requested(); }))
              utimensat(AT_FDCWD, file.c_str(), nullptr, 0);
      }) {}

Claim::~Claim() {
    if (!beat_.joinable()) return;
    beat_.request_stop();
    beat_.join();
    unlink(file_.c_str());
}

} // namespace irenic
