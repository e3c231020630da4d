#include <QAction>
#include <QBuffer>
#include <QCommandLineParser>
#include <QSettings>
#include <QTemporaryDir>
#include <QTimer>
#include <QToolButton>
#include <algorithm>
#include <fstream>
#include <memory>
#include <string>

#include "application.h"
#include "base/safe_file.h"
#include "closeup/close_up.h"
#include "closeup/difference_view.h"
#include "export/drawer.h"
#include "export/export_bar.h"
#include "photos/photo_list.h"
#include "reader/reader.h"
#include "sheet/reference_head.h"
#include "sheet/sheet.h"
#include "style/style.h"
#include "window.h"

namespace {

// Whether one of the arguments is that word.
bool asksFor(int argc, char** argv, std::initializer_list<const char*> words) {
    return std::any_of(argv + 1, argv + argc, [&](const char* a) {
        return std::any_of(words.begin(), words.end(), [a](const char* w) { return std::string(w) == a; });
    });
}

// A queue as it stands in the middle of a night's work, for pictures of the window.
void fillQueue(irenic::JobQueue& queue, int count) {
    namespace fs = std::filesystem;
    std::vector<irenic::ExportRequest> requests;
    for (int i = 0; i < count; ++i) {
        irenic::ExportRequest w;
        w.photo =
            QStringLiteral("/photos/tide/mill-%1.dng").arg(i + 1, 4, 10, QLatin1Char('0')).toStdString();
        w.settings = irenic::Settings{}, w.letter = "B";
        if (i % 3 == 2) w.delivery.format = irenic::ExportFormat::Jpeg;
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
                photo.stem().string() + "-clean" + irenic::endingOf(job->request.delivery.format);
            const fs::path there = queue.file().parent_path() / made;
            std::ofstream(there) << "made up";
            queue.noteDone(job->id, there, "-", 3.4 + i % 5);
        }
    }
    if (const auto job = queue.claim()) queue.noteProgress(job->id, 0.62);
    if (const auto job = queue.claim()) queue.noteProgress(job->id, 0.17);
}

} // namespace

int main(int argc, char** argv) {
    irenic::keepFreedMemory();
    irenic::useReaderBesideThis();
    QCommandLineParser parser;
    // These need no display.
    std::unique_ptr<QCoreApplication> plain;
    std::unique_ptr<QApplication> window_system;
    if (asksFor(argc, argv, {"--help", "-h", "--help-all", "--version", "-v"}))
        plain = std::make_unique<QCoreApplication>(argc, argv);
    else
        window_system = std::make_unique<irenic::Application>(argc, argv);
    QCoreApplication::setApplicationName(QStringLiteral("irenic"));
    QCoreApplication::setApplicationVersion(QStringLiteral(IRENIC_VERSION));
    QApplication::setOrganizationName(QStringLiteral("irenic"));
    parser.setApplicationDescription(
        QStringLiteral("Reduce the noise of raw photos, comparing takes side by side."));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(QStringLiteral("FILE"), QStringLiteral("Raw photos or folders"),
                                 QStringLiteral("[FILE...]"));
    const QCommandLineOption picture(
        QStringLiteral("picture"),
        QStringLiteral("Write a picture of the window once all is rendered, and quit."),
        QStringLiteral("PNG"));
    const QCommandLineOption push(QStringLiteral("push"), QStringLiteral("Start with this push."),
                                  QStringLiteral("STOPS"));
    const QCommandLineOption zoom(QStringLiteral("zoom"), QStringLiteral("Start with this zoom; 0 fits."),
                                  QStringLiteral("FACTOR"));
    const QCommandLineOption select(QStringLiteral("photo"),
                                    QStringLiteral("Start with the photo in this row, from 1."),
                                    QStringLiteral("ROW"));
    const QCommandLineOption recommend(
        QStringLiteral("recommend"), QStringLiteral("Measure a recommended take for the first photo shown."));
    const QCommandLineOption look(
        QStringLiteral("look"), QStringLiteral("Develop all photos with this look."), QStringLiteral("TEXT"));
    const QCommandLineOption curve(QStringLiteral("curve"), QStringLiteral("Open the contrast curve."));
    const QCommandLineOption history(QStringLiteral("history"), QStringLiteral("Open the history."));
    const QCommandLineOption heads(QStringLiteral("strengths"),
                                   QStringLiteral("Open the strengths of all takes."));
    const QCommandLineOption closeUp(
        QStringLiteral("close-up"),
        QStringLiteral("Open the close-up of the first probe and take, in this manner, "
                       "0 to 4."),
        QStringLiteral("MANNER"));
    const QCommandLineOption reference(
        QStringLiteral("reference"),
        QStringLiteral("Open a file made elsewhere from the photo, to compare with."),
        QStringLiteral("FILE"));
    const QCommandLineOption probe(QStringLiteral("probe"), QStringLiteral("The close-up's probe."),
                                   QStringLiteral("NUMBER"), QStringLiteral("1"));
    const QCommandLineOption queue(
        QStringLiteral("queue"), QStringLiteral("Open the drawer, with so many made-up files in its queue."),
        QStringLiteral("NUMBER"));
    const QCommandLineOption size(QStringLiteral("size"), QStringLiteral("Size of the window."),
                                  QStringLiteral("WIDTHxHEIGHT"), QStringLiteral("1280x800"));
    parser.addOptions({look, curve, history, heads, closeUp, size, picture, push, zoom, select, recommend,
                       reference, probe, queue});
    parser.process(*QCoreApplication::instance());
    if (!window_system) return 2; // "--help" as the name of a file
    QApplication& app = *window_system;

    // A picture of the window begins with nothing kept and leaves nothing.
    QTemporaryDir nowhere;
    if (parser.isSet(picture))
        QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, nowhere.path());
    irenic::style::setGreys(static_cast<irenic::style::Greys>(
        std::clamp(QSettings().value(QStringLiteral("greys")).toInt(), 0, 2)));
    irenic::style::apply(app);

    if (parser.isSet(picture)) QSettings().setValue(QStringLiteral("recommend/byItself"), false);
    if (parser.isSet(picture)) irenic::Drawer::keepNothing();
    irenic::Window window;
    if (parser.isSet(look)) try {
            window.document().setLook(irenic::lookFromText(parser.value(look).toStdString()));
            window.document().useLookForAll();
        } catch (const std::invalid_argument& e) {
            qCritical("irenic: %s", e.what());
            return 2;
        }
    if (parser.isSet(push)) window.document().setPush(parser.value(push).toFloat());
    if (parser.isSet(zoom)) window.document().setZoom(parser.value(zoom).toDouble());
    if (parser.isSet(picture)) window.keepNothing();
    if (parser.positionalArguments().isEmpty() && !parser.isSet(picture))
        window.restoreSession();
    else
        window.open(parser.positionalArguments());
    if (parser.isSet(select)) window.photos().setCurrentRow(parser.value(select).toInt() - 1);
    const QStringList sides = parser.value(size).split(QLatin1Char('x'));
    if (sides.size() == 2 && (parser.isSet(picture) || parser.isSet(size)))
        window.resize(sides[0].toInt(), sides[1].toInt());
    window.show();
    if (parser.isSet(curve))
        QTimer::singleShot(0, &window, [&] {
            window.findChild<QToolButton*>(QStringLiteral("curveButton"))->setChecked(true);
        });
    if (parser.isSet(heads)) window.findChild<QAction*>(QStringLiteral("allHeads"))->trigger();
    if (parser.isSet(look)) window.findChild<QToolButton*>(QStringLiteral("showLook"))->setChecked(true);
    if (parser.isSet(history)) window.findChild<QAction*>(QStringLiteral("showHistory"))->trigger();
    if (parser.isSet(queue) && parser.isSet(picture))
        fillQueue(*window.drawer().queue(), parser.value(queue).toInt());
    if (parser.isSet(queue)) window.exportBar().queueButton()->setChecked(true);
    bool opened = !parser.isSet(reference);
    QObject::connect(&window.document(), &irenic::Document::photoChanged, &window, [&] {
        if (opened) return;
        opened = true;
        window.document().addReference(parser.value(reference).toStdString());
        window.document().matchReference(0, true);
    });
    bool asked = !parser.isSet(recommend);
    QObject::connect(&window.document(), &irenic::Document::photoChanged, &window, [&] {
        if (asked) return;
        asked = true;
        window.findChild<QToolButton*>(QStringLiteral("recommend"))->click();
    });

    QTimer waiting;
    if (parser.isSet(picture)) {
        QObject::connect(&waiting, &QTimer::timeout, &app, [&] {
            const auto& takes = window.document().takes();
            const bool measured = window.document().facts().recommended.has_value();
            const bool empty = window.photos().count() == 0;
            const bool isClose = window.closeUp().isVisible();
            if (!empty && !isClose && parser.isSet(closeUp) && window.document().photo()) {
                emit window.sheet().opened(std::max(0, parser.value(probe).toInt() - 1), 1);
                window.closeUp().setManner(
                    static_cast<irenic::CloseUp::Manner>(std::clamp(parser.value(closeUp).toInt(), 0, 4)));
                return;
            }
            if (isClose && !window.closeUp().current()) return;
            const auto* removed = window.closeUp().removedBeside();
            if (removed->isVisible() && removed->image().isNull()) return;
            if (parser.isSet(reference) && window.sheet().columns() > static_cast<int>(takes.size()) + 1 &&
                !window.sheet().referenceHead(0)->toolTip().contains(QStringLiteral("matched:")))
                return;
            if ((!empty && !isClose && !window.sheet().allCurrent()) ||
                (parser.isSet(recommend) && !measured))
                return;
            waiting.stop();
            QByteArray png;
            QBuffer buffer(&png);
            buffer.open(QIODevice::WriteOnly);
            window.grab().save(&buffer, "PNG");
            const std::string to = parser.value(picture).toStdString();
            try {
                irenic::writeWhole(to, png.toStdString(), irenic::SafeFile::Existing::Keep);
            } catch (const irenic::WriteError& e) {
                qCritical("irenic: %s: %s", to.c_str(), e.what());
                return QApplication::exit(1);
            }
            QApplication::quit();
        });
        waiting.start(100);
    }
    return QApplication::exec();
}
