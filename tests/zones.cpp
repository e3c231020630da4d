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
        const std::string text =
            "bm3d,luminance=1,colour=1,coarse=1,detail=0.25,grain=0,mend=1,"
            "zone=in-focus,luminance=0.8,zone=not-dark,colour=1.4,sharpening=0,"
            "zone=points,coarse=0.5,detail=-0.25,grain=0.2,shift=-4,feather=12,method=nlm,"
            "zone=painted,luminance=0,strokes=+40~0.5:100 200 110.5 210;-12~0:5 5";
        const Settings settings = settingsFromText(text);
        QCOMPARE(settings.zones.size(), std::size_t(4));
        QVERIFY(settings.zones[2].method == "nlm" && settings.zones[2].shift == -4);
        QVERIFY(settings.zones[1].inverted && settings.zones[1].part == FoundPart::Dark);
        QVERIFY(settings.zones[3].strokes[1].erase && settings.zones[3].strokes[0].points[1].x == 110.5f);
        QCOMPARE(QString::fromStdString(textOf(settings)), QString::fromStdString(text));
        QVERIFY(settingsFromText("bm3d,zone=dark").zones[0].isPlain());
        std::string many = "bm3d", dots = "+4~0:1 1", strokes = dots;
        for (std::size_t i = 0; i <= Zone::kMost; ++i) many += ",zone=dark";
        for (std::size_t i = 0; i < Zone::kMostStrokes; ++i) strokes += ";" + dots;
        for (const std::string& bad :
             {std::string("bm3d,zone=wet"), std::string("bm3d,zone=dark,luminance=4"),
              std::string("bm3d,zone=dark,tide=1"), std::string("bm3d,zone=dark,method=tide"),
              std::string("bm3d,zone=dark,feather=-1"), std::string("bm3d,zone=dark,detail=2"),
              std::string("bm3d,zone=painted,strokes=40~0.5:1 2"),
              std::string("bm3d,zone=painted,strokes=+40~0.5:1 2 3"),
              std::string("bm3d,zone=painted,strokes=+4~2:1 2"),
              std::string("bm3d,zone=painted,strokes=+nan~0:1 2"),
              std::string("bm3d,zone=painted,strokes=+4~0:"), std::string("bm3d,zones=dark"), many,
              "bm3d,zone=painted,strokes=" + strokes})
            QVERIFY_EXCEPTION_THROWN(settingsFromText(bad), std::invalid_argument);
        // On another photo what was painted means nothing.
        const std::vector<Zone> left = withoutStrokes(settings.zones);
        QVERIFY(left.size() == 3 && left[0].part == FoundPart::InFocus);
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
    // Where a pen was pressed less the line is as much narrower, and in between in between.
    void aPenPressedLessDrawsANarrowerLine() {
        const Stroke stroke{{{20, 40, 0.2f}, {120, 40, 1}}, 40, 0, false};
        const Plane covered = coverageOf(stroke, {0, 0, 140, 80});
        const auto halfWidth = [&](int x) {
            int inside = 0;
            while (covered.at(x, 40 + inside) >= 0.5f) ++inside;
            return inside;
        };
        QVERIFY(std::abs(halfWidth(20) - 4) <= 1 && std::abs(halfWidth(70) - 12) <= 1);
        QVERIFY(std::abs(halfWidth(119) - 20) <= 1);
        const std::string text = "zone=painted,luminance=0.5,strokes==+40~0:20 40*0.2 120 40";
        const std::vector<Zone> zones = zonesFromText(text);
        QVERIFY(zones[0].strokes[0].edges && zones[0].strokes[0].points == stroke.points);
        QCOMPARE(textOf(zones), text);
        for (const char* bad : {"1 2*", "1 2*0", "1 2*1.5", "1*0.5 2", "1 2*0.5*0.5"})
            QVERIFY_EXCEPTION_THROWN(zonesFromText("zone=painted,strokes=+4~0:" + std::string(bad)),
                                     FieldError);
    }
    // A wide brush along an edge covers one side of it, at a low and at a high ISO, and no less than a plain
    // one would there.
    void aBrushKeepsToEdges_data() {
        QTest::addColumn<double>("iso");
        for (const double iso : {200.0, 3200.0, 25600.0}) QTest::addRow("ISO %g", iso) << iso;
    }
    void aBrushKeepsToEdges() {
        QFETCH(double, iso);
        std::array<Plane, 3> light;
        for (Plane& p : light) p = Plane(480, 360);
        const auto isLeft = [](int x, int y) { return x < 240 + 20 * std::sin(y * 0.05); };
        for (int y = 0; y < 360; ++y)
            for (int x = 0; x < 480; ++x) {
                const std::array<float, 3> own =
                    isLeft(x, y) ? std::array{0.16f, 0.12f, 0.1f} : std::array{0.07f, 0.1f, 0.16f};
                for (std::size_t c = 0; c < 3; ++c)
                    light[c].at(x, y) = own[c] * (0.8f + 0.4f * static_cast<float>(y) / 360);
            }
        Shot shot;
        shot.iso = iso;
        const Photo photo = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
        Zone zone = painted({{190, 60}, {190, 300}}, 160, 0);
        const Plane plain = maskOf(photo, zone, photo.whole());
        zone.strokes[0].edges = true;
        const Plane kept = maskOf(photo, zone, photo.whole());
        double both = 0, either = 0;
        for (int y = 0; y < 344; ++y)
            for (int x = 0; x < 464; ++x) {
                const bool wanted = plain.at(x, y) >= 0.5f && isLeft(x, y), is = kept.at(x, y) >= 0.5f;
                both += wanted && is, either += wanted || is;
                QVERIFY(kept.at(x, y) <= plain.at(x, y));
            }
        QVERIFY2(both / either > 0.95, qPrintable(QString::number(both / either)));
        // A region is the crop of the whole, wherever it begins.
        for (const Rect& part : {Rect{101, 57, 150, 99}, Rect{-3, -5, 300, 200}, Rect{220, 100, 1, 1}}) {
            const Plane own = maskOf(photo, zone, part);
            for (int y = std::max(0, part.y); y < part.bottom(); ++y)
                for (int x = std::max(0, part.x); x < part.right(); ++x)
                    QCOMPARE(own.at(x - part.x, y - part.y), kept.at(x, y));
        }
    }
    void masksOfRegionsAreCropsOfTheWhole() {
        const test::Shooting s = test::shoot(6400);
        for (const FoundPart part : foundParts()) {
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
    // A border is moved by as much as is asked for within three quarters of a pixel, and is as wide within
    // one; and crops are crops.
    void bordersAreWhereTheyAreAsked_data() {
        QTest::addColumn<float>("shift");
        QTest::addColumn<float>("feather");
        const std::pair<float, float> rows[] = {{20, 0}, {-15, 0}, {0, 40}, {-20, 30}, {60, 60}};
        for (const auto& [shift, feather] : rows)
            QTest::addRow("%g moved, %g wide", static_cast<double>(shift), static_cast<double>(feather))
                << shift << feather;
    }
    void bordersAreWhereTheyAreAsked() {
        QFETCH(float, shift);
        QFETCH(float, feather);
        const Photo photo = test::flatField(0.1, 3200, 400);
        Zone z = painted({{200, 200}}, 100, 0);
        z.shift = shift, z.feather = feather;
        const Plane mask = maskOf(photo, z, photo.whole());
        // Along four ways from the middle: where the mask falls to a share, between two pixels.
        const double ways[][2] = {{1, 0}, {0, 1}, {-1, 0}, {0.6, 0.8}};
        const auto radiusOf = [&](const double* way, float share) {
            const auto at = [&](double r) {
                const double fx = 200 + r * way[0], fy = 200 + r * way[1];
                const int l = static_cast<int>(fx), t = static_cast<int>(fy);
                const auto u = static_cast<float>(fx - l), v = static_cast<float>(fy - t);
                return (1 - v) * ((1 - u) * mask.at(l, t) + u * mask.at(l + 1, t)) +
                       v * ((1 - u) * mask.at(l, t + 1) + u * mask.at(l + 1, t + 1));
            };
            double r = 0;
            while (r < 190 && at(r) >= share) r += 0.0625;
            return r;
        };
        for (const auto& way : ways) {
            QVERIFY2(std::abs(radiusOf(way, 0.5f) - static_cast<double>(50 + shift)) <= 0.75,
                     qPrintable(QString::number(radiusOf(way, 0.5f))));
            if (feather > 0)
                QVERIFY2(std::abs(radiusOf(way, 0.25f) - radiusOf(way, 0.75f) -
                                  static_cast<double>(feather) / 2) <= 1,
                         qPrintable(QString::number(radiusOf(way, 0.25f) - radiusOf(way, 0.75f))));
        }
        const Rect part{131, 87, 90, 101};
        QVERIFY(same(maskOf(photo, z, part), mask.cropped(part)));
    }
    // Texture beside an even field, stars upon it, and a step of brightness.
    void partsAreFound() {
        const int w = 640, h = 480;
        Plane truth(w, h);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                const double grass =
                    0.05 * std::sin(x * 1.1 + 0.02 * y * y) * std::cos(y * 0.9 - 0.015 * x * x);
                truth.at(x, y) = static_cast<float>(y >= 400 ? 0.5 : x < 320 ? 0.1 : 0.1 + grass);
            }
        const std::pair<int, int> stars[] = {{60, 60}, {150, 220}, {250, 120}, {90, 300}};
        for (const auto& [cx, cy] : stars)
            for (int y = cy - 6; y <= cy + 6; ++y)
                for (int x = cx - 6; x <= cx + 6; ++x)
                    truth.at(x, y) += static_cast<float>(
                        0.5 * std::exp(-((x - cx) * (x - cx) + (y - cy) * (y - cy)) / (2 * 1.3 * 1.3)));
        Shot shot;
        shot.iso = 3200;
        const Photo photo = takePhoto(truth, {}, shot);
        const auto mask = [&](FoundPart part) { return maskOf(photo, zone(part), photo.whole()); };
        const auto shareIn = [](const Plane& of, const Rect& area) { return test::meanOf(of.cropped(area)); };
        const Rect even{20, 330, 270, 40}, grass{360, 40, 250, 320}, step{40, 396, 560, 8};
        const Plane smooth = mask(FoundPart::Smooth), textured = mask(FoundPart::Textured),
                    points = mask(FoundPart::Points), edges = mask(FoundPart::Edges);
        QVERIFY2(
            shareIn(textured, grass) > 0.9 && shareIn(textured, even) < 0.05,
            qPrintable(QStringLiteral("%1 %2").arg(shareIn(textured, grass)).arg(shareIn(textured, even))));
        QVERIFY(shareIn(smooth, even) > 0.95 && shareIn(smooth, grass) < 0.1);
        for (const auto& [x, y] : stars) QVERIFY(points.at(x, y) > 0.9f);
        QVERIFY2(shareIn(points, {0, 0, w, h}) < 0.02,
                 qPrintable(QString::number(shareIn(points, {0, 0, w, h}))));
        QVERIFY(shareIn(edges, step) > 0.8 && shareIn(edges, even) < 0.1 && shareIn(edges, grass) < 0.2);
    }
    // Another method, more detail, grain: a zone that covers all is a take with those.
    void aZoneHasAMethodAndMoreOfItsOwn() {
        const test::Shooting s = test::shoot(6400);
        const Rect area{60, 50, 200, 150};
        Settings take{"wavelet"};
        Zone all = zone(FoundPart::Painted);
        all.inverted = true;
        all.method = "nlm", all.detail = 0.5f, all.grain = 0.25f, all.coarse = 0.5f;
        take.zones = {all};
        Settings own{"nlm"};
        own.detail = std::min(1.0f, take.detail + 0.5f), own.grain = 0.25f, own.coarse = 0.5f;
        QVERIFY(same(cleanMosaic(s.photo, take, area), cleanMosaic(s.photo, own, area)));
        // Where it is not, the take is as it was; where it is, it is the other.
        Zone disc = painted({{160, 125}}, 60, 0);
        disc.luminance = 1, disc.method = "nlm", disc.grain = 0.25f;
        take.zones = {disc};
        own = {"nlm"}, own.grain = 0.25f;
        const Plane both = cleanMosaic(s.photo, take, area);
        const Rect inside{150, 115, 20, 20}, outside{60, 50, 40, 40};
        const auto cut = [&](const Plane& of, const Rect& r) {
            return of.cropped({r.x - area.x, r.y - area.y, r.width, r.height});
        };
        take.zones.clear();
        QVERIFY(same(cut(both, outside), cut(cleanMosaic(s.photo, take, area), outside)));
        const Plane other = cut(cleanMosaic(s.photo, own, area), inside), here = cut(both, inside);
        QVERIFY2(test::psnr(here, other, 0) > 60, qPrintable(QString::number(test::psnr(here, other, 0))));
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
