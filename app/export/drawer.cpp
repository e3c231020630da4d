#include "export/drawer.h"

#include <QComboBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QSettings>
#include <QTimer>
#include <QToolButton>
#include <QVBoxLayout>

#include "develop/algorithms.h"
#include "export/delivery_form.h"
#include "export/queue_view.h"
#include "measure/series.h"
#include "said.h"
#include "session/sidecar.h"
#include "style/flow.h"
#include "style/style.h"

namespace irenic {

namespace {

constexpr QLatin1String kThen("deliver/then"), kOpen("xdg-open {file}");

QString sizeText(double bytes) {
    return bytes >= 1e9 ? Drawer::tr("%1 GB").arg(numberOf(bytes / 1e9, 1))
                        : Drawer::tr("%1 MB").arg(numberOf(bytes / 1e6, bytes < 1e7 ? 1 : 0));
}
QString timeText(double seconds) {
    return seconds >= 90 ? Drawer::tr("%1 min").arg(numberOf(seconds / 60, seconds < 600 ? 1 : 0))
                         : Drawer::tr("%1 s").arg(numberOf(seconds, seconds < 10 ? 1 : 0));
}

} // namespace

Drawer::Drawer(Document& document, Jobs& jobs, std::function<QStringList()> selected, QWidget* parent)
    : QWidget(parent), document_(document), jobs_(jobs), selected_(std::move(selected)),
      queueView_(new QueueView(jobs, this)), form_(new DeliveryForm(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(6, 4, 6, 4);
    column->setSpacing(style::kGap);
    column->addWidget(sentence());
    column->addWidget(queueView_, 1);
    setObjectName(QStringLiteral("drawer"));
    setAccessibleName(tr("Export several photos, and the queue"));

    connect(queueView_, &QueueView::message, this, &Drawer::message);
    connect(queueView_, &QueueView::changed, this, &Drawer::handBackOnceDone);
    connect(queueView_, &QueueView::jobDone, this, [this](const QueuedJob& job) {
        ExportMade made{job.target, job.finished, job.request.letter.empty() ? 'A' : job.request.letter[0]};
        if (job.request.settings)
            made.settings = textOf(*job.request.settings), made.look = textOf(job.request.look),
            made.algorithms = kAlgorithms;
        document_.noteExport(job.request.photo, made);
        if (estimated_ && job.request.settings && *job.request.settings == estimatedOf_.recipe.settings)
            noteTaken(estimatedOf_, *estimated_, job.seconds);
    });
    for (const auto signal : {&Document::photoChanged, &Document::chosenChanged, &Document::takesChanged})
        connect(&document_, signal, this, &Drawer::describe);
    connect(&document_, &Document::settingsChanged, this, &Drawer::describe);
    connect(form_, &DeliveryForm::changed, this, &Drawer::describe);
    connect(form_, &DeliveryForm::changed, this, &Drawer::deliveryChanged);
    measuring_.setSingleShot(true);
    measuring_.setInterval(700);
    connect(&measuring_, &QTimer::timeout, this, &Drawer::measure);
    // What was asked for last may be of a newer version, or name a profile that is gone.
    try {
        setDelivery(deliveryFromText(QSettings()
                                         .value(QStringLiteral("deliver/last"), QStringLiteral("dng"))
                                         .toString()
                                         .toStdString()));
    } catch (const std::exception& e) {
        setDelivery({});
        const QString text =
            tr("The last export settings cannot be used (%1). These are the defaults.").arg(said(e.what()));
        // Once somebody listens.
        QTimer::singleShot(0, this, [this, text] { emit message(text); });
    }
    listPresets();
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
    for (const char* field : {"bits", "space", "packing", "quality", "longest", "edits"})
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
    folder_->setToolTip(said(findField<Delivery>("folder")->sentence));
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
    alike_ = new QToolButton(line);
    alike_->setText(tr("Alike"));
    alike_->setObjectName(QStringLiteral("deliverAlike"));
    alike_->setCheckable(true);
    alike_->setToolTip(
        tr("Cleans photos of one camera and ISO by one noise, measured on all of them: for panoramas and "
           "focus series."));
    row->addWidget(alike_);
    check_ = new QToolButton(line);
    check_->setText(tr("Check"));
    check_->setObjectName(QStringLiteral("deliverCheck"));
    check_->setCheckable(true);
    check_->setChecked(QSettings().value(QStringLiteral("deliver/check")).toBool());
    check_->setToolTip(
        tr("Measures what the take did to each photo once its file is there; the queue can then "
           "list the worst first."));
    row->addWidget(check_);
    then_ = new QToolButton(line);
    then_->setObjectName(QStringLiteral("deliverThen"));
    then_->setPopupMode(QToolButton::InstantPopup);
    then_->setToolTip(tr("What happens with each file once it is there."));
    auto* after = new QMenu(then_);
    after->addAction(tr("Nothing"), this, [this] { setThen({}); });
    after->addAction(tr("Open with its program"), this, [this] { setThen(kOpen); });
    after->addAction(tr("Run a command…"), this, [this] {
        bool given = false;
        const QString command = QInputDialog::getText(
            this, tr("Run a command"), tr("Command to run on each file ({file} stands for its path):"),
            QLineEdit::Normal, command_, &given);
        if (given) setThen(command);
    });
    then_->setMenu(after);
    row->addWidget(then_);
    setThen(QSettings().value(kThen).toString());
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
            emit message(tr("These export settings cannot be used: %1").arg(said(e.what())));
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

void Drawer::setThen(const QString& command, bool handsBack) {
    command_ = command.trimmed(), handsBack_ = handsBack;
    if (!handsBack) QSettings().setValue(kThen, command_);
    then_->setText(handsBack_           ? tr("Then: return")
                   : command_.isEmpty() ? tr("Then: nothing")
                   : command_ == kOpen  ? tr("Then: open")
                                        : tr("Then: %1").arg(command_.section(QLatin1Char(' '), 0, 0)));
}

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
    QString shown = said(problem);
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
            if (!made.value) return costs_->setText(said(made.problem));
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
        request.check = check_->isChecked(), request.then = command_.toStdString();
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
    QSettings().setValue(QStringLiteral("deliver/check"), check_->isChecked());
    QSettings().setValue(QStringLiteral("deliver/last"), QString::fromStdString(textOf(delivery())));
    document_.save(); // what is exported is what is kept
    alike_->isChecked() && all.size() > 1 ? addTogether(all) : enqueue(all);
}

void Drawer::enqueue(const std::vector<ExportRequest>& requests) {
    const std::vector<std::int64_t> ids = queueView_->add(requests);
    if (handsBack_) beforeReturn_ = ids;
}

// After all of them; not at all where one was not exported, for then there is something to be mended first.
void Drawer::handBackOnceDone() {
    if (beforeReturn_.empty()) return;
    bool all = true;
    for (const QueuedJob& j : queueView_->jobs()) {
        if (std::find(beforeReturn_.begin(), beforeReturn_.end(), j.id) == beforeReturn_.end()) continue;
        if (j.state == JobState::Waiting || j.state == JobState::Running) return;
        all = all && j.state == JobState::Done;
    }
    beforeReturn_.clear();
    if (!all) return emit message(tr("Not returned: not all files were exported."));
    emit handBackAsked();
}

void Drawer::offerHandBack() {
    then_->menu()->addAction(tr("Return the photo and close"), this, [this] { setThen({}, true); });
}

void Drawer::addTogether(std::vector<ExportRequest> requests) {
    if (series_.active()) return emit message(tr("The noise of the photos before is still being measured."));
    std::vector<std::filesystem::path> files;
    for (const ExportRequest& r : requests)
        if (files.empty() || files.back() != r.photo) files.emplace_back(r.photo);
    emit message(tr("Measuring the noise of %1 photos together…").arg(files.size()));
    series_ = jobs_.submit(
        Lane::Reading, 1, [files](const Work& work) { return noiseOfSeries(files, work); },
        [this, requests](const Outcome<std::map<std::filesystem::path, NoiseModel>>& found) {
            if (!found.value) return emit message(said(found.problem));
            std::vector<ExportRequest> alike = requests;
            for (ExportRequest& r : alike)
                if (const auto own = found.value->find(r.photo); own != found.value->end())
                    r.noise = own->second;
            enqueue(alike);
            emit message(tr("Added %1 files to the queue.").arg(requests.size()));
        });
}

// What it costs is measured only for who sees it.
void Drawer::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    describe();
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
