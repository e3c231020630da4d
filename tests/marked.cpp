// Parts of a photo found from a few marks: the cut itself, and what it finds on scenes whose subject is
// known.
#include <QTest>
#include <random>

#include "denoise/grid_cut.h"
#include "denoise/guided.h"
#include "denoise/marked_part.h"
#include "denoise/mask.h"
#include "denoise/mixture.h"
#include "support.h"

using namespace irenic;

namespace {

constexpr int kWidth = 1600, kHeight = 1200;

// A subject before a ground, as the simulated camera takes both.
struct SceneOf {
    Photo photo;
    std::vector<bool> subject; // of each pixel
};

enum class Kind { Disc, Leaf, TwoTones };

bool isSubject(Kind kind, int x, int y) {
    const double u = (x - 0.52 * kWidth) / kHeight, v = (y - 0.5 * kHeight) / kHeight;
    if (kind == Kind::Disc) return u * u + v * v < 0.08;
    if (kind == Kind::Leaf)
        return std::abs(v + 0.1 * std::sin(8 * u)) < 0.28 * (1 - 3.2 * u * u) && std::abs(u) < 0.5;
    return std::abs(u) < 0.25 && std::abs(v) < 0.32;
}

SceneOf sceneOf(Kind kind, double iso) {
    std::array<Plane, 3> light;
    for (Plane& p : light) p = Plane(kWidth, kHeight);
    SceneOf out;
    out.subject.resize(static_cast<std::size_t>(kWidth) * kHeight);
    std::mt19937 random(7);
    std::uniform_real_distribution<float> grit(-1, 1);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const bool own = isSubject(kind, x, y);
            out.subject[static_cast<std::size_t>(y * kWidth + x)] = own;
            const float shade = 0.7f + 0.6f * static_cast<float>(x) / kWidth; // light falls off over both
            std::array<float, 3> colour = {0.10f, 0.13f, 0.16f};
            if (own) colour = {0.24f, 0.16f, 0.09f};
            if (own && kind == Kind::TwoTones && y < kHeight / 2) colour = {0.08f, 0.20f, 0.07f};
            const float rough = own ? 0.02f * grit(random) : 0;
            for (std::size_t c = 0; c < 3; ++c) light[c].at(x, y) = shade * colour[c] + rough;
        }
    Shot shot;
    shot.iso = iso;
    out.photo = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
    return out;
}

Stroke mark(std::vector<StrokePoint> points, bool unwanted) {
    Stroke s;
    s.points = std::move(points), s.diameter = 40, s.erase = unwanted, s.mark = true;
    return s;
}

double overlap(const SceneOf& scene, const Plane& mask) {
    double both = 0, either = 0;
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const bool is = scene.subject[static_cast<std::size_t>(y * kWidth + x)],
                       found = mask.at(x, y) >= 0.5f;
            both += is && found, either += is || found;
        }
    return both / either;
}

Zone zoneOf(std::vector<Stroke> marks) {
    Zone zone;
    zone.part = FoundPart::Marked, zone.luminance = 0.5f, zone.strokes = std::move(marks);
    return zone;
}

} // namespace

class TestMarked : public QObject {
    Q_OBJECT

  private slots:
    // Every cut of a small grid is tried: none is cheaper.
    void theCutIsTheCheapest() {
        constexpr int kW = 4, kH = 3, kNodes = kW * kH;
        for (std::uint32_t seed = 0; seed < 40; ++seed) {
            std::mt19937 random(seed);
            std::uniform_int_distribution<int> cost(0, 9);
            GridCut cut(kW, kH);
            std::vector<std::array<float, 2>> costs;
            struct Link {
                int a, b;
                float cost;
            };
            std::vector<Link> links;
            for (int y = 0; y < kH; ++y)
                for (int x = 0; x < kW; ++x) {
                    costs.push_back({static_cast<float>(cost(random)), static_cast<float>(cost(random))});
                    cut.setCosts(x, y, costs.back()[0], costs.back()[1]);
                    for (const auto& [dx, dy] : {std::pair{1, 0}, {0, 1}, {1, 1}, {-1, 1}}) {
                        if (x + dx < 0 || x + dx >= kW || y + dy >= kH) continue;
                        const auto c = static_cast<float>(cost(random)) / 2;
                        links.push_back({y * kW + x, (y + dy) * kW + x + dx, c});
                        cut.setLink(x, y, dx, dy, c);
                    }
                }
            cut.run();
            const auto priceOf = [&](unsigned inside) {
                float price = 0;
                for (int n = 0; n < kNodes; ++n)
                    price += costs[static_cast<std::size_t>(n)][inside >> n & 1u ? 1 : 0];
                for (const Link& l : links)
                    if ((inside >> l.a & 1u) != (inside >> l.b & 1u)) price += l.cost;
                return price;
            };
            unsigned own = 0;
            for (int n = 0; n < kNodes; ++n) own |= (cut.isInside(n % kW, n / kW) ? 1u : 0u) << n;
            float least = 1e9f;
            for (unsigned all = 0; all < 1u << kNodes; ++all) least = std::min(least, priceOf(all));
            QCOMPARE(priceOf(own), least);
        }
    }
    void mixturesTellOneFromAnother() {
        std::mt19937 random(3);
        std::normal_distribution<float> n;
        std::vector<Features> one, other;
        for (int i = 0; i < 400; ++i) {
            one.push_back({(i % 2 ? 20.0f : 40.0f) + n(random), n(random), 3 + n(random), 0});
            other.push_back({30 + n(random), n(random), 3 + n(random), 0});
        }
        const Features least = {1, 1, 1, 1};
        const Mixture a(one, least), b(other, least);
        QVERIFY(a.cost({20, 0, 3, 0}) + 5 < b.cost({20, 0, 3, 0}));
        QVERIFY(a.cost({40, 0, 3, 0}) + 5 < b.cost({40, 0, 3, 0}));
        QVERIFY(b.cost({30, 0, 3, 0}) + 5 < a.cost({30, 0, 3, 0}));
        // One example is a mixture too.
        QVERIFY(Mixture(std::vector<Features>{{1, 2, 3, 4}}, least).cost({1, 2, 3, 4}) < 10);
    }
    void guidedFilterKeepsTheGuidesEdges() {
        Plane guide(40, 40), in(40, 40);
        for (int y = 0; y < 40; ++y)
            for (int x = 0; x < 40; ++x) guide.at(x, y) = x < 20 ? 0 : 100, in.at(x, y) = x < 22 ? 0 : 1;
        const Plane out = guided(in, guide, 3, 1);
        QVERIFY(out.at(19, 20) < 0.2f && out.at(22, 20) - out.at(19, 20) > 0.4f);
        QVERIFY(std::abs(out.at(5, 20)) < 0.01f && std::abs(out.at(35, 20) - 1) < 0.01f);
    }
    void subjects_data() {
        QTest::addColumn<int>("kind");
        QTest::addColumn<double>("iso");
        for (const double iso : {800.0, 12800.0}) {
            QTest::addRow("disc at ISO %g", iso) << static_cast<int>(Kind::Disc) << iso;
            QTest::addRow("leaf at ISO %g", iso) << static_cast<int>(Kind::Leaf) << iso;
            QTest::addRow("of two tones at ISO %g", iso) << static_cast<int>(Kind::TwoTones) << iso;
        }
    }
    // From three strokes.
    void subjects() {
        QFETCH(int, kind);
        QFETCH(double, iso);
        const SceneOf scene = sceneOf(static_cast<Kind>(kind), iso);
        const Zone zone =
            zoneOf({mark({{760, 480}, {900, 720}}, false), mark({{100, 100}, {100, 1100}}, true),
                    mark({{1500, 100}, {1500, 1100}}, true)});
        const Plane mask = maskOf(scene.photo, zone, scene.photo.whole());
        QVERIFY2(overlap(scene, mask) >= 0.95, qPrintable(QString::number(overlap(scene, mask))));
        // A region is the crop of the whole.
        const Rect part{333, 217, 401, 305};
        const Plane own = maskOf(scene.photo, zone, part);
        for (int y = 0; y < part.height; ++y)
            for (int x = 0; x < part.width; ++x) QCOMPARE(own.at(x, y), mask.at(part.x + x, part.y + y));
    }
    void oneStrokeIsEnoughWhereTheBorderIsNotWanted() {
        const SceneOf scene = sceneOf(Kind::Disc, 3200);
        const Plane mask =
            maskOf(scene.photo, zoneOf({mark({{760, 480}, {900, 720}}, false)}), scene.photo.whole());
        QVERIFY2(overlap(scene, mask) >= 0.95, qPrintable(QString::number(overlap(scene, mask))));
    }
    void withoutMarksThereIsNothing() {
        const SceneOf scene = sceneOf(Kind::Disc, 3200);
        for (const auto& marks : {std::vector<Stroke>{}, std::vector<Stroke>{mark({{100, 100}}, true)}}) {
            const Plane mask = maskOf(scene.photo, zoneOf(marks), scene.photo.whole());
            QCOMPARE(mask.at(800, 600), 0.0f);
        }
        QVERIFY(zoneOf({}).isPlain());
    }
    // Of a colour, wherever it is: two discs from a mark on one; not where it was said to be unwanted.
    void alike() {
        std::array<Plane, 3> light;
        for (Plane& p : light) p = Plane(kWidth, kHeight);
        const auto discOf = [](int x, int y) {
            for (const int cx : {400, 1200})
                if (std::hypot(x - cx, y - 600) < 220) return cx;
            return 0;
        };
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x) {
                const std::array<float, 3> colour = discOf(x, y) ? std::array<float, 3>{0.2f, 0.1f, 0.06f}
                                                                 : std::array<float, 3>{0.1f, 0.13f, 0.16f};
                for (std::size_t c = 0; c < 3; ++c)
                    light[c].at(x, y) = colour[c] * (0.6f + 0.8f * static_cast<float>(y) / kHeight);
            }
        Shot shot;
        shot.iso = 3200;
        const Photo photo = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
        Zone zone = zoneOf({mark({{400, 500}, {400, 700}}, false)});
        zone.part = FoundPart::Alike;
        Plane mask = maskOf(photo, zone, photo.whole());
        QVERIFY(mask.at(400, 600) > 0.9f && mask.at(1200, 600) > 0.9f);
        QVERIFY(mask.at(800, 600) < 0.1f && mask.at(100, 100) < 0.1f);
        zone.part = FoundPart::Marked;
        mask = maskOf(photo, zone, photo.whole());
        QVERIFY(mask.at(400, 600) > 0.9f);
        QCOMPARE(idOf(zonesFromText("zone=alike,strokes=*+40~0.5:1 2")[0]), std::string("alike"));
    }
    // What was found is corrected by the brush, down to the pixel.
    void strokesCorrectIt() {
        const SceneOf scene = sceneOf(Kind::Disc, 3200);
        Zone zone = zoneOf({mark({{760, 480}, {900, 720}}, false)});
        Stroke one;
        one.points = {{50, 60}}, one.diameter = 1;
        zone.strokes.push_back(one);
        one.points = {{830, 600}}, one.erase = true;
        zone.strokes.push_back(one);
        const Plane mask = maskOf(scene.photo, zone, scene.photo.whole());
        QCOMPARE(mask.at(50, 60), 1.0f);
        QCOMPARE(mask.at(51, 60), 0.0f);
        QCOMPARE(mask.at(830, 600), 0.0f);
        QVERIFY(mask.at(832, 600) > 0.9f);
    }
    void asText() {
        const std::vector<Zone> zones = {zoneOf({mark({{10, 20}, {30, 40}}, false), mark({{5, 6}}, true)})};
        const std::string text = textOf(zones);
        QVERIFY(text.starts_with("zone=marked,luminance=0.5,strokes=*+40~0.5:10 20 30 40;*-40~0.5:5 6"));
        QVERIFY(zonesFromText(text) == zones);
        QVERIFY_EXCEPTION_THROWN(zonesFromText("zone=marked,strokes=**+4~1:1 1"), FieldError);
        QVERIFY(withoutStrokes(zones).empty());
    }
};

QTEST_APPLESS_MAIN(TestMarked)
#include "marked.moc"
