#include "closeup/check_panel.h"

#include <QAbstractButton>
#include <QLabel>
#include <QPainter>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "develop/recipe.h"
#include "judge/advice.h"
#include "judge/check_kinds.h"
#include "judge/file_checks.h"
#include "judge/take_checks.h"
#include "said.h"
#include "style/style.h"

namespace irenic {

namespace {

QString gradeOf(const Finding& f) {
    if (!f.value) return CheckPanel::tr("not told");
    return f.grade == Grade::Good   ? CheckPanel::tr("good")
           : f.grade == Grade::Look ? CheckPanel::tr("look")
                                    : CheckPanel::tr("bad");
}

// One check in a line: its name, how it came out as a mark that needs no colour, and its value. With places
// to go to it can be pressed.
class CheckRow : public QAbstractButton {
  public:
    CheckRow(const Finding& finding, QWidget* parent)
        : QAbstractButton(parent), grade_(finding.grade), value_(shownValue(finding)) {
        setText(shownCheck(finding));
        setToolTip(shownSentence(finding));
        setAccessibleName(CheckPanel::tr("%1: %2, %3").arg(shownCheck(finding), value_, gradeOf(finding)));
        setAccessibleDescription(shownSentence(finding));
        setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
        const bool leads = !finding.places.empty();
        setEnabled(leads);
        setFocusPolicy(leads ? Qt::TabFocus : Qt::NoFocus);
        if (leads) setCursor(Qt::PointingHandCursor);
    }
    QSize sizeHint() const override { return {160, 24}; }

  protected:
    void paintEvent(QPaintEvent*) override {
        constexpr int kMark = 9, kEdge = 4;
        QPainter painter(this);
        const QPalette colours = palette();
        if (isEnabled() && (underMouse() || hasFocus()))
            painter.fillRect(rect(), colours.color(QPalette::Button));
        const QRect mark(kEdge, (height() - kMark) / 2, kMark, kMark);
        painter.setPen(colours.color(QPalette::Active, QPalette::WindowText));
        // Filled: bad. Hollow: to be looked at. None: good.
        if (grade_ == Grade::Bad) painter.fillRect(mark.adjusted(0, 0, 1, 1), style::ochre());
        if (grade_ != Grade::Good) painter.drawRect(mark);
        const QRect line = rect().adjusted(kEdge + kMark + 6, 0, -kEdge, 0);
        painter.drawText(line, Qt::AlignVCenter | Qt::AlignLeft, text());
        painter.drawText(line, Qt::AlignVCenter | Qt::AlignRight, value_);
        if (hasFocus()) {
            painter.setPen(style::ochre());
            painter.drawRect(rect().adjusted(0, 0, -1, -1));
        }
    }

  private:
    Grade grade_;
    QString value_;
};

constexpr std::size_t kMostKnown = 32; // takes whose findings are kept

// The worst grades first; within one the table's order.
std::vector<const Finding*> inOrder(const std::vector<Finding>& findings) {
    std::vector<const Finding*> out;
    for (const Finding& f : findings) out.push_back(&f);
    std::stable_sort(out.begin(), out.end(),
                     [](const Finding* a, const Finding* b) { return a->grade > b->grade; });
    return out;
}

} // namespace

QString shownValue(const Finding& finding) {
    if (!finding.value) return QStringLiteral("–");
    return finding.unit == check::kColourShift.unit
               ? numberOf(*finding.value, 1)
               : CheckPanel::tr("%1 %").arg(numberOf(100 * *finding.value, 0));
}

QString shownCheck(const Finding& finding) {
    for (const CheckKind* kind : kCheckKinds)
        if (finding.check == kind->id) return said(kind->shown);
    return QString::fromStdString(finding.check);
}

QString shownSentence(const Finding& finding) {
    const QString text = said(finding.sentence);
    return finding.value ? CheckPanel::tr("%1\n%2: %3 %4")
                               .arg(text, shownCheck(finding), shownValue(finding), said(finding.unit))
                         : text;
}

CheckSubject subjectOf(const PhotoPtr& photo, const Settings& take) {
    return {photo,
            idOf(Recipe{photo, take, {}}).text, // a look changes nothing of them
            [photo, take](const Work& work) { return checksOf(*photo, take, work); },
            take,
            {}};
}

CheckSubject subjectOf(const PhotoPtr& photo, const ReferencePtr& reference) {
    const PhotoPtr& file = reference->photo();
    return {photo,
            idOf(Recipe{photo, Settings::original(), {}}).text + "/" +
                idOf(Recipe{file, reference->settings(), {}}).text,
            [photo, reference](const Work& work) {
                return checksOfFile(*photo, reference->photo(), reference->settings(), work);
            },
            {},
            isComparable(*file, *photo) ? QString() : said(kNotComparable)};
}

CheckPanel::CheckPanel(Jobs& jobs, QWidget* parent)
    : QWidget(parent), jobs_(jobs), start_(new QToolButton(this)), map_(new QToolButton(this)),
      refusal_(new QLabel(this)), rows_(new QVBoxLayout) {
    setObjectName(QStringLiteral("checkPanel"));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(style::kGap);
    start_->setObjectName(QStringLiteral("checkTake"));
    start_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    start_->setToolTip(tr("Measures over the whole photo what was kept, lost and added. (N steps through the "
                          "places to look at)"));
    connect(start_, &QToolButton::clicked, this, &CheckPanel::check);
    column->addWidget(start_);
    refusal_->setObjectName(QStringLiteral("cannotBeChecked"));
    refusal_->setWordWrap(true);
    column->addWidget(refusal_);
    map_->setObjectName(QStringLiteral("checkMap"));
    map_->setText(tr("Show where"));
    map_->setCheckable(true);
    map_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    map_->setToolTip(
        tr("Marks on the overview and on the picture where the checks found something: all of them, or "
           "the one that you clicked. The brighter, the worse."));
    connect(map_, &QToolButton::toggled, this, &CheckPanel::mapChanged);
    rows_->setSpacing(1);
    column->addLayout(rows_);
    column->addWidget(map_);
    connect(&ticking_, &QTimer::timeout, this, &CheckPanel::refresh);
    refresh();
}

const std::vector<Finding>* CheckPanel::findings() const {
    for (const Known& k : known_)
        if (k.id == id_) return &k.findings;
    return nullptr;
}

void CheckPanel::show(const CheckSubject& subject) {
    const bool wasLetGo = !subject_.photo;
    subject_ = subject;
    if (subject.id == id_) {
        // What was found meanwhile was listed without knowing whose it is.
        if (wasLetGo) refresh();
        return;
    }
    id_ = subject.id;
    place_ = -1;
    mapped_.clear();
    // The hand moves on: what was being measured is of no use any more.
    if (running() && measured_ != id_) job_ = {};
    refresh();
}

void CheckPanel::check() {
    if (running()) {
        job_ = {};
        return refresh();
    }
    if (!subject_.photo || findings()) return;
    if (!subject_.refusal.isEmpty()) return emit message(subject_.refusal);
    measured_ = id_;
    job_ = jobs_.submit(Lane::Quiet, -10, subject_.measure,
                        [this, id = id_](const Outcome<std::vector<Finding>>& found) {
                            job_ = {};
                            if (found.value) return keep(id, *found.value);
                            emit message(said(found.problem));
                            refresh();
                        });
    ticking_.start(200);
    refresh();
}

void CheckPanel::take(std::vector<Finding> findings) { keep(id_, std::move(findings)); }

void CheckPanel::keep(const std::string& of, std::vector<Finding> findings) {
    known_.push_front({of, std::move(findings)});
    if (known_.size() > kMostKnown) known_.pop_back();
    refresh();
}

void CheckPanel::refresh() {
    const std::vector<Finding>* found = findings();
    start_->setVisible(!found && subject_.refusal.isEmpty());
    refusal_->setText(subject_.refusal);
    refusal_->setVisible(!subject_.refusal.isEmpty());
    map_->setVisible(found);
    start_->setText(running()
                        ? tr("Stop checking (%1 %)").arg(std::lround(100 * std::max(0.0f, job_.progress())))
                    : subject_.take ? tr("Check this take")
                                    : tr("Check this reference"));
    if (!running()) ticking_.stop();
    if (running() && rows_->isEmpty()) return;
    list(found ? *found : std::vector<Finding>{});
    emit mapChanged();
}

SquareMap CheckPanel::map() const {
    const std::vector<Finding>* found = findings();
    std::vector<SquareMap> maps;
    if (found && map_->isChecked() && subject_.photo)
        for (const Finding& f : *found)
            if (mapped_.empty() ? f.grade != Grade::Good : f.check == mapped_) maps.push_back(f.map);
    return worstOf(maps);
}

void CheckPanel::list(const std::vector<Finding>& findings) {
    while (QLayoutItem* item = rows_->takeAt(0)) {
        if (item->widget()) item->widget()->deleteLater();
        delete item;
    }
    places_.clear();
    for (const Finding* f : inOrder(findings)) {
        auto* row = new CheckRow(*f, this);
        row->setObjectName(
            QStringLiteral("check-%1")
                .arg(QString::fromStdString(f->check).replace(QLatin1Char(' '), QLatin1Char('-'))));
        const int first = static_cast<int>(places_.size());
        for (const Rect& place : f->places) places_.push_back({place, shownCheck(*f)});
        connect(row, &QAbstractButton::clicked, this,
                [this, first, count = static_cast<int>(f->places.size()), check = f->check] {
                    if (mapped_ != check) mapped_ = check, emit mapChanged();
                    if (count == 0) return;
                    // Another click goes to the next one of this check.
                    place_ = place_ >= first && place_ + 1 < first + count ? place_ + 1 : first;
                    go();
                });
        rows_->addWidget(row);
    }
    addAdvice(findings);
}

// What would change the worst finding, as a button that adds a take with it.
void CheckPanel::addAdvice(const std::vector<Finding>& findings) {
    const auto advice = subject_.take ? adviceOn(findings, *subject_.take) : std::nullopt;
    if (!advice) return;
    auto* words = new QLabel(said(advice->sentence), this);
    words->setObjectName(QStringLiteral("advice"));
    words->setWordWrap(true);
    words->setContentsMargins(0, style::kGap, 0, 0);
    rows_->addWidget(words);
    auto* add = new QToolButton(this);
    add->setObjectName(QStringLiteral("addAdvised"));
    add->setText(tr("Add this take"));
    add->setToolTip(tr("Adds a take with what the checks advise. This one stays as it is."));
    add->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(add, &QToolButton::clicked, this,
            [this, settings = advice->settings] { emit takeAsked(settings); });
    rows_->addWidget(add);
}

void CheckPanel::step(int by) {
    if (!findings()) {
        if (!running()) check();
        return;
    }
    const int count = static_cast<int>(places_.size());
    if (count == 0) return emit message(tr("The checks found nothing to look at."));
    place_ = place_ < 0 ? (by > 0 ? 0 : count - 1) : (place_ + by + count) % count;
    go();
}

void CheckPanel::go() {
    const auto& [place, why] = places_[static_cast<std::size_t>(place_)];
    emit placeAsked(place, tr("%1: place %2 of %3").arg(why).arg(place_ + 1).arg(places_.size()));
}

} // namespace irenic
