// Strips of a frame, developed from samples that were cleaned ahead.
#include <QTest>

#include "deliver/strips.h"
#include "support.h"

using namespace irenic;

class TestStrips : public QObject {
    Q_OBJECT

    // A part of the mill's noise again and again: tall enough to be cleaned in several steps.
    static Photo tall(int height, bool mosaic) {
        const Photo small = test::shoot(6400).photo;
        Photo out = small;
        out.rawWidth = 96, out.rawHeight = height;
        out.active = out.crop = {0, 0, 96, height};
        out.mended.clear(), out.id = {};
        out.channels = mosaic ? 1 : 3;
        out.samples.resize(static_cast<std::size_t>(96) * static_cast<std::size_t>(height) *
                           static_cast<std::size_t>(out.channels));
        if (!mosaic) out.mosaic = {};
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < 96; ++x)
                for (int c = 0; c < out.channels; ++c)
                    out.samples[out.index(x, y, c)] =
                        small.samples[small.index(x + 2 * c, y % small.height())];
        return out;
    }

  private slots:
    // Whatever a strip asks for is what cleaning that alone gives: around it, beside the frame, above it, and
    // far below it.
    void samplesAreThoseOfCleaning_data() {
        QTest::addColumn<bool>("mosaic");
        QTest::addColumn<int>("height");
        QTest::addColumn<int>("above");
        QTest::addColumn<int>("below");
        QTest::addRow("a mosaic") << true << 1400 << 12 << 12;
        QTest::addRow("in two steps") << true << 9000 << 12 << 12;
        QTest::addRow("pixels in two steps") << false << 4500 << 7 << 9;
        QTest::addRow("far around") << true << 1400 << 100 << 300;
        QTest::addRow("ever farther up") << true << 2100 << 900 << 10;
    }
    void samplesAreThoseOfCleaning() {
        QFETCH(bool, mosaic);
        QFETCH(int, height);
        QFETCH(int, above);
        QFETCH(int, below);
        const Photo photo = tall(height, mosaic);
        const Rect whole = photo.whole(), frame{10, 33, 70, height - 60};
        const Settings settings{"wavelet"};
        const Image right = cleanRegion(photo, settings, whole);
        int next = frame.y;
        forEachStrip(
            photo, settings, frame, {}, [&](const Rect& strip, CleanSource& cleaned, const Work& work) {
                QCOMPARE(strip.y, next);
                QCOMPARE(strip.x, frame.x);
                QCOMPARE(strip.width, frame.width);
                next = strip.bottom();
                const Rect wanted =
                    Rect{strip.x - 9, strip.y - above, strip.width + 30, strip.height + above + below}
                        .intersected(whole);
                QVERIFY(test::same(cleaned.get(photo, settings, wanted, work), right.cropped(wanted)));
            });
        QCOMPARE(next, frame.bottom());
    }

    // Told in order, and all at the end.
    void progressNeverFalls_data() {
        QTest::addColumn<QString>("method");
        QTest::addColumn<int>("height");
        QTest::addRow("in two steps") << "wavelet" << 9000;
        QTest::addRow("in one") << "wavelet" << 700;
        QTest::addRow("nothing to clean") << "none" << 2000;
    }
    void progressNeverFalls() {
        QFETCH(QString, method);
        QFETCH(int, height);
        const Photo photo = tall(height, true);
        const Settings settings = method == "none" ? Settings::original() : Settings{method.toStdString()};
        const Rect whole = photo.whole();
        std::atomic<float> done = 0;
        float before = 0, first = 0;
        int strips = 0;
        forEachStrip(photo, settings, whole, {{}, &done},
                     [&](const Rect& strip, CleanSource& cleaned, const Work& work) {
                         QVERIFY(done >= before);
                         cleaned.get(photo, settings, strip, work);
                         QVERIFY(done >= before);
                         before = done;
                         if (++strips == 1) first = done;
                     });
        QCOMPARE(done.load(), 1.0f);
        if (method == "none") QVERIFY(first < 0.3f);
        if (height == 9000) QVERIFY(first > 0.3f && first < 0.6f); // half of it is cleaned
    }

    void stopsWhenAsked() {
        const Photo photo = tall(3000, true);
        const Settings settings{"wavelet"};
        std::stop_source source;
        int strips = 0;
        const auto run = [&] {
            forEachStrip(photo, settings, {0, 0, 96, 3000}, {source.get_token()},
                         [&](const Rect&, CleanSource&, const Work&) {
                             if (++strips == 2) source.request_stop();
                         });
        };
        QVERIFY_EXCEPTION_THROWN(run(), Cancelled);
        QCOMPARE(strips, 2);
    }
};

QTEST_GUILESS_MAIN(TestStrips)
#include "strips.moc"
