// The application, which outlives what its slots throw.
#pragma once

#include <QApplication>
#include <functional>

namespace irenic {

// Every event goes through here, and with it every slot: an exception that one lets out becomes a sentence
// for the person instead of the program's end.
class Application : public QApplication {
    Q_OBJECT

  public:
    using QApplication::QApplication;
    bool notify(QObject* receiver, QEvent* event) override;

    // Who shows such sentences; the last one that asked. Without one they go to standard error.
    static void showProblemsBy(std::function<void(const QString&)> show);
};

} // namespace irenic
