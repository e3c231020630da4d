// The drawer and its queue, driven by mouse and keys.
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QSpinBox>
#include <QTreeView>

#include "export/desktop.h"
#include "export/drawer.h"
#include "export/export_bar.h"
#include "export/queue_view.h"
#include "photos/photo_list.h"
#include "photos/photo_row.h"
#include "window_support.h"

using namespace irenic;

class TestDrawer : public test::WindowTest {
    Q_OBJECT
    QTemporaryDir state_;

    Drawer& drawer() { return window_->drawer(); }
    template <class T> T* part(const char* name) { return drawer().findChild<T*>(QLatin1String(name)); }
    void begin() {
        find<QToolButton>("showLook")->setChecked(false);
        window_->resize(1280, 800);
        QVERIFY(!drawer().isVisible());
        QTest::keyClick(window_.get(), Qt::Key_D, Qt::ControlModifier);
        QTRY_VERIFY(drawer().isVisible());
    }
    // A window that finds this queue.
    void again() {
        window_.reset();
        window_ = std::make_unique<Window>();
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        window_->open({one_});
        QVERIFY(settle());
    }
    bool over() {
        for (const QueuedJob& j : drawer().queueView().jobs())
            if (j.state == JobState::Waiting || j.state == JobState::Running) return false;
        return !drawer().queueView().jobs().empty();
    }

  private slots:
    void theSentenceSaysWhatItWillMake() {
        qputenv("XDG_STATE_HOME", state_.filePath("1").toUtf8());
        again();
        begin();
        QVERIFY(!part<QPushButton>("deliver")->isEnabled()); // no take is chosen
        window_->document().choose(2);
        QVERIFY(part<QPushButton>("deliver")->isEnabled());
        part<QLineEdit>("deliverName")->setText("{stem}_{letter}_{iso}");
        QTRY_COMPARE(part<QLabel>("deliverResult")->text(), QStringLiteral("→ one_C_12800.dng"));
        part<QComboBox>("deliverFormat")->setCurrentIndex(static_cast<int>(ExportFormat::Jpeg));
        QVERIFY(part<QSpinBox>("quality")->isVisible() && !part<QComboBox>("bits")->isVisible());
        QTRY_COMPARE(part<QLabel>("deliverResult")->text(), QStringLiteral("→ one_C_12800.jpg"));
        QTRY_VERIFY_WITH_TIMEOUT(part<QLabel>("deliverCosts")->text().contains("About"), 30000);
        part<QLineEdit>("deliverName")->clear();
        QVERIFY(!part<QPushButton>("deliver")->isEnabled());
    }
    void filesAreMadeAndThePhotoKnows() {
        qputenv("XDG_STATE_HOME", state_.filePath("2").toUtf8());
        again();
        begin();
        window_->document().choose(2);
        part<QComboBox>("deliverFormat")->setCurrentIndex(static_cast<int>(ExportFormat::Tiff));
        part<QLineEdit>("deliverName")->setText("{stem}-made");
        part<QComboBox>("deliverAlso")->setCurrentIndex(1); // and a small JPEG
        QTest::mouseClick(part<QPushButton>("deliver"), Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(over(), 60000);
        QCOMPARE(drawer().queueView().jobs().size(), std::size_t(2));
        // In a window of 1280 x 800 four rows are seen at once.
        auto* list = part<QTreeView>("queueList");
        QVERIFY(list->viewport()->height() >= 4 * list->sizeHintForRow(0));
        QVERIFY(QFile::exists(folder_.filePath("one-made.tif")) &&
                QFile::exists(folder_.filePath("one-small.jpg")));
        QTRY_COMPARE(window_->document().facts().exports.size(), std::size_t(2));
        QTRY_VERIFY(window_->exportBar().queueButton()->text().contains("2 done"));
        // The list tells what was made of a photo, and what of it is gone.
        auto& photos = window_->photos();
        const auto said = [&] { return PhotoRow::stateText(photos.model()->index(0, 0)); };
        QVERIFY(said().startsWith(QStringLiteral("Exported · ISO ")));
        // Where there is no room for all words, no figure is cut in two.
        const QFontMetrics metrics = photos.fontMetrics();
        const QStringList words{QStringLiteral("Exported"), QStringLiteral("ISO 12800")};
        const QString whole = PhotoRow::fitting(words, metrics, 1000);
        QCOMPARE(whole, QStringLiteral("Exported · ISO 12800"));
        QCOMPARE(PhotoRow::fitting(words, metrics, metrics.horizontalAdvance(whole) - 1),
                 QStringLiteral("Exported"));
        QVERIFY(QFile::remove(folder_.filePath("one-small.jpg")));
        photos.lookForMade();
        QTRY_VERIFY2(said().startsWith(QStringLiteral("Exported, 1 missing · ")), qPrintable(said()));
        QVERIFY(photos.item(0)->toolTip().contains(
            QStringLiteral("Missing: %1").arg(folder_.filePath("one-small.jpg"))));
        // A command gets the file.
        const QString made = folder_.filePath("one-made.tif"),
                      copy = folder_.filePath("copied by a command.tif");
        QCOMPARE(startWith(QStringLiteral("cp {file} \"%1\"").arg(copy), made), QString());
        QTRY_VERIFY(QFile::exists(copy));
        QVERIFY(startWith(QStringLiteral("no-such-command-here"), made).contains("cannot be started"));
        QVERIFY(!drawer().queueView().running());
        // A row's menu has what can be done with its file, and nothing else can be pressed.
        list->setCurrentIndex(list->model()->index(0, 0));
        QVERIFY(part<QAction>("openFile")->isEnabled() && part<QAction>("showFile")->isEnabled());
        QVERIFY(!part<QAction>("cancelJob")->isEnabled() && !part<QAction>("earlier")->isEnabled());
        QVERIFY(!part<QAction>("retryFailed")->isEnabled() && !find<QToolButton>("pauseQueue")->isEnabled());
        QTest::mouseClick(find<QToolButton>("clearDone"), Qt::LeftButton);
        QTRY_VERIFY(drawer().queueView().jobs().empty());
        QTRY_VERIFY(part<QLabel>("emptyQueue")->isVisible() && !find<QToolButton>("pauseQueue")->isVisible());
    }
    // What is to happen with files once they are there goes with them; the list can have the worst on top.
    void whatComesAfterwards() {
        qputenv("XDG_STATE_HOME", state_.filePath("after").toUtf8());
        again();
        window_->open({one_, two_});
        QTRY_COMPARE(window_->photos().count(), 2);
        window_->photos().select(one_);
        QTRY_COMPARE(window_->photos().shown(), one_);
        QVERIFY(settle());
        begin();
        window_->photos().selectAll();
        Settings hardly = window_->document().takes()[0].settings;
        hardly.method = "wavelet", hardly.luminance = hardly.colour = 0.1f;
        window_->document().setSettings(0, hardly);
        window_->document().choose(0);
        part<QComboBox>("deliverFormat")->setCurrentIndex(static_cast<int>(ExportFormat::Dng));
        part<QLineEdit>("deliverName")->setText("{stem}-after-{counter}");
        part<QComboBox>("deliverWhose")->setCurrentIndex(0);
        QTest::mouseClick(part<QToolButton>("deliverCheck"), Qt::LeftButton);
        QVERIFY(part<QToolButton>("deliverCheck")->isChecked());
        const auto then = [&](const char* text) {
            for (QAction* a : part<QToolButton>("deliverThen")->menu()->actions())
                if (a->text() == QLatin1String(text)) a->trigger();
        };
        then("Open with its program");
        QCOMPARE(part<QToolButton>("deliverThen")->text(), QStringLiteral("Then: open"));
        then("Nothing");
        drawer().deliver();
        QTRY_VERIFY(over());
        window_->document().setSettings(0, Settings{"bm3d"});
        drawer().deliver();
        QTRY_VERIFY(over() && drawer().queueView().jobs().size() == 2);
        const auto& jobs = drawer().queueView().jobs();
        QVERIFY(jobs[0].request.check && jobs[0].request.then.empty());
        QVERIFY(jobs[0].severity > jobs[1].severity && jobs[1].severity >= 0);
        // The order of export is bad, then good; the other way round it is on demand.
        auto* list = part<QTreeView>("queueList");
        QTRY_VERIFY(find<QToolButton>("worstFirst")->isVisible());
        QCOMPARE(list->model()->index(0, QueueModel::Check).data().toString(), QStringLiteral("Bad"));
        QVERIFY(list->model()->index(0, QueueModel::Says).data().toString().contains("oise"));
        drawer().queueView().queue()->move(jobs[0].id, 1);
        QTRY_COMPARE(drawer().queueView().jobs()[0].request.settings->method, std::string("bm3d"));
        QTest::mouseClick(find<QToolButton>("worstFirst"), Qt::LeftButton);
        QTRY_COMPARE(drawer().queueView().jobs()[0].request.settings->method, std::string("wavelet"));
        // Photos that belong together: each request has the noise of them all.
        QVERIFY(!jobs[0].request.noise);
        window_->photos().select(one_);
        QVERIFY(settle());
        const QString twin = QString::fromStdString(
            test::writeShot(folder_, "one-too.dng", test::shoot(12800, "RGGB", 44).photo));
        window_->open({twin});
        QTRY_COMPARE(window_->photos().count(), 3);
        window_->photos().selectAll();
        part<QComboBox>("deliverTake")->setCurrentIndex(1);
        part<QComboBox>("deliverWhose")->setCurrentIndex(1);
        part<QToolButton>("deliverCheck")->setChecked(false);
        QTest::mouseClick(part<QToolButton>("deliverAlike"), Qt::LeftButton);
        drawer().queueView().setPaused(true);
        drawer().deliver();
        QTRY_COMPARE(drawer().queueView().jobs().size(), std::size_t(5));
        const auto noiseOf = [&](const QString& photo) {
            for (const QueuedJob& j : drawer().queueView().jobs())
                if (!j.request.settings && j.request.photo == photo.toStdString()) return j.request.noise;
            return std::optional<NoiseModel>();
        };
        QVERIFY(noiseOf(one_) && noiseOf(one_) == noiseOf(twin) && !noiseOf(two_));
        drawer().queueView().queue()->cancelAll();
        // A row leads to its photo.
        window_->photos().select(two_);
        QTRY_COMPARE(window_->photos().shown(), two_);
        list->setCurrentIndex(list->model()->index(0, 0));
        part<QAction>("showQueuedPhoto")->trigger();
        QTRY_COMPARE(window_->photos().shown(), one_);
        part<QToolButton>("deliverCheck")->setChecked(false);
        QSettings().remove(QStringLiteral("deliver/check"));
    }
    void selectedPhotosFailuresAndPausing() {
        qputenv("XDG_STATE_HOME", state_.filePath("3").toUtf8());
        again();
        const QString bad = folder_.filePath("bad.dng");
        QFile broken(bad);
        QVERIFY(broken.open(QIODevice::WriteOnly));
        broken.write("nothing");
        broken.close();
        window_->open({one_, two_, bad});
        begin();
        QTRY_COMPARE(window_->photos().count(), 3);
        window_->photos().selectAll();
        window_->document().choose(2);
        part<QComboBox>("deliverTake")->setCurrentIndex(0);
        part<QComboBox>("deliverWhose")->setCurrentIndex(2); // all with this one's take
        part<QLineEdit>("deliverName")->setText("{stem}-{counter}");
        drawer().queueView().setPaused(true);
        part<QPushButton>("deliver")->click();
        QTRY_VERIFY_WITH_TIMEOUT(over(), 60000);
        int done = 0, failed = 0;
        for (const QueuedJob& j : drawer().queueView().jobs())
            done += j.state == JobState::Done, failed += j.state == JobState::Failed;
        QCOMPARE(done, 2);
        QCOMPARE(failed, 1);
        auto* list = part<QTreeView>("queueList");
        QVERIFY(list->model()->index(2, QueueModel::Says).data().toString().contains("bad.dng"));
        part<QAction>("retryFailed")->trigger();
        QTRY_VERIFY_WITH_TIMEOUT(over(), 60000);
    }
    void whatWaitedAsksBeforeItGoesOn() {
        qputenv("XDG_STATE_HOME", state_.filePath("4").toUtf8());
        ExportRequest request;
        request.photo = one_.toStdString(), request.settings = Settings{"wavelet"},
        request.delivery.name = "{stem}-later";
        JobQueue(JobQueue::usualPlace()).add({request});
        again();
        begin();
        QTRY_VERIFY(part<QLabel>("queueNote")->isVisible() &&
                    part<QLabel>("queueNote")->text().contains("Exports left from last time: 1"));
        QCOMPARE(find<QToolButton>("pauseQueue")->text(), QStringLiteral("Resume"));
        // Nobody works at it until it is asked for.
        QVERIFY(drawer().queueView().queue()->paused() && !drawer().queueView().queue()->claim());
        QVERIFY(!QFile::exists(folder_.filePath("one-later.dng")));
        QTest::mouseClick(find<QToolButton>("pauseQueue"), Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(over(), 60000);
        QVERIFY(QFile::exists(folder_.filePath("one-later.dng")));
    }
};

QTEST_MAIN(TestDrawer)
#include "drawer.moc"
