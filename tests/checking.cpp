// Checks in the close-up: measured when asked for, kept with the take, stepped through, given up when it
// changes.
#include <QLabel>
#include <QSignalSpy>

#include "closeup/check_panel.h"
#include "closeup/close_up.h"
#include "closeup/take_panel.h"
#include "closeup/zone_panel.h"
#include "deliver/export.h"
#include "judge/checks.h"
#include "judge/file_checks.h"
#include "judge/take_checks.h"
#include "measure/open.h"
#include "overview/overview.h"
#include "window_support.h"

using namespace irenic;

class TestChecking : public test::WindowTest {
    Q_OBJECT

    CloseUp& view() { return window_->closeUp(); }
    CheckPanel& checks() { return view().panel().checks(); }
    void enter() {
        emit window_->sheet().opened(0, 1);
        QTRY_VERIFY(view().isVisible());
        QVERIFY(QTest::qWaitFor([this] { return view().current(); }, 60000));
    }
    void measure() {
        QTest::mouseClick(find<QToolButton>("checkTake"), Qt::LeftButton);
        QVERIFY(QTest::qWaitFor([this] { return checks().findings() != nullptr; }, 120000));
    }
    static Finding made(const char* check, Grade grade, std::vector<Rect> places) {
        return {check, 0.5, "of all places", grade, "It was made up.", std::move(places)};
    }

  private slots:
    void areMeasuredWhenAskedFor() {
        enter();
        QVERIFY(!checks().findings() && !checks().running());
        auto* start = find<QToolButton>("checkTake");
        QVERIFY(start->isVisible());
        measure();
        QVERIFY(!start->isVisible());
        // What the window says is what the core measures.
        const PhotoPtr photo = window_->document().photo();
        const Settings settings = window_->document().takes()[0].settings;
        const auto right = checksOf(*photo, settings);
        QCOMPARE(checks().findings()->size(), right.size());
        for (std::size_t i = 0; i < right.size(); ++i) {
            const Finding& own = (*checks().findings())[i];
            QCOMPARE(own.check, right[i].check);
            QCOMPARE(own.value, right[i].value);
            const auto* row = find<QAbstractButton>(qPrintable(
                QStringLiteral("check-%1").arg(QString::fromStdString(own.check).replace(' ', '-'))));
            QVERIFY(row);
            QTRY_VERIFY(row->isVisible());
            QVERIFY(row->text() == shownCheck(own) && row->accessibleName().contains(shownValue(own)));
            QVERIFY(row->toolTip().contains(QString::fromStdString(own.sentence)));
        }
    }

    // Another strength is another take; back at the old one its findings are there again.
    void followTheTake() {
        enter();
        measure();
        const std::size_t count = checks().findings()->size();
        Settings settings = window_->document().takes()[0].settings;
        settings.luminance = 0.5f;
        window_->document().setSettings(0, settings);
        QTRY_VERIFY(!checks().findings());
        QVERIFY(find<QToolButton>("checkTake")->isVisible());
        window_->document().undo();
        QTRY_VERIFY(checks().findings());
        QCOMPARE(checks().findings()->size(), count);
        // So is a look: it changes nothing of what was cleaned.
        Look look;
        look.exposure = 0.5;
        window_->document().setLook(look);
        QTest::qWait(50);
        QVERIFY(checks().findings());
    }

    // Advice stands below the checks, and is a take of its own when it is asked for.
    void adviceAddsATake() {
        enter();
        const auto before = window_->document().takes();
        checks().take({made("noise left", Grade::Bad, {})});
        auto* add = find<QToolButton>("addAdvised");
        QVERIFY(add);
        QTRY_VERIFY(add->isVisible());
        QVERIFY(find<QLabel>("advice")->text().contains("50 %"));
        QTest::mouseClick(add, Qt::LeftButton);
        const auto& takes = window_->document().takes();
        QCOMPARE(takes.size(), before.size() + 1);
        QVERIFY(takes[0].settings == before[0].settings);
        QVERIFY(takes.back().settings.luminance > before[0].settings.luminance && !takes.back().name.empty());
        window_->document().undo();
        QCOMPARE(window_->document().takes().size(), before.size());
    }

    // Where checks found something lies over the overview and the picture while that is wanted, and goes with
    // it.
    void whereItIsIsMarked() {
        enter();
        const auto& photo = *window_->document().photo();
        const int across = photo.width() / 32, down = photo.height() / 32;
        Finding bad = made("detail lost", Grade::Bad, {{64, 32, 32, 32}});
        bad.map = {across, down, 32, std::vector<float>(static_cast<std::size_t>(across * down), 0)};
        bad.map.share[static_cast<std::size_t>(across + 2)] = 1;
        Finding good = made("halos", Grade::Good, {{0, 0, 32, 32}});
        good.map = bad.map, good.map.share[0] = 0.5f;
        checks().take({bad, good});
        QVERIFY(checks().map().share.empty());
        QImage plain = window_->overview().grab().toImage();
        QTest::mouseClick(find<QToolButton>("checkMap"), Qt::LeftButton);
        QCOMPARE(checks().map().share[static_cast<std::size_t>(across + 2)], 1.0f);
        QCOMPARE(checks().map().share[0], 0.0f); // nothing was found by that one
        const QPoint there = window_->overview().place(80, 48).toPoint();
        QTRY_VERIFY(window_->overview().grab().toImage().pixelColor(there).red() >
                    window_->overview().grab().toImage().pixelColor(there).blue() + 40);
        // Another check's own map, once it is clicked.
        auto* row = find<QAbstractButton>("check-halos");
        QTRY_VERIFY(row->isVisible());
        QTest::mouseClick(row, Qt::LeftButton);
        QCOMPARE(checks().map().share[0], 0.5f);
        QTest::mouseClick(find<QToolButton>("checkMap"), Qt::LeftButton);
        QVERIFY(checks().map().share.empty());
    }

    void canBeStopped() {
        enter();
        auto* start = find<QToolButton>("checkTake");
        QTest::mouseClick(start, Qt::LeftButton);
        QVERIFY(checks().running() && start->text().startsWith("Stop"));
        QTest::mouseClick(start, Qt::LeftButton);
        QVERIFY(!checks().running() && !checks().findings());
        QTest::qWait(300);
        QVERIFY(!checks().findings());
        // Nor does what is measured of a take outlast its change.
        QTest::mouseClick(start, Qt::LeftButton);
        Settings settings = window_->document().takes()[0].settings;
        settings.colour = 0.4f;
        window_->document().setSettings(0, settings);
        QTRY_VERIFY(!checks().running());
        QVERIFY(!checks().findings());
    }

    // N goes from place to place, the worst check's first, and says why one is there.
    void placesAreSteppedThrough() {
        enter();
        CheckPanel own(*jobs());
        own.show(subjectOf(window_->document().photo(), window_->document().takes()[0].settings));
        own.take({made("noise left", Grade::Look, {{10, 20, 32, 32}}), made("evenness", Grade::Good, {}),
                  made("detail lost", Grade::Bad, {{100, 60, 32, 32}, {40, 200, 32, 32}})});
        std::vector<Rect> places;
        QStringList why;
        connect(&own, &CheckPanel::placeAsked, this,
                [&](const Rect& place, const QString& text) { places.push_back(place), why << text; });
        own.step(1), own.step(1), own.step(1), own.step(1), own.step(-1);
        const std::vector<Rect> right = {
            {100, 60, 32, 32}, {40, 200, 32, 32}, {10, 20, 32, 32}, {100, 60, 32, 32}, {10, 20, 32, 32}};
        QVERIFY(places == right);
        QCOMPARE(why.front(), QStringLiteral("Detail lost: place 1 of 3"));
        QVERIFY(!own.findChild<QAbstractButton*>("check-evenness")->isEnabled());
        places.clear();
        QTest::mouseClick(own.findChild<QAbstractButton*>("check-detail-lost"), Qt::LeftButton);
        QTest::mouseClick(own.findChild<QAbstractButton*>("check-detail-lost"), Qt::LeftButton);
        QTest::mouseClick(own.findChild<QAbstractButton*>("check-detail-lost"), Qt::LeftButton);
        QVERIFY((places == std::vector<Rect>{right[0], right[1], right[0]}));
    }

    // A file that was made elsewhere is checked like a take where it keeps the photo's samples; any other
    // says why it is not.
    void aReferenceIsChecked() {
        const PhotoPtr photo = window_->document().photo();
        const auto made = [&](const char* name, ExportFormat format) {
            Export file;
            file.recipe = recipeOf(*photo, {"bm3d-quick", 0.4f, 0.4f}, {});
            file.delivery.format = format;
            const std::string path = folder_.filePath(QLatin1String(name)).toStdString();
            exportFile(file, path);
            window_->document().addReference(path);
            return path;
        };
        const std::string raw = made("elsewhere.dng", ExportFormat::Dng);
        made("elsewhere.tif", ExportFormat::Tiff);
        enter();
        auto* start = find<QToolButton>("checkTake");
        view().setFocus();
        QTest::keyClick(&view(), Qt::Key_R);
        const int first = view().column();
        QTRY_VERIFY(start->isVisible() && start->text() == QStringLiteral("Check this reference"));
        QVERIFY(!view().panel().zones().isVisible() && !find<QToolButton>("removedHere")->isVisible());
        measure();
        const auto right = checksOfFile(*photo, readPhoto(raw, {}, Measure::Nothing), Settings::original());
        QCOMPARE(checks().findings()->size(), right.size());
        for (std::size_t i = 0; i < right.size(); ++i) {
            QCOMPARE((*checks().findings())[i].value, right[i].value);
            if (right[i].check == "noise left") QVERIFY(right[i].grade == Grade::Bad);
        }
        QVERIFY(!checks().findChild<QToolButton*>("addAdvised")); // its settings are not ours
        // Its places are stepped through as a take's are.
        QSignalSpy gone(&checks(), &CheckPanel::placeAsked);
        QTest::keyClick(&view(), Qt::Key_N);
        QCOMPARE(gone.count(), 1);
        QTest::keyClick(&view(), Qt::Key_R);
        QVERIFY(view().column() != first);
        auto* refusal = find<QLabel>("cannotBeChecked");
        QTRY_VERIFY(refusal->isVisible());
        QCOMPARE(refusal->text(), QString::fromLatin1(kNotComparable));
        QVERIFY(!start->isVisible() && !checks().findings());
        QSignalSpy says(&checks(), &CheckPanel::message);
        QTest::keyClick(&view(), Qt::Key_N);
        QCOMPARE(says.count(), 1);
        QVERIFY(!checks().running());
        // Back at a take all is there again.
        QTest::keyClick(&view(), Qt::Key_A);
        QTRY_VERIFY(view().panel().zones().isVisible() && !refusal->isVisible());
    }

    // The close-up shows the place, in every manner.
    void thePlaceIsShown() {
        window_->document().setZoom(4); // smaller than the photo, so that there is somewhere to go
        enter();
        for (const auto manner :
             {CloseUp::Manner::InPlace, CloseUp::Manner::Removed, CloseUp::Manner::Beside}) {
            view().setManner(manner);
            const Rect place{120, 90, 32, 32};
            emit checks().placeAsked(place, QStringLiteral("Detail lost: place 1 of 1"));
            const auto centre = [&] {
                const Rect& area = view().cell(1)->wanted().area;
                return QPoint(area.x + area.width / 2, area.y + area.height / 2);
            };
            QTRY_VERIFY((centre() - QPoint(136, 106)).manhattanLength() <= 2);
        }
        // N without findings measures first.
        view().setFocus();
        QTest::keyClick(&view(), Qt::Key_N);
        QVERIFY(checks().running() || checks().findings());
    }

  private:
    Jobs* jobs() {
        static Jobs own([](std::function<void()> hand) {
            QMetaObject::invokeMethod(qApp, std::move(hand), Qt::QueuedConnection);
        });
        return &own;
    }
};

QTEST_MAIN(TestChecking)
#include "checking.moc"
