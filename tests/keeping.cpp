// What strangers hand the window, and what it keeps for a person: nothing from outside ends it, nothing of
// anybody's is lost, and what comes back late belongs to its own photo.
#include <fcntl.h>
#include <sqlite3.h>
#include <sys/stat.h>

#include <QLabel>
#include <QMessageBox>
#include <QPushButton>
#include <QRegularExpression>
#include <QScreen>
#include <QTimer>
#include <QTreeView>
#include <fstream>

#include "application.h"
#include "base/folders.h"
#include "export/drawer.h"
#include "export/export_bar.h"
#include "export/queue_view.h"
#include "photos/photo_list.h"
#include "photos/photo_row.h"
#include "raw/identity.h"
#include "references/reference_shelf.h"
#include "session/state_json.h"
#include "window_support.h"

using namespace irenic;

namespace fs = std::filesystem;

class TestKeeping : public test::WindowTest {
    Q_OBJECT
    QTemporaryDir state_;

    Document& document() { return window_->document(); }
    Drawer& drawer() { return window_->drawer(); }
    QString message() { return window_->exportBar().message(); }
    std::string path() { return document().photo()->file.string(); }
    // A window that finds what was put into the folders of the program.
    void again() {
        window_.reset();
        window_ = std::make_unique<Window>();
        window_->resize(900, 560);
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
    }
    void show(const QString& photo) {
        window_->open({photo});
        QVERIFY(settle());
    }
    // A state folder of its own, with what `put` makes of its queue.
    fs::path queueIn(const QString& name) {
        qputenv("XDG_STATE_HOME", state_.filePath(name).toUtf8());
        return JobQueue::usualPlace();
    }
    static bool execute(const fs::path& file, const char* sql) {
        sqlite3* db = nullptr;
        const bool done = sqlite3_open(file.c_str(), &db) == SQLITE_OK &&
                          sqlite3_exec(db, sql, nullptr, nullptr, nullptr) == SQLITE_OK;
        sqlite3_close(db);
        return done;
    }
    static ExportRequest request(const QString& photo) {
        ExportRequest r;
        r.photo = photo.toStdString(), r.settings = Settings{"wavelet"};
        return r;
    }

  private slots:
    void whatASlotThrowsIsTold() {
        QPushButton button(window_.get());
        std::exception_ptr next;
        connect(&button, &QPushButton::clicked, this, [&] { std::rethrow_exception(next); });
        button.show();
        next = std::make_exception_ptr(std::runtime_error("The tide came."));
        QTest::mouseClick(&button, Qt::LeftButton);
        QCOMPARE(message(), QStringLiteral("The tide came."));
        next = std::make_exception_ptr(std::bad_alloc());
        QTest::mouseClick(&button, Qt::LeftButton);
        QVERIFY2(message().contains("not enough memory") && !message().contains("bad_alloc"),
                 qPrintable(message()));
        next = std::make_exception_ptr(7);
        QTest::mouseClick(&button, Qt::LeftButton);
        QVERIFY(message().contains("Something went wrong"));
        // From a timer too, and from what a job hands over.
        QTimer::singleShot(0, this, [] { throw std::runtime_error("Ebb."); });
        QTRY_COMPARE(message(), QStringLiteral("Ebb."));
    }
    void exportsAndRecommendationsAreNotUndone() {
        field(0, "colour")->setValue(1.5);
        document().noteExport(path(), {"/quay/made.dng", presentTime(), 'A'});
        const Recommended best{Settings{"nlm", 1.25f}, {0.5, 0.25}};
        document().setRecommended(path(), best, false); // by itself: a take, and no step
        QCOMPARE(document().takes().size(), std::size_t(4));
        const std::size_t steps = document().history().steps().size();
        for (int i = 0; i < 3; ++i) {
            document().undo();
            QVERIFY(document().facts().exports.size() == 1 && document().facts().recommended == best);
            QCOMPARE(document().takes().size(), std::size_t(4));
            QCOMPARE(document().takes()[0].settings.colour, 1.0f);
            document().redo();
            QVERIFY(document().facts().exports.size() == 1 && document().facts().recommended == best);
            QCOMPARE(document().takes().size(), std::size_t(4));
            QCOMPARE(document().takes()[0].settings.colour, 1.5f);
        }
        QCOMPARE(document().history().steps().size(), steps);
        // A version that is come back to takes none of them along either.
        document().keepVersion("now");
        document().noteExport(path(), {"/quay/again.dng", presentTime(), 'A'});
        document().restoreVersion(0);
        QCOMPARE(document().facts().exports.size(), std::size_t(2));
        // And they are kept.
        QTRY_VERIFY(!document().unsaved());
        again();
        show(one_);
        QVERIFY(document().facts().exports.size() == 2 && document().facts().recommended == best);
        QVERIFY(document().facts().riskOf(document().takes()[3].settings));
    }
    // Takes that nobody has touched become the recommended one and what is most unlike it, and again when it
    // is measured anew. Who has touched them keeps them, and what was undone is no other sheet.
    void untouchedTakesBecomeTheMeasuredSheet() {
        const auto settings = [&] {
            std::vector<Settings> out;
            for (const Take& t : document().takes()) out.push_back(t.settings);
            return out;
        };
        Recommended best{Settings{"nlm", 1.25f}, {0.5, 0.25}};
        best.contrasts = {Settings{"wavelet"}, Settings{"bm3d-quick", 0.75f}};
        document().setRecommended(path(), best, false);
        QCOMPARE(settings(), (std::vector<Settings>{best.settings, best.contrasts[0], best.contrasts[1]}));
        QVERIFY(!document().history().canUndo());
        Recommended again{Settings{"bm3d"}, {0.4, 0.25}};
        again.contrasts = {Settings{"nlm"}, Settings{"learned"}};
        document().setRecommended(path(), again, false);
        QCOMPARE(settings(), (std::vector<Settings>{again.settings, again.contrasts[0], again.contrasts[1]}));
        field(0, "colour")->setValue(1.5);
        document().setRecommended(path(), best, true);
        QCOMPARE(document().takes().size(), std::size_t(4));
        QCOMPARE(settings()[1], again.contrasts[0]);
        QCOMPARE(settings()[3], best.settings);
        document().undo(), document().undo();
        QCOMPARE(settings(), (std::vector<Settings>{again.settings, again.contrasts[0], again.contrasts[1]}));
        document().redo();
        QTRY_VERIFY(!document().unsaved());
        this->again();
        show(one_);
        QVERIFY(document().facts().recommended == best);
    }
    // An export of a photo that nobody has opened here is noted beside that photo.
    void exportsOfOtherPhotosAreNoted() {
        document().noteExport(two_.toStdString(), {"/quay/two.dng", presentTime(), 'C'});
        QTRY_VERIFY(!document().unsaved());
        const Loaded loaded = loadSidecar(two_.toStdString(), {});
        QVERIFY(loaded.record && loaded.record->facts.exports.size() == 1);
    }
    void whatComesLateBelongsToItsPhoto() {
        // Little to do: one probe, and two takes of the quickest method, one much weaker.
        while (document().probes().size() > 1) document().removeProbe(0);
        document().removeTake(0), document().removeTake(0);
        document().addTake(0);
        Settings weak = document().takes()[0].settings;
        weak.luminance = 0.3f;
        document().setSettings(0, weak);
        const std::string first = path();
        // Equal noise, and a recommendation that was asked for.
        emit window_->sheet().levelAsked(1, NoiseKind::Luminance);
        QTest::keyClick(window_.get(), Qt::Key_R, Qt::ControlModifier);
        QTRY_VERIFY(find<QToolButton>("recommend")->text().contains("measuring"));
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->iso == 3200, 60000);
        const PhotoState untouched = document().state();
        const auto levelled = [&] {
            return document().recordOf(first)->state->takes[0].settings.luminance > 0.6f;
        };
        QTRY_VERIFY2_WITH_TIMEOUT(levelled(), qPrintable(message()), 60000);
        QTRY_VERIFY2_WITH_TIMEOUT(document().recordOf(first)->facts.recommended.has_value(),
                                  qPrintable(message()), 120000);
        QVERIFY(document().state() == untouched && !document().facts().recommended);
        const PhotoState& there = *document().recordOf(first)->state;
        QVERIFY(std::any_of(there.takes.begin(), there.takes.end(), [&](const Take& t) {
            return document().recordOf(first)->facts.riskOf(t.settings) != nullptr;
        }));
        // Each is a step of that photo's, and is taken back there.
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->iso == 12800, 30000);
        QVERIFY(document().facts().recommended.has_value());
    }
    // The drawer tells nothing of a photo that is not shown any more.
    void aLateEstimateIsNobodysElse() {
        show(one_);
        document().setSettings(0, {"learned"}); // which takes a while
        document().choose(0);
        QTest::keyClick(window_.get(), Qt::Key_D, Qt::ControlModifier);
        QTRY_VERIFY(drawer().isVisible());
        auto* costs = drawer().findChild<QLabel*>("deliverCosts");
        QTRY_VERIFY(costs->text().contains("Estimating size"));
        bool wrong = false;
        QTimer watching;
        connect(&watching, &QTimer::timeout, this, [&] {
            wrong |= document().photo()->iso == 3200 && document().chosen() < 0 && !costs->text().isEmpty();
        });
        watching.start(1);
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->iso == 3200, 60000);
        QVERIFY(settle() && costs->text().isEmpty());
        // Its own comes, and behind it in the same lane nothing of the other's is left.
        document().choose(1);
        QTRY_VERIFY_WITH_TIMEOUT(costs->text().contains("About"), 60000);
        QVERIFY(!wrong);
        QTest::keyClick(window_.get(), Qt::Key_D, Qt::ControlModifier);
    }
    void aLateReferenceIsNobodysElse() {
        show(one_);
        const QString copy = folder_.filePath("copy.dng");
        QFile::copy(one_, copy);
        auto* shelf = window_->findChild<ReferenceShelf*>();
        document().addReference(copy.toStdString());
        const std::uint32_t id = document().references()[0].id;
        QVERIFY(!shelf->find(id)); // it is being read
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->iso == 3200, 60000);
        // Another file under the same number: what comes is this one's.
        document().addReference(two_.toStdString());
        QCOMPARE(document().references()[0].id, id);
        QTRY_VERIFY_WITH_TIMEOUT(shelf->find(id) != nullptr, 60000);
        QCOMPARE(shelf->find(id)->file().string(), two_.toStdString());
        window_->photos().select(one_);
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->iso == 12800, 60000);
        QTRY_VERIFY_WITH_TIMEOUT(shelf->find(id) != nullptr, 60000);
        QCOMPARE(shelf->find(id)->file().string(), copy.toStdString());
        QFile::remove(copy);
    }
    // What is read for the list goes to its own row, wherever that stands by then, or to none.
    void lateThumbnailsFindTheirRows() {
        QStringList files;
        for (int i = 0; i < 6; ++i) {
            files << folder_.filePath(QStringLiteral("row-%1.dng").arg(i));
            QFile::copy(i % 2 ? two_ : one_, files.back());
        }
        window_->open(files);
        PhotoList& list = window_->photos();
        delete list.takeItem(list.count() - 5); // the second of them
        delete list.takeItem(list.count() - 3);
        const auto isoOf = [&](int row) { return list.item(row)->data(row::Iso).toDouble(); };
        for (int i = 0; i < list.count(); ++i) {
            QTRY_VERIFY_WITH_TIMEOUT(isoOf(i) > 0, 60000);
            const QString path = list.item(i)->data(row::Path).toString();
            const bool second = path == two_ || path.contains(QRegularExpression("row-[135]"));
            QCOMPARE(isoOf(i), second ? 3200.0 : 12800.0);
        }
        for (const QString& file : files) QFile::remove(file);
    }
    // Two photos of equal samples and unlike white balance (or any other thing that decides pixels) are
    // unlike.
    void equalSamplesAreNotEqualPhotos() {
        const Photo a = test::shoot(6400).photo;
        Photo b = a;
        b.neutral = {0.4, 1, 0.9};
        const QString blue = QString::fromStdString(test::writeShot(folder_, "blue.dng", b)),
                      plain = QString::fromStdString(test::writeShot(folder_, "plain.dng", a));
        const auto mean = [&] {
            const QImage image = window_->sheet().cell(1, 0)->image();
            return image.scaled(1, 1, Qt::IgnoreAspectRatio, Qt::SmoothTransformation).pixelColor(0, 0);
        };
        window_->open({plain});
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->file == plain.toStdString(), 30000);
        QVERIFY(settle());
        const QColor first = mean();
        window_->open({blue});
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->file == blue.toStdString(), 30000);
        QVERIFY(settle());
        const QColor second = mean();
        QVERIFY2(std::abs(first.red() - second.red()) + std::abs(first.blue() - second.blue()) > 12,
                 qPrintable(first.name() + " " + second.name()));
    }
    void probesOutsideThePhotoAreClipped() {
        window_.reset();
        PhotoState state = freshState();
        state.probes = {{"far", "", 25000, 40000, 0}, {"near", "", -300, 5, 0, 90000, 120}};
        state.giveIds();
        saveSidecar(one_.toStdString(), {}, {std::make_shared<PhotoState>(state), {}, {}});
        again();
        show(one_);
        const Rect whole{0, 0, document().photo()->width(), document().photo()->height()};
        for (const Probe& p : document().probes())
            QVERIFY(whole.contains({p.x, p.y, 1, 1}) && p.width <= whole.width && p.height <= whole.height);
        QTest::keyClick(window_.get(), Qt::Key_R, Qt::ControlModifier);
        QTRY_VERIFY_WITH_TIMEOUT(document().facts().recommended.has_value(), 120000);
    }
    void aSidecarOpensItsPhoto() {
        QTRY_VERIFY(!document().unsaved());
        std::ofstream(two_.toStdString() + ".irenic.json") << "{\"irenic\":1,\"notes\":\"mine\"}";
        window_->open({two_ + ".irenic.json"});
        QTRY_VERIFY_WITH_TIMEOUT(document().photo()->iso == 3200, 30000);
        QVERIFY(window_->photos().paths().contains(two_) && window_->photos().count() == 2);
        QCOMPARE(document().state().notes, std::string("mine"));
    }
    void whatAnotherWindowHasOpenIsKeptBeside() {
        // Another process, here and alive: this test's own, which has the claim.
        window_.reset();
        const fs::path claim = claimOf(sidecarPlaces(one_.toStdString(), {}).beside);
        auto other = Claim::take(claim);
        QVERIFY(other);
        again();
        QStringList said;
        connect(&document(), &Document::message, this, [&](const QString& m) { said << m; });
        show(one_);
        QVERIFY2(said.join(' ').contains("open in another window"), qPrintable(said.join(' ')));
        field(0, "colour")->setValue(1.75);
        document().noteExport(path(), {"/quay/meanwhile.dng", presentTime(), 'A'});
        document().save();
        QTRY_VERIFY(!document().unsaved());
        QVERIFY(!QFile::exists(one_ + ".irenic.json"));
        QCOMPARE(QDir(folder_.path()).entryList({"one.dng.irenic.other-*"}).size(), 1);
        // The other is gone: the work is this window's, and what the other did is a version.
        PhotoState theirs = freshState();
        theirs.notes = "theirs";
        saveSidecar(one_.toStdString(), {}, {std::make_shared<PhotoState>(theirs), {}, {}});
        other.reset();
        QTRY_VERIFY_WITH_TIMEOUT(!document().keptVersions().empty(), 20000);
        QTRY_VERIFY(!document().unsaved());
        QCOMPARE(document().takes()[0].settings.colour, 1.75f);
        const auto loaded = loadSidecar(one_.toStdString(), {});
        QCOMPARE(loaded.record->state->takes[0].settings.colour, 1.75f);
        QCOMPARE(loaded.record->kept[0].state->notes, std::string("theirs"));
        QCOMPARE(loaded.record->facts.exports.size(), std::size_t(1)); // what was made meanwhile
        QVERIFY(QDir(folder_.path()).entryList({"one.dng.irenic.other-*"}).isEmpty());
    }
    void whoeverIsInDoubtIsAskedAfter() {
        window_.reset();
        const fs::path claim = claimOf(sidecarPlaces(one_.toStdString(), {}).beside);
        std::ofstream(claim)
            << "0123456789abcdef0123456789abcdef/boathouse/7/12/99 x\n"; // of another machine, just now
        again();
        show(one_);
        auto* answer = find<QPushButton>("answer");
        QVERIFY2(answer->isVisible() && message().contains("may be open elsewhere"), qPrintable(message()));
        field(0, "colour")->setValue(1.75);
        QTRY_VERIFY(!document().unsaved());
        QVERIFY(!QFile::exists(one_ + ".irenic.json"));
        QTest::mouseClick(answer, Qt::LeftButton);
        QTRY_VERIFY(!document().unsaved() && QFile::exists(one_ + ".irenic.json"));
        QCOMPARE(loadSidecar(one_.toStdString(), {}).record->state->takes[0].settings.colour, 1.75f);
        QVERIFY(!answer->isVisible());
        // One that nobody has touched for long is taken over without a word.
        window_.reset();
        std::ofstream(claim) << "0123456789abcdef0123456789abcdef/boathouse/7/12/99 x\n";
        const timespec longAgo[2] = {{1000000000, 0}, {1000000000, 0}};
        QCOMPARE(utimensat(AT_FDCWD, claim.c_str(), longAgo, 0), 0);
        again();
        show(one_);
        QVERIFY(!find<QPushButton>("answer")->isVisible());
    }
    void closingWaitsForWhatIsSaved() {
        field(0, "colour")->setValue(1.5);
        QVERIFY(document().unsaved());
        window_->close();
        QTRY_VERIFY(!window_->isVisible());
        QVERIFY(!document().unsaved() && QFile::exists(one_ + ".irenic.json"));
    }
    // A disk that takes nothing: the person is asked before anything is lost.
    void whatCannotBeSavedIsAskedAbout() {
        field(0, "colour")->setValue(1.5);
        // No file can be made under the name that a temporary one would be renamed to: a folder has it.
        QVERIFY(QDir(folder_.path()).mkdir("one.dng.irenic.json"));
        int asked = 0;
        QTimer clicking;
        connect(&clicking, &QTimer::timeout, this, [&] {
            if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget())) {
                ++asked;
                box->button(asked == 1 ? QMessageBox::No : QMessageBox::Yes)->click();
            }
        });
        clicking.start(50);
        window_->close();
        QTRY_COMPARE(asked, 1);
        QVERIFY(window_->isVisible() && document().unsaved());
        QVERIFY(QDir(folder_.path()).rmdir("one.dng.irenic.json"));
        window_->close();
        QTRY_VERIFY(!window_->isVisible());
        QVERIFY(QFile::exists(one_ + ".irenic.json"));
    }
    void fiveHundredPhotosAtOnce() {
        // Pasting tells at once, and the disk follows on a thread of its own.
        const QString photos = folder_.filePath("many");
        QVERIFY(QDir().mkpath(photos));
        QStringList all;
        for (int i = 0; i < 500; ++i) {
            all << photos + QStringLiteral("/p%1.dng").arg(i);
            std::ofstream(all.back().toStdString()) << "-";
        }
        field(0, "colour")->setValue(1.5);
        document().copyWork();
        document().pasteWork(WorkPart::Takes, all);
        QVERIFY(document().unsaved());
        document().save();
        QVERIFY(document().unsaved()); // begun, and not waited for
        QTRY_VERIFY_WITH_TIMEOUT(!document().unsaved(), 60000);
        QCOMPARE(QDir(photos).entryList({"*.irenic.json"}).size(), 500);
        QDir(photos).removeRecursively();
    }
    void aFirstWindowFitsItsScreen() {
        Window first;
        first.show();
        QVERIFY(QTest::qWaitForWindowExposed(&first));
        const QRect free = first.screen()->availableGeometry();
        QTRY_VERIFY2(free.contains(first.frameGeometry()),
                     qPrintable(QStringLiteral("%1x%2").arg(first.width()).arg(first.height())));
        // One that is remembered from a larger screen, far away.
        first.resize(free.width() * 2, free.height() * 2);
        first.move(free.right() + 500, free.bottom() + 500);
        QTest::qWait(50);
        SessionState session;
        session.layout = (first.saveGeometry().toBase64() + ' ').toStdString();
        saveSession(session);
        Window second;
        second.show();
        QTRY_VERIFY2(free.contains(second.frameGeometry()),
                     qPrintable(QStringLiteral("%1x%2").arg(second.width()).arg(second.height())));
    }
    void aLastExportThatIsNotUnderstoodIsForgotten() {
        for (const char* last :
             {"scroll,ink=3", "tiff,profile=/nowhere/at/all.icc", "jpeg,quality=nan", "dng,name="}) {
            QSettings().setValue("deliver/last", last);
            again();
            QVERIFY(window_->isVisible());
        }
        QSettings().remove("deliver/last");
    }
    void aQueueThatCannotBeUsed_data() {
        QTest::addColumn<QString>("fault");
        QTest::addColumn<bool>("damaged");
        QTest::newRow("garbage") << "garbage" << true;
        QTest::newRow("cut") << "cut" << true;
        QTest::newRow("a pipe") << "pipe" << true;
        QTest::newRow("another's tables") << "tables" << true;
        QTest::newRow("a folder") << "folder" << true;
        QTest::newRow("of a newer version") << "newer" << false;
        QTest::newRow("held by another") << "locked" << false;
    }
    // The window starts, says why, and a damaged file makes room for a new queue.
    void aQueueThatCannotBeUsed() {
        QFETCH(QString, fault);
        QFETCH(bool, damaged);
        window_.reset();
        const fs::path file = queueIn(fault);
        sqlite3* holder = nullptr;
        if (fault == "garbage") {
            std::ofstream(file) << std::string(20000, 'g');
        } else if (fault == "pipe") {
            QCOMPARE(::mkfifo(file.c_str(), 0600), 0);
        } else if (fault == "folder") {
            QVERIFY(fs::create_directory(file));
        } else if (fault == "tables") {
            QVERIFY(execute(file, "CREATE TABLE jobs(tide INTEGER);"));
        } else {
            JobQueue queue(file);
            std::vector<ExportRequest> many(60, request(one_));
            queue.add(many);
        }
        if (fault == "cut") {
            QVERIFY(execute(file, "PRAGMA journal_mode=DELETE;"));
            fs::resize_file(file, fs::file_size(file) / 2);
        }
        if (fault == "newer") QVERIFY(execute(file, "PRAGMA user_version=99;"));
        if (fault == "locked") {
            QCOMPARE(sqlite3_open(file.c_str(), &holder), SQLITE_OK);
            QCOMPARE(sqlite3_exec(holder, "BEGIN EXCLUSIVE", nullptr, nullptr, nullptr), SQLITE_OK);
        }
        again();
        show(one_);
        QVERIFY(!drawer().queueView().problem().isEmpty() && !drawer().queueView().queue());
        QTRY_VERIFY2(message().contains("export queue") || message().isEmpty(), qPrintable(message()));
        QTest::keyClick(window_.get(), Qt::Key_D, Qt::ControlModifier);
        auto* aside = drawer().findChild<QToolButton*>("setAside");
        QTRY_COMPARE(aside->isVisible(), damaged);
        QVERIFY(drawer().findChild<QLabel*>("queueNote")->text().contains("queue"));
        // Every button answers, with the reason.
        for (auto* button : drawer().findChildren<QToolButton*>())
            if (button->isVisible() && button != aside && !button->menu() &&
                button->objectName() != "runCommand")
                button->click();
        document().choose(2);
        drawer().deliver();
        QVERIFY(message().contains("export queue"));
        if (damaged) {
            QTest::mouseClick(aside, Qt::LeftButton);
            QVERIFY2(drawer().queueView().queue() && drawer().queueView().problem().isEmpty(),
                     qPrintable(drawer().queueView().problem()));
            QVERIFY(fs::exists(file.string() + ".damaged-1") && !aside->isVisible());
        } else if (holder) {
            sqlite3_close(holder);
            drawer().queueView().setPaused(true); // the next thing that needs it finds it free
            QVERIFY(drawer().queueView().queue() && drawer().queueView().jobs().size() == 60);
        }
        qunsetenv("XDG_STATE_HOME");
    }
    // What a newer version or a fault wrote into it is shown, and never begun.
    void rowsThatAreNotUnderstood() {
        window_.reset();
        const fs::path file = queueIn("rows");
        {
            JobQueue queue(file);
            queue.add({request(one_), request(one_), request(one_), request(one_)});
            queue.setPaused(true);
        }
        QVERIFY(execute(file,
                        "UPDATE jobs SET state = 17 WHERE id = 1; UPDATE jobs SET state = 'x' WHERE id = 2;"
                        "UPDATE jobs SET wish = '[[[[' WHERE id = 3; UPDATE jobs SET wish = "
                        "hex(zeroblob(10000000)) WHERE id = 4;"));
        again();
        show(one_);
        show(one_);
        QCOMPARE(drawer().queueView().jobs().size(), std::size_t(4));
        for (const QueuedJob& j : drawer().queueView().jobs())
            QVERIFY(j.state == JobState::Failed && !j.reason.empty());
        QTest::keyClick(window_.get(), Qt::Key_D, Qt::ControlModifier);
        const auto* model = drawer().findChild<QTreeView*>("queueList")->model();
        for (int row = 0; row < 4; ++row)
            for (int column = 0; column < QueueModel::Columns; ++column)
                for (const int role : {Qt::DisplayRole, Qt::ToolTipRole, Qt::DecorationRole})
                    model->index(row, column).data(role); // none of them ends the program
        QVERIFY(!model->index(0, QueueModel::Says).data().toString().isEmpty());
        drawer().queueView().setPaused(false);
        QTRY_VERIFY(!drawer().queueView().running());
        for (const QueuedJob& j : drawer().queueView().jobs()) QVERIFY(j.state == JobState::Failed);
        qunsetenv("XDG_STATE_HOME");
    }
    void aSessionOfAnyKindStarts() {
        const fs::path file = dataFolder() / "session.json";
        for (const std::string& text :
             {std::string("{\"irenicSession\":1,\"photos\":[1,null,\"/"
                          "nowhere.dng\"],\"shown\":5,\"view\":{\"zoom\":1e300,"
                          "\"panX\":-1e300,\"push\":\"much\"},\"layout\":\"AAAA BBBB\"}"),
              std::string(100000, '['), std::string("null"), std::string("{\"irenicSession\":99}"),
              std::string()}) {
            std::ofstream(file) << text;
            window_.reset();
            window_ = std::make_unique<Window>();
            window_->resize(900, 560);
            window_->show();
            window_->restoreSession();
            QTest::qWait(50);
            QVERIFY(window_->isVisible());
        }
        std::error_code none;
        fs::remove(file, none);
    }
};

int main(int argc, char** argv) {
    const QTemporaryDir home;
    for (const char* name : {"DATA", "CONFIG", "STATE", "CACHE"})
        qputenv(QByteArray("XDG_") + name + "_HOME", (home.path() + "/" + name).toUtf8());
    Application app(argc, argv);
    TestKeeping test;
    return QTest::qExec(&test, argc, argv);
}
#include "keeping.moc"
