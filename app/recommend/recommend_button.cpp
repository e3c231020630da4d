#include "recommend/recommend_button.h"

#include <QSettings>
#include <cmath>

namespace irenic {

RecommendButton::RecommendButton(Document& document, Jobs& jobs, QWidget* parent)
    : QToolButton(parent), document_(document), jobs_(jobs),
      byItself_(QSettings().value(QStringLiteral("recommend/byItself"), true).toBool()) {
    setObjectName(QStringLiteral("recommend"));
    setToolTip(tr("Measures on this photo's probes which method and strengths leave the least error, and "
                  "puts them into a take of their own. Ctrl+R"));
    connect(this, &QToolButton::clicked, this, &RecommendButton::pressedOnce);
    connect(&ticking_, &QTimer::timeout, this, &RecommendButton::refresh);
    connect(&document_, &Document::photoChanged, this, [this] {
        job_.cancel();
        const auto& takes = document_.takes();
        const bool known = document_.facts().recommended.has_value();
        if (byItself_ && document_.photo() && !known && static_cast<int>(takes.size()) < Document::kMostTakes)
            measure(false);
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

void RecommendButton::setByItself(bool on) {
    byItself_ = on;
    QSettings().setValue(QStringLiteral("recommend/byItself"), on);
}

void RecommendButton::pressedOnce() {
    if (running())
        job_.cancel();
    else if (document_.photo())
        measure(true);
    refresh();
}

void RecommendButton::measure(bool asked) {
    // What was asked for goes before the quiet work that nobody asked for.
    job_ = jobs_.submit(
        Lane::Quiet, asked ? -10 : 2,
        [photo = document_.photo(), probes = document_.probes()](const Work& work) {
            return recommend(*photo, probes, work);
        },
        [this, asked, file = document_.photo()->file.string()](const Outcome<Recommendation>& found) {
            refresh();
            if (!found.value)
                emit failed(QString::fromStdString(found.problem));
            else
                document_.setRecommended(file, {found.value->settings, found.value->risk}, asked);
        });
    ticking_.start(200);
}

} // namespace irenic
