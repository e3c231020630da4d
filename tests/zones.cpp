// Zones of a take: their text, their masks, what cleaning makes of them.
#include <QTest>

#include "deliver/export.h"
#include "deliver/xmp.h"
#include "denoise/found_part.h"
#include "denoise/mask.h"
#include "develop/render.h"
#include "portrait.h"
#include "session/take.h"
#include "support.h"

using namespace irenic;

namespace {

Zone zone(FoundPart part, float luminance = 1, float colour = 1, float sharpening = 1) {
    Zone z;
    z.part = part, z.luminance = luminance, z.colour = colour, z.sharpening = sharpening;
    return z;
}
Zone painted(std::vector<StrokePoint> points, float diameter, float softness, float luminance = 0.3f) {
    Zone z = zone(FoundPart::Painted, luminance);
    z.strokes.push_back({std::move(points), diameter, softness, false});
    return z;
}
bool same(const Plane& a, const Plane& b) {
    if (a.width() != b.width() || a.height() != b.height()) return false;
    for (int y = 0; y < a.height(); ++y)
        if (!std::equal(a.row(y), a.row(y) + a.width(), b.row(y))) return false;
    return true;
}

} // namespace

class TestZones : public QObject {
    Q_OBJECT

  private slots:
    void textsComeBack() {
        const std::string text = "bm3d,luminance=1,colour=1,coarse=1,detail=0.25,grain=0,mend=1,"
                                 "zone=in-focus,luminance=0.8,zone=not-dark,colour=1.4,sharpening=0,"
                                 "zone=painted,luminance=0,strokes=+40~0.5:100 200 110.5 210;-12~0:5 5";
        const Settings settings = settingsFromText(text);
        QCOMPARE(settings.zones.size(), std::size_t(3));
        QVERIFY(settings.zones[1].inverted && settings.zones[1].part == FoundPart::Dark);
        QVERIFY(settings.zones[2].strokes[1].erase && settings.zones[2].strokes[0].points[1].x == 110.5f);
        QCOMPARE(QString::fromStdString(textOf(settings)), QString::fromStdString(text));
        QVERIFY(settingsFromText("bm3d,zone=dark").zones[0].isPlain());
        std::string many = "bm3d", dots = "+4~0:1 1", strokes = dots;
        for (std::size_t i = 0; i <= Zone::kMost; ++i) many += ",zone=dark";
        for (std::size_t i = 0; i < Zone::kMostStrokes; ++i) strokes += ";" + dots;
        for (const std::string& bad :
             {std::string("bm3d,zone=wet"), std::string("bm3d,zone=dark,luminance=4"),
              std::string("bm3d,zone=dark,tide=1"), std::string("bm3d,zone=painted,strokes=40~0.5:1 2"),
              std::string("bm3d,zone=painted,strokes=+40~0.5:1 2 3"),
              std::string("bm3d,zone=painted,strokes=+4~2:1 2"),
              std::string("bm3d,zone=painted,strokes=+nan~0:1 2"),
              std::string("bm3d,zone=painted,strokes=+4~0:"), std::string("bm3d,zones=dark"), many,
              "bm3d,zone=painted,strokes=" + strokes})
            QVERIFY_EXCEPTION_THROWN(settingsFromText(bad), std::invalid_argument);
        // On another photo what was painted means nothing.
        const std::vector<Zone> left = withoutStrokes(settings.zones);
        QVERIFY(left.size() == 2 && left[0].part == FoundPart::InFocus);
    }
    void aBrushCoversWhatItSays() {
        Stroke stroke{{{50, 40}, {90, 40}}, 30, 0, false};
        const Rect all{0, 0, 140, 80};
        const Plane hard = coverageOf(stroke, all);
        QCOMPARE(hard.at(70, 40), 1.0f);
        // The border lies 15 pixels off, within half a pixel.
        int inside = 0;
        while (hard.at(70, 40 + inside) >= 0.5f) ++inside;
        QVERIFY2(std::abs(inside - 15) <= 1, qPrintable(QString::number(inside)));
        QVERIFY(hard.at(70, 53) == 1.0f && hard.at(70, 57) == 0.0f && hard.at(34, 40) < 0.5f);
        // Aslant it is the same, wherever it begins.
        const Plane aslant = coverageOf({{{-200, -100}, {300, 200}}, 30, 0.3f, false}, all);
        for (int y = 0; y < all.height; ++y)
            for (int x = 0; x < all.width; ++x) {
                const double away = std::abs(300.0 * (x + 200) - 500.0 * (y + 100)) / std::hypot(300, 500);
                if (away < 9) QCOMPARE(aslant.at(x, y), 1.0f);
                if (away > 16) QCOMPARE(aslant.at(x, y), 0.0f);
            }
        stroke.softness = 1;
        const Plane soft = coverageOf(stroke, all);
        for (int y = 41; y < 60; ++y) QVERIFY(soft.at(70, y) <= soft.at(70, y - 1));
        QVERIFY(soft.at(70, 48) > 0.2f && soft.at(70, 48) < 0.8f);
        // The finest takes single pixels, wherever it is put down.
        for (const float at : {20.0f, 20.3f, 20.49f, 19.6f}) {
            const Plane one = coverageOf({{{at, 30.2f}}, 1, 0.5f, false}, all);
            double sum = 0;
            for (int y = 0; y < all.height; ++y)
                for (int x = 0; x < all.width; ++x) sum += static_cast<double>(one.at(x, y));
            QVERIFY(sum == 1 && one.at(20, 30) == 1.0f);
        }
    }
    void masksOfRegionsAreCropsOfTheWhole() {
        const test::Shooting s = test::shoot(6400);
        for (const FoundPart part : {FoundPart::Painted, FoundPart::InFocus, FoundPart::OutOfFocus,
                                     FoundPart::Dark, FoundPart::Bright}) {
            Zone z = painted({{100.4f, 80}, {220, 200.7f}}, 60, 0.7f);
            z.part = part;
            z.strokes.push_back({{{150, 120}}, 25, 0.2f, true});
            const Rect part1{73, 41, 160, 133};
            const Plane whole = maskOf(s.photo, z, s.photo.whole());
            QVERIFY(same(maskOf(s.photo, z, part1), whole.cropped(part1)));
            QCOMPARE(whole.at(150, 120), 0.0f); // erased
            z.inverted = true, z.strokes.clear();
            const Plane other = maskOf(s.photo, z, part1);
            z.inverted = false;
            const Plane own = maskOf(s.photo, z, part1);
            for (int y = 0; y < part1.height; ++y)
                for (int x = 0; x < part1.width; ++x)
                    QVERIFY(std::abs(own.at(x, y) + other.at(x, y) - 1) < 1e-6f);
        }
    }
    void aZoneThatChangesNothingIsTheTake_data() {
        QTest::addColumn<QString>("method");
        for (const char* id : {"wavelet", "bm3d-quick"}) QTest::newRow(id) << QString(id);
    }
    void aZoneThatChangesNothingIsTheTake() {
        QFETCH(QString, method);
        const test::Shooting s = test::shoot(6400);
        Settings take{method.toStdString()};
        const Rect area{60, 50, 200, 150};
        const Plane plain = cleanMosaic(s.photo, take, area);
        Settings zoned = take;
        zoned.zones = {zone(FoundPart::InFocus), zone(FoundPart::Dark, 1, 1, 2), zone(FoundPart::Painted, 0)};
        QVERIFY(same(cleanMosaic(s.photo, zoned, area), plain));
        // One that covers all is the take with its strengths.
        Zone all = zone(FoundPart::Painted, 0.5f, 1.2f);
        all.inverted = true;
        zoned.zones = {zone(FoundPart::Dark, 0), all};
        Settings own = take;
        own.luminance = 0.5f, own.colour = 1.2f;
        QVERIFY(same(cleanMosaic(s.photo, zoned, area), cleanMosaic(s.photo, own, area)));
        // And what lies far from a stroke is the take's.
        zoned.zones = {painted({{300, 250}}, 20, 0)};
        QVERIFY(same(cleanMosaic(s.photo, zoned, area), plain));
    }
    void regionsAreCropsOfTheWhole() {
        const test::Shooting s = test::shoot(6400, "GBRG");
        Settings take{"wavelet"};
        take.zones = {zone(FoundPart::InFocus, 0.6f), painted({{100, 90}, {200, 180}}, 50, 0.5f, 0)};
        const Rect area{91, 63, 140, 111};
        QVERIFY(same(cleanMosaic(s.photo, take, area),
                     cleanMosaic(s.photo, take, s.photo.whole()).cropped(area)));
    }
    // Between two strengths noise rises evenly, and means stay.
    void aBorderIsSmooth() {
        const Photo photo = test::flatField(0.08, 12800, 640);
        Settings take{"wavelet"};
        take.zones = {painted({{0, 320}, {0, 640}}, 640, 1, 0)};
        take.zones[0].strokes[0].points = {{0, -200}, {0, 900}};
        const Plane out = cleanMosaic(photo, take, photo.whole()),
                    in = cleanMosaic(photo, Settings::original(), photo.whole());
        double lastSpread = 1e9;
        for (int x = 40; x + 40 <= 360; x += 40) {
            double sum = 0, square = 0, was = 0;
            const double count = 40.0 * 640;
            for (int y = 0; y < 640; ++y)
                for (int i = x; i < x + 40; ++i) {
                    const double v = static_cast<double>(out.at(i, y));
                    sum += v, square += v * v, was += static_cast<double>(in.at(i, y));
                }
            const double mean = sum / count, spread = square / count - mean * mean;
            QVERIFY2(std::abs(mean / (was / count) - 1) < 0.01,
                     qPrintable(QString::number(mean / (was / count))));
            QVERIFY2(spread < 1.1 * lastSpread, qPrintable(QString::number(x)));
            lastSpread = spread;
        }
        // Over the whole transition: a tenth of a per cent.
        const double all = test::meanOf(out.cropped({0, 0, 360, 640})),
                     before = test::meanOf(in.cropped({0, 0, 360, 640}));
        QVERIFY2(std::abs(all / before - 1) < 0.001, qPrintable(QString::number(all / before - 1)));
    }
    void whatIsInFocusIsFound_data() {
        QTest::addColumn<int>("view");
        QTest::addColumn<double>("iso");
        for (int view = 0; view < 4; ++view)
            for (const double iso : {1600.0, 6400.0})
                QTest::newRow(qPrintable(QStringLiteral("%1 at %2").arg(view).arg(iso))) << view << iso;
    }
    void whatIsInFocusIsFound() {
        QFETCH(int, view);
        QFETCH(double, iso);
        static std::map<int, Portrait> made; // each is rendered once
        const auto [at, isNew] = made.try_emplace(view);
        if (isNew) at->second = portraitOf(static_cast<Scene>(view), 960, 720);
        const Portrait& p = at->second;
        test::Shooting shot;
        shot.body.mosaic = test::pattern("RGGB"), shot.body.black = 1024;
        shot.shot.iso = iso, shot.shot.seed = 5;
        const Photo photo = takePhoto(exposeMosaic(p.light, shot.body, shot.shot), shot.body, shot.shot);
        const Plane mask = maskOf(photo, zone(FoundPart::InFocus), photo.whole());
        double both = 0, any = 0, seen = 0;
        for (int y = 0; y < mask.height(); ++y)
            for (int x = 0; x < mask.width(); ++x) {
                const auto i = static_cast<std::size_t>(y) * static_cast<std::size_t>(mask.width()) +
                               static_cast<std::size_t>(x);
                if (!p.detailed[i]) continue;
                const bool found = mask.at(x, y) >= 0.5f;
                both += found && p.sharp[i], any += found || p.sharp[i], ++seen;
            }
        qInfo("%d at ISO %.0f: intersection over union %.3f, on %.0f %% of it", view, iso, both / any,
              100 * seen / (mask.width() * mask.height()));
        QVERIFY2(both / any > 0.7, qPrintable(QString::number(both / any)));
    }
    void sharpeningHasItsZones() {
        const test::Shooting s = test::shoot(1600);
        Look look;
        look.softness = Softness::Medium;
        Settings take{"wavelet"};
        const Rect area{60, 60, 200, 160};
        const Picture sharp = render(recipeOf(s.photo, take, look), area, 1);
        Zone all = zone(FoundPart::Painted, 1, 1, 0);
        all.inverted = true;
        take.zones = {all};
        const Picture none = render(recipeOf(s.photo, take, look), area, 1);
        Look plain = look;
        plain.softness = Softness::Off;
        const Picture off = render(recipeOf(s.photo, Settings{"wavelet"}, plain), area, 1);
        QVERIFY(none.rgb == off.rgb && none.rgb != sharp.rgb);
    }
    void filesKeepTheirZones() {
        QTemporaryDir folder;
        const test::Shooting s = test::shoot(3200);
        Export what{recipeOf(s.photo, Settings{"wavelet"}), {}, {}, false};
        what.recipe.settings.zones = {zone(FoundPart::Dark, 1.4f), painted({{50, 60}, {70, 80}}, 31, 0.25f)};
        for (const char* format : {"dng", "jpeg"}) {
            what.delivery = deliveryFromText(format);
            const std::string to = folder.filePath(format).toStdString();
            exportFile(what, to);
            const auto back = settingsIn(to);
            QVERIFY(back && *back == what.recipe.settings);
        }
        // Zones are part of what a picture is told apart by.
        QVERIFY(!(idOf(what.recipe) == idOf(recipeOf(s.photo, Settings{"wavelet"}))));
    }
};

QTEST_GUILESS_MAIN(TestZones)
#include "zones.moc"
