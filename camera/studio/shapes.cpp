#include "shapes.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numbers>

#include "base/work.h"

namespace irenic::scene {

namespace {

constexpr float kPi = std::numbers::pi_v<float>;

// Normals of the corners from the triangles around them.
void findNormals(Mesh& m) {
    m.normal.assign(m.at.size(), {});
    for (std::size_t i = 0; i + 2 < m.corners.size(); i += 3) {
        const std::uint32_t a = m.corners[i], b = m.corners[i + 1], c = m.corners[i + 2];
        const Vec n = cross(m.at[b] - m.at[a], m.at[c] - m.at[a]);
        for (const std::uint32_t k : {a, b, c}) m.normal[k] = m.normal[k] + n;
    }
    for (Vec& n : m.normal) n = length(n) > 0 ? normalised(n) : Vec{0, 1, 0};
}

} // namespace

void Strands::add(const std::vector<Point>& strand, Vec place, float own_fate) {
    first.push_back(static_cast<std::uint32_t>(points.size()));
    points.insert(points.end(), strand.begin(), strand.end());
    own.push_back(place);
    fate.push_back(own_fate);
}

Vec Luck::onSphere() {
    const float z = between(-1, 1), t = 2 * kPi * share(), r = std::sqrt(1 - z * z);
    return {r * std::cos(t), r * std::sin(t), z};
}
Vec Luck::inBall() { return onSphere() * std::cbrt(share()); }

Vec turned(Vec v, Vec a) {
    v = {v.x, std::cos(a.x) * v.y - std::sin(a.x) * v.z, std::sin(a.x) * v.y + std::cos(a.x) * v.z};
    v = {std::cos(a.y) * v.x + std::sin(a.y) * v.z, v.y, -std::sin(a.y) * v.x + std::cos(a.y) * v.z};
    return {std::cos(a.z) * v.x - std::sin(a.z) * v.y, std::sin(a.z) * v.x + std::cos(a.z) * v.y, v.z};
}

Mesh moved(Mesh mesh, Vec at, Vec angles) {
    for (Vec& p : mesh.at) p = turned(p, angles) + at;
    for (Vec& n : mesh.normal) n = turned(n, angles);
    return mesh;
}

void join(Mesh& mesh, const Mesh& other) {
    const auto base = static_cast<std::uint32_t>(mesh.at.size());
    mesh.at.insert(mesh.at.end(), other.at.begin(), other.at.end());
    mesh.normal.insert(mesh.normal.end(), other.normal.begin(), other.normal.end());
    mesh.own.insert(mesh.own.end(), other.own.begin(), other.own.end());
    for (const std::uint32_t c : other.corners) mesh.corners.push_back(base + c);
}

Mesh box(Vec half, float bevel) {
    Mesh m;
    constexpr int kSteps = 4;
    const auto places = [&](float h) {
        std::vector<float> all;
        for (int i = 0; i <= kSteps; ++i)
            all.push_back(-h + bevel * (1 - std::cos(static_cast<float>(i) * kPi / 2 / kSteps)));
        for (int i = kSteps; i >= 0; --i) all.push_back(-all[static_cast<std::size_t>(i)]);
        return all;
    };
    const std::array<float, 3> h = {half.x, half.y, half.z};
    for (std::size_t axis = 0; axis < 3; ++axis)
        for (const float side : {-1.0f, 1.0f}) {
            const std::size_t ia = (axis + 1) % 3, ib = (axis + 2) % 3;
            const auto as = places(h[ia]), bs = places(h[ib]);
            const auto base = static_cast<std::uint32_t>(m.at.size());
            const auto n = static_cast<std::uint32_t>(as.size());
            for (const float b : bs)
                for (const float a : as) {
                    std::array<float, 3> p{};
                    p[axis] = side * h[axis], p[ia] = a, p[ib] = b;
                    const Vec full{p[0], p[1], p[2]};
                    const auto inner = [&](float v, float limit) {
                        return std::clamp(v, bevel - limit, limit - bevel);
                    };
                    const Vec core{inner(full.x, half.x), inner(full.y, half.y), inner(full.z, half.z)};
                    const Vec normal = normalised(full - core);
                    m.at.push_back(core + normal * bevel);
                    m.normal.push_back(normal);
                }
            for (std::uint32_t j = 0; j + 1 < n; ++j)
                for (std::uint32_t i = 0; i + 1 < n; ++i) {
                    const std::uint32_t k = base + j * n + i;
                    m.corners.insert(m.corners.end(), {k, k + 1, k + n, k + 1, k + n + 1, k + n});
                }
        }
    m.own = m.at;
    return m;
}

Mesh surface(int across, int along, const std::function<Vec(float u, float v)>& f, Vec scale) {
    Mesh m;
    for (int j = 0; j <= along; ++j)
        for (int i = 0; i <= across; ++i) {
            const float u = static_cast<float>(i) / static_cast<float>(across),
                        v = static_cast<float>(j) / static_cast<float>(along);
            m.at.push_back(f(u, v));
            m.own.push_back(Vec{u, v, 0} * scale);
        }
    const auto n = static_cast<std::uint32_t>(across + 1);
    for (std::uint32_t j = 0; j < static_cast<std::uint32_t>(along); ++j)
        for (std::uint32_t i = 0; i < static_cast<std::uint32_t>(across); ++i) {
            const std::uint32_t k = j * n + i;
            m.corners.insert(m.corners.end(), {k, k + 1, k + n, k + 1, k + n + 1, k + n});
        }
    findNormals(m);
    return m;
}

Mesh lathe(const std::vector<std::pair<float, float>>& profile, int around) {
    const auto parts = static_cast<int>(profile.size()) - 1;
    Mesh m = surface(around, parts, [&](float u, float v) {
        const auto& [radius, height] =
            profile[static_cast<std::size_t>(std::lround(v * static_cast<float>(parts)))];
        return Vec{radius * std::cos(2 * kPi * u), height, radius * std::sin(2 * kPi * u)};
    });
    m.own = m.at;
    // The seam: first and last column are one.
    const auto n = static_cast<std::size_t>(around + 1);
    for (std::size_t j = 0; j <= static_cast<std::size_t>(parts); ++j) {
        const Vec sum = normalised(m.normal[j * n] + m.normal[j * n + n - 1]);
        m.normal[j * n] = m.normal[j * n + n - 1] = sum;
    }
    return m;
}

Mesh ball(Vec half, int around) {
    std::vector<std::pair<float, float>> profile;
    for (int i = 0; i <= around / 2; ++i) {
        const float t = kPi * static_cast<float>(i) / static_cast<float>(around / 2);
        profile.emplace_back(std::max(1e-4f, std::sin(t)), std::cos(t));
    }
    Mesh m = lathe(profile, around);
    for (std::size_t i = 0; i < m.at.size(); ++i) {
        const Vec n = m.at[i];
        m.at[i] = n * half;
        m.normal[i] = normalised(Vec{n.x / half.x, n.y / half.y, n.z / half.z});
    }
    m.own = m.at;
    return m;
}

Mesh bar(Vec a, Vec b, float radius, int around) {
    const float l = length(b - a), e = std::min(radius * 0.12f, l * 0.1f);
    Mesh m = lathe({{1e-4f, l},
                    {radius - e, l},
                    {radius - e * 0.3f, l - e * 0.3f},
                    {radius, l - e},
                    {radius, e},
                    {radius - e * 0.3f, e * 0.3f},
                    {radius - e, 0},
                    {1e-4f, 0}},
                   around);
    const Vec up = normalised(b - a);
    const Vec side = normalised(std::abs(up.y) > 0.9f ? cross(up, {1, 0, 0}) : cross(up, {0, 1, 0}));
    const Vec third = cross(side, up);
    const auto set = [&](Vec v) { return side * v.x + up * v.y + third * v.z; };
    for (Vec& p : m.at) p = set(p) + a;
    for (Vec& n : m.normal) n = set(n);
    return m;
}

Mesh isosurface(const Distance& distance, Vec low, Vec high, float cell) {
    const auto count = [&](float a, float b) { return static_cast<int>(std::ceil((b - a) / cell)) + 1; };
    const int nx = count(low.x, high.x), ny = count(low.y, high.y), nz = count(low.z, high.z);
    const auto place = [&](int x, int y, int z) {
        return low + Vec{static_cast<float>(x), static_cast<float>(y), static_cast<float>(z)} * cell;
    };
    const auto index = [&](int x, int y, int z) {
        return (static_cast<std::size_t>(z) * static_cast<std::size_t>(ny) + static_cast<std::size_t>(y)) *
                   static_cast<std::size_t>(nx) +
               static_cast<std::size_t>(x);
    };
    std::vector<float> value(static_cast<std::size_t>(nx) * static_cast<std::size_t>(ny) *
                             static_cast<std::size_t>(nz));
    forEachBand(nz, 1, {}, [&](int first, int last) {
        for (int z = first; z < last; ++z)
            for (int y = 0; y < ny; ++y)
                for (int x = 0; x < nx; ++x) value[index(x, y, z)] = distance(place(x, y, z));
    });
    Mesh m;
    std::map<std::pair<std::size_t, std::size_t>, std::uint32_t> known;
    const auto between = [&](std::array<int, 3> a, std::array<int, 3> b) {
        std::size_t ia = index(a[0], a[1], a[2]), ib = index(b[0], b[1], b[2]);
        if (ia > ib) std::swap(ia, ib), std::swap(a, b);
        const auto [at, fresh] = known.try_emplace({ia, ib}, static_cast<std::uint32_t>(m.at.size()));
        if (fresh) {
            const float t = value[ia] / (value[ia] - value[ib]);
            m.at.push_back(mix(place(a[0], a[1], a[2]), place(b[0], b[1], b[2]), t));
        }
        return at->second;
    };
    // Six tetrahedra about the cube's long diagonal.
    constexpr int kCorner[8][3] = {{0, 0, 0}, {1, 0, 0}, {0, 1, 0}, {1, 1, 0},
                                   {0, 0, 1}, {1, 0, 1}, {0, 1, 1}, {1, 1, 1}};
    constexpr int kTetra[6][4] = {{0, 1, 3, 7}, {0, 3, 2, 7}, {0, 2, 6, 7},
                                  {0, 6, 4, 7}, {0, 4, 5, 7}, {0, 5, 1, 7}};
    for (int z = 0; z + 1 < nz; ++z)
        for (int y = 0; y + 1 < ny; ++y)
            for (int x = 0; x + 1 < nx; ++x) {
                int within = 0;
                for (const auto& c : kCorner) within += value[index(x + c[0], y + c[1], z + c[2])] < 0;
                if (within == 0 || within == 8) continue;
                for (const auto& t : kTetra) {
                    std::vector<std::array<int, 3>> in, out;
                    for (const int k : t) {
                        const std::array<int, 3> p = {x + kCorner[k][0], y + kCorner[k][1],
                                                      z + kCorner[k][2]};
                        (value[index(p[0], p[1], p[2])] < 0 ? in : out).push_back(p);
                    }
                    if (in.empty() || out.empty()) continue;
                    if (in.size() == 2) {
                        const std::uint32_t a = between(in[0], out[0]), b = between(in[0], out[1]),
                                            c = between(in[1], out[0]), d = between(in[1], out[1]);
                        m.corners.insert(m.corners.end(), {a, b, c, b, d, c});
                    } else {
                        const auto& one = in.size() == 1 ? in[0] : out[0];
                        const auto& rest = in.size() == 1 ? out : in;
                        m.corners.insert(m.corners.end(), {between(one, rest[0]), between(one, rest[1]),
                                                           between(one, rest[2])});
                    }
                }
            }
    for (const Vec& p : m.at) m.normal.push_back(gradient(distance, p, cell * 0.5f));
    m.own = m.at;
    return m;
}

Vec gradient(const Distance& distance, Vec at, float step) {
    const Vec g{distance(at + Vec{step, 0, 0}) - distance(at - Vec{step, 0, 0}),
                distance(at + Vec{0, step, 0}) - distance(at - Vec{0, step, 0}),
                distance(at + Vec{0, 0, step}) - distance(at - Vec{0, 0, step})};
    return length(g) > 0 ? normalised(g) : Vec{0, 1, 0};
}

float barDistance(Vec p, Vec a, Vec b, float ra, float rb) {
    const Vec way = b - a;
    const float t = std::clamp(dot(p - a, way) / dot(way, way), 0.0f, 1.0f);
    return length(p - a - way * t) - (ra + (rb - ra) * t);
}
float ellipsoidDistance(Vec p, Vec centre, Vec half) {
    const Vec q = p - centre;
    const Vec a{q.x / half.x, q.y / half.y, q.z / half.z};
    const Vec b{a.x / half.x, a.y / half.y, a.z / half.z};
    const float k = length(a), g = length(b);
    return g > 1e-9f ? k * (k - 1) / g : -std::min(half.x, std::min(half.y, half.z));
}
float boxDistance(Vec p, Vec half) {
    const Vec q{std::abs(p.x) - half.x, std::abs(p.y) - half.y, std::abs(p.z) - half.z};
    const Vec out{std::max(q.x, 0.0f), std::max(q.y, 0.0f), std::max(q.z, 0.0f)};
    return length(out) + std::min(0.0f, largest(q));
}
float united(float a, float b, float soft) {
    const float h = std::max(0.0f, soft - std::abs(a - b)) / soft;
    return std::min(a, b) - h * h * soft * 0.25f;
}

std::vector<Vec> line(const std::vector<Vec>& points, float step) {
    std::vector<Vec> out;
    const auto n = static_cast<int>(points.size());
    const auto at = [&](int i) { return points[static_cast<std::size_t>(std::clamp(i, 0, n - 1))]; };
    for (int i = 0; i + 1 < n; ++i) {
        const Vec a = at(i - 1), b = at(i), c = at(i + 1), d = at(i + 2);
        const int parts = std::max(1, static_cast<int>(length(c - b) / step));
        for (int k = 0; k < parts; ++k) {
            const float t = static_cast<float>(k) / static_cast<float>(parts);
            out.push_back((b * 2 + (c - a) * t + (a * 2 - b * 5 + c * 4 - d) * (t * t) +
                           (b * 3 - a - c * 3 + d) * (t * t * t)) *
                          0.5f);
        }
    }
    out.push_back(points.back());
    return out;
}

void layRope(Strands& yarns, Strands& hairs, const std::vector<Vec>& along, const Rope& rope, Luck& luck) {
    // A frame carried along the line without turning.
    std::vector<Vec> side(along.size()), across(along.size());
    std::vector<float> way(along.size(), 0);
    Vec last = std::abs(normalised(along[1] - along[0]).y) > 0.9f ? Vec{1, 0, 0} : Vec{0, 1, 0};
    for (std::size_t i = 0; i < along.size(); ++i) {
        const Vec t = normalised(along[std::min(i + 1, along.size() - 1)] - along[i > 0 ? i - 1 : 0]);
        last = normalised(last - t * dot(last, t));
        side[i] = last, across[i] = cross(t, last);
        if (i > 0) way[i] = way[i - 1] + length(along[i] - along[i - 1]);
    }
    const float inner = rope.radius * 0.46f, strand = rope.radius * 0.5f;
    const float yarnRadius = strand * kPi / static_cast<float>(rope.yarns) * 1.15f;
    const float turn = 2 * kPi / (rope.lay * rope.radius);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < rope.yarns; ++y) {
            std::vector<Strands::Point> points;
            const float fate = luck.share(), loose = 0.06f * luck.bell();
            for (std::size_t i = 0; i < along.size(); ++i) {
                const float a = turn * way[i] + 2 * kPi * static_cast<float>(k) / 3;
                // Yarns turn against the strands, so that they lie nearly along the rope.
                const float b = a - turn * 1.9f * way[i] +
                                2 * kPi * static_cast<float>(y) / static_cast<float>(rope.yarns);
                const float r = (strand - yarnRadius) * (1 + loose * std::sin(way[i] * 90 + 9 * fate));
                const Vec c = side[i] * std::cos(a) + across[i] * std::sin(a);
                const Vec d = side[i] * std::cos(b) + across[i] * std::sin(b);
                points.push_back({along[i] + c * inner + d * r, yarnRadius});
            }
            yarns.add(points, points[0].at, fate);
        }
    const auto count = static_cast<int>(rope.hairs * way.back());
    for (int h = 0; h < count; ++h) {
        const auto i = static_cast<std::size_t>(luck.share() * static_cast<float>(along.size() - 1));
        const Vec t = normalised(along[i + 1] - along[i]);
        const float a = 2 * kPi * luck.share();
        const Vec out = side[i] * std::cos(a) + across[i] * std::sin(a);
        const Vec comb = t * (luck.share() > 0.5f ? 1.0f : -1.0f) + luck.inBall() * 0.9f;
        hairs.add(hair(along[i] + out * (rope.radius * 0.88f), normalised(out + comb * 0.6f), comb,
                       rope.hairLength * (0.3f + luck.share()), 0.7f, rope.radius * 0.006f + 0.00002f, 4),
                  along[i], luck.share());
    }
}

std::vector<Strands::Point> hair(Vec root, Vec out, Vec comb, float length_, float bend, float radius,
                                 int parts) {
    std::vector<Strands::Point> points;
    Vec at = root;
    const float step = length_ / static_cast<float>(parts);
    for (int i = 0; i <= parts; ++i) {
        const float t = static_cast<float>(i) / static_cast<float>(parts);
        points.push_back({at, radius * (1 - 0.75f * t * t)});
        at = at + normalised(mix(out, comb, std::min(1.0f, bend * (0.4f + 1.2f * t)))) * step;
    }
    return points;
}

} // namespace irenic::scene
