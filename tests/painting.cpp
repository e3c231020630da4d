// Zones in the window: found, painted, taken away, undone, copied, exported, opened again.
#include <QComboBox>
#include <QMenu>
#include <QPointingDevice>
#include <QScrollArea>
#include <QSignalSpy>
#include <QTabletEvent>
#include <QWheelEvent>

#include "closeup/close_up.h"
#include "closeup/take_panel.h"
#include "closeup/zone_panel.h"
#include "deliver/xmp.h"
#include "export/export_bar.h"
#include "photos/photo_list.h"
#include "window_support.h"

using namespace irenic;

class TestPainting : public test::WindowTest {
    Q_OBJECT

    CloseUp& view() { return window_->closeUp(); }
    ZonePanel& panel() { return view().panel().zones(); }
    const std::vector<Zone>& zones() { return window_->document().takes()[0].settings.zones; }
    // The close-up with take A.
    void enter() {
        emit window_->sheet().opened(0, 1);
        QTRY_VERIFY(view().isVisible());
        QVERIFY(QTest::qWaitFor([this] { return view().current(); }, 60000));
    }
    void add(const char* part) {
        auto* menu = find<QToolButton>("addZone")->menu();
        for (QAction* action : menu->actions())
            if (action->text() == QLatin1String(part)) action->trigger();
    }
    // A button of the panel, scrolled to where it is seen.
    void press(const char* name) {
        auto* button = find<QToolButton>(name);
        QWidget* around = button;
        while (around && !qobject_cast<QScrollArea*>(around)) around = around->parentWidget();
        QTRY_VERIFY(button->height() > 10);
        if (around) qobject_cast<QScrollArea*>(around)->ensureWidgetVisible(button);
        QTest::mouseClick(button, Qt::LeftButton);
        QVERIFY(button->isChecked());
    }
    void drag(QPoint from, QPoint to) {
        Cell* cell = view().cell(1);
        QTest::mousePress(cell, Qt::LeftButton, {}, from);
        for (int i = 1; i <= 8; ++i) QTest::mouseMove(cell, from + (to - from) * i / 8);
        QTest::mouseRelease(cell, Qt::LeftButton, {}, to);
    }

  private slots:
    void aZoneIsFoundAndSet() {
        enter();
        QVERIFY(!panel().zone());
        add("Out of focus");
        QTRY_COMPARE(zones().size(), std::size_t(1));
        QCOMPARE(zones()[0].part, FoundPart::OutOfFocus);
        QTRY_VERIFY(!view().shownMask().isNull()); // it is shown while it is worked on
        for (int way = 0; way < 3; ++way) QTest::keyClick(&view(), Qt::Key_M);
        QVERIFY(!panel().wantsMask());
        WindowTest::drag(panel().findChild<Rule*>("zone-luminance"), 1.5);
        QTRY_VERIFY(std::abs(zones()[0].luminance - 1.5f) < 0.02f);
        window_->document().undo();
        QTRY_COMPARE(zones()[0].luminance, 1.0f);
        QCOMPARE(panel().findChild<Rule*>("zone-luminance")->value(), 1.0);
        window_->document().undo();
        QTRY_VERIFY(zones().empty() && !panel().zone());
    }
    // What is shown is not changed by being shown.
    void severalFactorsAreShownAsTheyAre() {
        const std::vector<Zone> made =
            zonesFromText("zone=in-focus,luminance=0.8,colour=1.3,sharpening=1.5,zone=dark,luminance=1.2");
        window_->document().setZones(0, made, false);
        enter();
        QVERIFY(zones() == made);
        QCOMPARE(panel().findChild<Rule*>("zone-sharpening")->value(), 1.5);
        auto* list = find<QComboBox>("zones");
        QCOMPARE(list->count(), 2);
        list->setCurrentIndex(1);
        emit list->activated(1);
        QCOMPARE(panel().findChild<Rule*>("zone-luminance")->value(), 1.2);
        QCOMPARE(panel().findChild<Rule*>("zone-colour")->value(), 1.0);
        QVERIFY(zones() == made);
    }
    void aBrushPaintsAndTakesAway() {
        enter();
        QTest::keyClick(&view(), Qt::Key_K); // without a zone: one to paint on
        QTRY_COMPARE(zones().size(), std::size_t(1));
        QVERIFY(panel().tool() == ZonePanel::Tool::Paint);
        panel().setBrush({60, 0.2});
        WindowTest::drag(panel().findChild<Rule*>("zone-luminance"), 0);
        QTRY_COMPARE(zones()[0].luminance, 0.0f);
        QVERIFY(QTest::qWaitFor([this] { return view().current(); }, 60000));
        const QImage before = view().cell(1)->image();
        const Rect area = view().cell(1)->wanted().area;
        drag({60, 80}, {140, 80});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(1));
        const Stroke& stroke = zones()[0].strokes[0];
        QCOMPARE(stroke.diameter, 60.0f);
        // In pixels of the photo, where the pointer was.
        const QPointF at = view().cell(1)->placeOf({area.x, area.y});
        const double scale = view().cell(1)->scale();
        QVERIFY(std::abs(stroke.points.front().x - (area.x + (60 - at.x()) / scale - 0.5)) < 1);
        QVERIFY(std::abs(stroke.points.back().x - (area.x + (140 - at.x()) / scale - 0.5)) < 8);
        QVERIFY(QTest::qWaitFor([this] { return view().current(); }, 60000));
        const QImage after = view().cell(1)->image();
        const QPoint under(static_cast<int>((100 - at.x()) * view().cell(1)->wanted().view.zoom / scale),
                           static_cast<int>((80 - at.y()) * view().cell(1)->wanted().view.zoom / scale));
        // Under the brush the original's noise is back; elsewhere nothing has changed.
        int changed = 0, elsewhere = 0;
        for (int y = -8; y < 8; ++y)
            for (int x = -8; x < 8; ++x)
                changed += after.pixel(under + QPoint(x, y)) != before.pixel(under + QPoint(x, y));
        for (int y = before.height() - 12; y < before.height(); ++y)
            for (int x = before.width() - 12; x < before.width(); ++x)
                elsewhere += after.pixel(x, y) != before.pixel(x, y);
        QVERIFY2(changed > 100 && elsewhere == 0,
                 qPrintable(QStringLiteral("%1 %2").arg(changed).arg(elsewhere)));
        // Taken away again, and each line is a step of its own.
        QTest::keyClick(&view(), Qt::Key_K, Qt::ShiftModifier);
        QVERIFY(panel().tool() == ZonePanel::Tool::Erase);
        drag({80, 80}, {120, 80});
        drag({80, 90}, {120, 90});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(3));
        QVERIFY(zones()[0].strokes[1].erase);
        window_->document().undo();
        QCOMPARE(zones()[0].strokes.size(), std::size_t(2));
        // The wheel with Ctrl sets the brush, without it zooms.
        Cell* cell = view().cell(1);
        const double zoom = window_->document().zoom();
        QWheelEvent turn(cell->rect().center(), cell->mapToGlobal(cell->rect().center()), {}, {0, 120},
                         Qt::NoButton, Qt::ControlModifier, Qt::NoScrollPhase, false);
        QCoreApplication::sendEvent(cell, &turn);
        QVERIFY(panel().brush().diameter > 60);
        QCOMPARE(window_->document().zoom(), zoom);
        QTest::keyClick(&view(), Qt::Key_K, Qt::ShiftModifier); // the brush is put down
        QVERIFY(panel().tool() == ZonePanel::Tool::None);
        find<QToolButton>("clearStrokes")->click();
        QTRY_VERIFY(zones()[0].strokes.empty());
        find<QToolButton>("removeZone")->click();
        QTRY_VERIFY(zones().empty());
    }
    // Lines on what is wanted and what is not make a zone; each is a step; the brush corrects it.
    void aZoneIsMarked() {
        enter();
        add("Marked by strokes");
        QVERIFY(panel().tool() == ZonePanel::Tool::Mark);
        QVERIFY(find<QToolButton>("markWanted")->isVisible());
        drag({60, 60}, {100, 100});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(1));
        QVERIFY(zones()[0].strokes[0].mark && !zones()[0].strokes[0].erase);
        press("markUnwanted");
        drag({200, 30}, {220, 60});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(2));
        QVERIFY(zones()[0].strokes[1].mark && zones()[0].strokes[1].erase);
        press("paintZone");
        drag({30, 30}, {40, 40});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(3));
        QVERIFY(!zones()[0].strokes[2].mark);
        window_->document().undo(), window_->document().undo();
        QCOMPARE(zones()[0].strokes.size(), std::size_t(1));
        find<QToolButton>("removeZone")->click();
        // Other zones have nothing to mark.
        add("Dark areas");
        QTRY_VERIFY(!find<QToolButton>("markWanted")->isVisible());
        find<QToolButton>("removeZone")->click();
    }
    // In colour where it is, grey where it is not, as an outline; the same zone.
    void aZoneIsShownInThreeWays() {
        enter();
        add("Painted");
        panel().setBrush({60, 0});
        drag({80, 80}, {120, 80});
        QTRY_VERIFY(!view().shownMask().isNull());
        const auto opaque = [&](ZonePanel::ShownAs as) {
            panel().setShownAs(as);
            int many = 0;
            const auto count = [&] {
                many = 0;
                const QImage mask = view().shownMask();
                for (int y = 0; y < mask.height(); ++y)
                    for (int x = 0; x < mask.width(); ++x) many += qAlpha(mask.pixel(x, y)) > 60;
            };
            const auto settled = [&] {
                QTest::qWait(300);
                count();
            };
            settled();
            return many;
        };
        const int all = view().shownMask().width() * view().shownMask().height();
        const int own = opaque(ZonePanel::ShownAs::Colour), outside = opaque(ZonePanel::ShownAs::GreyOutside),
                  line = opaque(ZonePanel::ShownAs::Outline);
        QVERIFY2(own > 500 && std::abs(own + outside - all) < all / 20 && line > 50 && line < own / 2,
                 qPrintable(QStringLiteral("%1 %2 %3 of %4").arg(own).arg(outside).arg(line).arg(all)));
        // M goes through them, and then away.
        QTest::keyClick(&view(), Qt::Key_M);
        QVERIFY(!panel().wantsMask());
        for (const auto as : {ZonePanel::ShownAs::Colour, ZonePanel::ShownAs::GreyOutside}) {
            QTest::keyClick(&view(), Qt::Key_M);
            QVERIFY(panel().wantsMask() && panel().overlay().as == as);
        }
        find<QToolButton>("removeZone")->click();
    }
    // With Alt a line is straight from where it began.
    // A pen paints as wide as it is pressed, and the mouse with its full width.
    void aPenPaints() {
        enter();
        add("Painted");
        QTRY_COMPARE(zones().size(), std::size_t(1));
        Cell* cell = view().cell(1);
        const QPointingDevice pen(QStringLiteral("pen"), 7, QInputDevice::DeviceType::Stylus,
                                  QPointingDevice::PointerType::Pen, QInputDevice::Capability::All, 1, 3);
        const auto send = [&](QEvent::Type type, QPointF at, double pressure) {
            QTabletEvent event(type, &pen, at, cell->mapToGlobal(at), pressure, 0, 0, 0, 0, 0, {},
                               Qt::LeftButton, Qt::LeftButton);
            QCoreApplication::sendEvent(cell, &event);
            QVERIFY(event.isAccepted());
        };
        send(QEvent::TabletPress, {40, 40}, 0.25);
        send(QEvent::TabletMove, {90, 60}, 0.5);
        send(QEvent::TabletMove, {140, 60}, 1);
        send(QEvent::TabletRelease, {140, 60}, 0);
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(1));
        const auto& points = zones()[0].strokes[0].points;
        QCOMPARE(points.size(), std::size_t(3));
        QVERIFY(points[0].width == 0.25f && points[1].width == 0.5f && points[2].width == 1);
        drag({40, 100}, {140, 100});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(2));
        for (const StrokePoint& p : zones()[0].strokes[1].points) QCOMPARE(p.width, 1.0f);
    }
    // Colour and strength of what lies over a zone are chosen, and remembered; so is a brush that keeps to
    // edges, while the window is there.
    void theOverlayIsChosen() {
        enter();
        add("Painted");
        QTRY_COMPARE(zones().size(), std::size_t(1));
        drag({40, 40}, {140, 60});
        const auto isPainted = [&] {
            const QImage mask = view().shownMask();
            for (int y = 0; y < mask.height(); ++y)
                for (int x = 0; x < mask.width(); ++x)
                    if (mask.pixelColor(x, y).alpha() > 100) return true;
            return false;
        };
        QTRY_VERIFY(isPainted());
        const QImage ochre = view().shownMask();
        const auto choose = [&](const char* text) {
            for (QAction* a : find<QToolButton>("showZoneAs")->menu()->actions())
                if (a->text() == QLatin1String(text)) a->trigger();
        };
        choose("Blue");
        QTRY_VERIFY(view().shownMask() != ochre);
        for (int y = 0; y < ochre.height(); ++y)
            for (int x = 0; x < ochre.width(); ++x) {
                const QColor at = view().shownMask().pixelColor(x, y);
                QVERIFY(at.alpha() < 20 || at.blue() > at.red());
            }
        choose("Strong");
        QTRY_COMPARE(panel().overlay().strength, 0.75f);
        const ZonePanel another;
        QVERIFY(another.overlay() == panel().overlay());
        find<QToolButton>("brushEdges")->click();
        add("Painted");
        drag({40, 40}, {140, 60});
        QTRY_COMPARE(zones().back().strokes.size(), std::size_t(1));
        QVERIFY(zones().back().strokes[0].edges);
    }
    void straightLines() {
        enter();
        add("Painted");
        panel().setBrush({20, 0});
        Cell* cell = view().cell(1);
        QTest::mousePress(cell, Qt::LeftButton, Qt::AltModifier, {80, 80});
        for (const QPoint at : {QPoint(100, 140), QPoint(160, 60), QPoint(180, 120)}) {
            QMouseEvent move(QEvent::MouseMove, at, cell->mapToGlobal(at), Qt::NoButton, Qt::LeftButton,
                             Qt::AltModifier);
            QCoreApplication::sendEvent(cell, &move);
        }
        QTest::mouseRelease(cell, Qt::LeftButton, Qt::AltModifier, {180, 120});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(1));
        QCOMPARE(zones()[0].strokes[0].points.size(), std::size_t(2));
        find<QToolButton>("removeZone")->click();
    }
    // A click says how much of each zone a pixel is.
    void aClickTellsTheZones() {
        enter();
        add("Painted");
        panel().setBrush({60, 0});
        drag({80, 80}, {120, 80});
        QTRY_COMPARE(zones()[0].strokes.size(), std::size_t(1));
        panel().setTool(ZonePanel::Tool::None);
        QTest::mouseClick(view().cell(1), Qt::LeftButton, {}, {100, 80});
        QTRY_VERIFY2(window_->exportBar().message().contains("Zone 1, Painted: 100 %"),
                     qPrintable(window_->exportBar().message()));
        QTest::mouseClick(view().cell(1), Qt::LeftButton, {}, {300, 200});
        QTRY_VERIFY(window_->exportBar().message().contains("Zone 1, Painted: 0 %"));
        find<QToolButton>("removeZone")->click();
    }
    void zonesAreKeptCopiedAndExported() {
        enter();
        add("Dark areas");
        QTest::keyClick(&view(), Qt::Key_K);
        drag({60, 60}, {100, 100});
        QTRY_VERIFY(zones().size() == 1 && zones()[0].strokes.size() == 1);
        QTest::keyClick(&view(), Qt::Key_Escape);
        QTRY_VERIFY(window_->sheet().isVisible());
        window_->document().choose(0);
        const Settings made = window_->document().takes()[0].settings;
        for (const char* name : {"zoned.dng", "zoned.tif"}) {
            auto* formats = find<QComboBox>("format");
            formats->setCurrentIndex(formats->findData(QString(name).endsWith("dng") ? "dng" : "tiff"));
            QSignalSpy done(&window_->exportBar(), &ExportBar::exported);
            window_->exportBar().exportTo(folder_.filePath(name));
            QVERIFY(done.wait(60000));
            QCOMPARE(*settingsIn(folder_.filePath(name).toStdString()), made);
        }
        // What is found goes to other photos, what was painted does not.
        window_->open({two_});
        QVERIFY(settle());
        window_->photos().select(one_);
        QVERIFY(settle());
        window_->document().copyWork();
        window_->document().pasteWork(WorkPart::All, {two_});
        const auto& theirs = window_->document().recordOf(two_.toStdString())->state->takes[0].settings.zones;
        QVERIFY(theirs.size() == 1 && theirs[0].part == FoundPart::Dark && theirs[0].strokes.empty());
        // Opened again.
        window_->document().save();
        QTRY_VERIFY(!window_->document().unsaved());
        window_->close();
        window_ = std::make_unique<Window>();
        window_->show();
        window_->open({one_});
        QVERIFY(settle());
        QVERIFY(window_->document().takes()[0].settings == made);
    }
};

QTEST_MAIN(TestPainting)
#include "painting.moc"
