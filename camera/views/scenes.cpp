#include "scenes.h"

#include <algorithm>
#include <numbers>

#include "materials.h"

namespace irenic {

using namespace views; // NOLINT: this file is about nothing else

namespace {

constexpr float kHalfPi = std::numbers::pi_v<float> / 2;

void planks(World& w, float y, float x0, float x1, float z0, float z1) {
    int i = 0;
    for (float x = x0; x < x1; x += 0.19f, ++i) {
        Solid& p =
            w.add(Shape::Box, Material::Timber, {x, y - 0.02f + 0.003f * hashed(i, 1, 2, 3), (z0 + z1) / 2},
                  {0.0925f, 0.02f, (z1 - z0) / 2});
        p.tint = Vec{0.8f, 0.78f, 0.75f} * (0.7f + 0.5f * hashed(i, 5, 1, 9));
    }
}

void hangLantern(World& w, Vec at, Vec light) {
    w.lantern = at, w.lanternLight = light * Vec{1, 1.2f, 1.75f};
    w.add(Shape::Cylinder, Material::Brass, at + Vec{0, -0.1f, 0}, {0.075f, 0.075f, 0.018f}, {kHalfPi, 0, 0});
    w.add(Shape::Cylinder, Material::Brass, at + Vec{0, 0.115f, 0}, {0.06f, 0.06f, 0.02f}, {kHalfPi, 0, 0});
    w.add(Shape::Cylinder, Material::Brass, at + Vec{0, 0.15f, 0}, {0.03f, 0.03f, 0.02f}, {kHalfPi, 0, 0});
    for (int k = 0; k < 4; ++k) {
        const float a = 0.6f + static_cast<float>(k) * kHalfPi;
        w.add(Shape::Cylinder, Material::Iron, at + Vec{0.062f * std::cos(a), 0.005f, 0.062f * std::sin(a)},
              {0.0035f, 0.0035f, 0.1f}, {kHalfPi, 0, 0});
    }
    w.add(Shape::Ellipsoid, Material::Flame, at + Vec{0, -0.02f, 0}, {0.014f, 0.042f, 0.014f}).tint = {60, 34,
                                                                                                       11};
}

void sackAt(World& w, Vec at, float size, float turn, float lean = 0) {
    w.add(Shape::Ellipsoid, Material::Sack, at, {0.27f * size, 0.36f * size, 0.21f * size}, {0, turn, lean});
    w.add(Shape::Ellipsoid, Material::Sack, at + Vec{0.03f * lean, 0.37f * size, 0},
          {0.07f * size, 0.07f * size, 0.07f * size}, {0, turn, lean});
}

void coilAt(World& w, Vec at, float radius, int turns) {
    for (int i = 0; i < turns; ++i) {
        const float r = radius * (1 - 0.06f * hashed(i, 2, 2, 2));
        w.add(Shape::Cylinder, Material::Rope,
              at + Vec{0.01f * hashed(i, 1, 1, 1), 0.014f + 0.027f * static_cast<float>(i), 0},
              {r, r, 0.0135f}, {kHalfPi, 0, 0});
    }
}

World gearLoft() {
    World w;
    w.eye = {0.15f, 1.45f, -0.55f}, w.target = {0.05f, 1.38f, 3}, w.view = 58;
    w.ambient = {0.0035f, 0.0036f, 0.004f};
    w.add(Shape::Box, Material::Brick, {0, 1.6f, 3.2f}, {3.5f, 2.4f, 0.1f});
    planks(w, 0, -2.7f, 2.7f, -1, 3.2f);
    w.add(Shape::Box, Material::Timber, {1.62f, 1.5f, 2.75f}, {0.13f, 1.9f, 0.13f});
    w.add(Shape::Box, Material::Timber, {0, 2.68f, 2.7f}, {2.8f, 0.15f, 0.15f});
    w.add(Shape::Box, Material::Timber, {1.2f, 2.3f, 2.72f}, {0.62f, 0.06f, 0.07f}, {0, 0, -0.75f});
    w.add(Shape::Box, Material::Timber, {-1.95f, 1.5f, 2.85f}, {0.12f, 1.9f, 0.12f});
    Solid& wheel =
        w.add(Shape::Gear, Material::Timber, {-0.55f, 1.32f, 2.55f}, {1.02f, 1.02f, 0.07f}, {0, 0, 0.04f});
    wheel.teeth = 44, wheel.tint = {0.95f, 0.85f, 0.75f};
    Solid& pinion =
        w.add(Shape::Gear, Material::Iron, {0.705f, 1.62f, 2.55f}, {0.35f, 0.35f, 0.09f}, {0, 0, 0.13f});
    pinion.teeth = 15, pinion.tint = {1.5f, 1.5f, 1.5f};
    w.add(Shape::Cylinder, Material::Iron, {-0.55f, 1.32f, 2.6f}, {0.07f, 0.07f, 0.35f}).tint = {1.3f, 1.3f,
                                                                                                 1.3f};
    w.add(Shape::Cylinder, Material::Iron, {0.705f, 1.62f, 2.6f}, {0.03f, 0.03f, 0.35f});
    w.add(Shape::Cylinder, Material::Rope, {-1.55f, 1.6f, 2.1f}, {0.019f, 0.019f, 1.1f}, {kHalfPi, 0, 0.05f});
    w.add(Shape::Cylinder, Material::Rope, {1.2f, 2.2f, 1.9f}, {0.011f, 0.011f, 0.42f}, {kHalfPi, 0, 0});
    coilAt(w, {-1.2f, 0, 1.75f}, 0.24f, 5);
    sackAt(w, {1.35f, 0.34f, 2.1f}, 0.95f, 0.3f);
    sackAt(w, {1.82f, 0.31f, 2.3f}, 0.9f, -0.4f, 0.2f);
    w.add(Shape::Box, Material::Sign, {-1.62f, 2.18f, 2.7f}, {0.27f, 0.13f, 0.012f}, {0, 0, 0.03f}).teeth = 2;
    hangLantern(w, {1.2f, 1.62f, 1.9f}, {1.15f, 0.66f, 0.27f});
    return w;
}

World sackStore() {
    World w;
    w.eye = {0, 1.3f, -0.7f}, w.target = {0, 1.05f, 3}, w.view = 56;
    w.ambient = {0.003f, 0.0032f, 0.0038f};
    w.add(Shape::Box, Material::Plaster, {0, 1.6f, 3.3f}, {3.5f, 2.4f, 0.1f});
    planks(w, 0, -2.7f, 2.7f, -1, 3.3f);
    w.add(Shape::Box, Material::Timber, {0, 2.45f, 3.0f}, {3.0f, 0.13f, 0.14f});
    w.add(Shape::Box, Material::Timber, {-1.2f, 1.4f, 3.1f}, {0.11f, 1.6f, 0.11f});
    w.add(Shape::Box, Material::Timber, {0, 0.2f, 3.17f}, {3.0f, 0.11f, 0.03f});
    sackAt(w, {0.35f, 0.33f, 2.45f}, 0.95f, 0.1f);
    sackAt(w, {0.93f, 0.35f, 2.5f}, 1.0f, -0.25f);
    sackAt(w, {1.55f, 0.34f, 2.6f}, 0.98f, 0.4f);
    sackAt(w, {0.68f, 0.88f, 2.62f}, 0.92f, -0.15f, 0.08f);
    sackAt(w, {1.28f, 0.9f, 2.7f}, 0.95f, 0.2f, -0.06f);
    sackAt(w, {1.0f, 1.42f, 2.75f}, 0.85f, 0.05f, 0.1f);
    sackAt(w, {-0.3f, 0.22f, 2.15f}, 0.9f, 0.7f, 1.35f);
    Solid& board = w.add(Shape::Box, Material::Sign, {-0.2f, 1.78f, 3.17f}, {0.56f, 0.25f, 0.018f});
    board.teeth = 0;
    w.add(Shape::Cylinder, Material::Timber, {-1.3f, 0.42f, 2.2f}, {0.3f, 0.3f, 0.42f}, {kHalfPi, 0, 0});
    for (const float y : {0.12f, 0.72f})
        w.add(Shape::Cylinder, Material::Iron, {-1.3f, y, 2.2f}, {0.306f, 0.306f, 0.025f}, {kHalfPi, 0, 0});
    coilAt(w, {-0.62f, 0, 1.65f}, 0.2f, 4);
    w.add(Shape::Cylinder, Material::Rope, {-1.75f, 1.3f, 2.9f}, {0.017f, 0.017f, 1.2f}, {kHalfPi, 0, 0});
    Solid& cog =
        w.add(Shape::Gear, Material::Iron, {-1.78f, 0.36f, 3.0f}, {0.34f, 0.34f, 0.04f}, {0.12f, 0, 0.2f});
    cog.teeth = 18, cog.tint = {1.4f, 1.4f, 1.4f};
    hangLantern(w, {-1.22f, 0.97f, 2.12f}, {1.0f, 0.58f, 0.24f});
    return w;
}

World harbourWindow() {
    World w;
    w.eye = {0.05f, 1.5f, -0.3f}, w.target = {0, 1.42f, 3}, w.view = 52;
    w.ambient = {0.0018f, 0.002f, 0.0026f};
    w.harbour = true;
    w.sky = {0.03f, 0.042f, 0.062f}, w.skyFrom = normalised(Vec{0.1f, 0.5f, 1});
    // The wall around an opening from x -0.75..0.75, y 1.02..2.25.
    for (const auto& [c, h] : {std::pair{Vec{-2.0f, 1.5f, 2.35f}, Vec{1.25f, 2, 0.2f}},
                               {Vec{2.0f, 1.5f, 2.35f}, Vec{1.25f, 2, 0.2f}},
                               {Vec{0, 0.2f, 2.35f}, Vec{0.75f, 0.82f, 0.2f}},
                               {Vec{0, 2.9f, 2.35f}, Vec{0.75f, 0.65f, 0.2f}}})
        w.add(Shape::Box, Material::Brick, c, h);
    for (const float x : {-0.71f, 0.71f, 0.0f})
        w.add(Shape::Box, Material::Timber, {x, 1.63f, 2.42f}, {x == 0.0f ? 0.022f : 0.04f, 0.62f, 0.04f});
    for (const float y : {1.05f, 2.21f, 1.65f})
        w.add(Shape::Box, Material::Timber, {0, y, 2.42f}, {0.75f, y == 1.65f ? 0.02f : 0.04f, 0.038f});
    w.add(Shape::Box, Material::Timber, {0, 0.99f, 2.1f}, {1.0f, 0.035f, 0.24f}).tint = {1.2f, 1.15f, 1.1f};
    coilAt(w, {0.5f, 1.025f, 2.05f}, 0.13f, 4);
    Solid& gauge = w.add(Shape::Cylinder, Material::GaugeFace, {1.06f, 1.62f, 2.12f}, {0.15f, 0.15f, 0.03f});
    gauge.seed = 4;
    w.add(Shape::Box, Material::Sign, {-1.12f, 1.78f, 2.13f}, {0.28f, 0.16f, 0.014f}).teeth = 1;
    sackAt(w, {-1.0f, 0.62f, 1.9f}, 0.95f, 0.2f);
    sackAt(w, {1.12f, 0.55f, 1.85f}, 0.9f, -0.3f);
    w.add(Shape::Cylinder, Material::Rope, {-0.86f, 1.9f, 2.08f}, {0.013f, 0.013f, 0.8f}, {kHalfPi, 0, 0});
    // The far quay, its sheds and lamps.
    w.add(Shape::Box, Material::Stone, {0, -0.1f, 70}, {80, 0.9f, 1});
    for (int i = 0; i < 9; ++i) {
        const float x = -19 + 4.6f * static_cast<float>(i) + 2 * hashed(i, 0, 0, 77),
                    high = 0.8f + 1.7f * hashed(i, 1, 0, 77);
        w.add(Shape::Box, Material::Stone, {x, 0.8f + high, 72},
              {1.2f + 0.9f * hashed(i, 2, 0, 77), high, 0.8f})
            .tint = {0.35f, 0.33f, 0.33f};
        for (int k = 0; k < 3; ++k)
            if (hashed(i, k, 5, 77) > 0.35f)
                w.add(Shape::Box, Material::Lamp,
                      {x - 0.7f + 0.7f * static_cast<float>(k), 0.7f + high, 71.1f}, {0.09f, 0.13f, 0.02f})
                    .tint = Vec{1.5f, 0.95f, 0.42f} * (0.3f + 1.2f * hashed(i, k, 6, 77));
    }
    for (int i = 0; i < 16; ++i) {
        const float size = 0.035f + 0.05f * hashed(i, 8, 0, 5);
        const Vec tint = hashed(i, 9, 0, 5) > 0.75f  ? Vec{0.5f, 2.6f, 1.4f}
                         : hashed(i, 9, 1, 5) > 0.8f ? Vec{4.0f, 0.5f, 0.3f}
                                                     : Vec{5.0f, 3.4f, 1.6f};
        w.add(
             Shape::Ellipsoid, Material::Lamp,
             {-20 + 2.6f * static_cast<float>(i) + hashed(i, 7, 0, 5), 1.35f + 0.9f * hashed(i, 6, 0, 5), 66},
             {size, size, size})
            .tint = tint * (0.5f + hashed(i, 5, 0, 5));
    }
    w.add(Shape::Box, Material::Water, {0, -1.5f, 40}, {90, 0.02f, 30});
    // Two masts in front of the sky.
    for (const float x : {-3.1f, 4.4f})
        w.add(Shape::Cylinder, Material::Timber, {x, 3.0f, 24}, {0.07f, 0.07f, 5}, {kHalfPi, 0, 0.02f})
            .tint = {0.3f, 0.3f, 0.3f};
    hangLantern(w, {-0.42f, 1.15f, 1.98f}, {0.30f, 0.17f, 0.07f});
    return w;
}

World gauges() {
    World w;
    w.eye = {0, 1.36f, 0.5f}, w.target = {0, 1.33f, 2.2f}, w.view = 56;
    w.ambient = {0.003f, 0.003f, 0.0034f};
    for (int i = 0; i < 9; ++i) {
        Solid& p = w.add(Shape::Box, Material::Timber,
                         {0, 0.62f + 0.165f * static_cast<float>(i), 2.2f + 0.004f * hashed(i, 3, 3, 3)},
                         {1.6f, 0.081f, 0.03f});
        p.tint = Vec{0.9f, 0.9f, 0.88f} * (0.75f + 0.45f * hashed(i, 4, 4, 4));
    }
    const float xs[3] = {-0.52f, 0.02f, 0.5f}, rs[3] = {0.2f, 0.24f, 0.15f};
    for (std::size_t i = 0; i < 3; ++i) {
        w.add(Shape::Cylinder, Material::Brass, {xs[i], 1.44f, 2.15f}, {rs[i] * 1.09f, rs[i] * 1.09f, 0.03f});
        w.add(Shape::Cylinder, Material::GaugeFace, {xs[i], 1.44f, 2.14f}, {rs[i], rs[i], 0.03f}).seed =
            static_cast<std::uint32_t>(31 + 7 * i);
        w.add(Shape::Cylinder, Material::Brass, {xs[i], 1.06f, 2.1f}, {0.017f, 0.017f, 0.22f},
              {kHalfPi, 0, 0});
        w.add(Shape::Ellipsoid, Material::Brass, {xs[i], 1.14f, 2.1f}, {0.032f, 0.026f, 0.032f});
    }
    w.add(Shape::Cylinder, Material::Brass, {0, 0.93f, 2.1f}, {0.022f, 0.022f, 0.95f}, {0, kHalfPi, 0});
    w.add(Shape::Box, Material::Sign, {-0.36f, 1.8f, 2.155f}, {0.36f, 0.10f, 0.012f}).teeth = 1;
    w.add(Shape::Box, Material::Sign, {0.72f, 1.76f, 2.155f}, {0.19f, 0.09f, 0.01f}, {0, 0, 0.02f}).teeth = 2;
    w.add(Shape::Box, Material::Timber, {0, 0.76f, 1.95f}, {1.6f, 0.04f, 0.24f}).tint = {1.15f, 1.1f, 1.0f};
    coilAt(w, {-0.62f, 0.8f, 1.86f}, 0.12f, 4);
    Solid& cog =
        w.add(Shape::Gear, Material::Iron, {0.2f, 0.91f, 1.9f}, {0.12f, 0.12f, 0.022f}, {0.35f, 0.3f, 0});
    cog.teeth = 16, cog.tint = {1.8f, 1.8f, 1.8f};
    sackAt(w, {0.84f, 0.93f, 1.93f}, 0.42f, 0.2f);
    w.add(Shape::Cylinder, Material::Rope, {-0.92f, 1.5f, 2.12f}, {0.012f, 0.012f, 0.7f}, {kHalfPi, 0, 0});
    hangLantern(w, {0.52f, 0.96f, 1.8f}, {0.30f, 0.175f, 0.075f});
    return w;
}

Vec duskSky(Vec to) {
    const float up = std::max(0.0f, to.y);
    const Vec low{0.95f, 0.52f, 0.30f}, mid{0.42f, 0.46f, 0.60f}, high{0.10f, 0.17f, 0.34f};
    const float a = std::min(1.0f, up / 0.10f), b = std::min(1.0f, up / 0.35f);
    Vec c = low + (mid - low) * a;
    c = c + (high - c) * (b * 0.8f);
    const float cloud = octaves({to.x * 9, to.y * 42, 3}, 4, 99);
    return c * (0.75f + 0.5f * cloud) * 1.2f;
}

Vec radiance(const World& w, Vec from, Vec to, int sample, int depth) {
    const Hit hit = trace(w, from, to, 500);
    if (!hit.solid) return w.harbour && to.z > 0 ? duskSky(to) : Vec{0, 0, 0};
    const Surface s = surfaceAt(hit);
    if (s.glow.x + s.glow.y + s.glow.z > 0) return s.glow;
    const Vec at = from + to * hit.t;
    if (hit.solid->material == Material::Water) {
        const float u = at.x * 1.3f, v = at.z * 0.9f;
        const Vec ripple{0.05f * (octaves({u, v, 0}, 3, 5) - 0.44f), 1,
                         0.16f * (octaves({u, v, 9}, 3, 6) - 0.44f)};
        const Vec n = normalised(ripple);
        Vec r = to - n * (2 * dot(to, n));
        r.y = std::abs(r.y);
        return depth > 0 ? s.colour : radiance(w, at + n * 0.01f, normalised(r), sample, depth + 1) * 0.55f;
    }
    Vec light = w.ambient * (0.6f + 0.4f * s.normal.y);
    // What the lantern's room gives back: falls off slowly and knows no shadow.
    const Vec toLantern = w.lantern - at;
    const float distance = length(toLantern);
    light = light + w.lanternLight * (0.011f / (0.35f + distance));
    Vec shine{0, 0, 0};
    for (int k = 0; k < 2; ++k) {
        // The flame is a small area: four places on it, two for each of the two rays of a pixel.
        const float a = static_cast<float>(sample * 2 + k) * 1.5707963f;
        const Vec place =
            w.lantern + Vec{0.022f * std::cos(a), 0.02f * std::sin(2.4f * a), 0.022f * std::sin(a)};
        const Vec d = place - at;
        const float far = length(d);
        const Vec l = d * (1 / far);
        const float facing = dot(s.normal, l);
        if (facing <= 0 || dot(hit.normal, l) <= 0 || blocked(w, at + hit.normal * 0.002f, l, far - 0.09f))
            continue;
        const Vec e = w.lanternLight * (0.5f / (far * far + 0.02f));
        light = light + e * facing;
        const Vec half = normalised(l - to);
        shine = shine + e * (s.gloss * std::pow(std::max(0.0f, dot(s.normal, half)), s.sharp));
    }
    if (w.sky.x > 0) {
        const float facing = dot(s.normal, w.skyFrom);
        if (facing > 0 && !blocked(w, at + hit.normal * 0.002f, w.skyFrom, 100))
            light = light + w.sky * facing;
    }
    return s.colour * light * 3.0f + shine;
}

// What lens and low-pass filter do to a point: without it no real mosaic would be free of false colour.
void softened(Plane& p) {
    constexpr float side = 0.14f;
    const int w = p.width(), h = p.height();
    Plane rows = p.clone();
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            rows.at(x, y) = (1 - 2 * side) * p.at(x, y) +
                            side * (p.at(std::max(0, x - 1), y) + p.at(std::min(w - 1, x + 1), y));
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            p.at(x, y) = (1 - 2 * side) * rows.at(x, y) +
                         side * (rows.at(x, std::max(0, y - 1)) + rows.at(x, std::min(h - 1, y + 1)));
}

} // namespace

std::array<Plane, 3> renderScene(Scene view, int width, int height, const Work& work) {
    const World w = view == Scene::GearLoft        ? gearLoft()
                    : view == Scene::SackStore     ? sackStore()
                    : view == Scene::HarbourWindow ? harbourWindow()
                                                   : gauges();
    const Vec forward = normalised(w.target - w.eye), right = normalised(Vec{forward.z, 0, -forward.x});
    const Vec up = Vec{forward.y * right.z - forward.z * right.y, forward.z * right.x - forward.x * right.z,
                       forward.x * right.y - forward.y * right.x};
    const float half = std::tan(w.view * std::numbers::pi_v<float> / 360);
    std::array<Plane, 3> out = {Plane(width, height), Plane(width, height), Plane(width, height)};
    std::atomic<int> finished = 0;
    forEachBand(height, 8, work, [&](int first, int last) {
        constexpr float offsets[2][2] = {{0.25f, 0.25f}, {0.75f, 0.75f}};
        for (int y = first; y < last; ++y) {
            work.check();
            for (int x = 0; x < width; ++x) {
                Vec sum{0, 0, 0};
                for (int k = 0; k < 2; ++k) {
                    const float u =
                        (2 * (static_cast<float>(x) + offsets[k][0]) / static_cast<float>(width) - 1) * half;
                    const float v =
                        (static_cast<float>(height) - 2 * (static_cast<float>(y) + offsets[k][1])) /
                        static_cast<float>(width) * half;
                    const Vec c = radiance(w, w.eye, normalised(forward + right * u + up * v), k, 0);
                    // Sensors clip; a flame must not bleed into its pixel's other rays without bound.
                    sum = sum + Vec{std::min(c.x, 8.0f), std::min(c.y, 8.0f), std::min(c.z, 8.0f)} * 0.5f;
                }
                out[0].at(x, y) = sum.x, out[1].at(x, y) = sum.y, out[2].at(x, y) = sum.z;
            }
        }
        work.report(static_cast<double>(finished += last - first) / height);
    });
    for (Plane& p : out) softened(p);
    return out;
}

} // namespace irenic
