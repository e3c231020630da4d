// Colour as DNG describes it: what a camera saw comes out as it was.
#include <QTest>

#include "colour_difference.h"
#include "measure/open.h"
#include "raw/light.h"
#include "support.h"

using namespace irenic;

namespace {

// A made-up chart in linear sRGB: skin, sky, leaves, primaries, greys.
constexpr double kChart[24][3] = {
    {.18, .08, .06}, {.55, .30, .23}, {.12, .20, .34}, {.11, .15, .06}, {.24, .22, .44}, {.14, .51, .41},
    {.68, .20, .03}, {.08, .11, .38}, {.54, .09, .12}, {.11, .05, .15}, {.35, .50, .05}, {.75, .36, .03},
    {.04, .05, .29}, {.06, .30, .07}, {.43, .03, .05}, {.81, .57, .01}, {.50, .09, .29}, {.02, .24, .38},
    {.88, .88, .87}, {.58, .58, .58}, {.36, .36, .36}, {.19, .19, .19}, {.09, .09, .09}, {.03, .03, .03}};

const Matrix3 kSrgbToXyzD50 = {0.4360747, 0.3850649, 0.1430804, 0.2225045, 0.7168786,
                               0.0606169, 0.0139322, 0.0971045, 0.7141733};

Vector3 xyzOfWhite(double x, double y) { return {x / y, 1, (1 - x - y) / y}; }

} // namespace

class TestColour : public QObject {
    Q_OBJECT

  private slots:
    void temperatures() {
        const struct {
            double x, y, kelvin;
        } lights[] = {{0.44757, 0.40745, 2856},
                      {0.3457, 0.3585, 5003},
                      {0.3127, 0.3290, 6504},
                      {0.2990, 0.3149, 7504},
                      {0.3805, 0.3768, 4000}};
        for (const auto& l : lights)
            QVERIFY2(std::abs(temperatureOf(l.x, l.y) / l.kelvin - 1) < 0.01,
                     qPrintable(QString::number(temperatureOf(l.x, l.y))));
        QVERIFY(temperatureOf(0.7, 0.3) < 1800);
    }
    void differencesAreThoseOfTheLiterature() {
        // Of the test data that Sharma, Wu and Dalal published.
        QVERIFY(std::abs(test::ciede2000({50, 2.6772, -79.7751}, {50, 0, -82.7485}) - 2.0425) < 1e-4);
        QVERIFY(std::abs(test::ciede2000({50, 2.5, 0}, {73, 25, -18}) - 27.1492) < 1e-4);
        QVERIFY(std::abs(test::ciede2000({22.7233, 20.0904, -46.6940}, {23.0331, 14.9730, -42.5619}) -
                         2.0373) < 1e-4);
        const Vector3 lab = test::labOf({0.9642, 1, 0.8249});
        QVERIFY(std::abs(lab[0] - 100) < 1e-9 && std::abs(lab[1]) < 1e-9 && std::abs(lab[2]) < 1e-9);
    }
    // A camera that sees differently under lamps and in daylight, under a light between the two.
    void betweenTwoLights_data() {
        QTest::addColumn<bool>("adjusted");
        QTest::newRow("plain") << false;
        QTest::newRow("with calibration and analog balance") << true;
    }
    void betweenTwoLights() {
        QFETCH(bool, adjusted);
        const Matrix3 lamps = {0.82, -0.30, -0.05, -0.38, 1.20, 0.18, -0.03, 0.12, 0.70},
                      outdoors = {0.70, -0.22, -0.06, -0.43, 1.23, 0.22, -0.06, 0.15, 0.61};
        Photo p = test::flatField(0.1, 100, 32);
        p.profiles = {{17, lamps, {}, kIdentity3}, {21, outdoors, {}, kIdentity3}};
        if (adjusted) {
            for (ColourProfile& c : p.profiles) c.calibration = diagonal({1.04, 1, 0.97});
            p.analogBalance = {1.2, 1, 1.1};
        }
        const double x = 0.3805, y = 0.3768, kelvin = temperatureOf(x, y);
        const double share = (1 / kelvin - 1 / 6500.0) / (1 / 2850.0 - 1 / 6500.0);
        Matrix3 camera;
        for (std::size_t i = 0; i < 9; ++i) camera[i] = share * lamps[i] + (1 - share) * outdoors[i];
        if (adjusted) camera = diagonal({1.2, 1, 1.1}) * diagonal({1.04, 1, 0.97}) * camera;
        const Vector3 white = xyzOfWhite(x, y);
        p.neutral = camera * white;
        const double largest = std::max({p.neutral[0], p.neutral[1], p.neutral[2]});
        for (double& n : p.neutral) n /= largest;
        QVERIFY2(std::abs(shotTemperature(p) - kelvin) < 5, qPrintable(QString::number(shotTemperature(p))));
        const Matrix3 m = cameraToXyzD50(p, p.neutral);
        // Bradford, from that white to D50.
        const Matrix3 cone = {0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296};
        const Vector3 from = cone * white, to = cone * Vector3{0.9642, 1, 0.8249};
        const Matrix3 adapt =
            inverse(cone) * diagonal({to[0] / from[0], to[1] / from[1], to[2] / from[2]}) * cone;
        double sum = 0;
        for (const auto& c : kChart) {
            const Vector3 d50 = kSrgbToXyzD50 * Vector3{c[0], c[1], c[2]},
                          seen = camera * (inverse(adapt) * d50);
            Vector3 balanced = seen;
            for (std::size_t k = 0; k < 3; ++k) balanced[k] /= p.neutral[k] * largest;
            sum += test::ciede2000(test::labOf(m * balanced), test::labOf(d50)) / 24;
        }
        QVERIFY2(sum < 0.1, qPrintable(QString::number(sum)));
        // Under one of the two lights the other profile does not count.
        p.neutral = lamps * xyzOfWhite(0.44757, 0.40745);
        if (!adjusted) QVERIFY(std::abs(shotTemperature(p) - 2856) < 20);
    }
    // The whole way: light, sensor, DNG, reading, development.
    void aChartComesOutAsItIs() {
        constexpr int patch = 40;
        std::array<Plane, 3> light = {Plane(6 * patch, 4 * patch), Plane(6 * patch, 4 * patch),
                                      Plane(6 * patch, 4 * patch)};
        for (int y = 0; y < 4 * patch; ++y)
            for (int x = 0; x < 6 * patch; ++x)
                for (std::size_t c = 0; c < 3; ++c)
                    light[c].at(x, y) = static_cast<float>(kChart[y / patch * 6 + x / patch][c]);
        Shot shot;
        shot.iso = 100;
        shot.stops = -0.5;
        QTemporaryDir folder;
        const PhotoPtr p = readPhoto(
            test::writeShot(folder, "chart.dng", takePhoto(exposeMosaic(light, {}, shot), {}, shot)));
        double sum = 0, worst = 0;
        double scale = 0;
        const auto mean = [&](int i, std::size_t c) {
            const auto rgb = developRegion(recipeOf(*p, Settings::original(), {}),
                                           {i % 6 * patch + 10, i / 6 * patch + 10, patch - 20, patch - 20},
                                           OutputSpace::Srgb);
            return test::meanOf(rgb[c]);
        };
        scale = kChart[19][1] / mean(19, 1); // brightness is the exposure's business
        for (int i = 0; i < 24; ++i) {
            const Vector3 found = {mean(i, 0) * scale, mean(i, 1) * scale, mean(i, 2) * scale};
            const double e = test::ciede2000(
                test::labOf(kSrgbToXyzD50 * found),
                test::labOf(kSrgbToXyzD50 * Vector3{kChart[i][0], kChart[i][1], kChart[i][2]}));
            sum += e / 24, worst = std::max(worst, e);
        }
        QVERIFY2(sum < 1.0 && worst < 3.0,
                 qPrintable(QStringLiteral("mean %1, worst %2").arg(sum).arg(worst)));
    }
};

QTEST_GUILESS_MAIN(TestColour)
#include "colour.moc"
