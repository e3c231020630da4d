#include "judge/unlike.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

#include "base/expects.h"

namespace irenic {

namespace {

using Measures = std::array<double, 3>;

Measures measuresOf(const Character& c) { return {c.iso, c.brightness, c.texture}; }

// Each as a share of its range in the set: what is the same in all tells nothing.
std::vector<Measures> spread(const std::vector<Character>& photos) {
    std::vector<Measures> all;
    all.reserve(photos.size());
    for (const Character& c : photos) all.push_back(measuresOf(c));
    for (std::size_t m = 0; m < Measures().size(); ++m) {
        const auto less = [m](const Measures& a, const Measures& b) { return a[m] < b[m]; };
        const double least = (*std::min_element(all.begin(), all.end(), less))[m],
                     most = (*std::max_element(all.begin(), all.end(), less))[m];
        for (Measures& own : all) own[m] = most > least ? (own[m] - least) / (most - least) : 0;
    }
    return all;
}

double distance(const Measures& a, const Measures& b) {
    double sum = 0;
    for (std::size_t m = 0; m < a.size(); ++m) sum += (a[m] - b[m]) * (a[m] - b[m]);
    return sum;
}

} // namespace

Character characterOf(const Glimpse& glimpse) {
    Character out;
    if (glimpse.iso > 0) out.iso = std::log2(glimpse.iso);
    if (!glimpse.picture || glimpse.picture->bytes != 1) return out;
    const FilePicture& picture = *glimpse.picture;
    const auto at = [&](int x, int y) {
        double sum = 0;
        const std::size_t from = (static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width) +
                                  static_cast<std::size_t>(x)) *
                                 static_cast<std::size_t>(picture.channels);
        for (int c = 0; c < picture.channels; ++c) sum += picture.data[from + static_cast<std::size_t>(c)];
        return sum / (255.0 * picture.channels);
    };
    double count = 0;
    for (int y = 0; y + 1 < picture.height; ++y)
        for (int x = 0; x + 1 < picture.width; ++x, ++count) {
            const double own = at(x, y);
            out.brightness += own;
            out.texture += std::abs(at(x + 1, y) - own) + std::abs(at(x, y + 1) - own);
        }
    if (count > 0) out.brightness /= count, out.texture /= 2 * count;
    return out;
}

std::vector<std::size_t> mostUnlike(const std::vector<Character>& photos, std::size_t count,
                                    std::size_t first) {
    IRENIC_EXPECTS(photos.empty() || first < photos.size());
    if (photos.empty() || count == 0) return {};
    const std::vector<Measures> all = spread(photos);
    std::vector<std::size_t> chosen = {first};
    std::vector<double> away(all.size(), std::numeric_limits<double>::max());
    while (chosen.size() < std::min(count, all.size())) {
        for (std::size_t i = 0; i < all.size(); ++i)
            away[i] = std::min(away[i], distance(all[i], all[chosen.back()]));
        for (const std::size_t i : chosen) away[i] = -1;
        chosen.push_back(static_cast<std::size_t>(std::max_element(away.begin(), away.end()) - away.begin()));
    }
    std::sort(chosen.begin(), chosen.end());
    return chosen;
}

} // namespace irenic
