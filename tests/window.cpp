// The sheet, the look and the overview, driven by mouse and keys.
#include "window.h"
#include "deliver/profiles.h"
#include "develop/lens.h"
#include "export/export_bar.h"
#include "look/curve_editor.h"
#include "look/histogram_view.h"
#include "look/look_strip.h"
#include "optics.h"
#include "overview/overview.h"
#include "photos/photo_list.h"
#include "photos/photo_row.h"
#include "sheet/cell.h"
#include "sheet/sheet.h"
#include "sheet/take_head.h"
#include "style/monitor.h"
#include "style/rule.h"
#include "support.h"
#include "window_support.h"
#include <QAction>
#include <QComboBox>
#include <QDropEvent>
#include <QElapsedTimer>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QMimeData>
#include <QPushButton>
#include <QSettings>
#include <QSignalSpy>
#include <QTest>
#include <QToolButton>
#include <numeric>

using namespace irenic;

class TestWindow : public test::WindowTest {
    Q_OBJECT

  private slots:
    void aSheetOfOriginalAndThreeTakes() {
        Sheet& sheet = window_->sheet();
        QCOMPARE(sheet.columns(), 4);
        QVERIFY(sheet.rows() >= 1);
        for (int r = 0; r < sheet.rows(); ++r)
            for (int c = 0; c < 4; ++c) {
                QVERIFY(sheet.cell(r, c)->wanted().area == sheet.cell(r, 0)->wanted().area);
                QVERIFY(!sheet.cell(r, c)->image().isNull());
                if (c > 0) QVERIFY(sheet.cell(r, c)->image() != sheet.cell(r, 0)->image());
            }
        QVERIFY(find<QLabel>("shot")->text().contains("ISO 12800"));
        QVERIFY(find<QLabel>("original")->text().contains(QStringLiteral("Noise")));
    }
    void cellsShowWhatTheCoreRenders() {
        Cell* cell = window_->sheet().cell(0, 2);
        const RenderKey& k = cell->wanted();
        TileStore store(std::size_t{1} << 26);
        const Picture p = render(k.shown, k.area, k.view, {Work(), &store});
        QCOMPARE(cell->image(), imageOf(p));
    }
    void aStrengthIsDraggedTypedAndReset() {
        Rule* lum = field(0, "luminance");
        const QImage before = window_->sheet().cell(0, 1)->image();
        drag(lum, 2.05);
        QVERIFY2(std::abs(lum->value() - 2.05) < 0.05, qPrintable(QString::number(lum->value())));
        // Until the new picture is there, the old one does not pass for it.
        QVERIFY(window_->sheet().cell(0, 1)->state() != Cell::State::Current);
        QVERIFY(window_->sheet().cell(0, 1)->image().isNull());
        QVERIFY(settle());
        QVERIFY(window_->sheet().cell(0, 1)->image() != before);

        lum->setFocus();
        QTest::keyClicks(lum, "0");
        auto* line = lum->findChild<QLineEdit*>("line");
        QVERIFY(line->isVisible());
        QTest::keyClicks(line, ".75");
        QTest::keyClick(line, Qt::Key_Return);
        QVERIFY(!line->isVisible());
        QCOMPARE(lum->value(), 0.75);
        QVERIFY(std::abs(window_->document().takes()[0].settings.luminance - 0.75f) < 1e-6f);
        QTest::keyClick(lum, Qt::Key_Up);
        QCOMPARE(lum->value(), 0.8);
        QTest::mouseDClick(lum, Qt::LeftButton, {}, {20, 10});
        QCOMPARE(lum->value(), 1.0);
        QVERIFY(settle());
        QCOMPARE(window_->sheet().cell(0, 1)->image(), before);
    }
    void takesAreAddedDuplicatedRemoved() {
        QTest::mouseClick(find<QToolButton>("addTake"), Qt::LeftButton);
        QCOMPARE(window_->sheet().columns(), 5);
        QCOMPARE(window_->document().takes()[3].letter, 'D');
        field(1, "colour")->setValue(1.7);
        emit window_->sheet().head(1)->duplicateAsked();
        QTRY_COMPARE(window_->sheet().columns(), 6);
        QCOMPARE(window_->document().takes()[2].settings.colour, 1.7f);
        QCOMPARE(window_->document().takes()[2].letter, 'E');
        emit window_->sheet().head(0)->removeAsked();
        QTRY_COMPARE(window_->sheet().columns(), 5);
        QCOMPARE(window_->document().takes()[0].letter, 'B');
        QVERIFY(settle());
    }
    void anotherMethod() {
        auto* method = window_->sheet().head(2)->findChild<QComboBox*>("method");
        method->setFocus();
        // Down to the method of take B, which gives take B's very picture.
        const std::string other = window_->document().takes()[1].settings.method;
        QVERIFY(method->findData(QString::fromStdString(other)) > method->currentIndex());
        while (method->currentData().toString().toStdString() != other) QTest::keyClick(method, Qt::Key_Down);
        QTRY_COMPARE(window_->document().takes()[2].settings.method, other);
        QVERIFY(settle());
        QCOMPARE(window_->sheet().cell(0, 3)->image(), window_->sheet().cell(0, 2)->image());
    }
    // A press measures; the result stands in a take of its own, marked, until its settings are changed.
    void recommendedTake() {
        auto* button = find<QToolButton>("recommend");
        QTest::keyClick(window_.get(), Qt::Key_R, Qt::ControlModifier);
        QTRY_VERIFY(button->text().contains('%'));
        QTest::mouseClick(button, Qt::LeftButton); // stops it
        QTRY_VERIFY_WITH_TIMEOUT(!button->text().contains('%'), 5000);
        QCOMPARE(window_->sheet().columns(), 4);
        // Whatever is best, no take has it yet.
        for (int i = 0; i < 3; ++i) field(i, "luminance")->setValue(0.31);
        QTest::mouseClick(button, Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(window_->sheet().columns(), 5, 120000);
        const Take take = window_->document().takes()[3];
        const auto riskNow = [&] {
            return window_->document().facts().riskOf(window_->document().takes()[3].settings);
        };
        QVERIFY(riskNow());
        const double sigmas = riskNow()->sigmas();
        QVERIFY(sigmas > 0 && sigmas < 1);
        auto* mark = window_->sheet().head(3)->findChild<QLabel*>("risk");
        QVERIFY(mark->text().contains(QString::number(std::lround(100 * sigmas)) + QStringLiteral(" %")));
        field(3, "luminance")->setValue(2.5);
        QTRY_VERIFY(mark->text().isEmpty());
        // What else was measured is offered as takes.
        auto* others = find<QToolButton>("others");
        QVERIFY(others->isVisible() && !others->menu()->actions().isEmpty());
        QAction* grain = others->menu()->findChild<QAction*>("grain");
        QVERIFY(grain && grain->isEnabled());
        grain->trigger();
        QCOMPARE(window_->document().takes().size(), std::size_t(5));
        QVERIFY(window_->document().takes()[4].settings.grain > 0);
        QVERIFY(!window_->document().takes()[4].name.empty());
    }
    // No cell is ever without the photo: what is at hand at once, then a draft, then true pixels.
    void noCellIsEmptyWhileItWaits() {
        Document& document = window_->document();
        Settings slow;
        slow.method = "learned";
        document.setSettings(0, slow);
        QTRY_VERIFY_WITH_TIMEOUT(window_->sheet().allCurrent(), 60000);
        QSignalSpy drafts(window_->sheet().cell(0, 1), &Cell::drafted),
            pictures(window_->sheet().cell(0, 1), &Cell::becameCurrent);
        const QPoint away(30, 20);
        document.setPan(away);
        // Before anything could be made.
        for (int row = 0; row < window_->sheet().rows(); ++row)
            for (int column = 0; column < window_->sheet().columns(); ++column) {
                const Cell* cell = window_->sheet().cell(row, column);
                if (cell->isHidden() || cell->visibleRegion().isEmpty()) continue;
                QVERIFY(cell->pixels() != Cell::Pixels::None);
                QVERIFY(cell->state() == Cell::State::Current || cell->image().isNull());
            }
        // What it shows is this very place: near to the true pixels, unlike the place that was there before.
        Cell* original = window_->sheet().cell(0, 0);
        const QImage early = original->grab().toImage();
        QTRY_VERIFY_WITH_TIMEOUT(window_->sheet().allCurrent(), 60000);
        QVERIFY(drafts.count() > 0 || pictures.count() > 0);
        const QImage late = original->grab().toImage();
        double apart = 0;
        for (int y = 30; y < late.height() - 30; ++y)
            for (int x = 30; x < late.width() - 30; ++x)
                apart += std::abs(qGray(early.pixel(x, y)) - qGray(late.pixel(x, y)));
        QVERIFY2(apart / (late.width() - 60) / (late.height() - 60) < 40, qPrintable(QString::number(apart)));
        document.resetPan();
        QTRY_VERIFY_WITH_TIMEOUT(window_->sheet().allCurrent(), 60000);
    }
    void mendingIsSwitchedOff() {
        auto* mend = window_->sheet().head(0)->findChild<QAction*>("mend");
        QVERIFY(mend->isChecked());
        mend->trigger();
        QVERIFY(!window_->document().takes()[0].settings.mend);
        QVERIFY(settle());
    }
    void zoomAndPanAreLinked() {
        QTest::mouseClick(find<QToolButton>("zoom2"), Qt::LeftButton);
        QCOMPARE(window_->document().zoom(), 2.0);
        QVERIFY(settle());
        Sheet& sheet = window_->sheet();
        const Rect before = sheet.cell(0, 0)->wanted().area;
        QTest::mousePress(sheet.cell(0, 2), Qt::LeftButton, {}, {80, 60});
        QTest::mouseMove(sheet.cell(0, 2), {60, 50});
        QTest::mouseRelease(sheet.cell(0, 2), Qt::LeftButton, {}, {60, 50});
        QVERIFY((window_->document().panOf(window_->document().probes()[0].id) == QPointF(10, 5)));
        for (int c = 0; c < 4; ++c)
            QVERIFY(sheet.cell(0, c)->wanted().area == sheet.cell(0, 0)->wanted().area);
        QVERIFY(!(sheet.cell(0, 0)->wanted().area == before));
        QTest::keyClick(window_.get(), Qt::Key_4);
        QTRY_COMPARE(window_->document().zoom(), 4.0);
        QTest::keyClick(window_.get(), Qt::Key_0);
        QTRY_COMPARE(window_->document().zoom(), 0.0);
        QVERIFY(settle());
    }
    void pushIsMarked() {
        auto* push = find<Rule>("push");
        push->setFocus();
        QTest::keyClick(push, Qt::Key_Up);
        QCOMPARE(window_->document().push(), 0.5f);
        QVERIFY(settle());
        QTest::mouseDClick(push, Qt::LeftButton, {}, {10, 8});
        QCOMPARE(window_->document().push(), 0.0f);
    }
    // Tone: dragged, shown in every cell without cleaning anew, undone by a double click.
    void aLookIsTheSameForEveryTake() {
        auto* exposure = find<Rule>("exposure");
        const QImage before = window_->sheet().cell(0, 0)->image(),
                     clean = window_->sheet().cell(0, 1)->image();
        drag(exposure, 1);
        const float set = window_->document().look().exposure;
        QVERIFY2(std::abs(set - 1) < 0.15f, qPrintable(QString::number(set)));
        QVERIFY(window_->sheet().cell(0, 1)->image().isNull());
        QVERIFY(settle());
        for (int c = 0; c < 4; ++c)
            QCOMPARE(window_->sheet().cell(0, c)->wanted().recipe().look.exposure, set);
        QVERIFY(window_->sheet().cell(0, 0)->image() != before &&
                window_->sheet().cell(0, 1)->image() != clean);
        for (const char* name : {"highlights", "shadows", "saturation"}) {
            auto* field = find<Rule>(name);
            field->setFocus();
            QTest::keyClick(field, Qt::Key_Up);
        }
        QCOMPARE(window_->document().look().shadows, 0.05f);
        QCOMPARE(window_->document().look().saturation, 1.05f);
        for (const char* name : {"exposure", "highlights", "shadows", "saturation"})
            QTest::mouseDClick(find<Rule>(name), Qt::LeftButton, {}, {20, 10});
        QVERIFY(window_->document().look().plain());
        QVERIFY(settle());
        QCOMPARE(window_->sheet().cell(0, 1)->image(), clean);
    }
    void whiteBalanceIsTypedPickedAndUndone() {
        auto *kelvin = find<Rule>("kelvin"), *tint = find<Rule>("tint");
        auto *asShot = find<QToolButton>("asShot"), *pick = find<QToolButton>("pick");
        QVERIFY(asShot->isChecked());
        const LightColour shot = lightOf(*window_->document().photo(), window_->document().photo()->neutral);
        QVERIFY(std::abs(kelvin->value() - shot.kelvin) < 1 && std::abs(tint->value() - shot.tint) < 0.1);
        kelvin->setFocus();
        QTest::keyClicks(kelvin, "4");
        QTest::keyClicks(kelvin->findChild<QLineEdit*>("line"), "200");
        QTest::keyClick(kelvin->findChild<QLineEdit*>("line"), Qt::Key_Return);
        QCOMPARE(window_->document().look().kelvin, 4200.0f);
        QVERIFY(!window_->document().look().asShot && !asShot->isChecked());
        QVERIFY(std::abs(static_cast<double>(window_->document().look().tint) - shot.tint) < 0.1);
        QTest::mouseClick(asShot, Qt::LeftButton);
        QVERIFY(window_->document().look().plain() || window_->document().look().asShot);
        QVERIFY(std::abs(kelvin->value() - shot.kelvin) < 1);
        QVERIFY(settle());

        // A click on a cell, with the pointer, after Ctrl+G; the cell does not pan.
        QTest::keyClick(window_.get(), Qt::Key_G, Qt::ControlModifier);
        QTRY_VERIFY(pick->isChecked());
        Cell* cell = window_->sheet().cell(1, 0);
        const QPointF pan = window_->document().pan();
        const QPoint at(cell->width() / 2, cell->height() / 2);
        const auto pixel = cell->pixelAt(at);
        QVERIFY(pixel);
        QTest::mouseClick(cell, Qt::LeftButton, {}, at);
        QVERIFY(!pick->isChecked());
        QCOMPARE(window_->document().pan(), pan);
        const LightColour light = lightAt(*window_->document().photo(), pixel->x(), pixel->y());
        QVERIFY(!window_->document().look().asShot);
        QVERIFY(std::abs(static_cast<double>(window_->document().look().kelvin) -
                         std::clamp(light.kelvin, 1700.0, 25000.0)) < 1);
    }
    void theCurveIsEdited() {
        auto* button = find<QToolButton>("curveButton");
        CurveEditor& curve = window_->lookStrip().curve();
        QVERIFY(!curve.isVisible());
        QTest::mouseClick(button, Qt::LeftButton);
        QVERIFY(curve.isVisible() && curve.hasFocus());
        const auto points = [this] { return window_->document().look().curve; };
        const QPoint middle = curve.place({0.5f, 0.5f}).toPoint(),
                     higher = curve.place({0.5f, 0.7f}).toPoint();
        QTest::mousePress(&curve, Qt::LeftButton, {}, middle);
        QCOMPARE(points().size(), std::size_t(3));
        QTest::mouseMove(&curve, higher);
        QTest::mouseRelease(&curve, Qt::LeftButton, {}, higher);
        QVERIFY(std::abs(points()[1].out - 0.7f) < 0.01f);
        QTest::keyClick(&curve, Qt::Key_Down);
        QVERIFY(std::abs(points()[1].out - 0.69f) < 0.01f);
        QTest::keyClick(&curve, Qt::Key_Insert);
        QCOMPARE(points().size(), std::size_t(4));
        QTest::keyClick(&curve, Qt::Key_Delete);
        QCOMPARE(points().size(), std::size_t(3));
        // A point stays between its neighbours.
        QTest::mousePress(&curve, Qt::LeftButton, {}, curve.place(points()[1]).toPoint());
        QTest::mouseMove(&curve, QPoint(-50, 40));
        QTest::mouseRelease(&curve, Qt::LeftButton, {}, QPoint(-50, 40));
        QVERIFY(points()[1].in > points()[0].in);
        QVERIFY(settle());
        QTest::mouseDClick(&curve, Qt::LeftButton, {}, curve.place(points()[1]).toPoint());
        QVERIFY(points().size() <= 2);
        QTest::keyClick(&curve, Qt::Key_Home);
        QVERIFY(points().empty());
        QTest::keyClick(&curve, Qt::Key_Escape);
        QVERIFY(!curve.isVisible());
    }
    // The pixel under the pointer, in the original and in each take of the row.
    void pixelsAreReadOut() {
        Sheet& sheet = window_->sheet();
        Cell* cell = sheet.cell(0, 2);
        QVERIFY(cell->readoutText().isEmpty());
        // A double click of an earlier test may have left a button down for all that QTest knows.
        QTest::mouseRelease(cell, Qt::LeftButton, {}, QPoint(2, 2));
        const QPoint at(cell->width() / 3, cell->height() / 3);
        QTest::mouseMove(cell, at + QPoint(5, 5));
        QTest::mouseMove(cell, at);
        QTRY_VERIFY(!cell->readoutText().isEmpty());
        const QPoint pixel = *cell->pixelAt(at);
        QVERIFY(find<QLabel>("pixel")->text().contains(QString::number(pixel.x())));
        for (int c = 0; c < 4; ++c) {
            const RenderKey& k = sheet.cell(0, c)->wanted();
            TileStore store(std::size_t{1} << 26);
            const Picture p = render(k.shown, {pixel.x(), pixel.y(), 1, 1}, 1, {Work(), &store});
            QCOMPARE(sheet.cell(0, c)->readoutText(), QStringLiteral("R %1  G %2  B %3")
                                                          .arg(inEightBits(p.rgb[0]))
                                                          .arg(inEightBits(p.rgb[1]))
                                                          .arg(inEightBits(p.rgb[2])));
            QVERIFY(sheet.cell(1, c)->readoutText().isEmpty());
        }
        QTest::mouseMove(window_.get(), QPoint(5, window_->height() - 5));
        QTRY_VERIFY(cell->readoutText().isEmpty());
    }
    void theHistogramFollowsTheLook() {
        auto* view = find<HistogramView>("histogram");
        QTRY_VERIFY(view->histogram());
        const Histogram before = *view->histogram();
        for (const auto& c : before.share)
            QVERIFY(std::abs(std::accumulate(c.begin(), c.end(), 0.0f) - 1) < 1e-3f);
        Look look = window_->document().look();
        look.exposure = 3;
        window_->document().setLook(look);
        QVERIFY(!view->histogram()); // what is shown faint is not this look's
        QTRY_VERIFY(view->histogram());
        QVERIFY(view->histogram()->white[1] > before.white[1] + 0.01f);
        QVERIFY(view->toolTip().contains("Clipped to white"));
        QVERIFY(settle());
    }
    void aStartIsMeasured() {
        QTest::mouseClick(find<QToolButton>("automatic"), Qt::LeftButton);
        const Look expected = automaticLook(*window_->document().photo(), {});
        QTRY_VERIFY(window_->document().look() == (expected));
        QVERIFY(settle());
    }
    void looksGoFromPhotoToPhoto() {
        Look look = lookFromText("exposure=0.5,kelvin=4100,tint=3,softness=hair");
        window_->document().setPush(1);
        window_->document().setLook(look);
        window_->document().copyLook();
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        QVERIFY(window_->document().look().plain());
        QCOMPARE(window_->document().push(), 1.0f); // looking goes on as it was
        QTest::keyClick(window_.get(), Qt::Key_V, Qt::ControlModifier | Qt::AltModifier);
        QTRY_VERIFY(window_->document().look() == (look));
        Look own = window_->document().look();
        own.exposure = -1;
        window_->document().setLook(own);
        window_->photos().setCurrentRow(0);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 12800, 30000);
        QVERIFY(window_->document().look() == (look));
        window_->document().useLookForAll();
        window_->photos().setCurrentRow(1);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        QVERIFY(window_->document().look() == (look));
        QVERIFY(settle());
    }
    void lensCorrections() {
        // Nothing is known of this lens: the switches say why.
        QTRY_VERIFY(find<QToolButton>("distortion")->toolTip().contains("database"));
        QVERIFY(!find<QToolButton>("distortion")->isEnabled() &&
                !find<QToolButton>("vignetting")->isEnabled());
        Optics optics;
        optics.distortion = 0.05, optics.vignetting = 0.3, optics.red = 1.002;
        auto s = test::shoot(1600);
        s.photo.metadata.mosaic.push_back(opcodesFor(optics, s.photo.width(), s.photo.height()));
        window_->open({QString::fromStdString(test::writeShot(folder_, "lens.dng", s.photo))});
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 1600, 30000);
        for (const char* name : {"vignetting", "chromatic", "distortion"}) {
            auto* button = find<QToolButton>(name);
            QTRY_VERIFY(button->isEnabled());
            QVERIFY(settle());
            const QImage before = window_->sheet().cell(0, 1)->image();
            QTest::mouseClick(button, Qt::LeftButton);
            QVERIFY(settle());
            QVERIFY(window_->sheet().cell(0, 1)->image() != before);
        }
        QVERIFY(find<QLabel>("lens")->text().contains("file"));
        auto* edges = find<QComboBox>("edges");
        QVERIFY(edges->isEnabled());
        edges->setCurrentIndex(2);
        QVERIFY(window_->document().look().edges == Edges::KeepAll);
        find<QComboBox>("softness")->setCurrentIndex(2);
        QVERIFY(window_->document().look().softness == Softness::Medium);
        QTest::mouseClick(find<QToolButton>("fringes"), Qt::LeftButton);
        QVERIFY(window_->document().look().fringes);
        QVERIFY(settle());
    }
    // Whatever the scale of the screen (the suite runs this at several): no pixel of the photo is smeared.
    void onePhotoPixelIsOneOfTheScreen() {
        const double ratio = window_->devicePixelRatioF();
        for (const double zoom : {1.0, 2.0}) {
            window_->document().setZoom(zoom);
            QVERIFY(settle());
            for (int column = 0; column < 3; ++column)
                window_->sheet().cell(0, column)->setProbe({}); // its marks
            const QImage shot = window_->grab().toImage();
            for (int column = 0; column < 3; ++column) {
                Cell* cell = window_->sheet().cell(0, column);
                const Rect area = cell->wanted().area;
                const QImage image = cell->image();
                QCOMPARE(image.width(), static_cast<int>(area.width * zoom));
                // Columns may differ by a unit.
                QVERIFY(image.width() >= std::min((cell->width() - 1) * ratio, 480 * zoom) - zoom);
                QVERIFY(std::abs(cell->scale() * ratio - zoom) < 1e-9);
                const QPointF corner =
                    (QPointF(cell->mapTo(window_.get(), QPoint(0, 0))) + cell->placeOf({area.x, area.y})) *
                    ratio;
                QVERIFY(std::abs(corner.x() - std::round(corner.x())) < 1e-6);
                const QPoint at = corner.toPoint();
                const int w = std::min(image.width(), static_cast<int>(cell->width() * ratio)) - 4,
                          h = std::min(image.height(), static_cast<int>(cell->height() * ratio)) - 4;
                QVERIFY(w > 60 && h > 40);
                for (int y = 2; y < h; ++y)
                    for (int x = 2; x < w; ++x) QCOMPARE(shot.pixel(at + QPoint(x, y)), image.pixel(x, y));
            }
        }
    }
    void probesAndCellsAgreeWithDistortionCorrected() {
        Optics optics;
        optics.distortion = 0.08;
        auto s = test::shoot(1600);
        s.photo.metadata.mosaic.push_back(opcodesFor(optics, s.photo.width(), s.photo.height()));
        window_->open({QString::fromStdString(test::writeShot(folder_, "bent.dng", s.photo))});
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 1600, 30000);
        Document& document = window_->document();
        document.setZoom(4);
        document.moveProbe(0, 90, 70);
        for (const Edges edges : {Edges::SameRatio, Edges::LargestRectangle, Edges::KeepAll}) {
            Look look = document.look();
            look.distortion = true, look.edges = edges;
            document.setLook(look);
            QVERIFY(settle());
            const Rect area = window_->sheet().cell(0, 0)->wanted().area;
            const PicturePoint middle{area.x + area.width / 2.0, area.y + area.height / 2.0};
            const SourcePoint shown = sourceOf(*document.photo(), look, middle);
            QVERIFY2(std::hypot(shown.x - 90, shown.y - 70) < 1.6,
                     qPrintable(QStringLiteral("%1 %2").arg(shown.x).arg(shown.y)));
            const PicturePoint there = pictureOf(*document.photo(), look, {90, 70});
            const SourcePoint back = sourceOf(*document.photo(), look, there);
            QVERIFY(std::hypot(back.x - 90, back.y - 70) < 0.01);
            if (edges == Edges::SameRatio) QVERIFY(std::hypot(there.x - 90, there.y - 70) > 2);
        }
        // At fit the frame that will be written is what is seen.
        document.setZoom(0);
        QVERIFY(settle());
        QVERIFY(window_->sheet().cell(0, 0)->wanted().area ==
                outputFrame(*document.photo(), document.look()));
        Look look = document.look();
        look.edges = Edges::LargestRectangle;
        document.setLook(look);
        QVERIFY(settle());
        QVERIFY(window_->sheet().cell(0, 0)->wanted().area == outputFrame(*document.photo(), look));
    }
    void aCellThatFailedIsTriedAgain() {
        Cell* cell = window_->sheet().cell(0, 1);
        Settings settings = window_->document().takes()[0].settings;
        settings.method = "nothing";
        window_->document().setSettings(0, settings);
        QTRY_VERIFY(cell->state() == Cell::State::Failed);
        QVERIFY(cell->image().isNull());
        settings.method = "wavelet";
        window_->document().setSettings(0, settings);
        QVERIFY(settle());
        QVERIFY(cell->state() == Cell::State::Current);
    }
    void theStripFoldsAway() {
        QVERIFY(window_->lookStrip().isVisible());
        QTest::keyClick(window_.get(), Qt::Key_L, Qt::ControlModifier);
        QTRY_VERIFY(!window_->lookStrip().isVisible());
        QTest::keyClick(window_.get(), Qt::Key_L, Qt::ControlModifier);
        QTRY_VERIFY(window_->lookStrip().isVisible());
    }
    void theMonitorsColours() {
        Monitor& monitor = Monitor::of(window_.get());
        QCOMPARE(monitor.name(), QStringLiteral("sRGB"));
        QImage red(8, 8, QImage::Format_RGB32);
        red.fill(qRgb(220, 40, 30));
        QCOMPARE(monitor.shown(red), red);
        const auto bytes = iccProfile(OutputSpace::AdobeRgbCompatible);
        QFile wide(folder_.filePath("wide.icc"));
        QVERIFY(wide.open(QIODevice::WriteOnly));
        wide.write(reinterpret_cast<const char*>(bytes.data()), static_cast<qint64>(bytes.size()));
        wide.close();
        QVERIFY(monitor.use(wide.fileName()).isEmpty());
        // sRGB (220, 40, 30) in Adobe RGB (1998), by their matrices and curves.
        const QRgb v = monitor.shown(red).pixel(3, 3);
        QVERIFY2(std::abs(qRed(v) - 188) <= 2 && std::abs(qGreen(v) - 44) <= 3 &&
                     std::abs(qBlue(v) - 35) <= 3,
                 qPrintable(QStringLiteral("%1 %2 %3").arg(qRed(v)).arg(qGreen(v)).arg(qBlue(v))));
        QVERIFY(monitor.use(one_).contains("one.dng"));
        QVERIFY(monitor.use({}).isEmpty());
        QCOMPARE(monitor.shown(red), red);
    }
    void probesMoveOnTheOverview() {
        Overview& o = window_->overview();
        const Probe probe = window_->document().probes()[0];
        const QPoint from = o.place(probe.x, probe.y).toPoint(), to = o.place(150, 120).toPoint();
        QTest::mousePress(&o, Qt::LeftButton, {}, from);
        QTest::mouseMove(&o, to);
        QTest::mouseRelease(&o, Qt::LeftButton, {}, to);
        QVERIFY(std::abs(window_->document().probes()[0].x - 150) < 6);
        // At its edges it becomes larger and smaller; the rest of it stays where it is.
        const auto area = [&] {
            const Probe& p = window_->document().probes()[0];
            return Rect{p.x - p.width / 2, p.y - p.height / 2, p.width, p.height};
        };
        const Rect was = area();
        const double scale = o.place(1, 0).x() - o.place(0, 0).x();
        const QPoint edge(static_cast<int>(std::lround(o.boxOf(0).right())),
                          static_cast<int>(std::lround(o.boxOf(0).center().y())));
        QTest::mousePress(&o, Qt::LeftButton, {}, edge);
        QTest::mouseMove(&o, edge + QPoint(9, 0));
        QTest::mouseRelease(&o, Qt::LeftButton, {}, edge + QPoint(9, 0));
        QVERIFY(std::abs(area().width - was.width - 9 / scale) < 3 && area().height == was.height);
        QVERIFY(std::abs(area().x - was.x) <= 2);
        const QPoint corner = o.boxOf(0).topLeft().toPoint();
        QTest::mousePress(&o, Qt::LeftButton, {}, corner);
        QTest::mouseMove(&o, corner + QPoint(400, 300)); // no further than the least size
        QTest::mouseRelease(&o, Qt::LeftButton, {}, corner + QPoint(400, 300));
        QCOMPARE(area().width, Probe::kLeast);
        QCOMPARE(area().height, Probe::kLeast);
        const auto count = window_->document().probes().size();
        QTest::mouseDClick(&o, Qt::LeftButton, {}, o.place(420, 40).toPoint());
        QCOMPARE(window_->document().probes().size(), count + 1);
        QCOMPARE(window_->sheet().rows(), static_cast<int>(count) + 1);
        QTest::mouseClick(&o, Qt::LeftButton, {}, o.place(420, 40).toPoint());
        QTest::keyClick(&o, Qt::Key_Delete);
        QCOMPARE(window_->document().probes().size(), count);
        QVERIFY(settle());
    }
};

QTEST_MAIN(TestWindow)
#include "window.moc"
