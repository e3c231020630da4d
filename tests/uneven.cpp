// Sensors whose noise is not the same all over the frame.
#include <QTest>

#include "denoise/clean.h"
#include "measure/noise.h"
#include "measure/open.h"
#include "taken.h"

using namespace irenic;

namespace {

constexpr int kWidth = 960, kHeight = 720;
const Rect kAll{0, 0, kWidth, kHeight};

test::Taken taken(Scene scene, double iso, const Body& body) {
    return test::taken(scene, iso, body, kWidth, kHeight);
}

Body toTheRight(double times) {
    Body body;
    body.noiseAtRight = times;
    return body;
}

} // namespace

class TestUneven : public QObject {
    Q_OBJECT

  private slots:
    void found_data() {
        QTest::addColumn<int>("scene");
        QTest::addColumn<double>("iso");
        const std::pair<Scene, double> rows[] = {
            {Scene::GearLoft, 12800}, {Scene::SackStore, 3200}, {Scene::GearLoft, 51200}};
        for (const auto& [scene, iso] : rows)
            QTest::addRow("%d, ISO %.0f", static_cast<int>(scene), iso) << static_cast<int>(scene) << iso;
    }
    // How the noise grows is known within some 15 %, in the darkest views within 20 %: there stabilised noise
    // no longer grows as much as the sensor's. An even sensor's is taken for even.
    void found() {
        QFETCH(int, scene);
        QFETCH(double, iso);
        const auto measured = [&](const Body& body) {
            test::Taken t = taken(static_cast<Scene>(scene), iso, body);
            measure(t.photo);
            return std::move(t.photo);
        };
        QVERIFY(measured({}).unevenness.none());
        const Photo right = measured(toTheRight(2));
        const double grown = static_cast<double>(right.noiseFactor(kWidth - 32, kHeight / 2) /
                                                 right.noiseFactor(32, kHeight / 2));
        QVERIFY2(std::abs(grown / (1.967 / 1.033) - 1) < (iso > 20000 ? 0.2 : 0.15),
                 qPrintable(QString::number(grown)));
        // The figure itself is that of the middle.
        const double share = right.noise.channel[1].sigma(0.18) / trueNoise({}, iso).channel[1].sigma(0.18) *
                             static_cast<double>(right.noiseFactor(kWidth / 2, kHeight / 2));
        QVERIFY2(std::abs(share / 1.5 - 1) < 0.1, qPrintable(QString::number(share)));
        if (iso < 3200) return; // hardly any noise, and texture
        Body corners;
        corners.madeUpFor = 3;
        const Photo raised = measured(corners);
        const double more =
            static_cast<double>(raised.noiseFactor(30, 30) / raised.noiseFactor(kWidth / 2, kHeight / 2));
        QVERIFY2(more > 1.4 && more < 3, qPrintable(QString::number(more)));
    }

    void cleaned_data() {
        QTest::addColumn<QString>("method");
        for (const char* m : {"wavelet", "learned-quick"}) QTest::newRow(m) << QString(m);
    }
    // Where there is most noise far less of it is left than by one strength for all, and nothing is lost
    // where there is least.
    void cleaned() {
        QFETCH(QString, method);
        const Settings settings{method.toStdString()};
        test::Taken t = taken(Scene::GearLoft, 12800, toTheRight(2));
        measure(t.photo);
        QVERIFY(!t.photo.unevenness.none());
        Photo blind = t.photo;
        blind.unevenness = {};
        blind.noise = measureNoise(blind);
        const Plane known = cleanMosaic(t.photo, settings, kAll),
                    unknown = cleanMosaic(blind, settings, kAll);
        const Rect left{8, 8, 240, kHeight - 16}, right{kWidth - 248, 8, 240, kHeight - 16};
        const double better = test::errorOf(unknown, t.truth, right) / test::errorOf(known, t.truth, right),
                     same = test::errorOf(unknown, t.truth, left) / test::errorOf(known, t.truth, left);
        QVERIFY2(better > 1.1 && same > 0.97, qPrintable(QString("%1 %2").arg(better).arg(same)));
    }

    // The inverse of the stabilisation expects noise of one size: brightness must not follow it.
    void meansStay() {
        for (const double level : {0.01, 0.3}) {
            test::Taken t;
            t.truth = Plane(kWidth, kHeight);
            t.truth.fill(static_cast<float>(level));
            Shot shot;
            shot.iso = 25600;
            t.photo = takePhoto(t.truth, toTheRight(2), shot);
            measure(t.photo);
            QVERIFY(!t.photo.unevenness.none());
            const Plane clean = cleanMosaic(t.photo, {"bm3d-quick"}, kAll);
            for (const int x : {0, kWidth - 200}) {
                double mean = 0, noisy = 0;
                for (int y = 0; y < kHeight; ++y)
                    for (int i = x; i < x + 200; ++i)
                        mean += static_cast<double>(clean.at(i, y)) / (200.0 * kHeight),
                            noisy += static_cast<double>(t.photo.normalised(i, y)) / (200.0 * kHeight);
                QVERIFY2(std::abs(mean - noisy) < 0.03 * trueNoise({}, 25600).channel[1].sigma(level),
                         qPrintable(QString("%1 of %2 at %3").arg(mean).arg(noisy).arg(x)));
            }
        }
    }

    void regionsAreCrops() {
        test::Taken t = taken(Scene::GearLoft, 12800, toTheRight(2));
        measure(t.photo);
        QVERIFY(!t.photo.unevenness.none());
        for (const char* method : {"wavelet", "bm3d-quick"})
            test::compareCrops(t.photo, {method},
                               {Rect{0, 0, 80, 60}, Rect{301, 203, 77, 64}, Rect{kWidth - 61, 650, 61, 50}});
    }

    // Noise that grows is no reason to take samples for defects, nor to miss them where it is small.
    void defects() {
        Body body = toTheRight(2.5);
        Shot shot;
        shot.iso = 6400;
        Plane truth(kWidth, kHeight);
        truth.fill(0.05f);
        Photo photo = takePhoto(truth, body, shot);
        const double sigma =
            trueNoise(body, 6400).channel[1].sigma(0.05) * (photo.white - photo.black.mean());
        int planted = 0;
        for (int y = 20; y < kHeight - 20; y += 40)
            for (int x = 20; x < kWidth - 20; x += 40, ++planted)
                photo.samples[photo.index(x, y)] = static_cast<std::uint16_t>(
                    photo.black.mean() + 0.05 * (photo.white - photo.black.mean()) +
                    40 * sigma * (1 + 1.5 * x / kWidth));
        measure(photo);
        QVERIFY(!photo.unevenness.none());
        std::size_t right = 0;
        for (const Defect& d : photo.pattern.defects) right += d.x % 40 == 20 && d.y % 40 == 20;
        QVERIFY2(
            right > 0.95 * planted && photo.pattern.defects.size() - right < 5,
            qPrintable(QString("%1 of %2, %3").arg(right).arg(planted).arg(photo.pattern.defects.size())));
    }
};

QTEST_GUILESS_MAIN(TestUneven)
#include "uneven.moc"
