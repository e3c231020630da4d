// A computation for the interface: runs off its thread, the newest wish cancels the one before, the answer
// comes back on the thread.
#pragma once

#include <QObject>
#include <atomic>
#include <functional>
#include <list>
#include <memory>
#include <thread>

#include "image/work.h"

namespace irenic {

class Background : public QObject {
  public:
    using QObject::QObject;
    ~Background() override { stop(); }

    // `compute` runs on a thread of its own; what it returns is given to `use` on the interface thread,
    // unless another run() came first. What it throws is dropped. Nobody waits for a computation that was
    // asked to stop.
    template <class Compute, class Use> void run(Compute compute, Use use) {
        stop();
        const int turn = ++turn_;
        auto done = std::make_shared<std::atomic<bool>>(false);
        std::jthread thread([this, turn, done, compute = std::move(compute),
                             use = std::move(use)](const std::stop_token& stopping) {
            try {
                auto answer = compute(Work{stopping, nullptr});
                QMetaObject::invokeMethod(this, [this, turn, use, answer = std::move(answer)] {
                    if (turn == turn_) use(answer);
                });
            } catch (const std::exception&) {
            }
            *done = true;
        });
        running_.push_back({std::move(thread), std::move(done)});
    }
    void stop() {
        ++turn_;
        for (Running& r : running_) r.thread.request_stop();
        std::erase_if(running_, [](const Running& r) { return r.done->load(); });
    }

  private:
    struct Running {
        std::jthread thread;
        std::shared_ptr<std::atomic<bool>> done;
    };
    int turn_ = 0;
    std::list<Running> running_;
};

} // namespace irenic
