#include <QTest>
#include <random>
#include <set>

#include "measure/noise.h"
#include "measure/pattern.h"
#include "noise/clipped.h"
#include "noise/estimate.h"
#include "noise/stabilise.h"
#include "support.h"

using namespace irenic;

class TestNoise : public QObject {
    Q_OBJECT
    // Stars and a lantern, as a lens draws them, on a dark field; two exposures of it differ in noise only.
    static Plane night(int size) {
        Plane truth(size, size);
        truth.fill(0.01f);
        std::mt19937 random(4);
        std::uniform_real_distribution<double> place(12, size - 12), strength(0.02, 0.8);
        for (int i = 0; i < 120; ++i) {
            const double cx = place(random), cy = place(random), peak = strength(random),
                         spread = i % 10 == 0 ? 2.5 : 0.65;
            for (int y = static_cast<int>(cy) - 8; y <= static_cast<int>(cy) + 8; ++y)
                for (int x = static_cast<int>(cx) - 8; x <= static_cast<int>(cx) + 8; ++x)
                    truth.at(x, y) = static_cast<float>(
                        std::min(1.0, static_cast<double>(truth.at(x, y)) +
                                          peak * std::exp(-((x - cx) * (x - cx) + (y - cy) * (y - cy)) /
                                                          (2 * spread * spread))));
        }
        return truth;
    }

  private slots:
    void defectsGoAndStarsStay() {
        const Plane truth = night(400);
        Shot shot;
        shot.iso = 6400;
        QVERIFY2(measurePattern(takePhoto(truth, {}, shot)).defects.size() <= 1,
                 "stars were taken for defects");
        const Photo clean = takePhoto(truth, {}, shot);
        // Defects of known strength, on a grid.
        Photo spotted = clean;
        const float sigma =
            static_cast<float>(clean.noise.channel[1].sigma(0.01) * (clean.white - clean.black.mean()));
        std::set<std::pair<int, int>> placed;
        for (int y = 20; y < 380; y += 24)
            for (int x = 21; x < 380; x += 24) {
                if (truth.at(x, y) > 0.0101f) continue;
                spotted.samples[spotted.index(x, y)] =
                    static_cast<std::uint16_t>(static_cast<float>(spotted.sample(x, y)) + 60 * sigma);
                placed.insert({x, y});
            }
        spotted.pattern = measurePattern(spotted);
        spotted.mended = mendedSamples(spotted, spotted.pattern);
        std::size_t found = 0;
        for (const Defect& d : spotted.pattern.defects) found += placed.count({d.x, d.y});
        QVERIFY2(found > placed.size() * 95 / 100, qPrintable(QString::number(found)));
        QVERIFY(spotted.pattern.defects.size() <= found + 2);
        double error = 0;
        for (const auto& [x, y] : placed)
            error += std::abs(spotted.mended[spotted.index(x, y)] - clean.samples[clean.index(x, y)]) /
                     static_cast<double>(placed.size());
        QVERIFY2(error < 2 * static_cast<double>(sigma), qPrintable(QString::number(error)));
        // Cleaning with mending leaves none of them; without, they stay.
        const auto bright = [&](bool mend) {
            Settings s{"wavelet"};
            s.mend = mend;
            const Plane out = cleanMosaic(spotted, s, {0, 0, 400, 400});
            std::size_t left = 0;
            for (const auto& [x, y] : placed) left += out.at(x, y) > 0.05f ? 1 : 0;
            return left;
        };
        QVERIFY(bright(true) <= placed.size() / 20);
        QVERIFY(bright(false) > placed.size() / 2);
    }
    // Grass, water, pebbles: fine texture from edge to edge, as a lens draws it. Each colour alone is sampled
    // so coarsely that it looks like noise; all of them together tell.
    void whereNothingIsFlat_data() {
        QTest::addColumn<double>("iso");
        QTest::newRow("3200") << 3200.0;
        QTest::newRow("12800") << 12800.0;
    }
    void whereNothingIsFlat() {
        QFETCH(double, iso);
        const int size = 640;
        const Photo p = test::texturedField(0.2, iso, size);
        double doubt = 0;
        const NoiseModel found = measureNoise(p, {}, &doubt);
        for (const std::size_t c : {0, 1, 3}) {
            const double ratio = found.channel[c].sigma(0.18) / p.noise.channel[c].sigma(0.18);
            QVERIFY2(ratio > 0.87 && ratio < 1.15, qPrintable(QString::number(ratio)));
        }
        QVERIFY2(doubt < 0.3, qPrintable(QString::number(doubt)));
        // A flat field leaves no doubt.
        measureNoise(test::flatField(0.2, iso, size), {}, &doubt);
        QCOMPARE(doubt, 0.0);
    }
    void deadPixelsGo() {
        Plane truth(300, 300);
        for (int y = 0; y < 300; ++y)
            for (int x = 0; x < 300; ++x)
                truth.at(x, y) = 0.3f + 0.1f * static_cast<float>(std::sin(x * 0.05) * std::cos(y * 0.07));
        Shot shot;
        shot.iso = 3200, shot.deadPixels = 5e-4;
        const Photo p = takePhoto(truth, {}, shot);
        const Pattern pattern = measurePattern(p);
        int dead = 0, found = 0;
        for (int y = 4; y < 296; ++y)
            for (int x = 4; x < 296; ++x) dead += p.normalised(x, y) < 0.05f ? 1 : 0;
        for (const Defect& d : pattern.defects) found += p.normalised(d.x, d.y) < 0.05f ? 1 : 0;
        QVERIFY(dead > 20);
        QVERIFY2(found >= dead * 8 / 10, qPrintable(QString::number(found)));
        QCOMPARE(static_cast<int>(pattern.defects.size()), found);
    }
    void linesAreMeasuredAndGo() {
        // A dark photo: that is where lines are seen.
        auto s = test::shoot(12800, "RGGB", 3, Scene::SackStore, -2);
        const Pattern none = measurePattern(s.photo);
        QVERIFY2(none.rows.empty() && none.columns.empty(),
                 qPrintable(QStringLiteral("%1 %2").arg(none.rowSigma).arg(none.columnSigma)));
        s.shot.rowLines = 0.9, s.shot.columnLines = 0.5;
        Photo p = takePhoto(s.truth, s.body, s.shot);
        p.pattern = measurePattern(p);
        // Read noise is 1.8 electrons.
        QVERIFY2(std::abs(p.pattern.rowSigma - 0.5) < 0.1, qPrintable(QString::number(p.pattern.rowSigma)));
        QVERIFY2(std::abs(p.pattern.columnSigma - 0.28) < 0.08,
                 qPrintable(QString::number(p.pattern.columnSigma)));
        p.mended = mendedSamples(p, p.pattern);
        // How much the means of rows differ from those of the photo without lines: most of it goes.
        const auto spread = [&](const std::vector<std::uint16_t>& samples) {
            double sum = 0, squares = 0;
            for (int y = 2; y < p.height() - 2; ++y) {
                double mean = 0;
                for (int x = 0; x < p.width(); ++x)
                    mean += (samples[p.index(x, y)] - s.photo.samples[p.index(x, y)]) /
                            static_cast<double>(p.width());
                sum += mean, squares += mean * mean;
            }
            const double n = p.height() - 4;
            return std::sqrt(squares / n - sum / n * sum / n);
        };
        QVERIFY2(spread(p.mended) < 0.5 * spread(p.samples),
                 qPrintable(QStringLiteral("%1 of %2").arg(spread(p.mended)).arg(spread(p.samples))));
        QVERIFY(p.mended.size() == p.samples.size());
        // A photo without pattern keeps no second copy.
        QVERIFY(mendedSamples(s.photo, none).empty() || !none.defects.empty());
    }
    // The inverse applied to the mean of stabilised samples gives the mean back, down to a fraction of an
    // electron.
    void inverseIsUnbiased_data() {
        QTest::addColumn<double>("electrons");
        QTest::addColumn<double>("read");
        for (const double read : {0.0, 1.6, 4.0})
            for (const double e : {0.0, 0.3, 1.0, 3.0, 10.0, 45.0, 200.0})
                QTest::addRow("%.1f e- with %.1f read", e, read) << e << read;
    }
    void inverseIsUnbiased() {
        QFETCH(double, electrons);
        QFETCH(double, read);
        const double well = 1000;
        const Stabiliser s({1 / well, read * read / well / well});
        std::mt19937 random(5);
        std::normal_distribution<double> gauss;
        std::poisson_distribution<int> poisson(std::max(electrons, 1e-9));
        double sum = 0, squares = 0;
        constexpr int n = 400000;
        for (int i = 0; i < n; ++i) {
            const double v = static_cast<double>(
                s.forward(static_cast<float>((poisson(random) + read * gauss(random)) / well)));
            sum += v, squares += v * v;
        }
        const double found = static_cast<double>(s.unbiased(static_cast<float>(sum / n))) * well;
        const double tolerance = 0.012 + 4 * std::sqrt((electrons + read * read) / n);
        QVERIFY2(std::abs(found - electrons) < tolerance, qPrintable(QString::number(found)));
        if (electrons >= 10) {
            const double deviation = std::sqrt(squares / n - sum / n * sum / n);
            QVERIFY2(std::abs(deviation - 1) < 0.05, qPrintable(QString::number(deviation)));
        }
    }
    void inverseIsMonotone() {
        const Stabiliser s({0.01, 0.0002});
        float last = s.unbiased(0);
        for (float d = 0.01f; d < 40; d += 0.01f) {
            QVERIFY(s.unbiased(d) > last);
            last = s.unbiased(d);
        }
        QVERIFY(std::abs(s.algebraic(s.forward(0.37f)) - 0.37f) < 1e-5f);
    }
    // A line that is flatter than it may be keeps what it says in the middle of the points; steeper ones
    // stay.
    void linesAreNotFlatterThanTheyMayBe() {
        const std::vector<NoisePoint> points = {{0.1, 4e-4, 1 / 4e-4 / 4e-4}, {0.5, 4e-4, 1 / 4e-4 / 4e-4}};
        const NoiseLine flat{0, 4e-4}, steep{1e-3, 1e-5};
        const NoiseLine found = noFlatter(flat, points, 0.1);
        QVERIFY(std::abs(found.b / found.a - 0.1) < 1e-9);
        QVERIFY(std::abs(found.variance(0.3) - flat.variance(0.3)) < 1e-9);
        QVERIFY(found.variance(0.8) > 2 * found.variance(0.3) && found.variance(0) < 0.3 * flat.b);
        QVERIFY(noFlatter(steep, points, 0.1) == steep);
        QVERIFY(noFlatter(flat, {}, 0.1) == flat); // nothing was measured
    }
    // Within 10 % of the truth at black and at mid-grey, on a picture full of texture, at every ISO, and in
    // files that have no room for noise below black.
    void measuredWithinTenPerCent_data() {
        QTest::addColumn<double>("iso");
        QTest::addColumn<double>("black");
        for (const double iso : {1600.0, 6400.0, 12800.0, 51200.0}) {
            QTest::addRow("ISO %.0f", iso) << iso << 2048.0;
            QTest::addRow("ISO %.0f from black on", iso) << iso << 0.0;
        }
    }
    void measuredWithinTenPerCent() {
        QFETCH(double, iso);
        QFETCH(double, black);
        test::Shooting s;
        s.body.black = black;
        s.shot.iso = iso;
        const auto& light = test::lightOf(Scene::SackStore, 1600, 1200);
        s.photo = takePhoto(exposeMosaic(light, s.body, s.shot), s.body, s.shot);
        const NoiseModel truth = trueNoise(s.body, iso), found = measureNoise(s.photo);
        for (std::size_t c = 0; c < 4; ++c)
            for (const double x : {0.0, 0.18}) {
                const double ratio = found.channel[c].sigma(x) / truth.channel[c].sigma(x);
                QVERIFY2(ratio > 0.9 && ratio < 1.1,
                         qPrintable(QStringLiteral("%1 at %2: %3").arg(kChannelNames[c]).arg(x).arg(ratio)));
            }
    }
    // Points that rest on few blocks scatter: the mean of many small photos is still near the truth.
    void smallPhotosTellNoLess() {
        double sum = 0;
        int n = 0;
        for (const Scene view : {Scene::SackStore, Scene::HarbourWindow, Scene::Gauges})
            for (std::uint32_t seed = 1; seed <= 3; ++seed, ++n) {
                const auto s = test::shoot(12800, "RGGB", seed, view);
                const NoiseModel found = measureNoise(s.photo);
                for (std::size_t c = 0; c < 4; ++c)
                    sum +=
                        std::log(found.channel[c].variance(0.1) / s.photo.noise.channel[c].variance(0.1)) / 4;
            }
        const double ratio = std::exp(sum / n);
        QVERIFY2(std::abs(ratio - 1) < 0.08, qPrintable(QString::number(ratio)));
    }

    // Clipping moves the mean of noise and makes it smaller; what it was comes back.
    void clippingIsUndone() {
        std::mt19937 random(5);
        std::normal_distribution<double> normal;
        for (const double room : {0.0, 0.3, 1.0, 2.0, 3.5}) {
            const double lowest = -0.02, sigma = 0.01, mean = lowest + room * sigma;
            double sum = 0, squares = 0;
            constexpr int n = 400000;
            for (int i = 0; i < n; ++i) {
                const double v = std::max(lowest, mean + sigma * normal(random));
                sum += v, squares += v * v;
            }
            const Moments seen{sum / n, squares / n - sum / n * sum / n},
                before = beforeClipping(seen, lowest);
            QVERIFY2(std::abs(before.mean - mean) < 0.02 * sigma, qPrintable(QString::number(before.mean)));
            QVERIFY(std::abs(std::sqrt(before.variance) / sigma - 1) < 0.02);
        }
        // An estimate of the mean alone, at both ends; between them it is what it was.
        const NoiseLine line{1.0 / 50, 1e-3};
        const ClippedMean clipped(line, 0);
        for (const double x : {0.0, 0.02, 0.1, 0.45, 0.8, 0.95, 1.0}) {
            double sum = 0;
            constexpr int n = 400000;
            for (int i = 0; i < n; ++i) sum += std::clamp(x + line.sigma(x) * normal(random), 0.0, 1.0);
            const double found = clipped.before(static_cast<float>(sum / n));
            QVERIFY2(std::abs(found - x) < 0.02 * line.sigma(x), qPrintable(QString::number(found)));
        }
        QCOMPARE(clipped.before(0.45f), 0.45f);
        QVERIFY(clipped.before(1.2f) <= 1);
        QVERIFY(clipped.before(0.01f) < clipped.before(0.02f)); // below black it goes on
        // With room below, darkness stays as it is.
        QCOMPARE(ClippedMean(line, -0.5).before(-0.01f), -0.01f);
    }

    void estimateNeverLooksAtTheProfile() {
        auto s = test::shoot(12800);
        const NoiseModel before = measureNoise(s.photo);
        s.photo.statedNoise->channel[0] = {1, 1};
        s.photo.noise.channel[0] = {1, 1};
        QVERIFY(measureNoise(s.photo) == before);
    }
};

QTEST_GUILESS_MAIN(TestNoise)
#include "noise.moc"
