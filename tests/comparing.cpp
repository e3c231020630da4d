// Comparing, driven by mouse and keys: the shape of the sheet, probes as rectangles, references, ways to
// divide.
#include <QComboBox>
#include <QMenu>
#include <QToolButton>

#include "closeup/close_up.h"
#include "closeup/difference_view.h"
#include "sheet/reference_head.h"
#include "sheet/row_label.h"
#include "sheet/take_head.h"
#include "window_support.h"

using namespace irenic;

class TestComparing : public test::WindowTest {
    Q_OBJECT

    Sheet& sheet() { return window_->sheet(); }
    Document& document() { return window_->document(); }
    CloseUp& view() { return window_->closeUp(); }
    void press(QWidget* at, Qt::Key key, Qt::KeyboardModifiers with = {}) { QTest::keyClick(at, key, with); }
    void focus(int row, int column) {
        sheet().cell(row, column)->setFocus();
        QTRY_VERIFY(sheet().cell(row, column)->hasFocus());
    }
    // Heads and look are folded away: the sheet has the room that it has at work.
    void roomy() {
        find<QAction>("allHeads")->trigger();
        find<QToolButton>("showLook")->setChecked(false);
        window_->resize(1180, 800);
        QTest::qWait(30);
        QVERIFY(settle());
    }
    // The developed original as somebody else's file, cropped by 6 pixels and brighter.
    QString foreignFile(const char* name, double gain) {
        const PhotoPtr photo = document().photo();
        const Picture p = render(recipeOf(*photo, {"nlm"}, document().look()), photo->whole(), 1);
        const std::vector<std::uint8_t> bytes = inEightBits(p);
        QImage image(bytes.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888);
        image = image.copy(6, 6, p.width - 12, p.height - 12);
        for (int y = 0; y < image.height(); ++y)
            for (int i = 0; i < image.width() * 3; ++i)
                image.scanLine(y)[i] = static_cast<uchar>(std::min(255.0, image.scanLine(y)[i] * gain));
        const QString to = folder_.filePath(QString::fromLatin1(name));
        image.save(to);
        return to;
    }

    // Of the screen, for one unit of a widget.
    int pixels() const { return static_cast<int>(std::lround(window_->devicePixelRatioF())); }

  private slots:
    // A folded head says what tells its take from others: both factors, and the grain that is kept. Where
    // there is room for one alone, it is one that was set.
    void aFoldedHeadTellsItsFactors() {
        TakeHead* head = window_->sheet().head(1);
        auto* fold = head->findChild<QToolButton*>("fold");
        head->setOpen(false);
        Settings kept = window_->document().takes()[1].settings;
        kept.grain = 0.3f;
        window_->document().setSettings(1, kept);
        head->resize(500, head->height());
        QCOMPARE(fold->text(), QStringLiteral("L 1.0  C 1.0  G 30 %"));
        head->resize(180, head->height());
        QCOMPARE(fold->text(), QStringLiteral("G 30 %"));
        kept.colour = 1.5f;
        window_->document().setSettings(1, kept);
        QCOMPARE(fold->text(), QStringLiteral("C 1.5"));
    }
    void aColumnOpensWideAndTheOthersBecomeStrips() {
        roomy();
        document().setZoom(4 * pixels()); // far from the photo's edges
        const int even = sheet().cell(0, 1)->width();
        focus(0, 2);
        press(sheet().cell(0, 2), Qt::Key_W);
        QVERIFY(sheet().cell(0, 2)->width() > 2 * even);
        QVERIFY(sheet().cell(0, 1)->width() < even / 2 && sheet().cell(0, 0)->isVisible());
        QTRY_VERIFY_WITH_TIMEOUT(sheet().allCurrent(), 60000);
        // A strip shows the middle of the same place.
        const Rect wide = sheet().cell(0, 2)->wanted().area, strip = sheet().cell(0, 1)->wanted().area;
        QVERIFY(strip.width < wide.width &&
                std::abs(2 * strip.x + strip.width - 2 * wide.x - wide.width) <= 2);
        press(sheet().cell(0, 2), Qt::Key_W);
        QCOMPARE(sheet().cell(0, 1)->width(), even);
        // Likewise by a double click on the head.
        QTest::mouseDClick(sheet().head(0), Qt::LeftButton, {}, QPoint(6, 10));
        QVERIFY(sheet().cell(0, 1)->width() > 2 * even);
        press(sheet().cell(0, 1), Qt::Key_Home, Qt::ShiftModifier);
        QCOMPARE(sheet().cell(0, 1)->width(), even);
    }
    void rowsOpenWideByTheirNames() {
        roomy();
        const int even = sheet().cell(0, 0)->height();
        QTest::mouseDClick(sheet().label(1), Qt::LeftButton, {}, QPoint(8, 20));
        QVERIFY(sheet().cell(1, 0)->height() > even && sheet().cell(0, 0)->height() < even);
        focus(1, 0);
        press(sheet().cell(1, 0), Qt::Key_W, Qt::ShiftModifier);
        QCOMPARE(sheet().cell(0, 0)->height(), even);
    }
    void columnsAndRowsAreFoldedAndComeBack() {
        roomy();
        focus(0, 1);
        press(sheet().cell(0, 1), Qt::Key_X);
        QVERIFY(!sheet().cell(0, 1)->isVisible() && !sheet().head(0)->isVisible());
        auto* unfold = sheet().findChild<QToolButton*>(QStringLiteral("unfoldA"));
        QVERIFY(unfold->isVisible());
        QTest::mouseClick(unfold, Qt::LeftButton);
        QTRY_VERIFY(sheet().cell(0, 1)->isVisible());
        focus(1, 0);
        press(sheet().cell(1, 0), Qt::Key_X, Qt::ShiftModifier);
        QVERIFY(!sheet().cell(1, 0)->isVisible());
        QTest::mouseClick(sheet().label(1), Qt::LeftButton, {}, QPoint(30, 8));
        QVERIFY(sheet().cell(1, 0)->isVisible());
        // The last one cannot be folded: a sheet shows something.
        for (int c = 0; c < sheet().columns(); ++c) {
            focus(0, c);
            press(sheet().cell(0, c), Qt::Key_X);
            if (c + 1 == sheet().columns()) QVERIFY(sheet().cell(0, c)->isVisible());
        }
    }
    void columnsAndRowsMoveByKeysAndByDragging() {
        roomy();
        const auto letters = [this] {
            std::string all;
            for (const Take& t : document().takes()) all += t.letter;
            return all;
        };
        QCOMPARE(letters(), std::string("ABC"));
        focus(0, 1);
        press(sheet().cell(0, 1), Qt::Key_Right, Qt::AltModifier);
        QCOMPARE(letters(), std::string("BAC"));
        document().undo();
        QCOMPARE(letters(), std::string("ABC"));
        // Head A is dragged over column C.
        TakeHead* head = sheet().head(0);
        const QPoint from(6, 10), to = head->mapFromGlobal(sheet().cell(0, 3)->mapToGlobal(QPoint(30, 5)));
        QTest::mousePress(head, Qt::LeftButton, {}, from);
        QTest::mouseRelease(head, Qt::LeftButton, {}, to);
        QTRY_COMPARE(letters(), std::string("BCA"));
        const std::string first = document().probes()[0].name;
        RowLabel* label = sheet().label(0);
        const QPoint down = label->mapFromGlobal(sheet().label(1)->mapToGlobal(QPoint(5, 20)));
        QTest::mousePress(label, Qt::LeftButton, {}, QPoint(5, 20));
        QTest::mouseRelease(label, Qt::LeftButton, {}, down);
        QTRY_COMPARE(document().probes()[1].name, first);
        QCOMPARE(document().history().steps().back().name, std::string("Probes reordered"));
    }
    void aRowPansByItselfAndWithShiftAll() {
        roomy();
        document().setZoom(2 * pixels()); // far from the photo's edges
        const Rect first = sheet().cell(0, 0)->wanted().area, second = sheet().cell(1, 0)->wanted().area;
        Cell* cell = sheet().cell(0, 1);
        const auto drag = [&](Qt::KeyboardModifiers with) {
            QTest::mousePress(cell, Qt::LeftButton, with, QPoint(90, 80));
            QMouseEvent move(QEvent::MouseMove, QPointF(80, 70), cell->mapToGlobal(QPointF(80, 70)),
                             Qt::NoButton, Qt::LeftButton, with);
            QCoreApplication::sendEvent(cell, &move);
            QTest::mouseRelease(cell, Qt::LeftButton, with, QPoint(80, 70));
        };
        drag({});
        QCOMPARE(sheet().cell(0, 0)->wanted().area.x, first.x + 5);
        QVERIFY(sheet().cell(1, 0)->wanted().area == second);
        drag(Qt::ShiftModifier);
        QCOMPARE(sheet().cell(0, 0)->wanted().area.x, first.x + 10);
        QCOMPARE(sheet().cell(1, 0)->wanted().area.x, second.x + 5);
        press(cell, Qt::Key_Home);
        QTRY_VERIFY(sheet().cell(0, 0)->wanted().area == first &&
                    sheet().cell(1, 0)->wanted().area == second);
    }
    void aProbesEdgesAreDragged() {
        roomy();
        QTRY_VERIFY_WITH_TIMEOUT(sheet().allCurrent(), 60000);
        Cell* cell = sheet().cell(0, 0);
        const Probe before = document().probes()[0];
        const Rect area = before.area();
        const QPoint corner = cell->placeOf({area.right(), area.bottom()}).toPoint(),
                     to = corner + QPoint(-24, -14);
        QTest::mousePress(cell, Qt::LeftButton, {}, corner);
        QMouseEvent move(QEvent::MouseMove, to, cell->mapToGlobal(QPointF(to)), Qt::NoButton, Qt::LeftButton,
                         {});
        QCoreApplication::sendEvent(cell, &move);
        QTest::mouseRelease(cell, Qt::LeftButton, {}, to);
        const Probe& after = document().probes()[0];
        QVERIFY(std::abs(after.width - before.width + 24 * pixels()) <= 1 &&
                std::abs(after.height - before.height + 14 * pixels()) <= 1);
        QVERIFY(std::abs(after.area().x - area.x) <= 1 && std::abs(after.area().y - area.y) <= 1);
        QCOMPARE(document().history().steps().back().name, std::string("Probe 1 resized"));
        // At most twelve.
        while (document().probes().size() < Document::kMostProbes) document().addProbe(60, 60);
        document().addProbe(90, 90);
        QCOMPARE(document().probes().size(), std::size_t(Document::kMostProbes));
    }
    void aPrintIsShownAtItsSize() {
        roomy();
        auto* sizes = window_->findChild<QToolButton*>(QStringLiteral("sizes"));
        QVERIFY(!sizes->menu()->actions().isEmpty());
        const Rect frame = outputFrame(*document().photo(), document().look());
        const int longest = std::max(frame.width, frame.height);
        document().setZoom(0.6);
        QTRY_VERIFY_WITH_TIMEOUT(sheet().allCurrent(), 60000);
        QCOMPARE(sheet().cell(0, 0)->image().width(),
                 static_cast<int>(std::lround(sheet().cell(0, 0)->wanted().area.width * 0.6)));
        // A print larger than the photo shows its pixels as they are.
        sizes->menu()->actions().at(5)->trigger();
        QCOMPARE(document().zoom(), std::min(1.0, 60 * 300 / 2.54 / longest));
    }
    void aReferenceIsAColumnOfItsOwn() {
        roomy();
        const QString file = foreignFile("foreign.png", 1.25);
        document().addReference(file.toStdString());
        QCOMPARE(sheet().columns(), 5);
        QTRY_VERIFY_WITH_TIMEOUT(sheet().allCurrent(), 120000);
        ReferenceHead* head = sheet().referenceHead(0);
        QTRY_VERIFY(head->toolTip().contains(QStringLiteral("shifted by 6.0 and 6.0 pixels")));
        // Brighter as it is; like the photo once it is matched.
        const auto mean = [&](int column) {
            const QImage image = sheet().cell(1, column)->image();
            double sum = 0;
            for (int y = 0; y < image.height(); ++y)
                for (int x = 0; x < image.width(); ++x) sum += qGreen(image.pixel(x, y));
            return sum / image.width() / image.height();
        };
        QVERIFY(mean(4) > mean(0) * 1.1);
        QTest::mouseClick(head->findChild<QToolButton*>(QStringLiteral("match")), Qt::LeftButton);
        QVERIFY(document().references()[0].matched);
        QTRY_VERIFY_WITH_TIMEOUT(sheet().allCurrent() && std::abs(mean(4) / mean(0) - 1) < 0.06, 60000);
        // Cleaned like a take, by its own noise: as bright as before, and calmer; one step that is undone.
        const auto roughness = [&](int column) {
            const QImage image = sheet().cell(1, column)->image();
            double sum = 0;
            for (int y = 0; y < image.height(); ++y)
                for (int x = 1; x < image.width(); ++x)
                    sum += std::abs(qGreen(image.pixel(x, y)) - qGreen(image.pixel(x - 1, y)));
            return sum / image.width() / image.height();
        };
        const double before = mean(4), rough = roughness(4);
        QMenu* ways = head->findChild<QToolButton*>(QStringLiteral("cleanReference"))->menu();
        emit ways->aboutToShow();
        QCOMPARE(ways->actions().size(), static_cast<qsizetype>(document().takes().size()) + 1);
        ways->actions()[0]->trigger();
        QVERIFY(!document().references()[0].cleaned.empty());
        QTRY_VERIFY_WITH_TIMEOUT(
            sheet().allCurrent() && head->toolTip().contains(QStringLiteral("cleaned by")), 60000);
        QVERIFY2(roughness(4) < 0.96 * rough && std::abs(mean(4) / before - 1) < 0.02,
                 qPrintable(QStringLiteral("%1 %2").arg(roughness(4)).arg(rough)));
        document().undo();
        QVERIFY(document().references()[0].cleaned.empty());
        QTRY_VERIFY_WITH_TIMEOUT(sheet().allCurrent() && std::abs(roughness(4) - rough) < 0.01, 60000);
        // It can neither be chosen nor opened twice.
        document().addReference(file.toStdString());
        QCOMPARE(document().references().size(), std::size_t(1));
        // In the close-up too, and in Removed.
        emit sheet().opened(0, 1);
        press(&view(), Qt::Key_R);
        QCOMPARE(view().column(), 4);
        QTRY_VERIFY_WITH_TIMEOUT(view().current(), 60000);
        press(&view(), Qt::Key_Return);
        QCOMPARE(document().chosen(), -1);
        view().setManner(CloseUp::Manner::Removed);
        QTRY_VERIFY_WITH_TIMEOUT(!view().difference()->image().isNull(), 60000);
        press(&view(), Qt::Key_Escape);
        QTest::mouseClick(head->findChild<QToolButton*>(QStringLiteral("closeReference")), Qt::LeftButton);
        QTRY_COMPARE(sheet().columns(), 4);
        document().undo();
        QCOMPARE(sheet().columns(), 5);
    }
    void anotherPictureSaysWhyItIsNotShown() {
        roomy();
        QImage other(720, 540, QImage::Format_RGB888);
        for (int y = 0; y < other.height(); ++y)
            for (int x = 0; x < other.width(); ++x)
                other.setPixel(x, y, qRgb((x * 7 + y * y) % 256, (x * y) % 256, (x / 9 * 40) % 256));
        const QString file = folder_.filePath(QStringLiteral("other.png"));
        other.save(file);
        document().addReference(file.toStdString());
        QTRY_VERIFY_WITH_TIMEOUT(
            sheet().referenceHead(0)->toolTip().contains(QStringLiteral("another picture")), 60000);
        QVERIFY(sheet().cell(0, 4)->state() == Cell::State::Empty);
    }
    void thePictureIsDividedInFourWays() {
        roomy();
        emit sheet().opened(0, 1);
        press(&view(), Qt::Key_B);
        view().setManner(CloseUp::Manner::Divided);
        auto* lines = view().findChild<QComboBox*>(QStringLiteral("lines"));
        QVERIFY(lines->isVisible());
        view().setLine(CloseUp::Line::Level);
        QTRY_VERIFY_WITH_TIMEOUT(view().current(), 60000);
        const QRegion low = view().cell(2)->mask();
        QVERIFY(low.boundingRect().y() > 0 && low.boundingRect().x() == 0);
        view().setLine(CloseUp::Line::Quarters);
        int seen = 0;
        for (int c = 0; c < 4; ++c) seen += view().cell(c)->isVisible();
        QCOMPARE(seen, 4);
        QTRY_VERIFY_WITH_TIMEOUT(view().current(), 60000);
        QRegion all;
        for (int c = 0; c < 4; ++c) {
            QVERIFY(!all.intersects(view().cell(c)->mask()));
            all += view().cell(c)->mask();
        }
        QCOMPARE(all, QRegion(view().cell(0)->rect()));
        view().setLine(CloseUp::Line::Upright);
        view().setManner(CloseUp::Manner::Beside);
        QTest::mouseClick(view().findChild<QToolButton*>(QStringLiteral("above")), Qt::LeftButton);
        QCOMPARE(view().cell(1)->width(), view().cell(2)->width());
        QVERIFY(view().cell(1)->y() != view().cell(2)->y());
    }
    void whatATakeRemovesStandsBesideItsStrengths() {
        roomy();
        emit sheet().opened(0, 3); // wavelet
        auto* beside = view().removedBeside();
        QTRY_VERIFY_WITH_TIMEOUT(!beside->image().isNull(), 60000);
        const QImage before = beside->image();
        Settings s = document().takes()[2].settings;
        s.luminance = 2.5f;
        document().setSettings(2, s);
        QTRY_VERIFY_WITH_TIMEOUT(!beside->image().isNull() && beside->image() != before, 60000);
        QTest::mouseClick(view().findChild<QToolButton*>(QStringLiteral("removedHere")), Qt::LeftButton);
        QVERIFY(!beside->isVisible());
        QTest::mouseClick(view().findChild<QToolButton*>(QStringLiteral("removedHere")), Qt::LeftButton);
    }
    void probesAreMadeInTheCloseUp() {
        roomy();
        emit sheet().opened(0, 1);
        QTRY_VERIFY_WITH_TIMEOUT(view().current(), 60000);
        const std::size_t before = document().probes().size();
        press(&view(), Qt::Key_P);
        QCOMPARE(document().probes().size(), before + 1);
        const Rect area = view().cell(1)->wanted().area;
        const QPoint middle = view().cell(1)->rect().center();
        QTest::mouseDClick(view().cell(1), Qt::LeftButton, {}, middle);
        QCOMPARE(document().probes().size(), before + 2);
        QVERIFY(view().isVisible() && view().cell(1)->wanted().area == area);
    }
    void eightTakesFillTheSheet() {
        roomy();
        while (document().takes().size() < 8) document().addTake();
        for (const QSize& size : {QSize(1024, 700), QSize(1280, 800), QSize(1920, 1080)}) {
            window_->resize(size);
            QTRY_VERIFY_WITH_TIMEOUT(sheet().allCurrent(), 240000);
            QCOMPARE(window_->size(), size); // nothing in it asks for more room
            for (int c = 0; c < 9; ++c) QVERIFY(sheet().cell(0, c)->width() >= 96);
        }
        document().addTake();
        QCOMPARE(document().takes().size(), std::size_t(8));
    }
};

QTEST_MAIN(TestComparing)
#include "comparing.moc"
