// The manual: it opens where one works, its links and pictures are there, its keys are the window's, and its
// first page is true step by step.
#include <QDir>
#include <QFile>
#include <QListWidget>
#include <QMenu>
#include <QRegularExpression>
#include <QTextBrowser>
#include <QTranslator>

#include "closeup/close_up.h"
#include "closeup/zone_panel.h"
#include "export/drawer.h"
#include "export/export_bar.h"
#include "help/key_list.h"
#include "help/manual.h"
#include "language.h"
#include "look/look_strip.h"
#include "photos/photo_list.h"
#include "recommend/recommend_button.h"
#include "window_support.h"

using namespace irenic;

namespace {

const QDir kDocs(QStringLiteral(IRENIC_DOCS));

QString fileText(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? QString::fromUtf8(file.readAll()) : QString();
}

// As links name a heading.
QString anchorOf(QString heading) {
    heading = heading.toLower();
    heading.remove(QRegularExpression(QStringLiteral("[^a-z0-9 -]")));
    return heading.replace(QLatin1Char(' '), QLatin1Char('-'));
}

} // namespace

class TestManual : public test::WindowTest {
    Q_OBJECT

    void pages() {
        QTest::addColumn<QString>("page");
        for (const QString& page : Manual::pages()) QTest::newRow(qPrintable(page)) << page;
    }
    // The table that a page's "keys of" asks for.
    QString keyTable(const QString& group, const QStringList& wanted) {
        QString out = QStringLiteral("| key | what it does |\n|---|---|\n");
        for (const QString& key : wanted) {
            const KeyEntry* found = nullptr;
            for (const KeyEntry& k : keys_)
                if (k.keys == key && (!found || (k.group == group && found->group != group))) found = &k;
            if (!found) return QStringLiteral("there is no key ") + key;
            out += QStringLiteral("| %1 | %2 |\n").arg(found->keys, found->what);
        }
        return out;
    }
    QList<KeyEntry> keys_;

  private slots:
    void everyPageIsThere_data() { pages(); }
    void everyPageIsThere() {
        QFETCH(QString, page);
        const QString text = fileText(kDocs.filePath("manual/" + page + ".md"));
        QVERIFY(text.startsWith(QStringLiteral("# ")) && text.size() > 300);
        QCOMPARE(Manual::textOf(page), text);
        // All links and pictures lead somewhere.
        static const QRegularExpression link(QStringLiteral("\\]\\(([^)#]*)(?:#([^)]*))?\\)"));
        for (auto each = link.globalMatch(text); each.hasNext();) {
            const auto m = each.next();
            const QString target = kDocs.filePath("manual/" + m.captured(1));
            QVERIFY2(QFile::exists(target), qPrintable(m.captured()));
            if (m.captured(2).isEmpty()) continue;
            bool there = false;
            for (const QString& line : fileText(target).split(QLatin1Char('\n')))
                there |= line.startsWith(QLatin1Char('#')) &&
                         anchorOf(line.section(QLatin1Char(' '), 1)) == m.captured(2);
            QVERIFY2(there, qPrintable(m.captured()));
        }
    }
    // The first page in other languages: as many steps, links that lead somewhere, and the window's own
    // words.
    void theFirstPageInOtherLanguages_data() {
        QTest::addColumn<QString>("code");
        for (const language::Language& l : language::all())
            if (l.code != QLatin1String("en")) QTest::newRow(qPrintable(l.code)) << l.code;
    }
    void theFirstPageInOtherLanguages() {
        QFETCH(QString, code);
        const QString folder = kDocs.filePath("manual/" + code + "/");
        const QString text = fileText(folder + "first-ten-minutes.md"), line = text.simplified();
        const QString english = fileText(kDocs.filePath("manual/first-ten-minutes.md"));
        static const QRegularExpression step(QStringLiteral("^[0-9]+\\. "),
                                             QRegularExpression::MultilineOption),
            link(QStringLiteral("\\]\\(([^)#]*)\\)"));
        QCOMPARE(text.count(step), english.count(step));
        QCOMPARE(text.count(link), english.count(link));
        for (auto each = link.globalMatch(text); each.hasNext();)
            QVERIFY(QFile::exists(folder + each.next().captured(1)));
        QTranslator* words = language::wordsOf(code, this);
        QVERIFY(words);
        for (const auto& [context, word] :
             {std::pair("irenic::RecommendButton", "Recommend"), std::pair("irenic::Drawer", "Add to queue"),
              std::pair("irenic::StartPage", "Try the demo photos"),
              std::pair("irenic::TakeHead", "Set others to equal luminance noise")}) {
            const QString own = words->translate(context, word);
            QVERIFY2(!own.isEmpty() && line.contains(own), qPrintable(own + " " + word));
        }
    }
    void theReadmeLeadsToIt() {
        const QString readme = fileText(kDocs.filePath("../README.md"));
        for (const QString& page : Manual::pages())
            QVERIFY2(readme.contains("docs/manual/" + page + ".md"), qPrintable(page));
        static const QRegularExpression link(QStringLiteral("\\]\\(([^)#:]*)\\)"));
        for (auto each = link.globalMatch(readme); each.hasNext();) {
            const QString target = each.next().captured(1);
            QVERIFY2(QFile::exists(kDocs.filePath("../" + target)), qPrintable(target));
        }
    }
    // The keys at the end of each page are made from the window's own.
    void keysAreTheWindows_data() { pages(); }
    void keysAreTheWindows() {
        QFETCH(QString, page);
        keys_ = keysOf(window_.get());
        const QString file = kDocs.filePath("manual/" + page + ".md"), text = fileText(file);
        static const QRegularExpression asked(
            QStringLiteral("\n## Keys\n\n<!-- keys of ([^:]*): (.*) -->\n\n?"));
        const auto m = asked.match(text);
        QVERIFY(m.hasMatch());
        const QString table = keyTable(m.captured(1), m.captured(2).split(QStringLiteral("; ")));
        QVERIFY2(table.startsWith(QLatin1Char('|')), qPrintable(table));
        if (qEnvironmentVariableIsSet("IRENIC_WRITE_DOCS")) {
            QFile out(file);
            QVERIFY(out.open(QIODevice::WriteOnly));
            out.write((text.left(m.capturedEnd()).trimmed() + "\n\n" + table).toUtf8());
            return;
        }
        QCOMPARE(text.mid(m.capturedEnd()), table);
    }
    void itOpensWhereOneWorks() {
        CloseUp& closeUp = window_->closeUp();
        emit window_->sheet().opened(0, 1);
        QTRY_VERIFY(closeUp.isVisible());
        const std::pair<const QWidget*, const char*> parts[] = {
            {&window_->sheet(), "sheet"},
            {window_->sheet().head(0), "methods"},
            {&closeUp, "close-up"},
            {window_->findChild<ZonePanel*>(), "zones"},
            {window_->findChild<QWidget*>("checkPanel"), "checks"},
            {window_->findChild<LookStrip*>(), "look"},
            {window_->findChild<RecommendButton*>(), "recommend"},
            {window_->findChild<Drawer*>(), "export"},
            {&window_->photos(), "first-ten-minutes"},
            {nullptr, "first-ten-minutes"}};
        for (const auto& [widget, page] : parts) {
            QVERIFY2(widget || page == QByteArray("first-ten-minutes"), page);
            QCOMPARE(Manual::pageFor(widget), QString::fromLatin1(page));
        }
        // By its key, at the part that has the focus, and never twice.
        closeUp.setFocus();
        QTest::keyClick(&closeUp, Qt::Key_F1);
        QTRY_VERIFY(window_->findChild<Manual*>());
        auto* manual = window_->findChild<Manual*>();
        QCOMPARE(manual->shown(), QStringLiteral("close-up"));
        auto* text = manual->findChild<QTextBrowser*>("manualText");
        QVERIFY(text->toPlainText().contains("Side by side") && !text->toPlainText().contains("keys of"));
        emit text->anchorClicked(QUrl(QStringLiteral("sheet.md")));
        QCOMPARE(manual->shown(), QStringLiteral("sheet"));
        manual->showPage(QStringLiteral("checks"));
        emit text->anchorClicked(QUrl(QStringLiteral("../checks.md"))); // the document beside the manual
        QVERIFY(text->toPlainText().contains("How well they work"));
        manual->showPage(QStringLiteral("no such page"));
        QCOMPARE(manual->shown(), QStringLiteral("more-checks"));
        window_->photos().setFocus();
        QTest::keyClick(&window_->photos(), Qt::Key_F1);
        QTRY_COMPARE(manual->shown(), QStringLiteral("first-ten-minutes"));
        QCOMPARE(window_->findChildren<Manual*>().size(), 1);
        // What is searched for is found on whatever page it stands.
        QTest::keyClicks(manual->findChild<QLineEdit*>("manualSearch"), "OpenRaster");
        QTRY_COMPARE(manual->shown(), QStringLiteral("export"));
        QCOMPARE(text->textCursor().selectedText(), QStringLiteral("OpenRaster"));
        manual->close();
    }
    // Each step of the first page, in the words that it uses.
    void theFirstPageIsTrue() {
        const QString page = Manual::textOf(QStringLiteral("first-ten-minutes")).simplified();
        QStringList steps;
        for (int i = 1;; ++i) {
            const qsizetype at = page.indexOf(QStringLiteral(" %1. ").arg(i)),
                            next = page.indexOf(QStringLiteral(" %1. ").arg(i + 1));
            if (at < 0) break;
            steps << page.mid(at, next < 0 ? -1 : next - at);
        }
        QCOMPARE(steps.size(), 10);
        const auto says = [&](int step, const char* words) {
            QVERIFY2(steps[step - 1].contains(QString::fromUtf8(words)), words);
        };
        Document& document = window_->document();
        Sheet& sheet = window_->sheet();
        CloseUp& closeUp = window_->closeUp();
        // 1
        says(1, "Click `mill-03`");
        const QString mill = QString::fromStdString(
            test::writeShot(folder_, "mill-03.dng", test::shoot(12800, "RGGB", 9).photo));
        window_->open({mill});
        window_->photos().select(mill);
        QTRY_COMPARE(document.photo()->file, std::filesystem::path(mill.toStdString()));
        QVERIFY(settle());
        QVERIFY(sheet.columns() >= 3 && sheet.rows() >= 2);
        // 2
        says(2, "Press 2 for 200 %"), says(2, "Drag a cell"), says(2, "Press Home");
        QTest::keyClick(window_.get(), Qt::Key_2);
        QTRY_COMPARE(document.zoom(), 2.0);
        Cell* cell = sheet.cell(0, 1);
        QTest::mousePress(cell, Qt::LeftButton, {}, {60, 60});
        QTest::mouseMove(cell, {90, 80});
        QTest::mouseRelease(cell, Qt::LeftButton, {}, {90, 80});
        QVERIFY(document.isPanned());
        QTest::keyClick(window_.get(), Qt::Key_Home);
        QTRY_VERIFY(!document.isPanned());
        // 3
        says(3, "Raise Push"), says(3, "never exported");
        find<Rule>("push")->setValue(3);
        QCOMPARE(document.push(), 3.0f);
        find<Rule>("push")->setValue(0);
        // 4
        says(4, "strengths in the head of take A"), says(4, "drag Luminance");
        find<QAction>("allHeads")->trigger();
        auto* fold = sheet.head(0)->findChild<QToolButton*>("fold");
        QVERIFY(fold);
        if (!field(0, "luminance") || !field(0, "luminance")->isVisible())
            QTest::mouseClick(fold, Qt::LeftButton);
        QTRY_VERIFY(field(0, "luminance")->isVisible());
        drag(field(0, "luminance"), 1.5);
        QTRY_VERIFY(std::abs(document.takes()[0].settings.luminance - 1.5f) < 0.05f);
        // 5
        says(5, "Double-click a cell of take A"), says(5, "Press B for take B, O for the original"),
            says(5, "Tab flips");
        QVERIFY(settle());
        QTest::mouseDClick(sheet.cell(0, 1), Qt::LeftButton);
        QTRY_VERIFY(closeUp.isVisible());
        QTest::keyClick(&closeUp, Qt::Key_B);
        QCOMPARE(closeUp.column(), 2);
        QTest::keyClick(&closeUp, Qt::Key_O);
        QCOMPARE(closeUp.column(), 0);
        QTest::keyClick(&closeUp, Qt::Key_Tab);
        QCOMPARE(closeUp.column(), 2);
        // 6
        says(6, "Press F8"), says(6, "Press Esc");
        QTest::keyClick(&closeUp, Qt::Key_F8);
        QTRY_VERIFY(closeUp.manner() == CloseUp::Manner::Removed);
        QTest::keyClick(&closeUp, Qt::Key_Escape);
        QTRY_VERIFY(!closeUp.isVisible());
        // 7
        says(7, "menu of take A"), says(7, "Set others to equal luminance noise");
        QAction* equal = nullptr;
        for (QAction* a : sheet.head(0)->findChildren<QAction*>())
            if (a->text() == QLatin1String("Set others to equal luminance noise")) equal = a;
        QVERIFY(equal);
        const float before = document.takes()[1].settings.luminance;
        equal->trigger();
        QTRY_VERIFY_WITH_TIMEOUT(document.takes()[1].settings.luminance != before, 60000);
        // 8
        says(8, "Click Recommend"), says(8, "a column of its own");
        const std::size_t takes = document.takes().size();
        auto* recommend = window_->findChild<RecommendButton*>();
        QCOMPARE(recommend->text(), QStringLiteral("Recommend"));
        QTest::mouseClick(recommend, Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(document.takes().size() == takes + 1, 120000);
        // 9
        says(9, "Click the ring at the head"), says(9, "Press Ctrl+E");
        auto* ring = sheet.head(0)->findChild<QAbstractButton*>("choose");
        QVERIFY(ring);
        QTest::mouseClick(ring, Qt::LeftButton);
        QTRY_COMPARE(document.chosen(), 0);
        const auto keys = keysOf(window_.get());
        QVERIFY(std::any_of(keys.begin(), keys.end(), [](const KeyEntry& k) { return k.keys == "Ctrl+E"; }));
        const QString target = folder_.filePath("clean.dng");
        window_->exportBar().exportTo(target);
        QTRY_VERIFY_WITH_TIMEOUT(QFile::exists(target), 60000);
        QTRY_VERIFY(window_->exportBar().message().contains("Exported and verified"));
        // 10
        says(10, "press Ctrl+D: the export queue opens"), says(10, "click Add to queue");
        QTest::keyClick(window_.get(), Qt::Key_D, Qt::ControlModifier);
        QTRY_VERIFY(window_->findChild<Drawer*>()->isVisible());
        bool add = false;
        for (const QAbstractButton* b : window_->findChild<Drawer*>()->findChildren<QAbstractButton*>())
            add |= b->text() == QLatin1String("Add to queue") && b->isEnabled();
        QVERIFY(add);
        // What the end of the page promises.
        QVERIFY(page.contains("`NAME.irenic.json`"));
        document.save();
        QTRY_VERIFY(QFile::exists(mill + ".irenic.json"));
    }
};

QTEST_MAIN(TestManual)
#include "manual.moc"
