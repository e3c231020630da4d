// Files are read in a process of its own: the same photo, and whatever a decoder does stays there.
#include <sys/mman.h>
#include <sys/wait.h>
#include <unistd.h>

#include <QtTest>
#include <csignal>
#include <fstream>
#include <thread>

#include "deliver/export.h"
#include "measure/open.h"
#include "reader/reader.h"
#include "reader/sandbox.h"
#include "reader/wire.h"
#include "support.h"

using namespace irenic;

namespace fs = std::filesystem;

class TestSandbox : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    ReaderSetup setup_;
    static inline std::atomic<int> signals_ = 0;

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
        QVERIFY(a.id == b.id && a.samplesDigest == b.samplesDigest);
        QCOMPARE(a.make + a.model + a.lens + a.taken, b.make + b.model + b.lens + b.taken);
        QVERIFY(a.active == b.active && a.crop == b.crop && a.black == b.black && a.white == b.white);
        QVERIFY(a.profiles == b.profiles && a.neutral == b.neutral && a.noise == b.noise);
        QVERIFY(a.statedNoise == b.statedNoise && a.mosaic.site == b.mosaic.site && a.bits == b.bits);
        QVERIFY(a.iso == b.iso && a.exposure == b.exposure && a.orientation == b.orientation);
        QVERIFY(a.metadata.main == b.metadata.main && a.metadata.exif == b.metadata.exif);
        QVERIFY(a.metadata.mosaic == b.metadata.mosaic && a.metadata.bigEndian == b.metadata.bigEndian);
        QCOMPARE(a.xtrans.has_value(), b.xtrans.has_value());
        if (a.xtrans) QVERIFY(a.xtrans->samples == b.xtrans->samples && a.xtrans->site == b.xtrans->site);
    }

  private slots:
    void initTestCase() {
        // Its decoders do what they are asked to by IRENIC_ASTRAY.
        setup_.program = qEnvironmentVariable("IRENIC_ASTRAY_READER").toStdString();
        // Small, so that what eats all it can get is through soon.
        setup_.memory = 700 << 20;
    }
    void cleanup() {
        qunsetenv("IRENIC_ASTRAY");
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
            const Glimpse small = glimpseSandboxed(file, 64);
            useReader(setup_);
            const PhotoPtr there = readPhoto(file);
            sameAs(*here, *there);
            QCOMPARE(there->file, fs::path(file));
            const Glimpse smallThere = glimpseSandboxed(file, 64);
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
        QTest::newRow("dies") << QByteArray("crash") << QStringLiteral("the decoder crashed");
        QTest::newRow("eats memory") << QByteArray("eat") << QStringLiteral("not enough memory");
        QTest::newRow("spins") << QByteArray("spin") << QStringLiteral("more time than any photo");
        QTest::newRow("sleeps") << QByteArray("sleep") << QStringLiteral("no progress");
    }
    void aFaultStaysInItsFile() {
        QFETCH(QByteArray, fault);
        QFETCH(QString, words);
        const std::string good = shot("good.dng"), bad = shot("bad.dng");
        setup_.processorTime = fault == "spin" ? 1 : 120, setup_.patience = fault == "sleep" ? 1 : 60;
        qputenv("IRENIC_ASTRAY", fault + ":bad");
        useReader(setup_);
        QVERIFY(wordsOf(good).isEmpty());
        const QString said = wordsOf(bad);
        QVERIFY2(said.contains(QStringLiteral("bad.dng: ")) && said.contains(words), qPrintable(said));
        QVERIFY(!glimpseSandboxed(bad, 64).picture);
        QVERIFY(wordsOf(good).isEmpty());
    }
    void aReaderReachesNothingElse_data() {
        QTest::addColumn<QByteArray>("attack");
        for (const char* attack : {"signal by kill",
                                   "signal by rt_sigqueueinfo",
                                   "signal by pidfd",
                                   "limits of its parent",
                                   "memory of its parent",
                                   "fork",
                                   "another program",
                                   "network",
                                   "local socket",
                                   "reading a file",
                                   "writing a file",
                                   "making a file",
                                   "removing a file",
                                   "renaming a file",
                                   "times of a file",
                                   "mode of a file",
                                   "listing a folder",
                                   "typing into the terminal",
                                   "code in memory",
                                   "messages elsewhere",
                                   "namespaces",
                                   "keys",
                                   "tracing"})
            QTest::newRow(attack) << QByteArray(attack);
    }
    void aReaderReachesNothingElse() {
        QFETCH(QByteArray, attack);
        useReader(setup_);
        const std::string good = shot("good.dng"), file = shot("astray.dng");
        QVERIFY(wordsOf(good).isEmpty());
        if (!decodersAreSandboxed())
            QSKIP("the kernel has no seccomp, or does not let it be used, or sanitizers forbid it");
        std::signal(SIGUSR1, [](int) { ++signals_; });
        qputenv("IRENIC_ASTRAY", "reach " + attack + ":astray");
        useReader(setup_);
        const QString said = wordsOf(file);
        // Refused with an error, or the process was ended for it; never done.
        QVERIFY2(said.isEmpty() || said.contains(QStringLiteral("tried what no decoder may do")),
                 qPrintable(said));
        QCOMPARE(signals_.load(), 0);
        QVERIFY(fs::exists(file) && !fs::exists(file + ".reached"));
        QVERIFY(wordsOf(good).isEmpty());
    }
    void whatFilesSayOfThemselvesIsReadThereToo() {
        const std::string file = shot("noted.dng"), made = folder_.filePath("noted.jpg").toStdString();
        useReader(setup_);
        Export what{recipeOf(readPhoto(file)), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = {"wavelet", 1.25f}, what.delivery.format = ExportFormat::Jpeg, target = made;
        exportFile(what, target);
        QVERIFY(isMadeByIrenic(made) && !isMadeByIrenic(file));
        QCOMPARE(settingsIn(made)->luminance, 1.25f);
        // A reader that dies of it costs the note, and nothing else.
        qputenv("IRENIC_ASTRAY", "crash:noted.jpg");
        useReader(setup_);
        QVERIFY(!isMadeByIrenic(made) && markIn(made).empty());
        QVERIFY(!isMadeByIrenic(folder_.filePath("nowhere").toStdString()));
    }
    // A packet of very many properties takes its toolkit time that grows with their square.
    void largePacketsCostTheNoteAlone() {
        Photo photo = test::shoot(6400).photo;
        std::string packet =
            "<x:xmpmeta xmlns:x=\"adobe:ns:meta/\"><rdf:RDF xmlns:rdf=\"http://www.w3.org/1999/02/"
            "22-rdf-syntax-ns#\"><rdf:Description rdf:about=\"\" xmlns:t=\"urn:tide\"";
        for (int i = 0; i < 60000; ++i) packet += " t:p" + std::to_string(i) + "=\"1\"";
        packet += "/></rdf:RDF></x:xmpmeta>";
        photo.metadata.main.push_back(
            {0x02bc, 1, static_cast<std::uint32_t>(packet.size()), {packet.begin(), packet.end()}});
        useReader(setup_);
        const XmpNote note = xmpOf(photo, "image/tiff", {"wavelet"});
        QVERIFY(!note.packet.empty() && !note.left.empty());
    }
    void readingIsCancelledAtOnce() {
        const std::string file = shot("asleep.dng");
        qputenv("IRENIC_ASTRAY", "sleep:asleep");
        useReader(setup_);
        std::stop_source stop;
        // Whoever decodes sleeps for ever: only who asked can end it.
        std::jthread later([&] {
            std::this_thread::sleep_for(std::chrono::milliseconds(300));
            stop.request_stop();
        });
        QVERIFY_THROWS_EXCEPTION(Cancelled, readPhoto(file, {stop.get_token()}));
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
    // One value that no file gives is enough.
    void everyFieldIsChecked() {
        const int memory = memfd_create("lies", MFD_CLOEXEC);
        const Photo good = test::shoot(6400).photo;
        const std::pair<const char*, std::function<void(Photo&)>> lies[] = {
            {"crop", [](Photo& p) { p.crop.width = p.width() + 1; }},
            {"crop left", [](Photo& p) { p.crop.x = -1; }},
            {"no crop", [](Photo& p) { p.crop = {}; }},
            {"white", [](Photo& p) { p.white = 0; }},
            {"white of no size", [](Photo& p) { p.white = std::nan(""); }},
            {"white beyond", [](Photo& p) { p.white = 1e30; }},
            {"orientation", [](Photo& p) { p.orientation = 9; }},
            {"bits", [](Photo& p) { p.bits = 0; }},
            {"neutral", [](Photo& p) { p.neutral[1] = 0; }},
            {"neutral of no size", [](Photo& p) { p.neutral[0] = std::nan(""); }},
            {"matrix", [](Photo& p) { p.profiles[0].colourMatrix[4] = INFINITY; }},
            {"no matrix", [](Photo& p) { p.profiles.clear(); }},
            {"balance", [](Photo& p) { p.analogBalance[2] = -1; }},
            {"black", [](Photo& p) { p.black.pattern[0] = NAN; }},
            {"black's columns", [](Photo& p) { p.black.columns = 9; }},
            {"ISO", [](Photo& p) { p.iso = INFINITY; }},
            {"exposure", [](Photo& p) { p.baselineExposure = NAN; }},
            {"noise", [](Photo& p) { p.statedNoise = NoiseModel{}, p.statedNoise->channel[2].a = NAN; }},
            {"coarse noise", [](Photo& p) { p.coarseNoise = 0; }},
            {"a tag's length",
             [](Photo& p) {
                 p.metadata.main.push_back({0x010e, 4, 7, {1, 2}});
             }},
            {"a tag's type",
             [](Photo& p) {
                 p.metadata.exif.push_back({0x9000, 99, 1, {1}});
             }},
            {"a name", [](Photo& p) { p.model.assign(100000, 'm'); }},
            {"the active area", [](Photo& p) { p.active.x = 3; }},
            {"samples", [](Photo& p) { p.samples.pop_back(); }}};
        for (const auto& [what, lie] : lies) {
            Photo p = good;
            lie(p);
            bool refused = false;
            try {
                receivedPhoto(memory, sendPhoto(p, memory));
            } catch (const std::runtime_error&) {
                refused = true;
            }
            QVERIFY2(refused, what);
        }
        QVERIFY(receivedPhoto(memory, sendPhoto(good, memory)));
        close(memory);
    }
};

QTEST_MAIN(TestSandbox)
#include "sandbox.moc"
