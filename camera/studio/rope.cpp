// Rope, net and corks on the wet quay, the harbour's lamps behind them.
#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "props.h"
#include "scenery.h"
#include "texture_noise.h"

namespace irenic::scene {

namespace {

constexpr float kPi = std::numbers::pi_v<float>;

// The thick rope: a coil of several turns that ends in a frayed tail.
void coil(Stage& s, float density) {
    Luck luck(21);
    Strands yarns, hairs;
    yarns.paint = s.paint([](const Spot& spot) {
        const float stain = octaves(spot.at * 30.0f, 3, 5), fine = noise(spot.at * 1600.0f, 6);
        const Vec colour =
            mix({0.30f, 0.22f, 0.13f}, {0.62f, 0.50f, 0.33f}, 0.3f + 0.6f * spot.fate + 0.3f * (fine - 0.5f));
        return Surface{colour * (0.6f + 0.7f * stain), spot.normal, 0.02f, 0.45f};
    });
    hairs.paint = s.paint(strandPaint({0.55f, 0.44f, 0.29f}, {0.75f, 0.64f, 0.47f}, 0.05f, 0.3f, 0.3f));
    std::vector<Vec> way;
    constexpr float kThick = 0.013f;
    const auto turn = [&](float angle, float radius, float height) {
        return Vec{0.02f + radius * std::cos(angle), height, 0.10f + radius * std::sin(angle)};
    };
    for (int i = 0; i <= 24 * 4; ++i) {
        const float a = static_cast<float>(i) * kPi / 12 + 0.8f, round = static_cast<float>(i) / 24;
        const float in = std::floor(round);
        const float r = 0.158f - 0.010f * std::fmod(in, 2.0f) + 0.007f * std::sin(a * 1.7f + in);
        way.push_back(turn(a, r, kThick + round * 0.0245f + 0.003f * std::sin(3 * a + in)));
    }
    const Rope rope{kThick, 12, 6.2f, 9000 * density, 0.008f};
    layRope(yarns, hairs, line(way, 0.0015f), rope, luck);
    const std::vector<Vec> tail = {{0.175f, 0.030f, 0.20f},   {0.20f, 0.016f, 0.08f},
                                   {0.19f, 0.0135f, -0.03f},  {0.13f, 0.0135f, -0.125f},
                                   {0.03f, 0.0135f, -0.165f}, {-0.055f, 0.0135f, -0.160f}};
    const auto end = line(tail, 0.0015f);
    layRope(yarns, hairs, end, rope, luck);
    // The end has come apart: yarns of the three strands spread and lie down.
    const Vec tip = end.back(), ahead = normalised(tip - end[end.size() - 12]);
    for (int k = 0; k < 3; ++k) {
        const float a = static_cast<float>(k) * 2.1f + 0.4f;
        const Vec aside = Vec{0, std::cos(a), std::sin(a)} * 0.4f;
        for (int i = 0; i < 90; ++i) {
            const Vec root = tip + aside * (kThick * 1.1f) + luck.inBall() * (kThick * 0.45f);
            const Vec out = normalised(ahead + aside * 0.9f + luck.inBall() * 0.35f);
            const Vec lie = normalised(ahead + aside * 1.2f + luck.inBall() * 0.8f + Vec{0, -0.55f, 0});
            auto points = hair(root - ahead * 0.006f, ahead, normalised(out + lie),
                               luck.between(0.04f, 0.075f), 0.55f, 0.00042f, 26);
            for (std::size_t j = 0; j < points.size(); ++j) {
                const float t = static_cast<float>(j) / 26;
                points[j].at = points[j].at + Vec{noise({t * 7, static_cast<float>(i), 1}, 3) - 0.5f,
                                                  noise({t * 7, static_cast<float>(i), 2}, 3) - 0.5f,
                                                  noise({t * 7, static_cast<float>(i), 3}, 3) - 0.5f} *
                                                  (0.012f * t);
                points[j].at.y = std::max(points[j].at.y, 0.0006f);
                points[j].radius = 0.00042f * (1 - 0.5f * t);
            }
            yarns.add(points, tip, luck.share());
            for (int f = 0; f < static_cast<int>(26 * density); ++f) {
                const auto at = static_cast<std::size_t>(luck.between(4, 25));
                hairs.add(hair(points[at].at, normalised(lie + luck.inBall()),
                               normalised(lie + luck.inBall() * 1.3f), luck.between(0.004f, 0.02f), 0.8f,
                               0.00005f, 5),
                          tip, luck.share());
            }
        }
    }
    s.strands.push_back(std::move(yarns));
    s.strands.push_back(std::move(hairs));
}

// A heap of net: diamond meshes over a surface in folds.
void net(Stage& s, float density) {
    Luck luck(31);
    Strands twine, fluff;
    twine.paint = s.paint([](const Spot& spot) {
        const float twist = 0.5f + 0.5f * std::sin(dot(spot.at, spot.along) * 2600 + 5 * spot.fate +
                                                   2 * std::atan2(spot.normal.x, spot.normal.y));
        const float stain = octaves(spot.at * 22.0f, 3, 9);
        const Vec colour = mix({0.035f, 0.12f, 0.13f}, {0.10f, 0.30f, 0.29f}, 0.4f * twist + 0.5f * stain);
        return Surface{colour, spot.normal, 0.04f, 0.35f};
    });
    fluff.paint = s.paint(strandPaint({0.12f, 0.30f, 0.30f}, {0.25f, 0.45f, 0.43f}, 0.04f, 0.3f, 0.3f));
    const auto drape = [](float u, float v) {
        const float x = -0.42f + 0.62f * u + 0.10f * noise({u * 4, v * 4, 0}, 2),
                    z = 0.02f + 0.42f * v + 0.10f * noise({u * 4, v * 4, 5}, 2);
        const float heap =
            0.13f * std::exp(-(std::pow((u - 0.32f) / 0.30f, 2.0f) + std::pow((v - 0.55f) / 0.33f, 2.0f)));
        const float folds = 0.11f * (octaves({u * 8, v * 4, 1}, 3, 4) - 0.38f);
        return Vec{x + 0.03f * noise({u * 13, v * 13, 3}, 8),
                   std::max(0.0022f, heap * 0.9f + folds * (0.4f + 4 * heap)), z};
    };
    constexpr int kAcross = 44, kAlong = 30;
    for (int way = 0; way < 2; ++way)
        for (int k = -kAlong; k < kAcross + kAlong; ++k) {
            std::vector<Vec> points;
            for (int j = 0; j <= kAlong * 8; ++j) {
                const float v = static_cast<float>(j) / (kAlong * 8), shift = v * kAlong;
                const float u = (static_cast<float>(k) + (way ? shift : -shift + kAlong)) / kAcross;
                if (u >= 0 && u <= 1) points.push_back(drape(u, v));
            }
            if (points.size() < 4) continue;
            std::vector<Strands::Point> strand;
            for (const Vec p : points) strand.push_back({p, 0.00095f});
            twine.add(strand, {}, luck.share());
            for (const Vec p : points)
                for (int f = 0; f < static_cast<int>(5 * density); ++f)
                    fluff.add(hair(p, luck.onSphere(), luck.onSphere(), luck.between(0.001f, 0.004f), 0.6f,
                                   0.00003f, 3),
                              {}, luck.share());
        }
    // Knots where the lines cross.
    for (int j = 0; j <= kAlong; ++j)
        for (int k = 0; k <= 2 * kAcross; ++k) {
            const float v = static_cast<float>(j) / kAlong,
                        u = (static_cast<float>(k) * 0.5f + (j & 1 ? 0.0f : 0.0f)) / kAcross;
            if (((k + j) & 1) || u > 1) continue;
            const Vec at = drape(u, v);
            std::vector<Strands::Point> loop;
            const Vec lean = luck.onSphere(), a = normalised(cross(lean, {0.3f, 0.9f, 0.2f})),
                      b = cross(lean, a);
            for (int i = 0; i <= 22; ++i) {
                const float t = static_cast<float>(i) / 22 * 4 * kPi;
                loop.push_back(
                    {at + (a * std::cos(t) + b * std::sin(t)) * 0.0017f + lean * (0.0009f * (t / kPi - 2)),
                     0.00085f});
            }
            twine.add(loop, {}, luck.share());
        }
    s.strands.push_back(std::move(twine));
    s.strands.push_back(std::move(fluff));
    // Corks on their line.
    Strands lines, lint;
    lines.paint = s.paint([](const Spot& spot) {
        return Surface{Vec{0.55f, 0.50f, 0.42f} * (0.5f + 0.6f * spot.fate), spot.normal, 0.02f, 0.5f};
    });
    lint.paint = lines.paint;
    const auto way = line({{-0.42f, 0.05f, 0.0f},
                           {-0.33f, 0.03f, -0.05f},
                           {-0.24f, 0.028f, -0.075f},
                           {-0.15f, 0.03f, -0.055f},
                           {-0.10f, 0.05f, 0.03f},
                           {-0.12f, 0.10f, 0.14f}},
                          0.0015f);
    layRope(lines, lint, way, {0.0028f, 7, 6.5f, 4000 * density, 0.003f}, luck);
    s.strands.push_back(std::move(lines));
    s.strands.push_back(std::move(lint));
    const int cork = s.paint([](const Spot& spot) {
        const Vec p = spot.own;
        const float grain = octaves({p.x * 160, p.y * 60, p.z * 160}, 4, 3),
                    pit = smooth(0.64f, 0.72f, octaves(p * 240.0f, 3, 4));
        const Vec colour =
            mix({0.30f, 0.17f, 0.08f}, {0.58f, 0.40f, 0.22f}, grain * 1.3f - 0.1f) * (1 - 0.75f * pit);
        const auto height = [](Vec q) {
            return -0.0018f * smooth(0.62f, 0.72f, octaves(q * 240.0f, 3, 4)) +
                   0.0005f * octaves(q * 500.0f, 2, 5);
        };
        return Surface{colour, bumped(spot, height, 0.0005f), 0.02f, 0.6f};
    });
    for (const std::size_t i : {std::size_t{30}, way.size() / 3, way.size() / 2 - 4, way.size() * 2 / 3}) {
        const Vec t = normalised(way[i + 4] - way[i - 4]);
        const Mesh disc = lathe({{0.004f, -0.016f},
                                 {0.026f, -0.0165f},
                                 {0.0315f, -0.012f},
                                 {0.0325f, 0},
                                 {0.0315f, 0.012f},
                                 {0.026f, 0.0165f},
                                 {0.004f, 0.016f}},
                                64);
        Mesh m = disc;
        const Vec side = normalised(cross(t, {0, 1, 0})), up = cross(side, t);
        for (std::size_t k = 0; k < m.at.size(); ++k) {
            m.at[k] = way[i] + side * disc.at[k].x + t * disc.at[k].y + up * disc.at[k].z;
            m.normal[k] = side * disc.normal[k].x + t * disc.normal[k].y + up * disc.normal[k].z;
        }
        put(s, std::move(m), cork);
    }
}

} // namespace

Stage quayRope(float density) {
    Stage s;
    coil(s, density);
    net(s, density);
    // The quay's edge: planks, wet.
    for (int i = 0; i < 9; ++i) {
        Luck luck(static_cast<std::uint32_t>(40 + i));
        put(s,
            moved(box({1.2f, 0.022f, 0.072f}, 0.006f),
                  {luck.between(-0.05f, 0.05f), -0.022f + luck.between(-0.0015f, 0.0005f),
                   -0.52f + 0.147f * static_cast<float>(i)}),
            wetted(wood(0, Vec{0.62f, 0.60f, 0.58f} * luck.between(0.75f, 1.05f), 0.85f,
                        static_cast<std::uint32_t>(50 + i)),
                   0.8f, 60));
    }
    // A shackle of brass and a ring of iron.
    Strands ring;
    ring.paint = s.paint(brass(0.55f, 71));
    std::vector<Strands::Point> bow;
    for (int i = 0; i <= 60; ++i) {
        const float a = kPi * (0.1f + 1.8f * static_cast<float>(i) / 60);
        bow.push_back({{0.205f + 0.030f * std::cos(a), 0.0085f, -0.235f + 0.034f * std::sin(a)}, 0.0082f});
    }
    // Strands are shaded as hair: metal is built of balls instead.
    for (const auto& p : bow) put(s, moved(ball({p.radius, p.radius, p.radius}, 24), p.at), ring.paint);
    put(s, bar({0.236f, 0.0085f, -0.262f}, {0.236f, 0.0085f, -0.208f}, 0.0062f), s.paint(brass(0.5f, 72)));
    // The far quay's lamps, out of focus, and the last light of the sky.
    Luck luck(9);
    for (int i = 0; i < 26; ++i) {
        const Vec at{luck.between(-9, 9), luck.between(0.35f, 0.95f), luck.between(9, 16)};
        const Vec tint = i % 7 == 3   ? Vec{0.4f, 1.0f, 0.6f}
                         : i % 7 == 5 ? Vec{1.0f, 0.35f, 0.25f}
                                      : Vec{1.0f, 0.68f, 0.34f};
        const float size = luck.between(0.02f, 0.04f);
        put(s, moved(ball({size, size, size}, 12), at), glowing(tint * luck.between(2.5f, 8)));
        put(s, moved(ball({size * 0.7f, size * 3.5f, size}, 12), {at.x, -0.55f - 0.5f * at.y, at.z - 2}),
            glowing(tint * luck.between(0.5f, 1.6f)));
    }
    s.sky = [](Vec to) {
        const float up = std::max(0.0f, to.y);
        Vec c = mix({0.20f, 0.19f, 0.25f}, {0.12f, 0.20f, 0.38f}, std::min(1.0f, up / 0.25f));
        c = c * (0.75f + 0.5f * octaves({to.x * 5, to.y * 22, to.z * 5}, 4, 12));
        const float shore = 0.012f + 0.022f * octaves({to.x * 14, 0, 0}, 3, 15);
        if (to.y > 0 && to.y < shore) return Vec{0.020f, 0.024f, 0.034f};
        const float ripple = octaves({to.x * 9, to.y * 160, 0}, 3, 16);
        return to.y <= 0
                   ? mix(c * (0.25f + 0.45f * ripple), {0.02f, 0.03f, 0.045f}, std::min(1.0f, -to.y * 3))
                   : c;
    };
    s.lamps.push_back({{0.95f, 0.85f, -0.35f}, Vec{1, 0.74f, 0.44f} * 110.0f, 0.07f});
    s.ambient = {0.05f, 0.06f, 0.085f};
    s.eye = {{0.06f, 0.265f, -0.78f}, {-0.015f, 0.088f, 0.02f}, 40, 0.0021f, 0.72f};
    s.exposure = 2.3f;
    return s;
}

} // namespace irenic::scene
