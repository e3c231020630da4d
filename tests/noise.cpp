#include <QTest>
#include <random>

#include "noise/estimate.h"
#include "noise/stabilise.h"
#include "support.h"

using namespace irenic;

class TestNoise : public QObject {
    Q_OBJECT
  private slots:
    // The inverse applied to the mean of stabilised samples gives the mean back, down to a fraction of an electron.
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
            const double v = static_cast<double>(s.forward(static_cast<float>((poisson(random) + read * gauss(random)) / well)));
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
    // Within 10 % of the truth at black and at mid-grey, on a picture full of texture, at every ISO.
    void measuredWithinTenPerCent_data() {
        QTest::addColumn<double>("iso");
        for (const double iso : {1600.0, 6400.0, 12800.0, 51200.0}) QTest::addRow("ISO %.0f", iso) << iso;
    }
    void measuredWithinTenPerCent() {
        QFETCH(double, iso);
        test::Shooting s;
        s.body.black = 2048;
        s.shot.iso = iso;
        static const auto light = renderView(View::SackStore, 1600, 1200);
        s.photo = takePhoto(exposeMosaic(light, s.body, s.shot), s.body, s.shot);
        const NoiseModel truth = trueNoise(s.body, iso), found = measureNoise(s.photo);
        for (std::size_t c = 0; c < 4; ++c)
            for (const double x : {0.0, 0.18}) {
                const double ratio = found.channel[c].sigma(x) / truth.channel[c].sigma(x);
                QVERIFY2(ratio > 0.9 && ratio < 1.1, qPrintable(QStringLiteral("%1 at %2: %3").arg(kChannelNames[c]).arg(x).arg(ratio)));
            }
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
