// The languages of the window: complete, with the values of the English words, and said everywhere.
#include <QAction>
#include <QFile>
#include <QLocale>
#include <QMenu>
#include <QRegularExpression>
#include <QTranslator>
#include <QXmlStreamReader>
#include <set>

#include "language.h"
#include "said.h"
#include "window_fit.h"
#include "window_support.h"

using namespace irenic;

namespace {

struct Message {
    QString context, source, translation;
};

std::vector<Message> messagesOf(const QString& code) {
    QFile file(QStringLiteral(IRENIC_LANGUAGES "/irenic_%1.ts").arg(code));
    std::vector<Message> out;
    if (!file.open(QIODevice::ReadOnly)) return out;
    QXmlStreamReader xml(&file);
    Message now;
    while (!xml.atEnd()) {
        if (xml.readNext() != QXmlStreamReader::StartElement) continue;
        if (xml.name() == QLatin1String("name")) now.context = xml.readElementText();
        if (xml.name() == QLatin1String("source")) now.source = xml.readElementText();
        if (xml.name() == QLatin1String("translation")) {
            now.translation = xml.readElementText();
            out.push_back(now);
        }
    }
    return out;
}

// "%1", "{file}" and "(F5)" with how often they stand there.
QStringList valuesIn(const QString& text) {
    static const QRegularExpression value(QStringLiteral("%[1-9]|\\{\\w+\\}|\\(F\\d+\\)"));
    QStringList out;
    for (auto each = value.globalMatch(text); each.hasNext();) out << each.next().captured();
    out.sort();
    return out;
}

} // namespace

class TestSpeaking : public test::WindowTest {
    Q_OBJECT

    std::unique_ptr<QTranslator> words_;

    void speak(const QString& code) {
        quiet();
        words_.reset(language::wordsOf(code, nullptr));
        QVERIFY(words_);
        QCoreApplication::installTranslator(words_.get());
        QLocale::setDefault(QLocale(code));
        QSettings().remove(QStringLiteral("deliveries")); // names that another language gave
    }
    void quiet() {
        if (words_) QCoreApplication::removeTranslator(words_.get());
        words_.reset();
        QLocale::setDefault(QLocale::c());
    }
    void languages() {
        QTest::addColumn<QString>("code");
        for (const auto& [code, name] : language::all())
            if (code != QLatin1String("en")) QTest::newRow(qPrintable(code)) << code;
    }

  private slots:
    void cleanupTestCase() { quiet(); }

    void allWordsAreThere_data() { languages(); }
    void allWordsAreThere() {
        QFETCH(QString, code);
        const std::vector<Message> all = messagesOf(code);
        QVERIFY(all.size() > 1000);
        std::set<QString> core;
        for (const Message& m : all) {
            QVERIFY2(!m.translation.isEmpty(), qPrintable(m.source));
            QVERIFY2(valuesIn(m.source) == valuesIn(m.translation),
                     qPrintable(m.source + " / " + m.translation));
            QVERIFY2(m.source.count(QLatin1Char('\n')) == m.translation.count(QLatin1Char('\n')),
                     qPrintable(m.source));
            // What is asked first, and what is at work, says so in every language.
            QCOMPARE(m.translation.contains(QStringLiteral("…")), m.source.contains(QStringLiteral("…")));
            if (m.context == QLatin1String("core")) core.insert(m.source);
        }
        for (const QString& words : wordsOfTheCore()) QVERIFY2(core.count(words), qPrintable(words));
    }
    // A menu's letters lead to one entry each.
    void lettersOfMenusAreTheirOwn_data() {
        languages();
        QTest::newRow("en") << QStringLiteral("en");
    }
    void lettersOfMenusAreTheirOwn() {
        QFETCH(QString, code);
        quiet();
        if (code != QLatin1String("en")) speak(code);
        Window window;
        window.keepNothing();
        for (const QMenu* menu : window.findChildren<QMenu*>()) {
            std::map<QChar, QString> seen;
            for (const QAction* a : menu->actions()) {
                const qsizetype at = a->text().indexOf(QLatin1Char('&'));
                if (at < 0 || !a->isVisible()) continue;
                const QChar letter = a->text().at(at + 1).toLower();
                QVERIFY2(!seen.count(letter),
                         qPrintable(menu->title() + ": " + seen[letter] + " / " + a->text()));
                seen[letter] = a->text();
            }
        }
        quiet();
    }
    // No English is left in a window that speaks another language.
    void theWindowSpeaks_data() { languages(); }
    void theWindowSpeaks() {
        QFETCH(QString, code);
        std::set<QString> english, spoken;
        for (const Message& m : messagesOf(code))
            if (m.source != m.translation) english.insert(m.source);
        for (const Message& m : messagesOf(code)) spoken.insert(m.translation);
        speak(code);
        Window window;
        window.keepNothing();
        window.resize(1280, 800);
        window.show();
        window.open({one_});
        QTRY_VERIFY_WITH_TIMEOUT(window.document().photo() && window.sheet().allCurrent(), 60000);
        int seen = 0;
        const auto look = [&](const QString& text) {
            for (const QString& line : text.split(QLatin1Char('\n'))) {
                QVERIFY2(!english.count(line) || spoken.count(line), qPrintable(line));
                ++seen;
            }
        };
        for (const QAction* a : window.findChildren<QAction*>()) look(a->text()), look(a->toolTip());
        for (const QWidget* w : window.findChildren<QWidget*>())
            look(w->toolTip()), look(w->accessibleName());
        for (const QAbstractButton* b : window.findChildren<QAbstractButton*>()) look(b->text());
        for (const QLabel* l : window.findChildren<QLabel*>()) look(l->text());
        for (const Rule* r : window.findChildren<Rule*>()) look(r->label());
        for (const QComboBox* c : window.findChildren<QComboBox*>())
            for (int i = 0; i < c->count(); ++i) look(c->itemText(i));
        QVERIFY2(seen > 500, qPrintable(QString::number(seen)));
        quiet();
    }
    void theCoreIsUnderstood() {
        speak(QStringLiteral("de"));
        QCOMPARE(said("luminance"), QStringLiteral("Luminanz"));
        // Values, lists and files' names stay what they are.
        QCOMPARE(said("Take B added"), QStringLiteral("Variante B hinzugefügt"));
        QCOMPARE(said("A: luminance 1.00× → 1.20×, grain changed"),
                 QStringLiteral("A: Luminanz 1.00× → 1.20×, Korn geändert"));
        QCOMPARE(said("night.dng: the file is empty. Copy it again from the card."),
                 QStringLiteral("night.dng: Die Datei ist leer. Noch einmal von der Karte kopieren."));
        QCOMPARE(
            said("12 % of the noise is left in even areas: luminance 1.4 would take more."),
            QStringLiteral(
                "12 % des Rauschens bleibt in gleichmäßigen Flächen: Luminanz 1.4 würde mehr entfernen."));
        // What nobody has translated is said as it is, and twice is as once.
        QCOMPARE(said("quay %1: a b, c. D"), QStringLiteral("quay %1: a b, c. D"));
        QCOMPARE(said(said("Take B added")), QStringLiteral("Variante B hinzugefügt"));
        QVERIFY(said("").isEmpty());
        quiet();
        QCOMPARE(said("Take B added"), QStringLiteral("Take B added"));
    }
    // Every sentence of the core is found again by its form, whatever its values, also behind a file's name.
    void sentencesOfTheCoreAreFound_data() { languages(); }
    void sentencesOfTheCoreAreFound() {
        QFETCH(QString, code);
        speak(code);
        int tried = 0;
        for (const QString& words : wordsOfTheCore()) {
            QString english = words,
                    expected = QCoreApplication::translate("core", words.toUtf8().constData());
            for (int i = 1; i <= 9; ++i) {
                const QString place = QStringLiteral("%%1").arg(i);
                // What a library says may hold commas; it stands in brackets, or at the end.
                const bool held = words.contains(QLatin1Char('(') + place + QLatin1Char(')')) ||
                                  words.endsWith(QStringLiteral(": ") + place);
                const QString value =
                    held ? QStringLiteral("zz, yy%1").arg(i) : QStringLiteral("zz%1").arg(i);
                english.replace(place, value), expected.replace(place, value);
            }
            if (english == words) continue;
            ++tried;
            QCOMPARE(said(english), expected);
            if (words.at(0).isLower())
                QCOMPARE(said(QStringLiteral("night.dng: ") + english),
                         QStringLiteral("night.dng: ") + expected);
        }
        QVERIFY2(tried > 80, qPrintable(QString::number(tried)));
        quiet();
    }
    void numbersAreTheLanguages() {
        quiet();
        QCOMPARE(numberOf(12800.5, 1), QStringLiteral("12800.5"));
        speak(QStringLiteral("de"));
        QCOMPARE(numberOf(12800.5, 1), QStringLiteral("12800,5"));
        QVERIFY(timeOf("2026-01-15 22:10:00").contains(QStringLiteral("15.01.26")));
        QCOMPARE(timeOf("some day"), QStringLiteral("some day"));
        // A slider reads what it shows, and what a programmer would type.
        Rule* rule = field(0, "luminance");
        QVERIFY(rule);
        for (const char* typed : {"1,25", "1.25"}) {
            rule->setFocus();
            QTest::keyClicks(rule, QString::fromLatin1(typed).left(1));
            QTest::keyClicks(QApplication::focusWidget(), QString::fromLatin1(typed).mid(1));
            QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
            QTRY_COMPARE(rule->value(), 1.25);
            rule->setValue(1);
        }
        quiet();
    }
    void theLanguageIsChosen() {
        auto* menu = find<QMenu>("languages");
        QVERIFY(menu && menu->actions().size() == language::all().size() + 1);
        QVERIFY(menu->actions()[0]->isChecked() && language::chosen().isEmpty());
        menu->actions()[2]->trigger();
        QCOMPARE(language::chosen(), QStringLiteral("de"));
        menu->actions()[0]->trigger();
        QVERIFY(language::chosen().isEmpty());
    }
};

QTEST_MAIN(TestSpeaking)
#include "speaking.moc"
