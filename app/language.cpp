#include "language.h"

#include <QApplication>
#include <QLibraryInfo>
#include <QLocale>
#include <QSettings>
#include <QTranslator>
#include <algorithm>
#include <memory>

// Resources of a static library are found once this was called, from outside of all namespaces.
static void loadLanguages() { Q_INIT_RESOURCE(languages); }

namespace irenic::language {

namespace {

constexpr const char* kKey = "language";

QString usedCode = QStringLiteral("en");

QString codeOf(const QString& wanted) { return wanted.section(QLatin1Char('-'), 0, 0).toLower(); }

bool isKnown(const QString& code) {
    const QList<Language> known = all();
    return std::any_of(known.begin(), known.end(), [&](const Language& l) { return l.code == code; });
}

// Empty: the desktop asks for none that there is.
QString desktops() {
    for (const QString& wanted : QLocale::system().uiLanguages())
        if (isKnown(codeOf(wanted))) return codeOf(wanted);
    return {};
}

} // namespace

QList<Language> all() {
    return {{QStringLiteral("en"), QStringLiteral("English")},
            {QStringLiteral("de"), QStringLiteral("Deutsch")},
            {QStringLiteral("es"), QStringLiteral("Español")},
            {QStringLiteral("fr"), QStringLiteral("Français")}};
}

QString chosen() { return QSettings().value(QLatin1String(kKey)).toString(); }

QString used() { return usedCode; }

void choose(const QString& code) { QSettings().setValue(QLatin1String(kKey), code); }

QTranslator* wordsOf(const QString& code, QObject* parent) {
    loadLanguages();
    auto words = std::make_unique<QTranslator>();
    if (!words->load(QStringLiteral(":/languages/irenic_%1.qm").arg(code))) return nullptr;
    words->setParent(parent);
    return words.release();
}

void use(QApplication& app, const QString& code) {
    const QString own = isKnown(codeOf(code)) ? codeOf(code) : desktops();
    if (!own.isEmpty()) usedCode = own;
    // The desktop's numbers unless its language is not the one of the words.
    if (!own.isEmpty() && codeOf(QLocale::system().bcp47Name()) != own) QLocale::setDefault(QLocale(own));
    if (own.isEmpty() || own == QLatin1String("en")) return;
    // Words of the toolkit's own dialogs first: what is ours goes before.
    auto* dialogs = new QTranslator(&app);
    if (dialogs->load(QStringLiteral("qtbase_") + own, QLibraryInfo::path(QLibraryInfo::TranslationsPath)))
        QApplication::installTranslator(dialogs);
    QApplication::installTranslator(wordsOf(own, &app));
}

} // namespace irenic::language
