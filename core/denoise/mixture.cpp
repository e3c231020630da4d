#include "denoise/mixture.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr std::size_t kParts = 5; // as many as Rother et al. 2004
constexpr int kRounds = 12;
// Of all: whatever no part explains may still be of it.
constexpr double kUnforeseen = 1e-7;

double squaredDistance(const Features& a, const Features& b, const Features& scale) {
    double sum = 0;
    for (std::size_t f = 0; f < kFeatures; ++f)
        sum += static_cast<double>((a[f] - b[f]) * (a[f] - b[f]) / scale[f]);
    return sum;
}

} // namespace

Mixture::Mixture(std::span<const Features> examples, const Features& least) {
    IRENIC_EXPECTS(!examples.empty());
    // Parts begin at examples that are as far from each other as there are.
    parts_.push_back({examples[examples.size() / 2], least, 1});
    while (parts_.size() < std::min(kParts, examples.size())) {
        const auto farness = [&](const Features& f) {
            double nearest = std::numeric_limits<double>::max();
            for (const Part& p : parts_) nearest = std::min(nearest, squaredDistance(f, p.mean, least));
            return nearest;
        };
        const auto farthest =
            std::max_element(examples.begin(), examples.end(),
                             [&](const auto& a, const auto& b) { return farness(a) < farness(b); });
        if (farness(*farthest) < 1) break;
        parts_.push_back({*farthest, least, 1});
    }
    for (Part& p : parts_) {
        p.share = 1.0 / static_cast<double>(parts_.size());
        for (float& v : p.variance) v *= 4;
    }
    std::vector<double> belongs(parts_.size());
    for (int round = 0; round < kRounds; ++round) {
        struct Sums {
            std::array<double, kFeatures> sum{}, squares{};
            double count = 0;
        };
        std::vector<Sums> sums(parts_.size());
        for (const Features& e : examples) {
            double most = -std::numeric_limits<double>::max(), all = 0;
            for (std::size_t p = 0; p < parts_.size(); ++p)
                most = std::max(most, belongs[p] = logarithm(parts_[p], e));
            for (double& b : belongs) all += b = std::exp(b - most);
            for (std::size_t p = 0; p < parts_.size(); ++p) {
                const double share = belongs[p] / all;
                sums[p].count += share;
                for (std::size_t f = 0; f < kFeatures; ++f) {
                    const auto v = static_cast<double>(e[f]);
                    sums[p].sum[f] += share * v, sums[p].squares[f] += share * v * v;
                }
            }
        }
        for (std::size_t p = 0; p < parts_.size(); ++p) {
            const double count = std::max(1e-6, sums[p].count);
            parts_[p].share = sums[p].count / static_cast<double>(examples.size());
            for (std::size_t f = 0; f < kFeatures; ++f) {
                const double mean = sums[p].sum[f] / count;
                parts_[p].mean[f] = static_cast<float>(mean);
                parts_[p].variance[f] =
                    std::max(least[f], static_cast<float>(sums[p].squares[f] / count - mean * mean));
            }
        }
    }
}

double Mixture::logarithm(const Part& part, const Features& of) const {
    constexpr double kTwoPi = 6.283185307179586;
    double out = std::log(std::max(1e-12, part.share));
    for (std::size_t f = 0; f < kFeatures; ++f) {
        const auto off = static_cast<double>(of[f] - part.mean[f]), v = static_cast<double>(part.variance[f]);
        out -= 0.5 * (off * off / v + std::log(kTwoPi * v));
    }
    return out;
}

float Mixture::distance(const Features& of) const {
    double nearest = std::numeric_limits<double>::max();
    for (const Part& p : parts_) nearest = std::min(nearest, squaredDistance(of, p.mean, p.variance));
    return static_cast<float>(std::sqrt(nearest));
}

float Mixture::cost(const Features& of) const {
    double sum = kUnforeseen;
    for (const Part& p : parts_) sum += std::exp(logarithm(p, of));
    return static_cast<float>(-std::log(sum));
}

} // namespace irenic
