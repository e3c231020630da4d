// The mill's cat, asleep on flour sacks.
#include <algorithm>
#include <array>
#include <cmath>

#include "props.h"
#include "scenery.h"
#include "texture_noise.h"

namespace irenic::scene {

namespace {

struct Joint {
    Vec at;
    float radius;
};

// From the neck along the back to the hips, and on along the tail.
constexpr std::array<Joint, 5> kBack = {{{{-0.105f, 0.088f, 0.005f}, 0.060f},
                                         {{-0.075f, 0.100f, 0.085f}, 0.080f},
                                         {{0.020f, 0.108f, 0.150f}, 0.096f},
                                         {{0.125f, 0.098f, 0.120f}, 0.100f},
                                         {{0.180f, 0.075f, 0.050f}, 0.088f}}};
constexpr std::array<Joint, 6> kTail = {{{{0.245f, 0.045f, 0.030f}, 0.026f},
                                         {{0.265f, 0.030f, -0.050f}, 0.024f},
                                         {{0.215f, 0.028f, -0.130f}, 0.023f},
                                         {{0.120f, 0.028f, -0.175f}, 0.021f},
                                         {{0.030f, 0.027f, -0.190f}, 0.018f},
                                         {{-0.030f, 0.025f, -0.185f}, 0.010f}}};
constexpr Vec kHead{-0.125f, 0.082f, -0.060f};
constexpr Vec kTilt{0.30f, 0.25f, 0.12f}; // how the head lies
constexpr float kHeadSize = 1.14f;

Vec inHead(Vec p) { // the head's own frame: x to the cat's left, y up, z backwards from the nose
    Vec q = (p - kHead) * (1 / kHeadSize);
    q = {std::cos(-kTilt.z) * q.x - std::sin(-kTilt.z) * q.y,
         std::sin(-kTilt.z) * q.x + std::cos(-kTilt.z) * q.y, q.z};
    q = {std::cos(-kTilt.y) * q.x + std::sin(-kTilt.y) * q.z, q.y,
         -std::sin(-kTilt.y) * q.x + std::cos(-kTilt.y) * q.z};
    return {q.x, std::cos(-kTilt.x) * q.y - std::sin(-kTilt.x) * q.z,
            std::sin(-kTilt.x) * q.y + std::cos(-kTilt.x) * q.z};
}
Vec fromHead(Vec q) { return turned(q * kHeadSize, kTilt) + kHead; }

float earDistance(Vec q, float side) {
    // A leaf, hollow towards the front.
    const Vec root{side * 0.034f, 0.036f, 0.010f}, tip{side * 0.050f, 0.088f, 0.014f};
    const Vec way = tip - root;
    const float t = std::clamp(dot(q - root, way) / dot(way, way), 0.0f, 1.0f);
    const Vec d = q - root - way * t;
    const float wide = 0.024f * (1 - t) * (0.55f + 0.45f * std::sqrt(1 - t)) + 0.0012f;
    const float bowl = 6 * d.x * d.x;
    const float beyond = std::abs(dot(d, way)) / length(way) - 0.002f;
    return std::max({std::abs(d.x) - wide, std::abs(d.z - bowl + 0.004f) - 0.0022f, beyond}) * 0.8f;
}

float headDistance(Vec q) {
    float d = ellipsoidDistance(q, {0, 0, 0}, {0.052f, 0.046f, 0.054f});
    for (const float side : {-1.0f, 1.0f}) {
        d = united(d, ellipsoidDistance(q, {side * 0.030f, -0.012f, -0.018f}, {0.026f, 0.023f, 0.028f}),
                   0.02f);
        d = united(d, ellipsoidDistance(q, {side * 0.011f, -0.017f, -0.051f}, {0.014f, 0.012f, 0.013f}),
                   0.010f);
    }
    d = united(d, barDistance(q, {0, 0.014f, -0.040f}, {0, -0.006f, -0.060f}, 0.014f, 0.009f), 0.016f);
    d = united(d, ellipsoidDistance(q, {0, -0.030f, -0.044f}, {0.013f, 0.009f, 0.012f}), 0.008f);
    for (const float side : {-1.0f, 1.0f}) {
        // Eyes: a lid over a ball in a shallow hollow.
        d = std::max(d, 0.010f - length(q - Vec{side * 0.023f, 0.006f, -0.058f}));
        d = united(d, ellipsoidDistance(q, {side * 0.0225f, 0.005f, -0.0405f}, {0.011f, 0.0085f, 0.009f}),
                   0.003f);
        d = united(d, earDistance(q, side), 0.006f);
    }
    return d;
}

float skinDistance(Vec p) {
    float d = 1e9f;
    for (std::size_t i = 0; i + 1 < kBack.size(); ++i)
        d = united(d, barDistance(p, kBack[i].at, kBack[i + 1].at, kBack[i].radius, kBack[i + 1].radius),
                   0.03f);
    d = united(d, ellipsoidDistance(p, {0.140f, 0.070f, -0.010f}, {0.092f, 0.072f, 0.070f}), 0.018f);
    d = united(d, barDistance(p, {0.100f, 0.022f, -0.070f}, {0.010f, 0.018f, -0.105f}, 0.024f, 0.019f),
               0.012f);
    d = united(d, ellipsoidDistance(p, {-0.062f, 0.055f, 0.010f}, {0.060f, 0.052f, 0.070f}), 0.03f);
    d = united(d, barDistance(p, {-0.050f, 0.030f, -0.030f}, {-0.165f, 0.020f, -0.125f}, 0.026f, 0.018f),
               0.012f);
    d = united(d, barDistance(p, {-0.020f, 0.024f, -0.040f}, {-0.095f, 0.017f, -0.145f}, 0.024f, 0.018f),
               0.010f);
    float tail = 1e9f;
    for (std::size_t i = 0; i + 1 < kTail.size(); ++i)
        tail = united(
            tail, barDistance(p, kTail[i].at, kTail[i + 1].at, kTail[i].radius, kTail[i + 1].radius), 0.01f);
    d = united(d, tail, 0.012f);
    return united(d, headDistance(inHead(p)) * kHeadSize, 0.016f);
}

// What the fur is like at a place: where it lies, how long, striped how dark, white or not.
struct Coat {
    Vec comb;
    float length = 0.014f, dark = 0, white = 0, warm = 0.5f;
};

Coat coatAt(Vec p, Vec normal) {
    Coat c;
    const Vec q = inHead(p);
    const float in_head = smooth(0.012f, -0.004f, headDistance(q));
    // The nearest bone gives the way the hair lies and the place of the stripes.
    float nearest = 1e9f, place = 0;
    Vec lie{1, 0, 0};
    const auto bones = [&](const auto& joints, float start, float each) {
        for (std::size_t i = 0; i + 1 < joints.size(); ++i) {
            const Vec a = joints[i].at, way = joints[i + 1].at - a;
            const float t = std::clamp(dot(p - a, way) / dot(way, way), 0.0f, 1.0f);
            const float far = length(p - a - way * t) / joints[i].radius;
            if (far < nearest)
                nearest = far, place = start + (static_cast<float>(i) + t) * each, lie = normalised(way);
        }
    };
    bones(kBack, 0, 1.9f);
    const float of_back = nearest;
    bones(kTail, 8, 1.4f);
    const bool in_tail = nearest < of_back && nearest < 1.3f;
    const float low = smooth(0.075f, 0.02f, p.y);
    Vec comb = lie + Vec{0, -0.45f, 0} * (in_tail ? 0.1f : 1.0f);
    comb =
        comb +
        (Vec{noise(p * 26.0f, 3), noise(p * 26.0f, 4), noise(p * 26.0f, 5)} - Vec{0.5f, 0.5f, 0.5f}) * 1.0f;
    const float wobble = 1.1f * (octaves(p * 16.0f, 3, 7) - 0.45f);
    c.dark = smooth(0.1f, 0.75f, std::sin((place + wobble) * 3.3f) + 0.15f) * (1 - 0.6f * low);
    c.length = in_tail ? 0.015f : 0.017f - 0.006f * low;
    c.white = smooth(0.50f, 0.62f, low * 0.55f + 0.4f * octaves(p * 18.0f, 2, 8)) * (in_tail ? 0 : 1) *
              smooth(0.10f, 0.0f, p.x);
    if (in_tail) c.dark = smooth(-0.2f, 0.3f, std::sin(place * 4.2f)), c.white = 0;
    if (in_head > 0) {
        const Vec nose{0, -0.004f, -0.070f};
        Vec away = q - nose;
        away = away + Vec{0, 0, 0.02f};
        comb = mix(comb, turned(normalised(away), kTilt), in_head);
        const float from_nose = length(q - nose);
        const float face = smooth(0.012f, 0.06f, from_nose);
        c.length = c.length + (0.0020f + 0.0085f * face * face - c.length) * in_head;
        // Stripes over the brow, a line from the eye over the cheek, a white muzzle.
        const float brow = std::sin(q.x * 330 + 2 * octaves(q * 40.0f, 2, 11)) * smooth(0.008f, 0.025f, q.y);
        const float cheek =
            smooth(0.0045f, 0.0015f, std::abs(q.y + 0.004f - 0.22f * (std::abs(q.x) - 0.03f))) *
            smooth(0.028f, 0.034f, std::abs(q.x));
        const float muzzle = smooth(0.032f, 0.020f, length(q - Vec{0, -0.024f, -0.056f})) +
                             0.8f * smooth(0.007f, 0.003f, std::abs(q.x)) * smooth(0.02f, -0.005f, q.y);
        const float lid =
            smooth(0.014f, 0.009f, length(Vec{std::abs(q.x), q.y, q.z} - Vec{0.0225f, 0.006f, -0.047f}));
        c.dark = c.dark + (std::max({smooth(0.25f, 0.7f, brow), cheek}) * 0.9f - c.dark) * in_head;
        c.white = c.white + (std::clamp(muzzle + 0.35f * lid, 0.0f, 1.0f) - c.white) * in_head;
        for (const float side : {-1.0f, 1.0f}) {
            if (earDistance(q, side) < 0.006f && q.y > 0.044f) {
                c.length = 0.0045f, c.white = 0;
                const bool inside = dot(normal, turned({0, 0, -1}, kTilt)) > 0.3f;
                c.dark = inside ? 0.05f : 0.45f, c.warm = inside ? 0.95f : 0.5f;
                comb = turned(normalised(Vec{side * 0.35f, 1, 0.1f}), kTilt);
            }
        }
    }
    c.comb = normalised(comb - normal * dot(comb, normal));
    return c;
}

void grow(Stage& s, const Mesh& skin, float density) {
    Luck luck(5);
    Strands fur;
    // Banded hairs: grey at the root, tan, dark at the tip. own: dark, white, warm.
    fur.paint = s.paint([](const Spot& spot) {
        const float band = smooth(0.25f, 0.5f, spot.u) * smooth(1.0f, 0.72f, spot.u);
        const Vec tan = mix({0.40f, 0.31f, 0.22f}, {0.58f, 0.38f, 0.25f}, spot.own.z);
        Vec colour = mix({0.17f, 0.145f, 0.125f}, tan, 0.25f + 0.75f * band);
        colour = mix(colour, {0.045f, 0.038f, 0.034f}, 0.88f * spot.own.x * smooth(0.1f, 0.4f, spot.u));
        colour = mix(colour, {0.92f, 0.90f, 0.86f}, spot.own.y);
        return Surface{colour * (0.8f + 0.4f * spot.fate), spot.normal, 0.035f, 0.28f};
    });
    for (const Place& place : scattered(skin, static_cast<std::size_t>(900000 * density), luck)) {
        const Coat c = coatAt(place.at, place.normal);
        const bool guard = luck.share() < 0.12f;
        const float longer = (guard ? 1.35f : 0.65f + 0.45f * luck.share());
        const Vec comb = normalised(c.comb + luck.inBall() * 0.22f - place.normal * 0.05f);
        const float thick = (guard ? 0.000055f : 0.000038f) / std::sqrt(std::max(0.08f, density));
        fur.add(hair(place.at - place.normal * 0.001f,
                     normalised(place.normal * 0.8f + c.comb * 0.5f + luck.inBall() * 0.25f), comb,
                     c.length * longer, 0.75f, thick, c.length < 0.006f ? 3 : 5),
                {std::clamp(c.dark + 0.15f * luck.bell(), 0.0f, 1.0f),
                 c.white > luck.share() ? c.white : 0.0f, c.warm},
                luck.share());
    }
    s.strands.push_back(std::move(fur));
}

void face(Stage& s) {
    const int dark = s.paint([](const Spot& spot) {
        return Surface{{0.025f, 0.02f, 0.02f}, spot.normal, 0.04f, 0.3f};
    });
    Strands lines;
    lines.paint = dark;
    const auto draw = [&](const std::vector<Vec>& points, float radius) {
        std::vector<Strands::Point> strand;
        for (const Vec q : line(points, 0.0006f)) {
            // Laid on the skin.
            Vec at = q;
            for (int i = 0; i < 6; ++i)
                at = at - gradient(headDistance, at, 0.0005f) * (headDistance(at) - 0.0016f);
            strand.push_back({fromHead(at), radius});
        }
        lines.add(strand, {}, 0.5f);
    };
    for (const float side : {-1.0f, 1.0f}) {
        draw({{side * 0.0125f, 0.0005f, -0.055f},
              {side * 0.018f, -0.0015f, -0.054f},
              {side * 0.024f, -0.0005f, -0.053f},
              {side * 0.031f, 0.0060f, -0.047f}},
             0.00055f);
        draw({{0, -0.012f, -0.066f},
              {side * 0.003f, -0.020f, -0.064f},
              {side * 0.010f, -0.0235f, -0.060f},
              {side * 0.017f, -0.022f, -0.055f}},
             0.0004f);
    }
    s.strands.push_back(std::move(lines));
    put(s, moved(ball({0.0062f, 0.0042f, 0.0040f}), fromHead({0, -0.0065f, -0.0685f}), kTilt),
        s.paint([](const Spot& spot) {
            const auto height = [](Vec p) { return 0.0003f * octaves(p * 1500.0f, 2, 3); };
            return Surface{Vec{0.50f, 0.25f, 0.21f} * (0.8f + 0.3f * noise(spot.own * 900.0f, 2)),
                           bumped(spot, height, 0.0002f), 0.04f, 0.3f};
        }));
    Strands whiskers;
    whiskers.paint = s.paint(strandPaint({0.75f, 0.73f, 0.7f}, {0.9f, 0.88f, 0.85f}, 0.25f, 0.2f, 0.1f));
    Luck luck(12);
    for (const float side : {-1.0f, 1.0f})
        for (int i = 0; i < 13; ++i) {
            const float row = static_cast<float>(i % 4) / 3, column = static_cast<float>(i) / 12;
            const Vec root{side * (0.013f + 0.010f * column), -0.010f - 0.011f * row,
                           -0.061f + 0.008f * column};
            const Vec out =
                normalised(Vec{side * 1.0f, 0.25f - 0.4f * row + 0.1f * luck.bell(), -0.35f + 0.5f * column});
            whiskers.add(hair(fromHead(root), turned(out, kTilt),
                              turned(normalised(out + Vec{side * 0.2f, -0.45f, 0.25f}), kTilt),
                              luck.between(0.045f, 0.075f), 0.5f, 0.00016f, 14),
                         {}, luck.share());
        }
    for (const float side : {-1.0f, 1.0f})
        for (int i = 0; i < 4; ++i) {
            const Vec root{side * (0.016f + 0.004f * static_cast<float>(i)), 0.017f, -0.046f};
            whiskers.add(hair(fromHead(root), turned(normalised(Vec{side * 0.3f, 1, -0.5f}), kTilt),
                              turned(normalised(Vec{side * 0.8f, 0.8f, 0.2f}), kTilt),
                              luck.between(0.025f, 0.04f), 0.5f, 0.00012f, 10),
                         {}, luck.share());
        }
    s.strands.push_back(std::move(whiskers));
}

void sacks(Stage& s, float density) {
    struct Sack {
        Vec at, half, angles;
        const char* mark;
    };
    const std::array<Sack, 5> all = {
        {{{0.04f, -0.098f, 0.05f}, {0.46f, 0.135f, 0.32f}, {0.0f, 0.08f, 0.0f}, "No 3"},
         {{-0.62f, -0.10f, 0.25f}, {0.34f, 0.16f, 0.26f}, {0.1f, -0.4f, 0.06f}, "No 1"},
         {{0.66f, -0.02f, 0.35f}, {0.30f, 0.17f, 0.25f}, {0.1f, 0.7f, 0.15f}, "No 2"},
         {{-0.25f, 0.05f, 0.62f}, {0.40f, 0.17f, 0.24f}, {0, 0.1f, 0.03f}, "MILL"},
         {{0.35f, -0.32f, -0.30f}, {0.42f, 0.14f, 0.26f}, {0, -0.1f, 0}, "TIDE"}}};
    Luck luck(8);
    Strands lint;
    lint.paint = s.paint(strandPaint({0.55f, 0.47f, 0.36f}, {0.75f, 0.68f, 0.56f}, 0.02f, 0.5f, 0.3f));
    std::uint32_t seed = 70;
    for (const Sack& sack : all) {
        const std::uint32_t own = seed++;
        const auto dented = [&, own](Vec p) {
            // The cat's weight makes a hollow in the sack below.
            const float dent = own == 70 ? 0.016f * smooth(0.3f, 0.1f, std::hypot(p.x, p.z + 0.03f)) *
                                               smooth(0.0f, 0.1f, p.y)
                                         : 0;
            return sackDistance(p, sack.half, own) + dent;
        };
        Mesh mesh =
            moved(isosurface(dented, sack.half * -1.15f, sack.half * 1.15f, 0.005f), sack.at, sack.angles);
        for (const Place& p : scattered(mesh, static_cast<std::size_t>(16000 * density), luck))
            lint.add(hair(p.at, normalised(p.normal + luck.inBall()), luck.onSphere(),
                          luck.between(0.002f, 0.007f), 0.8f, 0.00004f, 4),
                     p.at, luck.share());
        put(s, std::move(mesh), floured(sacking({1, 1, 1}, sack.mark, own), 0.35f, own));
    }
    s.strands.push_back(std::move(lint));
}

} // namespace

Stage millCat(float density) {
    Stage s;
    s.density = density;
    const Mesh skin = isosurface(skinDistance, {-0.24f, -0.02f, -0.24f}, {0.31f, 0.24f, 0.28f}, 0.0022f);
    grow(s, skin, density);
    put(s, skin, s.paint([](const Spot& spot) { return Surface{{0.10f, 0.08f, 0.07f}, spot.normal, 0, 1}; }));
    face(s);
    sacks(s, density);
    boards(s, {-1.6f, -0.7f, 0}, {1.6f, 1.3f, 0}, 1.15f, 1, 0.17f, 0.5f, {0.9f, 0.85f, 0.8f}, 91);
    put(s, moved(box({0.07f, 1.0f, 0.07f}, 0.006f), {0.62f, 0.4f, 0.95f}),
        wood(1, {0.8f, 0.75f, 0.7f}, 0.6f, 92));
    lantern(s, {-0.42f, 0.33f, 0.42f}, Vec{1, 0.72f, 0.42f} * 1500.0f, 0.9f);
    s.lamps.push_back({{-0.75f, 0.75f, -0.55f},
                       Vec{1, 0.80f, 0.58f} * 150.0f,
                       0.10f}); // another lantern, out of the picture
    s.panes.push_back({{1.3f, 0.2f, 0.5f}, {0, 0, -0.9f}, {0, 0.9f, 0}, Vec{0.62f, 0.8f, 1.0f} * 1.3f});
    s.ambient = {0.16f, 0.14f, 0.125f};
    s.eye = {{-0.06f, 0.36f, -0.80f}, {0.015f, 0.075f, 0.0f}, 36, 0.0024f, 0.735f};
    s.exposure = 1.7f;
    return s;
}

} // namespace irenic::scene
