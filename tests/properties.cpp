// What holds for all values, tried on many: regions are crops of the whole, text forms come back, places of
// the two pictures lead to each other, packing loses nothing.
#include <QTest>
#include <random>

#include "deliver/jpeg.h"
#include "deliver/lossless_jpeg.h"
#include "deliver/proof.h"
#include "develop/lens.h"
#include "made_dng.h"
#include "measure/open.h"
#include "optics.h"
#include "raw/dng_pixels.h"
#include "session/take.h"
#include "support.h"

using namespace irenic;

namespace {

std::mt19937 dice(41);
int upTo(int most) { return static_cast<int>(dice() % static_cast<unsigned>(most + 1)); }
float share() { return static_cast<float>(dice() % 1001) / 1000; }

Rect someArea(int width, int height, int most) {
    const int w = 1 + upTo(std::min(most, width) - 1), h = 1 + upTo(std::min(most, height) - 1);
    return {upTo(width - w), upTo(height - h), w, h};
}

Look someLook() {
    Look l;
    l.asShot = dice() % 2;
    // What is not used is not written.
    if (!l.asShot)
        l.kelvin = 1700 + static_cast<float>(upTo(20000)), l.tint = static_cast<float>(upTo(80) - 40);
    l.exposure = 8 * share() - 4, l.highlights = 2 * share() - 1, l.shadows = 2 * share() - 1,
    l.saturation = 2 * share();
    if (dice() % 2) {
        float in = 0;
        for (int i = 0; i < 2 + upTo(4); ++i, in += 0.05f + 0.1f * share())
            l.curve.push_back({std::min(in, 1.0f), share()});
    }
    l.vignetting = dice() % 2, l.chromatic = dice() % 2, l.distortion = dice() % 2, l.fringes = dice() % 2;
    l.softness = static_cast<Softness>(upTo(4)), l.edges = static_cast<Edges>(upTo(2));
    l.demosaic = dice() % 2 ? Demosaic::Quick : Demosaic::Fine;
    return l;
}

} // namespace

class TestProperties : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

  private slots:
    void regionsAreCropsOfTheWhole_data() {
        QTest::addColumn<QString>("method");
        for (const char* m : {"wavelet", "nlm", "bm3d-quick"}) QTest::newRow(m) << QString(m);
    }
    void regionsAreCropsOfTheWhole() {
        QFETCH(QString, method);
        const auto s = test::shoot(6400);
        const Rect all{0, 0, s.photo.width(), s.photo.height()};
        const Settings settings{method.toStdString()};
        const Look look = lookFromText("exposure=0.4,softness=thread,fringes,curve=0:0;0.5:0.6;1:1");
        const Plane whole = cleanMosaic(s.photo, settings, all);
        const Picture shown = render(recipeOf(s.photo, settings, look), all, 1);
        for (int i = 0; i < 12; ++i) {
            const Rect area = someArea(all.width, all.height, 90);
            const Plane part = cleanMosaic(s.photo, settings, area);
            for (int y = 0; y < area.height; ++y)
                QVERIFY(std::equal(part.row(y), part.row(y) + area.width, whole.row(area.y + y) + area.x));
            const Picture piece = render(recipeOf(s.photo, settings, look), area, 1);
            for (int y = 0; y < area.height; ++y) {
                const auto from =
                    shown.rgb.begin() + (static_cast<std::ptrdiff_t>(area.y + y) * all.width + area.x) * 3;
                QVERIFY(std::equal(from, from + static_cast<std::ptrdiff_t>(area.width) * 3,
                                   piece.rgb.begin() + static_cast<std::ptrdiff_t>(y) * area.width * 3));
            }
        }
    }
    void textFormsComeBack() {
        for (int i = 0; i < 500; ++i) {
            const Look look = someLook();
            const std::string text = textOf(look);
            QVERIFY2(textOf(lookFromText(text)) == text, text.c_str());
            Settings s{methods()[dice() % methods().size()]->id(),
                       3 * share(),
                       3 * share(),
                       share(),
                       share(),
                       3 * share(),
                       dice() % 2 == 0};
            const Settings back = settingsFromText(textOf(s));
            QVERIFY(back.method == s.method && back.mend == s.mend &&
                    std::abs(back.colour - s.colour) < 1e-5f && std::abs(back.coarse - s.coarse) < 1e-5f);
        }
    }
    void thereAndBackThroughTheLens() {
        for (int i = 0; i < 20; ++i) {
            Optics optics;
            optics.distortion = 0.16 * static_cast<double>(share()) - 0.08;
            auto s = test::flatField(0.2, 1600, 200);
            s.metadata.mosaic.push_back(opcodesFor(optics, 200, 200));
            Look look;
            look.distortion = true, look.edges = static_cast<Edges>(upTo(2));
            const SourcePoint place{20 + 160.0 * static_cast<double>(share()),
                                    20 + 160.0 * static_cast<double>(share())};
            const SourcePoint back = sourceOf(s, look, pictureOf(s, look, place));
            QVERIFY(std::hypot(back.x - place.x, back.y - place.y) < 0.01);
        }
    }
    // Any samples, any size, through the packing and out again by another program's decoder.
    void packingLosesNothing() {
        for (int i = 0; i < 24; ++i) {
            Photo p;
            p.rawWidth = 16 + upTo(600), p.rawHeight = 16 + upTo(300);
            p.active = p.crop = {0, 0, p.rawWidth, p.rawHeight};
            p.white = 65535, p.profiles = {{}};
            if (i % 4 == 3) p.channels = 3;
            const int kind = upTo(3);
            for (int k = 0; k < p.rawWidth * p.rawHeight * p.channels; ++k)
                p.samples.push_back(
                    static_cast<std::uint16_t>(kind == 0   ? dice() % 65536 // every difference there is
                                               : kind == 1 ? 7
                                               : kind == 2 ? 1000 + dice() % 60
                                                           : (k % 2 ? 0 : 65535)));
            DngExtras extras;
            extras.compression = DngCompression::Lossless;
            const std::string file = folder_.filePath("packed.dng").toStdString();
            writeDng(file, p, extras);
            const PhotoPtr back = readPhoto(file, {}, Measure::Nothing);
            QVERIFY2(
                back->samples == p.samples,
                qPrintable(QStringLiteral("%1 x %2, kind %3").arg(p.rawWidth).arg(p.rawHeight).arg(kind)));
        }
    }
    void proofsSeeASingleBit() {
        std::vector<std::uint8_t> bytes(5000, 3);
        Digest a, b, c;
        a.add(bytes.data(), bytes.size());
        b.add(bytes.data(), 100), b.add(bytes.data() + 100, bytes.size() - 100);
        bytes[4321] ^= 4;
        c.add(bytes.data(), bytes.size());
        QVERIFY(a.text() == b.text() && a.text() != c.text());
        BlockMeans one(40, 20), other(40, 20);
        std::vector<std::uint8_t> row(120, 100);
        for (int y = 0; y < 20; ++y) {
            one.add(y, row.data());
            std::fill(row.begin() + 100, row.end(), y == 7 ? 228 : 100);
            other.add(y, row.data());
            std::fill(row.begin(), row.end(), 100);
        }
        QVERIFY(one.farthest(other) > 5 && one.farthest(one) == 0);
    }
    void encodersSayWhatIsWrong() {
        QVERIFY_EXCEPTION_THROWN(JpegEncoder(70000, 10, 90, {}), std::runtime_error);
        JpegEncoder unfinished(16, 16, 90, {});
        QVERIFY_EXCEPTION_THROWN(unfinished.finish(), std::runtime_error);
    }
};

QTEST_GUILESS_MAIN(TestProperties)
#include "properties.moc"
