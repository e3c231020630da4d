#include "geometry.h"

#include <algorithm>
#include <numbers>

namespace irenic::views {

namespace {

constexpr float kNear = 1e-4f;

bool boxSpan(Vec from, Vec to, Vec half, float& enter, float& leave, int& side) {
    enter = -1e30f, leave = 1e30f;
    side = 0;
    const float o[3] = {from.x, from.y, from.z}, d[3] = {to.x, to.y, to.z}, h[3] = {half.x, half.y, half.z};
    for (int i = 0; i < 3; ++i) {
        const float inv = 1.0f / (std::abs(d[i]) > 1e-9f ? d[i] : 1e-9f);
        float a = (-h[i] - o[i]) * inv, b = (h[i] - o[i]) * inv;
        if (a > b) std::swap(a, b);
        if (a > enter) enter = a, side = i;
        leave = std::min(leave, b);
    }
    return enter < leave && leave > kNear;
}

bool insideGear(Vec p, const Solid& s) {
    const float r = std::hypot(p.x, p.y) / s.half.x, angle = std::atan2(p.y, p.x);
    const float phase = angle * s.teeth / (2 * std::numbers::pi_v<float>);
    const float tooth = std::abs(phase - std::floor(phase) - 0.5f) * 2; // 0 at a tooth's middle
    const float flank = std::clamp((0.62f - tooth) * 6, 0.0f, 1.0f);
    const float outer = 0.88f + 0.12f * flank;
    if (r > outer) return false;
    if (r > 0.72f || r < 0.22f) return r > 0.07f;
    // Six arms between hub and rim.
    const float arm = std::remainder(angle, std::numbers::pi_v<float> / 3);
    return std::abs(std::sin(arm)) * r < 0.075f;
}

bool meet(const Solid& s, Vec from, Vec to, float far, Hit& hit) {
    const Vec o = s.toLocal(from - s.centre), d = s.toLocal(to);
    Vec normal;
    float t = -1;
    if (s.shape == Shape::Box) {
        float enter, leave;
        int side;
        if (!boxSpan(o, d, s.half, enter, leave, side) || enter < kNear) return false;
        t = enter;
        normal = {side == 0 ? (d.x > 0 ? -1.0f : 1.0f) : 0, side == 1 ? (d.y > 0 ? -1.0f : 1.0f) : 0,
                  side == 2 ? (d.z > 0 ? -1.0f : 1.0f) : 0};
    } else if (s.shape == Shape::Ellipsoid) {
        const Vec inv{1 / s.half.x, 1 / s.half.y, 1 / s.half.z};
        const Vec oo = o * inv, dd = d * inv;
        const float a = dot(dd, dd), b = dot(oo, dd), c = dot(oo, oo) - 1, root = b * b - a * c;
        if (root <= 0) return false;
        t = (-b - std::sqrt(root)) / a;
        if (t < kNear) return false;
        normal = normalised((oo + dd * t) * inv);
    } else if (s.shape == Shape::Cylinder) {
        const float rx = 1 / s.half.x, ry = 1 / s.half.y;
        const float dx = d.x * rx, dy = d.y * ry, ox = o.x * rx, oy = o.y * ry;
        const float a = dx * dx + dy * dy, b = ox * dx + oy * dy, c = ox * ox + oy * oy - 1,
                    root = b * b - a * c;
        if (root > 0 && a > 1e-12f) {
            const float side = (-b - std::sqrt(root)) / a;
            if (side > kNear && std::abs(o.z + d.z * side) <= s.half.z) {
                t = side;
                normal = normalised({(ox + dx * t) * rx, (oy + dy * t) * ry, 0});
            }
        }
        if (std::abs(d.z) > 1e-9f) {
            const float cap = ((d.z > 0 ? -s.half.z : s.half.z) - o.z) / d.z;
            const float x = ox + dx * cap, y = oy + dy * cap;
            if (cap > kNear && x * x + y * y <= 1 && (t < 0 || cap < t)) {
                t = cap;
                normal = {0, 0, d.z > 0 ? -1.0f : 1.0f};
            }
        }
        if (t < 0) return false;
    } else {
        float enter, leave;
        int side;
        if (!boxSpan(o, d, s.half, enter, leave, side)) return false;
        enter = std::max(enter, kNear);
        const float stride = 0.006f * s.half.x;
        float at = enter;
        while (at < leave && !insideGear(o + d * at, s)) at += stride;
        if (at >= leave) return false;
        if (at > enter) { // home in on the flank
            float out = at - stride, in = at;
            for (int i = 0; i < 8; ++i) {
                const float mid = 0.5f * (in + out);
                (insideGear(o + d * mid, s) ? in : out) = mid;
            }
            t = in;
            const Vec p = o + d * t;
            const float e = 0.01f * s.half.x;
            Vec g{0, 0, 0};
            for (int k = 0; k < 12; ++k) {
                const float angle = static_cast<float>(k) * std::numbers::pi_v<float> / 6;
                const Vec off{std::cos(angle) * e, std::sin(angle) * e, 0};
                if (!insideGear(p + off, s)) g = g + off;
            }
            normal = length(g) > 1e-9f ? normalised(g) : normalised(Vec{p.x, p.y, 0});
        } else {
            t = enter;
            normal = {0, 0, d.z > 0 ? -1.0f : 1.0f};
        }
    }
    if (t >= far) return false;
    hit.t = t;
    hit.solid = &s;
    hit.local = o + d * t;
    hit.normal = s.toWorld(normal);
    return true;
}

bool near(const Solid& s, Vec from, Vec to, float far) {
    const Vec c = s.centre - from;
    const float along = dot(c, to);
    if (along < -s.radius || along - s.radius > far) return false;
    return dot(c, c) - along * along < s.radius * s.radius;
}

} // namespace

void Solid::place() {
    const float cx = std::cos(angles.x), sx = std::sin(angles.x), cy = std::cos(angles.y),
                sy = std::sin(angles.y), cz = std::cos(angles.z), sz = std::sin(angles.z);
    const auto turn = [&](Vec v) {
        v = {v.x, cx * v.y - sx * v.z, sx * v.y + cx * v.z};
        v = {cy * v.x + sy * v.z, v.y, -sy * v.x + cy * v.z};
        return Vec{cz * v.x - sz * v.y, sz * v.x + cz * v.y, v.z};
    };
    axis[0] = turn({1, 0, 0}), axis[1] = turn({0, 1, 0}), axis[2] = turn({0, 0, 1});
    radius = length(half);
}

Solid& World::add(Shape shape, Material material, Vec centre, Vec half, Vec angles) {
    Solid s;
    s.shape = shape, s.material = material, s.centre = centre, s.half = half, s.angles = angles;
    s.seed = static_cast<std::uint32_t>(solids.size() * 7919 + 17);
    s.place();
    solids.push_back(s);
    return solids.back();
}

Hit trace(const World& world, Vec from, Vec to, float far) {
    Hit best;
    best.t = far;
    for (const Solid& s : world.solids)
        if (near(s, from, to, best.t)) meet(s, from, to, best.t, best);
    return best;
}

bool blocked(const World& world, Vec from, Vec to, float far) {
    Hit hit;
    for (const Solid& s : world.solids)
        if (s.material != Material::Flame && s.material != Material::Lamp && s.material != Material::Window &&
            near(s, from, to, far) && meet(s, from, to, far, hit))
            return true;
    return false;
}

} // namespace irenic::views
