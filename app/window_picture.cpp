#include "window_picture.h"

#include <QAction>
#include <QApplication>
#include <QBuffer>
#include <QCommandLineParser>
#include <QFileInfo>
#include <QSettings>
#include <QToolButton>
#include <algorithm>
#include <fstream>

#include "base/safe_file.h"
#include "closeup/check_panel.h"
#include "closeup/close_up.h"
#include "closeup/difference_view.h"
#include "closeup/take_panel.h"
#include "closeup/zone_panel.h"
#include "deliver/formats.h"
#include "export/drawer.h"
#include "export/export_bar.h"
#include "export/queue_view.h"
#include "photos/photo_list.h"
#include "several/photos_sheet.h"
#include "sheet/reference_head.h"
#include "sheet/sheet.h"
#include "style/style.h"
#include "trial/trial_result.h"
#include "trial/trial_view.h"
#include "window.h"

#include "start/recent_photos.h"
#include "start/start_picture.h"
namespace irenic {

namespace {

// A queue as it stands in the middle of a night's work, for pictures of the window.
void fillQueue(JobQueue& queue, int count) {
    namespace fs = std::filesystem;
    std::vector<ExportRequest> requests;
    for (int i = 0; i < count; ++i) {
        ExportRequest w;
        w.photo =
            QStringLiteral("/photos/tide/mill-%1.dng").arg(i + 1, 4, 10, QLatin1Char('0')).toStdString();
        w.settings = Settings{}, w.letter = "B";
        if (i % 3 == 2) w.delivery.format = ExportFormat::Jpeg;
        requests.push_back(w);
    }
    queue.add(requests);
    for (int i = 0; i < count / 2; ++i) {
        const auto job = queue.claim();
        const fs::path photo = job->request.photo;
        if (i % 17 == 4)
            queue.noteFailed(
                job->id, photo.filename().string() + ": the file ends before its last row. Copy it again.",
                false);
        else {
            const std::string made =
                photo.stem().string() + "-clean" + formatOf(job->request.delivery.format).ending;
            const fs::path there = queue.file().parent_path() / made;
            std::ofstream(there) << "made up";
            queue.noteDone(job->id, there, "-", 3.4 + i % 5);
        }
    }
    if (const auto job = queue.claim()) queue.noteProgress(job->id, 0.62);
    if (const auto job = queue.claim()) queue.noteProgress(job->id, 0.17);
}

QCommandLineOption option(const char* name, const char* sentence, const char* value = "",
                          const char* usual = "") {
    return {QString::fromLatin1(name), QString::fromUtf8(sentence), QString::fromLatin1(value),
            QString::fromLatin1(usual)};
}

} // namespace

WindowPicture::WindowPicture(QCommandLineParser& parser)
    : parser_(parser),
      picture_(option("picture", "Write a picture of the window once all is rendered, and quit.", "PNG")),
      push_(option("push", "Start with this push.", "STOPS")),
      zoom_(option("zoom", "Start with this zoom; 0 fits.", "FACTOR")),
      photo_(option("photo", "Start with the photo in this row, from 1.", "ROW")),
      recommend_(option("recommend", "Measure a recommended take for the first photo shown.")),
      look_(option("look", "Develop all photos with this look.", "TEXT")),
      curve_(option("curve", "Open the contrast curve.")), history_(option("history", "Open the history.")),
      strengths_(option("strengths", "Open the strengths of all takes.")),
      closeUp_(option("close-up", "Open the close-up of the first probe and take, in this manner, 0 to 4.",
                      "MANNER")),
      reference_(option("reference", "Open a file made elsewhere from the photo, to compare with.", "FILE")),
      probe_(option("probe", "The close-up's probe.", "NUMBER", "1")),
      queue_(option("queue", "Open the export queue, with so many made-up files in it.", "NUMBER")),
      recent_(option("recent", "Offer a photo on the first page; once for each.", "FILE")),
      zone_(option("zone",
                   "Give the first take this zone, as in 'clean --take', and show it in the close-up.",
                   "TEXT")),
      checks_(option("checks", "Check the first take in the close-up.")),
      trial_(option("trial",
                    "Begin a blind trial, give so many answers, and show the result where there are any.",
                    "NUMBER")),
      several_(option("several", "Show the sheet over all photos.")),
      greys_(option("greys", "Middle, dark or light greys, 0 to 2.", "NUMBER", "0")),
      size_(option("size", "Size of the window.", "WIDTHxHEIGHT", "1280x800")) {
    for (const QCommandLineOption& one : options()) parser.addOption(one);
}

std::vector<QCommandLineOption> WindowPicture::options() const {
    return {size_,    look_,      picture_, photo_,  probe_,  zoom_,     push_,
            closeUp_, reference_, zone_,    checks_, trial_,  several_,  recommend_,
            greys_,   curve_,     history_, queue_,  recent_, strengths_};
}

bool WindowPicture::has(const QCommandLineOption& option) const { return parser_.isSet(option); }

bool WindowPicture::wanted() const { return has(picture_); }

void WindowPicture::begin() {
    if (!wanted()) return;
    QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, nowhere_.path());
    QSettings().setValue(QStringLiteral("recommend/byItself"), false);
    QSettings().setValue(QStringLiteral("pictures/keep"), false);
    QueueView::keepNothing();
}

bool WindowPicture::prepare(Window& window) {
    if (has(look_)) try {
            window.document().setLook(lookFromText(parser_.value(look_).toStdString()));
            window.document().useLookForAll();
        } catch (const std::invalid_argument& e) {
            qCritical("irenic: %s", e.what());
            return false;
        }
    if (has(push_)) window.document().setPush(parser_.value(push_).toFloat());
    if (has(zoom_)) window.document().setZoom(parser_.value(zoom_).toDouble());
    if (wanted()) window.keepNothing();
    if (has(recent_)) {
        QStringList files;
        for (const QString& file : parser_.values(recent_)) files << QFileInfo(file).absoluteFilePath();
        window.showRecent(files);
    }
    return true;
}

void WindowPicture::show(Window& window) {
    const auto button = [&](const char* name) {
        return window.findChild<QToolButton*>(QString::fromLatin1(name));
    };
    if (has(photo_)) window.photos().setCurrentRow(parser_.value(photo_).toInt() - 1);
    const QStringList sides = parser_.value(size_).split(QLatin1Char('x'));
    if (sides.size() == 2 && (wanted() || has(size_))) window.resize(sides[0].toInt(), sides[1].toInt());
    window.show();
    if (has(greys_))
        style::setGreys(static_cast<style::Greys>(std::clamp(parser_.value(greys_).toInt(), 0, 2)));
    if (has(curve_)) QTimer::singleShot(0, &window, [=] { button("curveButton")->setChecked(true); });
    if (has(strengths_)) window.findChild<QAction*>(QStringLiteral("allHeads"))->trigger();
    if (has(look_)) button("showLook")->setChecked(true);
    if (has(history_)) window.findChild<QAction*>(QStringLiteral("historyPanelShown"))->trigger();
    if (has(queue_) && wanted())
        fillQueue(*window.drawer().queueView().queue(), parser_.value(queue_).toInt());
    if (has(queue_)) window.exportBar().queueButton()->setChecked(true);
    // Once, with the first photo.
    auto* once = new QObject(&window);
    QObject::connect(&window.document(), &Document::photoChanged, once, [this, &window, once, button] {
        once->deleteLater();
        QObject::disconnect(&window.document(), nullptr, once, nullptr);
        if (has(reference_)) {
            window.document().addReference(parser_.value(reference_).toStdString());
            window.document().matchReference(0, true);
        }
        if (has(recommend_)) button("recommend")->click();
        if (has(zone_)) try {
                window.document().setZones(0, zonesFromText("zone=" + parser_.value(zone_).toStdString()),
                                           false);
            } catch (const std::invalid_argument& e) {
                qCritical("irenic: %s", e.what());
            }
    });
    if (!wanted()) return;
    QObject::connect(&waiting_, &QTimer::timeout, &window, [this, &window] {
        if (ready(window)) write(window);
    });
    waiting_.start(100);
}

// Whether all that was asked for is there.
bool WindowPicture::ready(Window& window) {
    const auto& takes = window.document().takes();
    const bool empty = window.photos().count() == 0, isClose = window.closeUp().isVisible();
    if (!empty && !isClose && has(closeUp_) && window.document().photo()) {
        emit window.sheet().opened(std::max(0, parser_.value(probe_).toInt() - 1), 1);
        window.closeUp().setManner(
            static_cast<CloseUp::Manner>(std::clamp(parser_.value(closeUp_).toInt(), 0, 4)));
        window.closeUp().panel().zones().setWantsMask(has(zone_));
        return false;
    }
    if (has(trial_)) return trialReady(window);
    if (has(several_)) return severalReady(window);
    if (isClose && !window.closeUp().current()) return false;
    if (isClose && has(checks_) && !window.closeUp().panel().checks().findings()) {
        if (!window.closeUp().panel().checks().running()) window.closeUp().panel().checks().check();
        return false;
    }
    // What was found stands in rows that are laid out a moment later.
    const auto* found = window.findChild<QWidget*>(QStringLiteral("check-noise-left"));
    if (isClose && has(checks_) && (!found || !found->isVisible())) return false;
    if (isClose && has(zone_) && window.closeUp().shownMask().isNull()) return false;
    const auto* removed = window.closeUp().removedBeside();
    if (removed->isVisible() && removed->image().isNull()) return false;
    if (has(reference_) && window.sheet().columns() > static_cast<int>(takes.size()) + 1 &&
        !window.sheet().referenceHead(0)->toolTip().contains(QStringLiteral("matched:")))
        return false;
    if (!empty && !isClose && !window.sheet().allCurrent()) return false;
    if (const auto* start = window.findChild<StartPicture*>();
        empty && start->isVisible() && !start->isWhole())
        return false;
    if (empty && !window.findChild<RecentPhotos*>()->isWhole()) return false;
    return !has(recommend_) || window.document().facts().recommended.has_value();
}

bool WindowPicture::severalReady(Window& window) {
    if (!window.document().photo() || !window.sheet().allCurrent()) return window.several().allCurrent();
    if (!window.several().isVisible()) {
        window.photos().selectAll();
        window.findChild<QAction*>(QStringLiteral("sheetOverPhotos"))->trigger();
    }
    return window.several().allCurrent();
}

// Somebody who likes the takes in the order of the sheet.
bool WindowPicture::trialReady(Window& window) {
    TrialView& trial = window.trial();
    if (!window.document().photo() || !window.sheet().allCurrent()) return false;
    if (!trial.isVisible()) window.findChild<QAction*>(QStringLiteral("blindTrial"))->trigger();
    if (trial.asking() && !trial.ready()) return false;
    const auto wanted = static_cast<std::size_t>(std::max(0, parser_.value(trial_).toInt()));
    if (!trial.asking()) return trial.result()->isMeasured();
    if (wanted == 0) return true;
    if (trial.answers().size() >= wanted) {
        trial.stop();
        return false; // what is left of the noise is measured a moment later
    }
    const auto [first, second] = trial.pair();
    trial.answer(first < second ? Preferred::First : Preferred::Second);
    return false;
}

void WindowPicture::write(Window& window) {
    waiting_.stop();
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    window.grab().save(&buffer, "PNG");
    const std::string to = parser_.value(picture_).toStdString();
    try {
        writeWhole(to, png.toStdString(), SafeFile::Existing::Keep);
    } catch (const WriteError& e) {
        qCritical("irenic: %s: %s", to.c_str(), e.what());
        return QApplication::exit(1);
    }
    QApplication::quit();
}

} // namespace irenic
