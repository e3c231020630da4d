#include "help/fault_report.h"

#include <unistd.h>

#include <QCheckBox>
#include <QClipboard>
#include <QDateTime>
#include <QFileDialog>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QRegularExpression>
#include <QScreen>
#include <QSysInfo>
#include <QThread>
#include <QVBoxLayout>

#include "base/library_versions.h"
#include "base/safe_file.h"
#include "said.h"

namespace irenic {

QString withoutFolders(const QString& text) {
    // From a slash that begins a path to its last one.
    static const QRegularExpression folders(QStringLiteral("(?<![^\\s:(\"'=])~?/(?:[^/\\s][^/\\n]*/)+"));
    QString out = text;
    return out.remove(folders);
}

QString faultText(const QStringList& messages, const QString& photo, bool withFolders) {
    const auto memory =
        static_cast<double>(sysconf(_SC_PHYS_PAGES)) * static_cast<double>(sysconf(_SC_PAGE_SIZE)) / 1e9;
    QStringList lines;
    lines << QStringLiteral("Irenic %1").arg(QCoreApplication::applicationVersion());
    lines << QStringLiteral("%1, %2").arg(QSysInfo::prettyProductName(), QSysInfo::kernelVersion());
    lines << QStringLiteral("%1, %2 threads, %3 GB")
                 .arg(QSysInfo::currentCpuArchitecture())
                 .arg(QThread::idealThreadCount())
                 .arg(numberOf(memory, 1));
    if (const QScreen* screen = QGuiApplication::primaryScreen())
        lines << QStringLiteral("%1, %2 x %3 at %4")
                     .arg(QGuiApplication::platformName())
                     .arg(screen->size().width())
                     .arg(screen->size().height())
                     .arg(screen->devicePixelRatio());
    QStringList libraries = {QStringLiteral("Qt %1").arg(QLatin1String(qVersion()))};
    for (const auto& [name, version] : libraryVersions())
        libraries << QStringLiteral("%1 %2").arg(QString::fromStdString(name),
                                                 QString::fromStdString(version));
    lines << libraries.join(QStringLiteral(", "));
    lines << QString() << (photo.isEmpty() ? FaultReport::tr("No photo is open.") : photo);
    lines << QString() << FaultReport::tr("What was said last:");
    for (const QString& m : messages) lines << (withFolders ? m : withoutFolders(m));
    return lines.join(QLatin1Char('\n')) + QLatin1Char('\n');
}

FaultReport::FaultReport(const QStringList& messages, const QString& photo, QWidget* parent)
    : QDialog(parent), messages_(messages), photo_(photo), shown_(new QPlainTextEdit(this)),
      folders_(new QCheckBox(tr("With the names of folders"), this)) {
    setWindowTitle(tr("Report a fault"));
    setAttribute(Qt::WA_DeleteOnClose);
    auto* column = new QVBoxLayout(this);
    auto* words = new QLabel(tr("Nothing is sent. Read it, add what you did, then save or copy it."), this);
    words->setWordWrap(true);
    column->addWidget(words);
    shown_->setObjectName(QStringLiteral("faultText"));
    shown_->setAccessibleName(tr("Report"));
    column->addWidget(shown_, 1);
    folders_->setObjectName(QStringLiteral("faultFolders"));
    connect(folders_, &QCheckBox::toggled, this, &FaultReport::refresh);
    auto* row = new QHBoxLayout;
    row->addWidget(folders_);
    row->addStretch(1);
    const auto button = [&](const QString& text, const char* name, auto act) {
        auto* b = new QPushButton(text, this);
        b->setObjectName(QLatin1String(name));
        b->setAutoDefault(false);
        connect(b, &QPushButton::clicked, this, act);
        row->addWidget(b);
    };
    button(tr("Copy"), "copyFault", [this] { QGuiApplication::clipboard()->setText(text()); });
    button(tr("Save…"), "saveFault", [this] { save(); });
    column->addLayout(row);
    refresh();
    resize(620, 480);
}

QString FaultReport::text() const { return shown_->toPlainText(); }

void FaultReport::refresh() { shown_->setPlainText(faultText(messages_, photo_, folders_->isChecked())); }

void FaultReport::save() {
    const QString file = QFileDialog::getSaveFileName(this, tr("Save the report"), tr("irenic-report.txt"),
                                                      tr("Text (*.txt)"));
    if (!file.isEmpty()) saveTo(file);
}

// A few lines: no job is worth it.
void FaultReport::saveTo(const QString& file) {
    try {
        writeWhole(file.toStdString(), text().toStdString(), SafeFile::Existing::Replace);
        emit message(tr("Saved: %1").arg(file));
    } catch (const WriteError& e) {
        emit message(tr("%1 could not be saved: %2").arg(file, said(e.what())));
    }
}

} // namespace irenic
