// Order statistics of a few numbers.
#pragma once

#include <algorithm>
#include <cstddef>
#include <vector>

namespace irenic {

// What this share (0 to below 1) of the values, of which there is at least one, lie below.
inline double quantile(std::vector<double> values, double share) {
    const auto at = values.begin() + static_cast<std::ptrdiff_t>(share * static_cast<double>(values.size()));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

} // namespace irenic
