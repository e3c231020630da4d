// Frames taken with the lens covered: what a photo confirms of them is taken off, and nothing else; black as
// the masked border shows it.
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTest>
#include <fstream>

#include "dark.h"
#include "deliver/export.h"
#include "measure/dark_frame.h"
#include "measure/dark_store.h"
#include "measure/open.h"
#include "taken.h"

using namespace irenic;

namespace {

constexpr int kWidth = 640, kHeight = 480;
constexpr double kIso = 3200;
const Rect kAll{0, 0, kWidth, kHeight};
namespace fs = std::filesystem;

// A warm sensor: twelve electrons on average in twenty seconds, unlike from pixel to pixel.
Body warm() {
    Body body;
    body.wellAtIso1600 = 2100;
    body.darkCurrent = 0.6, body.warmPixels = 1.5e-4;
    return body;
}

Shot shotOf(std::uint32_t seed, double exposure = 20) {
    Shot shot;
    shot.iso = kIso, shot.exposure = exposure, shot.seed = seed;
    return shot;
}

Photo darkOf(const Body& body, std::uint32_t seed, double exposure = 20, int width = kWidth,
             int height = kHeight) {
    return takeDark(body, shotOf(seed, exposure), width, height);
}

DarkFrame frameOf(const Body& body, std::uint32_t seed, int count = 1, double exposure = 20) {
    return takeDarkFrames(body, shotOf(seed, exposure), kWidth, kHeight, count);
}
DarkFrame warmFrame(int count, double exposure = 20) { return frameOf(warm(), 50, count, exposure); }

struct Night {
    Plane truth;
    Photo photo;
};
Night night(const Body& body, double stops = -2) {
    Shot shot = shotOf(7);
    shot.stops = stops;
    Night out;
    out.truth = exposeMosaic(test::lightOf(Scene::SackStore, kWidth, kHeight), body, shot);
    out.photo = takePhoto(out.truth, body, shot);
    return out;
}

Photo measured(const Photo& photo, const DarkFrame* dark) {
    Photo out = photo;
    out.id = {}, out.samplesDigest.clear();
    measure(out, {}, Known::Nothing, {.dark = dark});
    return out;
}

double decibels(const Photo& photo, const Plane& truth, const char* method) {
    return -10 * std::log10(test::errorOf(cleanMosaic(photo, {method}, kAll), truth, kAll.inflated(-8)));
}

double meanOf(const Plane& plane, const Rect& area) {
    double sum = 0;
    for (int y = area.y; y < area.bottom(); ++y)
        for (int x = area.x; x < area.right(); ++x) sum += static_cast<double>(plane.at(x, y));
    return sum / static_cast<double>(area.area());
}

// Of the samples of one colour, over that of the truth.
double blueOff(const Photo& photo, const Plane& truth) {
    double sum = 0, count = 0;
    for (int y = 1; y < kHeight; y += 2)
        for (int x = 1; x < kWidth; x += 2, ++count)
            sum += static_cast<double>(photo.normalised(photo.source(false)[photo.index(x, y)], x, y) -
                                       truth.at(x, y));
    return sum / count * (photo.white - photo.black.mean());
}

} // namespace

class TestDark : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    std::string fileOf(const Photo& photo, const char* name) const {
        return test::writeShot(folder_, name, photo);
    }
    template <class Call> static std::string refusal(const Call& call) {
        try {
            call();
        } catch (const PhotoError& e) {
            return e.what();
        }
        return {};
    }

  private slots:
    void initTestCase() {
        qputenv("XDG_DATA_HOME", folder_.path().toUtf8());
        qputenv("HOME", folder_.path().toUtf8());
    }
    void cleanup() { QDir(folder_.filePath(QStringLiteral("irenic"))).removeRecursively(); }

    void leaksAreTakenOff_data() {
        QTest::addColumn<int>("frames");
        QTest::addColumn<QString>("method");
        QTest::addColumn<double>("gain"); // decibels of the cleaned photo
        QTest::newRow("one frame") << 1 << "bm3d-quick" << 0.5;
        QTest::newRow("eight frames") << 8 << "learned-quick" << 1.0;
    }
    void leaksAreTakenOff() {
        QFETCH(int, frames);
        QFETCH(QString, method);
        QFETCH(double, gain);
        const Night n = night(warm());
        const DarkFrame dark = warmFrame(frames);
        const Photo plain = measured(n.photo, nullptr), with = measured(n.photo, &dark);
        QCOMPARE(with.dark.frames, frames);
        QVERIFY2(with.dark.share > 0.3, qPrintable(QString::number(with.dark.share)));
        QVERIFY(with.samples == n.photo.samples && !with.sensor.empty());
        QVERIFY(with.noise.channel[1].sigma(0) < 0.9 * plain.noise.channel[1].sigma(0));
        QVERIFY(!(with.id == plain.id));
        const std::string id = method.toStdString();
        const double before = decibels(plain, n.truth, id.c_str()),
                     after = decibels(with, n.truth, id.c_str());
        QVERIFY2(after > before + gain, qPrintable(QStringLiteral("%1 and %2 dB").arg(before).arg(after)));
        // Brightness stays: of the photo, and of one that saw no light at all.
        const double was = meanOf(n.truth, kAll), is = meanOf(cleanMosaic(with, {"bm3d-quick"}, kAll), kAll);
        QVERIFY2(std::abs(is / was - 1) < 0.01, qPrintable(QString::number(is / was)));
        const Photo covered = measured(darkOf(warm(), 99), &dark);
        const double left = meanOf(cleanMosaic(covered, {"bm3d-quick"}, kAll), kAll) * (covered.white - 512);
        QVERIFY2(std::abs(left) < 2, qPrintable(QString::number(left))); // raw values; noise has some 30
    }
    // A frame that does not know the photo's sensor costs nothing.
    void whatIsNotConfirmedStays() {
        const Night n = night({});
        const DarkFrame noise = frameOf({}, 61);
        const Photo with = measured(n.photo, &noise), plain = measured(n.photo, nullptr);
        QCOMPARE(with.dark.share, 0.0);
        QVERIFY(with.dark.digest.empty() && with.sensor.empty());
        QCOMPARE(with.id, plain.id);
        // Leaks that the photo does not have.
        const DarkFrame strange = warmFrame(4);
        const Photo other = measured(n.photo, &strange);
        QVERIFY2(other.dark.share < 0.01, qPrintable(QString::number(other.dark.share)));
        QVERIFY(decibels(other, n.truth, "bm3d-quick") > decibels(plain, n.truth, "bm3d-quick") - 0.02);
    }
    // Half as long, it has half the leaks: they count twice.
    void anotherExposureCountsByWhatItExplains() {
        const Night n = night(warm());
        const DarkFrame shorter = warmFrame(8, 10);
        const Photo plain = measured(n.photo, nullptr), with = measured(n.photo, &shorter);
        QVERIFY(with.dark.share > 0.25);
        QVERIFY(decibels(with, n.truth, "bm3d-quick") > decibels(plain, n.truth, "bm3d-quick") + 0.7);
        QVERIFY(std::abs(meanOf(cleanMosaic(with, {"bm3d-quick"}, kAll), kAll) / meanOf(n.truth, kAll) - 1) <
                0.01);
    }
    void whatHitTheFrameOnceIsNotTakenOff() {
        const Night n = night(warm());
        DarkFrame dark = warmFrame(4);
        const std::size_t hit = n.photo.index(301, 211);
        dark.level[hit] = 4 * 6000;
        const Photo with = measured(n.photo, &dark);
        QVERIFY(std::abs(int(with.sensor[hit]) - int(n.photo.samples[hit])) < 100);
    }
    // A black level that is off in one channel, in both.
    void theFramesBlackCounts() {
        Body body;
        body.blackOff = {0, 0, 0, 3};
        const Night n = night(body, -3);
        const DarkFrame dark = frameOf(body, 70, 4);
        const Photo plain = measured(n.photo, nullptr), with = measured(n.photo, &dark);
        QVERIFY(std::abs(blueOff(plain, n.truth) - 3) < 0.7);
        QVERIFY2(std::abs(blueOff(with, n.truth)) < 0.7, qPrintable(QString::number(blueOff(with, n.truth))));
        // Not of a frame that was brighter than the photo's darkest places, nor of another exposure.
        Body lit = body;
        lit.blackOff = {0, 0, 0, 200};
        const DarkFrame bright = frameOf(lit, 70), shorter = frameOf(body, 70, 1, 10);
        for (const DarkFrame* other : {&bright, &shorter})
            QVERIFY(std::abs(blueOff(measured(n.photo, other), n.truth) - 3) < 0.7);
    }
    void theMaskedBorderTellsBlack() {
        Body body;
        body.blackOff = {0, 0, 0, 3};
        body.maskedColumns = 96, body.maskedRows = 32;
        const Night off = night(body, -3);
        const Photo found = measured(off.photo, nullptr);
        QVERIFY(std::abs(found.black.at(1, 1) - static_cast<float>(body.black) - 3) < 0.5f);
        for (const auto& [x, y] : {std::pair{0, 0}, {1, 0}, {0, 1}})
            QVERIFY(std::abs(found.black.at(x, y) - static_cast<float>(body.black)) < 0.5f);
        QVERIFY(std::abs(blueOff(found, off.truth)) < 0.7);
        // What is right stays as the file says it, and so does what no border tells.
        body.blackOff = {};
        QCOMPARE(measured(night(body, -3).photo, nullptr).black, night(body, -3).photo.black);
        body.blackOff = {0, 0, 0, 3}, body.maskedColumns = body.maskedRows = 0;
        QCOMPARE(measured(night(body, -3).photo, nullptr).black, night(body, -3).photo.black);
        // A border that saw light is none.
        body.maskedColumns = 96, body.maskedRows = 32, body.blackOff = {400, 400, 400, 400};
        QCOMPARE(measured(night(body, -3).photo, nullptr).black, night(body, -3).photo.black);
    }

    void framesAreReadAndAveraged() {
        const std::vector<fs::path> files = {fileOf(darkOf(warm(), 50), "dark-1.dng"),
                                             fileOf(darkOf(warm(), 51), "dark-2.dng")};
        const DarkFrame dark = darkFrameOf(files);
        QCOMPARE(dark.frames, 2);
        QCOMPARE(dark.iso, kIso);
        const DarkFrame right = warmFrame(2);
        for (std::size_t i = 0; i < dark.level.size(); ++i)
            QVERIFY(std::abs(double(dark.level[i]) / dark.scale - double(right.level[i]) / right.scale) <=
                    0.5);
    }
    void whatIsNoDarkFrameIsRefused() {
        const std::string good = fileOf(darkOf(warm(), 50), "good.dng");
        Photo grey = darkOf(warm(), 50);
        grey.monochrome = true;
        Photo other = darkOf(warm(), 50);
        other.iso = 800;
        for (TagEntry& e : other.metadata.exif)
            if (e.tag == 0x8832) e.bytes = {0x20, 3, 0, 0};
        const std::pair<std::string, const char*> bad[] = {
            {fileOf(night(warm(), 1).photo, "light.dng"), "seen light"},
            {fileOf(grey, "grey.dng"), "mosaic"},
            {fileOf(darkOf(warm(), 50, 5), "short.dng"), "differs"},
            {fileOf(darkOf(warm(), 50, 20, 320, 240), "small.dng"), "differs"},
            {folder_.filePath(QStringLiteral("missing.dng")).toStdString(), "missing.dng"}};
        for (const auto& [file, why] : bad) {
            const std::string said = refusal([&] { darkFrameOf({good, file}); });
            QVERIFY2(said.find(why) != std::string::npos, (file + ": " + said).c_str());
            QVERIFY(said.find(fs::path(file).filename().string()) == 0);
        }
        QVERIFY(!refusal([&] { darkFrameOf(std::vector<fs::path>(65, good)); }).empty());
        // Of another sensor it is of no use to a photo, and says so.
        DarkFrame foreign = warmFrame(1);
        foreign.iso = 400;
        QVERIFY(refusal([&] { measured(night(warm()).photo, &foreign); }).find("another camera") !=
                std::string::npos);
    }

    void whatIsKeptIsUsed() {
        const Night n = night(warm());
        const std::string file = fileOf(n.photo, "night.dng");
        const PhotoPtr before = readPhoto(file);
        QCOMPARE(before->dark.frames, 0);
        const fs::path kept = keep(warmFrame(2));
        const PhotoPtr after = readPhoto(file), alone = readPhoto(file, {}, Measure::NoiseAlone);
        QCOMPARE(after->dark.frames, 2);
        QVERIFY(after->dark.share > 0.3 && !(after->id == before->id));
        QCOMPARE(alone->dark.frames, 0);
        QCOMPARE(after->samplesDigest, before->samplesDigest);
        // The nearest exposure counts; one that is far off does not.
        DarkFrame nearer = warmFrame(3, 18), far = warmFrame(1, 2);
        keep(nearer), keep(far);
        QCOMPARE(readPhoto(file)->dark.frames, 2);
        fs::remove(kept);
        QCOMPARE(readPhoto(file)->dark.frames, 3);
        QCOMPARE(forgetDarkFor(*after), 2);
        QCOMPARE(readPhoto(file)->dark.frames, 0);
        QCOMPARE(forgetDarkFor(*after), 0);
        QCOMPARE(readPhoto(file)->id, before->id);
    }
    void aDamagedFileIsAsIfThereWasNone_data() {
        QTest::addColumn<int>("from"); // bytes from the end
        QTest::addColumn<bool>("cut");
        QTest::newRow("cut") << 1000 << true;
        QTest::newRow("changed") << 1000 << false;
        QTest::newRow("empty") << -1 << true;
    }
    void aDamagedFileIsAsIfThereWasNone() {
        QFETCH(int, from);
        QFETCH(bool, cut);
        const fs::path kept = keep(warmFrame(1));
        const auto size = fs::file_size(kept);
        if (cut)
            fs::resize_file(kept, from < 0 ? 0 : size - static_cast<std::uintmax_t>(from));
        else {
            std::fstream file(kept, std::ios::in | std::ios::out | std::ios::binary);
            file.seekp(static_cast<std::streamoff>(size) - from);
            file.write("damaged", 7);
        }
        QVERIFY(!keptDarkFor(night(warm()).photo));
    }
    // A cleaned DNG has lost its leaks: they are not taken off once more.
    void aCleanedDngIsLeftAlone() {
        const Night n = night(warm());
        keep(warmFrame(2));
        const PhotoPtr photo = readPhoto(fileOf(n.photo, "again.dng"));
        Export what;
        what.recipe = recipeOf(photo, Settings{"wavelet"}, {});
        const std::string target = folder_.filePath(QStringLiteral("again-clean.dng")).toStdString();
        exportFile(what, target);
        const PhotoPtr cleaned = readPhoto(target);
        QCOMPARE(cleaned->dark.frames, 0);
        // And what is not to be cleaned keeps every sample.
        QVERIFY(cleanSamples(*photo, Settings::original()) == n.photo.samples);
    }
    void commandLine() {
        const std::string file = fileOf(night(warm()).photo, "command.dng"),
                          dark = fileOf(darkOf(warm(), 50), "command-dark.dng");
        const auto run = [](const QStringList& arguments, int status) {
            QProcess cli;
            cli.start(qEnvironmentVariable("IRENIC_CLI"), arguments);
            cli.waitForFinished(120000);
            const QByteArray all = cli.readAllStandardOutput() + cli.readAllStandardError();
            if (cli.exitCode() != status) qWarning("%s", all.constData());
            return cli.exitCode() == status ? all : QByteArray();
        };
        const QString photo = QString::fromStdString(file), frame = QString::fromStdString(dark);
        const auto share = [&](const QStringList& more) {
            const QJsonArray all =
                QJsonDocument::fromJson(run(QStringList{"inspect", photo, "--json"} + more, 0)).array();
            return all.at(0).toObject()["dark"].toObject()["share"].toDouble(-1);
        };
        QCOMPARE(share({}), -1.0);
        QVERIFY(share({"--dark", frame}) > 0.3);
        QVERIFY(run({"dark", frame, "--keep"}, 0).contains("mean of 1 dark frame"));
        QVERIFY(share({}) > 0.3);
        const QString out = folder_.filePath(QStringLiteral("command-out.dng"));
        QVERIFY(
            run({"clean", photo, "--method", "wavelet", "--dark", frame, "--output", out}, 0).contains("->"));
        QVERIFY(QFile::exists(out));
        QVERIFY(run({"dark", photo, "--forget"}, 0).contains("1 dark frame forgotten"));
        QCOMPARE(share({}), -1.0);
        QVERIFY(run({"dark", photo}, 1).contains("command.dng: it has seen light"));
        QVERIFY(!run({"clean", photo, "--method", "wavelet", "--dark", frame, "--jobs", "2"}, 2).isEmpty());
    }
};

QTEST_MAIN(TestDark)
#include "dark.moc"
