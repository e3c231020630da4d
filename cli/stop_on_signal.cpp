#include "stop_on_signal.h"

#include <signal.h>
#include <unistd.h>

namespace irenic {

namespace {

sigset_t heard() {
    sigset_t set;
    sigemptyset(&set);
    sigaddset(&set, SIGINT);
    sigaddset(&set, SIGTERM);
    sigaddset(&set, SIGHUP);  // the terminal is gone
    sigaddset(&set, SIGUSR1); // from the destructor: there is nothing more to listen for
    return set;
}

} // namespace

StopOnSignal::StopOnSignal() {
    const sigset_t set = heard();
    pthread_sigmask(SIG_BLOCK, &set, nullptr);
    listener_ = std::thread([this, set] {
        for (;;) {
            int which = 0;
            sigwait(&set, &which);
            if (which == SIGUSR1) return;
            if (signal_ != 0) _exit(128 + which);
            signal_ = which;
            stop_.request_stop();
        }
    });
}

StopOnSignal::~StopOnSignal() {
    pthread_kill(listener_.native_handle(), SIGUSR1);
    listener_.join();
}

} // namespace irenic
