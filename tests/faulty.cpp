// Sensors with faults: what cleaning loses by them, against a sensor without.
#include <QTest>

#include "measure/open.h"
#include "measure/pattern.h"
#include "measure/smoothing.h"
#include "taken.h"

using namespace irenic;

namespace {

constexpr int kWidth = 960, kHeight = 720;
constexpr double kIso = 12800;
const Rect kAll{0, 0, kWidth, kHeight};

struct Fault {
    const char* name;
    double allowed; // dB below a sensor without it
    std::function<void(Body&, Shot&, NoiseModel& stated)> add;
};

std::vector<Fault> faults() {
    const double read = readNoise({}, kIso);
    const auto scale = [](NoiseModel& stated, double by) {
        for (NoiseLine& line : stated.channel) line.a *= by, line.b *= by;
    };
    return {
        {"two dead columns", 0.3, [](Body&, Shot& s, NoiseModel&) { s.deadColumns = 2; }},
        {"rows of two read-outs", 2.6,
         [=](Body&, Shot& s, NoiseModel&) { s.rowLines = read, s.twoReadouts = true; }},
        {"hot pixels", 0.3, [](Body&, Shot& s, NoiseModel&) { s.hotPixels = 5e-4; }},
        {"focusing dots", 0.3, [](Body& b, Shot&, NoiseModel&) { b.focusDots = 0.9; }},
        {"128 values", 0.2, [](Body& b, Shot&, NoiseModel&) { b.codes = 128; }},
        {"black at 0", 0.5, [](Body& b, Shot&, NoiseModel&) { b.black = 0; }},
        {"a profile that says too much", 0.05, [=](Body&, Shot&, NoiseModel& n) { scale(n, 4); }},
        {"a profile that says too little", 0.05, [=](Body&, Shot&, NoiseModel& n) { scale(n, 0.25); }},
    };
}

// Of the scene cleaned by wavelet, whose time is short; root encoded, so that dark and light count.
double qualityOf(const std::function<void(Body&, Shot&, NoiseModel&)>& add) {
    Body body;
    Shot shot;
    shot.iso = kIso, shot.seed = 5;
    NoiseModel stated = trueNoise(body, kIso);
    if (add) add(body, shot, stated);
    const Plane seen = exposeMosaic(test::lightOf(Scene::GearLoft, kWidth, kHeight), body, shot);
    Photo photo = takePhoto(seen, body, shot);
    photo.statedNoise = stated;
    measure(photo);
    const Plane clean = cleanMosaic(photo, {"wavelet"}, kAll), truth = withFocusDots(seen, body);
    const auto encoded = [](const Plane& from) {
        Plane out = from.clone();
        for (int y = 0; y < out.height(); ++y)
            for (int x = 0; x < out.width(); ++x) out.at(x, y) = std::sqrt(std::max(0.0f, out.at(x, y)));
        return out;
    };
    return test::psnr(encoded(clean), encoded(truth));
}

Photo takenAt(double iso, std::uint32_t seed, const std::function<void(Shot&)>& add) {
    Shot shot;
    shot.iso = iso, shot.seed = seed;
    add(shot);
    return takePhoto(exposeMosaic(test::lightOf(Scene::SackStore, kWidth, kHeight), {}, shot), {}, shot);
}

} // namespace

class TestFaulty : public QObject {
    Q_OBJECT
    double plain_ = 0;

  private slots:
    void initTestCase() { plain_ = qualityOf({}); }

    void costsNoMoreThanItTakes_data() {
        QTest::addColumn<int>("fault");
        const auto all = faults();
        for (int i = 0; i < static_cast<int>(all.size()); ++i)
            QTest::newRow(all[static_cast<std::size_t>(i)].name) << i;
    }
    void costsNoMoreThanItTakes() {
        QFETCH(int, fault);
        const Fault own = faults()[static_cast<std::size_t>(fault)];
        const double quality = qualityOf(own.add);
        QVERIFY2(quality > plain_ - own.allowed,
                 qPrintable(QStringLiteral("%1 dB, plain %2").arg(quality).arg(plain_)));
    }

    // Both are found and all of their samples filled; nothing else is touched, and there are none in a photo
    // without.
    void deadColumnsAreFound_data() {
        QTest::addColumn<double>("iso");
        for (const double iso : {200.0, 3200.0, 51200.0}) QTest::addRow("%.0f", iso) << iso;
    }
    void deadColumnsAreFound() {
        QFETCH(double, iso);
        const Photo sound = takenAt(iso, 11, [](Shot& s) { s.stops = 2; });
        const Pattern none = measurePattern(sound);
        QCOMPARE(none.deadColumns, 0);
        QCOMPARE(none.deadRows, 0);
        const Photo dead = takenAt(iso, 11, [](Shot& s) { s.stops = 2, s.deadColumns = 2; });
        const Pattern found = measurePattern(dead);
        // At the highest ISO one of them lies where it is too dark to tell.
        QVERIFY2(found.deadColumns == 2 || (iso > 20000 && found.deadColumns == 1),
                 qPrintable(QString::number(found.deadColumns)));
        QCOMPARE(found.deadRows, 0);
        const std::vector<std::uint16_t> mended = mendedSamples(dead, found);
        QCOMPARE(found.columns.empty(), none.columns.empty());
        double off = 0, before = 0, count = 0;
        for (int x = 4; x < kWidth - 4; ++x) {
            int black = 0;
            for (int y = 4; y < kHeight - 4; ++y) black += dead.sample(x, y) == 512;
            if (black < kHeight - 8) continue;
            for (int y = 4; y < kHeight - 4; ++y, ++count) {
                off += std::pow(mended[dead.index(x, y)] - sound.sample(x, y), 2);
                before += std::pow(dead.sample(x, y) - sound.sample(x, y), 2);
            }
        }
        QVERIFY(count > kHeight);
        QVERIFY2(off < (found.deadColumns == 2 ? 0.3 : 0.6) * before,
                 qPrintable(QStringLiteral("%1 of %2").arg(off).arg(before)));
    }

    // Fine texture from edge to edge, as a lens draws it, is no noise that a camera has smoothed, and is
    // measured for what it is.
    void textureIsNoSmoothing_data() {
        QTest::addColumn<double>("iso");
        QTest::addColumn<double>("level");
        for (const double iso : {800.0, 3200.0, 12800.0})
            for (const double level : {0.05, 0.2}) QTest::addRow("%.0f at %.2f", iso, level) << iso << level;
    }
    void textureIsNoSmoothing() {
        QFETCH(double, iso);
        QFETCH(double, level);
        Photo grass = test::texturedField(level, iso, 640);
        const double truth = grass.noise.channel[1].sigma(0.18);
        grass.statedNoise.reset();
        measure(grass);
        QVERIFY(grass.smoothing.none());
        const double share = grass.noise.channel[1].sigma(0.18) / truth;
        QVERIFY2(share > 0.85 && share < 1.12, qPrintable(QString::number(share)));
    }

    // A small picture has few calm blocks, and what is fitted to so few may look like a strong filter.
    void littleTextureIsNoSmoothing() {
        for (const double level : {0.2, 0.3})
            QVERIFY(smoothingOf(test::texturedField(level, 400, 512)).none());
    }

    // A column that sees from its middle on is filled up to there.
    void aColumnMayDieHalfWay() {
        Photo photo = takenAt(3200, 12, [](Shot&) {});
        const int from = 300, x = 401;
        for (int y = from; y < kHeight; ++y) photo.samples[photo.index(x, y)] = 512;
        const Pattern found = measurePattern(photo);
        QCOMPARE(found.deadColumns, 1);
        int first = kHeight, inside = 0;
        for (const Defect& d : found.defects)
            if (d.x == x) first = std::min(first, d.y), ++inside;
        QVERIFY2(std::abs(first - from) < 64, qPrintable(QString::number(first)));
        QVERIFY(inside > kHeight - from - 64);
    }

    // Halves that are read out apart have rows of their own, and both are known to a good part.
    void rowsOfTwoReadouts() {
        const double read = readNoise({}, kIso);
        Photo plain = takenAt(kIso, 13, [](Shot& s) { s.stops = -2; });
        Photo lined =
            takenAt(kIso, 13, [=](Shot& s) { s.stops = -2, s.rowLines = read, s.twoReadouts = true; });
        QVERIFY(measurePattern(plain).rightRows.empty());
        const Photo shared = takenAt(kIso, 13, [=](Shot& s) { s.stops = -2, s.rowLines = read; });
        const Pattern one = measurePattern(shared), two = measurePattern(lined);
        QVERIFY(!one.rows.empty() && one.rightRows.empty());
        QVERIFY(!two.rows.empty() && !two.rightRows.empty());
        const std::vector<std::uint16_t> mended = mendedSamples(lined, two);
        // What is left of the rows' means in each half.
        const auto spread = [&](const std::vector<std::uint16_t>& samples, int begin) {
            double squares = 0, sum = 0;
            for (int y = 4; y < kHeight - 4; ++y) {
                double mean = 0;
                for (int x = begin; x < begin + kWidth / 2; ++x)
                    mean += (samples[lined.index(x, y)] - plain.samples[lined.index(x, y)]) / (kWidth / 2.0);
                squares += mean * mean, sum += mean;
            }
            const double n = kHeight - 8;
            return std::sqrt(squares / n - sum / n * sum / n);
        };
        for (const int begin : {0, kWidth / 2}) {
            const double before = spread(lined.samples, begin), after = spread(mended, begin);
            QVERIFY2(after < 0.55 * before, qPrintable(QStringLiteral("%1 of %2").arg(after).arg(before)));
        }
    }

    // Where something in the photo is flat the file is not believed; where nothing is, it is if it is likely.
    void aStatedProfileIsBelievedWhereNothingIsFlat() {
        Photo flat = test::flatField(0.2, 3200, 640);
        const NoiseModel truth = trueNoise({}, 3200);
        for (NoiseLine& line : flat.statedNoise->channel) line.a *= 0.7, line.b *= 0.7;
        measure(flat);
        QVERIFY(flat.noiseFrom == NoiseFrom::Photo);
        QVERIFY(std::abs(flat.noise.channel[1].sigma(0.18) / truth.channel[1].sigma(0.18) - 1) < 0.08);
        Photo grass = test::texturedField(0.2, 200, 640);
        Photo lied = grass;
        measure(grass);
        QVERIFY(grass.noiseFrom == NoiseFrom::File);
        QCOMPARE(grass.noise, *grass.statedNoise);
        for (NoiseLine& line : lied.statedNoise->channel) line.a *= 16, line.b *= 16;
        measure(lied);
        QVERIFY(lied.noiseFrom == NoiseFrom::Photo);
        QVERIFY(lied.noise.channel[1].sigma(0.18) < 2 * trueNoise({}, 200).channel[1].sigma(0.18));
    }
};

QTEST_MAIN(TestFaulty)
#include "faulty.moc"
