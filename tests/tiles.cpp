// The store of cleaned tiles: what comes out of it, what it cleans, what it keeps.
#include <QTest>
#include <random>
#include <thread>

#include "denoise/tile_store.h"
#include "develop/render.h"
#include "noise/stabilise.h"
#include "support.h"

using namespace irenic;

class TestTiles : public QObject {
    Q_OBJECT

    static constexpr std::size_t kPlenty = std::size_t{1} << 28;

    // The largest difference of two images over the noise's standard deviation there, after stabilisation.
    static double farthest(const Photo& photo, const Image& a, const Image& b) {
        double most = 0;
        for (std::size_t p = 0; p < a.planes(); ++p)
            for (int y = a.area.y; y < a.area.bottom(); ++y)
                for (int x = a.area.x; x < a.area.right(); ++x) {
                    const int site = (y & 1) * 2 + (x & 1);
                    const std::size_t channel = photo.hasMosaic()
                                                    ? static_cast<std::size_t>(photo.mosaic.channel(site))
                                                : p == 2 ? 3
                                                         : p;
                    const Stabiliser s(photo.noise.channel[channel]);
                    const float u = s.forward(std::min(a.rowAt(p, y)[x], 1.0f)),
                                v = s.forward(std::min(b.rowAt(p, y)[x], 1.0f));
                    most = std::max(most, static_cast<double>(std::abs(u - v)));
                }
        return most;
    }

  private slots:
    // Within 1/64 of the noise, at every speed; with next to no noise to the last bit.
    void samplesStayWhatTheyAre_data() {
        QTest::addColumn<double>("iso");
        for (const double iso : {100.0, 800.0, 6400.0, 51200.0, 204800.0}) QTest::addRow("%g", iso) << iso;
    }
    void samplesStayWhatTheyAre() {
        QFETCH(double, iso);
        const auto s = test::shoot(iso);
        for (const Settings& settings : {Settings{"wavelet"}, Settings{"wavelet", 1, 1, 0.25f, 1}}) {
            TileStore store(kPlenty);
            const Rect area{33, 27, 190, 141};
            const Image kept = store.get(s.photo, settings, area),
                        plain = cleanRegion(s.photo, settings, area);
            const double off = farthest(s.photo, kept, plain);
            QVERIFY2(off <= 1.0 / 64 + 1e-4, qPrintable(QString::number(off)));
            // From the tiles it is what it was when they were made.
            const long long cleaned = store.pixelsCleaned();
            QVERIFY(test::same(store.get(s.photo, settings, area), kept));
            QCOMPARE(store.pixelsCleaned(), cleaned);
        }
        Photo bright = s.photo;
        for (NoiseLine& line : bright.noise.channel) line = {1e-6, 1e-9};
        TileStore store(kPlenty);
        const Rect area{20, 20, 64, 64};
        QVERIFY(test::same(store.get(bright, {"wavelet"}, area), cleanRegion(bright, {"wavelet"}, area)));
    }
    // Whatever was asked for before, and at the photo's edges, a place has one value.
    void everyWayGivesTheSame() {
        const auto s = test::shoot(6400);
        const Rect whole{0, 0, s.photo.width(), s.photo.height()};
        TileStore all(kPlenty);
        const Image full = all.get(s.photo, {"nlm"}, whole);
        TileStore bits(kPlenty);
        std::mt19937 random(5);
        for (int i = 0; i < 40; ++i) {
            const int w = 1 + static_cast<int>(random() % 90), h = 1 + static_cast<int>(random() % 90);
            const Rect area{static_cast<int>(random() % static_cast<unsigned>(whole.width - w + 1)),
                            static_cast<int>(random() % static_cast<unsigned>(whole.height - h + 1)), w, h};
            QVERIFY(test::same(bits.get(s.photo, {"nlm"}, area), full));
        }
        QVERIFY(test::same(bits.get(s.photo, {"nlm"}, whole), full));
    }
    // A method that works in whole squares keeps all of them that it has made.
    void whatIsMadeAnywayIsKept() {
        test::Shooting s = test::shoot(6400);
        s.photo = takePhoto(exposeMosaic(test::lightOf(Scene::SackStore, 1000, 640), s.body, s.shot), s.body,
                            s.shot);
        const Settings settings{"learned-quick"};
        const Rect whole{0, 0, s.photo.width(), s.photo.height()}, area{300, 200, 96, 64};
        const Rect anyway = areaOfSameCost(s.photo, settings, area);
        QVERIFY(anyway.contains(area) && whole.contains(anyway) && anyway.area() > 4 * area.area());
        QVERIFY(areaOfSameCost(s.photo, settings, anyway) == anyway);
        QVERIFY(areaOfSameCost(s.photo, {"wavelet"}, area) == area);
        QVERIFY(areaOfSameCost(s.photo, settings, whole) == whole);
        TileStore store(kPlenty), all(kPlenty);
        store.get(s.photo, settings, area);
        const long long cleaned = store.pixelsCleaned();
        QVERIFY(test::same(store.get(s.photo, settings, anyway), all.get(s.photo, settings, whole)));
        QCOMPARE(store.pixelsCleaned(), cleaned);
        // At the corner, and over all of it.
        QVERIFY(test::same(store.get(s.photo, settings, {whole.width - 50, whole.height - 40, 50, 40}),
                           all.get(s.photo, settings, whole)));
        QVERIFY(test::same(store.get(s.photo, settings, whole), all.get(s.photo, settings, whole)));
    }
    // A step aside cleans a strip, the next ones nothing; a value that was there before nothing at all.
    void onlyWhatIsNewIsCleaned() {
        const auto s = test::shoot(3200);
        TileStore store(kPlenty);
        const Rect area{64, 64, 160, 128};
        store.get(s.photo, {"wavelet"}, area);
        const long long first = store.pixelsCleaned();
        QVERIFY(first >= area.area() && first < area.area() * 5 / 4);
        for (int step = 1; step <= 12; ++step) store.get(s.photo, {"wavelet"}, area.translated(8 * step, 0));
        QVERIFY2(store.pixelsCleaned() - first <= 96 * 160,
                 qPrintable(QString::number(store.pixelsCleaned())));
        const long long then = store.pixelsCleaned();
        Settings stronger{"wavelet"};
        stronger.luminance = 1.5f;
        store.get(s.photo, stronger, area);
        QVERIFY(store.pixelsCleaned() > then);
        const long long both = store.pixelsCleaned();
        store.get(s.photo, {"wavelet"}, area);
        store.get(s.photo, stronger, area);
        QCOMPARE(store.pixelsCleaned(), both);
        // The original costs nothing and is not kept.
        store.get(s.photo, Settings::original(), area);
        QCOMPARE(store.pixelsCleaned(), both);
    }
    void severalPhotosAndOneLimit() {
        const auto one = test::shoot(3200), two = test::shoot(12800, "GRBG", 8);
        TileStore store(kPlenty);
        const Rect area{0, 0, 128, 128};
        const Image a = store.get(one.photo, {"wavelet"}, area), b = store.get(two.photo, {"wavelet"}, area);
        const long long cleaned = store.pixelsCleaned();
        QVERIFY(test::same(store.get(one.photo, {"wavelet"}, area), a));
        QVERIFY(test::same(store.get(two.photo, {"wavelet"}, area), b));
        QCOMPARE(store.pixelsCleaned(), cleaned);
        QCOMPARE(store.bytes(), std::size_t(2 * 128 * 128 * 2));
        store.forget();
        QCOMPARE(store.bytes(), std::size_t(0));
        // A small one keeps the newest, and gives what is right though it cannot hold it.
        TileStore small(3 * 128 * 128 * 2);
        const Rect whole{0, 0, one.photo.width(), one.photo.height()};
        TileStore large(kPlenty);
        QVERIFY(
            test::same(small.get(one.photo, {"wavelet"}, whole), large.get(one.photo, {"wavelet"}, whole)));
        QVERIFY(small.bytes() <= 3 * 128 * 128 * 2);
        small.get(one.photo, {"wavelet"}, area);
        const long long so = small.pixelsCleaned();
        small.get(one.photo, {"wavelet"}, area);
        QCOMPARE(small.pixelsCleaned(), so);
    }
    // What is finished stays when the rest is cancelled.
    void aCancelledBlockLeavesTheOthers() {
        test::Shooting s;
        s.photo = test::flatField(0.2, 3200, 2400, 3);
        const Rect whole{0, 0, s.photo.width(), s.photo.height()};
        // Who watches may come too late: then once more.
        bool cancelled = false;
        for (int attempt = 0; attempt < 20 && !cancelled; ++attempt) {
            TileStore store(kPlenty);
            std::stop_source stop;
            std::atomic<float> done = 0;
            std::jthread watcher([&] {
                while (done < 0.75f) std::this_thread::yield();
                stop.request_stop();
            });
            try {
                store.get(s.photo, {"wavelet"}, whole, {stop.get_token(), &done});
            } catch (const Cancelled&) {
                cancelled = true;
            }
            done = 1;
            const long long before = store.pixelsCleaned();
            store.get(s.photo, {"wavelet"}, whole);
            if (cancelled) QVERIFY(store.pixelsCleaned() - before < whole.area());
        }
        QVERIFY(cancelled);
    }
    // The picture of a cell: through the store it differs seldom, and by a fraction of what noise does to it
    // (in the dark a sixtieth of the noise can be some steps of the screen).
    void picturesAreTheSame() {
        const auto s = test::shoot(6400);
        TileStore store(kPlenty);
        const Rect area{60, 50, 120, 90};
        for (const char* id : {"wavelet", "nlm"})
            for (const char* look : {"", "exposure=1", "exposure=1,kelvin=3500,tint=0"}) {
                const Picture with = render(recipeOf(s.photo, {id}, lookFromText(look)), area, 1,
                                            {Work(), &store}),
                              without = render(recipeOf(s.photo, {id}, lookFromText(look)), area, 1);
                std::size_t off = 0;
                int most = 0;
                for (std::size_t i = 0; i < with.rgb.size(); ++i) {
                    const int d = std::abs(inEightBits(with.rgb[i]) - inEightBits(without.rgb[i]));
                    most = std::max(most, d);
                    off += d > 0;
                }
                QVERIFY2(off < with.rgb.size() / 50 && most <= 6,
                         qPrintable(QStringLiteral("%1 off, at most by %2").arg(off).arg(most)));
            }
        for (const Settings& bad : {Settings{"broom"}, Settings{"nlm", 9}})
            QVERIFY_EXCEPTION_THROWN(store.get(s.photo, bad, area), std::invalid_argument);
    }
};

QTEST_GUILESS_MAIN(TestTiles)
#include "tiles.moc"
