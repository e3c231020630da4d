// Files are read in a process of its own: the same photo, and whatever a decoder does stays there.
#include <sys/mman.h>
#include <sys/wait.h>
#include <unistd.h>

#include <QElapsedTimer>
#include <QtTest>
#include <csignal>
#include <fstream>
#include <thread>

#include "measure/open.h"
#include "reader/reader.h"
#include "reader/walls.h"
#include "reader/wire.h"
#include "support.h"

using namespace irenic;

namespace fs = std::filesystem;

class TestWalls : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    ReaderSetup setup_;

    std::string shot(const char* name) { return test::writeShot(folder_, name, test::shoot(6400).photo); }
    // What reading the file says; empty where it was read.
    static QString wordsOf(const std::string& file) {
        try {
            readPhoto(file);
        } catch (const PhotoError& e) {
            return QString::fromUtf8(e.what());
        }
        return {};
    }
    static void sameAs(const Photo& a, const Photo& b) {
        QCOMPARE(a.samples, b.samples);
        QCOMPARE(a.digest, b.digest);
        QCOMPARE(a.make + a.model + a.lens + a.taken, b.make + b.model + b.lens + b.taken);
        QVERIFY(a.active == b.active && a.crop == b.crop && a.black == b.black && a.white == b.white);
        QVERIFY(a.profiles == b.profiles && a.neutral == b.neutral && a.noise == b.noise);
        QVERIFY(a.statedNoise == b.statedNoise && a.mosaic.site == b.mosaic.site && a.bits == b.bits);
        QVERIFY(a.iso == b.iso && a.exposure == b.exposure && a.orientation == b.orientation);
        QVERIFY(a.metadata.main == b.metadata.main && a.metadata.exif == b.metadata.exif);
        QVERIFY(a.metadata.mosaic == b.metadata.mosaic && a.metadata.bigEndian == b.metadata.bigEndian);
        QCOMPARE(a.wide.has_value(), b.wide.has_value());
        if (a.wide) QVERIFY(a.wide->samples == b.wide->samples && a.wide->site == b.wide->site);
    }

  private slots:
    void initTestCase() {
        const auto program = readerBesideThis();
        QVERIFY(program);
        setup_.program = *program;
        // Small, so that what eats all it can get is through soon.
        setup_.memory = 700 << 20;
    }
    void cleanup() {
        qunsetenv("IRENIC_READER_TEST");
        useReader({});
    }
    void whatIsReadIsTheSame() {
        std::vector<std::string> files = {shot("mosaic.dng")};
        Body wide = test::shoot(6400).body;
        wide.xTrans = true;
        const auto one = test::shoot(6400);
        files.push_back(test::writeShot(folder_, "wide.dng", takePhoto(one.truth, wide, one.shot)));
        QImage picture(300, 200, QImage::Format_RGB888);
        picture.fill(QColor(90, 120, 60));
        files.push_back(folder_.filePath("picture.jpg").toStdString());
        QVERIFY(picture.save(QString::fromStdString(files.back())));
        for (const std::string& file : files) {
            useReader({});
            const PhotoPtr here = readPhoto(file);
            const Glimpse small = glimpseBehindWalls(file, 64);
            useReader(setup_);
            const PhotoPtr there = readPhoto(file);
            sameAs(*here, *there);
            QCOMPARE(there->file, fs::path(file));
            const Glimpse smallThere = glimpseBehindWalls(file, 64);
            QCOMPARE(smallThere.iso, small.iso);
            QCOMPARE(smallThere.picture.has_value(), small.picture.has_value());
            if (small.picture) QCOMPARE(smallThere.picture->data, small.picture->data);
        }
    }
    void wordsOfErrorsAreTheSame() {
        const std::string broken = folder_.filePath("text.dng").toStdString();
        std::ofstream(broken) << "no photo at all";
        for (const std::string& file : {broken, std::string("/nowhere/at/all.dng")}) {
            useReader({});
            const QString here = wordsOf(file);
            useReader(setup_);
            QVERIFY(!here.isEmpty());
            QCOMPARE(wordsOf(file), here);
        }
    }
    void aFaultStaysInItsFile_data() {
        QTest::addColumn<QByteArray>("fault");
        QTest::addColumn<QString>("words");
        QTest::newRow("dies") << QByteArray("crash") << QStringLiteral("its reader died");
        QTest::newRow("eats memory") << QByteArray("eat") << QStringLiteral("not enough memory");
        QTest::newRow("spins") << QByteArray("spin") << QStringLiteral("more time than any photo");
        QTest::newRow("sleeps") << QByteArray("sleep") << QStringLiteral("no progress");
    }
    void aFaultStaysInItsFile() {
        QFETCH(QByteArray, fault);
        QFETCH(QString, words);
        const std::string good = shot("good.dng"), bad = shot("bad.dng");
        setup_.processorTime = fault == "spin" ? 1 : 120, setup_.patience = fault == "sleep" ? 1 : 60;
        qputenv("IRENIC_READER_TEST", fault + ":bad");
        useReader(setup_);
        QVERIFY(wordsOf(good).isEmpty());
        const QString said = wordsOf(bad);
        QVERIFY2(said.startsWith(QStringLiteral("bad.dng:")) && said.contains(words), qPrintable(said));
        QVERIFY(!glimpseBehindWalls(bad, 64).picture);
        QVERIFY(wordsOf(good).isEmpty());
    }
    void aReaderReachesNothingElse() {
        const pid_t child = fork();
        if (child == 0) _exit(raiseWalls(1 << 30) ? 0 : 1);
        int status = 0;
        QCOMPARE(waitpid(child, &status, 0), child);
        if (status != 0)
            QSKIP("the kernel has no seccomp, or does not let it be used, or sanitizers forbid it");
        const std::string file = shot("astray.dng");
        qputenv("IRENIC_READER_TEST", "reach:astray");
        useReader(setup_);
        QCOMPARE(wordsOf(file), QString());
        QVERIFY(fs::exists(file) && !fs::exists(file + ".reached"));
    }
    void readingIsCancelledAtOnce() {
        const std::string file = shot("asleep.dng");
        qputenv("IRENIC_READER_TEST", "sleep:asleep");
        useReader(setup_);
        std::stop_source stop;
        QElapsedTimer since;
        std::jthread later([&] {
            std::this_thread::sleep_for(std::chrono::milliseconds(300));
            since.start();
            stop.request_stop();
        });
        QVERIFY_THROWS_EXCEPTION(Cancelled, readPhoto(file, {stop.get_token()}));
        QVERIFY2(since.elapsed() < 250, qPrintable(QString::number(since.elapsed())));
    }
    void manyReadAtATime() {
        const std::string file = shot("many.dng");
        useReader(setup_);
        std::atomic<int> read = 0;
        {
            std::vector<std::jthread> all;
            for (int i = 0; i < 6; ++i)
                all.emplace_back([&] {
                    for (int k = 0; k < 3; ++k) read += readPhoto(file)->samples.empty() ? 0 : 1;
                });
        }
        QCOMPARE(read.load(), 18);
    }
    void liesAreRefused() {
        // Whatever a reader that was led astray writes: an error or a photo that makes sense, never more.
        const int memory = memfd_create("lies", MFD_CLOEXEC);
        const auto photo = test::shoot(6400).photo;
        const std::uint64_t whole = sendPhoto(photo, memory);
        QCOMPARE(receivedPhoto(memory, whole)->samples, photo.samples);
        for (const std::uint64_t less : {std::uint64_t{0}, std::uint64_t{7}, whole / 3, whole - 1})
            QVERIFY_THROWS_EXCEPTION(std::runtime_error, receivedPhoto(memory, less));
        int refused = 0;
        for (int at = 0; at < 260; ++at) {
            const std::uint8_t lie = 0xfe;
            std::uint8_t was = 0;
            QCOMPARE(pread(memory, &was, 1, at), 1);
            QCOMPARE(pwrite(memory, &lie, 1, at), 1);
            try {
                const auto seen = receivedPhoto(memory, whole);
                QCOMPARE(seen->samples.size(), photo.samples.size());
            } catch (const std::runtime_error&) {
                ++refused;
            }
            QCOMPARE(pwrite(memory, &was, 1, at), 1);
        }
        QVERIFY2(refused > 40, qPrintable(QString::number(refused)));
        close(memory);
    }
};

QTEST_MAIN(TestWalls)
#include "walls.moc"
