// A file that takes long to make: in the background, telling how far it is, and stopped when that is asked
// for.
#pragma once

#include <QObject>
#include <QTimer>
#include <functional>

#include "base/jobs.h"

namespace irenic {

class SlowWrite : public QObject {
    Q_OBJECT

  public:
    explicit SlowWrite(Jobs& jobs, QObject* parent = nullptr);
    using Make = std::function<std::string(const Work&)>;
    // `doing`: what is told meanwhile, "Checking all takes for the report". What another was begun for is
    // given up. `make` writes the file whole or throws; it returns what there is to say of it, or nothing.
    void begin(const QString& doing, const QString& file, Make make);
    // The same for what is no file of the person's own; `tell` hears what came of it.
    void begin(const QString& doing, std::function<void(const Outcome<std::string>&)> tell, Make make);
    void stop();
    bool running() const { return job_.active(); }

  signals:
    void message(const QString& text);

  private:
    Jobs& jobs_;
    Job job_;
    QString doing_;
    QTimer telling_;
};

} // namespace irenic
