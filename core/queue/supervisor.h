// Works the queue off with processes of their own: one that dies or hangs is one job's failure and nothing
// else.
#pragma once

#include <filesystem>
#include <functional>
#include <map>
#include <string>
#include <thread>

#include "queue/job_queue.h"

namespace irenic {

struct Workforce {
    std::filesystem::path program; // irenic-cli
    int workers = 2;               // at a time: one reads or writes while another cleans
    int nice = 10;                 // above 0: only while the processor has nothing else to do
    // Seconds without progress after which a worker is given up: what its photo may take, and this.
    double patience = 600;
};

class Supervisor {
  public:
    // Begins at once; `changed` is called from its thread after every change it makes.
    Supervisor(const std::filesystem::path& queue, Workforce force, std::function<void()> changed = {});
    ~Supervisor(); // ends the workers; their jobs wait again
    Supervisor(const Supervisor&) = delete;
    Supervisor& operator=(const Supervisor&) = delete;
    // Whether nothing waits (or all is paused) and nothing runs.
    bool idle() const { return idle_; }

  private:
    struct Worker {
        std::int64_t job = 0;
        double progress = -1;
        std::chrono::steady_clock::time_point moved;
        bool told = false; // to end
    };
    void watch(const std::stop_token& stop);
    bool start(const QueuedJob& job);
    void takeUp();
    bool collect(); // workers that have ended
    void look();    // at those that run

    JobQueue queue_;
    Workforce force_;
    std::function<void()> changed_;
    std::map<int, Worker> workers_; // by process
    std::atomic<bool> idle_ = false;
    std::jthread thread_;
};

} // namespace irenic
