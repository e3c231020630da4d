#include "judge/subjects.h"

#include <algorithm>

#include "base/expects.h"
#include "base/shown_text.h"

namespace irenic {

std::vector<std::string> subjectsOf(const Tried& take, const std::vector<Tried>& all,
                                    const std::vector<Probe>& probes) {
    // Half a decibel, and one; estimates of one place scatter by a hundredth of the noise's energy besides.
    constexpr double kAlike = 1.122, kWorse = 1.259, kScatter = 0.01;
    std::string good, weak;
    for (std::size_t i = 0; i < std::min(take.at.size(), probes.size()); ++i) {
        double least = take.at[i].sum();
        for (const Tried& t : all) {
            IRENIC_EXPECTS(t.at.size() == take.at.size());
            least = std::min(least, t.at[i].sum());
        }
        least = std::max(0.0, least);
        const double own = take.at[i].sum();
        std::string* list = own <= kAlike * least + kScatter      ? &good
                            : own > kWorse * least + 2 * kScatter ? &weak
                                                                  : nullptr;
        if (list) *list += (list->empty() ? "" : ", ") + probes[i].name;
    }
    std::vector<std::string> out;
    if (!good.empty()) out.push_back(filled(IRENIC_TEXT("As good here as any at: %1"), {good}));
    if (!weak.empty()) out.push_back(filled(IRENIC_TEXT("Weaker here than others at: %1"), {weak}));
    return out;
}

} // namespace irenic
