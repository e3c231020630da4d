#include "noise/weakest.h"

#include <Eigen/Eigenvalues>
#include <algorithm>
#include <cmath>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr int kPatch = 8, kStep = 2, kLength = kPatch * kPatch;
// Of the directions, from the weakest on: those that measure, and those that tell whether it is still noise.
constexpr int kMeasured = 3, kNextFrom = 8, kNextTo = 16;
using Patches = Eigen::Matrix<float, Eigen::Dynamic, kLength, Eigen::RowMajor>;

// The patches of every second row of them, from `first` on, without their mean.
Patches patchesOf(const Plane& window, int first) {
    const int across = (window.width() - kPatch) / kStep + 1, down = (window.height() - kPatch) / kStep + 1;
    Patches all(((down - first + 1) / 2) * across, kLength);
    Eigen::Index at = 0;
    for (int j = first; j < down; j += 2)
        for (int i = 0; i < across; ++i, ++at)
            for (int y = 0; y < kPatch; ++y)
                for (int x = 0; x < kPatch; ++x)
                    all(at, y * kPatch + x) = window.at(kStep * i + x, kStep * j + y);
    all.rowwise() -= all.colwise().mean().eval();
    return all;
}

} // namespace

double noiseVarianceOf(const WeakestVariance& found) {
    constexpr double kAdds = 1.4, kMostUnlike = 2.5;
    return found.variance / std::pow(std::clamp(found.next, 1.0, kMostUnlike), kAdds);
}

WeakestVariance weakestVariance(const Plane& window) {
    IRENIC_EXPECTS(window.width() >= 64 && window.height() >= 64);
    const Patches half[2] = {patchesOf(window, 0), patchesOf(window, 1)};
    double weakest = 0, next = 0;
    for (int own = 0; own < 2; ++own) {
        const Patches &learn = half[own], &judge = half[1 - own];
        const Eigen::Matrix<float, kLength, kLength> covariance =
            learn.transpose() * learn / static_cast<float>(learn.rows());
        const Eigen::SelfAdjointEigenSolver<Eigen::Matrix<float, kLength, kLength>> solved(covariance);
        // Directions come in the order of their variance, the least first.
        const auto varianceAlong = [&](int from, int to) {
            const auto along = (judge * solved.eigenvectors().middleCols(from, to - from)).eval();
            return static_cast<double>(along.squaredNorm()) / static_cast<double>(along.size());
        };
        weakest += varianceAlong(0, kMeasured) / 2, next += varianceAlong(kNextFrom, kNextTo) / 2;
    }
    return {weakest, next / std::max(weakest, 1e-9)};
}

} // namespace irenic
