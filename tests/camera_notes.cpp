// What several photos say of the camera that took them, and what it is used for.
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTest>
#include <fstream>

#include "deliver/dng.h"
#include "deliver/export.h"
#include "measure/camera_notes.h"
#include "measure/open.h"
#include "measure/series.h"
#include "queue/job_queue.h"
#include "support.h"
#include "taken.h"

using namespace irenic;

namespace {

constexpr int kSide = 640;
constexpr double kIso = 200; // at which texture is far above the noise
using Place = std::array<int, 2>;
const Place kHot[] = {{101, 77}, {320, 400}, {511, 222}};

// Photos of three scenes by one sensor, with the same bright pixels.
std::vector<Photo> threePhotos() {
    std::vector<Photo> out;
    for (const Scene scene : {Scene::SackStore, Scene::GearLoft, Scene::Gauges}) {
        Photo photo = test::taken(scene, kIso, {}, kSide, kSide).photo;
        for (const auto& [x, y] : kHot) photo.samples[photo.index(x, y)] = 9000;
        // One that is bright here alone.
        photo.samples[photo.index(40 + 10 * static_cast<int>(out.size()), 600)] = 9000;
        measure(photo, {}, Known::Nothing);
        out.push_back(std::move(photo));
    }
    return out;
}

bool has(const std::vector<Place>& places, const Place& place) {
    return std::find(places.begin(), places.end(), place) != places.end();
}

} // namespace

class TestCameraNotes : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::vector<CameraSample> samples_;

    CameraNotes notes() const { return notesOn(samples_).at(0); }

  private slots:
    void initTestCase() {
        qputenv("XDG_DATA_HOME", folder_.path().toUtf8());
        for (const Photo& photo : threePhotos()) samples_.push_back(sampleOf(photo));
    }
    void cleanup() { QDir(folder_.filePath(QStringLiteral("irenic"))).removeRecursively(); }

    void photosOfOneCameraAreTakenTogether() {
        const CameraNotes n = notes();
        QCOMPARE(notesOn(samples_).size(), 1UL);
        QCOMPARE(n.photos, 3);
        QVERIFY(n.sure >= 1 && n.spread < 0.1);
        const NoiseModel truth = trueNoise({}, kIso);
        for (std::size_t c = 0; c < 4; ++c)
            QVERIFY2(
                std::abs(n.noise.channel[c].sigma(0.18) / truth.channel[c].sigma(0.18) - 1) < 0.1,
                qPrintable(QString::number(n.noise.channel[c].sigma(0.18) / truth.channel[c].sigma(0.18))));
        QVERIFY(std::abs(n.electronsAtWhite() * truth.channel[1].a - 1) < 0.15);
        for (const Place& hot : kHot) QVERIFY(has(n.defects, hot));
        QVERIFY(!has(n.defects, {40, 600}) && !has(n.defects, {50, 600}));
    }
    void anotherIsoIsAnotherGroup() {
        std::vector<CameraSample> mixed = samples_;
        mixed[1].iso = 400;
        const std::vector<CameraNotes> all = notesOn(mixed);
        QCOMPARE(all.size(), 2UL);
        QCOMPARE(all[0].photos, 2);
        QCOMPARE(all[1].iso, 400.0);
        QVERIFY(notesOn({}).empty());
    }
    void theNoiseOfAPhotoWithNothingFlatIsTheCameras() {
        Photo grass = test::texturedField(0.2, kIso, kSide), alone = grass;
        grass.statedNoise.reset(), alone.statedNoise.reset();
        keep(notes());
        measure(alone, {}, Known::Nothing);
        QVERIFY(alone.noiseFrom == NoiseFrom::Photo && alone.noiseDoubt > 0.05);
        measure(grass);
        QVERIFY(grass.noiseFrom == NoiseFrom::Camera);
        QCOMPARE(grass.noisePhotos, notes().sure);
        QCOMPARE(grass.noise, notes().noise);
        QVERIFY(grass.id != alone.id);
        // It counts before what the file states.
        Photo stated = test::texturedField(0.2, kIso, kSide);
        measure(stated);
        QVERIFY(stated.noiseFrom == NoiseFrom::Camera);
    }
    void whatIsMeasuredCountsMore() {
        CameraNotes wrong = notes();
        for (NoiseLine& line : wrong.noise.channel) line.a *= 16, line.b *= 16;
        keep(wrong);
        // Not likely here.
        Photo grass = test::texturedField(0.2, kIso, kSide);
        grass.statedNoise.reset();
        measure(grass);
        QVERIFY(grass.noiseFrom == NoiseFrom::Photo);
        // And a photo with flat places needs nobody's word.
        keep(notes());
        Photo flat = test::flatField(0.2, kIso, kSide);
        measure(flat);
        QVERIFY(flat.noiseFrom == NoiseFrom::Photo);
    }
    // Too faint to be told from noise in one photo.
    void knownDefectsAreMended() {
        Photo photo = test::flatField(0.2, kIso, kSide);
        const auto& [x, y] = kHot[1];
        const double sigma = trueNoise({}, kIso).channel[1].sigma(0.2) * (photo.white - photo.black.mean());
        auto& sample = photo.samples[photo.index(x, y)];
        sample = static_cast<std::uint16_t>(sample + 3 * sigma);
        const auto before = sample;
        Photo alone = photo;
        measure(alone, {}, Known::Nothing);
        QVERIFY(alone.mended.empty() || alone.mended[photo.index(x, y)] == before);
        keep(notes());
        measure(photo);
        QVERIFY(!photo.mended.empty() && photo.mended[photo.index(x, y)] != before);
    }
    // Photos that belong together get one noise; one of another ISO keeps its own, and what cannot be read
    // stops nothing.
    void aSeriesIsCleanedAlike() {
        QTemporaryDir series;
        std::vector<std::filesystem::path> files;
        for (int i = 0; i < 3; ++i)
            files.emplace_back(test::writeShot(
                series, ("part-" + std::to_string(i) + ".dng").c_str(),
                test::shoot(i < 2 ? 3200 : 800, "RGGB", static_cast<std::uint32_t>(3 + i), Scene(i)).photo));
        files.emplace_back(series.filePath(QStringLiteral("missing.dng")).toStdString());
        const auto noise = noiseOfSeries(files);
        QCOMPARE(noise.size(), std::size_t(2));
        const NoiseModel& both = noise.at(files[0]);
        QCOMPARE(both, noise.at(files[1]));
        const PhotoPtr own = readPhoto(files[0]),
                       alike = readPhoto(files[0], {}, Measure::Noise, {.noise = &both});
        QCOMPARE(alike->noise, both);
        QVERIFY(!(own->noise == both) && !(own->id == alike->id));
        // The queue hands it on, and nothing that no sensor has.
        ExportRequest request;
        request.photo = files[0], request.settings = Settings{"wavelet"}, request.noise = both;
        QVERIFY(requestFrom(textOf(request)).noise == request.noise);
        request.noise->channel[1].a = -1;
        QVERIFY_EXCEPTION_THROWN(requestFrom(textOf(request)), std::invalid_argument);
        // By the command line: the file is what that noise gives.
        QCOMPARE(
            QProcess::execute(qEnvironmentVariable("IRENIC_CLI"),
                              {"clean", QString::fromStdString(files[0]), QString::fromStdString(files[1]),
                               "--method", "wavelet", "--alike", "--name", "{stem}-alike"}),
            0);
        const PhotoPtr made =
            readPhoto(series.filePath("part-0-alike.dng").toStdString(), {}, Measure::Nothing);
        QVERIFY(cleanSamples(*alike, {"wavelet"}) == made->samples);
    }
    void whatCannotBeReadIsNotUsed_data() {
        QTest::addColumn<QByteArray>("content");
        QTest::newRow("empty") << QByteArray();
        QTest::newRow("no JSON") << QByteArray("the mill");
        QTest::newRow("no object") << QByteArray("[1, 2]");
        QTest::newRow("another version") << QByteArray(R"({"irenicCamera": 2})");
        QTest::newRow("half") << QByteArray(R"({"irenicCamera": 1, "camera": "x", "iso": 200})");
        QTest::newRow("deep") << QByteArray(10000, '[');
        QTest::newRow("large") << QByteArray(3 << 20, ' ');
    }
    void whatCannotBeReadIsNotUsed() {
        QFETCH(QByteArray, content);
        const std::filesystem::path file = keep(notes());
        std::ofstream(file, std::ios::binary).write(content.constData(), content.size());
        Photo photo = test::flatField(0.2, kIso, kSide);
        QVERIFY(!keptNotesFor(photo));
        measure(photo);
        QVERIFY(photo.noiseFrom == NoiseFrom::Photo);
    }
    void valuesBeyondTheirLimits() {
        const std::filesystem::path file = keep(notes());
        const Photo photo = test::flatField(0.2, kIso, kSide);
        QVERIFY(keptNotesFor(photo));
        std::ifstream in(file);
        const std::string text{std::istreambuf_iterator<char>(in), {}};
        const auto with = [&](const std::string& was, const std::string& is) {
            std::string out = text;
            out.replace(out.find(was), was.size(), is);
            std::ofstream(file) << out;
            return keptNotesFor(photo).has_value();
        };
        QVERIFY(with("\"iso\"", "\"iso\"")); // as it was
        QVERIFY(!with("[[101,77]", "[[-1,77]"));
        QVERIFY(!with("[[101,77]", "[[101,77000]"));
        QVERIFY(!with("\"photos\":3", "\"photos\":-3"));
        QVERIFY(!with("\"noise\":[[", "\"noise\":[[1e300,"));
    }
    void photosThatTellNothing() {
        Photo photo = test::flatField(0.2, kIso, 64);
        photo.iso = 0;
        QVERIFY_EXCEPTION_THROWN(sampleOf(photo), std::invalid_argument);
        photo.iso = kIso, photo.channels = 3;
        QVERIFY_EXCEPTION_THROWN(sampleOf(photo), std::invalid_argument);
    }
    void onTheCommandLine() {
        const QString one = QString::fromStdString(
                          test::writeShot(folder_, "one.dng", test::shoot(3200).photo)),
                      two = QString::fromStdString(
                          test::writeShot(folder_, "two.dng", test::shoot(3200, "RGGB", 8).photo));
        QProcess p;
        p.start(qEnvironmentVariable("IRENIC_CLI"), {"camera", one, two, "missing.dng", "--json", "--keep"});
        QVERIFY(p.waitForFinished(120000));
        QCOMPARE(p.exitCode(), 1); // one is missing
        QVERIFY(p.readAllStandardError().contains("missing.dng"));
        const QJsonArray all = QJsonDocument::fromJson(p.readAllStandardOutput()).array();
        QCOMPARE(all.size(), 1);
        QCOMPARE(all[0]["photos"].toInt(), 2);
        QCOMPARE(all[0]["iso"].toDouble(), 3200.0);
        QVERIFY(all[0]["electronsAtWhite"].toDouble() > 0);
        QVERIFY(keptNotesFor(*readPhoto(one.toStdString(), {}, Measure::Nothing)));
        p.start(qEnvironmentVariable("IRENIC_CLI"), {"camera", one});
        QVERIFY(p.waitForFinished(120000));
        QCOMPARE(p.exitCode(), 0);
        const QByteArray page = p.readAllStandardOutput();
        for (const char* word : {"gain", "read noise", "bad pixels", "1 photo"}) QVERIFY(page.contains(word));
    }
};

QTEST_MAIN(TestCameraNotes)
#include "camera_notes.moc"
