#include "queue/perform.h"

#include <atomic>
#include <chrono>
#include <thread>

#include "measure/open.h"
#include "queue/deliver_once.h"

namespace irenic {

namespace fs = std::filesystem;

bool perform(JobBook& book, const QueuedJob& job, const Work& work) {
    // Progress is told, and a cancelled job heard of, beside the work itself.
    std::atomic<float> done = 0;
    std::stop_source stop;
    const std::stop_callback outer(work.stop, [&] { stop.request_stop(); });
    std::jthread teller([&](const std::stop_token& over) {
        float told = 0;
        while (!over.stop_requested()) {
            std::this_thread::sleep_for(std::chrono::milliseconds(200));
            try {
                const auto now = book.find(job.id);
                if (!now || now->state != JobState::Running) stop.request_stop();
                if (done > told) book.tellProgress(job.id, static_cast<double>(told = done));
            } catch (const BookError&) {
                // The next turn may do better; the work itself is not the book's.
            }
        }
    });
    const auto start = std::chrono::steady_clock::now();
    const Work inner{stop.get_token(), &done};
    try {
        const PhotoPtr photo = readPhoto(job.wish.photo, inner.part(0, 0.1));
        std::optional<Recommendation> measured;
        const auto naming = [&](const fs::path& target, const std::string& digest) {
            book.tellNaming(job.id, target.string(), digest);
        };
        const auto made = deliverOnce(job.wish, *photo, measured, {}, inner.part(0.1, 1), naming);
        if (!made) {
            constexpr int kLookAgain = 10; // seconds
            book.tellLater(job.id, kLookAgain);
            return false;
        }
        const std::chrono::duration<double> took = std::chrono::steady_clock::now() - start;
        book.tellDone(job.id, made->target.string(), made->digest, took.count(),
                      made->before ? kMadeBefore : "");
        return true;
    } catch (const Cancelled&) {
        return false;
    } catch (const BookError&) {
        throw;
    } catch (const std::exception& e) {
        book.tellFailed(job.id, e.what(), false); // the same file would fail the same way
        return false;
    }
}

} // namespace irenic
