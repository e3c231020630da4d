#include "judge/noise_form.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <vector>

#include "base/expects.h"
#include "base/mixed.h"
#include "base/quantile.h"
#include "denoise/clean.h"

namespace irenic {

namespace {

constexpr int kSquare = 24; // pixels along a side
constexpr int kPart = 4;    // of its means
constexpr int kReach = NoiseForm::kReach, kSide = NoiseForm::kSide;
constexpr std::size_t kFinishedPlanes = 3;

// What texture adds to: the energy that neighbours do not share, and that of means over 4x4 pixels, in
// luminance; of the means in both colours.
constexpr std::size_t kFeatures = 4;
using Features = std::array<double, kFeatures>;
// By chance alone noise that neighbours share scatters by so much over a square.
constexpr Features kScatter{0.12, 0.3, 0.3, 0.3};

struct Square {
    PlaneSet planes; // flat
    double brightness = 0;
    Features energy{};
};
using Squares = std::vector<const Square*>;

// Takes away the mean and the slope, which are the picture's. Returns the mean.
double flatten(Plane& own) {
    constexpr double kMiddle = 0.5 * (kSquare - 1), kCount = kSquare * kSquare,
                     kSpread = kCount * (kSquare * kSquare - 1) / 12.0; // of places about the middle
    double mean = 0, across = 0, down = 0;
    for (int y = 0; y < kSquare; ++y)
        for (int x = 0; x < kSquare; ++x) {
            const auto v = static_cast<double>(own.at(x, y));
            mean += v / kCount, across += v * (x - kMiddle) / kSpread, down += v * (y - kMiddle) / kSpread;
        }
    for (int y = 0; y < kSquare; ++y)
        for (int x = 0; x < kSquare; ++x)
            own.at(x, y) -= static_cast<float>(mean + across * (x - kMiddle) + down * (y - kMiddle));
    return mean;
}

// The variance of the means over parts.
double coarseEnergy(const PlaneSet& set, std::size_t plane) {
    double sum = 0, squares = 0;
    constexpr int kAcross = kSquare / kPart;
    for (int v = 0; v < kAcross; ++v)
        for (int u = 0; u < kAcross; ++u) {
            double mean = 0;
            for (int y = 0; y < kPart; ++y)
                for (int x = 0; x < kPart; ++x)
                    mean += static_cast<double>(set.plane[plane].at(u * kPart + x, v * kPart + y));
            mean /= kPart * kPart;
            sum += mean, squares += mean * mean;
        }
    constexpr double n = kAcross * kAcross;
    return std::max(0.0, squares / n - sum / n * (sum / n));
}

// Squares all over the photo in which nothing is clipped.
std::vector<Square> squaresOf(const Photo& photo, const Work& work) {
    constexpr int kMost = 60;                       // along the longer side
    constexpr float kDark = 0.04f, kBright = 0.97f; // of white, stabilised
    const int width = photo.width(), height = photo.height(),
              step = std::max(kSquare / 2, std::max(width, height) / kMost);
    std::vector<Square> out;
    for (int y = 0; y + kSquare <= height; y += step)
        for (int x = 0; x + kSquare <= width; x += step) {
            work.check();
            Square own{stabilisedPlanes(photo, {x, y, kSquare, kSquare}, {work.stop}, true)};
            // All colours at white together.
            const float white = own.planes.white * std::sqrt(3.0f);
            float low = white, high = 0;
            for (int v = 0; v < kSquare; ++v)
                for (int u = 0; u < kSquare; ++u) {
                    const float value = own.planes.plane[0].at(u, v);
                    low = std::min(low, value), high = std::max(high, value);
                }
            if (low < kDark * white || high > kBright * white) continue;
            own.brightness = flatten(own.planes.plane[0]);
            flatten(own.planes.plane[1]), flatten(own.planes.plane[2]);
            own.energy = {fineEnergy(own.planes.plane[0]), coarseEnergy(own.planes, 0),
                          coarseEnergy(own.planes, 1), coarseEnergy(own.planes, 2)};
            if (own.energy[0] > 0) out.push_back(std::move(own));
        }
    return out;
}

double featureQuantile(const Squares& squares, std::size_t k, double share) {
    std::vector<double> own;
    own.reserve(squares.size());
    for (const Square* s : squares) own.push_back(s->energy[k]);
    return quantile(std::move(own), share);
}

bool isLike(const Square& square, const Features& noise) {
    constexpr double kChance = 2;
    for (std::size_t k = 0; k < kFeatures; ++k)
        if (std::abs(square.energy[k] - noise[k]) > kChance * kScatter[k] * noise[k]) return false;
    return true;
}

// Those of which many have the same, least energy; where there are none, the calmest.
Squares evenOf(const Squares& all) {
    constexpr int kRounds = 12;
    constexpr double kLow = 0.1; // of the squares' energies, where to begin
    constexpr std::size_t kFewest = 8;
    Squares even;
    Features noise;
    for (std::size_t k = 0; k < kFeatures; ++k) noise[k] = featureQuantile(all, k, kLow);
    for (int round = 0; round < kRounds; ++round) {
        even.clear();
        for (const Square* s : all)
            if (isLike(*s, noise)) even.push_back(s);
        if (even.size() < kFewest) break;
        for (std::size_t k = 0; k < kFeatures; ++k) noise[k] = featureQuantile(even, k, 0.5);
    }
    if (even.size() >= kFewest) return even;
    Squares calm = all;
    std::sort(calm.begin(), calm.end(),
              [](const Square* a, const Square* b) { return a->energy[1] < b->energy[1]; });
    calm.resize(std::min(calm.size(), kFewest));
    return calm;
}

// What texture raises and the strength of noise does not: coarse energy over fine.
double coarseness(const Squares& squares) {
    return featureQuantile(squares, 1, 0.5) / std::max(1e-9, featureQuantile(squares, 0, 0.5));
}

// Of squares from dark to light, the even ones of each brightness; without those of which texture is all.
std::vector<Squares> evenByBrightness(const Squares& all) {
    constexpr std::size_t kMost = 6, kLeast = 60; // groups; squares of a group
    constexpr double kFar = 3;                    // times the least coarseness
    const std::size_t groups = std::clamp<std::size_t>(all.size() / kLeast, 1, kMost);
    std::vector<Squares> out;
    double least = 0;
    for (std::size_t g = 0; g < groups; ++g) {
        const auto from = static_cast<std::ptrdiff_t>(g * all.size() / groups),
                   to = static_cast<std::ptrdiff_t>((g + 1) * all.size() / groups);
        out.push_back(evenOf({all.begin() + from, all.begin() + to}));
        const double own = coarseness(out.back());
        least = g == 0 ? own : std::min(least, own);
    }
    std::erase_if(out, [&](const Squares& s) { return coarseness(s) > kFar * least; });
    return out;
}

// The products of samples that stand so far apart, in the mean over even squares: [kReach] is no distance.
Plane covarianceOf(const Squares& even, std::size_t plane) {
    Plane out(kSide, kSide);
    out.fill(0);
    for (const Square* s : even) {
        const Plane& own = s->planes.plane[plane];
        for (int dy = 0; dy <= kReach; ++dy)
            for (int dx = -kReach; dx <= kReach; ++dx) {
                double sum = 0;
                const int from = std::max(0, -dx), to = kSquare - std::max(0, dx);
                for (int y = 0; y < kSquare - dy; ++y)
                    for (int x = from; x < to; ++x)
                        sum += static_cast<double>(own.at(x, y) * own.at(x + dx, y + dy));
                const auto value = static_cast<float>(
                    sum / ((to - from) * (kSquare - dy) * static_cast<double>(even.size())));
                out.at(kReach + dx, kReach + dy) += value;
                if (dy > 0) out.at(kReach - dx, kReach - dy) += value;
            }
    }
    return out;
}

// A filter whose answer to white noise has this covariance, of variance 1: the root of its spectrum, which is
// even.
Plane filterOf(const Plane& covariance) {
    constexpr int kBins = 32;
    std::array<double, kBins> cosine{};
    for (int i = 0; i < kBins; ++i)
        cosine[static_cast<std::size_t>(i)] = std::cos(2 * std::numbers::pi * i / kBins);
    const auto wave = [&](int turns) { return cosine[static_cast<std::size_t>(turns & (kBins - 1))]; };
    // What is known of far distances is chance, and counts less.
    const auto taper = [](int d) { return 0.5 + 0.5 * std::cos(std::numbers::pi * d / (kReach + 1)); };
    std::array<std::array<double, kBins>, kBins> root{};
    for (int v = 0; v < kBins; ++v)
        for (int u = 0; u < kBins; ++u) {
            double power = 0;
            for (int y = -kReach; y <= kReach; ++y)
                for (int x = -kReach; x <= kReach; ++x)
                    power += taper(x) * taper(y) * wave(u * x + v * y) *
                             static_cast<double>(covariance.at(kReach + x, kReach + y));
            root[static_cast<std::size_t>(v)][static_cast<std::size_t>(u)] = std::sqrt(std::max(0.0, power));
        }
    Plane out(kSide, kSide);
    double energy = 0;
    for (int y = -kReach; y <= kReach; ++y)
        for (int x = -kReach; x <= kReach; ++x) {
            double sum = 0;
            for (int v = 0; v < kBins; ++v)
                for (int u = 0; u < kBins; ++u)
                    sum +=
                        root[static_cast<std::size_t>(v)][static_cast<std::size_t>(u)] * wave(u * x + v * y);
            sum /= kBins * kBins;
            out.at(kReach + x, kReach + y) = static_cast<float>(sum);
            energy += sum * sum;
        }
    if (energy <= 0) return out;
    const auto scale = static_cast<float>(1 / std::sqrt(energy));
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x) out.at(x, y) *= scale;
    return out;
}

double timesAt(const NoiseForm& form, std::size_t plane, double brightness) {
    const auto& levels = form.levels;
    const auto above = std::find_if(levels.begin(), levels.end(),
                                    [&](const NoiseForm::Level& l) { return l.brightness >= brightness; });
    if (above == levels.begin()) return above->times[plane];
    if (above == levels.end()) return levels.back().times[plane];
    const NoiseForm::Level &a = *(above - 1), &b = *above;
    return std::lerp(a.times[plane], b.times[plane],
                     (brightness - a.brightness) / (b.brightness - a.brightness));
}

} // namespace

double fineEnergy(const Plane& plane) {
    double sum = 0;
    for (int y = 1; y + 1 < plane.height(); ++y)
        for (int x = 1; x + 1 < plane.width(); ++x) {
            const double d =
                static_cast<double>(4 * plane.at(x, y) - plane.at(x - 1, y) - plane.at(x + 1, y) -
                                    plane.at(x, y - 1) - plane.at(x, y + 1));
            sum += d * d;
        }
    return sum / ((plane.width() - 2) * (plane.height() - 2));
}

std::optional<NoiseForm> noiseFormOf(const Photo& photo, const Work& work) {
    IRENIC_EXPECTS(!photo.hasMosaic() && !photo.monochrome);
    const std::vector<Square> squares = squaresOf(photo, work);
    if (squares.empty()) return std::nullopt;
    Squares all;
    for (const Square& s : squares) all.push_back(&s);
    std::sort(all.begin(), all.end(),
              [](const Square* a, const Square* b) { return a->brightness < b->brightness; });
    const std::vector<Squares> levels = evenByBrightness(all);
    NoiseForm out;
    for (const Squares& even : levels) {
        double sum = 0;
        for (const Square* s : even) sum += s->brightness / static_cast<double>(even.size());
        out.levels.push_back({sum, {}});
    }
    // The form is that of all levels together, each made as strong as the others.
    for (std::size_t p = 0; p < kFinishedPlanes; ++p) {
        Plane mean(kSide, kSide);
        mean.fill(0);
        for (std::size_t l = 0; l < levels.size(); ++l) {
            const Plane own = covarianceOf(levels[l], p);
            const float variance = own.at(kReach, kReach);
            out.levels[l].times[p] = std::sqrt(std::max(0.0, static_cast<double>(variance)));
            if (variance <= 0) continue;
            for (int y = 0; y < kSide; ++y)
                for (int x = 0; x < kSide; ++x)
                    mean.at(x, y) += own.at(x, y) / (variance * static_cast<float>(levels.size()));
        }
        out.filter[p] = filterOf(mean);
    }
    return out;
}

PlaneSet noiseLike(const PlaneSet& photo, const NoiseForm& form, const Work& work) {
    const Rect& area = photo.area;
    PlaneSet out(area);
    out.describeAs(photo);
    const Rect wide = area.inflated(kReach);
    for (std::size_t p = 0; p < kPlanes; ++p) {
        out.plane[p].fill(0);
        if (p >= kFinishedPlanes) continue;
        Plane white(wide.width, wide.height);
        for (int y = 0; y < wide.height; ++y)
            for (int x = 0; x < wide.width; ++x) white.at(x, y) = signAt(wide.x + x, wide.y + y, p);
        for (int y = 0; y < area.height; ++y) {
            work.check();
            float* to = out.plane[p].row(y);
            for (int v = 0; v < kSide; ++v)
                for (int u = 0; u < kSide; ++u) {
                    const float weight = form.filter[p].at(u, v);
                    const float* from = white.row(y + v) + u;
                    for (int x = 0; x < area.width; ++x) to[x] += weight * from[x];
                }
            const float* bright = photo.plane[0].row(y);
            for (int x = 0; x < area.width; ++x)
                to[x] *= static_cast<float>(timesAt(form, p, static_cast<double>(bright[x])));
        }
    }
    return out;
}

} // namespace irenic
