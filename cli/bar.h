// How far a long command is, on a terminal.
#pragma once

#include <unistd.h>

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cstdio>
#include <string>
#include <thread>

namespace irenic {

// A bar on a terminal, nothing elsewhere.
class Bar {
  public:
    Bar(const std::atomic<float>& done, std::string text) : text_(std::move(text)) {
        if (!isatty(STDERR_FILENO)) return;
        thread_ = std::jthread([this, &done](const std::stop_token& over) {
            const auto start = std::chrono::steady_clock::now();
            while (!over.stop_requested()) {
                const double share = std::clamp(static_cast<double>(done.load()), 0.0, 1.0);
                const std::chrono::duration<double> spent = std::chrono::steady_clock::now() - start;
                std::string bar(24, ' ');
                std::fill_n(bar.begin(), static_cast<int>(share * 24), '=');
                std::fprintf(stderr, "\r[%s] %3.0f %%  %s", bar.c_str(), 100 * share, text_.c_str());
                if (share > 0.05) std::fprintf(stderr, ", %.0f s left ", spent.count() * (1 - share) / share);
                std::fflush(stderr);
                std::this_thread::sleep_for(std::chrono::milliseconds(100));
            }
            std::fprintf(stderr, "\r\033[K");
        });
    }
    ~Bar() {
        if (thread_.joinable()) thread_.request_stop(), thread_.join();
    }
    Bar(const Bar&) = delete;
    Bar& operator=(const Bar&) = delete;

  private:
    std::string text_;
    std::jthread thread_;
};

} // namespace irenic
