#include <QTest>

#include "develop/demosaic.h"
#include "develop/render.h"
#include "session/take.h"
#include "support.h"

using namespace irenic;

namespace {
const Settings kOriginal = Settings::original();
}

class TestRendering : public QObject {
    Q_OBJECT
  private slots:
    void aRegionEqualsTheCropOfTheWhole_data() {
        QTest::addColumn<QString>("id");
        QTest::newRow("original") << QString();
        for (const auto& m : methods()) QTest::newRow(m->id().c_str()) << QString::fromStdString(m->id());
    }
    void aRegionEqualsTheCropOfTheWhole() {
        QFETCH(QString, id);
        const auto s = test::shoot(6400, "BGGR");
        const Settings take = id.isEmpty() ? kOriginal : Settings{id.toStdString(), 1, 1, 0, 0};
        Look look;
        look.exposure = 1.5f;
        const Picture all = render(recipeOf(s.photo, take, look), {0, 0, 480, 360}, 1);
        for (const Rect& r : {Rect{57, 33, 81, 66}, Rect{0, 0, 40, 40}, Rect{431, 311, 49, 49}}) {
            const Picture part = render(recipeOf(s.photo, take, look), r, 1);
            for (int y = 0; y < r.height; ++y)
                QVERIFY(std::equal(part.rgb.begin() + y * r.width * 3,
                                   part.rgb.begin() + (y + 1) * r.width * 3,
                                   all.rgb.begin() + ((r.y + y) * 480 + r.x) * 3));
        }
    }
    void zoomShowsTruePixels() {
        const auto s = test::shoot(1600);
        const Rect r{60, 60, 20, 10};
        const Picture one = render(recipeOf(s.photo, kOriginal, {}), r, 1),
                      four = render(recipeOf(s.photo, kOriginal, {}), r, 4);
        QCOMPARE(four.width, 80);
        QCOMPARE(four.height, 40);
        for (int y = 0; y < 40; ++y)
            for (int x = 0; x < 80; ++x)
                for (int c = 0; c < 3; ++c)
                    QCOMPARE(four.rgb[static_cast<std::size_t>((y * 80 + x) * 3 + c)],
                             one.rgb[static_cast<std::size_t>((y / 4 * 20 + x / 4) * 3 + c)]);
        const Picture half = render(recipeOf(s.photo, kOriginal, {}), {0, 0, 480, 360}, 0.25);
        QCOMPARE(half.width, 120);
        QCOMPARE(half.height, 90);
        QVERIFY_EXCEPTION_THROWN(render(recipeOf(s.photo, kOriginal, {}), r, 0), std::invalid_argument);
    }
    void pushLifts() {
        const auto s = test::shoot(1600);
        const auto sum = [](const Picture& p) { return std::accumulate(p.rgb.begin(), p.rgb.end(), 0LL); };
        const Rect r{200, 150, 60, 60};
        QVERIFY(sum(render(recipeOf(s.photo, kOriginal, {}), r, {1, 2})) >
                sum(render(recipeOf(s.photo, kOriginal, {}), r, 1)));
    }
    void aNeutralIsGrey() {
        // The flat field is grey in sRGB terms only after white balance: make it so in camera colours.
        Plane truth(64, 64);
        const Body body;
        Shot shot;
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x)
                truth.at(x, y) = static_cast<float>(0.3 * shot.neutral[body.mosaic.at(x, y)]);
        shot.iso = 100;
        const Photo p = takePhoto(truth, body, shot);
        const auto rgb = developRegion(recipeOf(p, kOriginal, {}), {16, 16, 32, 32}, OutputSpace::Srgb);
        const double r = test::meanOf(rgb[0]), g = test::meanOf(rgb[1]), b = test::meanOf(rgb[2]);
        QVERIFY2(std::abs(r / g - 1) < 0.01 && std::abs(b / g - 1) < 0.01,
                 qPrintable(QStringLiteral("%1 %2 %3").arg(r).arg(g).arg(b)));
    }
    void coloursComeBack() {
        // Known linear sRGB patches through the camera and back.
        const double patches[][3] = {
            {0.4, 0.1, 0.05}, {0.05, 0.3, 0.1}, {0.08, 0.1, 0.4}, {0.4, 0.35, 0.1}, {0.2, 0.2, 0.2}};
        for (const auto& patch : patches) {
            std::array<Plane, 3> light = {Plane(64, 64), Plane(64, 64), Plane(64, 64)};
            for (std::size_t c = 0; c < 3; ++c) light[c].fill(static_cast<float>(patch[c]));
            Shot shot;
            shot.iso = 100;
            const Photo p = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
            const auto rgb = developRegion(recipeOf(p, kOriginal, {}), {16, 16, 32, 32}, OutputSpace::Srgb);
            // Scaled alike: white balance puts grey where green was.
            const double scale = test::meanOf(rgb[1]) / patch[1];
            for (std::size_t c = 0; c < 3; ++c)
                QVERIFY2(
                    std::abs(test::meanOf(rgb[c]) / scale - patch[c]) < 0.012,
                    qPrintable(QStringLiteral("%1: %2").arg(patch[c]).arg(test::meanOf(rgb[c]) / scale)));
        }
    }
    void demosaicBeatsBilinear() {
        const auto& light = test::millLight();
        const Mosaic m;
        Plane mosaic(480, 360);
        for (int y = 0; y < 360; ++y)
            for (int x = 0; x < 480; ++x) mosaic.at(x, y) = std::min(1.0f, light[m.at(x, y)].at(x, y));
        const Rect area{20, 20, 440, 320};
        const auto rgb = demosaic(mosaic, {0, 0, 480, 360}, m, area, Demosaic::Quick, {});
        double ours = 0, bilinear = 0;
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x) {
                if (m.at(x, y) == Mosaic::Green) continue;
                const float right = std::min(1.0f, light[1].at(x, y));
                const float plain = 0.25f * (mosaic.at(x - 1, y) + mosaic.at(x + 1, y) + mosaic.at(x, y - 1) +
                                             mosaic.at(x, y + 1));
                ours += std::pow(rgb[1].at(x - 20, y - 20) - right, 2),
                    bilinear += std::pow(plain - right, 2);
            }
        QVERIFY2(ours < 0.5 * bilinear, qPrintable(QString::number(ours / bilinear)));
    }
    void curvesAreMonotone() {
        for (const auto space :
             {OutputSpace::Srgb, OutputSpace::AdobeRgbCompatible, OutputSpace::ProPhotoCompatible})
            for (float v = 0.001f; v < 1; v += 0.001f)
                QVERIFY(encoded(space, v) > encoded(space, v - 0.001f));
        QCOMPARE(tone(0), 0.0f);
        QVERIFY(std::abs(tone(1) - 1) < 1e-6f);
        for (float v = 0.001f; v < 1; v += 0.001f) QVERIFY(tone(v) > tone(v - 0.001f));
    }
    void takesAsText() {
        const Settings s = settingsFromText("nlm,colour=1.25,luminance=0.5,grain=0.1");
        QVERIFY((s == Settings{"nlm", 0.5f, 1.25f, 0.25f, 0.1f}));
        QVERIFY(settingsFromText(textOf(s)) == s);
        for (const char* bad : {"", "broom", "nlm,luminance", "nlm,luminance=", "nlm,luminance=1x",
                                "nlm,sharp=1", "nlm,colour=9"})
            QVERIFY_EXCEPTION_THROWN(settingsFromText(bad), std::invalid_argument);
    }
};

QTEST_GUILESS_MAIN(TestRendering)
#include "rendering.moc"
