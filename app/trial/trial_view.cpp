#include "trial/trial_view.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QStackedLayout>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <random>

#include "develop/lens.h"
#include "references/reference_shelf.h"
#include "said.h"
#include "session/take.h"
#include "style/style.h"
#include "trial/picture_pane.h"
#include "trial/trial_result.h"

namespace irenic {

namespace {

// Before cells of the sheet, which is not seen; the next question's after this one's.
constexpr double kOrder = -1000, kLater = -500;
// Answers are few: more than these a person does not give.
constexpr std::size_t kMostAnswers = 400;

} // namespace

TrialView::TrialView(Document& document, Renderer& renderer, ReferenceShelf& shelf, QWidget* parent)
    : QWidget(parent), document_(document), renderer_(renderer),
      shelf_(shelf), panes_{new PicturePane(this), new PicturePane(this)}, told_(new QLabel(this)),
      manner_(new QToolButton(this)), question_(new QWidget(this)),
      result_(new TrialResult(document, renderer.jobs(), this)), stack_(new QStackedLayout(this)) {
    setObjectName(QStringLiteral("trial"));
    setFocusPolicy(Qt::StrongFocus);
    auto* pictures = new QHBoxLayout;
    pictures->setSpacing(2 * style::kGap);
    for (std::size_t i = 0; i < 2; ++i) {
        panes_[i]->setObjectName(i == 0 ? QStringLiteral("trialFirst") : QStringLiteral("trialSecond"));
        panes_[i]->setAccessibleName(i == 0 ? tr("First picture") : tr("Second picture"));
        pictures->addWidget(panes_[i], 1);
        connect(panes_[i], &PicturePane::clicked, this, [this, i] {
            if (!flipped_) return answer(i == 0 ? Preferred::First : Preferred::Second);
            turn(i == 0);
        });
    }
    auto* row = new QHBoxLayout;
    row->setContentsMargins(style::kWideGap, style::kGap, style::kWideGap, style::kGap);
    row->setSpacing(style::kGap);
    told_->setForegroundRole(QPalette::PlaceholderText);
    told_->setObjectName(QStringLiteral("trialTold"));
    row->addWidget(told_, 1);
    const std::pair<QString, Preferred> answers[] = {{tr("←  This one"), Preferred::First},
                                                     {tr("↓  No difference"), Preferred::Neither},
                                                     {tr("This one  →"), Preferred::Second}};
    const char* names[] = {"preferFirst", "preferNeither", "preferSecond"};
    for (std::size_t i = 0; i < 3; ++i) {
        buttons_[i] = new QToolButton(this);
        buttons_[i]->setObjectName(QLatin1String(names[i]));
        buttons_[i]->setText(answers[i].first);
        buttons_[i]->setFocusPolicy(Qt::NoFocus);
        buttons_[i]->setMinimumHeight(style::controlHeight() + style::kGap);
        connect(buttons_[i], &QToolButton::clicked, this, [this, p = answers[i].second] { answer(p); });
        row->addWidget(buttons_[i]);
    }
    buttons_[0]->setToolTip(tr("You prefer the left picture, or the first one. (Left)"));
    buttons_[1]->setToolTip(tr("You see no difference, or like both as much. (Down)"));
    buttons_[2]->setToolTip(tr("You prefer the right picture, or the second one. (Right)"));
    auto* ends = new QHBoxLayout;
    ends->setSpacing(style::kGap);
    ends->addStretch(1);
    manner_->setObjectName(QStringLiteral("trialFlip"));
    manner_->setText(tr("In one place"));
    manner_->setCheckable(true);
    manner_->setFocusPolicy(Qt::NoFocus);
    manner_->setToolTip(tr("Shows both pictures in one place; Space changes between them. (F)"));
    connect(manner_, &QToolButton::toggled, this, &TrialView::setFlipped);
    ends->addWidget(manner_);
    auto* stopping = new QToolButton(this);
    stopping->setObjectName(QStringLiteral("stopTrial"));
    stopping->setText(tr("Show the result"));
    stopping->setFocusPolicy(Qt::NoFocus);
    stopping->setToolTip(tr("Ends the trial: names come back. (Esc)"));
    connect(stopping, &QToolButton::clicked, this, &TrialView::stop);
    ends->addWidget(stopping);
    row->addLayout(ends, 1);
    auto* column = new QVBoxLayout(question_);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addLayout(pictures, 1);
    column->addLayout(row);
    stack_->addWidget(question_);
    stack_->addWidget(result_);
    connect(result_, &TrialResult::closeAsked, this, &TrialView::closeAsked);
    connect(result_, &TrialResult::message, this, &TrialView::message);
    connect(result_, &TrialResult::learned, this, &TrialView::learned);
    connect(&document_, &Document::photoChanged, this, [this] {
        if (!pictures_.empty()) pictures_.clear(), emit closeAsked();
    });
}

QString TrialView::begin() {
    pictures_.clear(), answers_.clear(), later_.clear();
    if (!document_.photo() || document_.probes().empty()) return tr("Open a photo first.");
    for (const Column& column : columnsOf(document_.state())) {
        if (std::holds_alternative<OriginalColumn>(column)) continue;
        const std::optional<Shown> shown = shelf_.shownIn(column);
        if (!shown) continue; // a reference that is not there
        Pictured one{*shown, letterOf(column, document_.state()), 0};
        if (const auto* own = std::get_if<TakeColumn>(&column)) {
            const Take* take = document_.state().take(own->take);
            one.take = own->take;
            one.name += " " + (take->name.empty() ? shownTake(take->settings) : take->name);
        }
        pictures_.push_back(std::move(one));
    }
    if (pictures_.size() < kFewest) {
        pictures_.clear();
        return tr("A blind trial needs two takes or more.");
    }
    ended_ = false;
    seed_ = std::random_device()();
    stack_->setCurrentWidget(question_);
    setFocus();
    ask();
    return {};
}

// Each place in turn, so that no picture is judged at one alone.
void TrialView::ask() {
    pair_ = nextPair(static_cast<int>(pictures_.size()), answers_,
                     seed_ + static_cast<std::uint32_t>(answers_.size()));
    turn(false);
    request();
    tell();
}

QSize TrialView::paneSize() const {
    const double ratio = devicePixelRatioF();
    const int width = flipped_ ? question_->width() : (question_->width() - 2 * style::kGap) / 2;
    return QSize(std::max(64, width), std::max(64, panes_[0]->height())) * ratio;
}

RenderKey TrialView::keyOf(std::size_t picture, std::size_t probe) const {
    const Probe& at = document_.probes()[probe % document_.probes().size()];
    const double zoom = document_.zoom() > 0 ? document_.zoom() : 1;
    const PhotoPtr photo = document_.photo();
    return renderKey(pictures_[picture].shown, photo, document_.look(),
                     pictureOf(*photo, document_.look(), {double(at.x), double(at.y)}),
                     {zoom, document_.push()}, paneSize());
}

void TrialView::request() {
    if (!asking() || !isVisible()) return;
    const std::size_t both[] = {static_cast<std::size_t>(pair_.first),
                                static_cast<std::size_t>(pair_.second)};
    for (std::size_t i = 0; i < 2; ++i) {
        const RenderKey key = keyOf(both[i], answers_.size());
        const QImage ready = renderer_.cached(key);
        panes_[i]->setImage(ready);
        jobs_[i] = {};
        if (ready.isNull())
            jobs_[i] = renderer_.request(key, kOrder, [this, i](const Outcome<QImage>& made) {
                if (made.value)
                    panes_[i]->setImage(*made.value);
                else
                    panes_[i]->setFailure(said(made.problem));
                tell();
            });
    }
    prefetch();
}

void TrialView::prefetch() {
    later_.clear();
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        const RenderKey key = keyOf(i, answers_.size() + 1);
        if (renderer_.cached(key).isNull())
            later_.push_back(renderer_.request(key, kLater + static_cast<double>(i), [](const auto&) {}));
    }
}

bool TrialView::ready() const { return !panes_[0]->image().isNull() && !panes_[1]->image().isNull(); }

// Neither picture is seen before both are there: the one that is slow to make would be known by it.
void TrialView::tell() {
    for (QToolButton* b : buttons_) b->setEnabled(ready());
    const Probe& at = document_.probes()[answers_.size() % document_.probes().size()];
    const QString place =
        at.name.empty() ? QString() : QString::fromStdString(at.name) + QStringLiteral(" · ");
    if (answers_.empty()) return told_->setText(place + tr("Which do you prefer?"));
    const TrialRanking so = rankingOf(static_cast<int>(pictures_.size()), answers_);
    told_->setText(
        place +
        tr("%1 answers, the order is %2 % sure").arg(answers_.size()).arg(std::lround(100 * so.leastSure())));
}

void TrialView::turn(bool second) {
    panes_[0]->setVisible(!flipped_ || !second);
    panes_[1]->setVisible(!flipped_ || second);
}

void TrialView::setFlipped(bool flipped) {
    if (flipped_ == flipped) return;
    flipped_ = flipped;
    manner_->setChecked(flipped);
    buttons_[0]->setText(flipped ? tr("←  The first") : tr("←  This one"));
    buttons_[2]->setText(flipped ? tr("The second  →") : tr("This one  →"));
    turn(false);
    request();
}

void TrialView::answer(Preferred preferred) {
    if (!asking() || !ready()) return;
    answers_.push_back({pair_.first, pair_.second, preferred});
    if (answers_.size() >= kMostAnswers) return stop();
    ask();
}

void TrialView::takeBack() {
    if (!asking() || answers_.empty()) return;
    const TrialAnswer last = answers_.back();
    answers_.pop_back();
    pair_ = {last.first, last.second};
    turn(false);
    request();
    tell();
}

void TrialView::stop() {
    jobs_ = {}, later_.clear();
    if (ended_ || answers_.empty()) {
        pictures_.clear();
        return emit closeAsked();
    }
    ended_ = true;
    TrialRecord record;
    record.when = presentTime();
    std::vector<std::uint32_t> takes;
    for (const Pictured& p : pictures_) record.pictures.push_back(p.name), takes.push_back(p.take);
    record.answers = answers_;
    document_.noteTrial(record);
    result_->show(record, takes, tellingImages());
    stack_->setCurrentWidget(result_);
}

// Of all pictures at the one place, among those that are at hand, where the first and the last differ most.
std::vector<QImage> TrialView::tellingImages() const {
    std::vector<QImage> best(pictures_.size());
    double most = -1;
    for (std::size_t probe = 0; probe < document_.probes().size(); ++probe) {
        std::vector<QImage> here;
        for (std::size_t i = 0; i < pictures_.size(); ++i) here.push_back(renderer_.cached(keyOf(i, probe)));
        if (std::any_of(here.begin(), here.end(), [](const QImage& image) { return image.isNull(); }) ||
            here.front().size() != here.back().size())
            continue;
        double apart = 0;
        for (int y = 0; y < here[0].height(); y += 4)
            for (int x = 0; x < here[0].width(); x += 4)
                apart += std::abs(qGray(here.front().pixel(x, y)) - qGray(here.back().pixel(x, y)));
        if (apart > most) most = apart, best = std::move(here);
    }
    return best;
}

void TrialView::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Left: return answer(Preferred::First);
    case Qt::Key_Right: return answer(Preferred::Second);
    case Qt::Key_Down: return answer(Preferred::Neither);
    case Qt::Key_Backspace: return takeBack();
    case Qt::Key_F: return setFlipped(!flipped_);
    case Qt::Key_Space:
        if (flipped_) turn(panes_[0]->isVisible());
        return;
    case Qt::Key_Escape: return stop();
    default: QWidget::keyPressEvent(event);
    }
}

void TrialView::resizeEvent(QResizeEvent*) {
    if (asking()) request();
}

} // namespace irenic
