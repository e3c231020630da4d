#include "judge/finding_json.h"

#include <nlohmann/json.hpp>

namespace irenic {

nlohmann::json jsonOf(const Finding& f) {
    using nlohmann::json;
    json places = json::array();
    for (const Rect& r : f.places)
        places.push_back({{"x", r.x}, {"y", r.y}, {"width", r.width}, {"height", r.height}});
    return {{"check", f.check},       {"value", f.value ? json(*f.value) : json()},
            {"unit", f.unit},         {"grade", idOf(f.grade)},
            {"severity", f.severity}, {"sentence", f.sentence},
            {"places", places}};
}

} // namespace irenic
