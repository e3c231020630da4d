#include "queue/perform.h"

#include <atomic>
#include <chrono>
#include <thread>

#include "deliver/export.h"
#include "measure/open.h"
#include "measure/probes.h"
#include "raw/text.h"

namespace irenic {

namespace fs = std::filesystem;

NameParts namePartsOf(const JobWish& wish, const Photo& photo, const Settings& settings) {
    NameParts parts;
    parts.original = wish.photo, parts.letter = wish.letter, parts.take = wish.take,
    parts.method = settings.method;
    parts.iso = photo.iso, parts.taken = photo.taken, parts.counter = wish.counter;
    return parts;
}

fs::path placeFor(const JobWish& wish, const Photo& photo, const Settings& settings) {
    NameParts parts = namePartsOf(wish, photo, settings);
    const bool versions = wish.delivery.name.find("{version}") != std::string::npos;
    for (;; ++parts.version) {
        fs::path target = targetOf(wish.delivery, parts);
        std::error_code unknown;
        const bool taken = fs::exists(fs::symlink_status(target, unknown));
        if (!taken || wish.delivery.conflict == Conflict::Replace) return target;
        if (wish.delivery.conflict == Conflict::Refuse)
            throw ExportError(shownName(target) +
                              ": a file of that name is there already, and it is not to be replaced.");
        if (!versions) return freeName(target);
    }
}

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
        ExportOrder order;
        order.look = job.wish.look, order.how = job.wish.delivery;
        if (job.wish.settings) {
            order.settings = *job.wish.settings, order.risk = job.wish.risk;
        } else {
            const Recommendation r = recommend(*photo, placeProbes(*photo, inner), inner.part(0.1, 0.4));
            order.settings = r.settings, order.risk = r.risk;
        }
        order.target = placeFor(job.wish, *photo, order.settings);
        order.overwrite = order.how.conflict == Conflict::Replace;
        std::string digest;
        exportPhoto(*photo, order, inner.part(job.wish.settings ? 0.1 : 0.4, 1), [&](const fs::path& file) {
            digest = digestOfFile(file);
            book.tellNaming(job.id, order.target.string(), digest);
        });
        const std::chrono::duration<double> took = std::chrono::steady_clock::now() - start;
        book.tellDone(job.id, order.target.string(), digest, took.count());
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
