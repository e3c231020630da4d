// What goes wrong around a program: full disks, places where nothing may be written, signals, kills, others
// at work in the same folder. Nothing is lost, nothing half-written is left, and the reason is told.
#include <sys/stat.h>

#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTest>
#include <csignal>

#include "deliver/export.h"
#include "base/safe_file.h"
#include "measure/open.h"
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
    // A shell that has mounted a small disk on $DISK, for as long as it runs; false where that is not
    // allowed.
    static bool withDisk(const QString& disk, const QString& options, const QString& script, Result& result) {
        QDir().mkpath(disk);
        const QString all =
            QStringLiteral("mount -t tmpfs -o %1 tmpfs '%2' || exit 99\n%3").arg(options, disk, script);
        result = run(QStringLiteral("unshare"), {"--mount", "sh", "-c", all});
        return result.status != 99 && !result.err.contains(QStringLiteral("unshare failed"));
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
        QTest::addColumn<QString>("size");
        for (const char* format : {"dng", "tiff", "jpeg"})
            for (const char* size : {"4k", "16k", "40k"})
                QTest::addRow("%s on %s", format, size) << QString(format) << QString(size);
    }
    void fullDisksAreNamed() {
        QFETCH(QString, format);
        QFETCH(QString, size);
        Result r;
        const QString disk = in("disk");
        if (!withDisk(disk, "size=" + size,
                      QStringLiteral("'%1' clean '%2' --method wavelet --format %3 --out '%4'; echo \"status "
                                     "$?\"; ls -A '%4' | wc -l")
                          .arg(cli(), mill_, format, disk),
                      r))
            QSKIP("no disk can be mounted here");
        QVERIFY2(r.out.contains("status 1"), qPrintable(r.out + r.err));
        QVERIFY2(r.out.trimmed().endsWith(QLatin1Char('0')), qPrintable(r.out));
        QVERIFY2(r.err.contains("the disk is full"), qPrintable(r.err));
    }
    void placesWhereNothingMayBeWritten() {
        Result r;
        if (!withDisk(in("disk"), "size=9m,ro",
                      QStringLiteral("'%1' clean '%2' '%3' --method wavelet --out '%4'")
                          .arg(cli(), mill_, large_, in("disk")),
                      r))
            QSKIP("no disk can be mounted here");
        QCOMPARE(r.status, 1);
        QVERIFY2(r.err.count("nothing may be written there") == 2, qPrintable(r.err));
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
            ExportOrder order;
            order.settings = {"wavelet"}, order.overwrite = true, order.target = in(name).toStdString();
            try {
                exportPhoto(*photo, order);
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

QTEST_GUILESS_MAIN(TestFaults)
#include "faults.moc"
