#include "queue_commands.h"

#include <sched.h>
#include <sys/prctl.h>
#include <sys/resource.h>

#include <CLI/CLI.hpp>
#include <algorithm>
#include <csignal>
#include <cstdio>
#include <memory>
#include <nlohmann/json.hpp>
#include <thread>

#include "base/text.h"
#include "common.h"
#include "judge/checks.h"
#include "queue/perform.h"
#include "queue/supervisor.h"
#include "reader/reader.h"

namespace irenic {

using nlohmann::json;

namespace {

struct QueueOptions {
    std::string queue = JobQueue::usualPlace().string();
    std::int64_t job = 0;
    int nice = 0, workers = 2;
    bool asJson = false, worstFirst = false;
};

constexpr const char* kStates[] = {"waiting", "running", "done", "failed", "cancelled"};

int list(const QueueOptions& o) {
    const JobQueue queue(o.queue);
    json all = json::array();
    std::vector<QueuedJob> jobs = queue.list();
    if (o.worstFirst)
        std::stable_sort(jobs.begin(), jobs.end(),
                         [](const QueuedJob& a, const QueuedJob& b) { return a.severity > b.severity; });
    for (const QueuedJob& j : jobs) {
        const char* state = kStates[static_cast<int>(j.state)];
        all.push_back({{"id", j.id},
                       {"photo", shownPath(j.request.photo)},
                       {"state", state},
                       {"progress", j.progress},
                       {"target", shownPath(j.target)},
                       {"reason", j.reason},
                       {"tries", j.tries}});
        if (j.severity >= 0) all.back()["worst"] = worstFound(j.severity, j.found);
        if (!o.asJson)
            std::printf("%5lld  %-9s %s%s%s%s\n", static_cast<long long>(j.id), state,
                        shownPath(j.request.photo).c_str(), j.target.empty() ? "" : " -> ",
                        shownPath(j.target).c_str(), j.reason.empty() ? "" : ("  " + j.reason).c_str());
        if (!o.asJson && j.severity >= 0)
            std::printf("       %-4s  %s\n", idOf(gradeOf(j.severity)), j.found.c_str());
    }
    if (o.asJson) print(all);
    return 0;
}

// Until nothing waits any more. Exit status 1 where something failed.
int runQueue(const QueueOptions& o, const Work& work) {
    JobQueue queue(o.queue);
    queue.recover();
    queue.setPaused(false);
    Workforce force;
    force.program = std::filesystem::read_symlink("/proc/self/exe");
    force.workers = o.workers, force.nice = o.nice;
    const Supervisor supervisor(o.queue, force);
    for (;;) {
        work.check();
        std::this_thread::sleep_for(std::chrono::milliseconds(200));
        bool open = false, failed = false;
        for (const QueuedJob& j : queue.list()) {
            open |= j.state == JobState::Waiting || j.state == JobState::Running;
            failed |= j.state == JobState::Failed;
        }
        if (!open) return failed ? 1 : 0;
    }
}

// One job, as a worker. It ends with the process that started it.
int workOn(const QueueOptions& o, const Work& work) {
    prctl(PR_SET_PDEATHSIG, SIGKILL);
    setpriority(PRIO_PROCESS, 0, o.nice);
    if (o.nice > 0) {
        // Whoever works in the window comes first, always: what is idle otherwise is enough for a night's
        // work. A photo may then take as long as somebody works.
        const sched_param none{};
        sched_setscheduler(0, SCHED_IDLE, &none);
        if (const auto program = readerBesideThis()) {
            ReaderSetup patient{*program};
            patient.patience = 600;
            useReader(patient);
        }
    }
    JobQueue queue(o.queue);
    const auto job = queue.find(o.job);
    if (!job) throw WrongUsage("--job: there is no such job");
    return perform(queue, *job, work) ? 0 : 1;
}

} // namespace

void addQueueCommands(CLI::App& app, const Work& work, int& status) {
    const auto options = std::make_shared<QueueOptions>();
    auto* queue = app.add_subcommand("queue", "The export queue");
    queue->require_subcommand(1);
    const auto add = [&](const char* name, const char* text, std::function<int()> act) {
        auto* command = queue->add_subcommand(name, text);
        command->add_option("--queue", options->queue, "The queue's file; default: this user's");
        command->callback([&status, act = std::move(act)] { status = act(); });
        return command;
    };
    auto* listing =
        add("list", "Say what waits, runs, is done and has failed", [options] { return list(*options); });
    listing->add_flag("--json", options->asJson);
    listing->add_flag("--worst-first", options->worstFirst,
                      "Begin with what checking found worst (clean --later --check)");
    add("run", "Export everything that is waiting", [options, &work] { return runQueue(*options, work); })
        ->add_option("--jobs", options->workers, "Processes at a time")
        ->check(CLI::Range(1, 64));
    add("retry", "Put what failed back in the queue", [options] {
        JobQueue(options->queue).retryFailed();
        return 0;
    });
    add("clear", "Forget what is done or cancelled", [options] {
        JobQueue(options->queue).clearFinished();
        return 0;
    });
    auto* worker = app.add_subcommand("work", "One job of a queue, as its worker")->group("");
    worker->add_option("--queue", options->queue)->required();
    worker->add_option("--job", options->job)->required();
    worker->add_option("--nice", options->nice);
    worker->callback([options, &work, &status] { status = workOn(*options, work); });
}

} // namespace irenic
