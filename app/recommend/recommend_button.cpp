#include "recommend/recommend_button.h"

#include <algorithm>
#include <cmath>

namespace irenic {

RecommendButton::RecommendButton(Document& document, Jobs& jobs, QWidget* parent)
    : QToolButton(parent), document_(document), jobs_(jobs) {
    setObjectName(QStringLiteral("recommend"));
    setToolTip(tr("Measures on this photo's probes which method and strengths leave the least error, and "
                  "puts them into a take of their own. Ctrl+R"));
    connect(this, &QToolButton::clicked, this, &RecommendButton::pressedOnce);
    connect(&ticking_, &QTimer::timeout, this, &RecommendButton::refresh);
    connect(&document_, &Document::photoChanged, this, [this] {
        job_.cancel();
        refresh();
    });
    refresh();
    // Afterwards: a new text takes the key away.
    setShortcut(QKeySequence(tr("Ctrl+R")));
}

void RecommendButton::refresh() {
    setEnabled(document_.photo() != nullptr);
    const QKeySequence key = shortcut();
    setText(running() ? tr("Measuring %1 %, stop").arg(std::lround(100 * std::max(0.0f, job_.progress())))
                      : tr("Recommend"));
    if (!running()) ticking_.stop();
    setShortcut(key);
}

void RecommendButton::pressedOnce() {
    if (running()) {
        job_.cancel();
    } else if (const PhotoPtr photo = document_.photo()) {
        // Before the quiet work that nobody asked for.
        job_ = jobs_.submit(
            Lane::Quiet, -10,
            [photo, probes = document_.probes()](const Work& work) {
                return recommend(*photo, probes, work);
            },
            [this](const Outcome<Recommendation>& found) {
                refresh();
                if (found.value)
                    document_.setRecommended(found.value->settings, found.value->risk);
                else
                    emit failed(QString::fromStdString(found.problem));
            });
        ticking_.start(200);
    }
    refresh();
}

} // namespace irenic
