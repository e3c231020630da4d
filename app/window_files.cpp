// Files that take long: a report on a photo's takes, the takes as layers, and dark frames.
#include <QCoreApplication>
#include <QFileDialog>
#include <QFileInfo>
#include <cmath>

#include "base/safe_file.h"
#include "deliver/layers.h"
#include "export/export_bar.h"
#include "measure/dark_frame.h"
#include "measure/dark_store.h"
#include "photos/photo_list.h"
#include "report/report.h"
#include "said.h"
#include "slow_write.h"
#include "window.h"

namespace irenic {

void Window::askForReport() {
    if (report_->running()) {
        report_->stop();
        return exportBar_->setMessage(tr("The report was stopped. Nothing was written."));
    }
    if (!document_.photo()) return exportBar_->setMessage(tr("Open a photo first."));
    const std::filesystem::path photo = document_.photo()->file;
    const QString proposed = QString::fromStdString((photo.parent_path() / photo.stem()).string()) +
                             tr("-report") + QStringLiteral(".pdf");
    QString file = QFileDialog::getSaveFileName(this, tr("Save report"), proposed,
                                                tr("PDF, with a JSON file beside it (*.pdf)"));
    if (file.isEmpty()) return;
    if (!file.endsWith(QStringLiteral(".pdf"), Qt::CaseInsensitive)) file += QStringLiteral(".pdf");
    writeReport(file);
}

void Window::writeReport(const QString& pdf) {
    const QFileInfo file(pdf);
    const QString json = file.path() + QLatin1Char('/') + file.completeBaseName() + QStringLiteral(".json");
    const ReportWish wish{document_.photo(), document_.state(), document_.facts(),
                          (QStringLiteral("Irenic ") + QCoreApplication::applicationVersion()).toStdString()};
    report_->begin(tr("Checking all takes for the report"), pdf, [wish, pdf, json](const Work& work) {
        const Report report = measureReport(wish, work);
        writeWhole(pdf.toStdString(), pdfOf(report).toStdString(), SafeFile::Existing::Replace);
        writeWhole(json.toStdString(), jsonOf(report).toStdString(), SafeFile::Existing::Replace);
        return std::string();
    });
}

void Window::askForLayers() {
    if (layers_->running()) {
        layers_->stop();
        return exportBar_->setMessage(tr("The layers were stopped. Nothing was written."));
    }
    if (!document_.photo()) return exportBar_->setMessage(tr("Open a photo first."));
    const std::filesystem::path photo = document_.photo()->file;
    const QString proposed = QString::fromStdString((photo.parent_path() / photo.stem()).string()) +
                             tr("-takes") + QStringLiteral(".ora");
    QString file =
        QFileDialog::getSaveFileName(this, tr("Save takes as layers"), proposed, tr("OpenRaster (*.ora)"));
    if (file.isEmpty()) return;
    if (!file.endsWith(QStringLiteral(".ora"), Qt::CaseInsensitive)) file += QStringLiteral(".ora");
    writeLayers(file);
}

void Window::writeLayers(const QString& file) {
    std::vector<PictureLayer> all = {{tr("Original").toStdString(), Settings::original()}};
    const auto& takes = document_.takes();
    const int chosen = document_.chosen();
    const auto add = [&](int i) {
        const Take& take = takes[static_cast<std::size_t>(i)];
        all.push_back(
            {std::string(1, take.letter) + " " + (take.name.empty() ? take.settings.method : take.name),
             take.settings});
    };
    for (int i = 0; i < static_cast<int>(takes.size()); ++i)
        if (i != chosen) add(i);
    if (chosen >= 0) add(chosen);
    layers_->begin(tr("Writing the takes as layers"), file,
                   [photo = document_.photo(), look = document_.look(), all, file](const Work& work) {
                       exportLayers(photo, look, all, file.toStdString(), work);
                       return std::string();
                   });
}

void Window::askForDarkFrames() {
    if (darkFrames_->running()) {
        darkFrames_->stop();
        return exportBar_->setMessage(tr("Reading dark frames was stopped. Nothing has changed."));
    }
    const PhotoPtr photo = document_.photo();
    const QString folder = photo ? QString::fromStdString(photo->file.parent_path().string()) : QString();
    const QStringList files =
        QFileDialog::getOpenFileNames(this, tr("Open dark frames, taken with the lens covered"), folder);
    if (!files.isEmpty()) useDarkFrames(files);
}

void Window::useDarkFrames(const QStringList& files) {
    std::vector<std::filesystem::path> paths;
    for (const QString& file : files) paths.emplace_back(file.toStdString());
    const auto tell = [this](const Outcome<std::string>& made) {
        if (!made.value) return exportBar_->setMessage(said(made.problem));
        exportBar_->setMessage(
            tr("Dark frames are used from now on for %1").arg(QString::fromStdString(*made.value)));
        photos_->readAgain();
    };
    darkFrames_->begin(tr("Reading dark frames"), tell, [paths](const Work& work) {
        const DarkFrame dark = darkFrameOf(paths, work);
        keep(dark);
        return dark.camera + ", ISO " + std::to_string(std::lround(dark.iso));
    });
}

void Window::forgetDarkFrames() {
    const PhotoPtr photo = document_.photo();
    if (!photo) return;
    const auto tell = [this](const Outcome<std::string>& made) {
        if (!made.value) return exportBar_->setMessage(said(made.problem));
        exportBar_->setMessage(tr("Photos of this camera and ISO are cleaned without dark frames again."));
        photos_->readAgain();
    };
    darkFrames_->begin(tr("Forgetting dark frames"), tell, [photo](const Work&) {
        forgetDarkFor(*photo);
        return std::string();
    });
}

} // namespace irenic
