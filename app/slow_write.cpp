#include "slow_write.h"

#include <cmath>

#include "said.h"

namespace irenic {

SlowWrite::SlowWrite(Jobs& jobs, QObject* parent) : QObject(parent), jobs_(jobs) {
    telling_.setInterval(500);
    connect(&telling_, &QTimer::timeout, this, [this] {
        emit message(tr("%1: %2 %").arg(doing_).arg(std::lround(100 * std::max(0.0f, job_.progress()))));
    });
}

void SlowWrite::begin(const QString& doing, const QString& file, Make make) {
    const auto tell = [this, file](const Outcome<std::string>& made) {
        if (!made.value) return emit message(tr("%1 could not be written: %2").arg(file, said(made.problem)));
        const QString note = QString::fromStdString(*made.value);
        emit message(note.isEmpty() ? tr("Written: %1").arg(file) : tr("Written: %1. %2").arg(file, note));
    };
    begin(doing, tell, std::move(make));
}

void SlowWrite::begin(const QString& doing, std::function<void(const Outcome<std::string>&)> tell,
                      Make make) {
    doing_ = doing;
    job_ = jobs_.submit(Lane::Quiet, 0, std::move(make),
                        [this, tell = std::move(tell)](const Outcome<std::string>& made) {
                            telling_.stop();
                            tell(made);
                        });
    telling_.start();
    emit message(tr("%1…").arg(doing_));
}

void SlowWrite::stop() {
    job_ = {};
    telling_.stop();
}

} // namespace irenic
