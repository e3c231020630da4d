#include "export/drawer.h"

#include <QComboBox>
#include <QCoreApplication>
#include <QDesktopServices>
#include <QFileDialog>
#include <QFileInfo>
#include <QHeaderView>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTimer>
#include <QToolButton>
#include <QTreeView>
#include <QUrl>
#include <QVBoxLayout>
#include <algorithm>

#include "base/text.h"
#include "export/delivery_form.h"
#include "session/sidecar.h"
#include "style/flow.h"
#include "style/style.h"

namespace irenic {

bool Drawer::keeps_ = true;

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

QString sizeText(double bytes) {
    return bytes >= 1e9 ? Drawer::tr("%1 GB").arg(bytes / 1e9, 0, 'f', 1)
                        : Drawer::tr("%1 MB").arg(bytes / 1e6, 0, 'f', bytes < 1e7 ? 1 : 0);
}
QString timeText(double seconds) {
    return seconds >= 90 ? Drawer::tr("%1 min").arg(seconds / 60, 0, 'f', seconds < 600 ? 1 : 0)
                         : Drawer::tr("%1 s").arg(seconds, 0, 'f', seconds < 10 ? 1 : 0);
}

} // namespace

Drawer::Drawer(Document& document, Jobs& jobs, std::function<QStringList()> selected, QWidget* parent)
    : QWidget(parent), document_(document), jobs_(jobs), selected_(std::move(selected)),
      form_(new DeliveryForm(this)) {
    place_ = JobQueue::usualPlace();
    if (!keeps_) {
        static const QTemporaryDir nowhere;
        place_ = nowhere.filePath(QStringLiteral("queue.sqlite")).toStdString();
    }
    model_ = new QueueModel(jobs_, this);
    list_ = new QTreeView(this);
    list_->setModel(model_);
    list_->setRootIsDecorated(false);
    list_->setUniformRowHeights(true);
    list_->setObjectName(QStringLiteral("queueList"));
    list_->setAccessibleName(tr("Export queue"));
    list_->header()->setStretchLastSection(true);
    list_->header()->resizeSection(QueueModel::State, 90);
    list_->header()->resizeSection(QueueModel::Photo, 150);
    list_->header()->resizeSection(QueueModel::File, 220);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(6, 4, 6, 4);
    column->setSpacing(style::kGap);
    column->addWidget(sentence());
    list_->setMinimumHeight(70);
    column->addWidget(list_, 1);
    column->addWidget(tools());
    setObjectName(QStringLiteral("drawer"));
    setAccessibleName(tr("Export several photos, and the queue"));

    connect(model_, &QueueModel::jobDone, this, [this](const QueuedJob& job) {
        document_.noteExport(job.request.photo, {job.target, job.finished,
                                                 job.request.letter.empty() ? 'A' : job.request.letter[0]});
        if (estimated_ && job.request.settings && *job.request.settings == estimatedOf_.recipe.settings)
            noteTaken(estimatedOf_, *estimated_, job.seconds);
    });
    for (const auto signal : {&Document::photoChanged, &Document::chosenChanged, &Document::takesChanged})
        connect(&document_, signal, this, &Drawer::describe);
    connect(&document_, &Document::settingsChanged, this, &Drawer::describe);
    connect(form_, &DeliveryForm::changed, this, &Drawer::describe);
    measuring_.setSingleShot(true);
    measuring_.setInterval(700);
    connect(&measuring_, &QTimer::timeout, this, &Drawer::measure);
    watching_.setInterval(400);
    connect(&watching_, &QTimer::timeout, this, &Drawer::refresh);
    watching_.start();
    // What was asked for last may be of a newer version, or name a profile that is gone.
    try {
        setDelivery(deliveryFromText(QSettings()
                                         .value(QStringLiteral("deliver/last"), QStringLiteral("dng"))
                                         .toString()
                                         .toStdString()));
    } catch (const std::exception& e) {
        setDelivery({});
        message_ = tr("The last export settings cannot be used (%1). These are the defaults.")
                       .arg(QString::fromUtf8(e.what()));
    }
    openQueue();
    // Once somebody listens.
    QTimer::singleShot(0, this, [this] {
        for (const QString& text : {message_, problem_})
            if (!text.isEmpty()) emit message(text);
    });
    listPresets();
    refresh();
}

Drawer::~Drawer() = default;

void Drawer::openQueue() {
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
        problem_ = QString::fromUtf8(e.what()), damaged_ = e.damaged;
    }
    refresh();
}

bool Drawer::withQueue(const std::function<void(JobQueue&)>& act) {
    openQueue();
    if (!queue_) {
        emit message(problem_);
        return false;
    }
    try {
        act(*queue_);
        return true;
    } catch (const QueueError& e) {
        emit message(QString::fromUtf8(e.what()));
        if (!e.damaged) return false;
        // It was damaged while it was open.
        supervisor_.reset(), model_->setQueue(nullptr), queue_.reset();
        problem_ = QString::fromUtf8(e.what()), damaged_ = true;
        refresh();
    } catch (const std::invalid_argument& e) {
        emit message(QString::fromUtf8(e.what()));
    }
    return false;
}

void Drawer::setQueueAside() {
    try {
        const auto aside = JobQueue::setAside(place_);
        emit message(tr("The damaged queue was renamed to %1. A new one has started.")
                         .arg(QString::fromStdString(shownPath(aside))));
        openQueue();
    } catch (const QueueError& e) {
        emit message(QString::fromUtf8(e.what()));
    }
}

QWidget* Drawer::sentence() {
    auto* line = new QWidget(this);
    auto* row = new Flow(line);
    row->setContentsMargins(0, 0, 0, 0);
    const auto word = [&](const QString& text) {
        auto* label = new QLabel(text, line);
        row->addWidget(label);
        return label;
    };
    word(tr("Export"));
    take_ = new QComboBox(line);
    take_->addItems({tr("The chosen take"), tr("Recommended take of each photo")});
    take_->setObjectName(QStringLiteral("deliverTake"));
    take_->setAccessibleName(tr("Which take is exported"));
    take_->setToolTip(tr("Exports the take that you chose for each photo, or the recommended one, measured "
                         "when its turn comes."));
    row->addWidget(take_);
    word(tr("of"));
    whose_ = new QComboBox(line);
    whose_->addItems(
        {tr("This photo"), tr("Selected photos"), tr("Selected photos, with this photo's take and look")});
    whose_->setObjectName(QStringLiteral("deliverWhose"));
    whose_->setAccessibleName(tr("Which photos are exported"));
    row->addWidget(whose_);
    word(tr("as"));
    row->addWidget(form_->box("format", "deliverFormat"));
    for (const char* field : {"bits", "space", "packing", "quality", "longest"})
        row->addWidget(form_->box(field, field));
    word(tr("and"));
    also_ = new QComboBox(line);
    also_->setObjectName(QStringLiteral("deliverAlso"));
    also_->setAccessibleName(tr("Second file of each photo"));
    also_->setToolTip(
        tr("Exports a second file of each photo by an export preset, such as a small JPEG next to a DNG."));
    row->addWidget(also_);
    word(tr("File name"));
    row->addWidget(form_->box("name", "deliverName"));
    folder_ = new QToolButton(line);
    folder_->setObjectName(QStringLiteral("deliverFolder"));
    folder_->setPopupMode(QToolButton::InstantPopup);
    folder_->setToolTip(QString::fromUtf8(findField<Delivery>("folder")->sentence));
    auto* places = new QMenu(folder_);
    places->addAction(tr("Next to originals"), this, [this] { form_->setFolder({}); });
    places->addAction(tr("In a subfolder…"), this, [this] {
        const QString name = QInputDialog::getText(this, tr("Subfolder"), tr("Name of the subfolder:"),
                                                   QLineEdit::Normal, QStringLiteral("clean"));
        if (!name.isEmpty()) form_->setFolder(name.toStdString());
    });
    places->addAction(tr("Choose folder…"), this, &Drawer::chooseFolder);
    folder_->setMenu(places);
    row->addWidget(folder_);
    result_ = word({});
    result_->setObjectName(QStringLiteral("deliverResult"));
    costs_ = word({});
    costs_->setObjectName(QStringLiteral("deliverCosts"));
    presets_ = new QComboBox(line);
    presets_->setObjectName(QStringLiteral("deliverPresets"));
    presets_->setAccessibleName(tr("Export presets"));
    connect(presets_, &QComboBox::activated, this, [this](int at) {
        const QString text = presets_->itemData(at).toString();
        if (text == QLatin1String("keep")) return keepPreset();
        presets_->setCurrentIndex(0);
        try {
            if (!text.isEmpty()) setDelivery(deliveryFromText(text.toStdString()));
        } catch (const std::exception& e) {
            emit message(tr("These export settings cannot be used: %1").arg(QString::fromUtf8(e.what())));
        }
    });
    row->addWidget(presets_);
    put_ = new QPushButton(tr("Add to queue"), line);
    put_->setObjectName(QStringLiteral("deliver"));
    put_->setShortcut(QKeySequence(tr("Ctrl+Shift+E")));
    put_->setToolTip(tr("Adds these files to the queue and starts exporting. (Ctrl+Shift+E)"));
    connect(put_, &QPushButton::clicked, this, &Drawer::deliver);
    row->addWidget(put_);
    for (QComboBox* b : {take_, whose_, also_})
        connect(b, &QComboBox::currentIndexChanged, this, &Drawer::describe);
    return line;
}

QWidget* Drawer::tools() {
    auto* line = new QWidget(this);
    auto* row = new Flow(line);
    row->setContentsMargins(0, 0, 0, 0);
    const auto button = [&](const QString& text, const char* name, const QString& tip, auto act) {
        auto* b = new QToolButton(line);
        b->setText(text);
        b->setObjectName(QString::fromLatin1(name));
        b->setToolTip(tip);
        connect(b, &QToolButton::clicked, this, [this, act] {
            act();
            refresh();
        });
        row->addWidget(b);
        return b;
    };
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
    pause_ = button(tr("Pause"), "pauseQueue", tr("Finishes current files, starts no more."),
                    [this] { withQueue([this](JobQueue& q) { setPaused(!q.paused()); }); });
    clear_ = button(tr("Clear finished"), "clearDone",
                    tr("Removes finished and cancelled exports from the list. Files stay."),
                    [this] { withQueue([](JobQueue& q) { q.clearFinished(); }); });
    more_ = new QToolButton(line);
    more_->setText(tr("More"));
    more_->setObjectName(QStringLiteral("moreQueue"));
    more_->setPopupMode(QToolButton::InstantPopup);
    more_->setToolTip(tr("Retries or cancels exports."));
    row->addWidget(more_);
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

QAction* Drawer::action(const QString& text, const char* name, const QString& tip,
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
void Drawer::rowActions() {
    list_->setContextMenuPolicy(Qt::ActionsContextMenu);
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
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, &Drawer::offer);
    offer();
}

// What cannot be done is not pressable; without a queue there is nothing to press.
void Drawer::offer() {
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
    pause_->setEnabled(waits || paused_);
    clear_->setEnabled(any({JobState::Done, JobState::Cancelled}));
    more_->setEnabled(waits || any({JobState::Failed}));
    const bool empty = model_->jobs().empty();
    for (QWidget* w : {static_cast<QWidget*>(pause_), static_cast<QWidget*>(clear_),
                       static_cast<QWidget*>(more_), static_cast<QWidget*>(list_)})
        w->setVisible(!empty);
    empty_->setVisible(empty && queue_);
}

void Drawer::runCommand() {
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

const QueuedJob* Drawer::marked() const {
    const QModelIndex at = list_->currentIndex();
    return at.isValid() ? &model_->jobs()[static_cast<std::size_t>(at.row())] : nullptr;
}

std::int64_t Drawer::current() const { return marked() ? marked()->id : 0; }

Delivery Drawer::delivery() const { return form_->delivery(); }

void Drawer::setDelivery(const Delivery& delivery) { form_->setDelivery(delivery); }

void Drawer::describe() {
    const Delivery d = delivery();
    const QString folder = QString::fromStdString(d.folder);
    folder_->setText(folder.isEmpty()                 ? tr("Next to originals")
                     : QFileInfo(folder).isAbsolute() ? tr("Folder: %1").arg(QFileInfo(folder).fileName())
                                                      : tr("Subfolder: %1").arg(folder));
    const PhotoPtr photo = document_.photo();
    const std::string problem = problemWith(d);
    QString shown = QString::fromStdString(problem);
    const bool chosen = document_.chosen() >= 0, own = take_->currentIndex() == 1;
    if (photo && problem.empty()) {
        ExportRequest request;
        request.photo = photo->file.string(), request.delivery = d;
        Settings settings;
        if (chosen) {
            const Take& t = document_.takes()[static_cast<std::size_t>(document_.chosen())];
            request.letter = std::string(1, t.letter), request.take = t.name, settings = t.settings;
        }
        NameParts parts;
        parts.original = request.photo, parts.letter = request.letter, parts.take = request.take,
        parts.method = settings.method, parts.iso = photo->iso, parts.taken = photo->taken;
        shown = QStringLiteral("→ ") + QString::fromStdString(targetOf(d, parts).filename().string());
    }
    result_->setText(shown);
    put_->setEnabled(photo && problem.empty() && (chosen || own || whose_->currentIndex() == 1));
    put_->setToolTip(put_->isEnabled()
                         ? tr("Adds these files to the queue and starts exporting. (Ctrl+Shift+E)")
                         : tr("Choose a take first: click the ring at the head of its column."));
    estimated_.reset();
    estimating_.cancel();
    costs_->clear();
    if (isVisible() && photo && chosen && problem.empty()) measuring_.start();
}

// Size and time of this photo's file, measured on a part of it.
void Drawer::measure() {
    const PhotoPtr photo = document_.photo();
    if (!photo || document_.chosen() < 0 || !isVisible()) return;
    const Take& take = document_.takes()[static_cast<std::size_t>(document_.chosen())];
    const Export what{{photo, take.settings, document_.look()}, delivery(), {}, false};
    estimatedOf_ = what;
    estimatedOf_.recipe.photo.reset(); // it would stay in memory
    costs_->setText(tr("Estimating size and time…"));
    estimating_ = jobs_.submit(
        Lane::Quiet, 4, [what](const Work& work) { return estimate(what, work); },
        [this](const Outcome<Estimate>& made) {
            if (!made.value) return costs_->setText(QString::fromStdString(made.problem));
            estimated_ = *made.value;
            const qsizetype count =
                whose_->currentIndex() == 0 ? 1 : std::max<qsizetype>(1, selected_().size());
            costs_->setText(
                count == 1
                    ? tr("About %1, %2").arg(sizeText(estimated_->bytes), timeText(estimated_->seconds))
                    : tr("About %1 and %2 for all %3")
                          .arg(sizeText(estimated_->bytes * static_cast<double>(count)),
                               timeText(estimated_->seconds * static_cast<double>(count)))
                          .arg(count));
        });
}

std::vector<ExportRequest> Drawer::requests(QStringList& without) const {
    const QString here =
        document_.photo() ? QString::fromStdString(document_.photo()->file.string()) : QString();
    QStringList photos = whose_->currentIndex() == 0 ? QStringList(here) : selected_();
    const bool own = take_->currentIndex() == 1, shared = whose_->currentIndex() == 2;
    std::vector<Delivery> deliveries = {delivery()};
    if (const QString also = also_->currentData().toString(); !also.isEmpty()) try {
            deliveries.push_back(deliveryFromText(also.toStdString()));
        } catch (const std::exception&) {
            without << also_->currentText(); // settings that a newer version kept
        }
    std::vector<ExportRequest> all;
    int counter = 0;
    for (const QString& photo : photos) {
        const std::string file = photo.toStdString();
        ExportRequest request;
        request.photo = file, request.counter = ++counter;
        std::optional<PhotoRecord> kept;
        const PhotoRecord* record = document_.recordOf(file);
        if (!record) {
            kept = peekSidecar(file);
            record = kept ? &*kept : nullptr;
        }
        const PhotoState* state = shared ? &document_.state() : record ? record->state.get() : nullptr;
        const Take* take = state ? state->take(state->chosen) : nullptr;
        if (state) request.look = state->look;
        if (!own) {
            if (!take) {
                without << QFileInfo(photo).fileName();
                continue;
            }
            request.settings = take->settings;
            if (const Risk* risk = record ? record->facts.riskOf(take->settings) : nullptr)
                request.risk = *risk;
        }
        if (take) request.letter = std::string(1, take->letter), request.take = take->name;
        for (const Delivery& d : deliveries) {
            request.delivery = d;
            all.push_back(request);
        }
    }
    return all;
}

void Drawer::deliver() {
    QStringList without;
    const std::vector<ExportRequest> all = requests(without);
    if (!without.isEmpty())
        emit message(tr("No take is chosen for %1. Choose one, or export the recommended take of each photo.")
                         .arg(without.join(QStringLiteral(", "))));
    if (all.empty()) return;
    QSettings().setValue(QStringLiteral("deliver/last"), QString::fromStdString(textOf(delivery())));
    document_.save(); // what is exported is what is kept
    const bool added = withQueue([&](JobQueue& q) {
        q.add(all);
        q.setPaused(false);
    });
    if (!added) return;
    work();
    refresh();
}

void Drawer::setPaused(bool paused) {
    if (!withQueue([paused](JobQueue& q) { q.setPaused(paused); })) return;
    fromLastTime_ = false;
    if (!paused) work();
    refresh();
}

void Drawer::work() {
    if (supervisor_) return;
    Workforce force;
    force.program = workerProgram();
    if (force.program.empty()) {
        emit message(tr("Cannot export: irenic-cli not found. Install it next to irenic."));
        return;
    }
    withQueue([&](JobQueue& q) { supervisor_ = std::make_unique<Supervisor>(q.file(), force); });
}

bool Drawer::running() const {
    if (!keeps_ || !queue_) return false;
    return std::any_of(model_->jobs().begin(), model_->jobs().end(), [&](const QueuedJob& j) {
        return j.state == JobState::Running || (j.state == JobState::Waiting && !paused_);
    });
}

QString Drawer::summary() const {
    int count[5] = {};
    for (const QueuedJob& j : model_->jobs()) ++count[static_cast<int>(j.state)];
    QStringList parts;
    const QString words[] = {tr("%1 waiting"), tr("%1 exporting"), tr("%1 done"), tr("%1 failed"), {}};
    for (const int state : {1, 0, 3, 2})
        if (count[state] > 0) parts << words[state].arg(count[state]);
    return parts.join(QStringLiteral(", "));
}

// However long the queue is, what runs is what is seen first.
void Drawer::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
    describe(); // what it costs is measured only for who sees it
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

void Drawer::refresh() {
    aside_->setVisible(damaged_);
    if (!queue_) {
        offer();
        note_->setVisible(true);
        note_->setText(problem_);
        return;
    }
    try {
        if (!model_->refresh() && before_ == 0) return;
        paused_ = queue_->paused();
    } catch (const QueueError& e) {
        if (e.damaged) withQueue([](JobQueue& q) { q.version(); });
        return; // else the next turn comes
    }
    int open = 0, failed = 0, done = 0;
    for (const QueuedJob& j : model_->jobs()) {
        open += j.state == JobState::Waiting || j.state == JobState::Running;
        failed += j.state == JobState::Failed, done += j.state == JobState::Done;
    }
    pause_->setText(paused_ ? tr("Resume") : tr("Pause"));
    note_->setVisible(paused_ && open > 0);
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

void Drawer::chooseFolder() {
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Folder for exports"),
                                                             QString::fromStdString(delivery().folder));
    if (!folder.isEmpty()) form_->setFolder(folder.toStdString());
}

void Drawer::keepPreset() {
    presets_->setCurrentIndex(0);
    const QString name = QInputDialog::getText(this, tr("Save export preset"), tr("Name of the preset:"));
    if (name.isEmpty()) return;
    QSettings().setValue(QStringLiteral("deliveries/") + name, QString::fromStdString(textOf(delivery())));
    listPresets();
}

void Drawer::listPresets() {
    QSettings memory;
    memory.beginGroup(QStringLiteral("deliveries"));
    if (memory.childKeys().isEmpty())
        memory.setValue(tr("Small JPEG"), QStringLiteral("jpeg,quality=85,longest=2048,name={stem}-small"));
    presets_->clear(), also_->clear();
    presets_->addItem(tr("Export presets"));
    also_->addItem(tr("None"));
    for (const QString& name : memory.childKeys()) {
        presets_->addItem(name, memory.value(name));
        also_->addItem(name, memory.value(name));
    }
    presets_->addItem(tr("Save export preset…"), QStringLiteral("keep"));
}

} // namespace irenic
