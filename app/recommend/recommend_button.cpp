#include "recommend/recommend_button.h"

namespace irenic {

RecommendButton::RecommendButton(Document& document, QWidget* parent)
    : QToolButton(parent), document_(document) {
    setObjectName(QStringLiteral("recommend"));
    setToolTip(tr("Measures on this photo's probes which method and strengths leave the least error, and "
                  "puts them into a take of their own. Ctrl+R"));
    connect(this, &QToolButton::clicked, this, &RecommendButton::pressedOnce);
    connect(&ticking_, &QTimer::timeout, this, &RecommendButton::refresh);
    connect(&document_, &Document::photoChanged, this, [this] {
        thread_.request_stop();
        refresh();
    });
    refresh();
    // Afterwards: a new text takes the key away.
    setShortcut(QKeySequence(tr("Ctrl+R")));
}

void RecommendButton::refresh() {
    setEnabled(document_.photo() != nullptr);
    const QKeySequence key = shortcut();
    setText(running_ ? tr("Measuring %1 %, stop").arg(std::lround(100 * done_.load())) : tr("Recommend"));
    setShortcut(key);
}

void RecommendButton::pressedOnce() {
    if (running_) {
        thread_.request_stop();
        return;
    }
    if (!document_.photo()) return;
    running_ = true;
    done_ = 0;
    ticking_.start(200);
    refresh();
    thread_ = std::jthread(
        [this, photo = document_.photo(), probes = document_.probes()](const std::stop_token& stop) {
            Recommendation found;
            QString problem;
            bool cancelled = false;
            try {
                found = recommend(*photo, probes, {stop, &done_});
            } catch (const Cancelled&) {
                cancelled = true;
            } catch (const std::exception& e) {
                problem = QString::fromUtf8(e.what());
            }
            QMetaObject::invokeMethod(this, [this, photo, found, problem, cancelled] {
                running_ = false;
                ticking_.stop();
                refresh();
                if (!problem.isEmpty())
                    emit failed(problem);
                else if (!cancelled && document_.photo() == photo)
                    document_.setRecommended(found.settings, found.risk);
            });
        });
}

} // namespace irenic
