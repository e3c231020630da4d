// Lossless JPEG, both ways: what is packed is unpacked the same by the program and by LibRaw, and what is
// damaged is refused.
#include <QTest>
#include <random>

#include "deliver/lossless_jpeg.h"
#include "measure/open.h"
#include "raw/camera_raw.h"
#include "raw/lossless_jpeg_tile.h"
#include "support.h"

using namespace irenic;

using Samples = std::vector<std::uint16_t>;

class TestPacking : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    // Smooth with noise, and with leaps of the whole range among them.
    static Samples picture(int width, int height, unsigned seed) {
        std::mt19937 random(seed);
        Samples out(static_cast<std::size_t>(width * height));
        int v = 20000;
        for (std::uint16_t& s : out) {
            v += static_cast<int>(random() % 41) - 20;
            if (random() % 97 == 0) v = static_cast<int>(random() % 65536);
            s = static_cast<std::uint16_t>(v);
        }
        return out;
    }

  private slots:
    void thereAndBack_data() {
        QTest::addColumn<int>("components");
        for (int n = 1; n <= 4; ++n) QTest::addRow("%d", n) << n;
    }
    void thereAndBack() {
        QFETCH(int, components);
        const int width = 24 * components, height = 31;
        const Samples in = picture(width, height, 3);
        const auto packed = losslessJpeg(in.data(), width, height, width, components);
        QVERIFY(unpackLosslessJpeg(packed, static_cast<std::size_t>(width), 31) == in);
        const Samples less = unpackLosslessJpeg(packed, static_cast<std::size_t>(width), 10);
        QVERIFY(std::equal(less.begin(), less.end(), in.begin()));
    }
    // The same differences under another predictor are another picture: worked out here as the standard
    // writes it down.
    void allPredictors_data() {
        QTest::addColumn<int>("predictor");
        for (int p = 1; p <= 7; ++p) QTest::addRow("%d", p) << p;
    }
    void allPredictors() {
        QFETCH(int, predictor);
        constexpr int w = 20, h = 15;
        const Samples first = picture(w, h, 8);
        auto packed = losslessJpeg(first.data(), w, h, w, 1);
        const auto at = [&](const Samples& s, int x, int y) {
            return int{s[static_cast<std::size_t>(y * w + x)]};
        };
        const std::uint8_t sos[] = {0xff, 0xda, 0, 8, 1, 0, 0};
        const auto scan = std::search(packed.begin(), packed.end(), std::begin(sos), std::end(sos));
        QVERIFY(scan != packed.end());
        scan[7] = static_cast<std::uint8_t>(predictor);
        Samples expected(first.size());
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                const int before = x > 0 ? at(first, x - 1, y) : y > 0 ? at(first, x, y - 1) : 32768;
                const int difference = at(first, x, y) - before;
                int foreseen = y > 0 ? at(expected, x, y - 1) : x > 0 ? at(expected, x - 1, y) : 32768;
                if (x > 0 && y > 0) {
                    const int a = at(expected, x - 1, y), b = at(expected, x, y - 1),
                              c = at(expected, x - 1, y - 1);
                    const int all[] = {a,          b, c, a + b - c, a + ((b - c) >> 1), b + ((a - c) >> 1),
                                       (a + b) / 2};
                    foreseen = all[predictor - 1];
                }
                expected[static_cast<std::size_t>(y * w + x)] =
                    static_cast<std::uint16_t>(foreseen + difference);
            }
        QVERIFY(unpackLosslessJpeg(packed, w, h) == expected);
    }
    void damageIsRefused() {
        constexpr int w = 64, h = 48;
        const Samples in = picture(w, h, 5);
        const auto packed = losslessJpeg(in.data(), w, h, w, 2);
        for (std::size_t length = 0; length + 10 < packed.size(); length += 37)
            QVERIFY_EXCEPTION_THROWN(
                unpackLosslessJpeg({packed.begin(), packed.begin() + static_cast<std::ptrdiff_t>(length)}, w,
                                   h),
                std::runtime_error);
        QVERIFY_EXCEPTION_THROWN(unpackLosslessJpeg(packed, w + 2, h), std::runtime_error);
        QVERIFY_EXCEPTION_THROWN(unpackLosslessJpeg(packed, w, h + 1), std::runtime_error);
        // Whatever the bytes are: samples come out, or an error.
        std::mt19937 random(9);
        for (int i = 0; i < 4000; ++i) {
            auto broken = packed;
            for (int k = 0; k < 3; ++k)
                broken[random() % (i % 2 ? 120 : broken.size())] = static_cast<std::uint8_t>(random());
            try {
                QCOMPARE(unpackLosslessJpeg(broken, w, h).size(), in.size());
            } catch (const std::runtime_error&) {
            }
        }
    }
    void librawReadsTheSame_data() {
        QTest::addColumn<QString>("mosaic");
        for (const char* m : {"RGGB", "GBRG"}) QTest::newRow(m) << QString::fromLatin1(m);
    }
    void librawReadsTheSame() {
        QFETCH(QString, mosaic);
        const auto s = test::shoot(6400, qPrintable(mosaic));
        const std::string file = test::writeShot(folder_, qPrintable(mosaic + ".dng"), s.photo);
        const PhotoPtr ours = readPhoto(file, {}, Measure::Nothing);
        CameraRaw raw{GivenFile(file)};
        QVERIFY(raw.opened());
        Photo frame;
        raw.unpack(frame, {});
        QCOMPARE(frame.rawWidth, ours->rawWidth);
        QVERIFY(frame.samples == ours->samples);
    }
};

QTEST_GUILESS_MAIN(TestPacking)
#include "packing.moc"
