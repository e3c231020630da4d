#include "paints.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "lettering.h"
#include "texture_noise.h"

namespace irenic::scene {

namespace {

constexpr float kPi = std::numbers::pi_v<float>;

int lattice(float v) { return static_cast<int>(std::floor(v)); }

Vec turnedTo(Vec p, int axis) { return axis == 0 ? p : axis == 1 ? Vec{p.y, p.x, p.z} : Vec{p.z, p.x, p.y}; }

// Distance to lines of letters, centred, in letter units (six high).
float lettersDistance(const std::vector<std::string>& lines, float x, float y, float size) {
    const float unit = size / 6, all = static_cast<float>(lines.size()) * 9 - 3;
    float nearest = 1e9f;
    for (std::size_t i = 0; i < lines.size(); ++i) {
        const float wide = static_cast<float>(lines[i].size()) * 6 - 2;
        const float base = all / 2 - 6 - static_cast<float>(i) * 9;
        nearest = std::min(nearest, strokeDistance(lines[i], x / unit + wide / 2, y / unit - base));
    }
    return nearest;
}

} // namespace

Vec bumped(const Spot& spot, const std::function<float(Vec)>& height, float step) {
    const float here = height(spot.own);
    const Vec slope{height(spot.own + Vec{step, 0, 0}) - here, height(spot.own + Vec{0, step, 0}) - here,
                    height(spot.own + Vec{0, 0, step}) - here};
    const Vec flat = slope - spot.normal * dot(slope, spot.normal);
    return normalised(spot.normal - flat * (1 / step));
}

Paint wood(int axis, Vec tint, float worn, std::uint32_t seed) {
    return [=](const Spot& spot) {
        const Vec p = turnedTo(spot.own, axis);
        const float wander = 0.02f * noise({p.x * 1.7f, p.y * 2, p.z * 2}, seed) +
                             0.004f * noise({p.x * 9, p.y * 8, p.z * 8}, seed + 7);
        // Sawn beside the heart: rings are wide arcs, and knots bend them.
        const float ring = std::hypot(p.y + wander + 0.16f, p.z * 0.9f + 0.11f + wander) * 70 +
                           1.2f * noise(p * 5.0f, seed + 5);
        const float saw = ring - std::floor(ring);
        const float late = smooth(0.35f, 0.95f, saw) * smooth(1.0f, 0.97f, saw);
        const auto fibres = [&](Vec q) { return noise({q.x * 14, q.y * 700, q.z * 700}, seed + 1); };
        const float fibre = fibres(p), stain = octaves(p * 4.0f, 4, seed + 9);
        const float pore = smooth(0.74f, 0.84f, noise({p.x * 45, p.y * 1300, p.z * 1300}, seed + 2));
        const float check = noise({p.x * 1.3f, p.y * 55, p.z * 55}, seed + 3);
        const float crack = worn * smooth(0.46f, 0.49f, check) * smooth(0.53f, 0.5f, check) *
                            smooth(0.35f, 0.6f, noise(p * 6.0f, seed + 4));
        Vec colour = mix({0.40f, 0.25f, 0.13f}, {0.22f, 0.115f, 0.05f}, late * 0.8f + 0.25f * (stain - 0.4f));
        colour = mix(colour, Vec{0.26f, 0.24f, 0.21f}, worn * (0.25f + 0.5f * stain));
        colour = colour * (0.78f + 0.44f * fibre) * (1 - 0.5f * pore) * (0.7f + 0.6f * stain) *
                 (1 - 0.85f * crack);
        const auto height = [&](Vec own) {
            const Vec q = turnedTo(own, axis);
            return 0.00012f * fibres(q) + 0.0004f * worn * noise({q.x * 8, q.y * 160, q.z * 160}, seed + 12);
        };
        return Surface{colour * tint, bumped(spot, height, 0.0004f), 0.035f * (1 - 0.6f * worn),
                       0.45f + 0.3f * worn + 0.15f * fibre};
    };
}

Paint brick(std::uint32_t seed) {
    return [=](const Spot& spot) {
        const auto cell = [&](Vec p, int& column, int& row) {
            const float wobble = 0.005f * noise({p.x * 9, p.y * 9, 1}, seed);
            const float v = p.y + wobble;
            row = lattice(v / 0.078f);
            const float u = p.x + wobble + (row & 1 ? 0.113f : 0);
            column = lattice(u / 0.226f);
            const float x = u - static_cast<float>(column) * 0.226f, y = v - static_cast<float>(row) * 0.078f;
            return std::min(std::min(x, 0.226f - x), std::min(y, 0.078f - y)) -
                   0.005f * octaves({p.x * 70, p.y * 70, 3}, 3, seed + 8);
        };
        int column, row, other, another;
        const float inset = cell(spot.own, column, row), is_brick = smooth(0.002f, 0.005f, inset);
        const float fate = hashed(column, row, 0, seed);
        const Vec p = spot.own;
        const float grit = octaves(p * 300.0f, 3, seed + 1), patch = octaves(p * 12.0f, 4, seed + 2);
        Vec clay = mix({0.20f, 0.075f, 0.05f}, {0.40f, 0.19f, 0.12f}, 0.7f * fate + 0.6f * patch - 0.2f) *
                   (0.6f + 0.8f * grit);
        if (fate > 0.88f) clay = clay * 0.45f;
        const Vec lime = Vec{0.42f, 0.39f, 0.34f} * (0.6f + 0.7f * octaves(p * 260.0f, 3, seed + 3));
        const float soot = smooth(0.3f, 0.75f, octaves(p * 3.0f, 4, seed + 5));
        const auto height = [&](Vec q) {
            return 0.006f * smooth(0.0f, 0.007f, cell(q, other, another)) +
                   0.0016f * octaves(q * 300.0f, 2, seed + 1);
        };
        return Surface{mix(lime, clay, is_brick) * (1 - 0.45f * soot), bumped(spot, height, 0.0008f), 0.01f,
                       0.8f};
    };
}

Paint plaster(Vec tint, std::uint32_t seed) {
    return [=](const Spot& spot) {
        const Vec p = spot.own;
        const float mottle = octaves(p * 6.0f, 5, seed), grain = octaves(p * 420.0f, 2, seed + 1);
        const float split =
            noise(p * 3.1f + Vec{0.3f, 0.3f, 0.3f} * octaves(p * 14.0f, 3, seed + 4), seed + 3);
        const float crack = smooth(0.488f, 0.498f, split) * smooth(0.512f, 0.502f, split);
        const auto height = [&](Vec q) {
            return 0.004f * octaves(q * 22.0f, 3, seed + 2) + 0.0006f * octaves(q * 420.0f, 2, seed + 1);
        };
        return Surface{tint * (0.72f + 0.4f * mottle + 0.12f * grain) * (1 - 0.7f * crack),
                       bumped(spot, height, 0.001f), 0.0f, 0.9f};
    };
}

Paint stone(Vec tint, std::uint32_t seed) {
    return [=](const Spot& spot) {
        const Vec p = spot.own;
        const float grit = octaves(p * 240.0f, 4, seed), patch = octaves(p * 7.0f, 4, seed + 1);
        const float lichen = smooth(0.55f, 0.62f, octaves(p * 18.0f, 4, seed + 2));
        const auto height = [&](Vec q) {
            return 0.006f * octaves(q * 28.0f, 4, seed + 3) + 0.0015f * octaves(q * 240.0f, 2, seed);
        };
        const Vec colour =
            mix(tint * (0.35f + 0.7f * grit + 0.5f * patch), {0.30f, 0.30f, 0.18f}, 0.4f * lichen);
        return Surface{colour, bumped(spot, height, 0.001f), 0.02f, 0.7f};
    };
}

Paint iron(float rust, std::uint32_t seed) {
    return [=](const Spot& spot) {
        const Vec p = spot.own;
        const float where = octaves(p * 30.0f, 5, seed), fine = octaves(p * 500.0f, 2, seed + 1);
        const float rusty = smooth(0.72f - rust, 0.80f - rust, where + 0.15f * fine);
        const auto height = [&](Vec q) {
            return 0.0012f * octaves(q * 60.0f, 3, seed + 2) +
                   0.0004f * rusty * octaves(q * 500.0f, 2, seed + 1);
        };
        const Vec normal = bumped(spot, height, 0.0006f);
        if (rusty > 0.5f)
            return Surface{mix({0.16f, 0.06f, 0.025f}, {0.34f, 0.15f, 0.06f}, fine * 1.4f - 0.2f), normal,
                           0.02f, 0.75f};
        return Surface{Vec{0.19f, 0.185f, 0.18f} * (0.7f + 0.6f * fine), normal, 0, 0.38f + 0.2f * where,
                       true};
    };
}

Paint brass(float worn, std::uint32_t seed) {
    return [=](const Spot& spot) {
        const Vec p = spot.own;
        const float where = octaves(p * 26.0f, 5, seed), fine = octaves(p * 380.0f, 2, seed + 1);
        const float dull = worn * smooth(0.35f, 0.6f, where);
        // Polished by hand: scratches in all directions, finer than can be seen, and some that can.
        const float scratch =
            smooth(0.80f, 0.9f, noise({p.x * 900 + p.z * 300, p.y * 60, p.z * 900}, seed + 3));
        const Vec colour =
            mix({0.80f, 0.58f, 0.27f}, {0.30f, 0.20f, 0.09f}, dull) * (0.9f + 0.2f * fine - 0.2f * scratch);
        const auto height = [&](Vec q) { return 0.0005f * octaves(q * 40.0f, 3, seed + 2); };
        return Surface{colour, bumped(spot, height, 0.0008f), 0, 0.22f + 0.3f * dull + 0.1f * fine, true};
    };
}

Paint enamel(Vec colour, std::uint32_t seed) {
    return [=](const Spot& spot) {
        const Vec p = spot.own;
        const float where = octaves(p * 24.0f, 5, seed), fine = octaves(p * 300.0f, 2, seed + 1);
        const float chip = smooth(0.695f, 0.71f, where + 0.07f * fine);
        const Vec under = mix({0.16f, 0.07f, 0.03f}, {0.3f, 0.14f, 0.06f}, fine);
        const auto height = [&](Vec q) { return 0.0008f * octaves(q * 35.0f, 3, seed + 4); };
        return Surface{mix(colour * (0.85f + 0.3f * where), under, chip), bumped(spot, height, 0.0008f),
                       chip > 0.5f ? 0.01f : 0.045f, 0.25f + 0.2f * fine};
    };
}

Paint sacking(Vec tint, const std::string& mark, std::uint32_t seed) {
    // Plain weave, threads 1.7 mm apart: warp across x, weft from the front over the top.
    return [=](const Spot& spot) {
        const Vec p = spot.own;
        const float skew = 0.004f * noise(p * 14.0f, seed);
        const auto weave = [&](Vec q, float& thread, int& over_x, int& over_y) {
            const float around = q.x + skew, up = q.y + q.z - skew;
            const float a = around / 0.0017f, b = up / 0.0017f;
            const float warp = std::abs(std::sin(kPi * a)), weft = std::abs(std::sin(kPi * b));
            over_x = lattice(a), over_y = lattice(b);
            const bool over = (over_x + over_y) & 1;
            thread = over ? warp * (0.5f + 0.5f * weft) : weft * (0.5f + 0.5f * warp);
            return over;
        };
        float thread;
        int tx, ty;
        const bool over = weave(p, thread, tx, ty);
        const float fate = hashed(over ? tx : 7000, over ? 9000 : ty, 1, seed);
        const float slub = noise({p.x * 60, p.y * 300, p.z * 60}, seed + 3),
                    stain = octaves(p * 9.0f, 4, seed + 4);
        Vec colour = mix({0.20f, 0.15f, 0.095f}, {0.62f, 0.52f, 0.38f},
                         0.30f + 0.5f * thread + 0.25f * (fate - 0.5f) + 0.2f * (slub - 0.5f));
        colour = colour * (0.72f + 0.6f * stain) * tint;
        if (!mark.empty() && spot.own.z < 0) {
            const float d = lettersDistance({mark}, p.x, p.y, 0.09f);
            const float ink = smooth(0.8f, 0.5f, d + 0.5f * (octaves(p * 60.0f, 3, seed + 8) - 0.4f));
            colour = mix(colour, {0.05f, 0.06f, 0.09f}, ink * (0.35f + 0.5f * thread));
        }
        const auto height = [&](Vec q) {
            float t;
            int i, j;
            weave(q, t, i, j);
            return 0.00035f * t;
        };
        return Surface{colour, bumped(spot, height, 0.0002f), 0.0f, 0.9f};
    };
}

Paint strandPaint(Vec root, Vec tip, float mirror, float rough, float varied) {
    return [=](const Spot& spot) {
        const float own = 1 + varied * (spot.fate - 0.5f) * 2;
        return Surface{mix(root, tip, spot.u) * own, spot.normal, mirror, rough};
    };
}

Paint glowing(Vec light) {
    return [=](const Spot& spot) { return Surface{{}, spot.normal, 0, 1, false, light}; };
}

Paint lettered(Vec ground, Vec ink, std::vector<std::string> lines, float size, std::uint32_t seed) {
    const Paint under = wood(0, {0.9f, 0.85f, 0.8f}, 0.9f, seed + 50);
    return [=](const Spot& spot) {
        const Vec p = spot.own;
        Surface s = under(spot);
        const float flake = octaves({p.x * 16, p.y * 60, p.z * 60}, 5, seed),
                    fine = octaves(p * 420.0f, 2, seed + 1);
        const float brush = noise({p.x * 40, p.y * 900, 0}, seed + 2);
        const float d = lettersDistance(lines, p.x, p.y, size) + 0.12f * (noise(p * 260.0f, seed + 3) - 0.5f);
        const float letter = smooth(0.72f, 0.62f, d) * smooth(0.66f, 0.6f, octaves(p * 40.0f, 4, seed + 4));
        const float shade =
            smooth(0.72f, 0.62f, lettersDistance(lines, p.x - 0.05f * size, p.y + 0.05f * size, size));
        const float gone = smooth(0.60f, 0.62f, flake + 0.05f * fine);
        Vec paint = ground * (0.82f + 0.2f * brush + 0.25f * (flake - 0.4f));
        paint = mix(paint, ground * 0.25f, 0.7f * shade * (1 - letter));
        paint = mix(paint, ink * (0.85f + 0.25f * brush), letter);
        if (gone < 0.5f) {
            s.colour = paint * (0.92f + 0.16f * fine);
            s.mirror = 0.035f, s.rough = 0.45f;
            const auto height = [&](Vec q) {
                return 0.00006f * noise({q.x * 40, q.y * 900, 0}, seed + 2) +
                       0.0006f * octaves(q * 30.0f, 2, seed + 6);
            };
            s.normal = bumped(spot, height, 0.0003f);
        }
        return s;
    };
}

Paint gauge(float radius, float pointer, const std::string& text, std::uint32_t seed) {
    return [=](const Spot& spot) {
        const float x = spot.own.x / radius, y = spot.own.y / radius, r = std::hypot(x, y);
        const float angle = std::atan2(x, y), turn = angle / (0.75f * kPi); // -1..1 over the scale
        const float stain = octaves(spot.own * 60.0f, 4, seed);
        Vec colour = Vec{0.78f, 0.75f, 0.66f} * (0.75f + 0.4f * stain);
        float ink = 0;
        if (std::abs(turn) <= 1.01f) {
            const float minor = std::abs(std::remainder(turn, 0.04f)),
                        major = std::abs(std::remainder(turn, 0.2f));
            ink = std::max(ink, smooth(0.0045f, 0.003f, minor) * smooth(0.80f, 0.81f, r) *
                                    smooth(0.91f, 0.90f, r));
            ink = std::max(ink,
                           smooth(0.008f, 0.006f, major) * smooth(0.74f, 0.75f, r) * smooth(0.91f, 0.90f, r));
            for (int i = 0; i <= 10; ++i) {
                const float a = (static_cast<float>(i) / 5 - 1) * 0.75f * kPi;
                const std::string number = std::to_string(i * 2);
                const float u = (x - 0.6f * std::sin(a)) * 42 + static_cast<float>(number.size()) * 3 - 1,
                            v = (y - 0.6f * std::cos(a)) * 42 + 3;
                if (std::abs(u) < 16 && std::abs(v) < 10)
                    ink = std::max(ink, smooth(0.75f, 0.5f, strokeDistance(number, u, v)));
            }
        }
        ink = std::max(ink, smooth(0.75f, 0.5f, lettersDistance({text}, x, y + 0.32f, 0.12f)));
        const float c = std::cos(pointer), s = std::sin(pointer), px = x * c - y * s, py = x * s + y * c;
        const float hand = py > -0.2f && py < 0.82f
                               ? smooth(0.03f * (1.05f - py), 0.02f * (1.05f - py), std::abs(px))
                               : 0.0f;
        ink = std::max({ink, hand, smooth(0.09f, 0.08f, r)});
        ink = std::max(ink, smooth(0.955f, 0.965f, r) * smooth(0.985f, 0.975f, r));
        return Surface{mix(colour, {0.03f, 0.03f, 0.035f}, ink * 0.95f), spot.normal, 0.04f, 0.2f};
    };
}

Paint floured(Paint under, float much, std::uint32_t seed) {
    return [=](const Spot& spot) {
        Surface s = under(spot);
        const float lies = std::max(0.0f, spot.normal.y);
        const float dust = octaves(spot.at * 9.0f, 4, seed) + 0.5f * octaves(spot.at * 700.0f, 2, seed + 1);
        const float covered =
            std::clamp(much * (lies * 0.9f + 0.06f) * smooth(0.35f, 0.95f, dust) * 1.6f, 0.0f, 0.95f);
        s.colour = mix(s.metal ? s.colour * 0.5f : s.colour, Vec{0.78f, 0.74f, 0.67f}, covered);
        if (covered > 0.35f) s.metal = false, s.mirror = 0, s.rough = 0.9f;
        return s;
    };
}

Paint wetted(Paint under, float much, std::uint32_t seed) {
    return [=](const Spot& spot) {
        Surface s = under(spot);
        const float film =
            smooth(0.55f - 0.3f * much, 0.75f - 0.3f * much, octaves(spot.own * 14.0f, 4, seed));
        // Drops: round, of several sizes, on a wandering lattice.
        Vec lean{};
        float drop = 0;
        for (int size = 0; size < 3; ++size) {
            const float pitch = 0.011f / static_cast<float>(1 << size);
            const float u = spot.at.x / pitch, v = (spot.at.z + 0.3f * spot.at.y) / pitch;
            for (int j = -1; j <= 1; ++j)
                for (int i = -1; i <= 1; ++i) {
                    const int cu = lattice(u) + i, cv = lattice(v) + j;
                    if (hashed(cu, cv, size, seed) > 0.34f * much) continue;
                    const float du = u - (static_cast<float>(cu) + hashed(cu, cv, 10 + size, seed)),
                                dv = v - (static_cast<float>(cv) + hashed(cu, cv, 20 + size, seed));
                    const float r = 0.16f + 0.24f * hashed(cu, cv, 30 + size, seed),
                                q = std::hypot(du, dv) / r;
                    if (q < 1) drop = 1, lean = Vec{du, 0, dv} * (0.8f / r);
                }
        }
        const float wet = std::max(film, drop);
        s.colour = s.colour * (1 - 0.45f * wet);
        if (wet > 0.3f && !s.metal) {
            s.mirror = 0.03f, s.rough = drop > 0 ? 0.12f : 0.25f;
            s.normal = drop > 0 ? normalised(spot.normal + lean)
                                : normalised(mix(s.normal, spot.normal, 0.7f * film));
        }
        return s;
    };
}

} // namespace irenic::scene
