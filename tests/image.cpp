#include <QTest>
#include <set>

#include "image/dct_cosine.h"
#include "image/matrix.h"
#include "image/plane.h"
#include "image/tiles.h"

using namespace irenic;

class TestImage : public QObject {
    Q_OBJECT
  private slots:
    void rectangles() {
        const Rect a{-3, 5, 10, 4};
        QCOMPARE(a.right(), 7);
        QVERIFY((a.intersected({0, 0, 4, 6}) == Rect{0, 5, 4, 1}));
        QVERIFY(a.intersected({100, 100, 4, 4}).empty());
        QVERIFY((a.aligned(4) == Rect{-4, 4, 12, 8}));
        QVERIFY(a.inflated(2).contains(a));
        QVERIFY(!a.contains(a.inflated(1)));
    }
    void mirroring() {
        const int expected[] = {2, 1, 0, 0, 1, 2, 2, 1, 0, 0};
        for (int i = -3; i < 7; ++i) QCOMPARE(mirrored(i, 3), expected[i + 3]);
        QCOMPARE(mirrored(-17, 1), 0);
    }
    void planesAreAlignedAndPadded() {
        for (const int width : {1, 15, 16, 17, 250}) {
            Plane p(width, 3);
            QCOMPARE(reinterpret_cast<quintptr>(p.row(1)) % 64, quintptr(0));
            QVERIFY(p.stride() >= width + 16);
            p.fill(2);
            p.at(width - 1, 2) = 5;
            const Plane c = p.cropped({width - 1, 1, 1, 2});
            QCOMPARE(c.at(0, 1), 5.0f);
            QCOMPARE(p.clone().at(0, 0), 2.0f);
        }
    }
    void matrices() {
        const Matrix3 m = {2, 1, 0, 0, 3, 1, 1, 0, 1};
        const Matrix3 id = m * inverse(m);
        for (std::size_t i = 0; i < 9; ++i) QVERIFY(std::abs(id[i] - kIdentity3[i]) < 1e-12);
        QCOMPARE(inverse(Matrix3{1, 2, 3, 2, 4, 6, 0, 0, 1})[0], 0.0);
    }
    void cosinesAreOrthonormal() {
        for (const int n : {1, 2, 4, 8, 16})
            for (int u = 0; u < n; ++u)
                for (int v = 0; v < n; ++v) {
                    double sum = 0;
                    for (int x = 0; x < n; ++x)
                        sum +=
                            static_cast<double>(dctCosine(n, u, x)) * static_cast<double>(dctCosine(n, v, x));
                    QVERIFY(std::abs(sum - (u == v ? 1 : 0)) < 1e-6);
                }
        QVERIFY(dctCosine(8, 1, 0) > 0 && dctCosine(8, 1, 7) < 0); // rows are frequencies
    }
    void tilesCoverAnAreaOnceOnAFixedGrid() {
        std::mutex guard;
        std::set<std::pair<int, int>> seen;
        forEachTile({-5, 3, 70, 40}, 32, {}, [&](const Rect& t) {
            const std::lock_guard lock(guard);
            QVERIFY(t.x % 32 == 0 && t.y % 32 == 0);
            QVERIFY(seen.insert({t.x, t.y}).second);
        });
        QCOMPARE(seen.size(), std::size_t(4 * 2));
    }
    void stopping() {
        std::stop_source stop;
        stop.request_stop();
        QVERIFY_EXCEPTION_THROWN(
            forEachTile({0, 0, 64, 64}, 32, {stop.get_token(), nullptr}, [](const Rect&) {}), Cancelled);
    }
};

QTEST_GUILESS_MAIN(TestImage)
#include "image.moc"
