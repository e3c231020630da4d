#include "recommend/recommend_button.h"

#include <QSettings>
#include <cmath>

#include "denoise/noise_left.h"
#include "said.h"
#include "session/taste.h"

namespace irenic {

namespace {

QString nameOf(Alternative::Kind kind) {
    switch (kind) {
    case Alternative::Kind::Quick: return RecommendButton::tr("quicker");
    case Alternative::Kind::Grain: return RecommendButton::tr("with grain");
    case Alternative::Kind::Sharp: return RecommendButton::tr("sharpened");
    }
    return {};
}

// A line for each.
QString linesOf(const std::vector<std::string>& sentences) {
    QString out;
    for (const std::string& sentence : sentences) out += QLatin1Char('\n') + said(sentence);
    return out;
}

QString nameOf(const Settings& settings) { return said(findMethod(settings.method)->name()); }

QString tipOf(const Alternative& other) {
    switch (other.kind) {
    case Alternative::Kind::Quick:
        return RecommendButton::tr("Adds the quickest take that is nearly as good on this photo.") +
               (other.fault.empty() ? QString() : QLatin1Char(' ') + said(other.fault)) +
               linesOf(other.subjects);
    case Alternative::Kind::Grain:
        return RecommendButton::tr("Adds a take that keeps some of the photo's own grain.");
    case Alternative::Kind::Sharp:
        return RecommendButton::tr(
            "Adds the recommended take, sharpened as much as this photo's sharpest edges are blurred.");
    }
    return {};
}

QString textOf(const Alternative& other) {
    const QString method = nameOf(other.settings);
    const QString error = numberOf(100 * other.risk.sigmas(), 0);
    switch (other.kind) {
    case Alternative::Kind::Quick:
        return RecommendButton::tr("Quicker: %1, error %2 %, %3 times as quick")
            .arg(method, error, numberOf(other.times, 1));
    case Alternative::Kind::Grain:
        return RecommendButton::tr("With grain: %1, error %2 %").arg(method, error);
    case Alternative::Kind::Sharp:
        return RecommendButton::tr("Sharpened: %1, for edges blurred by %2 px")
            .arg(method, numberOf(other.blur, 1));
    }
    return {};
}

} // namespace

RecommendButton::RecommendButton(Document& document, Jobs& jobs, QWidget* parent)
    : QToolButton(parent), document_(document), jobs_(jobs), others_(new QMenu(this)),
      byItself_(QSettings().value(QStringLiteral("recommend/byItself"), true).toBool()) {
    setObjectName(QStringLiteral("recommend"));
    connect(this, &QToolButton::clicked, this, &RecommendButton::pressedOnce);
    others_->setToolTipsVisible(true);
    connect(&ticking_, &QTimer::timeout, this, &RecommendButton::refresh);
    connect(&document_, &Document::takesChanged, this, &RecommendButton::offer);
    // What looks the same depends on the look.
    resting_.setSingleShot(true);
    resting_.setInterval(700);
    connect(&document_, &Document::lookChanged, &resting_, qOverload<>(&QTimer::start));
    connect(&resting_, &QTimer::timeout, this, &RecommendButton::offer);
    connect(&document_, &Document::photoChanged, this, [this] {
        // What nobody asked for is not wanted any more.
        std::erase_if(measuring_, [&](const auto& m) { return !m.second.asked && m.first != path(); });
        const auto& takes = document_.takes();
        const bool known = document_.facts().recommended.has_value();
        if (byItself_ && document_.photo() && !running() && !known &&
            static_cast<int>(takes.size()) < Document::kMostTakes)
            measure(false);
        refresh();
    });
    refresh();
    // Afterwards: a new text takes the key away.
    setShortcut(QKeySequence(tr("Ctrl+R")));
}

std::string RecommendButton::path() const {
    return document_.photo() ? document_.photo()->file.string() : std::string();
}

const RecommendButton::Measuring* RecommendButton::here() const {
    const auto at = measuring_.find(path());
    return at != measuring_.end() && at->second.job.active() ? &at->second : nullptr;
}

bool RecommendButton::running() const { return here() != nullptr; }

void RecommendButton::refresh() {
    setEnabled(document_.photo() != nullptr);
    const QKeySequence key = shortcut();
    setText(running()
                ? tr("Stop measuring (%1 %)").arg(std::lround(100 * std::max(0.0f, here()->job.progress())))
                : tr("Recommend"));
    if (!running()) ticking_.stop();
    setShortcut(key);
    offer();
}

void RecommendButton::offer() {
    const std::optional<Recommended> known =
        document_.photo() ? document_.facts().recommended : std::optional<Recommended>();
    others_->clear();
    setToolTip(tr("Adds the take with the least estimated error. (Ctrl+R)") +
               linesOf(known ? known->reasons : std::vector<std::string>()));
    for (const Alternative& other : known ? known->others : std::vector<Alternative>()) {
        auto* action = others_->addAction(textOf(other));
        action->setObjectName(QString::fromLatin1(idOf(other.kind)));
        action->setToolTip(tipOf(other));
        action->setEnabled(static_cast<int>(document_.takes().size()) < Document::kMostTakes);
        connect(action, &QAction::triggered, this, [this, other] {
            document_.usePreset(nameOf(other.kind).toStdString(), {other.settings, {}});
        });
    }
    if (known) offerTaste(*known), offerSize(*known);
    emit offered(!others_->isEmpty());
}

void RecommendButton::renewTaste() {
    tasteOf_.reset();
    offer();
}

void RecommendButton::offerTaste(const Recommended& known) {
    const Recipe own = recipeOf(document_.photo(), known.settings);
    if (tasteOf_ != idOf(own)) {
        tasteOf_ = idOf(own), leaning_ = {};
        tasting_ = jobs_.submit(
            Lane::Quiet, 3,
            [own](const Work& work) {
                const Taste taste = loadTaste();
                if (taste.trials < Taste::kFewest) return Leaning{};
                const NoiseLeft left = noiseLeftOnGrey(*own.photo, own.settings, work);
                return Leaning{taste.grainFor(left.luminance), taste.trials};
            },
            [this](const Outcome<Leaning>& found) {
                if (!found.value || found.value->grain <= 0) return;
                leaning_ = *found.value;
                offer();
            });
    }
    if (leaning_.grain <= 0) return;
    Settings settings = known.settings;
    settings.grain = leaning_.grain;
    auto* action = others_->addAction(tr("After your taste: %1 with %2 % grain (from %3 blind trials)")
                                          .arg(nameOf(settings))
                                          .arg(std::lround(100 * leaning_.grain))
                                          .arg(leaning_.trials));
    action->setObjectName(QStringLiteral("taste"));
    action->setToolTip(tr("Adds the recommended take with as much grain as you preferred in blind trials."));
    action->setEnabled(static_cast<int>(document_.takes().size()) < Document::kMostTakes);
    connect(action, &QAction::triggered, this, [this, settings] {
        document_.usePreset(tr("after your taste").toStdString(), {settings, {}});
    });
    QAction* forget = others_->addAction(tr("Forget my taste"), this, [this] {
        forgetTaste();
        renewTaste();
    });
    forget->setObjectName(QStringLiteral("forgetTaste"));
}

void RecommendButton::setLongest(int pixels) {
    if (pixels == longest_) return;
    longest_ = pixels;
    offer();
}

void RecommendButton::offerSize(const Recommended& known) {
    if (longest_ <= 0) return;
    const Recipe own = recipeOf(document_.photo(), known.settings, document_.look());
    const std::pair<RecipeId, int> asked{idOf(own), longest_};
    if (alikeOf_ != asked) {
        alikeOf_ = asked, alike_.reset();
        comparing_ = jobs_.submit(
            Lane::Quiet, 4,
            [own, longest = longest_, probes = document_.probes()](const Work& work) {
                return quickestSeenAlike(*own.photo, own.settings, own.look, longest, probes, work);
            },
            [this](const Outcome<std::optional<SeenAlike>>& found) {
                if (!found.value || !*found.value) return;
                alike_ = *found.value;
                offer();
            });
    }
    if (!alike_) return;
    const QString size = QString::number(longest_);
    if (alike_->settings.untouched()) {
        auto* action = others_->addAction(tr("At %1 px this photo needs no cleaning").arg(size));
        action->setObjectName(QStringLiteral("seenAlike"));
        action->setToolTip(
            tr("At the size that you export, nobody can tell the original from the recommended take."));
        action->setEnabled(false);
        return;
    }
    const QString method = nameOf(alike_->settings);
    auto* action = others_->addAction(
        tr("At %1 px: %2 looks the same, %3 times as quick").arg(size, method, numberOf(alike_->times, 1)));
    action->setObjectName(QStringLiteral("seenAlike"));
    action->setToolTip(
        tr("Adds the quickest take that nobody can tell from the recommended one at the size that you "
           "export."));
    action->setEnabled(static_cast<int>(document_.takes().size()) < Document::kMostTakes);
    connect(action, &QAction::triggered, this, [this, settings = alike_->settings] {
        document_.usePreset(tr("for the size").toStdString(), {settings, {}});
    });
}

void RecommendButton::setByItself(bool on) {
    byItself_ = on;
    QSettings().setValue(QStringLiteral("recommend/byItself"), on);
}

void RecommendButton::pressedOnce() {
    if (running())
        measuring_.erase(path());
    else if (document_.photo())
        measure(true);
    refresh();
}

void RecommendButton::measure(bool asked) {
    // What was asked for goes before the quiet work that nobody asked for.
    Job job = jobs_.submit(
        Lane::Quiet, asked ? -10 : 2,
        [photo = document_.photo(), look = document_.look(), probes = document_.probes()](const Work& work) {
            const Recommendation found = recommend(*photo, look, probes, work);
            return Recommended{found.settings, found.risk, found.others, reasonsOf(*photo, found),
                               found.contrasts};
        },
        [this, asked, file = path()](const Outcome<Recommended>& found) {
            measuring_.erase(file);
            refresh();
            if (!found.value) return emit said(irenic::said(found.problem));
            const std::vector<Take> before = document_.takes();
            document_.setRecommended(file, *found.value, asked);
            refresh();
            if (!asked || file != path() || !(document_.takes() == before)) return;
            for (const Take& t : document_.takes())
                if (t.settings == found.value->settings)
                    emit said(tr("Take %1 is the recommendation for this photo.").arg(QLatin1Char(t.letter)));
        });
    measuring_[path()] = {std::move(job), asked};
    ticking_.start(200);
}

} // namespace irenic
