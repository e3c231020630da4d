// Starting the program again gives what it was asked for to the window that is there.
#include <QLocalServer>
#include <QLocalSocket>
#include <QProcess>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>
#include <thread>

#include "base/json.h"
#include "handover.h"
#include "patience.h"
#include "support.h"

using namespace irenic;

class TestHandover : public QObject {
    Q_OBJECT

    // The other start is another process; here it is another thread, while this one listens.
    static bool given(const Request& request, const QString& place) {
        bool taken = false, done = false;
        std::thread other([&] {
            taken = Handover::giveToRunning(request, place);
            QMetaObject::invokeMethod(qApp, [&done] { done = true; });
        });
        const bool ended = QTest::qWaitFor([&] { return done; }, 10000);
        other.join();
        return ended && taken;
    }

  private slots:
    void nobodyListens() {
        const QTemporaryDir folder;
        QVERIFY(!Handover::giveToRunning({{QStringLiteral("/a.dng")}, false}, folder.filePath("window")));
    }

    void arrives() {
        const QTemporaryDir folder;
        Handover window(folder.filePath("window"));
        QStringList paths;
        bool queue = false;
        connect(&window, &Handover::asked, this, [&](const Request& r) { paths = r.paths, queue = r.queue; });
        const QStringList sent = {QStringLiteral("/photos/with space.dng"),
                                  QStringLiteral("/photos/Mühle.dng"),
                                  QStringLiteral("/photos/line\nbreak.dng")};
        QVERIFY(given({sent, true}, folder.filePath("window")));
        QTRY_COMPARE(paths, sent);
        QVERIFY(queue);
    }

    // What a crash has left is no window; what is there is not pushed aside by a second start.
    void leftoversAndRivals() {
        const QTemporaryDir folder;
        const QString place = folder.filePath("window");
        QVERIFY(QFile(place).open(QIODevice::WriteOnly));
        Handover first(place);
        int asked = 0;
        connect(&first, &Handover::asked, this, [&](const Request&) { ++asked; });
        QVERIFY(given({}, place));
        const Handover second(place);
        QVERIFY(given({}, place));
        QTRY_COMPARE(asked, 2);
    }

    // Whoever writes nonsense to the socket opens nothing and ends nothing.
    void nonsense_data() {
        QTest::addColumn<QByteArray>("bytes");
        QTest::newRow("no JSON") << QByteArray("}{\n");
        QTest::newRow("a list") << QByteArray("[1,2]\n");
        QTest::newRow("numbers for paths") << QByteArray("{\"paths\":[1,null,{}]}\n");
        QTest::newRow("relative") << QByteArray("{\"paths\":[\"../a.dng\"]}\n");
        QTest::newRow("deep") << QByteArray(20000, '[') + "\n";
        QTest::newRow("endless") << QByteArray(3 << 20, 'a');
    }
    void nonsense() {
        QFETCH(QByteArray, bytes);
        const QTemporaryDir folder;
        const QString place = folder.filePath("window");
        Handover window(place);
        QStringList paths;
        connect(&window, &Handover::asked, this, [&](const Request& r) { paths += r.paths; });
        QLocalSocket socket;
        socket.connectToServer(place);
        socket.write(bytes);
        socket.flush();
        QTRY_VERIFY_WITH_TIMEOUT(socket.state() == QLocalSocket::UnconnectedState, 10000);
        QVERIFY(paths.isEmpty());
        QVERIFY(given({}, place));
    }

    // Two real starts: the second ends at once, and the first has both photos.
    void twoStarts() {
        const QTemporaryDir folder;
        const Photo photo = takePhoto(Plane(64, 48), {}, {});
        const auto one = QString::fromStdString(test::writeShot(folder, "one.dng", photo)),
                   two = QString::fromStdString(test::writeShot(folder, "two.dng", photo));
        QProcessEnvironment place = QProcessEnvironment::systemEnvironment();
        for (const char* name : {"HOME", "XDG_RUNTIME_DIR"})
            place.insert(QString::fromLatin1(name), folder.path());
        for (const char* name : {"XDG_DATA_HOME", "XDG_CONFIG_HOME", "XDG_STATE_HOME", "XDG_CACHE_HOME"})
            place.remove(QString::fromLatin1(name));
        QFile::setPermissions(folder.path(), QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
        const QString program = qEnvironmentVariable("IRENIC_APP");
        QVERIFY(!program.isEmpty());
        QProcess first, second;
        first.setProcessEnvironment(place), second.setProcessEnvironment(place);
        first.start(program, {one});
        QVERIFY(first.waitForStarted());
        QTRY_VERIFY_WITH_TIMEOUT(QFileInfo::exists(folder.filePath("irenic-window")), 30000);
        second.setWorkingDirectory(folder.path());
        second.start(program, {QStringLiteral("two.dng")});
        QVERIFY(second.waitForFinished(30000));
        QCOMPARE(second.exitCode(), 0);
        QCOMPARE(first.state(), QProcess::Running);
        const auto open = [&] {
            QFile session(folder.filePath(".local/share/irenic/session.json"));
            return session.open(QIODevice::ReadOnly) ? session.readAll() : QByteArray();
        };
        QTRY_VERIFY_WITH_TIMEOUT(open().contains("one.dng") && open().contains("two.dng"), 30000);
        first.terminate();
        first.waitForFinished(10000);
    }
};

QTEST_MAIN(TestHandover)
#include "handover.moc"
