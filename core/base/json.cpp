#include "base/json.h"

#include <cmath>
#include <optional>

namespace irenic {

using nlohmann::json;

json jsonFrom(const std::string& text) {
    const auto watch = [](int depth, json::parse_event_t event, json& value) {
        if (depth > kDeepestJson) throw JsonError("it is nested too deeply");
        if (event == json::parse_event_t::value && value.is_string() &&
            value.get_ref<const std::string&>().size() > kLongestJsonText)
            throw JsonError("it holds a text that is too long");
        return true;
    };
    try {
        return json::parse(text, watch);
    } catch (const json::exception&) {
        throw JsonError("it is no valid JSON");
    }
}

std::optional<long long> wholeNumber(const json& value, long long least, long long most) {
    if (value.is_number_unsigned()) {
        const auto v = value.get<unsigned long long>();
        if (v > static_cast<unsigned long long>(std::max(0LL, most)) ||
            (least > 0 && v < static_cast<unsigned long long>(least)))
            return std::nullopt;
        return static_cast<long long>(v);
    }
    if (value.is_number_integer()) {
        const auto v = value.get<long long>();
        return v < least || v > most ? std::nullopt : std::optional(v);
    }
    if (value.is_number_float()) {
        const double v = value.get<double>();
        if (!(v >= static_cast<double>(least) && v <= static_cast<double>(most))) return std::nullopt;
        return std::llround(v);
    }
    return std::nullopt;
}

} // namespace irenic
