// Ctrl+C and a request to end, heard by a thread of their own.
#pragma once

#include <atomic>
#include <stop_token>
#include <thread>

namespace irenic {

// Make one before any other thread is started: SIGINT, SIGTERM and SIGHUP are then taken from all of them,
// and the first that comes asks every computation to stop, so that temporary files go as after any failure. A
// second one ends the process at once.
class StopOnSignal {
  public:
    StopOnSignal();
    ~StopOnSignal();
    StopOnSignal(const StopOnSignal&) = delete;
    StopOnSignal& operator=(const StopOnSignal&) = delete;

    std::stop_token token() const { return stop_.get_token(); }
    // The exit status that tells which signal came (128 and its number, as shells have it); 0: none.
    int status() const { return signal_ ? 128 + signal_ : 0; }

  private:
    std::stop_source stop_;
    std::atomic<int> signal_ = 0;
    std::thread listener_;
};

} // namespace irenic
