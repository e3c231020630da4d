// One kind of job for all work off the interface thread: reading, rendering, measuring, writing.
#pragma once

#include <array>
#include <atomic>
#include <condition_variable>
#include <deque>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <thread>
#include <vector>

#include "base/work.h"

namespace irenic {

// Who waits for a job. Lanes do not wait for each other; within one, the smallest order goes first, and of
// equals the oldest.
enum class Lane {
    Pixels,  // pictures on the screen: one after the other, each with all cores
    Reading, // the photo that is to be shown
    Saving,  // a person's work, onto the disk: short, and waited for by whoever closes the window
    Quiet,   // thumbnails, neighbours, measurements that nobody asked for: behind all others for the cores
    Writing  // exports: likewise
};

// What went wrong, for a person: what() where that is a sentence of ours, words of our own for what libraries
// throw.
std::string problemOf(const std::exception& e);

// A value, or a sentence that says why there is none.
template <class T> struct Outcome {
    std::optional<T> value;
    std::string problem;
};

// A job that was submitted, seen from the thread that did. It is cancelled when this goes or is replaced, and
// then nothing comes of it any more; nobody waits for it.
class Job {
  public:
    Job() = default;
    Job(Job&&) = default;
    Job& operator=(Job&& other) noexcept {
        if (this != &other) cancel(), entry_ = std::move(other.entry_);
        return *this;
    }
    ~Job() { cancel(); }

    // Submitted, and neither cancelled nor answered.
    bool active() const { return entry_ && !entry_->cancelled && entry_->state != State::Over; }
    // The finished share, 0..1; below 0 while it waits for its turn.
    float progress() const { return entry_ && entry_->state == State::Working ? entry_->done.load() : -1; }
    void cancel();

  private:
    friend class Jobs;
    enum class State : std::uint8_t { Waiting, Working, Over };
    struct Entry {
        Lane lane;
        double order;
        std::function<std::function<void()>(const Work&)> make; // gives what hands the outcome over
        std::atomic<State> state = State::Waiting;
        std::atomic<bool> cancelled = false;
        std::atomic<float> done = 0;
        std::mutex mutex; // of `run`
        std::stop_source run;
    };
    std::shared_ptr<Entry> entry_;
};

class Jobs {
  public:
    // Hands a function to the thread that submits jobs; may be called from any thread.
    using Deliver = std::function<void(std::function<void()>)>;
    explicit Jobs(Deliver deliver);
    ~Jobs(); // cancels everything and waits for what was at work

    // `make(work)` runs in the lane; what it returns, or the text of what it throws, is given to
    // `use(Outcome)` on the submitting thread, unless the job was cancelled. A job gives way to one of
    // smaller order by more than 1 in its lane, and begins anew after it: what it makes must not depend on
    // how often it began.
    template <class Make, class Use> [[nodiscard]] Job submit(Lane lane, double order, Make make, Use use) {
        using T = decltype(make(std::declval<const Work&>()));
        auto entry = std::make_shared<Job::Entry>();
        entry->lane = lane, entry->order = order;
        // The entry owns this function: a pointer that owned the entry would keep both for ever.
        entry->make = [self = std::weak_ptr(entry), make = std::move(make),
                       use = std::move(use)](const Work& work) -> std::function<void()> {
            auto outcome = std::make_shared<Outcome<T>>();
            try {
                outcome->value.emplace(make(work));
            } catch (const Cancelled&) {
                throw;
            } catch (const std::exception& e) {
                outcome->problem = problemOf(e);
            }
            return [entry = self.lock(), use, outcome] {
                if (entry->cancelled) return;
                entry->state = Job::State::Over;
                use(std::move(*outcome));
            };
        };
        put(entry);
        Job job;
        job.entry_ = std::move(entry);
        return job;
    }

  private:
    struct Line {
        std::deque<std::shared_ptr<Job::Entry>> waiting; // sorted
        std::vector<std::shared_ptr<Job::Entry>> working;
    };
    void put(const std::shared_ptr<Job::Entry>& entry);
    void insert(const std::shared_ptr<Job::Entry>& entry);
    void serve(Lane lane, const std::stop_token& ending);
    void runOne(const std::shared_ptr<Job::Entry>& entry);

    Deliver deliver_;
    std::mutex mutex_;
    std::condition_variable_any wake_;
    std::array<Line, 5> lines_;
    std::vector<std::jthread> threads_;
};

} // namespace irenic
