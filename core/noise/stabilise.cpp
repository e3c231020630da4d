#include "noise/stabilise.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace irenic {

namespace {

// Means above this many electrons use the closed form.
constexpr double kManyElectrons = 60;
constexpr int kTableSize = 2048;

// E[f(z)] for a mean of `electrons` (may be a little below 0, where only the read noise acts) and read noise s.
double expectation(double electrons, double s) {
    const double offset = 0.375 + s * s;
    // Gaussian part by the midpoint rule over +-5.5 sigma, which is exact to 1e-6 for this smooth a function
    // but for its kink at 0, where a fine step keeps the error below 1e-4.
    const auto gaussian = [&](double k) {
        if (s < 1e-6) return 2 * std::sqrt(std::max(0.0, k + offset));
        constexpr int steps = 110;
        double sum = 0, norm = 0;
        for (int i = 0; i < steps; ++i) {
            const double t = -5.5 + 11.0 * (i + 0.5) / steps;
            const double weight = std::exp(-0.5 * t * t);
            sum += weight * 2 * std::sqrt(std::max(0.0, k + s * t + offset));
            norm += weight;
        }
        return sum / norm;
    };
    if (electrons <= 0) return gaussian(electrons);
    double probability = std::exp(-electrons), sum = 0, total = 0;
    const int last = static_cast<int>(electrons + 9 * std::sqrt(electrons) + 12);
    for (int k = 0; k <= last; ++k) {
        if (probability > 1e-12) {
            sum += probability * gaussian(k);
            total += probability;
        }
        probability *= electrons / (k + 1);
    }
    return sum / total;
}

} // namespace

Stabiliser::Stabiliser(const NoiseLine& line) {
    const double a = std::max(line.a, 1e-9), s2 = std::max(line.b, 0.0) / (a * a);
    gain_ = static_cast<float>(1 / a);
    scale_ = static_cast<float>(a);
    offset_ = static_cast<float>(0.375 + s2);
    tail_ = static_cast<float>(-0.125 - s2);
    const double s = std::sqrt(s2);
    // With a lot of read noise the Gaussian rules and the closed form is right everywhere.
    if (s > 30) return;

    std::vector<double> mean, value;
    const double lowest = -1.5 * s;
    for (int i = 0; i <= 180; ++i) {
        const double t = i / 180.0;
        mean.push_back(lowest + (kManyElectrons - lowest) * t * t);
        value.push_back(expectation(mean.back(), s));
    }
    tableStart_ = static_cast<float>(value.front());
    tableStep_ = static_cast<float>((value.back() - value.front()) / (kTableSize - 1));
    table_.resize(kTableSize);
    std::size_t k = 0;
    for (int i = 0; i < kTableSize; ++i) {
        const double d = value.front() + (value.back() - value.front()) * i / (kTableSize - 1);
        while (k + 2 < value.size() && value[k + 1] < d) ++k;
        const double t = (d - value[k]) / (value[k + 1] - value[k]);
        table_[static_cast<std::size_t>(i)] =
            static_cast<float>(mean[k] + t * (mean[k + 1] - mean[k]) - 0.25 * d * d);
    }
}

float Stabiliser::unbiased(float d) const {
    float electrons;
    if (table_.empty()) {
        electrons = 0.25f * d * d + tail_;
    } else {
        const float position = (d - tableStart_) / tableStep_;
        if (position < 0) {
            // Straight on from the first two entries.
            const float e0 = table_[0] + 0.25f * tableStart_ * tableStart_;
            const float d1 = tableStart_ + 8 * tableStep_, e1 = table_[8] + 0.25f * d1 * d1;
            electrons = e0 + (d - tableStart_) * (e1 - e0) / (d1 - tableStart_);
        } else if (position >= kTableSize - 1) {
            // The asymptotic form, joined to the table's end so that there is no step.
            const float end = table_.back() - tail_;
            const float last = tableStart_ + tableStep_ * (kTableSize - 1);
            electrons = 0.25f * d * d + tail_ + end * last / d;
        } else {
            const auto i = static_cast<std::size_t>(position);
            const float t = position - static_cast<float>(i);
            electrons = 0.25f * d * d + table_[i] + t * (table_[i + 1] - table_[i]);
        }
    }
    return electrons * scale_;
}

} // namespace irenic
