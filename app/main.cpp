#include <QCommandLineParser>
#include <QFileInfo>
#include <QScreen>
#include <QSettings>
#include <algorithm>
#include <cstdio>
#include <memory>
#include <string>
#include <vector>

#include "application.h"
#include "handover.h"
#include "language.h"
#include "man_options.h"
#include "reader/reader.h"
#include "renderer.h"
#include "style/preference.h"
#include "style/style.h"
#include "window.h"
#include "window_picture.h"

namespace {

// Whether one of the arguments is that word.
bool asksFor(int argc, char** argv, std::initializer_list<const char*> words) {
    return std::any_of(argv + 1, argv + argc, [&](const char* a) {
        return std::any_of(words.begin(), words.end(), [a](const char* w) { return std::string(w) == a; });
    });
}

} // namespace

int main(int argc, char** argv) {
    irenic::keepFreedMemory();
    irenic::useReaderBesideThis();
    QCommandLineParser parser;
    // These need no display.
    std::unique_ptr<QCoreApplication> plain;
    std::unique_ptr<QApplication> window_system;
    if (asksFor(argc, argv, {"--help", "-h", "--help-all", "--version", "-v", "--man-options"}))
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
    parser.addPositionalArgument(QStringLiteral("FILE"), QStringLiteral("Photos or folders"),
                                 QStringLiteral("[FILE...]"));
    const QCommandLineOption queue(QStringLiteral("show-queue"), QStringLiteral("Open the export queue."));
    const QCommandLineOption another(QStringLiteral("new-window"),
                                     QStringLiteral("Open another window, even where one is open already."));
    const QCommandLineOption handback(
        QStringLiteral("return"),
        QStringLiteral(
            "For another program: open this photo, and write the chosen take back to it. A developed "
            "picture is a working copy, replaced whole; a raw gets a DNG beside it. Exit status 3: "
            "nothing was written."),
        QStringLiteral("FILE"));
    const QCommandLineOption into(QStringLiteral("into"),
                                  QStringLiteral("With --return: write it there instead."),
                                  QStringLiteral("FILE"));
    const QCommandLineOption words(
        QStringLiteral("language"),
        QStringLiteral("Words of the window: de, en, es or fr. This time only; the View menu keeps it."),
        QStringLiteral("CODE"));
    // For the manual page, which is made of it.
    QCommandLineOption manual(QStringLiteral("man-options"));
    manual.setFlags(QCommandLineOption::HiddenFromHelp);
    const std::vector<QCommandLineOption> own = {queue, another, handback, into, words};
    parser.addOptions(QList<QCommandLineOption>(own.begin(), own.end()));
    parser.addOption(manual);
    irenic::WindowPicture picture(parser);
    parser.process(*QCoreApplication::instance());
    if (!window_system && parser.isSet(manual)) {
        const std::string text = irenic::manOptionsOf(own) +
                                 ".SS Pictures of the window\nThese start the window in a certain state, "
                                 "mostly to make a picture of it.\n" +
                                 irenic::manOptionsOf(picture.options());
        std::fputs(text.c_str(), stdout);
        return 0;
    }
    if (!window_system) return 2; // "--help" as the name of a file
    QApplication& app = *window_system;
    constexpr int kTenBits = 30; // for red, green and blue together
    irenic::tenBits(app.primaryScreen() && app.primaryScreen()->depth() == kTenBits);

    irenic::Request request;
    for (const QString& path : parser.positionalArguments())
        request.paths << QFileInfo(path).absoluteFilePath();
    request.queue = parser.isSet(queue);
    const bool returns = parser.isSet(handback);
    if (parser.isSet(into) && !returns) {
        qCritical("irenic: --into needs --return");
        return 2;
    }
    const bool alone = picture.wanted() || parser.isSet(another) || returns;
    if (!alone && irenic::Handover::giveToRunning(request)) return 0;

    irenic::language::use(app, parser.isSet(words) ? parser.value(words) : irenic::language::chosen());
    picture.begin();
    irenic::style::setGreys(static_cast<irenic::style::Greys>(
        std::clamp(QSettings().value(QStringLiteral("greys")).toInt(), 0, 2)));
    irenic::style::apply(app);
    irenic::Window window;
    if (!picture.prepare(window)) return 2;
    const auto whole = [&](const QCommandLineOption& o) {
        return parser.isSet(o) ? QFileInfo(parser.value(o)).absoluteFilePath() : QString();
    };
    if (returns)
        window.takeForReturn(whole(handback), whole(into));
    else if (request.paths.isEmpty() && !picture.wanted())
        window.restoreSession();
    else
        window.open(request.paths);
    if (request.queue) window.take({}, true);
    std::unique_ptr<irenic::Handover> handover;
    if (!alone) {
        handover = std::make_unique<irenic::Handover>();
        QObject::connect(handover.get(), &irenic::Handover::asked, &window,
                         [&window](const irenic::Request& r) { window.take(r.paths, r.queue); });
    }
    if (!picture.wanted()) irenic::style::followDesktop(&window);
    picture.show(window);
    const int status = QApplication::exec();
    constexpr int kNothingReturned = 3;
    return status == 0 && returns && !window.handedBack() ? kNothingReturned : status;
}
