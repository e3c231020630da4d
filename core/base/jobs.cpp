#include "base/jobs.h"

#include <algorithm>
#include <filesystem>
#include <new>
#include <oneapi/tbb/task_arena.h>
#include <sys/resource.h>

#include "base/shown_text.h"
#include "base/text.h"

namespace irenic {

namespace {

// Reading has two: a reader that was cancelled may take a moment to notice.
constexpr struct {
    Lane lane;
    int threads;
} kLanes[] = {{Lane::Pixels, 1}, {Lane::Reading, 2}, {Lane::Saving, 1}, {Lane::Quiet, 1}, {Lane::Writing, 1}};

bool standsBack(Lane lane) { return lane == Lane::Quiet || lane == Lane::Writing; }

} // namespace

std::string problemOf(const std::exception& e) {
    if (dynamic_cast<const std::bad_alloc*>(&e))
        return IRENIC_TEXT(
            "There is not enough memory for this. Close other programs or photos and try again.");
    if (const auto* disk = dynamic_cast<const std::filesystem::filesystem_error*>(&e))
        return shownPath(disk->path1()) + ": " +
               filled(IRENIC_TEXT("%1. Check that it is there and may be used."), {disk->code().message()});
    return e.what();
}

void Job::cancel() {
    if (!entry_) return;
    entry_->cancelled = true;
    entry_->state = State::Over;
    const std::lock_guard lock(entry_->mutex);
    entry_->run.request_stop();
}

Jobs::Jobs(Deliver deliver) : deliver_(std::move(deliver)) {
    for (const auto& l : kLanes)
        for (int i = 0; i < l.threads; ++i)
            threads_.emplace_back(
                [this, lane = l.lane](const std::stop_token& ending) { serve(lane, ending); });
}

Jobs::~Jobs() {
    {
        const std::lock_guard lock(mutex_);
        for (Line& line : lines_) {
            for (const auto& entry : line.working) {
                entry->cancelled = true;
                const std::lock_guard run(entry->mutex);
                entry->run.request_stop();
            }
            line.waiting.clear();
        }
    }
    for (std::jthread& t : threads_) t.request_stop();
    wake_.notify_all();
    threads_.clear();
}

void Jobs::insert(const std::shared_ptr<Job::Entry>& entry) {
    auto& waiting = lines_[static_cast<std::size_t>(entry->lane)].waiting;
    const auto after = std::upper_bound(waiting.begin(), waiting.end(), entry,
                                        [](const auto& a, const auto& b) { return a->order < b->order; });
    waiting.insert(after, entry);
}

void Jobs::put(const std::shared_ptr<Job::Entry>& entry) {
    {
        const std::lock_guard lock(mutex_);
        Line& line = lines_[static_cast<std::size_t>(entry->lane)];
        // Nobody asks for these any more.
        std::erase_if(line.waiting, [](const auto& e) { return e->cancelled.load(); });
        insert(entry);
        for (const auto& other : line.working)
            if (other->order > entry->order + 1) {
                const std::lock_guard run(other->mutex);
                other->run.request_stop();
            }
    }
    wake_.notify_all();
}

void Jobs::runOne(const std::shared_ptr<Job::Entry>& entry) {
    std::stop_token stop;
    {
        const std::lock_guard run(entry->mutex);
        entry->run = {};
        if (entry->cancelled) entry->run.request_stop();
        stop = entry->run.get_token();
    }
    try {
        entry->done = 0;
        std::function<void()> handOver;
        if (standsBack(entry->lane)) {
            tbb::task_arena behind(tbb::task_arena::automatic, 1, tbb::task_arena::priority::low);
            behind.execute([&] { handOver = entry->make({stop, &entry->done}); });
        } else {
            handOver = entry->make({stop, &entry->done});
        }
        if (!entry->cancelled) deliver_(std::move(handOver));
    } catch (const Cancelled&) {
        const std::lock_guard lock(mutex_);
        if (!entry->cancelled) entry->state = Job::State::Waiting, insert(entry); // it gave way
    }
}

void Jobs::serve(Lane lane, const std::stop_token& ending) {
    if (standsBack(lane)) setpriority(PRIO_PROCESS, 0, 10); // of this thread alone, on Linux
    Line& line = lines_[static_cast<std::size_t>(lane)];
    while (!ending.stop_requested()) {
        std::shared_ptr<Job::Entry> entry;
        {
            std::unique_lock lock(mutex_);
            if (!wake_.wait(lock, ending, [&line] { return !line.waiting.empty(); })) return;
            entry = line.waiting.front();
            line.waiting.pop_front();
            Job::State waiting = Job::State::Waiting;
            if (!entry->state.compare_exchange_strong(waiting, Job::State::Working)) continue; // cancelled
            line.working.push_back(entry);
        }
        runOne(entry);
        const std::lock_guard lock(mutex_);
        std::erase(line.working, entry);
    }
}

} // namespace irenic
