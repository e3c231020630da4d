#include "base/claim.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <chrono>
#include <condition_variable>
#include <cstring>
#include <mutex>
#include <set>
#include <stdexcept>
#include <thread>

#include "base/digest.h"
#include "base/given_file.h"
#include "base/shown_text.h"
#include "base/text.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

constexpr std::uint64_t kMostWords = 1024; // bytes of a claim
constexpr auto kBeat = std::chrono::seconds(5);

// Touches all claims of this process.
class Beats {
  public:
    static Beats& all() {
        static Beats one;
        return one;
    }
    void add(const fs::path& file) {
        const std::lock_guard lock(mutex_);
        files_.insert(file);
        if (!thread_.joinable()) thread_ = std::jthread([this](const std::stop_token& stop) { run(stop); });
    }
    void remove(const fs::path& file) {
        const std::lock_guard lock(mutex_);
        files_.erase(file);
    }

  private:
    void run(const std::stop_token& stop) {
        std::unique_lock lock(mutex_);
        while (!over_.wait_for(lock, stop, kBeat, [&] { return stop.stop_requested(); })) {
            const std::set<fs::path> now = files_;
            lock.unlock(); // a folder on another machine may take its time
            for (const fs::path& file : now) utimensat(AT_FDCWD, file.c_str(), nullptr, 0);
            lock.lock();
        }
    }
    std::mutex mutex_;
    std::condition_variable_any over_;
    std::set<fs::path> files_;
    std::jthread thread_;
};

// Makes a file that nobody else has made; false where there is one.
bool makeNew(const fs::path& file, const std::string& words) {
    const int made = open(file.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0644);
    if (made >= 0) {
        const ssize_t written = write(made, words.data(), words.size());
        close(made);
        // On a full disk a claim without its owner's name still is one.
        return written >= -1;
    }
    if (errno == EEXIST) return false;
    throw std::runtime_error(filled(IRENIC_TEXT("Cannot write in %1 (%2). Choose another folder."),
                                    {shownPath(file.parent_path()), std::strerror(errno)}));
}

std::string wordsIn(const fs::path& file) {
    try {
        return textOfFile(file, kMostWords).value_or("");
    } catch (const FileError&) {
        return {};
    }
}

std::string uniqueEnding() {
    static std::atomic<unsigned> count = 0;
    Digest digest;
    digest.add(thisProcess()), digest.add(++count);
    return digest.text().substr(0, 12);
}

// Seconds since the claim was touched, by the clock that the folder's files get their times from; none when
// it is gone.
std::optional<double> ageOf(const fs::path& claim) {
    const fs::path present = claim.parent_path() / (".irenic-" + uniqueEnding());
    struct stat then {
    }, now{};
    const bool there = makeNew(present, {}) && stat(present.c_str(), &now) == 0;
    unlink(present.c_str());
    if (!there || lstat(claim.c_str(), &then) != 0) return std::nullopt;
    return static_cast<double>(now.st_mtim.tv_sec - then.st_mtim.tv_sec) +
           1e-9 * static_cast<double>(now.st_mtim.tv_nsec - then.st_mtim.tv_nsec);
}

Claim::Holder holderOf(const fs::path& claim) {
    const std::string words = wordsIn(claim), process = words.substr(0, words.find(' '));
    return {process, lifeOf(process)};
}

bool isDead(const fs::path& claim) {
    const Life life = holderOf(claim).life;
    if (life != Life::Unknown) return life == Life::Gone;
    const auto age = ageOf(claim);
    return age && *age >= Claim::kDeadAfter;
}

} // namespace

fs::path claimOf(const fs::path& target) {
    const std::string name = target.filename().string();
    if (name.size() <= 200) return target.parent_path() / ("." + name + ".claim");
    Digest digest; // the name would be too long
    digest.add(name);
    return target.parent_path() / (".irenic-" + digest.text() + ".claim");
}

std::optional<Claim> Claim::take(const fs::path& file, Holder* holder) {
    std::error_code error;
    fs::create_directories(file.parent_path(), error);
    const std::string words = thisProcess() + " " + uniqueEnding() + "\n";
    if (makeNew(file, words)) return Claim(file, words);
    const auto refused = [&]() -> std::optional<Claim> {
        if (holder) *holder = holderOf(file);
        return std::nullopt;
    };
    if (!isDead(file)) return refused();
    // A dead one's claim is moved out of the way: only one of those who try can, and what was moved must
    // still be the dead one's, not that of somebody who was quicker.
    const fs::path dead = file.parent_path() / (".irenic-dead-" + uniqueEnding());
    if (rename(file.c_str(), dead.c_str()) == 0) {
        const bool wasDead = isDead(dead);
        if (!wasDead) link(dead.c_str(), file.c_str());
        unlink(dead.c_str());
        if (!wasDead) return refused();
    }
    if (makeNew(file, words)) return Claim(file, words);
    return refused();
}

std::optional<Claim> Claim::takeOver(const fs::path& file) {
    unlink(file.c_str());
    return take(file);
}

Claim::Claim(fs::path file, std::string words) : file_(std::move(file)), words_(std::move(words)) {
    Beats::all().add(file_);
}

Claim::Claim(Claim&& other) noexcept : file_(std::move(other.file_)), words_(std::move(other.words_)) {
    other.file_.clear();
}

Claim& Claim::operator=(Claim&& other) noexcept {
    std::swap(file_, other.file_), std::swap(words_, other.words_);
    return *this;
}

bool Claim::held() const { return !file_.empty() && wordsIn(file_) == words_; }

Claim::~Claim() {
    if (file_.empty()) return;
    Beats::all().remove(file_);
    if (held() || wordsIn(file_).empty()) unlink(file_.c_str());
}

} // namespace irenic
