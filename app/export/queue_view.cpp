#include "export/queue_view.h"

#include <QCoreApplication>
#include <QDesktopServices>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QInputDialog>
#include <QLabel>
#include <QMenu>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QToolButton>
#include <QTreeView>
#include <QUrl>
#include <QVBoxLayout>
#include <algorithm>
#include <utility>

#include "base/text.h"
#include "said.h"
#include "style/flow.h"
#include "style/style.h"

namespace irenic {

bool QueueView::keeps_ = true;

namespace {

// The worker's program: as it was built, beside this one, or where the system has it.
std::filesystem::path workerProgram() {
    const QString here = QCoreApplication::applicationDirPath();
    for (const QString& place : {qEnvironmentVariable("IRENIC_CLI"), here + QStringLiteral("/irenic-cli"),
                                 here + QStringLiteral("/../cli/irenic-cli")})
        if (!place.isEmpty() && QFileInfo(place).isExecutable())
            return QFileInfo(place).absoluteFilePath().toStdString();
    return QStandardPaths::findExecutable(QStringLiteral("irenic-cli")).toStdString();
}

} // namespace

QueueView::QueueView(Jobs& jobs, QWidget* parent) : QWidget(parent) {
    place_ = JobQueue::usualPlace();
    if (!keeps_) {
        static const QTemporaryDir nowhere;
        place_ = nowhere.filePath(QStringLiteral("queue.sqlite")).toStdString();
    }
    model_ = new QueueModel(jobs, this);
    list_ = new QTreeView(this);
    list_->setModel(model_);
    list_->setRootIsDecorated(false);
    list_->setUniformRowHeights(true);
    list_->setObjectName(QStringLiteral("queueList"));
    list_->setAccessibleName(tr("Export queue"));
    list_->header()->setStretchLastSection(true);
    constexpr std::pair<int, int> kWidths[] = {
        {QueueModel::State, 90}, {QueueModel::Photo, 150}, {QueueModel::File, 220}, {QueueModel::Check, 60}};
    for (const auto& [section, width] : kWidths) // no heading is cut, in any language
        list_->header()->resizeSection(section, std::max(width, list_->header()->sectionSizeHint(section)));
    list_->setMinimumHeight(70);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(style::kGap);
    column->addWidget(list_, 1);
    column->addWidget(makeNotes());
    bar_ = makeActionBar();
    connect(model_, &QueueModel::jobDone, this, &QueueView::jobDone);
    watching_.setInterval(400);
    connect(&watching_, &QTimer::timeout, this, &QueueView::refresh);
    watching_.start();
    openQueue();
    // Once somebody listens.
    QTimer::singleShot(0, this, [this] {
        if (!problem_.isEmpty()) emit message(problem_);
    });
}

QueueView::~QueueView() = default;

void QueueView::openQueue() {
    if (queue_) return;
    try {
        auto queue = std::make_unique<JobQueue>(place_, JobQueue::kAtOnce);
        const int left = queue->recover();
        // Only with consent: the machine may be wanted for something else now.
        if (left > 0) queue->setPaused(true);
        fromLastTime_ = left > 0;
        queue_ = std::move(queue);
        problem_.clear(), damaged_ = false;
        model_->setQueue(queue_.get());
    } catch (const QueueError& e) {
        problem_ = said(e.what()), damaged_ = e.damaged;
    }
    refresh();
}

bool QueueView::withQueue(const std::function<void(JobQueue&)>& act) {
    openQueue();
    if (!queue_) {
        emit message(problem_);
        return false;
    }
    try {
        act(*queue_);
        return true;
    } catch (const QueueError& e) {
        emit message(said(e.what()));
        if (!e.damaged) return false;
        // It was damaged while it was open.
        supervisor_.reset(), model_->setQueue(nullptr), queue_.reset();
        problem_ = said(e.what()), damaged_ = true;
        refresh();
    } catch (const std::invalid_argument& e) {
        emit message(said(e.what()));
    }
    return false;
}

void QueueView::setQueueAside() {
    try {
        const auto aside = JobQueue::setAside(place_);
        emit message(tr("The damaged queue was renamed to %1. A new one has started.")
                         .arg(QString::fromStdString(shownPath(aside))));
        openQueue();
    } catch (const QueueError& e) {
        emit message(said(e.what()));
    }
}

QToolButton* QueueView::button(const QString& text, const char* name, const QString& tip,
                               const std::function<void()>& act) {
    auto* b = new QToolButton(this);
    b->setText(text);
    b->setObjectName(QString::fromLatin1(name));
    b->setToolTip(tip);
    connect(b, &QToolButton::clicked, this, [this, act] {
        act();
        refresh();
    });
    return b;
}

// What is to be said of the queue as a whole.
QWidget* QueueView::makeNotes() {
    auto* line = new QWidget(this);
    auto* row = new Flow(line);
    row->setContentsMargins(0, 0, 0, 0);
    note_ = new QLabel(line);
    note_->setObjectName(QStringLiteral("queueNote"));
    note_->hide();
    row->addWidget(note_);
    empty_ = new QLabel(tr("The queue is empty. Add to queue puts the files above here."), line);
    empty_->setObjectName(QStringLiteral("emptyQueue"));
    row->addWidget(empty_);
    aside_ =
        button(tr("Set damaged queue aside"), "setAside",
               tr("Renames the damaged queue file and starts a new queue."), [this] { setQueueAside(); });
    aside_->hide();
    row->addWidget(aside_);
    return line;
}

// What acts on the queue as a whole.
QWidget* QueueView::makeActionBar() {
    auto* line = new QWidget(this);
    auto* row = new QHBoxLayout(line);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(style::kGap);
    pause_ = button(tr("Pause"), "pauseQueue", tr("Finishes current files, starts no more."),
                    [this] { withQueue([this](JobQueue& q) { setPaused(!q.paused()); }); });
    clear_ = button(tr("Clear finished"), "clearDone",
                    tr("Removes finished and cancelled exports from the list. Files stay."),
                    [this] { withQueue([](JobQueue& q) { q.clearFinished(); }); });
    worst_ = button(tr("Worst first"), "worstFirst",
                    tr("Lists what checking found worst on top, instead of the order of export."),
                    [this] { model_->setWorstFirst(worst_->isChecked()); });
    worst_->setCheckable(true);
    more_ = new QToolButton(this);
    more_->setText(tr("More"));
    more_->setObjectName(QStringLiteral("moreQueue"));
    more_->setPopupMode(QToolButton::InstantPopup);
    more_->setToolTip(tr("Retries or cancels exports."));
    for (QToolButton* b : {pause_, clear_, worst_, more_}) row->addWidget(b);
    more_->addAction(action(tr("Retry failed"), "retryFailed",
                            tr("Puts everything that failed back in the queue."), {JobState::Failed}, false,
                            [this] {
                                if (withQueue([](JobQueue& q) { q.retryFailed(); })) work();
                            }));
    more_->addAction(action(tr("Cancel all"), "cancelAll",
                            tr("Cancels everything that is waiting or exporting."),
                            {JobState::Waiting, JobState::Running}, false,
                            [this] { withQueue([](JobQueue& q) { q.cancelAll(); }); }));
    rowActions();
    return line;
}

QAction* QueueView::action(const QString& text, const char* name, const QString& tip,
                           std::vector<JobState> states, bool ofRow, const std::function<void()>& act) {
    auto* a = new QAction(text, this);
    a->setObjectName(QString::fromLatin1(name));
    a->setToolTip(tip);
    connect(a, &QAction::triggered, this, [this, act] {
        act();
        refresh();
    });
    actions_.push_back({a, std::move(states), ofRow});
    return a;
}

// What acts on one file is in the menu of its row.
void QueueView::rowActions() {
    list_->setContextMenuPolicy(Qt::ActionsContextMenu);
    list_->addAction(
        action(tr("Show photo"), "showQueuedPhoto", tr("Opens the original in this window."),
               {JobState::Waiting, JobState::Running, JobState::Done, JobState::Failed, JobState::Cancelled},
               true, [this] { emit photoAsked(QString::fromStdString(marked()->request.photo)); }));
    list_->addAction(
        action(tr("Open file"), "openFile", tr("Opens the selected file with its default program."),
               {JobState::Done}, true, [this] {
                   QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(marked()->target)));
               }));
    list_->addAction(action(tr("Show in folder"), "showFile",
                            tr("Opens the folder of the selected file in the file manager."),
                            {JobState::Done}, true, [this] {
                                QDesktopServices::openUrl(QUrl::fromLocalFile(
                                    QFileInfo(QString::fromStdString(marked()->target)).absolutePath()));
                            }));
    list_->addAction(
        action(tr("Run a command…"), "runCommand",
               tr("Runs a command on the selected file. {file} stands for its path; without it, the "
                  "path comes last."),
               {JobState::Done}, true, [this] { runCommand(); }));
    list_->addAction(action(tr("Move up"), "earlier", tr("Exports the selected file one place earlier."),
                            {JobState::Waiting}, true,
                            [this] { withQueue([this](JobQueue& q) { q.move(current(), -1); }); }));
    list_->addAction(action(tr("Move down"), "later", tr("Exports the selected file one place later."),
                            {JobState::Waiting}, true,
                            [this] { withQueue([this](JobQueue& q) { q.move(current(), 1); }); }));
    list_->addAction(action(tr("Cancel"), "cancelJob", tr("Cancels the selected file."),
                            {JobState::Waiting, JobState::Running}, true,
                            [this] { withQueue([this](JobQueue& q) { q.cancel(current()); }); }));
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, &QueueView::offer);
    offer();
}

// What cannot be done is not pressable; without a queue there is nothing to press.
void QueueView::offer() {
    const auto any = [this](const std::vector<JobState>& states) {
        return std::any_of(model_->jobs().begin(), model_->jobs().end(), [&](const QueuedJob& j) {
            return std::find(states.begin(), states.end(), j.state) != states.end();
        });
    };
    for (const auto& [action, states, ofRow] : actions_) {
        const QueuedJob* own = ofRow ? marked() : nullptr;
        action->setEnabled(ofRow ? own && std::find(states.begin(), states.end(), own->state) != states.end()
                                 : any(states));
    }
    const bool waits = any({JobState::Waiting, JobState::Running});
    pause_->setEnabled(waits || model_->paused());
    clear_->setEnabled(any({JobState::Done, JobState::Cancelled}));
    more_->setEnabled(waits || any({JobState::Failed}));
    const bool empty = model_->jobs().empty();
    worst_->setVisible(worst_->isChecked() ||
                       std::any_of(model_->jobs().begin(), model_->jobs().end(),
                                   [](const QueuedJob& j) { return j.severity >= 0; }));
    for (QWidget* w : {static_cast<QWidget*>(pause_), static_cast<QWidget*>(clear_),
                       static_cast<QWidget*>(more_), static_cast<QWidget*>(list_)})
        w->setVisible(!empty);
    empty_->setVisible(empty && queue_);
}

void QueueView::runCommand() {
    const QString file = QString::fromStdString(marked()->target); // the list may change meanwhile
    QSettings memory;
    const QString key = QStringLiteral("deliver/command");
    bool given = false;
    const QString command =
        QInputDialog::getText(this, tr("Run a command"), tr("Command to run on the file:"), QLineEdit::Normal,
                              memory.value(key).toString(), &given);
    if (!given || command.isEmpty()) return;
    memory.setValue(key, command);
    const QString wrong = startWith(command, file);
    if (!wrong.isEmpty()) emit message(wrong);
}

const QueuedJob* QueueView::marked() const {
    const QModelIndex at = list_->currentIndex();
    return at.isValid() ? &model_->jobs()[static_cast<std::size_t>(at.row())] : nullptr;
}

std::int64_t QueueView::current() const { return marked() ? marked()->id : 0; }

std::vector<std::int64_t> QueueView::add(const std::vector<ExportRequest>& requests) {
    std::vector<std::int64_t> ids;
    const bool added = withQueue([&](JobQueue& q) {
        ids = q.add(requests);
        q.setPaused(false);
    });
    if (!added) return {};
    work();
    refresh();
    return ids;
}

void QueueView::setPaused(bool paused) {
    if (!withQueue([paused](JobQueue& q) { q.setPaused(paused); })) return;
    fromLastTime_ = false;
    if (!paused) work();
    refresh();
}

void QueueView::work() {
    if (supervisor_) return;
    Workforce force;
    force.program = workerProgram();
    if (force.program.empty()) {
        emit message(tr("Cannot export: irenic-cli not found. Install it next to irenic."));
        return;
    }
    withQueue([&](JobQueue& q) { supervisor_ = std::make_unique<Supervisor>(q.file(), force); });
}

bool QueueView::running() const {
    if (!keeps_ || !queue_) return false;
    return std::any_of(model_->jobs().begin(), model_->jobs().end(), [&](const QueuedJob& j) {
        return j.state == JobState::Running || (j.state == JobState::Waiting && !model_->paused());
    });
}

QString QueueView::summary() const {
    int count[5] = {};
    for (const QueuedJob& j : model_->jobs()) ++count[static_cast<int>(j.state)];
    QStringList parts;
    const QString words[] = {tr("%1 waiting"), tr("%1 exporting"), tr("%1 done"), tr("%1 failed"), {}};
    for (const int state : {1, 0, 3, 2})
        if (count[state] > 0) parts << words[state].arg(count[state]);
    return parts.join(QStringLiteral(", "));
}

// However long the queue is, what runs is what is seen first.
void QueueView::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
    const auto& jobs = model_->jobs();
    const auto runs = std::find_if(jobs.begin(), jobs.end(),
                                   [](const QueuedJob& j) { return j.state == JobState::Running; });
    if (runs == jobs.end()) return;
    const int row = static_cast<int>(runs - jobs.begin());
    // With one that is done above it, once the list has its size.
    QTimer::singleShot(0, this, [this, row] {
        list_->scrollTo(model_->index(std::max(0, row - 1), 0), QAbstractItemView::PositionAtTop);
    });
}

void QueueView::refresh() {
    aside_->setVisible(damaged_);
    if (!queue_) {
        offer();
        note_->setVisible(true);
        note_->setText(problem_);
        return;
    }
    try {
        if (!model_->refresh() && before_ == 0) return;
    } catch (const QueueError& e) {
        if (e.damaged) withQueue([](JobQueue& q) { q.version(); });
        return; // else the next turn comes
    }
    int open = 0, failed = 0, done = 0;
    for (const QueuedJob& j : model_->jobs()) {
        open += j.state == JobState::Waiting || j.state == JobState::Running;
        failed += j.state == JobState::Failed, done += j.state == JobState::Done;
    }
    const bool paused = model_->paused();
    pause_->setText(paused ? tr("Resume") : tr("Pause"));
    note_->setVisible(paused && open > 0);
    note_->setText(fromLastTime_ ? tr("Exports left from last time: %1. Resume?").arg(open)
                                 : tr("Paused, %1 waiting").arg(open));
    const bool works = running();
    if (works && !awake_) awake_ = std::make_unique<StayAwake>(tr("Exports are running"));
    if (!works) awake_.reset();
    if (before_ > 0 && open == 0) {
        notify(tr("Irenic"), failed ? tr("Files exported: %1, failed: %2").arg(done).arg(failed)
                                    : tr("Files exported: %1").arg(done));
        supervisor_.reset();
    }
    before_ = open;
    offer();
    emit changed();
}

} // namespace irenic
