// What the desktop does for long work, where there is one: stay awake, tell when it is over.
#pragma once

#include <QString>
#include <memory>

namespace irenic {

// While it lives the machine does not go to sleep by itself (org.freedesktop.login1, Inhibit).
class StayAwake {
  public:
    explicit StayAwake(const QString& why);
    ~StayAwake();
    StayAwake(const StayAwake&) = delete;
    StayAwake& operator=(const StayAwake&) = delete;

  private:
    struct Held;
    std::unique_ptr<Held> held_;
};

// Starts a command with a file: its words, the file in the place of {file} or behind them, without a shell.
// Returns what went wrong, in words; empty: it runs.
QString startWith(const QString& command, const QString& file);

// A note on the desktop (org.freedesktop.Notifications); nothing where there is none.
void notify(const QString& title, const QString& text);

} // namespace irenic
