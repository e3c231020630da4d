#include "queue/perform.h"

#include <sys/stat.h>
#include <unistd.h>

#include <atomic>
#include <chrono>
#include <thread>

#include "base/shown_text.h"
#include "measure/open.h"
#include "queue/afterwards.h"
#include "queue/deliver_once.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

std::string join(const LeftOut& sentences) {
    std::string all;
    for (const std::string& s : sentences) all += (all.empty() ? "" : " ") + s;
    return all;
}

// Nobody else can have put a file there: a queue that a stranger wrote runs nothing.
bool isPrivate(const fs::path& folder) {
    struct stat info {};
    return stat(folder.c_str(), &info) == 0 && info.st_uid == geteuid() && (info.st_mode & 077) == 0;
}

} // namespace

bool perform(JobQueue& queue, const QueuedJob& job, const Work& work) {
    // Progress is told, and a cancelled job heard of, beside the work itself.
    std::atomic<float> done = 0;
    std::stop_source stop;
    const std::stop_callback outer(work.stop, [&] { stop.request_stop(); });
    std::jthread teller([&](const std::stop_token& over) {
        float told = 0;
        for (int turn = 1; !over.stop_requested(); ++turn) {
            std::this_thread::sleep_for(std::chrono::milliseconds(200));
            try {
                constexpr int kEach = 25; // turns: five seconds
                if (turn % kEach == 0) queue.noteHeartbeat(job.id);
                const auto now = queue.find(job.id);
                if (!now || now->state != JobState::Running) stop.request_stop();
                if (done > told) queue.noteProgress(job.id, static_cast<double>(told = done));
            } catch (const QueueError&) {
                // The next turn may do better; the work itself is not the queue's.
            }
        }
    });
    const auto start = std::chrono::steady_clock::now();
    const Work inner{stop.get_token(), &done};
    try {
        const PhotoPtr photo = readPhoto(job.request.photo, inner.part(0, 0.1), Measure::Noise,
                                         {.noise = job.request.noise ? &*job.request.noise : nullptr});
        std::optional<Recommendation> measured;
        const double share = job.request.check ? 0.6 : 1; // checking takes nearly as long as cleaning
        const auto naming = [&](const fs::path& target, const std::string& digest) {
            queue.noteNaming(job.id, target.string(), digest);
        };
        const auto made = deliverOnce(job.request, *photo, measured, {}, inner.part(0.1, share), naming);
        if (!made) {
            constexpr int kLookAgain = 10; // seconds
            queue.postpone(job.id, kLookAgain);
            return false;
        }
        LeftOut notes = made->left;
        if (!made->before) {
            ExportRequest request = job.request;
            if (!request.then.empty() && !isPrivate(fs::absolute(queue.file()).parent_path())) {
                request.then.clear();
                notes.push_back(IRENIC_TEXT(
                    "The command after it was not run: others can write where this queue is kept."));
            }
            const Afterwards after = afterwards(request, *photo, *made, inner.part(share, 1));
            notes.insert(notes.end(), after.notes.begin(), after.notes.end());
            if (after.worst) queue.noteFound(job.id, after.worst->severity, after.worst->sentence);
        }
        const std::chrono::duration<double> took = std::chrono::steady_clock::now() - start;
        queue.noteDone(job.id, made->target.string(), made->digest, took.count(),
                       made->before ? kMadeBefore : join(notes));
        return true;
    } catch (const Cancelled&) {
        return false;
    } catch (const QueueError&) {
        throw;
    } catch (const std::exception& e) {
        queue.noteFailed(job.id, e.what(), false); // the same file would fail the same way
        return false;
    }
}

} // namespace irenic
