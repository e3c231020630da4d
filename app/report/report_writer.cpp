#include "report/report_writer.h"

#include <QCoreApplication>
#include <QFileInfo>
#include <cmath>

#include "base/safe_file.h"
#include "report/report.h"

namespace irenic {

ReportWriter::ReportWriter(Document& document, Jobs& jobs, QObject* parent)
    : QObject(parent), document_(document), jobs_(jobs) {
    telling_.setInterval(500);
    connect(&telling_, &QTimer::timeout, this, [this] {
        emit message(tr("Checking all takes for the report: %1 %")
                         .arg(std::lround(100 * std::max(0.0f, job_.progress()))));
    });
}

void ReportWriter::write(const QString& pdf) {
    if (!document_.photo()) return;
    const QFileInfo file(pdf);
    const QString json = file.path() + QLatin1Char('/') + file.completeBaseName() + QStringLiteral(".json");
    const ReportWish wish{document_.photo(), document_.state(), document_.facts(),
                          (QStringLiteral("Irenic ") + QCoreApplication::applicationVersion()).toStdString()};
    job_ = jobs_.submit(
        Lane::Quiet, 0,
        [wish, pdf, json](const Work& work) {
            const Report report = measureReport(wish, work);
            writeWhole(pdf.toStdString(), pdfOf(report).toStdString(), SafeFile::Existing::Replace);
            writeWhole(json.toStdString(), jsonOf(report).toStdString(), SafeFile::Existing::Replace);
            return true;
        },
        [this, pdf](const Outcome<bool>& made) {
            telling_.stop();
            emit message(
                made.value
                    ? tr("Report written: %1").arg(pdf)
                    : tr("%1 could not be written: %2").arg(pdf, QString::fromStdString(made.problem)));
        });
    telling_.start();
    emit message(tr("Checking all takes for the report…"));
}

void ReportWriter::stop() {
    job_ = {};
    telling_.stop();
}

} // namespace irenic
