// What goes wrong around a program: full disks, places where nothing may be written, signals, kills, others
// at work in the same folder. Nothing is lost, nothing half-written is left, and the reason is told.
#include <sys/stat.h>

#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTest>
#include <csignal>
#include <utility>

#include "base/safe_file.h"
#include "deliver/export.h"
#include "measure/open.h"
#include "session/sidecar.h"
#include "support.h"

using namespace irenic;

class TestFaults : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    QString mill_, large_;

    struct Result {
        int status;
        QString out, err;
    };
    static Result run(const QString& program, const QStringList& arguments) {
        QProcess p;
        return finished(p, program, arguments);
    }
    static Result finished(QProcess& p, const QString& program, const QStringList& arguments) {
        p.start(program, arguments);
        p.waitForFinished(120000);
        return {p.exitStatus() == QProcess::NormalExit ? p.exitCode() : -1,
                QString::fromUtf8(p.readAllStandardOutput()), QString::fromUtf8(p.readAllStandardError())};
    }
    static QString cli() { return qEnvironmentVariable("IRENIC_CLI"); }
    QString in(const QString& name) const { return folder_.filePath(name); }
    QString newFolder(const QString& name) const {
        QDir(folder_.path()).mkdir(name);
        return in(name);
    }
    static QStringList everythingIn(const QString& folder) {
        return QDir(folder).entryList(QDir::AllEntries | QDir::Hidden | QDir::System | QDir::NoDotAndDotDot);
    }
    // A shell for which `disk` is a small disk of its own, or one where nothing may be written (room below
    // 0): a real one, mounted for as long as it runs, as this user or as one who is root in a namespace;
    // where the place allows neither, one that a library plays, which says so.
    static Result withDisk(const QString& disk, long room, const QString& script) {
        QDir().mkpath(disk);
        const QString options = room < 0 ? QStringLiteral("size=9m,ro") : QStringLiteral("size=%1").arg(room);
        const QString mounting =
            QStringLiteral("mount -t tmpfs -o %1 tmpfs '%2' || exit 99\n%3").arg(options, disk, script);
        static int way = 0; // the first that is allowed
        const QStringList ways[] = {{"--mount"}, {"--user", "--map-root-user", "--mount"}};
        for (; way < 2; ++way) {
            const Result r = run(QStringLiteral("unshare"), ways[way] + QStringList{"sh", "-c", mounting});
            if (r.status != 99 && r.status >= 0 && !r.err.contains(QStringLiteral("unshare:"))) return r;
        }
        static bool told = false;
        if (!std::exchange(told, true))
            qInfo("No disk can be mounted here: a library plays full and read-only ones. Left out: what only "
                  "the system's "
                  "own file systems do.");
        QProcess p;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("LD_PRELOAD", qEnvironmentVariable("IRENIC_FAILING_CALLS"));
        environment.insert("IRENIC_DISK", disk);
        environment.insert("IRENIC_DISK_ROOM", QString::number(room));
        p.setProcessEnvironment(environment);
        return finished(p, "sh", {"-c", script});
    }
    // Starts cleaning the large photo into a folder and comes back when a temporary file is there.
    bool startCleaning(QProcess& p, const QString& out) const {
        p.start(cli(), {"clean", large_, "--method", "nlbayes", "--out", out});
        if (!p.waitForStarted()) return false;
        for (int i = 0; i < 600; ++i) {
            if (!everythingIn(out).isEmpty()) return true;
            QTest::qWait(20);
        }
        return false;
    }

  private slots:
    void initTestCase() {
        mill_ = QString::fromStdString(test::writeShot(folder_, "mill.dng", test::shoot(12800).photo));
        large_ =
            QString::fromStdString(test::writeShot(folder_, "large.dng", test::flatField(0.2, 12800, 2400)));
    }
    void fullDisksAreNamed_data() {
        QTest::addColumn<QString>("format");
        QTest::addColumn<int>("room");
        for (const char* format : {"dng", "tiff", "jpeg", "png", "jxl"})
            for (const int room : {4 << 10, 12 << 10, 24 << 10})
                QTest::newRow(qPrintable(QStringLiteral("%1 on %2").arg(QString(format)).arg(room)))
                    << QString(format) << room;
    }
    void fullDisksAreNamed() {
        QFETCH(QString, format);
        QFETCH(int, room);
        const QString disk = in("disk");
        const Result r = withDisk(
            disk, room,
            QStringLiteral("'%1' clean '%2' --method wavelet --format %3 --out '%4'; echo \"status $?\"; "
                           "ls -A '%4' | wc -l")
                .arg(cli(), mill_, format, disk));
        QVERIFY2(r.out.contains("status 1"), qPrintable(r.out + r.err));
        QVERIFY2(r.out.trimmed().endsWith(QLatin1Char('0')), qPrintable(r.out));
        QVERIFY2(r.err.contains("the disk is full"), qPrintable(r.err));
    }
    void placesWhereNothingMayBeWritten() {
        const Result r = withDisk(in("readonly"), -1,
                                  QStringLiteral("'%1' clean '%2' '%3' --method wavelet --out '%4'")
                                      .arg(cli(), mill_, large_, in("readonly")));
        QCOMPARE(r.status, 1);
        QVERIFY2(r.err.count("nothing may be written there") == 2, qPrintable(r.err));
    }
    // A full disk under the queue: what was asked for is not half there, and the next call finds a whole
    // queue.
    void aFullDiskLeavesTheQueueWhole() {
        const QString disk = in("queue-disk");
        const Result r = withDisk(
            disk, 60 << 10,
            QStringLiteral(
                "for i in 1 2 3 4 5 6 7 8; do '%1' clean '%2' --method wavelet --later --queue '%3/q' "
                "--name \"{stem}-$i$(head -c 9000 /dev/zero | tr '\\0' x)\"; done; '%1' queue list --queue "
                "'%3/q' --json > '%4'; echo \"list $?\"")
                .arg(cli(), mill_, disk, in("listed.json")));
        QVERIFY2(r.err.contains("The export queue cannot be used"), qPrintable(r.err));
        QVERIFY2(!r.err.contains("terminate"), qPrintable(r.err));
    }
    // Whatever call fails, once: a whole file of the same pixels, or none and a reason; the original as it
    // was.
    void aFailingCallCostsOneFileAtMost_data() {
        QTest::addColumn<QString>("kind");
        QTest::addColumn<QString>("format");
        for (const char* kind : {"open", "read", "write", "sync", "rename"})
            for (const char* format : {"dng", "tiff", "jpeg"})
                QTest::newRow(qPrintable(QString(kind) + ", " + format)) << QString(kind) << QString(format);
    }
    void aFailingCallCostsOneFileAtMost() {
        QFETCH(QString, kind);
        QFETCH(QString, format);
        const auto contentOf = [](const QString& name) {
            QFile f(name);
            return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray();
        };
        // A small one: what is made takes less time than starting to.
        static const QString small =
            QString::fromStdString(test::writeShot(folder_, "small.dng", test::flatField(0.2, 3200, 128)));
        const QByteArray original = contentOf(small);
        int made = 0, refused = 0;
        for (const int n : {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 1000000}) { // the last is never reached
            const QString out = newFolder(QStringLiteral("failing-%1-%2-%3").arg(kind, format).arg(n));
            QProcess p;
            QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
            environment.insert("LD_PRELOAD", qEnvironmentVariable("IRENIC_FAILING_CALLS"));
            environment.insert("IRENIC_FAIL",
                               QStringLiteral("%1:%2:%3").arg(kind).arg(n).arg(n % 2 ? EIO : ENOSPC));
            p.setProcessEnvironment(environment);
            const Result r =
                finished(p, cli(), {"clean", small, "--method", "wavelet", "--format", format, "--out", out});
            QVERIFY2(r.status == 0 || r.status == 1, qPrintable(QString::number(r.status) + r.err));
            const QStringList left = everythingIn(out);
            if (r.status == 0) {
                ++made;
                QCOMPARE(left.size(), 1);
                QVERIFY(readPhoto((out + "/" + left[0]).toStdString(), {}, Measure::Nothing)->width() > 100);
            } else {
                ++refused;
                QVERIFY2(left.isEmpty() && !r.err.isEmpty(), qPrintable(left.join(' ') + r.err));
            }
            QVERIFY(contentOf(small) == original);
        }
        QVERIFY2(made > 0, qPrintable(QString::number(refused)));
    }
    // The same of a photo's work: the former state or the new one, whole.
    void aFailingCallLosesNoWork() {
        // In this process: what the library fails in others is told by what comes back.
        const std::filesystem::path photo = in("work.dng").toStdString();
        PhotoState state = freshState();
        state.notes = "before";
        saveSidecar(photo, "00", {std::make_shared<PhotoState>(state), {}, {}});
        for (const char* kind : {"open", "write", "sync", "rename"})
            for (int n = 1; n <= 4; ++n) {
                QProcess p;
                QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
                environment.insert("LD_PRELOAD", qEnvironmentVariable("IRENIC_FAILING_CALLS"));
                environment.insert("IRENIC_FAIL", QStringLiteral("%1:%2:%3").arg(kind).arg(n).arg(ENOSPC));
                p.setProcessEnvironment(environment);
                finished(p, QCoreApplication::applicationFilePath(),
                         {"--save", QString::fromStdString(photo.string()),
                          QStringLiteral("%1 %2").arg(kind).arg(n)});
                const Loaded loaded = loadSidecar(photo, "00");
                QVERIFY(loaded.record && loaded.messages.empty());
                const QString notes = QString::fromStdString(loaded.record->state->notes);
                QVERIFY2(notes == "before" || notes == QStringLiteral("%1 %2").arg(kind).arg(n),
                         qPrintable(notes));
                saveSidecar(photo, "00", {std::make_shared<PhotoState>(state), {}, {}});
            }
        QCOMPARE(QDir(folder_.path()).entryList({".irenic-*"}, QDir::Files | QDir::Hidden).size(), 0);
    }
    // Every command with an original as its target: it ends with a reason, and the original is as it was.
    void noCommandWritesOverAnOriginal() {
        const QString victim = newFolder("victims") + "/victim.dng", link = in("victims") + "/link.png",
                      other = in("victims") + "/other.dng", preset = in("victims") + "/take.json";
        QVERIFY(QFile::copy(mill_, victim) && QFile::copy(mill_, other));
        QVERIFY(QFile::link(victim, link));
        QFile(preset).open(QIODevice::WriteOnly);
        const auto contentOf = [](const QString& name) {
            QFile f(name);
            f.open(QIODevice::ReadOnly);
            return f.readAll();
        };
        const QByteArray original = contentOf(victim);
        const QString app = QFileInfo(cli()).absolutePath() + "/../app/irenic";
        const std::pair<QString, QStringList> all[] = {
            {cli(), {"sheet", victim, "--take", "wavelet", "--output", victim}},
            {cli(), {"sheet", victim, "--take", "wavelet", "--output", victim, "--overwrite"}},
            {cli(), {"sheet", mill_, "--take", "wavelet", "--output", victim, "--overwrite"}},
            {cli(), {"sheet", mill_, "--take", "wavelet", "--output", link, "--overwrite"}},
            {cli(), {"mask", victim, "--zone", "dark", "--output", victim, "--overwrite"}},
            {cli(), {"mask", mill_, "--zone", "dark", "--output", victim, "--overwrite"}},
            {cli(), {"mask", mill_, "--zone", "dark", "--output", link, "--overwrite"}},
            {cli(), {"clean", victim, "--method", "wavelet", "--output", victim, "--overwrite"}},
            {cli(), {"clean", mill_, "--method", "wavelet", "--output", victim, "--overwrite"}},
            {cli(), {"clean", mill_, "--method", "wavelet", "--output", link, "--overwrite"}},
            {cli(), {"clean", other, "--method", "wavelet", "--name", "victim", "--overwrite"}},
            {cli(), {"clean", victim, "--method", "wavelet", "--name", "{stem}", "--overwrite"}},
            {cli(), {"clean", other, "--method", "wavelet", "--name", "victim", "--overwrite", "--resume"}},
            {cli(),
             {"clean", other, victim, "--method", "wavelet", "--name", "victim", "--overwrite", "--jobs",
              "2"}},
            {cli(), {"clean", mill_, "--method", "wavelet", "--later", "--queue", victim}},
            {cli(), {"queue", "list", "--queue", victim}},
            {cli(), {"queue", "run", "--queue", victim}},
            {cli(), {"queue", "clear", "--queue", victim}},
            {cli(), {"demo-data", victim}},
            {app, {"-platform", "offscreen", "--picture", victim, mill_}},
            {app, {"-platform", "offscreen", "--picture", link, mill_}}};
        for (const auto& [program, words] : all) {
            const Result r = run(program, words);
            QVERIFY2(r.status == 1 || r.status == 2,
                     qPrintable(words.join(' ') + QString::number(r.status) + r.err));
            QVERIFY2(!r.err.isEmpty(), qPrintable(words.join(' ')));
            QVERIFY2(contentOf(victim) == original, qPrintable(words.join(' ')));
        }
        QCOMPARE(everythingIn(in("victims")),
                 QStringList({"link.png", "other.dng", "take.json", "victim.dng"}));
    }
    void signalsLeaveNothing_data() {
        QTest::addColumn<int>("signal");
        QTest::addColumn<int>("status");
        QTest::newRow("interrupted") << SIGINT << 130;
        QTest::newRow("ended") << SIGTERM << 143;
    }
    void signalsLeaveNothing() {
        QFETCH(int, signal);
        QFETCH(int, status);
        const QString out = newFolder(QStringLiteral("signal-%1").arg(signal));
        QProcess p;
        QVERIFY(startCleaning(p, out));
        ::kill(static_cast<pid_t>(p.processId()), signal);
        QVERIFY(p.waitForFinished(20000));
        QCOMPARE(p.exitStatus(), QProcess::NormalExit);
        QCOMPARE(p.exitCode(), status);
        QCOMPARE(everythingIn(out), QStringList());
    }
    void whatAKillLeftIsSwept() {
        const QString out = newFolder("killed");
        QProcess p;
        QVERIFY(startCleaning(p, out));
        p.kill();
        QVERIFY(p.waitForFinished(20000));
        const QStringList left = everythingIn(out);
        QVERIFY(left.size() == 1 && left[0].startsWith(".irenic-") && left[0].endsWith(".part"));
        // A running process's own files, and anybody else's, stay.
        const std::filesystem::path folder(out.toStdString());
        const SafeFile ours(folder / "other.dng", SafeFile::Existing::Keep);
        QFile other(out + "/.irenic-notes.part");
        QVERIFY(other.open(QIODevice::WriteOnly));
        QCOMPARE(run(cli(), {"clean", mill_, "--method", "wavelet", "--out", out}).status, 0);
        const QStringList now = everythingIn(out);
        QVERIFY(!now.contains(left[0]));
        QVERIFY(now.contains("mill-clean.dng") && now.contains(".irenic-notes.part"));
        QVERIFY(now.contains(QString::fromStdString(ours.path().filename().string())));
    }
    void nobodyElsesFileIsOverwritten() {
        const std::filesystem::path target = in("race.txt").toStdString();
        const auto put = [&](const char* words) {
            QFile f(in("race.txt"));
            f.open(QIODevice::WriteOnly);
            f.write(words);
        };
        const auto held = [&] {
            QFile f(in("race.txt"));
            f.open(QIODevice::ReadOnly);
            return f.readAll();
        };
        {
            // Another program puts its file there while ours is being written.
            SafeFile file(target, SafeFile::Existing::Keep);
            put("theirs");
            QVERIFY_EXCEPTION_THROWN(file.commit(), WriteError);
        }
        QCOMPARE(held(), QByteArray("theirs"));
        // Asked to keep it, it is not even begun; asked to replace it, it stays whole until the end.
        QVERIFY_EXCEPTION_THROWN(SafeFile(target, SafeFile::Existing::Keep), WriteError);
        {
            SafeFile file(target, SafeFile::Existing::Replace);
            QFile part(QString::fromStdString(file.path().string()));
            QVERIFY(part.open(QIODevice::WriteOnly) && part.write("ours") == 4);
            part.close();
            QCOMPARE(held(), QByteArray("theirs"));
            file.commit();
        }
        QCOMPARE(held(), QByteArray("ours"));
        QCOMPARE(QDir(folder_.path()).entryList({".irenic-*"}, QDir::Files | QDir::Hidden).size(), 0);
    }
    void onlyPlainFilesAreReplaced() {
        const PhotoPtr photo = readPhoto(mill_.toStdString());
        const auto why = [&](const QString& name) {
            Export what{recipeOf(*photo), {}, {}, false};
            std::filesystem::path target;
            what.recipe.settings = {"wavelet"}, what.delivery.conflict = Conflict::Replace,
            target = in(name).toStdString();
            try {
                exportFile(what, target);
            } catch (const ExportError& e) {
                return QString::fromUtf8(e.what());
            }
            return QString();
        };
        QFile elsewhere(in("elsewhere"));
        QVERIFY(elsewhere.open(QIODevice::WriteOnly) && elsewhere.write("kept") == 4);
        elsewhere.close();
        QFile::link(in("elsewhere"), in("link.dng"));
        QFile::link(in("nowhere"), in("dangling.dng"));
        ::mkfifo(in("pipe.dng").toLocal8Bit().constData(), 0600);
        newFolder("folder.dng");
        QVERIFY2(why("link.dng").startsWith("link.dng: this is a link"), qPrintable(why("link.dng")));
        QVERIFY(why("dangling.dng").contains("link"));
        QVERIFY(why("pipe.dng").contains("device"));
        QVERIFY(why("folder.dng").contains("folder"));
        QVERIFY(QFileInfo(in("link.dng")).isSymLink() && QFileInfo(in("elsewhere")).size() == 4);
        QVERIFY(!QFileInfo::exists(in("nowhere")));
        // A second name of the original is the original.
        QVERIFY(::link(mill_.toLocal8Bit().constData(), in("second.dng").toLocal8Bit().constData()) == 0);
        QVERIFY(why("second.dng").contains("original"));
    }
    void twoResultsAtOnePlaceAreRefusedBeforehand() {
        const QString other = newFolder("other") + "/mill.dng", out = newFolder("both");
        QVERIFY(QFile::copy(mill_, other));
        const Result r = run(cli(), {"clean", mill_, other, "--method", "wavelet", "--out", out});
        QCOMPARE(r.status, 2);
        QVERIFY2(r.err.contains(mill_) && r.err.contains(other), qPrintable(r.err));
        QCOMPARE(everythingIn(out), QStringList());
        // The same file twice is the same thing.
        QCOMPARE(run(cli(), {"clean", mill_, mill_, "--method", "wavelet", "--out", out}).status, 2);
    }
    void namesThatAreTooLongStopNobody() {
        const QString out = newFolder("long"), name = in(QString(251, QLatin1Char('m')) + ".dng");
        QVERIFY(QFile::copy(mill_, name));
        const Result r = run(cli(), {"clean", name, mill_, in(QString(300, QLatin1Char('x'))), "--method",
                                     "wavelet", "--out", out, "--json"});
        QCOMPARE(r.status, 1);
        QVERIFY2(r.err.contains("too long"), qPrintable(r.err));
        QCOMPARE(everythingIn(out), QStringList("mill-clean.dng"));
        const QStringList all = r.out.split(QLatin1Char('\n'), Qt::SkipEmptyParts);
        QCOMPARE(all.size(), 3);
        const auto line = [&](int i) { return QJsonDocument::fromJson(all[i].toUtf8()).object(); };
        QVERIFY(line(1).contains("output") && line(2).contains("error"));
    }
    void namesInOtherEncodings() {
        // ISO 8859-1: no valid UTF-8.
        const QByteArray name = folder_.path().toLocal8Bit() + "/m\xfchle.dng";
        QVERIFY(std::filesystem::copy_file(mill_.toStdString(), name.toStdString()));
        for (const char* format : {"dng", "tiff", "jpeg"}) {
            const std::string command = "'" + cli().toStdString() + "' clean '" + name.toStdString() +
                                        "' --method wavelet --json --format " + format + " > '" +
                                        in("said.json").toStdString() + "'";
            QCOMPARE(std::system(command.c_str()), 0);
            QFile said(in("said.json"));
            QVERIFY(said.open(QIODevice::ReadOnly));
            const QJsonObject line = QJsonDocument::fromJson(said.readAll()).object();
            QVERIFY(line["file"].toString().endsWith("m\\xfchle.dng"));
            const std::string clean = folder_.path().toStdString() + "/m\xfchle-clean." +
                                      (*format == 'd'   ? "dng"
                                       : *format == 't' ? "tif"
                                                        : "jpg");
            QVERIFY(std::filesystem::exists(clean) && readPhoto(clean, {}, Measure::Nothing)->width() > 400);
        }
    }
};

int main(int argc, char** argv) {
    if (argc == 4 && std::string(argv[1]) == "--save") {
        PhotoState state = freshState();
        state.notes = argv[3];
        try {
            saveSidecar(argv[2], "00", {std::make_shared<PhotoState>(state), {}, {}});
        } catch (const WriteError&) {
            return 1;
        }
        return 0;
    }
    QCoreApplication app(argc, argv);
    TestFaults test;
    return QTest::qExec(&test, argc, argv);
}
#include "faults.moc"
