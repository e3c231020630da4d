#include "judge/trial.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>
#include <numeric>
#include <random>

#include "base/expects.h"

namespace irenic {

namespace {

// What is believed before any answer: worths lie within a factor of e or so of each other, and one answer of
// five or so is a tie. Weak enough that ten answers outweigh it.
constexpr double kSpread = 1, kTies = -0.7, kTiesSpread = 1;

// Worths and the logarithm of v, with what the answers leave in doubt: the mode of the posterior, and the
// inverse of its curvature there.
struct Fit {
    Eigen::VectorXd value;
    Eigen::MatrixXd covariance;

    double difference(int a, int b) const { return value(a) - value(b); }
    // How likely a is worth more than b.
    double isAbove(int a, int b) const {
        const double variance = covariance(a, a) + covariance(b, b) - 2 * covariance(a, b);
        return 0.5 * std::erfc(-difference(a, b) / std::sqrt(2 * std::max(1e-12, variance)));
    }
};

// Each answer is one of three outcomes whose logarithms are linear in the unknowns, so that the posterior has
// one maximum, and Newton's steps reach it.
Fit fitOf(int pictures, std::span<const TrialAnswer> answers) {
    constexpr int kSteps = 40;
    constexpr double kClose = 1e-10, kLongest = 2;
    const int ties = pictures;
    Fit out;
    out.value = Eigen::VectorXd::Zero(pictures + 1);
    out.value(ties) = kTies;
    for (int step = 0; step < kSteps; ++step) {
        Eigen::VectorXd slope = -out.value / (kSpread * kSpread);
        slope(ties) = -(out.value(ties) - kTies) / (kTiesSpread * kTiesSpread);
        Eigen::MatrixXd curvature =
            Eigen::MatrixXd::Identity(pictures + 1, pictures + 1) / (kSpread * kSpread);
        curvature(ties, ties) = 1 / (kTiesSpread * kTiesSpread);
        for (const TrialAnswer& a : answers) {
            // Of first, second and neither: what they are made of.
            Eigen::MatrixXd made = Eigen::MatrixXd::Zero(pictures + 1, 3);
            made(a.first, 0) = made(a.second, 1) = 1;
            made(a.first, 2) = made(a.second, 2) = 0.5, made(ties, 2) = 1;
            Eigen::Vector3d likely = made.transpose() * out.value;
            likely = (likely.array() - likely.maxCoeff()).exp();
            likely /= likely.sum();
            const Eigen::VectorXd expected = made * likely;
            slope += made.col(static_cast<int>(a.preferred)) - expected;
            curvature += made * likely.asDiagonal() * made.transpose() - expected * expected.transpose();
        }
        const Eigen::LDLT<Eigen::MatrixXd> solver(curvature);
        Eigen::VectorXd change = solver.solve(slope);
        change *= std::min(1.0, kLongest / std::max(kLongest, change.cwiseAbs().maxCoeff()));
        out.value += change;
        out.covariance = solver.solve(Eigen::MatrixXd::Identity(pictures + 1, pictures + 1));
        if (change.cwiseAbs().maxCoeff() < kClose) break;
    }
    return out;
}

// Of a yes or no.
double entropyOf(double likely) {
    const double p = std::clamp(likely, 1e-9, 1 - 1e-9);
    return -p * std::log(p) - (1 - p) * std::log(1 - p);
}

bool areOf(int pictures, std::span<const TrialAnswer> answers) {
    return std::all_of(answers.begin(), answers.end(), [&](const TrialAnswer& a) {
        return a.first != a.second && std::min(a.first, a.second) >= 0 &&
               std::max(a.first, a.second) < pictures;
    });
}

} // namespace

double TrialRanking::leastSure() const {
    return sure.empty() ? 1 : *std::min_element(sure.begin(), sure.end());
}

TrialRanking rankingOf(int pictures, std::span<const TrialAnswer> answers) {
    IRENIC_EXPECTS(pictures >= 1 && areOf(pictures, answers));
    const Fit fit = fitOf(pictures, answers);
    TrialRanking out;
    const double mean = fit.value.head(pictures).mean();
    for (int i = 0; i < pictures; ++i) out.worth.push_back(fit.value(i) - mean);
    out.order.resize(static_cast<std::size_t>(pictures));
    std::iota(out.order.begin(), out.order.end(), 0);
    std::stable_sort(out.order.begin(), out.order.end(), [&](int a, int b) {
        return out.worth[static_cast<std::size_t>(a)] > out.worth[static_cast<std::size_t>(b)];
    });
    for (std::size_t i = 0; i + 1 < out.order.size(); ++i)
        out.sure.push_back(fit.isAbove(out.order[i], out.order[i + 1]));
    return out;
}

std::pair<int, int> nextPair(int pictures, std::span<const TrialAnswer> answers, std::uint32_t seed) {
    IRENIC_EXPECTS(pictures >= 2 && areOf(pictures, answers));
    const Fit fit = fitOf(pictures, answers);
    std::vector<std::pair<int, int>> pairs;
    for (int a = 0; a < pictures; ++a)
        for (int b = a + 1; b < pictures; ++b) pairs.push_back({a, b});
    std::mt19937 random(seed);
    std::shuffle(pairs.begin(), pairs.end(), random);
    // Never the same two twice in a row, where there are others.
    if (pairs.size() > 1 && !answers.empty()) {
        const TrialAnswer& last = answers.back();
        std::erase(pairs, std::pair{std::min(last.first, last.second), std::max(last.first, last.second)});
    }
    const auto doubt = [&](const std::pair<int, int>& p) {
        return entropyOf(fit.isAbove(p.first, p.second));
    };
    auto [a, b] = *std::max_element(pairs.begin(), pairs.end(),
                                    [&](const auto& x, const auto& y) { return doubt(x) < doubt(y) - 1e-9; });
    if (random() % 2 == 0) std::swap(a, b);
    return {a, b};
}

} // namespace irenic
