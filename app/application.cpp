#include "application.h"

#include <QtGlobal>
#include <utility>

#include "base/jobs.h"
#include "said.h"

namespace irenic {

namespace {

std::function<void(const QString&)>& shower() {
    static std::function<void(const QString&)> one;
    return one;
}

void tell(const QString& problem) {
    qWarning("irenic: %s", qPrintable(problem));
    if (shower()) shower()(problem);
}

} // namespace

void Application::showProblemsBy(std::function<void(const QString&)> show) { shower() = std::move(show); }

bool Application::notify(QObject* receiver, QEvent* event) {
    try {
        return QApplication::notify(receiver, event);
    } catch (const Cancelled&) {
        return true; // nobody waits for it any more
    } catch (const std::exception& e) {
        tell(said(problemOf(e)));
    } catch (...) {
        tell(tr("Something went wrong, for an unknown reason. Your last action may not have been done."));
    }
    return true;
}

} // namespace irenic
