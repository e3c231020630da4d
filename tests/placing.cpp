// Where probes are placed, on photographs as unlike as made-up ones can be: none lies where there is nothing
// to judge, none twice on the same thing, and the same photo gets the same ones.
#include <QTest>
#include <functional>
#include <random>

#include "judge/found_again.h"
#include "judge/probes.h"
#include "support.h"

using namespace irenic;

namespace {

constexpr int kWidth = 900, kHeight = 640;

using Light = std::function<double(int x, int y, std::mt19937& random)>;

double wave(double v) { return 0.5 + 0.5 * std::sin(v); }

Light sceneOf(const QString& name) {
    if (name == QLatin1String("stars over a black shore"))
        return [](int x, int y, std::mt19937& random) {
            if (y > 500) return 0.0;
            return random() % 900 == 0 ? 0.6 : 0.004 + 0.004 * wave(x * 0.01);
        };
    if (name == QLatin1String("snow, nearly all of it white"))
        return [](int x, int y, std::mt19937&) {
            if (x > 640 && x < 700 && y > 300 && y < 420) return 0.08 + 0.05 * wave(x * 0.9) * wave(y * 0.7);
            return 0.85 + 0.5 * wave(x * 0.004 + y * 0.006);
        };
    if (name == QLatin1String("fog with a boat"))
        return [](int x, int y, std::mt19937&) {
            const double boat = x > 250 && x < 330 && y > 310 && y < 340 ? 0.3 * wave(x * 0.8) : 0;
            return 0.35 + 0.02 * wave(x * 0.003) - boat;
        };
    if (name == QLatin1String("a flower, the rest out of focus"))
        return [](int x, int y, std::mt19937&) {
            const double r = std::hypot(x - 520, y - 260);
            return r < 90 ? 0.2 + 0.2 * wave(r * 0.9) * wave(std::atan2(y - 260, x - 520) * 24)
                          : 0.1 + 0.08 * wave(x * 0.008) * wave(y * 0.007);
        };
    if (name == QLatin1String("a page of print"))
        return [](int x, int y, std::mt19937&) {
            const bool ink = y / 9 % 2 == 0 && (x * 7 + y / 18 * 131) % 23 < 9 && x > 60 && x < 840;
            return ink ? 0.03 : 0.7;
        };
    if (name == QLatin1String("a lamp in a dark room"))
        return [](int x, int y, std::mt19937&) {
            const double r = std::hypot(x - 200, y - 200);
            if (r < 40) return 1.5;
            return 0.002 + 12 / (r * r) + (y > 420 ? 0.01 * wave(x * 0.5) : 0);
        };
    if (name == QLatin1String("wires before an evening sky"))
        return [](int x, int y, std::mt19937&) {
            const bool wire = y > 100 && y < 300 && x > 520 && x < 760 && (y + x / 3) % 31 < 2;
            const double ground = 0.2 + 0.0002 * y;
            return y > 420 ? 0.05 + 0.1 * wave(x * 0.05) * wave(y * 0.06) : wire ? 0.04 : ground;
        };
    // one even tone
    return [](int, int, std::mt19937&) { return 0.18; };
}

Photo taken(const Light& light) {
    std::mt19937 random(6);
    Plane truth(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x)
            truth.at(x, y) = static_cast<float>(std::clamp(light(x, y, random), 0.0, 1.0));
    const Body body;
    Shot shot;
    shot.iso = 6400;
    return takePhoto(truth, body, shot);
}

} // namespace

class TestPlacing : public QObject {
    Q_OBJECT

  private slots:
    void someWhereThereIsSomething_data() {
        QTest::addColumn<QString>("nothing");
        for (const char* name : {"stars over a black shore", "snow, nearly all of it white",
                                 "fog with a boat", "a flower, the rest out of focus", "a page of print",
                                 "a lamp in a dark room", "wires before an evening sky", "one even tone"})
            QTest::newRow(name) << QString();
    }
    void someWhereThereIsSomething() {
        const QString name = QString::fromLatin1(QTest::currentDataTag());
        const Photo photo = taken(sceneOf(name));
        const std::vector<Probe> probes = placeProbes(photo);
        QVERIFY(!probes.empty() && probes.size() <= 9);
        QVERIFY(probes == placeProbes(photo));
        for (std::size_t i = 0; i < probes.size(); ++i) {
            const Probe& p = probes[i];
            const QString told =
                QStringLiteral("%1 at %2, %3").arg(QString::fromStdString(p.name)).arg(p.x).arg(p.y);
            QVERIFY2(!p.name.empty() && !p.reason.empty(), qPrintable(told));
            QVERIFY2(Rect({0, 0, kWidth, kHeight}).contains(p.area()), qPrintable(told));
            int clipped = 0, n = 0;
            double mean = 0;
            for (int y = p.y - 32; y < p.y + 32; ++y)
                for (int x = p.x - 32; x < p.x + 32; ++x, ++n) {
                    const auto v = static_cast<double>(photo.normalised(x, y));
                    clipped += v >= 0.99, mean += v;
                }
            QVERIFY2(clipped < n / 2, qPrintable(told + QStringLiteral(" is burnt out")));
            // What cannot be seen as it is says so.
            if (mean / n < 0.0015)
                QVERIFY2(p.reason.find("push") != std::string::npos,
                         qPrintable(told + QStringLiteral(" is black")));
            for (std::size_t k = 0; k < i; ++k)
                QVERIFY2(std::hypot(p.x - probes[k].x, p.y - probes[k].y) > 60,
                         qPrintable(told + QStringLiteral(" is on another")));
        }
    }
    // What a photo is about is found.
    void theSubjectIsAmongThem_data() {
        QTest::addColumn<QRect>("subject");
        QTest::newRow("snow, nearly all of it white") << QRect(640, 300, 60, 120);
        QTest::newRow("fog with a boat") << QRect(250, 310, 80, 30);
        QTest::newRow("a flower, the rest out of focus") << QRect(430, 170, 180, 180);
    }
    void theSubjectIsAmongThem() {
        QFETCH(QRect, subject);
        const auto probes = placeProbes(taken(sceneOf(QString::fromLatin1(QTest::currentDataTag()))));
        QVERIFY(std::any_of(probes.begin(), probes.end(), [&](const Probe& p) {
            return subject.intersects(QRect(p.x - 40, p.y - 40, 80, 80));
        }));
    }
    void thinLinesAreFound() {
        const auto probes = placeProbes(taken(sceneOf(QStringLiteral("wires before an evening sky"))));
        const auto at =
            std::find_if(probes.begin(), probes.end(), [](const Probe& p) { return p.name == "thin lines"; });
        QVERIFY(at != probes.end() && QRect(490, 70, 300, 260).contains(at->x, at->y));
        // Print has no ground that is smooth, and an even tone has no lines.
        for (const char* none : {"a page of print", "one even tone"})
            for (const Probe& p : placeProbes(taken(sceneOf(QLatin1String(none)))))
                QVERIFY(p.name != "thin lines");
    }
    void deepColourIsFound() {
        const test::Shooting s = test::shoot(6400);
        for (const double red : {0.3, 0.03}) {
            std::array<Plane, 3> light;
            for (std::size_t c = 0; c < 3; ++c) {
                light[c] = Plane(kWidth, kHeight);
                for (int y = 0; y < kHeight; ++y)
                    for (int x = 0; x < kWidth; ++x) {
                        const bool sail = std::hypot(x - 620, y - 380) < 110;
                        light[c].at(x, y) =
                            static_cast<float>(sail ? (c == 0 ? red : 0.03) : 0.08 + 0.05 * wave(x * 0.02));
                    }
            }
            const auto probes = placeProbes(takePhoto(exposeMosaic(light, s.body, s.shot), s.body, s.shot));
            const auto at = std::find_if(probes.begin(), probes.end(),
                                         [](const Probe& p) { return p.name == "deep colour"; });
            QCOMPARE(at != probes.end(), red > 0.1); // a grey sail is none
            if (at != probes.end()) QVERIFY(std::hypot(at->x - 620, at->y - 380) < 120);
        }
    }
    // A place is found in the next photo, moved, lit otherwise and with noise of its own; what is not there
    // is not.
    void aPlaceIsFoundAgain() {
        const auto face = [](double x, double y) {
            const double r = std::hypot(x, y * 0.8);
            if (r > 60) return 0.0;
            const bool eye = std::hypot(std::abs(x) - 22, y + 14) < 9,
                       mouth = std::abs(y - 28) < 5 && std::abs(x) < 24;
            return eye || mouth ? 0.03 : 0.3 - 0.002 * x;
        };
        const auto scene = [&](int left, int top, double light, bool with) {
            return [=](int x, int y, std::mt19937&) {
                const double f = with ? face(x - left, y - top) : 0;
                return light * (f > 0 ? f : 0.08 + 0.02 * wave(x * 0.021) * wave(y * 0.017 + x * 0.003));
            };
        };
        const Photo before = taken(scene(300, 260, 1, true)), now = taken(scene(560, 330, 0.7, true)),
                    without = taken(scene(0, 0, 0.9, false));
        const std::vector<Rect> marked{{236, 196, 128, 128}, {228, 188, 144, 144}};
        const auto found = foundAgain(before, marked, now);
        QCOMPARE(found.size(), std::size_t(2));
        for (std::size_t i = 0; i < 2; ++i) {
            QVERIFY(found[i]);
            QVERIFY(std::abs(found[i]->x - marked[i].x - 260) <= 12 &&
                    std::abs(found[i]->y - marked[i].y - 70) <= 12);
            QVERIFY(found[i]->width == marked[i].width && found[i]->height == marked[i].height);
        }
        for (const auto& none : foundAgain(before, marked, without)) QVERIFY(!none);
        QVERIFY(foundAgain(before, {}, now).empty());
    }
};

QTEST_GUILESS_MAIN(TestPlacing)
#include "placing.moc"
