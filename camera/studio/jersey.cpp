// A knitted jersey over a rail, painted letters, the window at blue hour.
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
constexpr Vec kNavy{0.035f, 0.060f, 0.120f}, kCream{0.72f, 0.66f, 0.53f}, kOchre{0.55f, 0.30f, 0.07f},
    kRed{0.36f, 0.06f, 0.045f};

// The colour of a stitch: bands of small motifs on navy.
Vec stitchColour(int column, int row) {
    const int band = row % 46;
    const auto at = [&](const char* const* rows, int count, int from, int wide) {
        return band >= from && band < from + count && rows[band - from][column % wide] != ' ';
    };
    static const char* const diamond[] = {"  x     x ", " xxx   xxx", "xx xx xx x", "x   xxx   ",
                                          "xx xx xx x", " xxx   xxx", "  x     x "};
    static const char* const steps[] = {"x   ", "xx  ", " xx ", "  xx", "   x"};
    static const char* const dots[] = {"x  ", "   ", " x "};
    if (at(diamond, 7, 8, 10)) return kCream;
    if (at(steps, 5, 22, 4)) return kOchre;
    if (at(dots, 3, 33, 3)) return kCream;
    if (band == 18 || band == 5) return kRed;
    return kNavy;
}

// The cloth hangs over a rail and falls in folds. u across, v along the cloth from the back over the rail
// down.
Vec cloth(float u, float v) {
    constexpr Vec kRail{0.10f, 0.245f, 0.20f};
    constexpr float kRound = 0.022f, kWide = 0.40f;
    const float along = (v - 0.22f) * 0.62f; // metres from the top of the rail
    const float x = (u - 0.5f) * kWide;
    const float hang = std::clamp(std::abs(along) / 0.3f, 0.0f, 1.0f);
    const float fold =
        0.020f * hang * (std::sin(u * 17 + 1.2f * std::sin(v * 4)) + 0.5f * std::sin(u * 37 + 2 + v * 3)) +
        0.010f * hang * (octaves({u * 6, v * 7, 1}, 3, 3) - 0.45f);
    Vec p = kRail + Vec{x * (1 - 0.10f * hang) + 0.008f * std::sin(v * 9 + u * 4), 0, 0};
    if (std::abs(along) < kRound * kPi / 2) {
        const float a = along / kRound;
        return p + Vec{0, kRound * std::cos(a), -kRound * std::sin(a)};
    }
    const float down = std::abs(along) - kRound * kPi / 2;
    return p + Vec{0, -down, (along > 0 ? -kRound - fold - 0.02f * hang : kRound + fold * 0.3f)};
}

void knit(Stage& s, float density) {
    constexpr int kColumns = 92, kRows = 196, kParts = 22, kPlies = 3;
    Luck luck(51);
    Strands yarn, fluff;
    yarn.paint = s.paint([](const Spot& spot) {
        const float fine = noise(spot.at * 3200.0f, 4);
        return Surface{spot.own * (0.62f + 0.5f * spot.fate) * (0.75f + 0.5f * fine), spot.normal, 0.006f,
                       0.6f};
    });
    fluff.paint = s.paint([](const Spot& spot) {
        return Surface{spot.own * 1.15f + Vec{0.02f, 0.02f, 0.02f}, spot.normal, 0.02f, 0.5f};
    });
    // A loop of plain knitting: x = a sin 2t + b t, y = h cos t, z = d cos 2t.
    const float wide = 0.40f / kColumns, unit = wide / (2 * kPi), ply = unit * 0.56f;
    for (int row = 0; row < kRows; ++row)
        for (int column = 0; column < kColumns; ++column) {
            const Vec colour = stitchColour(column, row);
            const float loose = 1 + 0.05f * luck.bell(), off = 0.06f * luck.bell();
            std::array<std::vector<Strands::Point>, kPlies> plies;
            for (int i = 0; i <= kParts; ++i) {
                const float t = 2 * kPi * static_cast<float>(i) / kParts;
                const float x = 1.25f * std::sin(2 * t) + t, y = 3.0f * loose * std::cos(t) + off,
                            z = -0.85f * std::cos(2 * t);
                const float u = (static_cast<float>(column) + x / (2 * kPi)) / kColumns;
                const float v = (static_cast<float>(row) + 0.5f - y / 4.2f) / kRows;
                const Vec at = cloth(u, v), du = normalised(cloth(u + 0.003f, v) - cloth(u - 0.003f, v)),
                          dv = normalised(cloth(u, v + 0.002f) - cloth(u, v - 0.002f));
                const Vec out = normalised(cross(dv, du)) * -1.0f;
                for (int k = 0; k < kPlies; ++k) {
                    const float a = t * 2.2f + 2 * kPi * static_cast<float>(k) / kPlies +
                                    static_cast<float>(column) * 13.8f;
                    plies[static_cast<std::size_t>(k)].push_back(
                        {at + out * (z * unit) + (dv * std::cos(a) + out * std::sin(a)) * (ply * 1.08f),
                         ply});
                }
                for (int f = 0; f < static_cast<int>(2.2f * density + luck.share()); ++f)
                    fluff.add(hair(at + out * (z * unit + ply * 1.6f), normalised(out + luck.inBall()),
                                   luck.onSphere(), luck.between(0.0012f, 0.0042f), 0.8f, 0.000017f, 4),
                              colour, luck.share());
            }
            for (const auto& p : plies) yarn.add(p, colour, luck.share());
        }
    // What lies behind the loops: the cloth's own back, so that no light comes through.
    Mesh back = surface(120, 200, [](float u, float v) {
        const Vec du = cloth(u + 0.003f, v) - cloth(u - 0.003f, v),
                  dv = cloth(u, v + 0.002f) - cloth(u, v - 0.002f);
        return cloth(u, v) + normalised(cross(dv, du)) * 0.0011f;
    });
    put(s, std::move(back), s.paint([](const Spot& spot) {
        return Surface{kNavy * 0.7f, spot.normal, 0, 1};
    }));
    s.strands.push_back(std::move(yarn));
    s.strands.push_back(std::move(fluff));
}

// The window: a frame, panes, and the blue hour behind them.
void window(Stage& s) {
    const int frame = s.paint(enamel({0.62f, 0.60f, 0.54f}, 81));
    const Vec middle{-0.37f, 0.19f, 0.42f};
    constexpr float kWide = 0.20f, kTall = 0.27f;
    for (const float x : {-kWide, 0.0f, kWide})
        put(s, moved(box({x == 0 ? 0.010f : 0.020f, kTall + 0.02f, 0.018f}, 0.003f), middle + Vec{x, 0, 0}),
            frame);
    for (const float y : {-kTall, -kTall / 3, kTall / 3, kTall})
        put(s,
            moved(box({kWide + 0.02f, std::abs(y) < kTall ? 0.009f : 0.020f, 0.017f}, 0.003f),
                  middle + Vec{0, y, 0}),
            frame);
    put(s, moved(box({kWide + 0.07f, 0.014f, 0.075f}, 0.005f), middle + Vec{0, -kTall - 0.033f, -0.05f}),
        enamel({0.66f, 0.64f, 0.58f}, 82));
    // Outside: sky, the far shore, lamps, all far out of focus. Panes are drawn beside the frame's wood.
    put(s,
        surface(1, 1,
                [&](float u, float v) {
                    return Vec{-14 + 20 * u, -6 + 12 * v, 14};
                },
                {1, 1, 1}),
        s.paint([](const Spot& spot) {
            const float up = (spot.at.y + 0.4f) / 4;
            Vec c = mix({0.50f, 0.36f, 0.30f}, {0.16f, 0.27f, 0.52f}, std::clamp(up, 0.0f, 1.0f)) *
                    (0.7f + 0.5f * octaves({spot.at.x * 0.4f, spot.at.y * 1.6f, 0}, 4, 5));
            if (spot.at.y < 0.15f + 0.5f * noise({spot.at.x * 0.5f, 0, 0}, 9)) c = {0.03f, 0.04f, 0.055f};
            if (spot.at.y < -1.2f)
                c = mix({0.10f, 0.14f, 0.22f}, {0.05f, 0.07f, 0.11f},
                        noise({spot.at.x * 0.7f, spot.at.y * 6, 0}, 11));
            return Surface{{}, spot.normal, 0, 1, false, c * 0.9f};
        }));
    Luck luck(6);
    for (int i = 0; i < 16; ++i)
        put(s,
            moved(ball({0.035f, 0.035f, 0.035f}, 12),
                  {-10 + 0.75f * static_cast<float>(i) + luck.between(-0.3f, 0.3f), luck.between(-0.7f, 0.3f),
                   12}),
            glowing((i % 4 == 1 ? Vec{0.5f, 1.0f, 0.8f} : Vec{1.0f, 0.68f, 0.35f}) * luck.between(15, 40)));
    s.panes.push_back({middle + Vec{-kWide, -kTall, 0.16f},
                       {0, 2 * kTall, 0},
                       {2 * kWide, 0, 0},
                       Vec{0.40f, 0.60f, 1.0f} * 1.4f});
}

} // namespace

Stage knittedJersey(float density) {
    Stage s;
    knit(s, density);
    window(s);
    // The wall of boards around the window.
    boards(s, {-0.98f, -0.6f, 0}, {-0.615f, 0.9f, 0}, 0.45f, 1, 0.12f, 0.45f, {1.0f, 0.95f, 0.88f}, 101);
    boards(s, {-0.135f, -0.6f, 0}, {1.2f, 0.9f, 0}, 0.45f, 1, 0.12f, 0.45f, {1.0f, 0.95f, 0.88f}, 102);
    boards(s, {-0.62f, -0.6f, 0}, {-0.13f, -0.11f, 0}, 0.45f, 1, 0.12f, 0.45f, {1.0f, 0.95f, 0.88f}, 103);
    boards(s, {-0.62f, 0.49f, 0}, {-0.13f, 0.9f, 0}, 0.45f, 1, 0.12f, 0.45f, {1.0f, 0.95f, 0.88f}, 104);
    // The rail, its brackets, the painted board.
    put(s, bar({-0.16f, 0.245f, 0.20f}, {0.72f, 0.245f, 0.20f}, 0.019f, 48),
        wood(1, {1.05f, 0.9f, 0.72f}, 0.25f, 110));
    for (const float x : {-0.14f, 0.66f})
        put(s, moved(box({0.014f, 0.035f, 0.125f}, 0.004f), {x, 0.245f, 0.315f}), iron(0.15f, 111));
    put(s, moved(box({0.185f, 0.115f, 0.012f}, 0.003f), {0.520f, 0.06f, 0.405f}, {0, 0, -0.012f}),
        lettered({0.055f, 0.13f, 0.14f}, {0.80f, 0.73f, 0.56f}, {"TIDE MILL", "FLOUR AND", "MEAL"}, 0.037f,
                 120));
    for (const float x : {-0.17f, 0.17f})
        put(s, moved(ball({0.006f, 0.006f, 0.004f}, 24), {0.520f + x, 0.06f, 0.391f}), brass(0.6f, 121));
    // Below: a shelf with tins, a mug, a ball of wool with its needles.
    put(s, moved(box({0.75f, 0.016f, 0.11f}, 0.004f), {0.55f, -0.265f, 0.33f}),
        wood(0, {1.05f, 0.92f, 0.78f}, 0.4f, 130));
    const auto tin = [&](float x, float tall, float round, Vec colour, std::uint32_t seed) {
        put(s,
            moved(lathe({{0.001f, 0},
                         {round, 0},
                         {round * 1.02f, 0.003f},
                         {round * 1.02f, 0.006f},
                         {round, 0.008f},
                         {round, tall - 0.016f},
                         {round * 1.04f, tall - 0.015f},
                         {round * 1.04f, tall - 0.002f},
                         {round * 1.0f, tall},
                         {0.001f, tall}},
                        64),
                  {x, -0.249f, 0.32f}),
            enamel(colour, seed));
    };
    tin(0.405f, 0.125f, 0.045f, {0.42f, 0.09f, 0.06f}, 131);
    tin(0.515f, 0.095f, 0.038f, {0.56f, 0.42f, 0.14f}, 132);
    tin(0.620f, 0.140f, 0.050f, {0.10f, 0.22f, 0.20f}, 133);
    s.lamps.push_back({{0.85f, 0.62f, -0.60f}, Vec{1, 0.76f, 0.48f} * 120.0f, 0.09f});
    s.lamps.push_back({{-0.9f, 0.1f, -0.9f}, Vec{0.6f, 0.78f, 1.0f} * 10.0f, 0.25f});
    s.ambient = {0.075f, 0.085f, 0.105f};
    s.eye = {{0.08f, 0.09f, -0.78f}, {0.105f, 0.045f, 0.2f}, 53, 0.0020f, 0.94f};
    s.exposure = 1.6f;
    return s;
}

} // namespace irenic::scene
