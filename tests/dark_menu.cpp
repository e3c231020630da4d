// Dark frames in the window: kept from the menu, taken off photos that are open, told beside the photo, and
// forgotten.
#include <QLabel>

#include "dark.h"
#include "export/export_bar.h"
#include "measure/dark_frame.h"
#include "slow_write.h"
#include "window_support.h"

using namespace irenic;

class TestDarkMenu : public test::WindowTest {
    Q_OBJECT

    // A photo of the mill by a warm sensor, or what that sensor gives in the dark.
    QString shotOf(const char* name, bool dark, std::uint32_t seed) {
        Body body;
        body.darkCurrent = 0.6;
        Shot shot;
        shot.iso = 3200, shot.exposure = 20, shot.stops = -2, shot.seed = seed;
        const Photo photo = dark ? takeDark(body, shot, 480, 360)
                                 : takePhoto(exposeMosaic(test::millLight(), body, shot), body, shot);
        return QString::fromStdString(test::writeShot(folder_, name, photo));
    }
    bool ready() {
        return QTest::qWaitFor([this] { return !window_->darkFrames().running(); }, 60000);
    }
    QString note() { return find<QLabel>("shot")->text(); }

  private slots:
    void keptAndForgotten() {
        const QString photo = shotOf("night.dng", false, 7);
        window_->open({photo});
        QTRY_COMPARE(QString::fromStdString(window_->document().photo()->file.string()), photo);
        const PhotoId before = window_->document().photo()->id;
        QVERIFY(!note().contains("Dark frame"));
        window_->document().setPush(1);
        window_->useDarkFrames({shotOf("dark-1.dng", true, 50), shotOf("dark-2.dng", true, 51)});
        QVERIFY(ready());
        QTRY_VERIFY(window_->document().photo()->dark.frames == 2);
        QVERIFY2(window_->exportBar().message().isEmpty() ||
                     window_->exportBar().message().contains("Dark frames are used"),
                 qPrintable(window_->exportBar().message()));
        QVERIFY(window_->document().photo()->dark.share > 0.2);
        QVERIFY(!(window_->document().photo()->id == before));
        QVERIFY2(note().contains("Dark frame (mean of 2)"), qPrintable(note()));
        // All of it can be read, however low the window is.
        const auto* label = find<QLabel>("shot");
        QTRY_VERIFY(label->height() >= label->heightForWidth(label->width()));
        // What was being looked at stays, with new pixels.
        QCOMPARE(window_->document().push(), 1.0f);
        QVERIFY(settle());
        auto* forget = find<QAction>("forgetDarkFrames");
        QMetaObject::invokeMethod(forget->associatedObjects().value(0), "aboutToShow");
        QVERIFY(forget->isEnabled());
        forget->trigger();
        QVERIFY(ready());
        QTRY_COMPARE(window_->document().photo()->id, before);
        QVERIFY(!note().contains("Dark frame"));
    }
    void whatIsNoDarkFrameIsSaid() {
        window_->useDarkFrames({one_});
        QVERIFY(ready());
        QTRY_VERIFY2(window_->exportBar().message().contains("one.dng: it has seen light"),
                     qPrintable(window_->exportBar().message()));
        QCOMPARE(window_->document().photo()->dark.frames, 0);
    }
};

QTEST_MAIN(TestDarkMenu)
#include "dark_menu.moc"
