#include "raw/photo.h"

#include <cmath>
#include <cstdio>
#include <numeric>

namespace irenic {

std::string Mosaic::name() const {
    std::string s;
    for (const Colour c : site) s += "RGB"[c];
    return s;
}

int Mosaic::channel(int siteIndex) const {
    const auto i = static_cast<std::size_t>(siteIndex);
    if (site[i] == Red) return 0;
    if (site[i] == Blue) return 3;
    const std::size_t neighbour = i ^ 1U;
    return site[neighbour] == Red ? 1 : 2;
}

double BlackLevel::mean() const {
    return std::accumulate(pattern.begin(), pattern.end(), 0.0) / static_cast<double>(pattern.size());
}

std::string Photo::exposureText() const {
    if (exposure <= 0) return {};
    char text[32];
    if (exposure >= 0.3)
        std::snprintf(text, sizeof text, "%.3g s", exposure);
    else
        std::snprintf(text, sizeof text, "1/%.0f s", 1.0 / exposure);
    return text;
}

std::string Photo::camera() const {
    if (model.starts_with(make)) return model;
    return make.empty() ? model : make + " " + model;
}

} // namespace irenic
