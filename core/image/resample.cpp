#include "image/resample.h"

#include <algorithm>
#include <vector>

#include "base/expects.h"

namespace irenic {

const std::array<float, 6>& lanczos(float fraction) {
    static const auto table = [] {
        std::vector<std::array<float, 6>> t(1025);
        for (std::size_t i = 0; i < t.size(); ++i) {
            float sum = 0;
            for (std::size_t k = 0; k < 6; ++k) {
                const double x = M_PI * (static_cast<double>(k) - 2 - static_cast<double>(i) / 1024);
                t[i][k] = static_cast<float>(std::abs(x) < 1e-9 ? 1
                                             : std::abs(x) >= 3 * M_PI
                                                 ? 0
                                                 : 3 * std::sin(x) * std::sin(x / 3) / (x * x));
                sum += t[i][k];
            }
            for (float& v : t[i]) v /= sum;
        }
        return t;
    }();
    return table[static_cast<std::size_t>(fraction * 1024 + 0.5f)];
}

Plane areaAverage(const Plane& in, int width, int height) {
    IRENIC_EXPECTS(width >= 1 && height >= 1);
    IRENIC_EXPECTS(!in.empty());
    const auto weights = [](int from, int to) {
        std::vector<std::vector<std::pair<int, float>>> all(static_cast<std::size_t>(to));
        for (int i = 0; i < to; ++i) {
            const double a = static_cast<double>(i) * from / to, b = static_cast<double>(i + 1) * from / to;
            for (int k = static_cast<int>(a); k < std::min(from, static_cast<int>(std::ceil(b))); ++k)
                all[static_cast<std::size_t>(i)].emplace_back(
                    k, static_cast<float>((std::min(b, k + 1.0) - std::max(a, static_cast<double>(k))) /
                                          (b - a)));
        }
        return all;
    };
    const auto across = weights(in.width(), width), down = weights(in.height(), height);
    Plane out(width, height);
    std::vector<float> row(static_cast<std::size_t>(in.width()));
    for (int y = 0; y < height; ++y) {
        std::fill(row.begin(), row.end(), 0.0f);
        for (const auto& [k, w] : down[static_cast<std::size_t>(y)])
            for (int x = 0; x < in.width(); ++x) row[static_cast<std::size_t>(x)] += w * in.at(x, k);
        for (int x = 0; x < width; ++x) {
            float sum = 0;
            for (const auto& [k, w] : across[static_cast<std::size_t>(x)])
                sum += w * row[static_cast<std::size_t>(k)];
            out.at(x, y) = sum;
        }
    }
    return out;
}

} // namespace irenic
