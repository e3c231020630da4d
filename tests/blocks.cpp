#include <QTest>

#include "denoise/block_filter.h"
#include "denoise/bm3d.h"
#include "denoise/cell_basis.h"
#include "denoise/clean.h"
#include "denoise/learned.h"
#include "denoise/network_passes.h"
#include "denoise/nlbayes.h"
#include "support.h"

using namespace irenic;
using groups::Step;

// The kinds of blocks that block matching filters, and what is built upon them.
class TestBlocks : public QObject {
    Q_OBJECT
    using Filter = std::function<void(const Step&, const Rect&, groups::Accumulator&)>;
    static constexpr std::array<float, kPlanes> kMatched{1, 1, 1, 1};

    static double errorOf(const PlaneSet& found, const PlaneSet& expected, const Rect& area) {
        double sum = 0;
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = area.y; y < area.bottom(); ++y)
                for (int x = area.x; x < area.right(); ++x)
                    sum += std::pow(static_cast<double>(found.rowAt(p, y)[x] - expected.rowAt(p, y)[x]), 2);
        return sum / static_cast<double>(area.area() * static_cast<long long>(kPlanes));
    }
    // Of a view: what is seen, what is there on average, both with room around `area`.
    struct Seen {
        Rect area{90, 90, 160, 96};
        PlaneSet noisy, expected;
        explicit Seen(Scene view, int room = NonLocalBayes().margin()) {
            const auto s = test::shoot(12800, "RGGB", 5, view);
            noisy = stabilisedPlanes(s.photo, area.inflated(room));
            expected = test::expectedPlanes(s, area, 60);
        }
    };

  private slots:
    void initTestCase() { keepFreedMemory(); }

    void cellBasisIsOrthonormal() {
        for (const auto& row : kCellBasis)
            for (const auto& basis : row)
                for (std::size_t q = 0; q < kPlanes; ++q)
                    for (std::size_t r = 0; r < kPlanes; ++r) {
                        double product = 0;
                        for (std::size_t p = 0; p < kPlanes; ++p)
                            product += static_cast<double>(basis[q][p]) * static_cast<double>(basis[r][p]);
                        QVERIFY(std::abs(product - (q == r ? 1 : 0)) < 1e-6);
                    }
    }
    // Rows and columns exchanged, both greens have changed places, and the basis is the same.
    void cellBasisKnowsNoDirection() {
        for (std::size_t v = 0; v < kCellBlock; ++v)
            for (std::size_t u = 0; u < kCellBlock; ++u)
                for (std::size_t q = 0; q < kPlanes; ++q) {
                    double product = 0;
                    for (std::size_t p = 0; p < kPlanes; ++p)
                        product += (p == 3 ? -1.0 : 1.0) * static_cast<double>(kCellBasis[v][u][q][p]) *
                                   static_cast<double>(kCellBasis[u][v][q][p]);
                    QVERIFY2(std::abs(std::abs(product) - 1) < 1e-4, qPrintable(QString::number(product)));
                }
    }

    // Where hardly any noise is said to be, a filter gives back what it was given: transforms, windows and
    // weights fit, at the edges of tiles too.
    void whatIsNoNoiseComesBack_data() {
        QTest::addColumn<int>("kind");
        QTest::addColumn<bool>("second");
        QTest::addColumn<bool>("sparse");
        for (const bool second : {false, true}) {
            const char* step = second ? "step two" : "step one";
            QTest::addRow("planes, %s", step) << 0 << second << false;
            for (const bool sparse : {false, true}) {
                const char* blocks = sparse ? "half of the blocks" : "all blocks";
                QTest::addRow("mosaic, %s, %s", step, blocks) << 1 << second << sparse;
                QTest::addRow("cells, %s, %s", step, blocks) << 2 << second << sparse;
            }
        }
    }
    void whatIsNoNoiseComesBack() {
        QFETCH(int, kind);
        QFETCH(bool, second);
        QFETCH(bool, sparse);
        const Filter filter[3] = {blocks::filterPlanes, blocks::filterMosaic, blocks::filterCells};
        const auto s = test::shoot(12800);
        const Rect area{61, 40, 150, 99};
        const PlaneSet noisy = stabilisedPlanes(s.photo, area.inflated(groups::kReach));
        constexpr float little = 1e-3f;
        Step step{&noisy, nullptr, &noisy.plane[0], noisy.area, {}, {little, little, little, little}, 16};
        if (second) step.basic = &noisy;
        step.channels = kind == 1, step.sparse = sparse;
        const PlaneSet out = aggregate(step, area, filter[kind], {});
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = area.y; y < area.bottom(); ++y)
                for (int x = area.x; x < area.right(); ++x)
                    QVERIFY2(std::abs(out.rowAt(p, y)[x] - noisy.rowAt(p, y)[x]) < 0.02f,
                             qPrintable(QStringLiteral("plane %1 at %2, %3").arg(p).arg(x).arg(y)));
    }

    // Of NL-Bayes' groups every second is taken: no sample may be left to nobody.
    void bayesGivesBackWhatIsNoNoise() {
        const auto s = test::shoot(12800);
        const Rect area{61, 40, 150, 99};
        const PlaneSet noisy = stabilisedPlanes(s.photo, area.inflated(kBayesMargin));
        const PlaneSet out = bayesUpon(noisy, noisy, area, 1e-3f, {});
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = area.y; y < area.bottom(); ++y)
                for (int x = area.x; x < area.right(); ++x)
                    QVERIFY2(std::abs(out.rowAt(p, y)[x] - noisy.rowAt(p, y)[x]) < 0.02f,
                             qPrintable(QStringLiteral("plane %1 at %2, %3").arg(p).arg(x).arg(y)));
    }

    // The better the first estimate, the better what comes of it; with the network's own answer it is better
    // than that.
    void bayesCorrectsTheNetwork_data() { theOtherKindCorrects_data(); }
    void bayesCorrectsTheNetwork() {
        QFETCH(Scene, view);
        const Learned quick(true), full(false);
        const Seen seen(view, kBayesMargin + full.margin());
        const PlaneSet first = quick.run(seen.noisy, seen.area.inflated(kBayesMargin), kMatched, {});
        const double network = errorOf(first, seen.expected, seen.area);
        const double upon = errorOf(bayesUpon(seen.noisy, first, seen.area, 1, {}), seen.expected, seen.area);
        const double both = errorOf(full.run(seen.noisy, seen.area, kMatched, {}), seen.expected, seen.area);
        const double without =
            errorOf(NonLocalBayes().run(seen.noisy, seen.area, kMatched, {}), seen.expected, seen.area);
        qInfo(
            "NL-Bayes upon block matching %.4f, upon the network %.4f; the network %.4f, the full grade %.4f",
            without, upon, network, both);
        QVERIFY(upon < without && both < network);
    }

    // What lies a whole number of tiles elsewhere comes out the same to the last bit.
    void bayesMovesWithThePicture() {
        Seen seen(Scene::SackStore);
        const Rect wide = seen.area.inflated(kBayesMargin);
        PlaneSet basic = sparseBlockMatching(seen.noisy, wide, 1, {});
        const PlaneSet here = bayesUpon(seen.noisy, basic, seen.area, 1, {});
        PlaneSet noisy = std::move(seen.noisy);
        constexpr int x = -3 * groups::kTile, y = 5 * groups::kTile;
        noisy.area = noisy.area.translated(x, y), basic.area = basic.area.translated(x, y);
        noisy.extent = {};
        const PlaneSet there = bayesUpon(noisy, basic, seen.area.translated(x, y), 1, {});
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int v = seen.area.y; v < seen.area.bottom(); ++v)
                for (int u = seen.area.x; u < seen.area.right(); ++u)
                    QCOMPARE(there.rowAt(p, v + y)[u + x], here.rowAt(p, v)[u]);
    }
    // The second look is nearer the truth than the first, and than what it hears, NL-Bayes upon the first.
    void theSecondLookSeesMore_data() { theOtherKindCorrects_data(); }
    void theSecondLookSeesMore() {
        QFETCH(Scene, view);
        const Seen seen(view, passesMargin());
        const Rect area = seen.area.intersected(seen.noisy.extent);
        const auto off = [&](const PlaneSet& of) { return errorOf(of, seen.expected, area); };
        const double first = off(onePass(seen.noisy, area, 1, {})),
                     heard = off(guideOfSecondPass(seen.noisy, area, 1, {})),
                     second = off(twoPasses(seen.noisy, area, 1, {}));
        qInfo("one look %.4f, heard then %.4f, two looks %.4f", first, heard, second);
        QVERIFY(second < first && second < heard);
    }

    // The same first step, then the same kind of blocks or the other one.
    void theOtherKindCorrects_data() {
        QTest::addColumn<Scene>("view");
        QTest::newRow("sacks") << Scene::SackStore;
        QTest::newRow("gear") << Scene::GearLoft;
    }
    void theOtherKindCorrects() {
        QFETCH(Scene, view);
        const Seen seen(view);
        const Rect wide = seen.area.inflated(groups::kReach);
        const PlaneSet basic = sparseFirstStep(seen.noisy, wide, 1, {});
        Step step{&seen.noisy, &basic, &seen.noisy.plane[0], seen.noisy.area, {}, kMatched, 16, true};
        const double same =
            errorOf(aggregate(step, seen.area, blocks::filterMosaic, {}), seen.expected, seen.area);
        const double quick =
            errorOf(BlockMatching(true).run(seen.noisy, seen.area, kMatched, {}), seen.expected, seen.area);
        const double full =
            errorOf(BlockMatching(false).run(seen.noisy, seen.area, kMatched, {}), seen.expected, seen.area);
        const double bayes =
            errorOf(NonLocalBayes().run(seen.noisy, seen.area, kMatched, {}), seen.expected, seen.area);
        qInfo("mosaic twice %.4f, then cells %.4f, both %.4f; upon cells NL-Bayes %.4f", same, quick, full,
              bayes);
        QVERIFY(quick < same && full < quick);
        QVERIFY(bayes < quick);
    }

    // What is asked of one kind of planes does not touch the other.
    void bayesLeavesAloneWhatItShould() {
        const Seen seen(Scene::SackStore);
        const PlaneSet colour = NonLocalBayes().run(seen.noisy, seen.area, {0, 1, 1, 0}, {});
        const PlaneSet light = NonLocalBayes().run(seen.noisy, seen.area, {1, 0, 0, 1}, {});
        for (std::size_t p = 0; p < kPlanes; ++p) {
            const PlaneSet& left = isColour(p) ? light : colour;
            for (int y = seen.area.y; y < seen.area.bottom(); ++y)
                for (int x = seen.area.x; x < seen.area.right(); ++x)
                    QCOMPARE(left.rowAt(p, y)[x], seen.noisy.rowAt(p, y)[x]);
        }
        QVERIFY(errorOf(colour, seen.expected, seen.area) < errorOf(seen.noisy, seen.expected, seen.area));
        QVERIFY(errorOf(light, seen.expected, seen.area) < errorOf(seen.noisy, seen.expected, seen.area));
    }
};

QTEST_GUILESS_MAIN(TestBlocks)
#include "blocks.moc"
