#include "tracer.h"

#include <embree3/rtcore.h>

#include <algorithm>
#include <atomic>
#include <cmath>
#include <numbers>
#include <stdexcept>

#include "texture_noise.h"

namespace irenic::scene {

namespace {

constexpr float kPi = std::numbers::pi_v<float>;
constexpr int kBounces = 3;
constexpr float kBrightest = 6; // of what comes by a detour: single paths must not sparkle

std::uint32_t mixed(std::uint32_t h) {
    h ^= h >> 16, h *= 0x7feb352dU, h ^= h >> 15, h *= 0x846ca68bU, h ^= h >> 16;
    return h;
}

// Pairs of numbers in 0..1 that are even over a pixel's rays: the R2 sequence (M. Roberts, 2018), its order
// shuffled and its origin moved for each pixel and each use.
class Dice {
  public:
    Dice(int x, int y, int ray, int rays)
        : pixel_(mixed(static_cast<std::uint32_t>(y) * 65536U + static_cast<std::uint32_t>(x))),
          ray_(static_cast<std::uint32_t>(ray)), rays_(static_cast<std::uint32_t>(rays)) {}
    struct Pair {
        float a, b;
    };
    Pair next() {
        const std::uint32_t h = mixed(pixel_ + 0x9e3779b9U * ++use_), k = mixed(h);
        const auto i = static_cast<double>(ray_ ^ (k & (rays_ - 1)));
        return {part(i * 0.7548776662466927 + h * kUnit), part(i * 0.5698402909980532 + k * kUnit)};
    }

  private:
    static constexpr double kUnit = 1.0 / 4294967296.0;
    static float part(double v) { return std::min(0.99999994f, static_cast<float>(v - std::floor(v))); }
    std::uint32_t pixel_, ray_, rays_, use_ = 0;
};

void frame(Vec n, Vec& a, Vec& b) {
    a = normalised(std::abs(n.x) > 0.5f ? cross(n, {0, 1, 0}) : cross(n, {1, 0, 0}));
    b = cross(n, a);
}

Vec aroundNormal(Vec n, Dice::Pair d) { // cosine-weighted
    Vec a, b;
    frame(n, a, b);
    const float r = std::sqrt(d.a), t = 2 * kPi * d.b;
    return normalised(a * (r * std::cos(t)) + b * (r * std::sin(t)) + n * std::sqrt(std::max(0.0f, 1 - d.a)));
}

// A facet's normal of the GGX distribution (B. Walter et al., 2007).
Vec facet(Vec n, float alpha, Dice::Pair d) {
    Vec a, b;
    frame(n, a, b);
    const float cosine = std::sqrt((1 - d.a) / (1 + (alpha * alpha - 1) * d.a));
    const float sine = std::sqrt(std::max(0.0f, 1 - cosine * cosine)), t = 2 * kPi * d.b;
    return normalised(a * (sine * std::cos(t)) + b * (sine * std::sin(t)) + n * cosine);
}

Vec fresnel(Vec straight, float cosine) {
    const float k = std::pow(std::clamp(1 - cosine, 0.0f, 1.0f), 5.0f);
    return straight + (Vec{1, 1, 1} - straight) * k;
}

class Tracer {
  public:
    explicit Tracer(const Stage& stage) : stage_(stage), device_(rtcNewDevice(nullptr)) {
        if (!device_) throw std::runtime_error("Embree could not be started.");
        scene_ = rtcNewScene(device_);
        rtcSetSceneBuildQuality(scene_, RTC_BUILD_QUALITY_MEDIUM);
        for (const Mesh& m : stage.meshes) addMesh(m);
        for (const Strands& s : stage.strands) addStrands(s);
        rtcCommitScene(scene_);
    }
    ~Tracer() {
        rtcReleaseScene(scene_);
        rtcReleaseDevice(device_);
    }
    Tracer(const Tracer&) = delete;
    Tracer& operator=(const Tracer&) = delete;

    bool meet(Vec from, Vec to, Spot& spot, int& paint) const {
        RTCRayHit ray{};
        ray.ray.org_x = from.x, ray.ray.org_y = from.y, ray.ray.org_z = from.z;
        ray.ray.dir_x = to.x, ray.ray.dir_y = to.y, ray.ray.dir_z = to.z;
        ray.ray.tnear = 1e-4f, ray.ray.tfar = 1e6f, ray.ray.mask = ~0U;
        ray.hit.geomID = RTC_INVALID_GEOMETRY_ID;
        RTCIntersectContext context;
        rtcInitIntersectContext(&context);
        rtcIntersect1(scene_, &context, &ray);
        if (ray.hit.geomID == RTC_INVALID_GEOMETRY_ID) return false;
        spot.distance = ray.ray.tfar;
        spot.at = from + to * ray.ray.tfar;
        spot.normal = normalised(Vec{ray.hit.Ng_x, ray.hit.Ng_y, ray.hit.Ng_z});
        spot.along = {};
        if (ray.hit.geomID < stage_.meshes.size()) {
            const Mesh& m = stage_.meshes[ray.hit.geomID];
            const std::uint32_t* c = &m.corners[std::size_t{3} * ray.hit.primID];
            const float u = ray.hit.u, v = ray.hit.v, w = 1 - u - v;
            const auto at = [&](const std::vector<Vec>& of) {
                return of[c[0]] * w + of[c[1]] * u + of[c[2]] * v;
            };
            const Vec flat = spot.normal;
            spot.normal = normalised(at(m.normal));
            if (dot(flat, to) > 0 ? dot(spot.normal, flat) > 0 : dot(spot.normal, flat) < 0)
                spot.normal = spot.normal * -1.0f;
            spot.own = at(m.own);
            paint = m.paint;
        } else {
            const std::size_t g = ray.hit.geomID - stage_.meshes.size();
            const Strands& s = stage_.strands[g];
            const std::uint32_t from_point = segments_[g][ray.hit.primID];
            const auto strand = static_cast<std::size_t>(
                std::upper_bound(s.first.begin(), s.first.end(), from_point) - s.first.begin() - 1);
            const std::uint32_t end = strand + 1 < s.first.size()
                                          ? s.first[strand + 1]
                                          : static_cast<std::uint32_t>(s.points.size());
            spot.u = (static_cast<float>(from_point - s.first[strand]) + ray.hit.u) /
                     static_cast<float>(end - 1 - s.first[strand]);
            spot.along = normalised(s.points[from_point + 1].at - s.points[from_point].at);
            spot.own = s.own[strand], spot.fate = s.fate[strand];
            paint = s.paint;
        }
        if (dot(spot.normal, to) > 0) spot.normal = spot.normal * -1.0f;
        return true;
    }

    bool blocked(Vec from, Vec to, float far) const {
        RTCRay ray{};
        ray.org_x = from.x, ray.org_y = from.y, ray.org_z = from.z;
        ray.dir_x = to.x, ray.dir_y = to.y, ray.dir_z = to.z;
        ray.tnear = 1e-4f, ray.tfar = far, ray.mask = ~0U;
        RTCIntersectContext context;
        rtcInitIntersectContext(&context);
        rtcOccluded1(scene_, &context, &ray);
        return ray.tfar < 0;
    }

  private:
    void addMesh(const Mesh& m) {
        RTCGeometry g = rtcNewGeometry(device_, RTC_GEOMETRY_TYPE_TRIANGLE);
        auto* at = static_cast<Vec*>(rtcSetNewGeometryBuffer(g, RTC_BUFFER_TYPE_VERTEX, 0, RTC_FORMAT_FLOAT3,
                                                             sizeof(Vec), m.at.size()));
        std::copy(m.at.begin(), m.at.end(), at);
        auto* corners = static_cast<std::uint32_t*>(rtcSetNewGeometryBuffer(
            g, RTC_BUFFER_TYPE_INDEX, 0, RTC_FORMAT_UINT3, 3 * sizeof(std::uint32_t), m.corners.size() / 3));
        std::copy(m.corners.begin(), m.corners.end(), corners);
        attach(g);
        segments_.reserve(stage_.strands.size());
    }
    void addStrands(const Strands& s) {
        std::vector<std::uint32_t> segments;
        std::vector<std::uint8_t> joined;
        for (std::size_t i = 0; i < s.first.size(); ++i) {
            const std::uint32_t end =
                i + 1 < s.first.size() ? s.first[i + 1] : static_cast<std::uint32_t>(s.points.size());
            for (std::uint32_t p = s.first[i]; p + 1 < end; ++p) {
                segments.push_back(p);
                joined.push_back(
                    static_cast<std::uint8_t>((p > s.first[i] ? RTC_CURVE_FLAG_NEIGHBOR_LEFT : 0) |
                                              (p + 2 < end ? RTC_CURVE_FLAG_NEIGHBOR_RIGHT : 0)));
            }
        }
        RTCGeometry g = rtcNewGeometry(device_, RTC_GEOMETRY_TYPE_ROUND_LINEAR_CURVE);
        auto* at = static_cast<Strands::Point*>(rtcSetNewGeometryBuffer(
            g, RTC_BUFFER_TYPE_VERTEX, 0, RTC_FORMAT_FLOAT4, sizeof(Strands::Point), s.points.size()));
        std::copy(s.points.begin(), s.points.end(), at);
        auto* index = static_cast<std::uint32_t*>(rtcSetNewGeometryBuffer(
            g, RTC_BUFFER_TYPE_INDEX, 0, RTC_FORMAT_UINT, sizeof(std::uint32_t), segments.size()));
        std::copy(segments.begin(), segments.end(), index);
        auto* flags = static_cast<std::uint8_t*>(
            rtcSetNewGeometryBuffer(g, RTC_BUFFER_TYPE_FLAGS, 0, RTC_FORMAT_UCHAR, 1, joined.size()));
        std::copy(joined.begin(), joined.end(), flags);
        attach(g);
        segments_.push_back(std::move(segments));
    }
    void attach(RTCGeometry g) {
        rtcCommitGeometry(g);
        rtcAttachGeometry(scene_, g);
        rtcReleaseGeometry(g);
    }

    const Stage& stage_;
    RTCDevice device_;
    RTCScene scene_ = nullptr;
    std::vector<std::vector<std::uint32_t>>
        segments_; // of each set of strands: the point a segment begins at
};

// What a surface sends towards `out` of the light that comes from `in`, times the cosine.
Vec scattered(const Spot& spot, const Surface& s, Vec in, Vec out) {
    if (length(spot.along) > 0) {
        // Hair: J. T. Kajiya and T. L. Kay, 1989, with the light that strands pass on to those behind.
        const float ti = dot(spot.along, in), to = dot(spot.along, out);
        const float si = std::sqrt(std::max(0.0f, 1 - ti * ti)), so = std::sqrt(std::max(0.0f, 1 - to * to));
        const float facing = 0.35f + 0.65f * std::max(0.0f, dot(spot.normal, in));
        const float shine =
            std::pow(std::max(0.0f, si * so - ti * to), 1 / std::max(0.004f, s.rough * s.rough));
        return s.colour * (si * facing / kPi) + Vec{1, 1, 1} * (s.mirror * shine * facing);
    }
    const float cosine = dot(s.normal, in);
    if (cosine <= 0 || dot(spot.normal, in) <= 0) return {};
    Vec sum{};
    const Vec straight = s.metal ? s.colour : Vec{s.mirror, s.mirror, s.mirror};
    if (!s.metal) sum = s.colour * (cosine / kPi);
    if (largest(straight) > 0 && s.rough > 0.05f) {
        const Vec half = normalised(in + out);
        const float nh = std::max(0.0f, dot(s.normal, half)), no = std::max(0.05f, dot(s.normal, out));
        const float a = s.rough * s.rough, a2 = a * a, d = nh * nh * (a2 - 1) + 1;
        const float k = a / 2, mask = 1 / ((cosine * (1 - k) + k) * (no * (1 - k) + k)) / 4;
        sum = sum + fresnel(straight, dot(half, out)) * (a2 / (kPi * d * d) * mask * cosine);
    }
    return sum;
}

class Paths {
  public:
    Paths(const Stage& stage, const Tracer& tracer) : stage_(stage), tracer_(tracer) {}

    struct First {
        Vec colour, normal;
    };

    Vec along(Vec from, Vec to, Dice& dice, First& first) const {
        Vec sum{}, weight{1, 1, 1};
        bool sees = true; // whether glowing things count: they are aimed at after a diffuse bounce
        for (int bounce = 0; bounce <= kBounces; ++bounce) {
            Spot spot;
            int paint = 0;
            if (!tracer_.meet(from, to, spot, paint)) {
                if (stage_.sky) sum = sum + limited(weight * stage_.sky(to), bounce);
                if (bounce == 0) first = {{1, 1, 1}, to * -1.0f};
                break;
            }
            const Surface s = stage_.paints[static_cast<std::size_t>(paint)](spot);
            if (largest(s.glow) > 0) {
                if (sees) sum = sum + (bounce == 0 ? s.glow : limited(weight * s.glow, bounce));
                if (bounce == 0) first = {{1, 1, 1}, spot.normal};
                break;
            }
            if (bounce == 0) first = {s.colour, s.normal};
            const Vec out = to * -1.0f, start = spot.at + spot.normal * 2e-4f;
            sum = sum + limited(weight * lit(spot, s, start, out, dice), bounce);
            if (bounce == kBounces) {
                sum = sum + weight * s.colour * stage_.ambient;
                break;
            }
            if (bounce > 0) sum = sum + weight * s.colour * stage_.ambient * 0.4f;
            if (!turn(spot, s, out, dice, to, weight, sees)) break;
            from = start;
        }
        return sum;
    }

  private:
    static Vec limited(Vec light, int bounce) {
        const float most = largest(light);
        return bounce > 0 && most > kBrightest ? light * (kBrightest / most) : light;
    }

    Vec lit(const Spot& spot, const Surface& s, Vec start, Vec out, Dice& dice) const {
        Vec sum{};
        // The first lamps light the scene and are asked every time, one of the many small ones at a time.
        constexpr std::size_t kAlways = 3;
        const std::size_t always = std::min(kAlways, stage_.lamps.size()),
                          others = stage_.lamps.size() - always;
        for (std::size_t i = 0; i < always; ++i)
            sum = sum + fromLamp(stage_.lamps[i], spot, s, start, out, dice);
        if (others > 0) {
            const auto pick = static_cast<std::size_t>(dice.next().a * static_cast<float>(others));
            sum = sum + fromLamp(stage_.lamps[always + pick], spot, s, start, out, dice) *
                            static_cast<float>(others);
        }
        for (const Pane& pane : stage_.panes) {
            const Dice::Pair d = dice.next();
            const Vec there = pane.corner + pane.right * d.a + pane.up * d.b, way = there - start;
            const Vec face = cross(pane.right, pane.up);
            const float far = length(way);
            const Vec in = way * (1 / far);
            const float facing = -dot(face, in); // area times cosine
            if (facing <= 0) continue;
            const Vec f = scattered(spot, s, in, out);
            if (largest(f) <= 0 || tracer_.blocked(start, in, far * 0.999f)) continue;
            sum = sum + f * pane.light * (facing / (far * far));
        }
        return sum;
    }

    Vec fromLamp(const Lamp& lamp, const Spot& spot, const Surface& s, Vec start, Vec out, Dice& dice) const {
        const Dice::Pair d = dice.next();
        const float z = 1 - 2 * d.a, r = std::sqrt(std::max(0.0f, 1 - z * z)), t = 2 * kPi * d.b;
        const Vec way = lamp.at - start;
        const Vec aside{r * std::cos(t), r * std::sin(t), z};
        const Vec there = way + aside * lamp.radius * (dot(aside, way) > 0 ? -1.0f : 1.0f);
        const float far = length(there);
        if (far < 1e-3f) return {};
        const Vec in = there * (1 / far), f = scattered(spot, s, in, out);
        const float weight = kPi * lamp.radius * lamp.radius / dot(way, way);
        if (largest(f) * weight * largest(lamp.light) < 1e-6f || tracer_.blocked(start, in, far * 0.98f))
            return {};
        return f * lamp.light * weight;
    }

    // Chooses where the path goes on; false where it ends.
    static bool turn(const Spot& spot, const Surface& s, Vec out, Dice& dice, Vec& to, Vec& weight,
                     bool& sees) {
        const float choice = dice.next().a;
        const Dice::Pair d = dice.next();
        if (length(spot.along) > 0) {
            to = aroundNormal(spot.normal, d);
            weight = weight * s.colour;
            sees = false;
            return true;
        }
        const Vec straight = s.metal ? s.colour : Vec{s.mirror, s.mirror, s.mirror};
        const Vec f = fresnel(straight, std::max(0.0f, dot(s.normal, out)));
        const float often = s.metal ? 1 : largest(f) <= 0 ? 0 : std::clamp(largest(f), 0.08f, 0.9f);
        if (choice < often) {
            const Vec m = s.rough > 0.01f ? facet(s.normal, s.rough * s.rough, d) : s.normal;
            to = normalised(m * (2 * dot(m, out)) - out);
            if (dot(to, spot.normal) <= 0) return false;
            weight = weight * f * (1 / often);
            sees = s.rough <= 0.05f;
        } else {
            to = aroundNormal(s.normal, d);
            if (dot(to, spot.normal) <= 0) return false;
            weight = weight * s.colour * (1 / (1 - often));
            sees = false;
        }
        return true;
    }

    const Stage& stage_;
    const Tracer& tracer_;
};

} // namespace

Picture traced(const Stage& stage, int width, int height, int rays, const Work& work) {
    const Tracer tracer(stage);
    const Paths paths(stage, tracer);
    const Eye& eye = stage.eye;
    const Vec forward = normalised(eye.target - eye.at), right = normalised(cross({0, 1, 0}, forward)),
              up = cross(forward, right);
    const float half = std::tan(eye.across * kPi / 360), pixel = 2 * half / static_cast<float>(width);
    Picture out;
    for (auto* planes : {&out.light, &out.colour, &out.normal})
        for (Plane& p : *planes) p = Plane(width, height);
    out.spread = Plane(width, height);
    std::atomic<int> finished = 0;
    forEachBand(height, 4, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            work.check();
            for (int x = 0; x < width; ++x) {
                Vec light{}, colour{}, normal{};
                float sum = 0, squares = 0;
                for (int k = 0; k < rays; ++k) {
                    Dice dice(x, y, k, rays);
                    // A tent two pixels wide: what lens and low-pass filter do to a point.
                    const auto tent = [](float v) {
                        return v < 0.5f ? std::sqrt(2 * v) - 1 : 1 - std::sqrt(2 - 2 * v);
                    };
                    const Dice::Pair place = dice.next(), lens = dice.next();
                    const float u =
                        (static_cast<float>(x) + 0.5f + tent(place.a) - 0.5f * static_cast<float>(width)) *
                        pixel;
                    const float v =
                        (0.5f * static_cast<float>(height) - static_cast<float>(y) - 0.5f - tent(place.b)) *
                        pixel;
                    const Vec sharp = eye.at + (forward + right * u + up * v) * eye.focus;
                    const float r = eye.aperture * std::sqrt(lens.a), t = 2 * kPi * lens.b;
                    const Vec from = eye.at + right * (r * std::cos(t)) + up * (r * std::sin(t));
                    Paths::First met;
                    Vec c = paths.along(from, normalised(sharp - from), dice, met) * stage.exposure;
                    c = {std::min(c.x, 16.0f), std::min(c.y, 16.0f), std::min(c.z, 16.0f)};
                    light = light + c, colour = colour + met.colour, normal = normal + met.normal;
                    const float grey = 0.3f * c.x + 0.6f * c.y + 0.1f * c.z;
                    sum += grey, squares += grey * grey;
                }
                const float share = 1 / static_cast<float>(rays);
                const Vec means[3] = {light * share, colour * share, normal * share};
                for (std::size_t p = 0; p < 3; ++p) {
                    auto& planes = p == 0 ? out.light : p == 1 ? out.colour : out.normal;
                    planes[0].at(x, y) = means[p].x, planes[1].at(x, y) = means[p].y,
                                    planes[2].at(x, y) = means[p].z;
                }
                out.spread.at(x, y) = std::max(0.0f, squares * share - sum * share * sum * share) * share;
            }
        }
        work.report(static_cast<double>(finished += last - first) / height);
    });
    return out;
}

std::array<Plane, 3> smoothed(const Picture& picture, const Work& work) {
    const int w = picture.spread.width(), h = picture.spread.height();
    // The light without the surfaces' own colour is smooth where the surface is.
    constexpr float kLeast = 0.02f;
    std::array<Plane, 3> now = {Plane(w, h), Plane(w, h), Plane(w, h)};
    Plane spread(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            float grey = 0;
            for (std::size_t c = 0; c < 3; ++c) {
                const float own = picture.colour[c].at(x, y) + kLeast;
                now[c].at(x, y) = picture.light[c].at(x, y) / own;
                grey += own / 3;
            }
            spread.at(x, y) = picture.spread.at(x, y) / (grey * grey);
        }
    constexpr float kKernel[3] = {0.375f, 0.25f, 0.0625f};
    const auto grey = [&](int x, int y) {
        return 0.3f * now[0].at(x, y) + 0.6f * now[1].at(x, y) + 0.1f * now[2].at(x, y);
    };
    for (int step = 1; step <= 4; step *= 2) {
        std::array<Plane, 3> next = {Plane(w, h), Plane(w, h), Plane(w, h)};
        Plane left(w, h);
        forEachBand(h, 8, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < w; ++x) {
                    float total = 0, variance = 0, around = 0, places = 0;
                    Vec sum{};
                    for (int j = -1; j <= 1; ++j)
                        for (int i = -1; i <= 1; ++i)
                            around += spread.at(std::clamp(x + i, 0, w - 1), std::clamp(y + j, 0, h - 1)),
                                ++places;
                    const float apart = 3 * std::sqrt(around / places) + 1e-6f, here = grey(x, y);
                    for (int j = -2; j <= 2; ++j)
                        for (int i = -2; i <= 2; ++i) {
                            const int qx = x + i * step, qy = y + j * step;
                            if (qx < 0 || qy < 0 || qx >= w || qy >= h) continue;
                            float unlike = std::abs(grey(qx, qy) - here) / apart;
                            for (std::size_t c = 0; c < 3; ++c) {
                                const float dc = picture.colour[c].at(qx, qy) - picture.colour[c].at(x, y);
                                const float dn = picture.normal[c].at(qx, qy) - picture.normal[c].at(x, y);
                                unlike += 300 * dc * dc + 12 * dn * dn;
                            }
                            const float weight =
                                kKernel[std::abs(i)] * kKernel[std::abs(j)] * std::exp(-unlike);
                            total += weight, variance += weight * weight * spread.at(qx, qy);
                            sum = sum + Vec{now[0].at(qx, qy), now[1].at(qx, qy), now[2].at(qx, qy)} * weight;
                        }
                    sum = sum * (1 / total);
                    next[0].at(x, y) = sum.x, next[1].at(x, y) = sum.y, next[2].at(x, y) = sum.z;
                    left.at(x, y) = variance / (total * total);
                }
        });
        now = std::move(next), spread = std::move(left);
    }
    for (std::size_t c = 0; c < 3; ++c)
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) now[c].at(x, y) *= picture.colour[c].at(x, y) + kLeast;
    return now;
}

} // namespace irenic::scene
