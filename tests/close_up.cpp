// The close-up, driven by mouse and keys.
#include "closeup/close_up.h"

#include <QComboBox>
#include <QElapsedTimer>
#include <QLabel>
#include <QSignalSpy>

#include "closeup/difference_view.h"
#include "closeup/sweep.h"
#include "window_support.h"

using namespace irenic;

class TestCloseUp : public test::WindowTest {
    Q_OBJECT

    CloseUp& view() { return window_->closeUp(); }
    bool ready() {
        return QTest::qWaitFor([this] { return view().isVisible() && view().current(); }, 60000);
    }
    // From the sheet, with the first take of the first probe.
    void enter() {
        Cell* cell = window_->sheet().cell(0, 1);
        QTest::mouseDClick(cell, Qt::LeftButton, {}, cell->rect().center());
        QTRY_VERIFY(view().isVisible() && !window_->sheet().isVisible());
        QVERIFY(ready());
    }
    void press(Qt::Key key, Qt::KeyboardModifiers modifiers = {}) {
        QTest::keyClick(&view(), key, modifiers);
    }

  private slots:
    void itOpensAndCloses() {
        enter();
        QCOMPARE(view().column(), 1);
        press(Qt::Key_Escape);
        QTRY_VERIFY(!view().isVisible() && window_->sheet().isVisible());
        QVERIFY(window_->sheet().allCurrent()); // nothing is rendered again
        // By keys: arrows go from cell to cell, Enter opens the one in hand.
        window_->sheet().cell(0, 0)->setFocus();
        QTest::keyClick(window_->sheet().cell(0, 0), Qt::Key_Right);
        QTest::keyClick(window_->sheet().cell(0, 1), Qt::Key_Right);
        QVERIFY(window_->sheet().cell(0, 2)->hasFocus());
        QTest::keyClick(window_->sheet().cell(0, 2), Qt::Key_Return);
        QTRY_VERIFY(view().isVisible());
        QCOMPARE(view().column(), 2);
    }
    void takesAreFlippedInPlace() {
        enter();
        const Rect place = view().cell(1)->wanted().area;
        press(Qt::Key_C);
        QCOMPARE(view().column(), 3);
        QVERIFY(ready());
        press(Qt::Key_Tab);
        QCOMPARE(view().column(), 1);
        press(Qt::Key_Tab);
        QCOMPARE(view().column(), 3);
        press(Qt::Key_O);
        QCOMPARE(view().column(), 0);
        press(Qt::Key_Right);
        QCOMPARE(view().column(), 1);
        press(Qt::Key_Left);
        press(Qt::Key_Left);
        QCOMPARE(view().column(), 3);
        for (int c = 0; c < 4; ++c) QVERIFY(view().cell(c)->wanted().area == place);
        // Held, Space shows the original; the letter says so.
        QTest::keyPress(&view(), Qt::Key_Space);
        QVERIFY(view().cell(0)->isVisible() && !view().cell(3)->isVisible());
        QTest::keyRelease(&view(), Qt::Key_Space);
        QVERIFY(view().cell(3)->isVisible() && !view().cell(0)->isVisible());
        QCOMPARE(view().column(), 3);
        // What was rendered is there at once when it is flipped to.
        QVERIFY(QTest::qWaitFor([this] { return view().cell(2)->state() == Cell::State::Current; }, 30000));
        press(Qt::Key_B);
        QVERIFY(view().current());
        QTest::mouseClick(view().findChild<QToolButton*>("letterA"), Qt::LeftButton);
        QCOMPARE(view().column(), 1);
    }
    // The same pixels as the sheet's and the core's.
    void pixelsAreTheCores() {
        enter();
        const RenderKey& k = view().cell(1)->wanted();
        TileStore store(std::size_t{1} << 26);
        const Picture p = render(k.shown, k.area, k.view, {Work(), &store});
        QCOMPARE(view().cell(1)->image(), imageOf(p));
    }
    // While the pointer moves a strength, whole pictures of the moment follow it; the true one comes at rest.
    void aMovingHandSeesPictures() {
        enter();
        auto* head = view().findChild<TakeHead*>();
        QVERIFY(head);
        head->findChild<QComboBox*>("method")->setCurrentIndex(0);
        emit head->findChild<QComboBox*>("method")->activated(0);
        QVERIFY(ready());
        Cell* cell = view().cell(1);
        const float before = cell->wanted().recipe().settings.luminance;
        QSignalSpy pictures(cell, &Cell::stepped), done(cell, &Cell::becameCurrent);
        auto* rule = head->findChild<Rule*>("luminance");
        const QPoint from(static_cast<int>(rule->placeOf(rule->value())), rule->height() / 2);
        QTest::mousePress(rule, Qt::LeftButton, {}, from);
        QElapsedTimer clock;
        clock.start();
        for (int step = 1; pictures.size() < 3 && clock.elapsed() < 20000; ++step) {
            QTest::mouseMove(rule, from + QPoint(step % 60 + 2, 0));
            QTest::qWait(5);
        }
        QVERIFY(pictures.size() >= 3);
        // What is shown meanwhile is not taken for the true picture.
        QVERIFY(cell->image().isNull() || !done.isEmpty());
        QTest::mouseRelease(rule, Qt::LeftButton, {}, from + QPoint(40, 0));
        QVERIFY(ready());
        QVERIFY(cell->wanted().recipe().settings.luminance != before);
        const RenderKey& k = cell->wanted();
        TileStore store(std::size_t{1} << 26);
        const Picture p = render(k.shown, k.area, k.view, {Work(), &store});
        QCOMPARE(cell->image(), imageOf(p));
    }
    // A slow method's picture of an older step is given up when the hand rests.
    void aRestingHandWaitsForTheNewest() {
        enter();
        Settings slow = window_->document().takes()[0].settings;
        slow.method = "bm3d";
        window_->document().setSettings(0, slow);
        for (int i = 0; i < 3; ++i) {
            slow.luminance += 0.05f;
            window_->document().setSettings(0, slow);
            QTest::qWait(20);
        }
        QVERIFY(ready());
        QCOMPARE(view().cell(1)->wanted().recipe().settings.luminance, slow.luminance);
    }
    void aLineDividesTwo() {
        enter();
        press(Qt::Key_B);
        press(Qt::Key_F6);
        QTRY_VERIFY(view().manner() == CloseUp::Manner::Divided);
        QVERIFY(ready());
        QVERIFY(view().cell(1)->isVisible() && view().cell(2)->isVisible());
        const Cell* right = view().cell(2);
        QCOMPARE(right->mask().boundingRect().left(), static_cast<int>(std::lround(right->width() * 0.5)));
        // The line is dragged.
        QWidget* line = nullptr;
        for (QWidget* w : right->parentWidget()->findChildren<QWidget*>(Qt::FindDirectChildrenOnly))
            if (w->isVisible() && w->width() == 4) line = w;
        QVERIFY(line);
        QTest::mousePress(line, Qt::LeftButton, {}, {2, 50});
        QTest::mouseMove(line, {2 + right->width() / 4, 50});
        QTest::mouseRelease(line, Qt::LeftButton, {}, {2, 50});
        QVERIFY2(std::abs(view().divider() - 0.75) < 0.02, qPrintable(QString::number(view().divider())));
        QCOMPARE(right->mask().boundingRect().left(),
                 static_cast<int>(std::lround(right->width() * view().divider())));
    }
    void severalStandBesideEachOther() {
        enter();
        press(Qt::Key_B);
        press(Qt::Key_F7);
        QTRY_VERIFY(view().manner() == CloseUp::Manner::Beside);
        QVERIFY(ready());
        const Cell *a = view().cell(1), *b = view().cell(2);
        QVERIFY(a->isVisible() && b->isVisible() && a->geometry().right() < b->geometry().left());
        QCOMPARE(a->size(), b->size());
        QVERIFY(a->wanted().area == b->wanted().area);
    }
    void whatWasRemovedIsShown() {
        enter();
        press(Qt::Key_F8);
        QTRY_VERIFY(view().manner() == CloseUp::Manner::Removed);
        QVERIFY(ready());
        QVERIFY(QTest::qWaitFor([this] { return !view().difference()->image().isNull(); }, 30000));
        const QImage removed = view().difference()->image();
        const RenderKey& k = view().cell(1)->wanted();
        TileStore store(std::size_t{1} << 26);
        Recipe original = k.recipe();
        original.settings = Settings::original();
        QCOMPARE(removed, imageOf(renderDifference({original, k.shown, DifferencePart::Everything, 4}, k.area,
                                                   k.view.zoom, {Work(), &store})));
        QVERIFY(view().findChild<QLabel*>("says")->text().contains("detail"));
        const auto now = [this] {
            return QTest::qWaitFor([this] { return !view().difference()->image().isNull(); }, 30000);
        };
        view().findChild<QComboBox*>("what")->setCurrentIndex(1);
        QVERIFY(now());
        const QImage light = view().difference()->image();
        for (int i = 0; i < 50; ++i) {
            const QRgb v = light.pixel(i * 3 + 5, i * 2 + 3);
            QVERIFY(qRed(v) == qGreen(v) && qGreen(v) == qBlue(v));
        }
        // A take less another; nothing but grey where there is nothing between them.
        press(Qt::Key_B);
        press(Qt::Key_F9);
        QTRY_VERIFY(view().manner() == CloseUp::Manner::Difference);
        QVERIFY(ready() && now());
        QVERIFY(view().difference()->image() != light);
        const QImage none = imageOf(renderDifference({k.shown, k.shown, DifferencePart::Everything, 4},
                                                     k.area, k.view.zoom, {Work(), &store}));
        for (int i = 0; i < 50; ++i) QCOMPARE(none.pixel(i * 3 + 5, i * 2 + 3), qRgb(128, 128, 128));
    }
    void placeAndZoomAreTheSheets() {
        enter();
        const Rect before = view().cell(1)->wanted().area;
        press(Qt::Key_Right, Qt::ShiftModifier);
        QVERIFY(view().cell(1)->wanted().area.x > before.x ||
                before.right() == window_->document().photo()->width());
        press(Qt::Key_Up);
        QCOMPARE(window_->document().zoom(), 2.0);
        press(Qt::Key_Down);
        press(Qt::Key_Down);
        QCOMPARE(window_->document().zoom(), 0.5);
        QVERIFY(ready());
        QVERIFY(view().cell(1)->image().width() <= view().cell(1)->width());
        press(Qt::Key_PageDown);
        QVERIFY(ready());
        press(Qt::Key_Escape);
        QCOMPARE(window_->document().zoom(), 0.5);
    }
    void strengthsAreAtHand() {
        enter();
        auto* head = view().findChild<TakeHead*>();
        QVERIFY(head && head->isOpen());
        const QImage before = view().cell(1)->image();
        head->findChild<Rule*>("luminance")->setValue(2);
        QCOMPARE(window_->document().takes()[0].settings.luminance, 2.0f);
        QVERIFY(!view().current());
        QVERIFY(ready());
        QVERIFY(view().cell(1)->image() != before);
        press(Qt::Key_Return);
        QCOMPARE(window_->document().chosen(), 0);
        press(Qt::Key_O);
        QVERIFY(!view().findChild<TakeHead*>() || !view().findChild<TakeHead*>()->isVisible());
    }
    // Step by step over the whole photo, and on where it was left.
    void aSweepSeesEverything() {
        const Sweep way({0, 0, 1000, 700}, {300, 250});
        std::vector<bool> seen(1000 * 700, false);
        for (int step = 0; step < way.steps(); ++step) {
            const QPointF at = way.middle(step);
            QVERIFY(at.x() >= 150 && at.x() <= 850 && at.y() >= 125 && at.y() <= 575);
            QCOMPARE(way.nearest(at), step);
            if (step > 0) { // the next place overlaps this one
                const QPointF from = way.middle(step - 1);
                QVERIFY(std::abs(at.x() - from.x()) < 300 && std::abs(at.y() - from.y()) < 250);
            }
            for (int y = static_cast<int>(at.y()) - 125; y < static_cast<int>(at.y()) + 125; ++y)
                for (int x = static_cast<int>(at.x()) - 150; x < static_cast<int>(at.x()) + 150; ++x)
                    seen[static_cast<std::size_t>(y * 1000 + x)] = true;
        }
        QVERIFY(std::count(seen.begin(), seen.end(), false) <= 1700); // roundings at the edges
        QCOMPARE(Sweep({0, 0, 200, 100}, {300, 250}).steps(), 1);
    }
    void aSweepGoesOnWhereItWasLeft() {
        enter();
        window_->document().setZoom(2);
        QTest::keyClick(&view(), Qt::Key_S);
        QCOMPARE(window_->document().zoom(), 1.0);
        QVERIFY(QTest::qWaitFor([this] { return view().current(); }, 60000));
        const Rect whole = outputFrame(*window_->document().photo(), {}),
                   first = view().cell(1)->wanted().area;
        QVERIFY2(first.x <= whole.x + 1 && first.y <= whole.y + 1,
                 qPrintable(QStringLiteral("%1 %2 %3 %4 of %5 %6")
                                .arg(first.x)
                                .arg(first.y)
                                .arg(first.width)
                                .arg(first.height)
                                .arg(whole.width)
                                .arg(whole.height)));
        if (first.width < whole.width) {
            QTest::keyClick(&view(), Qt::Key_S);
            QVERIFY(view().cell(1)->wanted().area.x > first.x);
            QTest::keyClick(&view(), Qt::Key_S, Qt::ShiftModifier);
            QCOMPARE(view().cell(1)->wanted().area, first);
        }
    }
};

QTEST_MAIN(TestCloseUp)
#include "close_up.moc"
