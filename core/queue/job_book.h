// The queue of files to make, in a SQLite database (write-ahead log): what is asked for, how far it is, what
// came of it. Several processes may have it open; every step is a transaction, so that a crash, a kill or a
// power cut leaves the step before or the step after.
#pragma once

#include <cstdint>
#include <filesystem>
#include <memory>
#include <optional>
#include <set>
#include <string>
#include <vector>

#include "deliver/delivery.h"

namespace irenic {

enum class JobState { Waiting, Running, Done, Failed, Cancelled };

// What is asked for.
struct JobWish {
    std::string photo;                // whole path
    std::optional<Settings> settings; // none: each photo's own recommendation, measured as it goes
    Look look;
    std::optional<Risk> risk; // of these settings on this photo
    std::string letter = "A", take;
    Delivery delivery;
    int counter = 1;     // of the photo among those asked for together
    bool resume = false; // leave out what is there already, made of the same photo in the same way
};

// A job that found its file made already, of the same photo in the same way.
inline constexpr const char* kMadeBefore = "done before";

struct QueuedJob {
    std::int64_t id = 0;
    JobWish wish;
    JobState state = JobState::Waiting;
    int tries = 0;
    std::string reason; // why it failed; of one that is done: what there is to say of it, such as kMadeBefore
    std::string target; // the file, once it is known
    std::string digest; // of the file's bytes, once it is written
    double progress = 0; // 0..1
    double seconds = 0;  // that it took
    std::int64_t beat =
        0;          // when progress was last told, or before which it is not claimed; seconds since 1970
    int worker = 0; // process
    std::string finished; // local time
};

// Why the book cannot be used. what() is a sentence.
struct BookError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

class JobBook {
  public:
    // Opens or makes the book. Throws BookError.
    explicit JobBook(const std::filesystem::path& file);
    ~JobBook();
    JobBook(const JobBook&) = delete;
    JobBook& operator=(const JobBook&) = delete;
    // $XDG_STATE_HOME/irenic/queue.sqlite.
    static std::filesystem::path usualPlace();
    const std::filesystem::path& file() const { return file_; }

    void add(const std::vector<JobWish>& wishes); // all or none, behind what is there
    std::vector<QueuedJob> list() const;          // in their order
    std::optional<QueuedJob> find(std::int64_t id) const;
    // A number that changes with every change of the book.
    std::int64_t version() const;

    // The next that waits becomes running, for this process or that worker; none: nothing waits, or all is
    // paused.
    std::optional<QueuedJob> claim();
    void setWorker(std::int64_t id, int process);
    void tellProgress(std::int64_t id, double share);
    // Just before the file gets its name: after a crash it is known whether that happened.
    void tellNaming(std::int64_t id, const std::string& target, const std::string& digest);
    void tellDone(std::int64_t id, const std::string& target, const std::string& digest, double seconds,
                  const std::string& note = {});
    // Somebody else is at it: it waits again, and is not claimed before some seconds have passed.
    void tellLater(std::int64_t id, int seconds);
    // `again`: it waits once more if it was tried but once.
    void tellFailed(std::int64_t id, const std::string& reason, bool again);

    void cancel(std::int64_t id); // a running one is told by its state
    void cancelAll();
    void retry(std::int64_t id);
    void retryFailed();
    void clearFinished(); // done and cancelled ones
    void move(std::int64_t id, int by);
    bool paused() const;
    void setPaused(bool paused);

    // Takes up what dead processes left: what got its name is done, everything else waits again. Says how
    // many wait. Jobs that are in `mine`, and those that told anything within `since` seconds, are left
    // alone.
    int recover(const std::set<std::int64_t>& mine = {}, int since = 0);

  private:
    struct Statement;
    void run(const char* sql) const;
    struct Closer {
        void operator()(void* db) const;
    };
    std::filesystem::path file_;
    std::unique_ptr<void, Closer> db_;
};

// Of a file's bytes; empty when it cannot be read.
std::string digestOfFile(const std::filesystem::path& file);
// The wish as JSON and back: what the book and the workers hand on.
std::string textOf(const JobWish& wish);
JobWish wishFrom(const std::string& text); // throws std::invalid_argument

} // namespace irenic
