#include "judge/recommend.h"

#include <algorithm>
#include <cmath>

#include "denoise/stabilisers.h"

namespace irenic {

namespace {

constexpr float kStep =
    0.2f; // size of the added noise: small beside the noise, large beside the kinks of hard thresholds
constexpr int kSquare = 64; // packed samples around a probe
constexpr int kGrid = 96; // squares lie in the middle of cells of this grid, so that none costs a second tile
                          // of a method that has large ones
constexpr std::size_t kProbes = 5;

// +1 or -1, the same for the same place whatever else happens (mixing of D. Steele and others, splitmix64).
float sign(int x, int y, std::size_t plane) {
    std::uint64_t z =
        (static_cast<std::uint64_t>(static_cast<std::uint32_t>(x)) << 32 | static_cast<std::uint32_t>(y)) +
        0x9E3779B97F4A7C15ULL * (plane + 1);
    z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9ULL;
    z = (z ^ (z >> 27)) * 0x94D049BB133111EBULL;
    return ((z ^ (z >> 31)) & 1) != 0 ? 1.0f : -1.0f;
}

// One probe's noisy planes, as they are and with a little noise on top: shared by all trials.
struct Place {
    Rect area;
    Stabilisers stable;
    PlaneSet noisy, shaken;
};

Place placeAt(const Photo& photo, const Rect& area, const Work& work) {
    Place place{area, Stabilisers(photo), {}, {}};
    int margin = 0;
    for (const auto& m : methods()) margin = std::max(margin, planesMargin({m->id()}));
    place.noisy = stabilisedPlanes(photo, area.inflated(margin), work, true);
    place.shaken.area = place.noisy.area;
    place.shaken.describeAs(place.noisy);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        place.shaken.plane[p] = place.noisy.plane[p].clone();
        if ((p == 3 && !place.noisy.packed) || (p > 0 && place.noisy.grey))
            continue; // there is nothing in it
        for (int y = place.noisy.area.y; y < place.noisy.area.bottom(); ++y) {
            float* row = place.shaken.rowAt(p, y);
            for (int x = place.noisy.area.x; x < place.noisy.area.right(); ++x)
                row[x] += kStep * sign(x, y, p);
        }
    }
    return place;
}

Risk riskAt(const Place& place, const Settings& settings, const Work& work) {
    const PlaneSet clean = cleanPlanes(place.noisy, settings, place.area, work),
                   moved = cleanPlanes(place.shaken, settings, place.area, work);
    Risk risk;
    const double n = static_cast<double>(place.area.area());
    std::array<double, kPlanes> sum{};
    for (int y = place.area.y; y < place.area.bottom(); ++y)
        for (int x = place.area.x; x < place.area.right(); ++x) {
            // In the darkest parts stabilised noise has a little more or less than 1.
            float v[4], variance[4];
            float noise[kPlanes];
            if (place.noisy.packed) {
                channelsAt(clean, x, y, v);
                for (std::size_t k = 0; k < 4; ++k) variance[k] = place.stable[k].variance(v[k]);
                const float rb = 0.5f * (variance[0] + variance[3]), gg = 0.5f * (variance[1] + variance[2]);
                noise[0] = noise[2] = 0.5f * (rb + gg), noise[1] = rb, noise[3] = gg;
            } else {
                pixelOf(clean.rowAt(0, y)[x], clean.rowAt(1, y)[x], clean.rowAt(2, y)[x], v,
                        place.noisy.grey);
                for (std::size_t k = 0; k < 3; ++k) variance[k] = place.stable.ofColour(k).variance(v[k]);
                noise[0] = (variance[0] + variance[1] + variance[2]) / 3,
                noise[1] = 0.5f * (variance[0] + variance[2]);
                noise[2] = (variance[0] + 4 * variance[1] + variance[2]) / 6, noise[3] = 0;
                if (place.noisy.grey) noise[0] = variance[1], noise[1] = noise[2] = 0;
            }
            for (std::size_t p = 0; p < kPlanes; ++p) {
                const float a = clean.rowAt(p, y)[x], d = a - place.noisy.rowAt(p, y)[x];
                const float divergence = sign(x, y, p) * (moved.rowAt(p, y)[x] - a) / kStep;
                sum[p] += static_cast<double>(d * d + noise[p] * (2 * divergence - 1));
            }
        }
    // Two planes of each kind; without a mosaic luminance has one.
    for (std::size_t p = 0; p < kPlanes; ++p)
        (isColour(p) ? risk.colour : risk.luminance) +=
            (isColour(p) || place.noisy.packed ? 0.5 : 1.0) * sum[p] / n;
    return risk;
}

// Around a place, which may lie anywhere; inside `whole`, smaller only where that is.
Rect squareAt(int x, int y, const Rect& whole) {
    constexpr int inset = (kGrid - kSquare) / 2;
    const auto begin = [](int v, int length) {
        const int within = std::clamp(v, 0, length - 1) / kGrid * kGrid + inset;
        return std::max(0, std::min(within, length - kSquare));
    };
    return Rect{begin(x, whole.width), begin(y, whole.height), kSquare, kSquare}.intersected(whole);
}

std::vector<Place> placesOf(const Photo& photo, const std::vector<Probe>& probes, const Work& work) {
    const int cell = photo.cell();
    const Rect whole{0, 0, photo.width() / cell, photo.height() / cell};
    std::vector<Place> places;
    for (std::size_t i = 0; i < std::min(kProbes, probes.size()); ++i)
        places.push_back(placeAt(photo, squareAt(probes[i].x / cell, probes[i].y / cell, whole), work));
    return places;
}

Risk meanRisk(const std::vector<Place>& places, const Settings& settings, const Work& work) {
    Risk mean;
    for (const Place& place : places) {
        const Risk r = riskAt(place, settings, work);
        mean.luminance += r.luminance / static_cast<double>(places.size());
        mean.colour += r.colour / static_cast<double>(places.size());
    }
    return mean;
}

} // namespace

double Risk::sigmas() const { return std::sqrt(std::max(0.0, sum() / 2)); }

Risk estimateRisk(const Photo& photo, const Settings& settings, const Rect& packedArea, const Work& work) {
    return riskAt(placeAt(photo, packedArea, work), settings, {work.stop});
}

Risk estimateRisk(const Photo& photo, const Settings& settings, const std::vector<Probe>& probes,
                  const Work& work) {
    return meanRisk(placesOf(photo, probes, {work.stop}), settings, {work.stop});
}

Recommendation recommend(const Photo& photo, const std::vector<Probe>& probes, const Work& work) {
    const Work quiet{work.stop};
    const std::vector<Place> places = placesOf(photo, probes, quiet);
    Recommendation out;
    const auto attempt = [&](const Settings& settings) {
        out.trials.push_back({settings, meanRisk(places, settings, quiet)});
        return out.trials.back().risk;
    };
    constexpr float strengths[] = {0.55f, 0.75f, 1.3f, 1.7f};
    constexpr float details[] = {0.0f, 0.5f};
    std::vector<const Method*> candidates;
    std::string quicker; // the grade that strengths are looked for with
    for (const auto& m : methods())
        if (m->quickGradeOf().empty()) candidates.push_back(m.get());
    const double steps =
        static_cast<double>(candidates.size() + std::size(strengths) + std::size(details) + 2);
    for (const Method* m : candidates) {
        const Settings settings{m->id()};
        const Risk risk = attempt(settings);
        if (out.trials.size() == 1 || risk.sum() < out.risk.sum()) out.settings = settings, out.risk = risk;
        work.report(static_cast<double>(out.trials.size()) / steps);
    }
    const std::string method = out.settings.method;
    for (const auto& m : methods())
        if (m->quickGradeOf() == method) quicker = m->id();
    if (quicker.empty()) quicker = method;
    Risk best = quicker == method ? out.risk : attempt({quicker});
    for (const float s : strengths) {
        const Risk risk = attempt({quicker, s, s});
        if (risk.luminance < best.luminance) best.luminance = risk.luminance, out.settings.luminance = s;
        if (risk.colour < best.colour) best.colour = risk.colour, out.settings.colour = s;
        work.report(static_cast<double>(out.trials.size()) / steps);
    }
    out.risk = attempt(out.settings);
    for (const float d : details) {
        Settings settings = out.settings;
        settings.detail = d;
        const Risk risk = attempt(settings);
        if (risk.sum() < out.risk.sum()) out.settings = settings, out.risk = risk;
        work.report(static_cast<double>(out.trials.size()) / steps);
    }
    // Strengths are looked for one by one, and a quick grade's may differ from those of the full one: what
    // comes out best of everything that was tried is what counts.
    const Trial& least =
        *std::min_element(out.trials.begin(), out.trials.end(),
                          [](const Trial& a, const Trial& b) { return a.risk.sum() < b.risk.sum(); });
    out.settings = least.settings, out.risk = least.risk;
    return out;
}

} // namespace irenic
