#include "materials.h"

#include <algorithm>
#include <array>
#include <numbers>
#include <string>

#include "lettering.h"

namespace irenic::views {

namespace {

constexpr float kPi = std::numbers::pi_v<float>;

// Tilts the normal by a slope in two of the solid's axes.
Vec tilted(const Hit& hit, Vec slopeLocal) { return normalised(hit.normal - hit.solid->toWorld(slopeLocal)); }

// The longest side of a box is the way the fibres run; returns the point with x along them.
Vec alongFibres(const Solid& s, Vec p) {
    if (s.half.y >= s.half.x && s.half.y >= s.half.z) return {p.y, p.x, p.z};
    if (s.half.z >= s.half.x && s.half.z >= s.half.y) return {p.z, p.x, p.y};
    return p;
}

Surface timber(const Hit& hit) {
    const Solid& s = *hit.solid;
    const Vec p = alongFibres(s, hit.local);
    const float wander = 0.03f * noise({p.x * 2.1f, p.y * 3, p.z * 3}, s.seed);
    const float ring =
        std::hypot(p.y + wander + 0.11f, p.z * 0.8f + 0.07f + wander) * 95 + 3 * noise(p * 4.0f, s.seed + 5);
    const float rings = 0.5f + 0.5f * std::sin(ring * 2.1f);
    const float fibre = noise({p.x * 22, p.y * 520, p.z * 520}, s.seed + 1);
    const float pores = smooth(0.72f, 0.86f, noise({p.x * 60, p.y * 900, p.z * 900}, s.seed + 2));
    const float crack = smooth(0.47f, 0.5f, noise({p.x * 1.6f, p.y * 42, p.z * 42}, s.seed + 3)) *
                        smooth(0.53f, 0.5f, noise({p.x * 1.6f, p.y * 42, p.z * 42}, s.seed + 3));
    float tone =
        0.55f + 0.28f * rings + 0.25f * (fibre - 0.5f) + 0.3f * (octaves(p * 3.0f, 3, s.seed + 9) - 0.45f);
    tone *= 1 - 0.45f * pores;
    Vec colour = mix({0.10f, 0.055f, 0.028f}, {0.36f, 0.22f, 0.115f}, std::clamp(tone, 0.0f, 1.0f));
    colour = colour * (1 - 0.75f * crack);
    const float step = 0.0008f;
    const float next = noise({p.x * 22, (p.y + step) * 520, p.z * 520}, s.seed + 1);
    Surface out{colour * s.tint, tilted(hit, {0, 0.25f * (next - fibre), 0}), 0.05f, 18, {}};
    return out;
}

Surface brick(const Hit& hit) {
    const Solid& s = *hit.solid;
    const Vec n = hit.solid->toLocal(hit.normal);
    const bool flat = std::abs(n.z) > 0.5f;
    const float u = flat ? hit.local.x : hit.local.z, v = std::abs(n.y) > 0.5f ? hit.local.z : hit.local.y;
    const float wobble = 0.004f * noise({u * 9, v * 9, 1}, s.seed);
    const float row = std::floor((v + wobble) / 0.078f);
    const float shifted = u + wobble + (static_cast<int>(row) & 1 ? 0.113f : 0);
    const float column = std::floor(shifted / 0.226f);
    const float x = shifted - column * 0.226f, y = v + wobble - row * 0.078f;
    const float rough = 0.004f * octaves({u * 90, v * 90, 3}, 2, s.seed + 8);
    const float inset = std::min(std::min(x, 0.226f - x), std::min(y, 0.078f - y)) - rough;
    const float isBrick = smooth(0.0035f, 0.0065f, inset);
    const float own = hashed(static_cast<int>(column), static_cast<int>(row), 0, s.seed);
    const float grit = octaves({u * 260, v * 260, 5}, 3, s.seed + 1),
                patch = octaves({u * 14, v * 14, 2}, 3, s.seed + 2);
    Vec clay = mix({0.19f, 0.065f, 0.04f}, {0.36f, 0.16f, 0.095f}, 0.65f * own + 0.5f * patch - 0.1f) *
               (0.55f + 0.9f * grit);
    if (own > 0.86f) clay = clay * 0.45f;
    const Vec mortar =
        Vec{0.30f, 0.27f, 0.23f} * (0.6f + 0.8f * octaves({u * 340, v * 340, 8}, 2, s.seed + 3));
    const float e = 0.0015f;
    const float bumpU = octaves({(u + e) * 260, v * 260, 5}, 3, s.seed + 1) - grit;
    const float bumpV = octaves({u * 260, (v + e) * 260, 5}, 3, s.seed + 1) - grit;
    const float edge = smooth(0.009f, 0.004f, inset) * isBrick;
    const float du = 0.9f * bumpU + edge * (x < 0.01f ? -0.7f : x > 0.216f ? 0.7f : 0);
    const float dv = 0.9f * bumpV + edge * (y < 0.01f ? -0.7f : y > 0.068f ? 0.7f : 0);
    const Vec slope = flat ? Vec{-du, -dv, 0} : Vec{0, -dv, -du};
    return {mix(mortar, clay, isBrick) * s.tint, tilted(hit, slope * -1.0f), 0.01f, 8, {}};
}

Surface sack(const Hit& hit) {
    const Solid& s = *hit.solid;
    const Vec q{hit.local.x / s.half.x, hit.local.y / s.half.y, hit.local.z / s.half.z};
    const float around = std::atan2(q.x, -q.z) * 0.5f * (s.half.x + s.half.z);
    const float up = std::asin(std::clamp(q.y, -1.0f, 1.0f)) * s.half.y * 1.25f;
    const float skew = 0.006f * noise({around * 14, up * 14, 0}, s.seed);
    const float a = (around + skew) / 0.0042f, b = (up - skew) / 0.0042f;
    const float warp = std::abs(std::sin(kPi * a)), weft = std::abs(std::sin(kPi * b));
    const bool over = (static_cast<int>(std::floor(a)) + static_cast<int>(std::floor(b))) & 1;
    const float thread = over ? warp * (0.55f + 0.45f * weft) : weft * (0.55f + 0.45f * warp);
    const float own = hashed(over ? static_cast<int>(std::floor(a)) : 7000,
                             over ? 9000 : static_cast<int>(std::floor(b)), 1, s.seed);
    const float stain = octaves({around * 9, up * 9, 4}, 4, s.seed + 4);
    Vec colour =
        mix({0.20f, 0.145f, 0.085f}, {0.56f, 0.45f, 0.30f}, 0.30f + 0.55f * thread + 0.25f * (own - 0.5f));
    colour = colour * (0.65f + 0.75f * stain);
    // A stencilled mark on the side that faces the room.
    const float d = strokeDistance("No.3", around / 0.018f + 11.5f, up / 0.018f + 3);
    const float ink = smooth(0.75f, 0.45f, d) * (0.55f + 0.45f * thread) * (q.z < 0 ? 1.0f : 0.0f);
    colour = mix(colour, {0.045f, 0.05f, 0.075f}, 0.85f * ink);
    const float folds = octaves({around * 13, up * 7, 2}, 3, s.seed + 6), e = 0.01f;
    const float foldU = octaves({(around + e) * 13, up * 7, 2}, 3, s.seed + 6) - folds;
    const float foldV = octaves({around * 13, (up + e) * 7, 2}, 3, s.seed + 6) - folds;
    const float tu = over ? 0.35f * std::cos(kPi * a) * (std::sin(kPi * a) > 0 ? 1 : -1) : 0;
    const float tv = over ? 0 : 0.35f * std::cos(kPi * b) * (std::sin(kPi * b) > 0 ? 1 : -1);
    return {colour * s.tint, tilted(hit, {3.2f * foldU - tu, 3.2f * foldV - tv, 0}), 0.0f, 8, {}};
}

Surface rope(const Hit& hit) {
    const Solid& s = *hit.solid;
    const float angle = std::atan2(hit.local.y, hit.local.x), r = s.half.x;
    // Rings lie flat (short and wide): there the strands run around.
    const bool ring = s.half.z < 0.4f * r;
    const float along = ring ? angle * r : hit.local.z, across = ring ? hit.local.z / s.half.z * 2.2f : angle;
    const float width = ring ? s.half.z : r;
    const float phase = (across + along / (width * 1.15f)) * 3 / (2 * kPi);
    const float strand = phase - std::floor(phase);
    const float bulge = std::sin(kPi * strand);
    const float yarn = 0.5f + 0.5f * std::sin((across * 1.2f - along / (width * 0.9f)) * 9);
    const float hair = noise({along * 900, across * 40, 1}, s.seed);
    const Vec colour = mix({0.10f, 0.07f, 0.035f}, {0.52f, 0.40f, 0.22f},
                           0.15f + 0.6f * bulge + 0.15f * yarn + 0.2f * (hair - 0.5f));
    const float lean = 0.9f * std::cos(kPi * strand);
    const Vec tangent = ring ? Vec{0, 0, 1} : Vec{-std::sin(angle), std::cos(angle), 0.6f};
    return {colour * s.tint, tilted(hit, tangent * lean), 0.0f, 8, {}};
}

Surface metal(const Hit& hit, bool isBrass) {
    const Solid& s = *hit.solid;
    const Vec p = hit.local;
    const float rust = smooth(0.42f, 0.62f, octaves(p * 16.0f, 4, s.seed)),
                grain = octaves(p * 420.0f, 2, s.seed + 3);
    const float scratch = noise({p.x * 900, p.y * 16, p.z * 900}, s.seed + 4);
    const float step = 0.002f;
    const Vec slope{0.5f * (octaves((p + Vec{step, 0, 0}) * 420.0f, 2, s.seed + 3) - grain),
                    0.5f * (octaves((p + Vec{0, step, 0}) * 420.0f, 2, s.seed + 3) - grain), 0};
    if (isBrass)
        return {Vec{0.55f, 0.36f, 0.11f} * (0.75f + 0.35f * scratch) * (1 - 0.45f * rust),
                tilted(hit, slope * 0.25f),
                0.75f,
                38,
                {}};
    const Vec colour = mix({0.085f, 0.08f, 0.078f}, {0.20f, 0.085f, 0.038f}, rust) * (0.5f + 1.0f * grain) *
                       (0.85f + 0.3f * scratch);
    return {colour * s.tint, tilted(hit, slope), 0.18f * (1 - rust), 14, {}};
}

Surface gaugeFace(const Hit& hit) {
    const Solid& s = *hit.solid;
    const float r = std::hypot(hit.local.x, hit.local.y) / s.half.x;
    // Seen from the room, x of the solid runs to the left on a face turned to it: text wants it mirrored
    // back.
    const float angle = std::atan2(hit.local.x, hit.local.y);
    Vec colour = Vec{0.66f, 0.62f, 0.52f} * (0.9f + 0.2f * octaves(hit.local * 40.0f, 3, s.seed));
    if (r > 0.9f) return metal(hit, true);
    const float sweep = angle / (0.75f * kPi);
    float ink = 0;
    if (std::abs(sweep) <= 1.01f) {
        const auto ticks = [&](float count, float from, float to, float thick) {
            const float k = sweep * count,
                        off = std::abs(k - std::round(k)) / count * 0.75f * kPi * r * s.half.x;
            if (r > from && r < to) ink = std::max(ink, smooth(thick, thick * 0.5f, off));
        };
        ticks(5, 0.66f, 0.84f, 0.0022f);
        ticks(25, 0.75f, 0.84f, 0.0012f);
        ticks(50, 0.80f, 0.84f, 0.0008f);
    }
    if (std::abs(r - 0.86f) < 0.008f) ink = 1;
    const float unit = s.half.x * 0.028f;
    for (int k = -5; k <= 5; ++k) {
        const float a = static_cast<float>(k) / 5 * 0.75f * kPi;
        const float x = hit.local.x - std::sin(a) * 0.53f * s.half.x,
                    y = hit.local.y - std::cos(a) * 0.53f * s.half.x;
        const std::string text = std::to_string(k + 5);
        const float wide = 6.0f * static_cast<float>(text.size()) - 2;
        ink = std::max(ink, smooth(0.75f, 0.4f, strokeDistance(text, x / unit + wide / 2, y / unit + 3)));
    }
    ink = std::max(
        ink, smooth(0.7f, 0.35f, strokeDistance("TIDE", hit.local.x / unit + 11, hit.local.y / unit + 11)));
    const float pointer = -0.9f + 1.9f * hashed(3, 1, 4, s.seed);
    const float px = hit.local.x * std::cos(pointer) - hit.local.y * std::sin(pointer);
    const float py = hit.local.x * std::sin(pointer) + hit.local.y * std::cos(pointer);
    const float width = 0.022f * s.half.x * (1 - py / s.half.x);
    colour = mix(colour, {0.03f, 0.028f, 0.025f}, ink);
    if (py > -0.2f * s.half.x && py < 0.74f * s.half.x && std::abs(px) < width)
        colour = {0.30f, 0.03f, 0.02f};
    if (r < 0.06f) colour = {0.4f, 0.27f, 0.1f};
    return {colour, hit.normal, 0.12f, 60, {}};
}

Surface sign(const Hit& hit) {
    const Solid& s = *hit.solid;
    Surface out = timber(hit);
    static const std::array<std::array<std::string, 2>, 3> texts = {
        {{"TIDE MILL", "FLOUR STORE"}, {"HIGH WATER", "SLUICE 4"}, {"KEEP CLEAR", "OF THE GEAR"}}};
    static constexpr Vec paints[3] = {
        {0.035f, 0.115f, 0.085f}, {0.05f, 0.07f, 0.16f}, {0.26f, 0.035f, 0.025f}};
    const auto which = static_cast<std::size_t>(s.teeth);
    const float wear = octaves(hit.local * 55.0f, 4, s.seed + 11);
    const float painted = smooth(0.66f, 0.58f, wear);
    Vec colour =
        mix(out.colour, paints[which] * (0.75f + 0.5f * octaves(hit.local * 6.0f, 3, s.seed)), painted);
    for (int line = 0; line < 2; ++line) {
        const std::string& text = texts[which][static_cast<std::size_t>(line)];
        const float unit =
            std::min(1.7f * s.half.x / (6.0f * static_cast<float>(text.size())), 0.62f * s.half.y / 7);
        const float x = hit.local.x / unit + 3.0f * static_cast<float>(text.size()) - 1;
        const float y = (hit.local.y - (line == 0 ? 0.13f : -0.75f) * s.half.y) / unit;
        const float d = strokeDistance(text, x, y);
        colour = mix(colour, {0.62f, 0.55f, 0.36f}, smooth(0.62f, 0.5f, d) * smooth(0.62f, 0.52f, wear));
    }
    const float border = std::min(s.half.x - std::abs(hit.local.x), s.half.y - std::abs(hit.local.y));
    if (border > 0.012f && border < 0.018f) colour = mix(colour, {0.55f, 0.48f, 0.3f}, painted);
    out.colour = colour;
    out.gloss = 0.06f;
    return out;
}

} // namespace

Surface surfaceAt(const Hit& hit) {
    const Solid& s = *hit.solid;
    switch (s.material) {
    case Material::Timber: return timber(hit);
    case Material::Brick: return brick(hit);
    case Material::Sack: return sack(hit);
    case Material::Rope: return rope(hit);
    case Material::Iron: return metal(hit, false);
    case Material::Brass: return metal(hit, true);
    case Material::GaugeFace: return gaugeFace(hit);
    case Material::Sign: return sign(hit);
    case Material::Plaster: {
        const float mottle = octaves(hit.local * 2.2f, 4, s.seed),
                    trowel = octaves({hit.local.x * 7, hit.local.y * 19, 0}, 3, s.seed + 2);
        return {Vec{0.56f, 0.51f, 0.43f} * (0.82f + 0.25f * mottle + 0.08f * trowel) * s.tint,
                hit.normal,
                0,
                8,
                {}};
    }
    case Material::Stone: {
        const float grit = octaves(hit.local * 130.0f, 3, s.seed),
                    patch = octaves(hit.local * 5.0f, 3, s.seed + 1);
        return {Vec{0.22f, 0.215f, 0.2f} * (0.4f + 0.7f * grit + 0.5f * patch) * s.tint,
                hit.normal,
                0.02f,
                10,
                {}};
    }
    case Material::Flame: {
        const float up = hit.local.y / s.half.y;
        return {{0, 0, 0}, hit.normal, 0, 1, s.tint * (1.0f - 0.45f * up * up)};
    }
    case Material::Lamp: return {{0, 0, 0}, hit.normal, 0, 1, s.tint};
    case Material::Window: return {{0.02f, 0.02f, 0.02f}, hit.normal, 0.1f, 80, s.tint};
    case Material::Water: return {{0.004f, 0.006f, 0.008f}, hit.normal, 0, 1, {}};
    }
    return {};
}

} // namespace irenic::views
