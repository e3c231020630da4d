#include <QFile>
#include <QTest>

#include "judge/probes.h"
#include "measure/open.h"
#include "raw/preview.h"
#include "reader/reader.h"
#include "support.h"

using namespace irenic;

class TestReading : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    std::string messageFor(const std::string& path) {
        try {
            readPhoto(path);
        } catch (const PhotoError& e) {
            return e.what();
        }
        return {};
    }
    std::string put(const char* name, const QByteArray& bytes) {
        QFile f(folder_.filePath(QString::fromLatin1(name)));
        f.open(QIODevice::WriteOnly);
        f.write(bytes);
        return f.fileName().toStdString();
    }
  private slots:
    void everythingComesBack_data() {
        QTest::addColumn<QString>("mosaic");
        for (const char* m : {"RGGB", "GRBG", "GBRG", "BGGR"}) QTest::newRow(m) << QString::fromLatin1(m);
    }
    void everythingComesBack() {
        QFETCH(QString, mosaic);
        const auto s = test::shoot(6400, qPrintable(mosaic));
        const PhotoPtr p = readPhoto(test::writeShot(folder_, qPrintable(mosaic + ".dng"), s.photo));
        QCOMPARE(p->samples, s.photo.samples);
        QCOMPARE(p->mosaic.name(), mosaic.toStdString());
        QCOMPARE(p->black.at(3, 2), 1024.0f);
        QCOMPARE(p->white, 15871.0);
        QCOMPARE(p->iso, 6400.0);
        QVERIFY(std::abs(p->exposure - 1.0 / 60) < 1e-6);
        QCOMPARE(p->camera(), std::string("Sluice One"));
        QCOMPARE(p->lens, std::string("Quay 35mm f/2"));
        QVERIFY((p->crop == Rect{8, 8, 464, 344}));
        for (std::size_t c = 0; c < 3; ++c) QVERIFY(std::abs(p->neutral[c] - s.shot.neutral[c]) < 1e-5);
        for (std::size_t i = 0; i < 9; ++i)
            QVERIFY(std::abs(p->profiles[0].colourMatrix[i] - s.body.colourMatrix[i]) < 1e-4);
        QVERIFY(p->profiles[0].forwardMatrix.has_value());
        QVERIFY(p->statedNoise.has_value());
        QVERIFY(std::abs(p->statedNoise->channel[1].a - s.photo.noise.channel[1].a) < 1e-12);
    }
    void channelsFollowTheMosaic() {
        const Mosaic m = test::pattern("GRBG");
        QCOMPARE(m.channel(0), 1);
        QCOMPARE(m.channel(1), 0);
        QCOMPARE(m.channel(2), 3);
        QCOMPARE(m.channel(3), 2);
    }
    void badFilesSayWhy() {
        const auto s = test::shoot(1600);
        const std::string good = test::writeShot(folder_, "good.dng", s.photo);
        QFile f(QString::fromStdString(good));
        f.open(QIODevice::ReadOnly);
        const QByteArray all = f.readAll();
        const std::pair<std::string, std::string> cases[] = {
            {folder_.filePath("gone.dng").toStdString(), "no such file"},
            {folder_.path().toStdString(), "folder"},
            {put("empty.dng", {}), "empty"},
            {put("text.dng", "the tide comes in at nine"), "not a photo that Irenic can read"},
            {put("noise.dng", QByteArray(70000, 'x')), "not a photo that Irenic can read"},
        };
        for (const auto& [file, words] : cases) {
            const std::string said = messageFor(file);
            QVERIFY2(said.find(words) != std::string::npos, said.c_str());
            QVERIFY2(said.find(std::filesystem::path(file).filename().string()) == 0, said.c_str());
        }
        for (const int kept : {9000, 60000, static_cast<int>(all.size()) / 2})
            QVERIFY2(!messageFor(put("cut.dng", all.left(kept))).empty(), qPrintable(QString::number(kept)));
    }
    void previewsComeUpright() {
        auto s = test::shoot(1600);
        s.photo.orientation = 6; // to be turned right
        const std::string file = test::writeShot(folder_, "turned.dng", s.photo);
        const auto p = glimpseOf(GivenFile(file), 48).picture;
        QVERIFY(p && p->height > p->width && p->height >= 48 && p->height < 97);
        // Its top is the photo's left side.
        const Glimpse level =
            glimpseOf(GivenFile(test::writeShot(folder_, "level.dng", test::shoot(1600).photo)), 48);
        QCOMPARE(level.iso, 1600.0);
        QVERIFY(!level.taken.empty());
        const auto& flat = level.picture;
        QVERIFY(flat && flat->width == p->height && flat->height == p->width);
        for (int i = 0; i < p->width; ++i)
            for (int c = 0; c < 3; ++c)
                QVERIFY(
                    std::abs(
                        p->data[static_cast<std::size_t>(i * 3 + c)] -
                        flat->data[static_cast<std::size_t>((flat->height - 1 - i) * flat->width * 3 + c)]) <
                    30);
        QVERIFY(!glimpseOf(GivenFile(put("text-only.dng", "nothing")), 48).picture);
        QVERIFY(!glimpseSandboxed("/nowhere/at/all.dng", 48).picture);
    }
    void probesLookAtDifferentPlaces() {
        test::Shooting s;
        const auto& light = test::lightOf(Scene::HarbourWindow, 1600, 1200);
        s.photo = takePhoto(exposeMosaic(light, s.body, s.shot), s.body, s.shot);
        const auto probes = placeProbes(s.photo);
        QVERIFY(probes.size() >= 5 && probes.size() <= 7);
        for (std::size_t i = 0; i < probes.size(); ++i) {
            QVERIFY(!probes[i].reason.empty());
            QVERIFY(probes[i].x > 0 && probes[i].x < s.photo.width() && probes[i].y > 0 &&
                    probes[i].y < s.photo.height());
            for (std::size_t k = 0; k < i; ++k)
                QVERIFY(std::abs(probes[i].x - probes[k].x) >= 64 ||
                        std::abs(probes[i].y - probes[k].y) >= 64);
        }
        QVERIFY(probes == placeProbes(s.photo));
    }
};

QTEST_GUILESS_MAIN(TestReading)
#include "reading.moc"
