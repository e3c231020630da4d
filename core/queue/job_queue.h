// The queue of files to make, in a SQLite database (write-ahead log): what is asked for, how far it is, what
// came of it. Several processes may have it open; every step is a transaction that is on the disk when it
// returns, so that a crash, a kill or a power cut leaves the step before or the step after.
#pragma once

#include <cstdint>
#include <filesystem>
#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <set>
#include <string>
#include <vector>

#include "deliver/delivery.h"

namespace irenic {

enum class JobState { Waiting, Running, Done, Failed, Cancelled };

// What is asked for: one file of one photo.
struct ExportRequest {
    std::string photo;                // whole path
    std::optional<Settings> settings; // none: each photo's own recommendation, measured as it goes
    Look look;
    std::optional<Risk> risk; // of these settings on this photo
    std::string letter = "A", take;
    Delivery delivery;
    int counter = 1;     // of the photo among those asked for together
    bool resume = false; // leave out what is there already, made of the same photo in the same way
    bool check = false;  // measure what the take did to the photo, once the file is there
    // The noise of the series that the photo belongs to; none: its own.
    std::optional<NoiseModel> noise;
    // A command that is then run on the file (base/command.h); empty: none. No preset and no sidecar has one:
    // what strangers wrote runs nothing.
    std::string then;
};

// A job that found its file made already, of the same photo in the same way.
inline constexpr const char* kMadeBefore = "done before";

struct QueuedJob {
    std::int64_t id = 0;
    ExportRequest request;
    JobState state = JobState::Waiting;
    int tries = 0;
    std::string reason; // why it failed; of one that is done: what there is to say of it, such as kMadeBefore
    std::string target; // the file, once it is known
    std::string digest; // of the file's bytes, once it is written
    double progress = 0; // 0..1
    double seconds = 0;  // that it took
    // When its worker was last known to live, or before which it is not claimed; seconds since 1970.
    std::int64_t heartbeat = 0;
    std::string owner;    // nameOfProcess() of the worker, while it runs
    std::string finished; // local time
    // Of what was checked: how bad the worst is (Finding::severity), below 0: nothing; and a sentence on it.
    double severity = -1;
    std::string found;
};

// Why the queue cannot be used. what() is a sentence with the file's name and what can be done.
struct QueueError : std::runtime_error {
    QueueError(const std::string& words, bool isDamaged) : std::runtime_error(words), damaged(isDamaged) {}
    bool damaged; // the file is no queue, or broken: setAside() makes room for a new one
};

class JobQueue {
  public:
    // Milliseconds that another process may hold it before a step fails: workers wait, a window does not.
    static constexpr int kPatience = 15000, kAtOnce = 250;

    // Opens or makes the file. Throws QueueError.
    explicit JobQueue(const std::filesystem::path& file, int patience = kPatience);
    ~JobQueue();
    JobQueue(const JobQueue&) = delete;
    JobQueue& operator=(const JobQueue&) = delete;
    // $XDG_STATE_HOME/irenic/queue.sqlite.
    static std::filesystem::path usualPlace();
    // Gives a damaged file another name, which is returned. Throws QueueError.
    static std::filesystem::path setAside(const std::filesystem::path& file);
    const std::filesystem::path& file() const { return file_; }

    // All or none, behind what is there. Throws QueueError, and std::invalid_argument for a request that is
    // longer than any sensible one (64 kB). Returns their ids.
    std::vector<std::int64_t> add(const std::vector<ExportRequest>& requests);
    std::vector<QueuedJob> list() const; // in their order
    std::optional<QueuedJob> find(std::int64_t id) const;
    // A number that changes with every change.
    std::int64_t version() const;

    // The next that waits becomes running, for this process or that worker; none: nothing waits, or all is
    // paused.
    std::optional<QueuedJob> claim();
    void setWorker(std::int64_t id, int process);
    void noteProgress(std::int64_t id, double share);
    void noteHeartbeat(std::int64_t id); // its worker lives, whether it gets on or not
    // Just before the file gets its name: after a crash it is known whether that happened.
    void noteNaming(std::int64_t id, const std::string& target, const std::string& digest);
    void noteDone(std::int64_t id, const std::string& target, const std::string& digest, double seconds,
                  const std::string& note = {});
    // What came of checking, of one that is running.
    void noteFound(std::int64_t id, double severity, const std::string& sentence);
    // Somebody else is at it: it waits again, and is not claimed before some seconds have passed.
    void postpone(std::int64_t id, int seconds);
    // `again`: it waits once more if it was tried but once.
    void noteFailed(std::int64_t id, const std::string& reason, bool again);

    void cancel(std::int64_t id); // a running one is told by its state
    void cancelAll();
    void retry(std::int64_t id);
    void retryFailed();
    void clearFinished();               // done and cancelled ones
    void move(std::int64_t id, int by); // so many places later, or earlier where negative, within the list
    bool paused() const;
    void setPaused(bool paused);

    // Takes up what dead processes left: what got its name is done, everything else waits again. A process of
    // this start of this machine is known to live or not; any other is dead when nothing was heard of it for
    // kDeadAfter seconds. Says how many wait. Jobs that are in `mine`, and those of which anything was heard
    // within `since` seconds, are left alone.
    static constexpr int kDeadAfter = 60;
    int recover(const std::set<std::int64_t>& mine = {}, int since = 0);

  private:
    struct Statement;
    struct Transaction;
    void run(const char* sql) const;
    void prepare();
    QueuedJob jobFrom(const Statement& row) const;
    std::shared_ptr<const ExportRequest> requestOf(std::int64_t id, std::string& problem) const;

    struct Closer {
        void operator()(void* db) const;
    };
    std::filesystem::path file_;
    std::unique_ptr<void, Closer> db_;
    // One statement or transaction at a time, from its first row to its last: a write that began within
    // another thread's read would be refused at once where another program has written since that read began
    // (sqlite.org/rescode.html, SQLITE_BUSY_SNAPSHOT), however patient the connection is. Statements within
    // others of the same thread are allowed.
    mutable std::recursive_mutex mutex_;
    // Requests never change: each is read from its text once.
    mutable std::map<std::int64_t, std::shared_ptr<const ExportRequest>> requests_;
};

// Of a file's bytes; empty when it cannot be read.
std::string digestOfFile(const std::filesystem::path& file);
// The request as JSON and back: what the queue and the workers hand on.
std::string textOf(const ExportRequest& request);
ExportRequest requestFrom(const std::string& text); // throws std::invalid_argument

} // namespace irenic
