// Both grades of demosaic: what they must leave exact, what they must reach, and that a region is a crop.
#include <QTest>

#include "develop/demosaic.h"
#include "support.h"

using namespace irenic;

namespace {

constexpr int kWidth = 480, kHeight = 360;

// What a pattern sees of three planes, mirrored beyond their edges.
Plane mosaicOf(const std::array<Plane, 3>& light, const Mosaic& m, const Rect& covered) {
    Plane out(covered.width, covered.height);
    const auto source = [](int i, int size) { return i < 0 ? -i : i < size ? i : 2 * (size - 1) - i; };
    for (int y = 0; y < covered.height; ++y)
        for (int x = 0; x < covered.width; ++x) {
            const int u = source(covered.x + x, kWidth), v = source(covered.y + y, kHeight);
            out.at(x, y) = std::min(1.0f, light[m.at(u, v)].at(u, v));
        }
    return out;
}

std::array<Plane, 3> made(const std::function<float(int, int, int)>& f) {
    std::array<Plane, 3> out = {Plane(kWidth, kHeight), Plane(kWidth, kHeight), Plane(kWidth, kHeight)};
    for (int c = 0; c < 3; ++c)
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x) out[static_cast<std::size_t>(c)].at(x, y) = f(c, x, y);
    return out;
}

std::array<Plane, 3> whole(const std::array<Plane, 3>& light, const Mosaic& m, Demosaic grade) {
    const Rect all{0, 0, kWidth, kHeight}, covered = all.inflated(demosaicMargin(grade)).aligned(2);
    return demosaic(mosaicOf(light, m, covered), covered, m, all, grade, {});
}

double worst(const std::array<Plane, 3>& a, const std::array<Plane, 3>& b, int border) {
    double most = 0;
    for (std::size_t c = 0; c < 3; ++c)
        for (int y = border; y < kHeight - border; ++y)
            for (int x = border; x < kWidth - border; ++x)
                most = std::max(most, static_cast<double>(std::abs(a[c].at(x, y) - b[c].at(x, y))));
    return most;
}

double psnrOf(const std::array<Plane, 3>& a, const std::array<Plane, 3>& b) {
    double sum = 0, n = 0;
    for (std::size_t c = 0; c < 3; ++c)
        for (int y = 16; y < kHeight - 16; ++y)
            for (int x = 16; x < kWidth - 16; ++x, ++n)
                sum += std::pow(static_cast<double>(a[c].at(x, y) - std::min(1.0f, b[c].at(x, y))), 2);
    return -10 * std::log10(sum / n);
}

} // namespace

class TestDemosaic : public QObject {
    Q_OBJECT

    void gradesAndPatterns() {
        QTest::addColumn<int>("grade");
        QTest::addColumn<QString>("pattern");
        for (const int g : {0, 1})
            for (const char* p : {"RGGB", "GRBG", "GBRG", "BGGR"})
                QTest::addRow("%s %s", g ? "fine" : "quick", p) << g << QString(p);
    }

  private slots:
    void flatFieldsAndSlopesAreExact_data() { gradesAndPatterns(); }
    void flatFieldsAndSlopesAreExact() {
        QFETCH(int, grade);
        QFETCH(QString, pattern);
        const Mosaic m = test::pattern(qPrintable(pattern));
        const auto flat = made([](int c, int, int) { return 0.2f + 0.2f * static_cast<float>(c); });
        QVERIFY2(worst(whole(flat, m, static_cast<Demosaic>(grade)), flat, 0) < 1e-5, "flat");
        const auto slope = made([](int c, int x, int y) {
            return 0.1f + 0.1f * static_cast<float>(c) + 0.0008f * static_cast<float>(x) +
                   0.0005f * static_cast<float>(y);
        });
        QVERIFY2(
            worst(whole(slope, m, static_cast<Demosaic>(grade)), slope, 40) < 1e-4,
            qPrintable(QString::number(worst(whole(slope, m, static_cast<Demosaic>(grade)), slope, 40))));
    }
    // Detail that all colours share comes out sharp, in every direction: no zipper along edges of grey.
    void greyEdgesStayGrey_data() { gradesAndPatterns(); }
    void greyEdgesStayGrey() {
        QFETCH(int, grade);
        QFETCH(QString, pattern);
        const Mosaic m = test::pattern(qPrintable(pattern));
        for (const double angle : {0.0, 0.2, 0.5, M_PI / 4, 1.2, M_PI / 2}) {
            const auto edge = made([&](int, int x, int y) {
                const double d = std::cos(angle) * (x - kWidth / 2) + std::sin(angle) * (y - kHeight / 2);
                return static_cast<float>(0.15 + 0.6 / (1 + std::exp(-2.2 * d)));
            });
            const auto found = whole(edge, m, static_cast<Demosaic>(grade));
            double colour = 0, n = 0;
            for (int y = 60; y < kHeight - 60; ++y)
                for (int x = 60; x < kWidth - 60; ++x) {
                    const double d = std::cos(angle) * (x - kWidth / 2) + std::sin(angle) * (y - kHeight / 2);
                    if (std::abs(d) > 4) continue;
                    colour += std::pow(static_cast<double>(found[0].at(x, y) - found[1].at(x, y)), 2) +
                              std::pow(static_cast<double>(found[2].at(x, y) - found[1].at(x, y)), 2);
                    ++n;
                }
            const double rms = std::sqrt(colour / n);
            QVERIFY2(rms < (grade ? 0.014 : 0.03),
                     qPrintable(QStringLiteral("angle %1: %2").arg(angle).arg(rms)));
        }
    }
    void patternsDoAlikeAndFineDoesBetter() {
        const auto& light = test::millLight();
        double low[2] = {1e9, 1e9}, high[2] = {0, 0};
        for (const char* p : {"RGGB", "GRBG", "GBRG", "BGGR"})
            for (const int g : {0, 1}) {
                const double db = psnrOf(whole(light, test::pattern(p), static_cast<Demosaic>(g)), light);
                low[g] = std::min(low[g], db), high[g] = std::max(high[g], db);
            }
        QVERIFY2(
            high[0] - low[0] < 0.6 && high[1] - low[1] < 0.6,
            qPrintable(QStringLiteral("%1..%2, %3..%4").arg(low[0]).arg(high[0]).arg(low[1]).arg(high[1])));
        QVERIFY2(low[1] > high[0] + 0.5,
                 qPrintable(QStringLiteral("quick %1, fine %2").arg(high[0]).arg(low[1])));
    }
    void aRegionIsACropOfTheWhole_data() { gradesAndPatterns(); }
    void aRegionIsACropOfTheWhole() {
        QFETCH(int, grade);
        QFETCH(QString, pattern);
        const Mosaic m = test::pattern(qPrintable(pattern));
        const auto& light = test::millLight();
        const auto all = whole(light, m, static_cast<Demosaic>(grade));
        for (const Rect& r : {Rect{57, 33, 81, 66}, Rect{0, 0, 31, 40}, Rect{203, 171, 200, 25}}) {
            const Rect covered = r.inflated(demosaicMargin(static_cast<Demosaic>(grade))).aligned(2);
            const auto part =
                demosaic(mosaicOf(light, m, covered), covered, m, r, static_cast<Demosaic>(grade), {});
            for (std::size_t c = 0; c < 3; ++c)
                for (int y = 0; y < r.height; ++y)
                    QVERIFY(std::equal(part[c].row(y), part[c].row(y) + r.width, all[c].row(r.y + y) + r.x));
        }
    }
    // The mosaic's own samples are left as they are.
    void ownSamplesStay() {
        const auto& light = test::millLight();
        const Mosaic m;
        const auto found = whole(light, m, Demosaic::Quick);
        for (int y = 0; y < kHeight; y += 3)
            for (int x = 0; x < kWidth; ++x)
                QCOMPARE(found[m.at(x, y)].at(x, y), std::min(1.0f, light[m.at(x, y)].at(x, y)));
    }
};

QTEST_GUILESS_MAIN(TestDemosaic)
#include "demosaic.moc"
