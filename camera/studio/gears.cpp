// The gear room: the great spur wheel, its brass bearing and the tools beside it.
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

// A wheel of wood with pegs for teeth: felloes, arms and a hub, each piece with its own grain.
void pegWheel(Stage& s, Vec at, float radius, int pegs, float turn, std::uint32_t seed) {
    Luck luck(seed);
    constexpr int kFelloes = 8, kArms = 6;
    const float rim = radius * 0.13f, thick = radius * 0.075f;
    for (int i = 0; i < kFelloes; ++i) {
        // An arc of the rim; own runs along the arc so that the grain does.
        const float from = turn + 2 * kPi * static_cast<float>(i) / kFelloes + 0.004f,
                    to = from + 2 * kPi / kFelloes - 0.008f;
        const auto arc = [&](float u, float r, float z) {
            const float a = from + (to - from) * u;
            return at + Vec{r * std::cos(a), r * std::sin(a), z};
        };
        const float inner = radius - 2 * rim, outer = radius, bevel = 0.003f;
        const std::array<std::pair<float, float>, 9> edge = {{{inner, -thick + bevel},
                                                              {inner + bevel, -thick},
                                                              {outer - bevel, -thick},
                                                              {outer, -thick + bevel},
                                                              {outer, thick - bevel},
                                                              {outer - bevel, thick},
                                                              {inner + bevel, thick},
                                                              {inner, thick - bevel},
                                                              {inner, -thick + bevel}}};
        // Each face by itself, so that edges stay sharp.
        const float tone = luck.between(0.75f, 1.15f);
        const Paint paint =
            floured(wood(0, Vec{0.95f, 0.86f, 0.76f} * tone, 0.4f, seed + 10 + static_cast<std::uint32_t>(i)),
                    0.5f, seed);
        for (std::size_t k = 0; k + 1 < edge.size(); ++k) {
            Mesh m = surface(48, 1, [&](float u, float v) {
                return arc(u, edge[k].first + (edge[k + 1].first - edge[k].first) * v,
                           edge[k].second + (edge[k + 1].second - edge[k].second) * v);
            });
            for (std::size_t j = 0; j < m.own.size(); ++j)
                m.own[j] = {m.own[j].x * (to - from) * radius, length(m.at[j] - at) - inner,
                            m.at[j].z - at.z};
            put(s, std::move(m), paint);
        }
        for (int b = 0; b < 2; ++b) { // bolts where two pieces meet
            const float a = from + 0.035f + 0.07f * static_cast<float>(b);
            const Vec p = at + Vec{(radius - rim) * std::cos(a), (radius - rim) * std::sin(a), -thick};
            put(s, bar(p, p + Vec{0, 0, -0.009f}, 0.0085f, 6), iron(0.3f, seed + 40));
            put(s, bar(p, p + Vec{0, 0, -0.003f}, 0.014f, 32), iron(0.25f, seed + 41));
        }
    }
    for (int i = 0; i < kArms; ++i) {
        const float a = turn + 0.3f + kPi * static_cast<float>(i) * 2 / kArms;
        const float l = (radius - 1.7f * rim) / 2;
        put(s,
            moved(box({l, rim * 0.52f, thick * 0.8f}, 0.004f),
                  at + Vec{l * std::cos(a), l * std::sin(a), 0.001f * static_cast<float>(i)}, {0, 0, a}),
            floured(wood(0, Vec{0.90f, 0.80f, 0.70f} * luck.between(0.8f, 1.1f), 0.45f,
                         seed + 60 + static_cast<std::uint32_t>(i)),
                    0.45f, seed));
    }
    put(s, bar(at + Vec{0, 0, -thick * 1.5f}, at + Vec{0, 0, thick * 1.4f}, radius * 0.20f, 12),
        wood(1, {0.85f, 0.76f, 0.66f}, 0.5f, seed + 80));
    for (const float z : {-thick * 1.25f, thick * 1.1f})
        put(s, bar(at + Vec{0, 0, z - 0.008f}, at + Vec{0, 0, z + 0.008f}, radius * 0.207f, 96),
            iron(0.3f, seed + 81));
    for (int i = 0; i < pegs; ++i) {
        const float a = turn + 2 * kPi * (static_cast<float>(i) + 0.5f) / static_cast<float>(pegs);
        const float tall = radius * 0.062f, broad = radius * kPi / static_cast<float>(pegs) * 0.52f;
        put(s,
            moved(box({tall, broad, thick * 0.82f}, 0.0045f),
                  at + Vec{(radius + tall * 0.8f) * std::cos(a), (radius + tall * 0.8f) * std::sin(a), 0},
                  {0, 0, a + 0.01f * luck.bell()}),
            wood(0, Vec{1.25f, 1.05f, 0.82f} * luck.between(0.75f, 1.1f), 0.15f,
                 seed + 100 + static_cast<std::uint32_t>(i)));
    }
}

// A cast pinion with staves between two discs.
void staves(Stage& s, Vec at, float radius, int count, float turn, float reach) {
    const int cast = s.paint(iron(0.12f, 201)), bright = s.paint(iron(0.02f, 202));
    for (const float z : {-reach, reach})
        put(s, bar(at + Vec{0, 0, z - 0.009f}, at + Vec{0, 0, z + 0.009f}, radius * 1.18f, 96), cast);
    for (int i = 0; i < count; ++i) {
        const float a = turn + 2 * kPi * static_cast<float>(i) / static_cast<float>(count);
        const Vec p = at + Vec{radius * std::cos(a), radius * std::sin(a), 0};
        put(s, bar(p + Vec{0, 0, -reach - 0.014f}, p + Vec{0, 0, reach}, radius * 0.125f, 32), bright);
    }
    put(s, bar(at + Vec{0, 0, -reach - 0.09f}, at + Vec{0, 0, 0.6f}, radius * 0.26f, 64), bright);
}

} // namespace

Stage gearRoom(float density) {
    Stage s;
    Luck luck(77);
    const Vec hub{-0.20f, 0.02f, 0.60f};
    pegWheel(s, hub, 0.52f, 36, 0.06f, 300);
    staves(s, {0.445f, 0.115f, 0.60f}, 0.105f, 10, 0.22f, 0.062f);
    // The shaft and its bearing of brass, in front.
    put(s, bar(hub + Vec{0, 0, -0.30f}, hub + Vec{0, 0, 0.5f}, 0.040f, 96), iron(0.04f, 210));
    put(s, moved(box({0.105f, 0.032f, 0.045f}, 0.006f), hub + Vec{0, -0.058f, -0.17f}), brass(0.5f, 211));
    put(s, bar(hub + Vec{0, 0, -0.215f}, hub + Vec{0, 0, -0.125f}, 0.062f, 96), brass(0.35f, 212));
    for (const float x : {-0.082f, 0.082f}) {
        put(s, bar(hub + Vec{x, -0.03f, -0.17f}, hub + Vec{x, 0.004f, -0.17f}, 0.0125f, 6), iron(0.2f, 213));
        put(s, bar(hub + Vec{x, -0.03f, -0.17f}, hub + Vec{x, -0.022f, -0.17f}, 0.020f, 48), iron(0.2f, 214));
    }
    put(s,
        moved(lathe({{0.001f, 0.0f},
                     {0.006f, 0},
                     {0.006f, 0.012f},
                     {0.017f, 0.015f},
                     {0.019f, 0.020f},
                     {0.019f, 0.042f},
                     {0.016f, 0.047f},
                     {0.001f, 0.049f}},
                    48),
              hub + Vec{0, 0.060f, -0.17f}),
        brass(0.15f, 215));
    // The bearing's beam, posts, a shelf.
    put(s, moved(box({1.5f, 0.085f, 0.075f}, 0.008f), {0, -0.155f, 0.43f}),
        floured(wood(0, {0.88f, 0.78f, 0.68f}, 0.55f, 220), 0.7f, 5));
    put(s, moved(box({0.085f, 1.4f, 0.085f}, 0.008f), {0.70f, 0.1f, 0.78f}),
        wood(1, {0.85f, 0.76f, 0.67f}, 0.5f, 221));
    put(s, moved(box({0.075f, 1.4f, 0.075f}, 0.008f), {-0.93f, 0.1f, 0.95f}),
        wood(1, {0.8f, 0.72f, 0.64f}, 0.5f, 222));
    put(s, moved(box({0.07f, 0.62f, 0.06f}, 0.007f), {0.50f, -0.40f, 0.62f}, {0, 0, -0.7f}),
        wood(1, {0.8f, 0.72f, 0.64f}, 0.5f, 223));
    const Paint bricks = brick(230);
    put(s, moved(box({2.2f, 1.6f, 0.05f}, 0.002f), {0, 0, 1.55f}), bricks);
    // On the beam: an oil can, a wooden mallet, a heap of pegs, a candle's stub.
    const Vec top{0, -0.070f, 0.40f};
    put(s,
        moved(lathe({{0.001f, 0},
                     {0.050f, 0},
                     {0.053f, 0.004f},
                     {0.053f, 0.050f},
                     {0.050f, 0.056f},
                     {0.030f, 0.072f},
                     {0.012f, 0.085f},
                     {0.009f, 0.095f},
                     {0.0065f, 0.150f},
                     {0.0035f, 0.175f},
                     {0.001f, 0.175f}},
                    64),
              top + Vec{0.215f, 0, -0.01f}),
        enamel({0.10f, 0.20f, 0.13f}, 240));
    put(s, bar(top + Vec{0.33f, 0.042f, -0.03f}, top + Vec{0.33f, 0.042f, 0.06f}, 0.041f, 64),
        wood(1, {1.1f, 0.95f, 0.75f}, 0.3f, 241));
    put(s, bar(top + Vec{0.325f, 0.042f, 0.01f}, top + Vec{0.53f, 0.012f, -0.03f}, 0.012f, 32),
        wood(1, {1.0f, 0.88f, 0.7f}, 0.3f, 242));
    for (int i = 0; i < 7; ++i)
        put(s,
            moved(box({0.034f, 0.011f, 0.013f}, 0.003f),
                  top + Vec{-0.255f + 0.03f * luck.bell(), 0.0125f + 0.020f * static_cast<float>(i / 4),
                            -0.01f + 0.025f * luck.bell()},
                  {0, luck.between(-2, 2), 0.06f * luck.bell()}),
            wood(0, Vec{1.3f, 1.08f, 0.84f} * luck.between(0.7f, 1.1f), 0.1f,
                 250 + static_cast<std::uint32_t>(i)));
    // Shavings and a rope on its peg.
    Strands yarns, hairs, curls;
    yarns.paint = s.paint(strandPaint({0.50f, 0.40f, 0.26f}, {0.50f, 0.40f, 0.26f}, 0.02f, 0.5f, 0.35f));
    hairs.paint = s.paint(strandPaint({0.6f, 0.5f, 0.35f}, {0.75f, 0.65f, 0.5f}, 0.04f, 0.4f, 0.3f));
    std::vector<Vec> hung;
    for (int i = 0; i <= 90; ++i) {
        const float a = 2 * kPi * static_cast<float>(i) / 30, r = 0.13f + 0.008f * std::sin(a * 1.3f);
        hung.push_back({0.70f + r * 0.75f * std::sin(a), 0.42f - 0.17f + r * 1.3f * std::cos(a),
                        0.672f - 0.004f * static_cast<float>(i) / 30 - 0.01f * std::cos(a * 0.66f)});
    }
    layRope(yarns, hairs, line(hung, 0.002f), {0.0085f, 10, 6.3f, 4500 * density, 0.006f}, luck);
    s.strands.push_back(std::move(yarns));
    put(s, bar({0.70f, 0.415f, 0.70f}, {0.70f, 0.425f, 0.60f}, 0.012f, 32),
        wood(1, {1, 0.9f, 0.75f}, 0.3f, 260));
    // Cobwebs and dust in the light: fine threads between the beam and the wheel.
    for (int i = 0; i < 26; ++i) {
        const Vec a{-0.86f + 0.10f * luck.share(), 0.55f + 0.12f * luck.share(), 0.86f},
            b{-0.70f + 0.2f * luck.share(), 0.38f + 0.2f * luck.share(), 0.75f};
        std::vector<Strands::Point> thread;
        for (int k = 0; k <= 16; ++k) {
            const float t = static_cast<float>(k) / 16;
            thread.push_back({mix(a, b, t) + Vec{0, -0.03f * t * (1 - t), 0}, 0.00009f});
        }
        hairs.add(thread, {}, luck.share());
    }
    s.strands.push_back(std::move(hairs));
    put(s, moved(box({0.17f, 0.075f, 0.008f}, 0.002f), {0.53f, 0.70f, 1.485f}, {0, 0, 0.02f}),
        lettered({0.45f, 0.42f, 0.34f}, {0.10f, 0.05f, 0.03f}, {"MIND THE", "GEAR"}, 0.036f, 270));
    lantern(s, {-0.405f, 0.035f, 0.37f}, Vec{1, 0.72f, 0.42f} * 330.0f, 1.0f);
    s.lamps.push_back({{0.75f, 0.75f, -0.65f}, Vec{1, 0.79f, 0.55f} * 210.0f, 0.12f});
    s.panes.push_back({{1.5f, 0.1f, 0.9f}, {0, 0, -1.0f}, {0, 1.0f, 0}, Vec{0.6f, 0.78f, 1.0f} * 0.9f});
    s.ambient = {0.17f, 0.15f, 0.13f};
    s.eye = {{0.10f, 0.24f, -0.95f}, {0.02f, 0.150f, 0.6f}, 47, 0.0035f, 1.42f};
    s.exposure = 2.1f;
    return s;
}

} // namespace irenic::scene
