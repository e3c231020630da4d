// A sheet over photos, through the real window: rows of unlike photos, strengths that move in all of them,
// takes that are given to all.
#include <QLabel>

#include "judge/unlike.h"
#include "photos/photo_list.h"
#include "session/sidecar.h"
#include "several/photos_sheet.h"
#include "window_support.h"

using namespace irenic;

class TestSeveral : public test::WindowTest {
    Q_OBJECT
    QString three_, broken_;

    PhotosSheet& view() { return window_->several(); }
    void selectAll() {
        if (three_.isEmpty()) {
            three_ = QString::fromStdString(
                test::writeShot(folder_, "three.dng", test::shoot(800, "RGGB", 5, Scene(1)).photo));
            broken_ = folder_.filePath(QStringLiteral("zbroken.dng"));
            QFile bad(broken_);
            QVERIFY(bad.open(QIODevice::WriteOnly));
            bad.write("not a photo at all");
        }
        window_->open({two_, three_, broken_});
        QTRY_COMPARE(window_->photos().count(), 4);
        window_->photos().select(one_);
        QVERIFY(settle());
        window_->photos().selectAll();
    }
    bool ready() {
        return QTest::qWaitFor([this] { return view().allCurrent(); }, 60000);
    }

  private slots:
    void rowsArePhotosAndColumnsAreTakes() {
        selectAll();
        find<QAction>("sheetOverPhotos")->trigger();
        QTRY_COMPARE(view().rows(), 4);
        QVERIFY(view().isVisible() && !window_->sheet().isVisible());
        QVERIFY(ready());
        std::set<QString> photos;
        for (int row = 0; row < view().rows(); ++row) {
            photos.insert(view().photoOf(row));
            if (view().photoOf(row) == broken_) continue;
            const Recipe shown = view().cell(row, 1)->wanted().recipe();
            QCOMPARE(QString::fromStdString(shown.photo->file.string()), view().photoOf(row));
            QVERIFY(shown.settings == window_->document().takes()[0].settings);
            QVERIFY(view().cell(row, 0)->wanted().recipe().settings.untouched());
            // What is seen is the take on that photo, at a probe of its own.
            const RenderKey key = view().cell(row, 1)->wanted();
            const QImage seen = view().cell(row, 1)->image(),
                         wanted = imageOf(render(shown, key.area, key.view));
            QCOMPARE(seen.size(), wanted.size());
            double apart = 0; // kept samples are rounded, and demosaicing may turn on a trace
            for (int y = 0; y < seen.height(); ++y)
                for (int x = 0; x < seen.width(); ++x)
                    apart += std::abs(qGreen(seen.pixel(x, y)) - qGreen(wanted.pixel(x, y)));
            QVERIFY(apart < 0.1 * seen.width() * seen.height());
        }
        QCOMPARE(photos, (std::set<QString>{one_, two_, three_, broken_}));
    }
    void strengthsMoveInAllRows() {
        selectAll();
        find<QAction>("sheetOverPhotos")->trigger();
        QTRY_COMPARE(view().rows(), 4);
        QVERIFY(ready());
        view().head(0)->setOpen(true);
        QTRY_VERIFY(view().head(0)->findChild<Rule*>("luminance")->isVisible());
        drag(view().head(0)->findChild<Rule*>("luminance"), 1.7);
        QTRY_VERIFY(std::abs(window_->document().takes()[0].settings.luminance - 1.7f) < 0.03f);
        QVERIFY(ready());
        for (int row = 0; row < view().rows(); ++row)
            if (view().photoOf(row) != broken_)
                QVERIFY(view().cell(row, 1)->wanted().recipe().settings ==
                        window_->document().takes()[0].settings);
        // Another probe in every row.
        const Rect before = view().cell(1, 1)->wanted().area;
        QTest::keyClick(&view(), Qt::Key_PageDown);
        QTRY_VERIFY(!(view().cell(1, 1)->wanted().area == before));
        QTest::keyClick(&view(), Qt::Key_PageUp);
        QTRY_VERIFY(view().cell(1, 1)->wanted().area == before);
    }
    // All get the takes in one step, their probes stay, and one step takes them back.
    void takesAreGivenToAll() {
        selectAll();
        find<QAction>("sheetOverPhotos")->trigger();
        QTRY_COMPARE(view().rows(), 4);
        QVERIFY(ready());
        Settings strong = window_->document().takes()[0].settings;
        strong.luminance = 1.45f;
        window_->document().setSettings(0, strong);
        window_->document().choose(0);
        const std::size_t steps = window_->document().history().present();
        QTest::mouseClick(find<QToolButton>("takesToAll"), Qt::LeftButton);
        QCOMPARE(window_->document().history().present(), steps + 1);
        for (const QString& other : {two_, three_}) {
            const PhotoRecord* record = window_->document().recordOf(other.toStdString());
            QVERIFY(record && record->state->takes[0].settings == strong);
            QCOMPARE(record->state->chosen, record->state->takes[0].id);
        }
        QVERIFY(!window_->document().canPasteWork()); // nobody copied anything
        window_->document().undo();
        QVERIFY(!(window_->document().recordOf(two_.toStdString())->state->takes[0].settings == strong));
    }
    void aRowLeadsToItsPhoto() {
        selectAll();
        find<QAction>("sheetOverPhotos")->trigger();
        QTRY_COMPARE(view().rows(), 4);
        QVERIFY(ready());
        for (QToolButton* label : view().findChildren<QToolButton*>())
            if (label->text().startsWith(QStringLiteral("three\n"))) {
                QTest::mouseClick(label, Qt::LeftButton);
                break;
            }
        QTRY_COMPARE(window_->photos().shown(), three_);
        QVERIFY(!view().isVisible());
        QVERIFY(settle());
        QCOMPARE(view().rows(), 0); // it has let go of its photos
    }
    void oneAloneIsNoSet() {
        window_->photos().clearSelection();
        find<QAction>("sheetOverPhotos")->trigger();
        QVERIFY(!view().isVisible() && window_->sheet().isVisible());
    }
    void theMostUnlikeAreChosen() {
        std::vector<Character> set;
        for (int i = 0; i < 40; ++i) set.push_back({10, 0.3 + 0.001 * i, 0.1});
        set[7] = {16, 0.3, 0.1}, set[20] = {10, 0.9, 0.1}, set[33] = {10, 0.3, 0.6};
        QCOMPARE(mostUnlike(set, 4, 2), (std::vector<std::size_t>{2, 7, 20, 33}));
        QCOMPARE(mostUnlike(set, 100, 0).size(), std::size_t(40));
        QCOMPARE(mostUnlike({{}, {}, {}}, 2, 1).size(), std::size_t(2));
        QVERIFY(mostUnlike({}, 3, 0).empty());
    }
};

QTEST_MAIN(TestSeveral)
#include "several.moc"
