#include "denoise/found_part.h"

#include <algorithm>
#include <utility>

#include "base/kept_few.h"
#include "raw/identity.h"

namespace irenic {

float FoundMap::at(int x, int y) const {
    const auto place = [](int v, int count) {
        return std::clamp((static_cast<float>(v) + 0.5f) / kSide - 0.5f, 0.0f, static_cast<float>(count - 1));
    };
    const float fx = place(x, values_.width()), fy = place(y, values_.height());
    const int l = static_cast<int>(fx), t = static_cast<int>(fy), r = std::min(l + 1, values_.width() - 1),
              b = std::min(t + 1, values_.height() - 1);
    const float sx = fx - static_cast<float>(l), sy = fy - static_cast<float>(t);
    const float above = values_.at(l, t) + sx * (values_.at(r, t) - values_.at(l, t)),
                below = values_.at(l, b) + sx * (values_.at(r, b) - values_.at(l, b));
    return above + sy * (below - above);
}

FoundPartMeasure measureOf(FoundPart part) {
    switch (part) {
    case FoundPart::InFocus: return {FoundMeasure::Focus, false};
    case FoundPart::OutOfFocus: return {FoundMeasure::Focus, true};
    case FoundPart::Dark: return {FoundMeasure::Dark, false};
    case FoundPart::Bright: return {FoundMeasure::Dark, true};
    case FoundPart::Textured: return {FoundMeasure::Texture, false};
    case FoundPart::Smooth: return {FoundMeasure::Texture, true};
    case FoundPart::Points: return {FoundMeasure::Points, false};
    case FoundPart::Edges: return {FoundMeasure::Edges, false};
    case FoundPart::Painted:
    case FoundPart::Marked:
    case FoundPart::Alike: break;
    }
    return {FoundMeasure::Focus, false};
}

std::shared_ptr<const FoundMap> foundMapOf(const Photo& photo, FoundMeasure what, const Work& work) {
    constexpr std::size_t kMaps = 12;
    static KeptFew<std::pair<PhotoId, FoundMeasure>, FoundMap> kept(kMaps);
    return kept.of({idOf(photo), what}, [&] { return FoundMap(measured(photo, what, work)); });
}

} // namespace irenic
