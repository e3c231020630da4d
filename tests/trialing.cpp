// A blind trial in the window: nothing tells which picture is which, answers lead to an order, and the photo
// keeps it.
#include <QFile>
#include <QLabel>
#include <QPushButton>
#include <QSignalSpy>

#include "export/export_bar.h"
#include "photos/photo_list.h"
#include "session/sidecar.h"
#include "session/taste.h"
#include "trial/picture_pane.h"
#include "trial/trial_result.h"
#include "trial/trial_view.h"
#include "window_support.h"

using namespace irenic;

class TestTrialing : public test::WindowTest {
    Q_OBJECT

    TrialView& trial() { return window_->trial(); }
    void begin() {
        QVERIFY(settle());
        find<QAction>("blindTrial")->trigger();
        QVERIFY(trial().isVisible());
        QVERIFY(seen());
    }
    bool seen() {
        return QTest::qWaitFor([this] { return trial().ready(); }, 60000);
    }
    // Somebody who likes takes in the order of the sheet.
    void answerInOrder(int count) {
        for (int i = 0; i < count; ++i) {
            QVERIFY(seen());
            const auto [first, second] = trial().pair();
            QTest::keyClick(&trial(), first < second ? Qt::Key_Left : Qt::Key_Right);
        }
    }

  private slots:
    void nothingTellsWhichIsWhich() {
        begin();
        QVERIFY(!window_->sheet().isVisible() && !window_->photos().isVisible());
        QVERIFY(!window_->exportBar().isVisible());
        for (int i = 0; i < 4; ++i) {
            for (const QWidget* w : trial().findChildren<QWidget*>()) {
                if (!w->isVisible()) continue;
                const QString text = w->property("text").toString() + w->toolTip() + w->accessibleName();
                for (const Take& t : window_->document().takes())
                    QVERIFY2(!text.contains(QString::fromStdString(t.settings.method)), qPrintable(text));
            }
            QVERIFY(seen());
            QTest::keyClick(&trial(), Qt::Key_Down);
        }
        QCOMPARE(trial().answers().size(), 4UL);
    }
    // What is seen is what the takes give at that place, the one as the other in size.
    void picturesAreTheTakes() {
        begin();
        const QImage first = find<PicturePane>("trialFirst")->image(),
                     second = find<PicturePane>("trialSecond")->image();
        QCOMPARE(first.size(), second.size());
        QVERIFY(first != second);
        QTest::keyClick(&trial(), Qt::Key_Left);
        QVERIFY(seen());
        QTest::keyClick(&trial(), Qt::Key_Backspace);
        QVERIFY(trial().answers().empty());
        QVERIFY(seen());
        QCOMPARE(find<PicturePane>("trialFirst")->image(), first);
    }
    void answersLeadToAnOrderThatIsKept() {
        forgetTaste();
        begin();
        const auto takes = window_->document().takes();
        const int pictures = static_cast<int>(takes.size());
        answerInOrder(5 * pictures);
        QTest::keyClick(&trial(), Qt::Key_Escape);
        QVERIFY(trial().result()->isVisible());
        const auto& kept = window_->document().facts().trial;
        QVERIFY(kept);
        QCOMPARE(static_cast<int>(kept->pictures.size()), pictures);
        QVERIFY(QString::fromStdString(kept->pictures[0])
                    .startsWith(QLatin1Char(takes[0].letter) + QStringLiteral(" ")));
        const TrialRanking ranking = rankingOf(pictures, kept->answers);
        QCOMPARE(ranking.order.front(), 0);
        QCOMPARE(ranking.order.back(), pictures - 1);
        // The names are back, in that order, and how sure it is.
        const QString first = find<QLabel>("trialPlace-1")->text();
        QVERIFY(first.startsWith(QLatin1Char(takes[0].letter) + QStringLiteral(" ")));
        QVERIFY2(first.contains(QString::fromStdString(findMethod(takes[0].settings.method)->name())),
                 qPrintable(first));
        QVERIFY(trial().result()->text().contains("% sure"));
        QTRY_COMPARE(loadTaste().trials, 1); // it is learnt from
        forgetTaste();
        window_->document().save();
        QTRY_VERIFY(!window_->document().unsaved());
        const Loaded loaded = loadSidecar(one_.toStdString(), window_->document().photo()->samplesDigest);
        QVERIFY(loaded.record && loaded.record->facts.trial == kept);
        // As text, in a file.
        const QString file = folder_.filePath(QStringLiteral("trial.txt"));
        trial().result()->saveTo(file);
        QTRY_VERIFY(QFile::exists(file));
        QFile text(file);
        QVERIFY(text.open(QIODevice::ReadOnly));
        QCOMPARE(QString::fromUtf8(text.readAll()), trial().result()->text());
    }
    void theBestIsChosenFromTheResult() {
        begin();
        answerInOrder(8);
        QTest::keyClick(&trial(), Qt::Key_Escape);
        const auto& kept = *window_->document().facts().trial;
        const int best = rankingOf(static_cast<int>(kept.pictures.size()), kept.answers).order.front();
        QTest::mouseClick(find<QPushButton>("chooseTrial-1"), Qt::LeftButton);
        QCOMPARE(window_->document().chosen(), best);
        QVERIFY(!trial().isVisible() && window_->sheet().isVisible());
    }
    // What was liked in several trials is offered beside the recommendation, and can be forgotten.
    void aTasteIsOffered() {
        saveTaste({5, 0.25});
        QVERIFY(settle());
        window_->document().setRecommended(one_.toStdString(), {{"nlm"}, {0.1, 0.1}, {}}, true);
        QTRY_VERIFY(find<QAction>("taste"));
        QVERIFY(find<QAction>("taste")->text().contains("5 blind trials"));
        const std::size_t before = window_->document().takes().size();
        find<QAction>("taste")->trigger();
        QCOMPARE(window_->document().takes().size(), before + 1);
        const Settings made = window_->document().takes().back().settings;
        QVERIFY(made.method == "nlm" && made.grain > 0.05f && made.grain <= 0.3f);
        find<QAction>("forgetTaste")->trigger();
        QVERIFY(loadTaste() == Taste{});
        QTRY_VERIFY(!find<QAction>("taste"));
    }
    void inOnePlace() {
        begin();
        auto *first = find<PicturePane>("trialFirst"), *second = find<PicturePane>("trialSecond");
        QTest::keyClick(&trial(), Qt::Key_F);
        QVERIFY(first->isVisible() && !second->isVisible());
        QVERIFY(seen());
        QTest::keyClick(&trial(), Qt::Key_Space);
        QVERIFY(!first->isVisible() && second->isVisible());
        QTest::keyClick(&trial(), Qt::Key_Space);
        QVERIFY(first->isVisible());
        QTest::keyClick(&trial(), Qt::Key_F);
        QVERIFY(first->isVisible() && second->isVisible());
    }
    void byMouse() {
        begin();
        const auto pair = trial().pair();
        QTest::mouseClick(find<PicturePane>("trialSecond"), Qt::LeftButton);
        QCOMPARE(trial().answers().back(), (TrialAnswer{pair.first, pair.second, Preferred::Second}));
        QVERIFY(seen());
        QTest::mouseClick(find<QToolButton>("preferNeither"), Qt::LeftButton);
        QVERIFY(trial().answers().back().preferred == Preferred::Neither);
        QVERIFY(find<QLabel>("trialTold")->text().contains("2 answers"));
    }
    void nothingIsAnsweredBeforeBothAreSeen() {
        QVERIFY(settle());
        find<QAction>("blindTrial")->trigger();
        const bool ready = trial().ready();
        QTest::keyClick(&trial(), Qt::Key_Left);
        QCOMPARE(trial().answers().size(), ready ? 1UL : 0UL);
    }
    void stoppedWithoutAnAnswerNothingIsKept() {
        begin();
        QTest::keyClick(&trial(), Qt::Key_Escape);
        QVERIFY(!trial().isVisible() && window_->sheet().isVisible());
        QVERIFY(!window_->document().facts().trial);
    }
    void oneTakeIsNoTrial() {
        QVERIFY(settle());
        while (window_->document().takes().size() > 1) window_->document().removeTake(1);
        find<QAction>("blindTrial")->trigger();
        QVERIFY(!trial().isVisible() && window_->sheet().isVisible());
        QVERIFY(window_->exportBar().message().contains("two takes"));
    }
};

QTEST_MAIN(TestTrialing)
#include "trialing.moc"
