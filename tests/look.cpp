// Looks: white balance, tone, curve, highlights, sharpening, as values and as what they do.
#include <QTest>

#include "deliver/export.h"
#include "denoise/noise_left.h"
#include "develop/fringes.h"
#include "develop/sharpen.h"
#include "measure/open.h"
#include "optics.h"
#include "session/take.h"
#include "support.h"

using namespace irenic;

namespace {

const Settings kOriginal = Settings::original();

std::array<double, 3> meansOf(const Photo& p, const Look& look, const Rect& area) {
    const auto rgb = developRegion(recipeOf(p, kOriginal, look), area, OutputSpace::Srgb);
    return {test::meanOf(rgb[0]), test::meanOf(rgb[1]), test::meanOf(rgb[2])};
}

// A grey step edge behind a soft lens, in white-balanced light of all three colours.
std::array<Plane, 3> edge(int size, float low, float high, double blur) {
    std::array<Plane, 3> out = {Plane(size, size), Plane(size, size), Plane(size, size)};
    for (Plane& p : out)
        for (int y = 0; y < size; ++y)
            for (int x = 0; x < size; ++x)
                p.at(x, y) =
                    low + (high - low) * static_cast<float>(
                                             0.5 * std::erfc((size / 2.0 - 0.5 - x + 0.2 * y) /
                                                             (blur * std::sqrt(2.0) * std::hypot(1, 0.2))));
    return out;
}

} // namespace

class TestLook : public QObject {
    Q_OBJECT

  private slots:
    void looksAsText() {
        Look look;
        QCOMPARE(textOf(look), std::string());
        look.asShot = false, look.kelvin = 4200, look.tint = -3.5f, look.exposure = 0.35f,
        look.shadows = 0.4f, look.curve = {{0, 0}, {0.4f, 0.5f}, {1, 1}};
        QVERIFY(lookFromText("softness=hair").softness == Softness::Fine); // as older files have it
        QVERIFY(lookFromText("softness=none").softness == Softness::Off);
        look.vignetting = look.distortion = true, look.edges = Edges::KeepAll, look.softness = Softness::Wide,
        look.demosaic = Demosaic::Quick;
        QVERIFY(lookFromText(textOf(look)) == look);
        QVERIFY(!look.plain());
        for (const char* bad : {"exposure", "exposure=", "exposure=9", "exposure=x", "warmth=2",
                                "vignetting=1", "curve=0:0;0:1", "curve=0", "softness=iron", "edges="})
            QVERIFY_EXCEPTION_THROWN(lookFromText(bad), std::invalid_argument);
    }
    void lightsComeBack() {
        const Photo p = test::flatField(0.2, 1600, 64);
        for (const double kelvin : {2300.0, 2856.0, 4000.0, 5500.0, 9000.0, 20000.0})
            for (const double tint : {-30.0, -4.0, 0.0, 12.0, 35.0}) {
                if (kelvin < 2500 && tint > 30) continue; // this camera sees no blue there
                const LightColour found = lightOf(p, neutralUnder(p, {kelvin, tint}));
                QVERIFY2(std::abs(found.kelvin / kelvin - 1) < 2e-3 && std::abs(found.tint - tint) < 0.1,
                         qPrintable(QStringLiteral("%1 K, %2: %3 K, %4")
                                        .arg(kelvin)
                                        .arg(tint)
                                        .arg(found.kelvin)
                                        .arg(found.tint)));
            }
        // As shot, said in kelvin and tint, is as shot.
        const Vector3 again = neutralUnder(p, lightOf(p, p.neutral));
        for (std::size_t c = 0; c < 3; ++c) QVERIFY(std::abs(again[c] / p.neutral[c] - 1) < 1e-3);
        // D65 lies a little above the black body's line.
        Photo plain = test::flatField(0.2, 1600, 64);
        plain.profiles = {{21, kIdentity3, {}, kIdentity3}};
        const LightColour day = lightOf(plain, {0.95047 / 1.08883, 1 / 1.08883, 1});
        QVERIFY2(std::abs(day.kelvin - 6504) < 15 && std::abs(day.tint - 3.2) < 0.3,
                 qPrintable(QStringLiteral("%1 %2").arg(day.kelvin).arg(day.tint)));
    }
    void aClickedNeutralTurnsGrey() {
        Plane truth(128, 128);
        const Mosaic m;
        const double cast[3] = {0.35, 0.3, 0.08};
        for (int y = 0; y < 128; ++y)
            for (int x = 0; x < 128; ++x) truth.at(x, y) = static_cast<float>(cast[m.at(x, y)]);
        Shot shot;
        shot.iso = 3200;
        const Photo p = takePhoto(truth, {}, shot);
        const auto before = meansOf(p, {}, {32, 32, 64, 64});
        QVERIFY(std::abs(before[0] / before[1] - 1) > 0.2);
        const LightColour light = lightAt(p, 64, 64);
        Look look;
        look.asShot = false, look.kelvin = static_cast<float>(light.kelvin),
        look.tint = static_cast<float>(light.tint);
        const auto after = meansOf(p, look, {32, 32, 64, 64});
        QVERIFY2(std::abs(after[0] / after[1] - 1) < 0.03 && std::abs(after[2] / after[1] - 1) < 0.03,
                 qPrintable(QStringLiteral("%1 %2 %3").arg(after[0]).arg(after[1]).arg(after[2])));
        truth.fill(1);
        QVERIFY_EXCEPTION_THROWN(lightAt(takePhoto(truth, {}, shot), 64, 64), std::domain_error);
        truth.fill(0);
        QVERIFY_EXCEPTION_THROWN(lightAt(takePhoto(truth, {}, shot), 64, 64), std::domain_error);
    }
    // Warmer light set, bluer picture; a greener light, a picture with more magenta.
    void balanceGoesTheRightWay() {
        const auto s = test::shoot(1600);
        const LightColour shot = lightOf(s.photo, s.photo.neutral);
        const auto with = [&](double kelvin, double tint) {
            Look look;
            look.asShot = false, look.kelvin = static_cast<float>(kelvin),
            look.tint = static_cast<float>(tint);
            return meansOf(s.photo, look, {100, 100, 200, 150});
        };
        const auto as = with(shot.kelvin, shot.tint), warm = with(shot.kelvin * 0.8, shot.tint),
                   green = with(shot.kelvin, shot.tint + 10);
        QVERIFY(warm[2] / warm[0] > as[2] / as[0] * 1.05);
        QVERIFY(green[1] / (green[0] + green[2]) < as[1] / (as[0] + as[2]) * 0.97);
    }
    void clippedLightsAreNotMagenta() {
        // A ramp of grey light through the clipping point, and a bluish one as skies are.
        for (const double blue : {1.0, 1.25}) {
            constexpr int w = 512, h = 32;
            std::array<Plane, 3> light = {Plane(w, h), Plane(w, h), Plane(w, h)};
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) {
                    const double v = 0.3 + 3.0 * x / w;
                    light[0].at(x, y) = static_cast<float>(v * 0.95),
                                   light[1].at(x, y) = static_cast<float>(v),
                                   light[2].at(x, y) = static_cast<float>(v * blue);
                }
            Shot shot;
            shot.iso = 100;
            const Photo p = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
            Look look;
            look.exposure = -1.5f;
            const Picture shown = render(recipeOf(p, kOriginal, look), {0, 8, w, 16}, 1);
            const std::vector<std::uint8_t> bytes = inEightBits(shown);
            int last = 0;
            for (int x = 12; x < w - 12; ++x) {
                const std::uint8_t* v = bytes.data() + (8 * w + x) * 3;
                const int magenta = std::min(v[0], v[2]) - v[1];
                QVERIFY2(magenta <= 3, qPrintable(QStringLiteral("blue %1, x %2: %3 %4 %5")
                                                      .arg(blue)
                                                      .arg(x)
                                                      .arg(v[0])
                                                      .arg(v[1])
                                                      .arg(v[2])));
                QVERIFY2(v[1] >= last - 3, "brighter light never gets darker");
                last = std::max<int>(last, v[1]);
            }
            // What stays in two channels is still there: the ramp goes on above the first clipping.
            QVERIFY(bytes[(8 * w + 500) * 3 + 1] > bytes[(8 * w + 140) * 3 + 1] + 10);
        }
    }
    void tonesKeepTheirOrder_data() {
        QTest::addColumn<QString>("text");
        for (const char* t : {"", "exposure=2", "curve=0:0.1;0.3:0.5;0.31:0.5;1:0.9"})
            QTest::newRow(*t ? t : "plain") << QString(t);
    }
    void tonesKeepTheirOrder() {
        QFETCH(QString, text);
        const Photo p = test::flatField(0.2, 1600, 64);
        for (const auto space :
             {OutputSpace::Srgb, OutputSpace::AdobeRgbCompatible, OutputSpace::ProPhotoCompatible}) {
            const Finish finish(p, lookFromText(text.toStdString()), space);
            float last = -1;
            for (double v = 1e-5; v < 12; v *= 1.01) {
                float r = static_cast<float>(v), g = r, b = r;
                finish.apply(&r, &g, &b, 1);
                QVERIFY(g >= last - 1e-6f && g >= 0 && g <= 1);
                QVERIFY2(std::abs(r - g) < 2e-3f && std::abs(b - g) < 2e-3f, "grey stays grey");
                last = g;
            }
        }
    }
    // Even areas: shifted by up to a stop and a half away from mid-grey, mid-grey not at all.
    void surroundsAreShifted() {
        const auto factor = [](double level, const char* text) {
            const Photo p = test::flatField(level, 100, 64);
            return meansOf(p, lookFromText(text), {16, 16, 32, 32})[1] / meansOf(p, {}, {16, 16, 32, 32})[1];
        };
        QVERIFY2(std::abs(factor(0.005, "shadows=1") - std::exp2(1.5)) < 0.15,
                 qPrintable(QString::number(factor(0.005, "shadows=1"))));
        QVERIFY(factor(0.03, "shadows=1") > 1.3 && factor(0.03, "shadows=1") < factor(0.005, "shadows=1"));
        QVERIFY(factor(0.03, "shadows=-1") < 0.8);
        QVERIFY(std::abs(factor(0.03, "highlights=-1") - 1) < 1e-3);
        QVERIFY(std::abs(factor(0.3, "shadows=1") - 1) < 0.02);
        QVERIFY2(factor(0.9, "highlights=-1") < 0.65,
                 qPrintable(QString::number(factor(0.9, "highlights=-1"))));
        QVERIFY(factor(0.9, "highlights=1") > 1.5);
        // What exposure makes dark or bright is what counts.
        const Photo dim = test::flatField(0.15, 100, 64);
        QVERIFY(meansOf(dim, lookFromText("exposure=3,highlights=-1"), {16, 16, 32, 32})[1] <
                0.75 * meansOf(dim, lookFromText("exposure=3"), {16, 16, 32, 32})[1]);
    }
    // A dark side with a texture beside a bright one: the dark is lifted, its texture keeps its contrast, no
    // halo stands along the edge; and a region is the crop of the whole.
    void surroundsKeepTheirContrast() {
        constexpr int w = 640, h = 480;
        Plane truth(w, h);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                const bool lines = y >= h / 2 && (y / 6) % 2 == 0; // half a stop, in the lower half
                truth.at(x, y) = (x < w / 2 ? 0.008f : 0.5f) * (lines ? 1.41421f : 1);
            }
        Shot shot;
        shot.iso = 100;
        Body body;
        body.black = 2048;
        const Photo p = takePhoto(truth, body, shot);
        const Look look = lookFromText("shadows=1");
        const Rect whole{0, 0, w, h};
        const Image plain = developRegion(recipeOf(p, kOriginal, {}), whole, OutputSpace::Srgb),
                    lifted = developRegion(recipeOf(p, kOriginal, look), whole, OutputSpace::Srgb);
        const auto green = [](const Image& image, const Rect& r) {
            return test::meanOf(image[1].cropped(r));
        };
        const auto stops = [&](const Image& image, int x, int y, int across) {
            return std::log2(green(image, {x, y, across, 3}));
        };
        // By how much the upper half is lifted, from the edge into the dark.
        const auto by = [&](int x) {
            return std::log2(green(lifted, {x, 20, 6, 200}) / green(plain, {x, 20, 6, 200}));
        };
        const double far = by(60);
        QVERIFY2(far > 1, qPrintable(QString::number(far)));
        for (int x = 66; x < w / 2 - 10; x += 8)
            QVERIFY2(std::abs(by(x) - far) < 0.12,
                     qPrintable(QString("%1: %2 of %3").arg(x).arg(by(x)).arg(far)));
        // Lines of half a stop, seen over many of them.
        double before = 0, after = 0;
        for (int y = h / 2 + 24; y < h - 36; y += 12) {
            before += stops(plain, 60, y + 1, 160) - stops(plain, 60, y + 7, 160);
            after += stops(lifted, 60, y + 1, 160) - stops(lifted, 60, y + 7, 160);
        }
        QVERIFY2(std::abs(after / before - 1) < 0.1, qPrintable(QString::number(after / before)));
        const Rect part{250, 130, 100, 90};
        const Image region = developRegion(recipeOf(p, kOriginal, look), part, OutputSpace::Srgb);
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = part.y; y < part.bottom(); ++y)
                QVERIFY(std::equal(region.rowAt(c, y) + part.x, region.rowAt(c, y) + part.right(),
                                   lifted.rowAt(c, y) + part.x));
        // The small picture of the whole agrees.
        const Picture small = renderOverview(p, look, 160),
                      big = render(recipeOf(p, kOriginal, look), whole, 0.25);
        const auto valueAt = [](const Picture& image, double u, double v) {
            return inEightBits(
                image.row(static_cast<int>(v * image.height))[3 * static_cast<int>(u * image.width) + 1]);
        };
        for (const double u : {0.2, 0.8})
            QVERIFY(std::abs(valueAt(small, u, 0.25) - valueAt(big, u, 0.25)) <= 3);
    }
    // Texture stands out as much more as is asked for, and what is even stays as it is.
    void localContrastLiftsTexture() {
        std::array<Plane, 3> light;
        for (Plane& p : light) {
            p = Plane(480, 360);
            for (int y = 0; y < 360; ++y)
                for (int x = 0; x < 480; ++x)
                    p.at(x, y) = 0.1f * (1 + (x >= 240 ? 0.2f * static_cast<float>(std::sin(x * 0.4)) : 0));
        }
        Shot shot;
        shot.iso = 100;
        const Photo photo = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
        const auto swing = [&](float contrast, const Rect& area) {
            Look look;
            look.localContrast = contrast;
            const Image rgb = developBalanced(recipeOf(photo, kOriginal, look), area);
            double sum = 0, squares = 0;
            for (int y = 0; y < area.height; ++y)
                for (int x = 0; x < area.width; ++x) {
                    const auto v = static_cast<double>(rgb[1].at(x, y));
                    sum += v, squares += v * v;
                }
            const double n = static_cast<double>(area.area()), mean = sum / n;
            return std::pair{mean, std::sqrt(squares / n - mean * mean) / mean};
        };
        const Rect textured{320, 100, 94, 160}, even{40, 100, 100, 160};
        const auto [mean, plain] = swing(0, textured);
        const auto [lifted, more] = swing(1, textured);
        const auto [lowered, less] = swing(-1, textured);
        QVERIFY2(more > 1.35 * plain && more < 1.6 * plain, qPrintable(QString::number(more / plain)));
        QVERIFY2(less > 0.4 * plain && less < 0.65 * plain, qPrintable(QString::number(less / plain)));
        QVERIFY(std::abs(lifted / mean - 1) < 0.02 && std::abs(lowered / mean - 1) < 0.02);
        QVERIFY(std::abs(swing(1, even).first / swing(0, even).first - 1) < 0.01);
    }
    // Weak colours gain, strong ones stay, greys stay grey.
    void mutedColoursAreStrengthened() {
        const Photo photo = test::flatField(0.2, 100, 16);
        const auto finished = [&](float muted, std::array<float, 3> v) {
            Look look;
            look.muted = muted;
            Finish(photo, look, kWorkingSpace).apply(&v[0], &v[1], &v[2], 1);
            return v;
        };
        const auto strength = [](const std::array<float, 3>& v) {
            return (std::max({v[0], v[1], v[2]}) - std::min({v[0], v[1], v[2]})) /
                   std::max({v[0], v[1], v[2]});
        };
        constexpr std::array<float, 3> weak = {0.2f, 0.18f, 0.17f}, strong = {0.3f, 0.02f, 0.01f},
                                       grey = {0.2f, 0.2f, 0.2f};
        QVERIFY(strength(finished(1, weak)) > 1.6f * strength(finished(0, weak)));
        QVERIFY(strength(finished(-1, weak)) < 0.4f * strength(finished(0, weak)));
        for (std::size_t c = 0; c < 3; ++c) {
            QVERIFY(std::abs(finished(1, strong)[c] - finished(0, strong)[c]) < 0.03f);
            QCOMPARE(finished(1, grey)[c], finished(0, grey)[c]);
        }
    }
    // A take sharpens as the look does, unless it has a grade of its own.
    void aTakeHasItsOwnSharpening() {
        const auto s = test::shoot(3200);
        const Rect area{60, 50, 120, 90};
        const auto pixels = [&](TakeSharpening own, Softness looks, const Settings& base) {
            Settings take = base;
            take.sharpening = own;
            Look look;
            look.softness = looks;
            return render(recipeOf(s.photo, take, look), area, {}).rgb;
        };
        for (const Settings& base : {Settings{"wavelet"}, Settings::original()}) {
            const auto fine = pixels(TakeSharpening::AsLook, Softness::Fine, base),
                       off = pixels(TakeSharpening::AsLook, Softness::Off, base);
            QVERIFY(fine != off);
            QVERIFY(pixels(TakeSharpening::Fine, Softness::Off, base) == fine);
            QVERIFY(pixels(TakeSharpening::Fine, Softness::Widest, base) == fine);
            QVERIFY(pixels(TakeSharpening::Off, Softness::Widest, base) == off);
            Settings sharpened = base;
            sharpened.sharpening = TakeSharpening::Wide;
            QVERIFY(!(idOf(recipeOf(s.photo, base)) == idOf(recipeOf(s.photo, sharpened))));
        }
        QVERIFY(textOf(settingsFromText("wavelet,sharpening=medium")).ends_with(",sharpening=medium"));
        QVERIFY(textOf(Settings{"wavelet"}).find("sharpening") == std::string::npos);
        QVERIFY_EXCEPTION_THROWN(settingsFromText("wavelet,sharpening=iron"), std::invalid_argument);
    }
    void tonesDoWhatTheySay() {
        const Photo p = test::flatField(0.2, 1600, 64);
        const auto shown = [&](const char* text, float v) {
            float r = v, g = v, b = v;
            Finish(p, lookFromText(text), OutputSpace::Srgb).apply(&r, &g, &b, 1);
            return g;
        };
        QVERIFY(shown("exposure=1", 0.1f) > shown("", 0.1f) + 0.05f);
        QVERIFY(std::abs(shown("exposure=1", 0.1f) - shown("", 0.2f)) < 1e-3f);
        QVERIFY(std::abs(shown("curve=0:0;0.5:0.7;1:1", 0.3f) -
                         Contrast({{0, 0}, {0.5f, 0.7f}, {1, 1}})(shown("", 0.3f))) < 2e-3f);
        float r = 0.4f, g = 0.2f, b = 0.1f;
        Finish(p, lookFromText("saturation=0"), OutputSpace::Srgb).apply(&r, &g, &b, 1);
        QVERIFY(std::abs(r - g) < 2e-3f && std::abs(b - g) < 2e-3f);
        // The push is for the screen.
        const auto pushed = [&](float v, float stops) {
            float x = v, y = v, z = v;
            Finish(p, {}, OutputSpace::Srgb, stops).apply(&x, &y, &z, 1);
            return y;
        };
        // All of it in the dark, nothing at white, and tones keep their order: it never blinds.
        QVERIFY(std::abs(pushed(0.002f, 2) / shown("exposure=2", 0.002f) - 1) < 0.02f);
        QVERIFY(pushed(0.1f, 2) > shown("", 0.1f) + 0.1f && pushed(0.1f, 2) < shown("exposure=2", 0.1f));
        QVERIFY(std::abs(pushed(1, 6) - shown("", 1)) < 1e-4f);
        for (float v = 0.01f; v < 0.9f; v += 0.02f) QVERIFY(pushed(v + 0.02f, 5) > pushed(v, 5));
        QVERIFY(std::abs(pushed(0.1f, -1) - shown("exposure=-1", 0.1f)) < 1e-6f);
    }
    void theCurvePassesItsPoints() {
        const std::vector<CurvePoint> points = {
            {0, 0.05f}, {0.2f, 0.3f}, {0.25f, 0.32f}, {0.7f, 0.32f}, {1, 0.9f}};
        const Contrast c(points);
        for (const CurvePoint& p : points) QVERIFY(std::abs(c(p.in) - p.out) < 1e-6f);
        for (float v = 0.001f; v <= 1; v += 0.001f) QVERIFY(c(v) >= c(v - 0.001f) - 1e-6f);
        QCOMPARE(Contrast({})(0.37f), 0.37f);
    }
    void aStartIsFound() {
        const Look dark = automaticLook(test::shoot(6400, "RGGB", 3, Scene::SackStore, -3).photo, {});
        const Look bright = automaticLook(test::shoot(1600, "RGGB", 3, Scene::SackStore, 1.5).photo, {});
        QVERIFY2(dark.exposure > bright.exposure + 1,
                 qPrintable(QStringLiteral("%1 %2").arg(dark.exposure).arg(bright.exposure)));
        QVERIFY(dark.exposure <= 3 && bright.exposure >= -2 && bright.highlights <= 0 && dark.shadows >= 0);
        Look kept;
        kept.softness = Softness::Fine, kept.asShot = false;
        QVERIFY(automaticLook(test::shoot(1600).photo, kept).softness == Softness::Fine);
    }
    // Overshoot at a strong edge under 2 % of the step, at every grade; the edge gets steeper.
    void sharpeningHasNoHalo_data() {
        QTest::addColumn<int>("grade");
        for (int g = 1; g <= 4; ++g) QTest::addRow("%d", g) << g;
    }
    void sharpeningHasNoHalo() {
        QFETCH(int, grade);
        const auto softness = static_cast<Softness>(grade);
        constexpr int size = 96;
        auto rgb = edge(size, 0.05f, 0.8f, static_cast<double>(blurOf(softness)));
        const auto before = edge(size, 0.05f, 0.8f, static_cast<double>(blurOf(softness)));
        sharpen(rgb, softness, {1e-5, 1e-7});
        float over = 0, steepest = 0, was = 0;
        for (int y = 20; y < size - 20; ++y)
            for (int x = 12; x < size - 12; ++x) {
                over = std::max({over, rgb[1].at(x, y) - 0.8f, 0.05f - rgb[1].at(x, y)});
                steepest = std::max(steepest, rgb[1].at(x + 1, y) - rgb[1].at(x, y)),
                was = std::max(was, before[1].at(x + 1, y) - before[1].at(x, y));
                QVERIFY(std::abs(rgb[0].at(x, y) - rgb[1].at(x, y)) < 1e-5f);
            }
        QVERIFY2(over < 0.02f * 0.75f, qPrintable(QStringLiteral("overshoot %1 %").arg(100 * over / 0.75f)));
        QVERIFY2(steepest > 1.12f * was, qPrintable(QStringLiteral("slope %1 -> %2").arg(was).arg(steepest)));
    }
    void sharpeningLeavesNoiseAlone() {
        const Photo p = test::flatField(0.2, 12800, 160);
        double asItIs = 0; // the photo's own noise, of which a hundredth is nothing
        for (const char* id : {"", "wavelet"}) {
            const Settings take = *id ? Settings{id} : kOriginal;
            Look sharp;
            sharp.softness = Softness::Wide;
            const Rect area{24, 24, 112, 112};
            const auto spread = [&](const Look& look) {
                const auto rgb = developRegion(recipeOf(p, take, look), area, kWorkingSpace);
                const double mean = test::meanOf(rgb[1]);
                double sum = 0;
                for (int y = 0; y < area.height; ++y)
                    for (int x = 0; x < area.width; ++x)
                        sum += std::pow(static_cast<double>(rgb[1].at(x, y)) - mean, 2);
                return std::sqrt(sum / static_cast<double>(area.area()));
            };
            if (!*id) asItIs = spread({});
            QVERIFY2(spread(sharp) < 1.1 * spread({}) + (*id ? 0.01 * asItIs : 0),
                     qPrintable(QStringLiteral("%1: %2 -> %3").arg(id).arg(spread({})).arg(spread(sharp))));
        }
        QCOMPARE(noiseLeftOnGrey(p, kOriginal).luminance, 1.0);
        const double left = noiseLeftOnGrey(p, {"wavelet"}).luminance,
                     grainy = noiseLeftOnGrey(p, {"wavelet", 1, 1, 0.25f, 0.5f}).luminance;
        QVERIFY2(left > 0.01 && left < 0.5 && grainy > left + 0.2,
                 qPrintable(QStringLiteral("%1 %2").arg(left).arg(grainy)));
    }
    void sharpeningBringsBackDetail() {
        // The mill through a soft lens: nearer to what a sharp lens gives, hardly any noise.
        Shot shot;
        shot.iso = 100;
        Optics soft;
        soft.blur = 0.7;
        const auto& light = test::millLight();
        const Photo blurred = takePhoto(exposeMosaic(light, {}, shot, soft), {}, shot),
                    crisp = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
        const Rect area{40, 40, 400, 280};
        const auto error = [&](const Photo& p, const Look& look) {
            const auto a = developRegion(recipeOf(p, kOriginal, look), area, kWorkingSpace),
                       b = developRegion(recipeOf(crisp, kOriginal, {}), area, kWorkingSpace);
            Plane x(area.width, area.height), y(area.width, area.height);
            for (int j = 0; j < area.height; ++j)
                for (int i = 0; i < area.width; ++i)
                    x.at(i, j) = encoded(OutputSpace::Srgb, a[1].at(i, j)),
                            y.at(i, j) = encoded(OutputSpace::Srgb, b[1].at(i, j));
            return test::psnr(x, y, 4);
        };
        Look look;
        look.softness = Softness::Medium;
        const double before = error(blurred, {}), after = error(blurred, look);
        QVERIFY2(after > before + 1, qPrintable(QStringLiteral("%1 -> %2 dB").arg(before).arg(after)));
    }
    void fringesGo() {
        // A bright square whose surround glows purple, and a purple cloth far from it.
        constexpr int size = 96;
        std::array<Plane, 3> light = {Plane(size, size), Plane(size, size), Plane(size, size)};
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = 0; y < size; ++y)
                for (int x = 0; x < size; ++x)
                    light[c].at(x, y) = x < 40 ? 1.5f : x > 70 ? (c == 1 ? 0.1f : 0.3f) : 0.05f;
        Optics optics;
        optics.fringe = 1;
        auto seen = throughLens(light, optics);
        const auto purple = [](const std::array<Plane, 3>& p, int x) {
            return std::min(p[0].at(x, 48), p[2].at(x, 48)) - p[1].at(x, 48);
        };
        const float before = purple(seen, 42), cloth = purple(seen, 80);
        QVERIFY(before > 0.05f);
        removeFringes(seen);
        QVERIFY2(purple(seen, 42) < 0.1f * before, qPrintable(QString::number(purple(seen, 42))));
        QVERIFY(std::abs(purple(seen, 80) - cloth) < 1e-5f);
    }
    void aRegionIsACropOfTheWhole() {
        const auto s = test::shoot(3200, "GBRG");
        const Look look = lookFromText("kelvin=3900,tint=4,exposure=0.4,shadows=0.3,fringes,softness=rope");
        const Settings take{"wavelet"};
        const Picture all = render(recipeOf(s.photo, take, look), {0, 0, 480, 360}, 1);
        for (const Rect& r : {Rect{57, 33, 81, 66}, Rect{0, 0, 40, 40}, Rect{431, 311, 49, 49}}) {
            const Picture part = render(recipeOf(s.photo, take, look), r, 1);
            for (int y = 0; y < r.height; ++y)
                QVERIFY(std::equal(part.rgb.begin() + y * r.width * 3,
                                   part.rgb.begin() + (y + 1) * r.width * 3,
                                   all.rgb.begin() + ((r.y + y) * 480 + r.x) * 3));
        }
    }
    void filesCarryTheLook() {
        QTemporaryDir folder;
        const PhotoPtr p = readPhoto(test::writeShot(folder, "one.dng", test::shoot(1600).photo));
        Look look = lookFromText("exposure=0.5,kelvin=4100,tint=2,softness=hair");
        for (const auto format : {ExportFormat::Dng, ExportFormat::Tiff, ExportFormat::Jpeg}) {
            Export what{recipeOf(*p), {}, {}, false};
            std::filesystem::path target;
            what.recipe.settings = kOriginal, what.recipe.look = look, what.delivery.format = format;
            target = folder.filePath("out").toStdString() + (format == ExportFormat::Dng    ? ".dng"
                                                             : format == ExportFormat::Tiff ? ".tif"
                                                                                            : ".jpg");
            exportFile(what, target);
            QVERIFY(lookIn(target) == look);
            const PhotoPtr back = readPhoto(target, {}, Measure::Nothing);
            if (format == ExportFormat::Dng) {
                QVERIFY(back->samples == p->samples);
                QVERIFY(back->neutral == p->neutral);
            } else {
                // The picture is as the sheet shows it without a push.
                const Picture expected = render(recipeOf(*p, kOriginal, look), p->crop, 1),
                              found = render(recipeOf(*back, kOriginal, {}),
                                             {0, 0, p->crop.width, p->crop.height}, 1);
                QCOMPARE(found.width, expected.width);
                double sum = 0;
                for (std::size_t i = 0; i < expected.rgb.size(); ++i)
                    sum += std::abs(inEightBits(expected.rgb[i]) - inEightBits(found.rgb[i]));
                QVERIFY2(sum / static_cast<double>(expected.rgb.size()) <
                             (format == ExportFormat::Tiff ? 0.2 : 3.0),
                         qPrintable(QStringLiteral("%1: %2")
                                        .arg(static_cast<int>(format))
                                        .arg(sum / static_cast<double>(expected.rgb.size()))));
            }
        }
    }
};

QTEST_GUILESS_MAIN(TestLook)
#include "look.moc"
