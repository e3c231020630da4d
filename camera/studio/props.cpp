#include "props.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "texture_noise.h"

namespace irenic::scene {

void put(Stage& stage, Mesh mesh, int paint) {
    mesh.paint = paint;
    stage.meshes.push_back(std::move(mesh));
}
void put(Stage& stage, Mesh mesh, const Paint& paint) { put(stage, std::move(mesh), stage.paint(paint)); }

void lantern(Stage& stage, Vec at, Vec light, float size) {
    const int metal = stage.paint(brass(0.8f, 61)), wire = stage.paint(iron(0.15f, 62));
    const auto scaled = [&](std::vector<std::pair<float, float>> profile) {
        for (auto& [r, h] : profile) r *= size, h *= size;
        return profile;
    };
    put(stage,
        moved(lathe(scaled({{0.001f, -0.105f},
                            {0.070f, -0.105f},
                            {0.074f, -0.100f},
                            {0.074f, -0.085f},
                            {0.060f, -0.078f},
                            {0.058f, -0.055f},
                            {0.050f, -0.048f},
                            {0.022f, -0.046f},
                            {0.014f, -0.035f},
                            {0.001f, -0.034f}})),
              at),
        metal);
    put(stage,
        moved(lathe(scaled({{0.018f, 0.150f},
                            {0.022f, 0.146f},
                            {0.030f, 0.125f},
                            {0.058f, 0.105f},
                            {0.062f, 0.098f},
                            {0.058f, 0.094f},
                            {0.040f, 0.094f},
                            {0.014f, 0.120f}})),
              at),
        metal);
    for (int k = 0; k < 4; ++k) {
        const float a = 0.5f + static_cast<float>(k) * std::numbers::pi_v<float> / 2;
        const Vec side = Vec{std::cos(a), 0, std::sin(a)} * (0.056f * size);
        put(stage,
            bar(at + side + Vec{0, -0.08f * size, 0}, at + side + Vec{0, 0.1f * size, 0}, 0.0028f * size),
            wire);
    }
    std::vector<Vec> handle;
    for (int i = 0; i <= 40; ++i) {
        const float a = std::numbers::pi_v<float> * static_cast<float>(i) / 40;
        handle.push_back(at + Vec{0.055f * size * std::cos(a), size * (0.1f + 0.115f * std::sin(a)), 0});
    }
    Strands wires;
    wires.paint = wire;
    std::vector<Strands::Point> points;
    for (const Vec p : handle) points.push_back({p, 0.0022f * size});
    wires.add(points, at, 0.5f);
    stage.strands.push_back(std::move(wires));
    put(stage,
        moved(lathe(scaled({{0.0005f, -0.030f},
                            {0.007f, -0.026f},
                            {0.0105f, -0.014f},
                            {0.009f, 0.004f},
                            {0.005f, 0.022f},
                            {0.0012f, 0.040f},
                            {0.0003f, 0.046f}})),
              at),
        stage.paint([light, at, size](const Spot& spot) {
            const float up = std::clamp((spot.at.y - at.y) / (0.045f * size), -0.7f, 1.0f);
            return Surface{{}, spot.normal, 0, 1, false, light * (up < -0.35f ? 0.35f : 1 - 0.4f * up)};
        }));
    stage.lamps.insert(stage.lamps.begin(), {at, light, 0.014f * size});
}

void boards(Stage& stage, Vec low, Vec high, float z, int axis, float wide, float worn, Vec tint,
            std::uint32_t seed) {
    Luck luck(seed);
    const float from = axis == 0 ? low.y : low.x, to = axis == 0 ? high.y : high.x;
    for (float at = from; at < to; at += wide) {
        const float half = (wide - luck.between(0.0015f, 0.004f)) / 2;
        const Vec middle = axis == 0 ? Vec{(low.x + high.x) / 2, at + wide / 2, z}
                                     : Vec{at + wide / 2, (low.y + high.y) / 2, z};
        const Vec size =
            axis == 0 ? Vec{(high.x - low.x) / 2, half, 0.014f} : Vec{half, (high.y - low.y) / 2, 0.014f};
        const Vec lean{luck.between(-0.004f, 0.004f), luck.between(-0.004f, 0.004f),
                       luck.between(-0.0015f, 0.0015f)};
        Mesh board = moved(box(size, 0.0025f), middle + Vec{0, 0, luck.between(-0.002f, 0.002f)}, lean);
        for (Vec& p : board.own) p = p + Vec{luck.share() * 0, 0, 0}; // each board has its own seed instead
        put(stage, std::move(board),
            wood(axis, tint * luck.between(0.75f, 1.15f),
                 std::clamp(worn + luck.between(-0.15f, 0.15f), 0.0f, 1.0f),
                 seed * 31 + static_cast<std::uint32_t>(luck.share() * 10000)));
    }
}

float sackDistance(Vec p, Vec half, std::uint32_t seed) {
    // A pillow: thick in the middle, thin at its left and right ends, where the cloth is gathered.
    const float end = std::clamp(std::abs(p.x) / half.x, 0.0f, 1.0f),
                thick = std::sqrt(1 - 0.75f * end * end * end);
    const Vec q{p.x, p.y / thick, p.z / thick};
    const float body = ellipsoidDistance(q, {}, half * 1.0f);
    const float square = boxDistance(q, half * 0.80f) - 0.2f * std::min(half.y, half.z);
    const float angle = std::atan2(p.y, p.z);
    const float gather = 0.004f * end * end * std::sin(angle * 13 + 3 * noise(p * 9.0f, seed));
    const float folds = 0.012f * (octaves(Vec{p.x * 5, p.y * 12, p.z * 12}, 3, seed + 1) - 0.45f);
    return std::max(body, square) * 0.7f + gather + folds;
}

std::vector<Place> scattered(const Mesh& mesh, std::size_t count, Luck& luck) {
    std::vector<float> sums;
    float total = 0;
    for (std::size_t i = 0; i + 2 < mesh.corners.size(); i += 3) {
        const Vec a = mesh.at[mesh.corners[i]];
        total += length(cross(mesh.at[mesh.corners[i + 1]] - a, mesh.at[mesh.corners[i + 2]] - a));
        sums.push_back(total);
    }
    std::vector<Place> out;
    for (std::size_t k = 0; k < count; ++k) {
        const auto t = static_cast<std::size_t>(
            std::lower_bound(sums.begin(), sums.end(), luck.share() * total) - sums.begin());
        const std::size_t i = 3 * std::min(t, sums.size() - 1);
        float u = luck.share(), v = luck.share();
        if (u + v > 1) u = 1 - u, v = 1 - v;
        const auto at = [&](const std::vector<Vec>& of) {
            return of[mesh.corners[i]] * (1 - u - v) + of[mesh.corners[i + 1]] * u +
                   of[mesh.corners[i + 2]] * v;
        };
        out.push_back({at(mesh.at), normalised(at(mesh.normal))});
    }
    return out;
}

} // namespace irenic::scene
