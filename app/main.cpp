#include <QAction>
#include <QCommandLineParser>
#include <QSettings>
#include <QTimer>
#include <QToolButton>
#include <algorithm>

#include "photos/photo_list.h"
#include "sheet/sheet.h"
#include "style/style.h"
#include "window.h"

int main(int argc, char** argv) {
    irenic::keepFreedMemory();
    QApplication app(argc, argv);
    QApplication::setApplicationName(QStringLiteral("irenic"));
    QApplication::setOrganizationName(QStringLiteral("irenic"));
    irenic::style::setGreys(static_cast<irenic::style::Greys>(
        std::clamp(QSettings().value(QStringLiteral("greys")).toInt(), 0, 2)));
    irenic::style::apply(app);

    QCommandLineParser parser;
    parser.setApplicationDescription(
        QStringLiteral("Reduce the noise of raw photos, comparing takes side by side."));
    parser.addHelpOption();
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
    const QCommandLineOption size(QStringLiteral("size"), QStringLiteral("Size of the window."),
                                  QStringLiteral("WIDTHxHEIGHT"), QStringLiteral("1280x800"));
    parser.addOptions({look, curve, history, heads, size, picture, push, zoom, select, recommend});
    parser.process(app);

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
            const bool measured = std::any_of(takes.begin(), takes.end(),
                                              [](const irenic::Take& t) { return t.risk.has_value(); });
            const bool empty = window.photos().count() == 0;
            if ((!empty && !window.sheet().allCurrent()) || (parser.isSet(recommend) && !measured)) return;
            waiting.stop();
            window.grab().save(parser.value(picture));
            QApplication::quit();
        });
        waiting.start(100);
    }
    return QApplication::exec();
}
