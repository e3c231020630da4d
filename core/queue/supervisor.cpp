#include "queue/supervisor.h"

#include "base/shown_text.h"

#include <csignal>
#include <cstring>
#include <spawn.h>
#include <sys/wait.h>

#include <chrono>
#include <vector>

extern char** environ;

namespace irenic {

namespace {

std::string wordsFor(int status) {
    if (WIFSIGNALED(status)) {
        const int signal = WTERMSIG(status);
        return signal == SIGKILL
                   ? std::string(IRENIC_TEXT(
                         "The export process was stopped from outside, perhaps for lack of memory. "
                         "Close other programs and retry."))
                   : filled(IRENIC_TEXT("The worker died (%1). The file may be damaged; try it by itself."),
                            {strsignal(signal)});
    }
    return filled(IRENIC_TEXT("The export process stopped (status %1). Retry it alone."),
                  {std::to_string(WEXITSTATUS(status))});
}

} // namespace

Supervisor::Supervisor(const std::filesystem::path& queue, Workforce force, std::function<void()> changed)
    : queue_(queue), force_(std::move(force)), changed_(std::move(changed)),
      thread_([this](const std::stop_token& stop) { watch(stop); }) {}

Supervisor::~Supervisor() {
    thread_.request_stop();
    thread_.join();
}

void Supervisor::watch(const std::stop_token& stop) {
    for (int turn = 0; !stop.stop_requested(); ++turn) {
        try {
            bool any = collect();
            look();
            if (turn % 20 == 0) takeUp();
            while (static_cast<int>(workers_.size()) < force_.workers) {
                const auto job = queue_.claim();
                if (!job) break;
                start(*job);
                any = true;
            }
            idle_ = workers_.empty();
            if (any && changed_) changed_();
        } catch (const QueueError&) {
            // Another process may hold the queue for long; the next turn comes.
        }
        std::this_thread::sleep_for(std::chrono::milliseconds(100));
    }
    for (const auto& [process, worker] : workers_) kill(process, SIGTERM);
    for (const auto& [process, worker] : workers_) {
        int status = 0;
        // They stop within a quarter of a second; what does not is ended.
        for (int i = 0; i < 40 && waitpid(process, &status, WNOHANG) == 0; ++i) {
            std::this_thread::sleep_for(std::chrono::milliseconds(50));
            if (i == 38) kill(process, SIGKILL);
        }
    }
    try {
        queue_.recover();
    } catch (const QueueError&) {
        // The next start takes them up.
    }
}

// What workers of others left that have died: they may have lived a moment longer than who started them, and
// nobody has heard of their end.
void Supervisor::takeUp() {
    std::set<std::int64_t> mine;
    for (const auto& [process, worker] : workers_) mine.insert(worker.job);
    constexpr int kSurelyUnheard = 10; // seconds
    queue_.recover(mine, kSurelyUnheard);
}

bool Supervisor::start(const QueuedJob& job) {
    const std::string id = std::to_string(job.id), nice = std::to_string(force_.nice),
                      program = force_.program.string(), queue = queue_.file().string();
    std::vector<const char*> words = {program.c_str(), "work",   "--queue",    queue.c_str(), "--job",
                                      id.c_str(),      "--nice", nice.c_str(), nullptr};
    pid_t process = 0;
    const int error =
        posix_spawn(&process, program.c_str(), nullptr, nullptr, const_cast<char**>(words.data()), environ);
    if (error != 0) {
        queue_.noteFailed(
            job.id,
            program + ": " +
                filled(IRENIC_TEXT("the worker cannot be started (%1)."), {std::strerror(error)}),
            false);
        return false;
    }
    workers_[process] = {job.id, -1, std::chrono::steady_clock::now()};
    queue_.setWorker(job.id, process);
    return true;
}

bool Supervisor::collect() {
    bool any = false;
    for (auto at = workers_.begin(); at != workers_.end();) {
        int status = 0;
        if (waitpid(at->first, &status, WNOHANG) == 0) {
            ++at;
            continue;
        }
        const auto job = queue_.find(at->second.job);
        // One that has said what came of it needs no more words.
        if (job && job->state == JobState::Running) {
            if (!job->target.empty() && !job->digest.empty() && digestOfFile(job->target) == job->digest)
                queue_.noteDone(job->id, job->target, job->digest, job->seconds);
            else
                queue_.noteFailed(job->id,
                                  at->second.told ? IRENIC_TEXT("The worker made no progress and was ended.")
                                                  : wordsFor(status),
                                  true);
        }
        at = workers_.erase(at);
        any = true;
    }
    return any;
}

void Supervisor::look() {
    const auto now = std::chrono::steady_clock::now();
    for (auto& [process, worker] : workers_) {
        const auto job = queue_.find(worker.job);
        if (job && job->state == JobState::Cancelled) kill(process, SIGTERM);
        if (job && job->progress > worker.progress) worker.progress = job->progress, worker.moved = now;
        const std::chrono::duration<double> still = now - worker.moved;
        if (still.count() < force_.patience) continue;
        worker.told = true;
        kill(process, SIGKILL);
    }
}

} // namespace irenic
