// The harbour under the stars: the mill, the quay's lamps and what the water makes of them.
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

// Stars with the size of a lens's blur, brighter ones rarer; a band of many faint ones across the sky.
Vec stars(Vec to) {
    const float high = std::asin(std::clamp(to.y, -1.0f, 1.0f)),
                round = std::atan2(to.x, to.z) * std::cos(high);
    Vec sum{};
    constexpr std::array<float, 3> kPitch = {0.0042f, 0.010f, 0.031f}; // radians between stars
    constexpr std::array<float, 3> kBright = {0.16f, 0.8f, 4.0f};
    constexpr float kBlur = 0.00021f;
    const float band = std::exp(-std::pow((high - 0.42f - 0.55f * round) / 0.16f, 2.0f));
    for (std::size_t k = 0; k < kPitch.size(); ++k) {
        const float u = round / kPitch[k], v = high / kPitch[k];
        for (int j = -1; j <= 1; ++j)
            for (int i = -1; i <= 1; ++i) {
                const int cu = static_cast<int>(std::floor(u)) + i, cv = static_cast<int>(std::floor(v)) + j;
                const auto seed = static_cast<std::uint32_t>(900 + k);
                if (hashed(cu, cv, 5, seed) > 0.45f + (k == 0 ? 0.5f * band : 0.1f)) continue;
                const float du = (u - static_cast<float>(cu) - hashed(cu, cv, 1, seed)) * kPitch[k],
                            dv = (v - static_cast<float>(cv) - hashed(cu, cv, 2, seed)) * kPitch[k];
                const float size = (du * du + dv * dv) / (2 * kBlur * kBlur);
                if (size > 12) continue;
                const float warm = hashed(cu, cv, 3, seed),
                            light = kBright[k] * std::pow(hashed(cu, cv, 4, seed), 2.5f);
                sum = sum + mix({0.75f, 0.85f, 1.0f}, {1.0f, 0.82f, 0.62f}, warm * warm) *
                                (light * std::exp(-size));
            }
    }
    const float cloud = octaves({round * 9, high * 9, 2}, 5, 31),
                rift = smooth(0.62f, 0.42f, octaves({round * 13 + 5, high * 13, 7}, 4, 32));
    return sum +
           mix({0.020f, 0.022f, 0.030f}, {0.032f, 0.028f, 0.027f}, cloud) * (band * rift * (0.4f + cloud));
}

Vec nightSky(Vec to) {
    const float up = std::max(0.0f, to.y);
    Vec c = mix({0.062f, 0.058f, 0.062f}, {0.020f, 0.030f, 0.052f}, std::min(1.0f, up / 0.22f));
    c = c + Vec{0.085f, 0.055f, 0.030f} * std::exp(-up / 0.045f) * (0.6f + 0.6f * noise({to.x * 4, 0, 0}, 3));
    return c + stars(to);
}

void lamp(Stage& s, Vec at, Vec light, float size) {
    put(s, moved(ball({size, size, size}, 16), at), glowing(light));
    s.lamps.push_back({at, light * 0.6f, size});
}

// A house of stone: walls, a gabled roof of slates, windows of which some are lit.
void house(Stage& s, Vec at, Vec half, float roof, Luck& luck, float lit) {
    const auto seed = static_cast<std::uint32_t>(luck.share() * 9000);
    const Vec tint = mix({0.30f, 0.28f, 0.25f}, {0.46f, 0.40f, 0.34f}, luck.share());
    Mesh walls = moved(box(half, 0.02f), at);
    for (Vec& p : walls.own) p = {(p.x + p.z) * 0.3f, p.y * 0.3f, 0};
    const Paint built = luck.share() < 0.5f ? brick(seed) : plaster(tint * 1.3f, seed);
    put(s, std::move(walls), built);
    const int slates = s.paint([seed](const Spot& spot) {
        const float row = spot.own.y / 0.28f,
                    shift = static_cast<float>(static_cast<int>(std::floor(row)) & 1) * 0.5f;
        const int r = static_cast<int>(std::floor(row)),
                  c = static_cast<int>(std::floor(spot.own.x / 0.34f + shift));
        const float edge = row - std::floor(row);
        return Surface{Vec{0.10f, 0.105f, 0.115f} * (0.6f + 0.7f * hashed(r, c, 0, seed)) *
                           (edge < 0.12f ? 0.5f : 1.0f),
                       spot.normal, 0.03f, 0.4f};
    });
    for (const float side : {-1.0f, 1.0f}) {
        const Vec eave = at + Vec{-half.x - 0.2f, half.y - 0.1f, side * (half.z + 0.25f)},
                  ridge = at + Vec{-half.x - 0.2f, half.y + roof, 0};
        const float wide = 2 * half.x + 0.4f, tall = length(ridge - eave);
        put(s,
            surface(1, 1,
                    [&](float u, float v) {
                        return mix(eave, ridge, v) + Vec{wide * u, 0, 0};
                    },
                    {wide, tall, 1}),
            slates);
    }
    for (const float side : {-1.0f, 1.0f}) { // the gables
        const Vec foot = at + Vec{side * half.x, half.y - 0.05f, 0};
        Mesh gable = surface(1, 1, [&](float u, float v) {
            return foot + Vec{0, (roof + 0.05f) * v, half.z * (2 * u - 1) * (1 - v)};
        });
        for (std::size_t i = 0; i < gable.at.size(); ++i)
            gable.normal[i] = {side, 0, 0},
            gable.own[i] = {(gable.at[i].z - at.z + half.x) * 0.3f, (gable.at[i].y - at.y) * 0.3f, 0};
        put(s, std::move(gable), built);
    }
    put(s,
        moved(box({0.35f, 0.7f, 0.35f}, 0.02f),
              at + Vec{half.x * luck.between(-0.7f, 0.7f), half.y + roof, 0.1f}),
        stone({0.3f, 0.2f, 0.16f}, seed + 1));
    const int columns = std::max(1, static_cast<int>(half.x / 1.1f)),
              floors = std::max(1, static_cast<int>(half.y / 1.35f));
    for (int f = 0; f < floors; ++f)
        for (int c = 0; c < columns; ++c) {
            const Vec p =
                at + Vec{half.x * ((static_cast<float>(c) + 0.5f) * 2 / static_cast<float>(columns) - 1),
                         half.y * ((static_cast<float>(f) + 0.5f) * 2 / static_cast<float>(floors) - 1),
                         -half.z - 0.02f};
            const bool shines = luck.share() < lit;
            const Vec light = Vec{1.0f, 0.66f, 0.32f} * (shines ? luck.between(0.25f, 1.1f) : 0);
            for (const float x : {-0.22f, 0.22f})
                for (const float y : {-0.32f, 0.32f})
                    put(s, moved(box({0.19f, 0.28f, 0.01f}, 0.004f), p + Vec{x, y, 0}),
                        shines ? glowing(light * luck.between(0.7f, 1.1f))
                               : enamel({0.02f, 0.025f, 0.035f}, 3));
            put(s, moved(box({0.5f, 0.06f, 0.08f}, 0.01f), p + Vec{0, -0.68f, 0}),
                stone({0.5f, 0.47f, 0.42f}, seed + 2));
        }
}

void boat(Stage& s, Vec at, float size, float turn, Vec paint, std::uint32_t seed) {
    const auto hull = [](Vec p) { // bow towards +x
        const float along = std::clamp(p.x / 2.2f, -1.0f, 1.0f);
        const float beam =
            0.78f * (1 - std::pow(std::max(0.0f, along), 2.4f)) * (1 - 0.25f * std::max(0.0f, -along));
        const float sheer = 0.50f + 0.32f * along * along, q = std::abs(p.z) / std::max(0.02f, beam);
        const float keel = -0.35f + 0.55f * q * q;
        return std::max({keel - p.y, p.y - sheer, std::abs(p.z) - beam, std::abs(p.x) - 2.2f}) * 0.6f;
    };
    const auto set = [&](Mesh m) {
        for (Vec& p : m.at) p = p * size;
        return moved(std::move(m), at, {0, turn, 0});
    };
    put(s, set(isosurface(hull, {-2.3f, -0.5f, -0.9f}, {2.3f, 0.95f, 0.9f}, 0.03f)),
        s.paint([paint, seed](const Spot& spot) {
            const Vec p = spot.own;
            const float plank = p.y / 0.13f, seam = smooth(0.06f, 0.02f, plank - std::floor(plank));
            const Vec base = p.y > 0.40f + 0.3f * p.x * p.x / 4.84f ? Vec{0.75f, 0.72f, 0.65f}
                             : p.y < -0.02f                         ? Vec{0.25f, 0.08f, 0.06f}
                                                                    : paint;
            return Surface{base * (0.75f + 0.4f * octaves(p * 7.0f, 4, seed)) * (1 - 0.5f * seam),
                           spot.normal, 0.04f, 0.3f};
        }));
    put(s, set(moved(box({0.55f, 0.42f, 0.46f}, 0.03f), {-0.5f, 0.85f, 0})),
        enamel({0.62f, 0.60f, 0.54f}, seed + 1));
    put(s, set(moved(box({0.62f, 0.035f, 0.53f}, 0.02f), {-0.5f, 1.29f, 0})),
        enamel({0.20f, 0.22f, 0.24f}, seed + 2));
    for (const float z : {-0.25f, 0.25f})
        put(s, set(moved(box({0.012f, 0.15f, 0.15f}, 0.005f), {0.06f, 0.95f, z})),
            glowing(Vec{1, 0.7f, 0.36f} * 1.6f));
    const Vec foot = turned(Vec{0.25f, 0.5f, 0} * size, {0, turn, 0}) + at,
              top = foot + Vec{0.02f, 3.6f, 0} * size;
    put(s, bar(foot, top, 0.045f * size, 24), wood(1, {0.9f, 0.8f, 0.65f}, 0.3f, seed + 3));
    lamp(s, top + Vec{0, 0.06f, 0}, Vec{1, 0.9f, 0.75f} * 30.0f, 0.045f);
    Strands stays;
    stays.paint = s.paint(strandPaint({0.12f, 0.11f, 0.10f}, {0.12f, 0.11f, 0.10f}, 0.02f, 0.5f, 0.2f));
    for (const Vec end :
         {Vec{2.1f, 0.75f, 0}, Vec{-2.0f, 0.75f, 0}, Vec{0.2f, 0.5f, 0.75f}, Vec{0.2f, 0.5f, -0.75f}})
        stays.add({{top, 0.008f}, {turned(end * size, {0, turn, 0}) + at, 0.008f}}, {}, 0.5f);
    s.strands.push_back(std::move(stays));
}

} // namespace

Stage starryHarbour(float) {
    Stage s;
    Luck luck(4);
    s.sky = [](Vec to) { return to.y > 0 ? nightSky(to) : Vec{0.01f, 0.012f, 0.016f}; };
    // The near quay's lamps light the scene; they are out of the picture.
    s.lamps.push_back({{-6.0f, 4.2f, 1.0f}, Vec{1, 0.72f, 0.42f} * 55.0f, 0.22f});
    s.lamps.push_back({{7.5f, 4.2f, 4.0f}, Vec{1, 0.74f, 0.46f} * 45.0f, 0.22f});
    // Water: small waves that lean with the wind, smoothed by the long exposure.
    put(s,
        surface(1, 1,
                [](float u, float v) {
                    return Vec{-500 + 1000 * u, 0, 1.5f + 600 * v};
                },
                {1000, 600, 1}),
        s.paint([](const Spot& spot) {
            const float x = spot.at.x, z = spot.at.z,
                        calm = 0.5f + 0.5f * noise({x * 0.05f, z * 0.03f, 4}, 8);
            const auto wave = [&](float a, float b) {
                return octaves({a * 1.1f, b * 2.6f, 0}, 4, 5) +
                       0.6f * octaves({a * 0.35f, b * 0.9f, 3}, 2, 6);
            };
            const float here = wave(x, z), e = 0.02f;
            const Vec n = normalised(Vec{-(wave(x + e, z) - here) / e * 0.030f * calm, 1,
                                         -(wave(x, z + e) - here) / e * 0.040f * calm});
            return Surface{{0.006f, 0.010f, 0.012f}, n, 0.022f, 0.03f};
        }));
    // The quay at the left with the mill, the far quay with its houses.
    const auto blocks = [](const Spot& spot) {
        const float row = spot.own.y / 0.45f, shift = (static_cast<int>(std::floor(row)) & 1) * 0.5f;
        const float u = (spot.own.x + spot.own.z) / 0.9f + shift, fu = u - std::floor(u),
                    fv = row - std::floor(row);
        const float joint = std::min(std::min(fu, 1 - fu) * 0.9f, std::min(fv, 1 - fv) * 0.45f);
        const float own = hashed(static_cast<int>(std::floor(u)), static_cast<int>(std::floor(row)), 0, 12);
        const float grit = octaves(spot.own * 22.0f, 5, 13),
                    weed = smooth(0.55f, 0.25f, spot.at.y + 0.3f * octaves(spot.own * 3.0f, 3, 14));
        Vec c = Vec{0.34f, 0.32f, 0.29f} * (0.55f + 0.45f * own + 0.5f * (grit - 0.4f)) *
                (joint < 0.02f ? 0.4f : 1.0f);
        c = mix(c, Vec{0.05f, 0.075f, 0.04f}, weed * 0.85f);
        return Surface{c, spot.normal, 0.02f, 0.5f};
    };
    put(s, moved(box({9, 0.9f, 14}, 0.05f), {-15.2f, 0.4f, 32}), blocks);
    put(s, moved(box({120, 1.0f, 5}, 0.05f), {0, 0.3f, 92}), blocks);
    house(s, {-15.0f, 5.6f, 32.0f}, {4.3f, 4.4f, 4.0f}, 3.4f, luck, 0.62f);
    house(s, {-22.0f, 3.6f, 35.0f}, {3.0f, 2.4f, 4.2f}, 2.2f, luck, 0.5f);
    // The mill's wheel, half in the water.
    const Vec axle{-9.9f, 1.5f, 27.4f};
    const int wet = s.paint(wood(0, {0.5f, 0.45f, 0.4f}, 0.7f, 55));
    for (const float z : {-0.7f, 0.7f}) {
        for (int i = 0; i < 48; ++i) {
            const float a = 2 * kPi * static_cast<float>(i) / 48,
                        b = 2 * kPi * static_cast<float>(i + 1) / 48;
            put(s,
                bar(axle + Vec{2.5f * std::cos(a), 2.5f * std::sin(a), z},
                    axle + Vec{2.5f * std::cos(b), 2.5f * std::sin(b), z}, 0.08f, 12),
                wet);
        }
        for (int i = 0; i < 8; ++i) {
            const float a = kPi * static_cast<float>(i) / 4 + 0.2f;
            put(s, bar(axle + Vec{0, 0, z}, axle + Vec{2.5f * std::cos(a), 2.5f * std::sin(a), z}, 0.07f, 12),
                wet);
        }
    }
    for (int i = 0; i < 24; ++i) {
        const float a = 2 * kPi * static_cast<float>(i) / 24 + 0.05f;
        put(s,
            moved(box({0.32f, 0.03f, 0.75f}, 0.008f), axle + Vec{2.35f * std::cos(a), 2.35f * std::sin(a), 0},
                  {0, 0, a}),
            wet);
    }
    for (float x = -70; x < 80;) {
        const float wide = luck.between(3, 5.5f), tall = luck.between(2.2f, 4.4f);
        house(s, {x + wide, 1.3f + tall, 93 + luck.between(-1, 3)}, {wide, tall, 3.5f},
              luck.between(1.6f, 2.8f), luck, 0.30f);
        x += 2 * wide + luck.between(0.2f, 2.5f);
    }
    for (int i = 0; i < 15; ++i) {
        const float x = -62 + 9 * static_cast<float>(i) + luck.between(-1.5f, 1.5f);
        const Vec at{x, 5.0f, 86.6f};
        const Vec tint = i % 5 == 2 ? Vec{0.75f, 0.95f, 1.0f} : Vec{1.0f, 0.67f, 0.33f};
        put(s, bar({x, 1.2f, 86.8f}, {x, 4.9f, 86.8f}, 0.06f, 12), iron(0.1f, 3));
        lamp(s, at, tint * 150.0f, 0.10f);
    }
    lamp(s, {-8.2f, 4.3f, 24.0f}, Vec{1, 0.7f, 0.38f} * 240.0f, 0.06f);
    put(s, bar({-8.2f, 1.2f, 24.1f}, {-8.2f, 4.25f, 24.1f}, 0.05f, 16), iron(0.1f, 4));
    lamp(s, {-17.5f, 5.0f, 19.5f}, Vec{1, 0.7f, 0.38f} * 180.0f, 0.06f);
    lamp(s, {38.0f, 3.2f, 70.0f}, Vec{1.0f, 0.12f, 0.08f} * 25.0f, 0.16f);
    lamp(s, {24.0f, 3.2f, 74.0f}, Vec{0.15f, 1.0f, 0.45f} * 25.0f, 0.16f);
    boat(s, {3.6f, 0, 19.0f}, 1.0f, 2.6f, {0.10f, 0.20f, 0.34f}, 400);
    boat(s, {-3.9f, 0, 30.0f}, 1.05f, 0.5f, {0.38f, 0.12f, 0.09f}, 410);
    boat(s, {11.0f, 0, 38.0f}, 1.1f, 2.9f, {0.12f, 0.26f, 0.20f}, 420);
    boat(s, {20.0f, 0, 56.0f}, 1.1f, 0.3f, {0.34f, 0.30f, 0.12f}, 430);
    // Hills behind the town.
    put(s,
        surface(160, 2,
                [](float u, float v) {
                    const float x = -420 + 840 * u;
                    return Vec{x, v * (9 + 22 * octaves({x * 0.008f, 0, 0}, 4, 17)), 260 + 40 * v};
                }),
        stone({0.06f, 0.065f, 0.06f}, 71));
    s.ambient = {0.010f, 0.012f, 0.018f};
    s.eye = {{0, 2.1f, 0}, {0.0f, 4.6f, 30}, 62, 0.0f, 30};
    s.exposure = 3.6f;
    return s;
}

} // namespace irenic::scene
