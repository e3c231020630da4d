#include "judge/contrast.h"

#include <algorithm>
#include <limits>

#include "base/expects.h"
#include "denoise/method.h"

namespace irenic {

namespace {

double leastDifferenceOf(const Tried& trial, const std::vector<const Tried*>& chosen) {
    double least = std::numeric_limits<double>::infinity();
    for (const Tried* other : chosen) least = std::min(least, differenceOf(trial, *other));
    return least;
}

bool isOfOneMethod(const Tried& a, const Tried& b) {
    return fullGradeOf(a.settings.method) == fullGradeOf(b.settings.method);
}

} // namespace

double differenceOf(const Tried& a, const Tried& b) {
    IRENIC_EXPECTS(a.picture.size() == b.picture.size());
    double sum = 0;
    for (std::size_t i = 0; i < a.picture.size(); ++i) {
        const auto d = static_cast<double>(a.picture[i] - b.picture[i]);
        sum += d * d;
    }
    return a.picture.empty() ? 0 : sum * static_cast<double>(kPlanes) / static_cast<double>(a.picture.size());
}

std::vector<Settings> contrastsOf(const Tried& first, const std::vector<Tried>& trials, std::size_t count) {
    // Of the first's squared error: one decibel; and what two takes have to differ by to be of another
    // character.
    constexpr double kNear = 1.26, kSeen = 0.05;
    const double own = std::max(0.0, first.risk.sum());
    std::vector<const Tried*> chosen{&first};
    // The one that differs most of all that are near enough.
    const auto unlike = [&]() -> const Tried* {
        const Tried* best = nullptr;
        double most = kSeen * own;
        for (const Tried& t : trials) {
            if (t.risk.sum() > kNear * own) continue;
            const double least = leastDifferenceOf(t, chosen);
            if (least > most) best = &t, most = least;
        }
        return best;
    };
    // The one with the least error of methods that are not there yet.
    const auto other = [&]() -> const Tried* {
        const Tried* best = nullptr;
        for (const Tried& t : trials)
            if ((!best || t.risk.sum() < best->risk.sum()) &&
                std::none_of(chosen.begin(), chosen.end(),
                             [&](const Tried* c) { return isOfOneMethod(*c, t); }))
                best = &t;
        return best;
    };
    std::vector<Settings> out;
    while (out.size() < count) {
        const Tried* next = unlike();
        if (!next) next = other();
        if (!next) break;
        chosen.push_back(next), out.push_back(next->settings);
    }
    return out;
}

} // namespace irenic
