#include "measure/unevenness.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>
#include <vector>

#include "base/expects.h"
#include "measure/windows.h"
#include "noise/weakest.h"

namespace irenic {

namespace {

constexpr int kWindow = 64; // samples on a side
constexpr int kPlaces = 14; // of the calmest window each, along a side of the photo
constexpr int kFewest = 16; // windows that tell anything

// A window's noise, as a logarithm of its deviation over the model's, and where that comes from.
struct Reading {
    double u = 0, v = 0;  // its place, from -1 to 1
    double square = 0;    // of the distance from the middle, 1 at the corners
    double darkShare = 0; // of the expected variance, what does not depend on light: there a wrong line shows
    double logarithm = 0;
    double weight = 0; // less where there is texture
};

// The calmest window around each of some places all over the photo.
std::vector<Window> calmestOf(const Photo& photo, const Work& work) {
    std::vector<Window> all = windowsOf(photo, photo.noise, kWindow, work);
    const auto place = [&](const Window& w) {
        return (w.y * kPlaces / photo.height()) * kPlaces + w.x * kPlaces / photo.width();
    };
    std::stable_sort(all.begin(), all.end(), [&](const Window& a, const Window& b) {
        return place(a) != place(b) ? place(a) < place(b) : a.unrest < b.unrest;
    });
    all.erase(std::unique(all.begin(), all.end(),
                          [&](const Window& a, const Window& b) { return place(a) == place(b); }),
              all.end());
    return all;
}

std::vector<Reading> readingsOf(const Photo& photo, const Work& work) {
    constexpr double kChance = 0.03, kFlat = 1.05,
                     kTexture = 0.6; // what chance does to a window; texture more
    const std::vector<Window> windows = calmestOf(photo, work);
    const std::array<Stabiliser, 4> stable = stabilisersOf(photo.noise);
    std::vector<Reading> out(windows.size());
    const double w = photo.width(), h = photo.height();
    forEachBand(static_cast<int>(windows.size()), 1, work, [&](int first, int last) {
        for (int i = first; i < last; ++i) {
            const Window& window = windows[static_cast<std::size_t>(i)];
            const WeakestVariance found = weakestVariance(stabilisedWindow(photo, stable, window, kWindow));
            Reading& own = out[static_cast<std::size_t>(i)];
            own.u = 2 * window.middleX(kWindow) / w - 1, own.v = 2 * window.middleY(kWindow) / h - 1;
            own.square = (own.u * own.u * w * w + own.v * own.v * h * h) / (w * w + h * h);
            for (std::size_t c = 0; c < 4; ++c) {
                const NoiseLine& line = photo.noise.channel[c];
                own.darkShare += line.b / std::max(line.variance(std::max(0.0, window.mean[c])), 1e-12) / 4;
            }
            own.logarithm = 0.5 * std::log(std::max(noiseVarianceOf(found), 1e-6));
            const double texture = kTexture * std::max(0.0, found.next - kFlat);
            own.weight = 1 / (kChance * kChance + texture * texture);
        }
    });
    return out;
}

using Terms = std::array<bool, 3>; // across, down, to the corners

struct Fit {
    std::array<double, 3> term{};
    double left = 0;      // weighted squares of what is not explained
    double alone = 0;     // the same without the terms, by the same weights
    double deviation = 0; // of what the terms explain
};

double valueOf(const Reading& r, std::size_t term) { return term == 0 ? r.u : term == 1 ? r.v : r.square; }

// Least squares of a constant, the share of the dark and the terms; texture, which only adds, counts less.
Fit fitOf(const std::vector<Reading>& readings, const Terms& terms) {
    const auto n = static_cast<Eigen::Index>(readings.size());
    std::vector<std::size_t> own;
    for (std::size_t k = 0; k < terms.size(); ++k)
        if (terms[k]) own.push_back(k);
    constexpr Eigen::Index kGiven = 2;
    Eigen::MatrixXd a(n, kGiven + static_cast<Eigen::Index>(own.size()));
    Eigen::VectorXd y(n), weight(n);
    double dark = 0;
    for (const Reading& r : readings) dark += r.darkShare / static_cast<double>(n);
    for (Eigen::Index i = 0; i < n; ++i) {
        const Reading& r = readings[static_cast<std::size_t>(i)];
        a(i, 0) = 1, a(i, 1) = r.darkShare - dark, y(i) = r.logarithm, weight(i) = r.weight;
        for (std::size_t k = 0; k < own.size(); ++k)
            a(i, kGiven + static_cast<Eigen::Index>(k)) = valueOf(r, own[k]);
    }
    const auto solve = [&](Eigen::Index columns) -> Eigen::VectorXd {
        const auto part = a.leftCols(columns);
        Eigen::MatrixXd normal = part.transpose() * weight.asDiagonal() * part;
        // How bright windows are may hardly vary: then it explains nothing.
        normal(1, 1) += 4e-4 * weight.sum();
        return normal.ldlt().solve(part.transpose() * weight.asDiagonal() * y);
    };
    constexpr int kRounds = 12;
    constexpr double kLeastSpread = 0.03, kFarBelow = 2.5;
    Eigen::VectorXd found;
    for (int round = 0; round < kRounds; ++round) {
        found = solve(a.cols());
        const Eigen::VectorXd off = y - a * found;
        std::vector<double> sizes(static_cast<std::size_t>(n));
        for (Eigen::Index i = 0; i < n; ++i) sizes[static_cast<std::size_t>(i)] = std::abs(off(i));
        std::nth_element(sizes.begin(), sizes.begin() + n / 2, sizes.end());
        const double spread = std::max(kLeastSpread, 1.4826 * sizes[static_cast<std::size_t>(n / 2)]);
        for (Eigen::Index i = 0; i < n; ++i) {
            const double far = off(i) / (off(i) > 0 ? spread : kFarBelow * spread);
            weight(i) = readings[static_cast<std::size_t>(i)].weight / (1 + far * far);
        }
    }
    Fit out;
    const Eigen::VectorXd off = y - a * found, without = y - a.leftCols(kGiven) * solve(kGiven);
    out.left = weight.dot(off.cwiseAbs2()) / weight.sum();
    out.alone = weight.dot(without.cwiseAbs2()) / weight.sum();
    Eigen::VectorXd explained = Eigen::VectorXd::Zero(n);
    for (std::size_t k = 0; k < own.size(); ++k) {
        out.term[own[k]] = found(kGiven + static_cast<Eigen::Index>(k));
        explained +=
            found(kGiven + static_cast<Eigen::Index>(k)) * a.col(kGiven + static_cast<Eigen::Index>(k));
    }
    const double mean = weight.dot(explained) / weight.sum();
    out.deviation = std::sqrt(weight.dot((explained.array() - mean).square().matrix()) / weight.sum());
    return out;
}

} // namespace

Unevenness unevennessOf(const Photo& photo, const Work& work) {
    IRENIC_EXPECTS(photo.hasMosaic() && photo.unevenness.none());
    // On photographs with even noise the place explains up to two thirds of what differs, but then much is
    // left over: that is texture. Where windows scatter by chance alone, two thirds are enough
    // (docs/notes/noise.md). Less than a twentieth is not worth a risk.
    constexpr double kExplained = 0.75, kExplainedOfChance = 0.66, kChance = 0.065, kOfTheRest = 0.5,
                     kLeast = 0.05;
    const std::vector<Reading> readings = readingsOf(photo, work);
    if (readings.size() < kFewest) return {};
    Terms terms{};
    Fit best = fitOf(readings, terms);
    // One term after the other, as long as it explains half of what is left.
    for (std::size_t round = 0; round < terms.size(); ++round) {
        Fit next = best;
        Terms nextTerms = terms;
        double share = kOfTheRest; // of what is left, that it explains
        for (std::size_t k = 0; k < terms.size(); ++k) {
            if (terms[k]) continue;
            Terms more = terms;
            more[k] = true;
            const Fit fit = fitOf(readings, more);
            const double gained =
                1 - (fit.left / std::max(fit.alone, 1e-12)) / (best.left / std::max(best.alone, 1e-12));
            if (gained > share) share = gained, next = fit, nextTerms = more;
        }
        if (nextTerms == terms) break;
        best = next, terms = nextTerms;
    }
    const double explained = 1 - best.left / std::max(best.alone, 1e-12);
    const double enough = std::sqrt(best.left) < kChance ? kExplainedOfChance : kExplained;
    if (best.deviation < kLeast || explained < enough) return {};
    return {best.term[0], best.term[1], best.term[2]};
}

Unevenness refinedUnevenness(const Photo& photo, const Work& work) {
    IRENIC_EXPECTS(photo.hasMosaic() && !photo.unevenness.none());
    const Unevenness& known = photo.unevenness;
    const std::vector<Reading> readings = readingsOf(photo, work);
    if (readings.size() < kFewest) return known;
    const Fit more = fitOf(readings, {known.across != 0, known.down != 0, known.toCorners != 0});
    return {known.across + more.term[0], known.down + more.term[1], known.toCorners + more.term[2]};
}

} // namespace irenic
