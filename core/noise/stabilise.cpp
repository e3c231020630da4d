#include "noise/stabilise.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <mutex>

namespace irenic {

namespace {

// Means above this many electrons use the closed form.
constexpr double kManyElectrons = 60;
constexpr int kTableSize = 2048;

} // namespace

// Mean and variance of f(z) for a mean of `electrons` (may be a little below 0, where only the read noise
// acts) and read noise s.
Moments Stabiliser::momentsOf(double electrons, double s) {
    const double offset = 0.375 + s * s;
    const auto stabilised = [&](double z) {
        return static_cast<double>(root(static_cast<float>(z + offset)));
    };
    double first = 0, second = 0, total = 0;
    // Gaussian part by the midpoint rule over +-5.5 sigma, which is exact to 1e-6 for this smooth a function
    // but for its knee.
    const auto add = [&](double k, double probability) {
        constexpr int steps = 110;
        static const auto weights = [] {
            std::array<double, steps> w{};
            double norm = 0;
            for (int i = 0; i < steps; ++i)
                norm += w[static_cast<std::size_t>(i)] =
                    std::exp(-0.5 * std::pow(-5.5 + 11.0 * (i + 0.5) / steps, 2));
            for (double& v : w) v /= norm;
            return w;
        }();
        for (int i = 0; i < (s < 1e-6 ? 1 : steps); ++i) {
            const double weight = probability * (s < 1e-6 ? 1 : weights[static_cast<std::size_t>(i)]);
            const double f = stabilised(k + (s < 1e-6 ? 0 : s * (-5.5 + 11.0 * (i + 0.5) / steps)));
            first += weight * f, second += weight * f * f;
        }
        total += probability;
    };
    if (electrons <= 0) {
        add(electrons, 1);
    } else {
        double probability = std::exp(-electrons);
        const int last = static_cast<int>(electrons + 9 * std::sqrt(electrons) + 12);
        for (int k = 0; k <= last; ++k) {
            if (probability > 1e-12) add(k, probability);
            probability *= electrons / (k + 1);
        }
    }
    const double mean = first / total;
    return {mean, second / total - mean * mean};
}

Stabiliser::Stabiliser(const NoiseLine& line) {
    // Read noise of more electrons than that would leave single precision no digits for the noise; so large a
    // value stands for a line with hardly any slope, which this one's differs from by less than 1/500 at
    // white.
    constexpr double kMostReadNoise = 2000;
    const double a = std::max({line.a, 1e-9, std::sqrt(std::max(line.b, 0.0)) / kMostReadNoise}),
                 s2 = std::max(line.b, 0.0) / (a * a);
    gain_ = static_cast<float>(1 / a);
    scale_ = static_cast<float>(a);
    offset_ = static_cast<float>(0.375 + s2);
    tail_ = static_cast<float>(-0.125 - s2);
    table_ = tableOf(std::sqrt(s2));
}

std::shared_ptr<const Stabiliser::Table> Stabiliser::tableOf(double s) {
    static std::mutex mutex;
    static std::map<double, std::shared_ptr<const Table>> known;
    const std::lock_guard lock(mutex);
    auto& entry = known[s];
    if (entry) return entry;
    auto table = std::make_shared<Table>();
    // With a lot of read noise the Gaussian rules and the closed form is right everywhere.
    if (s <= 30) {
        std::vector<double> mean, value, variance;
        const double lowest = -1.5 * s;
        for (int i = 0; i <= 180; ++i) {
            const double t = i / 180.0;
            mean.push_back(lowest + (kManyElectrons - lowest) * t * t);
            const Moments m = momentsOf(mean.back(), s);
            value.push_back(m.mean);
            variance.push_back(m.variance);
        }
        table->start = static_cast<float>(value.front());
        table->step = static_cast<float>((value.back() - value.front()) / (kTableSize - 1));
        table->values.resize(kTableSize);
        table->variances.resize(kTableSize);
        std::size_t k = 0;
        for (int i = 0; i < kTableSize; ++i) {
            const double d = value.front() + (value.back() - value.front()) * i / (kTableSize - 1);
            while (k + 2 < value.size() && value[k + 1] < d) ++k;
            const double t = (d - value[k]) / (value[k + 1] - value[k]);
            table->variances[static_cast<std::size_t>(i)] =
                static_cast<float>(variance[k] + t * (variance[k + 1] - variance[k]));
            table->values[static_cast<std::size_t>(i)] =
                static_cast<float>(mean[k] + t * (mean[k + 1] - mean[k]) - 0.25 * d * d);
        }
    }
    // Photos come and go; what is kept is small, but not without bound.
    if (known.size() > 256) known.clear();
    known[s] = table;
    return table;
}

Stabiliser::View Stabiliser::view() const {
    View v{gain_, scale_, offset_, tail_, nullptr, 0, 0, 1, 0, 0};
    const Table& t = *table_;
    if (t.values.empty()) return v;
    v.values = t.values.data();
    v.size = kTableSize;
    v.start = t.start, v.step = t.step;
    const float d1 = t.start + 8 * t.step, e0 = t.values[0] + 0.25f * t.start * t.start,
                e1 = t.values[8] + 0.25f * d1 * d1;
    v.slope = (e1 - e0) / (d1 - t.start);
    v.end = (t.values.back() - tail_) * (t.start + t.step * (kTableSize - 1));
    return v;
}

float Stabiliser::variance(float d) const {
    const Table& t = *table_;
    if (t.variances.empty()) return 1;
    const float position = std::max(0.0f, (d - t.start) / t.step);
    return position >= kTableSize - 1 ? 1 : t.variances[static_cast<std::size_t>(position)];
}

float Stabiliser::unbiased(float d) const {
    const Table& t = *table_;
    if (t.values.empty()) return (0.25f * d * d + tail_) * scale_;
    const float position = (d - t.start) / t.step;
    float electrons;
    if (position < 0) {
        // Straight on from the first entries.
        const float d1 = t.start + 8 * t.step, e0 = t.values[0] + 0.25f * t.start * t.start,
                    e1 = t.values[8] + 0.25f * d1 * d1;
        electrons = e0 + (d - t.start) * (e1 - e0) / (d1 - t.start);
    } else if (position >= kTableSize - 1) {
        // The asymptotic form, joined to the table's end so that there is no step.
        const float end = t.values.back() - tail_, last = t.start + t.step * (kTableSize - 1);
        electrons = 0.25f * d * d + tail_ + end * last / d;
    } else {
        const auto i = static_cast<std::size_t>(position);
        const float share = position - static_cast<float>(i);
        electrons = 0.25f * d * d + t.values[i] + share * (t.values[i + 1] - t.values[i]);
    }
    return electrons * scale_;
}

} // namespace irenic
