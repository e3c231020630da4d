// The window, driven by mouse and keys, from opening to export.
#include <QAction>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMimeData>
#include <QDropEvent>
#include <QPushButton>
#include <QSignalSpy>
#include <QTest>
#include <QToolButton>

#include "export/export_bar.h"
#include "overview/overview.h"
#include "photos/photo_list.h"
#include "sheet/cell.h"
#include "sheet/sheet.h"
#include "sheet/take_head.h"
#include "sheet/value_field.h"
#include "support.h"
#include "window.h"

using namespace irenic;

class TestWindow : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    QString one_, two_;
    std::unique_ptr<Window> window_;

    bool settle() {
        return QTest::qWaitFor([this] { return window_->document().photo() && window_->sheet().allCurrent(); }, 60000);
    }
    ValueField* field(int take, const char* name) { return window_->sheet().head(take)->findChild<ValueField*>(QLatin1String(name)); }
    template <class T> T* find(const char* name) { return window_->findChild<T*>(QLatin1String(name)); }

  private slots:
    void initTestCase() {
        QCoreApplication::setOrganizationName("irenic-tests");
        one_ = QString::fromStdString(test::writeShot(folder_, "one.dng", test::shoot(12800).photo));
        two_ = QString::fromStdString(test::writeShot(folder_, "two.dng", test::shoot(3200, "GRBG", 8).photo));
    }
    void init() {
        window_ = std::make_unique<Window>();
        window_->resize(900, 560);
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        window_->open({one_});
        QVERIFY(settle());
    }
    void cleanup() { window_.reset(); }

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
        QVERIFY(find<QLabel>("original")->text().contains(QStringLiteral("σ")));
    }
    void cellsShowWhatTheCoreRenders() {
        Cell* cell = window_->sheet().cell(0, 2);
        const RenderKey& k = cell->wanted();
        const Picture p = renderRegion(*k.photo, k.settings, k.look, k.area, k.zoom);
        const QImage expected(p.rgb.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888);
        QCOMPARE(cell->image(), expected.convertToFormat(QImage::Format_RGB32));
    }
    void aStrengthIsDraggedTypedAndReset() {
        ValueField* lum = field(0, "luminance");
        const QImage before = window_->sheet().cell(0, 1)->image();
        QTest::mousePress(lum, Qt::LeftButton, {}, {20, 10});
        QTest::mouseMove(lum, {90, 10});
        QTest::mouseRelease(lum, Qt::LeftButton, {}, {90, 10});
        QVERIFY2(std::abs(lum->value() - 2.05) < 0.011, qPrintable(QString::number(lum->value())));
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
        QTest::mouseClick(button, Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(window_->sheet().columns(), 5, 120000);
        const Take take = window_->document().takes()[3];
        QVERIFY(take.risk.has_value());
        QVERIFY(take.risk->sigmas() > 0 && take.risk->sigmas() < 1);
        auto* mark = window_->sheet().head(3)->findChild<QLabel*>("risk");
        QVERIFY(mark->text().contains(QString::number(take.risk->sigmas(), 'f', 2)));
        field(3, "luminance")->setValue(2.5);
        QTRY_VERIFY(mark->text().isEmpty());
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
        QVERIFY((window_->document().pan() == QPointF(10, 5)));
        for (int c = 0; c < 4; ++c) QVERIFY(sheet.cell(0, c)->wanted().area == sheet.cell(0, 0)->wanted().area);
        QVERIFY(!(sheet.cell(0, 0)->wanted().area == before));
        QTest::keyClick(window_.get(), Qt::Key_4);
        QTRY_COMPARE(window_->document().zoom(), 4.0);
        QTest::keyClick(window_.get(), Qt::Key_0);
        QTRY_COMPARE(window_->document().zoom(), 0.0);
        QVERIFY(settle());
    }
    void pushIsMarked() {
        auto* push = find<ValueField>("push");
        push->setFocus();
        QTest::keyClick(push, Qt::Key_Up);
        QCOMPARE(window_->document().look().push, 0.5f);
        QVERIFY(settle());
        QTest::mouseDClick(push, Qt::LeftButton, {}, {10, 8});
        QCOMPARE(window_->document().look().push, 0.0f);
    }
    void probesMoveOnTheOverview() {
        Overview& o = window_->overview();
        const Probe probe = window_->document().probes()[0];
        const QPoint from = o.place(probe.x, probe.y).toPoint(), to = o.place(150, 120).toPoint();
        QTest::mousePress(&o, Qt::LeftButton, {}, from);
        QTest::mouseMove(&o, to);
        QTest::mouseRelease(&o, Qt::LeftButton, {}, to);
        QVERIFY(std::abs(window_->document().probes()[0].x - 150) < 6);
        const auto count = window_->document().probes().size();
        QTest::mouseDClick(&o, Qt::LeftButton, {}, o.place(420, 40).toPoint());
        QCOMPARE(window_->document().probes().size(), count + 1);
        QCOMPARE(window_->sheet().rows(), static_cast<int>(count) + 1);
        QTest::mouseClick(&o, Qt::LeftButton, {}, o.place(420, 40).toPoint());
        QTest::keyClick(&o, Qt::Key_Delete);
        QCOMPARE(window_->document().probes().size(), count);
        QVERIFY(settle());
    }
    void droppingAndBadFiles() {
        QFile bad(folder_.filePath("broken.dng"));
        QVERIFY(bad.open(QIODevice::WriteOnly));
        bad.write("no photo");
        bad.close();
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(two_)});
        QDropEvent drop(QPointF(50, 50), Qt::CopyAction, &data, Qt::LeftButton, {});
        // A real drag needs a drag source: hand the event over as the window system would at its end.
        static_cast<QObject*>(window_.get())->event(&drop);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        window_->open({bad.fileName()});
        QTRY_VERIFY_WITH_TIMEOUT(find<QLabel>("message")->text().contains("broken.dng"), 10000);
        QCOMPARE(window_->document().photo()->iso, 3200.0);
        QCOMPARE(window_->photos().count(), 3);
    }
    // A developed picture says what it is; what cannot clean it says so in its cell, and the others go on.
    void developedPicture() {
        QImage image(240, 200, QImage::Format_RGB888);
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 240; ++x) image.setPixelColor(x, y, QColor(90 + (x * 7 + y * 13) % 40, 80 + (x * 11 + y * 5) % 40, 70 + (x * 3 + y * 17) % 40));
        const QString file = folder_.filePath("plain.png");
        QVERIFY(image.save(file));
        window_->open({file});
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->developed, 30000);
        QVERIFY(find<QLabel>("shot")->text().contains("Developed already"));
        QVERIFY(settle());
        Settings learned = window_->document().takes()[1].settings;
        learned.method = "learned";
        window_->document().setSettings(1, learned);
        QTRY_VERIFY_WITH_TIMEOUT(window_->sheet().cell(0, 2)->state() == Cell::State::Failed, 30000);
        QVERIFY(window_->sheet().cell(0, 1)->state() == Cell::State::Current);
    }
    // Going through the list faster than photos can be read ends at the last one asked for.
    void hurryingThroughTheList() {
        window_->open({two_});
        window_->open({one_});
        for (int i = 0; i < 12; ++i) window_->photos().setCurrentRow(i % 2);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        QVERIFY(settle());
        QCOMPARE(window_->document().photo()->iso, 3200.0);
    }
    void choosingAndExporting_data() {
        QTest::addColumn<QString>("format");
        QTest::newRow("DNG") << "dng";
        QTest::newRow("TIFF") << "tiff";
    }
    void choosingAndExporting() {
        QFETCH(QString, format);
        auto* button = find<QPushButton>("export");
        QVERIFY(!button->isEnabled());
        QTest::mouseClick(window_->sheet().head(1)->findChild<QPushButton*>("choose"), Qt::LeftButton);
        QCOMPARE(window_->document().chosen(), 1);
        QVERIFY(button->isEnabled());
        auto* formats = find<QComboBox>("format");
        formats->setCurrentIndex(formats->findData(format));
        const QString target = folder_.filePath("result." + format);
        QSignalSpy done(&window_->exportBar(), &ExportBar::exported);
        window_->exportBar().exportTo(target);
        QVERIFY(window_->exportBar().running());
        QVERIFY(done.wait(60000));
        QVERIFY(QFile::exists(target));
        QVERIFY(settingsIn(target.toStdString()).has_value());
        QCOMPARE(settingsIn(target.toStdString())->method, window_->document().takes()[1].settings.method);
        QSignalSpy failed(&window_->exportBar(), &ExportBar::failed);
        window_->exportBar().exportTo(one_);
        QVERIFY(failed.wait(60000));
        QVERIFY(find<QLabel>("message")->text().contains("original"));
    }
};

QTEST_MAIN(TestWindow)
#include "window.moc"
