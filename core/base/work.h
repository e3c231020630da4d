// What a long computation listens to and tells: a request to stop, and how far it has come.
#pragma once

#include <atomic>
#include <exception>
#include <functional>
#include <stop_token>

namespace irenic {

// Thrown by a computation that was asked to stop; its results are incomplete and must be dropped.
struct Cancelled : std::exception {
    const char* what() const noexcept override { return "cancelled"; }
};

// Passed down by reference. check() is called at least every few milliseconds of work. `done` (may be null)
// receives the finished share, 0..1, never falling; a part of a larger work fills `share` of it from `from`
// on.
struct Work {
    std::stop_token stop;
    std::atomic<float>* done = nullptr;
    double from = 0, share = 1;

    void check() const {
        if (stop.stop_requested()) throw Cancelled();
    }
    void report(double finished) const {
        if (done) done->store(static_cast<float>(from + share * finished), std::memory_order_relaxed);
    }
    Work part(double begin, double end) const {
        return {stop, done, from + share * begin, share * (end - begin)};
    }
};

// Lets the process keep memory that it has freed: planes come and go by the hundred, and getting each anew
// from the system costs as much as the fast methods themselves. Call once, first thing in main().
void keepFreedMemory();

// Calls body(first, last) for bands of rows that cover 0..rows-1, in parallel.
void forEachBand(int rows, int atLeast, const Work& work, const std::function<void(int, int)>& body);

} // namespace irenic
