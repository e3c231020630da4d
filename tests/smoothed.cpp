// Raws that the camera has smoothed: seen, undone before cleaning, and done again.
#include <QTest>

#include "denoise/clean.h"
#include "measure/noise.h"
#include "measure/open.h"
#include "measure/smoothing.h"
#include "taken.h"

using namespace irenic;

namespace {

constexpr int kWidth = 900, kHeight = 700;
const Rect kAll{0, 0, kWidth, kHeight};

test::Taken taken(Scene scene, double iso, const Smoothing& smoothing) {
    Body body;
    body.smoothing = smoothing;
    return test::taken(scene, iso, body, kWidth, kHeight);
}

double errorOf(const Plane& a, const Plane& b) { return test::errorOf(a, b, kAll); }

} // namespace

class TestSmoothed : public QObject {
    Q_OBJECT

    void scenes() {
        QTest::addColumn<int>("scene");
        QTest::addColumn<double>("iso");
        for (const double iso : {3200.0, 12800.0, 51200.0})
            for (const Scene scene : {Scene::SackStore, Scene::HarbourWindow, Scene::GearLoft})
                QTest::addRow("scene %d at %g", static_cast<int>(scene), iso)
                    << static_cast<int>(scene) << iso;
    }

  private slots:
    void seenWhereItIs_data() { scenes(); }
    void seenWhereItIs() {
        QFETCH(int, scene);
        QFETCH(double, iso);
        for (const Smoothing& done : {Smoothing{0.12, 0}, Smoothing{0.09, 0.04}}) {
            const Smoothing found = smoothingOf(taken(static_cast<Scene>(scene), iso, done).photo);
            QVERIFY2(std::abs(found.beside - done.beside) < 0.02, qPrintable(QString::number(found.beside)));
            QVERIFY2(std::abs(found.diagonal - done.diagonal) < 0.02,
                     qPrintable(QString::number(found.diagonal)));
        }
    }

    void notSeenWhereItIsNot_data() { scenes(); }
    void notSeenWhereItIsNot() {
        QFETCH(int, scene);
        QFETCH(double, iso);
        const Smoothing found = smoothingOf(taken(static_cast<Scene>(scene), iso, {}).photo);
        QVERIFY2(found.none(), qPrintable(QString::number(found.beside)));
    }

    // Too small for a single block: nothing is read beyond the photo, and nothing is told.
    void tiny() {
        for (const int side : {2, 9, 16, 26, 31})
            for (const int other : {2, 30, 64}) {
                Plane light(side, other);
                light.fill(0.2f);
                QVERIFY(smoothingOf(takePhoto(light, {}, {})).none());
                Plane turned(other, side);
                turned.fill(0.2f);
                QVERIFY(smoothingOf(takePhoto(turned, {}, {})).none());
            }
    }

    // Samples come back to within what was rounded away; levels, borders and odd sizes included.
    void undone() {
        Body sharp, soft;
        sharp.maskedColumns = soft.maskedColumns = 6, sharp.maskedRows = soft.maskedRows = 4;
        soft.smoothing = {0.08, 0.02};
        Shot shot;
        shot.iso = 12800;
        const Plane light = exposeMosaic(test::lightOf(Scene::HarbourWindow, 301, 203), sharp, shot);
        const Photo was = takePhoto(light, sharp, shot), is = takePhoto(light, soft, shot);
        const std::vector<std::uint16_t> back = unsmoothedSamples(is, soft.smoothing);
        QCOMPARE(back.size(), was.samples.size());
        QCOMPARE(back.front(), is.samples.front()); // the masked border stays as it is
        double sum = 0, change = 0;
        for (int y = 2; y < 201; ++y)
            for (int x = 2; x < 299; ++x) {
                const std::size_t at = was.index(x, y);
                sum += std::pow(double(back[at]) - was.samples[at], 2);
                change += std::pow(double(is.samples[at]) - was.samples[at], 2);
            }
        QVERIFY2(sum < 0.001 * change, qPrintable(QString::number(sum / change)));
    }

    void cleaned_data() {
        QTest::addColumn<QString>("method");
        for (const char* m : {"wavelet", "bm3d-quick", "learned-quick"}) QTest::newRow(m) << QString(m);
    }
    // Better than by a method that takes the noise for white, and no worse than a plain sensor's.
    void cleaned() {
        QFETCH(QString, method);
        const Settings settings{method.toStdString()};
        test::Taken plain = taken(Scene::GearLoft, 12800, {}),
                    soft = taken(Scene::GearLoft, 12800, {0.12, 0});
        measure(plain.photo), measure(soft.photo);
        QVERIFY(!soft.photo.smoothing.none() && !soft.photo.sensor.empty());
        const double known = errorOf(cleanMosaic(soft.photo, settings, kAll), soft.truth),
                     usual = errorOf(cleanMosaic(plain.photo, settings, kAll), plain.truth);
        QVERIFY2(known < usual, qPrintable(QString("%1 %2").arg(known).arg(usual)));
        Photo blind = soft.photo;
        blind.smoothing = {}, blind.sensor.clear(), blind.mended.clear();
        blind.noise = measureNoise(blind);
        const double unknown = errorOf(cleanMosaic(blind, settings, kAll), soft.truth);
        QVERIFY2(known < 0.9 * unknown, qPrintable(QString("%1 %2").arg(known).arg(unknown)));
    }

    void regionsAreCrops() {
        test::Taken soft = taken(Scene::GearLoft, 12800, {0.12, 0});
        measure(soft.photo);
        QVERIFY(!soft.photo.smoothing.none());
        const Settings settings{"wavelet"};
        test::compareCrops(soft.photo, settings,
                           {Rect{0, 0, 80, 60}, Rect{301, 203, 77, 64}, Rect{840, 650, 60, 50}});
    }

    // The file's own identity knows of it, and what was measured is the sensor's noise, not what is left of
    // it.
    void measuredAsTheSensors() {
        test::Taken soft = taken(Scene::SackStore, 12800, {0.12, 0});
        const double truth = soft.photo.noise.channel[1].sigma(0.18);
        measure(soft.photo);
        const double found = soft.photo.noise.channel[1].sigma(0.18);
        QVERIFY2(std::abs(found / truth - 1) < 0.1, qPrintable(QString::number(found / truth)));
    }
};

QTEST_GUILESS_MAIN(TestSmoothed)
#include "smoothed.moc"
