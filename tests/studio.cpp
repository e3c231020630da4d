#include <QTest>
#include <array>
#include <cmath>
#include <map>
#include <numbers>

#include "lettering.h"
#include "studio/paints.h"
#include "studio/props.h"
#include "studio/shapes.h"
#include "studio/tracer.h"
#include "texture_noise.h"

using namespace irenic;
using namespace irenic::scene;

namespace {

constexpr float kPi = std::numbers::pi_v<float>;

bool near(float a, float b, float most) { return std::abs(a - b) <= most; }
bool near(Vec a, Vec b, float most) { return length(a - b) <= most; }

// What a closed mesh holds, by the divergence theorem; triangles look where their corners' normals do.
float volume(const Mesh& m) {
    double sum = 0;
    for (std::size_t i = 0; i + 2 < m.corners.size(); i += 3) {
        const std::uint32_t k[3] = {m.corners[i], m.corners[i + 1], m.corners[i + 2]};
        const Vec way = cross(m.at[k[1]] - m.at[k[0]], m.at[k[2]] - m.at[k[0]]);
        const Vec out = m.normal[k[0]] + m.normal[k[1]] + m.normal[k[2]];
        const double part = static_cast<double>(dot(m.at[k[0]], way)) / 6;
        sum += dot(way, out) < 0 ? -part : part;
    }
    return static_cast<float>(sum);
}

// How many edges do not belong to two triangles. Corners in one place are one.
int openEdges(const Mesh& m) {
    std::map<std::array<long, 3>, int> places;
    const auto placeOf = [&](std::uint32_t corner) {
        const Vec p = m.at[corner] * 1e5f;
        return places
            .try_emplace({std::lround(p.x), std::lround(p.y), std::lround(p.z)},
                         static_cast<int>(places.size()))
            .first->second;
    };
    std::map<std::pair<int, int>, int> edges;
    for (std::size_t i = 0; i + 2 < m.corners.size(); i += 3) {
        const int k[3] = {placeOf(m.corners[i]), placeOf(m.corners[i + 1]), placeOf(m.corners[i + 2])};
        if (k[0] == k[1] || k[1] == k[2] || k[2] == k[0]) continue; // of no area
        for (int e = 0; e < 3; ++e) ++edges[std::minmax(k[e], k[(e + 1) % 3])];
    }
    return static_cast<int>(
        std::count_if(edges.begin(), edges.end(), [](const auto& e) { return e.second != 2; }));
}

// A stage under an even white sky, with the eye at the origin.
Stage underWhiteSky() {
    Stage stage;
    stage.sky = [](Vec) { return Vec{1, 1, 1}; };
    stage.eye = {{0, 0, 0}, {0, 0, 1}, 40, 0, 1};
    return stage;
}

Paint plain(Vec colour) {
    return [colour](const Spot& spot) { return Surface{colour, spot.normal, 0, 1}; };
}

double meanOf(const Plane& p, const Rect& r) {
    double sum = 0;
    for (int y = r.y; y < r.bottom(); ++y)
        for (int x = r.x; x < r.right(); ++x) sum += static_cast<double>(p.at(x, y));
    return sum / static_cast<double>(r.area());
}

} // namespace

// Where the demo's scenes are built and rendered.
class TestStudio : public QObject {
    Q_OBJECT

  private slots:
    void luckIsTheSameEverywhere() {
        Luck luck(1);
        // The engine's first number is the standard's, 1791095845 for this seed.
        QCOMPARE(luck.share(), static_cast<float>(1791095845U >> 8) / 16777216.0f);
        double sum = 0, squares = 0;
        constexpr int n = 20000;
        for (int i = 0; i < n; ++i) {
            const auto v = static_cast<double>(luck.bell());
            sum += v, squares += v * v;
        }
        QVERIFY(std::abs(sum / n) < 0.03);
        QVERIFY(std::abs(std::sqrt(squares / n) - 1) < 0.03);
        for (int i = 0; i < 200; ++i) {
            QVERIFY(near(length(luck.onSphere()), 1, 1e-5f));
            QVERIFY(length(luck.inBall()) < 1.00001f);
        }
    }
    void turning() {
        QVERIFY(near(turned({0, 1, 0}, {kPi / 2, 0, 0}), {0, 0, 1}, 1e-6f));
        QVERIFY(near(turned({0, 0, 1}, {0, kPi / 2, 0}), {1, 0, 0}, 1e-6f));
        QVERIFY(near(turned({1, 0, 0}, {0, 0, kPi / 2}), {0, 1, 0}, 1e-6f));
        const Vec a{0.3f, -1.2f, 0.7f}, b{2, 0.1f, -0.4f}, angles{0.4f, 1.9f, -2.2f};
        QVERIFY(near(dot(turned(a, angles), turned(b, angles)), dot(a, b), 1e-5f));
        const Mesh m = moved(box({1, 2, 3}), {5, 0, 0}, angles);
        QVERIFY(near(m.own[7], box({1, 2, 3}).at[7], 1e-6f)); // patterns go along
    }
    void solids_data() {
        QTest::addColumn<Mesh>("mesh");
        QTest::addColumn<float>("holds");
        QTest::addColumn<int>("open"); // what is lathed has a hole of a tenth of a millimetre at either end
        const auto ellipsoid = [](Vec p) { return ellipsoidDistance(p, {}, {0.5f, 0.3f, 0.4f}); };
        QTest::newRow("box") << box({0.5f, 0.2f, 0.3f}, 0.001f) << 8 * 0.5f * 0.2f * 0.3f << 0;
        QTest::newRow("ball") << ball({0.5f, 0.3f, 0.4f}, 96) << 4 * kPi / 3 * 0.5f * 0.3f * 0.4f << 2 * 96;
        QTest::newRow("bar") << bar({0, 0, 0}, {1, 2, 2}, 0.2f, 96) << kPi * 0.04f * 3 << 2 * 96;
        QTest::newRow("bar upright") << bar({0, 1, 0}, {0, 3, 0}, 0.2f, 96) << kPi * 0.04f * 2 << 2 * 96;
        QTest::newRow("isosurface") << isosurface(ellipsoid, {-0.6f, -0.6f, -0.6f}, {0.6f, 0.6f, 0.6f}, 0.03f)
                                    << 4 * kPi / 3 * 0.5f * 0.3f * 0.4f << 0;
    }
    // Solids are closed, hold what they should and look outwards.
    void solids() {
        QFETCH(Mesh, mesh);
        QFETCH(float, holds);
        QFETCH(int, open);
        QCOMPARE(mesh.normal.size(), mesh.at.size());
        QCOMPARE(mesh.own.size(), mesh.at.size());
        for (const std::uint32_t c : mesh.corners) QVERIFY(c < mesh.at.size());
        QVERIFY(openEdges(mesh) <= open);
        const float found = volume(mesh);
        QVERIFY2(near(found, holds, 0.03f * holds),
                 qPrintable(QStringLiteral("%1 for %2").arg(double(found)).arg(double(holds))));
        for (const Vec& n : mesh.normal) QVERIFY(near(length(n), 1, 1e-4f));
        // Two side by side hold twice as much.
        Mesh both = mesh;
        join(both, moved(mesh, {7, 0, 0}));
        QVERIFY(near(volume(both), 2 * found, 0.01f * holds));
    }
    void distances() {
        const Vec a{-1, 0, 0}, b{1, 0, 0};
        QVERIFY(near(barDistance({0, 3, 0}, a, b, 0.5f, 0.5f), 2.5f, 1e-5f));
        QVERIFY(near(barDistance({4, 0, 0}, a, b, 0.2f, 0.5f), 2.5f, 1e-5f));
        QVERIFY(near(barDistance({0, 0, 0}, a, b, 0.5f, 0.5f), -0.5f, 1e-5f));
        QVERIFY(near(boxDistance({3, 0, 0}, {1, 1, 1}), 2, 1e-5f));
        QVERIFY(near(boxDistance({2, 2, 1}, {1, 1, 1}), std::sqrt(2.0f), 1e-5f));
        QVERIFY(near(boxDistance({0.9f, 0, 0}, {1, 1, 1}), -0.1f, 1e-5f));
        QVERIFY(ellipsoidDistance({0, 0, 0}, {}, {1, 2, 3}) < 0);
        QVERIFY(near(ellipsoidDistance({0, 2, 0}, {}, {1, 2, 3}), 0, 1e-5f));
        // A smooth union never lies outside either, and away from both changes nothing.
        QCOMPARE(united(1, 5, 0.5f), 1.0f);
        QVERIFY(united(1, 1, 0.5f) < 1 && united(1, 1, 0.5f) > 0.8f);
        const auto sack = [](Vec p) { return sackDistance(p, {0.4f, 0.25f, 0.2f}, 3); };
        QVERIFY(sack({0, 0, 0}) < 0 && sack({0.5f, 0, 0}) > 0 && sack({0, 0.4f, 0}) > 0);
        QVERIFY(near(gradient([](Vec p) { return length(p); }, {0, 3, 4}, 0.01f), {0, 0.6f, 0.8f}, 1e-3f));
    }
    // A line goes through its points, in even steps.
    void linesGoThroughTheirPoints() {
        const std::vector<Vec> points = {{0, 0, 0}, {1, 0, 0}, {2, 1, 0}, {2, 2, 1}};
        const std::vector<Vec> all = line(points, 0.05f);
        for (const Vec& p : points)
            QVERIFY(std::any_of(all.begin(), all.end(), [&](Vec q) { return near(p, q, 1e-5f); }));
        for (std::size_t i = 1; i < all.size(); ++i) QVERIFY(length(all[i] - all[i - 1]) < 0.1f);
    }
    void ropesAreLaid() {
        Strands yarns, hairs;
        Luck luck(5);
        const Rope rope;
        const std::vector<Vec> along = line({{0, 0, 0}, {0, 0.3f, 0}, {0.3f, 0.6f, 0}}, 0.005f);
        layRope(yarns, hairs, along, rope, luck);
        QCOMPARE(yarns.first.size(), std::size_t(3 * rope.yarns));
        QCOMPARE(yarns.own.size(), yarns.first.size());
        QCOMPARE(yarns.points.size(), along.size() * yarns.first.size());
        float way = 0;
        for (std::size_t i = 1; i < along.size(); ++i) way += length(along[i] - along[i - 1]);
        QVERIFY(near(static_cast<float>(hairs.first.size()), rope.hairs * way, 2));
        // Every yarn stays within the rope, and goes round it.
        for (std::size_t k = 0; k < yarns.first.size(); ++k) {
            float left = 1, right = -1;
            for (std::size_t i = 0; i < along.size(); ++i) {
                const Vec off = yarns.points[yarns.first[k] + i].at - along[i];
                QVERIFY(length(off) < 1.05f * rope.radius);
                left = std::min(left, off.z), right = std::max(right, off.z);
            }
            QVERIFY(left < -0.4f * rope.radius && right > 0.4f * rope.radius);
        }
        const auto one = hair({1, 1, 1}, {0, 1, 0}, {1, 0, 0}, 0.02f, 0.8f, 0.001f, 8);
        QVERIFY(near(one.front().at, {1, 1, 1}, 0));
        float grown = 0;
        for (std::size_t i = 1; i < one.size(); ++i) grown += length(one[i].at - one[i - 1].at);
        QVERIFY(near(grown, 0.02f, 1e-4f));
        QVERIFY(one.back().radius < one.front().radius && one.back().at.x > 1.005f);
    }
    // Places are strewn evenly over the area, whatever the triangles' size.
    void strewnEvenly() {
        Luck luck(2);
        const Mesh m = surface(1, 40, [](float u, float v) { return Vec{u, v * v, 0}; });
        int upper = 0;
        for (const Place& p : scattered(m, 4000, luck)) {
            QVERIFY(p.at.x >= 0 && p.at.x <= 1 && p.at.y >= 0 && p.at.y <= 1);
            QVERIFY(near(std::abs(p.normal.z), 1, 1e-3f));
            upper += p.at.y > 0.5f;
        }
        QVERIFY(std::abs(upper - 2000) < 160);
    }
    void paints_data() {
        QTest::addColumn<int>("which");
        for (int i = 0; i < 13; ++i) QTest::addRow("%d", i) << i;
    }
    // A paint is the same at the same place, gives no more light back than there is, and its bumps stay
    // bumps.
    void paints() {
        QFETCH(int, which);
        const Vec tint{0.8f, 0.7f, 0.6f};
        const Paint all[] = {wood(0, tint, 0.5f, 1),
                             brick(2),
                             plaster(tint, 3),
                             stone(tint, 4),
                             iron(0.3f, 5),
                             brass(0.5f, 6),
                             enamel(tint, 7),
                             sacking(tint, "MILL", 8),
                             strandPaint(tint, tint * 0.5f, 0.04f, 0.4f, 0.2f),
                             lettered(tint, {0.1f, 0.1f, 0.1f}, {"TIDE", "MILL"}, 0.1f, 9),
                             gauge(0.1f, 0.5f, "FLOW", 10),
                             floured(wood(1, tint, 0.2f, 11), 0.8f, 12),
                             wetted(stone(tint, 13), 0.8f, 14)};
        const Paint& paint = all[which];
        Luck luck(9);
        float least = 1, most = 0;
        for (int i = 0; i < 2000; ++i) {
            Spot spot;
            spot.own = spot.at = luck.inBall() * 0.3f;
            spot.normal = luck.onSphere();
            spot.u = luck.share(), spot.fate = luck.share(), spot.distance = 1;
            const Surface s = paint(spot), again = paint(spot);
            QVERIFY(near(s.colour, again.colour, 0) && near(s.normal, again.normal, 0));
            for (const float c : {s.colour.x, s.colour.y, s.colour.z}) QVERIFY(c >= 0 && c <= 1.05f);
            QVERIFY(s.mirror >= 0 && s.mirror <= 0.1f && s.rough > 0 && s.rough <= 1);
            QVERIFY(near(length(s.normal), 1, 1e-3f));
            QVERIFY(dot(s.normal, spot.normal) > -0.2f);
            least = std::min(least, s.colour.y), most = std::max(most, s.colour.y);
        }
        QVERIFY(most - least > 0.02f); // none is flat
    }
    void flourLiesOnWhatLooksUp() {
        const Paint bare = wood(1, {0.3f, 0.2f, 0.1f}, 0.2f, 11), covered = floured(bare, 1, 12);
        float up = 0, down = 0;
        Luck luck(4);
        for (int i = 0; i < 500; ++i) {
            Spot spot;
            spot.own = spot.at = luck.inBall();
            for (const float side : {1.0f, -1.0f}) {
                spot.normal = {0, side, 0};
                (side > 0 ? up : down) += covered(spot).colour.y - bare(spot).colour.y;
            }
        }
        QVERIFY(up > 5 * down && up > 20);
    }
    void lettersAreStrokes() {
        QVERIFY(near(strokeDistance("T", 2, 3), 0, 1e-5f));
        QVERIFY(near(strokeDistance("T", 3, 3), 1, 1e-5f));
        QVERIFY(near(strokeDistance("LT", 8, 3), 0, 1e-5f)); // the second one stands six further right
        QCOMPARE(strokeDistance(" ", 2, 3), 100.0f);
        QCOMPARE(strokeDistance("?", 2, 3), 100.0f);
        QCOMPARE(strokeDistance("T", 2, 40), 100.0f);
        QCOMPARE(strokeDistance("", 0, 0), 100.0f);
    }
    void textureIsSmoothNoise() {
        Luck luck(3);
        float apart = 0;
        for (int i = 0; i < 2000; ++i) {
            const Vec p = luck.inBall() * 20;
            const float v = noise(p, 7), close = noise(p + Vec{1e-3f, 0, 0}, 7);
            QVERIFY(v >= 0 && v <= 1 && near(v, close, 0.01f));
            QVERIFY(octaves(p, 5, 7) >= 0 && octaves(p, 5, 7) <= 1);
            apart += std::abs(v - noise(p, 8));
        }
        QVERIFY(apart / 2000 > 0.1f);
        QCOMPARE(smooth(0, 1, -1), 0.0f);
        QCOMPARE(smooth(0, 1, 2), 1.0f);
        QCOMPARE(smooth(1, 0, 2), 0.0f);
        QVERIFY(near(smooth(0, 1, 0.5f), 0.5f, 1e-6f));
    }
    // In a furnace, where light comes from everywhere alike, a convex thing shows its own colour.
    void furnace() {
        Stage stage = underWhiteSky();
        const Vec colour{0.7f, 0.4f, 0.2f};
        put(stage, moved(ball({1, 1, 1}, 96), {0, 0, 4}), plain(colour));
        const Picture p = traced(stage, 48, 48, 64);
        const Rect middle{20, 20, 8, 8};
        const float of[3] = {colour.x, colour.y, colour.z};
        for (std::size_t c = 0; c < 3; ++c) {
            const double light = meanOf(p.light[c], middle);
            QVERIFY2(std::abs(light - static_cast<double>(of[c])) < 0.02, qPrintable(QString::number(light)));
            QVERIFY(std::abs(meanOf(p.colour[c], middle) - static_cast<double>(of[c])) < 0.001);
            QVERIFY(std::abs(meanOf(p.light[c], {0, 0, 4, 4}) - 1) < 1e-4); // the sky
        }
        QVERIFY(meanOf(p.normal[2], middle) < -0.9); // it looks back
        const Picture again = traced(stage, 48, 48, 64);
        for (int y = 0; y < 48; ++y)
            for (int x = 0; x < 48; ++x) QCOMPARE(again.light[0].at(x, y), p.light[0].at(x, y));
    }
    // Twice as far, a lamp gives a quarter of its light; a stop more exposure shows it twice as bright.
    void lampsFadeWithDistance() {
        const auto lit = [](float distance, float exposure) {
            Stage stage;
            stage.eye = {{0, 0, -3}, {0, 0, 1}, 10, 0, 1};
            stage.exposure = exposure;
            put(stage,
                surface(1, 1,
                        [](float u, float v) {
                            return Vec{8 * u - 4, 8 * v - 4, 0};
                        }),
                plain({0.5f, 0.5f, 0.5f}));
            stage.lamps.push_back({{0, 0, -distance}, {400, 400, 400}, 0.02f});
            return meanOf(traced(stage, 16, 16, 64).light[1], {6, 6, 4, 4});
        };
        const double close = lit(1, 1), far = lit(2, 1);
        QVERIFY2(std::abs(close / far - 4) < 0.25, qPrintable(QString::number(close / far)));
        QVERIFY(std::abs(lit(1, 2) / close - 2) < 0.05);
    }
    // What few rays leave as grain goes, and edges stay.
    void grainIsSmoothed() {
        Stage stage = underWhiteSky();
        stage.sky = [](Vec to) { return to.y > 0.7f ? Vec{6, 6, 6} : Vec{}; };
        put(stage, moved(ball({1, 1, 1}, 96), {0, 0, 4}), plain({0.6f, 0.6f, 0.6f}));
        const Picture few = traced(stage, 64, 64, 8), many = traced(stage, 64, 64, 1024);
        const auto clean = scene::smoothed(few);
        const auto error = [&](const Plane& p) {
            double sum = 0;
            for (int y = 0; y < 64; ++y)
                for (int x = 0; x < 64; ++x)
                    sum += std::pow(static_cast<double>(p.at(x, y) - many.light[1].at(x, y)), 2);
            return sum;
        };
        const double before = error(few.light[1]), after = error(clean[1]);
        QVERIFY2(after < 0.5 * before, qPrintable(QStringLiteral("%1 of %2").arg(after).arg(before)));
        const Rect all{0, 0, 64, 64};
        const double ratio = meanOf(clean[1], all) / meanOf(few.light[1], all);
        QVERIFY2(std::abs(ratio - 1) < 0.08, qPrintable(QString::number(ratio)));
    }
    void tracingStops() {
        Stage stage = underWhiteSky();
        put(stage, moved(ball({1, 1, 1}), {0, 0, 4}), plain({0.6f, 0.6f, 0.6f}));
        std::stop_source stop;
        stop.request_stop();
        QVERIFY_THROWS_EXCEPTION(Cancelled, traced(stage, 32, 32, 4, {stop.get_token()}));
    }
};

QTEST_GUILESS_MAIN(TestStudio)
#include "studio.moc"
