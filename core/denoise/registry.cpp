#include "denoise/bm3d.h"
#include "denoise/learned.h"
#include "denoise/nlbayes.h"
#include "denoise/nlm.h"
#include "denoise/wavelet.h"

namespace irenic {

const std::vector<std::unique_ptr<Method>>& methods() {
    static const auto all = [] {
        std::vector<std::unique_ptr<Method>> list;
        list.push_back(std::make_unique<Wavelet>());
        list.push_back(std::make_unique<NonLocalMeans>());
        list.push_back(std::make_unique<BlockMatching>(true));
        list.push_back(std::make_unique<BlockMatching>(false));
        list.push_back(std::make_unique<NonLocalBayes>());
        list.push_back(std::make_unique<Learned>(true));
        list.push_back(std::make_unique<Learned>(false));
        return list;
    }();
    return all;
}

const Method* findMethod(const std::string& id) {
    for (const auto& method : methods())
        if (method->id() == id) return method.get();
    return nullptr;
}

std::string fullGradeOf(const std::string& id) {
    const std::string full = findMethod(id)->quickGradeOf();
    return full.empty() ? id : full;
}

} // namespace irenic
