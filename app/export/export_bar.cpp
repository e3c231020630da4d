#include "export/export_bar.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QSettings>
#include <QToolButton>
#include <utility>

#include "deliver/formats.h"
#include "deliver/handback.h"
#include "develop/algorithms.h"
#include "export/delivery_form.h"
#include "said.h"

namespace irenic {

ExportBar::ExportBar(Document& document, Jobs& jobs, QWidget* parent)
    : QWidget(parent), document_(document), message_(new QLabel(this)), form_(new DeliveryForm(this)),
      queue_(new QToolButton(this)), start_(new QPushButton(tr("Export…"), this)),
      answer_(new QPushButton(this)), cancel_(new QPushButton(tr("Cancel"), this)),
      bar_(new QProgressBar(this)), jobs_(jobs) {
    message_->setObjectName(QStringLiteral("message"));
    message_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    start_->setObjectName(QStringLiteral("export"));
    start_->setShortcut(QKeySequence(tr("Ctrl+E")));
    start_->setToolTip(tr("Exports the chosen take to a file. The original is never touched. (Ctrl+E)"));
    queue_->setObjectName(QStringLiteral("showQueue"));
    queue_->setCheckable(true);
    queue_->setText(tr("Export queue"));
    queue_->setShortcut(QKeySequence(tr("Ctrl+D")));
    queue_->setToolTip(tr("Exports several photos at once, and shows the queue. (Ctrl+D)"));
    cancel_->setObjectName(QStringLiteral("cancel"));
    bar_->setRange(0, 1000);
    bar_->setMaximumWidth(260);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(6, 3, 6, 3);
    row->addWidget(message_, 1);
    answer_->setObjectName(QStringLiteral("answer"));
    answer_->hide();
    row->addWidget(answer_);
    connect(answer_, &QPushButton::clicked, this, [this] {
        const auto act = std::exchange(act_, {});
        setMessage({});
        if (act) act();
    });
    for (QWidget* w : std::initializer_list<QWidget*>{bar_, cancel_, queue_}) row->addWidget(w);
    row->addWidget(form_->box("format", "format"));
    row->addWidget(form_->box("space", "exportSpace"));
    row->addWidget(form_->box("packing", "exportPacking"));
    row->addWidget(start_);
    connect(start_, &QPushButton::clicked, this, [this] { handback_ ? handBack() : chooseTarget(); });
    connect(cancel_, &QPushButton::clicked, this, [this] {
        job_.cancel();
        finish({}, tr("Export cancelled. Nothing was written."));
    });
    connect(&document_, &Document::chosenChanged, this, &ExportBar::refresh);
    connect(&document_, &Document::photoChanged, this, &ExportBar::refresh);
    connect(&ticking_, &QTimer::timeout, this, [this] {
        const double share = static_cast<double>(std::max(0.0f, job_.progress()));
        bar_->setValue(static_cast<int>(1000 * share));
        QString text = QStringLiteral("%p %");
        if (share > 0.08)
            text +=
                tr(", about %1 s left")
                    .arg(std::lround(static_cast<double>(clock_.elapsed()) / 1000.0 * (1 - share) / share));
        bar_->setFormat(text);
    });
    refresh();
}

void ExportBar::setMessage(const QString& text) {
    message_->setText(text);
    message_->setToolTip(text);
    act_ = {};
    answer_->hide();
    emit messageChanged();
}

void ExportBar::ask(const QString& question, const QString& answer, std::function<void()> act) {
    setMessage(question);
    answer_->setText(answer);
    answer_->show();
    act_ = std::move(act);
}

void ExportBar::setQueue(const QString& text) {
    const QKeySequence key = queue_->shortcut();
    queue_->setText(text.isEmpty() ? tr("Export queue") : tr("Queue: %1").arg(text));
    queue_->setShortcut(key);
}

QString ExportBar::message() const { return message_->text(); }

void ExportBar::refresh() {
    const bool can = document_.photo() && document_.chosen() >= 0 && !running();
    const QString letter =
        document_.chosen() >= 0
            ? QString(QLatin1Char(document_.takes()[static_cast<std::size_t>(document_.chosen())].letter))
            : QString();
    start_->setEnabled(can);
    if (handback_)
        start_->setText(tr("Return take %1").arg(letter));
    else
        start_->setText(letter.isEmpty() ? tr("Export…") : tr("Export take %1…").arg(letter));
    // Setting a text forgets the key.
    start_->setShortcut(QKeySequence(handback_ ? tr("Ctrl+Return") : tr("Ctrl+E")));
    bar_->setVisible(running());
    cancel_->setVisible(running());
}

void ExportBar::chooseTarget() {
    const PhotoPtr photo = document_.photo();
    QSettings memory;
    const QString folder = memory
                               .value(QStringLiteral("export/folder"),
                                      QFileInfo(QString::fromStdString(photo->file.string())).absolutePath())
                               .toString();
    Delivery how = form_->delivery();
    how.folder = folder.toStdString();
    NameParts parts;
    parts.original = photo->file;
    const auto proposed = freeName(targetOf(how, parts));
    const Format& kind = formatOf(how.format);
    const QString filter =
        QStringLiteral("%1 (%2)").arg(QString::fromUtf8(kind.name), QString::fromUtf8(kind.patterns));
    const QString target = QFileDialog::getSaveFileName(this, tr("Export take"),
                                                        QString::fromStdString(proposed.string()), filter);
    if (target.isEmpty()) return;
    memory.setValue(QStringLiteral("export/folder"), QFileInfo(target).absolutePath());
    exportTo(target);
}

void ExportBar::exportTo(const QString& target) {
    if (running() || !document_.photo() || document_.chosen() < 0) return;
    const Take& take = document_.takes()[static_cast<std::size_t>(document_.chosen())];
    const PhotoPtr photo = document_.photo();
    const char letter = take.letter;
    Export what{{photo, take.settings, document_.look()}, form_->delivery(), {}, false};
    if (const Risk* risk = document_.facts().riskOf(take.settings)) what.risk = *risk;
    // The dialog has asked about replacing; the original is refused by the core whatever was answered.
    what.delivery.conflict = Conflict::Replace;
    const auto make = [what, file = target.toStdString()](const Work& work) {
        return exportFile(what, file, work);
    };
    job_ = jobs_.submit(
        Lane::Writing, 0, make, [this, photo, target, letter, what](const Outcome<LeftOut>& written) {
            if (written.value)
                document_.noteExport(photo->file.string(),
                                     {target.toStdString(), presentTime(), letter,
                                      textOf(what.recipe.settings), textOf(what.recipe.look), kAlgorithms});
            finish(target, said(written.problem));
            if (written.value && !written.value->empty())
                setMessage(tr("%1 %2").arg(message(), QString::fromStdString(written.value->front())));
        });
    clock_.start();
    ticking_.start(200);
    setMessage(tr("Exporting %1").arg(QFileInfo(target).fileName()));
    refresh();
}

void ExportBar::handBackTo(const QString& target) {
    handback_ = target;
    for (const char* box : {"format", "exportSpace", "exportPacking"})
        if (auto* own = findChild<QWidget*>(QLatin1String(box))) own->hide();
    start_->setToolTip(
        tr("Writes the chosen take to the program that handed the photo over, and closes. (Ctrl+Return)"));
    connect(&document_, &Document::photoChanged, this, [this] {
        if (document_.chosen() < 0) document_.choose(0);
        setMessage(tr("Returns to the program that opened it: %1").arg(handbackPlace()));
        refresh();
    });
    refresh();
}

QString ExportBar::handbackPlace() const {
    if (handback_ && !handback_->isEmpty()) return *handback_;
    return document_.photo() ? QString::fromStdString(handbackTarget(*document_.photo()).string())
                             : QString();
}

void ExportBar::handBack() {
    if (running() || !document_.photo() || document_.chosen() < 0) return;
    const Take& take = document_.takes()[static_cast<std::size_t>(document_.chosen())];
    const QString target = handbackPlace();
    const auto make = [photo = document_.photo(), settings = take.settings, look = document_.look(),
                       file = target.toStdString()](const Work& work) {
        return exportFile(handbackOf(photo, settings, look), file, work);
    };
    job_ = jobs_.submit(Lane::Writing, 0, make, [this, target](const Outcome<LeftOut>& written) {
        finish(target, said(written.problem));
        if (written.value) emit handedBack();
    });
    clock_.start();
    ticking_.start(200);
    setMessage(tr("Returning %1").arg(QFileInfo(target).fileName()));
    refresh();
}

void ExportBar::finish(const QString& file, const QString& problem) {
    ticking_.stop();
    refresh();
    if (problem.isEmpty()) {
        setMessage(tr("Exported and verified: %1").arg(QFileInfo(file).fileName()));
        emit exported(file);
    } else {
        setMessage(problem);
        emit failed(problem);
    }
}

} // namespace irenic
