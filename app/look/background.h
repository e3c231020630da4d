// A computation for the interface: runs off its thread, the newest wish cancels the one before, the answer comes back on the thread.
#pragma once

#include <QObject>
#include <functional>
#include <thread>

#include "image/work.h"

namespace irenic {

class Background : public QObject {
  public:
    using QObject::QObject;
    ~Background() override { stop(); }

    // `compute` runs on a thread of its own; what it returns is given to `use` on the interface thread, unless another run() came first.
    // What it throws is dropped.
    template <class Compute, class Use> void run(Compute compute, Use use) {
        stop();
        const int turn = ++turn_;
        thread_ = std::jthread([this, turn, compute = std::move(compute), use = std::move(use)](const std::stop_token& stopping) {
            try {
                auto answer = compute(Work{stopping, nullptr});
                QMetaObject::invokeMethod(this, [this, turn, use, answer = std::move(answer)] {
                    if (turn == turn_) use(answer);
                });
            } catch (const std::exception&) {
            }
        });
    }
    void stop() {
        ++turn_;
        thread_.request_stop();
        // The computations here notice within milliseconds.
        if (thread_.joinable()) thread_.join();
    }

  private:
    int turn_ = 0;
    std::jthread thread_;
};

} // namespace irenic
